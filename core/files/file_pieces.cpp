#include "files/file_pieces.h"

#include "base/text.h"

#include <cerrno>
#include <cstring>
#include <fstream>
#include <vector>

namespace wisetick {

namespace {

constexpr std::size_t kPiece = 1U << 20U; ///< bytes

} // namespace

std::string readPieces(const std::filesystem::path& path, const std::function<void(std::string_view)>& take) {
    std::error_code error;
    if (!std::filesystem::is_regular_file(path, error)) { // a pipe would be waited for without end
        return error || !std::filesystem::exists(path, error) ? phrase("there is no such file") : phrase("it is no file");
    }
    std::ifstream file(path, std::ios::binary);
    if (!file) {
        return std::strerror(errno);
    }
    std::vector<char> piece(kPiece);
    while (file) {
        file.read(piece.data(), static_cast<std::streamsize>(piece.size()));
        if (file.gcount() > 0) {
            take({piece.data(), static_cast<std::size_t>(file.gcount())});
        }
    }
    return file.bad() ? std::strerror(errno) : std::string();
}

} // namespace wisetick
