#include "derive/bench.h"

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

/// Judges one promise on its peripheral with the given settings held. The variant visit is exhaustive: a new ask
/// must be given its judge here.
struct PeripheralJudge {
    const PromiseContext& context;
    const Bench& bench;
    const std::vector<Setting>& pinned;
    PromiseFigure figure;

    template <class Kind>
    const Kind* kind() const {
        return std::get_if<Kind>(&bench.peripheral->kind);
    }

    PromiseFigure wrongKind() {
        figure.why = bench.peripheral->id + " is a " + kindName(bench.peripheral->kind) + " and can't do that";
        return figure;
    }

    PromiseFigure operator()(const TalksAsk& ask) {
        const auto* uart = kind<UartKind>();
        return uart == nullptr ? wrongKind() : judgeUart(figure, *uart, ask, bench.clock, pinned, context.detail);
    }
    PromiseFigure onTimer(const TimerGoal& goal) {
        if (const auto* rtc = kind<RtcKind>()) {
            return judgeTimer(figure, wakeUpTimer(*rtc), goal, bench.clock, pinned, context.detail, bench.coreClock());
        }
        const auto* timer = kind<TimerKind>();
        return timer == nullptr ? wrongKind()
                                : judgeTimer(figure, *timer, goal, bench.clock, pinned, context.detail, bench.coreClock());
    }
    PromiseFigure operator()(const FiresAsk& ask) {
        const auto* rtc = kind<RtcKind>();
        if (!ask.isAlarm) {
            return onTimer(ask);
        }
        return rtc == nullptr ? wrongKind() : judgeAlarm(figure, *rtc, ask, bench.clock, pinned, context.detail);
    }
    PromiseFigure operator()(const DrivesAsk& ask) {
        const auto* timer = kind<TimerKind>();
        return timer == nullptr ? wrongKind()
                                : judgePwm(figure, {*timer, bench.channel}, ask, bench.clock, pinned, context.detail);
    }
    PromiseFigure operator()(const StampsAsk& ask) {
        const auto* timer = kind<TimerKind>();
        return timer == nullptr ? wrongKind() : judgeStamps(figure, *timer, ask, bench.clock, pinned, context.detail);
    }
    PromiseFigure operator()(const CanAsk& ask) {
        const auto* can = kind<CanKind>();
        return can == nullptr ? wrongKind() : judgeCan(figure, *can, ask, bench.clock, pinned, context.detail);
    }
    PromiseFigure operator()(const HoldsAsk& ask) {
        const auto* can = kind<CanKind>();
        return can == nullptr ? wrongKind() : judgeMessageMemory(figure, *can, ask, context.detail);
    }
    PromiseFigure operator()(const DriftsAsk& ask) {
        const auto* rtc = kind<RtcKind>();
        return rtc == nullptr ? wrongKind() : judgeCalendar(figure, *rtc, ask, bench.clock, pinned, context.detail);
    }
    PromiseFigure operator()(const BitesAsk& ask) {
        const auto* watchdog = kind<WatchdogKind>();
        return watchdog == nullptr
                   ? wrongKind()
                   : judgeWatchdog(figure, *watchdog, ask, bench.clock, restOf(context, bench.index), pinned, context.detail);
    }
    PromiseFigure operator()(const BusAsk& ask) {
        const auto* bus = kind<I2cKind>();
        return bus == nullptr ? wrongKind() : judgeI2c(figure, *bus, ask, bench.clock, pinned, context.detail);
    }
    PromiseFigure operator()(const TakesAsk& ask) {
        const auto* adc = kind<AdcKind>();
        return adc == nullptr ? wrongKind()
                              : judgeAdc(figure, *adc, ask, bench.clock, adcSpan(context, *adc), pinned, context.detail);
    }
    PromiseFigure operator()(const ClocksAsk& ask) {
        const auto* spi = kind<SpiKind>();
        return spi == nullptr ? wrongKind()
                              : judgeSpi(figure, *spi, ask, bench.clock, portMost(context, *spi), pinned, context.detail);
    }
    PromiseFigure operator()(const WaitsAsk& ask) {
        const auto* loop = kind<DelayLoopKind>();
        return loop == nullptr ? onTimer(ask) : judgeDelayLoop(figure, *loop, ask, bench.clock, pinned, context.detail);
    }
    // these have no peripheral of their own
    PromiseFigure operator()(const RunsAsk&) { return figure; }
    PromiseFigure operator()(const WakesAsk&) { return figure; }
    PromiseFigure operator()(const AverageAsk&) { return figure; }
    PromiseFigure operator()(const LastsAsk&) { return figure; }
};

struct WayLister {
    const PromiseContext& context;
    const Bench& bench;
    const std::vector<Setting>& pinned;
    std::size_t most;

    std::vector<Way> operator()(const TalksAsk& ask, const UartKind& kind) const {
        return uartWays(kind, ask, bench.clock, pinned);
    }
    std::vector<Way> operator()(const FiresAsk& ask, const TimerKind& kind) const {
        return timerWays(kind, ask, bench.clock, pinned, most, bench.coreClock());
    }
    std::vector<Way> operator()(const FiresAsk& ask, const RtcKind& kind) const {
        if (ask.isAlarm) {
            return alarmWays(kind, ask, bench.clock, pinned, most);
        }
        return timerWays(wakeUpTimer(kind), ask, bench.clock, pinned, most, bench.coreClock());
    }
    std::vector<Way> operator()(const WaitsAsk& ask, const TimerKind& kind) const {
        return timerWays(kind, ask, bench.clock, pinned, most, bench.coreClock());
    }
    std::vector<Way> operator()(const DrivesAsk& ask, const TimerKind& kind) const {
        return pwmWays({kind, bench.channel}, ask, bench.clock, pinned, most);
    }
    std::vector<Way> operator()(const StampsAsk& ask, const TimerKind& kind) const {
        return stampWays(kind, ask, bench.clock, pinned, most);
    }
    std::vector<Way> operator()(const CanAsk& ask, const CanKind& kind) const {
        return canWays(kind, ask, bench.clock, pinned, most);
    }
    std::vector<Way> operator()(const DriftsAsk& ask, const RtcKind& kind) const {
        return calendarWays(kind, ask, bench.clock, pinned, most);
    }
    std::vector<Way> operator()(const BitesAsk& ask, const WatchdogKind& kind) const {
        return watchdogWays(kind, ask, bench.clock, restOf(context, bench.index), pinned, most);
    }
    std::vector<Way> operator()(const BusAsk& ask, const I2cKind& kind) const { return i2cWays(kind, ask, bench.clock, pinned); }
    std::vector<Way> operator()(const TakesAsk& ask, const AdcKind& kind) const {
        return adcWays(kind, ask, bench.clock, adcSpan(context, kind), pinned);
    }
    std::vector<Way> operator()(const ClocksAsk& ask, const SpiKind& kind) const {
        return spiWays(kind, ask, bench.clock, portMost(context, kind), pinned, most);
    }
    std::vector<Way> operator()(const WaitsAsk& ask, const DelayLoopKind& kind) const {
        return delayLoopWays(kind, ask, bench.clock, pinned);
    }
    template <class Ask, class Kind>
    std::vector<Way> operator()(const Ask&, const Kind&) const {
        return {};
    }
};

struct RateLister {
    const PromiseContext& context;
    const Bench& bench;

    RateWindows operator()(const TalksAsk& ask, const UartKind& kind) const { return uartRates(kind, ask); }
    RateWindows operator()(const FiresAsk& ask, const TimerKind& kind) const { return timerRates(kind, ask); }
    RateWindows operator()(const FiresAsk& ask, const RtcKind& kind) const {
        return ask.isAlarm ? alarmRates(kind, ask) : timerRates(wakeUpTimer(kind), ask);
    }
    RateWindows operator()(const WaitsAsk& ask, const TimerKind& kind) const { return timerRates(kind, ask); }
    RateWindows operator()(const DrivesAsk& ask, const TimerKind& kind) const { return pwmRates(kind, ask); }
    RateWindows operator()(const StampsAsk& ask, const TimerKind& kind) const { return stampRates(kind, ask); }
    RateWindows operator()(const CanAsk& ask, const CanKind& kind) const { return canRates(kind, ask); }
    RateWindows operator()(const HoldsAsk&, const CanKind&) const { return RateWindows::all(); }
    RateWindows operator()(const DriftsAsk& ask, const RtcKind& kind) const { return calendarRates(kind, ask); }
    RateWindows operator()(const BitesAsk& ask, const WatchdogKind& kind) const {
        return watchdogRates(kind, ask, restOf(context, bench.index));
    }
    RateWindows operator()(const BusAsk& ask, const I2cKind& kind) const { return i2cRates(kind, ask); }
    RateWindows operator()(const TakesAsk& ask, const AdcKind& kind) const { return adcRates(kind, ask, adcSpan(context, kind)); }
    RateWindows operator()(const ClocksAsk& ask, const SpiKind& kind) const {
        return spiRates(kind, ask, portMost(context, kind));
    }
    RateWindows operator()(const WaitsAsk& ask, const DelayLoopKind& kind) const { return delayLoopRates(kind, ask); }
    template <class Ask, class Kind>
    RateWindows operator()(const Ask&, const Kind&) const {
        return RateWindows::none();
    }
};

} // namespace

PromiseFigure judgeOnBench(const PromiseContext& context, const Bench& bench, const Ask& ask, const std::vector<Setting>& pinned,
                           PromiseFigure figure) {
    return std::visit(PeripheralJudge{context, bench, pinned, std::move(figure)}, ask);
}

std::vector<Way> waysOnBench(const PromiseContext& context, const Bench& bench, const Ask& ask,
                             const std::vector<Setting>& pinned, std::size_t most) {
    return std::visit(WayLister{context, bench, pinned, most}, ask, bench.peripheral->kind);
}

RateWindows ratesOnBench(const PromiseContext& context, const Bench& bench, const Ask& ask) {
    return std::visit(RateLister{context, bench}, ask, bench.peripheral->kind);
}

} // namespace wisetick
