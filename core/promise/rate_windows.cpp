#include "promise/rate_windows.h"

#include <algorithm>

namespace wisetick {

namespace {

/// A single tooth stands for one plain interval.
bool isPlain(const RateComb& comb) {
    return comb.low.isZero() || !comb.high || comb.teeth.least() == comb.teeth.most();
}

/// The interval that all windows of a plain comb make together: without an upper end the least tooth begins it, from 0 the
/// greatest ends it.
RateSpan plainSpan(const RateComb& comb) {
    return {comb.teeth.least() * comb.low, comb.high ? std::optional(comb.teeth.most() * *comb.high) : std::nullopt};
}

bool isWithin(const RateSpan& span, const Rational& hertz) {
    return hertz >= span.low && (!span.high || hertz <= *span.high);
}

bool holds(const RateComb& comb, const Rational& hertz) {
    if (comb.teeth.empty()) {
        return false;
    }
    if (isPlain(comb)) {
        return isWithin(plainSpan(comb), hertz);
    }
    const auto tooth = comb.teeth.atMost(hertz / comb.low);
    return tooth && hertz <= *tooth * *comb.high;
}

/// The least value of the set above `value`.
std::optional<Rational> above(const FactorSet& set, const Rational& value) {
    const auto least = set.atLeast(value);
    if (!least || *least > value) {
        return least;
    }
    if (set.isRange()) {
        return set.atLeast(value + set.step());
    }
    for (std::int64_t i = 0; i < set.size().toInt64().value_or(0); ++i) {
        if (set.at(i) > value) {
            return set.at(i);
        }
    }
    return std::nullopt;
}

/// The first of the windows of one comb that ends above `from`, or there where `mayEndThere`.
std::optional<RateSpan> firstFrom(const RateComb& comb, const Rational& from, bool mayEndThere) {
    if (comb.teeth.empty()) {
        return std::nullopt;
    }
    if (isPlain(comb)) {
        RateSpan span = plainSpan(comb);
        const bool isMet = !span.high || *span.high > from || (mayEndThere && *span.high == from);
        return isMet ? std::optional(std::move(span)) : std::nullopt;
    }
    const Rational wanted = from / *comb.high;
    const auto tooth = mayEndThere ? comb.teeth.atLeast(wanted) : above(comb.teeth, wanted);
    return tooth ? std::optional(RateSpan{*tooth * comb.low, *tooth * *comb.high}) : std::nullopt;
}

/// Lengthens the span by whatever begins within it.
void joinOnto(RateSpan& span, const std::vector<RateComb>& combs, const Rational& high) {
    for (bool isLonger = true; isLonger && span.high && *span.high < high;) {
        isLonger = false;
        for (const RateComb& comb : combs) {
            // the last window that begins at or before its end
            if (comb.teeth.empty()) {
                continue;
            }
            RateSpan next;
            if (isPlain(comb)) {
                next = plainSpan(comb);
            } else if (const auto tooth = comb.teeth.atMost(*span.high / comb.low)) {
                next = {*tooth * comb.low, *tooth * *comb.high};
                if (comb.teeth.isRange() && (*tooth + comb.teeth.step()) * comb.low <= *next.high) {
                    next.high = comb.teeth.most() * *comb.high; // from there on each touches the next
                }
            } else {
                continue;
            }
            if (next.low <= *span.high && (!next.high || *next.high > *span.high)) {
                span.high = next.high;
                isLonger = true;
                if (!span.high) {
                    return;
                }
            }
        }
    }
}

} // namespace

bool RateWindows::contains(const Rational& hertz) const {
    return std::any_of(combs.begin(), combs.end(), [&](const RateComb& comb) { return holds(comb, hertz); });
}

std::vector<RateSpan> RateWindows::spans(const Rational& low, const Rational& high, std::size_t most) const {
    std::vector<RateSpan> found;
    Rational from = low;
    while (found.size() < most && from <= high) {
        std::optional<RateSpan> first;
        for (const RateComb& comb : combs) {
            std::optional<RateSpan> next = firstFrom(comb, from, found.empty());
            if (next && (!first || next->low < first->low)) {
                first = std::move(next);
            }
        }
        if (!first || first->low > high) {
            break;
        }
        joinOnto(*first, combs, high);
        first->low = std::max(first->low, low);
        const bool isLast = !first->high || *first->high >= high;
        found.push_back({first->low, isLast ? high : *first->high});
        if (isLast) {
            break;
        }
        from = *first->high;
    }
    return found;
}

RateComb combOfRates(const FactorSet& divisors, const Rational& rate, const Tolerance& tolerance) {
    const Rational share = tolerance.within.value_or(Rational(0));
    return {std::max(Rational(0), rate * (1 - share)), rate * (1 + share), divisors};
}

RateComb combOfTimes(const FactorSet& products, const Rational& time, const Tolerance& tolerance) {
    const Rational share = tolerance.within.value_or(Rational(0));
    return {1 / (time * (1 + share)), share < 1 ? std::optional(1 / (time * (1 - share))) : std::nullopt, products};
}

FactorSet scaled(const FactorSet& set, const Rational& factor) {
    if (set.isRange()) {
        return FactorSet::range(set.least() * factor, set.most() * factor, set.step() * factor);
    }
    std::vector<Rational> values;
    for (std::int64_t i = 0; i < set.size().toInt64().value_or(0); ++i) {
        values.push_back(set.at(i) * factor);
    }
    return FactorSet::list(std::move(values));
}

ProductSets productSets(const FactorSet& prescaler, const FactorSet& counts) {
    constexpr std::int64_t kMostSets = 256;
    const bool isPrescalerSmall = prescaler.size() <= kMostSets;
    if (!isPrescalerSmall && counts.size() > kMostSets) {
        return {{FactorSet::range(prescaler.least() * counts.least(), prescaler.most() * counts.most())}, false};
    }
    const FactorSet& few = isPrescalerSmall ? prescaler : counts;
    const FactorSet& many = isPrescalerSmall ? counts : prescaler;
    ProductSets products;
    for (std::int64_t i = 0; i < few.size().toInt64().value_or(0); ++i) {
        products.sets.push_back(scaled(many, few.at(i)));
    }
    return products;
}

} // namespace wisetick
