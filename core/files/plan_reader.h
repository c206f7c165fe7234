#pragma once

#include "base/diagnostic.h"
#include "plan/plan.h"

#include <map>
#include <optional>
#include <string>
#include <string_view>

namespace wisetick {

/// What came of reading a plan file: the plan if there was no error, every fault, and where each key stands (by
/// path: "take.A.choices.ref.divide"), so that a finding about the plan can name its line.
struct PlanFile {
    std::optional<Plan> plan;
    Diagnostics diagnostics;
    std::map<std::string, Place> places;
};

/// Reads the text of a *.plan.toml file; `file` is its name for messages. With a part, ids are checked against
/// it. The format: docs/plan-files.md.
PlanFile readPlan(std::string_view text, const std::string& file, const Part* part);

/// The `part` key of a plan, read ahead so that the part can be found; with what is wrong where it can't be.
struct PlanPart {
    std::optional<std::string> part;
    std::string name; ///< of the plan; empty where it gives none
    Place place;
    Diagnostics diagnostics;
};
PlanPart readPlanPart(std::string_view text, const std::string& file);

} // namespace wisetick
