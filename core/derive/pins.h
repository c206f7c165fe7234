#pragma once

#include "derive/figures.h"
#include "plan/plan.h"

namespace wisetick {

/// Every pin that the part names or the plan uses, in the part's order. A source's pins are free while it is off. Two
/// users of one pin, or one of a debug pin, collide.
std::vector<PinFigure> pinFigures(const Part& part, const Plan& plan, const Figures& figures,
                                  const std::vector<bool>& peripherals);

} // namespace wisetick
