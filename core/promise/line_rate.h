#pragma once

#include "promise/judge.h"
#include "promise/rate_windows.h"

namespace wisetick {

/// "LINE runs at R": the line's own rate against what was asked; `at least` and `at most` judge the slowest and the
/// fastest.
PromiseFigure judgeLineRate(PromiseFigure figure, const RunsAsk& ask, const Clock& line, Detail detail = Detail::workings);

/// The rates with which the ask is kept: at, at least, at most.
RateWindows lineRates(const RunsAsk& ask);

} // namespace wisetick
