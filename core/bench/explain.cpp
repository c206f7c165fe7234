#include "bench/explain.h"

#include "base/text.h"
#include "bench/uart_frames.h"
#include "promise/judge.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <optional>
#include <unordered_map>

namespace wisetick {

namespace {

constexpr int kRestingBits = 400;         ///< of a line that sends: then it is silent
constexpr double kMeanwhile = 4e-7;       ///< by which a source may move between what is measured of it at different times
constexpr double kFarOff = 1e9;           ///< what moves stands still, or the other way round
constexpr double kPartOfACycle = 1e-3;    ///< for rounding
constexpr double kMostCycles = 1e7;       ///< that a firmware is late
constexpr double kDoubleRounding = 1e-12; ///< of what is worked out in doubles
/// By which a bus may be faster than asked and still be one.
const std::array<Rational, 11> kBusRatios{Rational(1),    Rational(2),    Rational(1, 2), Rational(4),
                                          Rational(1, 4), Rational(8),    Rational(1, 8), Rational(5),
                                          Rational(1, 5), Rational(5, 2), Rational(2, 5)};
constexpr std::size_t kMostPairs = 1500; ///< slips that are tried two by two

/// As its compare register has it.
Rational plannedDuty(const BenchSignal& signal) {
    const auto counts =
        std::find_if(signal.factors.begin(), signal.factors.end(), [](const Setting& each) { return each.name == "counts"; });
    return signal.compare && counts != signal.factors.end() ? signal.compare->value / counts->value : signal.duty;
}

/// A stretch of shares; empty where most < least.
struct Shares {
    double least = 0;
    double most = 0;

    void narrow(const Shares& other) {
        least = std::max(least, other.least);
        most = std::min(most, other.most);
    }
    double gap() const { return std::max(0.0, least - most); }
};

/// What a hypothesis says of each signal.
struct Says {
    bool isSilent = false;
    double ratio = 1;
    NodeIndex source = 0;
    double duty = 1; ///< ÷ the planned one
};

/// What a slip multiplies, in doubles.
struct Ratios {
    double cycle = 1;
    double duty = 1;
};

class Explainer {
public:
    Explainer(const Part& part, const Figures& figures, const std::vector<BenchSignal>& predicted, const std::vector<Slip>& slips,
              const std::vector<MeasuredSignal>& measured)
        : part_(part), figures_(figures), signals_(predicted), slips_(slips), measured_(measured) {
        for (const BenchSignal& signal : predicted) {
            planned_.push_back({false, 1, signal.source, 1});
        }
        for (NodeIndex source = 0; source < part.sources.size(); ++source) {
            tolerances_.push_back(workTolerance(source));
        }
        for (const MeasuredSignal& each : measured) {
            reads_.push_back(workRead(each));
        }
        for (const Slip& slip : slips) {
            for (const SlipEffect& effect : slip.effects) {
                ratios_[&effect] = {effect.ratio.toDouble(), effect.duty.toDouble()};
            }
        }
    }

    std::vector<Explanation> all(std::size_t most) {
        add(-1, {}, phrase("as planned"));
        for (const Slip& slip : slips_) {
            add(static_cast<int>(slip.kind), {&slip}, slip.say);
        }
        addCycles();
        if (std::none_of(found_.begin(), found_.end(), [](const Ranked& each) { return each.is.explainsAll(); })) {
            addPairs();
        }
        std::stable_sort(found_.begin(), found_.end(), [](const Ranked& a, const Ranked& b) {
            if (a.is.explainsAll() != b.is.explainsAll()) {
                return a.is.explainsAll();
            }
            return a.is.explainsAll() ? a.rank < b.rank : a.is.leftOver < b.is.leftOver;
        });
        return grouped(most);
    }

private:
    struct Ranked {
        int rank = 0;
        std::vector<Says> says;
        Explanation is;
    };

    std::vector<Says> saysOf(const std::vector<const Slip*>& slips) const {
        std::vector<Says> says = planned_;
        for (const Slip* slip : slips) {
            for (const SlipEffect& effect : slip->effects) {
                Says& of = says[effect.signal];
                of.isSilent = of.isSilent || effect.isSilent;
                of.ratio *= ratios_.at(&effect).cycle;
                of.duty *= ratios_.at(&effect).duty;
                of.source = effect.source != signals_[effect.signal].source ? effect.source : of.source;
            }
        }
        return says;
    }

    Shares toleranceOf(NodeIndex source) const { return tolerances_[source]; }

    Shares workTolerance(NodeIndex source) const {
        const auto& hertz = figures_.lines[source].hertz;
        if (!hertz || !figures_.lines[source].unknown.empty()) {
            return {-1, 1};
        }
        return {(hertz->min / hertz->nominal).toDouble() - 1 - kDoubleRounding,
                (hertz->max / hertz->nominal).toDouble() - 1 + kDoubleRounding};
    }

    /// A measured signal in doubles.
    struct Read {
        double said = 0; ///< s, its cycle as planned
        double least = 0;
        double most = 0;
        double open = 0; ///< share, beside the clock
    };

    Read workRead(const MeasuredSignal& measured) const {
        const BenchSignal& signal = signals_[measured.signal];
        // what of the cycle is open beside its clock: a loop whose memory waits, say
        const Shares tolerance = toleranceOf(signal.source);
        const double beside = std::max({0.0, (signal.cycle.max / signal.cycle.nominal).toDouble() * (1 + tolerance.least) - 1,
                                        1 - (signal.cycle.min / signal.cycle.nominal).toDouble() * (1 + tolerance.most)});
        return {signal.cycle.nominal.toDouble(), measured.cycle.min.toDouble(), measured.cycle.max.toDouble(),
                kMeanwhile + (beside > 1e-9 ? beside : 0)};
    }

    /// How far the source is off where the signal is what was said of it.
    Shares readingOf(const Read& read, const Says& says) const {
        const double said = read.said * says.ratio;
        return {said / read.most - 1 - read.open, read.least > 0 ? said / read.least - 1 + read.open : 1e300};
    }

    /// What is left over, and what the sources run at; `without`: a signal that is not looked at.
    double judge(const std::vector<Says>& says, std::vector<SourceReading>* readings,
                 std::optional<std::size_t> without = std::nullopt) const {
        std::vector<std::pair<NodeIndex, Shares>> sources;
        for (std::size_t i = 0; i < measured_.size(); ++i) {
            const MeasuredSignal& measured = measured_[i];
            if (measured.signal == without) {
                continue;
            }
            const Says& of = says[measured.signal];
            if (measured.isSilent) { // it stands still, or is slower than it was looked at
                if (!of.isSilent && reads_[i].said * of.ratio < measured.length.toDouble()) {
                    return kFarOff;
                }
            } else if (of.isSilent) {
                return kFarOff;
            } else {
                auto at = std::find_if(sources.begin(), sources.end(), [&](const auto& each) { return each.first == of.source; });
                if (at == sources.end()) {
                    at = sources.insert(at, {of.source, toleranceOf(of.source)});
                }
                at->second.narrow(readingOf(reads_[i], of));
            }
        }
        double left = dutyLeft(says, without);
        for (const auto& [source, shares] : sources) {
            left = std::max(left, shares.gap());
            if (readings != nullptr) {
                readings->push_back({source, shares.least, shares.most});
            }
        }
        return left;
    }

    /// By how much of a period a signal is high longer or shorter than is said, beyond what was measured leaves open.
    double dutyLeft(const std::vector<Says>& says, std::optional<std::size_t> without) const {
        double left = 0;
        for (const MeasuredSignal& measured : measured_) {
            const BenchSignal& signal = signals_[measured.signal];
            if (measured.duty && signal.compare && measured.signal != without) {
                const double said = plannedDuty(signal).toDouble() * says[measured.signal].duty;
                left = std::max({left, measured.duty->min.toDouble() - kDoubleRounding - said,
                                 said - measured.duty->max.toDouble() - kDoubleRounding});
            }
        }
        return left;
    }

    void add(int rank, std::vector<const Slip*> slips, const Text& say) {
        Ranked ranked;
        ranked.rank = rank;
        ranked.says = saysOf(slips);
        ranked.is.say = say;
        ranked.is.slips = std::move(slips);
        ranked.is.leftOver = judge(ranked.says, &ranked.is.sources);
        found_.push_back(std::move(ranked));
    }

    NodeIndex sourceOf(NodeIndex node) const {
        while (figures_.lines[node].parent) {
            node = *figures_.lines[node].parent;
        }
        return node;
    }

    /// Firmware that takes so many cycles more each time: what the other signals tell of the source is held against it.
    void addCycles() {
        const auto& core = figures_.lines[part_.core].hertz;
        for (const MeasuredSignal& measured : measured_) {
            const BenchSignal& signal = signals_[measured.signal];
            if (!signal.isByTheCore || measured.isSilent || !core || judge(planned_, nullptr, measured.signal) > 0) {
                continue;
            }
            std::vector<SourceReading> readings;
            judge(planned_, &readings, measured.signal);
            const auto readingFor = [&](NodeIndex wanted) {
                const auto found = std::find_if(readings.begin(), readings.end(),
                                                [&](const SourceReading& each) { return each.source == wanted; });
                return found == readings.end() ? toleranceOf(wanted) : Shares{found->least, found->most};
            };
            const Shares source = readingFor(signal.source);
            const Shares coreSource = readingFor(sourceOf(part_.core)); // its cycles last as long as that makes them
            const double said = signal.cycle.nominal.toDouble();
            const double hertz = core->nominal.toDouble();
            const double shortest = measured.cycle.min.toDouble() - said * (1 + kMeanwhile) / (1 + source.least);
            const double longest = measured.cycle.max.toDouble() - said * (1 - kMeanwhile) / (1 + source.most);
            const double least = std::ceil(shortest * hertz * (1 + coreSource.least) - kPartOfACycle);
            const double most = std::floor(longest * hertz * (1 + coreSource.most) + kPartOfACycle);
            if (most < 1 || most < least || least > kMostCycles) {
                continue;
            }
            const auto from = static_cast<std::int64_t>(std::max(least, 1.0));
            const auto to = static_cast<std::int64_t>(most);
            Ranked ranked;
            ranked.rank = static_cast<int>(Slip::Kind::cycles);
            ranked.says = planned_;
            ranked.says[measured.signal].ratio = measured.cycle.nominal.toDouble() / said;
            ranked.is.lateOf = signal.name;
            ranked.is.cycles = Bounds{Rational(from), Rational((from + to) / 2), Rational(to)};
            ranked.is.say =
                phrase("{}: the firmware takes {} cycles more each time", signal.name,
                       from == to ? std::to_string(from) : phrase("{} to {}", std::to_string(from), std::to_string(to)));
            ranked.is.sources = std::move(readings);
            found_.push_back(std::move(ranked));
        }
    }

    void addPairs() {
        const std::size_t count = std::min(slips_.size(), kMostPairs);
        std::optional<std::pair<std::size_t, std::size_t>> best;
        double least = 1e300;
        for (std::size_t i = 0; i < count; ++i) {
            for (std::size_t j = i + 1; j < count; ++j) {
                const bool isSame = slips_[i].id == slips_[j].id && slips_[i].setting == slips_[j].setting;
                const double left = isSame ? 1e300 : judge(saysOf({&slips_[i], &slips_[j]}), nullptr);
                if (left < least) {
                    least = left;
                    best = {i, j};
                }
                if (least == 0) {
                    break;
                }
            }
            if (least == 0) {
                break;
            }
        }
        if (best && least == 0) {
            add(static_cast<int>(Slip::Kind::cycles) + 1, {&slips_[best->first], &slips_[best->second]},
                phrase("{}, and {}", slips_[best->first].say, slips_[best->second].say));
        }
    }

    /// Those that say the same of every signal that was measured as one, told by the first of them; what says of these the same
    /// as the plan is left out.
    std::vector<Explanation> grouped(std::size_t most) {
        std::vector<Explanation> list;
        std::vector<const Ranked*> told;
        for (const Ranked& each : found_) {
            if (!each.is.slips.empty() && saySame(each.says, planned_)) {
                continue;
            }
            const auto same = std::find_if(told.begin(), told.end(), [&](const Ranked* other) {
                return each.is.lateOf.empty() && other->is.lateOf.empty() && saySame(each.says, other->says);
            });
            if (same != told.end()) {
                list[static_cast<std::size_t>(same - told.begin())].same.push_back(each.is.say);
            } else if (told.size() < most) {
                told.push_back(&each);
                list.push_back(each.is);
            }
        }
        return list;
    }

    bool saySame(const std::vector<Says>& a, const std::vector<Says>& b) const {
        return std::all_of(measured_.begin(), measured_.end(), [&](const MeasuredSignal& measured) {
            const Says& x = a[measured.signal];
            const Says& y = b[measured.signal];
            return x.isSilent == y.isSilent &&
                   (x.isSilent || (x.source == y.source && std::abs(x.ratio / y.ratio - 1) < kDoubleRounding &&
                                   (!measured.duty || std::abs(x.duty / y.duty - 1) < kDoubleRounding)));
        });
    }

    const Part& part_;
    const Figures& figures_;
    const std::vector<BenchSignal>& signals_;
    const std::vector<Slip>& slips_;
    const std::vector<MeasuredSignal>& measured_;
    std::vector<Says> planned_;
    std::vector<Shares> tolerances_; ///< by source
    std::vector<Read> reads_;        ///< by measured signal
    std::unordered_map<const SlipEffect*, Ratios> ratios_;
    std::vector<Ranked> found_;
};

/// The promise by what was measured: of one that is asked exactly, and of what is no longer than a bound, whether it can be
/// inside of what is predicted.
State stateBy(const Ask& ask, const BenchSignal& signal, const Bounds& cycle, const std::optional<Bounds>& duty) {
    const auto within = [&](const Rational& asked, const Tolerance& tolerance) {
        if (!tolerance.within) {
            const bool isApart = cycle.max < signal.cycle.min || cycle.min > signal.cycle.max;
            return isApart ? State::broken : State::kept;
        }
        const Bounds error{cycle.min / asked - 1, cycle.nominal / asked - 1, cycle.max / asked - 1};
        return judgeWithin(error, *tolerance.within, true).state;
    };
    const auto asRate = [&](const Rational& asked, const Tolerance& tolerance) { return within(1 / asked, tolerance); };
    if (const auto* fires = ask.as<FiresAsk>()) {
        return within(fires->period, fires->tolerance);
    }
    if (const auto* waits = ask.as<WaitsAsk>()) {
        return waits->isAtLeast ? judgeAtLeast(cycle, waits->time, true).state : within(waits->time, waits->tolerance);
    }
    if (const auto* talks = ask.as<TalksAsk>()) {
        return asRate(talks->bitsPerSecond, talks->tolerance);
    }
    if (const auto* drives = ask.as<DrivesAsk>()) {
        const Rational step = signal.compare ? plannedDuty(signal) / signal.compare->value : Rational(0);
        const bool isHighAsAsked =
            !duty || (duty->max >= drives->duty - step && duty->min <= drives->duty + step); // to the nearest step
        return isHighAsAsked ? asRate(drives->hertz, drives->tolerance) : State::broken;
    }
    if (const auto* can = ask.as<CanAsk>()) {
        return asRate(can->bitsPerSecond, can->tolerance);
    }
    if (const auto* plays = ask.as<PlaysAsk>()) {
        return asRate(plays->hertz, plays->tolerance);
    }
    if (const auto* bus = ask.as<BusAsk>()) { // no faster than its grade, and as SMBus no slower than 10 kHz
        const Rational slowest = bus->isSmbus ? Rational(1, 10'000) : cycle.max;
        return worseState(judgeAtLeast(cycle, 1 / bus->hertz, true).state, judgeAtMost(cycle, slowest, true).state);
    }
    if (const auto* clocks = ask.as<ClocksAsk>()) {
        return judgeAtLeast(cycle, 1 / clocks->hertz, true).state;
    }
    if (const auto* runs = ask.as<RunsAsk>()) {
        return runs->bound == RunsAsk::Bound::at        ? asRate(runs->hertz, runs->tolerance)
               : runs->bound == RunsAsk::Bound::atLeast ? judgeAtMost(cycle, 1 / runs->hertz, true).state
                                                        : judgeAtLeast(cycle, 1 / runs->hertz, true).state;
    }
    return State::kept;
}

/// The bit of a bus, and the frames on it; where none can be read at the rate that is asked, the usual other rates are tried.
MeasuredFigure measureBus(const Capture& capture, const Track& track, const BenchSignal& signal, MeasuredSignal& measured) {
    MeasuredFigure figure;
    for (const Rational& ratio : kBusRatios) {
        CanRates timing = signal.can;
        timing.bitsPerSecond *= ratio;
        timing.dataBitsPerSecond *= ratio;
        const std::vector<CanRead> frames = readCan(capture, track, timing);
        const auto good = std::count_if(frames.begin(), frames.end(), [](const CanRead& each) { return each.fault.empty(); });
        if (good * 2 <= static_cast<std::ptrdiff_t>(frames.size())) {
            continue;
        }
        measured.text =
            phrase("{} of {} frames good: {}", std::to_string(good), std::to_string(frames.size()), canText(frames.front()));
        return measureCanBit(capture, track, timing);
    }
    figure.why = phrase("no frame can be read");
    return figure;
}

} // namespace

std::vector<MeasuredSignal> measureSignals(const Capture& capture, const Plan& plan, const std::vector<BenchSignal>& predicted,
                                           const std::vector<std::pair<std::string, std::string>>& told) {
    std::vector<MeasuredSignal> all;
    for (std::size_t i = 0; i < predicted.size(); ++i) {
        const BenchSignal& signal = predicted[i];
        const auto byHand = std::find_if(told.begin(), told.end(), [&](const auto& each) { return each.first == signal.name; });
        const auto track = std::find_if(capture.tracks.begin(), capture.tracks.end(), [&](const Track& each) {
            const bool isOthers =
                std::any_of(told.begin(), told.end(), [&](const auto& other) { return other.second == each.name; });
            return byHand != told.end() ? each.name == byHand->second : !isOthers && isTrackOf(each.name, signal);
        });
        if (track == capture.tracks.end()) {
            continue;
        }
        MeasuredSignal measured;
        measured.signal = i;
        measured.track = track->name;
        MeasuredFigure figure;
        if (signal.shape == BenchSignal::Shape::frames) {
            figure = measureBitRate(capture, *track, signal.frame, 1 / signal.hertz);
            if (figure.value) {
                measured.text = textOf(readUart(capture, *track, figure.value->nominal, signal.frame));
                figure.value = inverse(*figure.value);
            }
        } else if (signal.shape == BenchSignal::Shape::bus) {
            figure = measureBus(capture, *track, signal, measured);
        } else {
            const TrackFigures found = measureTrack(capture, *track, 0, capture.end);
            figure = signal.shape == BenchSignal::Shape::toggles ? found.half : found.period;
            measured.duty = signal.shape == BenchSignal::Shape::pulses ? found.duty.value : std::nullopt;
            measured.jitter = signal.shape == BenchSignal::Shape::toggles ? std::nullopt : found.jitter;
        }
        // it should have changed several times, and never did; a line that sends may rest between
        const bool mayRest = signal.shape == BenchSignal::Shape::frames || signal.shape == BenchSignal::Shape::bus;
        measured.isSilent = track->edges.size() <= 1 && capture.length() > (mayRest ? kRestingBits : 4) * signal.cycle.max;
        measured.length = capture.length();
        // what may have lasted no time at all, for all that the capture shows, has no rate
        const bool isTold = figure.value && figure.value->min > Rational(0);
        if (!isTold && !measured.isSilent) {
            continue;
        }
        measured.cycle = isTold ? *figure.value : Bounds();
        measured.count = figure.count;
        measured.workings = std::move(figure.workings);
        measured.state = measured.isSilent
                             ? State::broken
                             : stateBy(plan.promises[signal.promise].line.ask, signal, measured.cycle, measured.duty);
        all.push_back(std::move(measured));
    }
    return all;
}

std::vector<Explanation> explain(const Part& part, const Figures& figures, const std::vector<BenchSignal>& predicted,
                                 const std::vector<Slip>& slips, const std::vector<MeasuredSignal>& measured, std::size_t most) {
    return measured.empty() ? std::vector<Explanation>() : Explainer(part, figures, predicted, slips, measured).all(most);
}

} // namespace wisetick
