#pragma once

#include "base/diagnostic.h"
#include "part/part.h"

namespace wisetick {

/// What is suspicious about a part's reset state: lines that run then, from the core's source and through no multiplier,
/// outside a limit. Beside lintPart, which looks at each entry on its own.
Diagnostics lintReset(const Part& part);

} // namespace wisetick
