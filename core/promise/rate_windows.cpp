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

/// The windows of one comb, ascending.
class CombWalk {
public:
    /// Begins with the first that ends at `from` or above.
    CombWalk(const RateComb& comb, const Rational& from) : comb_(comb) {
        if (comb.teeth.empty()) {
            return;
        }
        if (isPlain(comb)) {
            now_ = plainSpan(comb);
            if (now_->high && *now_->high < from) {
                now_.reset();
            }
            return;
        }
        if (const auto tooth = comb.teeth.atLeast(from / *comb.high)) {
            if (!comb.teeth.isRange()) {
                while (comb.teeth.at(place_) < *tooth) {
                    ++place_;
                }
            }
            stand(*tooth);
        }
    }

    const std::optional<RateSpan>& now() const { return now_; }

    void goOn() {
        const FactorSet& teeth = comb_.teeth;
        now_.reset();
        if (!tooth_ || isLast_) {
            return;
        }
        if (!teeth.isRange()) {
            if (++place_ < teeth.count()) {
                stand(teeth.at(place_));
            }
        } else if (*tooth_ + teeth.step() <= teeth.most()) {
            stand(*tooth_ + teeth.step());
        }
    }

private:
    void stand(const Rational& tooth) {
        tooth_ = tooth;
        now_ = {tooth * comb_.low, tooth * *comb_.high};
        if (comb_.teeth.isRange() && (tooth + comb_.teeth.step()) * comb_.low <= *now_->high) {
            now_->high = comb_.teeth.most() * *comb_.high; // from there on each touches the next
            isLast_ = true;
        }
    }

    const RateComb& comb_;
    std::optional<RateSpan> now_;
    std::optional<Rational> tooth_;
    std::int64_t place_ = 0; ///< of the tooth in a list
    bool isLast_ = false;
};

/// Takes in whatever begins within the span.
void lengthen(RateSpan& span, std::vector<CombWalk>& walks, const Rational& high) {
    for (bool isLonger = true; isLonger;) {
        isLonger = false;
        for (CombWalk& walk : walks) {
            while (span.high && *span.high < high && walk.now() && walk.now()->low <= *span.high) {
                if (!walk.now()->high || *walk.now()->high > *span.high) {
                    span.high = walk.now()->high;
                    isLonger = true;
                }
                walk.goOn();
            }
        }
    }
}

} // namespace

bool RateWindows::contains(const Rational& hertz) const {
    return std::any_of(combs.begin(), combs.end(), [&](const RateComb& comb) { return holds(comb, hertz); });
}

std::vector<RateSpan> RateWindows::spans(const Rational& low, const Rational& high, std::size_t most) const {
    std::vector<CombWalk> walks;
    walks.reserve(combs.size());
    for (const RateComb& comb : combs) {
        walks.emplace_back(comb, low);
    }
    std::vector<RateSpan> found;
    while (found.size() < most) {
        CombWalk* first = nullptr;
        for (CombWalk& walk : walks) {
            if (walk.now() && (first == nullptr || walk.now()->low < first->now()->low)) {
                first = &walk;
            }
        }
        if (first == nullptr || first->now()->low > high) {
            break;
        }
        RateSpan span = *first->now();
        first->goOn();
        lengthen(span, walks, high);
        const bool isLast = !span.high || *span.high >= high;
        found.push_back({std::max(span.low, low), isLast ? high : *span.high});
        if (isLast) {
            break;
        }
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
