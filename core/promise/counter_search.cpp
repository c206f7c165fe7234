#include "promise/counter_search.h"

#include <algorithm>

namespace wisetick {

namespace {

/// Products beyond this are not looked at: about 36 years of a 4 GHz clock.
const Rational kMostProduct = Rational(std::int64_t{1} << 62);

/// The search on 64-bit whole numbers, for one side of the target.
class NeighbourSearch {
public:
    NeighbourSearch(const CounterReach& reach, std::int64_t low, std::int64_t high) : reach_(reach), low_(low), high_(high) {
        if (reach.counts.isRange() && reach.counts.step() == 1) {
            leastCount_ = reach.counts.least().toInt64().value_or(1);
            mostCount_ = reach.counts.most().toInt64().value_or(1);
            isPlain_ = true;
        }
    }

    /// The greatest product ≤ target if `isBelow`, else the least ≥ target; within [low, high].
    std::optional<CounterSetting> find(std::int64_t target, bool isBelow) const {
        std::optional<CounterSetting> best;
        std::int64_t bestProduct = 0;
        const std::int64_t prescalers = reach_.prescaler.size().toInt64().value_or(0);
        const std::int64_t mostPrescaler = high_ / leastCount();
        // prescalers below this cannot reach the low end, whatever the counts
        for (std::int64_t i = firstPrescaler(); i < prescalers; ++i) {
            const std::int64_t prescaler = prescalerAt(i);
            if (prescaler > mostPrescaler) {
                break;
            }
            const auto count = countNear(prescaler, target, isBelow);
            std::int64_t product = 0;
            if (!count || __builtin_mul_overflow(prescaler, *count, &product) || product < low_ || product > high_) {
                continue;
            }
            if (!best || (isBelow ? product > bestProduct : product < bestProduct)) {
                best = CounterSetting{prescaler, *count};
                bestProduct = product;
                if (product == target) {
                    break;
                }
            }
        }
        return best;
    }

    std::int64_t prescalerAt(std::int64_t index) const {
        const FactorSet& set = reach_.prescaler;
        if (set.isRange() && set.step() == 1) {
            return *set.least().toInt64() + index;
        }
        return set.at(index).toInt64().value_or(1);
    }

    /// Gives the counts next to the target on either side, clamped to that side, for every prescaler: `take(prescaler, counts)`.
    /// Only one where it meets the target.
    template <class Take>
    void countsAround(std::int64_t target, bool isWhole, const Take& take) const {
        const std::int64_t prescalers = reach_.prescaler.size().toInt64().value_or(0);
        if (!isPlain_ || !reach_.prescaler.isRange() || reach_.prescaler.step() != 1) {
            for (std::int64_t i = 0; i < prescalers; ++i) {
                const std::int64_t prescaler = prescalerAt(i);
                const auto low = countNear(prescaler, target, true);
                if (low) {
                    take(prescaler, *low);
                }
                const auto high = countNear(prescaler, isWhole ? target : target + 1, false);
                if (high && high != low) {
                    take(prescaler, *high);
                }
            }
            return;
        }
        const std::int64_t first = *reach_.prescaler.least().toInt64();
        for (std::int64_t prescaler = first; prescaler < first + prescalers; ++prescaler) {
            const std::int64_t whole = target / prescaler;
            const bool isMet = isWhole && whole * prescaler == target;
            if (whole >= leastCount_) {
                take(prescaler, std::min(whole, mostCount_));
            }
            const std::int64_t next = std::max(isMet ? whole : whole + 1, leastCount_);
            if (next <= mostCount_ && !(isMet && whole >= leastCount_)) {
                take(prescaler, next);
            }
        }
    }

    /// The counts that come nearest to the target from below (or from above), clamped to that side.
    std::optional<std::int64_t> countNear(std::int64_t prescaler, std::int64_t target, bool isBelow) const {
        const std::int64_t whole = target / prescaler;
        const std::int64_t wanted = isBelow || whole * prescaler == target ? whole : whole + 1;
        if (isPlain_) {
            if (isBelow) {
                return wanted < leastCount_ ? std::nullopt : std::optional(std::min(wanted, mostCount_));
            }
            return wanted > mostCount_ ? std::nullopt : std::optional(std::max(wanted, leastCount_));
        }
        const auto count = isBelow ? reach_.counts.atMost(wanted) : reach_.counts.atLeast(wanted);
        return count ? count->toInt64() : std::nullopt;
    }

private:
    std::int64_t leastCount() const { return isPlain_ ? leastCount_ : reach_.counts.least().toInt64().value_or(1); }
    std::int64_t mostCount() const { return isPlain_ ? mostCount_ : reach_.counts.most().toInt64().value_or(1); }

    std::int64_t firstPrescaler() const {
        const FactorSet& set = reach_.prescaler;
        if (!set.isRange() || set.step() != 1) {
            return 0;
        }
        const std::int64_t needed = (low_ + mostCount() - 1) / mostCount();
        return std::max<std::int64_t>(0, needed - *set.least().toInt64());
    }

    const CounterReach& reach_;
    std::int64_t low_;
    std::int64_t high_;
    bool isPlain_ = false;
    std::int64_t leastCount_ = 1;
    std::int64_t mostCount_ = 1;
};

struct Product {
    std::int64_t value = 0;
    std::int64_t prescaler = 1;
    std::int64_t counts = 1;
};

/// Keeps the nearest products on one side of a target: there the error only grows away from it.
class NearestProducts {
public:
    NearestProducts(std::size_t most, bool isBelow) : most_(std::max<std::size_t>(most, 1)), isBelow_(isBelow) {}

    void offer(const Product& product) {
        if (isFull_ && !isNearer(product, farthest_)) {
            return;
        }
        const auto order = [this](const Product& a, const Product& b) { return isNearer(a, b); };
        if (heap_.size() == most_) {
            std::pop_heap(heap_.begin(), heap_.end(), order);
            heap_.pop_back();
        }
        heap_.push_back(product);
        std::push_heap(heap_.begin(), heap_.end(), order);
        isFull_ = heap_.size() == most_;
        farthest_ = heap_.front();
    }

    /// Nearest first.
    std::vector<Product> take() {
        std::sort(heap_.begin(), heap_.end(), [this](const Product& a, const Product& b) { return isNearer(a, b); });
        return std::move(heap_);
    }

private:
    bool isNearer(const Product& a, const Product& b) const {
        return a.value != b.value ? (isBelow_ ? a.value > b.value : a.value < b.value) : a.counts > b.counts;
    }

    std::size_t most_;
    bool isBelow_;
    std::vector<Product> heap_; ///< the farthest in front
    bool isFull_ = false;
    Product farthest_;
};

std::int64_t clampedWhole(const Rational& whole) {
    return std::clamp(whole, Rational(0), kMostProduct).toInt64().value_or(0);
}

} // namespace

Rational mostProduct() {
    return kMostProduct;
}

NearestSettings nearestSettings(const CounterReach& reach, const Rational& low, const Rational& target, const Rational& high) {
    const Rational from = std::max(low, reach.least());
    const Rational to = std::min(high, reach.most());
    if (from.ceil() > to.floor()) {
        return {}; // no whole product lies there
    }
    const Rational goal = std::clamp(target, from, to);
    const NeighbourSearch search(reach, clampedWhole(from.ceil()), clampedWhole(to.floor()));
    NearestSettings result;
    result.below = search.find(clampedWhole(goal.floor()), true);
    if (result.below && result.below->product() == goal) {
        result.above = result.below;
    } else {
        result.above = search.find(clampedWhole(goal.ceil()), false);
    }
    return result;
}

std::optional<CounterReach> pinnedReach(CounterReach reach, const std::vector<Setting>& pinned) {
    const auto hold = [&](const char* name, FactorSet& set) {
        const Rational* value = pinnedValue(pinned, name);
        if (value == nullptr) {
            return true;
        }
        const bool isAllowed = set.contains(*value);
        set = FactorSet::one(*value);
        return isAllowed;
    };
    const bool isPossible = hold("prescaler", reach.prescaler) && hold("counts", reach.counts);
    return isPossible ? std::optional(std::move(reach)) : std::nullopt;
}

std::vector<CounterSetting> settingsByPrescaler(const CounterReach& reach, const Rational& target, std::size_t most) {
    const std::int64_t wanted = clampedWhole(target.floor());
    NearestProducts below(most, true);
    NearestProducts above(most, false);
    const NeighbourSearch search(reach, 0, *kMostProduct.toInt64());
    const bool isWhole = target == Rational(wanted);
    search.countsAround(wanted, isWhole, [&](std::int64_t prescaler, std::int64_t counts) {
        std::int64_t product = 0;
        if (!__builtin_mul_overflow(prescaler, counts, &product)) {
            (product <= wanted ? below : above).offer({product, prescaler, counts});
        }
    });
    const std::vector<Product> nearBelow = below.take();
    const std::vector<Product> nearAbove = above.take();
    std::vector<CounterSetting> settings;
    for (const auto* side : {&nearBelow, &nearAbove}) {
        for (const Product& product : *side) {
            settings.push_back({product.prescaler, product.counts});
        }
    }
    return settings;
}

} // namespace wisetick
