#pragma once

#include "evaluate/battery_moves.h"
#include "picture/picture.h"

namespace wisetick::app {

/// A curve over a swept figure, with where it is now.
struct Sweep {
    QString title;
    QString hint;
    std::vector<SweepPoint> points;
    Unit over = Unit::second; ///< of what is swept
    Unit gives = Unit::second;
    std::optional<Rational> now;
    bool isLog = true; ///< both axes
    bool hasWorst = true;
    bool marksLeast = false;
};
Picture sweepPicture(const Sweep& sweep);

} // namespace wisetick::app
