#pragma once

#include "base/text.h"
#include "promise/judge.h"

namespace wisetick {

/// A figure that comes from sleep or rhythm, with its corners. Where a part of it is unknown, `unknown` says which,
/// and the figure is the known part.
struct PlayedFigure {
    std::optional<Bounds> value;
    Text unknown;
    Workings workings;
};

/// "wakes from MODE in at most L": the time from the event until every promise holds again, in s.
PromiseFigure judgeWakeUp(PromiseFigure figure, const WakesAsk& ask, const PlayedFigure& wakeUp);

/// "average under L": the average current, in A.
PromiseFigure judgeAverage(PromiseFigure figure, const AverageAsk& ask, const PlayedFigure& average);

/// "battery lasts T": the life, in s.
PromiseFigure judgeLife(PromiseFigure figure, const LastsAsk& ask, const PlayedFigure& life);

} // namespace wisetick
