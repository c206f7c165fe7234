#include "evaluate/delay_routes.h"

#include "base/text.h"
#include "derive/demand.h"
#include "derive/derive.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

std::vector<DelayRoute> delayRoutes(const Part& part, const Plan& plan, const std::string& take, std::size_t promise) {
    std::vector<DelayRoute> routes;
    const PromiseLine& line = plan.promises.at(promise).line;
    const auto* fires = line.ask.as<FiresAsk>();
    const auto peripheral = part.findPeripheral(line.subject);
    if (fires == nullptr || !peripheral || findTake(plan, take) == nullptr) {
        return routes;
    }
    const auto add = [&](Text say, const PromiseLine& other, const std::optional<std::string>& from) {
        Plan changed = plan;
        changed.promises[promise].line = other;
        if (from) {
            choiceOf(changed, take, line.subject).from = *from;
        }
        DelayRoute route{std::move(say), derive(part, changed, take).promises[promise], 0, other == line && !from};
        if (route.figure.error) {
            route.hourly = route.figure.error->nominal * 3600;
        }
        for (const Setting& setting : route.figure.settings) {
            if (setting.name == "repeats") {
                route.say = phrase("repeated {} times", setting.value.toString());
            }
        }
        routes.push_back(std::move(route));
    };
    const auto worded = [&](bool isRepeated, bool isChained) {
        PromiseLine other = line;
        other.ask.change<FiresAsk>().isRepeated = isRepeated;
        other.ask.change<FiresAsk>().isChained = isChained;
        return other;
    };
    add("alone", worded(false, false), std::nullopt);
    add("repeated", worded(true, false), std::nullopt);
    if (const std::string with = chainedWith(part, worded(false, true)); !with.empty()) {
        add(phrase("chained with {}", with), worded(false, true), std::nullopt);
    }
    Diagnostics ignored;
    const Controls controls = resolveControls(part, *findTake(plan, take), ignored);
    for (const NodeIndex node : part.peripherals[*peripheral].clock) {
        if (node != clockOf(part, controls, *peripheral)) {
            add(phrase("from {}", part.nodeId(node)), worded(false, false), part.nodeId(node));
        }
    }
    std::stable_sort(routes.begin(), routes.end(),
                     [](const DelayRoute& a, const DelayRoute& b) { return a.isPresent && !b.isPresent; });
    return routes;
}

} // namespace wisetick
