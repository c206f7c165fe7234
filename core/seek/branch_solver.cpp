#include "seek/branch_solver.h"

#include "seek/draw.h"

#include <algorithm>
#include <cmath>

namespace wisetick {

namespace {

constexpr std::size_t kMostSpans = 1024;
constexpr std::int64_t kMostProducts = 8192; ///< divider × multiplier values that a window is led through one by one
constexpr std::int64_t kMostSplits = 64;     ///< the same where there is a multiplier: few settings are below it

/// Visits the values of a set from `low` to `high`, ascending, until `visit` says false.
template <class Visit>
bool eachValue(const FactorSet& set, const std::optional<Rational>& low, const std::optional<Rational>& high, Visit visit) {
    auto value = low ? set.atLeast(*low) : std::optional(set.least());
    if (set.isRange()) {
        const Rational end = high ? std::min(*high, set.most()) : set.most();
        for (; value && *value <= end; *value += set.step()) {
            if (!visit(*value)) {
                return false;
            }
        }
        return true;
    }
    for (std::int64_t i = 0, count = set.count(); i < count; ++i) {
        const Rational each = set.at(i);
        if ((low && each < *low) || (high && each > *high)) {
            continue;
        }
        if (!visit(each)) {
            return false;
        }
    }
    return true;
}

/// An evenly stepped set, rounded: tells soon that it has nothing between two values.
class RoughSet {
public:
    explicit RoughSet(const FactorSet& set)
        : isRange_(set.isRange()), from_(set.least().toDouble()), step_(isRange_ ? set.step().toDouble() : 1),
          last_(isRange_ ? (set.most().toDouble() - from_) / step_ : 0) {}

    /// False is certain.
    bool mayHaveBetween(double low, double high) const {
        if (!isRange_) {
            return true;
        }
        const double first = (low - from_) / step_;
        const double last = (high - from_) / step_;
        const double margin = 1e-9 * (std::abs(first) + std::abs(last_) + 1);
        return first <= last_ + margin && last >= -margin &&
               (last > last_ || std::floor(last + margin) >= std::ceil(first - margin));
    }

private:
    bool isRange_;
    double from_;
    double step_;
    double last_; ///< the place of its greatest value
};

void addRate(std::vector<RateAt>& rates, std::size_t node, const Rational& hertz) {
    rates.insert(std::upper_bound(rates.begin(), rates.end(), node, [](std::size_t a, const RateAt& b) { return a < b.first; }),
                 {node, hertz});
}

void mergeRates(std::vector<RateAt>& rates, const std::vector<RateAt>& others) {
    if (others.empty()) {
        return;
    }
    const auto middle = static_cast<std::ptrdiff_t>(rates.size());
    rates.insert(rates.end(), others.begin(), others.end());
    std::inplace_merge(rates.begin(), rates.begin() + middle, rates.end(),
                       [](const RateAt& a, const RateAt& b) { return a.first < b.first; });
}

const Rational* rateIn(const std::vector<RateAt>& rates, std::size_t node) {
    const auto found = std::find_if(rates.begin(), rates.end(), [&](const RateAt& each) { return each.first == node; });
    return found == rates.end() ? nullptr : &found->second;
}

} // namespace

BranchSolver::BranchSolver(const Space& space, const InForce& inForce, std::size_t tier, const Aim& aim, Effort& effort)
    : space_(space), inForce_(inForce), tier_(tier), aim_(aim), effort_(effort), judges_(space, inForce, tier), levels_(1),
      matters_(space.nodes.size()) {
    for (std::size_t node = 0; node < space.nodes.size(); ++node) {
        const SpaceNode& each = space.nodes[node];
        const auto setOf = [&](const char* control, const FactorSet& set, const Rational& now) {
            return mayChange(space, inForce, node, control) ? &set : &fixed_.emplace_back(FactorSet::one(now));
        };
        divide_.push_back(setOf("divide", each.divide, each.divideNow));
        multiply_.push_back(setOf("multiply", each.multiply, each.multiplyNow));
        draws_.push_back(node == space.core || (each.source != nullptr && each.source->draws) ||
                         (each.line != nullptr && each.line->draws) || (each.peripheral != nullptr && each.peripheral->draws));
        divides_.push_back(divide_.back()->count());
        multiplies_.push_back(multiply_.back()->count());
        matters_[node] = node == space.core || node == space.crystalNode;
        for (const std::size_t wish : space.wishesAt[node]) {
            matters_[node] = matters_[node] || inForce.wishes[wish];
        }
    }
    for (const SoughtPromise& sought : space.question.promises) {
        const std::string& subject = space.plan.promises[sought.index].line.subject;
        if (const auto peripheral = space.part->findPeripheral(peripheralOf(subject))) {
            matters_[space.peripheralNode(*peripheral)] = true;
        } else if (const auto node = space.part->findNode(subject)) {
            matters_[*node] = true;
        }
    }
    for (const Preference preference : space.question.prefers) {
        wantsCurrent_ = wantsCurrent_ || preference == Preference::current;
        wantsOscillator_ = wantsOscillator_ || preference == Preference::oscillator;
    }
    leansOn_.resize(space.nodes.size());
    for (std::size_t i = 0; i < space.dependences.size(); ++i) {
        leansOn_[space.dependences[i].node].push_back(i);
        for (const std::size_t user : space.dependences[i].users) {
            if (user != space.dependences[i].node) {
                leansOn_[user].push_back(i);
            }
        }
    }
    highest_.assign(space.nodes.size(), Rational(0));
    const auto highestInput = [&](const SpaceNode& node) {
        Rational highest;
        for (const std::size_t input : node.inputs) {
            highest = std::max(highest, highest_[input]);
        }
        return highest;
    };
    for (std::size_t node = 0; node < space.part->sources.size(); ++node) {
        for (const Rational& rate : space.nodes[node].rates) {
            highest_[node] = std::max(highest_[node], rate);
        }
    }
    for (const std::size_t line : space.part->order) {
        const std::size_t node = space.part->nodeOfLine(line);
        Rational factor = space.part->lines[line].factor;
        if (const auto& followed = space.followed[node]) {
            factor *= *std::max_element(followed->factors.begin(), followed->factors.end());
        }
        try {
            highest_[node] = highestInput(space.nodes[node]) * factor * multiply_[node]->most() / divide_[node]->least();
        } catch (const RationalOverflow&) {
            highest_[node] = powerOfTen(30);
        }
        for (const SpaceLimit& limit : space.limits[node]) {
            if (inForce.limits[node] && limit.max && !limit.own && !limit.dependence && (!limit.tier || *limit.tier == tier)) {
                highest_[node] = std::min(highest_[node], *limit.max);
            }
        }
    }
    for (std::size_t node = space.part->nodeCount(); node < space.nodes.size(); ++node) {
        highest_[node] = highestInput(space.nodes[node]);
    }
}

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
    slot = std::make_unique<Shape>();
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
        if (limit.own != nullptr) {
            shape.ownLimits.push_back(&limit);
            continue;
        }
        if (limit.isNominal) {
            shape.nominalMax = shape.nominalMax ? std::min(*shape.nominalMax, *limit.max) : *limit.max;
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
    slot = std::make_unique<Branch>();
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
            if ((!limit.tier || *limit.tier == tier_) && limit.own == nullptr && !limit.dependence) {
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
    const std::int64_t most = shape.multiplies > 1 ? kMostSplits / static_cast<std::int64_t>(own.size()) : kMostProducts;
    const bool isFew = shape.divides <= most && shape.multiplies <= most && shape.divides * shape.multiplies <= most;
    if (isFew) {
        RateSpans window;
        eachValue(*shape.divide, std::nullopt, std::nullopt, [&](const Rational& divide) {
            return eachValue(*shape.multiply, std::nullopt, std::nullopt, [&](const Rational& multiply) {
                const Candidate candidate{{}, shape.from, divide, multiply};
                if (!isAllowed(shape, candidate)) {
                    return true;
                }
                const Rational factor = divide / (shape.factor * multiply);
                if (shape.ownLimits.empty()) {
                    appendScaled(window, own, factor, within);
                } else {
                    const Ends ends = endsFor(shape, candidate);
                    appendScaled(window, intersect(own, {{ends.min.value_or(Rational(0)), ends.max}}), factor, within);
                }
                return true;
            });
        });
        return united(std::move(window), kMostSpans);
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
        for (const RateSpans* list : lists) {
            window.own = intersect(window.own, *list);
        }
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
    return window;
}

bool BranchSolver::isAllowed(const Shape& shape, const Candidate& candidate) const {
    for (const auto& [dependence, wanted] : shape.classes) {
        const Dependence& on = space_.dependences[dependence];
        if (on.classOf(on.isMultiply ? candidate.multiply : candidate.divide) != wanted) {
            return false;
        }
    }
    return true;
}

/// Visits every setting of the shape's own controls with which its rate is in the window.
template <class Visit>
void BranchSolver::eachCandidate(const Shape& shape, const Window& window, const Rational& parent, bool isStill, Visit visit) {
    Candidate candidate;
    candidate.from = shape.from;
    if (space_.nodes[shape.node].source != nullptr) {
        const SpaceNode& node = space_.nodes[shape.node];
        const bool mayTurn = shape.node == space_.crystalNode || mayChange(space_, inForce_, shape.node, "rate");
        for (std::size_t i = 0; i < node.rates.size(); ++i) {
            candidate.from = i;
            candidate.hertz = node.rates[i];
            const bool isPossible = (i == node.rateNow || (mayTurn && !isStill)) && spansContain(window.own, candidate.hertz);
            if (isPossible && (!effort_.step() || !visit(candidate))) {
                return;
            }
        }
        return;
    }
    const Rational base = parent * shape.factor;
    if (isStill) {
        const SpaceNode& node = space_.nodes[shape.node];
        candidate.divide = node.divideNow;
        candidate.multiply = node.multiplyNow;
        candidate.hertz = base * candidate.multiply / candidate.divide;
        const bool isThere = node.from == shape.from && shape.divide->contains(candidate.divide) &&
                             shape.multiply->contains(candidate.multiply) && spansContain(window.own, candidate.hertz);
        if (effort_.step() && isThere && isAllowed(shape, candidate)) {
            visit(candidate);
        }
        return;
    }
    const bool isDivideInner = shape.divides >= shape.multiplies;
    const FactorSet& outer = isDivideInner ? *shape.multiply : *shape.divide;
    const FactorSet& inner = isDivideInner ? *shape.divide : *shape.multiply;
    const bool isEachTried = std::max(shape.divides, shape.multiplies) <= 4;
    const RoughSet rough(inner);
    eachValue(outer, std::nullopt, std::nullopt, [&](const Rational& first) {
        const Rational scale = isDivideInner ? base * first : base / first;
        (isDivideInner ? candidate.multiply : candidate.divide) = first;
        const auto take = [&](const Rational& second, bool isChecked) {
            if (!effort_.step()) {
                return false;
            }
            candidate.hertz = isDivideInner ? scale / second : scale * second;
            (isDivideInner ? candidate.divide : candidate.multiply) = second;
            const bool isIn = isChecked || spansContain(window.own, candidate.hertz);
            return !isIn || !isAllowed(shape, candidate) || visit(candidate);
        };
        const bool isShort = !inner.isRange() && inner.count() <= 2 * static_cast<std::int64_t>(window.own.size());
        if (isEachTried || isShort) {
            return eachValue(inner, std::nullopt, std::nullopt, [&](const Rational& second) { return take(second, false); });
        }
        const double roughScale = scale.toDouble();
        for (std::size_t i = 0; i < window.own.size(); ++i) {
            const auto& [roughLow, roughHigh] = window.rough[i];
            const bool mayHave = isDivideInner ? rough.mayHaveBetween(roughScale / roughHigh, roughScale / roughLow)
                                               : rough.mayHaveBetween(roughLow / roughScale, roughHigh / roughScale);
            if (!mayHave) {
                continue;
            }
            const RateSpan& span = window.own[i];
            std::optional<Rational> low = span.low / scale;
            std::optional<Rational> high = span.high ? std::optional(*span.high / scale) : std::nullopt;
            if (isDivideInner) { // rate = scale ÷ divider
                std::swap(low, high);
                low = low ? std::optional(1 / *low) : std::nullopt;
                high = high && !high->isZero() ? std::optional(1 / *high) : std::nullopt;
            }
            if (!eachValue(inner, low, high, [&](const Rational& second) { return take(second, true); })) {
                return false;
            }
        }
        return !effort_.isOver();
    });
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

std::vector<Rational> BranchSolver::leastExtremes() const {
    std::vector<Rational> least(space_.extremes);
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

bool BranchSolver::addWishes(std::size_t node, const Bounds& hertz, bool isKnown, const Level& level, Score& score) const {
    for (const std::size_t index : space_.wishesAt[node]) {
        if (!inForce_.wishes[index]) {
            continue;
        }
        const Wish& wish = space_.question.wishes[index];
        const WishStanding standing = standingOf(wish, hertz, isKnown, space_.part->slack);
        if (standing.state == State::broken && (!wish.isSoft || !level.isAll)) {
            return false;
        }
        if (!level.isAll && standing.ratio > level.share) {
            return false;
        }
        score.broken += standing.state == State::broken ? 1 : 0;
        score.strained += standing.state == State::strained ? 1 : 0;
        const Rational off = std::max(1 - hertz.min / hertz.nominal, hertz.max / hertz.nominal - 1);
        if (const auto stray = strayOf(wish, off, isKnown)) {
            Score strays;
            strays.strays = {*stray};
            score += strays;
        }
        if (!standing.ratio.isZero()) {
            score += Score{0, 0, {}, {}, {standing.ratio}, 0, {}, {}, {}, {}};
        }
        if (wish.kind == Wish::Kind::highest || wish.kind == Wish::Kind::lowest) {
            score.extremes.resize(space_.extremes);
            score.extremes[space_.extremeOf[index]] += extremeOf(wish, hertz.nominal);
        }
    }
    return true;
}

bool BranchSolver::addPromises(std::size_t node, const Bounds& hertz, bool isKnown, const Level& level, Score& score) {
    if (space_.promisesAt[node].empty()) {
        return true;
    }
    if (!judges_.mayHold(node, hertz.nominal)) {
        return false;
    }
    const PromiseStanding& standing = judges_.at(node, hertz, isKnown);
    if (standing.isHardBroken) {
        return false;
    }
    const bool isHeldBack = !standing.ratios.empty() && standing.ratios.front() > level.share;
    if (!level.isAll && (standing.broken > 0 || isHeldBack)) {
        return false;
    }
    score += Score{standing.broken, standing.strained, {}, {}, standing.ratios, 0, {}, {}, {}, {}};
    return true;
}

bool BranchSolver::isStrained(const Branch& branch, const Bounds& hertz, const Ends& ends) const {
    if (branch.low == 1 && branch.high == 1) {
        return false;
    }
    const auto slack = [&](bool isTolerance) { return isTolerance ? Rational(0) : space_.part->slack; };
    return (ends.min && hertz.min / *ends.min - 1 < -slack(ends.isMinTolerance)) ||
           (ends.max && 1 - hertz.max / *ends.max < -slack(ends.isMaxTolerance));
}

/// The ends of the shape's limits with its own controls set so.
BranchSolver::Ends BranchSolver::endsFor(const Shape& shape, const Candidate& candidate) {
    Ends ends{shape.min, shape.max, shape.isMinTolerance, shape.isMaxTolerance};
    for (const SpaceLimit* limit : shape.ownLimits) {
        const Rational& value = limit->own->control == "multiply" ? candidate.multiply : candidate.divide;
        if (std::find(limit->own->is.begin(), limit->own->is.end(), value) == limit->own->is.end()) {
            continue;
        }
        if (limit->min && (!ends.min || *limit->min > *ends.min)) {
            ends.min = limit->min;
            ends.isMinTolerance = limit->isTolerance;
        }
        if (limit->max && (!ends.max || *limit->max < *ends.max)) {
            ends.max = limit->max;
            ends.isMaxTolerance = limit->isTolerance;
        }
    }
    return ends;
}

/// What the node itself adds to a piece; false where it can't be so.
bool BranchSolver::addOwn(const Branch& branch, const Candidate& candidate, const Level& level, Piece& piece) {
    const bool isPlain = branch.low == 1 && branch.high == 1;
    const Bounds hertz = isPlain ? Bounds::exactly(candidate.hertz)
                                 : Bounds{candidate.hertz * branch.low, candidate.hertz, candidate.hertz * branch.high};
    const Shape& shape = *branch.shape;
    const Ends ends = endsFor(shape, candidate);
    if ((ends.min && candidate.hertz < *ends.min) || (ends.max && candidate.hertz > *ends.max) ||
        (shape.nominalMax && candidate.hertz > *shape.nominalMax)) {
        return false;
    }
    piece.score.strained += isStrained(branch, hertz, ends) ? 1 : 0;
    if (!addWishes(shape.node, hertz, branch.isSpreadKnown, level, piece.score) ||
        !addPromises(shape.node, hertz, branch.isSpreadKnown, level, piece.score)) {
        return false;
    }
    addCosts(shape.node, candidate, piece.score);
    piece.node = shape.node;
    piece.from = candidate.from;
    piece.divide = candidate.divide;
    piece.multiply = candidate.multiply;
    if (matters_[shape.node]) {
        addRate(piece.rates, shape.node, candidate.hertz);
    }
    if (branch.isOpen) {
        addRate(piece.open, shape.node, candidate.hertz);
    }
    return true;
}

void BranchSolver::addCosts(std::size_t at, const Candidate& candidate, Score& score) const {
    const SpaceNode& node = space_.nodes[at];
    if (node.source != nullptr) {
        score.changes += candidate.from != node.rateNow ? 1 : 0;
    } else {
        score.changes += candidate.from != node.from ? 1 : 0;
        score.changes += candidate.divide != node.divideNow ? 1 : 0;
        score.changes += candidate.multiply != node.multiplyNow ? 1 : 0;
    }
    if (wantsCurrent_ && draws_[at]) {
        score.picoampere += drawInRun(space_, at, candidate.hertz);
    }
    if (at == space_.core) {
        score.core -= candidate.hertz;
    }
    if (wantsOscillator_ && node.line != nullptr && !node.line->multiply.empty()) {
        score.oscillators.push_back(candidate.hertz);
    }
}

bool BranchSolver::keepsRules(const std::vector<RateAt>& open) const {
    for (std::size_t i = 0; i < space_.part->rules.size(); ++i) {
        const Rule& rule = space_.part->rules[i];
        const Rational* left = inForce_.rules[i] ? rateIn(open, rule.left) : nullptr;
        const Rational* right = left == nullptr ? nullptr : rateIn(open, rule.right);
        if (right == nullptr) {
            continue;
        }
        const Rational bound = rule.times * *right;
        if ((rule.relation != Rule::Relation::atLeast && *left > bound) ||
            (rule.relation != Rule::Relation::atMost && *left < bound)) {
            return false;
        }
    }
    return true;
}

void BranchSolver::settle(std::vector<Piece>& pieces) const {
    if (pieces.size() < 2) {
        return;
    }
    std::vector<Piece*> order;
    order.reserve(pieces.size());
    for (Piece& piece : pieces) {
        order.push_back(&piece);
    }
    std::sort(order.begin(), order.end(), [&](const Piece* a, const Piece* b) {
        return comparePieces(*a, *b, space_.question.prefers) == std::strong_ordering::less;
    });
    const bool isOpen = std::any_of(pieces.begin(), pieces.end(), [](const Piece& piece) { return !piece.open.empty(); });
    std::map<std::vector<RateAt>, std::vector<const Piece*>> byOpen; // what is kept for each set of open rates
    std::vector<const Piece*>& ofNone = byOpen[{}];
    std::vector<Piece*> kept;
    for (Piece* piece : order) {
        std::vector<const Piece*>& others = piece->open.empty() ? ofNone : byOpen[piece->open];
        if (others.size() >= aim_.most) {
            if (!isOpen) {
                break;
            }
            continue;
        }
        const bool isKnown = aim_.isFolded && std::any_of(others.begin(), others.end(),
                                                          [&](const Piece* other) { return other->rates == piece->rates; });
        if (!isKnown) {
            others.push_back(piece);
            kept.push_back(piece);
        }
    }
    std::vector<Piece> best;
    best.reserve(kept.size());
    for (Piece* piece : kept) {
        best.push_back(std::move(*piece));
    }
    pieces = std::move(best);
}

bool BranchSolver::isWorse(const Score& score, const Piece& piece) const {
    return compareScores(score, piece.score, space_.question.prefers) == std::strong_ordering::greater;
}

std::vector<Piece> BranchSolver::combine(Piece own, const std::vector<const Pieces*>& lists,
                                         const std::vector<std::size_t>& pending) const {
    std::vector<Piece> made;
    made.push_back(std::move(own));
    for (const Pieces* list : lists) {
        const auto isPieceOpen = [](const Piece& piece) { return !piece.open.empty(); };
        const bool isOpen = std::any_of(made.begin(), made.end(), isPieceOpen) ||
                            std::any_of(list->begin(), list->end(), [&](const Piece* piece) { return isPieceOpen(*piece); });
        std::vector<Piece> next;
        for (std::size_t i = 0; i < made.size(); ++i) {
            for (std::size_t j = 0; j < list->size(); ++j) {
                if (!isOpen && (i + 1) * (j + 1) > aim_.most) {
                    break; // so many are better in both
                }
                const Piece& part = *(*list)[j];
                if (isOpen) {
                    std::vector<RateAt> open = made[i].open;
                    mergeRates(open, part.open);
                    if (!keepsRules(open)) {
                        continue;
                    }
                }
                Piece whole = j + 1 == list->size() && !isOpen ? std::move(made[i]) : made[i];
                mergeRates(whole.open, part.open);
                whole.score += part.score;
                mergeRates(whole.rates, part.rates);
                whole.parts.push_back(&part);
                next.push_back(std::move(whole));
            }
        }
        settle(next);
        made = std::move(next);
    }
    for (Piece& piece : made) {
        std::erase_if(piece.open,
                      [&](const RateAt& rate) { return std::find(pending.begin(), pending.end(), rate.first) == pending.end(); });
    }
    return made;
}

/// The levels at which a branch is looked at, one after the other until there is enough: by the first extreme that is wished in
/// it, else by the tolerances.
std::vector<std::size_t> BranchSolver::levelsFor(const Branch& branch, const Rational& parent) {
    static const std::vector<Rational> kManyShares{Rational(0), Rational(1, 1024), Rational(1, 128), Rational(1, 32),
                                                   Rational(1, 8)};
    static const std::vector<Rational> kSparseShares{Rational(1, 64), Rational(1, 4)}; // two tolerances meet seldom
    static const std::vector<Rational> kManyOffs{Rational(1, 16384), Rational(1, 4096), Rational(1, 2048), Rational(1, 1024),
                                                 Rational(1, 512),   Rational(1, 256),  Rational(1, 64),   Rational(1, 8)};
    static const std::vector<Rational> kFewShares{Rational(1, 128), Rational(1, 32), Rational(1, 8), Rational(1, 2)};
    constexpr double kFewSettings = 1e7; // each level costs windows: few settings are not worth many
    const std::vector<Rational>& shares =
        branch.settings <= kFewSettings ? kFewShares : (branch.tolerances > 1 ? kSparseShares : kManyShares);
    std::optional<std::size_t> extreme;
    for (const std::size_t index : branch.wishes) {
        const Wish& wish = space_.question.wishes[index];
        const bool isExtreme = wish.kind == Wish::Kind::highest || wish.kind == Wish::Kind::lowest;
        if (isExtreme && (!extreme || index < *extreme)) {
            extreme = index;
        }
    }
    std::vector<std::size_t> levels;
    const auto& prefers = space_.question.prefers;
    if (aim_.isFolded && branch.pending.empty() && !branch.isAsked &&
        (aim_.onlyFits || (!prefers.empty() && prefers.front() == Preference::changes))) {
        levels.push_back(levelOf({Rational(1), true, {}, 0, 0, true})); // nothing is better than to leave it alone
    }
    if (!aim_.onlyFits && aim_.isFolded && branch.pending.empty()) {
        const bool isEndThere = !extreme || fitsAt(*branch.shape, parent, levelOf({Rational(1), false, extreme, 0, 0, false}));
        if (isEndThere && (extreme || branch.tolerances > 0)) {
            for (const Rational& share : shares) {
                levels.push_back(levelOf({share, false, extreme, 0, 0, false}));
            }
        }
        if (extreme) {
            for (const Rational& off : branch.settings > kFewSettings ? kManyOffs : kFewShares) {
                levels.push_back(levelOf({Rational(1), false, extreme, off, 0, false}));
            }
        }
    }
    levels.push_back(0);
    return levels;
}

/// Whether nothing that the level holds back can be better than these: they keep all, strain only what must be strained, and
/// where it held back errors they have the extremes that were wished.
bool BranchSolver::areBest(const Branch& branch, const Pieces& pieces, const Level& level) const {
    if (level.isStill) {
        return !pieces.empty() && pieces.front()->score.broken == 0 && pieces.front()->score.strained <= branch.leastStrained;
    }
    if (level.isAll) {
        return true;
    }
    const auto isBest = [&](const Piece* piece) {
        if (piece->score.broken > 0 || piece->score.strained > branch.leastStrained) {
            return false;
        }
        return level.share == 1 || std::all_of(branch.wishes.begin(), branch.wishes.end(), [&](std::size_t index) {
                   const Wish& wish = space_.question.wishes[index];
                   if (wish.kind != Wish::Kind::highest && wish.kind != Wish::Kind::lowest) {
                       return true;
                   }
                   const auto end = endOf(wish);
                   return end && piece->score.extremes[space_.extremeOf[index]] == extremeOf(wish, *end);
               });
    };
    return pieces.size() >= aim_.most && std::all_of(pieces.begin(), pieces.end(), isBest);
}

const Pieces& BranchSolver::solve(Branch& branch, const Rational& parent, const std::optional<Rational>& enough) {
    const bool isLimited = mostOpen_ > 0 && !branch.pending.empty();
    const std::size_t level = isLimited ? levelOf({Rational(1), true, {}, 0, mostOpen_, mostOpen_ == 1}) : 0;
    if (level > 0 && space_.nodes[branch.shape->node].source == nullptr) {
        return solveAt(branch, parent, level);
    }
    if (space_.nodes[branch.shape->node].source != nullptr) {
        if (!enough && mostOpen_ == 0) {
            return solveAt(branch, parent, 0);
        }
        std::vector<Piece> gathered;
        gather(branch, parent, level, enough, gathered);
        return cutLists_.emplace_back(kept(std::move(gathered)));
    }
    const auto known = branch.best.find(parent);
    if (known != branch.best.end()) {
        return *known->second;
    }
    const Pieces* pieces = nullptr;
    bool isWhole = true;
    for (const std::size_t each : levelsFor(branch, parent)) {
        pieces = &solveAt(branch, parent, each);
        if (effort_.isOver() || areBest(branch, *pieces, levels_[each])) {
            break;
        }
        if (enough && !levels_[each].extreme && levels_[each].share >= *enough) {
            isWhole = false;
            break;
        }
    }
    if (isWhole && !effort_.isOver()) {
        branch.best.emplace(parent, pieces);
    }
    return *pieces;
}

Pieces BranchSolver::kept(std::vector<Piece> gathered) {
    Pieces pieces;
    pieces.reserve(gathered.size());
    for (Piece& piece : gathered) {
        pieces.push_back(&pieces_.emplace_back(std::move(piece)));
    }
    return pieces;
}

const Pieces& BranchSolver::solveAt(Branch& branch, const Rational& parent, std::size_t level) {
    const auto known = branch.solved.find({level, parent});
    if (known != branch.solved.end()) {
        return known->second;
    }
    std::vector<Piece> gathered;
    gather(branch, parent, level, std::nullopt, gathered);
    Pieces best = kept(std::move(gathered));
    if (effort_.isOver()) {
        return cutLists_.emplace_back(std::move(best));
    }
    return branch.solved.emplace(std::pair(level, parent), std::move(best)).first->second;
}

/// The best pieces of all settings of the branch's own controls.
void BranchSolver::gather(Branch& branch, const Rational& parent, std::size_t level, const std::optional<Rational>& enough,
                          std::vector<Piece>& gathered) {
    constexpr std::size_t kSettleAfter = 256;
    const bool isOpen = !branch.pending.empty();
    // what hangs on a source has nothing else in common: each goes its own levels
    const bool isSource = space_.nodes[branch.shape->node].source != nullptr;
    std::size_t settled = 0;
    std::vector<const Pieces*> lists;
    const auto attempt = [&](const Candidate& candidate) {
        Piece own;
        if (!addOwn(branch, candidate, levels_[level], own)) {
            return;
        }
        lists.clear();
        for (Branch* child : branch.children) {
            lists.push_back(isSource ? &solve(*child, candidate.hertz, enough) : &solveAt(*child, candidate.hertz, level));
            if (lists.back()->empty()) {
                return;
            }
        }
        if (!isOpen && settled >= aim_.most) {
            Score best = own.score;
            for (const Pieces* list : lists) {
                best += list->front()->score;
            }
            if (isWorse(best, gathered[aim_.most - 1])) {
                return;
            }
        }
        std::vector<Piece> made = combine(std::move(own), lists, branch.pending);
        std::move(made.begin(), made.end(), std::back_inserter(gathered));
    };
    if (const Window& window = windowOf(*branch.shape, level); !window.own.empty()) {
        eachCandidate(*branch.shape, window, parent, levels_[level].isStill, [&](const Candidate& candidate) {
            try {
                attempt(candidate);
            } catch (const RationalOverflow&) { // such a line has no rate
            }
            if (gathered.size() > settled + kSettleAfter) {
                settle(gathered);
                settled = gathered.size();
            }
            const std::size_t mostOpen = levels_[level].mostOpen;
            return !(aim_.onlyFits && !isOpen && !gathered.empty()) && !(isOpen && mostOpen > 0 && gathered.size() >= mostOpen);
        });
    }
    settle(gathered);
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

bool BranchSolver::isSettable(std::size_t node) const {
    const SpaceNode& each = space_.nodes[node];
    return each.line == nullptr || ((mayChange(space_, inForce_, node, "divide") || each.divide.contains(each.divideNow)) &&
                                    (mayChange(space_, inForce_, node, "multiply") || each.multiply.contains(each.multiplyNow)));
}

} // namespace wisetick
