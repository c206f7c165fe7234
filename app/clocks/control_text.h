#pragma once

#include "derive/figures.h"
#include "plan/plan.h"

#include <QString>
#include <QStringList>

#include <functional>

namespace wisetick::app {

/// What came of a text typed into a row: an edit with its name, or why not, with the nearest settings that can be had.
struct ControlEdit {
    PlanEdit change; ///< empty: not possible
    QString what;    ///< "bus_a ÷ 4"
    QString why;
    QStringList offers;             ///< texts that would work
    std::optional<Rational> beyond; ///< Hz, that was asked for and that the row can't reach by itself
};

/// Reads what was typed into a row: a source's id ("xtm", "from xtm"), a factor ("÷ 4", "/4", "× 120", "*120", or "4"
/// where the row has one control), what its field holds ("0x1F"), or a rate ("48M", "48 MHz") that the row's own
/// control reaches exactly.
ControlEdit readControl(const QString& typed, const Part& part, const Figures& figures, NodeIndex node);

/// A setting of a row's own control and the rate that it gives, Hz.
struct RowSetting {
    Rational value;
    Rational hertz;
};

/// Every setting of the row's own control, in ascending values; at most `most`. Nothing where it has none.
struct Reach {
    enum class Control { none, divide, multiply, rate };

    Control control = Control::none;
    std::vector<RowSetting> settings;
};
Reach reachOf(const Part& part, const Figures& figures, NodeIndex node, std::size_t most = 512);

/// The setting whose rate is nearest to this one on the axis, however many there are.
std::optional<RowSetting> nearestSetting(const Part& part, const Figures& figures, NodeIndex node, const Rational& hertz);

/// The next setting towards a higher rate (direction > 0) or a lower one.
std::optional<RowSetting> nextSetting(const Part& part, const Figures& figures, NodeIndex node, int direction);

/// Sets the row's own control.
ControlEdit setControl(const Part& part, NodeIndex node, const Rational& value);

/// Whether the row has a control of its own: a mux, a factor, or a choice of rates.
bool hasControl(const Part& part, NodeIndex node);

/// The derivation in one sentence: "bus A is core, 160 MHz, ÷ 4: 40 MHz, at most 50 MHz".
QString sentenceOf(const Part& part, const Figures& figures, NodeIndex node);

/// Whether the take locks the line or source, or one of its controls.
bool isLocked(const Take& take, const std::string& id);

} // namespace wisetick::app
