#pragma once

#include "quantity/rational.h"

#include <cstddef>
#include <optional>
#include <string>
#include <vector>

namespace wisetick {

/// A value that a line's control has.
struct ControlCase {
    std::size_t line = 0;     ///< index of the line whose control it is
    std::string control;      ///< "divide" or "multiply"
    std::vector<Rational> is; ///< any of these
};

/// Where a rate may stand, Hz. Holds in its tier only, below a supply only, or with a control set so only, or always.
struct Limit {
    std::optional<std::size_t> tier;
    std::optional<Rational> supplyBelow; ///< V: holds while the lowest supply is below
    std::optional<ControlCase> when;
    std::optional<Rational> min;
    std::optional<Rational> max;
    bool isTolerance = false; ///< given as a rate ± a share: judged without slack
    std::string ref;
};

} // namespace wisetick
