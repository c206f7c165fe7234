#include "seek/draw.h"
#include "seek/policy.h"
#include "seek/route_search.h"

#include <algorithm>

namespace wisetick {

std::vector<std::optional<NodeIndex>> RouteSearch::parentsOf(const Route& route) const {
    std::vector<std::optional<NodeIndex>> parents(space_.part->nodeCount());
    for (std::size_t node = space_.part->sources.size(); node < space_.part->nodeCount(); ++node) {
        parents[node] = space_.nodes[node].inputs[route.from[node].valueOr(space_.nodes[node].from)];
    }
    return parents;
}

/// What the route decides by itself.
Score RouteSearch::scoreOf(const Route& route) const {
    Score score = fixed_;
    for (const std::size_t root : route.left) { // soft wishes and promises that get no clock are missed
        const std::size_t node = roots_[root].node;
        for (const std::size_t wish : space_.wishesAt[node]) {
            score.broken += inForce_.wishes[wish] ? 1 : 0;
        }
        for (const std::size_t promise : space_.promisesAt[node]) {
            score.broken += inForce_.promises[promise] ? 1 : 0;
        }
    }
    const auto& prefers = space_.question.prefers;
    if (std::find(prefers.begin(), prefers.end(), Preference::wakeUp) != prefers.end()) {
        score.wakeUp = wakeUpOf(space_, parentsOf(route), route.isOn);
    }
    return score;
}

/// The most promising are worked out first; of equals those that are further on, then the first come.
bool RouteSearch::IsLater::operator()(const Waiting& a, const Waiting& b) const {
    const auto order = compareKeeping(a.bound.score, b.bound.score);
    if (order != std::strong_ordering::equal) {
        return order == std::strong_ordering::greater;
    }
    if (a.bound.beyond.size() != b.bound.beyond.size()) {
        return a.bound.beyond.size() > b.bound.beyond.size();
    }
    return a.age > b.age;
}

/// Every mux has its input but those that only sources are left for.
void RouteSearch::routeDone(const Route& route) {
    Waiting waiting{route, classes_, {}, {}, {}, {}, 0};
    for (const std::size_t node : route.nodes) {
        if (route.from[node] || space_.nodes[node].source != nullptr || positions_[node].empty()) {
            continue;
        }
        Crown crown{node, {}};
        for (const std::size_t position : positions_[node]) {
            if (isMadeBy(route, node, space_.nodes[node].inputs[position]) && mayFit(route, node, position)) {
                crown.second.push_back(position);
            }
        }
        if (crown.second.empty()) {
            return;
        }
        const auto off = [&](std::size_t position) { return offOf(space_.nodes[space_.nodes[node].inputs[position]]); };
        std::stable_sort(crown.second.begin(), crown.second.end(), [&](std::size_t a, std::size_t b) { return off(a) < off(b); });
        waiting.crowns.push_back(std::move(crown));
    }
    setQuickBound(waiting);
    wait(std::move(waiting));
}

void RouteSearch::wait(Waiting waiting) {
    waiting.age = age_++;
    solver_.takeMemory(policy::kWaitingBytes);
    waiting_.push(std::move(waiting));
    if (aim_.onlyFits || waiting_.size() >= policy::kMostWaiting) {
        workOff();
    }
}

void RouteSearch::workOff() {
    const auto classes = classes_;
    while (!waiting_.empty() && effort_.step() && !(aim_.onlyFits && !best_.takes().empty())) {
        Waiting waiting = std::move(const_cast<Waiting&>(waiting_.top())); // popped at once: nothing is compared with it
        waiting_.pop();
        solver_.takeMemory(-policy::kWaitingBytes);
        effort_.routesWaiting = static_cast<std::int64_t>(waiting_.size());
        ++effort_.routesDone;
        if (!best_.mayEnter(waiting.bound, space_)) {
            break; // the others are no better
        }
        classes_ = waiting.classes;
        if (!waiting.crowns.empty()) {
            feed(waiting);
        } else if (waiting.trees.empty()) {
            if (plant(waiting)) {
                waiting.age = age_++;
                solver_.takeMemory(policy::kWaitingBytes);
                waiting_.push(std::move(waiting));
                --effort_.routesDone;
            }
        } else if (mayEnter(waiting)) {
            solve(waiting);
        }
    }
    solver_.takeMemory(-policy::kWaitingBytes * static_cast<std::int64_t>(waiting_.size()));
    waiting_ = {};
    effort_.routesWaiting = 0;
    classes_ = classes;
}

/// Feeds the first open crown in every way that may fit.
void RouteSearch::feed(const Waiting& waiting) {
    const auto& [node, positions] = waiting.crowns.front();
    for (const std::size_t position : positions) {
        Waiting fed = waiting;
        fed.crowns.erase(fed.crowns.begin());
        fed.route.from[node] = position;
        const std::size_t source = inputOf(fed.route, node);
        if (!fed.route.isOn[source]) {
            fed.route.isOn[source] = true;
            fed.route.nodes.push_back(source);
        }
        setQuickBound(fed);
        fed.age = age_++;
        solver_.takeMemory(policy::kWaitingBytes);
        waiting_.push(std::move(fed));
    }
}

/// Makes the trees of a route that has all its inputs, and tells what no take of it can be better than. False if it has none.
bool RouteSearch::plant(Waiting& waiting) {
    if (!classesHold(waiting.route) ||
        (!space_.late.empty() && !wakesInTime(space_, inForce_, parentsOf(waiting.route), waiting.route.isOn))) {
        return false;
    }
    waiting.trees = treesOf(waiting.route);
    for (Branch* tree : waiting.trees) {
        if (!solver_.fits(*tree->shape, 0)) {
            return false;
        }
    }
    waiting.own.score = scoreOf(waiting.route);
    waiting.bound = {waiting.own.score, {}};
    waiting.bound.score.extremes = solver_.leastExtremes();
    for (const Branch* tree : waiting.trees) {
        for (const Branch* branch : tree->children) {
            solver_.addBound(*branch, space_.nodes[tree->shape->node].rates, waiting.bound);
        }
    }
    return true;
}

/// What the sources alone make of the wishes' tolerances, the steadiest where they are open.
void RouteSearch::setQuickBound(Waiting& waiting) const {
    Score& score = waiting.bound.score;
    score = fixed_;
    score.extremes = solver_.leastExtremes();
    for (std::size_t i = 0; i < space_.question.wishes.size(); ++i) {
        const Wish& wish = space_.question.wishes[i];
        const auto node = space_.part->findNode(wish.line);
        if (!inForce_.wishes[i] || wish.isSoft || !wish.tolerance.within || !node || !waiting.route.isOn[*node]) {
            continue;
        }
        std::size_t top = topOf(waiting.route, *node);
        if (space_.nodes[top].source == nullptr) {
            const auto crown =
                std::find_if(waiting.crowns.begin(), waiting.crowns.end(), [&](const Crown& each) { return each.first == top; });
            top = space_.nodes[top].inputs[crown->second.front()];
        }
        const SpaceNode& source = space_.nodes[top];
        if (const auto stray = strayOf(wish, offOf(source), source.isSpreadKnown)) {
            ++score.strained;
            score.strays.push_back(*stray);
        }
    }
    std::sort(score.strays.begin(), score.strays.end(), std::greater<>());
}

/// Whether a take of the route may still get in: in the end also whether it may be as near to the first extreme as the last that
/// is in.
bool RouteSearch::mayEnter(const Waiting& waiting) {
    if (!best_.mayEnter(waiting.bound, space_)) {
        return false;
    }
    if (!best_.isFull() || space_.extremes == 0) {
        return true;
    }
    const Score& bound = waiting.bound.score;
    const Score& last = best_.takes().back().score;
    if (bound.broken != last.broken || bound.strained != last.strained || bound.strays != last.strays) {
        return true;
    }
    for (const Branch* tree : waiting.trees) {
        for (const Branch* branch : tree->children) {
            for (const std::size_t wish : branch->wishes) {
                const auto kind = space_.question.wishes[wish].kind;
                const bool isExtreme = kind == Wish::Kind::highest || kind == Wish::Kind::lowest;
                if (isExtreme && space_.extremeOf[wish] == 0 &&
                    !solver_.mayReach(*branch, space_.nodes[tree->shape->node].rates, wish, last.extremes[0])) {
                    return false;
                }
            }
        }
    }
    return true;
}

/// The share of a tolerance beyond which no take of the route can get in: where it can't be better in anything that comes before.
std::optional<Rational> RouteSearch::enoughFor(const Waiting& waiting) const {
    if (!best_.isFull()) {
        return std::nullopt;
    }
    const Score& bound = waiting.bound.score;
    const Score& last = best_.takes().back().score;
    const bool isAlike = bound.broken == last.broken && bound.strained == last.strained && bound.strays == last.strays &&
                         (space_.extremes == 0 || bound.extremes == last.extremes);
    if (!isAlike) {
        return std::nullopt;
    }
    return last.ratios.empty() ? Rational(0) : last.ratios.front();
}

void RouteSearch::solve(const Waiting& waiting) {
    const bool isOpen =
        std::any_of(waiting.trees.begin(), waiting.trees.end(), [](const Branch* tree) { return !tree->openNodes.empty(); });
    // where rules compare rates of different branches there may be very many pieces: some of them may do to see a take
    for (const std::size_t mostOpen : isOpen ? std::vector<std::size_t>{1, 64, 4096} : std::vector<std::size_t>()) {
        solver_.gatherAtMost(mostOpen);
        const bool hasFound = solveOnce(waiting);
        solver_.gatherAtMost(0);
        if (hasFound && aim_.onlyFits) {
            return;
        }
        if (hasFound) {
            break;
        }
    }
    solveOnce(waiting);
}

bool RouteSearch::solveOnce(const Waiting& waiting) {
    std::vector<const Pieces*> lists;
    Score least = waiting.own.score;
    const std::optional<Rational> enough = enoughFor(waiting);
    for (Branch* tree : waiting.trees) {
        lists.push_back(&solver_.solve(*tree, 0, enough));
        if (lists.back()->empty()) {
            return false;
        }
        least += lists.back()->front()->score;
    }
    if (!best_.mayEnter(least)) {
        return false;
    }
    const std::vector<Piece> made = solver_.combine(waiting.own, lists, {});
    for (const Piece& piece : made) {
        offer(piece, waiting.route);
    }
    return !made.empty();
}

void RouteSearch::offer(const Piece& piece, const Route& route) {
    if (space_.only && piece.rates != *space_.only) {
        return;
    }
    Whole whole{piece.score, piece.rates, tier_, {}, route.isOn};
    for (const SpaceNode& node : space_.nodes) {
        whole.settings.push_back({node.source != nullptr ? node.rateNow : node.from, node.divideNow, node.multiplyNow});
    }
    std::vector<const Piece*> pieces;
    for (const Piece* part : piece.parts) {
        collectPieces(*part, pieces);
    }
    for (const Piece* each : pieces) {
        whole.settings[each->node] = {each->from, each->divide, each->multiply};
    }
    if (best_.offer(std::move(whole)) && onFound_) {
        onFound_();
    }
}

} // namespace wisetick
