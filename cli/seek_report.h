#pragma once

#include "seek/conflict.h"
#include "text_report.h"

#include <nlohmann/json.hpp>

namespace wisetick::cli {

/// The found takes as a table, the chosen one in full, and whether these are all.
std::string foundReport(const Part& part, const Plan& plan, const Question& question, const SeekResult& result,
                        std::size_t chosen, const Style& style);

/// The settings that are equal to a found take where it matters.
std::string unfoldedReport(const SeekResult& same, std::size_t rank, const Style& style);

/// Why there is none: conflicts in words, the nearest of each wish, what would help.
std::string refusalReport(const Space& space, const Refusal& refusal, const Style& style);

/// {"question", "found": [...], "complete", "cut", "steps", "settings"}; docs/json.md.
nlohmann::ordered_json foundJson(const Part& part, const Plan& plan, const Question& question, const SeekResult& result);

/// {"conflicts": [{"members", "say"}], "smallest", "all", "nearest", "lifts"}.
nlohmann::ordered_json refusalJson(const Space& space, const Refusal& refusal);

} // namespace wisetick::cli
