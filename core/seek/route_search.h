#pragma once

#include "seek/best_takes.h"

#include <queue>

namespace wisetick {

/// Goes through every route (the inputs of all muxes on the ways to what must be on) of one tier and offers the best takes of
/// each. `onFound` is called when one got in.
class RouteSearch {
public:
    RouteSearch(const Space& space, const InForce& inForce, std::size_t tier, const Aim& aim, Effort& effort, BestTakes& best,
                std::function<void()> onFound = {});
    void run();
    /// By node, whether it is on on any route.
    const std::vector<bool>& mayBeOn() const { return mayBeOn_; }

private:
    /// What must be on: a line that is wished or promised, a peripheral in use, the core.
    struct Root {
        std::size_t node = 0;
        bool isNeeded = true; ///< no take without it
        bool isDead = false;  ///< as it stands it gets no clock
        std::size_t tightness = 0;
    };
    /// The position of an input, or none; small, as very many routes may wait.
    class Position {
    public:
        Position() = default;
        Position& operator=(std::size_t position) {
            position_ = static_cast<std::int16_t>(position);
            return *this;
        }
        explicit operator bool() const { return position_ >= 0; }
        std::size_t operator*() const { return static_cast<std::size_t>(position_); }
        std::size_t valueOr(std::size_t other) const { return position_ >= 0 ? **this : other; }

    private:
        std::int16_t position_ = -1;
    };
    struct Route {
        std::vector<Position> from; ///< by node: position of the input; none yet where only sources are left
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
    std::size_t makerOn(const Route& route, std::size_t node) const;
    bool mayBeMade(const Route& route) const;
    bool isMadeBy(const Route& route, std::size_t crown, std::size_t source) const;
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
    /// By node its input; sources have none.
    std::vector<std::optional<NodeIndex>> parentsOf(const Route& route) const;
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
    std::vector<bool> mayBeOn_;
    std::vector<std::size_t> rank_;                   ///< by node: parents have a lower one than children
    std::vector<std::vector<std::size_t>> positions_; ///< by node: inputs that it may have, the present one first
    std::vector<std::optional<std::size_t>> classes_; ///< assumed, by dependence
    Score fixed_;                                     ///< of the tier
};

} // namespace wisetick
