#pragma once

#include <string>

namespace wisetick {

/// The text of a small part to begin one's own with: complete, without faults, and with a comment on everything that a
/// datasheet tells. `id` must be an id.
std::string partSkeleton(const std::string& id);

} // namespace wisetick
