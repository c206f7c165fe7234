#include "derive/crystal.h"

#include "derive/line_rates.h"

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
    if (!fitted.capacitors || !fitted.stray) {
        return std::nullopt;
    }
    const Rational& one = *fitted.capacitors;
    const Rational other = fitted.otherOne.value_or(one);
    const Rational both = one + other;
    return (both.isZero() ? Rational(0) : one * other / both) + *fitted.stray;
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

std::vector<DeviationPoint> deviationCurve(const Fitted& fitted, const Board& board, int points) {
    std::vector<DeviationPoint> curve;
    if (!fitted.tolerance || points < 2) {
        return curve;
    }
    const Bounds celsius = board.temperature.value_or(Bounds::exactly(25));
    const Rational total = fitted.tolerance->total();
    const Rational shift = loadShift(fitted).value_or(Rational(0));
    for (int i = 0; i < points; ++i) {
        const Rational at = celsius.min + (celsius.max - celsius.min) * Rational(i, points - 1);
        const Rational away = fitted.parabola ? at - fitted.parabola->turnover : Rational(0);
        const Rational bend = fitted.parabola ? fitted.parabola->coefficient * away * away : Rational(0);
        curve.push_back({at, shift + bend - total, shift + bend + total});
    }
    return curve;
}

std::vector<DeviationPoint> deviationCurve(const Source& source, const Board& board) {
    const Bounds celsius = board.temperature.value_or(Bounds::exactly(25));
    std::vector<ToleranceStep> steps; // those that hold whatever else is on
    std::copy_if(source.tolerance.begin(), source.tolerance.end(), std::back_inserter(steps),
                 [](const ToleranceStep& step) { return step.with.empty(); });
    std::vector<Rational> cuts{celsius.min, celsius.max};
    for (const ToleranceStep& step : steps) {
        for (const auto& cut : {step.fromCelsius, step.toCelsius}) {
            if (cut && *cut > celsius.min && *cut < celsius.max) {
                cuts.push_back(*cut);
            }
        }
    }
    std::sort(cuts.begin(), cuts.end());
    std::vector<DeviationPoint> curve;
    for (std::size_t i = 0; i + 1 < cuts.size(); ++i) {
        const auto deviation = deviationOver(steps, cuts[i], cuts[i + 1]);
        if (!deviation) {
            return {};
        }
        curve.push_back({cuts[i], deviation->low, deviation->high});
        curve.push_back({cuts[i + 1], deviation->low, deviation->high});
    }
    return curve;
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
    const auto there = actualLoad(fitted);
    const auto load = there ? there : fitted.load; // what is fitted, else what it was cut for
    if (!source.gm || !fitted.esr || !load || !fitted.shunt || fitted.esr->sign() <= 0) {
        return std::nullopt;
    }
    const double omega = 2 * std::numbers::pi * fitted.rate.toDouble();
    const double farad = (*fitted.shunt + *load).toDouble();
    return source.gm->toDouble() / (4 * fitted.esr->toDouble() * omega * omega * farad * farad);
}

} // namespace wisetick
