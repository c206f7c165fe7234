#pragma once

#include <filesystem>
#include <functional>
#include <string>
#include <string_view>

namespace wisetick {

/// Reads a file piece by piece, so that one of any size takes no more memory than a piece. An empty text, or why it can't be
/// read.
std::string readPieces(const std::filesystem::path& path, const std::function<void(std::string_view)>& take);

} // namespace wisetick
