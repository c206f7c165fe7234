#pragma once

#include "files/part_context.h"

namespace wisetick {

/// Reads one [[peripheral]] table; what it needs depends on its kind.
void readPeripheral(PartContext& context, TableReader& reader, Peripheral& peripheral);

} // namespace wisetick
