#pragma once

#include "part/part.h"

#include <set>
#include <string>

namespace wisetick {

/// Every register of the part: those that it describes, and those that a field, a key or the way into a mode stands in.
std::set<std::string> registerNames(const Part& part);

} // namespace wisetick
