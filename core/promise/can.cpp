#include "promise/can.h"

#include "base/text.h"
#include "promise/can_search.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

Way wayOf(const CanCandidate& candidate, const CanKind& can, const CanAsk& ask) {
    const CanTiming& timing = candidate.timing;
    std::vector<Setting> settings{{"prescaler", timing.nominal.prescaler},
                                  {"seg1", timing.nominal.seg1},
                                  {"seg2", timing.nominal.seg2},
                                  {"sjw", timing.jump}};
    if (timing.data) {
        settings.insert(settings.end(), {{"data_prescaler", timing.data->prescaler},
                                         {"data_seg1", timing.data->seg1},
                                         {"data_seg2", timing.data->seg2},
                                         {"data_sjw", timing.dataJump}});
        const Rational offset = timing.data->prescaler * (1 + timing.data->seg1);
        if (canCompensates(can, *timing.data)) {
            settings.push_back({"delay", offset});
        }
    }
    Way way = wayThatGives(std::move(settings), candidate.slow->got, ask.bitsPerSecond);
    const Rational allowed = canTolerance(timing);
    std::optional<Rational> margin = allowed.sign() > 0 ? std::optional(1 - candidate.worst / allowed) : std::nullopt;
    if (ask.tolerance.within) {
        const Rational room = 1 - candidate.worst / *ask.tolerance.within;
        margin = margin ? std::min(*margin, room) : room;
    }
    return judgedAs(std::move(way), {candidate.state, margin});
}

Text cableText(const CanAsk& ask) {
    return ask.cable ? phrase("{} of cable", printQuantity(*ask.cable, Unit::metre)) : phrase("the nodes");
}

Text whyOf(const PromiseFigure& figure, const CanCandidate& candidate, const CanKind& can, const CanAsk& ask,
           const Clock& clock) {
    if (figure.state == State::kept) {
        return {};
    }
    if (figure.state == State::strained && !clock.unknown.empty()) {
        return clock.unknown;
    }
    const bool isBroken = figure.state == State::broken;
    const Text when = isBroken ? "" : phrase(" in the worst case");
    const Rational& off = isBroken ? candidate.nominal : candidate.worst;
    const CanDivision& wrong =
        candidate.fast != nullptr && candidate.fast->nominal > candidate.slow->nominal ? *candidate.fast : *candidate.slow;
    const Text phase = &wrong == candidate.fast ? phrase("of the data phase ") : "";
    const bool isTolerance =
        (ask.tolerance.exactly && !candidate.nominal.isZero()) || (ask.tolerance.within && off > *ask.tolerance.within);
    if (isTolerance) {
        return phrase("the nearest rate {}is {}, {}{}, asked {}", phase, printQuantity(wrong.got.nominal, Unit::bitsPerSecond),
                      printError(wrong.error.nominal), when, toleranceText(ask.tolerance));
    }
    const std::int64_t propagation =
        propagationQuanta(can, ask, isBroken ? clock.hertz.nominal : clock.hertz.max, candidate.timing.nominal.prescaler);
    if (candidate.timing.nominal.seg1 - propagation < 1) {
        const std::string bit = printQuantity(1 / ask.bitsPerSecond, Unit::second);
        return phrase("there and back through {} takes {} quanta{}, and no bit of {} has room for them before its sample point",
                      cableText(ask), std::to_string(propagation), when, bit);
    }
    const auto nodeDelay = canNodeDelay(can, ask);
    const Rational& hertz = isBroken ? clock.hertz.nominal : clock.hertz.max;
    if (nodeDelay && candidate.timing.data && !canHearsItself(can, *candidate.timing.data, *nodeDelay, hertz)) {
        const CanBit& data = *candidate.timing.data;
        return phrase(
            "a sender samples its own data bits {} after they begin{}, and hears them only after the node delay of {}{}",
            printQuantity(data.prescaler * (1 + data.seg1) / hertz, Unit::second, 4), when,
            printQuantity(*nodeDelay, Unit::second),
            can.delay.empty() ? phrase("; this port has no delay compensation")
                              : phrase("; the port compensates with data prescalers {} to {} and the offsets that it has alone",
                                       can.delayPrescaler.least().toString(), can.delayPrescaler.most().toString()));
    }
    if (!nodeDelay) {
        return phrase("unknown: the nodes' own delay; say 'with node delay 200 ns'");
    }
    const auto conditions = canConditions(candidate.timing);
    const auto tightest = std::min_element(conditions.begin(), conditions.end(),
                                           [](const CanCondition& a, const CanCondition& b) { return a.allowed < b.allowed; });
    const Text rate = candidate.nominal.isZero()
                          ? ""
                          : phrase("the nearest rate {}is {}; ", phase, printQuantity(wrong.got.nominal, Unit::bitsPerSecond));
    if (tightest->allowed.sign() <= 0) {
        return phrase("{}these bits leave no room for any error {} ({})", rate, tightest->name, tightest->formula);
    }
    return phrase("{}off by {}{}, and the bus allows each node {} ({})", rate, printQuantity(off, Unit::ratio, 4), when,
                  printTolerance(tightest->allowed), tightest->formula);
}

/// Makes the steps of one CAN promise.
class CanWorkings {
public:
    CanWorkings(PromiseFigure& figure, const CanKind& can, const CanAsk& ask, const Clock& clock, const CanCandidate& candidate)
        : figure_(figure), can_(can), ask_(ask), clock_(clock), candidate_(candidate), subject_(figure.subject.name) {}

    void add() {
        const CanTiming& timing = candidate_.timing;
        figure_.workings = {clockStep(clock_, subject_), askedStep(figure_)};
        addPhase("", timing.nominal, ask_.bitsPerSecond, *candidate_.slow, ask_.sample.value_or(canDefaultSample()),
                 !ask_.sample);
        if (timing.data) {
            const Rational sample = ask_.dataSample.value_or(ask_.sample.value_or(canDefaultSample()));
            addPhase(phrase("data "), *timing.data, *ask_.data, *candidate_.fast, sample, !ask_.dataSample && !ask_.sample);
        }
        addPropagation();
        for (const CanCondition& condition : canConditions(timing)) {
            addStep(phrase("each node may be off by, {}", condition.name), condition.formula, condition.numbers,
                    condition.allowed.sign() > 0 ? printTolerance(condition.allowed) : "nothing");
        }
        addStep(phrase("is off by"), phrase("rate and source together, at the corners"), {},
                printQuantity(candidate_.worst, Unit::ratio, 4));
        if (const auto cable = longestCable(can_, ask_, clock_, timing)) {
            addStep(phrase("longest cable"), phrase("as long as every condition still holds"), {},
                    printQuantity(*cable, Unit::metre));
        }
        if (timing.data) {
            const Rational offset = timing.data->prescaler * (1 + timing.data->seg1);
            const bool isHeld = canCompensates(can_, *timing.data);
            addStep(
                phrase("delay compensation"), phrase("data prescaler \u00d7 quanta to the data sample point, in clock periods"),
                std::to_string(timing.data->prescaler) + " \u00d7 " + std::to_string(1 + timing.data->seg1),
                offset.toString() + (isHeld ? "" : phrase(", with this prescaler more than the port can compensate: left off")));
            if (const auto delay = canNodeDelay(can_, ask_); delay && !isHeld) {
                addStep(phrase("hears its own bits"),
                        phrase("(1 + seg1) \u00d7 data prescaler \u00f7 f, not before the node delay is over"),
                        offset.toString() + " \u00f7 " + printQuantity(clock_.hertz.max, Unit::hertz) + " \u2265 " +
                            printQuantity(*delay, Unit::second),
                        canHearsItself(can_, *timing.data, *delay, clock_.hertz.max) ? phrase("yes") : phrase("no"));
            }
        }
        addErrorSteps(figure_, clock_);
    }

private:
    void addStep(Text what, Text formula, Text numbers, Text result) {
        figure_.workings.push_back({std::move(what),
                                    std::move(formula),
                                    std::move(numbers),
                                    std::move(result),
                                    {partOrigin(figure_), clockOrigin(clock_, clock_.hertz.nominal), askedOrigin(figure_)}});
    }

    void addPhase(const std::string& name, const CanBit& bit, const Rational& rate, const CanDivision& division,
                  const Rational& sample, bool isDefault) {
        addStep(phrase("{}bit in quanta", name), "1 + seg1 + seg2",
                "1 + " + std::to_string(bit.seg1) + " + " + std::to_string(bit.seg2), std::to_string(bit.quanta()));
        addStep(name + "rate", phrase("f \u00f7 (prescaler \u00d7 quanta)"),
                printQuantity(clock_.hertz.nominal, Unit::hertz) + " \u00f7 (" + std::to_string(bit.prescaler) + " \u00d7 " +
                    std::to_string(bit.quanta()) + ")",
                printQuantity(division.got.nominal, Unit::bitsPerSecond) + ", " + printError(division.got.nominal / rate - 1));
        addStep(phrase("{}sample point", name),
                phrase("(1 + seg1) \u00f7 quanta, nearest to {}{}", printQuantity(sample, Unit::ratio),
                       isDefault ? phrase(", as none is asked") : ""),
                std::to_string(1 + bit.seg1) + " \u00f7 " + std::to_string(bit.quanta()),
                printQuantity(bit.samplePoint(), Unit::ratio, 4));
    }

    void addPropagation() {
        const CanTiming& timing = candidate_.timing;
        const Rational node = ask_.nodeDelay.value_or(can_.nodeDelay.value_or(Rational(0)));
        const bool isKnown = ask_.nodeDelay || can_.nodeDelay;
        addStep(phrase("there and back"), phrase("2 \u00d7 (node delay + cable \u00d7 5 ns/m), in quanta rounded up"),
                "2 \u00d7 (" + (isKnown ? printQuantity(node, Unit::second) : phrase("unknown, counted as 0 s")) + " + " +
                    printQuantity(ask_.cable.value_or(Rational(0)), Unit::metre) + " \u00d7 5 ns/m)",
                phrase("{} of seg1; phase segments {} and {}, jump {}", std::to_string(timing.propagation),
                       std::to_string(timing.nominal.seg1 - timing.propagation), std::to_string(timing.nominal.seg2),
                       std::to_string(timing.jump)));
    }

    PromiseFigure& figure_;
    const CanKind& can_;
    const CanAsk& ask_;
    const Clock& clock_;
    const CanCandidate& candidate_;
    std::string subject_;
};

} // namespace

std::vector<CanCondition> canConditions(const CanTiming& timing) {
    static const std::vector<Text> formulas{
        phrase("SJW \u00f7 (20 NBT)"), phrase("min(PS1, PS2) \u00f7 (2 (13 NBT \u2212 PS2))"), phrase("SJW_D \u00f7 (20 DBT)"),
        phrase("min(PS1, PS2) \u00f7 (2 ((6 DBT \u2212 PS2_D) BRP_D/BRP_N + 7 NBT))"),
        phrase("(SJW_D \u2212 max(0, BRP_N/BRP_D \u2212 1)) \u00f7 (2 ((2 NBT \u2212 PS2) BRP_N/BRP_D + PS2_D + 4 DBT))")};
    static const std::vector<Text> names{phrase("catch up within ten bits"), phrase("after an error flag"),
                                         phrase("catch up in the data phase"), phrase("from the error flag into data"),
                                         phrase("from data back to nominal")};
    std::vector<CanCondition> conditions;
    const std::vector<CanFraction> fractions = canFractions(timing);
    for (std::size_t i = 0; i < fractions.size(); ++i) {
        conditions.push_back({names[i], formulas[i],
                              std::to_string(fractions[i].num) + " \u00f7 " + std::to_string(fractions[i].den),
                              fractions[i].value()});
    }
    return conditions;
}

Rational canTolerance(const CanTiming& timing) {
    const std::vector<CanFraction> fractions = canFractions(timing);
    Rational least = fractions.front().value();
    for (const CanFraction& fraction : fractions) {
        least = std::min(least, fraction.value());
    }
    return least;
}

CanTiming canTimingOf(const CanKind& can, const CanAsk& ask, const Clock& clock, const std::vector<Setting>& settings) {
    const auto value = [&](const char* name) -> std::int64_t {
        const Rational* held = pinnedValue(settings, name);
        return held == nullptr ? 0 : held->toInt64().value_or(0);
    };
    CanTiming timing;
    timing.nominal = {value("prescaler"), value("seg1"), value("seg2")};
    timing.jump = value("sjw");
    if (pinnedValue(settings, "data_prescaler") != nullptr) {
        timing.data = CanBit{value("data_prescaler"), value("data_seg1"), value("data_seg2")};
        timing.dataJump = value("data_sjw");
    }
    timing.propagation = propagationQuanta(can, ask, clock.hertz.nominal, std::max<std::int64_t>(timing.nominal.prescaler, 1));
    return timing;
}

std::optional<Rational> longestCable(const CanKind& can, const CanAsk& ask, const Clock& clock, const CanTiming& timing) {
    const auto node = canNodeDelay(can, ask);
    if (!node) {
        return std::nullopt; // not known
    }
    const Bounds got = clock.hertz * (1 / Rational(timing.nominal.prescaler * timing.nominal.quanta()));
    const Rational worst = largestMagnitude(relativeError(got, ask.bitsPerSecond));
    CanTiming longer = timing;
    for (std::int64_t propagation = timing.nominal.seg1 - 1; propagation >= 1; --propagation) {
        longer.propagation = propagation;
        longer.jump = canJump(can.nominal.sjw, ask.jump, std::min(timing.nominal.seg1 - propagation, timing.nominal.seg2));
        if (longer.jump > 0 && worst <= canTolerance(longer)) {
            const Rational time = Rational(propagation * timing.nominal.prescaler) / clock.hertz.max / 2 - *node;
            return time.sign() > 0 ? std::optional(time / kCableSecondsPerMetre) : std::nullopt;
        }
    }
    return std::nullopt;
}

std::vector<Way> canWays(const CanKind& can, const CanAsk& ask, const Clock& clock, const std::vector<Setting>& pinned,
                         std::size_t most) {
    const CanSearch search(can, ask, clock, pinned);
    std::vector<CanCandidate> candidates = search.all();
    const auto end = candidates.begin() + static_cast<std::ptrdiff_t>(std::min(most, candidates.size()));
    std::partial_sort(candidates.begin(), end, candidates.end());
    std::vector<Way> ways;
    for (auto candidate = candidates.begin(); candidate != end; ++candidate) {
        ways.push_back(wayOf(*candidate, can, ask));
    }
    return ways;
}

PromiseFigure judgeCan(PromiseFigure figure, const CanKind& can, const CanAsk& ask, const Clock& clock,
                       const std::vector<Setting>& pinned, Detail detail) {
    figure.unit = Unit::bitsPerSecond;
    figure.asked = ask.bitsPerSecond;
    figure.isWorstKnown = clock.unknown.empty();
    figure.state = State::broken;
    if (ask.data && !can.data) {
        figure.why = phrase("this port has no data phase: it is not CAN FD");
        return figure;
    }
    if (ask.data && *ask.data < ask.bitsPerSecond) {
        figure.why = phrase("the data phase is slower than the nominal one");
        return figure;
    }
    const CanSearch search(can, ask, clock, pinned);
    const auto best = search.best();
    if (!best) {
        figure.why = pinned.empty()
                         ? phrase("no bit of {} can be made of {}", printQuantity(ask.bitsPerSecond, Unit::bitsPerSecond),
                                  printQuantity(clock.hertz.nominal, Unit::hertz))
                         : phrase("the pinned way is not one that this port has");
        return figure;
    }
    takeWay(figure, wayOf(*best, can, ask));
    figure.why = whyOf(figure, *best, can, ask, clock);
    if (detail == Detail::workings) {
        CanWorkings(figure, can, ask, clock, *best).add();
    }
    return figure;
}

RateWindows canRates(const CanKind& can, const CanAsk& ask) {
    const Rational mostByJump(1, 20); // SJW ÷ (20 NBT), and the jump is shorter than the bit
    Tolerance tolerance = ask.tolerance;
    if (!tolerance.exactly) {
        tolerance.within = std::min(ask.tolerance.within.value_or(mostByJump), mostByJump);
    }
    const CanPhase& phase = can.nominal;
    const FactorSet quanta =
        FactorSet::range(1 + phase.seg1.least() + phase.seg2.least(), 1 + phase.seg1.most() + phase.seg2.most());
    RateWindows windows{{}, false};
    for (const FactorSet& set : productSets(phase.prescaler, quanta).sets) {
        windows.combs.push_back(combOfRates(set, ask.bitsPerSecond, tolerance));
    }
    return windows;
}

} // namespace wisetick
