#pragma once

#include "files/part_context.h"

namespace wisetick {

/// "450 uA", { typ, max, base, per_mhz, per_volt, of, when, ref }, or a list of such, each perhaps for one tier; typ and max may
/// be lists of [temperature, current].
std::optional<Draw> readDraw(const PartContext& context, TableReader& reader, const std::string& key);

/// The same without slopes, of what is added or saved: it may be below 0.
std::optional<Draw> readAddedDraw(const PartContext& context, TableReader& reader, const std::string& key);

} // namespace wisetick
