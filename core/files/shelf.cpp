#include "files/shelf.h"

#include "base/nearest_name.h"
#include "base/text.h"

#include <algorithm>
#include <set>
#include <system_error>

namespace wisetick {

namespace {

namespace fs = std::filesystem;

const std::string kPartSuffix = ".part.toml";
const std::string kPlanSuffix = ".plan.toml";

bool endsWith(const std::string& text, const std::string& end) {
    return text.size() >= end.size() && text.compare(text.size() - end.size(), end.size(), end) == 0;
}

bool isFile(const fs::path& path) {
    std::error_code error;
    return fs::is_regular_file(path, error);
}

std::optional<fs::path> findPart(const std::string& name, const fs::path& planFolder, const Shelf& shelf) {
    Shelf folders = shelf;
    folders.insert(folders.begin(), planFolder);
    if (name.find('/') != std::string::npos || endsWith(name, kPartSuffix)) {
        const fs::path path = planFolder / name;
        const bool isWithin =
            std::any_of(folders.begin(), folders.end(), [&](const fs::path& each) { return standsWithin(path, each); });
        return isWithin && isFile(path) ? std::optional(path) : std::nullopt;
    }
    for (const fs::path& folder : folders) {
        const fs::path path = folder / (name + kPartSuffix);
        if (isFile(path)) {
            return path;
        }
    }
    return std::nullopt;
}

void append(Diagnostics& all, const Diagnostics& more) {
    all.insert(all.end(), more.begin(), more.end());
}

} // namespace

LoadedPlan loadPlan(const fs::path& path, const Shelf& shelf, const TextOf& textOf) {
    LoadedPlan loaded;
    const auto text = textOf(path, loaded.diagnostics);
    if (!text) {
        return loaded;
    }
    loaded.text = *text;
    const PlanPart named = readPlanPart(*text, path.string());
    if (!named.part) {
        append(loaded.diagnostics, named.diagnostics);
        return loaded;
    }
    const auto partPath = findPart(*named.part, path.parent_path(), shelf);
    if (!partPath) {
        const std::vector<std::string> known = partsOnShelf(shelf);
        loaded.diagnostics.push_back(
            {Severity::error, named.place, phrase("no part '{}'", *named.part),
             phrase("a part on the shelf ({}), or a path below the folder of the plan or of the shelf (--parts)",
                    listNames(known)),
             didYouMean(*named.part, known)});
    } else if (const auto partText = textOf(*partPath, loaded.diagnostics)) {
        loaded.partPath = *partPath;
        PartFile part = readPart(*partText, partPath->string(), partPath->parent_path());
        append(loaded.diagnostics, part.diagnostics);
        loaded.part = std::move(part.part);
    }
    PlanFile plan = readPlan(*text, path.string(), loaded.part ? &*loaded.part : nullptr);
    append(loaded.diagnostics, plan.diagnostics);
    loaded.places = std::move(plan.places);
    loaded.plan = std::move(plan.plan);
    return loaded;
}

std::vector<std::string> partsOnShelf(const Shelf& shelf) {
    std::set<std::string> ids;
    for (const fs::path& folder : shelf) {
        std::error_code error;
        for (const auto& entry : fs::directory_iterator(folder, error)) {
            const std::string name = entry.path().filename().string();
            if (endsWith(name, kPartSuffix)) {
                ids.insert(name.substr(0, name.size() - kPartSuffix.size()));
            }
        }
    }
    return {ids.begin(), ids.end()};
}

fs::path partOnShelf(const std::string& id, const Shelf& shelf) {
    return findPart(id, {}, shelf).value_or(fs::path());
}

std::vector<ShelvedPart> readShelf(const Shelf& shelf) {
    std::vector<ShelvedPart> parts;
    for (const std::string& id : partsOnShelf(shelf)) {
        ShelvedPart part{id, partOnShelf(id, shelf), {}};
        if (const auto text = readTextFile(part.path, part.file.diagnostics)) {
            part.file = readPart(*text, part.path.string(), part.path.parent_path());
        }
        parts.push_back(std::move(part));
    }
    return parts;
}

std::vector<ShelvedPlan> plansIn(const fs::path& folder) {
    std::vector<ShelvedPlan> plans;
    std::error_code error;
    for (const auto& entry : fs::directory_iterator(folder, error)) {
        Diagnostics ignored;
        const auto text =
            endsWith(entry.path().filename().string(), kPlanSuffix) ? readTextFile(entry.path(), ignored) : std::nullopt;
        const PlanPart head = text ? readPlanPart(*text, entry.path().string()) : PlanPart();
        if (!head.part) {
            continue;
        }
        ShelvedPlan plan{entry.path(), head.name.empty() ? entry.path().stem().stem().string() : head.name, *head.part, {}};
        if (text->rfind("# ", 0) == 0) {
            plan.about = text->substr(2, text->find('\n') - 2);
        }
        plans.push_back(std::move(plan));
    }
    std::sort(plans.begin(), plans.end(), [](const ShelvedPlan& a, const ShelvedPlan& b) { return a.path < b.path; });
    return plans;
}

} // namespace wisetick
