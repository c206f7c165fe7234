#pragma once

#include "seek/route_search.h"

namespace wisetick {

/// Some take that keeps what is in force, the first that is met; none: there is none, unless the effort was over before.
std::optional<Whole> anyTake(const Space& space, const InForce& inForce, Effort& effort);

/// The routes that may fit.
std::vector<FittingRoute> routesThatFit(const Space& space, const InForce& inForce, Effort& effort);

/// The best takes of a space; one that is known already is among those that are compared.
std::vector<Whole> bestTakes(const Space& space, const InForce& inForce, Effort& effort, bool isFolded, std::size_t most,
                             const std::function<void(const std::vector<Whole>&)>& onFound = {},
                             const std::optional<Whole>& known = std::nullopt);

} // namespace wisetick
