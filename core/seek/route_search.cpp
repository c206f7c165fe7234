#include "seek/route_search.h"

#include "seek/draw.h"

#include <algorithm>

namespace wisetick {

std::strong_ordering compareWholes(const Whole& a, const Whole& b, const std::vector<Preference>& prefers) {
    if (const auto order = compareScores(a.score, b.score, prefers); order != std::strong_ordering::equal) {
        return order;
    }
    if (a.tier != b.tier) {
        return a.tier <=> b.tier;
    }
    for (std::size_t node = 0; node < a.settings.size(); ++node) {
        const Whole::Settings& left = a.settings[node];
        const Whole::Settings& right = b.settings[node];
        if (left.from != right.from) {
            return left.from <=> right.from;
        }
        if (left.divide != right.divide) {
            return left.divide <=> right.divide;
        }
        if (left.multiply != right.multiply) {
            return left.multiply <=> right.multiply;
        }
    }
    return std::strong_ordering::equal;
}

bool BestTakes::mayEnter(const Score& score) const {
    return takes_.size() < most_ || compareScores(score, takes_.back().score, prefers_) != std::strong_ordering::greater;
}

bool BestTakes::offer(Whole whole) {
    const auto isLess = [&](const Whole& a, const Whole& b) {
        return compareWholes(a, b, prefers_) == std::strong_ordering::less;
    };
    const auto same = std::find_if(takes_.begin(), takes_.end(), [&](const Whole& each) {
        return isFolded_ ? each.rates == whole.rates : (each.tier == whole.tier && each.settings == whole.settings);
    });
    if (same != takes_.end()) {
        if (!isLess(whole, *same)) {
            return false;
        }
        takes_.erase(same);
    } else if (takes_.size() >= most_ && !isLess(whole, takes_.back())) {
        return false;
    }
    takes_.insert(std::upper_bound(takes_.begin(), takes_.end(), whole, isLess), std::move(whole));
    if (takes_.size() > most_) {
        takes_.pop_back();
    }
    return true;
}

RouteSearch::RouteSearch(const Space& space, const InForce& inForce, std::size_t tier, const Pass& pass, Effort& effort,
                         BestTakes& best, std::function<void()> onFound)
    : space_(space), inForce_(inForce), tier_(tier), pass_(pass), effort_(effort), best_(best), onFound_(std::move(onFound)),
      solver_(space, inForce, tier, pass, effort), classes_(space.dependences.size()) {
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
    findRoots();
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
        const std::size_t present = dependence.classOf(dependence.isMultiply ? node.multiplyNow : node.divideNow);
        const bool mayTurn = mayChange(space_, inForce_, dependence.node, dependence.isMultiply ? "multiply" : "divide");
        for (std::size_t i = 0; i < dependence.count; ++i) {
            const std::size_t each = (present + i) % dependence.count; // as it stands first
            if (each == present || (mayTurn && mayBeOn_[dependence.node])) {
                classes_[meant[at]] = each;
                self(self, at + 1);
            }
        }
    };
    assume(assume, 0);
}

void RouteSearch::runWithClasses() {
    Route route;
    route.from.resize(space_.nodes.size());
    route.isOn.resize(space_.nodes.size());
    eachRoot(0, route);
}

void RouteSearch::eachRoot(std::size_t root, Route& route) {
    if (effort_.isOver() || (pass_.onlyFits && !best_.takes().empty())) {
        return;
    }
    if (root == roots_.size()) {
        complete(route);
        return;
    }
    if (!roots_[root].isNeeded && roots_[root].isDead) {
        Route without = route;
        without.left.push_back(root);
        eachRoot(root + 1, without);
    }
    climb(roots_[root].node, root, route, false);
}

/// Goes up from a node that must be on, and branches at every mux that may turn.
void RouteSearch::climb(std::size_t node, std::size_t root, Route& route, bool hasChosen) {
    Route next = route;
    while (!next.isOn[node]) {
        if (isDead(node) || !effort_.step()) {
            return;
        }
        next.isOn[node] = true;
        if (space_.nodes[node].source != nullptr || positions_[node].empty()) {
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
    if (hasChosen && root + 1 < roots_.size() && !mayFit(route, root)) {
        return;
    }
    eachRoot(root + 1, route);
}

std::size_t RouteSearch::inputOf(const Route& route, std::size_t node) const {
    return space_.nodes[node].inputs[*route.from[node]];
}

/// The tree below each source that is on. A whole route's trees know which rates rules compare.
std::vector<Branch*> RouteSearch::treesOf(const Route& route, bool isWhole) {
    const Part& part = *space_.part;
    const std::size_t count = space_.nodes.size();
    std::vector<bool> isOpen(count);
    if (isWhole) {
        for (std::size_t i = 0; i < part.rules.size(); ++i) {
            const Rule& rule = part.rules[i];
            if (inForce_.rules[i] && route.isOn[rule.left] && route.isOn[rule.right]) {
                isOpen[rule.left] = isOpen[rule.right] = true;
            }
        }
    }
    std::vector<BranchSolver::Place> places(count);
    const auto place = [&](std::size_t node) {
        BranchSolver::Place& here = places[node];
        const SpaceNode& each = space_.nodes[node];
        here.node = node;
        here.isOpen = isOpen[node];
        if (each.source != nullptr) {
            here.low = each.low;
            here.high = each.high;
            here.isSpreadKnown = each.isSpreadKnown;
            return;
        }
        if (!route.from[node]) {
            return; // a peripheral without a clock
        }
        const BranchSolver::Place& above = places[inputOf(route, node)];
        here.from = *route.from[node];
        here.low = each.line == nullptr ? above.low : above.low * (1 - each.line->ripple);
        here.high = each.line == nullptr ? above.high : above.high * (1 + each.line->ripple);
        here.isSpreadKnown = above.isSpreadKnown;
    };
    std::vector<std::size_t> order; // parents before children
    for (std::size_t node = 0; node < part.sources.size(); ++node) {
        order.push_back(node);
    }
    for (const std::size_t line : part.order) {
        order.push_back(part.nodeOfLine(line));
    }
    for (std::size_t node = part.nodeCount(); node < count; ++node) {
        order.push_back(node);
    }
    std::erase_if(order, [&](std::size_t node) { return !route.isOn[node]; });
    std::for_each(order.begin(), order.end(), place);
    std::vector<std::vector<Branch*>> children(count);
    std::vector<Branch*> trees;
    for (auto node = order.rbegin(); node != order.rend(); ++node) {
        auto& below = children[*node];
        std::sort(below.begin(), below.end(), [](const Branch* a, const Branch* b) { return a->node < b->node; });
        Branch* branch = solver_.branchOf(places[*node], std::move(below), classes_);
        if (route.from[*node]) {
            children[inputOf(route, *node)].push_back(branch);
        } else {
            trees.push_back(branch);
        }
    }
    return trees;
}

/// Whether the tree that the root has just been put on can still be kept.
bool RouteSearch::mayFit(const Route& route, std::size_t root) {
    std::size_t source = roots_[root].node;
    while (route.from[source]) {
        source = inputOf(route, source);
    }
    for (Branch* tree : treesOf(route, false)) {
        if (tree->node == source) {
            return solver_.fits(*tree, 0);
        }
    }
    return true;
}

/// What is off or stays as it is must be in the class that was assumed; what was left without a clock must have none.
bool RouteSearch::classesHold(const Route& route) const {
    for (std::size_t i = 0; i < space_.dependences.size(); ++i) {
        const Dependence& dependence = space_.dependences[i];
        const SpaceNode& node = space_.nodes[dependence.node];
        if (classes_[i] && !route.isOn[dependence.node] &&
            dependence.classOf(dependence.isMultiply ? node.multiplyNow : node.divideNow) != *classes_[i]) {
            return false;
        }
    }
    for (const std::size_t root : route.left) {
        std::size_t node = roots_[root].node;
        bool isWithout = isDead(node);
        while (!isWithout && space_.nodes[node].source == nullptr && space_.nodes[node].from < space_.nodes[node].inputs.size()) {
            const std::size_t position = route.from[node].value_or(space_.nodes[node].from);
            node = space_.nodes[node].inputs[position];
            isWithout = isDead(node);
        }
        if (!isWithout) {
            return false;
        }
    }
    return true;
}

void RouteSearch::complete(const Route& route) {
    if (!effort_.step() || !classesHold(route)) {
        return;
    }
    std::vector<Branch*> trees = treesOf(route, true);
    std::sort(trees.begin(), trees.end(), [](const Branch* a, const Branch* b) { return a->node < b->node; });
    for (Branch* tree : trees) {
        if (!solver_.fits(*tree, 0)) {
            return;
        }
    }
    Piece own;
    own.score = fixed_;
    for (const std::size_t root : route.left) { // soft wishes and promises that get no clock are missed
        const std::size_t node = roots_[root].node;
        for (const std::size_t wish : space_.wishesAt[node]) {
            own.score.broken += inForce_.wishes[wish] ? 1 : 0;
        }
        for (const std::size_t promise : space_.promisesAt[node]) {
            own.score.broken += inForce_.promises[promise] ? 1 : 0;
        }
    }
    if (own.score.broken > 0 && !pass_.isAll) {
        return;
    }
    if (std::find(space_.question.prefers.begin(), space_.question.prefers.end(), Preference::wakeUp) !=
        space_.question.prefers.end()) {
        std::vector<std::optional<NodeIndex>> parents(space_.part->nodeCount());
        for (std::size_t node = space_.part->sources.size(); node < space_.part->nodeCount(); ++node) {
            parents[node] = space_.nodes[node].inputs[route.from[node].value_or(space_.nodes[node].from)];
        }
        own.score.wakeUp = wakeUpOf(space_, parents, route.isOn);
    }
    std::vector<const Pieces*> lists;
    Score least = own.score;
    for (Branch* tree : trees) {
        lists.push_back(&solver_.solve(*tree, 0));
        if (lists.back()->empty()) {
            return;
        }
        least += lists.back()->front()->score;
    }
    if (!best_.mayEnter(least)) {
        return;
    }
    for (const Piece& piece : solver_.combine(std::move(own), lists, {})) {
        offer(piece, route);
    }
}

void RouteSearch::offer(const Piece& piece, const Route& route) {
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
