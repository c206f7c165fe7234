#pragma once

#include "base/text.h"
#include "derive/figures.h"
#include "plan/plan.h"

namespace wisetick {

/// One way to come by a period: with the timer alone, repeated, chained with another, or from another clock.
struct DelayRoute {
    Text say; ///< "alone", "repeated 125 times", "chained with timer4", "from xtw"
    PromiseFigure figure;
    Rational hourly;        ///< s, by which it is late (or early, below 0) after an hour
    bool isPresent = false; ///< as the plan has it
};

/// The routes to the period of a `fires` promise, as the plan has it first; empty for other promises. Each is derived in full.
std::vector<DelayRoute> delayRoutes(const Part& part, const Plan& plan, const std::string& take, std::size_t promise);

} // namespace wisetick
