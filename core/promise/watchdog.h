#pragma once

#include "part/part.h"
#include "promise/judge.h"
#include "promise/rate_windows.h"

namespace wisetick {

/// What the plan's sleep means to a watchdog.
struct WatchdogRest {
    std::string mode;                ///< the mode that the plan rests in; empty: it does not rest
    bool runs = false;               ///< the watchdog counts in that mode
    std::optional<Rational> longest; ///< longest rest in s, once it is played
};

/// t = prescaler × counts ÷ f at f's min, nominal and max. Kept if the fastest bite is later than the feed interval
/// and than the longest rest in which it runs, and `within`, `at latest` and the window hold too. Of the settings
/// of the best state the nominal nearest to what was asked; ties: shorter, then more counts. With a window, feeding
/// is safe from the latest opening to the earliest bite; it opens no later than asked at the slowest clock, and strained if more
/// than a tenth sooner at the fastest.
PromiseFigure judgeWatchdog(PromiseFigure figure, const WatchdogKind& watchdog, const BitesAsk& ask, const Clock& clock,
                            const WatchdogRest& rest, const std::vector<Setting>& pinned = {}, Detail detail = Detail::workings);

/// For every prescaler the settings next to what was asked, best first; at most `most`.
std::vector<Way> watchdogWays(const WatchdogKind& watchdog, const BitesAsk& ask, const Clock& clock, const WatchdogRest& rest,
                              const std::vector<Setting>& pinned = {}, std::size_t most = 20);

/// The clock rates with which the ask can be kept: prescaler × counts ÷ each of the times that it allows. Not tight where a
/// window or a warning is asked, or a bite must be strictly later.
RateWindows watchdogRates(const WatchdogKind& watchdog, const BitesAsk& ask, const WatchdogRest& rest);

} // namespace wisetick
