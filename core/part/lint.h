#pragma once

#include "base/diagnostic.h"
#include "part/part.h"

namespace wisetick {

/// What is suspicious in a part that reads without a fault: a field too narrow for its control's range, a multiplier
/// or source without a start-up time, an RC without a tolerance, draws that are not given, a line that feeds nothing.
/// All are warnings.
Diagnostics lintPart(const Part& part);

} // namespace wisetick
