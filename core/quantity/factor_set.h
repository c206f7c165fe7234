#pragma once

#include "quantity/rational.h"

#include <optional>
#include <vector>

namespace wisetick {

/// All the values that a divider, multiplier, prescaler or counter can be given: an evenly stepped range or a
/// list. Values are > 0 and ascend; a set is never empty once read.
class FactorSet {
public:
    FactorSet() = default;
    /// from, from + step, …, to. Requires 0 < from ≤ to, step > 0, and (to − from) a multiple of step.
    static FactorSet range(const Rational& from, const Rational& to, const Rational& step = 1);
    /// The values, sorted, doubles left out.
    static FactorSet list(std::vector<Rational> values);
    static FactorSet one(const Rational& value) { return list({value}); }

    bool empty() const { return !isRange_ && values_.empty(); }
    /// How many values there are.
    Rational size() const;
    /// The same, no more than 2^62.
    std::int64_t count() const;
    const Rational& least() const { return isRange_ ? from_ : values_.front(); }
    const Rational& most() const { return isRange_ ? to_ : values_.back(); }
    bool contains(const Rational& value) const;
    /// The greatest value ≤ `value`, if any.
    std::optional<Rational> atMost(const Rational& value) const;
    /// The least value ≥ `value`, if any.
    std::optional<Rational> atLeast(const Rational& value) const;
    /// The one or two values next to `value`; clamped to the end where it lies outside. Ascending.
    std::vector<Rational> nearest(const Rational& value) const;
    /// The value at place `index` < size().
    Rational at(std::int64_t index) const;

    bool isRange() const { return isRange_; }
    /// The step of a range; 0 for a list.
    const Rational& step() const { return step_; }

    bool operator==(const FactorSet&) const = default;

private:
    bool isRange_ = false;
    Rational from_;
    Rational to_;
    Rational step_;
    std::vector<Rational> values_;
};

} // namespace wisetick
