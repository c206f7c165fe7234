#pragma once

#include "files/part_context.h"

namespace wisetick {

/// Readers of one [[tier]] and one [[source]] table each; they report their faults.
void readTier(PartContext& context, TableReader& reader, Tier& tier);
void readSource(PartContext& context, TableReader& reader, Source& source);

} // namespace wisetick
