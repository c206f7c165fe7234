#include "paint/find_line.h"

#include <QKeyEvent>

namespace wisetick::app {

namespace {

constexpr int kWidest = 180;

} // namespace

FindLine::FindLine(const QString& placeholder, QWidget* rows) : rows_(rows) {
    setPlaceholderText(placeholder);
    setAccessibleName(placeholder);
    setMaximumWidth(kWidest);
}

void FindLine::keyPressEvent(QKeyEvent* event) {
    switch (event->key()) {
    case Qt::Key_Escape:
        if (!text().isEmpty()) {
            clear();
            return;
        }
        [[fallthrough]];
    case Qt::Key_Return:
    case Qt::Key_Enter:
    case Qt::Key_Down: rows_->setFocus(); return;
    default: QLineEdit::keyPressEvent(event);
    }
}

} // namespace wisetick::app
