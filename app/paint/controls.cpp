#include "paint/controls.h"

#include "paint/text.h"
#include "paint/tip.h"

#include <QMouseEvent>
#include <QRegularExpression>

#include <algorithm>

namespace wisetick::app {

namespace {

constexpr int kBarWidth = 10;
constexpr int kLeastHandle = 32;

} // namespace

PillButton::PillButton(const QString& text, QWidget* parent) : QPushButton(text, parent) {
    setFlat(true);
}

void PillButton::setTheme(const Theme& theme, bool isFilled) {
    theme_ = theme;
    isFilled_ = isFilled;
    update();
}

QSize PillButton::sizeHint() const {
    return {static_cast<int>(textWidth(Face::word, text())) + 33, static_cast<int>(lineHeight(Face::word)) + 8};
}

void PillButton::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    const QRectF shape = QRectF(rect()).adjusted(1.5, 1.5, -1.5, -1.5);
    const bool isStrong = isFilled_ && isEnabled();
    const QColor edge = !isEnabled() ? theme_.line : (isFilled_ ? theme_.kept : theme_.muted);
    painter.setPen(QPen(hasFocus() ? theme_.ink : edge, hasFocus() ? 2.4 : 1.0));
    painter.setBrush(isStrong ? QBrush(isDown() ? theme_.kept.darker(115) : theme_.kept)
                              : (isDown() || underMouse() ? QBrush(theme_.selected) : QBrush(Qt::NoBrush)));
    painter.drawRoundedRect(shape, shape.height() / 2, shape.height() / 2);
    const QColor onFill = theme_.isDark ? theme_.head : QColor(Qt::white);
    drawText(painter, rect(), Qt::AlignHCenter, text(), Face::word,
             !isEnabled() ? theme_.muted : (isStrong ? onFill : theme_.ink));
}

ElidedLabel::ElidedLabel(const QString& text, QWidget* parent) : QLabel(text, parent) {
    setTextFormat(Qt::PlainText);
}

QSize ElidedLabel::minimumSizeHint() const {
    return {0, QLabel::minimumSizeHint().height()};
}

bool ElidedLabel::event(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        setToolTip(fontMetrics().horizontalAdvance(text()) > width() ? tipText(text()) : QString());
    }
    return QLabel::event(event);
}

QString ElidedLabel::shown() const {
    static const QRegularExpression kBetween("( \u00b7 |; |, )(?!.*( \u00b7 |; |, ))"); // the last
    QString said = text();
    while (fontMetrics().horizontalAdvance(said) > width()) {
        const auto last = kBetween.match(said);
        if (!last.hasMatch()) {
            return fontMetrics().elidedText(said, Qt::ElideRight, width());
        }
        said.truncate(last.capturedStart());
    }
    return said;
}

void ElidedLabel::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.setPen(palette().color(QPalette::WindowText));
    painter.drawText(contentsRect(), static_cast<int>(alignment()), shown());
}

SlimScrollBar::SlimScrollBar(Qt::Orientation orientation, QWidget* parent) : QScrollBar(orientation, parent) {}

void SlimScrollBar::setTheme(const Theme& theme) {
    theme_ = theme;
    update();
}

QSize SlimScrollBar::sizeHint() const {
    return orientation() == Qt::Vertical ? QSize(kBarWidth, kLeastHandle) : QSize(kLeastHandle, kBarWidth);
}

QRect SlimScrollBar::handle() const {
    const bool isUpright = orientation() == Qt::Vertical;
    const int length = isUpright ? height() : width();
    const int span = maximum() - minimum();
    if (span <= 0) {
        return {};
    }
    const int size = std::clamp(length * pageStep() / (span + pageStep()), std::min(kLeastHandle, length), length);
    const int from = (length - size) * (value() - minimum()) / span;
    return isUpright ? QRect(2, from + 1, kBarWidth - 4, size - 2) : QRect(from + 1, 2, size - 2, kBarWidth - 4);
}

void SlimScrollBar::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.fillRect(rect(), palette().color(QPalette::Window));
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(Qt::NoPen);
    painter.setBrush(underMouse() ? theme_.muted : theme_.line);
    painter.drawRoundedRect(handle(), 3, 3);
}

void SlimScrollBar::mousePressEvent(QMouseEvent* event) {
    const QPoint place = event->position().toPoint();
    const bool isUpright = orientation() == Qt::Vertical;
    const QRect bar = handle();
    const int at = isUpright ? place.y() : place.x();
    const int from = isUpright ? bar.top() : bar.left();
    const int to = isUpright ? bar.bottom() : bar.right();
    if (at < from || at > to) { // a page towards the mouse
        setValue(value() + (at < from ? -pageStep() : pageStep()));
        grip_ = (to - from) / 2;
        return;
    }
    grip_ = at - from;
}

void SlimScrollBar::mouseMoveEvent(QMouseEvent* event) {
    const bool isUpright = orientation() == Qt::Vertical;
    const int length = isUpright ? height() : width();
    const int size = isUpright ? handle().height() : handle().width();
    const int at = static_cast<int>(isUpright ? event->position().y() : event->position().x()) - grip_;
    if (length > size) {
        setValue(minimum() + (maximum() - minimum()) * at / (length - size));
    }
}

} // namespace wisetick::app
