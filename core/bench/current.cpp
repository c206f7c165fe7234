#include "bench/current.h"

#include "base/text.h"
#include "bench/value_blocks.h"
#include "quantity/quantity_print.h"
#include "rhythm/trace.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <numeric>
#include <set>

namespace wisetick {

namespace {

constexpr double kBin = 1.04;         ///< from one bin of the levels to the next
constexpr double kLeastShare = 2e-5;  ///< of the time, for a level
constexpr double kTimesAValley = 2.5; ///< a level stands out by so much against what lies between it and the next
constexpr double kWholePatterns = 2;  ///< that a capture must hold for its average to be the plan's
constexpr double kFloorShare = 0.05;  ///< of the time, that it must stay there
constexpr double kDueShare = 0.1;     ///< of rest that must be due in a capture for its floor to be one
constexpr double kNear = 1.6;         ///< a level is what is predicted within such a factor
constexpr double kSameKind = 2;       ///< a wake is what is predicted within such a factor of its charge
constexpr double kAlike = 1.25;       ///< charges of wakes of one kind
constexpr double kPlayedTick = 1e-7;  ///< s, of the prediction
constexpr std::size_t kMostStretches = 400'000;
constexpr double kCloseCharge = 0.03; ///< a job's charge is the planned one by so much

int binOf(double ampere) {
    return static_cast<int>(std::floor(std::log(std::max(ampere, 1e-12)) / std::log(kBin)));
}

/// Parts the bins of a histogram where a valley lies between two hills: the most of each hill by its own bin.
std::map<int, int> hillsOf(const std::map<int, double>& weights) {
    std::vector<std::pair<double, int>> order;
    for (const auto& [bin, weight] : weights) {
        order.emplace_back(weight, bin);
    }
    std::sort(order.rbegin(), order.rend());
    std::map<int, int> top; // by bin: the hill that it belongs to, told by its highest bin
    const auto find = [&](int bin) {
        while (top[bin] != bin) {
            bin = top[bin];
        }
        return bin;
    };
    for (const auto& [weight, bin] : order) {
        top[bin] = bin;
        for (const int beside : {bin - 1, bin + 1}) {
            if (!top.contains(beside)) {
                continue;
            }
            const int mine = find(bin);
            const int other = find(beside);
            if (mine == other) {
                continue;
            }
            const auto [lower, higher] = weights.at(mine) < weights.at(other) ? std::pair(mine, other) : std::pair(other, mine);
            if (weights.at(lower) < kTimesAValley * weight || lower == bin) {
                top[lower] = higher;
            }
        }
    }
    std::map<int, int> hills;
    for (const auto& [weight, bin] : order) {
        hills[bin] = find(bin);
    }
    return hills;
}

class CurrentMeter {
public:
    CurrentMeter(const Capture& capture, const ValueTrack& track)
        : capture_(capture), track_(track), tick_(capture.tick.toDouble()), scale_(ampereOf(track)) {}

    CurrentFigures measure() {
        CurrentFigures figures;
        figures.track = track_.name;
        if (track_.ticks.empty() || capture_.end <= track_.ticks.front()) {
            return figures;
        }
        const double whole = static_cast<double>(capture_.end - track_.ticks.front());
        figures.seconds = whole * tick_;
        double sum = 0;
        double moved = 0;
        std::map<int, double> weights;
        for (std::size_t i = 0; i < track_.ticks.size(); ++i) {
            sum += ampere(i) * lasts(i);
            moved += i == 0 ? 0 : std::abs(ampere(i) - ampere(i - 1));
            weights[binOf(ampere(i))] += lasts(i);
            figures.peak = std::max(figures.peak, ampere(i));
        }
        figures.average = sum / whole;
        // a change stands at the first look behind it: it was earlier by up to one
        figures.open = moved * capture_.resolution().toDouble() / tick_ / whole;
        addLevels(figures, weights, whole);
        addWakes(figures);
        return figures;
    }

private:
    double ampere(std::size_t i) const { return track_.values[i] * scale_; }
    double lasts(std::size_t i) const {
        const std::int64_t to = i + 1 < track_.ticks.size() ? track_.ticks[i + 1] : capture_.end;
        return static_cast<double>(std::max<std::int64_t>(to - track_.ticks[i], 0));
    }

    void addLevels(CurrentFigures& figures, const std::map<int, double>& weights, double whole) const {
        const std::map<int, int> hills = hillsOf(weights);
        std::map<int, CurrentLevel> levels;
        std::map<int, double> times;
        int before = std::numeric_limits<int>::min();
        for (std::size_t i = 0; i < track_.ticks.size(); ++i) {
            const int hill = hills.at(binOf(ampere(i)));
            CurrentLevel& level = levels[hill];
            level.least = times[hill] > 0 ? std::min(level.least, ampere(i)) : ampere(i);
            level.most = std::max(level.most, ampere(i));
            level.ampere += ampere(i) * lasts(i);
            level.visits += hill == before ? 0 : 1;
            times[hill] += lasts(i);
            before = hill;
        }
        for (auto& [hill, level] : levels) {
            level.share = times[hill] / whole;
            level.ampere = times[hill] > 0 ? level.ampere / times[hill] : 0;
            if (level.share >= kLeastShare) {
                figures.levels.push_back(level);
            }
        }
        std::sort(figures.levels.begin(), figures.levels.end(),
                  [](const CurrentLevel& a, const CurrentLevel& b) { return a.ampere < b.ampere; });
        // a stage of a wake may draw less than a rest: the floor is where it stays
        const auto floor = std::find_if(figures.levels.begin(), figures.levels.end(),
                                        [](const CurrentLevel& level) { return level.share >= kFloorShare; });
        figures.floor = floor != figures.levels.end() ? floor->ampere
                        : figures.levels.empty()      ? 0
                                                      : figures.levels.front().ampere;
    }

    struct Up {
        std::size_t from = 0;
        std::size_t to = 0;
        double coulomb = 0;
        double seconds = 0;
        double toFirst = 0;
        double toLast = 0;
    };

    Up upOf(std::size_t from, std::size_t to) const {
        Up up{from, to, 0, 0, 0, 0};
        std::map<int, double> stays;
        for (std::size_t i = from; i < to; ++i) {
            up.coulomb += ampere(i) * lasts(i) * tick_;
            up.seconds += lasts(i) * tick_;
            stays[binOf(ampere(i))] += lasts(i);
        }
        const auto longest =
            std::max_element(stays.begin(), stays.end(), [](const auto& a, const auto& b) { return a.second < b.second; });
        double passed = 0;
        for (std::size_t i = from; i < to; ++i) {
            if (i == from + 1) {
                up.toFirst = passed;
            }
            if (binOf(ampere(i)) == longest->first) {
                up.toLast = passed;
                break;
            }
            passed += lasts(i) * tick_;
        }
        return up;
    }

    /// A wake is what lies above the floor, from one rest to the next.
    void addWakes(CurrentFigures& figures) const {
        const auto next = std::find_if(figures.levels.begin(), figures.levels.end(), [&](const CurrentLevel& level) {
            return level.ampere > kNear * std::max(figures.floor, 1e-12);
        });
        if (next == figures.levels.end()) {
            return;
        }
        const double above = std::sqrt(std::max(figures.floor, 1e-12) * next->ampere);
        std::vector<Up> ups;
        std::size_t begun = 0; ///< one that is under way at the beginning is not whole
        bool wasUp = ampere(0) > above;
        for (std::size_t i = 1; i < track_.ticks.size(); ++i) {
            const bool isUp = ampere(i) > above;
            if (isUp && !wasUp) {
                begun = i;
            } else if (!isUp && wasUp && begun > 0) {
                ups.push_back(upOf(begun, i));
            }
            wasUp = isUp;
        }
        std::sort(ups.begin(), ups.end(), [](const Up& a, const Up& b) { return a.coulomb < b.coulomb; });
        for (std::size_t i = 0; i < ups.size(); ++i) {
            if (i == 0 || ups[i].coulomb > kAlike * ups[i - 1].coulomb) {
                figures.wakes.emplace_back();
            }
            CurrentWake& wake = figures.wakes.back();
            ++wake.count;
            wake.coulomb += ups[i].coulomb;
            wake.seconds += ups[i].seconds;
            wake.toFirst += ups[i].toFirst;
            wake.toLast += ups[i].toLast;
        }
        std::sort(figures.wakes.begin(), figures.wakes.end(),
                  [](const CurrentWake& a, const CurrentWake& b) { return a.coulomb > b.coulomb; });
        for (CurrentWake& wake : figures.wakes) {
            const auto count = static_cast<double>(wake.count);
            for (double* each : {&wake.coulomb, &wake.seconds, &wake.toFirst, &wake.toLast}) {
                *each /= count;
            }
        }
    }

    const Capture& capture_;
    const ValueTrack& track_;
    double tick_;
    double scale_;
};

/// The jobs that go on in each wake of the prediction, by their charge.
struct PredictedWake {
    std::string name;
    double coulomb = 0;
    double seconds = 0;
    double count = 0;
    double shortest = 0;
    double longest = 0;
};

std::vector<PredictedWake> predictedWakes(const Trace& trace, double above) {
    std::map<std::string, PredictedWake> all;
    std::set<std::size_t> jobs;
    PredictedWake wake;
    double before = 0;
    for (std::size_t i = 0; i < trace.size(); ++i) {
        const auto [end, state] = trace.stretchAt(i);
        const TraceState& is = trace.states()[state];
        if (is.ampere > above) {
            wake.coulomb += is.ampere * (end - before);
            wake.seconds += end - before;
            if (is.doing == Doing::job) {
                jobs.insert(state);
            }
        } else if (wake.seconds > 0) {
            for (const std::size_t job : jobs) {
                const std::string& name = trace.states()[job].name;
                wake.name += (wake.name.empty() ? "" : ", ") + (name.starts_with(phrase("job ")) ? name.substr(4) : name);
            }
            PredictedWake& kind = all[wake.name];
            kind.name = wake.name;
            kind.coulomb += wake.coulomb;
            kind.seconds += wake.seconds;
            kind.shortest = kind.count > 0 ? std::min(kind.shortest, wake.seconds) : wake.seconds;
            kind.longest = std::max(kind.longest, wake.seconds);
            ++kind.count;
            wake = {};
            jobs.clear();
        }
        before = end;
    }
    std::vector<PredictedWake> list;
    for (auto& [name, kind] : all) {
        kind.coulomb /= kind.count;
        kind.seconds /= kind.count;
        list.push_back(kind);
    }
    return list;
}

/// s of rest that a capture of so many seconds holds at least, wherever in the pattern it begins.
double leastRest(const Trace& trace, double above, double seconds) {
    std::vector<std::pair<double, double>> rests; // from, to; those beside one another are one
    std::vector<double> before{0};                // s of rest before each
    double begun = 0;
    for (std::size_t i = 0; i < trace.size(); ++i) {
        const auto [end, state] = trace.stretchAt(i);
        if (trace.states()[state].ampere <= above) {
            if (!rests.empty() && rests.back().second == begun) {
                rests.back().second = end;
                before.back() += end - begun;
            } else {
                rests.emplace_back(begun, end);
                before.push_back(before.back() + end - begun);
            }
        }
        begun = end;
    }
    const auto restTo = [&](double time) { // from 0, over as many patterns as that takes
        const double rounds = std::floor(time / trace.span());
        const double inside = time - rounds * trace.span();
        const auto next =
            std::upper_bound(rests.begin(), rests.end(), inside, [](double at, const auto& each) { return at < each.first; });
        const auto index = static_cast<std::size_t>(next - rests.begin());
        const double behind = index == 0 ? 0 : std::max(0.0, rests[index - 1].second - inside);
        return rounds * before.back() + before[index] - behind;
    };
    double least = seconds;
    for (const auto& [from, to] : rests) { // least where it begins with the end of a rest, or ends with the begin of one
        const double first = from - seconds + trace.span() * (1 + std::floor(seconds / trace.span()));
        least = std::min({least, restTo(to + seconds) - restTo(to), restTo(first + seconds) - restTo(first)});
    }
    return least;
}

double apart(double a, double b) {
    return a <= 0 || b <= 0 ? 1e9 : std::max(a / b, b / a);
}

const Trace* traceOf(const Figures& figures) {
    return figures.rhythm && figures.rhythm->trace && figures.rhythm->trace->size() > 0 ? figures.rhythm->trace.get() : nullptr;
}

const ModeFigure* modeNamed(const Figures& figures, const std::string& id) {
    const auto found =
        std::find_if(figures.modes.begin(), figures.modes.end(), [&](const ModeFigure& each) { return each.id == id; });
    return found == figures.modes.end() ? nullptr : &*found;
}

/// By what factor a current is off what a state draws; a rest draws anything between its typical and its largest.
double offOf(const Figures& figures, const TraceState& state, double ampere) {
    constexpr std::string_view kRest = "rest in ";
    const ModeFigure* mode = state.name.starts_with(kRest) ? modeNamed(figures, state.name.substr(kRest.size())) : nullptr;
    const bool isInside = mode != nullptr && ampere >= mode->ampere.min.toDouble() && ampere <= mode->ampere.max.toDouble();
    return isInside ? std::min(apart(state.ampere, ampere), 1.01) : apart(state.ampere, ampere);
}

std::string ampereText(double ampere) {
    return printQuantity(quantised(ampere, Rational(1, 1'000'000'000'000)), Unit::ampere, 3);
}

} // namespace

double ampereOf(const ValueTrack& track) {
    static const std::map<std::string, double> units{{"mA", 1e-3}, {"uA", 1e-6}, {"\u00b5A", 1e-6}, {"nA", 1e-9}};
    const auto found = units.find(track.unit);
    return found == units.end() ? 1 : found->second;
}

const ValueTrack* findCurrent(const Capture& capture) {
    for (const ValueTrack& track : capture.values) {
        if (track.unit == "A" || ampereOf(track) != 1) {
            return &track;
        }
    }
    for (const ValueTrack& track : capture.values) {
        for (const std::string_view name : {"supply", "current", "ampere", "amps"}) {
            if (track.name == name || track.name.ends_with("." + std::string(name))) {
                return &track;
            }
        }
    }
    return nullptr;
}

CurrentFigures measureCurrent(const Capture& capture, const ValueTrack& track) {
    return CurrentMeter(capture, track).measure();
}

std::optional<Capture> predictedCurrent(const Figures& figures, double seconds) {
    const Trace* trace = traceOf(figures);
    if (trace == nullptr) {
        return std::nullopt;
    }
    Capture capture;
    capture.name = "prediction";
    capture.tick = Rational(1, static_cast<std::int64_t>(1 / kPlayedTick));
    capture.end = static_cast<std::int64_t>(seconds / kPlayedTick);
    ValueTrack track{"supply", "A", {}, {}};
    double begun = 0;
    for (std::size_t i = 0; i < kMostStretches && begun < seconds; ++i) {
        const std::size_t place = i % trace->size();
        const std::size_t rounds = i / trace->size();
        const auto [end, state] = trace->stretchAt(place);
        const auto tick = static_cast<std::int64_t>(std::round(begun / kPlayedTick));
        const double ampere = trace->states()[state].ampere;
        if (track.values.empty() || track.values.back() != ampere) {
            track.ticks.push_back(tick);
            track.values.push_back(ampere);
        }
        begun = static_cast<double>(rounds) * trace->span() + end;
    }
    capture.end = std::min(capture.end, static_cast<std::int64_t>(begun / kPlayedTick));
    capture.values.push_back(std::move(track));
    return capture;
}

void compareCurrent(const Figures& figures, CurrentFigures& measured) {
    const Trace* trace = traceOf(figures);
    if (trace == nullptr) {
        return;
    }
    for (CurrentLevel& level : measured.levels) {
        double nearest = kNear;
        for (std::size_t i = 0; i < trace->states().size(); ++i) {
            const TraceState& state = trace->states()[i];
            const double off = offOf(figures, state, level.ampere);
            if (off < nearest) {
                nearest = off;
                level.name = state.name;
                level.predicted = state.ampere;
                level.state = i;
            }
        }
    }
    const TraceState& rest = *std::min_element(trace->states().begin(), trace->states().end(),
                                               [](const auto& a, const auto& b) { return a.ampere < b.ampere; });
    double next = 1e9;
    for (const TraceState& state : trace->states()) {
        next = state.ampere > rest.ampere * kNear ? std::min(next, state.ampere) : next;
    }
    const double above = std::sqrt(rest.ampere * next);
    std::vector<PredictedWake> predicted = predictedWakes(*trace, above);
    const bool isLong = measured.seconds >= kWholePatterns * trace->span();
    measured.hasRest = isLong || measured.floor <= rest.ampere || offOf(figures, rest, measured.floor) <= kNear ||
                       leastRest(*trace, above, measured.seconds) > kDueShare * measured.seconds;
    if (!measured.hasRest) {
        measured.wakes.clear(); // above what is no floor
    }
    for (CurrentWake& wake : measured.wakes) {
        const auto nearest = std::min_element(predicted.begin(), predicted.end(), [&](const auto& a, const auto& b) {
            return apart(a.coulomb, wake.coulomb) < apart(b.coulomb, wake.coulomb);
        });
        if (nearest != predicted.end() && apart(nearest->coulomb, wake.coulomb) < kSameKind) {
            wake.name = nearest->name;
            wake.predicted = nearest->coulomb;
            wake.predictedSeconds = nearest->seconds;
            wake.predictedSpread = {nearest->shortest, nearest->longest};
            wake.predictedPerSecond = nearest->count / trace->span();
            predicted.erase(nearest); // one kind is one kind
        }
    }
    double awake = 0;
    for (const CurrentWake& wake : measured.wakes) {
        measured.projected += wake.predictedPerSecond * wake.coulomb;
        awake += wake.predictedPerSecond * wake.seconds;
    }
    measured.projected += measured.hasRest ? std::max(0.0, 1 - awake) * measured.floor : 0;
    measured.projected = isLong ? measured.average : measured.projected;
    for (const PredictedWake& each : isLong ? std::vector<PredictedWake>() : predicted) {
        measured.unseen.push_back(each.name);
    }
}

State currentState(const Plan& plan, const CurrentFigures& measured) {
    for (const Promise& promise : plan.promises) {
        if (const auto* average = promise.line.ask.as<AverageAsk>()) {
            const double limit = average->limit.toDouble();
            if (measured.projected - measured.open > limit) {
                return State::broken; // what was not seen draws more yet
            }
            return measured.unseen.empty() && measured.projected > 0 ? State::kept : State::pending;
        }
    }
    return State::pending;
}

std::vector<CurrentReason> explainCurrent(const Part& part, const Plan& plan, const Figures& figures,
                                          const CurrentFigures& measured) {
    std::vector<CurrentReason> reasons;
    const Take* take = findTake(plan, figures.take);
    const ModeFigure* rest = take == nullptr ? nullptr : modeNamed(figures, take->restsIn);
    const auto leftOf = [](double is, double least, double most) {
        return is < least ? 1 - is / least : is > most ? is / most - 1 : 0.0;
    };
    if (rest != nullptr && measured.hasRest && measured.levels.size() > 1) {
        const double floor = measured.floor;
        const double planned = leftOf(floor, rest->ampere.min.toDouble(), rest->ampere.max.toDouble());
        if (planned > 0) {
            for (const ModeFigure& mode : figures.modes) {
                if (mode.id != rest->id && (mode.wakeUp || mode.runs)) {
                    CurrentReason reason{mode.runs ? phrase("it does not rest, but runs on")
                                                   : phrase("rests in {} instead of {}", mode.id, rest->id),
                                         leftOf(floor, mode.ampere.min.toDouble(), mode.ampere.max.toDouble())};
                    reason.restsIn = mode.runs ? "" : mode.id;
                    reasons.push_back(std::move(reason));
                }
            }
            const ModeFigure* run = nullptr;
            for (const ModeFigure& mode : figures.modes) {
                run = mode.runs ? &mode : run;
            }
            for (const Contribution& each : run == nullptr ? std::vector<Contribution>() : run->current.contributions) {
                const bool isThing = part.findPeripheral(each.name).has_value() || part.findNode(each.name).has_value();
                const bool isOn = std::any_of(rest->current.contributions.begin(), rest->current.contributions.end(),
                                              [&](const Contribution& other) { return other.name == each.name; });
                if (isThing && !isOn && !each.typ.empty()) {
                    const double least = *std::min_element(each.typ.begin(), each.typ.end()) == Rational(0)
                                             ? 0
                                             : std::min_element(each.typ.begin(), each.typ.end())->toDouble();
                    const double most =
                        each.max.empty() ? least * 2 : std::max_element(each.max.begin(), each.max.end())->toDouble();
                    reasons.push_back({phrase("{} is left on in {}", each.name, rest->id),
                                       leftOf(floor, rest->ampere.min.toDouble() + least, rest->ampere.max.toDouble() + most)});
                }
            }
        }
        reasons.push_back({phrase("rests in {} as planned, at {}", rest->id, ampereText(floor)), planned});
    }
    double mostDraw = 1; // of what is typical, by the part's largest draws
    for (const ModeFigure& mode : figures.modes) {
        mostDraw = mode.runs && !mode.ampere.nominal.isZero() ? (mode.ampere.max / mode.ampere.nominal).toDouble() : mostDraw;
    }
    for (const CurrentWake& wake : measured.wakes) {
        const double often = static_cast<double>(wake.count) / measured.seconds;
        if (wake.predicted <= 0 || wake.name.empty()) {
            continue;
        }
        const double ratio = wake.coulomb / wake.predicted;
        const double timeRatio = wake.predictedSeconds > 0 ? wake.seconds / wake.predictedSeconds : 1;
        const auto job =
            std::find_if(plan.jobs.begin(), plan.jobs.end(), [&](const Job& each) { return each.name == wake.name; });
        if (job == plan.jobs.end() || job->isRandom) {
            continue; // several at once, or as chance has it: no two are alike
        }
        const bool isOtherwise = wake.seconds < wake.predictedSpread.first * (1 - kCloseCharge) ||
                                 wake.seconds > wake.predictedSpread.second * (1 + kCloseCharge);
        if (std::abs(timeRatio - 1) > kCloseCharge && isOtherwise) {
            const double was = job->lasts ? job->lasts->toDouble() : 0;
            const double lasts = was + wake.seconds - wake.predictedSeconds;
            CurrentReason reason{
                phrase(
                    "{} lasts {} instead of {}", wake.name,
                    printQuantity(quantised(wake.seconds - wake.predictedSeconds + was, Rational(1, 1'000'000)), Unit::second, 3),
                    printQuantity(quantised(was, Rational(1, 1'000'000)), Unit::second, 3)),
                std::abs(ratio / timeRatio - 1) > 0.25 ? std::abs(ratio / timeRatio - 1) : 0};
            if (was > 0 && lasts > 0) {
                reason.job = wake.name;
                reason.lasts = lasts;
                reasons.push_back(std::move(reason));
            }
        } else if (ratio > mostDraw * (1 + kCloseCharge) || ratio < 1 / kAlike) {
            reasons.push_back({phrase("{} draws {} times as much as typical", wake.name, std::to_string(ratio).substr(0, 4)), 0});
        }
        const double expected = wake.predictedPerSecond * measured.seconds;
        const Bounds stretch = figures.rhythm ? figures.rhythm->restTiming.stretch : Bounds::exactly(1);
        const double least = 1 / stretch.max.toDouble() * (1 - 2 / expected) - kCloseCharge;
        const double most = 1 / stretch.min.toDouble() * (1 + 2 / expected) + kCloseCharge;
        if (expected > 8 && (often < wake.predictedPerSecond * least || often > wake.predictedPerSecond * most)) {
            reasons.push_back({phrase("{} comes {} times as often as planned", wake.name,
                                      std::to_string(often / wake.predictedPerSecond).substr(0, 4)),
                               0});
        }
    }
    std::stable_sort(reasons.begin(), reasons.end(),
                     [](const CurrentReason& a, const CurrentReason& b) { return a.leftOver < b.leftOver; });
    return reasons;
}

} // namespace wisetick
