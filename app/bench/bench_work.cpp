#include "bench/bench_work.h"

#include "bench/capture_file.h"
#include "paint/text.h"

#include <algorithm>
#include <random>

namespace wisetick::app {

namespace {

constexpr std::size_t kMostExplanations = 6;
const Rational kPlayed = 2; ///< s

} // namespace

struct BenchWork::Result {
    std::shared_ptr<const Capture> capture;
    std::vector<BenchSignal> predicted;
    std::shared_ptr<const std::vector<Slip>> slips;
    std::vector<MeasuredSignal> measured;
    std::vector<Explanation> explained;
};

BenchWork::BenchWork(Document& document, QObject* parent) : QObject(parent), document_(document) {
    connect(&document_, &Document::replaced, this, [this] {
        working_.stop();
        take({});
    });
    connect(&document_, &Document::changed, this, [this] {
        if (capture_ != nullptr) {
            work([capture = capture_](const Figures&, const std::vector<BenchSignal>&) { return capture; });
        }
    });
    connect(&working_, &Background::failed, this, &BenchWork::troubled);
}

State BenchWork::worst() const {
    State worst = State::pending;
    for (const MeasuredSignal& each : measured_) {
        worst = worseState(worst, each.state);
    }
    return worst;
}

void BenchWork::take(const Result& result) {
    capture_ = result.capture;
    predicted_ = result.predicted;
    slips_ = result.slips;
    measured_ = result.measured;
    explained_ = result.explained;
    emit changed();
}

void BenchWork::work(const Record& record) {
    if (!document_.isOpen()) {
        return;
    }
    working_.start([this, record, part = document_.part(), plan = document_.plan(),
                    figures = document_.figures()](const std::stop_token&) -> std::function<void()> {
        auto result = std::make_shared<Result>();
        result->predicted = benchSignals(part, plan, figures);
        result->capture = record(figures, result->predicted);
        result->slips = std::make_shared<std::vector<Slip>>(slipsOf(part, plan, figures, result->predicted));
        result->measured = measureSignals(*result->capture, plan, result->predicted);
        result->explained = explain(part, figures, result->predicted, *result->slips, result->measured, kMostExplanations);
        return [this, result] { take(*result); };
    });
    emit changed();
}

void BenchWork::play(std::uint64_t seed, bool isSlipped) {
    seed_ = seed;
    work([part = document_.part(), plan = document_.plan(), seed, isSlipped](const Figures& figures,
                                                                             const std::vector<BenchSignal>& predicted) {
        BoardRun run;
        run.seconds = kPlayed;
        const std::vector<Slip> slips = isSlipped ? slipsOf(part, plan, figures, predicted) : std::vector<Slip>();
        std::mt19937_64 random(seed);
        run.slip = slips.empty() ? nullptr : &slips[random() % slips.size()];
        return std::make_shared<const Capture>(playBoard(part, plan, figures, predicted, drawBoard(part, figures, seed), run));
    });
}

void BenchWork::readFile(const QString& path) {
    ReadCapture read = readCaptureFile(path.toStdString());
    if (!read.why.empty()) {
        emit troubled(path + ": " + text(read.why));
        return;
    }
    auto capture = std::make_shared<const Capture>(std::move(read.capture));
    if (!capture->diagnostics.empty()) {
        emit troubled(text(diagnosticText(capture->diagnostics.front())));
    }
    if (!capture->tracks.empty()) {
        work([capture](const Figures&, const std::vector<BenchSignal>&) { return capture; });
    }
}

std::optional<BenchNote> BenchWork::noteFor(std::size_t explanation) const {
    return explanation < explained_.size() && document_.isOpen()
               ? noteOf(document_.part(), document_.plan(), document_.figures(), explained_[explanation])
               : std::nullopt;
}

} // namespace wisetick::app
