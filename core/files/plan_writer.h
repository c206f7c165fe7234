#pragma once

#include "base/diagnostic.h"
#include "plan/plan.h"

#include <tl/expected.hpp>

#include <string>

namespace wisetick {

/// The plan as TOML in its canonical order. Reading it gives the same plan.
std::string writePlan(const Plan& plan);

/// The text of a plan file changed to hold `plan`: only the lines of what differs from what the text holds now are
/// touched; comments stay with what they stand before, and go with it. Promises, jobs and takes are followed by
/// their names when they are moved. Where the text holds no readable plan, writePlan.
std::string savePlan(const Plan& plan, const std::string& text);

/// The same, to be put into a file: read back on the part and compared. Where that would not be the same plan, why it must not be
/// written.
tl::expected<std::string, Diagnostics> textToSave(const Plan& plan, const std::string& text, const Part& part);

} // namespace wisetick
