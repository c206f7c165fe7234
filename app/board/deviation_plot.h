#pragma once

#include "derive/crystal.h"
#include "paint/theme.h"

#include <vector>

namespace wisetick::app {

/// Draws how far an oscillator may be off over the board's temperatures: a band around zero, with its extremes and the
/// ends of the temperatures named. Two points or more.
void drawDeviation(QPainter& painter, const QRectF& area, const std::vector<DeviationPoint>& curve, const Theme& theme);

} // namespace wisetick::app
