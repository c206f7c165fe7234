// Keys and mouse in the Clocks view.

#include "clocks/clocks_view.h"

#include "clocks/control_text.h"
#include "paint/target_drag.h"
#include "paint/tip.h"

#include <QApplication>
#include <QHelpEvent>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QScrollBar>
#include <QToolTip>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

constexpr qreal kFoldWidth = 20; ///< where a click folds
constexpr qreal kGrasp = 7;      ///< how far beside a needle it can be held

/// A place on the axis as an exact rate, to a thousandth of a hertz.
Rational rateAt(double hertz) {
    return Rational(std::max<std::int64_t>(1, std::llround(std::clamp(hertz, 0.001, 1e12) * 1000))) / 1000;
}

} // namespace

void ClocksView::keyPressEvent(QKeyEvent* event) {
    if (layout_.rows().empty()) {
        return;
    }
    switch (event->key()) {
    case Qt::Key_Up: selectRow(selectedRow_ == 0 ? 0 : selectedRow_ - 1); break;
    case Qt::Key_Down: selectRow(std::min(selectedRow_ + 1, layout_.rows().size() - 1)); break;
    case Qt::Key_Home: selectRow(0); break;
    case Qt::Key_End: selectRow(layout_.rows().size() - 1); break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
    case Qt::Key_F2: beginEdit(); break;
    case Qt::Key_Space:
        if (event->modifiers() & Qt::ShiftModifier) {
            foldBranch();
        } else {
            toggleFold(layout_.rows()[selectedRow_].node);
        }
        break;
    case Qt::Key_Plus:
    case Qt::Key_Right: step(1); break;
    case Qt::Key_Minus:
    case Qt::Key_Left: step(-1); break;
    case Qt::Key_Escape:
        if (!trouble_->isVisible() && !drag_) {
            emit left();
        }
        trouble_->hide();
        endDrag(false);
        break;
    default:
        if (!event->text().isEmpty() && event->text().front().isPrint() &&
            !(event->modifiers() & (Qt::ControlModifier | Qt::AltModifier))) {
            beginEdit(); // a typed rate or factor goes straight into the row
            if (editor_->isVisible()) {
                editor_->setText(event->text());
            }
        } else {
            QAbstractScrollArea::keyPressEvent(event);
        }
    }
}

bool ClocksView::eventFilter(QObject* watched, QEvent* event) {
    if (watched == editor_ && event->type() == QEvent::KeyPress) {
        switch (static_cast<QKeyEvent*>(event)->key()) {
        case Qt::Key_Escape: endEdit(false); return true;
        case Qt::Key_Return:
        case Qt::Key_Enter: endEdit(true); return true;
        case Qt::Key_Down: takeOffer(1); return true;
        case Qt::Key_Up: takeOffer(-1); return true;
        default: trouble_->hide();
        }
    }
    return QAbstractScrollArea::eventFilter(watched, event);
}

QList<RowCommand> ClocksView::rowCommands() {
    if (layout_.rows().empty()) {
        return {};
    }
    QList<RowCommand> commands{
        {tr("Change it"), QKeySequence("F2")}, {tr("A step up"), QKeySequence("+")}, {tr("A step down"), QKeySequence("-")}};
    if (!layout_.rows()[selectedRow_].feeds.empty()) {
        commands.push_back({tr("Fold or unfold"), QKeySequence("Space")});
    }
    commands.push_back({tr("Lock or free the clock"), QKeySequence("Ctrl+B"), [this] { toggleLock(); }});
    return commands;
}

void ClocksView::selectAt(const QPointF& at) {
    const auto row = layout_.rowAt(at.y() + verticalScrollBar()->value());
    if (row && at.y() >= layout_.measures().headHeight) {
        selectRow(*row);
    }
}

void ClocksView::mousePressEvent(QMouseEvent* event) {
    const qreal y = event->position().y() + verticalScrollBar()->value();
    const auto row = layout_.rowAt(y);
    if (!row || event->position().y() < layout_.measures().headHeight) {
        return;
    }
    endEdit(true); // what was typed is meant
    if (editor_->isVisible()) {
        editor_->setFocus(); // or stays to be mended
        return;
    }
    selectRow(*row);
    const QPointF place(event->position().x(), y);
    mayDragRow_ = false;
    if (place.x() < kFoldWidth && !layout_.rows()[*row].feeds.empty()) {
        toggleFold(layout_.rows()[*row].node);
    } else if (controlRect(*row).contains(place)) {
        beginEdit();
    } else if (isNeedleAt(*row, place)) {
        if (isLocked(document_.take(), selected().toStdString())) {
            say(tr("%1 is locked; Ctrl+B frees it").arg(selected()), {});
        } else {
            drag_ = Drag{layout_.rows()[*row].node, std::nullopt};
        }
    } else if (event->button() == Qt::LeftButton) {
        mayDragRow_ = true;
        pressedAt_ = event->position().toPoint();
    }
}

bool ClocksView::isNeedleAt(std::size_t row, const QPointF& place) const {
    const ClockRow& clock = layout_.rows()[row];
    const auto needle = clock.peripheral ? std::nullopt : layout_.needle(row, document_.figures());
    return needle && std::abs(needle->x() - place.x()) <= kGrasp &&
           reachOf(document_.part(), document_.figures(), clock.node, 1).control != Reach::Control::none;
}

void ClocksView::mouseMoveEvent(QMouseEvent* event) {
    if (drag_) {
        dragTo(event->position().x());
        return;
    }
    if (mayDragRow_ && (event->buttons() & Qt::LeftButton)) {
        if ((event->position().toPoint() - pressedAt_).manhattanLength() >= QApplication::startDragDistance()) {
            mayDragRow_ = false;
            dragTarget(this, Target::line(selected().toStdString()), selected(), theme_);
        }
        return;
    }
    const QPointF place(event->position().x(), event->position().y() + verticalScrollBar()->value());
    const auto row = event->position().y() < layout_.measures().headHeight ? std::nullopt : layout_.rowAt(place.y());
    if (row != hoveredRow_) {
        hoveredRow_ = row;
        viewport()->update();
    }
    viewport()->setCursor(row && isNeedleAt(*row, place) ? Qt::SizeHorCursor : Qt::ArrowCursor);
}

/// The held needle snaps to the nearest setting of its control; what that would bring is shown, and not kept yet.
void ClocksView::dragTo(qreal x) {
    const auto nearest = nearestSetting(document_.part(), document_.figures(), drag_->node, rateAt(layout_.hertzAt(x)));
    if (!nearest || drag_->value == nearest->value) {
        return;
    }
    drag_->value = nearest->value;
    document_.preview(setControl(document_.part(), drag_->node, nearest->value).change);
}

void ClocksView::endDrag(bool isApplied) {
    if (!drag_) {
        return;
    }
    const Drag drag = *drag_;
    drag_.reset();
    if (isApplied && drag.value) {
        const ControlEdit edit = setControl(document_.part(), drag.node, *drag.value);
        document_.edit(edit.what, edit.change);
    }
    document_.endPreview();
}

void ClocksView::mouseReleaseEvent(QMouseEvent*) {
    endDrag(true);
}

void ClocksView::leaveEvent(QEvent*) {
    hoveredRow_.reset();
    viewport()->update();
}

/// A row says its derivation in one sentence.
bool ClocksView::viewportEvent(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        const auto row = layout_.rowAt(help->pos().y() + verticalScrollBar()->value());
        if (row) {
            QToolTip::showText(help->globalPos(),
                               tipText(sentenceOf(document_.part(), document_.figures(), layout_.rows()[*row].node)), this);
        } else {
            QToolTip::hideText();
        }
        return true;
    }
    return PaintedView::viewportEvent(event);
}

void ClocksView::wheelEvent(QWheelEvent* event) {
    if (!(event->modifiers() & Qt::ControlModifier)) {
        QAbstractScrollArea::wheelEvent(event);
        return;
    }
    const double factor = std::pow(1.2, event->angleDelta().y() / 120.0);
    layout_.zoom(factor, event->position().x());
    zoom_ = std::pair(zoom_ ? zoom_->first * factor : factor, event->position().x());
    viewport()->update();
    event->accept();
}

} // namespace wisetick::app
