#include "bench/bench_view.h"

#include "bench/bench_said.h"
#include "bench/current_track.h"
#include "bench/measure.h"
#include "paint/text.h"
#include "quantity/quantity_print.h"

#include <QApplication>
#include <QClipboard>
#include <QMimeData>
#include <QScrollBar>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

constexpr qreal kBenchLeft = 16;
constexpr std::size_t kMostUnmatched = 60; ///< tracks that are shown though they belong to no promise
constexpr qreal kBenchNames = 150;
constexpr qreal kFigures = 190;    ///< beside the tracks, at least
constexpr qreal kLeastTrack = 160; ///< of a track's width, whatever the figures take
constexpr double kCycles = 12;     ///< that are shown at first
constexpr int kBenchDigits = 6;
constexpr std::size_t kMostMeasured = 20000; ///< edges of a track that belongs to no promise

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

/// With a line for what was read of it.
qreal BenchView::unmatchedHeight(const Track& track) const {
    const LineRead* read = work_.readOf(track.name);
    return smallHeight() + (read != nullptr && !read->pieces.empty() ? lineHeight(Face::small) : 0);
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
    qreal left = kBenchLeft;
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
    axis_.left = kBenchLeft + kBenchNames;
    const QString predicted = tr("predicted %1 to %2").arg("\u2248292.49 \u00b5A", "\u2248364.27 \u00b5A"); // as long as most
    const qreal figures = std::max(
        {kFigures, textWidth(Face::bold, "999.99 kbit/s \u00b1999.99 bit/s") + 14, textWidth(Face::small, predicted) + 14});
    axis_.right = std::max(axis_.left + kLeastTrack, viewport()->width() - figures - kBenchLeft);
    rows_.clear();
    unmatched_ = work_.unmatched();
    unmatched_.resize(std::min(unmatched_.size(), kMostUnmatched));
    const bool hasLaid = !work_.laid().empty() && !laidRect(0).isEmpty();
    qreal top = std::ceil(lineHeight(Face::small) + 14 + (hasLaid ? rowHeight() + 6 : 0));
    tracksTop_ = top;
    const auto add = [&](Row::Kind kind, std::size_t index, qreal height) {
        rows_.push_back({kind, index, top, height});
        const qreal lines = static_cast<qreal>(workingsOf(rows_.back()).size());
        if (lines > 0 && kind != Row::Kind::current) {
            rows_.back().height += lines * (lineHeight(Face::small) + 2) + 6;
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
        add(Row::Kind::unmatched, i, unmatchedHeight(*unmatched_[i]));
    }
    row_ = std::min(row_, rows_.empty() ? 0 : rows_.size() - 1);
    contentHeight_ = top + rowHeight();
    setContentHeight(work_.capture() == nullptr ? 0 : contentHeight_, rowHeight());
}

std::vector<QString> BenchView::workingsOf(const Row& row) const {
    std::vector<QString> lines;
    const auto index = static_cast<std::size_t>(&row - rows_.data());
    const Track* track = trackOfRow(index);
    if (const LineRead* read = track == nullptr ? nullptr : work_.readOf(track->name)) {
        lines.push_back(row.kind == Row::Kind::unmatched ? QString()
                                                         : text(read->said)); // beside the others it stands at the right
        for (const auto& [what, span] : read->spans) {
            lines.push_back(tr("%1: %2").arg(text(what), text(span)));
        }
        std::erase(lines, QString());
    }
    if (!opened_.contains(index)) {
        return lines;
    }
    if (row.kind == Row::Kind::unmatched) {
        const std::vector<QString> shown = measuredShown(*unmatched_[row.index]);
        lines.insert(lines.end(), shown.begin(), shown.end());
    } else if (row.kind == Row::Kind::measured) {
        for (const Step& step : work_.measured()[row.index].workings) {
            lines.push_back(
                tr("%1: %2 = %3 = %4").arg(text(step.what), text(step.formula), text(step.numbers), text(step.result)));
        }
    }
    return lines;
}

/// Of a track that belongs to no promise: period and high time over what is shown, or over its beginning where that is too much.
std::vector<QString> BenchView::measuredShown(const Track& track) const {
    const double tick = work_.capture()->tick.toDouble();
    const auto from = static_cast<std::int64_t>(std::floor(axis_.from / tick));
    auto to = static_cast<std::int64_t>(std::ceil(axis_.to / tick));
    const std::size_t first = track.edges.countBefore(from);
    const bool isCut = track.edges.countBefore(to) - first > kMostMeasured;
    to = isCut ? track.edges.at(first + kMostMeasured).tick : to;
    const TrackFigures figures = measureTrack(*work_.capture(), track, from, to);
    const QString where = isCut ? tr("over the first %1 edges shown").arg(kMostMeasured) : tr("over what is shown");
    std::vector<QString> lines;
    const auto add = [&](const QString& what, const MeasuredFigure& figure, Unit unit) {
        lines.push_back(!figure.value ? tr("%1: %2").arg(what, text(figure.why))
                                      : tr("%1 %2: %3").arg(what, where, text(measuredSaid({*figure.value, unit}))));
    };
    add(tr("period"), figures.period, Unit::second);
    if (figures.period.value) {
        add(tr("rate"), figures.rate, Unit::hertz);
        add(tr("high"), figures.high, Unit::second);
    }
    return lines;
}

std::vector<LineReading> BenchView::readingsOffered() const {
    const Track* track = trackOfRow(row_);
    return track == nullptr ? std::vector<LineReading>() : lineReadings(*work_.capture(), *track);
}

void BenchView::selectRow(std::size_t row) {
    make();
    if (row < rows_.size()) {
        scrollToShow(rectOf(rows_[row]));
        takeRow(row);
    }
}

void BenchView::takeRow(std::size_t row) {
    row_ = row;
    sayRowSelected(this, row);
    viewport()->update();
    if (const Target about = foretellsSelected(); !about.isNothing()) {
        emit targetWanted(about);
    }
}

Target BenchView::foretellsSelected() const {
    if (row_ >= rows_.size() || rows_[row_].kind == Row::Kind::unmatched) {
        return {};
    }
    if (rows_[row_].kind == Row::Kind::current) {
        return Target::rhythm("average");
    }
    const std::size_t measured = rows_[row_].index; // of what was laid out last: another capture may have fewer
    return measured < work_.measured().size() ? Target::promise(work_.predicted()[work_.measured()[measured].signal].name)
                                              : Target();
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
            .arg(text(printQuantity(time, Unit::second, kBenchDigits)), text(printQuantity(1 / time, Unit::hertz, kBenchDigits)));
    const double tick = work_.capture()->tick.toDouble();
    const auto tickOf = [&](double at) { return static_cast<std::int64_t>(std::round(at / tick)); };
    if (const Track* track = trackOfRow(row_)) {
        const auto edges = track->edges.countBefore(tickOf(to)) - track->edges.countBefore(tickOf(from));
        said += tr(", %n edges", nullptr, static_cast<int>(edges));
        const TrackFigures figures = measureTrack(*work_.capture(), *track, tickOf(from), tickOf(to));
        if (figures.period.count > 1) { // over all edges between, not by two of them
            said += tr(", over all of them a period of %1")
                        .arg(text(printQuantity(figures.period.value->nominal, Unit::second, kBenchDigits)));
        }
    } else if (row_ < rows_.size() && work_.recorded() != nullptr) {
        const ValueSpan span = work_.recorded()->blocks->span(tickOf(from), tickOf(to));
        const double ampere = span.mean * work_.recorded()->scale;
        const Rational finest(1, 1'000'000'000'000);
        said += tr(", %1 on average, %2")
                    .arg(text(printQuantity(quantised(ampere, finest), Unit::ampere, kBenchDigits)),
                         text(printQuantity(quantised(ampere * (to - from), finest), Unit::coulomb, kBenchDigits)));
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

/// What is said where no capture lies on the plan.
QString BenchView::emptySaid() const {
    return !trouble_.isEmpty()     ? trouble_
           : !document_.isOpen()   ? tr("Open a plan to lay a capture over it")
           : work_.isBusy()        ? tr("being played or read \u2026")
           : !work_.laid().empty() ? tr("Choose a capture above, drop one here, or play a simulated board")
                                   : tr("Drop a capture here (.vcd, .csv), or play a simulated board");
}

std::vector<SpokenRow> BenchView::spokenRows() {
    make();
    std::vector<SpokenRow> spoken;
    if (work_.capture() == nullptr) {
        spoken.push_back({emptySaid(), QString(), viewport()->rect(), false});
    }
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
                                                          Unit::ampere, kBenchDigits))) +
                              "; " + lines.join("; "),
                          currentRect().toRect(), false});
    }
    for (std::size_t i = 0; i < unmatched_.size(); ++i) {
        const LineRead* read = work_.readOf(unmatched_[i]->name);
        spoken.push_back({text(unmatched_[i]->name), read == nullptr ? tr("belongs to no promise") : text(read->said),
                          unmatchedRect(i).toRect(), false});
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
