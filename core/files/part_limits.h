#pragma once

#include "files/part_context.h"

#include <utility>

namespace wisetick {

/// The key `limit`: one table or a list of them, each with its tier, supply or control.
std::vector<Limit> readLimits(const PartContext& context, TableReader& reader);

/// `control = "bus_a.divide"`: the line's index and which of its factors.
std::pair<std::size_t, std::string> readControl(const PartContext& context, TableReader& reader);

} // namespace wisetick
