#include "promise/spi.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

/// s, along the trace to the device and back.
Rational traceTime(const ClocksAsk& ask) {
    const Rational secondsPerMetre(7, 1000000000); // on a printed board
    return ask.trace.value_or(Rational(0)) * secondsPerMetre * 2;
}

Rational mostOf(const ClocksAsk& ask, const SpiReach& reach) {
    return reach.most ? std::min(ask.hertz, *reach.most) : ask.hertz;
}

/// At most the limit; a worst case may be over it by the slack.
Judgement judgeLimit(const Bounds& got, const Rational& limit, const Rational& slack, bool isWorstKnown) {
    const Judgement strict = judgeAtMost(got, limit, isWorstKnown);
    const bool isInSlack = strict.state == State::strained && isWorstKnown && got.max <= limit * (1 + slack);
    return isInSlack ? Judgement{State::kept, Rational(0)} : strict;
}

/// Sampled when the data stand, and before they go.
State judgeSampling(const SpiKind& spi, const ClocksAsk& ask, const Rational& divide, const Rational& shift, const Bounds& rate,
                    bool isWorstKnown) {
    const Bounds sampled = inverse(rate, spiHalves(divide).shorter + shift);
    const Judgement stands = judgeAtLeast(sampled, spiNeeds(spi, ask), isWorstKnown);
    const Bounds nominal = Bounds::exactly(rate.nominal);
    const State held = spiHolds(spi, ask, divide, shift, nominal).sign() < 0 ? State::broken
                       : spiHolds(spi, ask, divide, shift, rate).sign() < 0  ? State::strained
                                                                             : State::kept;
    return worseState(stands.state, held);
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
    if (spi.lanes.least() != spi.lanes.most()) {
        settings.push_back({"lanes", spiLanes(spi, ask)});
    }
    if (!spi.address.empty() && spi.address.least() != spi.address.most()) {
        settings.push_back({"address", spiAddress(ask)});
    }
    Judgement judgement = judgeLimit(got, mostOf(ask, reach), reach.slack, clock.unknown.empty());
    if (ask.reading && ask.within) {
        const Judgement time = judgeAtMost(inverse(got, readClocks(spi, ask)), *ask.within, clock.unknown.empty());
        judgement = {worseState(judgement.state, time.state), judgement.margin};
    }
    if (ask.valid) {
        const Rational shift = shiftFor(spi, ask, divide, got);
        if (shift.sign() > 0) {
            settings.push_back({"shift", shift});
        }
        judgement = {worseState(judgement.state, judgeSampling(spi, ask, divide, shift, got, clock.unknown.empty())),
                     judgement.margin};
    }
    return judgedAs(wayThatGives(std::move(settings), got, ask.hertz), judgement);
}

/// Of equal states the faster one; of broken ones that which is nearer to what was asked.
bool isBetterSpiWay(const Way& a, const Way& b) {
    if (a.state != b.state) {
        return worseState(a.state, b.state) == b.state;
    }
    if (a.state == State::broken && abs(a.error.nominal) != abs(b.error.nominal)) {
        return abs(a.error.nominal) < abs(b.error.nominal);
    }
    return a.got.nominal > b.got.nominal;
}

/// What of the ask the port has not at all; empty where it has everything.
Text lacks(const SpiKind& spi, const ClocksAsk& ask) {
    const auto next = [](const FactorSet& set, const Rational& value, Unit unit) {
        Text text;
        for (const Rational& near : set.nearest(value)) {
            text += (text.empty() ? "" : phrase(" and ")) + printQuantity(near, unit);
        }
        return text;
    };
    if (!spi.lanes.contains(spiLanes(spi, ask))) {
        return phrase("this port has no {} lanes", spiLanes(spi, ask).toString());
    }
    if (ask.size && !spi.address.empty() && !spi.address.contains(spiAddress(ask))) {
        return phrase("this port has no addresses of {}", printQuantity(spiAddress(ask), Unit::bit));
    }
    if (ask.size && spi.size.empty() && spi.address.empty()) {
        return phrase("this port maps no memory");
    }
    if (ask.size && !spi.size.empty() && !spi.size.contains(*ask.size)) {
        return phrase("a memory of {} does not go into its size field: next to it go {}", printQuantity(*ask.size, Unit::byte),
                      next(spi.size, *ask.size, Unit::byte));
    }
    if (ask.dummy && spi.dummy.empty()) {
        return phrase("this port has no dummy cycles");
    }
    if (ask.dummy && !spi.dummy.contains(*ask.dummy)) {
        return phrase("{} dummy cycles are not among those it has: next are {}", ask.dummy->toString(),
                      next(spi.dummy, *ask.dummy, Unit::count));
    }
    if (ask.reading && ask.size && *ask.reading > *ask.size) {
        return phrase("reading {} of a memory of {}", printQuantity(*ask.reading, Unit::byte),
                      printQuantity(*ask.size, Unit::byte));
    }
    return {};
}

/// Why the data are sampled too early or too late; empty where they are not.
Text samplingWhy(const PromiseFigure& figure, const SpiKind& spi, const ClocksAsk& ask, const Rational& divide) {
    if (figure.state == State::kept || !ask.valid) {
        return {};
    }
    const bool isBroken = figure.state == State::broken;
    const Bounds rate = isBroken ? Bounds::exactly(figure.got->nominal) : *figure.got;
    const Text when = isBroken ? "" : phrase(" in the worst case");
    const Rational shift = shiftFor(spi, ask, divide, *figure.got);
    const Rational sampled = (spiHalves(divide).shorter + shift) / rate.max;
    if (sampled < spiNeeds(spi, ask)) {
        const bool isMore = spi.setup || ask.trace;
        return phrase("samples {} after the edge{}, and the data stand only after {}{}", printQuantity(sampled, Unit::second),
                      when, printQuantity(spiNeeds(spi, ask), Unit::second), isMore ? phrase(", trace and set-up included") : "");
    }
    const Rational held = spiHolds(spi, ask, divide, shift, rate);
    if (held.sign() < 0) {
        return phrase("the next data are there {} before these are sampled and held{}{}", printQuantity(abs(held), Unit::second),
                      when, ask.held ? "" : phrase("; say how long the device holds them, 'held 2 ns'"));
    }
    return {};
}

} // namespace

SpiHalves spiHalves(const Rational& divide) {
    const bool isOdd = divide.isWhole() && !(divide / 2).isWhole() && divide != 1;
    return isOdd ? SpiHalves{(divide - 1) / (divide * 2), (divide + 1) / (divide * 2)} : SpiHalves{};
}

Rational spiNeeds(const SpiKind& spi, const ClocksAsk& ask) {
    return ask.valid.value_or(Rational(0)) + traceTime(ask) + spi.setup.value_or(Rational(0));
}

Rational shiftFor(const SpiKind& spi, const ClocksAsk& ask, const Rational& divide, const Bounds& rate) {
    if (!ask.valid || spi.shift.empty()) {
        return 0;
    }
    const Rational needed = spiNeeds(spi, ask) * rate.max - spiHalves(divide).shorter;
    return needed.sign() <= 0 ? Rational(0) : spi.shift.atLeast(needed).value_or(spi.shift.most());
}

Rational spiHolds(const SpiKind& spi, const ClocksAsk& ask, const Rational& divide, const Rational& shift, const Bounds& rate) {
    const Rational rest = 1 - spiHalves(divide).longer - shift; // of a clock, until the next data are let out
    return rest / (rest.sign() < 0 ? rate.min : rate.max) + ask.held.value_or(Rational(0)) + traceTime(ask) -
           spi.hold.value_or(Rational(0));
}

Rational spiLanes(const SpiKind& spi, const ClocksAsk& ask) {
    return ask.lanes.value_or(spi.lanes.most());
}

Rational spiAddress(const ClocksAsk& ask) {
    const Rational mostOfThreeBytes = 1 << 24;
    return ask.size && *ask.size > mostOfThreeBytes ? 32 : 24;
}

Rational readClocks(const SpiKind& spi, const ClocksAsk& ask) {
    // command and address go over one lane, whatever the port
    return 8 + spiAddress(ask) + ask.dummy.value_or(Rational(0)) +
           (ask.reading.value_or(Rational(0)) * 8 / spiLanes(spi, ask)).ceil();
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
            add(spi.divide.atLeast(std::max(hertz / limit, spiNeeds(spi, ask) * hertz / latest)));
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
    std::stable_sort(ways.begin(), ways.end(), isBetterSpiWay);
    ways.resize(std::min(most, ways.size()));
    return ways;
}

namespace {

/// When the data stand, when they are sampled, and how long they still stand.
void addSampling(PromiseFigure& figure, const SpiKind& spi, const ClocksAsk& ask, const Rational& divide, const Rational& shift) {
    const std::vector<Origin> origins{askedOrigin(figure), partOrigin(figure)};
    const auto time = [](const Rational& value) { return printQuantity(value, Unit::second); };
    const SpiHalves halves = spiHalves(divide);
    const Rational trace = traceTime(ask);
    if (spi.setup || ask.trace) {
        figure.workings.push_back({phrase("data stand after"), phrase("valid + trace there and back, 7 ns/m + the port's set-up"),
                                   time(*ask.valid) + " + " + time(trace) + " + " + time(spi.setup.value_or(Rational(0))),
                                   time(spiNeeds(spi, ask)), origins});
    }
    figure.workings.push_back({phrase("sampled after the edge"),
                               phrase("(shorter half + shift) \u00f7 rate, not before the data stand"),
                               "(" + printFactor(halves.shorter) + " + " + printFactor(shift) + ") \u00f7 " +
                                   printQuantity(figure.got->nominal, Unit::hertz),
                               time((halves.shorter + shift) / figure.got->nominal), origins});
    if (shift.sign() > 0 || ask.held || spi.hold) {
        const Rational rest = 1 - halves.longer - shift;
        figure.workings.push_back(
            {phrase("stand on after that"),
             phrase("(1 \u2212 longer half \u2212 shift) \u00f7 rate + held + trace \u2212 the port's hold, not below 0"),
             printFactor(rest) + " \u00f7 " + printQuantity(figure.got->nominal, Unit::hertz) + " + " +
                 time(ask.held.value_or(Rational(0))) + " + " + time(trace) + " \u2212 " + time(spi.hold.value_or(Rational(0))),
             time(spiHolds(spi, ask, divide, shift, Bounds::exactly(figure.got->nominal))), origins});
    }
}

} // namespace

PromiseFigure judgeSpi(PromiseFigure figure, const SpiKind& spi, const ClocksAsk& ask, const Clock& clock, const SpiReach& reach,
                       const std::vector<Setting>& pinned, Detail detail) {
    figure.unit = Unit::hertz;
    figure.asked = ask.hertz;
    figure.isWorstKnown = clock.unknown.empty();
    if (Text missing = lacks(spi, ask); !missing.empty()) {
        figure.state = State::broken;
        figure.why = std::move(missing);
        return figure;
    }
    const std::vector<Way> ways = spiWays(spi, ask, clock, reach, pinned, 1);
    if (ways.empty()) {
        figure.state = State::broken;
        figure.why = phrase("the pinned way is not one that this port has");
        return figure;
    }
    takeWay(figure, ways.front());
    const Rational limit = mostOf(ask, reach);
    const Text whose = limit == ask.hertz ? phrase("asked at most ") : phrase("the port's most is ");
    const Rational& readAt = figure.state == State::broken ? figure.got->nominal : figure.got->min;
    if (figure.state != State::kept && ask.reading && readClocks(spi, ask) / readAt > *ask.within) {
        figure.why =
            phrase("reading {} takes {}{}, asked at most {}", printQuantity(*ask.reading, Unit::byte),
                   printQuantity(readClocks(spi, ask) / readAt, Unit::second),
                   figure.state == State::broken ? "" : phrase(" in the worst case"), printQuantity(*ask.within, Unit::second));
    } else if (Text why = samplingWhy(figure, spi, ask, settingOf(ways.front(), "divide")); !why.empty()) {
        figure.why = std::move(why);
    } else if (figure.state == State::broken) {
        figure.why = phrase("the slowest is {}, {}{}", printQuantity(figure.got->nominal, Unit::hertz), whose,
                            printQuantity(limit, Unit::hertz));
    } else if (figure.state == State::strained) {
        figure.why = clock.unknown.empty() ? phrase("{} in the worst case, {}{}", printQuantity(figure.got->max, Unit::hertz),
                                                    whose, printQuantity(limit, Unit::hertz))
                                           : clock.unknown;
    }
    if (detail == Detail::workings) {
        const Rational divide = settingOf(ways.front(), "divide");
        const std::string subject = figure.subject.name;
        const std::string rate = printQuantity(clock.hertz.nominal, Unit::hertz);
        figure.workings = {clockStep(clock, subject), askedStep(figure)};
        if (reach.most) {
            figure.workings.push_back({phrase("port's most"),
                                       phrase("from the part"),
                                       {},
                                       printQuantity(*reach.most, Unit::hertz),
                                       {partOrigin(figure)}});
        }
        figure.workings.push_back({phrase("least divider"),
                                   phrase("f \u00f7 the lower of both"),
                                   rate + " \u00f7 " + printQuantity(limit, Unit::hertz),
                                   roundedDecimal(clock.hertz.nominal / limit),
                                   {clockOrigin(clock, clock.hertz.nominal), askedOrigin(figure), partOrigin(figure)}});
        figure.workings.push_back({phrase("rate"),
                                   phrase("f \u00f7 divide"),
                                   rate + " \u00f7 " + printFactor(divide),
                                   printQuantity(figure.got->nominal, Unit::hertz),
                                   {clockOrigin(clock, clock.hertz.nominal), partOrigin(figure)}});
        if (spiLanes(spi, ask) > 1) {
            figure.workings.push_back(
                {"bytes",
                 phrase("rate \u00d7 lanes \u00f7 8, while data flows"),
                 printQuantity(figure.got->nominal, Unit::hertz) + " \u00d7 " + spiLanes(spi, ask).toString() + " \u00f7 8",
                 printFactor(figure.got->nominal * spiLanes(spi, ask) / 8) + " bytes/s",
                 {partOrigin(figure)}});
        }
        if (ask.valid) {
            addSampling(figure, spi, ask, divide, settingOf(ways.front(), "shift"));
        }
        if (ask.reading) {
            figure.workings.push_back(
                {phrase("reading {}", printQuantity(*ask.reading, Unit::byte)),
                 phrase("(command 8 + address {} + dummy + bytes \u00d7 8 \u00f7 lanes) \u00f7 rate",
                        std::string(ask.size && *ask.size > (1 << 24) ? "32" : "24")),
                 readClocks(spi, ask).toString() + " \u00f7 " + printQuantity(figure.got->nominal, Unit::hertz),
                 printQuantity(readClocks(spi, ask) / figure.got->nominal, Unit::second),
                 {askedOrigin(figure), partOrigin(figure)}});
        }
        if (divide.isWhole() && !(divide / 2).isWhole() && divide != 1) {
            figure.workings.push_back({phrase("duty"),
                                       phrase("an odd divider's halves differ by one cycle"),
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
    if (ask.valid) { // the halves of odd dividers are shorter than that
        high = std::min(high, (Rational(1, 2) + (spi.shift.empty() ? Rational(0) : spi.shift.most())) / spiNeeds(spi, ask));
    }
    const Rational low = ask.reading && ask.within ? readClocks(spi, ask) / *ask.within : Rational(0);
    return low > high ? RateWindows::none() : RateWindows{{{low, high, spi.divide}}, !ask.valid};
}

} // namespace wisetick
