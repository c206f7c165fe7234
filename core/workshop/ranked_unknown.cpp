#include "workshop/ranked_unknown.h"

#include "derive/controls.h"
#include "derive/demand.h"
#include "evaluate/evaluate.h"
#include "evaluate/takes_that_count.h"

#include <algorithm>
#include <set>
#include <tuple>
#include <utility>

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

namespace {

/// Take and promise of each verdict that is not certain.
std::set<std::pair<std::string, std::string>> uncertain(const Part& part, const Plan& plan, const GoOn& goOn) {
    std::set<std::pair<std::string, std::string>> verdicts;
    for (const std::string& take : takesThatCount(plan)) {
        if (findTake(plan, take) == nullptr) {
            continue;
        }
        const Figures figures = evaluate(part, plan, take, goOn);
        for (const PromiseFigure& promise : figures.promises) {
            if (promise.state != State::elsewhere && promise.why.find("unknown") != std::string::npos) {
                verdicts.emplace(take, promise.name);
            }
        }
    }
    return verdicts;
}

} // namespace

void rankByVerdicts(const Part& part, const Plan& plan, std::vector<RankedUnknown>& ranked, const GoOn& goOn) {
    const auto now = uncertain(part, plan, goOn);
    if (now.empty()) {
        return; // nothing can become certain
    }
    for (RankedUnknown& each : ranked) {
        orStop(goOn);
        if (each.inPlan == 0) {
            continue;
        }
        each.certain = now.size() - std::min(now.size(), uncertain(withSupposed(part, each.fact), plan, goOn).size());
        Part rest = part;
        for (const RankedUnknown& other : ranked) {
            orStop(goOn);
            rest = &other == &each ? std::move(rest) : withSupposed(std::move(rest), other.fact);
        }
        each.needs = uncertain(rest, plan, goOn).size();
    }
    std::stable_sort(ranked.begin(), ranked.end(), [](const RankedUnknown& a, const RankedUnknown& b) {
        return std::tuple(a.certain, a.needs, a.inPlan) > std::tuple(b.certain, b.needs, b.inPlan);
    });
}

} // namespace wisetick
