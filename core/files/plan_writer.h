#pragma once

#include "plan/plan.h"

#include <string>

namespace wisetick {

/// The plan as TOML in its canonical order. Reading it gives the same plan.
std::string writePlan(const Plan& plan);

/// The text of a plan file changed to hold `plan`: only the lines of what differs from what the text holds now are
/// touched; comments stay with what they stand before, and go with it. Promises, jobs and takes are followed by
/// their names when they are moved. Where the text holds no readable plan, writePlan.
std::string savePlan(const Plan& plan, const std::string& text);

} // namespace wisetick
