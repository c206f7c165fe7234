#pragma once

#include "derive/demand.h"
#include "derive/figures.h"

namespace wisetick {

/// What a source or line draws in the take's tier, a source as hard as it is driven; nullptr: unknown.
const Draw* nodeDraw(const Part& part, const Controls& controls, NodeIndex node);

/// The source on which the core comes back from a mode, as the take chooses it; none: not told.
std::optional<NodeIndex> wakeSource(const Part& part, const Controls& controls, std::size_t mode);

/// What every mode of the part means to this take: what stays on, its current by contributor, the wake-up to the
/// first instruction and until everything runs again, and which promises have no clock in it.
std::vector<ModeFigure> modeFigures(const Part& part, const Plan& plan, const Controls& controls, const Demand& demand,
                                    const std::vector<LineFigure>& lines, const TemperatureGrid& grid);

/// The wake-up promises, judged: by the time until every promise holds again; who wakes must be able to.
void judgeWakeUps(const Part& part, const Plan& plan, const Controls& controls, const std::vector<LineFigure>& lines,
                  const std::vector<ModeFigure>& modes, std::vector<PromiseFigure>& promises);

} // namespace wisetick
