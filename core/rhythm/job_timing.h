#pragma once

#include "derive/figures.h"
#include "plan/plan.h"

namespace wisetick {

/// What times a job: what the plan says (`by`), of one that follows another what times that; else the one timer that ends the
/// rest of the figures' take, if just one that is in use does, and from outside where none or several do. Its intervals stretch
/// as the timer's clock is slow.
JobTiming jobTiming(const Part& part, const Plan& plan, const Figures& figures, const Job& job);

/// The job at the head of those that follow one another.
const Job& rootOf(const Plan& plan, const Job& job);

} // namespace wisetick
