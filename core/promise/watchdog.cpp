#include "promise/watchdog.h"

#include "promise/counter_search.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

/// What the earliest bite must be later than: the feed interval and, where the watchdog runs at rest, the rest.
std::optional<Rational> mustOutlast(const BitesAsk& ask, const WatchdogRest& rest) {
    std::optional<Rational> longest = ask.fedEvery;
    if (rest.runs && rest.longest && (!longest || *rest.longest > *longest)) {
        longest = rest.longest;
    }
    return longest;
}

/// Strictly later than.
Judgement judgeOutlasts(const Bounds& bite, const Rational& interval, bool isWorstKnown) {
    const Rational margin = (isWorstKnown ? bite.min : bite.nominal) / interval - 1;
    if (bite.nominal <= interval) {
        return {State::broken, margin};
    }
    return {bite.min <= interval || !isWorstKnown ? State::strained : State::kept, margin};
}

/// The opening of the window on the way's prescaler: the most counts with which it opens in time at the slowest clock, at least 1
/// below the bite; at least 1.
std::optional<Rational> windowCounts(const BitesAsk& ask, const Clock& clock, const Way& way) {
    if (!ask.opensAfter) {
        return std::nullopt;
    }
    const Rational wanted = (*ask.opensAfter * clock.hertz.min / settingOf(way, "prescaler")).floor();
    return std::clamp(wanted, Rational(1), std::max(settingOf(way, "counts") - 1, Rational(1)));
}

/// In time at the slowest clock, and no more than a tenth sooner.
State openingState(const Bounds& opening, const Rational& asked, bool isWorstKnown) {
    if (opening.nominal > asked) {
        return State::broken;
    }
    return opening.max > asked || opening.min < asked * Rational(9, 10) || !isWorstKnown ? State::strained : State::kept;
}

Judgement judgeWay(const Way& way, const BitesAsk& ask, const Clock& clock, const WatchdogRest& rest) {
    const bool isWorstKnown = clock.unknown.empty();
    Judgement result{State::kept, std::nullopt};
    const auto outlast = mustOutlast(ask, rest);
    if (outlast) {
        result = both(result, judgeOutlasts(way.got, *outlast, isWorstKnown));
    }
    if (ask.atLatest) {
        result = both(result, judgeAtMost(way.got, *ask.atLatest, isWorstKnown));
    }
    if (ask.tolerance.within || ask.tolerance.exactly || (!ask.fedEvery && !ask.atLatest)) {
        result = both(result, judgeTolerance(way.error, ask.tolerance, isWorstKnown));
    }
    if (const auto window = windowCounts(ask, clock, way)) {
        const Bounds opening = inverse(clock.hertz, *window * settingOf(way, "prescaler"));
        result = {worseState(result.state, openingState(opening, *ask.opensAfter, isWorstKnown)), result.margin};
        if (ask.fedEvery) {
            result = both(result, judgeAtMost(opening, *ask.fedEvery, isWorstKnown));
        }
    }
    return result;
}

/// Counts before the bite at which it warns: the fewest that are early enough at the fastest clock, else the most.
std::optional<Rational> earlyCounts(const WatchdogKind& watchdog, const BitesAsk& ask, const Clock& clock, const Way& way) {
    if (!ask.warnsBefore || watchdog.early.empty()) {
        return std::nullopt;
    }
    const Rational wanted = *ask.warnsBefore * clock.hertz.max / settingOf(way, "prescaler");
    return watchdog.early.atLeast(wanted).value_or(watchdog.early.most());
}

Way judgedWay(const WatchdogKind& watchdog, const CounterSetting& setting, const BitesAsk& ask, const Clock& clock,
              const WatchdogRest& rest) {
    Way way = wayThatGives({{"prescaler", setting.prescaler}, {"counts", setting.counts}},
                           inverse(clock.hertz, setting.product()), ask.after);
    const Judgement judgement = judgeWay(way, ask, clock, rest);
    way = judgedAs(std::move(way), judgement);
    if (const auto window = windowCounts(ask, clock, way)) {
        way.settings.push_back({"window", *window});
    }
    if (const auto early = earlyCounts(watchdog, ask, clock, way)) {
        way.settings.push_back({"early", *early});
        const Bounds warns = inverse(clock.hertz, *early * settingOf(way, "prescaler"));
        way.state = worseState(way.state, judgeAtLeast(warns, *ask.warnsBefore, clock.unknown.empty()).state);
    }
    return way;
}

/// State, nominal nearest to what was asked, shorter, more counts.
bool isBetter(const Way& a, const Way& b) {
    if (a.state != b.state) {
        return worseState(a.state, b.state) == b.state;
    }
    const Rational distanceA = abs(a.error.nominal);
    const Rational distanceB = abs(b.error.nominal);
    if (distanceA != distanceB) {
        return distanceA < distanceB;
    }
    if (a.got.nominal != b.got.nominal) {
        return a.got.nominal < b.got.nominal;
    }
    return settingOf(a, "counts") > settingOf(b, "counts");
}

struct Range {
    Rational low;
    Rational high;
};

/// The products that meet every condition when the clock stands at `fast` for what must not come too early and at
/// `slow` for what must not come too late.
Range rangeFor(const BitesAsk& ask, const WatchdogRest& rest, const CounterReach& reach, const Rational& fast,
               const Rational& slow) {
    Range range{reach.least(), reach.most()};
    if (const auto outlast = mustOutlast(ask, rest)) {
        range.low = std::max(range.low, (*outlast * fast).floor() + 1); // strictly later
    }
    if (ask.atLatest) {
        range.high = std::min(range.high, *ask.atLatest * slow);
    }
    if (ask.tolerance.within) {
        range.low = std::max(range.low, ask.after * (1 - *ask.tolerance.within) * fast);
        range.high = std::min(range.high, ask.after * (1 + *ask.tolerance.within) * slow);
    }
    return range;
}

std::optional<Way> bestWay(const WatchdogKind& watchdog, const BitesAsk& ask, const Clock& clock, const WatchdogRest& rest,
                           const std::vector<Setting>& pinned) {
    const auto reach = pinnedReach({watchdog.prescaler, watchdog.counts}, pinned);
    if (!reach) {
        return std::nullopt;
    }
    const Rational target = ask.after * clock.hertz.nominal;
    std::optional<Way> best;
    // whether a way was found that keeps everything: then none of a wider range can be better
    const auto offerRange = [&](const CounterReach& searched, const Range& range) {
        bool isKept = false;
        const NearestSettings near = nearestSettings(searched, range.low, target, range.high);
        for (const auto& setting : {near.below, near.above}) {
            if (setting) {
                Way way = judgedWay(watchdog, *setting, ask, clock, rest);
                isKept = isKept || way.state == State::kept;
                if (!best || isBetter(way, *best)) {
                    best = std::move(way);
                }
            }
        }
        return isKept;
    };
    const auto offer = [&](const CounterReach& searched) {
        if (offerRange(searched, rangeFor(ask, rest, searched, clock.hertz.max, clock.hertz.min))) {
            return;
        }
        offerRange(searched, rangeFor(ask, rest, searched, clock.hertz.nominal, clock.hertz.nominal));
        offerRange(searched, {searched.least(), searched.most()});
    };
    if (!ask.opensAfter && !ask.warnsBefore) {
        offer(*reach);
        return best;
    }
    // the window and the warning count on the same prescaler, so each prescaler is a case of its own
    for (std::int64_t i = 0; i < reach->prescaler.size().toInt64().value_or(0); ++i) {
        offer({FactorSet::one(reach->prescaler.at(i)), reach->counts});
    }
    return best;
}

void addWorkings(PromiseFigure& figure, const BitesAsk& ask, const Clock& clock, const WatchdogRest& rest,
                 const std::string& subject) {
    const Way way{figure.settings, *figure.got, *figure.error, figure.state, figure.margin};
    const Rational prescaler = settingOf(way, "prescaler");
    const Rational counts = settingOf(way, "counts");
    figure.workings = {clockStep(clock, subject), askedStep(figure)};
    const auto bite = [&](const char* what, const Rational& hertz, const Rational& time) {
        figure.workings.push_back(
            {what,
             "prescaler \u00d7 counts \u00f7 f",
             prescaler.toString() + " \u00d7 " + counts.toString() + " \u00f7 " + printQuantity(hertz, Unit::hertz),
             printQuantity(time, Unit::second),
             {partOrigin(figure), clockOrigin(clock, hertz)}});
    };
    bite("bites after", clock.hertz.nominal, figure.got->nominal);
    if (clock.unknown.empty()) {
        bite("at the fastest clock", clock.hertz.max, figure.got->min);
        bite("at the slowest clock", clock.hertz.min, figure.got->max);
    }
    if (ask.fedEvery) {
        figure.workings.push_back(
            {"fed every",
             "must be shorter than the earliest bite",
             printQuantity(*ask.fedEvery, Unit::second) + " < " + printQuantity(figure.got->min, Unit::second),
             *ask.fedEvery < figure.got->min ? "yes" : "no",
             {{"asked", printQuantity(*ask.fedEvery, Unit::second), Target::promise(figure.name), {}},
              clockOrigin(clock, clock.hertz.max)}});
    }
    if (!rest.mode.empty()) {
        Step step{"at rest in " + rest.mode, {}, {}, {}, {{rest.mode, {}, Target::mode(rest.mode), {}}}};
        if (!rest.runs) {
            step.result = "frozen: it does not count there";
        } else {
            step.formula = "it counts on: the longest rest must be shorter than the earliest bite";
            step.result = rest.longest ? "longest rest " + printQuantity(*rest.longest, Unit::second)
                                       : "the longest rest is not known: no jobs are played";
        }
        figure.workings.push_back(std::move(step));
    }
    if (const Rational early = settingOf(way, "early"); early.sign() > 0) {
        figure.workings.push_back(
            {"warns before the bite",
             "prescaler \u00d7 counts \u00f7 f, long enough at the fastest clock",
             prescaler.toString() + " \u00d7 " + early.toString() + " \u00f7 " + printQuantity(clock.hertz.max, Unit::hertz),
             printQuantity(prescaler * early / clock.hertz.max, Unit::second),
             {partOrigin(figure), askedOrigin(figure)}});
    }
    if (const Rational window = settingOf(way, "window"); window.sign() > 0) {
        const Bounds opening = inverse(clock.hertz, window * prescaler);
        const bool isEmpty = opening.max >= figure.got->min;
        figure.workings.push_back({"safe to feed",
                                   "from the latest opening to the earliest bite",
                                   prescaler.toString() + " \u00d7 " + window.toString() + " counts before it opens",
                                   isEmpty ? "never: it opens as late as " + printQuantity(opening.max, Unit::second)
                                           : printRange(opening.max, figure.got->min, Unit::second),
                                   {askedOrigin(figure), partOrigin(figure), clockOrigin(clock, clock.hertz.min)}});
    }
}

std::string whyOf(const PromiseFigure& figure, const BitesAsk& ask, const Clock& clock, const WatchdogRest& rest) {
    if (figure.state == State::kept) {
        return {};
    }
    if (figure.state == State::strained && !clock.unknown.empty()) {
        return clock.unknown;
    }
    const Rational& earliest = figure.state == State::broken ? figure.got->nominal : figure.got->min;
    const Rational& latest = figure.state == State::broken ? figure.got->nominal : figure.got->max;
    const std::string when = figure.state == State::broken ? "" : " at the fastest clock";
    if (ask.fedEvery && earliest <= *ask.fedEvery) {
        return "bites after " + printQuantity(earliest, Unit::second) + when + ", not later than the " +
               printQuantity(*ask.fedEvery, Unit::second) + " between feeds";
    }
    if (rest.runs && rest.longest && earliest <= *rest.longest) {
        return "bites after " + printQuantity(earliest, Unit::second) + when + ", and counts on while the plan rests for " +
               printQuantity(*rest.longest, Unit::second) + " in " + rest.mode;
    }
    if (ask.atLatest && latest > *ask.atLatest) {
        return "bites only after " + printQuantity(latest, Unit::second) +
               (figure.state == State::broken ? "" : " at the slowest clock") + ", asked at latest " +
               printQuantity(*ask.atLatest, Unit::second);
    }
    const Way way{figure.settings, *figure.got, *figure.error, figure.state, figure.margin};
    if (const Rational early = settingOf(way, "early"); early.sign() > 0) {
        const Rational warns =
            early * settingOf(way, "prescaler") / (figure.state == State::broken ? clock.hertz.nominal : clock.hertz.max);
        if (warns < *ask.warnsBefore) {
            return "warns " + printQuantity(warns, Unit::second) + " before the bite" + when + ", asked " +
                   printQuantity(*ask.warnsBefore, Unit::second);
        }
    }
    if (const Rational window = settingOf(way, "window"); ask.opensAfter && window.sign() > 0) {
        const Bounds opening = inverse(clock.hertz, window * settingOf(way, "prescaler"));
        const State opens = openingState(opening, *ask.opensAfter, true);
        if (opens == figure.state) {
            const bool isLate = opening.max > *ask.opensAfter;
            return "the window opens after " + printQuantity(isLate ? opening.max : opening.min, Unit::second) + " at the " +
                   (isLate ? "slowest" : "fastest") + " clock, asked after " + printQuantity(*ask.opensAfter, Unit::second) +
                   (isLate ? "" : " and at most a tenth sooner");
        }
    }
    if (ask.opensAfter && ask.fedEvery) {
        const std::string tolerance = toleranceWhy(figure, toleranceText(ask.tolerance), clock);
        const bool isTolerance = (ask.tolerance.within || ask.tolerance.exactly) && !tolerance.empty();
        return isTolerance ? tolerance
                           : "the window opens after the feed: it must open before " +
                                 printQuantity(*ask.fedEvery, Unit::second) + " at the slowest clock";
    }
    return toleranceWhy(figure, toleranceText(ask.tolerance), clock);
}

} // namespace

std::vector<Way> watchdogWays(const WatchdogKind& watchdog, const BitesAsk& ask, const Clock& clock, const WatchdogRest& rest,
                              const std::vector<Setting>& pinned, std::size_t most) {
    const auto reach = pinnedReach({watchdog.prescaler, watchdog.counts}, pinned);
    std::vector<Way> ways;
    if (!reach) {
        return ways;
    }
    for (const CounterSetting& setting :
         settingsByPrescaler(*reach, ask.after * clock.hertz.nominal, std::max<std::size_t>(most, 256))) {
        ways.push_back(judgedWay(watchdog, setting, ask, clock, rest));
    }
    if (const auto best = bestWay(watchdog, ask, clock, rest, pinned)) {
        if (std::find(ways.begin(), ways.end(), *best) == ways.end()) {
            ways.push_back(*best);
        }
    }
    std::sort(ways.begin(), ways.end(), isBetter);
    ways.resize(std::min(most, ways.size()));
    return ways;
}

PromiseFigure judgeWatchdog(PromiseFigure figure, const WatchdogKind& watchdog, const BitesAsk& ask, const Clock& clock,
                            const WatchdogRest& rest, const std::vector<Setting>& pinned, Detail detail) {
    figure.unit = Unit::second;
    figure.asked = ask.after;
    figure.isWorstKnown = clock.unknown.empty();
    if (ask.opensAfter && !watchdog.hasWindow) {
        figure.state = State::broken;
        figure.why = "this watchdog has no window";
        return figure;
    }
    if (ask.warnsBefore && watchdog.early.empty()) {
        figure.state = State::broken;
        figure.why = "this watchdog has no early interrupt";
        return figure;
    }
    const auto best = bestWay(watchdog, ask, clock, rest, pinned);
    if (!best) {
        figure.state = State::broken;
        figure.why = "the pinned way is not one that this watchdog has";
        return figure;
    }
    takeWay(figure, *best);
    figure.why = whyOf(figure, ask, clock, rest);
    if (detail == Detail::workings) {
        addWorkings(figure, ask, clock, rest, figure.subject.name);
    }
    return figure;
}

RateWindows watchdogRates(const WatchdogKind& watchdog, const BitesAsk& ask, const WatchdogRest& rest) {
    // the bite may come from `earliest` to `latest`
    Rational earliest;
    std::optional<Rational> latest = ask.atLatest;
    if (const auto outlast = mustOutlast(ask, rest)) {
        earliest = *outlast;
    }
    const bool isNear = ask.tolerance.within || ask.tolerance.exactly || (!ask.fedEvery && !ask.atLatest);
    if (isNear) {
        const Rational share = ask.tolerance.within.value_or(Rational(0));
        earliest = std::max(earliest, ask.after * (1 - share));
        latest = latest ? std::min(*latest, ask.after * (1 + share)) : ask.after * (1 + share);
    }
    const ProductSets products = productSets(watchdog.prescaler, watchdog.counts);
    RateWindows windows{{}, products.isTight && !ask.opensAfter && !ask.warnsBefore && !mustOutlast(ask, rest)};
    if (latest && earliest > *latest) {
        return windows;
    }
    for (const FactorSet& set : products.sets) {
        const Rational low = latest ? 1 / *latest : Rational(0);
        windows.combs.push_back({low, earliest.sign() > 0 ? std::optional(1 / earliest) : std::nullopt, set});
    }
    return windows;
}

} // namespace wisetick
