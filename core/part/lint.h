#pragma once

#include "base/diagnostic.h"
#include "part/part.h"

namespace wisetick {

/// A suspicion that is meant so, as the part file says it.
struct Accepted {
    std::string path; ///< of the table: "mode.deep"
    std::string what; ///< "no draw"
    std::string why;
    Place place;
};

/// What is suspicious in a part that reads without a fault: a field too narrow for its control's range, a multiplier
/// or source without a start-up time, an RC without a tolerance, draws that are not given, a line that feeds nothing.
/// All are warnings, but for what is accepted; what is accepted in vain is one too.
Diagnostics lintPart(const Part& part, const std::vector<Accepted>& accepted = {});

} // namespace wisetick
