#pragma once

#include "evaluate/ways_out.h"

namespace wisetick {

/// What a choice that the part does not allow could be instead, as when the part file changed under the plan: for each
/// such control of the take's choice on `id` (a source, line or peripheral) the nearest allowed values, or the inputs that
/// there are, the reset's first. Empty where everything is allowed. Each is derived in full.
std::vector<WayOut> nearestAllowed(const Part& part, const Plan& plan, const std::string& take, const std::string& id);

} // namespace wisetick
