#include "shell/trail_button.h"

#include "paint/text.h"

#include <QKeyEvent>

namespace wisetick::app {

namespace {

constexpr int kTrailMark = 12;
constexpr int kTrailGap = 8;

} // namespace

TrailButton::TrailButton(const QString& text, QWidget* parent) : QPushButton(text, parent) {
    setFlat(true);
    setCurrent(false);
}

void TrailButton::setTheme(const Theme& theme) {
    theme_ = theme;
    update();
}

void TrailButton::setState(std::optional<State> state) {
    state_ = state;
    setAccessibleDescription(state ? app::text(stateName(*state)) : QString());
    update();
}

void TrailButton::setCurrent(bool isCurrent) {
    isCurrent_ = isCurrent;
    setFocusPolicy(isCurrent ? Qt::TabFocus : Qt::NoFocus);
    update();
}

void TrailButton::keyPressEvent(QKeyEvent* event) {
    const int step = event->key() == Qt::Key_Right ? 1 : event->key() == Qt::Key_Left ? -1 : 0;
    const auto steps = parentWidget() != nullptr ? parentWidget()->findChildren<TrailButton*>() : QList<TrailButton*>();
    const qsizetype next = steps.indexOf(this) + step;
    if (step == 0) {
        QPushButton::keyPressEvent(event);
    } else if (next >= 0 && next < steps.size()) {
        steps[next]->click();
        steps[next]->setFocus(Qt::TabFocusReason); // the view takes the focus; whoever goes along the trail stays on it
    }
}

QSize TrailButton::sizeHint() const {
    // as wide as when it is shown, so that nothing moves when the view changes
    return {kTrailMark + kTrailGap + static_cast<int>(textWidth(Face::bold, text())) + 12,
            static_cast<int>(lineHeight(Face::word)) + 8};
}

void TrailButton::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    const QRectF mark(0, (height() - kTrailMark) / 2.0, kTrailMark, kTrailMark);
    if (state_) {
        drawMark(painter, mark, *state_, theme_);
    } else { // there is nothing to judge
        painter.setRenderHint(QPainter::Antialiasing);
        painter.setPen(Qt::NoPen);
        painter.setBrush(theme_.railEdge);
        painter.drawEllipse(mark.center(), 2.5, 2.5);
    }
    const QRectF name(kTrailMark + kTrailGap, 0, width() - kTrailMark - kTrailGap, height());
    drawText(painter, name, Qt::AlignLeft, text(), isCurrent_ ? Face::bold : Face::word,
             isCurrent_ || underMouse() ? theme_.ink : theme_.muted);
    if (hasFocus()) {
        painter.fillRect(QRectF(name.left(), height() - 3, textWidth(Face::bold, text()), 2), theme_.kept);
    }
}

} // namespace wisetick::app
