#pragma once

#include "quantity/rational.h"

#include <cstdint>
#include <optional>
#include <vector>

namespace wisetick {

/// One periodic job as the timeline sees it. Times in s.
struct TimelineJob {
    Rational every;
    Rational phase;
    Rational lasts;
    std::size_t take = 0; ///< index of the take that it runs in
};

/// How one take wakes: its stages to the first instruction, then its start-ups. Times in s.
struct TimelineTake {
    Rational stages;
    Rational restore;
    std::vector<Rational> changeFrom; ///< by take: the start-ups of a change from there to here while awake
    Rational leastRest;               ///< a gap must be longer than this for a rest to pay
};

/// The whole time of the span, split by what is going on. Times in s.
struct TimelineTotals {
    std::vector<Rational> jobs;      ///< by job
    std::vector<Rational> stages;    ///< by take that is woken into
    std::vector<Rational> restoring; ///< by take that is restored or changed to
    std::vector<Rational> waiting;   ///< by take: awake with nothing to do
    Rational resting;
    Rational longestRest;
    std::int64_t wakeUps = 0;
    std::int64_t runs = 0; ///< job runs that began in the span
};

/// Plays periodic jobs: due jobs run back to back in order of release (of equals the first in the list); between them the
/// core rests if the gap is longer than leastRest, else it waits. The event ends the rest; then stages, start-ups
/// and the job follow. Measured over [span, 2 × span), by when the pattern has settled if the jobs fit. Requires
/// every > 0. Exact; cost O(runs × jobs).
class Timeline {
public:
    Timeline(std::vector<TimelineJob> jobs, std::vector<TimelineTake> takes, bool mayRest);
    TimelineTotals play(const Rational& span) const;

private:
    std::vector<TimelineJob> jobs_;
    std::vector<TimelineTake> takes_;
    bool mayRest_;
};

/// The time after which all releases repeat: the least common multiple of the periods. Nothing if it does not fit
/// 256 bits.
std::optional<Rational> hyperperiod(const std::vector<TimelineJob>& jobs);

} // namespace wisetick
