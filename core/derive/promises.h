#pragma once

#include "base/go_on.h"
#include "base/text.h"
#include "derive/demand.h"
#include "derive/figures.h"
#include "promise/rate_windows.h"

namespace wisetick {

/// What judging promises needs to know of the take.
struct PromiseContext {
    const Part& part;
    const Plan& plan;
    const Take& take;
    const Controls& controls;
    const Demand& demand;
    const std::vector<LineFigure>& lines;
    const RhythmFigure* played = nullptr; ///< once it is played
    Detail detail = Detail::result;
    GoOn goOn = {}; ///< asked before each promise; Stopped is thrown where it says no
};

/// Every promise on clocks, in the plan's order; wake-ups, averages and lives come out as pending. Promises on the
/// same peripheral share its fields: the setting that leaves the fewest broken, then the fewest strained, then the
/// least errors in the plan's order is taken for all of them, and a loser says who holds the fields.
std::vector<PromiseFigure> judgePromises(const PromiseContext& context);

/// The ranked ways of one promise, best first; none for kinds without settings.
std::vector<Way> promiseWays(const PromiseContext& context, std::size_t promise, std::size_t most);

/// The rates of the promise's clock, or of its line, with which it can be kept or strained, whatever is pinned; none where its
/// peripheral has no clock, all where it leans on none.
RateWindows promiseRates(const PromiseContext& context, std::size_t promise);

/// The workings of these promises (places in the plan), which were judged as `figures` has them, with the settings that they have
/// there.
std::vector<Workings> judgedWorkings(const PromiseContext& context, const std::vector<PromiseFigure>& figures,
                                     const std::vector<std::size_t>& promises);

/// The clock of a node as a promise kind sees it; why not where it has none.
struct PromiseClock {
    std::optional<Clock> clock;
    Text why;
};
PromiseClock promiseClock(const PromiseContext& context, NodeIndex node);

} // namespace wisetick
