#pragma once

#include "part/part.h"
#include "plan/plan.h"

namespace wisetick {

/// The load that stands across a fitted crystal, F: its two capacitors in series, and the stray capacitance. Nothing
/// where the plan does not say them.
std::optional<Rational> actualLoad(const Fitted& fitted);

/// How far that load, instead of the one for which the crystal was cut, shifts its rate, as a share:
/// C1/2 × (1/(C0 + C) − 1/(C0 + C_L)). Nothing where one of them is not given.
std::optional<Rational> loadShift(const Fitted& fitted);

/// What the parabola of a tuning fork adds at the board's temperature that is farthest from its turnover, as a share;
/// 0 where there is none.
Rational parabolaOver(const Fitted& fitted, const Board& board);

/// How far an oscillator may be off at one temperature in °C, as shares.
struct DeviationPoint {
    Rational celsius;
    Rational low;
    Rational high;
};

/// A fitted crystal's deviation from the rate that it was cut for, over the board's temperatures, at `points` even steps: its
/// budget to both sides of the load shift and the tuning fork's parabola. Empty where no tolerance is given.
std::vector<DeviationPoint> deviationCurve(const Fitted& fitted, const Board& board, int points);

/// An internal oscillator's deviation over the board's temperatures: the tightest step at each, with both ends of every
/// step. Empty where a temperature has none.
std::vector<DeviationPoint> deviationCurve(const Source& source, const Board& board);

/// The capacitors that a crystal wants, F each: 2 × (C_L − stray). Nothing where the plan does not give the load, or
/// where the stray capacitance is the load already.
std::optional<Rational> wantedCapacitors(const Fitted& fitted);

/// The values of a series next to a wanted one, F, ascending: the largest that is not above and the smallest that is
/// not below. `steps` is 12 or 24.
std::vector<Rational> nearestOfSeries(const Rational& wanted, int steps);

/// The start-up margin, gm ÷ (4 ESR (2πf)² (C0 + C)²) with the load C that is fitted, or that it was cut for where no capacitors
/// are told; wished to be 5 or more. Nothing where gm, ESR, C0 or both loads are not told. Floating point: it feeds no field.
std::optional<double> startMargin(const Source& source, const Fitted& fitted);

} // namespace wisetick
