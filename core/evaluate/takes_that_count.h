#pragma once

#include "base/go_on.h"
#include "base/text.h"
#include "derive/figures.h"
#include "plan/plan.h"

namespace wisetick {

/// The takes that a check looks at: the active one first, then those that a promise names or a job runs in, in the plan's order.
std::vector<std::string> takesThatCount(const Plan& plan);

/// What of a take's figures is its own beside the active one's: the promises that are asked there by name or job (`areAll`: every
/// one that may be looked at there), the others elsewhere; and the findings that the active take does not have.
Figures ownOf(const Plan& plan, Figures figures, const Figures& active, bool areAll);

/// What a take must keep, and what becomes of it.
struct TakeHolds {
    std::string take;
    bool doesCount = false; ///< whether a check looks at it
    std::size_t asked = 0;  ///< promises
    std::size_t strained = 0;
    std::size_t broken = 0;
    std::size_t overLimit = 0; ///< lines outside their limits
    State state = State::kept; ///< the worst of all
};

/// Counts what stands in a take's figures.
TakeHolds holdsOf(const Figures& figures, bool doesCount);
/// All takes in the plan's order; those that don't count with nothing. `active` are the active take's figures.
std::vector<TakeHolds> takesHold(const Part& part, const Plan& plan, const Figures& active, const GoOn& goOn = {});
/// "12: 1 broken, 2 strained"; "12 kept"; "nothing asked".
Text holdsSaid(const TakeHolds& holds);

} // namespace wisetick
