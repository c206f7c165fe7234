#pragma once

#include "quantity/rational.h"

#include <cstddef>
#include <optional>
#include <string>
#include <vector>

namespace wisetick {

/// A value that a line's control has, or the input that its mux has chosen.
struct ControlCase {
    std::size_t line = 0;     ///< index of the line whose control it is
    std::string control;      ///< "divide", "multiply" or "from"
    std::vector<Rational> is; ///< any of these; of a mux the places of its inputs
};

/// Between which rates another line runs, on nominal: from `least` on, and below `below`.
struct RateCase {
    std::size_t node = 0;          ///< NodeIndex of the source or line
    std::optional<Rational> least; ///< Hz
    std::optional<Rational> below; ///< Hz
};

/// Where a rate may stand, Hz. Holds in its tier only, in a range of supply only, with a control set so only, while another line
/// runs in a range only, or always; of several conditions all must be met.
struct Limit {
    std::optional<std::size_t> tier;
    std::optional<Rational> supplyBelow; ///< V: holds while the lowest supply is below
    std::optional<ControlCase> when;
    std::optional<Rational> min;
    std::optional<Rational> max;
    bool isTolerance = false; ///< given as a rate ± a share: judged without slack
    std::string ref;
    std::optional<RateCase> whileRate = {};
};

} // namespace wisetick
