#include "seek/branch_candidates.h"
#include "seek/draw.h"
#include "seek/policy.h"

#include <algorithm>
#include <bit>

namespace wisetick {

namespace {

void addRate(RatesAt& rates, std::size_t node, const Rational& hertz) {
    rates.insert(std::upper_bound(rates.begin(), rates.end(), node, [](std::size_t a, const RateAt& b) { return a < b.first; }),
                 {node, hertz});
}

void mergeRates(RatesAt& rates, const RatesAt& others) {
    if (others.empty()) {
        return;
    }
    const auto middle = static_cast<std::ptrdiff_t>(rates.size());
    rates.insert(rates.end(), others.begin(), others.end());
    std::inplace_merge(rates.begin(), rates.begin() + middle, rates.end(),
                       [](const RateAt& a, const RateAt& b) { return a.first < b.first; });
}

const Rational* rateIn(const RatesAt& rates, std::size_t node) {
    const auto found = std::find_if(rates.begin(), rates.end(), [&](const RateAt& each) { return each.first == node; });
    return found == rates.end() ? nullptr : &found->second;
}

/// The share of a tolerance or somewhat more: 1/2ⁿ, as each that differs costs windows of its own.
Rational coarseShare(const Rational& share) {
    if (share.isZero()) {
        return share;
    }
    const std::int64_t parts = share * policy::kFinestShare <= 1 ? policy::kFinestShare : *(1 / share).floor().toInt64();
    return {1, static_cast<std::int64_t>(std::bit_floor(static_cast<std::uint64_t>(parts)))};
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
            if (inForce.limits[node] && limit.max && !limit.own && !limit.dependence && !limit.whileRate &&
                (!limit.tier || *limit.tier == tier)) {
                highest_[node] = std::min(highest_[node], *limit.max);
            }
        }
    }
    for (std::size_t node = space.part->nodeCount(); node < space.nodes.size(); ++node) {
        highest_[node] = highestInput(space.nodes[node]);
    }
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
            score.addStray(*stray);
        }
        score.addRatio(standing.ratio);
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
    score.broken += standing.broken;
    score.strained += standing.strained;
    for (const Rational& ratio : standing.ratios) {
        score.addRatio(ratio);
    }
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
        if (limit->own != nullptr) {
            const Rational value = limit->own->control == "from"       ? Rational(static_cast<std::int64_t>(candidate.from))
                                   : limit->own->control == "multiply" ? candidate.multiply
                                                                       : candidate.divide;
            if (std::find(limit->own->is.begin(), limit->own->is.end(), value) == limit->own->is.end()) {
                continue;
            }
        }
        if (limit->whileRate != nullptr) {
            const Rational parent = candidate.hertz * candidate.divide / (candidate.multiply * shape.factor);
            const RateCase& rate = *limit->whileRate;
            const bool isMet =
                !candidate.hertz.isZero() && (!rate.least || parent >= *rate.least) && (!rate.below || parent < *rate.below);
            if (!isMet) { // where the rate is still to come, nothing is held against it
                continue;
            }
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
        (shape.nominalMin && candidate.hertz < *shape.nominalMin) || (shape.nominalMax && candidate.hertz > *shape.nominalMax)) {
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
        score.picoampere += drawInRun(space_, at, candidate.hertz, tier_);
    }
    if (at == space_.core) {
        score.core -= candidate.hertz;
    }
    if (wantsOscillator_ && node.line != nullptr && !node.line->multiply.empty()) {
        score.oscillators.push_back(candidate.hertz);
    }
}

bool BranchSolver::keepsRules(const RatesAt& open) const {
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
    std::vector<const Piece*> ofNone;
    std::map<RatesAt, std::vector<const Piece*>> byOpen; // what is kept for each set of open rates
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
        next.reserve(std::min(aim_.most, made.size() * list->size()));
        for (std::size_t i = 0; i < made.size(); ++i) {
            for (std::size_t j = 0; j < list->size(); ++j) {
                if (!isOpen && (i + 1) * (j + 1) > aim_.most) {
                    break; // so many are better in both
                }
                const Piece& part = *(*list)[j];
                if (isOpen) {
                    if (!effort_.step()) { // there may be very many
                        break;
                    }
                    RatesAt open = made[i].open;
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
        if (isOpen || made.size() > 1) { // what one adds to each of a list leaves its order
            settle(next);
        }
        made = std::move(next);
    }
    for (Piece& piece : made) {
        std::erase_if(piece.open,
                      [&](const RateAt& rate) { return std::find(pending.begin(), pending.end(), rate.first) == pending.end(); });
    }
    return made;
}

void BranchSolver::fitWithin(const Rational& share) {
    fitLevel_ = share < 1 ? levelOf({coarseShare(share), false, {}, 0, 0, false}) : 0;
}

/// The levels at which a branch is looked at, one after the other until there is enough: by the first extreme that is wished in
/// it, else by the tolerances. Where only what uses up no more than `enough` of a tolerance can get in, nothing else is looked
/// at.
std::vector<std::size_t> BranchSolver::levelsFor(const Branch& branch, const Rational& parent,
                                                 const std::optional<Rational>& enough) {
    static const std::vector<Rational> kManyShares{Rational(0), Rational(1, 1024), Rational(1, 128), Rational(1, 32),
                                                   Rational(1, 8)};
    static const std::vector<Rational> kSparseShares{Rational(1, 64), Rational(1, 4)}; // two tolerances meet seldom
    static const std::vector<Rational> kManyOffs{Rational(1, 16384), Rational(1, 4096), Rational(1, 2048), Rational(1, 1024),
                                                 Rational(1, 512),   Rational(1, 256),  Rational(1, 64),   Rational(1, 8)};
    static const std::vector<Rational> kFewShares{Rational(1, 64), Rational(1, 32), Rational(1, 8), Rational(1, 2)};
    const std::vector<Rational>& shares =
        branch.settings <= policy::kFewSettings ? kFewShares : (branch.tolerances > 1 ? kSparseShares : kManyShares);
    std::optional<std::size_t> extreme;
    for (const std::size_t index : branch.wishes) {
        const Wish& wish = space_.question.wishes[index];
        const bool isExtreme = wish.kind == Wish::Kind::highest || wish.kind == Wish::Kind::lowest;
        if (isExtreme && (!extreme || index < *extreme)) {
            extreme = index;
        }
    }
    std::vector<std::size_t> levels;
    if (mayStay(branch)) {
        levels.push_back(levelOf({Rational(1), true, {}, 0, 0, true})); // nothing is better than to leave it alone
    }
    if (enough && *enough < 1 && aim_.isFolded && branch.pending.empty() && branch.tolerances > 0) {
        levels.push_back(levelOf({coarseShare(*enough), false, {}, 0, 0, false}));
        return levels;
    }
    if (!aim_.onlyFits && aim_.isFolded && branch.pending.empty()) {
        const bool isEndThere = !extreme || fitsAt(*branch.shape, parent, levelOf({Rational(1), false, extreme, 0, 0, false}));
        if (isEndThere && (extreme || branch.tolerances > 0)) {
            for (const Rational& share : shares) {
                levels.push_back(levelOf({share, false, extreme, 0, 0, false}));
            }
        }
        if (extreme) {
            for (const Rational& off : branch.settings > policy::kFewSettings ? kManyOffs : kFewShares) {
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
        return cutLists_.emplace_back(kept(gathered));
    }
    const auto known = branch.best.find(parent);
    if (known != branch.best.end()) {
        return *known->second;
    }
    const Pieces* pieces = nullptr;
    bool isWhole = true;
    for (const std::size_t each : levelsFor(branch, parent, enough)) {
        pieces = &solveAt(branch, parent, each);
        if (effort_.isOver() || areBest(branch, *pieces, levels_[each])) {
            break;
        }
        if (enough && !levels_[each].isStill && !levels_[each].extreme && levels_[each].share >= *enough) {
            isWhole = false;
            break;
        }
    }
    if (isWhole && !effort_.isOver()) {
        branch.best.emplace(parent, pieces);
    }
    return *pieces;
}

Pieces BranchSolver::kept(const std::vector<Piece>& gathered) {
    takeMemory(policy::kPieceBytes * static_cast<std::int64_t>(gathered.size()) + policy::kPieceListBytes);
    Pieces pieces(&pool_);
    pieces.reserve(gathered.size());
    for (const Piece& piece : gathered) {
        pieces.push_back(&pieces_.emplace_back(copiedTo(piece, &pool_)));
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
    Pieces best = kept(gathered);
    if (effort_.isOver()) {
        return cutLists_.emplace_back(std::move(best));
    }
    return branch.solved.emplace(std::pair(level, parent), std::move(best)).first->second;
}

bool BranchSolver::mayStay(const Branch& branch) const {
    const auto& prefers = space_.question.prefers;
    return aim_.isFolded && branch.pending.empty() && !branch.isAsked &&
           (aim_.onlyFits || (!prefers.empty() && prefers.front() == Preference::changes));
}

const Pieces* BranchSolver::stillOf(Branch& branch, const Rational& parent) {
    const std::size_t level = levelOf({Rational(1), true, {}, 0, 0, true});
    std::vector<Piece> gathered;
    gather(branch, parent, level, std::nullopt, gathered);
    if (gathered.empty() || gathered.front().score.broken > 0 || gathered.front().score.strained > branch.leastStrained) {
        return nullptr;
    }
    const auto isSame = [](const Piece& a, const Piece& b) {
        return a.score == b.score && a.from == b.from && a.divide == b.divide && a.multiply == b.multiply && a.parts == b.parts;
    };
    if (branch.still == nullptr || !isSame(*branch.still->front(), gathered.front())) {
        branch.still = &cutLists_.emplace_back(kept(gathered));
    }
    return branch.still;
}

/// A child of which nothing is asked stays as it is at every rate at which it may, so that it does not multiply what is looked
/// at.
const Pieces& BranchSolver::solveChild(Branch& child, const Rational& parent, std::size_t level) {
    const Pieces* still = mayStay(child) ? stillOf(child, parent) : nullptr;
    return still == nullptr ? solveAt(child, parent, level) : *still;
}

/// The best pieces of all settings of the branch's own controls.
void BranchSolver::gather(Branch& branch, const Rational& parent, std::size_t level, const std::optional<Rational>& enough,
                          std::vector<Piece>& gathered) {
    const bool isOpen = !branch.pending.empty();
    // what hangs on a source has nothing else in common: each goes its own levels
    const bool isSource = space_.nodes[branch.shape->node].source != nullptr;
    std::size_t settled = 0;
    std::vector<const Pieces*> lists;
    gathered.reserve(std::min(aim_.most, policy::kUsualPieces));
    const auto attempt = [&](const Candidate& candidate) {
        Piece own;
        if (!addOwn(branch, candidate, levels_[level], own)) {
            return;
        }
        lists.clear();
        for (Branch* child : branch.children) {
            lists.push_back(isSource ? &solve(*child, candidate.hertz, enough) : &solveChild(*child, candidate.hertz, level));
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
            if (gathered.size() > 2 * settled + policy::kSettleAfter) {
                settle(gathered);
                settled = gathered.size();
            }
            const std::size_t mostOpen = levels_[level].mostOpen;
            return !(aim_.onlyFits && !isOpen && !gathered.empty()) && !(isOpen && mostOpen > 0 && gathered.size() >= mostOpen);
        });
    }
    settle(gathered);
}

bool BranchSolver::isSettable(std::size_t node) const {
    const SpaceNode& each = space_.nodes[node];
    return each.line == nullptr || ((mayChange(space_, inForce_, node, "divide") || each.divide.contains(each.divideNow)) &&
                                    (mayChange(space_, inForce_, node, "multiply") || each.multiply.contains(each.multiplyNow)));
}

} // namespace wisetick
