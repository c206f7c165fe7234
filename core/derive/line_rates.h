#pragma once

#include "derive/controls.h"
#include "derive/demand.h"
#include "derive/figures.h"

namespace wisetick {

/// The rate of every source and line with its bounds and field values, and why where there is none. Exact
/// factors keep the relative bounds of the source. Cost: one pass over the lines.
/// `demand`: what is on, for tolerances that hang on it; without, nothing is. Detail::verdict: without field values.
std::vector<LineFigure> lineRates(const Part& part, const Board& board, const Controls& controls, const Demand* demand = nullptr,
                                  Detail detail = Detail::result);

/// A deviation of an oscillator over a range of temperature: for every piece of the range the tightest step that
/// holds there, and the widest of those. Nothing where a piece has no step.
struct Deviation {
    Rational low;
    Rational high;
};
std::optional<Deviation> deviationOver(const std::vector<ToleranceStep>& steps, const Rational& fromCelsius,
                                       const Rational& toCelsius);

} // namespace wisetick
