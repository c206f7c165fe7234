#pragma once

#include "base/diagnostic.h"
#include "plan/plan.h"

namespace wisetick {

/// What of a plan is shown, and written into a file, and is no text in one line: names, promise lines, paths.
Diagnostics textsNotPlain(const Plan& plan);

} // namespace wisetick
