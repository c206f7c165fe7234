#pragma once

#include "commands.h"

namespace wisetick::cli {

/// What is asked of a search, as typed.
struct SeekOptions {
    std::vector<std::string> wishes;
    bool keepsPromises = false;
    std::string keptBut;             ///< promises that need not be kept, by name between commas; the others must
    std::string kept;                ///< names between commas; empty: all
    std::vector<std::string> lifted; ///< "limits of bus_a", "lock on ref.divide", "rule …"
    std::string ifPossible;          ///< promises that shall be kept if possible
    std::vector<std::string> mayChange;
    std::string prefers; ///< between commas
    std::string crystal; ///< "xtm" or "xtm: 8 MHz to 30 MHz"
    std::size_t top = 20;
    std::size_t unfold = 0; ///< the rank of the take whose equals are shown; 0: none
    std::size_t choose = 1; ///< the rank of the take that is shown in full and written
    bool allConflicts = false;
    double within = 20; ///< s, then it is stopped
    std::string write;  ///< the file that the plan with the chosen take is written to
    std::string name;   ///< of the new take
};

/// Takes that keep all that is asked, best first, or why there is none (kBroken).
int runSeek(const Console& console, const PlanOptions& options, const SeekOptions& seek);

} // namespace wisetick::cli
