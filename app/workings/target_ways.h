#pragma once

#include "evaluate/ways_out.h"

#include <stop_token>

namespace wisetick::app {

/// The ways out of what the target is in: of a promise, a limit, a choice that the part does not allow; of a mode those to wake
/// sooner.
/// To be worked out beside the interface: it takes a hundred derivations.
std::vector<WayOut> waysOutOf(const Part& part, const Plan& plan, const Figures& figures, const Target& target,
                              const std::stop_token& token);

} // namespace wisetick::app
