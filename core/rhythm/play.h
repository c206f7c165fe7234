#pragma once

#include "derive/figures.h"
#include "plan/plan.h"

#include <map>

namespace wisetick {

/// The most job runs that are played exactly; beyond it the play is cut and says so.
inline constexpr std::int64_t kMostRuns = 100000;

/// Plays the plan's jobs on the derived figures of its takes (by name; `take` is the one whose rests and promises
/// are meant) and gives average current, its shares, and the battery's life, at their corners.
///
/// Twice: with typical wake-ups and the nominal core rate, and with the longest wake-ups and the slowest core. The
/// charge is the sum of time × current over rest, stages (on top of the resting mode's current), start-ups and waiting
/// (at the take's run current) and jobs (run current plus their outside draw), at every temperature of the grid.
/// Life = capacity × usable(T) ÷ (average(T) + capacity × fade), a year being 8766 h. The worst is the worst single
/// temperature. Adds findings (jobs that do not fit, a play that was cut).
RhythmFigure play(const Part& part, const Plan& plan, const std::string& take, const std::map<std::string, Figures>& derived,
                  Diagnostics& findings);

/// The share of the capacity that can be used at a temperature, linear between the battery's points and held at its
/// ends beyond them.
Rational usableAt(const Battery& battery, const Rational& celsius);

} // namespace wisetick
