#include "loading.h"

#include "base/nearest_name.h"
#include "derive/workings_of.h"
#include "evaluate/evaluate.h"
#include "handover/figures_json.h"

#include <algorithm>
#include <cstdlib>
#include <sstream>

namespace wisetick::cli {

Shelf shelfFor(const std::vector<std::string>& named) {
    Shelf shelf(named.begin(), named.end());
    if (const char* variable = std::getenv("WISETICK_PARTS")) {
        shelf.emplace_back(variable);
    }
    std::error_code error;
    const std::filesystem::path program = std::filesystem::read_symlink("/proc/self/exe", error);
    shelf.push_back(program.parent_path().parent_path() / "share" / "wisetick" / "parts");
    for (std::filesystem::path folder = program.parent_path(); folder.has_relative_path(); folder = folder.parent_path()) {
        if (std::filesystem::is_directory(folder / "parts", error)) {
            shelf.push_back(folder / "parts");
            break;
        }
    }
    // where it can't be told where the program stands: the shared data of the system (XDG Base Directory)
    const char* variable = std::getenv("XDG_DATA_DIRS");
    std::stringstream folders(variable == nullptr || *variable == '\0' ? "/usr/local/share:/usr/share" : variable);
    for (std::string folder; std::getline(folders, folder, ':');) {
        const std::filesystem::path parts = std::filesystem::path(folder) / "wisetick" / "parts";
        if (std::find(shelf.begin(), shelf.end(), parts) == shelf.end() && std::filesystem::is_directory(parts, error)) {
            shelf.push_back(parts);
        }
    }
    return shelf;
}

std::filesystem::path documentsFolder() {
    std::error_code error;
    const std::filesystem::path program = std::filesystem::read_symlink("/proc/self/exe", error);
    const auto installed = program.parent_path().parent_path() / "share" / "wisetick" / "docs";
    if (std::filesystem::is_directory(installed, error)) {
        return installed;
    }
    for (std::filesystem::path folder = program.parent_path(); folder.has_relative_path(); folder = folder.parent_path()) {
        if (std::filesystem::is_regular_file(folder / "docs" / "part-files.md", error)) {
            return folder / "docs";
        }
    }
    return {};
}

void printDiagnostics(std::ostream& stream, const Diagnostics& diagnostics) {
    for (const Diagnostic& diagnostic : diagnostics) {
        stream << diagnosticText(diagnostic) << "\n";
    }
}

nlohmann::ordered_json wordErrorJson(const TextError& error) {
    return {{"error", {{"position", error.position}, {"length", error.length}, {"say", sayText(error)}}}};
}

int reportBadInput(const Console& console, const Diagnostics& diagnostics, bool isJson) {
    printDiagnostics(console.err, diagnostics);
    if (isJson) {
        console.out << nlohmann::ordered_json{{"findings", findingsJson(diagnostics)}}.dump(2, ' ', false, kAnyBytes) << "\n";
    }
    return kBadInput;
}

std::optional<Loaded> load(const Console& console, const PlanOptions& options) {
    LoadedPlan loaded = loadPlan(options.plan, console.shelf);
    if (!loaded.plan || !loaded.part) {
        reportBadInput(console, loaded.diagnostics, options.isJson);
        return std::nullopt;
    }
    const std::string take = options.take.empty() ? loaded.plan->active : options.take;
    if (findTake(*loaded.plan, take) == nullptr) {
        std::vector<std::string> known;
        for (const Take& each : loaded.plan->takes) {
            known.push_back(each.name);
        }
        reportBadInput(
            console,
            {{Severity::error, {options.plan, 0, 0, {}}, "no take '" + take + "'", listNames(known), didYouMean(take, known)}},
            options.isJson);
        return std::nullopt;
    }
    const std::string active = loaded.plan->active;
    return Loaded{std::move(*loaded.part),
                  withActive(std::move(*loaded.plan), take),
                  take,
                  std::move(loaded.places),
                  std::move(loaded.text),
                  active};
}

tl::expected<std::string, Diagnostics> textToEdit(const PlanOptions& options, const Loaded& loaded) {
    Diagnostics faults;
    auto present = readTextFile(options.plan, faults);
    if (!present) {
        return tl::unexpected(faults);
    }
    if (*present != loaded.text) {
        return tl::unexpected(Diagnostics{{Severity::error,
                                           {options.plan, 0, 0, {}},
                                           "this was changed by another program since it was read; nothing was written",
                                           "the same once more",
                                           {}}});
    }
    return *std::move(present);
}

Figures evaluated(const Loaded& loaded, bool hasWorkings) {
    Figures figures = evaluate(loaded.part, loaded.plan, loaded.take);
    if (hasWorkings) {
        addWorkings(loaded.part, loaded.plan, figures);
    }
    for (Diagnostic& finding : figures.findings) {
        finding = located(std::move(finding), loaded.places, loaded.take);
    }
    return figures;
}

void reportWord(const Console& console, const std::string& line, const TextError& error) {
    const std::size_t before = std::min(error.position, line.size());
    const auto codePoints = [](const std::string& text) {
        return std::count_if(text.begin(), text.end(), [](char c) { return (static_cast<unsigned char>(c) & 0xC0U) != 0x80U; });
    };
    const auto blanks = static_cast<std::size_t>(codePoints(line.substr(0, before)));
    const auto width = static_cast<std::size_t>(codePoints(line.substr(before, error.length)));
    console.err << "  " << line << "\n  " << std::string(blanks, ' ') << std::string(std::max<std::size_t>(width, 1), '^') << "\n"
                << "error: " << sayText(error) << "\n";
}

} // namespace wisetick::cli
