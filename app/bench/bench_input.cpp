#include "bench/bench_view.h"
#include "paint/text.h"

#include <QDragEnterEvent>
#include <QKeyEvent>
#include <QMenu>
#include <QMimeData>
#include <QMouseEvent>
#include <QScrollBar>
#include <QUrl>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

constexpr qreal kSnap = 12;                ///< pixels
constexpr double kStepShare = 0.1;         ///< of what is shown, that a key moves
constexpr std::size_t kReadingsAtOnce = 4; ///< offered at first: with the track that belongs to it by its name

} // namespace

void BenchView::askForMatch() {
    QMenu menu(this);
    for (const QString& promise : matchesOffered()) {
        menu.addAction(promise.isEmpty() ? tr("by its name alone") : promise)->setData(promise);
    }
    if (!menu.actions().isEmpty()) {
        const QAction* chosen = menu.exec(viewport()->mapToGlobal(rectOf(rows_[row_]).topLeft().toPoint() + QPoint(20, 20)));
        if (chosen != nullptr) {
            tell(matchRow(chosen->data().toString()));
        }
    }
}

void BenchView::askForReading() {
    const std::vector<LineReading> offered = readingsOffered();
    const Track* track = trackOfRow(row_);
    if (track == nullptr || offered.empty()) {
        tell(tr("no other track to read it with"));
        return;
    }
    QMenu menu(this);
    QMenu* more = nullptr;
    for (std::size_t i = 0; i < offered.size(); ++i) {
        more = i == kReadingsAtOnce ? menu.addMenu(tr("with another track")) : more;
        (more == nullptr ? &menu : more)->addAction(text(readingSaid(offered[i])))->setData(static_cast<int>(i));
    }
    if (work_.readOf(track->name) != nullptr) {
        menu.addSeparator();
        menu.addAction(tr("as it is"))->setData(-1);
    }
    const QAction* chosen = menu.exec(viewport()->mapToGlobal(rectOf(rows_[row_]).topLeft().toPoint() + QPoint(20, 20)));
    if (chosen != nullptr && chosen->data().toInt() < 0) {
        work_.forgetReading(track->name);
    } else if (chosen != nullptr) {
        work_.readAs(offered[chosen->data().toUInt()]);
    }
}

void BenchView::keyPressEvent(QKeyEvent* event) {
    const double step = axis_.length() * kStepShare;
    const bool isWithControl = (event->modifiers() & Qt::ControlModifier) != 0;
    if (event->matches(QKeySequence::Copy)) {
        copy();
        return;
    }
    switch (event->key()) {
    case Qt::Key_Plus:
    case Qt::Key_Equal: zoom(0.5, (axis_.from + axis_.to) / 2); break;
    case Qt::Key_Minus: zoom(2, (axis_.from + axis_.to) / 2); break;
    case Qt::Key_Left: showTime(axis_.from - step, axis_.to - step); break;
    case Qt::Key_Right: showTime(axis_.from + step, axis_.to + step); break;
    case Qt::Key_Home: showAll(); break;
    case Qt::Key_Up:
        if (isWithControl) {
            selectRow(row_ - (row_ > 0 ? 1 : 0));
            return;
        }
        selected_ -= selected_ > 0 ? 1 : 0;
        break;
    case Qt::Key_Down:
        if (isWithControl) {
            selectRow(row_ + 1);
            return;
        }
        selected_ += selected_ + 1 < explanationCount() ? 1 : 0;
        break;
    case Qt::Key_W: toggleWorkings(); return;
    case Qt::Key_M: askForMatch(); return;
    case Qt::Key_R: askForReading(); return;
    case Qt::Key_BracketLeft: work_.look(work_.looked() == 0 ? work_.laid().size() - 1 : work_.looked() - 1); return;
    case Qt::Key_BracketRight: work_.look(work_.looked() + 1 < work_.laid().size() ? work_.looked() + 1 : 0); return;
    case Qt::Key_Return:
    case Qt::Key_Enter: tell(note()); break;
    default: PaintedView::keyPressEvent(event); return;
    }
    scrollToShow(explanationRect(selected_));
    viewport()->update();
}

void BenchView::wheelEvent(QWheelEvent* event) {
    if (event->position().x() < axis_.left || event->position().x() > axis_.right ||
        event->position().y() > explanationsTop_ - offset()) {
        PaintedView::wheelEvent(event);
        return;
    }
    zoom(std::pow(0.8, event->angleDelta().y() / 120.0), axis_.timeAt(event->position().x()));
    event->accept();
}

/// At the edge that is nearest, of the track under the mouse.
void BenchView::setCursorAt(std::size_t which, const QPointF& at) {
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        if (!rectOf(rows_[i]).contains(at)) {
            continue;
        }
        double time = std::clamp(axis_.timeAt(at.x()), 0.0, work_.capture()->length().toDouble());
        const Track* track = trackOfRow(i);
        const double tick = work_.capture()->tick.toDouble();
        if (track != nullptr && track->edges.size() > 1) {
            const std::size_t behind = track->edges.countBefore(static_cast<std::int64_t>(time / tick));
            double best = kSnap;
            const double wanted = time;
            for (const std::size_t place : {behind == 0 ? 0 : behind - 1, std::min(behind, track->edges.size() - 1)}) {
                const double edge = static_cast<double>(track->edges.at(place).tick) * tick;
                if (place > 0 && std::abs(axis_.at(edge) - axis_.at(wanted)) < best) {
                    best = std::abs(axis_.at(edge) - axis_.at(wanted));
                    time = edge;
                }
            }
        }
        cursors_[which] = time;
        takeRow(i);
    }
}

void BenchView::mousePressEvent(QMouseEvent* event) {
    setFocus();
    for (std::size_t i = 0; i < work_.laid().size(); ++i) {
        if (laidRect(i).contains(event->position())) {
            work_.look(i);
            return;
        }
    }
    for (std::size_t i = 0; i < explanationCount(); ++i) {
        if (explanationRect(i).contains(event->position())) {
            selected_ = i;
            viewport()->update();
            return;
        }
    }
    if (work_.capture() != nullptr && event->position().x() >= axis_.left && event->position().x() <= axis_.right) {
        setCursorAt((event->modifiers() & Qt::ShiftModifier) != 0 ? 1 : 0, event->position());
        drag_ = event->position();
        dragFrom_ = axis_.from;
    }
}

void BenchView::mouseMoveEvent(QMouseEvent* event) {
    if (drag_ && (event->buttons() & Qt::LeftButton) != 0 && std::abs(event->position().x() - drag_->x()) > 4) {
        const double by = (drag_->x() - event->position().x()) * axis_.length() / (axis_.right - axis_.left);
        const double length = axis_.length();
        showTime(dragFrom_ + by, dragFrom_ + by + length);
    }
}

void BenchView::mouseDoubleClickEvent(QMouseEvent* event) {
    if (selected_ < explanationCount() && explanationRect(selected_).contains(event->position())) {
        tell(note());
        return;
    }
    if (event->position().x() > axis_.right) { // a figure opens how it was measured
        for (std::size_t i = 0; i < rows_.size(); ++i) {
            if (rectOf(rows_[i]).contains(event->position())) {
                row_ = i;
                toggleWorkings();
                return;
            }
        }
    }
}

void BenchView::dragEnterEvent(QDragEnterEvent* event) {
    const QList<QUrl> urls = event->mimeData()->urls();
    if (document_.isOpen() && urls.size() == 1 &&
        (urls.front().toLocalFile().endsWith(".vcd") || urls.front().toLocalFile().endsWith(".csv"))) {
        event->acceptProposedAction();
    }
}

void BenchView::dropEvent(QDropEvent* event) {
    work_.readFile(event->mimeData()->urls().front().toLocalFile());
}

} // namespace wisetick::app
