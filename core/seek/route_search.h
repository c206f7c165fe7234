#pragma once

#include "seek/branch_solver.h"

#include <queue>

namespace wisetick {

/// A whole take as a search finds it.
struct Whole {
    Score score;
    std::vector<RateAt> rates; ///< of the nodes that matter, by node
    std::size_t tier = 0;      ///< index into the part's tiers
    struct Settings {
        std::size_t from = 0; ///< position of the input; of a source the place of its rate
        Rational divide = 1;
        Rational multiply = 1;
        bool operator==(const Settings&) const = default;
    };
    std::vector<Settings> settings; ///< by node; what is off stays as it stands
    std::vector<bool> isOn;         ///< by node
};

/// What decides between takes: score and preferences; of equals the lower tier index, then the first control that differs, in
/// the part's order.
std::strong_ordering compareWholes(const Whole& a, const Whole& b, const std::vector<Preference>& prefers);

/// The best takes so far: each with other rates where it matters, unless `isFolded` is false. Best first.
class BestTakes {
public:
    BestTakes(std::size_t most, bool isFolded, const std::vector<Preference>& prefers)
        : most_(most), isFolded_(isFolded), prefers_(prefers) {}

    /// Whether a take with that score could still get in.
    bool mayEnter(const Score& score) const;
    /// The same for what no take of a kind can be better than.
    bool mayEnter(const BranchSolver::Bound& bound, const Space& space) const;
    /// True if it got in.
    bool offer(Whole whole);
    const std::vector<Whole>& takes() const { return takes_; }
    bool isFull() const { return takes_.size() >= most_; }

private:
    std::size_t most_;
    bool isFolded_;
    const std::vector<Preference>& prefers_;
    std::vector<Whole> takes_;
};

/// Goes through every route (the inputs of all muxes on the ways to what must be on) of one tier and offers the best takes of
/// each. `onFound` is called when one got in.
class RouteSearch {
public:
    RouteSearch(const Space& space, const InForce& inForce, std::size_t tier, const Aim& aim, Effort& effort, BestTakes& best,
                std::function<void()> onFound = {});
    void run();
    /// By node, whether it is on on any route.
    const std::vector<bool>& mayBeOn() const { return mayBeOn_; }
    /// Offers every route that fits with any one of its takes, its input alone filled in: for words, not for takes.
    void runForRoutes(std::vector<Whole>& routes);

private:
    /// What must be on: a line that is wished or promised, a peripheral in use, the core.
    struct Root {
        std::size_t node = 0;
        bool isNeeded = true; ///< no take without it
        bool isDead = false;  ///< as it stands it gets no clock
        std::size_t tightness = 0;
    };
    struct Route {
        std::vector<std::optional<std::size_t>> from; ///< by node: position of the input; none yet where only sources are left
        std::vector<bool> isOn;
        std::vector<std::size_t> nodes; ///< that are on
        std::vector<std::size_t> left;  ///< roots that stay without a clock
    };
    void findRoots();
    void findWhatMayBeOn();
    bool isDead(std::size_t node) const;
    bool isCrown(std::size_t node) const;
    void runWithClasses();
    void eachRoot(std::size_t root, Route& route);
    void climb(std::size_t node, std::size_t root, Route& route, bool hasChosen);
    void rootDone(std::size_t root, Route& route, bool hasChosen);
    std::size_t inputOf(const Route& route, std::size_t node) const;
    std::size_t topOf(const Route& route, std::size_t node) const;
    std::vector<std::size_t> inOrder(std::vector<std::size_t> nodes) const;
    Shape* shapeBelow(const Route& route, std::size_t top, std::size_t from);
    bool mayFit(const Route& route, std::size_t top, std::size_t position);
    bool mayFit(const Route& route, std::size_t top);
    std::vector<Branch*> treesOf(const Route& route);
    bool classesHold(const Route& route) const;
    /// A mux that only sources are left for, and the positions that may fit, the steadiest source first.
    using Crown = std::pair<std::size_t, std::vector<std::size_t>>;
    /// A route that waits for its turn. It is worked out bit by bit: crowns, then trees, then takes.
    struct Waiting {
        Route route;
        std::vector<std::optional<std::size_t>> classes;
        std::vector<Crown> crowns; ///< still open
        Piece own;                 ///< what the route decides by itself
        std::vector<Branch*> trees;
        BranchSolver::Bound bound;
        std::size_t age = 0;
    };
    struct IsLater {
        bool operator()(const Waiting& a, const Waiting& b) const;
    };
    void routeDone(const Route& route);
    void wait(Waiting waiting);
    void workOff();
    void feed(const Waiting& waiting);
    bool plant(Waiting& waiting);
    void setQuickBound(Waiting& waiting) const;
    bool mayEnter(const Waiting& waiting);
    std::optional<Rational> enoughFor(const Waiting& waiting) const;
    void solve(const Waiting& waiting);
    bool solveOnce(const Waiting& waiting);
    Score scoreOf(const Route& route) const;
    void offer(const Piece& piece, const Route& route);

    const Space& space_;
    const InForce& inForce_;
    std::size_t tier_;
    const Aim& aim_;
    Effort& effort_;
    BestTakes& best_;
    std::function<void()> onFound_;
    BranchSolver solver_;
    std::vector<Root> roots_;
    std::priority_queue<Waiting, std::vector<Waiting>, IsLater> waiting_;
    std::size_t age_ = 0;
    std::vector<Whole>* routes_ = nullptr;
    std::vector<bool> mayBeOn_;
    std::vector<std::size_t> rank_;                   ///< by node: parents have a lower one than children
    std::vector<std::vector<std::size_t>> positions_; ///< by node: inputs that it may have, the present one first
    std::vector<std::optional<std::size_t>> classes_; ///< assumed, by dependence
    Score fixed_;                                     ///< of the tier
};

} // namespace wisetick
