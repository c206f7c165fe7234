#include "shell/trail_button.h"

#include "paint/text.h"

namespace wisetick::app {

namespace {

constexpr int kTrailMark = 12;
constexpr int kTrailGap = 8;

} // namespace

TrailButton::TrailButton(const QString& text, QWidget* parent) : QPushButton(text, parent) {
    setFlat(true);
    setFocusPolicy(Qt::TabFocus);
}

void TrailButton::setTheme(const Theme& theme) {
    theme_ = theme;
    update();
}

void TrailButton::setState(State state) {
    state_ = state;
    setAccessibleDescription(QString::fromStdString(stateName(state)));
    update();
}

void TrailButton::setCurrent(bool isCurrent) {
    isCurrent_ = isCurrent;
    update();
}

QSize TrailButton::sizeHint() const {
    // as wide as when it is shown, so that nothing moves when the view changes
    return {kTrailMark + kTrailGap + static_cast<int>(textWidth(Face::bold, text())) + 12,
            static_cast<int>(lineHeight(Face::word)) + 8};
}

void TrailButton::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    drawMark(painter, QRectF(0, (height() - kTrailMark) / 2.0, kTrailMark, kTrailMark), state_, theme_);
    const QRectF name(kTrailMark + kTrailGap, 0, width() - kTrailMark - kTrailGap, height());
    drawText(painter, name, Qt::AlignLeft, text(), isCurrent_ ? Face::bold : Face::word,
             isCurrent_ || underMouse() ? theme_.ink : theme_.muted);
    if (hasFocus()) {
        painter.fillRect(QRectF(name.left(), height() - 3, textWidth(Face::bold, text()), 2), theme_.kept);
    }
}

} // namespace wisetick::app
