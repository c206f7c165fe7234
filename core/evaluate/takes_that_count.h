#pragma once

#include "derive/figures.h"
#include "plan/plan.h"

namespace wisetick {

/// The takes that a check looks at: the active one first, then those that a promise names or a job runs in, in the plan's order.
std::vector<std::string> takesThatCount(const Plan& plan);

/// What of a take's figures is its own beside the active one's: the promises that are asked there by name or job (`areAll`: every
/// one that may be looked at there), the others elsewhere; and the findings that the active take does not have.
Figures ownOf(const Plan& plan, Figures figures, const Figures& active, bool areAll);

} // namespace wisetick
