#pragma once

#include "derive/promises.h"
#include "plan/ask_row.h"

namespace wisetick {

/// What a promise is about, found: its peripheral and the clock of that.
struct Subject {
    const Peripheral* peripheral = nullptr;
    std::size_t index = 0;
    Clock clock;
    std::int64_t channel = 0;       ///< of the peripheral, where the promise names one
    std::optional<Clock> core = {}; ///< for what is counted in cycles of the core

    const Clock* coreClock() const { return core ? &*core : nullptr; }
};

/// All that a meeting is asked about.
struct MeetingScene {
    const PromiseContext& context;
    const Subject& subject;
    const Ask& ask;
    const std::vector<Setting>& pinned;
};

/// Where a kind of peripheral and an ask meet: what the one can do for the other. Every entry is said: what a pair does not do
/// stands there, never left to a default.
struct Meeting {
    const AskRow* ask = nullptr;
    /// Judges the ask with the pinned settings held.
    PromiseFigure (*judge)(const MeetingScene& scene, PromiseFigure figure) = nullptr;
    /// The ranked ways, best first, at most so many where they are many.
    std::vector<Way> (*ways)(const MeetingScene& scene, std::size_t most) = nullptr;
    /// The rates of the clock with which the ask can be kept or strained, whatever the clock is now; all where they can't be
    /// told.
    RateWindows (*rates)(const MeetingScene& scene) = nullptr;
    /// Whether its judge looks at more than the clock of its own peripheral: other clocks, other promises, the rest.
    bool (*looksFurther)(const Ask& ask, const Take& take) = nullptr;
    /// The share within which it must be, where it is one, also where the ask leaves it to the kind.
    std::optional<Rational> (*tolerance)(const Ask& ask, const PeripheralKind& kind) = nullptr;
};

/// The row of an ask on a peripheral; nullptr where it can't do that.
const Meeting* meetingOf(const Ask& ask, const PeripheralKind& kind);

/// Judges an ask on its subject with the given settings held; a peripheral that can't do that breaks it.
PromiseFigure judgeSubject(const PromiseContext& context, const Subject& subject, const Ask& ask,
                           const std::vector<Setting>& pinned, PromiseFigure figure);

/// The ranked ways of an ask on its subject; none on a peripheral that can't do that.
std::vector<Way> subjectWays(const PromiseContext& context, const Subject& subject, const Ask& ask,
                             const std::vector<Setting>& pinned, std::size_t most);

/// The rates of the subject's clock with which the ask can be kept or strained; none on a peripheral that can't do that.
RateWindows subjectRates(const PromiseContext& context, const Subject& subject, const Ask& ask);

} // namespace wisetick
