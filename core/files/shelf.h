#pragma once

#include "files/part_reader.h"
#include "files/plan_reader.h"

#include <filesystem>
#include <string>
#include <vector>

namespace wisetick {

/// Folders in which parts are looked for by id, first match first.
using Shelf = std::vector<std::filesystem::path>;

/// The whole text of a file; a diagnostic where it can't be read.
std::optional<std::string> readTextFile(const std::filesystem::path& path, Diagnostics& diagnostics);

/// A plan with the part that it names, both read and checked against each other.
struct LoadedPlan {
    std::optional<Part> part;
    std::optional<Plan> plan;
    std::string text; ///< of the plan file, as it stands
    Diagnostics diagnostics;
    std::map<std::string, Place> places; ///< of the plan's keys
};

/// Reads a plan file and its part: an id on the shelf, or a path (anything with '/' or ending in ".part.toml")
/// beside the plan. All faults of both files are in `diagnostics`.
LoadedPlan loadPlan(const std::filesystem::path& path, const Shelf& shelf);

/// The ids of the parts on the shelf (from their file names), sorted.
std::vector<std::string> partsOnShelf(const Shelf& shelf);

} // namespace wisetick
