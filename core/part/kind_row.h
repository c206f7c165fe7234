#pragma once

#include "base/open_value.h"
#include "part/limit.h"
#include "quantity/factor_set.h"

#include <functional>
#include <optional>
#include <string>
#include <vector>

namespace wisetick {

class TableReader;
struct KindRow;
struct Meeting;
struct PartContext;
struct Peripheral;

/// What a peripheral is: a UartKind, a TimerKind, … It says what such a one can do, not how it is set.
using PeripheralKind = OpenValue<KindRow>;

/// A counter that can wake the part: what divides its clock.
struct WakeCounter {
    FactorSet prescaler;
    FactorSet counts;
    bool isForWaking = false; ///< it does nothing else
    /// Of one that can also count the seconds of a calendar: its counts then, and the calendar's two dividers.
    FactorSet secondCounts = {};
    FactorSet first = {};
    FactorSet second = {};

    /// As it counts a period, s, of a clock of `hertz`: seconds only where the clock itself is too fast for its counts.
    WakeCounter forPeriod(const Rational& hertz, const Rational& period) const;
};

/// A name under which those of a kind are counted that have something more.
struct AlsoCounted {
    std::string name;
    bool (*isOne)(const PeripheralKind& kind) = nullptr;
};

/// Hears of each control and all that it can be set to.
using OnWidth = std::function<void(const std::string& control, const FactorSet& set)>;

/// All that the program knows of a kind of peripheral. Every entry is said: what a kind does not have is `no…` below.
struct KindRow {
    std::string name; ///< in part files, "uart"
    /// The keys that a part's table of this kind may have beside those of every peripheral: properties of a JSON Schema.
    std::string schema;
    /// The names of all settings of its ways, in their order; those that a user may pin.
    std::vector<std::string> settings;
    /// What else some of this kind are counted as where parts are looked for: "can fd".
    std::vector<AlsoCounted> alsoCounted;
    /// Bytes go through it that must be through before its clock stops.
    bool movesData = false;
    /// Its interrupt comes again and again while it runs.
    bool isTick = false;

    /// Reads what is its own from a part's table; gives the names of its controls. Faults go to the reader.
    std::vector<std::string> (*read)(PartContext& context, TableReader& reader, Peripheral& peripheral) = nullptr;
    /// Hands on each control with all that it can be set to.
    void (*widths)(const PeripheralKind& kind, const OnWidth& width) = nullptr;
    /// The limits on the clock behind its own divider.
    std::vector<Limit> (*limits)(const PeripheralKind& kind) = nullptr;
    /// The pin of each of its channels; an empty text for one that reaches none.
    std::vector<std::string> (*channels)(const PeripheralKind& kind) = nullptr;
    /// The peripheral that can count on for it; an empty text: none.
    std::string (*chainedWith)(const PeripheralKind& kind) = nullptr;
    std::optional<WakeCounter> (*wakeCounter)(const PeripheralKind& kind) = nullptr;
    /// What can be asked of it, and how that is answered: a row for each ask.
    const std::vector<Meeting>& (*meetings)() = nullptr;
};

inline std::vector<Limit> noLimits(const PeripheralKind&) {
    return {};
}
inline std::vector<std::string> noChannels(const PeripheralKind&) {
    return {};
}
inline std::string noChain(const PeripheralKind&) {
    return {};
}
inline std::optional<WakeCounter> noWakeCounter(const PeripheralKind&) {
    return std::nullopt;
}

/// All kinds there are, in the order in which they are named to the user.
const std::vector<const KindRow*>& kindRows();

/// "uart", "timer", …; an empty text of one that could not be read.
std::string kindName(const PeripheralKind& kind);

/// The row of that name; nullptr where there is none.
const KindRow* findKindRow(const std::string& name);

} // namespace wisetick
