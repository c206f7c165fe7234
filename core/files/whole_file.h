#pragma once

#include "base/text.h"

#include <filesystem>
#include <string>
#include <string_view>

namespace wisetick {

/// Writes a file whole or not at all: into a new file beside it, to the disk, then in its place. Whatever goes wrong on the way
/// (a full disk, a power cut, the program killed), what stood there before stands there still. A link stays a link; the file
/// keeps its permissions. What a program that was killed meanwhile left beside it goes with the next writing, a minute later. An
/// empty text, or why it could not be written.
Text writeWholeFile(const std::filesystem::path& path, std::string_view content);

} // namespace wisetick
