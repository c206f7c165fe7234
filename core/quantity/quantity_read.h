#pragma once

#include "base/diagnostic.h"
#include "quantity/unit.h"

#include <tl/expected.hpp>

#include <string_view>

namespace wisetick {

/// Reads a quantity of the given unit: a number ("32.768", "1e6", "2_400", "160/3") and a suffix of that unit.
/// The suffix may be left out where unitMayBeOmitted. Micro may be written u, µ (U+00B5) or μ (U+03BC), minus - or −.
/// The same in every locale. Errors point at the number or at the unit, whichever is wrong; a number that
/// needs more than 256 bits is an error.
tl::expected<Rational, TextError> readQuantity(std::string_view text, Unit unit);

/// Whether a file may hold a factor: at most 2^48, in steps of at least 2^-48.
bool isWritableFactor(const Rational& factor);

/// Reads a factor without unit: "5", "2.5", "1/2", "2 11/16" or "98 + 1234/4096". Not negative.
tl::expected<Rational, TextError> readFactor(std::string_view text);

/// How many bytes at the start of `text` are one quantity of any unit: number, blanks, suffix. 0 if it does not
/// begin with a number. Used where quantities stand within a sentence.
std::size_t quantityLength(std::string_view text);

} // namespace wisetick
