#pragma once

#include "part/part.h"
#include "promise/judge.h"
#include "promise/rate_windows.h"

namespace wisetick {

/// A channel of a timer, from 1.
struct PwmChannel {
    const TimerKind& timer;
    std::int64_t number = 1;
    Rational slack = {}; ///< by which share a worst case of the dead time may be too short
};

/// rate = f ÷ (prescaler × counts), or ÷ (2 × prescaler × counts) of a timer that counts up and down; compare = duty × counts, to
/// the nearest, ties to even. For every prescaler the counts next to the target, and the fewest that are fine enough. Best first:
/// state, worst-case |error| of the rate, nominal |error|, error of the duty, more counts, smaller prescaler.
std::vector<Way> pwmWays(const PwmChannel& channel, const DrivesAsk& ask, const Clock& clock,
                         const std::vector<Setting>& pinned = {}, std::size_t most = 20);

/// The promise judged by its best way: the rate within its tolerance, steps of the duty (1 ÷ counts) smaller than asked, the duty
/// no farther off than such a step (half a per cent of the period where none is asked), on and off times of a count at least and
/// longer than the dead time, and the dead time at least what is asked at the fastest clock, but for the slack.
PromiseFigure judgePwm(PromiseFigure figure, const PwmChannel& channel, const DrivesAsk& ask, const Clock& clock,
                       const std::vector<Setting>& pinned = {}, Detail detail = Detail::workings);

/// "compare1".
std::string compareName(std::int64_t channel);

/// The most counts that one period of that rate can have: the finest duty. 0 where the timer can't make the rate.
Rational mostCountsAt(const TimerKind& timer, const Rational& hertz, const Rational& clock);

/// The clock rates with which the ask can be kept: prescaler × counts × rate, ± the tolerance, with counts for steps that are
/// fine enough. Not tight where a dead time is asked.
RateWindows pwmRates(const TimerKind& timer, const DrivesAsk& ask);

} // namespace wisetick
