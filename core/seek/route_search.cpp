#include "seek/route_search.h"

#include "seek/draw.h"

#include <algorithm>

namespace wisetick {

namespace {

/// The greatest deviation of a source's rate, as a share.
Rational offOf(const SpaceNode& source) {
    return source.isSpreadKnown ? std::max(1 - source.low, source.high - 1) : Rational(1);
}

} // namespace

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

bool BestTakes::mayEnter(const BranchSolver::Bound& bound, const Space& space) const {
    if (takes_.size() < most_) {
        return true;
    }
    const auto order = compareKeeping(bound.score, takes_.back().score);
    if (order == std::strong_ordering::greater || bound.beyond.empty()) {
        return order != std::strong_ordering::greater;
    }
    // up to the extremes both are alike, or the bound is less
    const Score& last = takes_.back().score;
    if (bound.score.broken != last.broken || bound.score.strained != last.strained || bound.score.strays != last.strays) {
        return true;
    }
    for (std::size_t slot = 0; slot < last.extremes.size(); ++slot) {
        const Rational& best = bound.score.extremes[slot];
        const bool isBeyond = std::any_of(bound.beyond.begin(), bound.beyond.end(),
                                          [&](std::size_t wish) { return space.extremeOf[wish] == slot; });
        if (best != last.extremes[slot] || isBeyond) {
            return best < last.extremes[slot];
        }
    }
    return true;
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

/// Parents before children.
std::vector<std::size_t> RouteSearch::inOrder(std::vector<std::size_t> nodes) const {
    std::sort(nodes.begin(), nodes.end(), [&](std::size_t a, std::size_t b) { return rank_[a] < rank_[b]; });
    return nodes;
}

/// The shape of all that hangs on a node that nothing is above of yet.
Shape* RouteSearch::shapeBelow(const Route& route, std::size_t top, std::size_t from) {
    std::vector<std::size_t> nodes;
    for (const std::size_t node : route.nodes) {
        if (topOf(route, node) == top) {
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
        Shape* shape = solver_.shapeOf(*node, route.from[*node].value_or(0), std::move(shapes), classes_);
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
        std::vector<std::optional<NodeIndex>> parents(space_.part->nodeCount());
        for (std::size_t node = space_.part->sources.size(); node < space_.part->nodeCount(); ++node) {
            parents[node] = space_.nodes[node].inputs[route.from[node].value_or(space_.nodes[node].from)];
        }
        score.wakeUp = wakeUpOf(space_, parents, route.isOn);
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

void RouteSearch::runForRoutes(std::vector<Whole>& routes) {
    routes_ = &routes;
    run();
    routes_ = nullptr;
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
            if (mayFit(route, node, position)) {
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
    if (routes_ != nullptr) {
        Whole whole{{}, {}, tier_, {}, route.isOn};
        for (std::size_t node = 0; node < space_.nodes.size(); ++node) {
            whole.settings.push_back({route.from[node].value_or(space_.nodes[node].from), 1, 1});
        }
        for (const Crown& crown : waiting.crowns) {
            whole.settings[crown.first].from = crown.second.front();
        }
        routes_->push_back(std::move(whole));
        return;
    }
    setQuickBound(waiting);
    wait(std::move(waiting));
}

void RouteSearch::wait(Waiting waiting) {
    constexpr std::size_t kMostWaiting = 4096;
    waiting.age = age_++;
    waiting_.push(std::move(waiting));
    if (aim_.onlyFits || waiting_.size() >= kMostWaiting) {
        workOff();
    }
}

void RouteSearch::workOff() {
    const auto classes = classes_;
    while (!waiting_.empty() && effort_.step() && !(aim_.onlyFits && !best_.takes().empty())) {
        Waiting waiting = waiting_.top();
        waiting_.pop();
        if (!best_.mayEnter(waiting.bound, space_)) {
            break; // the others are no better
        }
        classes_ = waiting.classes;
        if (!waiting.crowns.empty()) {
            feed(waiting);
        } else if (waiting.trees.empty()) {
            if (plant(waiting)) {
                waiting.age = age_++;
                waiting_.push(std::move(waiting));
            }
        } else if (mayEnter(waiting)) {
            solve(waiting);
        }
    }
    waiting_ = {};
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
        waiting_.push(std::move(fed));
    }
}

/// Makes the trees of a route that has all its inputs, and tells what no take of it can be better than. False if it has none.
bool RouteSearch::plant(Waiting& waiting) {
    if (!classesHold(waiting.route)) {
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
