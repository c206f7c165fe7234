#pragma once

#include "files/part_context.h"
#include "plan/expect.h"

namespace wisetick {

/// Reads one [[expect]] table; `number` counts from 1. It reports its faults; nothing where it has any.
std::optional<Expect> readExpect(const PartContext& context, const toml::table& table, std::size_t number);

} // namespace wisetick
