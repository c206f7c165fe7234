#include "promise/stamps.h"

#include "base/text.h"
#include "promise/counter_search.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

Way judgedWay(const Rational& prescaler, const Rational& counts, const StampsAsk& ask, const Clock& clock) {
    const bool isKnown = clock.unknown.empty();
    const Bounds tick = inverse(clock.hertz, prescaler);
    const Bounds wraps = tick * counts;
    Judgement judgement{State::kept, std::nullopt};
    if (ask.wrapsAfter) {
        judgement = both(judgement, judgeAtLeast(wraps, *ask.wrapsAfter, isKnown));
    }
    if (ask.resolves) {
        judgement = both(judgement, judgeAtMost(tick, *ask.resolves, isKnown));
    }
    const Rational& asked = ask.wrapsAfter ? *ask.wrapsAfter : *ask.resolves;
    return judgedAs(wayThatGives({{"prescaler", prescaler}, {"counts", counts}}, ask.wrapsAfter ? wraps : tick, asked),
                    judgement);
}

/// A broken wrap is nearer with a larger prescaler, a broken resolution with a smaller one; of those that hold, the finer one
/// where a wrap is asked, else the longer one.
bool isBetterStampsWay(const Way& a, const Way& b, const StampsAsk& ask) {
    if (a.state != b.state) {
        return worseState(a.state, b.state) == b.state;
    }
    const bool wantsFine = ask.wrapsAfter.has_value() == (a.state != State::broken);
    const Rational prescalerA = settingOf(a, "prescaler");
    const Rational prescalerB = settingOf(b, "prescaler");
    return wantsFine ? prescalerA < prescalerB : prescalerA > prescalerB;
}

/// Prescalers at which a condition begins or ceases to hold, and the ends.
std::vector<Rational> prescalersOf(const TimerKind& timer, const FactorSet& prescaler, const StampsAsk& ask, const Clock& clock,
                                   std::size_t most) {
    std::vector<Rational> list{prescaler.least(), prescaler.most()};
    const auto add = [&](const std::optional<Rational>& value) {
        if (value) {
            list.push_back(*value);
        }
    };
    for (const Rational& hertz : {clock.hertz.min, clock.hertz.nominal, clock.hertz.max}) {
        if (ask.wrapsAfter) {
            add(prescaler.atLeast(*ask.wrapsAfter * hertz / timer.counts.most()));
        }
        if (ask.resolves) {
            add(prescaler.atMost(*ask.resolves * hertz));
        }
    }
    const Rational middle =
        ask.wrapsAfter ? *ask.wrapsAfter * clock.hertz.nominal / timer.counts.most() : *ask.resolves * clock.hertz.nominal;
    std::optional<Rational> next = prescaler.atLeast(middle);
    for (std::size_t i = 0; i < most && next; ++i) {
        list.push_back(*next);
        next = prescaler.atLeast(*next + 1);
    }
    std::sort(list.begin(), list.end());
    list.erase(std::unique(list.begin(), list.end()), list.end());
    return list;
}

Text whyOf(const PromiseFigure& figure, const StampsAsk& ask, const Clock& clock, const Way& way) {
    if (figure.state == State::kept) {
        return {};
    }
    if (figure.state == State::strained && !clock.unknown.empty()) {
        return clock.unknown;
    }
    const bool isBroken = figure.state == State::broken;
    const Text when = isBroken ? "" : phrase(" in the worst case");
    const Rational prescaler = settingOf(way, "prescaler");
    const Rational wraps = prescaler * settingOf(way, "counts") / (isBroken ? clock.hertz.nominal : clock.hertz.max);
    if (ask.wrapsAfter && wraps < *ask.wrapsAfter) {
        return phrase("wraps after {}{}, asked at least {}", printQuantity(wraps, Unit::second), when,
                      printQuantity(*ask.wrapsAfter, Unit::second));
    }
    const Rational tick = prescaler / (isBroken ? clock.hertz.nominal : clock.hertz.min);
    return phrase("a count lasts {}{}, asked at most {}{}", printQuantity(tick, Unit::second), when,
                  printQuantity(*ask.resolves, Unit::second), ask.wrapsAfter ? phrase("; finer, it would wrap too soon") : "");
}

} // namespace

std::vector<Way> stampWays(const TimerKind& timer, const StampsAsk& ask, const Clock& clock, const std::vector<Setting>& pinned,
                           std::size_t most) {
    const auto reach = pinnedReach({timer.prescaler, timer.counts}, pinned);
    std::vector<Way> ways;
    if (!reach) {
        return ways;
    }
    for (const Rational& prescaler : prescalersOf(timer, reach->prescaler, ask, clock, most)) {
        ways.push_back(judgedWay(prescaler, reach->counts.most(), ask, clock));
    }
    std::stable_sort(ways.begin(), ways.end(), [&](const Way& a, const Way& b) { return isBetterStampsWay(a, b, ask); });
    ways.resize(std::min(most, ways.size()));
    return ways;
}

PromiseFigure judgeStamps(PromiseFigure figure, const TimerKind& timer, const StampsAsk& ask, const Clock& clock,
                          const std::vector<Setting>& pinned, Detail detail) {
    figure.unit = Unit::second;
    figure.asked = ask.wrapsAfter ? ask.wrapsAfter : ask.resolves;
    figure.isWorstKnown = clock.unknown.empty();
    const std::vector<Way> ways = stampWays(timer, ask, clock, pinned, 1);
    if (ways.empty()) {
        figure.state = State::broken;
        figure.why = phrase("the pinned way is not one that this timer has");
        return figure;
    }
    takeWay(figure, ways.front());
    figure.why = whyOf(figure, ask, clock, ways.front());
    if (detail == Detail::workings) {
        const std::string subject = figure.subject.name;
        const std::string prescaler = settingOf(ways.front(), "prescaler").toString();
        const Rational counts = settingOf(ways.front(), "counts");
        const std::string rate = printQuantity(clock.hertz.nominal, Unit::hertz);
        const Rational tick = settingOf(ways.front(), "prescaler") / clock.hertz.nominal;
        figure.workings = {clockStep(clock, subject), askedStep(figure)};
        figure.workings.push_back({phrase("a count"),
                                   phrase("prescaler \u00f7 f"),
                                   prescaler + " \u00f7 " + rate,
                                   printQuantity(tick, Unit::second),
                                   {partOrigin(figure), clockOrigin(clock, clock.hertz.nominal)}});
        figure.workings.push_back({phrase("wraps after"),
                                   phrase("counts \u00d7 a count"),
                                   counts.toString() + " \u00d7 " + printQuantity(tick, Unit::second),
                                   printQuantity(tick * counts, Unit::second),
                                   {partOrigin(figure), clockOrigin(clock, clock.hertz.nominal)}});
        addErrorSteps(figure, clock);
    }
    return figure;
}

RateWindows stampRates(const TimerKind& timer, const StampsAsk& ask) {
    const Rational low = ask.resolves ? 1 / *ask.resolves : Rational(0);
    const auto high = ask.wrapsAfter ? std::optional(timer.counts.most() / *ask.wrapsAfter) : std::nullopt;
    return high && low > *high ? RateWindows::none() : RateWindows{{{low, high, timer.prescaler}}, true};
}

} // namespace wisetick
