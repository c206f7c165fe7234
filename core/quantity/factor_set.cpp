#include "quantity/factor_set.h"

#include <algorithm>

namespace wisetick {

FactorSet FactorSet::range(const Rational& from, const Rational& to, const Rational& step) {
    FactorSet set;
    set.isRange_ = true;
    set.from_ = from;
    set.to_ = to;
    set.step_ = step;
    return set;
}

FactorSet FactorSet::list(std::vector<Rational> values) {
    std::sort(values.begin(), values.end());
    values.erase(std::unique(values.begin(), values.end()), values.end());
    FactorSet set;
    set.values_ = std::move(values);
    return set;
}

Rational FactorSet::size() const {
    return isRange_ ? (to_ - from_) / step_ + 1 : Rational(values_.size());
}

std::int64_t FactorSet::count() const {
    constexpr std::int64_t kMost = std::int64_t(1) << 62;
    return isRange_ ? std::min(size().toInt64().value_or(kMost), kMost) : static_cast<std::int64_t>(values_.size());
}

bool FactorSet::contains(const Rational& value) const {
    if (isRange_) {
        return value >= from_ && value <= to_ && ((value - from_) / step_).isWhole();
    }
    return std::binary_search(values_.begin(), values_.end(), value);
}

std::optional<Rational> FactorSet::atMost(const Rational& value) const {
    if (isRange_) {
        if (value < from_) {
            return std::nullopt;
        }
        return value >= to_ ? to_ : from_ + ((value - from_) / step_).floor() * step_;
    }
    const auto above = std::upper_bound(values_.begin(), values_.end(), value);
    return above == values_.begin() ? std::nullopt : std::optional(*(above - 1));
}

std::optional<Rational> FactorSet::atLeast(const Rational& value) const {
    if (isRange_) {
        if (value > to_) {
            return std::nullopt;
        }
        return value <= from_ ? from_ : from_ + ((value - from_) / step_).ceil() * step_;
    }
    const auto found = std::lower_bound(values_.begin(), values_.end(), value);
    return found == values_.end() ? std::nullopt : std::optional(*found);
}

std::vector<Rational> FactorSet::nearest(const Rational& value) const {
    std::vector<Rational> result;
    const auto below = atMost(value);
    const auto above = atLeast(value);
    if (below) {
        result.push_back(*below);
    }
    if (above && above != below) {
        result.push_back(*above);
    }
    return result;
}

Rational FactorSet::at(std::int64_t index) const {
    return isRange_ ? from_ + step_ * index : values_[static_cast<std::size_t>(index)];
}

} // namespace wisetick
