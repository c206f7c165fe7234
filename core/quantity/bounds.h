#pragma once

#include "quantity/rational.h"

namespace wisetick {

/// A figure with its corners, min ≤ nominal ≤ max, all in the same unit.
struct Bounds {
    Rational min;
    Rational nominal;
    Rational max;

    static Bounds exactly(const Rational& value) { return {value, value, value}; }
    bool operator==(const Bounds&) const = default;
};

/// Scaled by an exact factor ≥ 0: the relative bounds stay.
inline Bounds operator*(const Bounds& bounds, const Rational& factor) {
    return {bounds.min * factor, bounds.nominal * factor, bounds.max * factor};
}

/// Independent figures added: worst combination.
inline Bounds operator+(const Bounds& a, const Bounds& b) {
    return {a.min + b.min, a.nominal + b.nominal, a.max + b.max};
}

/// factor ÷ bounds, for figures > 0: a period from a rate. The largest rate gives the shortest period.
inline Bounds inverse(const Bounds& bounds, const Rational& factor = 1) {
    return {factor / bounds.max, factor / bounds.nominal, factor / bounds.min};
}

/// got ÷ asked − 1, signed, for asked > 0.
inline Bounds relativeError(const Bounds& got, const Rational& asked) {
    return {got.min / asked - 1, got.nominal / asked - 1, got.max / asked - 1};
}

/// The largest |value| of the three.
inline Rational largestMagnitude(const Bounds& bounds) {
    const Rational low = abs(bounds.min);
    const Rational high = abs(bounds.max);
    return low < high ? high : low;
}

} // namespace wisetick
