#pragma once

#include <QApplication>

namespace wisetick::app {

/// The application: an exception that nobody expected does not end it, for what is open is not saved yet.
class Application : public QApplication {
    Q_OBJECT

public:
    Application(int& argc, char** argv) : QApplication(argc, argv) {}
    bool notify(QObject* receiver, QEvent* event) override;

signals:
    /// What it said; told once a second at the most.
    void failed(const QString& why);

private:
    bool isFailing_ = false;
};

} // namespace wisetick::app
