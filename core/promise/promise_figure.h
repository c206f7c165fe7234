#pragma once

#include "base/text.h"
#include "base/workings.h"
#include "part/field.h"
#include "quantity/bounds.h"
#include "quantity/unit.h"

#include <optional>
#include <string>
#include <vector>

namespace wisetick {

/// kept: holds at every corner. strained: the nominal holds, a worst case does not, or is unknown. broken: the
/// nominal does not hold, is unknown, or nothing is possible. pending: not played yet. elsewhere: asked in another take.
enum class State { kept, strained, broken, pending, elsewhere };

/// "kept", "strained", "broken", "pending" or "elsewhere".
Text stateName(State state);

/// The worse of the two; pending and elsewhere are the least of all.
State worseState(State a, State b);

/// How much of a figure is made. verdict: state, rates, errors and settings alone, for searches; result: all that is shown in a
/// list; workings: the arithmetic too.
enum class Detail { verdict, result, workings };

/// The clock that feeds a peripheral. Where its tolerance is unknown, `unknown` says whose, and min and max of
/// the rate are the nominal.
struct Clock {
    std::string id;
    Bounds hertz;
    Text unknown;
    std::optional<Bounds> overLong = {}; ///< Hz, over long times, in which ripple is taken back; none: as `hertz`
    Rational strayTime = {};             ///< s, by which an edge can be off its place meanwhile
    Rational speed = 1;                  ///< of the core's: instructions a second against none waiting for memory, as a share
};

/// The clock over so many s: what strays and comes back within them counts only once.
Clock overTime(const Clock& clock, const Rational& seconds);

/// One control of a peripheral set to a value: {"divisor", 5}.
struct Setting {
    std::string name;
    Rational value;
    bool operator==(const Setting&) const = default;
};

/// One setting that could keep a promise, judged. Errors are got ÷ asked − 1.
struct Way {
    std::vector<Setting> settings;
    Bounds got;
    Bounds error;
    State state = State::broken;
    std::optional<Rational> margin; ///< room left, as a fraction of the tolerance or limit; none for `exactly`
    bool operator==(const Way&) const = default;
};

/// The value of a setting of the way; 0 if it has none of that name.
Rational settingOf(const Way& way, const std::string& name);

/// The value among pinned settings; nullptr where it is not pinned.
const Rational* pinnedValue(const std::vector<Setting>& pinned, const std::string& name);

/// What became of one promise.
struct PromiseFigure {
    std::string name;
    std::string text; ///< canonical form
    std::string asks; ///< the same without the name that stands before it
    Target subject;   ///< what a click on it goes to: a line, peripheral or mode, or the rhythm
    State state = State::broken;
    Unit unit = Unit::hertz; ///< of asked and got
    std::optional<Rational> asked;
    std::optional<Bounds> got;
    std::optional<Bounds> error;
    bool isWorstKnown = true; ///< false: min and max of got and error are unknown
    std::optional<Rational> margin;
    Text why;                  ///< what is wrong, or unknown; empty where kept
    Text note;                 ///< what is worth knowing though nothing is wrong: a pinned way that is no longer the best
    bool isPinned = false;     ///< the take insists on this way
    bool hasBetterWay = false; ///< one that is free is better than the pinned one
    bool isOutOfReach = false; ///< a counter that is not repeated can't count as far
    std::vector<Setting> settings;
    std::vector<FieldValue> fields;
    Workings workings; ///< made on demand: promiseWorkings
    bool operator==(const PromiseFigure&) const = default;
};

} // namespace wisetick
