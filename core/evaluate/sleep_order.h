#pragma once

#include "base/text.h"
#include "derive/figures.h"
#include "plan/plan.h"

namespace wisetick {

/// One step before a rest or after a wake-up.
struct SleepStep {
    Text say;
    Text why;                             ///< the reason; empty where the part gives the step without one
    std::vector<FieldValue> fields = {};  ///< what is written
    bool isTrouble = false;               ///< something that the plan overlooks
    std::optional<Duration> wait = {};    ///< until the next step; none: no wait
    std::optional<Field> until = {};      ///< the bit that is 1 once the wait is over
    std::optional<FieldValue> shown = {}; ///< what a field shows once the step has taken place
    std::optional<Rational> core = {};    ///< Hz, the core's rate after the step; none: it does not change
    std::optional<NodeIndex> awaits = {}; ///< the source that is waited for
    bool awaitsInterrupt = false;         ///< the core stands still behind it
};

/// What has to be done around a rest in a mode.
struct SleepOrder {
    std::vector<SleepStep> before;
    std::vector<SleepStep> after;
};

/// Before: ticks held, transfers of what loses its clock finished, options chosen, the wake-up counter set, watchdogs, flags,
/// then the wait for an event or an interrupt. After: where the core comes back, the way to the take's clocks (writingOrder, from
/// the mode's own source), ticks, flags, the wake-up counter off again, and back to rest after the handler. From part and plan
/// alone. Nothing for the run mode. Throws std::out_of_range if there is no such mode.
SleepOrder sleepOrder(const Part& part, const Plan& plan, const Figures& figures, const std::string& mode);

/// What the plan's rests overlook, as findings at the take's `rests_in`: a tick whose interrupt wakes at once, a watchdog that
/// bites in the longest rest, a rest that nothing can end.
Diagnostics sleepFindings(const Part& part, const Plan& plan, const Figures& figures);

/// The clocks as they stand after waking from a mode: the take with the core on what the mode wakes on through as few muxes as
/// turn for that, all that it stopped still off, and all that it kept still on. Nothing where the core can't be fed from there.
std::optional<Take> wokenTake(const Part& part, const Plan& plan, const Take& take, std::size_t modeIndex);

} // namespace wisetick
