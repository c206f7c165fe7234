#pragma once

#include "evaluate/battery_moves.h"
#include "picture/picture.h"
#include "rhythm/rest_cost.h"

namespace wisetick::app {

/// The stages of waking from a mode on a time axis, with the limits that promises ask of it.
Picture wakeStrip(const Plan& plan, const Figures& figures, const ModeFigure& mode);

/// What a mode draws over the board's temperatures, typically and at most. Needs more than one temperature.
Picture currentOverTemperature(const Figures& figures, const ModeFigure& mode);

/// What a mode draws over the board's supply, of what sweepSupply found; nothing where it does not depend on it.
std::optional<Picture> currentOverSupply(const Plan& plan, const ModeFigure& mode, const std::vector<SweepPoint>& overSupply);

/// How a mode is left, and what it draws over the board's temperatures and supply, as far as that can be drawn.
std::vector<Picture> modePictures(const Plan& plan, const Figures& figures, const ModeFigure& mode,
                                  const std::vector<SweepPoint>& overSupply);

/// From which length of a rest on which mode takes the least charge, and how long the jobs let it rest.
Picture restLengths(const std::vector<BestRest>& best, const std::vector<JobRest>& jobs, const std::string& meant);

/// Where the band of a mode stands within that picture's area.
QRectF restBandRect(const QRectF& area, const std::vector<BestRest>& best, const std::vector<JobRest>& jobs, std::size_t band);

/// What draws in a mode, the most first; what is in `without` is left out, and what that saves is said.
Picture drawBars(const Figures& figures, const ModeFigure& mode, const std::vector<std::string>& without);
/// Where a bar of that picture stands within its area.
QRectF drawBarRect(const QRectF& area, std::size_t bar);
/// The contributions of a mode in the order of the bars.
std::vector<Contribution> drawOrder(const Figures& figures, const ModeFigure& mode);

} // namespace wisetick::app
