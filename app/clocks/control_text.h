#pragma once

#include "derive/figures.h"
#include "plan/plan.h"

#include <QString>
#include <QStringList>

#include <functional>

namespace wisetick::app {

/// What came of a text typed into a row: an edit with its name, or why not, with the nearest settings that can be had.
struct ControlEdit {
    std::function<void(Plan&)> change; ///< empty: not possible
    QString what;                      ///< "bus_a ÷ 4"
    QString why;
    QStringList offers; ///< texts that would work
};

/// Reads what was typed into a row: a source's id ("xtm", "from xtm"), a factor ("÷ 4", "/4", "× 120", "*120", or "4"
/// where the row has one control), or a rate ("48M", "48 MHz") that the row's own control reaches exactly.
ControlEdit readControl(const QString& typed, const Part& part, const Figures& figures, NodeIndex node);

/// Every setting of the row's own factor control with the rate that it gives, in ascending factors; at most `most`.
struct Reach {
    bool isMultiplier = false;
    std::vector<std::pair<Rational, Rational>> settings; ///< factor, Hz
};
Reach reachOf(const Part& part, const Figures& figures, NodeIndex node, std::size_t most = 512);

} // namespace wisetick::app
