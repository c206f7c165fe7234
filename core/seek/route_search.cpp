#include "seek/route_search.h"

#include <algorithm>

namespace wisetick {

RouteSearch::RouteSearch(const Space& space, const InForce& inForce, std::size_t tier, const Aim& aim, Effort& effort,
                         BestTakes& best, std::function<void()> onFound)
    : space_(space), inForce_(inForce), tier_(tier), aim_(aim), effort_(effort), best_(best), onFound_(std::move(onFound)),
      solver_(space, inForce, tier, aim, effort), classes_(space.dependences.size()) {
    fixed_.changes = space.present.tier && *space.present.tier != tier ? 1 : 0;
    for (std::size_t node = 0; node < space.nodes.size(); ++node) {
        const SpaceNode& each = space.nodes[node];
        std::vector<std::size_t> positions;
        if (each.from < each.inputs.size()) {
            positions.push_back(each.from);
        }
        if (mayChange(space, inForce, node, "from")) {
            for (std::size_t i = 0; i < each.inputs.size(); ++i) {
                if (i != each.from) {
                    positions.push_back(i);
                }
            }
        }
        positions_.push_back(std::move(positions));
    }
    rank_.resize(space.nodes.size());
    std::size_t rank = 0;
    for (std::size_t node = 0; node < space.part->sources.size(); ++node) {
        rank_[node] = rank++;
    }
    for (const std::size_t line : space.part->order) {
        rank_[space.part->nodeOfLine(line)] = rank++;
    }
    for (std::size_t node = space.part->nodeCount(); node < space.nodes.size(); ++node) {
        rank_[node] = rank++;
    }
    findRoots();
    findWhatMayBeOn();
}

/// Whether a node can't have a rate whatever its controls are.
bool RouteSearch::isDead(std::size_t node) const {
    const SpaceNode& each = space_.nodes[node];
    return each.isHeldOff || (each.source != nullptr && each.rates.empty()) || !solver_.isSettable(node);
}

void RouteSearch::findRoots() {
    std::vector<std::optional<Root>> byNode(space_.nodes.size());
    const auto want = [&](std::size_t node, bool isNeeded, std::size_t tightness) {
        auto& root = byNode[node];
        if (!root) {
            root = Root{node, isNeeded, false, tightness};
        }
        root->isNeeded = root->isNeeded || isNeeded;
        root->tightness = std::max(root->tightness, tightness);
    };
    want(space_.core, true, 1);
    for (std::size_t i = 0; i < space_.question.wishes.size(); ++i) {
        const Wish& wish = space_.question.wishes[i];
        if (const auto node = space_.part->findNode(wish.line); node && inForce_.wishes[i]) {
            const std::size_t tightness = wish.kind != Wish::Kind::at ? 2 : (wish.tolerance.within ? 4 : 5);
            want(*node, !wish.isSoft, wish.isSoft ? 1 : tightness);
        }
    }
    const Demand demand =
        demandOf(*space_.part, space_.plan, *findTake(space_.plan, space_.take), space_.present); // peripherals in use
    for (std::size_t i = 0; i < space_.part->peripherals.size(); ++i) {
        if (demand.peripherals[i] && !space_.nodes[space_.peripheralNode(i)].inputs.empty()) {
            want(space_.peripheralNode(i), false, 0);
        }
    }
    for (std::size_t i = 0; i < space_.question.promises.size(); ++i) {
        const SoughtPromise& sought = space_.question.promises[i];
        const std::string& subject = space_.plan.promises[sought.index].line.subject;
        const auto peripheral = space_.part->findPeripheral(peripheralOf(subject));
        const auto node = peripheral ? std::optional(space_.peripheralNode(*peripheral)) : space_.part->findNode(subject);
        const bool isHard = inForce_.promises[i] && !sought.isSoft;
        const bool hasClock = node && (!peripheral || !space_.nodes[*node].inputs.empty() || space_.nodes[*node].isHeldOff);
        if (hasClock && inForce_.promises[i]) {
            want(*node, isHard, isHard ? 3 : 0);
        }
    }
    // lines that promises, jobs or the take keep on
    for (const Promise& promise : space_.plan.promises) {
        if (const auto node = space_.part->findNode(promise.line.subject)) {
            want(*node, false, 0);
        }
    }
    for (const Job& job : space_.plan.jobs) {
        const bool isMeant = job.take.empty() ? space_.plan.active == space_.take : job.take == space_.take;
        for (const std::string& id : isMeant ? job.uses : std::vector<std::string>()) {
            if (const auto node = space_.part->findNode(id)) {
                want(*node, false, 0);
            }
        }
    }
    for (std::size_t node = 0; node < space_.part->nodeCount(); ++node) {
        const bool isWished = !space_.wishesAt[node].empty(); // only a wish in force keeps it on
        if (space_.present.nodeOn[node] == true && !isWished) {
            want(node, false, 0);
        }
    }
    for (auto& root : byNode) {
        if (!root) {
            continue;
        }
        for (std::size_t node = root->node; !root->isDead;) {
            root->isDead = isDead(node);
            if (space_.nodes[node].source != nullptr || positions_[node].empty()) {
                break;
            }
            node = space_.nodes[node].inputs[positions_[node].front()];
        }
        roots_.push_back(*root);
    }
    std::stable_sort(roots_.begin(), roots_.end(), [](const Root& a, const Root& b) { return a.tightness > b.tightness; });
}

void RouteSearch::findWhatMayBeOn() {
    mayBeOn_.assign(space_.nodes.size(), false);
    std::vector<std::size_t> open;
    for (const Root& root : roots_) {
        open.push_back(root.node);
    }
    while (!open.empty()) {
        const std::size_t node = open.back();
        open.pop_back();
        if (mayBeOn_[node] || isDead(node)) {
            continue;
        }
        mayBeOn_[node] = true;
        for (const std::size_t position : positions_[node]) {
            open.push_back(space_.nodes[node].inputs[position]);
        }
    }
}

void RouteSearch::run() {
    if (best_.isFull()) { // by another tier: only what is as near as its last can get in
        const Score& last = best_.takes().back().score;
        if (last.broken == 0 && last.strained == 0 && last.strays.empty() && space_.extremes == 0) {
            solver_.fitWithin(last.ratios.empty() ? Rational(0) : last.ratios.front());
        }
    }
    // every control that others lean on is in one class at a time
    std::vector<std::size_t> meant;
    for (std::size_t i = 0; i < space_.dependences.size(); ++i) {
        const Dependence& dependence = space_.dependences[i];
        const bool hasUser =
            std::any_of(dependence.users.begin(), dependence.users.end(), [&](std::size_t user) { return mayBeOn_[user]; });
        if (hasUser) {
            meant.push_back(i);
        }
    }
    const auto assume = [&](const auto& self, std::size_t at) -> void {
        if (effort_.isOver()) {
            return;
        }
        if (at == meant.size()) {
            runWithClasses();
            return;
        }
        const Dependence& dependence = space_.dependences[meant[at]];
        const SpaceNode& node = space_.nodes[dependence.node];
        // a rate within which nothing runs as long as it is off
        const bool isRate = dependence.rate != nullptr;
        const std::size_t present =
            isRate ? 0 : dependence.classOf(dependence.valueOf(node.divideNow, node.multiplyNow, node.from, Rational(0)));
        const bool mayTurn = isRate || mayChange(space_, inForce_, dependence.node, dependence.controlName());
        for (std::size_t i = 0; i < dependence.count; ++i) {
            const std::size_t each = (present + i) % dependence.count; // as it stands first
            if (each == present || (mayTurn && mayBeOn_[dependence.node])) {
                classes_[meant[at]] = each;
                self(self, at + 1);
            }
        }
    };
    assume(assume, 0);
    workOff();
}

void RouteSearch::runWithClasses() {
    Route route;
    route.from.resize(space_.nodes.size());
    route.isOn.resize(space_.nodes.size());
    eachRoot(0, route);
}

void RouteSearch::eachRoot(std::size_t root, Route& route) {
    if (effort_.isOver() || (aim_.onlyFits && !best_.takes().empty())) {
        return;
    }
    if (root == roots_.size()) {
        routeDone(route);
        return;
    }
    if (!roots_[root].isNeeded && roots_[root].isDead) {
        Route without = route;
        without.left.push_back(root);
        eachRoot(root + 1, without);
    }
    climb(roots_[root].node, root, route, false);
}

/// A mux that has nothing but sources to choose from: chosen last, as nothing else depends on it but what it is fed with.
bool RouteSearch::isCrown(std::size_t node) const {
    return positions_[node].size() > 1 &&
           std::all_of(positions_[node].begin(), positions_[node].end(),
                       [&](std::size_t position) { return space_.nodes[space_.nodes[node].inputs[position]].source != nullptr; });
}

/// Goes up from a node that must be on, and branches at every mux that may turn.
void RouteSearch::climb(std::size_t node, std::size_t root, Route& route, bool hasChosen) {
    Route next = route;
    while (!next.isOn[node]) {
        if (isDead(node) || !effort_.step()) {
            return;
        }
        next.isOn[node] = true;
        next.nodes.push_back(node);
        if (space_.nodes[node].source != nullptr || positions_[node].empty() || isCrown(node)) {
            break;
        }
        if (positions_[node].size() > 1) {
            for (const std::size_t position : positions_[node]) {
                Route turned = next;
                turned.from[node] = position;
                climb(space_.nodes[node].inputs[position], root, turned, true);
            }
            return;
        }
        next.from[node] = positions_[node].front();
        node = space_.nodes[node].inputs[positions_[node].front()];
    }
    rootDone(root, next, hasChosen);
}

void RouteSearch::rootDone(std::size_t root, Route& route, bool hasChosen) {
    if (!mayBeMade(route)) {
        return;
    }
    // where nothing was chosen the whole route tells soon enough
    if (hasChosen && !mayFit(route, topOf(route, roots_[root].node))) {
        return;
    }
    eachRoot(root + 1, route);
}

std::size_t RouteSearch::inputOf(const Route& route, std::size_t node) const {
    return space_.nodes[node].inputs[*route.from[node]];
}

std::size_t RouteSearch::topOf(const Route& route, std::size_t node) const {
    while (route.from[node]) {
        node = inputOf(route, node);
    }
    return node;
}

/// What makes the node's rate: a multiplier or source, or a mux that is still open.
std::size_t RouteSearch::makerOn(const Route& route, std::size_t node) const {
    while (!space_.nodes[node].isMaker() && route.from[node]) {
        node = inputOf(route, node);
    }
    return node;
}

/// Whether rates can still be made by what they shall be made by.
bool RouteSearch::mayBeMade(const Route& route) const {
    return std::all_of(aim_.made.begin(), aim_.made.end(), [&](const Made& made) {
        const std::size_t top = makerOn(route, made.node);
        const auto isIt = [&](std::size_t position) { return space_.nodes[top].inputs[position] == made.maker; };
        return !route.isOn[made.node] || top == made.maker ||
               (!space_.nodes[top].isMaker() && std::any_of(positions_[top].begin(), positions_[top].end(), isIt));
    });
}

/// Whether an open mux may be fed by that source: what hangs on it shall be made by it, or by anything.
bool RouteSearch::isMadeBy(const Route& route, std::size_t crown, std::size_t source) const {
    return std::all_of(aim_.made.begin(), aim_.made.end(), [&](const Made& made) {
        const bool isAbove = route.isOn[made.node] && makerOn(route, made.node) == crown && !space_.nodes[crown].isMaker();
        return !isAbove || made.maker == source;
    });
}

/// Parents before children.
std::vector<std::size_t> RouteSearch::inOrder(std::vector<std::size_t> nodes) const {
    std::sort(nodes.begin(), nodes.end(), [&](std::size_t a, std::size_t b) { return rank_[a] < rank_[b]; });
    return nodes;
}

/// The shape of all that hangs on a node that nothing is above of yet.
Shape* RouteSearch::shapeBelow(const Route& route, std::size_t top, std::size_t from) {
    std::vector<std::size_t> nodes;
    std::vector<signed char> isBelow(space_.nodes.size(), -1); // whether it hangs on the top; -1: not known yet
    isBelow[top] = 1;
    std::vector<std::size_t> way;
    for (const std::size_t node : route.nodes) {
        std::size_t at = node;
        for (way.clear(); isBelow[at] < 0 && route.from[at]; at = inputOf(route, at)) { // each is gone up from once
            way.push_back(at);
        }
        const signed char is = isBelow[at] < 0 ? 0 : isBelow[at];
        isBelow[at] = is;
        for (const std::size_t each : way) {
            isBelow[each] = is;
        }
        if (is == 1) {
            nodes.push_back(node);
        }
    }
    nodes = inOrder(std::move(nodes));
    std::map<std::size_t, std::vector<Shape*>> children;
    for (auto node = nodes.rbegin(); node != nodes.rend(); ++node) {
        std::vector<Shape*>& below = children[*node];
        std::sort(below.begin(), below.end(), [](const Shape* a, const Shape* b) { return a->node < b->node; });
        Shape* shape = solver_.shapeOf(*node, *node == top ? from : *route.from[*node], std::move(below), classes_);
        if (*node == top) {
            return shape;
        }
        children[inputOf(route, *node)].push_back(shape);
    }
    return nullptr;
}

/// Whether the tree can still be kept if its top is fed from that input.
bool RouteSearch::mayFit(const Route& route, std::size_t top, std::size_t position) {
    const std::size_t source = space_.nodes[top].inputs[position];
    if (isDead(source)) {
        return false;
    }
    Shape* shape = shapeBelow(route, top, position);
    const std::vector<Rational>& rates = space_.nodes[source].rates;
    return std::any_of(rates.begin(), rates.end(), [&](const Rational& rate) { return solver_.fits(*shape, rate); });
}

/// Whether the tree that hangs on that node can still be kept.
bool RouteSearch::mayFit(const Route& route, std::size_t top) {
    if (space_.nodes[top].source != nullptr || positions_[top].empty()) {
        return solver_.fits(*shapeBelow(route, top, 0), 0);
    }
    return std::any_of(positions_[top].begin(), positions_[top].end(),
                       [&](std::size_t position) { return mayFit(route, top, position); });
}

/// The tree below each source that is on, and each peripheral without a clock.
std::vector<Branch*> RouteSearch::treesOf(const Route& route) {
    const Part& part = *space_.part;
    const std::size_t count = space_.nodes.size();
    std::vector<BranchSolver::Place> places(count);
    for (std::size_t i = 0; i < part.rules.size(); ++i) {
        const Rule& rule = part.rules[i];
        if (inForce_.rules[i] && route.isOn[rule.left] && route.isOn[rule.right] && !solver_.keepsForCertain(rule)) {
            places[rule.left].isOpen = places[rule.right].isOpen = true;
        }
    }
    const std::vector<std::size_t> order = inOrder(route.nodes);
    for (const std::size_t node : order) {
        BranchSolver::Place& here = places[node];
        const SpaceNode& each = space_.nodes[node];
        if (each.source != nullptr) {
            here.low = each.low;
            here.high = each.high;
            here.isSpreadKnown = each.isSpreadKnown;
        } else if (route.from[node]) {
            const BranchSolver::Place& above = places[inputOf(route, node)];
            here.low = each.line == nullptr ? above.low : above.low * (1 - each.line->ripple);
            here.high = each.line == nullptr ? above.high : above.high * (1 + each.line->ripple);
            here.isSpreadKnown = above.isSpreadKnown;
        }
    }
    std::vector<std::vector<Branch*>> children(count);
    std::vector<Branch*> trees;
    for (auto node = order.rbegin(); node != order.rend(); ++node) {
        std::vector<Branch*>& below = children[*node];
        std::sort(below.begin(), below.end(), [](const Branch* a, const Branch* b) { return a->shape->node < b->shape->node; });
        std::vector<Shape*> shapes;
        for (const Branch* each : below) {
            shapes.push_back(each->shape);
        }
        Shape* shape = solver_.shapeOf(*node, route.from[*node].valueOr(0), std::move(shapes), classes_);
        Branch* branch = solver_.branchOf(shape, std::move(below), places[*node]);
        if (route.from[*node]) {
            children[inputOf(route, *node)].push_back(branch);
        } else {
            trees.push_back(branch);
        }
    }
    std::sort(trees.begin(), trees.end(), [](const Branch* a, const Branch* b) { return a->shape->node < b->shape->node; });
    return trees;
}

/// What is off or stays as it is must be in the class that was assumed; what was left without a clock must have none.
bool RouteSearch::classesHold(const Route& route) const {
    for (std::size_t i = 0; i < space_.dependences.size(); ++i) {
        const Dependence& dependence = space_.dependences[i];
        const SpaceNode& node = space_.nodes[dependence.node];
        const std::size_t present =
            dependence.rate != nullptr
                ? 0
                : dependence.classOf(dependence.valueOf(node.divideNow, node.multiplyNow, node.from, Rational(0)));
        if (classes_[i] && !route.isOn[dependence.node] && present != *classes_[i]) {
            return false;
        }
    }
    for (const std::size_t root : route.left) {
        std::size_t node = roots_[root].node;
        bool isWithout = isDead(node);
        while (!isWithout && space_.nodes[node].source == nullptr && space_.nodes[node].from < space_.nodes[node].inputs.size()) {
            const std::size_t position = route.from[node].valueOr(space_.nodes[node].from);
            node = space_.nodes[node].inputs[position];
            isWithout = isDead(node);
        }
        if (!isWithout) {
            return false;
        }
    }
    return true;
}

} // namespace wisetick
