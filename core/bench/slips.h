#pragma once

#include "base/text.h"
#include "bench/signals.h"

#include <string>
#include <vector>

namespace wisetick {

/// What becomes of a signal where something else than the plan's is set.
struct SlipEffect {
    std::size_t signal = 0;
    bool isSilent = false; ///< it has no clock then
    Rational ratio = 1;    ///< its cycle ÷ the planned one
    NodeIndex source = 0;  ///< that its clock comes from then
    Rational duty = 1;     ///< the share that it is high ÷ the planned one
};

/// A single thing that may be otherwise than planned: the take as it stands then, and what that does to the signals.
struct Slip {
    /// The likelier first: what is taken where two explain the same.
    enum class Kind { offByOne, otherValue, otherInput, swappedBytes, cycles };

    Kind kind = Kind::otherValue;
    Text say;       ///< "tick: counts 40001 instead of 40000"
    std::string id; ///< peripheral or node that is set otherwise
    std::string setting;
    Rational value; ///< of a setting of a peripheral
    Choice choice;  ///< of a source, line or mux; its id is empty for a setting
    std::vector<SlipEffect> effects;
};

/// Sets in the take what a choice says; what it says nothing of stays.
void setOtherwise(Take& take, const Choice& choice);

/// Everything of the take that may be set otherwise and shows in a signal, from the part's own ranges: settings of the
/// peripherals (one more, one less, doubled, halved, each other value of a short list, the bytes of its field swapped), dividers,
/// multipliers and inputs of all lines on the way to their clocks, rates of sources.
std::vector<Slip> slipsOf(const Part& part, const Plan& plan, const Figures& figures, const std::vector<BenchSignal>& predicted);

} // namespace wisetick
