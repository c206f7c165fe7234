#pragma once

#include "rhythm/rhythm_pictures.h"

#include <functional>
#include <stop_token>

namespace wisetick::app {

/// What the rhythm view works out beside the interface.
struct RhythmWork {
    std::vector<BatteryMove> moves;
    std::vector<TakeBeside> takes;
    Sweep interval;
    Sweep temperature;
    Sweep race;
    Sweep coreRate;
};

/// Plays whatever the pictures need. What was not reached when the token stops is empty.
RhythmWork workOut(const Part& part, const Plan& plan, const Figures& figures, const std::string& job,
                   const std::stop_token& token);

/// Plays a thousand times on two threads; `progress` hears the share that is done, from one of them. Nothing where nothing comes
/// by chance, or where the token stops.
std::optional<ChanceFigure> workOutChance(const Part& part, const Plan& plan, const Figures& figures,
                                          const std::stop_token& token, const std::function<void(double)>& progress);

} // namespace wisetick::app
