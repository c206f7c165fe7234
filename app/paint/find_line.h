#pragma once

#include <QLineEdit>

namespace wisetick::app {

/// A line beside a view's title: what is typed leaves only the rows that have it. Enter and Down go to the rows, Escape shows all
/// again, and then goes there too.
class FindLine : public QLineEdit {
    Q_OBJECT

public:
    FindLine(const QString& placeholder, QWidget* rows);

    /// As wide as what stands in it while nothing is typed.
    QSize sizeHint() const override;

protected:
    void keyPressEvent(QKeyEvent* event) override;

private:
    QWidget* rows_;
};

} // namespace wisetick::app
