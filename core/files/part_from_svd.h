#pragma once

#include "files/svd.h"

#include <string>

namespace wisetick {

/// The text of a part to go on with, from the description of its registers: it names the description, which must stand beside it,
/// and has a peripheral for each of the description's, of kind `other` until it is told, with its fields as comments. It reads
/// without faults; what a description does not tell (clocks, limits, currents) is not in it. `id` must be an id.
std::string partFromSvd(const std::string& id, const RegisterNames& names);

} // namespace wisetick
