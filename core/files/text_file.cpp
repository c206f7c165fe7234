#include "files/text_file.h"

#include "base/text.h"

#include <fstream>
#include <iterator>
#include <system_error>

namespace wisetick {

std::optional<std::string> readTextFile(const std::filesystem::path& path, Diagnostics& diagnostics) {
    std::error_code error;
    std::ifstream stream(path, std::ios::binary);
    if (std::filesystem::is_regular_file(path, error) && stream) {
        const auto size = std::filesystem::file_size(path, error);
        std::string content(error ? 0 : size, '\0');
        stream.read(content.data(), static_cast<std::streamsize>(content.size()));
        content.resize(static_cast<std::size_t>(stream.gcount()));
        content.append(std::istreambuf_iterator<char>(stream), {}); // what came to it since, or a file that tells no size
        return content;
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
