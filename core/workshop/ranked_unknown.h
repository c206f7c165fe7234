#pragma once

#include "part/unknown_facts.h"
#include "plan/plan.h"

#include <vector>

namespace wisetick {

/// Something that a part does not tell, and how much of it matters to a plan.
struct RankedUnknown {
    UnknownFact fact;
    std::size_t inPlan = 0; ///< of what hangs on it, as many does the plan use in the takes that count
};

/// What is unknown of the part, what most hangs on in the plan first, then what most hangs on in any; of equals in the part's
/// order.
std::vector<RankedUnknown> rankedUnknown(const Part& part, const Plan& plan);

} // namespace wisetick
