#pragma once

#include "seek/route_search.h"

namespace wisetick {

/// Some take that keeps what is in force, with rates made as they shall be, the first that is met; none: there is none, unless
/// the effort was over before. What shall be made must be a wish in force.
std::optional<Whole> anyTake(const Space& space, const InForce& inForce, Effort& effort, const std::vector<Made>& made = {});

/// The best takes of a space; one that is known already is among those that are compared.
std::vector<Whole> bestTakes(const Space& space, const InForce& inForce, Effort& effort, bool isFolded, std::size_t most,
                             const std::function<void(const std::vector<Whole>&)>& onFound = {},
                             const std::optional<Whole>& known = std::nullopt);

} // namespace wisetick
