#include "seek/branch_solver.h"

#include "seek/draw.h"

#include <algorithm>
#include <set>

namespace wisetick {

namespace {

constexpr std::size_t kMostSpans = 8192;
constexpr std::int64_t kMostProducts = 4096; ///< divider × multiplier values that a window is led through one by one

std::int64_t countOf(const FactorSet& set) {
    return set.size().toInt64().value_or(std::numeric_limits<std::int64_t>::max());
}

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
    for (std::int64_t i = 0; i < countOf(set); ++i) {
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

BranchSolver::BranchSolver(const Space& space, const InForce& inForce, std::size_t tier, const Pass& pass, Effort& effort)
    : space_(space), inForce_(inForce), tier_(tier), pass_(pass), effort_(effort), judges_(space, inForce, tier, pass.share),
      matters_(space.nodes.size()) {
    for (std::size_t node = 0; node < space.nodes.size(); ++node) {
        const SpaceNode& each = space.nodes[node];
        divide_.push_back(mayChange(space, inForce, node, "divide") ? each.divide : FactorSet::one(each.divideNow));
        multiply_.push_back(mayChange(space, inForce, node, "multiply") ? each.multiply : FactorSet::one(each.multiplyNow));
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
            highest_[node] = highestInput(space.nodes[node]) * factor * multiply_[node].most() / divide_[node].least();
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

Branch* BranchSolver::branchOf(const Place& place, std::vector<Branch*> children,
                               const std::vector<std::optional<std::size_t>>& classes) {
    const auto spread = spreads_.emplace(std::pair(place.low, place.high), spreads_.size()).first->second;
    std::vector<std::size_t> key{place.node, place.from, spread, place.isSpreadKnown ? 1U : 0U, place.isOpen ? 1U : 0U};
    for (std::size_t i = 0; i < space_.dependences.size(); ++i) {
        const Dependence& dependence = space_.dependences[i];
        const bool isMeant = dependence.node == place.node ||
                             std::find(dependence.users.begin(), dependence.users.end(), place.node) != dependence.users.end();
        if (isMeant) {
            key.push_back(classes[i] ? *classes[i] + 1 : 0);
        }
    }
    for (const Branch* child : children) {
        key.push_back(reinterpret_cast<std::size_t>(child));
    }
    std::unique_ptr<Branch>& slot = branches_[key];
    if (slot) {
        return slot.get();
    }
    slot = std::make_unique<Branch>();
    Branch& branch = *slot;
    branch.node = place.node;
    branch.from = place.from;
    branch.children = std::move(children);
    branch.low = place.low;
    branch.high = place.high;
    branch.isSpreadKnown = place.isSpreadKnown;
    branch.isOpen = place.isOpen;
    branch.divide = &divide_[place.node];
    branch.multiply = &multiply_[place.node];
    const SpaceNode& node = space_.nodes[place.node];
    branch.factor = node.line == nullptr ? Rational(1) : node.line->factor;
    if (const auto& followed = space_.followed[place.node]) {
        branch.factor *= followed->factors[classes[followed->dependence].value_or(0)];
    }
    for (std::size_t i = 0; i < space_.dependences.size(); ++i) {
        if (space_.dependences[i].node == place.node && classes[i]) {
            branch.classes.emplace_back(i, *classes[i]);
        }
    }
    for (const SpaceLimit& limit : space_.limits[place.node]) {
        if (!inForce_.limits[place.node] || (limit.tier && *limit.tier != tier_)) {
            continue;
        }
        if (limit.dependence && !limit.inClass[classes[*limit.dependence].value_or(0)]) {
            continue;
        }
        if (limit.own != nullptr) {
            branch.ownLimits.push_back(&limit);
            continue;
        }
        if (limit.isNominal) {
            branch.nominalMax = branch.nominalMax ? std::min(*branch.nominalMax, *limit.max) : *limit.max;
            continue;
        }
        if (limit.min && (!branch.min || *limit.min > *branch.min)) {
            branch.min = limit.min;
            branch.isMinTolerance = limit.isTolerance;
        }
        if (limit.max && (!branch.max || *limit.max < *branch.max)) {
            branch.max = limit.max;
            branch.isMaxTolerance = limit.isTolerance;
        }
    }
    if (branch.isOpen) {
        branch.openNodes.push_back(branch.node);
    }
    for (const Branch* child : branch.children) {
        branch.openNodes.insert(branch.openNodes.end(), child->openNodes.begin(), child->openNodes.end());
    }
    branch.pending = pendingOf(branch.openNodes);
    setWindow(branch);
    return &branch;
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

RateSpans BranchSolver::ownWindow(const Branch& branch) const {
    RateSpans window = {{branch.min.value_or(Rational(0)), branch.max}};
    if (branch.min && branch.max && *branch.min > *branch.max) {
        return {};
    }
    if (branch.nominalMax) {
        window = intersect(window, {{Rational(0), branch.nominalMax}});
    }
    if (const auto& pinned = space_.pinnedAt[branch.node]) {
        window = intersect(window, {{*pinned, *pinned}});
    }
    for (const std::size_t index : space_.wishesAt[branch.node]) {
        const Wish& wish = space_.question.wishes[index];
        if (!inForce_.wishes[index] || (wish.isSoft && pass_.isAll)) {
            continue;
        }
        if (wish.kind == Wish::Kind::at) {
            const Rational off = wish.tolerance.within ? *wish.tolerance.within * pass_.share : Rational(0);
            window = intersect(window, {{std::max(Rational(0), wish.hertz * (1 - off)), wish.hertz * (1 + off)}});
        } else if (wish.low || wish.high) {
            window = intersect(window, {{wish.low.value_or(Rational(0)), wish.high}});
        }
    }
    return intersect(window, judges_.windowAt(branch.node, highest_[branch.node]));
}

/// The parent's rates from which the branch's own window can be reached.
RateSpans BranchSolver::parentWindow(const Branch& branch) const {
    if (branch.window.empty()) {
        return {};
    }
    const std::int64_t divides = countOf(*branch.divide);
    const std::int64_t multiplies = countOf(*branch.multiply);
    const bool isFew = divides <= kMostProducts && multiplies <= kMostProducts && divides * multiplies <= kMostProducts &&
                       divides * multiplies * static_cast<std::int64_t>(branch.window.size()) <= 8 * kMostProducts;
    RateSpans window;
    if (isFew) {
        eachValue(*branch.divide, std::nullopt, std::nullopt, [&](const Rational& divide) {
            return eachValue(*branch.multiply, std::nullopt, std::nullopt, [&](const Rational& multiply) {
                appendScaled(window, branch.window, divide / (branch.factor * multiply));
                return true;
            });
        });
        return united(std::move(window), kMostSpans);
    }
    const auto& last = branch.window.back().high;
    return {{branch.window.front().low * branch.divide->least() / (branch.factor * branch.multiply->most()),
             last ? std::optional(*last * branch.divide->most() / (branch.factor * branch.multiply->least())) : std::nullopt}};
}

void BranchSolver::setWindow(Branch& branch) const {
    try {
        branch.window = ownWindow(branch);
        for (const Branch* child : branch.children) {
            branch.window = intersect(branch.window, parentWindow(*child));
            branch.isDeep = branch.isDeep || child->isDeep || countOf(*child->multiply) > 1;
        }
    } catch (const RationalOverflow&) { // it can't be told: anything may fit
        branch.window = allRates();
        branch.isDeep = true;
    }
}

bool BranchSolver::isAllowed(const Branch& branch, const Candidate& candidate) const {
    for (const auto& [dependence, wanted] : branch.classes) {
        const Dependence& on = space_.dependences[dependence];
        if (on.classOf(on.isMultiply ? candidate.multiply : candidate.divide) != wanted) {
            return false;
        }
    }
    return true;
}

/// Visits every setting of the branch's own controls with which its rate is in the window.
template <class Visit>
void BranchSolver::eachCandidate(const Branch& branch, const Rational& parent, Visit visit) {
    Candidate candidate;
    candidate.from = branch.from;
    if (space_.nodes[branch.node].source != nullptr) {
        const SpaceNode& node = space_.nodes[branch.node];
        const bool mayTurn = mayChange(space_, inForce_, branch.node, "rate");
        for (std::size_t i = 0; i < node.rates.size(); ++i) {
            candidate.from = i;
            candidate.hertz = node.rates[i];
            const bool isPossible = (mayTurn || i == node.rateNow) && spansContain(branch.window, candidate.hertz);
            if (isPossible && (!effort_.step() || !visit(candidate))) {
                return;
            }
        }
        return;
    }
    const Rational base = parent * branch.factor;
    const bool isDivideInner = countOf(*branch.divide) >= countOf(*branch.multiply);
    const FactorSet& outer = isDivideInner ? *branch.multiply : *branch.divide;
    const FactorSet& inner = isDivideInner ? *branch.divide : *branch.multiply;
    eachValue(outer, std::nullopt, std::nullopt, [&](const Rational& first) {
        const Rational scale = isDivideInner ? base * first : base / first;
        (isDivideInner ? candidate.multiply : candidate.divide) = first;
        const auto take = [&](const Rational& second, bool isChecked) {
            if (!effort_.step()) {
                return false;
            }
            candidate.hertz = isDivideInner ? scale / second : scale * second;
            (isDivideInner ? candidate.divide : candidate.multiply) = second;
            const bool isIn = isChecked || spansContain(branch.window, candidate.hertz);
            return !isIn || !isAllowed(branch, candidate) || visit(candidate);
        };
        if (countOf(inner) <= 2 * static_cast<std::int64_t>(branch.window.size())) {
            return eachValue(inner, std::nullopt, std::nullopt, [&](const Rational& second) { return take(second, false); });
        }
        for (const RateSpan& span : branch.window) {
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

bool BranchSolver::fits(Branch& branch, const Rational& parent) {
    const auto known = branch.fits.find(parent);
    if (known != branch.fits.end()) {
        return known->second;
    }
    bool isFit = false;
    if (!branch.window.empty()) {
        eachCandidate(branch, parent, [&](const Candidate& candidate) {
            isFit = !branch.isDeep || std::all_of(branch.children.begin(), branch.children.end(),
                                                  [&](Branch* child) { return fits(*child, candidate.hertz); });
            return !isFit;
        });
    }
    if (!effort_.isOver()) {
        branch.fits.emplace(parent, isFit);
    }
    return isFit || effort_.isOver();
}

bool BranchSolver::addWishes(std::size_t node, const Bounds& hertz, bool isKnown, Score& score) const {
    for (const std::size_t index : space_.wishesAt[node]) {
        if (!inForce_.wishes[index]) {
            continue;
        }
        const Wish& wish = space_.question.wishes[index];
        const WishStanding standing = standingOf(wish, hertz, isKnown, space_.part->slack);
        if (standing.state == State::broken && (!wish.isSoft || !pass_.isAll)) {
            return false;
        }
        if (standing.ratio > pass_.share && !pass_.isAll) {
            return false;
        }
        score.broken += standing.state == State::broken ? 1 : 0;
        score.strained += standing.state == State::strained ? 1 : 0;
        if (!standing.ratio.isZero()) {
            score += Score{0, 0, {}, {standing.ratio}, 0, {}, {}, {}, {}};
        }
        if (wish.kind == Wish::Kind::highest || wish.kind == Wish::Kind::lowest) {
            score.extremes.resize(space_.extremes);
            score.extremes[space_.extremeOf[index]] += extremeOf(wish, hertz.nominal);
        }
    }
    return true;
}

bool BranchSolver::addPromises(std::size_t node, const Bounds& hertz, bool isKnown, Score& score) {
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
    if (!pass_.isAll && (standing.broken > 0 || (!standing.ratios.empty() && standing.ratios.front() > pass_.share))) {
        return false;
    }
    score += Score{standing.broken, standing.strained, {}, standing.ratios, 0, {}, {}, {}, {}};
    return true;
}

bool BranchSolver::isStrained(const Branch& branch, const Bounds& hertz, const std::optional<Rational>& min, bool isMinTolerance,
                              const std::optional<Rational>& max, bool isMaxTolerance) const {
    if (branch.low == 1 && branch.high == 1) {
        return false;
    }
    const auto slack = [&](bool isTolerance) { return isTolerance ? Rational(0) : space_.part->slack; };
    return (min && hertz.min / *min - 1 < -slack(isMinTolerance)) || (max && 1 - hertz.max / *max < -slack(isMaxTolerance));
}

/// What the node itself adds to a piece; false where it can't be so.
bool BranchSolver::addOwn(const Branch& branch, const Candidate& candidate, Piece& piece) {
    const bool isPlain = branch.low == 1 && branch.high == 1;
    const Bounds hertz = isPlain ? Bounds::exactly(candidate.hertz)
                                 : Bounds{candidate.hertz * branch.low, candidate.hertz, candidate.hertz * branch.high};
    std::optional<Rational> min = branch.min;
    std::optional<Rational> max = branch.max;
    bool isMinTolerance = branch.isMinTolerance;
    bool isMaxTolerance = branch.isMaxTolerance;
    for (const SpaceLimit* limit : branch.ownLimits) {
        const Rational& value = limit->own->control == "multiply" ? candidate.multiply : candidate.divide;
        if (std::find(limit->own->is.begin(), limit->own->is.end(), value) == limit->own->is.end()) {
            continue;
        }
        if (limit->min && (!min || *limit->min > *min)) {
            min = limit->min;
            isMinTolerance = limit->isTolerance;
        }
        if (limit->max && (!max || *limit->max < *max)) {
            max = limit->max;
            isMaxTolerance = limit->isTolerance;
        }
    }
    if ((min && candidate.hertz < *min) || (max && candidate.hertz > *max) ||
        (branch.nominalMax && candidate.hertz > *branch.nominalMax)) {
        return false;
    }
    piece.score.strained += isStrained(branch, hertz, min, isMinTolerance, max, isMaxTolerance) ? 1 : 0;
    if (!addWishes(branch.node, hertz, branch.isSpreadKnown, piece.score) ||
        !addPromises(branch.node, hertz, branch.isSpreadKnown, piece.score)) {
        return false;
    }
    addCosts(branch, candidate, piece.score);
    piece.node = branch.node;
    piece.from = candidate.from;
    piece.divide = candidate.divide;
    piece.multiply = candidate.multiply;
    if (matters_[branch.node]) {
        addRate(piece.rates, branch.node, candidate.hertz);
    }
    if (branch.isOpen) {
        addRate(piece.open, branch.node, candidate.hertz);
    }
    return true;
}

void BranchSolver::addCosts(const Branch& branch, const Candidate& candidate, Score& score) const {
    const SpaceNode& node = space_.nodes[branch.node];
    if (node.source != nullptr) {
        score.changes += candidate.from != node.rateNow ? 1 : 0;
    } else {
        score.changes += candidate.from != node.from ? 1 : 0;
        score.changes += candidate.divide != node.divideNow ? 1 : 0;
        score.changes += candidate.multiply != node.multiplyNow ? 1 : 0;
    }
    if (wantsCurrent_) {
        score.picoampere += drawInRun(space_, branch.node, candidate.hertz);
    }
    if (branch.node == space_.core) {
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
    std::map<std::vector<RateAt>, std::size_t> perOpen;
    std::set<std::pair<std::vector<RateAt>, std::vector<RateAt>>> seen;
    std::vector<Piece> kept;
    for (Piece* piece : order) {
        std::size_t& here = perOpen[piece->open];
        if (here >= pass_.most || (pass_.isFolded && !seen.emplace(piece->open, piece->rates).second)) {
            continue;
        }
        ++here;
        kept.push_back(std::move(*piece));
    }
    pieces = std::move(kept);
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
                if (!isOpen && (i + 1) * (j + 1) > pass_.most) {
                    break; // so many are better in both
                }
                const Piece& part = *(*list)[j];
                Piece whole = made[i];
                mergeRates(whole.open, part.open);
                if (!whole.open.empty() && !keepsRules(whole.open)) {
                    continue;
                }
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

const Pieces& BranchSolver::solve(Branch& branch, const Rational& parent) {
    const auto known = branch.solved.find(parent);
    if (known != branch.solved.end()) {
        return known->second;
    }
    constexpr std::size_t kSettleAfter = 256;
    const bool isOpen = !branch.pending.empty();
    std::vector<Piece> gathered;
    std::size_t settled = 0;
    const auto attempt = [&](const Candidate& candidate) {
        Piece own;
        if (!addOwn(branch, candidate, own)) {
            return;
        }
        std::vector<const Pieces*> lists;
        Score best = own.score;
        for (Branch* child : branch.children) {
            lists.push_back(&solve(*child, candidate.hertz));
            if (lists.back()->empty()) {
                return;
            }
            best += lists.back()->front()->score;
        }
        if (!isOpen && settled >= pass_.most && isWorse(best, gathered[pass_.most - 1])) {
            return;
        }
        std::vector<Piece> made = combine(std::move(own), lists, branch.pending);
        std::move(made.begin(), made.end(), std::back_inserter(gathered));
    };
    if (!branch.window.empty()) {
        eachCandidate(branch, parent, [&](const Candidate& candidate) {
            try {
                attempt(candidate);
            } catch (const RationalOverflow&) { // such a line has no rate
            }
            if (gathered.size() > settled + kSettleAfter) {
                settle(gathered);
                settled = gathered.size();
            }
            return !(pass_.onlyFits && !isOpen && !gathered.empty());
        });
    }
    settle(gathered);
    Pieces best;
    for (Piece& piece : gathered) {
        best.push_back(&pieces_.emplace_back(std::move(piece)));
    }
    if (effort_.isOver()) {
        return cutLists_.emplace_back(std::move(best));
    }
    return branch.solved.emplace(parent, std::move(best)).first->second;
}

bool BranchSolver::isSettable(std::size_t node) const {
    const SpaceNode& each = space_.nodes[node];
    return each.line == nullptr || ((mayChange(space_, inForce_, node, "divide") || each.divide.contains(each.divideNow)) &&
                                    (mayChange(space_, inForce_, node, "multiply") || each.multiply.contains(each.multiplyNow)));
}

} // namespace wisetick
