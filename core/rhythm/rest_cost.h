#pragma once

#include "base/text.h"
#include "derive/figures.h"
#include "plan/plan.h"

namespace wisetick {

/// The charge of one wake-up's stages over the grid of temperatures, C: their own draws on top of the resting mode's current.
struct StageCharge {
    std::vector<Rational> typ; ///< of typical lengths and draws
    std::vector<Rational> max; ///< of the longest and largest
};
/// `rest` is the mode that is rested in, `woken` the same mode in the figures of the take that is woken into.
StageCharge stageCharge(const TemperatureGrid& grid, const ModeFigure& rest, const ModeFigure& woken);

/// What is drawn while the start-ups after a wake-up go on: the core on the source that it wakes on, with all sources and
/// multipliers; peripherals that rest have no clock yet and count only for the largest. The run current where the mode does not
/// say what it wakes on, or that has no rate. `woken` are the figures of the take that is woken into.
CurrentFigure startUpCurrent(const Part& part, const Figures& woken, std::size_t mode);

/// What resting in a mode costs, typical at the nominal temperature.
struct RestCost {
    std::string mode;
    Rational ampere; ///< A, while it rests
    Rational charge; ///< C, of each wake-up: stages and start-ups
    Rational length; ///< s, of the wake-up until all promises hold again
    Text unknown;    ///< of any of them
};

/// The run mode costs no wake-up: it is waiting awake. `startUp` is the startUpCurrent of the take that is woken into.
RestCost restCost(const TemperatureGrid& grid, const ModeFigure& rest, const ModeFigure& woken, const CurrentFigure& startUp);

/// Of every mode of the figures' take, in the part's order.
std::vector<RestCost> restCosts(const Part& part, const Figures& figures);

/// How long a rest must be for `deep` to take less charge than `shallow`: (Q_deep − Q_shallow) ÷ (I_shallow − I_deep), at least
/// 0. None where it never does.
std::optional<Rational> breakEven(const RestCost& shallow, const RestCost& deep);

/// From which length of a rest on which mode takes the least charge, ascending, beginning at 0. A mode whose wake-up is longer
/// than the rest is not taken.
struct BestRest {
    Rational from; ///< s
    std::string mode;
};
std::vector<BestRest> bestRests(const std::vector<RestCost>& costs);

/// The mode that is best between two runs of a job, if it were alone.
struct JobRest {
    std::string job;
    Rational rest; ///< s: its period less what it takes
    std::string mode;
};
std::vector<JobRest> jobRests(const Part& part, const Plan& plan, const Figures& figures, const std::vector<BestRest>& best);

} // namespace wisetick
