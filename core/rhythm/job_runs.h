#pragma once

#include "plan/plan.h"
#include "rhythm/gap_bounds.h"
#include "rhythm/job_timing.h"
#include "rhythm/latency.h"
#include "rhythm/timeline.h"

#include <optional>
#include <utility>
#include <vector>

namespace wisetick {

/// All jobs that need the core, as both corners see them, in the plan's order; takes with the one that is meant first.
struct PlayedJobs {
    const Part& part;
    const Plan& plan;
    const Figures& base;
    const std::vector<const Job*>& lanes;
    const std::vector<JobTiming>& timings;
    const std::optional<std::size_t>& restsIn; ///< a mode
    const std::vector<TimelineJob>& typical;
    const std::vector<TimelineJob>& longest;
    const std::vector<TimelineTake>& typicalTakes;
    const std::vector<TimelineTake>& longestTakes;
    const std::optional<GapBounds>& gaps; ///< where all was played whole and is timed by the same
};

/// What the core has to do: the handlers of interrupts that promises want in the take that is meant, then the jobs. What an
/// interrupt takes beside its handler counts as far as the part tells it.
std::vector<CoreTask> coreTasks(const PlayedJobs& jobs);

using RunIntervals = std::vector<std::optional<std::pair<Rational, Rational>>>;

/// How far the runs of each job lie apart: as both corners played it (TimelineTotals::intervals) where it is sure which gaps are
/// rests, with what longer wake-ups and jobs than the typical move and what slides; else its period, and what may stand before a
/// run. No bound where that has none.
std::vector<JobRuns> jobRuns(const PlayedJobs& jobs, const RunIntervals& typical, const RunIntervals& longest,
                             const std::vector<LatencyFigure>& latencies);

} // namespace wisetick
