#include "promise/watchdog.h"

#include "base/text.h"
#include "promise/counter_search.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

/// Between feeds: as the promise says, and as the plan's jobs make it.
std::vector<WatchdogSpan> feedsOf(const BitesAsk& ask, const WatchdogLife& life) {
    std::vector<WatchdogSpan> feeds;
    if (ask.fedEvery) {
        WatchdogSpan span;
        span.what = phrase("fed every");
        span.longest = *ask.fedEvery;
        span.shortest = ask.fedLeast.value_or(*ask.fedEvery);
        feeds.push_back(std::move(span));
    }
    feeds.insert(feeds.end(), life.feeds.begin(), life.feeds.end());
    return feeds;
}

/// All that the earliest bite must be later than.
std::vector<WatchdogSpan> spansOf(const BitesAsk& ask, const WatchdogLife& life) {
    std::vector<WatchdogSpan> spans = feedsOf(ask, life);
    if (life.rest) {
        spans.push_back(*life.rest);
    }
    return spans;
}

/// s at the clock's rate `hertz` by which a bite may come sooner after a feed than prescaler × counts say.
Rational sooner(const WatchdogKind& watchdog, const Rational& prescaler, const Rational& hertz) {
    return (watchdog.feedSync + (watchdog.feedRestartsPrescaler ? Rational(0) : prescaler)) / hertz;
}

/// The earliest bite against the longest span, as the room between them in shares of the span: at the corner where it is least.
Rational leastRoom(const Bounds& bite, const Rational& early, const WatchdogSpan& span) {
    if (!span.isOneSource) {
        return (bite.min - early) / span.longestEver() - 1;
    }
    const auto roomAt = [&](const Rational& share) { return (bite.nominal * share - early) / span.longestAt(share) - 1; };
    return std::min(roomAt(span.stretch.min), roomAt(span.stretch.max));
}

/// Strictly later than.
Judgement judgeOutlasts(const Bounds& bite, const Rational& early, const WatchdogSpan& span, bool isWorstKnown) {
    const bool isKnown = (isWorstKnown || span.isOneSource) && span.unknown.empty();
    if (span.longest.sign() <= 0) { // no time at all, or none that is known
        return {isKnown ? State::kept : State::strained, std::nullopt};
    }
    const Rational margin = isKnown ? leastRoom(bite, early, span) : bite.nominal / span.longest - 1;
    if (bite.nominal <= span.longestPlayed()) {
        return {State::broken, margin};
    }
    return {margin.sign() <= 0 || !isKnown ? State::strained : State::kept, margin};
}

/// Whether the time itself is asked, and not only what it must outlast.
bool isNearAsked(const BitesAsk& ask) {
    return ask.tolerance.within || ask.tolerance.exactly || (!ask.fedEvery && ask.fedBy.empty() && !ask.atLatest);
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

/// The window must have opened before the earliest feed.
Judgement judgeOpened(const Bounds& opening, const WatchdogSpan& span, bool isWorstKnown) {
    if (!span.isOneSource) {
        return judgeAtMost(opening, span.shortestAt(span.stretch.min), isWorstKnown);
    }
    Judgement result = judgeAtMost(Bounds::exactly(opening.nominal), span.shortest, true);
    for (const Rational& share : {span.stretch.min, span.stretch.max}) {
        const Judgement corner = judgeAtMost(Bounds::exactly(opening.nominal * share), span.shortestAt(share), true);
        result = both(result, {corner.state == State::broken ? State::strained : corner.state, corner.margin});
    }
    return result;
}

Judgement judgeWay(const WatchdogKind& watchdog, const Way& way, const BitesAsk& ask, const Clock& clock,
                   const WatchdogLife& life) {
    const bool isWorstKnown = clock.unknown.empty();
    Judgement result{State::kept, std::nullopt};
    const Rational early = sooner(watchdog, settingOf(way, "prescaler"), clock.hertz.min);
    for (const WatchdogSpan& span : spansOf(ask, life)) {
        result = both(result, judgeOutlasts(way.got, early, span, isWorstKnown));
    }
    if (ask.atLatest) {
        result = both(result, judgeAtMost(way.got, *ask.atLatest, isWorstKnown));
    }
    if (isNearAsked(ask)) {
        result = both(result, judgeTolerance(way.error, ask.tolerance, isWorstKnown));
    }
    if (const auto window = windowCounts(ask, clock, way)) {
        const Bounds opening = inverse(clock.hertz, *window * settingOf(way, "prescaler"));
        result = {worseState(result.state, openingState(opening, *ask.opensAfter, isWorstKnown)), result.margin};
        for (const WatchdogSpan& feed : feedsOf(ask, life)) {
            result = both(result, judgeOpened(opening, feed, isWorstKnown));
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
              const WatchdogLife& life) {
    Way way = wayThatGives({{"prescaler", setting.prescaler}, {"counts", setting.counts}},
                           inverse(clock.hertz, setting.product()), ask.after);
    const Judgement judgement = judgeWay(watchdog, way, ask, clock, life);
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
bool isBetterWatchdogWay(const Way& a, const Way& b) {
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

/// The products that meet every condition: at all corners, or at the nominal clock.
Range rangeFor(const WatchdogKind& watchdog, const BitesAsk& ask, const WatchdogLife& life, const CounterReach& reach,
               const Clock& clock, bool isWorst) {
    const Rational& fast = isWorst ? clock.hertz.max : clock.hertz.nominal;
    const Rational& slow = isWorst ? clock.hertz.min : clock.hertz.nominal;
    Range range{reach.least(), reach.most()};
    const auto outlast = [&](const Rational& products) { range.low = std::max(range.low, products.floor() + 1); }; // strictly
    for (const WatchdogSpan& span : spansOf(ask, life)) {
        const Rational early = isWorst ? sooner(watchdog, reach.prescaler.least(), clock.hertz.min) : Rational(0);
        if (!isWorst) {
            outlast(span.longestPlayed() * clock.hertz.nominal);
        } else if (!span.isOneSource) {
            outlast((span.longestEver() + early) * fast);
        } else {
            for (const Rational& share : {span.stretch.min, span.stretch.max}) {
                outlast((span.longestAt(share) + early) * clock.hertz.nominal / share);
            }
        }
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

std::optional<Way> bestWay(const WatchdogKind& watchdog, const BitesAsk& ask, const Clock& clock, const WatchdogLife& life,
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
                Way way = judgedWay(watchdog, *setting, ask, clock, life);
                isKept = isKept || way.state == State::kept;
                if (!best || isBetterWatchdogWay(way, *best)) {
                    best = std::move(way);
                }
            }
        }
        return isKept;
    };
    const auto offer = [&](const CounterReach& searched) {
        if (offerRange(searched, rangeFor(watchdog, ask, life, searched, clock, true))) {
            return;
        }
        offerRange(searched, rangeFor(watchdog, ask, life, searched, clock, false));
        offerRange(searched, {searched.least(), searched.most()});
    };
    if (!ask.opensAfter && !ask.warnsBefore && watchdog.feedRestartsPrescaler) {
        offer(*reach);
        return best;
    }
    // the window and the warning count on the same prescaler, as does what a feed leaves of it: each is a case of its own
    for (std::int64_t i = 0; i < reach->prescaler.size().toInt64().value_or(0); ++i) {
        offer({FactorSet::one(reach->prescaler.at(i)), reach->counts});
    }
    return best;
}

/// The longest of a span against the earliest bite.
void addSpan(PromiseFigure& figure, const Way& way, const WatchdogSpan& span, const Clock& clock, const Rational& early) {
    const auto time = [](const Rational& value) { return printQuantity(value, Unit::second); };
    const bool isTimed = span.stretch.min != span.stretch.max;
    if (isTimed) {
        figure.workings.push_back(
            {phrase("{}, at the slowest", span.what),
             phrase("longest + (slowest \u2212 1) \u00d7 interval of what times it"),
             time(span.longest) + " + (" + roundedDecimal(span.stretch.max, 6) + " \u2212 1) \u00d7 " + time(span.grows),
             time(span.longestEver()),
             {{span.what, {}, span.about, {}}}});
    }
    const bool isOne = span.isOneSource && isTimed;
    const bool isSaid = span.about.isNothing(); // in the promise itself
    const Origin origin = isSaid ? Origin{phrase("asked"), time(span.longest), Target::promise(figure.name), {}}
                                 : Origin{span.what, {}, span.about, {}};
    const Rational bite = (isOne ? way.got.nominal * span.stretch.max : way.got.min) - early;
    const bool isShorter = span.longest.sign() <= 0 || leastRoom(way.got, early, span).sign() > 0;
    figure.workings.push_back({span.what,
                               isOne ? phrase("from one source both move together; must be shorter than the bite")
                                     : phrase("must be shorter than the earliest bite"),
                               time(span.longestEver()) + " < " + time(bite),
                               !span.unknown.empty() ? span.unknown : (isShorter ? phrase("yes") : phrase("no")),
                               {origin, clockOrigin(clock, clock.hertz.max)},
                               false});
}

void addWorkings(PromiseFigure& figure, const WatchdogKind& watchdog, const BitesAsk& ask, const Clock& clock,
                 const WatchdogLife& life, const std::string& subject) {
    const Way way{figure.settings, *figure.got, *figure.error, figure.state, figure.margin};
    const Rational prescaler = settingOf(way, "prescaler");
    const Rational counts = settingOf(way, "counts");
    figure.workings = {clockStep(clock, subject), askedStep(figure)};
    const auto bite = [&](const Text& what, const Rational& hertz, const Rational& time) {
        figure.workings.push_back(
            {what,
             phrase("prescaler \u00d7 counts \u00f7 f"),
             prescaler.toString() + " \u00d7 " + counts.toString() + " \u00f7 " + printQuantity(hertz, Unit::hertz),
             printQuantity(time, Unit::second),
             {partOrigin(figure), clockOrigin(clock, hertz)}});
    };
    bite(phrase("bites after"), clock.hertz.nominal, figure.got->nominal);
    if (clock.unknown.empty()) {
        bite(phrase("at the fastest clock"), clock.hertz.max, figure.got->min);
        bite(phrase("at the slowest clock"), clock.hertz.min, figure.got->max);
    }
    if (const Rational early = sooner(watchdog, prescaler, clock.hertz.min); early.sign() > 0) {
        figure.workings.push_back({phrase("sooner by"),
                                   watchdog.feedRestartsPrescaler
                                       ? phrase("periods that a feed takes \u00f7 f")
                                       : phrase("(periods that a feed takes + prescaler, which goes on) \u00f7 f"),
                                   (watchdog.feedSync + (watchdog.feedRestartsPrescaler ? Rational(0) : prescaler)).toString() +
                                       " \u00f7 " + printQuantity(clock.hertz.min, Unit::hertz),
                                   printQuantity(early, Unit::second),
                                   {partOrigin(figure), clockOrigin(clock, clock.hertz.min)}});
    }
    for (const WatchdogSpan& feed : feedsOf(ask, life)) {
        addSpan(figure, way, feed, clock, sooner(watchdog, prescaler, clock.hertz.min));
    }
    if (!life.mode.empty()) {
        Step step{phrase("at rest in {}", life.mode), {}, {}, {}, {{life.mode, {}, Target::mode(life.mode), {}}}};
        if (!life.runs) {
            step.result = phrase("frozen: it does not count there");
        } else {
            step.formula = phrase("it counts on: the longest rest must be shorter than the earliest bite");
            step.result = life.rest ? phrase("longest rest {}", printQuantity(life.rest->longest, Unit::second))
                                    : phrase("the longest rest is not known: no jobs are played");
        }
        figure.workings.push_back(std::move(step));
    }
    if (life.rest) {
        addSpan(figure, way, *life.rest, clock, sooner(watchdog, prescaler, clock.hertz.min));
    }
    if (const Rational early = settingOf(way, "early"); early.sign() > 0) {
        figure.workings.push_back(
            {phrase("warns before the bite"),
             phrase("prescaler \u00d7 counts \u00f7 f, long enough at the fastest clock"),
             prescaler.toString() + " \u00d7 " + early.toString() + " \u00f7 " + printQuantity(clock.hertz.max, Unit::hertz),
             printQuantity(prescaler * early / clock.hertz.max, Unit::second),
             {partOrigin(figure), askedOrigin(figure)}});
    }
    if (const Rational window = settingOf(way, "window"); window.sign() > 0) {
        const Bounds opening = inverse(clock.hertz, window * prescaler);
        const bool isEmpty = opening.max >= figure.got->min;
        figure.workings.push_back({phrase("safe to feed"),
                                   phrase("from the latest opening to the earliest bite"),
                                   phrase("{} \u00d7 {} counts before it opens", prescaler.toString(), window.toString()),
                                   isEmpty ? phrase("never: it opens as late as {}", printQuantity(opening.max, Unit::second))
                                           : printRange(opening.max, figure.got->min, Unit::second),
                                   {askedOrigin(figure), partOrigin(figure), clockOrigin(clock, clock.hertz.min)},
                                   false});
    }
}

Text whyOf(const PromiseFigure& figure, const WatchdogKind& watchdog, const BitesAsk& ask, const Clock& clock,
           const WatchdogLife& life) {
    if (figure.state == State::kept) {
        return {};
    }
    const bool isBroken = figure.state == State::broken;
    const Rational& latest = isBroken ? figure.got->nominal : figure.got->max;
    const Text when = isBroken ? "" : phrase(" at the fastest clock");
    const Way judged{figure.settings, *figure.got, *figure.error, figure.state, figure.margin};
    const Rational sooners = sooner(watchdog, settingOf(judged, "prescaler"), clock.hertz.min);
    for (const WatchdogSpan& span : spansOf(ask, life)) {
        const Judgement judgement = judgeOutlasts(*figure.got, sooners, span, clock.unknown.empty());
        if (judgement.state != figure.state) {
            continue;
        }
        if (!isBroken && !span.unknown.empty()) {
            return span.unknown;
        }
        if (!isBroken && !span.isOneSource && !clock.unknown.empty()) {
            return clock.unknown;
        }
        const bool isOne = span.isOneSource && !isBroken;
        const Rational earliest =
            isBroken ? figure.got->nominal : (isOne ? figure.got->nominal * span.stretch.max : figure.got->min) - sooners;
        const Rational longest = isBroken ? span.longestPlayed() : span.longestEver();
        const bool isRest = life.rest && span.about == life.rest->about;
        return phrase(
            "bites after {}{}{}", printQuantity(earliest, Unit::second), isOne ? phrase(" at the slowest clock") : when,
            isRest ? phrase(", and counts on while the plan rests for {} in {}", printQuantity(longest, Unit::second), life.mode)
                   : phrase(", not later than the {} between feeds", printQuantity(longest, Unit::second)));
    }
    if (!isBroken && !clock.unknown.empty()) {
        return clock.unknown;
    }
    if (ask.atLatest && latest > *ask.atLatest) {
        return phrase("bites only after {}{}, asked at latest {}", printQuantity(latest, Unit::second),
                      figure.state == State::broken ? "" : phrase(" at the slowest clock"),
                      printQuantity(*ask.atLatest, Unit::second));
    }
    const Way way{figure.settings, *figure.got, *figure.error, figure.state, figure.margin};
    if (const Rational early = settingOf(way, "early"); early.sign() > 0) {
        const Rational warns =
            early * settingOf(way, "prescaler") / (figure.state == State::broken ? clock.hertz.nominal : clock.hertz.max);
        if (warns < *ask.warnsBefore) {
            return phrase("warns {} before the bite{}, asked {}", printQuantity(warns, Unit::second), when,
                          printQuantity(*ask.warnsBefore, Unit::second));
        }
    }
    if (const Rational window = settingOf(way, "window"); ask.opensAfter && window.sign() > 0) {
        const Bounds opening = inverse(clock.hertz, window * settingOf(way, "prescaler"));
        const State opens = openingState(opening, *ask.opensAfter, true);
        if (opens == figure.state) {
            const bool isLate = opening.max > *ask.opensAfter;
            return phrase("the window opens after {} at the {} clock, asked after {}{}",
                          printQuantity(isLate ? opening.max : opening.min, Unit::second), isLate ? "slowest" : "fastest",
                          printQuantity(*ask.opensAfter, Unit::second), isLate ? "" : phrase(" and at most a tenth sooner"));
        }
    }
    if (const auto feeds = feedsOf(ask, life); ask.opensAfter && !feeds.empty()) {
        const bool isTolerance =
            isNearAsked(ask) && judgeTolerance(*figure.error, ask.tolerance, clock.unknown.empty()).state == figure.state;
        const WatchdogSpan& feed = feeds.front();
        return isTolerance ? toleranceWhy(figure, toleranceText(ask.tolerance), clock)
                           : phrase("the window opens after the feed: it must open before {} at the slowest clock",
                                    printQuantity(feed.shortestAt(feed.stretch.min), Unit::second));
    }
    return toleranceWhy(figure, toleranceText(ask.tolerance), clock);
}

} // namespace

std::vector<Way> watchdogWays(const WatchdogKind& watchdog, const BitesAsk& ask, const Clock& clock, const WatchdogLife& life,
                              const std::vector<Setting>& pinned, std::size_t most) {
    const auto reach = pinnedReach({watchdog.prescaler, watchdog.counts}, pinned);
    std::vector<Way> ways;
    if (!reach) {
        return ways;
    }
    for (const CounterSetting& setting :
         settingsByPrescaler(*reach, ask.after * clock.hertz.nominal, std::max<std::size_t>(most, 256))) {
        ways.push_back(judgedWay(watchdog, setting, ask, clock, life));
    }
    if (const auto best = bestWay(watchdog, ask, clock, life, pinned)) {
        if (std::find(ways.begin(), ways.end(), *best) == ways.end()) {
            ways.push_back(*best);
        }
    }
    std::sort(ways.begin(), ways.end(), isBetterWatchdogWay);
    ways.resize(std::min(most, ways.size()));
    return ways;
}

PromiseFigure judgeWatchdog(PromiseFigure figure, const WatchdogKind& watchdog, const BitesAsk& ask, const Clock& clock,
                            const WatchdogLife& life, const std::vector<Setting>& pinned, Detail detail) {
    figure.unit = Unit::second;
    figure.asked = ask.after;
    figure.isWorstKnown = clock.unknown.empty();
    if (ask.opensAfter && !watchdog.hasWindow) {
        figure.state = State::broken;
        figure.why = phrase("this watchdog has no window");
        return figure;
    }
    if (ask.warnsBefore && watchdog.early.empty()) {
        figure.state = State::broken;
        figure.why = phrase("this watchdog has no early interrupt");
        return figure;
    }
    const auto best = bestWay(watchdog, ask, clock, life, pinned);
    if (!best) {
        figure.state = State::broken;
        figure.why = phrase("the pinned way is not one that this watchdog has");
        return figure;
    }
    takeWay(figure, *best);
    figure.why = whyOf(figure, watchdog, ask, clock, life);
    if (detail == Detail::workings) {
        addWorkings(figure, watchdog, ask, clock, life, figure.subject.name);
    }
    return figure;
}

RateWindows watchdogRates(const WatchdogKind& watchdog, const BitesAsk& ask, const WatchdogLife& life) {
    // the bite may come from `earliest` to `latest`
    Rational earliest;
    std::optional<Rational> latest = ask.atLatest;
    const std::vector<WatchdogSpan> spans = spansOf(ask, life);
    for (const WatchdogSpan& span : spans) {
        earliest = std::max(earliest, span.longestPlayed());
    }
    if (isNearAsked(ask)) {
        const Rational share = ask.tolerance.within.value_or(Rational(0));
        earliest = std::max(earliest, ask.after * (1 - share));
        latest = latest ? std::min(*latest, ask.after * (1 + share)) : ask.after * (1 + share);
    }
    const ProductSets products = productSets(watchdog.prescaler, watchdog.counts);
    RateWindows windows{{}, products.isTight && !ask.opensAfter && !ask.warnsBefore && spans.empty()};
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
