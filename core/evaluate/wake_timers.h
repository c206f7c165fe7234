#pragma once

#include "base/text.h"
#include "derive/figures.h"
#include "plan/plan.h"

namespace wisetick {

/// One way to be woken after a time: a wake-up counter on one of its clocks.
struct WakeTimer {
    std::string peripheral;
    std::string clock;
    std::vector<Setting> settings; ///< prescaler and counts
    Bounds got;                    ///< s
    Bounds error;                  ///< got ÷ asked − 1
    Rational shortest;             ///< s, that it can count on this clock
    Rational longest;
    Text why; ///< why it can't; empty where it can
};

/// Everything that can wake the mode after `every` seconds, on every clock that it could have there and that goes on in the mode:
/// those that can first, then the least error in the worst case, then the slowest clock. Throws std::out_of_range if there is no
/// such mode.
std::vector<WakeTimer> wakeTimers(const Part& part, const Plan& plan, const Figures& figures, const std::string& mode,
                                  const Rational& every);

} // namespace wisetick
