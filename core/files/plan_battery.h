#pragma once

#include "files/toml_reader.h"
#include "plan/plan.h"

namespace wisetick {

/// Reads [board.battery]; what is wrong goes to the table's reporter.
Battery readBattery(TableReader& reader);

/// Reads [board.regulator].
Regulator readRegulator(TableReader& reader);

} // namespace wisetick
