#include "promise/pwm.h"

#include "base/text.h"
#include "promise/counter_search.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <cmath>

namespace wisetick {

namespace {

/// Those of the set that are at least so many.
FactorSet fromOn(const FactorSet& set, const Rational& least) {
    const auto first = set.atLeast(least);
    if (!first) {
        return {};
    }
    if (set.isRange()) {
        return FactorSet::range(*first, set.most(), set.step());
    }
    std::vector<Rational> values;
    for (std::int64_t i = 0; i < set.size().toInt64().value_or(0); ++i) {
        if (set.at(i) >= *first) {
            values.push_back(set.at(i));
        }
    }
    return FactorSet::list(std::move(values));
}

/// One channel asked for a rate and a duty.
class Pwm {
public:
    Pwm(const PwmChannel& channel, const DrivesAsk& ask, const Clock& clock)
        : timer_(channel.timer), number_(channel.number), slack_(channel.slack), ask_(ask), clock_(clock) {}

    Rational slopes() const { return timer_.isCentred ? 2 : 1; }
    /// So that a step of the duty is smaller than asked.
    Rational leastCounts() const { return ask_.stepUnder ? (1 / *ask_.stepUnder).floor() + 1 : Rational(1); }
    /// By how much the duty may be off: a step that is allowed, or half a per cent.
    Rational dutyTolerance() const { return ask_.stepUnder.value_or(Rational(1, 200)); }
    /// From so many counts on every duty is near enough.
    Rational countsForAnyDuty() const { return (1 / (2 * dutyTolerance())).ceil(); }
    Rational wantedProduct() const { return clock_.hertz.nominal / (ask_.hertz * slopes()); }
    Rational balancedProduct() const { return (clock_.hertz.min + clock_.hertz.max) / (2 * ask_.hertz * slopes()); }

    Rational compareFor(const Rational& counts) const {
        const Rational mostHeld = Rational(std::int64_t{1} << timer_.bits) - 1;
        return std::min((ask_.duty * counts).rounded(), mostHeld);
    }

    /// Counts of the clock in which both outputs are off, long enough at the fastest clock; the most where none is.
    std::optional<Rational> deadCounts() const {
        if (!ask_.dead || timer_.dead.empty()) {
            return std::nullopt;
        }
        const Rational needed = std::max(*ask_.dead * clock_.hertz.nominal, *ask_.dead * (1 - slack_) * clock_.hertz.max);
        return timer_.dead.atLeast(needed).value_or(timer_.dead.most());
    }

    /// The dead time is long enough at the nominal clock; at the fastest it may still be too short.
    bool isDeadLongEnough() const {
        const auto counts = deadCounts();
        return !ask_.dead || (counts && *counts / clock_.hertz.nominal >= *ask_.dead);
    }
    Judgement deadJudgement() const {
        const auto counts = deadCounts();
        if (!ask_.dead || !counts) {
            return {ask_.dead ? State::broken : State::kept, std::nullopt};
        }
        const Bounds dead{*counts / clock_.hertz.max, *counts / clock_.hertz.nominal, *counts / clock_.hertz.min};
        const Judgement strict = judgeAtLeast(dead, *ask_.dead, clock_.unknown.empty());
        const bool isInSlack = strict.state == State::strained && clock_.unknown.empty() && dead.min >= *ask_.dead * (1 - slack_);
        return isInSlack ? Judgement{State::kept, Rational(0)} : strict;
    }

    /// Ticks of the clock in which the output is on, and off, in a period, before the dead times.
    Rational onTicks(const Way& way) const {
        return settingOf(way, compareName(number_)) * settingOf(way, "prescaler") * slopes();
    }
    Rational offTicks(const Way& way) const {
        return (settingOf(way, "counts") - settingOf(way, compareName(number_))) * settingOf(way, "prescaler") * slopes();
    }
    /// Whether it switches on and off, each for a count and longer than the dead time. All of the time needs no off, none no on.
    bool doesSwitch(const Way& way) const {
        const Rational dead = deadCounts().value_or(Rational(0));
        return (ask_.duty.isZero() || onTicks(way) > dead) && (ask_.duty == 1 || offTicks(way) > dead);
    }
    bool isDutyNear(const Way& way) const { return dutyError(way) <= dutyTolerance(); }

    Way judgedWay(const CounterSetting& setting, const std::vector<Setting>& pinned) const {
        const Rational* held = pinnedValue(pinned, compareName(number_));
        std::vector<Setting> settings{{"prescaler", setting.prescaler},
                                      {"counts", setting.counts},
                                      {compareName(number_), held != nullptr ? *held : compareFor(setting.counts)}};
        if (const auto dead = deadCounts()) {
            settings.push_back({"dead", *dead});
        }
        const Bounds got = clock_.hertz * (1 / (setting.product() * slopes()));
        Way way = wayThatGives(std::move(settings), got, ask_.hertz);
        Judgement judgement = judgeTolerance(way.error, ask_.tolerance, clock_.unknown.empty());
        if (ask_.stepUnder) {
            judgement = both(judgement, judgeAtMost(Bounds::exactly(1 / setting.counts), *ask_.stepUnder, true));
            judgement.state = 1 / setting.counts < *ask_.stepUnder ? judgement.state : State::broken;
        }
        if (ask_.dead) {
            judgement = {worseState(judgement.state, deadJudgement().state), judgement.margin};
        }
        if (!isDutyNear(way) || !doesSwitch(way)) {
            judgement.state = State::broken;
        }
        return judgedAs(std::move(way), judgement);
    }

    Rational dutyError(const Way& way) const {
        return abs(settingOf(way, compareName(number_)) / settingOf(way, "counts") - ask_.duty);
    }

    bool isBetter(const Way& a, const Way& b) const {
        const int order = compareWays(a, b);
        if (order != 0) {
            return order < 0;
        }
        const Rational dutyA = dutyError(a);
        const Rational dutyB = dutyError(b);
        if (dutyA != dutyB) {
            return dutyA < dutyB;
        }
        const Rational countsA = settingOf(a, "counts");
        const Rational countsB = settingOf(b, "counts");
        return countsA != countsB ? countsA > countsB : settingOf(a, "prescaler") < settingOf(b, "prescaler");
    }

    std::optional<Way> bestWay(const std::vector<Setting>& pinned) const {
        const auto reach = pinnedReach({timer_.prescaler, timer_.counts}, pinned);
        if (!reach) {
            return std::nullopt;
        }
        for (const auto& [low, high] : isDeadLongEnough() ? rangesThatKeep() : std::vector<std::pair<Rational, Rational>>()) {
            std::optional<Way> best;
            if (const FactorSet fine = fromOn(reach->counts, std::max(leastCounts(), countsForAnyDuty())); !fine.empty()) {
                best = bestWithin({reach->prescaler, fine}, low, high, pinned);
            }
            if (!best || best->state != State::kept) {
                offerCoarse(*reach, low, high, pinned, best);
            }
            if (best && best->state != State::broken) {
                return best;
            }
        }
        std::optional<Way> best = bestWithin(*reach, reach->least(), reach->most(), pinned);
        offerCoarse(*reach, reach->least(), reach->most(), pinned, best);
        return best;
    }

private:
    /// Products that keep the rate at every corner, then at the nominal.
    std::vector<std::pair<Rational, Rational>> rangesThatKeep() const {
        std::vector<std::pair<Rational, Rational>> ranges;
        if (!ask_.tolerance.within) {
            return {{wantedProduct(), wantedProduct()}};
        }
        const Rational tolerance = *ask_.tolerance.within;
        const auto add = [&](const Rational& fast, const Rational& slow) {
            const Rational perClock = ask_.hertz * slopes();
            const Rational high =
                tolerance < 1 ? slow / (perClock * (1 - tolerance)) : timer_.prescaler.most() * timer_.counts.most();
            ranges.emplace_back(fast / (perClock * (1 + tolerance)), high);
        };
        if (clock_.unknown.empty()) {
            add(clock_.hertz.max, clock_.hertz.min);
        }
        add(clock_.hertz.nominal, clock_.hertz.nominal);
        return ranges;
    }

    /// The few counts with which not every duty can be made: each with the prescaler that comes nearest.
    void offerCoarse(const CounterReach& reach, const Rational& low, const Rational& high, const std::vector<Setting>& pinned,
                     std::optional<Way>& best) const {
        const Rational enough = countsForAnyDuty();
        for (auto counts = reach.counts.atLeast(leastCounts()); counts && *counts < enough;
             counts = reach.counts.atLeast(*counts + 1)) {
            for (const Rational& target : {balancedProduct(), wantedProduct()}) {
                for (const Rational& prescaler : reach.prescaler.nearest(target / *counts)) {
                    const Rational product = prescaler * *counts;
                    if (product < low || product > high) {
                        continue;
                    }
                    Way way = judgedWay({prescaler, *counts}, pinned);
                    if (!best || isBetter(way, *best)) {
                        best = std::move(way);
                    }
                }
            }
        }
    }

    std::optional<Way> bestWithin(const CounterReach& reach, const Rational& low, const Rational& high,
                                  const std::vector<Setting>& pinned) const {
        const NearestSettings near = nearestSettings(reach, low, balancedProduct(), high);
        std::optional<Way> best;
        for (const auto& product : {near.below, near.above}) {
            if (!product) {
                continue;
            }
            for (const CounterSetting& setting : finestOf(reach, *product)) {
                Way way = judgedWay(setting, pinned);
                if (!best || isBetter(way, *best)) {
                    best = std::move(way);
                }
            }
        }
        return best;
    }

    /// Of all the ways to make a product the one with the least error of the duty, then the most counts.
    std::vector<CounterSetting> finestOf(const CounterReach& reach, const CounterSetting& product) const {
        const std::int64_t whole = product.product().toInt64().value_or(0);
        CounterSetting best = product;
        Rational bestError = abs(compareFor(best.counts) / best.counts - ask_.duty);
        const std::int64_t prescalers = reach.prescaler.size().toInt64().value_or(0);
        const bool isPlain = reach.prescaler.isRange() && reach.prescaler.step() == 1;
        const std::int64_t least = reach.prescaler.least().toInt64().value_or(1);
        for (std::int64_t i = 0; i < prescalers && !bestError.isZero(); ++i) {
            const std::int64_t prescaler = isPlain ? least + i : reach.prescaler.at(i).toInt64().value_or(1);
            if (prescaler > whole) {
                break;
            }
            if (whole % prescaler != 0 || !reach.counts.contains(whole / prescaler)) {
                continue;
            }
            const Rational counts = whole / prescaler;
            const Rational error = abs(compareFor(counts) / counts - ask_.duty);
            if (error < bestError || (error == bestError && counts > best.counts)) {
                best = {prescaler, counts};
                bestError = error;
            }
        }
        return {best};
    }

    const TimerKind& timer_;
    std::int64_t number_;
    Rational slack_;
    const DrivesAsk& ask_;
    const Clock& clock_;
};

/// Duties are read in percent, however small their steps.
std::string percentText(const Rational& share) {
    const std::string exact = exactDecimal(share * 100, 5);
    return (exact.empty() ? "\u2248" + roundedDecimal(share * 100, 4) : exact) + " %";
}

Text bitsText(const Rational& counts) {
    return phrase("{} bits", roundedDecimal(quantised(std::log2(counts.toDouble()), powerOfTen(-9)), 4));
}

void addWorkings(PromiseFigure& figure, const PwmChannel& channel, const DrivesAsk& ask, const Clock& clock, const Way& way) {
    const Pwm pwm(channel, ask, clock);
    const std::string subject = figure.subject.name;
    const Rational prescaler = settingOf(way, "prescaler");
    const Rational counts = settingOf(way, "counts");
    const Rational compare = settingOf(way, compareName(channel.number));
    const std::string rate = printQuantity(clock.hertz.nominal, Unit::hertz);
    const std::string twice = channel.timer.isCentred ? "2 \u00d7 " : "";
    figure.workings = {clockStep(clock, subject), askedStep(figure)};
    const auto add = [&](Text what, Text formula, Text numbers, Text result) {
        figure.workings.push_back({std::move(what),
                                   std::move(formula),
                                   std::move(numbers),
                                   std::move(result),
                                   {partOrigin(figure), clockOrigin(clock, clock.hertz.nominal), askedOrigin(figure)}});
    };
    const std::string wanted = exactDecimal(pwm.wantedProduct());
    add(phrase("ticks in a period"), "f \u00f7 (" + twice + "rate)",
        rate + " \u00f7 (" + twice + printQuantity(ask.hertz, Unit::hertz) + ")",
        wanted.empty() ? "\u2248" + roundedDecimal(pwm.wantedProduct(), 7) : wanted);
    add(phrase("prescaler \u00d7 counts taken"), phrase("nearest product, then nearest duty, then most counts"),
        prescaler.toString() + " \u00d7 " + counts.toString(), (prescaler * counts).toString());
    add(phrase("rate"), phrase("f \u00f7 ({}prescaler \u00d7 counts)", twice),
        rate + " \u00f7 (" + twice + prescaler.toString() + " \u00d7 " + counts.toString() + ")",
        printQuantity(way.got.nominal, Unit::hertz));
    add(phrase("compare"), phrase("duty \u00d7 counts, to the nearest"), percentText(ask.duty) + " \u00d7 " + counts.toString(),
        compare.toString());
    add(phrase("duty"), phrase("compare \u00f7 counts"), compare.toString() + " \u00f7 " + counts.toString(),
        percentText(compare / counts));
    add(phrase("step of the duty"), phrase("1 \u00f7 counts"), "1 \u00f7 " + counts.toString(),
        percentText(1 / counts) + ", " + bitsText(counts));
    if (const auto dead = pwm.deadCounts()) {
        add(phrase("dead time"), phrase("counts \u00f7 f, not shorter at the fastest clock"),
            dead->toString() + " \u00f7 " + rate, printQuantity(*dead / clock.hertz.nominal, Unit::second));
    }
    const Rational finest = mostCountsAt(channel.timer, ask.hertz, clock.hertz.nominal);
    if (finest.sign() > 0) {
        const Rational faster = mostCountsAt(channel.timer, ask.hertz, clock.hertz.nominal * 2);
        add(phrase("finest at this rate"), phrase("with the least prescaler"),
            phrase("{} counts, {}{}", finest.toString(), bitsText(finest),
                   faster > finest ? phrase("; twice the clock: {}, {}", faster.toString(), bitsText(faster))
                                   : phrase("; a faster clock adds none")),
            percentText(1 / finest));
    }
    addErrorSteps(figure, clock);
}

Text whyOf(const PromiseFigure& figure, const PwmChannel& channel, const DrivesAsk& ask, const Clock& clock, const Way& way) {
    if (figure.state == State::kept) {
        return {};
    }
    const Pwm pwm(channel, ask, clock);
    if (ask.dead && channel.timer.dead.empty()) {
        return phrase("this timer has no dead time");
    }
    if (!pwm.isDeadLongEnough()) {
        return phrase("the longest dead time is {}, asked {}",
                      printQuantity(channel.timer.dead.most() / clock.hertz.nominal, Unit::second),
                      printQuantity(*ask.dead, Unit::second));
    }
    const Judgement rate = judgeTolerance(*figure.error, ask.tolerance, clock.unknown.empty());
    const Rational counts = settingOf(way, "counts");
    if (rate.state == State::broken) {
        const Rational most = channel.timer.prescaler.least() * channel.timer.counts.least() * pwm.slopes();
        const bool isTooFast = ask.hertz * most > clock.hertz.nominal;
        return (isTooFast ? phrase("faster than this timer's clock allows; ") : "") +
               toleranceWhy(figure, toleranceText(ask.tolerance), clock);
    }
    if (ask.stepUnder && 1 / counts >= *ask.stepUnder) {
        const Rational finest = mostCountsAt(channel.timer, ask.hertz, clock.hertz.nominal);
        return phrase("steps of {}, asked under {}; at this rate the clock has {} ticks, and {} are needed",
                      percentText(1 / counts), percentText(*ask.stepUnder), finest.toString(), pwm.leastCounts().toString());
    }
    const auto time = [&](const Rational& ticks) { return printQuantity(ticks / clock.hertz.nominal, Unit::second); };
    if (!pwm.doesSwitch(way)) {
        const Rational dead = pwm.deadCounts().value_or(Rational(0));
        const bool isOn = !ask.duty.isZero() && pwm.onTicks(way) <= dead;
        return phrase("it never switches {}: of {}{}", isOn ? "on" : "off", time(isOn ? pwm.onTicks(way) : pwm.offTicks(way)),
                      dead.isZero() ? "" : phrase(" the dead time takes {}", time(dead)));
    }
    if (!pwm.isDutyNear(way)) {
        return phrase("the duty nearest to {} is {}, with {} counts", percentText(ask.duty),
                      percentText(settingOf(way, compareName(channel.number)) / counts), counts.toString());
    }
    if (rate.state == State::kept && pwm.deadJudgement().state == State::strained) {
        return clock.unknown.empty() ? phrase("the dead time is {} at the fastest clock, asked {}",
                                              printQuantity(*pwm.deadCounts() / clock.hertz.max, Unit::second),
                                              printQuantity(*ask.dead, Unit::second))
                                     : clock.unknown;
    }
    return toleranceWhy(figure, toleranceText(ask.tolerance), clock);
}

} // namespace

std::string compareName(std::int64_t channel) {
    return "compare" + std::to_string(channel);
}

Rational mostCountsAt(const TimerKind& timer, const Rational& hertz, const Rational& clock) {
    const Rational ticks = clock / (hertz * (timer.isCentred ? 2 : 1) * timer.prescaler.least());
    return timer.counts.atMost(ticks.floor()).value_or(Rational(0));
}

std::vector<Way> pwmWays(const PwmChannel& channel, const DrivesAsk& ask, const Clock& clock, const std::vector<Setting>& pinned,
                         std::size_t most) {
    const Pwm pwm(channel, ask, clock);
    const auto reach = pinnedReach({channel.timer.prescaler, channel.timer.counts}, pinned);
    std::vector<Way> ways;
    if (!reach) {
        return ways;
    }
    for (const Rational& least : {Rational(1), pwm.leastCounts()}) {
        const CounterReach searched{reach->prescaler, fromOn(reach->counts, least)};
        if (searched.counts.empty()) {
            continue;
        }
        for (const CounterSetting& setting : settingsByPrescaler(searched, pwm.balancedProduct(), most)) {
            ways.push_back(pwm.judgedWay(setting, pinned));
        }
    }
    if (auto best = pwm.bestWay(pinned)) {
        ways.push_back(std::move(*best));
    }
    std::sort(ways.begin(), ways.end(), [&](const Way& a, const Way& b) { return pwm.isBetter(a, b); });
    ways.erase(std::unique(ways.begin(), ways.end()), ways.end());
    ways.resize(std::min(most, ways.size()));
    return ways;
}

PromiseFigure judgePwm(PromiseFigure figure, const PwmChannel& channel, const DrivesAsk& ask, const Clock& clock,
                       const std::vector<Setting>& pinned, Detail detail) {
    figure.unit = Unit::hertz;
    figure.asked = ask.hertz;
    figure.isWorstKnown = clock.unknown.empty();
    figure.state = State::broken;
    const auto channels = static_cast<std::int64_t>(channel.timer.channels.size());
    if (channel.number < 1 || channel.number > channels) {
        figure.why = phrase("this timer has {}",
                            channels == 0 ? phrase("no channels") : phrase("the channels 1 to {}", std::to_string(channels)));
        return figure;
    }
    const auto best = Pwm(channel, ask, clock).bestWay(pinned);
    if (!best) {
        figure.why = phrase("the pinned way is not one that this timer has");
        return figure;
    }
    takeWay(figure, *best);
    figure.why = whyOf(figure, channel, ask, clock, *best);
    if (detail == Detail::workings) {
        addWorkings(figure, channel, ask, clock, *best);
    }
    return figure;
}

RateWindows pwmRates(const TimerKind& timer, const DrivesAsk& ask) {
    const Pwm pwm({timer, 1}, ask, {});
    const FactorSet counts = fromOn(timer.counts, pwm.leastCounts());
    RateWindows windows;
    if (counts.empty()) {
        return windows;
    }
    const ProductSets products = productSets(timer.prescaler, counts);
    windows.isTight = products.isTight && !ask.dead && ask.stepUnder.has_value(); // else the duty may be out of reach
    for (const FactorSet& set : products.sets) {
        windows.combs.push_back(combOfRates(scaled(set, pwm.slopes()), ask.hertz, ask.tolerance));
    }
    return windows;
}

} // namespace wisetick
