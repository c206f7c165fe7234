#include "promise/calendar.h"

#include "base/text.h"
#include "promise/counter_search.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

/// How fast the calendar runs, as a share of the true time less 1, with the calibration that is nearest.
struct Pace {
    Bounds error;
    std::optional<Rational> calibration;
};

Pace paceOf(const RtcKind& rtc, const Clock& clock, const Rational& product, const std::vector<Setting>& pinned) {
    Pace pace{relativeError(clock.hertz * (1 / product), 1), std::nullopt};
    if (rtc.calibration) {
        const Calibration& calibration = *rtc.calibration;
        const Rational* held = pinnedValue(pinned, "calibration");
        const Rational steps = held != nullptr ? *held : (-pace.error.nominal / calibration.step).rounded();
        pace.calibration = std::clamp(steps, Rational(calibration.from), Rational(calibration.to));
        const Rational shift = *pace.calibration * calibration.step;
        pace.error = {pace.error.min + shift, pace.error.nominal + shift, pace.error.max + shift};
    }
    return pace;
}

Way judgedWay(const RtcKind& rtc, const CounterSetting& setting, const DriftsAsk& ask, const Clock& clock,
              const std::vector<Setting>& pinned) {
    const Pace pace = paceOf(rtc, clock, setting.product(), pinned);
    std::vector<Setting> settings{{"first", setting.prescaler}, {"second", setting.counts}};
    if (pace.calibration) {
        settings.push_back({"calibration", *pace.calibration});
    }
    const Rational nominal = abs(pace.error.nominal);
    const Bounds drift{nominal, nominal, std::max(nominal, largestMagnitude(pace.error))};
    return judgedAs(wayThatGives(std::move(settings), drift, ask.limit), judgeAtMost(drift, ask.limit, clock.unknown.empty()));
}

/// State, then the least drift typically, then in the worst case; of equals the largest first divider.
bool isBetterCalendarWay(const Way& a, const Way& b) {
    if (a.state != b.state) {
        return worseState(a.state, b.state) == b.state;
    }
    for (const auto& [left, right] : {std::pair(a.got.nominal, b.got.nominal), std::pair(a.got.max, b.got.max)}) {
        if (left != right) {
            return left < right;
        }
    }
    return settingOf(a, "first") > settingOf(b, "first");
}

/// The dividers whose product comes nearest to the rate from below and from above: of a second that is off by f ÷ product − 1 one
/// of them is off the least. Of equal products the largest first divider; an exact one alone.
std::vector<CounterSetting> nearestDividers(const CounterReach& reach, const Rational& hertz) {
    std::optional<CounterSetting> below;
    std::optional<CounterSetting> above;
    for (std::int64_t i = reach.prescaler.size().toInt64().value_or(0) - 1; i >= 0; --i) {
        const Rational first = reach.prescaler.at(i);
        for (const Rational& second : reach.counts.nearest(hertz / first)) {
            const CounterSetting setting{first, second};
            const Rational product = setting.product();
            if (product == hertz) {
                return {setting};
            }
            if (product < hertz && (!below || product > below->product())) {
                below = setting;
            } else if (product > hertz && (!above || product < above->product())) {
                above = setting;
            }
        }
    }
    std::vector<CounterSetting> list;
    for (const auto& each : {below, above}) {
        if (each) {
            list.push_back(*each);
        }
    }
    return list;
}

/// Clock rates at which the calendar is off by no more than `limit`, with any calibration.
RateWindows paceRates(const RtcKind& rtc, const Rational& limit) {
    Rational slow = limit; // a slow clock can be made faster by the steps up
    Rational fast = limit;
    if (rtc.calibration) {
        slow += rtc.calibration->step * rtc.calibration->to;
        fast -= rtc.calibration->step * rtc.calibration->from;
    }
    RateWindows windows{{}, false};
    for (const FactorSet& set : productSets(rtc.first, rtc.second).sets) {
        windows.combs.push_back({std::max(Rational(0), 1 - slow), 1 + fast, set});
    }
    return windows;
}

/// The alarm nearest to an asked period, and how often it must come for it.
struct AlarmTimes {
    Rational period;
    Rational repeats;
};

std::optional<AlarmTimes> alarmTimes(const RtcKind& rtc, const FiresAsk& ask) {
    std::optional<AlarmTimes> best;
    if (rtc.first.empty()) {
        return best;
    }
    for (std::int64_t i = 0; i < rtc.alarm.size().toInt64().value_or(0); ++i) {
        const Rational period = rtc.alarm.at(i);
        const AlarmTimes times{period, ask.isRepeated ? std::max((ask.period / period).rounded(), Rational(1)) : Rational(1)};
        const auto off = [&](const AlarmTimes& each) { return abs(each.period * each.repeats - ask.period); };
        if (!best || off(times) <= off(*best)) { // of equal ones the longest, for the fewest repeats
            best = times;
        }
    }
    return best;
}

Text alarmList(const RtcKind& rtc) {
    Text list;
    const std::int64_t size = rtc.alarm.size().toInt64().value_or(0);
    for (std::int64_t i = 0; i < size; ++i) {
        list += (i == 0 ? "" : (i + 1 == size ? phrase(" or ") : ", ")) + printQuantity(rtc.alarm.at(i), Unit::second);
    }
    return list;
}

} // namespace

std::vector<Way> calendarWays(const RtcKind& rtc, const DriftsAsk& ask, const Clock& clock, const std::vector<Setting>& pinned,
                              std::size_t most) {
    std::vector<Way> ways;
    CounterReach reach{rtc.first, rtc.second};
    const auto hold = [&](const char* name, FactorSet& set) {
        if (const Rational* value = pinnedValue(pinned, name)) {
            const bool isAllowed = set.contains(*value);
            set = FactorSet::one(*value);
            return isAllowed;
        }
        return true;
    };
    if (rtc.first.empty() || !hold("first", reach.prescaler) || !hold("second", reach.counts)) {
        return ways;
    }
    const std::vector<CounterSetting> settings =
        most == 1 ? nearestDividers(reach, clock.hertz.nominal)
                  : settingsByPrescaler(reach, clock.hertz.nominal, std::max<std::size_t>(most, 256));
    for (const CounterSetting& setting : settings) {
        ways.push_back(judgedWay(rtc, setting, ask, clock, pinned));
    }
    std::sort(ways.begin(), ways.end(), isBetterCalendarWay);
    ways.resize(std::min(most, ways.size()));
    return ways;
}

PromiseFigure judgeCalendar(PromiseFigure figure, const RtcKind& rtc, const DriftsAsk& ask, const Clock& clock,
                            const std::vector<Setting>& pinned, Detail detail) {
    figure.unit = Unit::drift;
    figure.asked = ask.limit;
    figure.isWorstKnown = clock.unknown.empty();
    figure.state = State::broken;
    const std::vector<Way> ways = calendarWays(rtc, ask, clock, pinned, 1);
    if (ways.empty()) {
        figure.why =
            rtc.first.empty() ? phrase("this rtc has no calendar") : phrase("the pinned way is not one that this rtc has");
        return figure;
    }
    const Way& way = ways.front();
    takeWay(figure, way);
    const Rational product = settingOf(way, "first") * settingOf(way, "second");
    if (figure.state == State::broken) {
        figure.why = phrase("strays by {}, asked at most {}", printQuantity(way.got.nominal, Unit::drift),
                            printQuantity(ask.limit, Unit::drift));
        if (product != clock.hertz.nominal) {
            figure.why += phrase("; its dividers make no 1 Hz of {}", printQuantity(clock.hertz.nominal, Unit::hertz));
        }
    } else if (figure.state == State::strained) {
        figure.why = clock.unknown.empty()
                         ? phrase("strays by as much as {}, asked at most {}", printQuantity(way.got.max, Unit::drift),
                                  printQuantity(ask.limit, Unit::drift))
                         : clock.unknown;
    }
    if (detail == Detail::workings) {
        const std::string subject = figure.subject.name;
        figure.workings = {clockStep(clock, subject), askedStep(figure)};
        const auto add = [&](Text what, Text formula, Text numbers, Text result) {
            figure.workings.push_back({std::move(what),
                                       std::move(formula),
                                       std::move(numbers),
                                       std::move(result),
                                       {partOrigin(figure), clockOrigin(clock, clock.hertz.nominal)}});
        };
        add(phrase("seconds"), phrase("f \u00f7 (first \u00d7 second)"),
            printQuantity(clock.hertz.nominal, Unit::hertz) + " \u00f7 (" + settingOf(way, "first").toString() + " \u00d7 " +
                settingOf(way, "second").toString() + ")",
            printQuantity(clock.hertz.nominal / product, Unit::hertz));
        if (rtc.calibration) {
            const Rational steps = settingOf(way, "calibration");
            add(phrase("calibration"), phrase("steps that bring the nominal nearest to 0"),
                steps.toString() + " \u00d7 " + printQuantity(rtc.calibration->step, Unit::ratio),
                printError(steps * rtc.calibration->step));
        }
        add(phrase("drift"), phrase("error \u00d7 86400 s"), {}, printQuantity(way.got.nominal, Unit::drift));
        add(phrase("at the corners"), phrase("with the bounds of {}", clock.id), clock.unknown,
            clock.unknown.empty() ? printQuantity(way.got.max, Unit::drift) : std::string());
    }
    return figure;
}

RateWindows calendarRates(const RtcKind& rtc, const DriftsAsk& ask) {
    return rtc.first.empty() ? RateWindows::none() : paceRates(rtc, ask.limit);
}

RateWindows alarmRates(const RtcKind& rtc, const FiresAsk& ask) {
    const auto times = alarmTimes(rtc, ask);
    if (!times) {
        return RateWindows::none();
    }
    // whatever the alarm itself is off by is for the calendar to make up
    const Rational off = abs(times->period * times->repeats / ask.period - 1);
    const Rational within = ask.tolerance.within.value_or(Rational(0));
    return paceRates(rtc, 2 * (within + off));
}

std::vector<Way> alarmWays(const RtcKind& rtc, const FiresAsk& ask, const Clock& clock, const std::vector<Setting>& pinned,
                           std::size_t most) {
    const auto times = alarmTimes(rtc, ask);
    std::vector<Way> ways;
    if (!times) {
        return ways;
    }
    std::vector<Setting> calendar = pinned;
    std::erase_if(calendar, [](const Setting& setting) { return setting.name == "alarm" || setting.name == "repeats"; });
    for (const Way& way : calendarWays(rtc, DriftsAsk{Rational(1)}, clock, calendar, most)) {
        const Pace pace = paceOf(rtc, clock, settingOf(way, "first") * settingOf(way, "second"), calendar);
        const Bounds speed = pace.error + Bounds::exactly(1);
        if (speed.min.sign() <= 0) {
            continue;
        }
        std::vector<Setting> settings = way.settings;
        settings.push_back({"alarm", times->period});
        if (ask.isRepeated) {
            settings.push_back({"repeats", times->repeats});
        }
        Way alarm = wayThatGives(std::move(settings), inverse(speed, times->period * times->repeats), ask.period);
        const Judgement judgement = judgeTolerance(alarm.error, ask.tolerance, clock.unknown.empty());
        ways.push_back(judgedAs(std::move(alarm), judgement));
    }
    return ways; // in the calendar's own order: it counts on for everything else
}

PromiseFigure judgeAlarm(PromiseFigure figure, const RtcKind& rtc, const FiresAsk& ask, const Clock& clock,
                         const std::vector<Setting>& pinned, Detail detail) {
    figure.unit = Unit::second;
    figure.asked = ask.period;
    figure.isWorstKnown = clock.unknown.empty();
    figure.state = State::broken;
    const std::vector<Way> ways = alarmWays(rtc, ask, clock, pinned, 1);
    if (ways.empty()) {
        figure.why = rtc.alarm.empty() ? phrase("this rtc has no alarm") : phrase("the pinned way is not one that this rtc has");
        return figure;
    }
    takeWay(figure, ways.front());
    figure.why = toleranceWhy(figure, toleranceText(ask.tolerance), clock);
    const Rational period = settingOf(ways.front(), "alarm");
    const Rational repeats = ask.isRepeated ? settingOf(ways.front(), "repeats") : Rational(1);
    if (figure.state == State::broken && period * repeats != ask.period) {
        figure.why = phrase("the alarm matches every {}; {}", alarmList(rtc), figure.why);
    }
    if (detail == Detail::workings) {
        figure.workings = {clockStep(clock, figure.subject.name), askedStep(figure)};
        const auto add = [&](Text what, Text formula, Text numbers, Text result) {
            figure.workings.push_back({std::move(what),
                                       std::move(formula),
                                       std::move(numbers),
                                       std::move(result),
                                       {partOrigin(figure), clockOrigin(clock, clock.hertz.nominal), askedOrigin(figure)}});
        };
        const Rational product = settingOf(ways.front(), "first") * settingOf(ways.front(), "second");
        add(phrase("seconds"), phrase("f \u00f7 (first \u00d7 second)"),
            printQuantity(clock.hertz.nominal, Unit::hertz) + " \u00f7 " + product.toString(),
            printQuantity(clock.hertz.nominal / product, Unit::hertz));
        if (rtc.calibration) {
            const Rational shift = settingOf(ways.front(), "calibration") * rtc.calibration->step;
            add(phrase("calibration"), phrase("steps that bring the nominal nearest to 0"),
                settingOf(ways.front(), "calibration").toString() + " \u00d7 " +
                    printQuantity(rtc.calibration->step, Unit::ratio),
                printError(shift));
        }
        add(phrase("alarm"), phrase("one of {}", alarmList(rtc)), {}, printQuantity(period, Unit::second));
        add(phrase("period"), phrase("alarm \u00d7 repeats \u00f7 pace of the calendar"),
            printQuantity(period, Unit::second) + " \u00d7 " + repeats.toString(),
            printQuantity(figure.got->nominal, Unit::second));
        addErrorSteps(figure, clock);
    }
    return figure;
}

} // namespace wisetick
