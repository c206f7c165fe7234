#include "files/text_file.h"

#include "base/text.h"

#include <fstream>
#include <system_error>
#include <utility>

namespace wisetick {

namespace {

/// What stands in a file; `why` where it can't be read, or is too large. Some files tell no size, or have no end.
std::string contentOf(const std::filesystem::path& path, Text& why) {
    constexpr std::size_t kPiece = 1U << 18U;
    std::error_code error;
    std::ifstream stream(path, std::ios::binary);
    const auto size = std::filesystem::file_size(path, error);
    std::string content;
    if (!error && size <= kLargestText) {
        content.reserve(size);
    }
    std::string piece(kPiece, '\0');
    while (stream && content.size() <= kLargestText) {
        stream.read(piece.data(), static_cast<std::streamsize>(piece.size()));
        content.append(piece, 0, static_cast<std::size_t>(stream.gcount()));
    }
    if (content.size() > kLargestText) {
        why = phrase("a file of more than {} MB", kLargestText / 1'000'000);
    } else if (stream.bad() || !stream.eof()) {
        why = phrase("this can't be read as a file");
    }
    return why.empty() ? content : std::string();
}

} // namespace

bool standsWithin(const std::filesystem::path& path, const std::filesystem::path& folder) {
    std::error_code error;
    const auto whole = std::filesystem::weakly_canonical(path, error);
    const auto top = std::filesystem::weakly_canonical(folder.empty() ? "." : folder, error);
    const auto below = whole.lexically_relative(top);
    return !error && !below.empty() && *below.begin() != "..";
}

std::optional<std::string> readTextFile(const std::filesystem::path& path, Diagnostics& diagnostics) {
    std::error_code error;
    if (std::filesystem::is_regular_file(path, error)) { // a pipe would be waited for without end
        Text why;
        std::string content = contentOf(path, why);
        if (why.empty()) {
            return content;
        }
        diagnostics.push_back({Severity::error, {path.string(), 0, 0, {}}, std::move(why), phrase("a readable file"), {}});
        return std::nullopt;
    }
    const bool isThere = std::filesystem::exists(path, error);
    diagnostics.push_back({Severity::error,
                           {path.string(), 0, 0, {}},
                           isThere ? phrase("this can't be read as a file") : phrase("there is no such file"),
                           phrase("a readable file"),
                           {}});
    return std::nullopt;
}

} // namespace wisetick
