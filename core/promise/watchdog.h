#pragma once

#include "base/text.h"
#include "part/part.h"
#include "promise/judge.h"
#include "promise/rate_windows.h"

namespace wisetick {

/// A time between two events that the watchdog lives through: between feeds, or a rest. In s.
struct WatchdogSpan {
    Text what;                           ///< "between feeds", "rest in deep"
    Target about;                        ///< the job or mode that it comes from; nothing: the promise itself
    Rational shortest;                   ///< at nominal clocks
    Rational longest;                    ///< at nominal clocks, whatever else takes its longest
    std::optional<Rational> played;      ///< the longest where all is as it typically is; nothing: as `longest`
    Rational grows;                      ///< with what times it: by (stretch − 1) × this
    Bounds stretch = Bounds::exactly(1); ///< how slow that can be
    bool isOneSource = false;            ///< it comes from the watchdog's own source: both move together
    Text unknown;                        ///< what is not known of it
    Rational longestAt(const Rational& share) const { return longest + (share - 1) * grows; }
    Rational shortestAt(const Rational& share) const { return shortest + (share - 1) * grows; }
    const Rational& longestPlayed() const { return played ? *played : longest; }
    Rational longestEver() const { return longestAt(stretch.max); }
};

/// What the plan means to a watchdog.
struct WatchdogLife {
    std::string mode;                 ///< the mode that the plan rests in; empty: it does not rest
    bool runs = false;                ///< the watchdog counts in that mode
    bool isRestKnown = true;          ///< false: nothing was played
    std::vector<WatchdogSpan> feeds;  ///< by jobs
    std::optional<WatchdogSpan> rest; ///< in which it counts
};

/// t = prescaler × counts ÷ f at f's min, nominal and max. Kept if the fastest bite is later than the longest time between feeds
/// and than the longest rest in which it runs, and `within`, `at latest` and the window hold too. What comes from the watchdog's
/// own source moves with it; else the slowest of the one meets the fastest of the other. Where a feed does not restart the
/// prescaler the bite may come one of its counts sooner; a feed is late by the periods that it takes to get through. Of the
/// settings of the best state the nominal nearest to what was asked; ties: shorter, then more counts. With a window, feeding is
/// safe from the latest opening to the earliest bite; it opens no later than asked at the slowest clock, and strained if more
/// than a tenth sooner at the fastest.
PromiseFigure judgeWatchdog(PromiseFigure figure, const WatchdogKind& watchdog, const BitesAsk& ask, const Clock& clock,
                            const WatchdogLife& life, const std::vector<Setting>& pinned = {}, Detail detail = Detail::workings);

/// For every prescaler the settings next to what was asked, best first; at most `most`.
std::vector<Way> watchdogWays(const WatchdogKind& watchdog, const BitesAsk& ask, const Clock& clock, const WatchdogLife& life,
                              const std::vector<Setting>& pinned = {}, std::size_t most = 20);

/// The clock rates with which the ask can be kept: prescaler × counts ÷ each of the times that it allows. Not tight where a
/// window or a warning is asked, or a bite must be strictly later.
RateWindows watchdogRates(const WatchdogKind& watchdog, const BitesAsk& ask, const WatchdogLife& life);

} // namespace wisetick
