#pragma once

#include "files/part_context.h"

#include <utility>

namespace wisetick {

/// The key `limit`: one table or a list of them, each with its tier, supply or control.
std::vector<Limit> readLimits(const PartContext& context, TableReader& reader);

/// Whether a mux, "ref.from", may stand where a control is named.
enum class MuxControl { refused, allowed };

/// `control = "bus_a.divide"`: the line's index and which of its controls.
std::pair<std::size_t, std::string> readControl(const PartContext& context, TableReader& reader,
                                                MuxControl mux = MuxControl::refused);

} // namespace wisetick
