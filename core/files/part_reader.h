#pragma once

#include "base/diagnostic.h"
#include "part/part.h"

#include "part/lint.h"

#include <map>
#include <optional>
#include <string>
#include <string_view>

namespace wisetick {

/// What came of reading a part file: the part if there was no error, and every fault that was found.
struct PartFile {
    std::optional<Part> part;
    Diagnostics diagnostics;
    std::vector<Accepted> accepted = {};      ///< suspicions that are meant so
    std::map<std::string, Place> places = {}; ///< where each table stands, by its path "line.ref"
};

/// Reads the text of a *.part.toml file; `file` is its name for messages. The format: docs/part-files.md.
/// A TOML syntax error ends the reading; otherwise all faults are reported.
PartFile readPart(std::string_view text, const std::string& file);

} // namespace wisetick
