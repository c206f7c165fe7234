#pragma once

#include "base/go_on.h"
#include "base/text.h"
#include "derive/figures.h"
#include "plan/plan.h"

namespace wisetick {

/// One control set otherwise, or a promise said otherwise, and what that would bring.
struct WayOut {
    Text say;      ///< "uart1 from bus_b", "bus_a ÷ 2"
    Choice choice; ///< the one control that it sets
    State state = State::broken;
    Text got;                        ///< "≈909.09 kbit/s, ≈−1.357 %"
    std::vector<std::string> breaks; ///< promises and lines that it would break, by name
    /// In place of the control: a promise, by its place in the plan, said otherwise: "timer6 fires every 30 s, repeated".
    std::optional<std::pair<std::size_t, PromiseLine>> promise = {};
    std::optional<Fitted> fitted = {}; ///< or another crystal or clock on the board: "xtm within 10 ppm"
};

/// All of them ask `goOn` before each derivation; where it says no, nothing more is tried.
///
/// Single changes of unlocked controls on the way to a promise's clock (its mux, the muxes, dividers and multipliers above
/// it) that leave the promise in a better state than it is in. Best first: state, fewest broken by it, least
/// worst-case error; at most `most`. What a timer can't reach can also be repeated, or counted by two timers.
/// Where only a worst case is outside, the widest usual tolerance of what is fitted at the head of the chain that would keep it,
/// last of those that stand alike. Every change is derived in full; of a control with many values those next to what the promise
/// needs are not known beforehand, so at most 64 of each are tried, evenly spread.
std::vector<WayOut> waysOut(const Part& part, const Plan& plan, const std::string& take, std::size_t promise,
                            std::size_t most = 6, const GoOn& goOn = {});

/// The same for a line that oversteps a limit: the line's own controls and those above it, least |distance to the rail|
/// first where several mend it alike.
std::vector<WayOut> waysOutOfLimit(const Part& part, const Plan& plan, const std::string& take, NodeIndex node,
                                   std::size_t most = 6, const GoOn& goOn = {});

/// Single inputs of muxes chosen otherwise that let all promises hold again sooner after waking from a mode, as from an
/// oscillator that needs no time to start: fewest broken by it, then the soonest. `got` says how soon. Empty for the run mode.
std::vector<WayOut> waysToWakeSooner(const Part& part, const Plan& plan, const std::string& take, std::size_t mode,
                                     std::size_t most = 4, const GoOn& goOn = {});

/// An edit: the way taken. An empty text, or why it can't be done.
Text takeWayOut(Plan& plan, const std::string& take, const WayOut& way);

} // namespace wisetick
