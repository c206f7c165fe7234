#pragma once

#include "desk/pictures.h"
#include "evaluate/battery_moves.h"
#include "rhythm/chance.h"

namespace wisetick::app {

/// Where the charge goes, as one bar; what is inside of the share `open` is listed below it.
DeskPicture chargePicture(const RhythmFigure& rhythm, std::size_t open);
/// Where a share stands in that picture's area; empty where it is too narrow to be hit.
QRectF shareRect(const RhythmFigure& rhythm, const QRectF& area, std::size_t share);

/// What would move the battery most: for each figure the life (or the average) a tenth worse and better.
DeskPicture movesPicture(const std::vector<BatteryMove>& moves, bool isWorking);

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
DeskPicture sweepPicture(const Sweep& sweep);

/// One take beside another.
struct TakeBeside {
    QString name;
    QString hint;
    std::optional<Bounds> average;
    std::optional<Bounds> life;
    bool isActive = false;
};
DeskPicture takesPicture(const std::vector<TakeBeside>& takes, bool isWorking);

/// How far a thousand plays differ.
DeskPicture chancePicture(const std::optional<ChanceFigure>& chance, double done);

} // namespace wisetick::app
