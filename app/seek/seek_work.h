#pragma once

#include "base/text.h"
#include "seek/conflict.h"
#include "seek/crystals.h"
#include "seek/found_figures.h"

#include <functional>
#include <memory>
#include <optional>
#include <stop_token>
#include <string>
#include <vector>

namespace wisetick::app {

/// A found take with what follows from it.
struct FoundEntry {
    FoundTake found;
    FoundFigures figures;
};

/// Best first; what was found before is not made again.
using FoundEntries = std::vector<std::shared_ptr<const FoundEntry>>;

/// What is asked, of what plan.
struct SeekAsked {
    Part part;
    Plan plan;
    Question question;
};

/// One of those that collide, as it is shown.
struct RefusedPiece {
    Demanded demanded;
    Text say;
    std::vector<NodeIndex> nodes; ///< whose rows are meant
    std::optional<Lifted> lifted; ///< of a limit, rule or lock
    std::string promise;          ///< its name, of a promise
};

/// Why nothing fits, in words.
struct RefusalShown {
    std::vector<RefusedPiece> conflict; ///< the smallest; empty: it was not found
    bool isSmallest = true;
    Text explained;
    std::vector<Nearest> nearest;
    std::vector<RefusedPiece> lifts;    ///< what lifted alone would help
    std::vector<CrystalOffer> crystals; ///< that would do where nothing is fitted
    std::vector<std::string> sources;   ///< their ids
    Text other;                         ///< why there is no conflict to be shown
};

/// What a search came to.
struct SeekAnswer {
    Question question;
    FoundEntries entries;
    SeekResult result; ///< without its takes
    std::optional<RefusalShown> refusal;
};

/// How far it is, and the best so far where they changed.
struct SeekNews {
    SeekProgress progress;
    std::optional<FoundEntries> entries;
};

/// Searches, and says why there is none. `tell` hears news some ten times a second; all runs on the calling thread.
SeekAnswer seekAside(const SeekAsked& asked, const std::stop_token& token, const std::function<void(SeekNews)>& tell);

inline constexpr std::size_t kMostEquals = 100;

/// The settings that are equal to a found take where it matters, at most kMostEquals.
SeekResult equalsOf(const SeekAsked& asked, const FoundTake& found, const std::stop_token& token);

} // namespace wisetick::app
