#include "shell/toast.h"

#include "paint/text.h"

#include <QAccessible>
#include <QGraphicsOpacityEffect>
#include <QHBoxLayout>
#include <QLabel>
#include <QPropertyAnimation>
#include <QTimer>

namespace wisetick::app {

namespace {

constexpr int kStays = 3500; ///< ms
constexpr int kFades = 250;
constexpr int kAbove = 20; ///< the lower edge of the window

} // namespace

Toast::Toast(QWidget* window) : QWidget(window), label_(new QLabel), stays_(new QTimer(this)) {
    setAttribute(Qt::WA_TransparentForMouseEvents);
    label_->setTextFormat(Qt::PlainText);
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(16, 8, 16, 8);
    layout->addWidget(label_);
    stays_->setSingleShot(true);
    stays_->setInterval(kStays);
    connect(stays_, &QTimer::timeout, this, &Toast::leave);
    window->installEventFilter(this);
    hide();
}

void Toast::setTheme(const Theme& theme) {
    theme_ = theme;
    QPalette palette = this->palette();
    palette.setColor(QPalette::WindowText, theme.headInk);
    label_->setPalette(palette);
}

QString Toast::text() const {
    return isVisibleTo(parentWidget()) ? label_->text() : QString();
}

void Toast::tell(const QString& what) {
    label_->setFont(faceFont(Face::word));
    label_->setText(what);
    setAccessibleName(what);
    setGraphicsEffect(nullptr); // one that is fading is here again
    adjustSize();
    place();
    show();
    raise();
    stays_->start();
    QAccessibleEvent said(this, QAccessible::Alert);
    QAccessible::updateAccessibility(&said);
}

void Toast::place() {
    const QWidget* window = parentWidget();
    move((window->width() - width()) / 2, window->height() - height() - kAbove);
}

void Toast::leave() {
    if (!hasMotion_) {
        hide();
        return;
    }
    auto* effect = new QGraphicsOpacityEffect(this);
    setGraphicsEffect(effect);
    auto* fading = new QPropertyAnimation(effect, "opacity", effect);
    fading->setDuration(kFades);
    fading->setStartValue(1.0);
    fading->setEndValue(0.0);
    connect(fading, &QPropertyAnimation::finished, this, &QWidget::hide);
    fading->start();
}

bool Toast::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() == QEvent::Resize) {
        place();
    }
    return QWidget::eventFilter(watched, event);
}

void Toast::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(Qt::NoPen);
    painter.setBrush(theme_.head);
    painter.drawRoundedRect(rect(), 6, 6);
}

} // namespace wisetick::app
