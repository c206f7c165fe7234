#pragma once

#include "base/diagnostic.h"

#include <filesystem>
#include <optional>
#include <string>

namespace wisetick {

/// The whole text of a file; a diagnostic where it can't be read.
std::optional<std::string> readTextFile(const std::filesystem::path& path, Diagnostics& diagnostics);

} // namespace wisetick
