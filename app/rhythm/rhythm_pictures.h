#pragma once

#include "evaluate/battery_moves.h"
#include "picture/picture.h"
#include "picture/sweep.h"
#include "rhythm/chance.h"

namespace wisetick::app {

/// Where the charge goes, as one bar; what is inside of the share `open` is listed below it.
Picture chargePicture(const std::vector<Job>& jobs, const RhythmFigure& rhythm, std::size_t open);
/// Where a share stands in that picture's area; empty where it is too narrow to be hit.
QRectF shareRect(const RhythmFigure& rhythm, const QRectF& area, std::size_t share);

/// What would move the battery most: for each figure the life (or the average) a tenth worse and better.
Picture movesPicture(const std::vector<BatteryMove>& moves, bool isWorking);

/// One take beside another.
struct TakeBeside {
    QString name;
    QString hint;
    std::optional<Bounds> average;
    std::optional<Bounds> life;
    bool isActive = false;
};
Picture takesPicture(const std::vector<TakeBeside>& takes, bool isWorking);

/// How far a thousand plays differ.
Picture chancePicture(const std::optional<ChanceFigure>& chance, double done);

} // namespace wisetick::app
