#pragma once

#include "base/diagnostic.h"
#include "part/part.h"
#include "plan/expect.h"

#include <vector>

namespace wisetick {

/// Whether a part gives what the worked examples of its datasheet say: an error for each figure that does not come out, with what
/// came out instead, at the path of its example ("expect.1").
Diagnostics lintExpects(const Part& part, const std::vector<Expect>& expects);

} // namespace wisetick
