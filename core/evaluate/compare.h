#pragma once

#include "base/text.h"

#include "derive/figures.h"
#include "plan/plan.h"

namespace wisetick {

/// One thing that takes are compared by.
struct ComparedRow {
    enum class Kind { choice, promise, vital };

    Kind kind = Kind::choice;
    Text name;                                ///< "bus_a", "modem", "average current"
    std::vector<Text> values;                 ///< by take
    std::vector<std::optional<State>> states; ///< by take; none where there is nothing to judge
    bool differs = false;
};

/// Takes beside one another: how much each must keep, the promises, choices (tier, mode of rest, and the control of every line
/// that is on in one of them), vitals. What differs comes first. Each take is evaluated in full. `takes` are names that the plan
/// has.
std::vector<ComparedRow> compareTakes(const Part& part, const Plan& plan, const std::vector<std::string>& takes);

} // namespace wisetick
