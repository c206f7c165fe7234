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
        // prescalers below this cannot reach the low end, whatever the counts
        for (std::int64_t i = firstPrescaler(); i < prescalers; ++i) {
            const std::int64_t prescaler = prescalerAt(i);
            if (prescaler > high_ / leastCount()) {
                break;
            }
            const auto count = countNear(prescaler, target, isBelow);
            if (!count || *count > high_ / prescaler) {
                continue;
            }
            const std::int64_t product = prescaler * *count;
            if (product < low_ || product > high_) {
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

private:
    std::int64_t leastCount() const { return isPlain_ ? leastCount_ : reach_.counts.least().toInt64().value_or(1); }
    std::int64_t mostCount() const { return isPlain_ ? mostCount_ : reach_.counts.most().toInt64().value_or(1); }

    std::int64_t prescalerAt(std::int64_t index) const {
        const FactorSet& set = reach_.prescaler;
        if (set.isRange() && set.step() == 1) {
            return *set.least().toInt64() + index;
        }
        return set.at(index).toInt64().value_or(1);
    }

    std::int64_t firstPrescaler() const {
        const FactorSet& set = reach_.prescaler;
        if (!set.isRange() || set.step() != 1) {
            return 0;
        }
        const std::int64_t needed = (low_ + mostCount() - 1) / mostCount();
        return std::max<std::int64_t>(0, needed - *set.least().toInt64());
    }

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

    const CounterReach& reach_;
    std::int64_t low_;
    std::int64_t high_;
    bool isPlain_ = false;
    std::int64_t leastCount_ = 1;
    std::int64_t mostCount_ = 1;
};

std::int64_t clampedWhole(const Rational& whole) {
    return std::clamp(whole, Rational(0), kMostProduct).toInt64().value_or(0);
}

} // namespace

NearestSettings nearestSettings(const CounterReach& reach, const Rational& low, const Rational& target, const Rational& high) {
    const Rational from = std::max(low, reach.least());
    const Rational to = std::min(high, reach.most());
    if (from > to) {
        return {};
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

std::vector<CounterSetting> settingsByPrescaler(const CounterReach& reach, const Rational& target) {
    std::vector<CounterSetting> settings;
    const std::int64_t prescalers = reach.prescaler.size().toInt64().value_or(0);
    for (std::int64_t i = 0; i < prescalers; ++i) {
        const Rational prescaler = reach.prescaler.at(i);
        for (const Rational& counts : reach.counts.nearest(target / prescaler)) {
            settings.push_back({prescaler, counts});
        }
    }
    return settings;
}

} // namespace wisetick
