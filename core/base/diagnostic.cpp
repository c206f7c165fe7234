#include "base/diagnostic.h"

#include "base/text.h"

#include <algorithm>

namespace wisetick {

namespace {

Text joined(const Text& found, const Text& expected, const Text& mend) {
    std::string text = found;
    if (!expected.empty()) {
        text += (text.empty() ? phrase("expected ") : phrase("; expected ")) + expected;
    }
    if (!mend.empty()) {
        text += (text.empty() ? "" : "; ") + mend;
    }
    return text;
}

} // namespace

std::string severityName(Severity severity) {
    switch (severity) {
    case Severity::note: return "note";
    case Severity::warning: return "warning";
    case Severity::error: return "error";
    }
    return {};
}

Place placeOf(const Target& target) {
    return {{}, 0, 0, targetText(target), target};
}

std::string placeText(const Place& place) {
    if (place.file.empty()) {
        return place.path;
    }
    std::string text = place.file;
    if (place.line > 0) {
        text += ":" + std::to_string(place.line) + ":" + std::to_string(place.column);
    }
    return text;
}

Text sayText(const Diagnostic& diagnostic) {
    Text text = joined(diagnostic.found, diagnostic.expected, diagnostic.mend);
    const std::vector<int>& used = diagnostic.place.usedInLines;
    if (!used.empty()) {
        text += phrase(" (used in line {}", std::to_string(used.front()));
        text += used.size() == 1 ? ")" : phrase(" and {} more)", std::to_string(used.size() - 1));
    }
    return text;
}

Text diagnosticText(const Diagnostic& diagnostic) {
    const std::string place = placeText(diagnostic.place);
    return (place.empty() ? "" : place + ": ") + severityName(diagnostic.severity) + ": " + sayText(diagnostic);
}

Diagnostic moreFaults(std::size_t count, const std::string& file) {
    return {Severity::error, {file, 0, 0, {}}, phrase("{} more faults", count), phrase("the ones before mended first"), {}};
}

bool hasErrors(const Diagnostics& diagnostics) {
    return std::any_of(diagnostics.begin(), diagnostics.end(),
                       [](const Diagnostic& diagnostic) { return diagnostic.severity == Severity::error; });
}

Text sayText(const TextError& error) {
    return joined(error.found, error.expected, error.mend);
}

} // namespace wisetick
