#pragma once

#include "commands.h"

#include <nlohmann/json.hpp>

#include <map>
#include <optional>

namespace wisetick::cli {

/// Where parts are looked for: what the user names, then beside the program as installed, then up the tree from it as built.
Shelf shelfFor(const std::vector<std::string>& named);

/// The folder of the documents: beside the program as installed, then up the tree from it as built; empty where there is none.
std::filesystem::path documentsFolder();

void printDiagnostics(std::ostream& stream, const Diagnostics& diagnostics);

/// {"error": {"position", "length", "say"}}.
nlohmann::ordered_json wordErrorJson(const TextError& error);

/// The faults, to read or as JSON; kBadInput.
int reportBadInput(const Console& console, const Diagnostics& diagnostics, bool isJson);

/// A plan with its part, and the take that is meant: it is the active one of this plan, so that jobs run in it too.
struct Loaded {
    Part part;
    Plan plan;
    std::string take;
    std::map<std::string, Place> places;
    std::string text;   ///< of the plan file
    std::string active; ///< the take that the file has as the active one
};

/// The plan, its part and the take that is meant; or the faults, reported.
std::optional<Loaded> load(const Console& console, const PlanOptions& options);

/// What an edit of the plan file begins with: its text, as it was read. Where it can't be read any more, or somebody else wrote
/// it meanwhile, that is the fault, and nothing may be written.
tl::expected<std::string, Diagnostics> textToEdit(const PlanOptions& options, const Loaded& loaded);

/// All figures, with their workings where they are shown, the findings with their places in the files.
Figures evaluated(const Loaded& loaded, bool hasWorkings);

/// The typed line with the wrong word marked below it.
void reportWord(const Console& console, const std::string& line, const TextError& error);

} // namespace wisetick::cli
