#pragma once

#include "paint/theme.h"

#include <QRectF>

namespace wisetick::app {

/// A stretch of time over a stretch of pixels.
struct TimeAxis {
    double from = 0; ///< s
    double to = 1;
    qreal left = 0;
    qreal right = 1;

    qreal at(double time) const { return left + (right - left) * (time - from) / (to - from); }
    double timeAt(qreal x) const { return from + (to - from) * (x - left) / (right - left); }
    double length() const { return to - from; }
    /// The step of its ticks: 1, 2 or 5 of a power of ten, or whole minutes, hours and days.
    double step() const;
    /// Draws a tick and its time at each step, lines through the area.
    void draw(QPainter& painter, const QRectF& area, const Theme& theme) const;
};

/// The shortest and longest stretch that can be shown, s.
inline constexpr double kShortestView = 1e-3;
inline constexpr double kLongestView = 366.0 * 86400;

} // namespace wisetick::app
