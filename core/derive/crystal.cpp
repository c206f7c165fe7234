#include "derive/crystal.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace wisetick {

namespace {

/// The E24 series between 10 and 100; every second value is E12.
constexpr std::array<std::int64_t, 24> kSeries{10, 11, 12, 13, 15, 16, 18, 20, 22, 24, 27, 30,
                                               33, 36, 39, 43, 47, 51, 56, 62, 68, 75, 82, 91};

} // namespace

std::optional<Rational> actualLoad(const Fitted& fitted) {
    return fitted.capacitors && fitted.stray ? std::optional(*fitted.capacitors / 2 + *fitted.stray) : std::nullopt;
}

std::optional<Rational> loadShift(const Fitted& fitted) {
    const auto load = actualLoad(fitted);
    if (!load || !fitted.load || !fitted.shunt || !fitted.motional || (*fitted.shunt + *load).isZero()) {
        return std::nullopt;
    }
    return *fitted.motional / 2 * (1 / (*fitted.shunt + *load) - 1 / (*fitted.shunt + *fitted.load));
}

Rational parabolaOver(const Fitted& fitted, const Board& board) {
    if (!fitted.parabola) {
        return 0;
    }
    const Bounds celsius = board.temperature.value_or(Bounds::exactly(25));
    const Rational low = celsius.min - fitted.parabola->turnover;
    const Rational high = celsius.max - fitted.parabola->turnover;
    return fitted.parabola->coefficient * std::max(low * low, high * high);
}

std::optional<Rational> wantedCapacitors(const Fitted& fitted) {
    if (!fitted.load) {
        return std::nullopt;
    }
    const Rational wanted = 2 * (*fitted.load - fitted.stray.value_or(Rational(0)));
    return wanted.sign() > 0 ? std::optional(wanted) : std::nullopt;
}

std::vector<Rational> nearestOfSeries(const Rational& wanted, int steps) {
    std::optional<Rational> below;
    std::optional<Rational> above;
    const std::size_t stride = steps == 12 ? 2 : 1;
    for (int exponent = -16; exponent <= 0 && !above; ++exponent) {
        const Rational decade = powerOfTen(exponent);
        const Rational last = decade * kSeries[kSeries.size() - stride];
        if (last < wanted) { // the whole decade is below
            below = last;
            continue;
        }
        for (std::size_t i = 0; i < kSeries.size() && !above; i += stride) {
            const Rational value = decade * kSeries[i];
            below = value <= wanted ? std::optional(value) : below;
            above = value >= wanted && !above ? std::optional(value) : above;
        }
    }
    std::vector<Rational> values;
    if (below) {
        values.push_back(*below);
    }
    if (above && above != below) {
        values.push_back(*above);
    }
    return values;
}

std::optional<double> startMargin(const Source& source, const Fitted& fitted) {
    if (!source.gm || !fitted.esr || !fitted.load || fitted.esr->sign() <= 0) {
        return std::nullopt;
    }
    const double omega = 2 * std::numbers::pi * fitted.rate.toDouble();
    const double farad = (fitted.shunt.value_or(Rational(0)) + *fitted.load).toDouble();
    return source.gm->toDouble() / (4 * fitted.esr->toDouble() * omega * omega * farad * farad);
}

} // namespace wisetick
