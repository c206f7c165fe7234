#include "derive/demand.h"

#include "base/text.h"

#include <algorithm>

namespace wisetick {

namespace {

/// The ids that a promise leans on: its subject, and what wakes by it.
std::vector<std::string> usedBy(const Part& part, const PromiseLine& line) {
    std::vector<std::string> ids{peripheralOf(line.subject)};
    if (const auto* wakes = line.ask.as<WakesAsk>()) {
        ids.push_back(wakes->by);
    }
    const std::string chained = chainedWith(part, line);
    if (!chained.empty()) {
        ids.push_back(chained);
    }
    return ids;
}

bool runsIn(const Job& job, const Plan& plan, const Take& take) {
    return job.take.empty() ? plan.active == take.name : job.take == take.name;
}

} // namespace

bool isAskedIn(const Plan& plan, const Promise& promise, const Take& take) {
    const PromiseLine& line = promise.line;
    if (!line.whileJob.empty()) {
        return std::any_of(plan.jobs.begin(), plan.jobs.end(),
                           [&](const Job& job) { return job.name == line.whileJob && runsIn(job, plan, take); });
    }
    return line.inTakes.empty() || std::find(line.inTakes.begin(), line.inTakes.end(), take.name) != line.inTakes.end();
}

std::string chainedWith(const Part& part, const PromiseLine& line) {
    const auto* fires = line.ask.as<FiresAsk>();
    const auto peripheral = fires != nullptr && fires->isChained ? part.findPeripheral(line.subject) : std::nullopt;
    if (!peripheral) {
        return {};
    }
    const PeripheralKind& kind = part.peripherals[*peripheral].kind;
    return kind.row()->chainedWith(kind);
}

std::vector<NodeIndex> chainOf(const Part& part, const Controls& controls, NodeIndex node) {
    std::vector<NodeIndex> chain{node};
    while (!part.isSource(chain.back())) {
        chain.push_back(parentOf(part, controls, chain.back() - part.sources.size()));
    }
    return chain;
}

std::optional<NodeIndex> heldOff(const Part& part, const Controls& controls, NodeIndex node) {
    for (const NodeIndex each : chainOf(part, controls, node)) {
        if (controls.nodeOn[each] == false) {
            return each;
        }
    }
    return std::nullopt;
}

bool livesIn(const Part& part, const Controls& controls, const Mode& mode, NodeIndex node) {
    const std::vector<NodeIndex> chain = chainOf(part, controls, node);
    return std::all_of(chain.begin(), chain.end(), [&](NodeIndex each) {
        if (!part.isSource(each)) {
            return mode.lines.contains(each - part.sources.size());
        }
        return mode.sources.contains(each) ||
               std::find(mode.requested.begin(), mode.requested.end(), each) != mode.requested.end();
    });
}

bool peripheralLivesIn(const Part& part, const Controls& controls, const Mode& mode, std::size_t peripheral) {
    const auto clock = clockOf(part, controls, peripheral);
    return mode.peripherals.contains(peripheral) && (!clock || livesIn(part, controls, mode, *clock));
}

Demand demandOf(const Part& part, const Plan& plan, const Take& take, const Controls& controls, const JobUses& uses) {
    Demand demand{std::vector<bool>(part.nodeCount()), std::vector<bool>(part.peripherals.size())};
    const auto want = [&](NodeIndex node) {
        if (heldOff(part, controls, node)) {
            return;
        }
        for (const NodeIndex each : chainOf(part, controls, node)) {
            demand.nodes[each] = true;
        }
    };
    want(part.core);
    const auto use = [&](const std::string& id) {
        if (const auto peripheral = part.findPeripheral(id)) {
            demand.peripherals[*peripheral] = true;
        } else if (const auto node = part.findNode(id)) {
            want(*node);
        }
    };
    for (const Promise& promise : plan.promises) {
        const std::string& job = promise.line.whileJob;
        const bool isMeant =
            isAskedIn(plan, promise, take) && (job.empty() || uses.areAll || (uses.one != nullptr && uses.one->name == job));
        for (const std::string& id : isMeant ? usedBy(part, promise.line) : std::vector<std::string>()) {
            use(id);
        }
    }
    for (const Job& job : plan.jobs) {
        if (uses.areAll ? runsIn(job, plan, take) : &job == uses.one) {
            std::for_each(job.uses.begin(), job.uses.end(), use);
        }
    }
    for (NodeIndex node = 0; node < part.nodeCount(); ++node) {
        if (controls.nodeOn[node] == true) {
            want(node);
        }
    }
    for (std::size_t i = 0; i < part.peripherals.size(); ++i) {
        demand.peripherals[i] = controls.peripheralOn[i].value_or(demand.peripherals[i]);
        if (const auto clock = clockOf(part, controls, i); clock && demand.peripherals[i]) {
            want(*clock);
        }
        const Draw* draw = demand.peripherals[i] ? drawIn(part.peripherals[i].draws, controls.tier) : nullptr;
        for (std::size_t k = 0; draw != nullptr && k < draw->onClocks.size(); ++k) {
            want(draw->onClocks[k].node); // through which the core reaches it
        }
    }
    return demand;
}

std::vector<Text> ownDemand(const Part& part, const Plan& plan, const Take& take, const Controls& controls) {
    const JobUses noJob{false, nullptr};
    Plan everywhere = plan;
    std::erase_if(everywhere.promises, [](const Promise& promise) { return !promise.line.inTakes.empty(); });
    const std::vector<bool> always = demandOf(part, everywhere, take, controls, noJob).nodes;
    const std::vector<bool> here = demandOf(part, plan, take, controls, noJob).nodes;
    std::vector<Text> list(part.nodeCount());
    for (NodeIndex node = 0; node < part.nodeCount(); ++node) {
        list[node] = here[node] && !always[node] ? phrase("in {}", take.name) : Text();
    }
    for (const Job& job : plan.jobs) {
        const std::vector<bool> during =
            runsIn(job, plan, take) ? demandOf(part, plan, take, controls, {false, &job}).nodes : std::vector<bool>();
        for (NodeIndex node = 0; node < during.size(); ++node) {
            if (during[node] && !here[node]) {
                list[node] += (list[node].empty() ? phrase("while ") : ", ") + job.name;
            }
        }
    }
    return list;
}

} // namespace wisetick
