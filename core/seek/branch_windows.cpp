#include "seek/branch_candidates.h"
#include "seek/policy.h"

#include <algorithm>

namespace wisetick {

Shape* BranchSolver::shapeOf(std::size_t node, std::size_t from, std::vector<Shape*> children,
                             const std::vector<std::optional<std::size_t>>& classes) {
    std::vector<std::size_t> key{node, from};
    for (const std::size_t i : leansOn_[node]) {
        key.push_back(classes[i] ? *classes[i] + 1 : 0);
    }
    for (const Shape* child : children) {
        key.push_back(reinterpret_cast<std::size_t>(child));
    }
    std::unique_ptr<Shape>& slot = shapes_[key];
    if (slot) {
        return slot.get();
    }
    slot = std::make_unique<Shape>(&pool_);
    takeMemory(1000);
    Shape& shape = *slot;
    shape.node = node;
    shape.from = from;
    shape.children = std::move(children);
    shape.divide = divide_[node];
    shape.multiply = multiply_[node];
    shape.divides = divides_[node];
    shape.multiplies = multiplies_[node];
    const Line* line = space_.nodes[node].line;
    shape.factor = line == nullptr ? Rational(1) : line->factor;
    if (const auto& followed = space_.followed[node]) {
        shape.factor *= followed->factors[classes[followed->dependence].value_or(0)];
    }
    for (const std::size_t i : leansOn_[node]) {
        if (space_.dependences[i].node == node && classes[i]) {
            shape.classes.emplace_back(i, *classes[i]);
        }
    }
    setLimits(shape, classes);
    shape.isDeep = space_.nodes[node].source != nullptr || // whose window does not know of what hangs on it
                   std::any_of(shape.children.begin(), shape.children.end(),
                               [](const Shape* child) { return child->isDeep || child->multiplies > 1; });
    return &shape;
}

void BranchSolver::setLimits(Shape& shape, const std::vector<std::optional<std::size_t>>& classes) const {
    for (const SpaceLimit& limit : space_.limits[shape.node]) {
        if (!inForce_.limits[shape.node] || (limit.tier && *limit.tier != tier_)) {
            continue;
        }
        if (limit.dependence && !limit.inClass[classes[*limit.dependence].value_or(0)]) {
            continue;
        }
        if (limit.whileRate != nullptr) {
            const std::vector<std::size_t>& inputs = space_.nodes[shape.node].inputs;
            if (!inputs.empty() && inputs[shape.from] == limit.whileRate->node) { // else it is looked at like a rule
                shape.ownLimits.push_back(&limit);
            }
            continue;
        }
        if (limit.own != nullptr) {
            shape.ownLimits.push_back(&limit);
            continue;
        }
        if (limit.isNominal) {
            if (limit.min) {
                shape.nominalMin = shape.nominalMin ? std::max(*shape.nominalMin, *limit.min) : *limit.min;
            }
            if (limit.max) {
                shape.nominalMax = shape.nominalMax ? std::min(*shape.nominalMax, *limit.max) : *limit.max;
            }
            continue;
        }
        if (limit.min && (!shape.min || *limit.min > *shape.min)) {
            shape.min = limit.min;
            shape.isMinTolerance = limit.isTolerance;
        }
        if (limit.max && (!shape.max || *limit.max < *shape.max)) {
            shape.max = limit.max;
            shape.isMaxTolerance = limit.isTolerance;
        }
    }
}

Branch* BranchSolver::branchOf(Shape* shape, std::vector<Branch*> children, const Place& place) {
    const auto spread = spreads_.emplace(std::pair(place.low, place.high), spreads_.size()).first->second;
    std::vector<std::size_t> key{reinterpret_cast<std::size_t>(shape), spread, place.isSpreadKnown ? 1U : 0U,
                                 place.isOpen ? 1U : 0U};
    for (const Branch* child : children) {
        key.push_back(reinterpret_cast<std::size_t>(child));
    }
    std::unique_ptr<Branch>& slot = branches_[key];
    if (slot) {
        return slot.get();
    }
    slot = std::make_unique<Branch>(&pool_);
    takeMemory(800);
    Branch& branch = *slot;
    branch.shape = shape;
    branch.children = std::move(children);
    branch.low = place.low;
    branch.high = place.high;
    branch.isSpreadKnown = place.isSpreadKnown;
    branch.isOpen = place.isOpen;
    if (branch.isOpen) {
        branch.openNodes.push_back(shape->node);
    }
    for (const Branch* child : branch.children) {
        branch.openNodes.insert(branch.openNodes.end(), child->openNodes.begin(), child->openNodes.end());
    }
    branch.pending = pendingOf(branch.openNodes);
    branch.settings = static_cast<double>(shape->divides) * static_cast<double>(shape->multiplies);
    for (const Branch* child : branch.children) {
        branch.settings *= std::max(1.0, child->settings);
    }
    addAsked(branch);
    return &branch;
}

/// What is asked of the branch's nodes, and what its spread alone makes of that.
void BranchSolver::addAsked(Branch& branch) const {
    const Shape& shape = *branch.shape;
    const Rational off = std::max(1 - branch.low, branch.high - 1);
    for (const std::size_t index : space_.wishesAt[shape.node]) {
        const Wish& wish = space_.question.wishes[index];
        if (!inForce_.wishes[index]) {
            continue;
        }
        branch.wishes.push_back(index);
        branch.tolerances += wish.kind == Wish::Kind::at && wish.tolerance.within ? 1 : 0;
        if (const auto stray = strayOf(wish, off, branch.isSpreadKnown)) {
            branch.strays.push_back(*stray);
            branch.leastStrained += wish.isSoft ? 0 : 1; // a soft one may be broken instead
        }
    }
    if (shape.min && shape.max) {
        const auto slack = [&](bool isTolerance) { return isTolerance ? Rational(0) : space_.part->slack; };
        const bool isTooWide = *shape.min * (1 - slack(shape.isMinTolerance)) / branch.low >
                               *shape.max * (1 + slack(shape.isMaxTolerance)) / branch.high;
        branch.leastStrained += isTooWide ? 1 : 0;
    }
    for (const std::size_t sought : space_.promisesAt[shape.node]) {
        const PromiseLine& line = space_.plan.promises[space_.question.promises[sought].index].line;
        branch.tolerances += inForce_.promises[sought] && toleranceOf(*space_.part, line) ? 1 : 0;
    }
    branch.isAsked = matters_[shape.node];
    for (const std::size_t index : space_.wishesAt[shape.node]) {
        branch.isAsked = branch.isAsked || inForce_.wishes[index];
    }
    for (const std::size_t sought : space_.promisesAt[shape.node]) {
        branch.isAsked = branch.isAsked || inForce_.promises[sought];
    }
    for (const Branch* child : branch.children) {
        branch.isAsked = branch.isAsked || child->isAsked;
        branch.leastStrained += child->leastStrained;
        branch.strays.insert(branch.strays.end(), child->strays.begin(), child->strays.end());
        branch.tolerances += child->tolerances;
        branch.wishes.insert(branch.wishes.end(), child->wishes.begin(), child->wishes.end());
    }
    std::sort(branch.strays.begin(), branch.strays.end(), std::greater<>());
}

std::vector<std::size_t> BranchSolver::pendingOf(const std::vector<std::size_t>& openNodes) const {
    const auto isIn = [&](std::size_t node) { return std::find(openNodes.begin(), openNodes.end(), node) != openNodes.end(); };
    std::vector<std::size_t> pending;
    for (const std::size_t node : openNodes) {
        bool isPending = false;
        for (std::size_t i = 0; i < space_.part->rules.size(); ++i) {
            const Rule& rule = space_.part->rules[i];
            isPending = isPending || (inForce_.rules[i] &&
                                      ((rule.left == node && !isIn(rule.right)) || (rule.right == node && !isIn(rule.left))));
        }
        if (isPending) {
            pending.push_back(node);
        }
    }
    return pending;
}

std::size_t BranchSolver::levelOf(const Level& level) {
    const auto found = std::find(levels_.begin(), levels_.end(), level);
    if (found != levels_.end()) {
        return static_cast<std::size_t>(found - levels_.begin());
    }
    levels_.push_back(level);
    return levels_.size() - 1;
}

/// Where a node may stand by itself: its limits that hold in any case, wishes and promises.
const RateSpans& BranchSolver::nodeWindow(std::size_t node, std::size_t level) {
    const auto known = nodeWindows_.find({node, level});
    if (known != nodeWindows_.end()) {
        return known->second;
    }
    const Level& now = levels_[level];
    RateSpans window = {{Rational(0), highest_[node]}};
    if (inForce_.limits[node]) {
        for (const SpaceLimit& limit : space_.limits[node]) {
            if ((!limit.tier || *limit.tier == tier_) && limit.own == nullptr && !limit.dependence &&
                limit.whileRate == nullptr) {
                window = intersect(window, {{limit.min.value_or(Rational(0)), limit.max}});
            }
        }
    }
    if (const auto& pinned = space_.pinnedAt[node]) {
        window = intersect(window, {{*pinned, *pinned}});
    }
    for (const std::size_t index : space_.wishesAt[node]) {
        const Wish& wish = space_.question.wishes[index];
        if (!inForce_.wishes[index] || (wish.isSoft && now.isAll)) {
            continue;
        }
        if (wish.kind == Wish::Kind::at) {
            const Rational off = wish.tolerance.within ? *wish.tolerance.within * now.share : Rational(0);
            window = intersect(window, {{std::max(Rational(0), wish.hertz * (1 - off)), wish.hertz * (1 + off)}});
        } else if (wish.low || wish.high) {
            window = intersect(window, {{wish.low.value_or(Rational(0)), wish.high}});
        }
        if (now.extreme == index && wish.kind == Wish::Kind::highest) {
            const Rational end = std::min(wish.high.value_or(highest_[node]), highest_[node]);
            window = intersect(window, {{end * (1 - now.off), std::nullopt}});
        } else if (now.extreme == index && wish.low) {
            window = intersect(window, {{Rational(0), *wish.low * (1 + now.off)}});
        }
    }
    window = intersect(window, judges_.windowAt(node, highest_[node], now.share));
    return nodeWindows_.emplace(std::pair(node, level), std::move(window)).first->second;
}

/// What of the spans the limits leave that hold only while the parent, `factor` × the rate, runs within some rates.
RateSpans BranchSolver::allowedWhile(const Shape& shape, RateSpans spans, const Rational& factor) {
    for (const SpaceLimit* limit : shape.ownLimits) {
        if (limit->whileRate == nullptr) {
            continue;
        }
        RateSpans allowed{{limit->min.value_or(Rational(0)), limit->max}};
        if (limit->whileRate->least) {
            allowed.push_back({Rational(0), *limit->whileRate->least / factor});
        }
        if (limit->whileRate->below) {
            allowed.push_back({*limit->whileRate->below / factor, std::nullopt});
        }
        spans = intersect(spans, united(std::move(allowed), policy::kMostSpans));
    }
    return spans;
}

RateSpans BranchSolver::parentWindow(const Shape& shape, const RateSpans& own, std::size_t level) {
    const std::vector<std::size_t>& inputs = space_.nodes[shape.node].inputs;
    if (own.empty() || inputs.empty()) {
        return {};
    }
    if (space_.nodes[inputs[shape.from]].source != nullptr) {
        return allRates(); // a source's few rates are tried one by one
    }
    const RateSpans& within = nodeWindow(inputs[shape.from], level);
    // a multiplier has few settings below it: windows that it splits up cost more than they save
    const std::int64_t most =
        shape.multiplies > 1 ? policy::kMostSplits / static_cast<std::int64_t>(own.size()) : policy::kMostProducts;
    const bool isFew = shape.divides <= most && shape.multiplies <= most && shape.divides * shape.multiplies <= most;
    std::optional<RateSpans> coarse;
    if (isFew) {
        RateSpans& window = scaled_;
        window.clear();
        const auto mostSpans =
            static_cast<std::size_t>(std::max<std::int64_t>(8, policy::kMostScaled / (shape.divides * shape.multiplies)));
        const RateSpans& scaled = own.size() > mostSpans ? coarse.emplace(united(RateSpans(own), mostSpans)) : own;
        // dividers with which nothing of the window is where the parent may stand are left out
        std::optional<Rational> first;
        std::optional<Rational> end;
        if (!within.empty() && own.back().high && !own.back().high->isZero()) {
            first = within.front().low * shape.factor * shape.multiply->least() / *own.back().high;
        }
        if (!within.empty() && within.back().high && own.front().low.sign() > 0) {
            end = *within.back().high * shape.factor * shape.multiply->most() / own.front().low;
        }
        eachValue(*shape.divide, first, end, [&](const Rational& divide) {
            return eachValue(*shape.multiply, std::nullopt, std::nullopt, [&](const Rational& multiply) {
                const Candidate candidate{{}, shape.from, divide, multiply};
                if (!isAllowed(shape, candidate)) {
                    return true;
                }
                const Rational factor = divide / (shape.factor * multiply);
                if (shape.ownLimits.empty()) {
                    appendScaled(window, scaled, factor, within);
                } else {
                    const Ends ends = endsFor(shape, candidate);
                    const RateSpans held = intersect(scaled, {{ends.min.value_or(Rational(0)), ends.max}});
                    appendScaled(window, allowedWhile(shape, held, factor), factor, within);
                }
                return true;
            });
        });
        return united(std::move(window), policy::kMostSpans);
    }
    const auto& last = own.back().high;
    return {{own.front().low * shape.divide->least() / (shape.factor * shape.multiply->most()),
             last ? std::optional(*last * shape.divide->most() / (shape.factor * shape.multiply->least())) : std::nullopt}};
}

const Window& BranchSolver::windowOf(Shape& shape, std::size_t level) {
    const auto known = shape.windows.find(level);
    if (known != shape.windows.end()) {
        return known->second;
    }
    effort_.look();
    Window& window = shape.windows[level];
    try {
        std::vector<const RateSpans*> lists; // the shortest first: what it leaves is soon compared
        for (Shape* child : shape.children) {
            lists.push_back(&windowOf(*child, level).above);
        }
        std::sort(lists.begin(), lists.end(), [](const RateSpans* a, const RateSpans* b) { return a->size() < b->size(); });
        window.own = nodeWindow(shape.node, level);
        if (shape.min || shape.max) {
            window.own = intersect(window.own, {{shape.min.value_or(Rational(0)), shape.max}});
        }
        for (const auto& [dependence, wanted] : shape.classes) {
            if (const RateCase* rate = space_.dependences[dependence].rate; rate != nullptr && wanted == 1) {
                window.own = intersect(window.own, {{rate->least.value_or(Rational(0)), rate->below}});
            }
        }
        for (const RateSpans* list : lists) {
            window.own = intersect(window.own, *list);
        }
        window.rough.reserve(window.own.size());
        for (const RateSpan& span : window.own) {
            window.rough.emplace_back(span.low.toDouble(),
                                      span.high ? span.high->toDouble() : std::numeric_limits<double>::infinity());
        }
        window.above = parentWindow(shape, window.own, level);
    } catch (const RationalOverflow&) { // it can't be told: anything may fit
        window.own = window.above = allRates();
        window.rough = {{0.0, std::numeric_limits<double>::infinity()}};
        shape.isDeep = true;
    }
    takeMemory(static_cast<std::int64_t>(100 * window.own.size() + 80 * window.above.size()));
    return window;
}

bool BranchSolver::isAllowed(const Shape& shape, const Candidate& candidate) const {
    for (const auto& [dependence, wanted] : shape.classes) {
        const Dependence& on = space_.dependences[dependence];
        if ((on.rate == nullptr || !candidate.hertz.isZero()) && // a rate that is still to come may be any
            on.classOf(on.valueOf(candidate.divide, candidate.multiply, candidate.from, candidate.hertz)) != wanted) {
            return false;
        }
    }
    return true;
}

bool BranchSolver::fitsAt(Shape& shape, const Rational& parent, std::size_t level) {
    const auto known = shape.fits.find({level, parent});
    if (known != shape.fits.end()) {
        return known->second;
    }
    bool isFit = false;
    if (const Window& window = windowOf(shape, level); !window.own.empty()) {
        eachCandidate(shape, window, parent, levels_[level].isStill, [&](const Candidate& candidate) {
            isFit = !shape.isDeep || std::all_of(shape.children.begin(), shape.children.end(),
                                                 [&](Shape* child) { return fitsAt(*child, candidate.hertz, level); });
            return !isFit;
        });
    }
    if (!effort_.isOver()) {
        shape.fits.emplace(std::pair(level, parent), isFit);
    }
    return isFit || effort_.isOver();
}

/// What the rate of a wish for an extreme can't be beyond.
std::optional<Rational> BranchSolver::endOf(const Wish& wish) const {
    if (wish.kind == Wish::Kind::highest) {
        const Rational& highest = highest_[*space_.part->findNode(wish.line)];
        return std::min(wish.high.value_or(highest), highest);
    }
    return wish.kind == Wish::Kind::lowest ? wish.low : std::nullopt;
}

Amounts BranchSolver::leastExtremes() const {
    Amounts least(space_.extremes);
    for (std::size_t i = 0; i < space_.question.wishes.size(); ++i) {
        const Wish& wish = space_.question.wishes[i];
        if (wish.kind == Wish::Kind::highest) { // where a soft one is missed it may be beyond its own end
            least[space_.extremeOf[i]] = -(wish.isSoft ? highest_[*space_.part->findNode(wish.line)] : *endOf(wish));
        } else if (wish.kind == Wish::Kind::lowest && wish.low && !wish.isSoft) {
            least[space_.extremeOf[i]] = *wish.low;
        }
    }
    return least;
}

void BranchSolver::addBound(const Branch& branch, const std::vector<Rational>& parents, Bound& bound) {
    bound.score.strained += branch.leastStrained;
    Score strays;
    strays.strays = branch.strays;
    bound.score += strays;
    for (const std::size_t index : branch.wishes) {
        const Wish& wish = space_.question.wishes[index];
        const bool isExtreme = wish.kind == Wish::Kind::highest || wish.kind == Wish::Kind::lowest;
        if (!isExtreme || wish.isSoft || !endOf(wish)) {
            continue;
        }
        const std::size_t level = levelOf({Rational(1), false, index, 0, 0, false});
        if (std::none_of(parents.begin(), parents.end(),
                         [&](const Rational& parent) { return fitsAt(*branch.shape, parent, level); })) {
            bound.beyond.push_back(index);
        }
    }
}

bool BranchSolver::mayReach(const Branch& branch, const std::vector<Rational>& parents, std::size_t wish,
                            const Rational& extreme) {
    const auto end = endOf(space_.question.wishes[wish]);
    if (!end || space_.question.wishes[wish].isSoft) {
        return true;
    }
    const std::size_t level = levelOf({Rational(1), false, wish, abs(1 - abs(extreme) / *end), 0, false});
    return std::any_of(parents.begin(), parents.end(),
                       [&](const Rational& parent) { return fitsAt(*branch.shape, parent, level); });
}

bool BranchSolver::keepsForCertain(const Rule& rule) {
    const RateSpans& left = nodeWindow(rule.left, 0);
    const RateSpans& right = nodeWindow(rule.right, 0);
    if (left.empty() || right.empty()) {
        return false; // there is no take anyhow
    }
    const bool isNeverMore = left.back().high && *left.back().high <= rule.times * right.front().low;
    const bool isNeverLess = right.back().high && left.front().low >= rule.times * *right.back().high;
    switch (rule.relation) {
    case Rule::Relation::atMost: return isNeverMore;
    case Rule::Relation::atLeast: return isNeverLess;
    case Rule::Relation::equals: return isNeverMore && isNeverLess;
    }
    return false;
}

} // namespace wisetick
