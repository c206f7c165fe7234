#pragma once

#include "seek/branch_solver.h"

#include <cmath>

namespace wisetick {

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
    for (std::int64_t i = 0, count = set.count(); i < count; ++i) {
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

/// An evenly stepped set, rounded: tells soon that it has nothing between two values.
class RoughSet {
public:
    explicit RoughSet(const FactorSet& set)
        : isRange_(set.isRange()), from_(set.least().toDouble()), step_(isRange_ ? set.step().toDouble() : 1),
          last_(isRange_ ? (set.most().toDouble() - from_) / step_ : 0) {}

    /// False is certain.
    bool mayHaveBetween(double low, double high) const {
        if (!isRange_) {
            return true;
        }
        const double first = (low - from_) / step_;
        const double last = (high - from_) / step_;
        const double margin = 1e-9 * (std::abs(first) + std::abs(last_) + 1);
        return first <= last_ + margin && last >= -margin &&
               (last > last_ || std::floor(last + margin) >= std::ceil(first - margin));
    }

private:
    bool isRange_;
    double from_;
    double step_;
    double last_; ///< the place of its greatest value
};

/// Visits every setting of the shape's own controls with which its rate is in the window.
template <class Visit>
void BranchSolver::eachCandidate(const Shape& shape, const Window& window, const Rational& parent, bool isStill, Visit visit) {
    Candidate candidate;
    candidate.from = shape.from;
    if (space_.nodes[shape.node].source != nullptr) {
        const SpaceNode& node = space_.nodes[shape.node];
        const bool mayTurn = shape.node == space_.crystalNode || mayChange(space_, inForce_, shape.node, "rate");
        for (std::size_t i = 0; i < node.rates.size(); ++i) {
            candidate.from = i;
            candidate.hertz = node.rates[i];
            const bool isPossible = (i == node.rateNow || (mayTurn && !isStill)) && spansContain(window.own, candidate.hertz) &&
                                    isAllowed(shape, candidate);
            if (isPossible && (!effort_.step() || !visit(candidate))) {
                return;
            }
        }
        return;
    }
    const Rational base = parent * shape.factor;
    if (isStill) {
        const SpaceNode& node = space_.nodes[shape.node];
        candidate.divide = node.divideNow;
        candidate.multiply = node.multiplyNow;
        candidate.hertz = base * candidate.multiply / candidate.divide;
        // the input is the route's: with another one than now too, nothing changes less than the rest as it stands
        const bool isThere = shape.divide->contains(candidate.divide) && shape.multiply->contains(candidate.multiply) &&
                             spansContain(window.own, candidate.hertz);
        if (effort_.step() && isThere && isAllowed(shape, candidate)) {
            visit(candidate);
        }
        return;
    }
    const bool isDivideInner = shape.divides >= shape.multiplies;
    const FactorSet& outer = isDivideInner ? *shape.multiply : *shape.divide;
    const FactorSet& inner = isDivideInner ? *shape.divide : *shape.multiply;
    const bool isEachTried = std::max(shape.divides, shape.multiplies) <= 4;
    const RoughSet rough(inner);
    eachValue(outer, std::nullopt, std::nullopt, [&](const Rational& first) {
        const Rational scale = isDivideInner ? base * first : base / first;
        (isDivideInner ? candidate.multiply : candidate.divide) = first;
        const auto take = [&](const Rational& second, bool isChecked) {
            if (!effort_.step()) {
                return false;
            }
            candidate.hertz = isDivideInner ? scale / second : scale * second;
            (isDivideInner ? candidate.divide : candidate.multiply) = second;
            const bool isIn = isChecked || spansContain(window.own, candidate.hertz);
            return !isIn || !isAllowed(shape, candidate) || visit(candidate);
        };
        const bool isShort = !inner.isRange() && inner.count() <= 2 * static_cast<std::int64_t>(window.own.size());
        if (isEachTried || isShort) {
            return eachValue(inner, std::nullopt, std::nullopt, [&](const Rational& second) { return take(second, false); });
        }
        const double roughScale = scale.toDouble();
        for (std::size_t i = 0; i < window.own.size(); ++i) {
            const auto& [roughLow, roughHigh] = window.rough[i];
            const bool mayHave = isDivideInner ? rough.mayHaveBetween(roughScale / roughHigh, roughScale / roughLow)
                                               : rough.mayHaveBetween(roughLow / roughScale, roughHigh / roughScale);
            if (!mayHave) {
                continue;
            }
            const RateSpan& span = window.own[i];
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

} // namespace wisetick
