#pragma once

#include <cstddef>
#include <map>
#include <string>
#include <vector>

namespace wisetick {

/// Where the tables and values of a plan's TOML text stand, so that it can be edited without touching anything
/// else. Paths name the elements of arrays of tables by their number: "take#0.choices.ref.divide".

/// One `key = value`, in bytes of the text.
struct TextEntry {
    std::string path;
    std::size_t lineBegin = 0; ///< of its first line
    std::size_t lineEnd = 0;   ///< behind the newline of its last line
    std::size_t valueBegin = 0;
    std::size_t valueEnd = 0;
    std::string section; ///< path of the table whose header it stands under
};

/// One table with a header of its own, or the top of the file (an empty path).
struct TextSection {
    std::string path;
    std::size_t begin = 0;     ///< where the comments that belong to its header begin
    std::size_t headerEnd = 0; ///< behind the header's newline
    std::size_t bodyEnd = 0;   ///< behind its last entry's newline (or the header's)
    std::size_t end = 0;       ///< where the next section's comments begin, or the end of the text
};

struct PlanText {
    std::vector<TextSection> sections; ///< in file order, the top first
    std::map<std::string, TextEntry> entries;

    const TextSection* section(const std::string& path) const;
    /// The entry at the path, or the one whose inline table it lies in.
    const TextEntry* covering(const std::string& path) const;
};

/// Maps the text of a plan. Requires text that parses.
PlanText mapPlanText(const std::string& text);

} // namespace wisetick
