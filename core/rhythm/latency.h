#pragma once

#include "base/go_on.h"
#include "derive/figures.h"

#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace wisetick {

/// Something that the core has to do now and then. Times in s.
struct CoreTask {
    std::string name;
    Target target;
    bool isHandler = false;
    Rational interval;             ///< the shortest between two; of no meaning where there is no bound
    bool hasInterval = true;       ///< false: it comes by chance
    Rational jitter;               ///< by which it can come late
    Rational takes;                ///< at the slowest core
    Rational wakes;                ///< waking for it: the stages, and of a job the start-ups
    Rational change;               ///< a change of take before it
    std::optional<Rational> limit; ///< until when it must be done; of a handler its own interval
    /// Of a handler: the modes in which its interrupt can come, and how long waking from each takes at most, s.
    std::vector<std::pair<std::string, Rational>> wakesFrom = {};
    std::optional<Rational> alone; ///< what it takes typically, alone; where that is over the limit it is broken
};

/// How long each takes at most from its event until it is done: fixed-priority response-time analysis (Joseph and Pandya 1986),
/// R = B + C + Σ ⌈(R + J) ÷ T⌉ C of the more urgent. Handlers come before jobs, of handlers the one with the shorter interval
/// before the other, of equals the first in the list. Jobs run one after the other in the order in which they are due, so that
/// one waits for all that were due no later in a busy time that begins with all at once, and for all handlers in it; the worst is
/// looked for among the times at which one becomes due (Spuri 1996). B: the longest waking, once. No bound where something comes
/// by chance, or the load is not below 1.
std::vector<LatencyFigure> latenciesOf(const std::vector<CoreTask>& tasks, const GoOn& goOn = {});

} // namespace wisetick
