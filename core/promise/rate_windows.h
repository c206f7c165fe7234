#pragma once

#include "plan/promise_line.h"
#include "quantity/factor_set.h"

#include <limits>

namespace wisetick {

/// Windows of a clock's rate in Hz, one for each tooth: from tooth × low to tooth × high, ends included.
struct RateComb {
    Rational low;                 ///< ≥ 0
    std::optional<Rational> high; ///< none: the windows have no upper end
    FactorSet teeth = FactorSet::one(1);
};

/// One interval of rates in Hz, ends included; no upper end where `high` is none.
struct RateSpan {
    Rational low;
    std::optional<Rational> high;
    bool operator==(const RateSpan&) const = default;
};

/// The nominal rates of a clock with which a promise can be kept or strained. Outside of them it is broken for certain: a search
/// may leave out whatever lies there. Inside of them it is not broken where `isTight`; else the judge has the last word.
struct RateWindows {
    std::vector<RateComb> combs;
    bool isTight = true;

    static RateWindows none() { return {}; }
    static RateWindows all() { return {{{0, std::nullopt}}, true}; }
    bool contains(const Rational& hertz) const;
    /// The windows that meet [low, high], cut to it, ascending and joined where they touch; `most` of them, of more the nearest
    /// to `low`.
    std::vector<RateSpan> spans(const Rational& low, const Rational& high,
                                std::size_t most = std::numeric_limits<std::size_t>::max()) const;
};

/// The windows of what divides a clock to a rate: divisor × rate × [1 − within, 1 + within], of each divisor.
RateComb combOfRates(const FactorSet& divisors, const Rational& rate, const Tolerance& tolerance);

/// The windows of what counts a clock to a time: product ÷ (time × [1 − within, 1 + within]), of each product.
RateComb combOfTimes(const FactorSet& products, const Rational& time, const Tolerance& tolerance);

/// The set with each value times `factor` > 0.
FactorSet scaled(const FactorSet& set, const Rational& factor);

/// For each prescaler the products with all counts. Where there are more than 256 prescalers and as many counts, one set of all
/// whole numbers between the ends, which is then not tight.
struct ProductSets {
    std::vector<FactorSet> sets;
    bool isTight = true;
};
ProductSets productSets(const FactorSet& prescaler, const FactorSet& counts);

} // namespace wisetick
