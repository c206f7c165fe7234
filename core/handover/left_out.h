#pragma once

#include "base/text.h"
#include "derive/figures.h"
#include "derive/writing_order.h"
#include "plan/plan.h"

#include <optional>
#include <string>
#include <vector>

namespace wisetick {

/// What is not written though the take wants it, and why.
struct LeftOut {
    Text what; ///< "bus_a", "uart1"
    Text why;
    bool operator==(const LeftOut&) const = default;
};

/// Of the clocks: lines that are on outside a limit, a control that is not as it was at the start and has no field, fields that
/// the way does not reach, and values that don't fit their field. `from`: the take that the way begins in, else reset.
std::vector<LeftOut> clocksLeftOut(const Part& part, const Plan& plan, const Figures& figures, const WritingOrder& way,
                                   const std::optional<std::string>& from);

/// Of the promises: those that are broken.
std::vector<LeftOut> promisesLeftOut(const Figures& figures);

/// "left out: uart1, the nearest is …".
Text leftOutText(const LeftOut& left);

} // namespace wisetick
