#include "paint/painted_view.h"

#include "paint/controls.h"

#include <QContextMenuEvent>
#include <QCoreApplication>
#include <QKeyEvent>
#include <QMenu>
#include <QMouseEvent>

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

/// The right button selects and acts on nothing; its menu does.
bool PaintedView::viewportEvent(QEvent* event) {
    const auto type = event->type();
    if (type == QEvent::MouseButtonPress || type == QEvent::MouseButtonRelease || type == QEvent::MouseButtonDblClick) {
        const auto* mouse = static_cast<QMouseEvent*>(event);
        if (mouse->button() == Qt::RightButton) {
            if (type == QEvent::MouseButtonPress) {
                make();
                selectAt(mouse->position());
            }
            return true;
        }
    }
    return QAbstractScrollArea::viewportEvent(event);
}

void PaintedView::contextMenuEvent(QContextMenuEvent* event) {
    make();
    const QList<RowCommand> commands = rowCommands();
    if (commands.isEmpty()) {
        event->ignore();
        return;
    }
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    menu->setAttribute(Qt::WA_WindowPropagation); // of the theme of the window
    for (const RowCommand& each : commands) {
        QAction* action = menu->addAction(QString(each.name).replace('&', "&&")); // names may have one
        action->setShortcut(each.keys); // it is only told: the view itself takes the key
        connect(action, &QAction::triggered, this, [this, each] {
            setFocus(Qt::PopupFocusReason);
            if (each.run) {
                each.run();
            } else {
                const QKeyCombination keys = each.keys[0];
                QKeyEvent press(QEvent::KeyPress, keys.key(), keys.keyboardModifiers());
                QCoreApplication::sendEvent(this, &press);
            }
        });
    }
    QPoint place = event->globalPos();
    if (event->reason() == QContextMenuEvent::Keyboard) { // below what is selected
        const std::vector<SpokenRow> rows = spokenRows();
        const auto row = std::find_if(rows.begin(), rows.end(), [](const SpokenRow& each) { return each.isSelected; });
        place = viewport()->mapToGlobal(row == rows.end() ? QPoint() : QPoint(row->place.left() + 24, row->place.bottom()));
    }
    menu->popup(place);
}

} // namespace wisetick::app
