#pragma once

#include "part/kind_row.h"

namespace wisetick {

/// Adds a kind to those that the program brings, with the asks of its meetings. It must stay where it is, and be added before any
/// part or plan is read. Throws std::invalid_argument where an entry of it is missing, or its name or that of an ask is taken.
void addKind(const KindRow& row);

} // namespace wisetick
