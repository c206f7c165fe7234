#pragma once

#include "derive/figures.h"
#include "plan/plan.h"

namespace wisetick {

/// The arithmetic behind figures. It is made when it is asked for: deriving makes none.

/// How the rate of a source or line came about, and the limits that hold for it.
Workings lineWorkings(const Part& part, const Plan& plan, const Figures& figures, NodeIndex node);

/// How a promise (its place in the plan) was judged, in the figures of their take.
Workings promiseWorkings(const Part& part, const Plan& plan, const Figures& figures, std::size_t promise);

/// Fills in the workings of all lines and promises.
void addWorkings(const Part& part, const Plan& plan, Figures& figures);

} // namespace wisetick
