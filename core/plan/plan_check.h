#pragma once

#include "base/diagnostic.h"
#include "base/text.h"
#include "plan/plan.h"

namespace wisetick {

/// Whether a plan is whole: every name that stands in it names something (takes, promises, jobs; with a part its lines,
/// peripherals, modes, pins and options too), none stands twice, and every number lies where a file may have it. Each fault has
/// the path of the key that it would have in a file ("take.A.pinned.tick", "job.report.after"). A plan without faults can be
/// written and read back. The texts of promises are not read again. Cost: looking up each name once.
Diagnostics checkPlan(const Plan& plan, const Part* part);

/// The first fault in words, as an edit says why it can't be made; empty if there is none.
Text whyNotWhole(const Plan& plan, const Part* part);

} // namespace wisetick
