#include "seek/conflict.h"

#include "seek/policy.h"
#include "seek/space_search.h"

#include <boost/dynamic_bitset.hpp>

#include <algorithm>
#include <numeric>

namespace wisetick {

namespace {

/// A set of the demands that are asked, as many as there are.
using Mask = boost::dynamic_bitset<>;

/// Takes one thing out of what is in force, or puts it back.
void setInForce(InForce& inForce, const Demanded& demanded, bool isInForce) {
    switch (demanded.kind) {
    case Demanded::Kind::wish: inForce.wishes[demanded.index] = isInForce; break;
    case Demanded::Kind::promise: inForce.promises[demanded.index] = isInForce; break;
    case Demanded::Kind::limit: inForce.limits[demanded.index] = isInForce; break;
    case Demanded::Kind::rule: inForce.rules[demanded.index] = isInForce; break;
    case Demanded::Kind::lock: inForce.locks[demanded.index] = isInForce; break;
    }
}

/// Finds which demands collide. What it has learned of one set of them it uses for others.
class ConflictFinder {
public:
    ConflictFinder(const Space& space, const SeekControl& control)
        : space_(space), effort_(effortFor(control, control.mostSteps)), all_(allInForce(space)) {
        for (std::size_t i = 0; i < space.question.wishes.size(); ++i) {
            if (!space.question.wishes[i].isSoft) {
                asked_.push_back({Demanded::Kind::wish, i});
            }
        }
        for (std::size_t i = 0; i < space.question.promises.size(); ++i) {
            const Ask& ask = space.plan.promises[space.question.promises[i].index].line.ask;
            const bool isLate = std::find(space.late.begin(), space.late.end(), i) != space.late.end() &&
                                !ask.is<WakesAsk>(); // of waking each route tells
            if (!space.question.promises[i].isSoft && !isLate) {
                asked_.push_back({Demanded::Kind::promise, i});
            }
        }
    }

    Effort& effort() { return effort_; }
    const InForce& all() const { return all_; }
    Mask allAsked() const { return ~Mask(asked_.size()); }
    Mask only(std::size_t index) const { return Mask(asked_.size()).set(index); }

    /// Whether the asked ones of the mask can be kept, with all limits, rules and locks.
    bool fits(const Mask& mask) {
        for (const Mask& known : fitting_) {
            if (mask.is_subset_of(known)) {
                return true;
            }
        }
        for (const Mask& known : colliding_) {
            if (known.is_subset_of(mask)) {
                return false;
            }
        }
        if (mask.count() > policy::kManyDemands) { // one that can't even be kept alone is soon found
            for (std::size_t i = 0; i < asked_.size(); ++i) {
                if (mask[i] && !fits(only(i))) {
                    return false;
                }
            }
        }
        ++runs_;
        const bool isFit = anyTake(space_, inForceOf(mask), effort_).has_value() || effort_.isOver();
        (isFit ? fitting_ : colliding_).push_back(mask);
        return isFit;
    }

    /// A set of the mask's that collides, and none of its subsets does.
    Mask reduced(Mask mask) {
        for (std::size_t i = 0; i < asked_.size(); ++i) {
            const Mask without = mask & ~only(i);
            if (without != mask && !fits(without)) {
                mask = without;
            }
        }
        colliding_.push_back(mask);
        return mask;
    }

    /// One with the fewest members; false in `isSmallest` where that took too long to tell.
    Mask smallest(bool& isSmallest) {
        const Mask first = reduced(allAsked());
        // whoever must go for the rest to fit is in every colliding set
        bool isOnly = true;
        for (std::size_t i = 0; i < asked_.size() && isOnly; ++i) {
            isOnly = !first[i] || fits(allAsked() & ~only(i));
        }
        if (isOnly) {
            return first;
        }
        const int before = runs_;
        for (std::size_t size = 0; size < first.count(); ++size) {
            std::optional<Mask> found;
            isSmallest = eachOfSize(size,
                                    [&](const Mask& mask) {
                                        if (!fits(mask)) {
                                            found = mask;
                                        }
                                        return !found && runs_ - before < policy::kSmallestRuns && !effort_.isOver();
                                    }) ||
                         found;
            if (found) {
                return *found;
            }
            if (!isSmallest) {
                break;
            }
        }
        return first;
    }

    /// All of them, as long as that does not take too long.
    std::vector<Mask> allOfThem(bool& areAll) {
        std::vector<Mask> found;
        areAll = true;
        for (std::size_t size = 0; size <= asked_.size() && areAll; ++size) {
            areAll = eachOfSize(size, [&](const Mask& mask) {
                const bool isKnown =
                    std::any_of(found.begin(), found.end(), [&](const Mask& each) { return each.is_subset_of(mask); });
                if (!isKnown && !fits(mask)) {
                    found.push_back(mask);
                }
                return runs_ < policy::kAllRuns && !effort_.isOver();
            });
        }
        return found;
    }

    /// The asked ones of a mask with the limits, rules and locks without which they would fit.
    Conflict withLimits(const Mask& mask) {
        Conflict conflict;
        for (std::size_t i = 0; i < asked_.size(); ++i) {
            if (mask[i]) {
                conflict.push_back(asked_[i]);
            }
        }
        const std::vector<Demanded> all = liftable();
        std::vector<Demanded> some; // mostly it is the oscillators of multipliers that have no more room
        std::copy_if(all.begin(), all.end(), std::back_inserter(some), [&](const Demanded& each) {
            const Line* line = each.kind == Demanded::Kind::limit ? space_.nodes[each.index].line : nullptr;
            return line != nullptr && !line->multiply.empty();
        });
        InForce inForce = inForceOf(mask);
        InForce few = inForce;
        for (const Demanded& each : all) {
            setInForce(few, each, std::find(some.begin(), some.end(), each) != some.end());
        }
        const Conflict needed =
            !some.empty() && collides(few) ? withoutTheNeedless(few, inForce, some) : neededOf(inForce, all, {});
        conflict.insert(conflict.end(), needed.begin(), needed.end());
        return conflict;
    }

    /// Everything that is not asked but holds: limits of lines that may be on, rules, locks.
    std::vector<Demanded> liftable() const {
        std::vector<Demanded> list;
        InForce unlocked = all_;
        unlocked.locks.assign(unlocked.locks.size(), false);
        const std::vector<bool> mayBeOn = RouteReach(space_, unlocked).nodes();
        for (std::size_t node = 0; node < space_.nodes.size(); ++node) {
            if (!space_.limits[node].empty() && mayBeOn[node]) {
                list.push_back({Demanded::Kind::limit, node});
            }
        }
        for (std::size_t i = 0; i < space_.part->rules.size(); ++i) {
            if (mayBeOn[space_.part->rules[i].left] && mayBeOn[space_.part->rules[i].right]) {
                list.push_back({Demanded::Kind::rule, i});
            }
        }
        for (std::size_t i = 0; i < space_.locks.size(); ++i) {
            if (space_.locks[i].isTier || mayBeOn[space_.locks[i].node]) {
                list.push_back({Demanded::Kind::lock, i});
            }
        }
        return list;
    }

private:
    /// The nodes that can be on at all.
    class RouteReach {
    public:
        RouteReach(const Space& space, const InForce& inForce) : effort_{0, 0, {}, false, false, 0}, best_(1, true, {}) {
            nodes_ = RouteSearch(space, inForce, space.tiers.empty() ? 0 : space.tiers.front(), aim_, effort_, best_).mayBeOn();
        }
        std::vector<bool> nodes() const { return nodes_; }

    private:
        Aim aim_;
        Effort effort_;
        BestTakes best_;
        std::vector<bool> nodes_;
    };

    InForce inForceOf(const Mask& mask) const {
        InForce inForce = all_;
        for (std::size_t i = 0; i < asked_.size(); ++i) {
            setInForce(inForce, asked_[i], mask[i]);
        }
        return inForce;
    }

    bool collides(const InForce& inForce) { return !anyTake(space_, inForce, effort_) && !effort_.isOver(); }

    /// The candidates without which `inForce` collides no longer, each tried once. In `all` more is in force: what fits there
    /// fits, and is sooner looked through.
    Conflict withoutTheNeedless(InForce inForce, InForce all, const std::vector<Demanded>& candidates) {
        Conflict needed;
        for (const Demanded& each : candidates) {
            setInForce(all, each, false);
            setInForce(inForce, each, false);
            const bool isNeeded = !collides(all) || !collides(inForce);
            setInForce(all, each, true);
            if (isNeeded) {
                setInForce(inForce, each, true);
                needed.push_back(each);
            }
        }
        return needed;
    }

    /// Which of the candidates must hold for the rest of `inForce` to collide: a smallest such set as far as leaving out any one
    /// goes. Halves first, so that the many that have nothing to do with it go at once.
    Conflict neededOf(InForce inForce, const std::vector<Demanded>& candidates, const Conflict& held) {
        const auto set = [&](const std::vector<Demanded>& list, bool isInForce) {
            for (const Demanded& each : list) {
                setInForce(inForce, each, isInForce);
            }
        };
        set(candidates, false);
        set(held, true);
        if (candidates.empty() || collides(inForce)) {
            return {};
        }
        if (candidates.size() == 1) {
            return candidates;
        }
        const auto middle = candidates.begin() + static_cast<std::ptrdiff_t>(candidates.size() / 2);
        const std::vector<Demanded> left(candidates.begin(), middle);
        const std::vector<Demanded> right(middle, candidates.end());
        // what of the right is needed beside all of the left, then what of the left beside that
        set(left, true);
        const Conflict ofRight = neededOf(inForce, right, left);
        set(left, false);
        set(ofRight, true);
        const Conflict ofLeft = neededOf(inForce, left, ofRight);
        Conflict both = ofLeft;
        both.insert(both.end(), ofRight.begin(), ofRight.end());
        return both;
    }

    /// Visits all masks with so many members; false if `visit` ended it.
    template <class Visit>
    bool eachOfSize(std::size_t size, Visit visit) {
        std::vector<std::size_t> members(size);
        std::iota(members.begin(), members.end(), std::size_t{0});
        for (;;) {
            Mask mask(asked_.size());
            for (const std::size_t member : members) {
                mask.set(member);
            }
            if (!visit(mask)) {
                return false;
            }
            // the first that has room moves up by one, those below it go back to the start
            std::size_t mover = 0;
            while (mover < size && members[mover] + 1 == (mover + 1 < size ? members[mover + 1] : asked_.size())) {
                ++mover;
            }
            if (mover == size) {
                return true;
            }
            ++members[mover];
            std::iota(members.begin(), members.begin() + static_cast<std::ptrdiff_t>(mover), std::size_t{0});
        }
    }

    const Space& space_;
    Effort effort_;
    InForce all_;
    std::vector<Demanded> asked_;
    std::vector<Mask> fitting_;
    std::vector<Mask> colliding_;
    int runs_ = 0;
};

/// The wish loosened to a share of its rate: to both sides, or beyond its end.
Wish loosened(const Wish& wish, const Rational& share) {
    Wish loose = wish;
    if (wish.kind == Wish::Kind::at) {
        loose.tolerance = {false, share};
    } else {
        loose.low = wish.low ? std::optional(*wish.low * (1 - share)) : std::nullopt;
        loose.high = wish.high ? std::optional(*wish.high * (1 + share)) : std::nullopt;
    }
    return loose;
}

/// How far a rate misses a wish, as a share.
Rational missOf(const Wish& wish, const Rational& hertz) {
    if (wish.kind == Wish::Kind::at) {
        return abs(hertz / wish.hertz - 1);
    }
    if (wish.low && hertz < *wish.low) {
        return 1 - hertz / *wish.low;
    }
    return wish.high && hertz > *wish.high ? hertz / *wish.high - 1 : Rational(0);
}

/// The nearest rate of one wish with all else that is in force, to a billionth of its miss.
Nearest nearestWith(const Space& space, std::size_t index, const InForce& inForce, Effort& effort) {
    Space loose = space;
    const Wish& wish = space.question.wishes[index];
    const NodeIndex node = *space.part->findNode(wish.line);
    const auto rateWith = [&](const Rational& share) -> std::optional<Rational> {
        loose.question.wishes[index] = loosened(wish, share);
        const auto take = anyTake(loose, inForce, effort);
        if (!take) {
            return std::nullopt;
        }
        const auto found =
            std::find_if(take->rates.begin(), take->rates.end(), [&](const RateAt& each) { return each.first == node; });
        return found->second;
    };
    Nearest nearest{index, std::nullopt, std::nullopt, false};
    Rational within = 0; // up to here there is none
    std::optional<Rational> best;
    for (const Rational& share :
         {Rational(1, 1000000), Rational(1, 10000), Rational(1, 100), Rational(1, 4), Rational(999, 1000)}) {
        best = effort.isOver() ? std::nullopt : rateWith(share);
        if (best) {
            break;
        }
        within = share;
    }
    for (int i = 0; best && i < policy::kNearestTries && !effort.isOver(); ++i) {
        const Rational miss = missOf(wish, *best);
        const Rational least = miss * Rational(999999999, 1000000000);
        if (miss.isZero() || least <= within) {
            break;
        }
        // halfway, then just below what is there: where that fails nothing is nearer
        const Rational share = i % 2 == 0 ? quantised(((within + miss) / 2).toDouble() * 1e15, 1) * powerOfTen(-15) : least;
        const auto rate = share > within && share < miss ? rateWith(share) : std::optional<Rational>();
        if (rate) {
            best = rate;
        } else if (share > within && share < miss) {
            within = share;
        }
    }
    nearest.hertz = best;
    if (best && wish.kind == Wish::Kind::at) {
        nearest.error = *best / wish.hertz - 1;
    }
    return nearest;
}

/// The nearest rate of one wish with all others kept; where these collide themselves, alone, unless it can be kept so.
Nearest nearestOf(const Space& space, std::size_t index, Effort& effort) {
    InForce inForce = allInForce(space);
    const Nearest nearest = nearestWith(space, index, inForce, effort);
    if (nearest.hertz || effort.isOver()) {
        return nearest;
    }
    inForce.wishes.assign(inForce.wishes.size(), false);
    inForce.promises.assign(inForce.promises.size(), false);
    inForce.wishes[index] = true;
    if (anyTake(space, inForce, effort)) {
        return nearest;
    }
    Nearest alone = nearestWith(space, index, inForce, effort);
    alone.isAlone = alone.hertz.has_value();
    return alone;
}

} // namespace

std::optional<Lifted> liftedOf(const Space& space, const Demanded& demanded) {
    switch (demanded.kind) {
    case Demanded::Kind::limit: return Lifted{Lifted::Kind::limit, space.nodes[demanded.index].id()};
    case Demanded::Kind::rule: return Lifted{Lifted::Kind::rule, space.part->rules[demanded.index].say};
    case Demanded::Kind::lock: return Lifted{Lifted::Kind::lock, space.locks[demanded.index].text};
    default: return std::nullopt;
    }
}

std::optional<Refusal> whyNone(const Space& space, const RefusalWanted& wanted, const SeekControl& control) {
    if (isTooDeep(*space.part)) {
        Refusal unsearched;
        unsearched.isCut = true;
        return unsearched;
    }
    ConflictFinder finder(space, control);
    Effort& effort = finder.effort();
    if (finder.fits(finder.allAsked())) {
        if (effort.isOver()) {
            Refusal refusal;
            refusal.isCancelled = effort.isCancelled;
            refusal.isCut = effort.isCut;
            return refusal;
        }
        return std::nullopt;
    }
    Refusal refusal;
    std::vector<Mask> masks;
    if (wanted.allConflicts) {
        masks = finder.allOfThem(refusal.areAll);
    }
    if (masks.empty()) {
        masks = {finder.smallest(refusal.isSmallest)};
    }
    for (const Mask& mask : masks) {
        if (!effort.isOver()) {
            refusal.conflicts.push_back(finder.withLimits(mask));
        }
    }
    for (std::size_t i = 0; wanted.nearest && i < space.question.wishes.size(); ++i) {
        const Wish& wish = space.question.wishes[i];
        if (!wish.isSoft && !effort.isOver() && space.part->findNode(wish.line)) {
            refusal.nearest.push_back(nearestOf(space, i, effort));
        }
    }
    for (const Demanded& each : wanted.lifts ? finder.liftable() : std::vector<Demanded>()) {
        InForce without = finder.all();
        setInForce(without, each, false);
        if (!effort.isOver() && anyTake(space, without, effort)) {
            refusal.lifts.push_back(each);
        }
    }
    refusal.isCancelled = effort.isCancelled;
    refusal.isCut = effort.isCut;
    return refusal;
}

} // namespace wisetick
