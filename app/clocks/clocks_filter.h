#pragma once

#include "derive/figures.h"

#include <QString>

#include <set>

namespace wisetick::app {

/// What of the clocks the user wants to see.
struct ClocksFilter {
    QString find;                     ///< part of an id or a name; what feeds the lines found is shown too
    bool hidesOff = false;            ///< only what is on
    std::optional<NodeIndex> feeding; ///< only this node and what feeds it
    std::set<NodeIndex> folded;       ///< what hangs below these is hidden
};

/// By NodeIndex: whether the source or line has a row.
std::vector<bool> shownNodes(const Figures& figures, const ClocksFilter& filter);

} // namespace wisetick::app
