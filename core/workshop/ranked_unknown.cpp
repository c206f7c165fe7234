#include "workshop/ranked_unknown.h"

#include "derive/controls.h"
#include "derive/demand.h"
#include "evaluate/takes_that_count.h"

#include <algorithm>
#include <set>

namespace wisetick {

std::vector<RankedUnknown> rankedUnknown(const Part& part, const Plan& plan) {
    std::set<std::string> used;
    for (const std::string& name : takesThatCount(plan)) {
        const Take* take = findTake(plan, name);
        if (take == nullptr) {
            continue;
        }
        Diagnostics ignored;
        const Demand demand = demandOf(part, plan, *take, resolveControls(part, *take, ignored));
        for (NodeIndex node = 0; node < part.nodeCount(); ++node) {
            if (demand.nodes[node]) {
                used.insert(part.nodeId(node));
            }
        }
        for (std::size_t i = 0; i < part.peripherals.size(); ++i) {
            if (demand.peripherals[i]) {
                used.insert(part.peripherals[i].id);
            }
        }
        used.insert(part.modes[part.runMode()].id);
        used.insert(take->restsIn);
    }
    std::vector<RankedUnknown> ranked;
    for (UnknownFact& fact : unknownFacts(part)) {
        const auto inPlan = static_cast<std::size_t>(
            std::count_if(fact.hangs.begin(), fact.hangs.end(), [&](const std::string& id) { return used.contains(id); }));
        ranked.push_back({std::move(fact), inPlan});
    }
    std::stable_sort(ranked.begin(), ranked.end(),
                     [](const RankedUnknown& a, const RankedUnknown& b) { return a.inPlan > b.inPlan; });
    return ranked;
}

} // namespace wisetick
