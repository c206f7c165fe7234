#pragma once

#include <string>
#include <vector>

namespace wisetick {

/// The classes of parts that there is a skeleton of: "small", "middle".
const std::vector<std::string>& partSkeletons();

/// The text of a part to begin one's own with: complete, without faults and suspicions, and with a comment on everything that a
/// datasheet tells. `id` must be an id, `like` one of the skeletons.
std::string partSkeleton(const std::string& id, const std::string& like = "small");

} // namespace wisetick
