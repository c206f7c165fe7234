#pragma once

#include "base/text.h"
#include "part/part.h"
#include "promise/can_timing.h"
#include "promise/judge.h"
#include "promise/rate_windows.h"

namespace wisetick {

/// One condition on how far each node's oscillator may be off, as a share.
struct CanCondition {
    std::string name; ///< what it is for, in a few words
    Text formula;
    Text numbers;
    Rational allowed;
};

/// The conditions on the oscillators (ISO 11898-1): df ≤ SJW ÷ (20 NBT) and df ≤ min(PS1, PS2) ÷ (2 (13 NBT − PS2)) in quanta of
/// the nominal phase, with a data phase three more. Each node may be off by that much, to either side.
std::vector<CanCondition> canConditions(const CanTiming& timing);

/// The least of the conditions.
Rational canTolerance(const CanTiming& timing);

/// The timing of a way's settings.
CanTiming canTimingOf(const CanKind& can, const CanAsk& ask, const Clock& clock, const std::vector<Setting>& settings);

/// The longest cable, m, at which the way is still kept at every corner; none where it is not kept without any.
std::optional<Rational> longestCable(const CanKind& can, const CanAsk& ask, const Clock& clock, const CanTiming& timing);

/// All pairs of prescaler and quanta, each with the segments nearest to the sample point that stand the conditions. Best first:
/// state, worst-case |error| of the bit rates, nominal |error|, distance from the sample points, the same prescaler in both
/// phases, most quanta.
std::vector<Way> canWays(const CanKind& can, const CanAsk& ask, const Clock& clock, const std::vector<Setting>& pinned = {},
                         std::size_t most = 50);

/// The promise judged by its best way: kept if the oscillator's bounds and the error of the rate together are within every
/// condition (and within the tolerance, if one is asked) and the cable fits before the sample point.
PromiseFigure judgeCan(PromiseFigure figure, const CanKind& can, const CanAsk& ask, const Clock& clock,
                       const std::vector<Setting>& pinned = {}, Detail detail = Detail::workings);

/// The clock rates with which the ask can be kept: prescaler × quanta × rate of the slow phase, by no more off than the bus's
/// first condition can ever allow. Not tight: segments, cable and data phase have the last word.
RateWindows canRates(const CanKind& can, const CanAsk& ask);

} // namespace wisetick
