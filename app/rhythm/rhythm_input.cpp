// The hands on the rhythm view: keys, mouse, and the line of a job.

#include "rhythm/rhythm_view.h"

#include "paint/text.h"
#include "picture/picture_text.h"
#include "plan/job_edits.h"
#include "plan/job_line.h"

#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QMouseEvent>
#include <QScrollBar>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

constexpr qreal kEdge = 6; // pixels, how near the end of a run is held

} // namespace

bool RhythmView::eventFilter(QObject* watched, QEvent* event) {
    if (watched == line_ && event->type() == QEvent::KeyPress) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_Return || key == Qt::Key_Enter) {
            sendLine();
            return true;
        }
    }
    return QAbstractScrollArea::eventFilter(watched, event);
}

void RhythmView::keyPressEvent(QKeyEvent* event) {
    make();
    if (line_->hasFocus() && event->key() != Qt::Key_Escape) {
        return; // what the line does not take itself is not for the lanes
    }
    const double length = axis_.length();
    switch (event->key()) {
    case Qt::Key_Up: selectLane(lane_ == 0 ? 0 : lane_ - 1); break;
    case Qt::Key_Down: selectLane(lane_ + 1); break;
    case Qt::Key_Left:
    case Qt::Key_Right: {
        const int by = event->key() == Qt::Key_Left ? -1 : 1;
        if (event->modifiers() & Qt::ShiftModifier) { // the share that is open
            share_ = static_cast<std::size_t>(std::max(static_cast<int>(share_) + by, 0));
            setStale();
            make();
            if (share_ < rhythm_.shares.size()) {
                emit targetWanted(rhythm_.shares[share_].target);
            }
            viewport()->update();
        } else {
            showTime(axis_.from + by * length / 8, axis_.to + by * length / 8);
        }
        break;
    }
    case Qt::Key_Plus:
    case Qt::Key_Equal: zoom(0.5, (axis_.from + axis_.to) / 2); break;
    case Qt::Key_Minus: zoom(2, (axis_.from + axis_.to) / 2); break;
    case Qt::Key_0: showAll(); break;
    case Qt::Key_Insert: editLine(true); break;
    case Qt::Key_Delete: removeJob(); break;
    case Qt::Key_Return:
    case Qt::Key_Enter: editLine(false); break;
    case Qt::Key_PageDown: verticalScrollBar()->triggerAction(QAbstractSlider::SliderPageStepAdd); break;
    case Qt::Key_PageUp: verticalScrollBar()->triggerAction(QAbstractSlider::SliderPageStepSub); break;
    case Qt::Key_Escape:
        if (line_->isVisible()) {
            line_->hide();
            lineFault_->hide();
            setFocus();
        } else if (isBusy()) {
            background_.stop();
            chanceBackground_.stop();
            setStale();
            viewport()->update();
        } else {
            QAbstractScrollArea::keyPressEvent(event);
        }
        break;
    default: QAbstractScrollArea::keyPressEvent(event);
    }
}

void RhythmView::wheelEvent(QWheelEvent* event) {
    if (event->modifiers() & Qt::ControlModifier) {
        zoom(std::pow(0.8, event->angleDelta().y() / 120.0),
             axis_.timeAt(std::clamp(event->position().x(), axis_.left, axis_.right)));
        event->accept();
        return;
    }
    QAbstractScrollArea::wheelEvent(event);
}

QList<RowCommand> RhythmView::rowCommands() {
    if (!document_.isOpen()) {
        return {};
    }
    QList<RowCommand> commands;
    if (lane_ < document_.plan().jobs.size()) {
        commands = {{tr("Change the job"), QKeySequence("Return")}, {tr("Remove the job"), QKeySequence("Del")}};
    }
    commands.push_back({tr("New job"), QKeySequence("Ins")});
    commands.push_back({tr("Show the whole time"), QKeySequence("0")});
    return commands;
}

void RhythmView::selectAt(const QPointF& at) {
    if (const auto lane = laneAt(at)) {
        selectLane(*lane);
    }
}

void RhythmView::mousePressEvent(QMouseEvent* event) {
    make();
    const QPointF at = event->position();
    setFocus();
    if (line_->isVisible() && line_->isModified()) { // what was typed is meant; what is wrong with it is said, and it stays
        sendLine();
        if (line_->isVisible()) {
            line_->setFocus();
            return;
        }
    }
    line_->hide();
    lineFault_->hide();
    if (const auto lane = laneAt(at)) {
        selectLane(*lane);
        const Job& job = document_.plan().jobs[*lane];
        drag_ = {Grip::none, at, axis_.from, 0, 0, 0};
        for (const Run& run : at.x() >= axis_.left ? shownRuns(*lane) : std::vector<Run>()) {
            const qreal left = axis_.at(run.first);
            const qreal right = std::max(axis_.at(run.second), left + 2);
            if (at.x() < left - kEdge || at.x() > right + kEdge) {
                continue;
            }
            drag_.runStart = run.first;
            drag_.run = job.every.isZero() ? 0 : std::lround((run.first - job.phase.toDouble()) / job.every.toDouble());
            const bool isAtEnd = job.lasts && std::abs(at.x() - right) <= kEdge && right - left > kEdge;
            const bool isByItself = job.after.empty() && !job.isRandom;
            drag_.grip = isAtEnd ? Grip::length : Grip::none;
            if (!isAtEnd && isByItself) {
                drag_.grip = event->modifiers() & Qt::ShiftModifier ? Grip::period : Grip::phase;
            }
            break;
        }
        if (drag_.grip == Grip::none && at.x() >= axis_.left) {
            drag_.grip = Grip::time;
        }
        return;
    }
    for (std::size_t i = 0; i < pictures_.size(); ++i) {
        const QRectF area = pictureRect(i);
        for (std::size_t share = 0; i == 0 && share < rhythm_.shares.size(); ++share) {
            if (shareRect(rhythm_, area, share).contains(at)) {
                share_ = share;
                setStale();
                emit targetWanted(rhythm_.shares[share].target);
                viewport()->update();
                return;
            }
        }
    }
    if (at.x() >= axis_.left && at.y() < pictureRect(0).top() - 20) {
        drag_ = {Grip::time, at, axis_.from, 0, 0, 0};
    }
}

void RhythmView::mouseMoveEvent(QMouseEvent* event) {
    if (drag_.grip == Grip::none) {
        return;
    }
    const double perPixel = axis_.length() / std::max<qreal>(axis_.right - axis_.left, 1);
    const double by = (event->position().x() - drag_.from.x()) * perPixel;
    if (drag_.grip == Grip::time) {
        const double length = axis_.length();
        axis_.from = std::max(0.0, drag_.fromTime - by);
        axis_.to = axis_.from + length;
    } else {
        drag_.by = std::round(by / grain()) * grain();
    }
    viewport()->update();
}

void RhythmView::mouseReleaseEvent(QMouseEvent*) {
    if (drag_.grip != Grip::none && drag_.grip != Grip::time && drag_.by != 0) {
        applyDrag();
    }
    drag_ = {};
    viewport()->update();
}

/// Makes what was dragged an edit.
void RhythmView::applyDrag() {
    const Job& job = document_.plan().jobs[lane_];
    const Rational by = quantised(drag_.by, powerOfTen(-9));
    const Rational least = quantised(grain(), powerOfTen(-9));
    const std::string name = job.name;
    switch (drag_.grip) {
    case Grip::phase: {
        Rational phase = job.phase + by;
        phase -= (phase / job.every).floor() * job.every;
        document_.edit(tr("%1 from %2").arg(text(job.name), timeText(phase)),
                       [&](Plan& plan) { return setJobPhase(plan, name, phase); });
        break;
    }
    case Grip::length: {
        const Rational lasts = std::max(*job.lasts + by, least);
        document_.edit(tr("%1 for %2").arg(text(job.name), timeText(lasts)),
                       [&](Plan& plan) { return setJobLength(plan, name, lasts); });
        break;
    }
    case Grip::period: {
        if (drag_.run <= 0) {
            return;
        }
        const Rational every = std::max(job.every + by / drag_.run, least);
        document_.edit(tr("%1 every %2").arg(text(job.name), timeText(every)),
                       [&](Plan& plan) { return setJobPeriod(plan, name, every); });
        break;
    }
    case Grip::none:
    case Grip::time: break;
    }
}

void RhythmView::mouseDoubleClickEvent(QMouseEvent* event) {
    drag_ = {};
    if (const auto lane = laneAt(event->position())) {
        selectLane(*lane);
        editLine(false);
    } else if (event->position().y() < pictureRect(0).top() - 20) {
        editLine(true);
    }
}

void RhythmView::editLine(bool isNew) {
    make();
    if (!document_.isOpen() || (!isNew && document_.plan().jobs.empty())) {
        return;
    }
    isNewLine_ = isNew;
    const std::string name = freeJobName(document_.plan());
    line_->setText(isNew ? text(name + ": every 10 s for 20 ms") : text(printJobLine(document_.plan().jobs[lane_])));
    lineFault_->hide();
    placeLine();
    line_->show();
    line_->setFocus();
    line_->setCursorPosition(0);
    if (isNew) {
        line_->selectAll(); // an example to change, or to type over
    }
}

void RhythmView::placeLine() {
    const std::size_t lanes = document_.isOpen() ? document_.plan().jobs.size() : 0;
    const std::size_t lane = isNewLine_ ? lanes : lane_;
    const qreal top = lanesTop() + static_cast<qreal>(lane) * (laneHeight() + 4) + 2;
    line_->setFont(faceFont(Face::word));
    line_->setGeometry(12, static_cast<int>(top), viewport()->width() - 24, static_cast<int>(lineHeight(Face::word) + 12));
    lineFault_->setFont(faceFont(Face::small));
    lineFault_->adjustSize();
    lineFault_->move(12, line_->geometry().bottom() + 2);
}

QString RhythmView::fault() const {
    return lineFault_->isHidden() ? QString() : lineFault_->text();
}

/// Takes the line as an edit; what is wrong with it is said below, and it stays.
void RhythmView::sendLine() {
    const std::string said = line_->text().toStdString();
    const auto refuse = [this](const QString& why) {
        lineFault_->setText(why);
        placeLine();
        lineFault_->show();
        lineFault_->raise();
    };
    const auto job = readJobLine(said);
    if (!job) {
        line_->setSelection(static_cast<int>(QString::fromStdString(said.substr(0, job.error().position)).size()),
                            static_cast<int>(job.error().length));
        refuse(text(sayText(job.error())));
        return;
    }
    const auto& jobs = document_.plan().jobs;
    const bool isNew = isNewLine_ || lane_ >= jobs.size();
    const std::string replaced = isNew ? std::string() : jobs[lane_].name;
    const QString why = document_.edit(isNew ? tr("job %1").arg(text(job->name)) : text(printJobLine(*job)),
                                       [&](Plan& plan) { return isNew ? addJob(plan, *job) : replaceJob(plan, replaced, *job); });
    if (!why.isEmpty()) {
        refuse(why);
        return;
    }
    line_->hide();
    lineFault_->hide();
    setFocus();
    if (isNew) {
        selectLane(document_.plan().jobs.size() - 1);
    }
}

void RhythmView::removeJob() {
    make();
    if (!document_.isOpen() || lane_ >= document_.plan().jobs.size()) {
        return;
    }
    const std::string name = document_.plan().jobs[lane_].name;
    const QString why =
        document_.edit(tr("without job %1").arg(text(name)), [&](Plan& plan) { return wisetick::removeJob(plan, name); });
    if (!why.isEmpty()) {
        editLine(false);
        lineFault_->setText(why);
        placeLine();
        lineFault_->show();
    }
}

} // namespace wisetick::app
