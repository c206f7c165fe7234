#pragma once

#include "derive/promises.h"
#include "seek/rate_spans.h"
#include "seek/score.h"
#include "seek/space.h"

namespace wisetick {

/// How the promises at one node stand together at a rate.
struct PromiseStanding {
    bool isHardBroken = false;
    int broken = 0; ///< soft ones
    int strained = 0;
    Amounts ratios; ///< |error| ÷ tolerance, without zeros, greatest first
};

/// Judges the promises of a space on rates of their clocks, those of one peripheral together, as derive does. It keeps what it
/// has judged.
class PromiseJudges {
public:
    PromiseJudges(const Space& space, const InForce& inForce, std::size_t tier);

    /// Promises of the question at that node, which runs at `hertz`.
    const PromiseStanding& at(std::size_t node, const Bounds& hertz, bool isWorstKnown);

    /// The rates up to `highest` at which no hard promise there is broken for certain, with no more than `share` of its tolerance
    /// used up; a superset.
    RateSpans windowAt(std::size_t node, const Rational& highest, const Rational& share) const;

    /// Whether no hard promise there is broken for certain at that rate; quicker than judging them.
    bool mayHold(std::size_t node, const Rational& hertz) const;

private:
    PromiseStanding judgeLine(std::size_t node, const Bounds& hertz, bool isWorstKnown) const;
    PromiseStanding judgePeripheral(std::size_t node, const Bounds& hertz, bool isWorstKnown);
    RateWindows windowsOf(std::size_t node, const PromiseLine& line, const Ask& ask) const;
    void add(PromiseStanding& standing, std::size_t sought, State state, const Rational& ratio) const;
    bool isHard(std::size_t sought) const { return !space_.question.promises[sought].isSoft; }

    const Space& space_;
    const InForce& inForce_;
    Controls controls_;
    Demand demand_;
    std::vector<LineFigure> lines_;
    struct Group {
        std::vector<std::size_t> sought; ///< of the question's promises
        Plan plan;                       ///< with these alone
    };
    std::map<std::size_t, Group> groups_;
    std::map<std::size_t, std::vector<RateWindows>> windows_; ///< of the hard ones, by node
    struct Asked {
        std::size_t node;
        Bounds hertz;
        bool isWorstKnown;
        bool operator<(const Asked& other) const;
    };
    std::map<Asked, PromiseStanding> known_;
    std::size_t keptAtMost_ = 200000;
};

} // namespace wisetick
