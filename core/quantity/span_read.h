#pragma once

#include "base/diagnostic.h"
#include "quantity/unit.h"

#include <tl/expected.hpp>

#include <string_view>
#include <utility>

namespace wisetick {

/// Reads what moves between two ends: "3 V to 3.6 V", "-20 … 60 C" (a first end without unit has that of the second), or one
/// quantity, which is both ends. The ends are as they are typed, the first one first; errors point into `text`.
tl::expected<std::pair<Rational, Rational>, TextError> readSpan(std::string_view text, Unit unit);

} // namespace wisetick
