#pragma once

#include "base/text.h"
#include "derive/controls.h"
#include "derive/figures.h"
#include "plan/plan.h"

#include <optional>
#include <string>
#include <vector>

namespace wisetick {

/// The clocks at one moment.
struct Moment {
    Take take;
    std::vector<bool> runs; ///< by node: started, for sources and multipliers
    bool operator==(const Moment&) const = default;
};

/// What is wrong at a moment, its wait states and the core's rate.
struct JudgedMoment {
    std::vector<Text> faults; ///< none where nothing is wrong
    std::vector<WaitFigure> waits;
    std::optional<Rational> core; ///< Hz
};

/// Judges the clocks between two takes: what runs at a moment and is used by something must keep its limits.
class Moments {
public:
    Moments(const Part& part, const Plan& plan);

    bool isMultiplier(NodeIndex node) const;
    /// Sources, multipliers and gates are started and stopped; everything else is there as soon as its input is.
    bool isStarted(NodeIndex node) const;
    bool isAlive(const Moment& moment, const Controls& controls, NodeIndex node) const;
    /// The lines that something is wanted of for its own sake: they feed no other line that is on.
    void markEnds(const Controls& controls, const std::vector<bool>& on);
    /// Whether a node is on in one of the two takes.
    void setUsed(NodeIndex node, bool isUsed) { used_[node] = isUsed; }
    /// `controls`: those of the moment's take, with what was found of them.
    JudgedMoment judge(const Moment& moment, const Controls& controls, Diagnostics findings) const;

private:
    std::vector<bool> inUse(const Moment& moment, const Controls& controls) const;
    std::vector<bool> aliveNodes(const Moment& moment, const Controls& controls) const;

    const Part& part_;
    const Plan& plan_;
    std::vector<bool> used_;
    std::vector<bool> isEnd_; ///< feeds nothing else that is on, in either take
};

} // namespace wisetick
