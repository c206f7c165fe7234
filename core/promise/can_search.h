#pragma once

#include "promise/can_timing.h"
#include "promise/promise_figure.h"

namespace wisetick {

/// The sample point where none is asked.
Rational canDefaultSample();

/// One division of a bit: prescaler and quanta, with the rate that it gives, and how its quanta can be cut.
struct CanDivision {
    std::int64_t prescaler = 1;
    std::int64_t quanta = 1;
    Bounds got;
    Bounds error;
    Rational worst;                ///< |error| at the corners, or of the nominal where they are unknown
    Rational nominal;              ///< |error| of the nominal
    std::vector<CanBit> cuts = {}; ///< nearest to the sample point first
    Rational distance;             ///< of the first one
};

/// A phase as asked.
struct CanAskedPhase {
    const CanPhase& set;
    Rational rate;
    Rational sample;
    std::string prefix; ///< of its settings: "data_"
};

/// A pair of bits with all that ranks it; `slow` and `fast` belong to the search that found it.
struct CanCandidate {
    State state = State::broken;
    Rational worst;
    Rational nominal;
    Rational distance;
    Rational dataDistance;
    bool isSamePrescaler = true;
    std::int64_t quanta = 0;
    CanTiming timing;
    const CanDivision* slow = nullptr;
    const CanDivision* fast = nullptr;

    /// Better first.
    bool operator<(const CanCandidate& other) const;
};

/// The widest jump that the set allows, or the one asked; 0 where there is none.
std::int64_t canJump(const FactorSet& set, const std::optional<Rational>& asked, std::int64_t most);

class CanDeviation;

/// Searches the bits of one or both phases. Complete: all pairs of prescaler and quanta next to the rates, and all cuts of them.
class CanSearch {
public:
    CanSearch(const CanKind& can, const CanAsk& ask, const Clock& clock, const std::vector<Setting>& pinned);

    std::optional<CanCandidate> best() const;
    /// For every pair of divisions the cuts that are best.
    std::vector<CanCandidate> all() const;

private:
    void keep(std::optional<CanCandidate>& found, const CanDivision& slow, const CanDivision* fast, State state) const;
    bool isToleranceMet(const Rational& error) const;
    std::optional<CanCandidate> candidateOf(const CanDivision& slow, const CanDivision* fast, State state) const;
    bool cutData(CanCandidate& candidate, const CanDivision& fast, State state, const CanDeviation& deviation) const;

    const CanKind& can_;
    const CanAsk& ask_;
    const Clock& clock_;
    CanAskedPhase slowPhase_;
    std::optional<CanAskedPhase> fastPhase_;
    std::optional<Rational> nodeDelay_;
    std::vector<CanDivision> slow_;
    std::vector<CanDivision> fast_;
    std::optional<Rational> jump_;
    std::optional<Rational> dataJump_;
};

} // namespace wisetick
