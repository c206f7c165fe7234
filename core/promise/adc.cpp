#include "promise/adc.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <cmath>

namespace wisetick {

namespace {

/// The resolution that is asked, or the most that the converter has; nothing where it has not that one.
std::optional<std::pair<std::int64_t, Rational>> conversionOf(const AdcKind& adc, const TakesAsk& ask) {
    for (const auto& [bits, cycles] : adc.conversion) {
        if (!ask.bits || *ask.bits == bits) {
            return std::pair(bits, cycles);
        }
    }
    return std::nullopt;
}

Rational channelsOf(const TakesAsk& ask) {
    return ask.channels.value_or(Rational(1));
}

Rational oversamplingOf(const TakesAsk& ask) {
    return ask.oversampled.value_or(Rational(1));
}

/// Conversions for one sample of every channel.
Rational conversionsOf(const TakesAsk& ask) {
    return channelsOf(ask) * oversamplingOf(ask);
}

bool isAllowed(const Rational& hertz, const AdcClockSpan& span) {
    return (!span.min || hertz >= *span.min) && (!span.max || hertz <= *span.max);
}

/// s, from the start of a single scan to its end. Its start-up is the longest there is.
Bounds scanTime(const AdcKind& adc, const TakesAsk& ask, const Bounds& converter, const Rational& cycles) {
    return inverse(converter, cycles * conversionsOf(ask)) + Bounds::exactly(adc.start.value_or(Rational(0)));
}

/// The way of one divider and sampling. Sampling too short at the fastest clock strains, at the nominal one breaks.
Way judgedWay(const AdcKind& adc, const TakesAsk& ask, const Clock& clock, const AdcClockSpan& span, const Rational& divide,
              const Rational& sample) {
    const auto [bits, cycles] = *conversionOf(adc, ask);
    const Bounds converter = clock.hertz * (1 / divide);
    const Bounds got = converter * (1 / ((sample + cycles) * conversionsOf(ask)));
    std::vector<Setting> settings{{"divide", divide}, {"sample", sample}, {"bits", Rational(bits)}};
    if (ask.oversampled) {
        settings.push_back({"oversample", *ask.oversampled});
    }
    const bool isKnown = clock.unknown.empty();
    if (ask.onceIn) {
        settings.push_back({"single", 1});
    }
    Way way = ask.onceIn ? wayThatGives(std::move(settings), scanTime(adc, ask, converter, sample + cycles), *ask.onceIn)
                         : wayThatGives(std::move(settings), got, ask.samplesPerSecond);
    Judgement judgement =
        ask.onceIn ? judgeAtMost(way.got, *ask.onceIn, isKnown) : judgeAtLeast(got, ask.samplesPerSecond, isKnown);
    if (const Rational least = leastSampleTime(adc, ask, bits); least.sign() > 0) {
        const Judgement sampling = judgeAtLeast(inverse(converter, sample), least, isKnown);
        judgement = {worseState(judgement.state, sampling.state), judgement.margin};
    }
    if (isKnown && !span.holds(converter)) {
        judgement.state = worseState(judgement.state, State::strained);
    }
    return judgedAs(std::move(way), judgement);
}

/// Of single scans that are in time the shorter one: the sooner it is over, the sooner there is rest.
bool isBetterAdcWay(const Way& a, const Way& b) {
    if (settingOf(a, "single").sign() > 0 && a.state == b.state && a.got.nominal != b.got.nominal) {
        return a.got.nominal < b.got.nominal;
    }
    const int order = compareWays(a, b);
    return order != 0 ? order < 0 : settingOf(a, "divide") < settingOf(b, "divide");
}

/// The shortest sampling that is long enough; the longest where none is.
Rational sampleFor(const AdcKind& adc, const Rational& least, const Rational& hertz) {
    return adc.sample.atLeast(least * hertz).value_or(adc.sample.most());
}

Text whyOf(const PromiseFigure& figure, const AdcKind& adc, const TakesAsk& ask, const Clock& clock, const AdcClockSpan& span,
           const Way& way) {
    if (figure.state == State::kept) {
        return {};
    }
    if (figure.state == State::strained && !clock.unknown.empty()) {
        return clock.unknown;
    }
    const bool isBroken = figure.state == State::broken;
    const Rational& rate = isBroken ? figure.got->nominal : figure.got->min;
    const Text when = isBroken ? "" : phrase(" in the worst case");
    const Rational& longest = isBroken ? figure.got->nominal : figure.got->max;
    if (ask.onceIn && longest > *ask.onceIn) {
        return phrase("{}{}, asked at most {}", printQuantity(longest, Unit::second), when,
                      printQuantity(*ask.onceIn, Unit::second));
    }
    if (!ask.onceIn && rate < ask.samplesPerSecond) {
        return phrase("{}{}, asked at least {}", printQuantity(rate, Unit::samples), when,
                      printQuantity(ask.samplesPerSecond, Unit::samples));
    }
    const Bounds converter = clock.hertz * (1 / settingOf(way, "divide"));
    const Rational& hertz = isBroken ? converter.nominal : converter.max;
    if (!isBroken && !span.holds(converter)) {
        const bool isFast = span.max && converter.max > *span.max * (1 + span.slack);
        return phrase("its clock is as {} as {}, and the converter takes {}", std::string(isFast ? "fast" : "slow"),
                      printQuantity(isFast ? converter.max : converter.min, Unit::hertz),
                      isFast ? phrase("at most {}", printQuantity(*span.max, Unit::hertz))
                             : phrase("at least {}", printQuantity(*span.min, Unit::hertz)));
    }
    const auto bits = settingOf(way, "bits").toInt64().value_or(0);
    return phrase("samples for {}{}, and needs {} through {}", printQuantity(settingOf(way, "sample") / hertz, Unit::second),
                  when, printQuantity(leastSampleTime(adc, ask, bits), Unit::second), printQuantity(*ask.ohm, Unit::ohm));
}

/// The steps of a single scan from the time of one channel on.
void addScanSteps(PromiseFigure& figure, const AdcKind& adc, const TakesAsk& ask, const Clock& clock, const Rational& channel) {
    figure.workings.push_back({phrase("start"),
                               phrase("from switched on to ready, at most"),
                               {},
                               adc.start ? printQuantity(*adc.start, Unit::second) : phrase("not told: it must be ready before"),
                               {partOrigin(figure)}});
    figure.workings.push_back({phrase("scan"),
                               phrase("start + one channel \u00d7 conversions"),
                               printQuantity(adc.start.value_or(Rational(0)), Unit::second) + " + " +
                                   printQuantity(channel, Unit::second) + " \u00d7 " + printFactor(conversionsOf(ask)),
                               printQuantity(figure.got->nominal, Unit::second),
                               {partOrigin(figure), askedOrigin(figure)}});
    addErrorSteps(figure, clock);
}

void addWorkings(PromiseFigure& figure, const AdcKind& adc, const TakesAsk& ask, const Clock& clock, const Way& way,
                 const AdcClockSpan& span, const std::string& subject) {
    const Rational divide = settingOf(way, "divide");
    const Rational sample = settingOf(way, "sample");
    const auto [bits, cycles] = *conversionOf(adc, ask);
    const Rational hertz = clock.hertz.nominal / divide;
    const std::string rate = printQuantity(hertz, Unit::hertz);
    figure.workings = {clockStep(clock, subject), askedStep(figure)};
    const auto end = [](const std::optional<Rational>& value) {
        return value ? printQuantity(*value, Unit::hertz) : std::string("none");
    };
    figure.workings.push_back({phrase("converter's clock"),
                               phrase("f \u00f7 divide, allowed from {} to {}", end(span.min), end(span.max)),
                               printQuantity(clock.hertz.nominal, Unit::hertz) + " \u00f7 " + printFactor(divide),
                               rate,
                               {clockOrigin(clock, clock.hertz.nominal), partOrigin(figure)}});
    if (const Rational least = leastSampleTime(adc, ask, bits); least.sign() > 0) {
        figure.workings.push_back({phrase("sampling needed"),
                                   phrase("(R + R_in) \u00d7 C \u00d7 ln(2^(bits + 2)), for a quarter of the least bit"),
                                   "(" + printQuantity(*ask.ohm, Unit::ohm) + " + " + printQuantity(*adc.resistance, Unit::ohm) +
                                       ") \u00d7 " + printQuantity(*adc.capacitance, Unit::farad) + " \u00d7 ln(2^" +
                                       std::to_string(bits + 2) + ")",
                                   printQuantity(least, Unit::second),
                                   {askedOrigin(figure), partOrigin(figure)}});
    }
    figure.workings.push_back({phrase("sampling"),
                               phrase("cycles \u00f7 converter's clock"),
                               printFactor(sample) + " \u00f7 " + rate,
                               printQuantity(sample / hertz, Unit::second),
                               {partOrigin(figure)}});
    figure.workings.push_back(
        {phrase("one channel"),
         phrase("(sampling + conversion) \u00f7 converter's clock"),
         phrase("({} + {}) \u00f7 {}, {} bit", printFactor(sample), printFactor(cycles), rate, std::to_string(bits)),
         printQuantity((sample + cycles) / hertz, Unit::second),
         {partOrigin(figure)}});
    const std::string over = ask.oversampled ? " \u00d7 " + ask.oversampled->toString() : std::string();
    if (ask.onceIn) {
        addScanSteps(figure, adc, ask, clock, (sample + cycles) / hertz);
        return;
    }
    figure.workings.push_back({"rate",
                               ask.oversampled ? phrase("1 \u00f7 (one channel \u00d7 channels \u00d7 oversampling)")
                                               : phrase("1 \u00f7 (one channel \u00d7 channels)"),
                               rate + " \u00f7 ((" + printFactor(sample) + " + " + printFactor(cycles) + ") \u00d7 " +
                                   printFactor(channelsOf(ask)) + over + ")",
                               printQuantity(way.got.nominal, Unit::samples),
                               {partOrigin(figure), askedOrigin(figure)}});
    if (ask.oversampled) {
        const double gained = std::log2(ask.oversampled->toDouble()) / 2;
        figure.workings.push_back({phrase("resolution"),
                                   phrase("bits + log2(oversampling) \u00f7 2, if the noise is white"),
                                   std::to_string(bits) + " + log2(" + ask.oversampled->toString() + ") \u00f7 2",
                                   phrase("{} bits", roundedDecimal(bits + quantised(gained, powerOfTen(-6)), 4)),
                                   {askedOrigin(figure), partOrigin(figure)}});
    }
    if (!ask.trigger.empty()) {
        const Rational scan = (sample + cycles) * conversionsOf(ask) / hertz;
        figure.workings.push_back(
            {phrase("a scan"),
             phrase("must be over before {} starts the next one", ask.trigger),
             phrase("{} of {}", printQuantity(scan, Unit::second), printQuantity(1 / ask.samplesPerSecond, Unit::second)),
             phrase("{} of the time", printQuantity(scan * ask.samplesPerSecond, Unit::ratio, 4)),
             {askedOrigin(figure), partOrigin(figure)}});
    }
    addErrorSteps(figure, clock);
}

} // namespace

Rational leastSampleTime(const AdcKind& adc, const TakesAsk& ask, std::int64_t bits) {
    if (!ask.ohm || !adc.resistance || !adc.capacitance) {
        return 0;
    }
    const double exact =
        (*ask.ohm + *adc.resistance).toDouble() * adc.capacitance->toDouble() * static_cast<double>(bits + 2) * std::log(2.0);
    const Rational picosecond = powerOfTen(-12);
    const Rational near = quantised(exact, picosecond);
    return near.toDouble() < exact ? near + picosecond : near;
}

std::vector<Way> adcWays(const AdcKind& adc, const TakesAsk& ask, const Clock& clock, const AdcClockSpan& span,
                         const std::vector<Setting>& pinned) {
    std::vector<Way> ways;
    const auto conversion = conversionOf(adc, ask);
    if (!conversion || adc.sample.empty()) {
        return ways;
    }
    const Rational least = leastSampleTime(adc, ask, conversion->first);
    const Rational* pinnedDivide = pinnedValue(pinned, "divide");
    const Rational* pinnedSample = pinnedValue(pinned, "sample");
    for (std::int64_t i = 0; i < adc.divide.size().toInt64().value_or(0); ++i) {
        const Rational divide = adc.divide.at(i);
        if ((pinnedDivide != nullptr && *pinnedDivide != divide) || !isAllowed(clock.hertz.nominal / divide, span)) {
            continue;
        }
        std::vector<Rational> samples{sampleFor(adc, least, clock.hertz.max / divide),
                                      sampleFor(adc, least, clock.hertz.nominal / divide)};
        if (pinnedSample != nullptr) {
            samples = adc.sample.contains(*pinnedSample) ? std::vector{*pinnedSample} : std::vector<Rational>();
        }
        samples.erase(std::unique(samples.begin(), samples.end()), samples.end());
        for (const Rational& sample : samples) {
            ways.push_back(judgedWay(adc, ask, clock, span, divide, sample));
        }
    }
    std::stable_sort(ways.begin(), ways.end(), isBetterAdcWay);
    return ways;
}

RateWindows adcRates(const AdcKind& adc, const TakesAsk& ask, const AdcClockSpan& span) {
    const auto conversion = conversionOf(adc, ask);
    const bool hasChannels = channelsOf(ask).isWhole() && channelsOf(ask) <= adc.channels;
    const bool hasOversampling = !ask.oversampled || (!adc.oversample.empty() && adc.oversample.contains(*ask.oversampled));
    RateWindows windows;
    if (!conversion || !hasChannels || !hasOversampling) {
        return windows;
    }
    const Rational least = leastSampleTime(adc, ask, conversion->first);
    for (std::int64_t i = 0; i < adc.sample.size().toInt64().value_or(0); ++i) {
        const Rational cycles = adc.sample.at(i) + conversion->second;
        Rational low = ask.samplesPerSecond * cycles * conversionsOf(ask);
        if (ask.onceIn) {
            const Rational left = *ask.onceIn - adc.start.value_or(Rational(0));
            if (left.sign() <= 0) {
                return windows;
            }
            low = cycles * conversionsOf(ask) / left;
        }
        low = std::max(low, span.min.value_or(Rational(0)));
        std::optional<Rational> high = span.max;
        if (least.sign() > 0) {
            const Rational slow = adc.sample.at(i) / least;
            high = high ? std::min(*high, slow) : slow;
        }
        if (!high || low <= *high) {
            windows.combs.push_back({low, high, adc.divide});
        }
    }
    return windows;
}

PromiseFigure judgeAdc(PromiseFigure figure, const AdcKind& adc, const TakesAsk& ask, const Clock& clock,
                       const AdcClockSpan& span, const std::vector<Setting>& pinned, Detail detail) {
    figure.unit = ask.onceIn ? Unit::second : Unit::samples;
    figure.asked = ask.onceIn ? *ask.onceIn : ask.samplesPerSecond;
    figure.isWorstKnown = clock.unknown.empty();
    figure.state = State::broken;
    if (!conversionOf(adc, ask)) {
        figure.why = phrase("this converter has no {}", printQuantity(*ask.bits, Unit::bit));
        return figure;
    }
    if (!channelsOf(ask).isWhole() || channelsOf(ask) > adc.channels) {
        figure.why = phrase("this converter has {} channels, asked {}", std::to_string(adc.channels),
                            printQuantity(channelsOf(ask), Unit::channel));
        return figure;
    }
    if (ask.oversampled && (adc.oversample.empty() || !adc.oversample.contains(*ask.oversampled))) {
        figure.why = adc.oversample.empty()
                         ? phrase("this converter can't add up conversions")
                         : phrase("this converter can't add up {} conversions: next to it is {}", ask.oversampled->toString(),
                                  adc.oversample.nearest(*ask.oversampled).front().toString());
        return figure;
    }
    const std::vector<Way> ways = adcWays(adc, ask, clock, span, pinned);
    if (ways.empty()) {
        figure.why = pinned.empty() ? phrase("no divider of {} is within the converter's {} to {}",
                                             printQuantity(clock.hertz.nominal, Unit::hertz),
                                             span.min ? printQuantity(*span.min, Unit::hertz) : phrase("0 Hz"),
                                             span.max ? printQuantity(*span.max, Unit::hertz) : phrase("any rate"))
                                    : phrase("the pinned way is not one that this converter has here");
        return figure;
    }
    takeWay(figure, ways.front());
    figure.why = whyOf(figure, adc, ask, clock, span, ways.front());
    if (detail == Detail::workings) {
        addWorkings(figure, adc, ask, clock, ways.front(), span, figure.subject.name);
    }
    return figure;
}

} // namespace wisetick
