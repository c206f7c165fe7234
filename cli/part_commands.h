#pragma once

#include "commands.h"

namespace wisetick::cli {

struct LintOptions {
    std::vector<std::string> parts;
    bool isUnknown = false; ///< shows instead what the parts do not tell
    bool isJson = false;
};

/// Faults (kBadInput) and suspicions (kBroken) of part files; or what they do not tell, what most hangs on it first, and what
/// nothing can be written for.
int runLint(const Console& console, const LintOptions& options);

/// The text of a part with comments, to begin one's own with: `like` one of the skeletons, or from the description of its
/// registers in a file. kBadInput where `id` is no id, or there is no such skeleton or file.
int runNewPart(const Console& console, const std::string& id, const std::string& like, const std::string& fromSvd);

} // namespace wisetick::cli
