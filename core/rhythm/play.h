#pragma once

#include "base/go_on.h"
#include "derive/figures.h"
#include "plan/plan.h"
#include "rhythm/timeline.h"
#include "rhythm/trace.h"

#include <map>

namespace wisetick {

/// Plays the plan's jobs on the derived figures of its takes (by name; `take` is the one whose rests and promises
/// are meant) and gives average current, its shares, and the battery's life, at their corners.
///
/// Twice: with typical wake-ups and the nominal core rate, and with the longest wake-ups and the slowest core. The
/// charge is the sum of time × current over rest, stages (on top of the resting mode's current), start-ups and waiting
/// (at the take's run current) and jobs (run current, or that of the job's mode, plus their outside draw), at every temperature
/// of the grid. The life: addLife. The worst is the worst single temperature. Adds findings (jobs that do not fit, a play that
/// was cut). Jobs that come by chance are played once, with one seed: playByChance says how far plays differ.
/// Throws Stopped where `goOn` says no.
RhythmFigure play(const Part& part, const Plan& plan, const std::string& take, const std::map<std::string, Figures>& derived,
                  Diagnostics& findings, const GoOn& goOn = {});

/// What a play by chance needs: the jobs, and the typical current at the nominal temperature of each slot of
/// Timeline::chanceTotals.
struct ChancePlay {
    /// A job that comes too rarely for a play: it is added apart.
    struct Rare {
        double charge = 0; ///< C of a run, above what goes on without it
        double every = 0;  ///< s
        bool isRandom = false;
    };

    Timeline timeline;
    std::vector<double> amperes; ///< of each slot but that of the whole
    std::vector<double> shares;  ///< by job, of the time: of one that comes by its period; negative of one by chance
    std::vector<Rare> rare;
};

/// The plan's jobs ready to be played by chance; nothing where there are none, or where their times are unknown.
std::optional<ChancePlay> chancePlayOf(const Part& part, const Plan& plan, const std::string& take,
                                       const std::map<std::string, Figures>& derived);

} // namespace wisetick
