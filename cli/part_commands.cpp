#include "part_commands.h"

#include "base/nearest_name.h"
#include "derive/lint_reset.h"
#include "evaluate/lint_expects.h"
#include "files/part_from_svd.h"
#include "files/part_skeleton.h"
#include "files/register_table.h"
#include "files/toml_reader.h"
#include "handover/figures_json.h"
#include "loading.h"
#include "part/lint.h"
#include "part/unknown_facts.h"
#include "text_table.h"

#include <fmt/format.h>

#include <algorithm>

namespace wisetick::cli {

namespace {

constexpr std::size_t kMostNamed = 8; ///< of what hangs on something, in a table

int lineOf(const PartFile& file, const std::string& path) {
    const auto place = file.places.find(path);
    return place == file.places.end() ? 0 : place->second.line;
}

std::string someNames(const std::vector<std::string>& names) {
    std::string text;
    for (std::size_t i = 0; i < std::min(names.size(), kMostNamed); ++i) {
        text += (i == 0 ? "" : ", ") + names[i];
    }
    return names.size() > kMostNamed ? fmt::format("{} and {} more", text, names.size() - kMostNamed) : text;
}

void printUnknown(const Console& console, const std::string& path, const PartFile& file) {
    const auto print = [&](const std::string& title, const std::vector<UnknownFact>& facts, const char* none) {
        TextTable table({Align::right, Align::left, Align::right, Align::left});
        for (const UnknownFact& fact : facts) {
            const int line = lineOf(file, fact.path);
            table.add({line == 0 ? "" : std::to_string(line), fact.say, std::to_string(fact.hangs.size()),
                       fact.costs + " " + someNames(fact.hangs)});
        }
        console.out << title << "\n" << (table.empty() ? std::string("  ") + none + "\n" : table.text(console.style.columns));
    };
    print(path + ": what is unknown, by line, with how much hangs on it", unknownFacts(*file.part), "nothing");
    print("what can't be written", unwritableFacts(*file.part), "nothing");
}

nlohmann::ordered_json unknownJson(const std::string& path, const PartFile& file) {
    const auto list = [&](const std::vector<UnknownFact>& facts) {
        nlohmann::ordered_json array = nlohmann::ordered_json::array();
        for (const UnknownFact& fact : facts) {
            array.push_back({{"path", fact.path},
                             {"line", lineOf(file, fact.path)},
                             {"say", fact.say},
                             {"costs", fact.costs},
                             {"hangs", fact.hangs}});
        }
        return array;
    };
    return {{"file", path}, {"unknown", list(unknownFacts(*file.part))}, {"unwritable", list(unwritableFacts(*file.part))}};
}

int reportOne(const Console& console, const std::string& found, const std::string& expected, const std::string& mend = {}) {
    return reportBadInput(console, {{Severity::error, {}, found, expected, mend}}, false);
}

} // namespace

int runLint(const Console& console, const LintOptions& options) {
    Diagnostics all;
    nlohmann::ordered_json unknown = nlohmann::ordered_json::array();
    for (const std::string& path : options.parts) {
        const auto text = readTextFile(path, all);
        if (!text) {
            continue;
        }
        const PartFile file = readPart(*text, path, std::filesystem::path(path).parent_path());
        if (options.isUnknown && file.part && options.isJson) {
            unknown.push_back(unknownJson(path, file));
        } else if (options.isUnknown && file.part) {
            printUnknown(console, path, file);
        }
        if (options.isUnknown) {
            all.insert(all.end(), file.diagnostics.begin(), file.diagnostics.end());
            continue;
        }
        all.insert(all.end(), file.diagnostics.begin(), file.diagnostics.end());
        if (file.part) {
            for (Diagnostics findings : {lintPart(*file.part, file.accepted, file.suspicions), lintReset(*file.part),
                                         lintExpects(*file.part, file.expects)}) {
                for (Diagnostic& finding : findings) {
                    const auto place = file.places.find(finding.place.path);
                    if (place != file.places.end()) {
                        finding.place.line = place->second.line;
                        finding.place.column = place->second.column;
                        finding.place.usedInLines = place->second.usedInLines;
                    }
                    finding.place.file = path;
                    all.push_back(std::move(finding));
                }
            }
        }
    }
    if (options.isUnknown) {
        printDiagnostics(console.err, all);
        console.out << (options.isJson ? nlohmann::ordered_json{{"parts", unknown}}.dump(2, ' ', false, kAnyBytes) + "\n"
                                       : std::string());
        return hasErrors(all) ? kBadInput : kHolds;
    }
    if (options.isJson) {
        console.out << nlohmann::ordered_json{{"findings", findingsJson(all)}}.dump(2, ' ', false, kAnyBytes) << "\n";
    } else {
        printDiagnostics(console.out, all);
        console.out << (all.empty() ? "no faults, nothing suspicious\n" : "");
    }
    if (hasErrors(all)) {
        return kBadInput;
    }
    return all.empty() ? kHolds : kBroken;
}

int runNewPart(const Console& console, const std::string& id, const std::string& like, const std::string& fromSvd) {
    if (!isId(id)) {
        return reportOne(console, "'" + id + "', which is no id", "a small letter, then small letters, digits, '_' and '-'");
    }
    if (!fromSvd.empty()) {
        Diagnostics faults;
        const auto text = readTextFile(fromSvd, faults);
        RegisterFile described = text ? readRegisterFile(*text, fromSvd) : RegisterFile();
        faults.insert(faults.end(), described.diagnostics.begin(), described.diagnostics.end());
        if (!described.names) {
            return reportBadInput(console, faults, false);
        }
        described.names->file = std::filesystem::path(fromSvd).filename().string(); // it shall stand beside the part
        console.out << partFromSvd(id, *described.names);
        return kHolds;
    }
    const std::vector<std::string>& known = partSkeletons();
    if (std::find(known.begin(), known.end(), like) == known.end()) {
        return reportOne(console, "no skeleton '" + like + "'", listNames(known), didYouMean(like, known));
    }
    console.out << partSkeleton(id, like);
    return kHolds;
}

} // namespace wisetick::cli
