#pragma once

#include <string>
#include <vector>

namespace wisetick {

/// The names of everything inside a peripheral that a way sets, and that a take can therefore pin: "prescaler", "compare3";
/// in the order in which ways have them.
std::vector<std::string> settingNames();

} // namespace wisetick
