#include "promise/timer.h"

#include "promise/counter_search.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

Way judgedWay(const CounterSetting& setting, const FiresAsk& ask, const Clock& clock) {
    Way way = wayThatGives({{"prescaler", setting.prescaler}, {"counts", setting.counts}},
                           inverse(clock.hertz, setting.product()), ask.period);
    const Judgement judgement = judgeTolerance(way.error, ask.tolerance, clock.unknown.empty());
    return judgedAs(std::move(way), judgement);
}

bool isBetter(const Way& a, const Way& b) {
    const int order = compareWays(a, b);
    if (order != 0) {
        return order < 0;
    }
    const Rational countsA = settingOf(a, "counts");
    const Rational countsB = settingOf(b, "counts");
    return countsA != countsB ? countsA > countsB : settingOf(a, "prescaler") < settingOf(b, "prescaler");
}

/// The range of products that a state admits.
struct Range {
    Rational low;
    Rational high;
};

/// Ranges to search, best state first: all worst cases inside, the nominal inside, anything.
std::vector<Range> rangesByState(const FiresAsk& ask, const Clock& clock, const CounterReach& reach) {
    std::vector<Range> ranges;
    const Rational nominal = ask.period * clock.hertz.nominal;
    if (ask.tolerance.within) {
        const Rational tolerance = *ask.tolerance.within;
        const auto low = [&](const Rational& hertz) { return ask.period * (1 - tolerance) * hertz; };
        const auto high = [&](const Rational& hertz) { return ask.period * (1 + tolerance) * hertz; };
        if (clock.unknown.empty()) {
            ranges.push_back({low(clock.hertz.max), high(clock.hertz.min)});
        }
        ranges.push_back({low(clock.hertz.nominal), high(clock.hertz.nominal)});
    } else {
        ranges.push_back({nominal, nominal});
    }
    ranges.push_back({reach.least(), reach.most()});
    return ranges;
}

/// The product whose worst-case |error| is least: period errors n/(T·fmin) − 1 and 1 − n/(T·fmax) balance there.
Rational balancedProduct(const FiresAsk& ask, const Bounds& hertz) {
    return ask.period * 2 * hertz.min * hertz.max / (hertz.min + hertz.max);
}

std::optional<Way> bestWay(const TimerKind& timer, const FiresAsk& ask, const Clock& clock, const std::vector<Setting>& pinned) {
    const auto reach = pinnedReach({timer.prescaler, timer.counts}, pinned);
    if (!reach) {
        return std::nullopt;
    }
    const Rational target = balancedProduct(ask, clock.hertz);
    for (const Range& range : rangesByState(ask, clock, *reach)) {
        const NearestSettings near = nearestSettings(*reach, range.low, target, range.high);
        std::optional<Way> best;
        for (const auto& setting : {near.below, near.above}) {
            if (setting) {
                Way way = judgedWay(*setting, ask, clock);
                if (!best || isBetter(way, *best)) {
                    best = std::move(way);
                }
            }
        }
        if (best) {
            return best;
        }
    }
    return std::nullopt;
}

void addWorkings(PromiseFigure& figure, const TimerKind& timer, const FiresAsk& ask, const Clock& clock, const Way& way,
                 const std::string& subject) {
    const Rational prescaler = settingOf(way, "prescaler");
    const Rational counts = settingOf(way, "counts");
    const std::string rate = printQuantity(clock.hertz.nominal, Unit::hertz);
    const std::string period = printQuantity(ask.period, Unit::second);
    const Rational wanted = ask.period * clock.hertz.nominal;
    const std::string wantedText = exactDecimal(wanted).empty() ? "\u2248" + roundedDecimal(wanted, 7) : exactDecimal(wanted);
    figure.workings = {clockStep(clock, subject), askedStep(figure)};
    figure.workings.push_back({"clock periods wanted",
                               "asked \u00d7 f",
                               period + " \u00d7 " + rate,
                               wantedText,
                               {askedOrigin(figure), clockOrigin(clock, clock.hertz.nominal)}});
    figure.workings.push_back({"prescaler \u00d7 counts taken",
                               "nearest product, then most counts",
                               prescaler.toString() + " \u00d7 " + counts.toString(),
                               (prescaler * counts).toString(),
                               {partOrigin(figure)}});
    figure.workings.push_back({"period",
                               "prescaler \u00d7 counts \u00f7 f",
                               prescaler.toString() + " \u00d7 " + counts.toString() + " \u00f7 " + rate,
                               printQuantity(way.got.nominal, Unit::second),
                               {partOrigin(figure), clockOrigin(clock, clock.hertz.nominal)}});
    addErrorSteps(figure, clock);
    if (timer.style == TimerStyle::preload) {
        const Rational overflow = Rational(std::int64_t{1} << timer.bits);
        figure.workings.push_back({"preload",
                                   "2^bits \u2212 counts",
                                   overflow.toString() + " \u2212 " + counts.toString(),
                                   (overflow - counts).toString(),
                                   {partOrigin(figure)}});
    }
    figure.workings.push_back({"reach",
                               "least and most prescaler \u00d7 counts \u00f7 f",
                               {},
                               printRange(timer.prescaler.least() * timer.counts.least() / clock.hertz.nominal,
                                          timer.prescaler.most() * timer.counts.most() / clock.hertz.nominal, Unit::second),
                               {partOrigin(figure), clockOrigin(clock, clock.hertz.nominal)}});
}

} // namespace

std::vector<Way> timerWays(const TimerKind& timer, const FiresAsk& ask, const Clock& clock, const std::vector<Setting>& pinned,
                           std::size_t most) {
    const auto reach = pinnedReach({timer.prescaler, timer.counts}, pinned);
    if (!reach) {
        return {};
    }
    std::vector<Way> ways;
    for (const CounterSetting& setting : settingsByPrescaler(*reach, ask.period * clock.hertz.nominal)) {
        ways.push_back(judgedWay(setting, ask, clock));
    }
    if (const auto best = bestWay(timer, ask, clock, pinned)) {
        if (std::find(ways.begin(), ways.end(), *best) == ways.end()) {
            ways.push_back(*best);
        }
    }
    const auto end = ways.begin() + static_cast<std::ptrdiff_t>(std::min(most, ways.size()));
    std::partial_sort(ways.begin(), end, ways.end(), isBetter);
    ways.erase(end, ways.end());
    return ways;
}

PromiseFigure judgeTimer(PromiseFigure figure, const TimerKind& timer, const FiresAsk& ask, const Clock& clock,
                         const std::vector<Setting>& pinned, Detail detail) {
    figure.unit = Unit::second;
    figure.asked = ask.period;
    figure.isWorstKnown = clock.unknown.empty();
    const auto best = bestWay(timer, ask, clock, pinned);
    if (!best) {
        figure.state = State::broken;
        figure.why = "the pinned way is not one that this timer has";
        return figure;
    }
    takeWay(figure, *best);
    figure.why = toleranceWhy(figure, toleranceText(ask.tolerance), clock);
    const Rational wanted = ask.period * clock.hertz.nominal;
    if (wanted > timer.prescaler.most() * timer.counts.most()) {
        figure.why = "beyond this timer's reach; " + figure.why;
    } else if (wanted < timer.prescaler.least() * timer.counts.least()) {
        figure.why = "shorter than this timer can count; " + figure.why;
    }
    if (detail == Detail::workings) {
        addWorkings(figure, timer, ask, clock, *best, figure.subject.substr(figure.subject.find('/') + 1));
    }
    return figure;
}

} // namespace wisetick
