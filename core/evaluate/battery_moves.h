#pragma once

#include "base/target.h"
#include "base/text.h"
#include "derive/figures.h"
#include "plan/plan.h"

#include <functional>

namespace wisetick {

/// What one figure, a tenth better or worse, would do to the average and the life.
struct BatteryMove {
    Text say;                   ///< "report draws", "rest in deep draws"
    Target target;              ///< where it stands
    Bounds average;             ///< A: a tenth better, as it is, a tenth worse; min and max are not sorted by size but by that
    std::optional<Bounds> life; ///< s: a tenth worse, as it is, a tenth better
};

/// Every job's draw, time and interval, what rests, start-ups, outside, fading and capacity, each played a tenth better and a
/// tenth worse, the one that moves the most first. `goOn` is asked before each play; nothing comes of it where it says no. The
/// figures must have been played.
std::vector<BatteryMove> batteryMoves(const Part& part, const Plan& plan, const Figures& figures,
                                      const std::function<bool()>& goOn);

/// One point of a sweep: what is swept, and the life (s) or where there is no battery the average (A), typical and at the worst.
struct SweepPoint {
    Rational at;
    Rational typ;
    Rational worst;
};

/// Over the interval of a job, from an eighth to eight times what it is, in octaves of four steps. Empty where there is no such
/// job.
std::vector<SweepPoint> sweepInterval(const Part& part, const Plan& plan, const Figures& figures, const std::string& job,
                                      const std::function<bool()>& goOn);

/// Over the board's temperatures, °C, in 24 steps: both typical and largest draws at that one temperature.
std::vector<SweepPoint> sweepTemperature(const Part& part, const Plan& plan, const Figures& figures,
                                         const std::function<bool()>& goOn);

/// What a mode draws, A, over the board's supply, V, in nine steps: at that one supply, typically and at most. Empty where the
/// board's supply has no range.
std::vector<SweepPoint> sweepSupply(const Part& part, const Plan& plan, const Figures& figures, const std::string& mode);

/// What a job of some cycles costs at a core rate.
struct RacePoint {
    Rational hertz;   ///< of the core
    Rational coulomb; ///< C, for one run and the rest until the next one, typical at the nominal temperature
};

/// The charge of each period of a job with cycles over the core's rate: a faster core draws more and rests longer. What hangs on
/// the core's clock is scaled with it, everything else stays; the rest is that of the take. Empty for other jobs. Rates from
/// where the job just fits, or a thousandth of the largest that the core's limits allow, to that largest one.
std::vector<RacePoint> raceToSleep(const Part& part, const Plan& plan, const Figures& figures, const std::string& job);

/// The life, s, typical, over the core rate at which a job of cycles runs: the average as it was played, and what that job takes
/// more or less at another rate. Everything else stays. Empty where there is no life, or the job has no race; typ and worst are
/// alike.
std::vector<SweepPoint> sweepCoreRate(const Part& part, const Plan& plan, const Figures& figures, const std::string& job);

} // namespace wisetick
