#pragma once

#include "base/diagnostic.h"
#include "base/text.h"
#include "part/part.h"
#include "plan/plan.h"

#include <optional>
#include <string>
#include <vector>

namespace wisetick {

/// A line's controls as they stand: the take's choice, or the part's reset.
struct LineControls {
    std::size_t from = 0; ///< index into the line's inputs
    Rational divide = 1;
    Rational multiply = 1;
    Rational factor = 1; ///< multiply ÷ divide × fixed × followed
    Text fault;          ///< a choice that the part does not allow; the line has no rate then
};

/// All controls of a take, resolved against the part.
struct Controls {
    std::vector<LineControls> lines;               ///< by line index
    std::vector<std::size_t> sourceRates;          ///< by source index: index into its rates
    std::vector<std::size_t> sourceDrives;         ///< by source index: index into its drives
    std::vector<std::size_t> peripheralFrom;       ///< by peripheral index: index into its clocks
    std::vector<std::optional<bool>> nodeOn;       ///< by NodeIndex: `on` as chosen
    std::vector<std::optional<bool>> peripheralOn; ///< by peripheral index
    std::optional<std::size_t> tier;
    std::vector<std::vector<std::size_t>> modeOptions; ///< by mode and option index: index into its values
};

/// Resolves the take's choices. What the part does not allow is a finding that names the nearest allowed setting;
/// nothing is changed silently. Without a tier chosen the part's first one holds.
Controls resolveControls(const Part& part, const Take& take, Diagnostics& findings);

/// The node that a line's mux has chosen.
NodeIndex parentOf(const Part& part, const Controls& controls, std::size_t line);

/// The node that clocks a peripheral; nothing where the part gives none.
std::optional<NodeIndex> clockOf(const Part& part, const Controls& controls, std::size_t peripheral);

} // namespace wisetick
