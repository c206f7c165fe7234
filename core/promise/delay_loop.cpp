#include "promise/delay_loop.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

Rational cyclesOf(const DelayLoopKind& loop, const Rational& turns) {
    return turns * loop.turn + loop.overhead;
}

Way judgedWay(const DelayLoopKind& loop, const Rational& turns, const WaitsAsk& ask, const Clock& clock) {
    const Bounds got = inverse(clock.hertz * clock.speed, cyclesOf(loop, turns));
    Way way = wayThatGives({{"turns", turns}}, got, ask.time);
    const bool isKnown = clock.unknown.empty();
    const Judgement judgement =
        ask.isAtLeast ? judgeAtLeast(got, ask.time, isKnown) : judgeTolerance(way.error, ask.tolerance, isKnown);
    return judgedAs(std::move(way), judgement);
}

bool isBetterLoopWay(const Way& a, const Way& b) {
    const int order = compareWays(a, b);
    return order != 0 ? order < 0 : settingOf(a, "turns") < settingOf(b, "turns");
}

} // namespace

std::vector<Way> delayLoopWays(const DelayLoopKind& loop, const WaitsAsk& ask, const Clock& clock,
                               const std::vector<Setting>& pinned) {
    std::vector<Rational> candidates;
    if (const Rational* held = pinnedValue(pinned, "turns")) {
        if (loop.turns.contains(*held)) {
            candidates.push_back(*held);
        }
    } else {
        const auto add = [&](const std::optional<Rational>& turns) {
            if (turns && std::find(candidates.begin(), candidates.end(), *turns) == candidates.end()) {
                candidates.push_back(*turns);
            }
        };
        // where the errors of both corners balance, at the nominal clock, and long enough at the fastest one
        const Bounds rate = clock.hertz * clock.speed;
        const Rational balanced = ask.time * 2 * rate.min * rate.max / (rate.min + rate.max);
        for (const Rational& cycles : {balanced, ask.time * rate.nominal, ask.time * rate.max}) {
            for (const Rational& near : loop.turns.nearest((cycles - loop.overhead) / loop.turn)) {
                add(near);
            }
        }
    }
    std::vector<Way> ways;
    for (const Rational& turns : candidates) {
        ways.push_back(judgedWay(loop, turns, ask, clock));
    }
    std::stable_sort(ways.begin(), ways.end(), isBetterLoopWay);
    return ways;
}

PromiseFigure judgeDelayLoop(PromiseFigure figure, const DelayLoopKind& loop, const WaitsAsk& ask, const Clock& clock,
                             const std::vector<Setting>& pinned, Detail detail) {
    figure.unit = Unit::second;
    figure.asked = ask.time;
    figure.isWorstKnown = clock.unknown.empty();
    const std::vector<Way> ways = delayLoopWays(loop, ask, clock, pinned);
    if (ways.empty()) {
        figure.state = State::broken;
        figure.why = phrase("the pinned way is not one that this loop has");
        return figure;
    }
    takeWay(figure, ways.front());
    if (!ask.isAtLeast) {
        figure.why = toleranceWhy(figure, toleranceText(ask.tolerance), clock);
    } else if (figure.state == State::broken) {
        figure.why = phrase("the longest is {}, asked at least {}", printQuantity(figure.got->nominal, Unit::second),
                            printQuantity(ask.time, Unit::second));
    } else if (figure.state == State::strained) {
        figure.why = clock.unknown.empty()
                         ? phrase("{} in the worst case, asked at least {}", printQuantity(figure.got->min, Unit::second),
                                  printQuantity(ask.time, Unit::second))
                         : clock.unknown;
    }
    if (detail == Detail::workings) {
        const std::string subject = figure.subject.name;
        const Rational turns = settingOf(ways.front(), "turns");
        const bool isSlowed = clock.speed != 1;
        const std::string rate = printQuantity(clock.hertz.nominal, Unit::hertz) +
                                 (isSlowed ? " \u00d7 " + printQuantity(clock.speed, Unit::ratio) : "");
        const Text f = isSlowed ? phrase("f \u00d7 speed of its waits") : "f";
        const std::string cycles = printFactor(turns) + " \u00d7 " + printFactor(loop.turn) + " + " + printFactor(loop.overhead);
        figure.workings = {clockStep(clock, subject), askedStep(figure)};
        figure.workings.push_back({phrase("turns wanted"),
                                   phrase("(asked \u00d7 {} \u2212 cycles of a call) \u00f7 cycles a turn", f),
                                   "(" + printQuantity(ask.time, Unit::second) + " \u00d7 " + rate + " \u2212 " +
                                       printFactor(loop.overhead) + ") \u00f7 " + printFactor(loop.turn),
                                   roundedDecimal((ask.time * clock.hertz.nominal * clock.speed - loop.overhead) / loop.turn, 7),
                                   {askedOrigin(figure), clockOrigin(clock, clock.hertz.nominal), partOrigin(figure)}});
        figure.workings.push_back(
            {"time",
             phrase("(turns \u00d7 cycles a turn + cycles of a call) \u00f7 {}", isSlowed ? "(" + f + ")" : f),
             "(" + cycles + ") \u00f7 " + (isSlowed ? "(" + rate + ")" : rate),
             printQuantity(figure.got->nominal, Unit::second),
             {partOrigin(figure), clockOrigin(clock, clock.hertz.nominal)}});
        addErrorSteps(figure, clock);
        figure.workings.push_back({phrase("if the core changes"),
                                   phrase("the same turns at half and at twice the rate"),
                                   {},
                                   phrase("{} and {}", printQuantity(figure.got->nominal * 2, Unit::second),
                                          printQuantity(figure.got->nominal / 2, Unit::second)),
                                   {clockOrigin(clock, clock.hertz.nominal)}});
    }
    return figure;
}

RateWindows delayLoopRates(const DelayLoopKind& loop, const WaitsAsk& ask) {
    if (ask.isAtLeast) {
        return {{{0, cyclesOf(loop, loop.turns.most()) / ask.time}}, true};
    }
    const FactorSet& turns = loop.turns;
    FactorSet cycles;
    if (turns.isRange()) {
        cycles = FactorSet::range(cyclesOf(loop, turns.least()), cyclesOf(loop, turns.most()), turns.step() * loop.turn);
    } else {
        std::vector<Rational> values;
        for (std::int64_t i = 0; i < turns.size().toInt64().value_or(0); ++i) {
            values.push_back(cyclesOf(loop, turns.at(i)));
        }
        cycles = FactorSet::list(std::move(values));
    }
    return {{combOfTimes(cycles, ask.time, ask.tolerance)}, true};
}

} // namespace wisetick
