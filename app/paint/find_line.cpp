#include "paint/find_line.h"

#include <QKeyEvent>

#include <algorithm>

namespace wisetick::app {

namespace {

constexpr int kLeast = 108; ///< px, for a word to be typed
constexpr int kBeside = 22; ///< px, of frame and margins

} // namespace

FindLine::FindLine(const QString& placeholder, QWidget* rows) : rows_(rows) {
    setPlaceholderText(placeholder);
    setAccessibleName(placeholder);
    setSizePolicy(QSizePolicy::Maximum, QSizePolicy::Fixed);
}

QSize FindLine::sizeHint() const {
    const int words = fontMetrics().horizontalAdvance(placeholderText()) + kBeside;
    return {std::max(words, kLeast), QLineEdit::sizeHint().height()};
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
