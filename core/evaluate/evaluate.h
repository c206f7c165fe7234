#pragma once

#include "base/go_on.h"
#include "derive/derive.h"

#include <map>

namespace wisetick {

/// derive and play together: everything that follows from part, plan and take, with the promises on averages and
/// lives judged, and watchdogs judged against the rests that were played. Throws std::invalid_argument if the plan
/// has no take of that name, and Stopped where `goOn` says no.
Figures evaluate(const Part& part, const Plan& plan, const std::string& take, const GoOn& goOn = {});

/// The same for what asks for promises and clocks alone: without the play where no promise hangs on it.
Figures evaluatePromises(const Part& part, const Plan& plan, const std::string& take);

/// The figures of the take, and of every other take that a job runs in, by name: what play needs. Throws Stopped
/// where `goOn` says no.
std::map<std::string, Figures> derivedTakes(const Part& part, const Plan& plan, const Figures& figures, const GoOn& goOn = {});

} // namespace wisetick
