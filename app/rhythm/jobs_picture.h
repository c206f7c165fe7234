#pragma once

#include "derive/figures.h"
#include "picture/picture.h"
#include "plan/plan.h"

namespace wisetick::app {

/// Each job on its lane over three of the longest periods, what goes on meanwhile, and what it draws. Needs a play.
Picture jobsPicture(const Part& part, const Plan& plan, const Figures& figures);

} // namespace wisetick::app
