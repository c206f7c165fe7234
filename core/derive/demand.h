#pragma once

#include "derive/controls.h"
#include "derive/figures.h"

#include <string>
#include <vector>

namespace wisetick {

/// What a take switches on: peripherals that a promise or one of its jobs uses or that a choice enables, and the
/// sources and lines that the core, those peripherals (with the clocks on which they draw), a promise about a line or `on = true`
/// demand, through the muxes as chosen. `on = false` holds a line and what it alone feeds off.
struct Demand {
    std::vector<bool> nodes;       ///< by NodeIndex
    std::vector<bool> peripherals; ///< by peripheral index
    bool operator==(const Demand&) const = default;
};

/// Of which jobs what they use counts, with the promises that are asked only while they run: of all, or of one, or of none.
struct JobUses {
    bool areAll = true;
    const Job* one = nullptr;
};
Demand demandOf(const Part& part, const Plan& plan, const Take& take, const Controls& controls, const JobUses& uses = {});

/// By NodeIndex, why a source or line is on in this take that would be off without: "in bus" where only promises are asked that
/// name the take, "while report" where only jobs want it; empty for all others.
std::vector<Text> ownDemand(const Part& part, const Plan& plan, const Take& take, const Controls& controls);

/// Whether a promise is asked in that take: everywhere it is looked at where it says nothing, in the takes that it names, or in
/// the one that its job runs in.
bool isAskedIn(const Plan& plan, const Promise& promise, const Take& take);

/// The timer that counts on for the one of this promise; empty where none does.
std::string chainedWith(const Part& part, const PromiseLine& line);

/// The chain from a node up to its source through the chosen muxes, the node first.
std::vector<NodeIndex> chainOf(const Part& part, const Controls& controls, NodeIndex node);

/// The first node of the chain that `on = false` holds off, if any.
std::optional<NodeIndex> heldOff(const Part& part, const Controls& controls, NodeIndex node);

/// Whether a mode keeps a node and all that it comes from.
bool livesIn(const Part& part, const Controls& controls, const Mode& mode, NodeIndex node);

/// Whether a mode keeps a peripheral and its clock.
bool peripheralLivesIn(const Part& part, const Controls& controls, const Mode& mode, std::size_t peripheral);

} // namespace wisetick
