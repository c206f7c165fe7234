#pragma once

#include "files/part_context.h"

namespace wisetick {

/// Reads one [[mode]] table: what it keeps, what wakes it, its stages and its order.
void readMode(PartContext& context, TableReader& reader, Mode& mode);

} // namespace wisetick
