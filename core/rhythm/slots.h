#pragma once

#include "base/text.h"

#include "derive/figures.h"
#include "plan/plan.h"
#include "rhythm/timeline.h"

namespace wisetick {

/// One thing that can go on, and what it draws, over the grid of temperatures.
struct Slot {
    Text name;
    Target target;
    Doing doing = Doing::resting;
    std::size_t which = 0;
    std::vector<Rational> typ;              ///< A
    std::vector<Rational> max;              ///< A
    const CurrentFigure* current = nullptr; ///< what it is made up of, beside the outside draw; nullptr: of stages
    Rational outside;                       ///< A
    Rational timeTyp = {};                  ///< s, in the span
    Rational timeMax = {};
};

/// Charge in C over the grid of temperatures, typical and largest.
struct Charge {
    std::vector<Rational> typ;
    std::vector<Rational> max;

    explicit Charge(std::size_t points) : typ(points), max(points) {}

    /// Adds time × current; what is not known of a current adds nothing.
    void add(const Rational& timeTyp, const std::vector<Rational>& ampereTyp, const Rational& timeMax,
             const std::vector<Rational>& ampereMax) {
        for (std::size_t i = 0; i < ampereTyp.size(); ++i) {
            typ[i] = shortened(typ[i] + shortened(timeTyp * ampereTyp[i], Rounding::nearest), Rounding::nearest);
        }
        for (std::size_t i = 0; i < ampereMax.size(); ++i) {
            max[i] = shortened(max[i] + shortened(timeMax * ampereMax[i], Rounding::up), Rounding::up);
        }
    }
};

/// The slot of what is going on. There must be one.
const Slot& slotOf(const std::vector<Slot>& slots, Doing doing, std::size_t which);
Slot& slotOf(std::vector<Slot>& slots, Doing doing, std::size_t which);

/// Takes time away from resting, or from waiting where nothing rests, as far as there is some.
void takeIdle(std::vector<Slot>& slots, const Rational& time, Rational Slot::*which);

/// A, the largest current that goes on for any time: at the nominal temperature, and the least and the greatest over the grid.
/// During stages of waking each on top of the resting current; `stages` by take, nullptr where nothing rests.
Bounds peakOf(const std::vector<Slot>& slots, std::size_t nominal, const CurrentFigure& rest,
              const std::vector<const std::vector<Contribution>*>& stages);

/// What each slot has of the average current of so many A over the span of the figure, and what draws in it.
void addShares(const std::vector<Slot>& slots, std::size_t nominal, const Rational& average, RhythmFigure& figure);

/// What the span comes from: the periods of the jobs, or what goes on without any.
std::vector<Origin> spanOrigins(const std::vector<Job>& jobs, const ModeFigure& rest);

/// The arithmetic of the average from its shares; `max` are the largest averages over the grid, `origins` what the span comes
/// from.
void addAverageWorkings(const TemperatureGrid& grid, const std::vector<Rational>& max, const std::vector<Origin>& origins,
                        RhythmFigure& figure);

} // namespace wisetick
