#pragma once

#include "quantity/bounds.h"
#include "rhythm/timeline.h"

namespace wisetick {

/// What the gaps between runs can be on any board. Times in s.
struct GapBounds {
    Rational span; ///< of which the gaps are
    /// By take that a run is in: how many gaps of a span one board rests in and another waits in, or does not have at all.
    std::vector<std::int64_t> unsure;
    std::optional<Rational> longestRest; ///< where what times the jobs is slowest

    /// By how much a run may come later or sooner, against the one before of its job, than the interval between them stretches:
    /// what waits behind others waits for their work, which does not stretch.
    Rational slides;

    bool isSure() const;
};

/// What a play says from typical to longest.
struct PlayedCorners {
    const std::vector<TimelineJob>& typicalJobs;
    const std::vector<TimelineJob>& longestJobs; ///< the same ones
    const std::vector<TimelineTake>& typicalTakes;
    const std::vector<TimelineTake>& longestTakes;
};

/// The gaps before the runs of one span, which is the time after which all releases repeat; all jobs are timed by the same, whose
/// intervals are `stretch` times the nominal ones; none comes by chance. A run begins at the end of the one before, or when it is
/// due if that is later, and then after waking if the core rested. With d between two dues, L the work between them and W waking,
/// the gap before a run is at most min over the runs m before it of d s − L, s the largest stretch and L the typical work (the
/// first after a sure rest has woken, W at least), and at least min of d s − L − W, s the smallest and L and W the longest. Where
/// that is not on one side of what makes a rest pay the gap is unsure.
GapBounds gapBounds(const PlayedCorners& played, const Rational& span, const Bounds& stretch);

} // namespace wisetick
