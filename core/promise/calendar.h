#pragma once

#include "part/part.h"
#include "promise/judge.h"

namespace wisetick {

/// The two dividers of a calendar whose product makes 1 Hz of the clock, or comes nearest; the first one as large as it goes, as
/// that saves current. The calibration is the step that brings the nominal error nearest to 0. Best first: nearest product,
/// state, drift at the corners, larger first divider.
std::vector<Way> calendarWays(const RtcKind& rtc, const DriftsAsk& ask, const Clock& clock,
                              const std::vector<Setting>& pinned = {}, std::size_t most = 20);

/// The promise judged by its best way. got is the drift in s/s: how far the calendar strays in a time, to the worse side.
PromiseFigure judgeCalendar(PromiseFigure figure, const RtcKind& rtc, const DriftsAsk& ask, const Clock& clock,
                            const std::vector<Setting>& pinned = {}, Detail detail = Detail::workings);

} // namespace wisetick
