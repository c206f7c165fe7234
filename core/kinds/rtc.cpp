#include "base/text.h"
#include "kinds/kind_pieces.h"
#include "promise/calendar.h"
#include "promise/timer.h"
#include "quantity/quantity_read.h"

namespace wisetick {

namespace {

void driftsClauses(ClauseList& list, DriftsAsk& ask, const std::string&) {
    list.needed("at most", Unit::drift, "at most 2 s/day", ask.limit);
}

std::string printDrifts(const DriftsAsk& ask) {
    return "drifts at most " + printReadable(ask.limit, Unit::drift);
}

FactorSet readAlarms(TableReader& reader, const std::vector<std::string>& texts) {
    std::vector<Rational> periods;
    for (const std::string& text : texts) {
        const auto period = readQuantity(text, Unit::second);
        if (!period || !period->isWhole() || period->sign() <= 0) {
            reader.error("alarm", "'" + text + "'", phrase("times of whole seconds such as '1 min', '1 h' or '1 day'"));
        } else {
            periods.push_back(*period);
        }
    }
    return FactorSet::list(std::move(periods));
}

std::vector<std::string> readRtc(PartContext& context, TableReader& reader, Peripheral& peripheral) {
    RtcKind rtc;
    rtc.prescaler = readPrescaler(reader);
    rtc.counts = readWholeSet(reader, "counts", Need::required);
    std::vector<std::string> controls{"prescaler", "counts"};
    if (const toml::table* calendar = reader.table("calendar")) {
        TableReader inner(*calendar, context.reporter, reader.pathOf("calendar"));
        rtc.first = readWholeSet(inner, "first", Need::required);
        rtc.second = readWholeSet(inner, "second", Need::required);
        inner.finish();
        controls.insert(controls.end(), {"first", "second"});
    }
    if (const toml::table* calibration = reader.table("calibration")) {
        TableReader inner(*calibration, context.reporter, reader.pathOf("calibration"));
        const std::int64_t most = 1 << 20;
        rtc.calibration = Calibration{inner.quantity("step", Unit::ratio, Need::required).value_or(Rational(1, 1000000)),
                                      inner.whole("from", -most, 0, Need::required).value_or(0),
                                      inner.whole("to", 0, most, Need::required).value_or(0)};
        inner.finish();
        controls.emplace_back("calibration");
    }
    rtc.secondCounts = readWholeSet(reader, "second_counts");
    if (!rtc.secondCounts.empty() && rtc.first.empty()) {
        reader.error("second_counts", phrase("counts of seconds without a calendar"), phrase("a calendar that makes them"));
    }
    rtc.alarms = reader.whole("alarms", 1, 16).value_or(1);
    const std::vector<std::string> alarms = reader.texts("alarm");
    if (!alarms.empty()) {
        rtc.alarm = readAlarms(reader, alarms);
        controls.emplace_back("alarm");
        if (rtc.first.empty()) {
            reader.error("alarm", phrase("an alarm without a calendar"), phrase("a calendar that it can match"));
        }
    }
    peripheral.kind = std::move(rtc);
    return controls;
}

void rtcWidths(const PeripheralKind& kind, const OnWidth& width) {
    const auto& rtc = kind.get<RtcKind>();
    width("prescaler", rtc.prescaler);
    width("counts", rtc.counts);
}

WakeCounter wakeCounterOf(const RtcKind& rtc) {
    return {rtc.prescaler, rtc.counts, true, rtc.secondCounts, rtc.first, rtc.second};
}

/// Its wake-up counter as a timer for what is asked.
template <class Met>
TimerKind counterFor(const Met& met) {
    const auto& ask = met.ask();
    TimerKind timer = wakeUpTimer(met.kind());
    const WakeCounter counter = wakeCounterOf(met.kind()).forPeriod(met.clock().hertz.nominal, ask.period);
    timer.prescaler = counter.prescaler;
    timer.counts = counter.counts;
    return timer;
}

Meeting rtcFires() {
    return meetingRow<
        FiresAsk, RtcKind,
        [](const auto& met, PromiseFigure figure) {
            if (met.ask().isAlarm) {
                return judgeAlarm(std::move(figure), met.kind(), met.ask(), met.clock(), met.pinned(), met.detail());
            }
            const TimerGoal goal = TimerGoal(met.ask()).with(met.context().part.interruptCycles());
            return judgeTimer(std::move(figure), counterFor(met), goal, met.clock(), met.pinned(), met.detail(), met.core());
        },
        [](const auto& met, std::size_t most) {
            return met.ask().isAlarm ? alarmWays(met.kind(), met.ask(), met.clock(), met.pinned(), most)
                                     : timerWays(counterFor(met), met.ask(), met.clock(), met.pinned(), most, met.core());
        },
        [](const auto& met) {
            if (met.ask().isAlarm) {
                return alarmRates(met.kind(), met.ask());
            }
            RateWindows windows = timerRates(wakeUpTimer(met.kind()), met.ask());
            if (!met.kind().secondCounts.empty()) { // or any rate of which its calendar makes seconds
                const RtcKind& rtc = met.kind();
                windows.combs.push_back(
                    {rtc.first.least() * rtc.second.least(), rtc.first.most() * rtc.second.most(), FactorSet::one(1)});
                windows.isTight = false;
            }
            return windows;
        },
        [](const FiresAsk& ask, const Take&) { return ask.isChained || ask.late || ask.handled; }, kToleranceAsAsked>();
}

Meeting rtcDrifts() {
    return meetingRow<DriftsAsk, RtcKind,
                      [](const auto& met, PromiseFigure figure) {
                          return judgeCalendar(std::move(figure), met.kind(), met.ask(), met.clock(), met.pinned(), met.detail());
                      },
                      [](const auto& met, std::size_t most) {
                          return calendarWays(met.kind(), met.ask(), met.clock(), met.pinned(), most);
                      },
                      [](const auto& met) { return calendarRates(met.kind(), met.ask()); }, kOwnClockAlone, kToleranceAsAsked>();
}

const std::vector<Meeting>& rtcMeetings() {
    static const std::vector<Meeting> rows{rtcFires(), rtcDrifts()};
    return rows;
}

} // namespace

const AskRow& DriftsAsk::row() {
    static const AskRow row = askRow<DriftsAsk, driftsClauses, printDrifts>({"drifts"}, AskedOf::peripheral);
    return row;
}

const KindRow& RtcKind::row() {
    static const KindRow row{.name = "rtc",
                             .schema = R"({
        "prescaler": {"$ref": "#/$defs/factors"},
        "counts": {"$ref": "#/$defs/factors"},
        "calendar": {"type": "object",
            "properties": {"first": {"$ref": "#/$defs/factors"}, "second": {"$ref": "#/$defs/factors"}},
            "additionalProperties": false, "required": ["first", "second"]},
        "calibration": {"type": "object",
            "properties": {"step": {"type": "string"}, "from": {"type": "integer"}, "to": {"type": "integer"}},
            "additionalProperties": false, "required": ["step", "from", "to"]},
        "alarm": {"type": "array", "items": {"type": "string"}},
        "alarms": {"type": "integer", "minimum": 1},
        "second_counts": {"$ref": "#/$defs/factors"}
    })",
                             .settings = {"prescaler", "counts", "repeats", "first", "second", "calibration", "alarm"},
                             .alsoCounted = {},
                             .read = readRtc,
                             .widths = rtcWidths,
                             .limits = noLimits,
                             .channels = noChannels,
                             .chainedWith = noChain,
                             .wakeCounter =
                                 [](const PeripheralKind& kind) {
                                     const auto& rtc = kind.get<RtcKind>();
                                     return std::optional(wakeCounterOf(rtc));
                                 },
                             .meetings = rtcMeetings};
    return row;
}

} // namespace wisetick
