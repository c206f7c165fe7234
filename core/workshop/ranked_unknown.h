#pragma once

#include "base/go_on.h"
#include "part/unknown_facts.h"
#include "plan/plan.h"

#include <vector>

namespace wisetick {

/// Something that a part does not tell, and how much of it matters to a plan.
struct RankedUnknown {
    UnknownFact fact;
    std::size_t inPlan = 0;  ///< of what hangs on it, as many does the plan use in the takes that count
    std::size_t certain = 0; ///< verdicts that would be certain were it told alone
    std::size_t needs = 0;   ///< verdicts that stay uncertain until it is told, whatever else is
};

/// What is unknown of the part, what most hangs on in the plan first, then what most hangs on in any; of equals in the part's
/// order.
std::vector<RankedUnknown> rankedUnknown(const Part& part, const Plan& plan);

/// Works out `certain` and `needs` of what the plan uses, and ranks by them first: the next figure to be looked up is the one
/// that makes most verdicts certain, of equals the one that most need. Each is told for a trial, and the takes that count are
/// evaluated anew. Throws Stopped where `goOn` says no.
void rankByVerdicts(const Part& part, const Plan& plan, std::vector<RankedUnknown>& ranked, const GoOn& goOn = {});

} // namespace wisetick
