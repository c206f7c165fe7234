#pragma once

#include "seek/branch.h"
#include "seek/policy.h"
#include "seek/promise_judge.h"

#include <deque>
#include <functional>
#include <memory>
#include <memory_resource>

namespace wisetick {

/// That a line's rate comes from that multiplier or source, with dividers alone between.
struct Made {
    std::size_t node = 0;
    std::size_t maker = 0;
};

/// What is wanted of a search.
struct Aim {
    std::size_t most = 20; ///< pieces kept of each branch and rate
    bool isFolded = true;  ///< of those with equal rates where it matters only the best is kept
    bool onlyFits = false; ///< the first that fits is enough
    std::vector<Made> made = {};
};

/// How far a search is. Routes (ways to set the muxes) that wait may turn into several, or be excluded all at once.
struct SeekProgress {
    std::int64_t steps = 0;
    std::int64_t routesDone = 0;
    std::int64_t routesWaiting = 0;
};

/// How much was looked at, and whether to go on.
struct Effort {
    std::int64_t most = 0; ///< steps; 0: no end
    std::function<bool()> goOn;
    std::function<void(const SeekProgress&)> onProgress;
    std::int64_t steps = 0;
    std::int64_t routesDone = 0;
    std::int64_t routesWaiting = 0;
    bool isCut = false;                            ///< by its own end
    bool isCancelled = false;                      ///< by the user
    bool isFull = false;                           ///< it is cut for its memory
    std::int64_t mostMemory = policy::kMostMemory; ///< bytes
    std::int64_t memory = 0;                       ///< bytes in use, about

    /// Counts one step; false when it is over.
    bool step() {
        ++steps;
        if ((steps & 15) == 0) {
            look();
        }
        if (most > 0 && steps > most) {
            isCut = true;
        }
        return !isCut && !isCancelled;
    }
    /// So many bytes more, or less, are in use; with too many the search is cut.
    void takeMemory(std::int64_t bytes) {
        memory += bytes;
        isFull = isFull || memory > mostMemory;
        isCut = isCut || isFull;
    }
    bool isOver() const { return isCut || isCancelled; }
    /// Tells how far it is and asks whether to go on, before something that takes its time.
    void look() {
        if (onProgress) {
            onProgress({steps, routesDone, routesWaiting});
        }
        if (goOn && !isCancelled && !goOn()) {
            isCancelled = true;
        }
    }
};

/// Finds the best pieces of the branches of one tier. What it has found of a branch it keeps, by the parent's rate. Pieces and
/// branches live as long as it.
class BranchSolver {
public:
    BranchSolver(const Space& space, const InForce& inForce, std::size_t tier, const Aim& aim, Effort& effort);
    BranchSolver(const BranchSolver&) = delete;
    BranchSolver& operator=(const BranchSolver&) = delete;
    ~BranchSolver() { effort_.memory -= memory_; }

    /// Counts memory that is held as long as this is.
    void takeMemory(std::int64_t bytes) {
        memory_ += bytes;
        effort_.takeMemory(bytes);
    }

    /// The shape of a node fed from its input at that position, with those children, by node. `classes`: by dependence the class
    /// assumed, or none.
    Shape* shapeOf(std::size_t node, std::size_t from, std::vector<Shape*> children,
                   const std::vector<std::optional<std::size_t>>& classes);

    /// What a shape's rate strays by, and whether a rule in force compares it with another node that is on.
    struct Place {
        Rational low = 1; ///< least rate ÷ nominal, its own ripple counted
        Rational high = 1;
        bool isSpreadKnown = true;
        bool isOpen = false;
    };
    Branch* branchOf(Shape* shape, std::vector<Branch*> children, const Place& place);

    /// The best pieces of the branch below a parent of that rate, at most `most` for each set of open rates; empty: none.
    /// Pieces that use up more than `enough` of a tolerance may be left out.
    const Pieces& solve(Branch& branch, const Rational& parent, const std::optional<Rational>& enough = std::nullopt);

    /// From now on no more than so many pieces are gathered of branches in which a rule is open, whichever come first; 1: as
    /// they stand; 0: all.
    void gatherAtMost(std::size_t mostOpen) { mostOpen_ = mostOpen; }

    /// Whether two nodes keep a rule wherever they may stand.
    bool keepsForCertain(const Rule& rule);

    /// Whether there may be a piece at all: false is certain. Rules between lines are not looked at.
    bool fits(Shape& shape, const Rational& parent) { return fitsAt(shape, parent, fitLevel_); }
    /// From now on `fits` asks for pieces that miss nothing, and use up no more of any tolerance than about that share.
    void fitWithin(const Rational& share);

    /// What no piece of the branch can be better than, as far as that is soon told.
    struct Bound {
        Score score;
        std::vector<std::size_t> beyond; ///< wishes whose extreme is worse than the score says
    };
    void addBound(const Branch& branch, const std::vector<Rational>& parents, Bound& bound);
    /// Whether some piece of the branch may have an extreme that is as good as the given one (−rate or rate).
    bool mayReach(const Branch& branch, const std::vector<Rational>& parents, std::size_t wish, const Rational& extreme);
    /// What no extreme can be better than.
    Amounts leastExtremes() const;

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
    void setLimits(Shape& shape, const std::vector<std::optional<std::size_t>>& classes) const;
    std::vector<std::size_t> levelsFor(const Branch& branch, const Rational& parent, const std::optional<Rational>& enough);
    std::size_t levelOf(const Level& level);
    bool fitsAt(Shape& shape, const Rational& parent, std::size_t level);
    std::optional<Rational> endOf(const Wish& wish) const;
    bool areBest(const Branch& branch, const Pieces& pieces, const Level& level) const;
    const Pieces& solveAt(Branch& branch, const Rational& parent, std::size_t level);
    /// Whether nothing that can be made of a branch is better than to leave it alone: nothing is asked of it, and what changes
    /// least comes first.
    bool mayStay(const Branch& branch) const;
    /// The branch as it stands; nullptr where that breaks something or strains more than must be.
    const Pieces* stillOf(Branch& branch, const Rational& parent);
    const Pieces& solveChild(Branch& child, const Rational& parent, std::size_t level);
    void gather(Branch& branch, const Rational& parent, std::size_t level, const std::optional<Rational>& enough,
                std::vector<Piece>& gathered);
    const RateSpans& nodeWindow(std::size_t node, std::size_t level);
    static RateSpans allowedWhile(const Shape& shape, RateSpans spans, const Rational& factor);
    RateSpans parentWindow(const Shape& shape, const RateSpans& own, std::size_t level);
    const Window& windowOf(Shape& shape, std::size_t level);
    template <class Visit>
    void eachCandidate(const Shape& shape, const Window& window, const Rational& parent, bool isStill, Visit visit);
    bool isAllowed(const Shape& shape, const Candidate& candidate) const;
    bool addOwn(const Branch& branch, const Candidate& candidate, const Level& level, Piece& piece);
    bool addWishes(std::size_t node, const Bounds& hertz, bool isKnown, const Level& level, Score& score) const;
    bool addPromises(std::size_t node, const Bounds& hertz, bool isKnown, const Level& level, Score& score);
    /// Where limits end, Hz.
    struct Ends {
        std::optional<Rational> min;
        std::optional<Rational> max;
        bool isMinTolerance = false;
        bool isMaxTolerance = false;
    };
    static Ends endsFor(const Shape& shape, const Candidate& candidate);
    bool isStrained(const Branch& branch, const Bounds& hertz, const Ends& ends) const;
    void addCosts(std::size_t node, const Candidate& candidate, Score& score) const;
    bool keepsRules(const RatesAt& open) const;
    void addAsked(Branch& branch) const;
    std::vector<std::size_t> pendingOf(const std::vector<std::size_t>& openNodes) const;
    void settle(std::vector<Piece>& pieces) const;
    Pieces kept(const std::vector<Piece>& gathered);
    bool isWorse(const Score& score, const Piece& piece) const;

    const Space& space_;
    const InForce& inForce_;
    std::size_t tier_;
    const Aim& aim_;
    Effort& effort_;
    PromiseJudges judges_;
    std::vector<const FactorSet*> divide_; ///< by node, as far as it may change
    std::vector<const FactorSet*> multiply_;
    std::deque<FactorSet> fixed_;       ///< sets of those that may not
    std::vector<bool> draws_;           ///< whether a node draws anything
    std::vector<std::int64_t> divides_; ///< how many values they have
    std::vector<std::int64_t> multiplies_;
    std::vector<std::vector<std::size_t>> leansOn_;                        ///< by node: dependences that it has to do with
    std::vector<Rational> highest_;                                        ///< by node, Hz: no rate can be above
    std::vector<Level> levels_;                                            ///< the first lets everything through
    std::map<std::pair<std::size_t, std::size_t>, RateSpans> nodeWindows_; ///< by node and level
    std::vector<bool> matters_;
    RateSpans scaled_; ///< of one window at a time
    std::size_t mostOpen_ = 0;
    std::size_t fitLevel_ = 0;
    std::int64_t memory_ = 0; ///< bytes, about
    bool wantsCurrent_ = false;
    bool wantsOscillator_ = false;
    std::pmr::monotonic_buffer_resource pool_; ///< of what shapes and branches know
    std::map<std::vector<std::size_t>, std::unique_ptr<Shape>> shapes_;
    std::map<std::vector<std::size_t>, std::unique_ptr<Branch>> branches_;
    std::map<std::pair<Rational, Rational>, std::size_t> spreads_;
    std::pmr::deque<Piece> pieces_{&pool_};
    std::pmr::deque<Pieces> cutLists_{&pool_}; ///< that were not worked out to their end
};

} // namespace wisetick
