#pragma once

#include "base/go_on.h"
#include "quantity/rational.h"

#include <cstdint>
#include <optional>
#include <utility>
#include <vector>

namespace wisetick {

/// One job as the timeline sees it. Times in s.
struct TimelineJob {
    Rational every; ///< period, or mean interval of a random one; of no meaning to one that follows
    Rational phase;
    Rational lasts;
    std::size_t take = 0;                  ///< index of the take that it runs in
    Rational jitter = {};                  ///< each release comes late by up to so much
    bool isRandom = false;                 ///< its releases come by chance, each independent of the others
    std::optional<std::size_t> after = {}; ///< it is released whenever this job ends
};

/// How one take wakes: its stages to the first instruction, then its start-ups. Times in s.
struct TimelineTake {
    Rational stages;
    Rational restore;
    std::vector<Rational> changeFrom; ///< by take: the start-ups of a change from there to here while awake
    Rational leastRest;               ///< a gap must be longer than this for a rest to pay
};

/// The whole time of a stretch of the play, split by what is going on. Times in s.
struct TimelineTotals {
    Rational from;                   ///< where the stretch begins
    Rational span;                   ///< how long it is
    bool isSettled = true;           ///< false: the pattern did not come back in all that was played
    std::vector<Rational> jobs;      ///< by job
    std::vector<Rational> stages;    ///< by take that is woken into
    std::vector<Rational> restoring; ///< by take that is restored or changed to
    std::vector<Rational> waiting;   ///< by take: awake with nothing to do
    Rational resting;
    Rational longestRest;
    std::int64_t wakeUps = 0;
    std::int64_t runs = 0; ///< job runs that began in the span
    /// By job: the shortest and the longest time between the beginnings of two of its runs; none of one that ran once at most.
    std::vector<std::optional<std::pair<Rational, Rational>>> intervals;
};

/// What goes on at a time.
enum class Doing { resting, stages, restoring, waiting, job };

/// A stretch of time in which one thing goes on: of a take, or of a job. Times in s from the start of the span.
struct Stretch {
    Doing doing = Doing::resting;
    std::uint16_t which = 0; ///< index of the take or job; 0 of a rest
    double from = 0;
    double to = 0;
    bool operator==(const Stretch&) const = default;
};

/// Plays jobs: due jobs run back to back in order of release (of equals the first in the list); between them the core rests if
/// the gap is longer than leastRest, else it waits. The event ends the rest; then stages, start-ups and the job follow. Requires
/// every > 0 of all that do not follow. Without chance it is exact, counted in ticks of the times' common denominator; cost
/// O(runs × log jobs).
class Timeline {
public:
    /// A play asks `goOn` every few runs, and throws Stopped where it says no.
    Timeline(std::vector<TimelineJob> jobs, std::vector<TimelineTake> takes, bool mayRest, GoOn goOn = {});

    /// Whether a job comes by chance or late: then plays of different seeds differ.
    bool hasChance() const;
    /// `span` is the time after which all releases repeat. It is played span after span until all stands as it stood at the end
    /// of an earlier one (who is due when, what is awake, what goes on): what lies between comes again and again, and that is
    /// measured. Jobs that don't fit never settle: then it is one span, the second. So it is with chance, where the times are
    /// whole nanoseconds, or whatever else lets the span fit 62 bits. What is long and held by no whole ticks is played in ticks
    /// that are near (a 2^-90th of the span).
    TimelineTotals play(const Rational& span, std::uint64_t seed = 1) const;
    /// The same play as stretches from 0 to span, counted from `from` on.
    std::vector<Stretch> stretches(const Rational& from, const Rational& span, std::uint64_t seed = 1) const;
    /// A play by chance over so many job runs, as the time in s of each slot: rest, then by take stages, restoring and waiting,
    /// then by job. The last one is the whole.
    std::vector<double> chanceTotals(std::int64_t runs, std::uint64_t seed) const;

private:
    std::vector<TimelineJob> jobs_;
    std::vector<TimelineTake> takes_;
    bool mayRest_;
    GoOn goOn_;
};

/// The time after which all releases repeat: the least common multiple of the periods. Nothing if it does not fit
/// 256 bits.
std::optional<Rational> hyperperiod(const std::vector<TimelineJob>& jobs);

/// By job, the one at the head of those that follow one another.
std::vector<std::size_t> rootsOf(const std::vector<TimelineJob>& jobs);

} // namespace wisetick
