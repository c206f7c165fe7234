#pragma once

#include <QObject>

#include <functional>
#include <vector>

class QTimer;

namespace wisetick::app {

class MainWindow;

/// Seven steps on the example, each said over the view; it watches what the user does, and goes on by itself when a step is done.
class Tour : public QObject {
    Q_OBJECT

public:
    explicit Tour(MainWindow& window);
    /// Begins anew; the example is open.
    void begin();
    void end();
    bool isUnderWay() const { return step_ < steps_.size(); }
    /// From 0.
    std::size_t step() const { return step_; }
    std::size_t count() const { return steps_.size(); }
    void skip();

private:
    struct Step {
        QString say;
        std::function<bool()> isDone;
    };
    void look();
    void show();

    MainWindow& window_;
    std::vector<Step> steps_;
    std::size_t step_ = 0;
    std::size_t promisesBefore_ = 0;
    QTimer* looks_;
};

} // namespace wisetick::app
