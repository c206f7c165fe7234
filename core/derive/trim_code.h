#pragma once

#include "part/part.h"
#include "plan/plan.h"

#include <optional>
#include <vector>

namespace wisetick {

/// The code that brings this very board's RC to its rate, from what was measured of it at the code of reset.
struct TrimFigure {
    std::string source;
    std::int64_t code = 0;
    Rational rated;        ///< Hz, that it shall have
    Rational hertz;        ///< that it has then: measured × (1 + (code − reset) × step)
    bool isInReach = true; ///< no code beyond the range would come nearer
    std::optional<FieldValue> field;
    Rational error() const { return hertz / rated - 1; }
};

/// Of a source with a trim that was measured: code = reset + (rated ÷ measured − 1) ÷ step, to the nearest whole one within its
/// range. Nothing where it has no trim or was not measured.
std::optional<TrimFigure> trimFigure(const Source& source, const Board& board, const Rational& rated);

/// Of all sources, at the rates that the take chooses. The plan must have the take.
std::vector<TrimFigure> trimFigures(const Part& part, const Plan& plan, const std::string& take);

} // namespace wisetick
