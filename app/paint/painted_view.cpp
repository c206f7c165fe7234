#include "paint/painted_view.h"

#include "paint/controls.h"

#include <QEvent>

#include <algorithm>

namespace wisetick::app {

PaintedView::PaintedView(const QString& name, QWidget* parent) : QAbstractScrollArea(parent) {
    setFrameShape(QFrame::NoFrame);
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(name);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setVerticalScrollBar(new SlimScrollBar(Qt::Vertical));
}

void PaintedView::setTheme(const Theme& theme) {
    theme_ = theme;
    for (SlimScrollBar* bar : findChildren<SlimScrollBar*>()) {
        bar->setTheme(theme);
    }
    viewport()->update();
}

void PaintedView::setStale() {
    isStale_ = true;
    forgetSpokenRows(this);
    viewport()->update();
}

void PaintedView::make() {
    if (isStale_) {
        isStale_ = false;
        remake();
    }
}

void PaintedView::setContentHeight(qreal height, qreal step) {
    verticalScrollBar()->setSingleStep(static_cast<int>(step));
    verticalScrollBar()->setPageStep(viewport()->height());
    verticalScrollBar()->setRange(0, std::max(0, static_cast<int>(height) - viewport()->height()));
}

void PaintedView::scrollToShow(const QRectF& rect, qreal above, qreal below) {
    QScrollBar* bar = verticalScrollBar();
    if (rect.top() - above < 0) {
        bar->setValue(bar->value() + static_cast<int>(rect.top() - above));
    } else if (rect.bottom() > viewport()->height()) {
        bar->setValue(bar->value() + static_cast<int>(rect.bottom() + below) - viewport()->height());
    }
}

void PaintedView::resizeEvent(QResizeEvent*) {
    layOut();
}

void PaintedView::changeEvent(QEvent* event) {
    if (event->type() == QEvent::FontChange) {
        layOut();
        setStale();
    }
    QAbstractScrollArea::changeEvent(event);
}

void PaintedView::focusInEvent(QFocusEvent*) {
    viewport()->update();
}

void PaintedView::focusOutEvent(QFocusEvent*) {
    viewport()->update();
}

} // namespace wisetick::app
