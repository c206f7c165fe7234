#include "derive/meetings.h"

#include "derive/line_limits.h"
#include "promise/adc.h"
#include "promise/calendar.h"
#include "promise/can.h"
#include "promise/delay_loop.h"
#include "promise/i2c.h"
#include "promise/message_memory.h"
#include "promise/pwm.h"
#include "promise/spi.h"
#include "promise/stamps.h"
#include "promise/timer.h"
#include "promise/uart.h"
#include "promise/watchdog.h"

namespace wisetick {

namespace {

template <class Thing, class Variant, std::size_t index = 0>
constexpr std::size_t indexIn() {
    if constexpr (std::is_same_v<Thing, std::variant_alternative_t<index, Variant>>) {
        return index;
    } else {
        return indexIn<Thing, Variant, index + 1>();
    }
}

/// A scene whose ask and kind are known.
template <class A, class K>
struct Met {
    const MeetingScene& scene;

    const A& ask() const { return std::get<A>(scene.ask); }
    const K& kind() const { return std::get<K>(scene.subject.peripheral->kind); }
    const Clock& clock() const { return scene.subject.clock; }
    const Clock* core() const { return scene.subject.coreClock(); }
    const std::vector<Setting>& pinned() const { return scene.pinned; }
    Detail detail() const { return scene.context.detail; }
    const PromiseContext& context() const { return scene.context; }
};

/// A row of three functions on such a scene; each must be given.
template <class A, class K, auto judge, auto ways, auto rates>
Meeting row() {
    Meeting meeting;
    meeting.ask = indexIn<A, Ask>();
    meeting.kind = indexIn<K, PeripheralKind>();
    meeting.judge = [](const MeetingScene& scene, PromiseFigure figure) { return judge(Met<A, K>{scene}, std::move(figure)); };
    meeting.ways = [](const MeetingScene& scene, std::size_t most) { return ways(Met<A, K>{scene}, most); };
    meeting.rates = [](const MeetingScene& scene) { return rates(Met<A, K>{scene}); };
    return meeting;
}

/// Of a pair that has nothing to choose.
constexpr auto kNoWays = [](const auto&, std::size_t) { return std::vector<Way>(); };

/// Of a pair that leans on no rate.
constexpr auto kAnyRate = [](const auto&) { return RateWindows::all(); };

PromiseFigure cannotDoThat(const MeetingScene& scene, PromiseFigure figure) {
    figure.why = scene.subject.peripheral->id + " is a " + kindName(scene.subject.peripheral->kind) + " and can't do that";
    return figure;
}

WatchdogRest restOf(const PromiseContext& context, std::size_t peripheral) {
    WatchdogRest rest;
    rest.mode = context.take.restsIn;
    if (const auto mode = context.part.findMode(rest.mode)) {
        rest.runs = peripheralLivesIn(context.part, context.controls, context.part.modes[*mode], peripheral);
        rest.longest = context.longestRest;
    }
    return rest;
}

AdcClockSpan adcSpan(const PromiseContext& context, const AdcKind& adc) {
    const LimitSpan span = limitSpan(context.part, context.plan.board, adc.limits, context.controls);
    return {span.min, span.max};
}

std::optional<Rational> portMost(const PromiseContext& context, const SpiKind& spi) {
    return limitSpan(context.part, context.plan.board, spi.limits, context.controls).max;
}

Meeting uartTalks() {
    return row<TalksAsk, UartKind,
               [](const auto& met, PromiseFigure figure) {
                   return judgeUart(std::move(figure), met.kind(), met.ask(), met.clock(), met.pinned(), met.detail());
               },
               [](const auto& met, std::size_t) { return uartWays(met.kind(), met.ask(), met.clock(), met.pinned()); },
               [](const auto& met) { return uartRates(met.kind(), met.ask()); }>();
}

/// What a timer is asked: to fire again and again, or to wait once.
template <class A>
Meeting onTimer() {
    return row<A, TimerKind,
               [](const auto& met, PromiseFigure figure) {
                   return judgeTimer(std::move(figure), met.kind(), met.ask(), met.clock(), met.pinned(), met.detail(),
                                     met.core());
               },
               [](const auto& met, std::size_t most) {
                   return timerWays(met.kind(), met.ask(), met.clock(), met.pinned(), most, met.core());
               },
               [](const auto& met) { return timerRates(met.kind(), met.ask()); }>();
}

bool isAlarm(const MeetingScene& scene) {
    return std::get<FiresAsk>(scene.ask).isAlarm;
}

/// The alarm is the calendar's; a plain timer has none.
Meeting timerFires() {
    static const Meeting plain = onTimer<FiresAsk>();
    Meeting meeting = plain;
    meeting.judge = [](const MeetingScene& scene, PromiseFigure figure) {
        return isAlarm(scene) ? cannotDoThat(scene, std::move(figure)) : plain.judge(scene, std::move(figure));
    };
    meeting.ways = [](const MeetingScene& scene, std::size_t most) {
        return isAlarm(scene) ? std::vector<Way>() : plain.ways(scene, most);
    };
    meeting.rates = [](const MeetingScene& scene) { return isAlarm(scene) ? RateWindows::none() : plain.rates(scene); };
    return meeting;
}

Meeting rtcFires() {
    return row<FiresAsk, RtcKind,
               [](const auto& met, PromiseFigure figure) {
                   return met.ask().isAlarm
                              ? judgeAlarm(std::move(figure), met.kind(), met.ask(), met.clock(), met.pinned(), met.detail())
                              : judgeTimer(std::move(figure), wakeUpTimer(met.kind()), met.ask(), met.clock(), met.pinned(),
                                           met.detail(), met.core());
               },
               [](const auto& met, std::size_t most) {
                   return met.ask().isAlarm
                              ? alarmWays(met.kind(), met.ask(), met.clock(), met.pinned(), most)
                              : timerWays(wakeUpTimer(met.kind()), met.ask(), met.clock(), met.pinned(), most, met.core());
               },
               [](const auto& met) {
                   return met.ask().isAlarm ? alarmRates(met.kind(), met.ask()) : timerRates(wakeUpTimer(met.kind()), met.ask());
               }>();
}

Meeting rtcWaits() {
    return row<WaitsAsk, RtcKind,
               [](const auto& met, PromiseFigure figure) {
                   return judgeTimer(std::move(figure), wakeUpTimer(met.kind()), met.ask(), met.clock(), met.pinned(),
                                     met.detail(), met.core());
               },
               kNoWays, [](const auto& met) { return timerRates(wakeUpTimer(met.kind()), met.ask()); }>();
}

Meeting timerDrives() {
    return row<DrivesAsk, TimerKind,
               [](const auto& met, PromiseFigure figure) {
                   return judgePwm(std::move(figure), {met.kind(), met.scene.subject.channel}, met.ask(), met.clock(),
                                   met.pinned(), met.detail());
               },
               [](const auto& met, std::size_t most) {
                   return pwmWays({met.kind(), met.scene.subject.channel}, met.ask(), met.clock(), met.pinned(), most);
               },
               [](const auto& met) { return pwmRates(met.kind(), met.ask()); }>();
}

Meeting timerStamps() {
    return row<StampsAsk, TimerKind,
               [](const auto& met, PromiseFigure figure) {
                   return judgeStamps(std::move(figure), met.kind(), met.ask(), met.clock(), met.pinned(), met.detail());
               },
               [](const auto& met, std::size_t most) {
                   return stampWays(met.kind(), met.ask(), met.clock(), met.pinned(), most);
               },
               [](const auto& met) { return stampRates(met.kind(), met.ask()); }>();
}

Meeting canTalks() {
    return row<CanAsk, CanKind,
               [](const auto& met, PromiseFigure figure) {
                   return judgeCan(std::move(figure), met.kind(), met.ask(), met.clock(), met.pinned(), met.detail());
               },
               [](const auto& met, std::size_t most) { return canWays(met.kind(), met.ask(), met.clock(), met.pinned(), most); },
               [](const auto& met) { return canRates(met.kind(), met.ask()); }>();
}

Meeting canHolds() {
    return row<HoldsAsk, CanKind,
               [](const auto& met, PromiseFigure figure) {
                   return judgeMessageMemory(std::move(figure), met.kind(), met.ask(), met.detail());
               },
               kNoWays, kAnyRate>();
}

Meeting rtcDrifts() {
    return row<DriftsAsk, RtcKind,
               [](const auto& met, PromiseFigure figure) {
                   return judgeCalendar(std::move(figure), met.kind(), met.ask(), met.clock(), met.pinned(), met.detail());
               },
               [](const auto& met, std::size_t most) {
                   return calendarWays(met.kind(), met.ask(), met.clock(), met.pinned(), most);
               },
               [](const auto& met) { return calendarRates(met.kind(), met.ask()); }>();
}

Meeting watchdogBites() {
    return row<BitesAsk, WatchdogKind,
               [](const auto& met, PromiseFigure figure) {
                   return judgeWatchdog(std::move(figure), met.kind(), met.ask(), met.clock(),
                                        restOf(met.context(), met.scene.subject.index), met.pinned(), met.detail());
               },
               [](const auto& met, std::size_t most) {
                   return watchdogWays(met.kind(), met.ask(), met.clock(), restOf(met.context(), met.scene.subject.index),
                                       met.pinned(), most);
               },
               [](const auto& met) {
                   return watchdogRates(met.kind(), met.ask(), restOf(met.context(), met.scene.subject.index));
               }>();
}

Meeting busTalks() {
    return row<BusAsk, I2cKind,
               [](const auto& met, PromiseFigure figure) {
                   return judgeI2c(std::move(figure), met.kind(), met.ask(), met.clock(), met.pinned(), met.detail());
               },
               [](const auto& met, std::size_t) { return i2cWays(met.kind(), met.ask(), met.clock(), met.pinned()); },
               [](const auto& met) { return i2cRates(met.kind(), met.ask()); }>();
}

Meeting adcTakes() {
    return row<TakesAsk, AdcKind,
               [](const auto& met, PromiseFigure figure) {
                   return judgeAdc(std::move(figure), met.kind(), met.ask(), met.clock(), adcSpan(met.context(), met.kind()),
                                   met.pinned(), met.detail());
               },
               [](const auto& met, std::size_t) {
                   return adcWays(met.kind(), met.ask(), met.clock(), adcSpan(met.context(), met.kind()), met.pinned());
               },
               [](const auto& met) { return adcRates(met.kind(), met.ask(), adcSpan(met.context(), met.kind())); }>();
}

Meeting portClocks() {
    return row<ClocksAsk, SpiKind,
               [](const auto& met, PromiseFigure figure) {
                   return judgeSpi(std::move(figure), met.kind(), met.ask(), met.clock(), portMost(met.context(), met.kind()),
                                   met.pinned(), met.detail());
               },
               [](const auto& met, std::size_t most) {
                   return spiWays(met.kind(), met.ask(), met.clock(), portMost(met.context(), met.kind()), met.pinned(), most);
               },
               [](const auto& met) { return spiRates(met.kind(), met.ask(), portMost(met.context(), met.kind())); }>();
}

Meeting loopWaits() {
    return row<WaitsAsk, DelayLoopKind,
               [](const auto& met, PromiseFigure figure) {
                   return judgeDelayLoop(std::move(figure), met.kind(), met.ask(), met.clock(), met.pinned(), met.detail());
               },
               [](const auto& met, std::size_t) { return delayLoopWays(met.kind(), met.ask(), met.clock(), met.pinned()); },
               [](const auto& met) { return delayLoopRates(met.kind(), met.ask()); }>();
}

} // namespace

const std::vector<Meeting>& meetings() {
    static const std::vector<Meeting> rows{uartTalks(),     timerFires(),  rtcFires(), onTimer<WaitsAsk>(), rtcWaits(),
                                           timerDrives(),   timerStamps(), canTalks(), canHolds(),          rtcDrifts(),
                                           watchdogBites(), busTalks(),    adcTakes(), portClocks(),        loopWaits()};
    return rows;
}

const Meeting* meetingOf(const Ask& ask, const PeripheralKind& kind) {
    for (const Meeting& meeting : meetings()) {
        if (meeting.ask == ask.index() && meeting.kind == kind.index()) {
            return &meeting;
        }
    }
    return nullptr;
}

PromiseFigure judgeSubject(const PromiseContext& context, const Subject& subject, const Ask& ask,
                           const std::vector<Setting>& pinned, PromiseFigure figure) {
    const MeetingScene scene{context, subject, ask, pinned};
    const Meeting* meeting = meetingOf(ask, subject.peripheral->kind);
    return meeting == nullptr ? cannotDoThat(scene, std::move(figure)) : meeting->judge(scene, std::move(figure));
}

std::vector<Way> subjectWays(const PromiseContext& context, const Subject& subject, const Ask& ask,
                             const std::vector<Setting>& pinned, std::size_t most) {
    const Meeting* meeting = meetingOf(ask, subject.peripheral->kind);
    return meeting == nullptr ? std::vector<Way>() : meeting->ways({context, subject, ask, pinned}, most);
}

RateWindows subjectRates(const PromiseContext& context, const Subject& subject, const Ask& ask) {
    const Meeting* meeting = meetingOf(ask, subject.peripheral->kind);
    return meeting == nullptr ? RateWindows::none() : meeting->rates({context, subject, ask, {}});
}

} // namespace wisetick
