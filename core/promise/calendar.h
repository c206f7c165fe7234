#pragma once

#include "part/part.h"
#include "promise/judge.h"
#include "promise/rate_windows.h"

namespace wisetick {

/// The two dividers of a calendar whose product makes 1 Hz of the clock, or comes nearest from below or above; the first one as
/// large as it goes, as that saves current. The calibration is the step that brings the nominal error nearest to 0. Best first:
/// state, typical drift, drift at the corners, larger first divider.
std::vector<Way> calendarWays(const RtcKind& rtc, const DriftsAsk& ask, const Clock& clock,
                              const std::vector<Setting>& pinned = {}, std::size_t most = 20);

/// The promise judged by its best way. got is the drift in s/s: how far the calendar strays in a time, to the worse side.
PromiseFigure judgeCalendar(PromiseFigure figure, const RtcKind& rtc, const DriftsAsk& ask, const Clock& clock,
                            const std::vector<Setting>& pinned = {}, Detail detail = Detail::workings);

/// The clock rates with which the ask can be kept: first × second, by what the drift and the calibration leave. Not tight: the
/// dividers come first.
RateWindows calendarRates(const RtcKind& rtc, const DriftsAsk& ask);

/// The period at which the alarm matches the calendar, the nearest to what was asked, with the settings of the calendar in its
/// own order; with `repeated` several such periods.
std::vector<Way> alarmWays(const RtcKind& rtc, const FiresAsk& ask, const Clock& clock, const std::vector<Setting>& pinned,
                           std::size_t most);

/// A period by alarm: as long as the calendar's own seconds make it.
PromiseFigure judgeAlarm(PromiseFigure figure, const RtcKind& rtc, const FiresAsk& ask, const Clock& clock,
                         const std::vector<Setting>& pinned = {}, Detail detail = Detail::workings);

/// The clock rates with which an alarm can be kept; not tight.
RateWindows alarmRates(const RtcKind& rtc, const FiresAsk& ask);

} // namespace wisetick
