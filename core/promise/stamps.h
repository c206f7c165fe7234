#pragma once

#include "part/part.h"
#include "promise/judge.h"
#include "promise/rate_windows.h"

namespace wisetick {

/// A counter that is read as a clock: one count lasts prescaler ÷ f, and all of them prescaler × counts ÷ f.
/// For every prescaler its most counts. Best first: state, then the finest that wraps late enough; where only the fineness is
/// asked, the one that wraps latest.
std::vector<Way> stampWays(const TimerKind& timer, const StampsAsk& ask, const Clock& clock,
                           const std::vector<Setting>& pinned = {}, std::size_t most = 20);

/// The promise judged by its best way: it wraps no sooner than asked, and a count is no longer than asked.
PromiseFigure judgeStamps(PromiseFigure figure, const TimerKind& timer, const StampsAsk& ask, const Clock& clock,
                          const std::vector<Setting>& pinned = {}, Detail detail = Detail::workings);

/// The clock rates with which the ask can be kept: prescaler ÷ resolution to prescaler × counts ÷ wrap, for every prescaler.
RateWindows stampRates(const TimerKind& timer, const StampsAsk& ask);

} // namespace wisetick
