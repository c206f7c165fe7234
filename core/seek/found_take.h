#pragma once

#include "base/text.h"
#include "seek/best_takes.h"

namespace wisetick {

/// One take that was found. Its figures are made on demand: derive or evaluate its plan.
struct FoundTake {
    Score score;
    std::vector<std::pair<std::string, Rational>> rates; ///< Hz, of what matters: wished lines, the core, clocks of promises
    Take take;                                           ///< with the name of the take that was asked about
    std::optional<Fitted> crystal;                       ///< what is to be fitted, where that was asked
    /// The controls that differ from the present take, in the part's order: {"vco", "× 96"}, {"tier", "fast"}.
    std::vector<std::pair<std::string, std::string>> changes;
    bool operator==(const FoundTake&) const = default;
};

/// A whole as a take.
FoundTake foundTake(const Space& space, const Whole& whole);

/// An edit: the found take in place of the one that was asked about, or as a new one of that name after it. An empty text, or why
/// it can't be done.
Text takeFound(Plan& plan, const FoundTake& found, const std::string& newName = {});

/// The plan with the found take.
Plan withFound(const Plan& plan, const FoundTake& found, const std::string& newName = {});

} // namespace wisetick
