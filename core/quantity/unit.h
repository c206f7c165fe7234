#pragma once

#include "base/text.h"
#include "quantity/rational.h"

#include <string>
#include <string_view>
#include <vector>

namespace wisetick {

/// What a figure is measured in. Values are always held in the unit itself, without prefix: Hz, s, A, C, …
enum class Unit {
    ratio,         ///< 1: "1.5 %", "30 ppm"
    hertz,         ///< Hz: "16 MHz", "32.768k"
    bitsPerSecond, ///< bit/s: "115200", "500 kbit/s"
    second,        ///< s: "10 min", "1 ms"
    ampere,        ///< A: "2.2 uA"
    coulomb,       ///< C: "5200 mAh" is 18720 C
    volt,          ///< V
    ohm,           ///< Ω: "60 ohm"
    farad,         ///< F: "10 pF"
    siemens,       ///< A/V: "7 mA/V"
    celsius,       ///< °C
    perYear,       ///< 1/year, a year being 8766 h: "2 %/year"
    samples,       ///< samples/s: "50 k samples/s"
    bit,           ///< bits of resolution: "12 bit"
    channel,       ///< channels of a scan: "4 channels"
    metre,         ///< m: "20 m"
    count,         ///< so many of something: "28"
    byte,          ///< bytes: "16 MiB"
    cycle,         ///< cycles of a clock: "12 cycles"
    drift,         ///< how far a calendar strays, as a ratio: "2 s/day", "20 ppm"
};

/// A way to write a unit: "MHz" with a factor of 10^6.
struct UnitSuffix {
    std::string text;
    Rational factor;
};

/// "a rate", "a time", …
Text unitNoun(Unit unit);

/// A value of this unit as a user could type it: "16 MHz".
std::string unitExample(Unit unit);

/// Every accepted way to write the unit, prefixes included.
const std::vector<UnitSuffix>& unitSuffixes(Unit unit);

/// The suffixes that printing chooses from, smallest first.
const std::vector<UnitSuffix>& unitLadder(Unit unit);

/// All units, in the order of the enumeration.
const std::vector<Unit>& allUnits();

/// Whether only whole numbers of it make sense: what is counted.
bool unitIsWhole(Unit unit);

/// Whether a number without a unit can only mean this unit (rates, and what is counted).
bool unitMayBeOmitted(Unit unit);

} // namespace wisetick
