#pragma once

#include "files/part_reader.h"
#include "files/plan_reader.h"
#include "files/text_file.h"

#include <filesystem>
#include <functional>
#include <string>
#include <vector>

namespace wisetick {

/// Folders in which parts are looked for by id, first match first.
using Shelf = std::vector<std::filesystem::path>;

/// A plan with the part that it names, both read and checked against each other.
struct LoadedPlan {
    std::optional<Part> part;
    std::optional<Plan> plan;
    std::string text;               ///< of the plan file, as it stands
    std::filesystem::path partPath; ///< empty where there is none
    Diagnostics diagnostics;
    std::map<std::string, Place> places; ///< of the plan's keys
};

/// Gives a file's text: from the disk as readTextFile does, or what an editor has of it.
using TextOf = std::function<std::optional<std::string>(const std::filesystem::path&, Diagnostics&)>;

/// Reads a plan file and its part: an id on the shelf, or a path (anything with '/' or ending in ".part.toml")
/// beside the plan. All faults of both files are in `diagnostics`.
LoadedPlan loadPlan(const std::filesystem::path& path, const Shelf& shelf, const TextOf& textOf = readTextFile);

/// A part that stands on the shelf, read; its faults are in `file.diagnostics`.
struct ShelvedPart {
    std::string id; ///< from its file name, as plans name it
    std::filesystem::path path;
    PartFile file;
};

/// The file of the part of that id on the shelf; an empty path where there is none.
std::filesystem::path partOnShelf(const std::string& id, const Shelf& shelf);

/// All parts of the shelf, by id; where folders have the same id, the first folder's.
std::vector<ShelvedPart> readShelf(const Shelf& shelf);

/// A plan in a folder, by its head.
struct ShelvedPlan {
    std::filesystem::path path;
    std::string name;
    std::string part;
    std::string about; ///< its first line, where that is a comment
};

/// The plans of a folder that name a part, by file name.
std::vector<ShelvedPlan> plansIn(const std::filesystem::path& folder);

/// The ids of the parts on the shelf (from their file names), sorted.
std::vector<std::string> partsOnShelf(const Shelf& shelf);

} // namespace wisetick
