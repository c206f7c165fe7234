#pragma once

#include "files/toml_reader.h"
#include "part/part.h"

namespace wisetick {

/// Readers for what recurs in a part file: durations, draws, factor sets, fields. All report their faults and
/// return what could be read.

/// "12 us", or { typ = "…", max = "…" }.
Duration readDuration(TableReader& reader, const std::string& key);

/// 3, "2.5", [1, 2, 4], { from, to, step }, { powers_of, from, to }, or { mantissa, times_powers_of, exponent }. Empty where the
/// key is absent or faulty. Whether a set may have 0 in it: a delay of no cycles.
enum class Zero { refused, allowed };
FactorSet readFactorSet(TableReader& reader, const std::string& key, Need need = Need::optional, Zero zero = Zero::refused);

/// The same of whole numbers up to 2^48.
FactorSet readWholeSet(TableReader& reader, const std::string& key, Need need = Need::optional, Zero zero = Zero::refused);

/// The prescaler of a counter; one where the part has none.
FactorSet readPrescaler(TableReader& reader);

} // namespace wisetick
