#pragma once

#include <cstdint>
#include <string_view>

namespace wisetick::fuzz {

/// Each feeds any bytes to one reader and aborts if what comes back breaks its contract.
void feedQuantity(std::string_view bytes);
void feedPromiseLine(std::string_view bytes);
void feedPart(std::string_view bytes);
void feedPlan(std::string_view bytes);
/// As a dump, as a table and as a line of commands.
void feedCapture(std::string_view bytes);

} // namespace wisetick::fuzz
