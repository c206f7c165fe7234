#pragma once

#include "derive/promises.h"

namespace wisetick {

/// What is left to a promise when its peripheral and clock are found.
struct Bench {
    const Peripheral* peripheral = nullptr;
    std::size_t index = 0;
    Clock clock;
    std::int64_t channel = 0;       ///< of the peripheral, where the subject names one
    std::optional<Clock> core = {}; ///< for what is counted in cycles of the core

    const Clock* coreClock() const { return core ? &*core : nullptr; }
};

/// Judges an ask on its bench with the given settings held; a peripheral that can't do that breaks it.
PromiseFigure judgeOnBench(const PromiseContext& context, const Bench& bench, const Ask& ask, const std::vector<Setting>& pinned,
                           PromiseFigure figure);

/// The ranked ways of an ask on the kind of peripheral that it is meant for; none on any other.
std::vector<Way> waysOnBench(const PromiseContext& context, const Bench& bench, const Ask& ask,
                             const std::vector<Setting>& pinned, std::size_t most);

/// The rates of the bench's clock with which the ask can be kept or strained, whatever the clock is now.
RateWindows ratesOnBench(const PromiseContext& context, const Bench& bench, const Ask& ask);

} // namespace wisetick
