#pragma once

#include "quantity/bounds.h"
#include "quantity/unit.h"

#include <string>

namespace wisetick {

/// The shortest engineering form that is exact ("32.768 kHz", "1.5 %", "10 min") if it has at most `mostDigits`
/// significant digits, else five significant digits behind a "≈" ("≈53.333 MHz"). What has no "≈" reads back to
/// the same value. The same in every locale.
std::string printQuantity(const Rational& value, Unit unit, int mostDigits = 9);

/// A form that reads back to the very same value, however many digits that takes; a fraction where no decimal ends.
std::string printReadable(const Rational& value, Unit unit);

/// A signed ratio for errors: "+8.507 %" with four significant digits, "≈" in front where that is rounded,
/// "exact" for 0.
std::string printError(const Rational& error);

/// "±1.5 %", or "≈±2.2876 %" where that is rounded.
std::string printTolerance(const Rational& tolerance);

/// "1.6 s … 2.5 s"; one figure where the ends are equal.
std::string printRange(const Rational& low, const Rational& high, Unit unit);

/// A factor as it is typed: "5", "2.5", "5 7/16".
std::string printFactor(const Rational& factor);

/// The decimal form of the value if it ends within `mostDigits` significant digits, else an empty text.
std::string exactDecimal(const Rational& value, int mostDigits = 12);

/// The value rounded (ties to even) to `digits` significant digits, as a decimal without exponent.
std::string roundedDecimal(const Rational& value, int digits = 5);

} // namespace wisetick
