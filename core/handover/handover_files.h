#pragma once

#include "base/text.h"
#include "handover/emit.h"

#include <filesystem>
#include <string>
#include <vector>

namespace wisetick {

/// One line of two texts laid beside one another.
struct DiffLine {
    enum class Side { both, found, planned };
    Side side = Side::both;
    std::string text;
    std::size_t foundLine = 0;   ///< from 1; 0 where it is not there
    std::size_t plannedLine = 0; ///< likewise
    bool operator==(const DiffLine&) const = default;
};

/// The lines of both texts in order, the least of them on one side only (O(ND), after Wu, Manber, Myers and Miller 1990).
std::vector<DiffLine> diffOf(const Text& found, const std::string& planned);

/// How a file of the handover stands to the plan.
struct HandoverState {
    enum class How {
        asPlanned,  ///< it is what the plan makes
        behind,     ///< it was made from another state of the plan
        missing,    ///< it is not there
        edited,     ///< somebody changed by hand what was made
        foreign,    ///< there is a file that was not made here
        unreadable, ///< it can't be read; `why` says why
        refused     ///< the plan can't make it; `why` says why
    };
    HandoverFile file;
    std::filesystem::path path; ///< the plan's folder and the file's own path
    How how = How::missing;
    std::string planned;       ///< what the plan makes, with its stamp
    std::string found;         ///< what stands there
    std::size_t behind = 0;    ///< lines that differ, on either side the more
    std::vector<LeftOut> left; ///< what of the plan is not in it, and why
    Text why;
};

/// "as planned", "3 lines behind the plan", …
Text handoverSaid(const HandoverState& state);

/// Text with a line that says what it was made from and a sum (CRC-32 of ISO 3309) of all other lines, as the form writes
/// comments, so that a change by hand is seen. In JSON it is a member, in CSV a line that begins with '#'.
Text stamped(const std::string& text, const std::string& form, const std::string& planName);

/// Whether the stamp's sum is that of the text; nothing where it has no stamp.
std::optional<bool> isAsStamped(const std::string& text);

/// All files of the plan's handover as they stand. `folder`: the plan's.
std::vector<HandoverState> handoverStates(const Part& part, const Plan& plan, const std::filesystem::path& folder);

/// What became of writing.
struct HandoverWritten {
    std::vector<std::string> written; ///< paths as the plan names them
    Text trouble;                     ///< why not all were; empty where they were
};

/// Whether files that somebody changed, or made, are written over.
enum class OverEdited { no, yes };

/// Writes what differs, each file whole or not at all, and nothing at all where one of them must not be written over or can't be
/// made. What is as planned is not touched.
HandoverWritten writeHandover(const std::vector<HandoverState>& states, OverEdited over = OverEdited::no);

} // namespace wisetick
