#pragma once

#include "part/part.h"

#include <vector>

namespace wisetick {

/// What of the part's start-ups, draws and stages of waking is told typically only, in the part's order.
std::vector<TypicalOnly> toldTypicallyOnly(const Part& part);

/// Takes each of those as at most `factor` times the typical figure, and keeps factor and list in the part, so that whoever
/// shows figures of it can say so.
void boundTypical(Part& part, const Rational& factor);

} // namespace wisetick
