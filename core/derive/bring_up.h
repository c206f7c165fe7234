#pragma once

#include "base/text.h"
#include "derive/figures.h"
#include "plan/plan.h"

namespace wisetick {

/// One step of bringing up what a promise needs.
struct BringUpAction {
    Text say;                        ///< "let its clock in", "prescaler 1, counts 40000"
    Text reason;                     ///< why it stands here; may be empty
    std::optional<FieldValue> field; ///< what is written
    bool isForgotten = false;        ///< it is what is forgotten most often
    bool isInterrupt = false;        ///< it is for an interrupt alone
    bool operator==(const BringUpAction&) const = default;
};

/// The steps for a promise in the order of its peripheral: as the part tells it, else gate, clock, settings, and the enables of
/// its interrupt from its own to the core's. Empty for what has no peripheral.
std::vector<BringUpAction> bringUp(const Part& part, const Plan& plan, const PromiseFigure& figure, std::size_t promise);

} // namespace wisetick
