#pragma once

#include "files/part_context.h"

namespace wisetick {

/// Reads the [[block]], [[register]] and [[sequence]] tables of the part's root; reports their faults.
void readRegisters(PartContext& context, TableReader& root);

/// "POWER.REST[2:0] = 2", or "CALENDAR.KEY = 0x3B" for all bits of a register, or { wait = "interrupt" }; reports anything else.
std::optional<RegisterWrite> readWrite(PartContext& context, TableReader& reader, const toml::node& node, const std::string& key);

} // namespace wisetick
