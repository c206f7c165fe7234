#include "derive/desk.h"

#include "derive/demand.h"
#include "derive/field_values.h"
#include "derive/promises.h"

#include <algorithm>

namespace wisetick {

Desk deskOf(const Part& part, const Plan& plan, const Figures& figures, std::size_t promise, std::size_t most) {
    const PromiseLine& line = plan.promises.at(promise).line;
    const Take* take = findTake(plan, figures.take);
    Desk desk;
    desk.channel = channelOf(line.subject);
    if (take == nullptr) {
        return desk;
    }
    Diagnostics ignored;
    const Controls controls = resolveControls(part, *take, ignored);
    const Demand demand = demandOf(part, plan, *take, controls);
    const PromiseContext context{
        part, plan, *take, controls, demand, figures.lines, figures.rhythm ? &*figures.rhythm : nullptr, Detail::result};
    const auto index = part.findPeripheral(peripheralOf(line.subject));
    const auto node = index ? clockOf(part, controls, *index) : part.findNode(line.subject);
    if (node) {
        PromiseClock clock = promiseClock(context, *node);
        desk.clock = std::move(clock.clock);
        desk.why = std::move(clock.why);
    }
    desk.rates = promiseRates(context, promise);
    if (!index) {
        return desk;
    }
    desk.peripheral = &part.peripherals[*index];
    for (const NodeIndex other : desk.peripheral->clock) {
        const PromiseClock clock = promiseClock(context, other);
        if (other != node && clock.clock) {
            desk.others.push_back(*clock.clock);
        }
    }
    desk.ways = promiseWays(context, promise, most);
    for (const Way& way : desk.ways) {
        desk.fields.push_back(peripheralFields(part, controls, *index, way.settings));
    }
    return desk;
}

std::vector<WakingRate> wakingRates(const Part& part, const Plan& plan, const Figures& figures, std::size_t peripheral) {
    std::vector<WakingRate> rates;
    const Take* take = findTake(plan, figures.take);
    if (take == nullptr) {
        return rates;
    }
    Diagnostics ignored;
    const Controls controls = resolveControls(part, *take, ignored);
    const auto clock = clockOf(part, controls, peripheral);
    for (const auto& [id, by] : part.peripherals[peripheral].wakesFrom) {
        const auto mode = part.findMode(id);
        if (!mode || !clock || part.modes[*mode].runs || !figures.modes[*mode].wakeUp) {
            continue;
        }
        WakingRate rate{id, std::nullopt, {}};
        if (!livesIn(part, controls, part.modes[*mode], *clock)) {
            // the start-ups of what feeds it, and the stages before them
            const WakeUpFigure& wake = *figures.modes[*mode].wakeUp;
            Rational until;
            for (const WakePiece& piece : wake.pieces) {
                bool isFeeding = piece.isStage;
                for (const NodeIndex node : chainOf(part, controls, *clock)) {
                    isFeeding = isFeeding || piece.say == part.nodeId(node);
                }
                until = isFeeding ? std::max(until, piece.endMax) : until;
            }
            rate.within = until;
            rate.unknown = wake.unknown;
        }
        rates.push_back(std::move(rate));
    }
    return rates;
}

} // namespace wisetick
