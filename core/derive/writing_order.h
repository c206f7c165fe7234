#pragma once

#include "base/text.h"
#include "derive/figures.h"
#include "plan/plan.h"

namespace wisetick {

/// One step on the way from some clock settings to others.
struct ClockWrite {
    Text say;                             ///< "start xtm", "wait for xtm", "bus_a ÷ 4"
    std::vector<FieldValue> fields;       ///< what is written
    std::optional<Duration> wait;         ///< how long it takes until the next step; none: no wait
    std::optional<Rational> core;         ///< Hz, the core's rate after the step
    std::optional<Field> until;           ///< the bit that is 1 once the wait is over; none: the part shows none
    std::optional<FieldValue> shown;      ///< what a field shows once the step has taken place: the input that is in use
    std::optional<NodeIndex> awaits = {}; ///< the source that is waited for
};

/// The order in which clock fields are written so that no state on the way oversteps a limit.
struct WritingOrder {
    std::vector<ClockWrite> steps;
    Text trouble;  ///< why the way ends before its goal; empty where it does not
    Duration wait; ///< all waits together; typ or max is none where one of them is unknown
};

/// The way from reset, or from the take `from`, to the take `to`: sources are started side by
/// side, and each is waited for when nothing else is left to do without it; wait states
/// rise before the rate and fall after it; a divider is set before the mux that needs it; gates are
/// let in when what feeds them runs and all rules allow it; a multiplier stands still
/// while anything above it changes, and the core runs on another source meanwhile; what is no longer needed is stopped
/// last. Every state in between is checked against the limits, rules and wait states of the lines that are on in either
/// take. Throws std::invalid_argument if the plan has no take of that name.
WritingOrder writingOrder(const Part& part, const Plan& plan, const std::optional<std::string>& from, const std::string& to);

} // namespace wisetick
