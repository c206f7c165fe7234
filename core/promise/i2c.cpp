#include "promise/i2c.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <cmath>
#include <tuple>

namespace wisetick {

namespace {

bool isRiseTold(const BusAsk& ask) {
    return ask.rise || (ask.pull && ask.load);
}

Rational edges(const BusAsk& ask) {
    return riseOf(ask) + ask.fall.value_or(Rational(0));
}

/// The slowest that is kept, Hz: half of what was asked, and of a management bus no less than 10 kHz.
Rational slowestOf(const BusAsk& ask) {
    const Rational half = ask.hertz / 2;
    return ask.isSmbus ? std::max(half, Rational(10000)) : half;
}

/// Counts of both phases behind one prescaler.
struct Counts {
    Rational prescaler;
    Rational low;
    Rational high;
    bool operator==(const Counts&) const = default;
};

Bounds phase(const Rational& counts, const Rational& prescaler, const Rational& fixed, const Clock& clock) {
    return inverse(clock.hertz, prescaler * counts + fixed);
}

/// The bus clock of some counts: the phases, and the edges that the lines take on top.
Way judgedWay(const Counts& counts, const I2cKind& bus, const BusAsk& ask, const Clock& clock, const I2cGrade& grade) {
    const bool isKnown = clock.unknown.empty();
    const Bounds low = phase(counts.low, counts.prescaler, bus.fixedLow, clock);
    const Bounds high = phase(counts.high, counts.prescaler, bus.fixedHigh, clock);
    const Bounds phasesTogether = low + high;
    // as fast as without any edge, as slow as with the longest
    const Bounds period{phasesTogether.min, phasesTogether.nominal + edges(ask), phasesTogether.max + edges(ask)};
    const Bounds got = inverse(period);
    const Judgement phases = both(judgeAtLeast(low, grade.low, isKnown), judgeAtLeast(high, grade.high, isKnown));
    const State slow = judgeAtLeast(got, slowestOf(ask), isKnown).state;
    const Judgement rate = judgeAtMost(got, ask.hertz, isKnown);
    std::vector<Setting> settings{{"prescaler", counts.prescaler}, {"low", counts.low}, {"high", counts.high}};
    State data = State::kept;
    // data stands before the clock rises, past its own edge, and holds over the clock's falling edge
    for (const auto& [name, set, time] :
         {std::tuple("setup", &bus.setup, (isRiseTold(ask) ? riseOf(ask) : grade.longestRise) + grade.setup),
          std::tuple("hold", &bus.hold, ask.fall.value_or(grade.longestFall))}) {
        if (!set->empty()) {
            const Rational cycles = std::max(time * clock.hertz.max / counts.prescaler, set->least());
            const auto enough = set->atLeast(cycles);
            settings.push_back({name, enough.value_or(set->most())});
            data = enough ? data : State::broken;
        }
    }
    return judgedAs(wayThatGives(std::move(settings), got, ask.hertz),
                    {worseState(worseState(data, slow), worseState(rate.state, phases.state)), rate.margin});
}

/// The fewest counts at a clock of that rate that are neither too fast nor too short; more low than high, as the bus wants
/// it. Clamped to the counters.
std::optional<Counts> countsFor(const I2cKind& bus, const BusAsk& ask, const Rational& hertz, const Rational& edge,
                                const I2cGrade& grade, const Rational& prescaler) {
    const auto least = [&](const Rational& time, const Rational& fixed, const FactorSet& set) {
        return set.atLeast(std::max(Rational(1), (time * hertz - fixed) / prescaler)).value_or(set.most());
    };
    Rational low = least(grade.low, bus.fixedLow, bus.low);
    const Rational high = least(grade.high, bus.fixedHigh, bus.high);
    const Rational rest = 1 / ask.hertz - edge; // for both phases
    if (rest.sign() > 0) {
        const Rational both = (rest * hertz - bus.fixedLow - bus.fixedHigh) / prescaler;
        if (low + high < both) {
            low = bus.low.atLeast(both - high).value_or(bus.low.most());
        }
        if (low + high < both) {
            return Counts{prescaler, low, bus.high.atLeast(both - low).value_or(bus.high.most())};
        }
    }
    return Counts{prescaler, low, high};
}

bool isBetterI2cWay(const Way& a, const Way& b) {
    if (a.state != b.state) {
        return worseState(a.state, b.state) == b.state;
    }
    if (a.got.nominal != b.got.nominal) {
        return a.state == State::broken ? abs(a.error.nominal) < abs(b.error.nominal) : a.got.nominal > b.got.nominal;
    }
    return settingOf(a, "prescaler") < settingOf(b, "prescaler");
}

Text whyOf(const PromiseFigure& figure, const I2cKind& bus, const BusAsk& ask, const Clock& clock, const I2cGrade& grade) {
    if (figure.state == State::kept) {
        return {};
    }
    if (figure.state == State::strained && !clock.unknown.empty()) {
        return clock.unknown;
    }
    const bool isBroken = figure.state == State::broken;
    const Text when = isBroken ? "" : phrase(" in the worst case");
    const Rational& rate = isBroken ? figure.got->nominal : figure.got->max;
    if (rate > ask.hertz) {
        return phrase("{}{}, asked at most {}", printQuantity(rate, Unit::hertz), when, printQuantity(ask.hertz, Unit::hertz));
    }
    if (const Rational& slowest = isBroken ? figure.got->nominal : figure.got->min; slowest < slowestOf(ask)) {
        return printQuantity(slowest, Unit::hertz) + when +
               (slowest < ask.hertz / 2 ? phrase(", less than half of the {} asked", printQuantity(ask.hertz, Unit::hertz))
                                        : phrase(", and the management bus asks at least 10 kHz"));
    }
    const Rational& hertz = isBroken ? clock.hertz.nominal : clock.hertz.max;
    const Way way{figure.settings, *figure.got, *figure.error, figure.state, figure.margin};
    const Rational low = (settingOf(way, "prescaler") * settingOf(way, "low") + bus.fixedLow) / hertz;
    const bool isLow = low < grade.low;
    const Rational high = (settingOf(way, "prescaler") * settingOf(way, "high") + bus.fixedHigh) / hertz;
    return phrase("{} for {}{}, {} mode needs {}", std::string(isLow ? "low" : "high"),
                  printQuantity(isLow ? low : high, Unit::second), when, grade.name,
                  printQuantity(isLow ? grade.low : grade.high, Unit::second));
}

void addWorkings(PromiseFigure& figure, const I2cKind& bus, const BusAsk& ask, const Clock& clock, const Way& way,
                 const I2cGrade& grade, const std::string& subject) {
    const Rational prescaler = settingOf(way, "prescaler");
    const std::string rate = printQuantity(clock.hertz.nominal, Unit::hertz);
    figure.workings = {clockStep(clock, subject), askedStep(figure)};
    figure.workings.push_back(
        {phrase("grade"),
         phrase("{} mode of the bus, to {}", grade.name, printQuantity(grade.fastest, Unit::hertz)),
         {},
         phrase("low {}, high {} at least", printQuantity(grade.low, Unit::second), printQuantity(grade.high, Unit::second)),
         {askedOrigin(figure)}});
    if (ask.pull && ask.load && !ask.rise) {
        figure.workings.push_back({phrase("rise"),
                                   phrase("ln(0.7 \u00f7 0.3) \u00d7 R \u00d7 C, from 30 % to 70 % of the supply"),
                                   printQuantity(*ask.pull, Unit::ohm) + " \u00d7 " + printQuantity(*ask.load, Unit::farad),
                                   printQuantity(riseOf(ask), Unit::second),
                                   {askedOrigin(figure)}});
    }
    const auto add = [&](const Text& what, const char* counts, const Rational& fixed) {
        const Rational value = settingOf(way, counts);
        figure.workings.push_back(
            {what,
             phrase("(prescaler \u00d7 counts + fixed) \u00f7 f"),
             "(" + printFactor(prescaler) + " \u00d7 " + printFactor(value) + " + " + printFactor(fixed) + ") \u00f7 " + rate,
             printQuantity((prescaler * value + fixed) / clock.hertz.nominal, Unit::second),
             {partOrigin(figure), clockOrigin(clock, clock.hertz.nominal)}});
    };
    add(phrase("low phase"), "low", bus.fixedLow);
    add(phrase("high phase"), "high", bus.fixedHigh);
    figure.workings.push_back({phrase("period"),
                               phrase("low + high + rise + fall"),
                               printQuantity(1 / way.got.nominal - edges(ask), Unit::second) + " + " +
                                   printQuantity(riseOf(ask), Unit::second) + " + " +
                                   printQuantity(ask.fall.value_or(Rational(0)), Unit::second),
                               printQuantity(1 / way.got.nominal, Unit::second),
                               {askedOrigin(figure), partOrigin(figure)}});
    for (const char* name : {"setup", "hold"}) {
        if (const Rational cycles = settingOf(way, name); cycles.sign() > 0) {
            const bool isSetup = std::string(name) == "setup";
            figure.workings.push_back({isSetup ? phrase("data set-up") : phrase("data hold"),
                                       isSetup ? phrase("long enough for the rise and the grade's set-up, at the fastest clock")
                                               : phrase("over the falling edge, at the fastest clock"),
                                       printFactor(prescaler) + " \u00d7 " + printFactor(cycles) + " \u00f7 " + rate,
                                       printQuantity(prescaler * cycles / clock.hertz.nominal, Unit::second),
                                       {partOrigin(figure)}});
        }
    }
    addErrorSteps(figure, clock);
}

/// What the bus specification does not allow of fall, load and pull-up; empty where it allows all.
Text forbiddenBy(const I2cGrade& grade, const BusAsk& ask, const std::optional<Rational>& supply) {
    if (ask.fall && *ask.fall > grade.longestFall) {
        return phrase("a fall of {} is longer than the {} of {} mode", printQuantity(*ask.fall, Unit::second),
                      printQuantity(grade.longestFall, Unit::second), grade.name);
    }
    if (ask.load && *ask.load > grade.mostLoad) {
        return phrase("a load of {} is more than the {} of {} mode", printQuantity(*ask.load, Unit::farad),
                      printQuantity(grade.mostLoad, Unit::farad), grade.name);
    }
    const Rational low(2, 5); // V, of a line that is pulled down
    if (ask.pull && supply && *supply > low && *ask.pull < (*supply - low) / grade.sinks) {
        return phrase("a pull-up of {} is less than the {} that {} mode can pull down at {}", printQuantity(*ask.pull, Unit::ohm),
                      printQuantity((*supply - low) / grade.sinks, Unit::ohm), grade.name, printQuantity(*supply, Unit::volt));
    }
    return {};
}

/// For every prescaler the fewest counts at the fastest and at the nominal clock.
std::vector<Counts> candidatesOf(const I2cKind& bus, const BusAsk& ask, const Clock& clock, const std::vector<Setting>& pinned,
                                 const I2cGrade& grade) {
    std::vector<Counts> candidates;
    const Rational* prescalerPinned = pinnedValue(pinned, "prescaler");
    const Rational* lowPinned = pinnedValue(pinned, "low");
    const Rational* highPinned = pinnedValue(pinned, "high");
    for (std::int64_t i = 0; i < bus.prescaler.size().toInt64().value_or(0); ++i) {
        const Rational prescaler = bus.prescaler.at(i);
        if (prescalerPinned != nullptr && *prescalerPinned != prescaler) {
            continue;
        }
        for (const auto& [hertz, edge] : {std::pair(clock.hertz.max, Rational(0)), std::pair(clock.hertz.max, edges(ask)),
                                          std::pair(clock.hertz.nominal, edges(ask))}) {
            auto counts = countsFor(bus, ask, hertz, edge, grade, prescaler);
            if (lowPinned != nullptr) {
                counts->low = *lowPinned;
            }
            if (highPinned != nullptr) {
                counts->high = *highPinned;
            }
            const bool isNew = candidates.empty() || !(*counts == candidates.back());
            if (bus.low.contains(counts->low) && bus.high.contains(counts->high) && isNew) {
                candidates.push_back(*counts);
            }
        }
    }
    return candidates;
}

/// The best of the ways without judging all: from the fastest on, until one is kept, as what follows is only slower.
std::optional<Way> bestWay(const I2cKind& bus, const BusAsk& ask, const Clock& clock, const std::vector<Setting>& pinned,
                           const I2cGrade& grade) {
    std::vector<Counts> candidates = candidatesOf(bus, ask, clock, pinned, grade);
    const auto cycles = [](const Counts& counts) { return counts.prescaler * (counts.low + counts.high); };
    std::stable_sort(candidates.begin(), candidates.end(),
                     [&](const Counts& a, const Counts& b) { return cycles(a) < cycles(b); });
    std::optional<Way> best;
    for (const Counts& counts : candidates) {
        Way way = judgedWay(counts, bus, ask, clock, grade);
        if (!best || isBetterI2cWay(way, *best)) {
            best = std::move(way);
        }
        if (best->state == State::kept) {
            break;
        }
    }
    return best;
}

} // namespace

Rational riseOf(const BusAsk& ask) {
    if (ask.rise || !ask.pull || !ask.load) {
        return ask.rise.value_or(Rational(0));
    }
    const double exact = std::log(0.7 / 0.3) * ask.pull->toDouble() * ask.load->toDouble();
    const Rational picosecond = powerOfTen(-12);
    const Rational near = quantised(exact, picosecond);
    return near.toDouble() < exact ? near + picosecond : near;
}

std::optional<I2cGrade> i2cGrade(const Rational& hertz) {
    const Rational nanosecond = powerOfTen(-9);
    const Rational picofarad = powerOfTen(-12);
    const Rational milliampere = powerOfTen(-3);
    static const std::vector<I2cGrade> grades{{"standard", 100000, nanosecond * 4700, nanosecond * 4000, nanosecond * 1000,
                                               nanosecond * 250, nanosecond * 300, picofarad * 400, milliampere * 3},
                                              {"fast", 400000, nanosecond * 1300, nanosecond * 600, nanosecond * 300,
                                               nanosecond * 100, nanosecond * 300, picofarad * 400, milliampere * 3},
                                              {phrase("fast plus"), 1000000, nanosecond * 500, nanosecond * 260, nanosecond * 120,
                                               nanosecond * 50, nanosecond * 120, picofarad * 550, milliampere * 20},
                                              {"high-speed", 3400000, nanosecond * 160, nanosecond * 60, nanosecond * 40,
                                               nanosecond * 10, nanosecond * 40, picofarad * 100, milliampere * 3}};
    const auto found = std::find_if(grades.begin(), grades.end(), [&](const I2cGrade& grade) { return hertz <= grade.fastest; });
    return found == grades.end() ? std::nullopt : std::optional(*found);
}

std::vector<Way> i2cWays(const I2cKind& bus, const BusAsk& ask, const Clock& clock, const std::vector<Setting>& pinned) {
    std::vector<Way> ways;
    if (const auto grade = i2cGrade(ask.hertz)) {
        for (const Counts& counts : candidatesOf(bus, ask, clock, pinned, *grade)) {
            ways.push_back(judgedWay(counts, bus, ask, clock, *grade));
        }
    }
    std::stable_sort(ways.begin(), ways.end(), isBetterI2cWay);
    return ways;
}

PromiseFigure judgeI2c(PromiseFigure figure, const I2cKind& bus, const BusAsk& ask, const Clock& clock,
                       const std::vector<Setting>& pinned, Detail detail, const std::optional<Rational>& supply) {
    figure.unit = Unit::hertz;
    figure.asked = ask.hertz;
    figure.isWorstKnown = clock.unknown.empty();
    figure.state = State::broken;
    const auto grade = i2cGrade(ask.hertz);
    if (!grade || (bus.fastest && ask.hertz > *bus.fastest)) {
        figure.why = grade ? phrase("this port drives the bus to {} only", printQuantity(*bus.fastest, Unit::hertz))
                           : phrase("the bus has no grade above 3.4 MHz");
        return figure;
    }
    if (Text forbidden = forbiddenBy(*grade, ask, supply); !forbidden.empty()) {
        figure.why = std::move(forbidden);
        return figure;
    }
    if (riseOf(ask) > grade->longestRise) {
        figure.why =
            phrase("a rise of {} is longer than the {} of {} mode: stronger pull-ups, or a shorter bus",
                   printQuantity(riseOf(ask), Unit::second), printQuantity(grade->longestRise, Unit::second), grade->name);
        return figure;
    }
    const auto best = bestWay(bus, ask, clock, pinned, *grade);
    if (!best) {
        figure.why = phrase("the pinned way is not one that this port has");
        return figure;
    }
    takeWay(figure, *best);
    figure.why = whyOf(figure, bus, ask, clock, *grade);
    if (detail == Detail::workings) {
        addWorkings(figure, bus, ask, clock, *best, *grade, figure.subject.name);
    }
    return figure;
}

RateWindows i2cRates(const I2cKind& bus, const BusAsk& ask) {
    const auto grade = i2cGrade(ask.hertz);
    if (!grade || (bus.fastest && ask.hertz > *bus.fastest) || riseOf(ask) > grade->longestRise) {
        return RateWindows::none();
    }
    const Rational low = bus.prescaler.most() * bus.low.most() + bus.fixedLow;
    const Rational high = bus.prescaler.most() * bus.high.most() + bus.fixedHigh;
    Rational fastest = std::min(low / grade->low, high / grade->high);
    const Rational rest = 1 / ask.hertz - edges(ask);
    if (rest.sign() > 0) {
        fastest = std::min(fastest, (low + high) / rest);
    }
    const Rational least = bus.prescaler.least() * (bus.low.least() + bus.high.least()) + bus.fixedLow + bus.fixedHigh;
    const Rational longest = 1 / slowestOf(ask) - edges(ask); // slower is broken
    if (longest.sign() <= 0 || least / longest > fastest) {
        return RateWindows::none();
    }
    return {{{least / longest, fastest}}, false};
}

} // namespace wisetick
