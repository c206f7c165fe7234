#pragma once

#include "derive/crystal.h"
#include "derive/figures.h"
#include "plan/plan.h"

#include <tl/expected.hpp>

#include <QString>
#include <QStringList>

#include <functional>

namespace wisetick::app {

/// One fact of the board: what the plan says, and what follows from it.
struct BoardRow {
    QString group;
    QString name;
    QString value;  ///< as it would be typed; empty where the plan says nothing
    QString result; ///< what follows, in words
    std::optional<State> state;
    QStringList choices; ///< where only these may be typed
    /// Reads what was typed as an edit, or says what is wrong with it; nothing typed takes the fact away. Empty where the row
    /// can't be edited.
    std::function<tl::expected<PlanEdit, QString>(const QString&)> read;
    /// What is drawn instead of words: a deviation over the board's temperatures.
    std::vector<DeviationPoint> curve = {};
    QString signal = {};    ///< of a signal that has a choice of pins: its name; `choices` are its pins
    QString place = {};     ///< of a signal the pin where it stands, chosen or not
    QString pin = {};       ///< of a pin
    bool isAssumed = false; ///< the part's own range: the same value typed confirms it
    Target about = {};      ///< the figure that follows from it
    std::string path = {};  ///< in the plan, under which what is at fault with it is found; empty: nothing is
};

/// The worst of what is found at fault on the board: a pin or a crystal that can't be, a supply out of the part's range or of
/// every tier's; pending while something is assumed.
State worstOfBoard(const Part& part, const Plan& plan, const Figures& figures);

/// All facts of the board: supply and temperature, crystals and clock inputs, this board's RC, battery, option words,
/// pins.
std::vector<BoardRow> boardRows(const Part& part, const Plan& plan, const Figures& figures);

} // namespace wisetick::app
