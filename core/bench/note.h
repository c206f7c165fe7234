#pragma once

#include "base/text.h"
#include "bench/current.h"
#include "bench/explain.h"

#include <optional>
#include <string>

namespace wisetick {

/// What an explanation would write into the plan, as one edit.
struct BenchNote {
    Text say; ///< "xtm of this board: +35.9 ppm"
    PlanEdit edit;
};

/// Of one that explains all: the cycles that firmware is late (`late 40 cycles` of a promise that fires), else the clocks and
/// settings that are otherwise as a take more, which becomes the active one, else the rate of each source whose reading is much
/// closer than its tolerance as measured. Nothing where it writes none of these.
std::optional<BenchNote> noteOf(const Part& part, const Plan& plan, const Figures& figures, const Explanation& explanation);

/// Of what explains a current: how long a job lasts in fact, or a take more that rests where the board does.
std::optional<BenchNote> noteOf(const Plan& plan, const CurrentReason& reason);

} // namespace wisetick
