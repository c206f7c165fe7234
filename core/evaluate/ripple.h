#pragma once

#include "base/target.h"
#include "base/text.h"
#include "derive/figures.h"

namespace wisetick {

/// One result that an edit moved.
struct Moved {
    std::string name; ///< "bus_a", "modem", "average"
    Target target;    ///< a line, a promise, or the rhythm
    State before = State::kept;
    State after = State::kept;
    Text was; ///< "53.3 MHz", "+3.34 %"; empty where there was none
    Text is;
    bool operator==(const Moved&) const = default;
};

/// What differs between two figures of one plan: rates and states of lines that are on, promises, average and life.
/// What became worse first, then what is not well, the worst first, then what became well, then what only moved; each in the
/// order of the figures. A figure that is still to be played does not count, and average and life not where a promise on them
/// says the same.
std::vector<Moved> ripple(const Figures& before, const Figures& after);

} // namespace wisetick
