#include "bench/bench_view.h"

#include "bench/bench_said.h"
#include "bench/current_track.h"
#include "paint/text.h"
#include "quantity/quantity_print.h"

#include <QApplication>
#include <QClipboard>
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

constexpr qreal kLeft = 16;
constexpr std::size_t kMostUnmatched = 12; ///< tracks that are shown though they belong to no promise
constexpr qreal kNames = 150;
constexpr qreal kFigures = 190;
constexpr qreal kSnap = 12;        ///< pixels
constexpr double kCycles = 12;     ///< that are shown at first
constexpr double kStepShare = 0.1; ///< of what is shown, that a key moves
constexpr int kDigits = 6;

} // namespace

BenchView::BenchView(Document& document, BenchWork& work, QWidget* parent)
    : PaintedView(tr("Bench: what was measured"), parent), document_(document), work_(work) {
    setAcceptDrops(true);
    viewport()->setMouseTracking(true);
    connect(&work_, &BenchWork::changed, this, [this] {
        const bool isOther = work_.capture() != shown_;
        shown_ = work_.capture();
        setStale();
        make(); // rows of what is gone must not be painted
        if (isOther) {
            cursors_[0].reset();
            cursors_[1].reset();
            selected_ = 0;
            row_ = 0;
            opened_.clear();
            if (shown_ != nullptr) {
                trouble_.clear();
                showSome();
            }
        }
        selected_ = std::min(selected_, std::max<std::size_t>(explanationCount(), 1) - 1);
        viewport()->update();
    });
    connect(&work_, &BenchWork::troubled, this, &BenchView::tell);
}

void BenchView::tell(const QString& trouble) {
    trouble_ = trouble;
    viewport()->update();
}

qreal BenchView::trackHeight() const {
    return std::ceil(lineHeight(Face::bold) + lineHeight(Face::small) + 24);
}

qreal BenchView::rowHeight() const {
    return std::ceil(lineHeight(Face::word) + 8);
}

qreal BenchView::smallHeight() const {
    return std::ceil(lineHeight(Face::small) + 8);
}

qreal BenchView::offset() const {
    return isCopying_ ? 0 : verticalScrollBar()->value();
}

QRectF BenchView::rectOf(const Row& row) const {
    return {0, row.top - offset(), static_cast<qreal>(viewport()->width()), row.height};
}

const BenchView::Row* BenchView::rowOf(Row::Kind kind, std::size_t index) {
    make();
    const auto found =
        std::find_if(rows_.begin(), rows_.end(), [&](const Row& row) { return row.kind == kind && row.index == index; });
    return found == rows_.end() ? nullptr : &*found;
}

QRectF BenchView::trackRect(std::size_t measured) {
    const Row* row = rowOf(Row::Kind::measured, measured);
    return row == nullptr ? QRectF() : rectOf(*row);
}

QRectF BenchView::unmatchedRect(std::size_t track) {
    const Row* row = rowOf(Row::Kind::unmatched, track);
    return row == nullptr ? QRectF() : rectOf(*row);
}

QRectF BenchView::currentRect() {
    const Row* row = rowOf(Row::Kind::current, 0);
    return row == nullptr ? QRectF() : rectOf(*row);
}

QRectF BenchView::explanationRect(std::size_t explanation) {
    make();
    return {8, explanationsTop_ - offset() + rowHeight() * static_cast<qreal>(explanation + 1), viewport()->width() - 16.0,
            rowHeight()};
}

QRectF BenchView::laidRect(std::size_t laid) {
    const bool isAlone = work_.laid().size() == 1 && work_.capture() != nullptr && !work_.laid().front().isKept;
    if (isAlone) {
        return {};
    }
    qreal left = kLeft;
    for (std::size_t i = 0; i < work_.laid().size(); ++i) {
        const BenchWork::Laid& each = work_.laid()[i];
        const QString name = each.name + (each.isChanged ? tr(", changed since") : each.isKept ? tr(", kept") : QString());
        const qreal width = textWidth(Face::bold, name) + 18;
        if (i == laid) {
            return {left, 4 - offset(), width, rowHeight()};
        }
        left += width + 4;
    }
    return {};
}

void BenchView::layOut() {
    axis_.left = kLeft + kNames;
    axis_.right = std::max(axis_.left + 50, viewport()->width() - kFigures - kLeft);
    rows_.clear();
    unmatched_ = work_.unmatched();
    unmatched_.resize(std::min(unmatched_.size(), kMostUnmatched));
    const bool hasLaid = !work_.laid().empty() && !laidRect(0).isEmpty();
    qreal top = std::ceil(lineHeight(Face::small) + 14 + (hasLaid ? rowHeight() + 6 : 0));
    tracksTop_ = top;
    const auto add = [&](Row::Kind kind, std::size_t index, qreal height) {
        rows_.push_back({kind, index, top, height});
        const qreal lines = static_cast<qreal>(workingsOf(rows_.back()).size());
        if (opened_.contains(rows_.size() - 1)) {
            rows_.back().height += lines * (lineHeight(Face::small) + 2) + (lines > 0 ? 6 : 0);
        }
        top += rows_.back().height;
    };
    for (std::size_t i = 0; i < work_.measured().size(); ++i) {
        add(Row::Kind::measured, i, trackHeight());
    }
    if (work_.current() && work_.recorded() != nullptr) {
        const bool isOpen = opened_.contains(rows_.size());
        const auto lines = static_cast<qreal>(currentLines(*work_.current(), isOpen).size());
        add(Row::Kind::current, 0, 2 * trackHeight() + lines * (lineHeight(Face::small) + 2) + 8);
    }
    explanationsTop_ = top + lineHeight(Face::small) + 20;
    top = explanationsTop_ + rowHeight() * static_cast<qreal>(explanationCount() + 1) + 10;
    for (std::size_t i = 0; i < unmatched_.size(); ++i) {
        add(Row::Kind::unmatched, i, smallHeight());
    }
    row_ = std::min(row_, rows_.empty() ? 0 : rows_.size() - 1);
    contentHeight_ = top + rowHeight();
    setContentHeight(work_.capture() == nullptr ? 0 : contentHeight_, rowHeight());
}

std::vector<QString> BenchView::workingsOf(const Row& row) const {
    std::vector<QString> lines;
    if (row.kind != Row::Kind::measured || !opened_.contains(static_cast<std::size_t>(&row - rows_.data()))) {
        return lines;
    }
    for (const Step& step : work_.measured()[row.index].workings) {
        lines.push_back(tr("%1: %2 = %3 = %4").arg(text(step.what), text(step.formula), text(step.numbers), text(step.result)));
    }
    return lines;
}

void BenchView::selectRow(std::size_t row) {
    make();
    if (row < rows_.size()) {
        row_ = row;
        scrollToShow(rectOf(rows_[row]));
        sayRowSelected(this, row);
        viewport()->update();
    }
}

void BenchView::toggleWorkings() {
    if (opened_.erase(row_) == 0) {
        opened_.insert(row_);
    }
    layOut();
    viewport()->update();
}

const Track* BenchView::trackOfRow(std::size_t row) const {
    if (row >= rows_.size()) {
        return nullptr;
    }
    return rows_[row].kind == Row::Kind::measured    ? trackOf(work_.measured()[rows_[row].index])
           : rows_[row].kind == Row::Kind::unmatched ? unmatched_[rows_[row].index]
                                                     : nullptr;
}

QStringList BenchView::matchesOffered() const {
    QStringList names;
    if (trackOfRow(row_) != nullptr) {
        for (const BenchSignal& signal : work_.predicted()) {
            names << text(signal.name);
        }
        names << QString();
    }
    return names;
}

QString BenchView::matchRow(const QString& promise) {
    const Track* track = trackOfRow(row_);
    if (track == nullptr) {
        return tr("no track is selected");
    }
    if (!promise.isEmpty()) {
        return work_.match(promise.toStdString(), track->name);
    }
    const auto told = work_.told();
    const auto found = std::find_if(told.begin(), told.end(), [&](const auto& each) { return each.second == track->name; });
    return found == told.end() ? tr("it belongs by its name") : work_.match(found->first, {});
}

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

void BenchView::copy() {
    const QString csv = table();
    auto* copied = new QMimeData;
    copied->setImageData(viewport()->grab().toImage());
    copied->setData("image/svg+xml", svgOf(picture()));
    copied->setData("text/csv", csv.toUtf8());
    copied->setText(csv);
    QApplication::clipboard()->setMimeData(copied);
}

QString BenchView::table() const {
    QString csv = "promise,track,unit,least,measured,most,predicted,state\n";
    for (const MeasuredSignal& measured : work_.measured()) {
        const BenchSignal& signal = work_.predicted()[measured.signal];
        const ShownCycle was = shownCycle(signal, signal.cycle);
        QStringList cells{text(signal.name), text(measured.track), was.unit == Unit::second ? "s" : "1/s"};
        if (measured.isSilent) {
            cells << ""
                  << ""
                  << "";
        } else {
            const ShownCycle is = shownCycle(signal, measured.cycle);
            for (const Rational& value : {is.value.min, is.value.nominal, is.value.max}) {
                cells << QString::number(value.toDouble(), 'g', 12);
            }
        }
        cells << QString::number(was.value.nominal.toDouble(), 'g', 12) << text(stateName(measured.state));
        csv += cells.join(',') + "\n";
    }
    return csv;
}

const TimeAxis& BenchView::axis() {
    make();
    return axis_;
}

void BenchView::showTime(double from, double to) {
    const double length = work_.capture() == nullptr ? 1 : std::max(work_.capture()->length().toDouble(), 1e-9);
    const double least = work_.capture() == nullptr ? 1e-9 : 4 * work_.capture()->tick.toDouble();
    const double span = std::clamp(to - from, std::min(least, length), length);
    axis_.from = std::clamp(from, 0.0, length - span);
    axis_.to = axis_.from + span;
    viewport()->update();
}

void BenchView::showAll() {
    showTime(0, work_.capture() == nullptr ? 1 : work_.capture()->length().toDouble());
}

void BenchView::showSome() {
    double slowest = 0;
    for (const MeasuredSignal& measured : work_.measured()) {
        slowest = std::max(slowest, measured.cycle.nominal.toDouble());
    }
    showTime(0, slowest > 0 ? kCycles * slowest : work_.capture()->length().toDouble());
}

void BenchView::zoom(double factor, double around) {
    showTime(around - (around - axis_.from) * factor, around + (axis_.to - around) * factor);
}

const Track* BenchView::trackOf(const MeasuredSignal& measured) const {
    const auto& tracks = work_.capture()->tracks;
    const auto found = std::find_if(tracks.begin(), tracks.end(), [&](const Track& each) { return each.name == measured.track; });
    return found == tracks.end() ? nullptr : &*found;
}

QString BenchView::cursorsSaid() const {
    if (!cursors_[0] || !cursors_[1] || work_.capture() == nullptr) {
        return cursors_[0] ? tr("Shift and a click set the second cursor") : QString();
    }
    const double from = std::min(*cursors_[0], *cursors_[1]);
    const double to = std::max(*cursors_[0], *cursors_[1]);
    const Rational time = quantised(to - from, work_.capture()->tick / 16);
    if (time.isZero()) {
        return tr("both cursors stand at the same edge");
    }
    QString said =
        tr("%1 between 1 and 2, %2")
            .arg(text(printQuantity(time, Unit::second, kDigits)), text(printQuantity(1 / time, Unit::hertz, kDigits)));
    const double tick = work_.capture()->tick.toDouble();
    const auto tickOf = [&](double at) { return static_cast<std::int64_t>(std::round(at / tick)); };
    if (const Track* track = trackOfRow(row_)) {
        const auto edges = track->edges.countBefore(tickOf(to)) - track->edges.countBefore(tickOf(from));
        said += tr(", %n edges", nullptr, static_cast<int>(edges));
        const TrackFigures figures = measureTrack(*work_.capture(), *track, tickOf(from), tickOf(to));
        if (figures.period.count > 1) { // over all edges between, not by two of them
            said += tr(", over all of them a period of %1")
                        .arg(text(printQuantity(figures.period.value->nominal, Unit::second, kDigits)));
        }
    } else if (row_ < rows_.size() && work_.recorded() != nullptr) {
        const ValueSpan span = work_.recorded()->blocks->span(tickOf(from), tickOf(to));
        const double ampere = span.mean * work_.recorded()->scale;
        const Rational finest(1, 1'000'000'000'000);
        said += tr(", %1 on average, %2")
                    .arg(text(printQuantity(quantised(ampere, finest), Unit::ampere, kDigits)),
                         text(printQuantity(quantised(ampere * (to - from), finest), Unit::coulomb, kDigits)));
    }
    return said;
}

QString BenchView::note() {
    const auto note = work_.noteFor(selected_);
    if (!note) {
        return work_.explained().empty() ? tr("nothing lies on the bench") : tr("there is nothing to note of that");
    }
    return document_.edit(text(note->say), note->edit);
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
        row_ = i;
        viewport()->update();
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

std::vector<SpokenRow> BenchView::spokenRows() {
    make();
    std::vector<SpokenRow> spoken;
    for (std::size_t i = 0; i < work_.measured().size(); ++i) {
        const MeasuredSignal& measured = work_.measured()[i];
        const BenchSignal& signal = work_.predicted()[measured.signal];
        spoken.push_back({text(signal.name),
                          measured.isSilent ? tr("never changes")
                                            : tr("%1, %2 against the plan, %3")
                                                  .arg(text(measuredSaid(shownCycle(signal, measured.cycle))),
                                                       text(offSaid(signal, measured)), text(stateName(measured.state))),
                          trackRect(i).toRect(), false});
    }
    if (work_.current()) {
        QStringList lines;
        for (const auto& [what, said] : currentLines(*work_.current(), true)) {
            lines << what + ": " + said;
        }
        spoken.push_back({text(work_.current()->track),
                          tr("%1 on average")
                                  .arg(text(printQuantity(quantised(work_.current()->average, Rational(1, 1'000'000'000'000)),
                                                          Unit::ampere, kDigits))) +
                              "; " + lines.join("; "),
                          currentRect().toRect(), false});
    }
    for (std::size_t i = 0; i < unmatched_.size(); ++i) {
        spoken.push_back({text(unmatched_[i]->name), tr("belongs to no promise"), unmatchedRect(i).toRect(), false});
    }
    for (std::size_t i = 0; i < work_.explained().size(); ++i) {
        const Explanation& each = work_.explained()[i];
        spoken.push_back({text(each.say), text(each.explainsAll() ? sourcesSaid(document_.part(), each) : leftSaid(each)),
                          explanationRect(i).toRect(), i == selected_});
    }
    for (std::size_t i = 0; i < work_.reasons().size(); ++i) {
        const std::size_t row = work_.explained().size() + i;
        spoken.push_back({text(work_.reasons()[i].say), tr("the current"), explanationRect(row).toRect(), row == selected_});
    }
    return spoken;
}

} // namespace wisetick::app
