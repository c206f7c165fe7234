#pragma once

#include "base/target.h"
#include "base/text.h"

#include <string>
#include <vector>

namespace wisetick {

/// How much a diagnostic weighs. `error`: bad input or a limit overstepped; `warning`: a worst case or an
/// unknown; `note`: worth knowing.
enum class Severity { note, warning, error };

/// Where a diagnostic points: a place in a file (line and column count from 1, 0 when there is none), a path
/// into the plan or part ("take.A.choices.bus_a.divide"), or both.
struct Place {
    std::string file;
    int line = 0;
    int column = 0;
    std::string path;
    Target about = {};                 ///< of a finding about a figure
    std::vector<int> usedInLines = {}; ///< of a place in a template: where it is used

    bool operator==(const Place&) const = default;
};

/// The one diagnostic type: what was found, what was expected, and the likely mend (may be empty).
struct Diagnostic {
    Severity severity = Severity::error;
    Place place;
    Text found;
    Text expected;
    Text mend;

    bool operator==(const Diagnostic&) const = default;
};

using Diagnostics = std::vector<Diagnostic>;

/// The place of a finding about a figure.
Place placeOf(const Target& target);

/// "note", "warning" or "error".
std::string severityName(Severity severity);

/// "file:line:column", or the path where there is no file.
std::string placeText(const Place& place);

/// The message without its place: "found X; expected Y; mend".
Text sayText(const Diagnostic& diagnostic);

/// One line: "file:line:column: error: message".
Text diagnosticText(const Diagnostic& diagnostic);

/// So many of one file are told; the rest is counted (`moreFaults`): a file that is no plan at all has a million.
inline constexpr std::size_t kMostFaults = 1000;

/// The one that stands for the rest, in that file.
Diagnostic moreFaults(std::size_t count, const std::string& file);

/// True if any diagnostic in the list is an error.
bool hasErrors(const Diagnostics& diagnostics);

/// A fault in a piece of text that has no file: byte offset and length in that text.
struct TextError {
    std::size_t position = 0;
    std::size_t length = 0;
    Text found;
    Text expected;
    Text mend;

    bool operator==(const TextError&) const = default;
};

/// The message of a text error without its place.
Text sayText(const TextError& error);

} // namespace wisetick
