#include "rhythm/rhythm_view.h"

#include "paint/controls.h"
#include "paint/text.h"
#include "picture/latency_picture.h"
#include "picture/picture_text.h"
#include "plan/job_line.h"
#include "rhythm/rhythm_work.h"

#include <QLabel>
#include <QLineEdit>
#include <QPaintEvent>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

constexpr qreal kRhythmLeft = 16;
constexpr qreal kRhythmNames = 168;  ///< at least
constexpr qreal kMostForNames = 0.4; ///< of the width
constexpr qreal kRhythmGoesOn = 20;
constexpr qreal kRhythmDraws = 104;
constexpr std::size_t kMostRunsShown = 500;

} // namespace

RhythmView::RhythmView(Document& document, QWidget* parent) : PaintedView(tr("Rhythm of the jobs"), parent), document_(document) {
    line_ = new QLineEdit(viewport());
    line_->setAccessibleName(tr("Line of the job"));
    line_->hide();
    lineFault_ = new QLabel(viewport());
    lineFault_->setTextFormat(Qt::PlainText);
    lineFault_->setAutoFillBackground(true);
    lineFault_->setMargin(4);
    lineFault_->hide();
    line_->installEventFilter(this);
    connect(line_, &QLineEdit::textEdited, lineFault_, &QLabel::hide);
    for (Background* work : {&background_, &chanceBackground_}) {
        connect(work, &Background::failed, &document_, &Document::troubleBeside);
        connect(work, &Background::done, this, [this] {
            setStale();
            viewport()->update();
        });
    }
    connect(&document_, &Document::replaced, this, &RhythmView::forget);
    connect(&document_, &Document::changed, this, [this] { setStale(); });
}

void RhythmView::setTheme(const Theme& theme) {
    PaintedView::setTheme(theme);
    QPalette palette = line_->palette();
    palette.setColor(QPalette::Base, theme.panel);
    palette.setColor(QPalette::Text, theme.ink);
    line_->setPalette(palette);
    palette.setColor(QPalette::Window, theme.panel);
    palette.setColor(QPalette::WindowText, theme.broken);
    lineFault_->setPalette(palette);
}

/// Nothing that was played of another plan, or on another part, is shown with this one.
void RhythmView::forget() {
    background_.stop();
    chanceBackground_.stop();
    rhythm_ = {};
    moves_.clear();
    takes_.clear();
    for (Sweep* sweep : {&interval_, &temperature_, &race_, &coreRate_}) {
        *sweep = {};
    }
    chance_.reset();
    chanceDone_ = 0;
    workedOn_ = {};
    workedFor_.clear();
    wasFitted_ = false;
    line_->hide();
    lineFault_->hide();
    drag_ = {};
    setStale();
}

void RhythmView::remake() {
    if (!document_.isOpen()) {
        pictures_.clear();
        return;
    }
    lane_ = document_.plan().jobs.empty() ? 0 : std::min(lane_, document_.plan().jobs.size() - 1);
    takeFigures();
    if (!wasFitted_) {
        wasFitted_ = true;
        showAll();
    }
    pictures_.clear();
    share_ = rhythm_.shares.empty() ? 0 : std::min(share_, rhythm_.shares.size() - 1);
    pictures_.push_back(chargePicture(document_.plan().jobs, rhythm_, share_));
    if (rhythm_.isByChance) {
        pictures_.push_back(chancePicture(chance_, chanceDone_));
    }
    pictures_.push_back(movesPicture(moves_, background_.isBusy()));
    if (!rhythm_.latencies.empty()) {
        pictures_.push_back(latencyPicture(rhythm_.latencies, {}));
    }
    for (const Sweep* sweep : {&interval_, &temperature_, &race_, &coreRate_}) {
        if (sweep->points.size() > 1) {
            pictures_.push_back(sweepPicture(*sweep));
        }
    }
    if (document_.plan().takes.size() > 1) {
        pictures_.push_back(takesPicture(takes_, background_.isBusy()));
    }
    layOut();
}

/// The jobs are played a moment after an edit; until then the last play is shown.
void RhythmView::takeFigures() {
    isPlayed_ = document_.figures().rhythm.has_value();
    if (isPlayed_) {
        rhythm_ = *document_.figures().rhythm;
        workAside();
    }
}

/// Plays everything that takes longer beside the interface, where plan or swept job changed.
void RhythmView::workAside() {
    const auto& jobs = document_.plan().jobs;
    const QString swept = lane_ < jobs.size() ? text(jobs[lane_].name) : QString();
    if (document_.isPreviewing() || (workedOn_ == document_.plan() && workedFor_ == swept)) {
        return;
    }
    if (!(workedOn_ == document_.plan())) {
        chance_.reset();
        chanceDone_ = 0;
        playChance();
    }
    workedOn_ = document_.plan();
    workedFor_ = swept;
    background_.start([this, part = document_.part(), plan = document_.plan(), figures = document_.figures(),
                       swept](const std::stop_token& token) -> std::function<void()> {
        auto result = std::make_shared<RhythmWork>(workOut(part, plan, figures, swept.toStdString(), token));
        return [this, result] {
            moves_ = std::move(result->moves);
            takes_ = std::move(result->takes);
            interval_ = std::move(result->interval);
            temperature_ = std::move(result->temperature);
            race_ = std::move(result->race);
            coreRate_ = std::move(result->coreRate);
        };
    });
}

/// Plays a thousand times where jobs come by chance, and says how far it is.
void RhythmView::playChance() {
    if (!rhythm_.isByChance) {
        chanceBackground_.stop();
        return;
    }
    chanceBackground_.start([this, part = document_.part(), plan = document_.plan(),
                             figures = document_.figures()](const std::stop_token& token) -> std::function<void()> {
        const auto progress = [this, &token](double done) {
            chanceBackground_.tell(token, [this, done] {
                chanceDone_ = done;
                setStale();
                viewport()->update();
            });
        };
        auto result = std::make_shared<std::optional<ChanceFigure>>(workOutChance(part, plan, figures, token, progress));
        return [this, result] { chance_ = *result; };
    });
}

qreal RhythmView::laneHeight() const {
    return std::ceil(lineHeight(Face::bold) + lineHeight(Face::small) + 4);
}

qreal RhythmView::lanesTop() const {
    return lineHeight(Face::small) + 8 - verticalScrollBar()->value();
}

qreal RhythmView::traceTop() const {
    const qreal lanes = document_.isOpen() ? static_cast<qreal>(document_.plan().jobs.size()) : 0;
    return lanesTop() + lanes * (laneHeight() + 4) + lineHeight(Face::small) + 12;
}

void RhythmView::layOut() {
    qreal names = kRhythmNames;
    for (const Job& job : document_.isOpen() ? document_.plan().jobs : std::vector<Job>()) {
        names =
            std::max({names, textWidth(Face::bold, text(job.name)) + 12, textWidth(Face::small, text(printJobPace(job))) + 12});
    }
    axis_.left = kRhythmLeft + std::max(kRhythmNames, std::min(names, viewport()->width() * kMostForNames));
    axis_.right = viewport()->width() - kRhythmLeft;
    qreal height = traceTop() + verticalScrollBar()->value() + kRhythmGoesOn + 12 + kRhythmDraws + 20;
    for (const Picture& picture : pictures_) {
        height += lineHeight(Face::bold) + 8 + picture.height + 16;
    }
    setContentHeight(height, laneHeight());
    placeLine();
}

const TimeAxis& RhythmView::axis() {
    make();
    return axis_;
}

void RhythmView::clampAxis() {
    const double length = std::clamp(axis_.length(), kShortestView, kLongestView);
    const double middle = (axis_.from + axis_.to) / 2;
    axis_.from = std::max(0.0, middle - length / 2);
    axis_.to = axis_.from + length;
}

void RhythmView::showTime(double from, double to) {
    make(); // where it was never shown it begins with all
    axis_.from = from;
    axis_.to = std::max(to, from + kShortestView);
    clampAxis();
    viewport()->update();
}

void RhythmView::showAll() {
    double longest = 1;
    for (const Job& job : document_.isOpen() ? document_.plan().jobs : std::vector<Job>()) {
        longest = std::max(longest, job.every.toDouble());
    }
    showTime(0, document_.isOpen() && !document_.plan().jobs.empty() ? longest * 3 : 60);
}

void RhythmView::zoom(double factor, double around) {
    const double length = std::clamp(axis_.length() * factor, kShortestView, kLongestView);
    const double share = (around - axis_.from) / axis_.length();
    axis_.from = std::max(0.0, around - length * share);
    axis_.to = axis_.from + length;
    viewport()->update();
}

/// To what a drag is rounded: a step that is told apart on the screen.
double RhythmView::grain() const {
    const double pixel = axis_.length() / std::max<qreal>(axis_.right - axis_.left, 1) * 2;
    const double power = std::pow(10, std::floor(std::log10(std::max(pixel, 1e-9))));
    for (const double factor : {1.0, 2.0, 5.0}) {
        if (factor * power >= pixel) {
            return factor * power;
        }
    }
    return power * 10;
}

QRectF RhythmView::laneRect(std::size_t lane) {
    make();
    return {axis_.left, lanesTop() + static_cast<qreal>(lane) * (laneHeight() + 4), axis_.right - axis_.left, laneHeight()};
}

std::optional<std::size_t> RhythmView::laneAt(const QPointF& at) {
    for (std::size_t lane = 0; document_.isOpen() && lane < document_.plan().jobs.size(); ++lane) {
        const QRectF rect = laneRect(lane);
        if (at.y() >= rect.top() && at.y() < rect.bottom()) {
            return lane;
        }
    }
    return std::nullopt;
}

std::vector<Run> RhythmView::shownRuns(std::size_t lane) {
    make();
    const double length = lengthOf(document_.plan().jobs[lane], document_.plan(), document_.part(), document_.figures());
    return runsIn(document_.plan(), lane, length, isPlayed_ ? rhythm_.trace.get() : nullptr, axis_.from, axis_.to,
                  kMostRunsShown);
}

void RhythmView::selectLane(std::size_t lane) {
    make();
    if (!document_.isOpen() || document_.plan().jobs.empty()) {
        return;
    }
    const std::size_t before = lane_;
    lane_ = std::min(lane, document_.plan().jobs.size() - 1);
    const Job& job = document_.plan().jobs[lane_];
    setAccessibleDescription(
        tr("job %1 of %2: %3").arg(lane_ + 1).arg(document_.plan().jobs.size()).arg(text(printJobLine(job))));
    for (std::size_t i = 0; i < rhythm_.shares.size(); ++i) {
        if (rhythm_.shares[i].target == Target::job(job.name)) {
            share_ = i;
        }
    }
    scrollToShow(laneRect(lane_), 24, 8);
    sayRowSelected(this, lane_);
    setStale();
    if (before != lane_ && isPlayed_) {
        workAside();
    }
    viewport()->update();
}

/// How often a job runs in what is shown, where its runs are too many to be told apart; else empty.
QString RhythmView::timesSaid(std::size_t lane) {
    const double every = document_.plan().jobs[lane].every.toDouble();
    return every > 0 && axis_.length() / every > 3 && shownRuns(lane).empty()
               ? tr("%1 times in what is shown").arg(std::lround(axis_.length() / every))
               : QString();
}

QString RhythmView::hintSaid() const {
    return !document_.isOpen() || document_.plan().jobs.empty()
               ? tr("no jobs yet: Insert adds one, such as 'sense: every 10 s for 20 ms'")
               : tr("Insert adds a job, Enter edits one; drag a run, its end, with Shift its period");
}

QRectF RhythmView::hintRect() const {
    return {kRhythmLeft, traceTop() - lineHeight(Face::small) - 8, viewport()->width() - 2 * kRhythmLeft,
            lineHeight(Face::small)};
}

std::vector<SpokenRow> RhythmView::spokenRows() {
    make();
    std::vector<SpokenRow> spoken;
    for (std::size_t lane = 0; document_.isOpen() && lane < document_.plan().jobs.size(); ++lane) {
        const Job& job = document_.plan().jobs[lane];
        const QString times = timesSaid(lane);
        spoken.push_back({text(job.name), text(printJobClauses(job)) + (times.isEmpty() ? times : ", " + times),
                          laneRect(lane).toRect(), lane == lane_});
    }
    spoken.push_back({hintSaid(), QString(), hintRect().toRect(), false});
    for (std::size_t i = 0; i < pictures_.size(); ++i) {
        spoken.push_back(spokenPicture(pictures_[i], pictureRect(i)));
    }
    return spoken;
}

const std::vector<Picture>& RhythmView::pictures() {
    make();
    return pictures_;
}

QRectF RhythmView::pictureRect(std::size_t picture) {
    make();
    qreal top = traceTop() + kRhythmGoesOn + 12 + kRhythmDraws + 20;
    for (std::size_t i = 0; i < pictures_.size(); ++i) {
        top += lineHeight(Face::bold) + 8;
        if (i == picture) {
            return {kRhythmLeft, top, viewport()->width() - 2 * kRhythmLeft, pictures_[i].height};
        }
        top += pictures_[i].height + 16;
    }
    return {};
}

/// Which lane each job of the trace stands on: what needs no core has none there.
std::vector<std::size_t> RhythmView::traceLanes() const {
    std::vector<std::size_t> lanes;
    for (std::size_t i = 0; i < document_.plan().jobs.size(); ++i) {
        if (document_.plan().jobs[i].brings.isZero()) {
            lanes.push_back(i);
        }
    }
    return lanes;
}

void RhythmView::paintLane(QPainter& painter, std::size_t lane) {
    const Job& job = document_.plan().jobs[lane];
    const QRectF rect = laneRect(lane);
    if (rect.bottom() < 0 || rect.top() > viewport()->height()) {
        return;
    }
    const bool isSelected = lane == lane_;
    if (isSelected) {
        painter.fillRect(QRectF(8, rect.top(), viewport()->width() - 16, rect.height()), theme_.selected);
        if (hasFocus()) {
            painter.fillRect(QRectF(8, rect.top(), 3, rect.height()), theme_.kept);
        }
    }
    const QRectF names(kRhythmLeft, rect.top(), axis_.left - kRhythmLeft - 10, rect.height());
    drawText(painter, QRectF(names.left(), names.top() + 2, names.width(), lineHeight(Face::bold)), Qt::AlignLeft, text(job.name),
             Face::bold, theme_.ink);
    drawText(painter, QRectF(names.left(), names.top() + 2 + lineHeight(Face::bold), names.width(), lineHeight(Face::small)),
             Qt::AlignLeft, text(printJobPace(job)), Face::small, theme_.muted);
    painter.setPen(QPen(theme_.line, 1));
    painter.setBrush(theme_.panel);
    painter.drawRoundedRect(rect.adjusted(0.5, 2.5, -0.5, -2.5), 3, 3);
    const QColor colour = job.brings.isZero() ? laneColour(lane, theme_) : theme_.strained;
    painter.save();
    painter.setClipRect(rect);
    const std::vector<Run> runs = shownRuns(lane);
    const double every = job.every.toDouble();
    if (const QString times = timesSaid(lane); !times.isEmpty()) { // too many to be told apart: how much of the time
        const double share = lengthOf(job, document_.plan(), document_.part(), document_.figures()) / every;
        QColor shade = colour;
        shade.setAlphaF(static_cast<float>(std::clamp(0.12 + share, 0.12, 1.0)));
        painter.fillRect(rect.adjusted(1, 8, -1, -8), shade);
        drawText(painter, rect.adjusted(8, 0, -8, 0), Qt::AlignLeft, times, Face::small, theme_.muted);
    }
    painter.setPen(Qt::NoPen);
    const bool isHeld = isSelected && drag_.grip != Grip::none && drag_.grip != Grip::time;
    for (std::size_t i = 0; i < runs.size(); ++i) {
        double from = runs[i].first;
        double to = runs[i].second;
        if (isHeld && drag_.grip == Grip::phase) {
            from += drag_.by;
            to += drag_.by;
        } else if (isHeld && drag_.grip == Grip::length) {
            to = std::max(from, to + drag_.by);
        } else if (isHeld && drag_.grip == Grip::period && drag_.run > 0) {
            const double shift = std::floor((from - drag_.runStart) / every + 0.5) + static_cast<double>(drag_.run);
            from += drag_.by * shift / static_cast<double>(drag_.run);
            to += drag_.by * shift / static_cast<double>(drag_.run);
        }
        const qreal left = axis_.at(from);
        painter.setBrush(colour);
        painter.drawRoundedRect(QRectF(left, rect.top() + 7, std::max<qreal>(axis_.at(to) - left, 2), rect.height() - 14), 2, 2);
    }
    painter.restore();
}

void RhythmView::paintTrace(QPainter& painter) {
    const qreal top = traceTop();
    const qreal width = axis_.right - axis_.left;
    drawText(painter, QRectF(kRhythmLeft, top, axis_.left - kRhythmLeft - 10, kRhythmGoesOn), Qt::AlignLeft, tr("goes on"),
             Face::bold, theme_.ink);
    const qreal draws = top + kRhythmGoesOn + 12;
    drawText(painter, QRectF(kRhythmLeft, draws, 76, lineHeight(Face::bold)), Qt::AlignLeft, tr("draws"), Face::bold, theme_.ink);
    if (!rhythm_.trace || rhythm_.trace->size() == 0) {
        drawText(painter, QRectF(axis_.left, top, width, kRhythmGoesOn), Qt::AlignLeft,
                 rhythm_.unknown.empty() ? tr("being played \u2026") : text(rhythm_.unknown), Face::small, theme_.muted);
        return;
    }
    paintGoesOn(painter, QRectF(axis_.left, top, width, kRhythmGoesOn), axis_, *rhythm_.trace, traceLanes(), theme_);
    paintDraws(painter, QRectF(axis_.left, draws, width, kRhythmDraws), axis_, *rhythm_.trace, theme_);
}

void RhythmView::paintEvent(QPaintEvent* event) {
    make();
    QPainter painter(viewport());
    painter.fillRect(event->rect(), theme_.paper);
    painter.setRenderHint(QPainter::Antialiasing);
    if (!document_.isOpen()) {
        drawWrapped(painter, viewport()->rect(), Qt::AlignHCenter, tr("Open a plan to see its jobs"), Face::word, theme_.muted);
        return;
    }
    const std::size_t lanes = document_.plan().jobs.size();
    const qreal axisTop = lanesTop() - lineHeight(Face::small) - 6;
    axis_.draw(painter,
               QRectF(axis_.left, axisTop, axis_.right - axis_.left, traceTop() + kRhythmGoesOn + 12 + kRhythmDraws - axisTop),
               theme_);
    for (std::size_t lane = 0; lane < lanes; ++lane) {
        paintLane(painter, lane);
    }
    painter.fillRect(hintRect(), theme_.paper);
    drawText(painter, hintRect(), Qt::AlignLeft, hintSaid(), Face::small, theme_.muted);
    paintTrace(painter);
    for (std::size_t i = 0; i < pictures_.size(); ++i) {
        const QRectF area = pictureRect(i);
        if (area.top() - lineHeight(Face::bold) - 8 > viewport()->height() || area.bottom() < 0) {
            continue;
        }
        paintPicture(painter, pictures_[i], area, theme_);
    }
    if (hasFocus()) {
        drawFocus(painter, viewport()->rect(), theme_);
    }
}

void RhythmView::scrollContentsBy(int, int) {
    placeLine();
    viewport()->update();
}

} // namespace wisetick::app
