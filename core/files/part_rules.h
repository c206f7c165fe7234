#pragma once

#include "files/part_context.h"

namespace wisetick {

/// Readers of what follows from rates: one [[rule]], [[wait]] or [[bound]] table each; they report their faults.
void readRule(PartContext& context, const toml::table& table);
void readWait(PartContext& context, const toml::table& table);
void readBound(PartContext& context, const toml::table& table);

} // namespace wisetick
