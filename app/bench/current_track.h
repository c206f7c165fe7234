#pragma once

#include "bench/bench_work.h"
#include "paint/theme.h"
#include "picture/time_axis.h"

class QPainter;

namespace wisetick::app {

/// What a supply drew over time on a scale of decades: ink from the least to the most of each pixel, over the typical current
/// that the plan predicts as a band; the floor and the average as lines.
class CurrentTrack {
public:
    /// The scale spans what was recorded and what is predicted, A.
    CurrentTrack(const CurrentFigures& figures, const DrawnCurrent* foretold);

    /// Where a current stands in an area; what is outside stands at its edge.
    qreal at(double ampere, const QRectF& area) const;
    void paint(QPainter& painter, const QRectF& area, const TimeAxis& axis, const DrawnCurrent& recorded,
               const DrawnCurrent* foretold, const Theme& theme) const;

private:
    void paintScale(QPainter& painter, const QRectF& area, const Theme& theme) const;

    const CurrentFigures& figures_;
    double low_ = 1e-6;
    double high_ = 1;
};

/// By so much what is predicted comes later than what was recorded, s: their first wakes lie over one another.
double shiftOf(const CurrentFigures& figures, const DrawnCurrent& recorded, const DrawnCurrent& foretold);

/// A figure that was measured, with as many digits as one reads.
QString measuredAmount(double value, Unit unit);

/// One line for each of the largest kinds of wakes, or for all of them and for each level: what it is, and what was measured
/// against what is predicted.
std::vector<std::pair<QString, QString>> currentLines(const CurrentFigures& figures, bool areAll);

} // namespace wisetick::app
