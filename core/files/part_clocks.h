#pragma once

#include "files/part_context.h"

namespace wisetick {

/// Reads one [[line]] table; reports its faults.
void readLine(PartContext& context, TableReader& reader, Line& line);

/// Puts the lines into an order with parents before children; a loop is reported with its whole path. `tables` are
/// those of the lines.
void sortLines(PartContext& context, const std::vector<const toml::table*>& tables);

} // namespace wisetick
