#include "derive/promises.h"

#include "derive/field_values.h"
#include "derive/line_limits.h"
#include "promise/adc.h"
#include "promise/delay_loop.h"
#include "promise/i2c.h"
#include "promise/line_rate.h"
#include "promise/spi.h"
#include "promise/timer.h"
#include "promise/uart.h"
#include "promise/watchdog.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <map>

namespace wisetick {

namespace {

/// What is left to a promise when its peripheral and clock are found.
struct Bench {
    const Peripheral* peripheral = nullptr;
    std::size_t index = 0;
    Clock clock;
};

std::vector<Setting> pinnedSettings(const Take& take, const std::string& promise) {
    std::vector<Setting> settings;
    if (const PinnedWay* pinned = findPinned(take, promise)) {
        for (const auto& [name, value] : pinned->settings) {
            settings.push_back({name, value});
        }
    }
    return settings;
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
    PromiseFigure operator()(const FiresAsk& ask) {
        const auto* timer = kind<TimerKind>();
        return timer == nullptr ? wrongKind() : judgeTimer(figure, *timer, ask, bench.clock, pinned, context.detail);
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
        return loop == nullptr ? wrongKind() : judgeDelayLoop(figure, *loop, ask, bench.clock, pinned, context.detail);
    }
    // these have no peripheral of their own
    PromiseFigure operator()(const RunsAsk&) { return figure; }
    PromiseFigure operator()(const WakesAsk&) { return figure; }
    PromiseFigure operator()(const AverageAsk&) { return figure; }
    PromiseFigure operator()(const LastsAsk&) { return figure; }
};

/// The ranked ways of an ask on the kind of peripheral that it is meant for; none on any other.
struct WayLister {
    const PromiseContext& context;
    const Bench& bench;
    const std::vector<Setting>& pinned;
    std::size_t most;

    std::vector<Way> operator()(const TalksAsk& ask, const UartKind& kind) const {
        return uartWays(kind, ask, bench.clock, pinned);
    }
    std::vector<Way> operator()(const FiresAsk& ask, const TimerKind& kind) const {
        return timerWays(kind, ask, bench.clock, pinned, most);
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

/// Where in the datasheet the peripheral stands, with every number that it gives.
void addRefs(const Peripheral& peripheral, Workings& workings) {
    for (Step& step : workings) {
        for (Origin& origin : step.origins) {
            if (origin.target == "part/peripheral." + peripheral.id) {
                origin.ref = peripheral.ref;
            }
        }
    }
}

std::string subjectTarget(const Part& part, const PromiseLine& line) {
    if (const auto* wakes = std::get_if<WakesAsk>(&line.ask)) {
        return "mode/" + wakes->mode;
    }
    if (part.findNode(line.subject)) {
        return "line/" + line.subject;
    }
    if (part.findPeripheral(line.subject)) {
        return "peripheral/" + line.subject;
    }
    return "rhythm/" + (line.subject.empty() ? "average" : line.subject);
}

bool comesFromPlay(const Ask& ask) {
    return std::holds_alternative<AverageAsk>(ask) || std::holds_alternative<LastsAsk>(ask) ||
           std::holds_alternative<WakesAsk>(ask);
}

/// Judges the promises of one plan; those on one peripheral together.
class PromiseJudge {
public:
    explicit PromiseJudge(const PromiseContext& context) : context_(context), names_(promiseNames(context.plan)) {}

    std::vector<PromiseFigure> judge() {
        std::vector<PromiseFigure> figures;
        std::map<std::size_t, std::vector<std::size_t>> byPeripheral;
        for (std::size_t i = 0; i < context_.plan.promises.size(); ++i) {
            figures.push_back(judgeAlone(i));
            if (const auto peripheral = context_.part.findPeripheral(context_.plan.promises[i].line.subject)) {
                byPeripheral[*peripheral].push_back(i);
            }
        }
        for (const auto& [peripheral, sharing] : byPeripheral) {
            if (sharing.size() > 1) {
                settleShared(sharing, figures);
            }
        }
        for (std::size_t i = 0; i < figures.size(); ++i) {
            checkAlsoIn(context_.plan.promises[i].line, figures[i]);
        }
        return figures;
    }

    PromiseFigure blank(std::size_t index) const {
        PromiseFigure figure;
        const PromiseLine& line = context_.plan.promises[index].line;
        figure.name = names_[index];
        figure.text = printPromiseLine(line);
        figure.subject = subjectTarget(context_.part, line);
        return figure;
    }

    /// The peripheral and clock of a promise; why not where there is none.
    std::optional<Bench> benchOf(std::size_t index, std::string& why) const {
        const std::string& id = context_.plan.promises[index].line.subject;
        const auto peripheral = context_.part.findPeripheral(id);
        if (!peripheral) {
            why = "no peripheral '" + id + "' on this part";
            return std::nullopt;
        }
        if (context_.controls.peripheralOn[*peripheral] == false) {
            why = id + " is switched off in take " + context_.take.name;
            return std::nullopt;
        }
        const auto node = clockOf(context_.part, context_.controls, *peripheral);
        if (!node) {
            why = id + " has no clock";
            return std::nullopt;
        }
        PromiseClock clock = promiseClock(context_, *node);
        if (!clock.clock) {
            why = clock.why;
            return std::nullopt;
        }
        return Bench{&context_.part.peripherals[*peripheral], *peripheral, *clock.clock};
    }

    /// The workings of a promise whose peripheral may be shared: with the settings that it got there.
    Workings workingsOf(const PromiseFigure& figure, std::size_t index) const {
        PromiseFigure alone = judgeAlone(index);
        return alone.settings == figure.settings ? alone.workings : judgeWith(index, figure.settings).workings;
    }

    std::vector<Setting> pinnedOf(std::size_t index) const { return pinnedSettings(context_.take, names_[index]); }

private:
    PromiseFigure judgeAlone(std::size_t index) const {
        const PromiseLine& line = context_.plan.promises[index].line;
        if (comesFromPlay(line.ask)) {
            PromiseFigure figure = blank(index);
            figure.state = State::pending;
            return figure;
        }
        if (const auto* runs = std::get_if<RunsAsk>(&line.ask)) {
            return judgeRate(index, *runs);
        }
        return judgeWith(index, pinnedOf(index));
    }

    PromiseFigure judgeRate(std::size_t index, const RunsAsk& ask) const {
        PromiseFigure figure = blank(index);
        const auto node = context_.part.findNode(context_.plan.promises[index].line.subject);
        const PromiseClock clock = node ? promiseClock(context_, *node) : PromiseClock{{}, "no such source or line on this part"};
        figure.asked = ask.hertz;
        if (!clock.clock) {
            figure.why = clock.why;
            return figure;
        }
        return judgeLineRate(std::move(figure), ask, *clock.clock, context_.detail);
    }

    PromiseFigure judgeWith(std::size_t index, const std::vector<Setting>& pinned) const {
        PromiseFigure figure = blank(index);
        const auto bench = benchOf(index, figure.why);
        if (!bench) {
            return figure;
        }
        try {
            figure = std::visit(PeripheralJudge{context_, *bench, pinned, figure}, context_.plan.promises[index].line.ask);
            figure.fields = peripheralFields(context_.part, context_.controls, bench->index, figure.settings);
            addRefs(*bench->peripheral, figure.workings);
        } catch (const RationalOverflow&) {
            figure.state = State::broken;
            figure.why = "the figures of " + figure.name + " need more than 256 bits";
        }
        return figure;
    }

    /// Tries each sharer's own best settings for all of them and keeps the best lot.
    void settleShared(const std::vector<std::size_t>& sharing, std::vector<PromiseFigure>& figures) const {
        std::optional<std::vector<PromiseFigure>> best;
        std::size_t holder = 0;
        for (const std::size_t leader : sharing) {
            const std::vector<Setting> settings = figures[leader].settings;
            if (settings.empty()) {
                continue;
            }
            std::vector<PromiseFigure> lot;
            for (const std::size_t each : sharing) {
                lot.push_back(judgeWith(each, settings));
            }
            if (!best || isBetterLot(lot, *best)) {
                best = std::move(lot);
                holder = leader;
            }
        }
        if (!best) {
            return;
        }
        for (std::size_t i = 0; i < sharing.size(); ++i) {
            PromiseFigure& figure = (*best)[i];
            if (figure.state != State::kept && sharing[i] != holder) {
                figure.why += (figure.why.empty() ? "" : "; ") + names_[holder] + " holds the fields that both need";
            }
            figures[sharing[i]] = std::move(figure);
        }
    }

    static bool isBetterLot(const std::vector<PromiseFigure>& a, const std::vector<PromiseFigure>& b) {
        const auto count = [](const std::vector<PromiseFigure>& lot, State state) {
            return std::count_if(lot.begin(), lot.end(), [&](const PromiseFigure& figure) { return figure.state == state; });
        };
        for (const State state : {State::broken, State::strained}) {
            if (count(a, state) != count(b, state)) {
                return count(a, state) < count(b, state);
            }
        }
        for (std::size_t i = 0; i < a.size(); ++i) {
            if (a[i].error && b[i].error && largestMagnitude(*a[i].error) != largestMagnitude(*b[i].error)) {
                return largestMagnitude(*a[i].error) < largestMagnitude(*b[i].error);
            }
        }
        return false;
    }

    /// "also in MODE": the clock must live there.
    void checkAlsoIn(const PromiseLine& line, PromiseFigure& figure) const {
        for (const std::string& id : line.alsoIn) {
            const auto mode = context_.part.findMode(id);
            const auto node = context_.part.findNode(line.subject);
            const auto peripheral = context_.part.findPeripheral(line.subject);
            if (!mode || (!node && !peripheral)) {
                continue;
            }
            const Mode& kept = context_.part.modes[*mode];
            const bool isKept = peripheral ? peripheralLivesIn(context_.part, context_.controls, kept, *peripheral)
                                           : livesIn(context_.part, context_.controls, kept, *node);
            if (!isKept) {
                figure.state = State::broken;
                figure.why += (figure.why.empty() ? "" : "; ") + line.subject + " has no clock in " + id;
            }
        }
    }

    const PromiseContext& context_;
    std::vector<std::string> names_;
};

} // namespace

PromiseClock promiseClock(const PromiseContext& context, NodeIndex node) {
    if (const auto off = heldOff(context.part, context.controls, node)) {
        return {std::nullopt, context.part.nodeId(*off) + " is switched off in take " + context.take.name};
    }
    const LineFigure& line = context.lines[node];
    if (!line.hertz) {
        return {std::nullopt, "no clock: " + line.why};
    }
    return {Clock{line.id, *line.hertz, line.unknown}, {}};
}

std::vector<PromiseFigure> judgePromises(const PromiseContext& context) {
    return PromiseJudge(context).judge();
}

Workings judgedWorkings(const PromiseContext& context, const PromiseFigure& figure, std::size_t promise) {
    return PromiseJudge(context).workingsOf(figure, promise);
}

std::vector<Way> promiseWays(const PromiseContext& context, std::size_t promise, std::size_t most) {
    const PromiseJudge judge(context);
    std::string why;
    const auto bench = judge.benchOf(promise, why);
    if (!bench) {
        return {};
    }
    const std::vector<Setting> pinned = judge.pinnedOf(promise);
    std::vector<Way> ways =
        std::visit(WayLister{context, *bench, pinned, most}, context.plan.promises[promise].line.ask, bench->peripheral->kind);
    ways.resize(std::min(most, ways.size()));
    return ways;
}

} // namespace wisetick
