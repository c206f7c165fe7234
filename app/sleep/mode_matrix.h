#pragma once

#include "derive/figures.h"
#include "plan/plan.h"

#include <QString>

#include <vector>

namespace wisetick::app {

/// What stands in one place of the matrix: lives there; could, and is not in use; does not; or a text.
struct ModeCell {
    enum class Kind { lives, unused, none, text };
    Kind kind = Kind::none;
    QString text = {};
    State state = State::kept; ///< of a text or a promise
};

/// Modes as columns; what they keep, what wakes them, and what they cost as rows.
struct ModeMatrix {
    struct Row {
        QString name;
        QString hint = {};           ///< behind the name
        bool isTitle = false;        ///< of a group; has no cells
        std::vector<ModeCell> cells; ///< by mode
        Target target = {};          ///< where its arithmetic stands; nothing: at the mode
        QString option = {};         ///< the option that its cells show; they can be changed
    };
    std::vector<QString> modes; ///< ids
    std::vector<QString> says;  ///< below each: "rests here"
    std::vector<Row> rows;
};

ModeMatrix modeMatrix(const Part& part, const Plan& plan, const Figures& figures);

} // namespace wisetick::app
