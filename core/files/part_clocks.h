#pragma once

#include "files/part_context.h"

namespace wisetick {

/// Readers of one [[tier]], [[source]], [[line]], [[rule]] and [[wait]] table each; they report their faults.
void readTier(PartContext& context, TableReader& reader, Tier& tier);
void readSource(PartContext& context, TableReader& reader, Source& source);
void readLine(PartContext& context, TableReader& reader, Line& line);
void readRule(PartContext& context, const toml::table& table);
void readWait(PartContext& context, const toml::table& table);

/// Puts the lines into an order with parents before children; a loop is reported with its whole path. `tables` are
/// those of the lines.
void sortLines(PartContext& context, const std::vector<const toml::table*>& tables);

} // namespace wisetick
