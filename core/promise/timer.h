#pragma once

#include "part/part.h"
#include "promise/judge.h"
#include "promise/rate_windows.h"

namespace wisetick {

/// What a timer is asked for: a period again and again, or a time once.
struct TimerGoal {
    TimerGoal(const FiresAsk& ask) // NOLINT(google-explicit-constructor): either ask is a goal
        : period(ask.period), tolerance(ask.tolerance), isRepeated(ask.isRepeated), isChained(ask.isChained), late(ask.late),
          handled(ask.handled) {}
    TimerGoal(const WaitsAsk& ask) // NOLINT(google-explicit-constructor)
        : period(ask.time), tolerance(ask.tolerance), isAtLeast(ask.isAtLeast), isOnce(true) {}

    /// The same with so many cycles more for each of its interrupts.
    TimerGoal with(const Rational& interruptCycles) const {
        TimerGoal goal = *this;
        if (goal.handled) {
            *goal.handled += interruptCycles;
        }
        return goal;
    }

    Rational period; ///< s
    Tolerance tolerance;
    bool isAtLeast = false;
    bool isOnce = false;             ///< a time, not a period
    bool isRepeated = false;         ///< several shorter ones may make up the period
    bool isChained = false;          ///< two timers count as one
    std::optional<Rational> late;    ///< cycles of the core
    std::optional<Rational> handled; ///< cycles of the core, entry and exit included
};

/// How many numbers of repeats are looked at, from the fewest that reach on: 64, and of a timer with more than 256 prescalers 4,
/// as those come near enough by themselves.
std::int64_t repeatsTried(const TimerKind& timer);

/// period = repeats × (prescaler × counts × post ÷ f + late ÷ core). For every prescaler and post-scaler the counts just below
/// and above the target: complete, as the error is monotonic in the counts. Best first: state, worst-case |error|, nominal
/// |error|, fewer repeats, more counts (finer duty), smaller prescaler; at most `most` ways. With `repeated` the fewest repeats
/// that reach, and more where they come nearer: repeatsTried numbers of them. `core` is needed for `late` only.
std::vector<Way> timerWays(const TimerKind& timer, const TimerGoal& goal, const Clock& clock,
                           const std::vector<Setting>& pinned = {}, std::size_t most = 20, const Clock* core = nullptr);

/// The promise judged by its best way, without listing the others. `figure` brings name, text and subject.
PromiseFigure judgeTimer(PromiseFigure figure, const TimerKind& timer, const TimerGoal& goal, const Clock& clock,
                         const std::vector<Setting>& pinned = {}, Detail detail = Detail::workings, const Clock* core = nullptr);

/// The counter of a calendar's wake-up as a timer.
TimerKind wakeUpTimer(const RtcKind& rtc);

/// The clock rates with which the goal can be kept: prescaler × counts × post ÷ period, ± the tolerance. Not tight where cycles
/// of the core or several periods come into it.
RateWindows timerRates(const TimerKind& timer, const TimerGoal& goal);

} // namespace wisetick
