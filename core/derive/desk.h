#pragma once

#include "base/text.h"
#include "derive/figures.h"
#include "plan/plan.h"
#include "promise/rate_windows.h"

namespace wisetick {

/// All that stands on the desk of one promise: what it is judged on, and its ways.
struct Desk {
    const Peripheral* peripheral = nullptr; ///< nullptr: a line, a mode or the rhythm
    std::int64_t channel = 0;               ///< of the peripheral
    std::optional<Clock> clock;
    Text why;                                         ///< why there is no clock
    std::vector<Clock> others = {};                   ///< the other clocks that its mux could take
    std::vector<Way> ways = {};                       ///< best first
    std::vector<std::vector<FieldValue>> fields = {}; ///< what each way writes
    RateWindows rates = {};                           ///< of the clock, with which the promise can be kept
};

/// Up to which bit rate a start bit can wake a mode: its clock must run before the bit is over.
struct WakingRate {
    std::string mode;
    std::optional<Rational> within; ///< s, until the port's clock runs, at the longest; none: it never stops
    Text unknown;                   ///< what of that time is unknown
};

/// For every mode that the peripheral can wake: how soon its clock runs.
std::vector<WakingRate> wakingRates(const Part& part, const Plan& plan, const Figures& figures, std::size_t peripheral);

/// The desk of a promise, with at most so many ways. Throws std::out_of_range if the plan has no such promise.
Desk deskOf(const Part& part, const Plan& plan, const Figures& figures, std::size_t promise, std::size_t most);

} // namespace wisetick
