#pragma once

#include "evaluate/needs.h"
#include "files/shelf.h"
#include "promise/promise_figure.h"

#include <QString>

#include <optional>
#include <vector>

namespace wisetick::app {

/// A row of the parts shelf: a part, what it is, whether it has what is needed, and the plans that stand on it.
struct ShelfRow {
    enum class Kind { part, about, need, plan };

    Kind kind = Kind::part;
    QString name;
    QString detail;
    std::optional<State> mark; ///< kept: fits, strained: the part does not say, broken: lacks it or can't be read
    QString target;            ///< the part's id or the plan's path; empty where the row starts nothing
};

/// All rows: parts that fit first, each with its needs and plans below it. Parts that can't be read come last, with
/// their first fault.
std::vector<ShelfRow> shelfRows(const std::vector<ShelvedPart>& parts, const std::vector<ShelvedPlan>& plans,
                                const std::vector<PartNeed>& needs);

} // namespace wisetick::app
