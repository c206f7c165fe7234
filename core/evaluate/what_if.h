#pragma once

#include "part/part.h"
#include "plan/plan.h"

namespace wisetick {

/// The plan as it stands when a source fails while the take runs: the source is off, and where the part says so the
/// hardware has put a line on another input by itself. Deriving it tells what still holds. The plan unchanged where
/// there is no such source. Throws std::invalid_argument if there is no such take.
Plan afterFailure(const Part& part, const Plan& plan, const std::string& take, const std::string& source);

} // namespace wisetick
