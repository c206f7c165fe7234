#pragma once

#include "base/diagnostic.h"

#include <cstddef>
#include <filesystem>
#include <optional>
#include <string>

namespace wisetick {

/// Bytes: a text of more is no part, plan or description of registers.
inline constexpr std::size_t kLargestText = 100'000'000;

/// The whole text of a file; a diagnostic where it can't be read, is no file (a pipe, a device) or is larger.
std::optional<std::string> readTextFile(const std::filesystem::path& path, Diagnostics& diagnostics);

} // namespace wisetick
