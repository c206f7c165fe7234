#pragma once

#include "rhythm/gap_bounds.h"
#include "rhythm/slots.h"

#include <unordered_set>

namespace wisetick {

/// The most job runs that are played exactly; beyond it the play is cut and says so.
inline constexpr std::int64_t kMostRuns = 100000;

/// How many job runs are played where some come by chance.
inline constexpr std::int64_t kChanceRuns = 20000;

/// How many runs of a job there must be in what is played: with fewer the share of each tells too much.
inline constexpr std::int64_t kLeastRuns = 20;

/// A job that comes too rarely to be played, with those that follow it: it is added apart.
struct RareRun {
    std::size_t root = 0;           ///< lane
    std::vector<std::size_t> lanes; ///< in the order in which they run
    Rational every;                 ///< s
    bool isRandom = false;
};

/// What one run of a rare job costs above what would go on without it, at every temperature, and how long it is awake.
struct RareCost {
    std::vector<Rational> charge;                        ///< C
    Rational awake;                                      ///< s: stages, start-ups and the jobs themselves
    std::vector<std::pair<std::size_t, Rational>> times; ///< by slot, s
};

/// What was played: so many s with so many wake-ups.
struct PlayedSpan {
    Rational seconds;
    std::int64_t wakeUps = 0;
};

/// Which jobs can be played in the time that can be played, and how the times of all are made up: those that come too rarely are
/// added apart, with a bound of what their meeting the others could change; of a play that was cut, or comes by chance, each job
/// has the time of its mean number of runs. Sums over jobs are exact where they don't touch.
class RareJobs {
public:
    /// `points`: of the grid of temperatures.
    RareJobs(std::vector<Slot>& slots, bool mayRest, std::size_t points)
        : slots_(slots), mayRest_(mayRest), points_(points), spared_(points) {}

    const std::vector<RareRun>& runs() const { return rare_; }
    /// What is played is not all until it repeats.
    bool isCut() const { return isCut_; }
    /// A, over the grid: by how much less the typical average could be.
    const std::vector<Rational>& spared() const { return spared_; }

    bool isRare(std::size_t lane) const { return rareLanes_.contains(lane); }
    /// The jobs that are played, those that follow one another told by their new places.
    std::vector<TimelineJob> withoutRare(const std::vector<TimelineJob>& jobs) const;
    /// Sets aside what would come too few times in the time that can be played, and tells that time for the rest. The rest may
    /// then be few enough to be played whole.
    Rational splitRare(const std::vector<TimelineJob>& jobs, bool hasChance);
    RareCost costOf(const RareRun& rare, const std::vector<TimelineJob>& jobs, const std::vector<TimelineTake>& takes,
                    std::vector<Rational> Slot::*ampere) const;
    /// Adds the times of the rare jobs to those that were played, in place of resting or waiting; and what their meeting others
    /// could change.
    void addRare(const std::vector<TimelineJob>& jobs, const std::vector<TimelineTake>& takes, const PlayedSpan& played,
                 Rational Slot::*time);
    /// Of what was cut, or came by chance, each job's time is that of its mean number of runs, and not of those that happened to
    /// be in what was played.
    void evenOut(const std::vector<TimelineJob>& jobs, const Rational& span, Rational Slot::*time);
    /// What was cut may wake more often than what was played, at most for every run, and wait awake behind each.
    /// So may jobs that slide against one another.
    void boundCut(const std::vector<TimelineJob>& jobs, const std::vector<TimelineTake>& takes, const Rational& span,
                  bool isSliding);
    /// A gap that one board rests in and another waits in, or does not have, costs the waking or the waiting more, or less.
    /// `played`: s; `nominal`: a point of the grid.
    void boundUnsure(const GapBounds& gaps, const std::vector<TimelineTake>& takes, const Rational& played, std::size_t nominal);
    /// The typical average could be less by so many A at a point of the grid.
    void spare(std::size_t point, const Rational& ampere) {
        spared_[point] = shortened(spared_[point] + shortened(ampere, Rounding::up), Rounding::up);
    }

private:
    /// Runs of all jobs in a second, shortened upwards.
    static Rational runsPerSecond(const std::vector<TimelineJob>& jobs);
    /// The time after which all releases repeat, or as much of it as can be played, of four digits so that it can be counted;
    /// where jobs come by chance what kChanceRuns fill.
    Rational spanOf(const std::vector<TimelineJob>& jobs, bool hasChance, bool& isCut) const;

    std::vector<Slot>& slots_;
    bool mayRest_;
    std::size_t points_;
    std::vector<RareRun> rare_;
    std::unordered_set<std::size_t> rareLanes_; ///< of all of them
    bool isCut_ = false;
    std::vector<Rational> spared_;
};

} // namespace wisetick
