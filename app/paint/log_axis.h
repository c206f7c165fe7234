#pragma once

#include "paint/theme.h"
#include "quantity/unit.h"

#include <QRectF>

namespace wisetick::app {

/// A logarithmic axis over a stretch of pixels.
class LogAxis {
public:
    /// From `low` to `high`, both > 0, with some room beyond.
    LogAxis(double low, double high, qreal left, qreal right);

    /// The pixel of a value; what is outside stands at the end.
    qreal at(double value) const;
    qreal left() const { return left_; }
    qreal right() const { return right_; }

    /// Draws a line at each decade through the area and its value above it; every second or third where there is no room.
    void draw(QPainter& painter, const QRectF& area, Unit unit, const Theme& theme) const;

private:
    double low_;
    double high_;
    qreal left_;
    qreal right_;
};

} // namespace wisetick::app
