#pragma once

#include "commands.h"

namespace wisetick::cli {

struct HandoverOptions {
    bool isChecked = false;    ///< kBroken where a file is not as planned
    bool isWritten = false;    ///< writes what differs
    bool showsDiff = false;    ///< what differs, line by line
    bool isOverEdited = false; ///< files that somebody changed by hand too
};

/// The files that the plan hands over, as they stand; with `isChecked` or `isWritten` kBroken where one is not as planned (any
/// more), or leaves something of the plan out. kBadInput where one can't be read, or must not be written over.
int runHandover(const Console& console, const PlanOptions& options, const HandoverOptions& handover);

struct FoundOptions {
    std::string file;
    std::string address; ///< of the first byte, where the file is a memory's bytes; empty: it is text
    std::string asTake;  ///< the name of a take that what was found is added to the plan as; empty: it is not
};

/// Registers read from a board against the take: each field, and what a difference does to the promises. kBroken where one
/// differs; kBadInput where the file can't be read.
int runFound(const Console& console, const PlanOptions& options, const FoundOptions& found);

} // namespace wisetick::cli
