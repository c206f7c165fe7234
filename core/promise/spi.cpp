#include "promise/spi.h"

#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

Rational mostOf(const ClocksAsk& ask, const SpiReach& reach) {
    return reach.most ? std::min(ask.hertz, *reach.most) : ask.hertz;
}

/// At most the limit; a worst case may be over it by the slack.
Judgement judgeLimit(const Bounds& got, const Rational& limit, const Rational& slack, bool isWorstKnown) {
    const Judgement strict = judgeAtMost(got, limit, isWorstKnown);
    const bool isInSlack = strict.state == State::strained && isWorstKnown && got.max <= limit * (1 + slack);
    return isInSlack ? Judgement{State::kept, Rational(0)} : strict;
}

Way judgedWay(const SpiKind& spi, const Rational& divide, const ClocksAsk& ask, const Clock& clock, const SpiReach& reach) {
    const Bounds got = clock.hertz * (1 / divide);
    std::vector<Setting> settings{{"divide", divide}};
    if (ask.dummy) {
        settings.push_back({"dummy", *ask.dummy});
    }
    if (ask.size) {
        settings.push_back({"size", *ask.size});
    }
    Judgement judgement = judgeLimit(got, mostOf(ask, reach), reach.slack, clock.unknown.empty());
    if (ask.reading && ask.within) {
        const Judgement time = judgeAtMost(inverse(got, readClocks(spi, ask)), *ask.within, clock.unknown.empty());
        judgement = {worseState(judgement.state, time.state), judgement.margin};
    }
    if (ask.valid) {
        const Rational shift = shiftFor(spi, ask, got);
        if (shift.sign() > 0) {
            settings.push_back({"shift", shift});
        }
        const Judgement sampled =
            judgeAtLeast(inverse(got, Rational(1, 2) + shift), *ask.valid, clock.unknown.empty()); // half a clock after the edge
        judgement = {worseState(judgement.state, sampled.state), judgement.margin};
    }
    return judgedAs(wayThatGives(std::move(settings), got, ask.hertz), judgement);
}

/// Of equal states the faster one; of broken ones that which is nearer to what was asked.
bool isBetter(const Way& a, const Way& b) {
    if (a.state != b.state) {
        return worseState(a.state, b.state) == b.state;
    }
    if (a.state == State::broken && abs(a.error.nominal) != abs(b.error.nominal)) {
        return abs(a.error.nominal) < abs(b.error.nominal);
    }
    return a.got.nominal > b.got.nominal;
}

/// What of the ask the port has not at all; empty where it has everything.
std::string lacks(const SpiKind& spi, const ClocksAsk& ask) {
    const auto next = [](const FactorSet& set, const Rational& value, Unit unit) {
        std::string text;
        for (const Rational& near : set.nearest(value)) {
            text += (text.empty() ? "" : " and ") + printQuantity(near, unit);
        }
        return text;
    };
    if (ask.size && spi.size.empty()) {
        return "this port maps no memory";
    }
    if (ask.size && !spi.size.contains(*ask.size)) {
        return "a memory of " + printQuantity(*ask.size, Unit::byte) + " does not go into its size field: next to it go " +
               next(spi.size, *ask.size, Unit::byte);
    }
    if (ask.dummy && spi.dummy.empty()) {
        return "this port has no dummy cycles";
    }
    if (ask.dummy && !spi.dummy.contains(*ask.dummy)) {
        return ask.dummy->toString() + " dummy cycles are not among those it has: next are " +
               next(spi.dummy, *ask.dummy, Unit::count);
    }
    if (ask.reading && ask.size && *ask.reading > *ask.size) {
        return "reading " + printQuantity(*ask.reading, Unit::byte) + " of a memory of " + printQuantity(*ask.size, Unit::byte);
    }
    return {};
}

} // namespace

Rational shiftFor(const SpiKind& spi, const ClocksAsk& ask, const Bounds& rate) {
    if (!ask.valid || spi.shift.empty()) {
        return 0;
    }
    const Rational needed = *ask.valid * rate.max - Rational(1, 2);
    return needed.sign() <= 0 ? Rational(0) : spi.shift.atLeast(needed).value_or(spi.shift.most());
}

Rational readClocks(const SpiKind& spi, const ClocksAsk& ask) {
    constexpr std::int64_t kCommandAndAddress = 8 + 24; // bits on one lane, whatever the port
    return kCommandAndAddress + ask.dummy.value_or(Rational(0)) + (ask.reading.value_or(Rational(0)) * 8 / spi.lanes).ceil();
}

std::vector<Way> spiWays(const SpiKind& spi, const ClocksAsk& ask, const Clock& clock, const SpiReach& reach,
                         const std::vector<Setting>& pinned, std::size_t most) {
    std::vector<Way> ways;
    if (const Rational* divide = pinnedValue(pinned, "divide")) {
        if (spi.divide.contains(*divide)) {
            ways.push_back(judgedWay(spi, *divide, ask, clock, reach));
        }
        return ways;
    }
    // the dividers next to the limit, at the nominal and at the fastest clock; then slower ones
    const Rational limit = mostOf(ask, reach);
    std::vector<Rational> dividers;
    const auto add = [&](const std::optional<Rational>& divide) {
        if (divide && std::find(dividers.begin(), dividers.end(), *divide) == dividers.end()) {
            dividers.push_back(*divide);
        }
    };
    add(spi.divide.atLeast(clock.hertz.nominal / limit));
    add(spi.divide.atLeast(clock.hertz.max / limit));
    add(spi.divide.atMost(clock.hertz.nominal / limit));
    if (ask.valid) { // slow enough for the data to stand
        const Rational latest = Rational(1, 2) + (spi.shift.empty() ? Rational(0) : spi.shift.most());
        for (const Rational& hertz : {clock.hertz.nominal, clock.hertz.max}) {
            add(spi.divide.atLeast(std::max(hertz / limit, *ask.valid * hertz / latest)));
        }
    }
    if (dividers.empty()) {
        add(spi.divide.most());
    }
    for (std::size_t i = 0; i < most; ++i) {
        const Rational last = *std::max_element(dividers.begin(), dividers.end());
        const auto next = spi.divide.atLeast(last + Rational(1, 1000000));
        if (!next) {
            break;
        }
        add(next);
    }
    for (const Rational& divide : dividers) {
        ways.push_back(judgedWay(spi, divide, ask, clock, reach));
    }
    std::stable_sort(ways.begin(), ways.end(), isBetter);
    ways.resize(std::min(most, ways.size()));
    return ways;
}

PromiseFigure judgeSpi(PromiseFigure figure, const SpiKind& spi, const ClocksAsk& ask, const Clock& clock, const SpiReach& reach,
                       const std::vector<Setting>& pinned, Detail detail) {
    figure.unit = Unit::hertz;
    figure.asked = ask.hertz;
    figure.isWorstKnown = clock.unknown.empty();
    if (std::string missing = lacks(spi, ask); !missing.empty()) {
        figure.state = State::broken;
        figure.why = std::move(missing);
        return figure;
    }
    const std::vector<Way> ways = spiWays(spi, ask, clock, reach, pinned, 1);
    if (ways.empty()) {
        figure.state = State::broken;
        figure.why = "the pinned way is not one that this port has";
        return figure;
    }
    takeWay(figure, ways.front());
    const Rational limit = mostOf(ask, reach);
    const std::string whose = limit == ask.hertz ? "asked at most " : "the port's most is ";
    const Rational& readAt = figure.state == State::broken ? figure.got->nominal : figure.got->min;
    if (figure.state != State::kept && ask.reading && readClocks(spi, ask) / readAt > *ask.within) {
        figure.why = "reading " + printQuantity(*ask.reading, Unit::byte) + " takes " +
                     printQuantity(readClocks(spi, ask) / readAt, Unit::second) +
                     (figure.state == State::broken ? "" : " in the worst case") + ", asked at most " +
                     printQuantity(*ask.within, Unit::second);
    } else if (const Rational sampled = (Rational(1, 2) + shiftFor(spi, ask, *figure.got)) /
                                        (figure.state == State::broken ? figure.got->nominal : figure.got->max);
               figure.state != State::kept && ask.valid && sampled < *ask.valid) {
        figure.why = "samples " + printQuantity(sampled, Unit::second) + " after the edge" +
                     (figure.state == State::broken ? "" : " in the worst case") + ", and the data stand only after " +
                     printQuantity(*ask.valid, Unit::second);
    } else if (figure.state == State::broken) {
        figure.why = "the slowest is " + printQuantity(figure.got->nominal, Unit::hertz) + ", " + whose +
                     printQuantity(limit, Unit::hertz);
    } else if (figure.state == State::strained) {
        figure.why = clock.unknown.empty() ? printQuantity(figure.got->max, Unit::hertz) + " in the worst case, " + whose +
                                                 printQuantity(limit, Unit::hertz)
                                           : clock.unknown;
    }
    if (detail == Detail::workings) {
        const Rational divide = settingOf(ways.front(), "divide");
        const std::string subject = figure.subject.name;
        const std::string rate = printQuantity(clock.hertz.nominal, Unit::hertz);
        figure.workings = {clockStep(clock, subject), askedStep(figure)};
        if (reach.most) {
            figure.workings.push_back(
                {"port's most", "from the part", {}, printQuantity(*reach.most, Unit::hertz), {partOrigin(figure)}});
        }
        figure.workings.push_back({"least divider",
                                   "f \u00f7 the lower of both",
                                   rate + " \u00f7 " + printQuantity(limit, Unit::hertz),
                                   roundedDecimal(clock.hertz.nominal / limit),
                                   {clockOrigin(clock, clock.hertz.nominal), askedOrigin(figure), partOrigin(figure)}});
        figure.workings.push_back({"rate",
                                   "f \u00f7 divide",
                                   rate + " \u00f7 " + printFactor(divide),
                                   printQuantity(figure.got->nominal, Unit::hertz),
                                   {clockOrigin(clock, clock.hertz.nominal), partOrigin(figure)}});
        if (spi.lanes > 1) {
            figure.workings.push_back(
                {"bytes",
                 "rate \u00d7 lanes \u00f7 8, while data flows",
                 printQuantity(figure.got->nominal, Unit::hertz) + " \u00d7 " + std::to_string(spi.lanes) + " \u00f7 8",
                 printFactor(figure.got->nominal * spi.lanes / 8) + " bytes/s",
                 {partOrigin(figure)}});
        }
        if (ask.valid) {
            const Rational shift = settingOf(ways.front(), "shift");
            figure.workings.push_back(
                {"sampled after the edge",
                 "(1/2 + shift) \u00f7 rate, not before the data stand",
                 "(1/2 + " + printFactor(shift) + ") \u00f7 " + printQuantity(figure.got->nominal, Unit::hertz),
                 printQuantity((Rational(1, 2) + shift) / figure.got->nominal, Unit::second),
                 {askedOrigin(figure), partOrigin(figure)}});
        }
        if (ask.reading) {
            figure.workings.push_back(
                {"reading " + printQuantity(*ask.reading, Unit::byte),
                 "(command 8 + address 24 + dummy + bytes \u00d7 8 \u00f7 lanes) \u00f7 rate",
                 readClocks(spi, ask).toString() + " \u00f7 " + printQuantity(figure.got->nominal, Unit::hertz),
                 printQuantity(readClocks(spi, ask) / figure.got->nominal, Unit::second),
                 {askedOrigin(figure), partOrigin(figure)}});
        }
        if (divide.isWhole() && !(divide / 2).isWhole() && divide != 1) {
            figure.workings.push_back({"duty",
                                       "an odd divider's halves differ by one cycle",
                                       printFactor((divide + 1) / 2) + " \u00f7 " + printFactor(divide),
                                       printQuantity((divide + 1) / (2 * divide), Unit::ratio, 4),
                                       {partOrigin(figure)}});
        }
        addErrorSteps(figure, clock);
    }
    return figure;
}

RateWindows spiRates(const SpiKind& spi, const ClocksAsk& ask, const SpiReach& reach) {
    if (!lacks(spi, ask).empty()) {
        return RateWindows::none();
    }
    Rational high = mostOf(ask, reach);
    if (ask.valid) {
        high = std::min(high, (Rational(1, 2) + (spi.shift.empty() ? Rational(0) : spi.shift.most())) / *ask.valid);
    }
    const Rational low = ask.reading && ask.within ? readClocks(spi, ask) / *ask.within : Rational(0);
    return low > high ? RateWindows::none() : RateWindows{{{low, high, spi.divide}}, true};
}

} // namespace wisetick
