#pragma once

#include "base/text.h"
#include "bench/explain.h"
#include "quantity/unit.h"

#include <string>

namespace wisetick {

/// What a signal's cycle is to a reader: a time, a rate, or bits a second.
struct ShownCycle {
    Bounds value;
    Unit unit = Unit::second;
};
ShownCycle shownCycle(const BenchSignal& signal, const Bounds& cycle);

/// "507.02 ms ±83 ns".
Text measuredSaid(const ShownCycle& shown);

/// "+12 ppm": how far a signal is off what was predicted.
Text offSaid(const BenchSignal& signal, const MeasuredSignal& measured);

/// "high 35 % ±0.04 %, periods spread by 120 ns": what else is measured of a signal, where it says more than the capture's looks.
Text moreSaid(const BenchSignal& signal, const MeasuredSignal& measured);

/// "xtm +12.9 ppm … +13.1 ppm" of each source that an explanation tells the rate of.
Text sourcesSaid(const Part& part, const Explanation& explanation);

/// "leaves +0.3 %", or "far off".
Text leftSaid(const Explanation& explanation);

} // namespace wisetick
