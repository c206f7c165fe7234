#pragma once

#include "derive/figures.h"

#include <QString>

#include <set>

namespace wisetick::app {

/// What of the clocks the user wants to see.
struct ClocksFilter {
    QString find;                     ///< part of an id or a name; what feeds the lines found is shown too
    std::set<NodeIndex> feedFound;    ///< these feed a peripheral that is called so
    bool hidesOff = false;            ///< only what is on
    std::optional<NodeIndex> feeding; ///< only this node and what feeds it
    std::set<NodeIndex> folded;       ///< what hangs below these is hidden
};

/// Whether the words are in its id or its name.
bool isFoundAs(const LineFigure& line, const QString& words);

/// By NodeIndex: whether the source or line has a row.
std::vector<bool> shownNodes(const Figures& figures, const ClocksFilter& filter);

} // namespace wisetick::app
