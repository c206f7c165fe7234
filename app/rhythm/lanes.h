#pragma once

#include "derive/figures.h"
#include "picture/time_axis.h"
#include "plan/plan.h"
#include "rhythm/trace.h"

#include <QString>

#include <vector>

namespace wisetick::app {

/// One run of a job on its lane, s.
using Run = std::pair<double, double>;

/// How long a job takes, s, at the core rate of the take that it runs in; 0 where that is unknown.
double lengthOf(const Job& job, const Plan& plan, const Part& part, const Figures& figures);

/// The runs of a job that overlap a stretch of time, at most `most`: as they were played where a trace is given, else as the job
/// itself says. Nothing where there would be more.
std::vector<Run> runsIn(const Plan& plan, std::size_t job, double length, const Trace* trace, double from, double to,
                        std::size_t most);

/// The colour of a lane: told apart by their hue, none of them one of a state.
QColor laneColour(std::size_t lane, const Theme& theme);

/// What goes on, as a strip: rests dark, jobs in the colour of their lane, everything else light.
void paintGoesOn(QPainter& painter, const QRectF& area, const TimeAxis& axis, const Trace& trace,
                 const std::vector<std::size_t>& lanes, const Theme& theme);

/// The current on a log scale: a band from the least to the most of each pixel, a line at the mean.
void paintDraws(QPainter& painter, const QRectF& area, const TimeAxis& axis, const Trace& trace, const Theme& theme);

} // namespace wisetick::app
