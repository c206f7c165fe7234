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
    std::optional<ChanceFigure> chance;
};

/// Plays whatever the pictures need. `chance` is what is known already; else, where jobs come by chance, they are played and
/// `progress` hears the share that is done. What was not reached when the token stops is empty.
RhythmWork workOut(const Part& part, const Plan& plan, const Figures& figures, const std::string& job,
                   const std::optional<ChanceFigure>& chance, const std::stop_token& token,
                   const std::function<void(double)>& progress);

} // namespace wisetick::app
