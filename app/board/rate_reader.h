#pragma once

#include "plan/plan.h"

#include <tl/expected.hpp>

#include <QString>

#include <functional>
#include <string>

namespace wisetick::app {

/// Reads what was typed for a source's rate, with the tolerance behind it as both stand on a crystal: "16 MHz 20 ppm", "16 MHz
/// ±20 ppm". `rateOf` reads the rate alone; `source` is the one that is fitted.
std::function<tl::expected<PlanEdit, QString>(const QString&)>
rateReader(std::function<tl::expected<PlanEdit, QString>(const QString&)> rateOf, std::string source);

} // namespace wisetick::app
