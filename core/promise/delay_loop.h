#pragma once

#include "part/part.h"
#include "promise/judge.h"
#include "promise/rate_windows.h"

namespace wisetick {

/// time = (turns × cycles a turn + cycles of a call) ÷ f of the core. The turns next to what was asked; `at least` takes those
/// that are long enough at the fastest clock. Best first: state, worst-case |error|, nominal |error|, fewer turns.
std::vector<Way> delayLoopWays(const DelayLoopKind& loop, const WaitsAsk& ask, const Clock& clock,
                               const std::vector<Setting>& pinned = {});

/// The promise judged by its best way, and what it becomes at half and twice the core's rate.
PromiseFigure judgeDelayLoop(PromiseFigure figure, const DelayLoopKind& loop, const WaitsAsk& ask, const Clock& clock,
                             const std::vector<Setting>& pinned = {}, Detail detail = Detail::workings);

/// The clock rates with which the ask can be kept: cycles ÷ time, ± the tolerance, for every number of turns.
RateWindows delayLoopRates(const DelayLoopKind& loop, const WaitsAsk& ask);

} // namespace wisetick
