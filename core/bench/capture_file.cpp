#include "bench/capture_file.h"

#include "bench/csv_capture.h"
#include "bench/vcd.h"
#include "files/file_pieces.h"

#include <boost/crc.hpp>
#include <fmt/format.h>

namespace wisetick {

ReadCapture readCaptureFile(const std::filesystem::path& path, const std::optional<Rational>& sample) {
    ReadCapture read;
    const std::string ending = path.extension().string();
    if (ending == ".csv" || ending == ".tsv" || ending == ".txt") {
        CsvReader reader(path.string());
        if (sample) {
            reader.setSample(*sample);
        }
        read.why = readPieces(path, [&](std::string_view piece) { reader.feed(piece); });
        read.capture = reader.finish();
        read.form = reader.form() ? reader.form()->text() : std::string();
    } else {
        VcdReader reader(path.string());
        read.why = readPieces(path, [&](std::string_view piece) { reader.feed(piece); });
        read.capture = reader.finish();
    }
    return read;
}

std::string sumOfFile(const std::filesystem::path& path) {
    boost::crc_32_type sum;
    const std::string why = readPieces(path, [&](std::string_view piece) { sum.process_bytes(piece.data(), piece.size()); });
    return why.empty() ? fmt::format("{:08x}", sum.checksum()) : std::string();
}

} // namespace wisetick
