#pragma once

#include "plan/promise_line.h"
#include "quantity/unit.h"

namespace wisetick {

/// Pieces of a printed promise line; each begins with what parts it from the piece before.

/// " exactly", " within 1.5 %", or nothing.
std::string saidTolerance(const Tolerance& tolerance);

/// " over 20 m", where there is a value.
std::string said(const std::string& before, const std::optional<Rational>& value, Unit unit, const std::string& after = {});

/// "115200", or with a unit where it is not whole.
std::string bitRate(const Rational& value);

/// " 12 cycles", and " 1 cycle".
std::string cycles(const std::string& before, const std::optional<Rational>& value);

} // namespace wisetick
