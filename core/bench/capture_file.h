#pragma once

#include "base/text.h"
#include "bench/capture.h"

#include <filesystem>
#include <optional>
#include <string>

namespace wisetick {

/// A capture read from a file: a table where its name ends in .csv, .tsv or .txt, else a value change dump.
struct ReadCapture {
    Text why;  ///< why the file can't be read; empty where it can
    Text form; ///< of a table: how it was understood
    Capture capture;
};

/// `sample`: s between two rows of a table that has no times.
ReadCapture readCaptureFile(const std::filesystem::path& path, const std::optional<Rational>& sample = std::nullopt);

/// CRC-32 (ISO 3309) of a file as eight hexadecimal digits; empty where it can't be read.
std::string sumOfFile(const std::filesystem::path& path);

} // namespace wisetick
