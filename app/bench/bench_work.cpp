#include "bench/bench_work.h"

#include "bench/capture_file.h"
#include "paint/text.h"
#include "plan/handover_edits.h"

#include <QDir>
#include <QFileInfo>
#include <QFileSystemWatcher>
#include <QTimer>

#include <algorithm>
#include <random>

namespace wisetick::app {

namespace {

constexpr std::size_t kMostExplanations = 6;
constexpr std::size_t kMostLaid = 12;
constexpr int kRestBeforeReading = 250; ///< ms, that a file must not be written
const Rational kPlayed = 2;             ///< s
const QStringList kEndings{"*.vcd", "*.csv", "*.tsv"};

std::shared_ptr<DrawnCurrent> drawnOf(const Capture& capture, const ValueTrack& track) {
    auto drawn = std::make_shared<DrawnCurrent>();
    drawn->track = &track;
    drawn->blocks = std::make_unique<ValueBlocks>(track);
    drawn->seconds = capture.tick.toDouble();
    drawn->scale = ampereOf(track);
    return drawn;
}

/// How far what was measured is off what the promise asks, as its error is told.
std::optional<Bounds> errorOf(const PromiseFigure& promise, const MeasuredSignal& measured) {
    if (!promise.asked || promise.asked->isZero() || measured.isSilent || measured.cycle.min <= Rational(0)) {
        return std::nullopt;
    }
    const Bounds got = promise.unit == Unit::second ? measured.cycle : inverse(measured.cycle);
    return Bounds{got.min / *promise.asked - 1, got.nominal / *promise.asked - 1, got.max / *promise.asked - 1};
}

} // namespace

BenchWork::BenchWork(Document& document, QObject* parent)
    : QObject(parent), document_(document), watcher_(new QFileSystemWatcher(this)), soon_(new QTimer(this)) {
    soon_->setSingleShot(true);
    soon_->setInterval(kRestBeforeReading);
    connect(&document_, &Document::replaced, this, [this] {
        working_.stop();
        laid_.clear();
        told_.clear();
        readings_.clear();
        looked_ = 0;
        result_ = {};
        tellMeasured();
        emit changed();
    });
    connect(&document_, &Document::changed, this, [this] {
        ++changes_;
        follow();
        workAgain();
    });
    connect(&working_, &Background::failed, this, &BenchWork::troubled);
    connect(watcher_, &QFileSystemWatcher::fileChanged, this, [this](const QString& path) {
        rewritten_ << path;
        soon_->start();
    });
    connect(watcher_, &QFileSystemWatcher::directoryChanged, this, [this] { soon_->start(); });
    connect(soon_, &QTimer::timeout, this, [this] {
        const QStringList paths = std::exchange(rewritten_, {});
        for (const QString& path : paths) {
            if (QFileInfo::exists(path)) {
                readFile(path); // written anew: programs often put another file in its place
            }
        }
        if (paths.isEmpty() && !folder_.isEmpty()) {
            readNewest();
        }
    });
    follow();
}

BenchWork::~BenchWork() {
    working_.stop();
}

State BenchWork::worst() const {
    State worst = State::pending;
    for (const MeasuredSignal& each : result_.measured) {
        worst = worseState(worst, each.state);
    }
    if (result_.current && document_.isOpen()) {
        worst = worseState(worst, currentState(document_.plan(), *result_.current));
    }
    return worst;
}

QString BenchWork::relative(const QString& path) const {
    const QFileInfo plan(document_.path());
    return document_.path().isEmpty() ? path : plan.absoluteDir().relativeFilePath(path);
}

/// What the plan keeps lies there too, unread.
void BenchWork::follow() {
    if (!document_.isOpen()) {
        return;
    }
    for (Laid& each : laid_) {
        each.isKept = false;
    }
    for (const KeptCapture& kept : document_.plan().captures) {
        const QFileInfo plan(document_.path());
        const QString path = QDir::cleanPath(plan.absoluteDir().absoluteFilePath(text(kept.path)));
        laid_[placeOf(path)].isKept = true;
    }
    std::erase_if(laid_, [](const Laid& each) { return each.capture == nullptr && !each.isKept && !each.isComing; });
    looked_ = std::min(looked_, laid_.empty() ? 0 : laid_.size() - 1);
}

std::size_t BenchWork::placeOf(const QString& path) {
    const auto found = std::find_if(laid_.begin(), laid_.end(), [&](const Laid& each) { return each.path == path; });
    if (found != laid_.end()) {
        return static_cast<std::size_t>(found - laid_.begin());
    }
    return lay(QFileInfo(path).fileName(), path);
}

/// The oldest that nobody keeps or looks at makes room, and its file is not watched any more: a folder that is watched all night
/// fills neither the memory nor the bench.
void BenchWork::makeRoom() {
    for (std::size_t i = 0; i < laid_.size() && laid_.size() >= kMostLaid; ++i) {
        if (laid_[i].isKept || laid_[i].isComing || i == looked_) {
            continue;
        }
        if (!laid_[i].path.isEmpty()) {
            watcher_->removePath(laid_[i].path);
        }
        laid_.erase(laid_.begin() + static_cast<std::ptrdiff_t>(i));
        looked_ -= i < looked_ ? 1 : 0;
        return;
    }
}

std::size_t BenchWork::lay(const QString& name, const QString& path) {
    makeRoom();
    Laid laid{name, path, nullptr};
    laid.id = nextId_++;
    laid_.push_back(std::move(laid));
    return laid_.size() - 1;
}

void BenchWork::tellMeasured() {
    std::map<std::string, Bounds> errors;
    for (const MeasuredSignal& each : result_.measured) {
        const std::string& name = result_.predicted[each.signal].name; // the plan may have moved on: its place says nothing
        const PromiseFigure* promise = document_.isOpen() ? document_.figures().findPromise(name) : nullptr;
        if (const auto error = promise != nullptr ? errorOf(*promise, each) : std::nullopt) {
            errors.emplace(name, *error);
        }
    }
    if (document_.isOpen() && result_.current && result_.current->projected > 0 && result_.current->unseen.empty()) {
        for (std::size_t i = 0; i < document_.plan().promises.size(); ++i) {
            const auto* average = document_.plan().promises[i].line.ask.as<AverageAsk>();
            if (average != nullptr && i < document_.figures().promises.size()) {
                const Rational error =
                    quantised(result_.current->projected / average->limit.toDouble() - 1, Rational(1, 1'000'000));
                errors.emplace(document_.figures().promises[i].name, Bounds{error, error, error});
            }
        }
    }
    document_.setMeasured(std::move(errors));
}

void BenchWork::take(int id, const Result& result) {
    if (!result.trouble.isEmpty()) {
        emit troubled(result.trouble);
    }
    const auto laid = std::find_if(laid_.begin(), laid_.end(), [&](const Laid& each) { return each.id == id; });
    if (laid != laid_.end() && result.capture == nullptr) {
        laid->isComing = false;
        follow(); // what can't be read does not lie there
    }
    if (result.capture == nullptr || laid == laid_.end()) {
        emit changed();
        return;
    }
    const auto which = static_cast<std::size_t>(laid - laid_.begin());
    laid->isComing = false;
    result_ = result;
    looked_ = which;
    laid_[which].capture = result.capture;
    for (const auto& [of, measured] : result.beside) {
        for (Laid& each : laid_) {
            each.measured = each.id == of ? measured : each.measured;
        }
    }
    laid->measured = result.measured;
    for (const KeptCapture& kept : document_.plan().captures) {
        if (laid_[which].isKept && !result.sum.isEmpty() && relative(laid_[which].path) == text(kept.path)) {
            laid_[which].isChanged = !kept.sum.empty() && result.sum != text(kept.sum);
        }
    }
    tellMeasured();
    emit changed();
    if (result.changes != changes_) { // plan or figures moved meanwhile
        workAgain();
    }
}

void BenchWork::work(std::size_t which, const Record& record) {
    if (!document_.isOpen()) {
        return;
    }
    std::vector<std::pair<int, std::shared_ptr<const Capture>>> beside;
    for (const Laid& each : laid_) {
        if (each.capture != nullptr && each.id != laid_[which].id) {
            beside.emplace_back(each.id, each.capture);
        }
    }
    const std::size_t before = looked_;
    looked_ = which; // so that what is told of it counts
    const auto told = this->told();
    looked_ = before;
    working_.start([this, id = laid_[which].id, changes = changes_, record, beside, told, readings = readings_,
                    part = document_.part(), plan = document_.plan(),
                    figures = document_.figures()](const std::stop_token&) -> std::function<void()> {
        auto result = std::make_shared<Result>();
        result->changes = changes;
        result->predicted = benchSignals(part, plan, figures);
        result->capture = record(figures, result->predicted, *result);
        if (result->capture == nullptr) {
            return [this, id, result] { take(id, *result); };
        }
        result->slips = std::make_shared<std::vector<Slip>>(slipsOf(part, plan, figures, result->predicted));
        result->measured = measureSignals(*result->capture, plan, result->predicted, told);
        result->explained = explain(part, figures, result->predicted, *result->slips, result->measured, kMostExplanations);
        for (const auto& [of, capture] : beside) {
            result->beside.emplace_back(of, measureSignals(*capture, plan, result->predicted));
        }
        for (const LineReading& reading : readings) {
            result->read.emplace_back(reading.track, readLine(*result->capture, reading));
        }
        if (const ValueTrack* supply = findCurrent(*result->capture)) {
            result->current = measureCurrent(*result->capture, *supply);
            compareCurrent(figures, *result->current);
            result->reasons = explainCurrent(part, plan, figures, *result->current);
            result->recorded = drawnOf(*result->capture, *supply);
            if (auto prediction = predictedCurrent(figures, result->capture->length().toDouble())) {
                auto drawn = std::make_shared<DrawnCurrent>();
                drawn->capture = std::move(*prediction);
                drawn->track = drawn->capture.values.data();
                drawn->blocks = std::make_unique<ValueBlocks>(*drawn->track);
                drawn->seconds = drawn->capture.tick.toDouble();
                result->foretold = std::move(drawn);
            }
        }
        return [this, id, result] { take(id, *result); };
    });
    emit changed();
}

void BenchWork::readAs(const LineReading& reading) {
    std::erase_if(readings_, [&](const LineReading& each) { return each.track == reading.track; });
    readings_.push_back(reading);
    workAgain();
}

void BenchWork::forgetReading(const std::string& track) {
    std::erase_if(readings_, [&](const LineReading& each) { return each.track == track; });
    workAgain();
}

const LineRead* BenchWork::readOf(const std::string& track) const {
    const auto found =
        std::find_if(result_.read.begin(), result_.read.end(), [&](const auto& each) { return each.first == track; });
    return found == result_.read.end() ? nullptr : &found->second;
}

void BenchWork::workAgain() {
    if (result_.capture != nullptr) {
        work(looked_, [capture = result_.capture](const Figures&, const std::vector<BenchSignal>&, Result&) { return capture; });
    }
}

void BenchWork::look(std::size_t which) {
    if (which >= laid_.size() || laid_[which].isComing) {
        return;
    }
    if (laid_[which].capture == nullptr) {
        readFile(laid_[which].path);
        return;
    }
    work(which, [capture = laid_[which].capture](const Figures&, const std::vector<BenchSignal>&, Result&) { return capture; });
}

void BenchWork::play(std::uint64_t seed, bool isSlipped) {
    if (!document_.isOpen()) {
        return;
    }
    seed_ = seed;
    const std::size_t which = lay(tr("board %1%2").arg(seed).arg(isSlipped ? tr(", a slip") : QString()), {});
    laid_[which].isComing = true;
    work(which, [part = document_.part(), plan = document_.plan(), seed,
                 isSlipped](const Figures& figures, const std::vector<BenchSignal>& predicted, Result&) {
        BoardRun run;
        run.seconds = kPlayed;
        const std::vector<Slip> slips = isSlipped ? slipsOf(part, plan, figures, predicted) : std::vector<Slip>();
        std::mt19937_64 random(seed);
        run.slip = slips.empty() ? nullptr : &slips[random() % slips.size()];
        return std::make_shared<const Capture>(playBoard(part, plan, figures, predicted, drawBoard(part, figures, seed), run));
    });
}

void BenchWork::layCapture(const QString& name, std::shared_ptr<const Capture> capture) {
    const std::size_t which = lay(name, {});
    laid_[which].isComing = true;
    work(which, [capture = std::move(capture)](const Figures&, const std::vector<BenchSignal>&, Result&) { return capture; });
}

void BenchWork::readFile(const QString& path) {
    if (!document_.isOpen()) {
        return;
    }
    const QString whole = QFileInfo(path).absoluteFilePath();
    if (!watcher_->files().contains(whole)) {
        watcher_->addPath(whole);
    }
    const std::size_t which = placeOf(QDir::cleanPath(whole));
    laid_[which].isComing = true;
    work(which,
         [whole, isKept = laid_[which].isKept](const Figures&, const std::vector<BenchSignal>&,
                                               Result& result) -> std::shared_ptr<const Capture> {
             ReadCapture read = readCaptureFile(whole.toStdString());
             if (!read.why.empty()) {
                 result.trouble = whole + ": " + text(read.why);
                 return nullptr;
             }
             if (!read.capture.diagnostics.empty()) {
                 result.trouble = text(diagnosticText(read.capture.diagnostics.front()));
             }
             if (read.capture.tracks.empty() && findCurrent(read.capture) == nullptr) {
                 return nullptr;
             }
             result.sum = isKept ? text(sumOfFile(whole.toStdString())) : QString();
             return std::make_shared<const Capture>(std::move(read.capture));
         });
}

void BenchWork::watchFolder(const QString& folder) {
    if (!folder_.isEmpty()) {
        watcher_->removePath(folder_);
    }
    folder_ = folder;
    if (!folder_.isEmpty()) {
        watcher_->addPath(folder_);
        readNewest();
    }
    emit changed();
}

void BenchWork::readNewest() {
    const QFileInfoList files = QDir(folder_).entryInfoList(kEndings, QDir::Files, QDir::Time);
    if (!files.isEmpty()) {
        readFile(files.front().absoluteFilePath());
    }
}

QString BenchWork::keep() {
    if (looked_ >= laid_.size() || result_.capture == nullptr) {
        return tr("nothing lies on the bench");
    }
    const Laid& laid = laid_[looked_];
    if (laid.path.isEmpty()) {
        return tr("a board that was played is not kept: it can be played again");
    }
    if (document_.path().isEmpty()) {
        return tr("save the plan first: what is kept stands beside its file");
    }
    const std::string path = relative(laid.path).toStdString();
    if (laid.isKept && !laid.isChanged) {
        return document_.edit(tr("%1 not kept").arg(laid.name), [path](Plan& plan) { return dropCapture(plan, path); });
    }
    KeptCapture kept{path, sumOfFile(laid.path.toStdString()), told()};
    std::sort(kept.tracks.begin(), kept.tracks.end());
    laid_[looked_].isChanged = false;
    return document_.edit(tr("keep %1").arg(laid.name), [kept](Plan& plan) { return keepCapture(plan, kept); });
}

std::vector<std::pair<std::string, std::string>> BenchWork::told() const {
    if (looked_ < laid_.size() && laid_[looked_].isKept) {
        const std::string path = relative(laid_[looked_].path).toStdString();
        for (const KeptCapture& kept : document_.plan().captures) {
            if (kept.path == path) {
                return kept.tracks;
            }
        }
    }
    return told_;
}

QString BenchWork::match(const std::string& promise, const std::string& track) {
    if (isKept()) {
        const std::string path = relative(laid_[looked_].path).toStdString();
        return document_.edit(tr("track %1 is %2").arg(text(track), text(promise)),
                              [=](Plan& plan) { return matchTrack(plan, path, promise, track); });
    }
    std::erase_if(told_, [&](const auto& each) { return each.first == promise || each.second == track; });
    if (!track.empty()) {
        told_.emplace_back(promise, track);
    }
    workAgain();
    return {};
}

std::vector<const Track*> BenchWork::unmatched() const {
    std::vector<const Track*> tracks;
    if (capture() != nullptr) {
        for (const Track& track : capture()->tracks) {
            if (std::none_of(measured().begin(), measured().end(),
                             [&](const MeasuredSignal& each) { return each.track == track.name; })) {
                tracks.push_back(&track);
            }
        }
    }
    return tracks;
}

std::optional<BenchNote> BenchWork::noteFor(std::size_t explanation) const {
    if (!document_.isOpen()) {
        return std::nullopt;
    }
    if (explanation < explained().size()) {
        return noteOf(document_.part(), document_.plan(), document_.figures(), explained()[explanation]);
    }
    const std::size_t reason = explanation - explained().size();
    return reason < reasons().size() ? noteOf(document_.plan(), reasons()[reason]) : std::nullopt;
}

} // namespace wisetick::app
