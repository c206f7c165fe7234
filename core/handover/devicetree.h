#pragma once

#include "handover/emit.h"

namespace wisetick {

/// A fragment after the Devicetree Specification 0.4: each source and line that is on as a clock (`fixed-clock`,
/// `fixed-factor-clock`), and each peripheral that a promise is asked of with its `clocks`, `assigned-clock-rates`, and for a
/// uart `current-speed`, for a bus `clock-frequency`. Rates are whole Hz there: what is not is rounded, and said.
std::string devicetreeOf(const Part& part, const Plan& plan, const Figures& figures, const std::vector<LeftOut>& left,
                         const EmitStyle& style);

} // namespace wisetick
