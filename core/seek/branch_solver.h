#pragma once

#include "seek/branch.h"
#include "seek/promise_judge.h"

#include <deque>
#include <functional>
#include <memory>

namespace wisetick {

/// What one pass of a search looks for.
struct Pass {
    Rational share = 1;    ///< no more of a tolerance may be used up; what needs more is left to a later pass
    bool isAll = true;     ///< the last pass: soft wishes may be missed
    std::size_t most = 20; ///< pieces kept of each branch and rate
    bool isFolded = true;  ///< of those with equal rates where it matters only the best is kept
    bool onlyFits = false; ///< the first that fits is enough
};

/// How much was looked at, and whether to go on.
struct Effort {
    std::int64_t steps = 0;
    std::int64_t most = 0; ///< steps; 0: no end
    std::function<bool()> goOn;
    bool isCut = false;       ///< by its own end
    bool isCancelled = false; ///< by the user

    /// Counts one step; false when it is over.
    bool step() {
        ++steps;
        if ((steps & 1023) == 0 && goOn && !goOn()) {
            isCancelled = true;
        }
        if (most > 0 && steps > most) {
            isCut = true;
        }
        return !isCut && !isCancelled;
    }
    bool isOver() const { return isCut || isCancelled; }
};

/// Finds the best pieces of the branches of one tier. What it has found of a branch it keeps, by the parent's rate. Pieces and
/// branches live as long as it.
class BranchSolver {
public:
    BranchSolver(const Space& space, const InForce& inForce, std::size_t tier, const Pass& pass, Effort& effort);

    /// The values that the route lets a node's branch have.
    struct Place {
        std::size_t node = 0;
        std::size_t from = 0;
        Rational low = 1; ///< least rate ÷ nominal, its own ripple counted
        Rational high = 1;
        bool isSpreadKnown = true;
        bool isOpen = false; ///< a rule in force compares it with another node that is on
    };
    /// The branch for that place with those children; classes: by dependence the class assumed, or none.
    Branch* branchOf(const Place& place, std::vector<Branch*> children, const std::vector<std::optional<std::size_t>>& classes);

    /// The best pieces of the branch below a parent of that rate, at most `most` for each set of open rates; empty: none.
    const Pieces& solve(Branch& branch, const Rational& parent);

    /// Whether there may be a piece at all: false is certain. Rules between lines are not looked at.
    bool fits(Branch& branch, const Rational& parent);

    /// The best of what `own` and one piece of each list make together. Rates that are not `pending` are open no longer.
    std::vector<Piece> combine(Piece own, const std::vector<const Pieces*>& lists, const std::vector<std::size_t>& pending) const;

    /// Whether the control can be as it must: a value that the part does not have only where it may change.
    bool isSettable(std::size_t node) const;

private:
    struct Candidate {
        Rational hertz;
        std::size_t from = 0;
        Rational divide = 1;
        Rational multiply = 1;
    };
    void setWindow(Branch& branch) const;
    RateSpans ownWindow(const Branch& branch) const;
    RateSpans parentWindow(const Branch& branch) const;
    template <class Visit>
    void eachCandidate(const Branch& branch, const Rational& parent, Visit visit);
    bool isAllowed(const Branch& branch, const Candidate& candidate) const;
    bool addOwn(const Branch& branch, const Candidate& candidate, Piece& piece);
    bool addWishes(std::size_t node, const Bounds& hertz, bool isKnown, Score& score) const;
    bool addPromises(std::size_t node, const Bounds& hertz, bool isKnown, Score& score);
    bool isStrained(const Branch& branch, const Bounds& hertz, const std::optional<Rational>& min, bool isMinTolerance,
                    const std::optional<Rational>& max, bool isMaxTolerance) const;
    void addCosts(const Branch& branch, const Candidate& candidate, Score& score) const;
    Rational drawOf(std::size_t node, const Rational& hertz) const;
    bool keepsRules(const std::vector<RateAt>& open) const;
    std::vector<std::size_t> pendingOf(const std::vector<std::size_t>& openNodes) const;
    void settle(std::vector<Piece>& pieces) const;
    bool isWorse(const Score& score, const Piece& piece) const;

    const Space& space_;
    const InForce& inForce_;
    std::size_t tier_;
    const Pass& pass_;
    Effort& effort_;
    PromiseJudges judges_;
    std::vector<FactorSet> divide_; ///< by node, as far as it may change
    std::vector<FactorSet> multiply_;
    std::vector<Rational> highest_; ///< by node, Hz: no rate can be above
    std::vector<bool> matters_;
    bool wantsCurrent_ = false;
    bool wantsOscillator_ = false;
    std::map<std::vector<std::size_t>, std::unique_ptr<Branch>> branches_;
    std::map<std::pair<Rational, Rational>, std::size_t> spreads_;
    std::deque<Piece> pieces_;
    std::deque<Pieces> cutLists_; ///< that were not worked out to their end
};

} // namespace wisetick
