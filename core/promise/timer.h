#pragma once

#include "part/part.h"
#include "promise/judge.h"

namespace wisetick {

/// period = prescaler × counts ÷ f. For every prescaler the counts just below and above the target: complete, as
/// the error is monotonic in the counts. Best first: state, worst-case |error|, nominal |error|, more counts (finer
/// duty), smaller prescaler; at most `most` ways.
std::vector<Way> timerWays(const TimerKind& timer, const FiresAsk& ask, const Clock& clock,
                           const std::vector<Setting>& pinned = {}, std::size_t most = 20);

/// The promise judged by its best way, without listing the others. `figure` brings name, text and subject.
PromiseFigure judgeTimer(PromiseFigure figure, const TimerKind& timer, const FiresAsk& ask, const Clock& clock,
                         const std::vector<Setting>& pinned = {}, Detail detail = Detail::workings);

} // namespace wisetick
