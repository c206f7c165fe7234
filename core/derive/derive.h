#pragma once

#include "base/go_on.h"
#include "derive/figures.h"
#include "plan/plan.h"

namespace wisetick {

/// All that follows from part, plan and take without playing the jobs: lines, limits, waits, promises on clocks,
/// wake-ups, currents of the modes. Pure; no file, clock or global is touched. Averages and lives are pending.
/// `played` is what the play of the jobs told, where it is known: what a watchdog must outlast. Throws std::invalid_argument if
/// the plan has no take of that name, and Stopped where `goOn` says no.
Figures derive(const Part& part, const Plan& plan, const std::string& take, const RhythmFigure* played = nullptr,
               const GoOn& goOn = {});

/// The ranked ways of a promise (its place in the plan), best first; `played` as for derive.
std::vector<Way> waysOf(const Part& part, const Plan& plan, const std::string& take, std::size_t promise, std::size_t most = 20,
                        const RhythmFigure* played = nullptr);

/// The five vitals as far as the figures hold them: average and life only once the rhythm is played.
Vitals vitalsOf(const Part& part, const Figures& figures);

} // namespace wisetick
