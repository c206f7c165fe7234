#pragma once

#include "base/diagnostic.h"
#include "base/text.h"
#include "part/part.h"

namespace wisetick {

/// A suspicion that is meant so, as the part file says it.
struct Accepted {
    std::string path; ///< of the table: "mode.deep"
    Text what;        ///< "no draw"
    Text why;
    Place place;
};

/// Something suspicious that was seen elsewhere: in the part file itself.
struct Suspicion {
    Text what;        ///< the word by which the part file can accept it
    std::string path; ///< of its table
    Text found;
    Text expected;
};

/// What is suspicious in a part that reads without a fault: a field too narrow for its control's range, a multiplier
/// or source without a start-up time, an RC without a tolerance, draws that are not given, a line that feeds nothing.
/// All are warnings, but for what is accepted; what is accepted in vain is one too.
/// `seen` is told beside it.
Diagnostics lintPart(const Part& part, const std::vector<Accepted>& accepted = {}, const std::vector<Suspicion>& seen = {});

} // namespace wisetick
