#pragma once

#include "base/diagnostic.h"

#include <cstddef>
#include <filesystem>
#include <optional>
#include <string>

namespace wisetick {

/// Bytes: a text of more is no part, plan or description of registers.
inline constexpr std::size_t kLargestText = 100'000'000;

/// Whether a file stands in a folder or below it, links followed: what a file of a stranger names is looked for nowhere else.
bool standsWithin(const std::filesystem::path& path, const std::filesystem::path& folder);

/// The whole text of a file; a diagnostic where it can't be read, is no file (a pipe, a device) or is larger.
std::optional<std::string> readTextFile(const std::filesystem::path& path, Diagnostics& diagnostics);

} // namespace wisetick
