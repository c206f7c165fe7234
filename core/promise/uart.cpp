#include "promise/uart.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

/// Start, data, parity and the first stop bit.
Rational bitsIn(const UartFrame& frame) {
    return 2 + frame.dataBits + (frame.parity == 'N' ? 0 : 1);
}

/// What an ask allows in a mode, whatever the divisor.
Rational toleranceOf(const TalksAsk& ask, std::int64_t oversample) {
    return ask.tolerance.within ? *ask.tolerance.within : defaultUartTolerance(ask.frame, oversample);
}

/// A mode behind a setting of the port's prescaler.
struct Gear {
    const UartMode* mode = nullptr;
    Rational prescaler = 1;
    /// Ticks of the port's clock in a bit, for each of the divisor.
    Rational slow() const { return Rational(mode->oversample, mode->times) * prescaler; }
};

std::vector<Gear> gearsOf(const UartKind& uart) {
    std::vector<Gear> gears;
    for (const UartMode& mode : uart.modes) {
        if (uart.prescaler.empty()) {
            gears.push_back({&mode, 1});
        }
        for (std::int64_t i = 0; !uart.prescaler.empty() && i < uart.prescaler.count(); ++i) {
            gears.push_back({&mode, uart.prescaler.at(i)});
        }
    }
    return gears;
}

/// By how much of a bit an edge can be off its place: a tick of the clock where a bit is no whole number of them.
Rational edgeShare(const Rational& slow, const Rational& divisor) {
    const Rational ticks = divisor * slow;
    return ticks.isWhole() ? Rational(0) : 1 / ticks;
}

/// The smaller side of what the receiver stands with this divisor; where the port does not say how it samples, that of a sample
/// in the very middle of the bit.
Rational standsWith(const UartFrame& frame, std::int64_t oversample, const Rational& slow, const Rational& divisor) {
    const FrameWindow window = frameWindow(frame, oversample);
    const Rational smaller = oversample > 1 ? std::min(-window.low, window.high) : -window.low;
    return std::max(smaller - edgeShare(slow, divisor) / (bitsIn(frame) - Rational(1, 2)), Rational(0));
}

/// Half of a window in such a way that both ends off by it, each to its side, just fill it: (1 + t) ÷ (1 − t) − 1 = w.
Rational fairShare(const Rational& window) {
    return window.sign() > 0 ? window / (2 + window) : Rational(0);
}

/// The divisors on either side of a point that make a bit of whole ticks.
void addWholeTicks(const Gear& gear, const Rational& point, std::vector<Rational>& divisors) {
    constexpr std::int64_t kMostSteps = 64;
    const FactorSet& set = gear.mode->divisor;
    const Rational slow = gear.slow();
    const Rational beyond = set.isRange() ? set.step() : Rational(1, 1'000'000'000);
    auto below = set.atMost(point);
    auto above = set.atLeast(point);
    for (std::int64_t i = 0; i < kMostSteps && below && !(*below * slow).isWhole(); ++i) {
        below = set.atMost(*below - beyond);
    }
    for (std::int64_t i = 0; i < kMostSteps && above && !(*above * slow).isWhole(); ++i) {
        above = set.atLeast(*above + beyond);
    }
    for (const auto& divisor : {below, above}) {
        if (divisor) {
            divisors.push_back(*divisor);
        }
    }
}

/// Divisors next to every point at which the best one can lie: the error is monotonic in the divisor, so the best
/// of each state is a neighbour of the least worst case or of an end of that state's range.
std::vector<Rational> candidateDivisors(const Gear& gear, const TalksAsk& ask, const Bounds& hertz) {
    const UartMode& mode = *gear.mode;
    const Rational perDivisor = ask.bitsPerSecond * gear.slow();
    const Rational tolerance = toleranceOf(ask, mode.oversample);
    std::vector<Rational> points{hertz.nominal / perDivisor, (hertz.min + hertz.max) / (2 * perDivisor)};
    if (!ask.tolerance.exactly && tolerance.sign() > 0) {
        for (const Rational& rate : {hertz.nominal, hertz.max}) {
            points.push_back(rate / (perDivisor * (1 + tolerance)));
        }
        if (tolerance < 1) {
            for (const Rational& rate : {hertz.nominal, hertz.min}) {
                points.push_back(rate / (perDivisor * (1 - tolerance)));
            }
        }
    }
    std::vector<Rational> divisors;
    for (const Rational& point : points) {
        for (const Rational& divisor : mode.divisor.nearest(point)) {
            divisors.push_back(divisor);
        }
        addWholeTicks(gear, point, divisors); // whose edges all stand where they should
    }
    std::sort(divisors.begin(), divisors.end());
    divisors.erase(std::unique(divisors.begin(), divisors.end()), divisors.end());
    return divisors;
}

Way judgedWay(const UartKind& uart, const Gear& gear, const Rational& divisor, const TalksAsk& ask, const Clock& clock) {
    const UartMode& mode = *gear.mode;
    std::vector<Setting> settings{{"oversample", mode.oversample}, {"divisor", divisor}};
    if (!uart.prescaler.empty()) {
        settings.push_back({"prescaler", gear.prescaler});
    }
    if (ask.isOneWire) {
        settings.push_back({"one_wire", 1});
    }
    Way way = wayThatGives(std::move(settings), clock.hertz * (1 / (divisor * gear.slow())), ask.bitsPerSecond);
    if (ask.tolerance.exactly) {
        const Judgement exact = judgeExactly(way.error);
        return judgedAs(std::move(way), exact);
    }
    const Rational stands = standsWith(ask.frame, mode.oversample, gear.slow(), divisor);
    Judgement judgement = judgeWithin(way.error, ask.tolerance.within.value_or(fairShare(stands)), clock.unknown.empty());
    const bool isWiderThanItStands = ask.tolerance.within && *ask.tolerance.within > stands;
    const bool isSamplingUnknown = !ask.tolerance.within && mode.oversample == 1;
    if (judgement.state == State::kept && (isWiderThanItStands || isSamplingUnknown)) {
        judgement.state = State::strained;
    }
    return judgedAs(std::move(way), judgement);
}

bool isBetterUartWay(const Way& a, const Way& b) {
    const int order = compareWays(a, b);
    if (order != 0) {
        return order < 0;
    }
    const Rational oversampleA = settingOf(a, "oversample");
    const Rational oversampleB = settingOf(b, "oversample");
    if (oversampleA != oversampleB) {
        return oversampleA > oversampleB;
    }
    const Rational prescalerA = settingOf(a, "prescaler"); // less of it, the finer the divisor
    const Rational prescalerB = settingOf(b, "prescaler");
    return prescalerA != prescalerB ? prescalerA < prescalerB : settingOf(a, "divisor") < settingOf(b, "divisor");
}

/// The best way from the divisors next to the least worst case alone, where it is kept: there no other can be better.
std::optional<Way> keptAtOnce(const UartKind& uart, const TalksAsk& ask, const Clock& clock) {
    std::optional<Way> best;
    for (const Gear& gear : gearsOf(uart)) {
        const Rational balanced = (clock.hertz.min + clock.hertz.max) / (2 * ask.bitsPerSecond * gear.slow());
        for (const Rational& divisor : gear.mode->divisor.nearest(balanced)) {
            Way way = judgedWay(uart, gear, divisor, ask, clock);
            if (!best || isBetterUartWay(way, *best)) {
                best = std::move(way);
            }
        }
    }
    return best && best->state == State::kept && !ask.tolerance.exactly ? best : std::nullopt;
}

/// The gear of a way of this port.
Gear gearOf(const UartKind& uart, const Way& way) {
    const std::vector<Gear> gears = gearsOf(uart);
    const auto found = std::find_if(gears.begin(), gears.end(), [&](const Gear& gear) {
        return gear.mode->oversample == settingOf(way, "oversample") &&
               (uart.prescaler.empty() || gear.prescaler == settingOf(way, "prescaler"));
    });
    return found == gears.end() ? gears.front() : *found;
}

/// "128 \u00d7 ", where the port's rate is a multiple of its clock.
std::string timesText(const Gear& gear) {
    return gear.mode->times == 1 ? "" : std::to_string(gear.mode->times) + " \u00d7 ";
}

/// "16 \u00d7 4 \u00d7 ": what the divisor is multiplied by.
std::string slowText(const Gear& gear) {
    return (gear.mode->oversample == 1 ? "" : std::to_string(gear.mode->oversample) + " \u00d7 ") +
           (gear.prescaler == 1 ? "" : gear.prescaler.toString() + " \u00d7 ");
}

std::string divisionText(const UartKind& uart, const Clock& clock, const Way& way) {
    const Gear gear = gearOf(uart, way);
    return timesText(gear) + printQuantity(clock.hertz.nominal, Unit::hertz) + " \u00f7 (" + slowText(gear) +
           printFactor(settingOf(way, "divisor")) + ")";
}

Text whyOf(const PromiseFigure& figure, const UartKind& uart, const TalksAsk& ask, const Clock& clock, const Way& way) {
    if (ask.tolerance.exactly) {
        return toleranceWhy(figure, "exactly", clock);
    }
    const std::int64_t oversample = *settingOf(way, "oversample").toInt64();
    const Rational stands = standsWith(ask.frame, oversample, gearOf(uart, way).slow(), settingOf(way, "divisor"));
    const Rational tolerance = ask.tolerance.within.value_or(fairShare(stands));
    const bool isWithin = judgeWithin(way.error, tolerance, clock.unknown.empty()).state == State::kept;
    if (isWithin && ask.tolerance.within) {
        return phrase("the port's own receiver stands only {} of {}, asked within {}", printTolerance(stands),
                      printFrame(ask.frame), printTolerance(tolerance));
    }
    if (isWithin) {
        return phrase("unknown: how the port samples a bit without oversampling");
    }
    return toleranceWhy(figure, phrase("within {}", printTolerance(tolerance)), clock);
}

void addWorkings(PromiseFigure& figure, const UartKind& uart, const TalksAsk& ask, const Clock& clock,
                 const std::vector<Way>& ways, const std::string& subject) {
    const Way& best = ways.front();
    const Rational oversample = settingOf(best, "oversample");
    const Gear gear = gearOf(uart, best);
    const Text form = std::string(gear.mode->times == 1 ? "f" : "k \u00d7 f") + " \u00f7 (oversample" +
                      (uart.prescaler.empty() ? "" : phrase(" \u00d7 prescaler"));
    figure.workings = {clockStep(clock, subject), askedStep(figure)};
    figure.workings.push_back({phrase("exact divisor"),
                               phrase("{} \u00d7 rate)", form),
                               timesText(gear) + printQuantity(clock.hertz.nominal, Unit::hertz) + " \u00f7 (" + slowText(gear) +
                                   ask.bitsPerSecond.toString() + ")",
                               roundedDecimal(clock.hertz.nominal / (gear.slow() * ask.bitsPerSecond)),
                               {clockOrigin(clock, clock.hertz.nominal),
                                {phrase("asked"), ask.bitsPerSecond.toString(), Target::promise(figure.name), {}},
                                partOrigin(figure)}});
    figure.workings.push_back({phrase("divisor taken"),
                               phrase("of those that the port allows"),
                               {},
                               printFactor(settingOf(best, "divisor")),
                               {partOrigin(figure)}});
    figure.workings.push_back({phrase("rate"),
                               phrase("{} \u00d7 divisor)", form),
                               divisionText(uart, clock, best),
                               printQuantity(best.got.nominal, Unit::bitsPerSecond),
                               {clockOrigin(clock, clock.hertz.nominal), partOrigin(figure)}});
    addErrorSteps(figure, clock);
    if (!ask.tolerance.within && !ask.tolerance.exactly) {
        const FrameWindow window = frameWindow(ask.frame, *oversample.toInt64());
        const Rational divisor = settingOf(best, "divisor");
        const Rational stands = standsWith(ask.frame, *oversample.toInt64(), gear.slow(), divisor);
        const Rational edge = edgeShare(gear.slow(), divisor);
        const std::string edges =
            edge.isZero() ? "" : phrase(", less an edge off by {} of a bit", printQuantity(edge, Unit::ratio, 4));
        figure.workings.push_back(
            {"tolerance",
             phrase("w \u00f7 (2 + w), so that both ends off by it fill the smaller side w of the frame's window"),
             phrase("w = min({}, {}), {} over {}{}", printError(-window.low), printError(window.high), printFrame(ask.frame),
                    oversample.toString(), edges),
             printTolerance(fairShare(stands)),
             {askedOrigin(figure), partOrigin(figure)}});
    }
    for (const Way& way : ways) {
        if (settingOf(way, "oversample") != oversample) {
            figure.workings.push_back({phrase("over {} instead", settingOf(way, "oversample").toString()),
                                       phrase("{} \u00d7 divisor)", form),
                                       divisionText(uart, clock, way),
                                       printQuantity(way.got.nominal, Unit::bitsPerSecond) + ", " + printError(way.error.nominal),
                                       {clockOrigin(clock, clock.hertz.nominal), partOrigin(figure)}});
            break;
        }
    }
}

} // namespace

FrameWindow frameWindow(const UartFrame& frame, std::int64_t oversample) {
    const Rational bits = bitsIn(frame);
    const Rational half(1, 2);
    const Rational tick(1, oversample);
    return {-half / (bits - half), (half - tick) / (bits - half + tick)};
}

Rational latestStart(const UartFrame& frame, std::int64_t oversample, const Rational& error) {
    const Rational tick = oversample > 1 ? Rational(1, oversample) : Rational(0);
    return Rational(1, 2) - tick - (bitsIn(frame) - Rational(1, 2)) * abs(error);
}

Rational defaultUartTolerance(const UartFrame& frame, std::int64_t oversample) {
    return fairShare(standsWith(frame, oversample, oversample, 1));
}

std::vector<Way> uartWays(const UartKind& uart, const TalksAsk& ask, const Clock& clock, const std::vector<Setting>& pinned) {
    std::vector<Way> ways;
    const Rational* pinnedOversample = pinnedValue(pinned, "oversample");
    const Rational* pinnedDivisor = pinnedValue(pinned, "divisor");
    const Rational* pinnedPrescaler = pinnedValue(pinned, "prescaler");
    for (const Gear& gear : gearsOf(uart)) {
        if ((pinnedOversample != nullptr && *pinnedOversample != gear.mode->oversample) ||
            (pinnedPrescaler != nullptr && *pinnedPrescaler != gear.prescaler)) {
            continue;
        }
        if (pinnedDivisor != nullptr) {
            if (gear.mode->divisor.contains(*pinnedDivisor)) {
                ways.push_back(judgedWay(uart, gear, *pinnedDivisor, ask, clock));
            }
            continue;
        }
        for (const Rational& divisor : candidateDivisors(gear, ask, clock.hertz)) {
            ways.push_back(judgedWay(uart, gear, divisor, ask, clock));
        }
    }
    std::sort(ways.begin(), ways.end(), isBetterUartWay);
    return ways;
}

const std::vector<std::int64_t>& commonBitRates() {
    static const std::vector<std::int64_t> rates{1200,   2400,   4800,    9600,    14400,   19200,  28800,
                                                 38400,  57600,  76800,   115200,  230400,  250000, 460800,
                                                 500000, 921600, 1000000, 1500000, 2000000, 3000000};
    return rates;
}

std::vector<Way> uartTable(const UartKind& uart, const TalksAsk& ask, const Clock& clock) {
    std::vector<Way> table;
    for (const std::int64_t rate : commonBitRates()) {
        TalksAsk each = ask;
        each.bitsPerSecond = rate;
        const std::vector<Way> ways = uartWays(uart, each, clock);
        if (!ways.empty()) {
            table.push_back(ways.front());
        }
    }
    return table;
}

PromiseFigure judgeUart(PromiseFigure figure, const UartKind& uart, const TalksAsk& ask, const Clock& clock,
                        const std::vector<Setting>& pinned, Detail detail) {
    figure.unit = Unit::bitsPerSecond;
    figure.asked = ask.bitsPerSecond;
    figure.isWorstKnown = clock.unknown.empty();
    if (ask.isOneWire && !uart.hasOneWire) {
        figure.state = State::broken;
        figure.why = phrase("this port can't talk on one wire");
        return figure;
    }
    std::vector<Way> ways;
    if (auto kept = detail != Detail::workings && pinned.empty() ? keptAtOnce(uart, ask, clock) : std::nullopt) {
        ways.push_back(std::move(*kept));
    } else {
        ways = uartWays(uart, ask, clock, pinned);
    }
    if (ways.empty()) {
        figure.state = State::broken;
        figure.why = pinned.empty() ? phrase("this port has no mode") : phrase("the pinned way is not one that this port has");
        return figure;
    }
    takeWay(figure, ways.front());
    if (figure.state != State::kept) {
        figure.why = whyOf(figure, uart, ask, clock, ways.front());
    }
    if (detail == Detail::workings) {
        addWorkings(figure, uart, ask, clock, ways, figure.subject.name);
    }
    return figure;
}

RateWindows uartRates(const UartKind& uart, const TalksAsk& ask) {
    RateWindows windows;
    for (const Gear& gear : gearsOf(uart)) {
        const UartMode& mode = *gear.mode;
        Tolerance tolerance = ask.tolerance;
        if (!tolerance.exactly) {
            tolerance.within = std::max(toleranceOf(ask, mode.oversample), Rational(0));
        }
        const bool hasParts = !mode.divisor.isRange() || !mode.divisor.step().isWhole();
        windows.isTight = windows.isTight && (!hasParts || ask.tolerance.within || ask.tolerance.exactly);
        windows.combs.push_back(combOfRates(scaled(mode.divisor, gear.slow()), ask.bitsPerSecond, tolerance));
    }
    return windows;
}

} // namespace wisetick
