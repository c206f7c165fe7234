#pragma once

#include "base/diagnostic.h"
#include "part/part.h"

#include "part/lint.h"
#include "plan/expect.h"

#include <filesystem>
#include <map>
#include <optional>
#include <string>
#include <string_view>

namespace wisetick {

/// A field that a control of the part's has for itself.
struct OwnedField {
    Field field;
    std::string owner; ///< "bus_a"
    std::string control;
};

/// What came of reading a part file: the part if there was no error, and every fault that was found.
struct PartFile {
    std::optional<Part> part;
    Diagnostics diagnostics;
    std::vector<Accepted> accepted = {};    ///< suspicions that are meant so
    std::vector<Suspicion> suspicions = {}; ///< where it and the description of its registers differ
    std::vector<Expect> expects = {};       ///< worked examples of its datasheet
    std::vector<OwnedField> fields = {};
    std::map<std::string, Place> places = {}; ///< where each table stands, by its path "line.ref"
};

/// Reads the text of a *.part.toml file; `file` is its name for messages, `folder` where the files that it names stand. The
/// format: docs/part-files.md.
/// A TOML syntax error ends the reading; otherwise all faults are reported.
PartFile readPart(std::string_view text, const std::string& file, const std::filesystem::path& folder = {});

} // namespace wisetick
