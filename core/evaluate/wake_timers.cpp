#include "evaluate/wake_timers.h"

#include "base/text.h"
#include "derive/demand.h"
#include "promise/counter_search.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <stdexcept>

namespace wisetick {

namespace {

/// The counter that a peripheral can wake by.
std::optional<CounterReach> counterOf(const Peripheral& peripheral) {
    const auto counter = peripheral.kind.row()->wakeCounter(peripheral.kind);
    return counter ? std::optional(CounterReach{counter->prescaler, counter->counts}) : std::nullopt;
}

} // namespace

std::vector<WakeTimer> wakeTimers(const Part& part, const Plan& plan, const Figures& figures, const std::string& modeId,
                                  const Rational& every) {
    const auto index = part.findMode(modeId);
    const Take* take = findTake(plan, figures.take);
    if (!index || take == nullptr) {
        throw std::out_of_range(phrase("no mode '{}'", modeId));
    }
    const Mode& mode = part.modes[*index];
    Diagnostics ignored;
    const Controls controls = resolveControls(part, *take, ignored);
    const bool wakesByAny = std::find(mode.wakesBy.begin(), mode.wakesBy.end(), "any") != mode.wakesBy.end();
    std::vector<WakeTimer> timers;
    for (std::size_t i = 0; i < part.peripherals.size(); ++i) {
        const Peripheral& peripheral = part.peripherals[i];
        const auto reach = counterOf(peripheral);
        const bool isNamed = std::find(mode.wakesBy.begin(), mode.wakesBy.end(), peripheral.id) != mode.wakesBy.end();
        if (!reach || !(wakesByAny || isNamed || peripheral.wakesFrom.contains(mode.id))) {
            continue;
        }
        for (const NodeIndex clock : peripheral.clock) {
            const LineFigure& line = figures.lines[clock];
            if (!line.hertz || !mode.peripherals.contains(i) || !livesIn(part, controls, mode, clock)) {
                continue;
            }
            WakeTimer timer;
            timer.peripheral = peripheral.id;
            timer.clock = line.id;
            timer.shortest = reach->least() / line.hertz->nominal;
            timer.longest = reach->most() / line.hertz->nominal;
            const Rational wanted = every * line.hertz->nominal;
            const NearestSettings near = nearestSettings(*reach, reach->least(), wanted, reach->most());
            const auto off = [&](const CounterSetting& setting) { return abs(setting.product() - wanted); };
            const CounterSetting best =
                !near.above || (near.below && off(*near.below) <= off(*near.above)) ? *near.below : *near.above;
            timer.settings = {{"prescaler", best.prescaler}, {"counts", best.counts}};
            timer.got = inverse(*line.hertz, best.product());
            timer.error = relativeError(timer.got, every);
            if (every > timer.longest) {
                timer.why = phrase("does not fit: {} at most on {}", printQuantity(timer.longest, Unit::second), line.id);
            } else if (every < timer.shortest) {
                timer.why = phrase("too short: {} at least on {}", printQuantity(timer.shortest, Unit::second), line.id);
            }
            timers.push_back(std::move(timer));
        }
    }
    std::stable_sort(timers.begin(), timers.end(), [&](const WakeTimer& a, const WakeTimer& b) {
        if (a.why.empty() != b.why.empty()) {
            return a.why.empty();
        }
        const Rational offA = largestMagnitude(a.error);
        const Rational offB = largestMagnitude(b.error);
        return offA != offB ? offA < offB : figures.findLine(a.clock)->hertz->nominal < figures.findLine(b.clock)->hertz->nominal;
    });
    return timers;
}

} // namespace wisetick
