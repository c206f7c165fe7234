#pragma once

#include "promise/judge.h"

namespace wisetick {

/// "LINE runs at R": the line's own rate against what was asked; `at least` and `at most` judge the slowest and the
/// fastest.
PromiseFigure judgeLineRate(PromiseFigure figure, const RunsAsk& ask, const Clock& line, Detail detail = Detail::workings);

} // namespace wisetick
