#include "quantity/quantity_print.h"

#include <algorithm>
#include <cmath>

namespace wisetick {

namespace {

constexpr const char* kAboutSign = "\u2248";

/// How many places the decimal point of |value| > 0 stands right of its first digit: 3 for 1234, −1 for 0.05.
int decimalExponent(const Rational& magnitude) {
    // the estimate may be one off next to a power of ten
    int exponent = static_cast<int>(std::floor(std::log10(magnitude.toDouble())));
    while (magnitude >= powerOfTen(exponent + 1)) {
        ++exponent;
    }
    while (magnitude < powerOfTen(exponent)) {
        --exponent;
    }
    return exponent;
}

/// The whole number `digits` with the point `decimals` places from its right end.
std::string placePoint(const Rational& whole, int decimals) {
    const bool negative = whole.sign() < 0;
    std::string text = abs(whole).toString();
    if (decimals > 0) {
        const auto places = static_cast<std::size_t>(decimals);
        if (text.size() <= places) {
            text.insert(0, places + 1 - text.size(), '0');
        }
        text.insert(text.size() - places, ".");
    } else if (decimals < 0) {
        text.append(static_cast<std::size_t>(-decimals), '0');
    }
    return (negative ? "-" : "") + text;
}

std::string withUnit(const std::string& number, const UnitSuffix& unit) {
    return unit.text.empty() ? number : number + " " + unit.text;
}

/// The largest step of the ladder that leaves at least 1, else the smallest; for 0 the one without prefix.
const UnitSuffix& ladderStep(const Rational& value, Unit unit) {
    const auto& ladder = unitLadder(unit);
    if (value.isZero()) {
        const auto plain = std::find_if(ladder.begin(), ladder.end(), [](const UnitSuffix& step) { return step.factor == 1; });
        return plain == ladder.end() ? ladder.back() : *plain;
    }
    const Rational magnitude = abs(value);
    // percent from 0.1 % on, ppm below
    const bool isShare = unit == Unit::ratio || unit == Unit::perYear;
    for (std::size_t i = ladder.size(); i-- > 1;) {
        if (magnitude >= (isShare ? ladder[i].factor / 10 : ladder[i].factor)) {
            return ladder[i];
        }
    }
    return ladder.front();
}

constexpr std::int64_t kYearSeconds = 31557600; // 8766 h

/// Times that are whole minutes, hours, days or years read better so, from two of them on.
std::string calendarTime(const Rational& seconds) {
    struct Calendar {
        std::int64_t length;
        const char* name;
    };
    for (const auto& [length, name] :
         {Calendar{kYearSeconds, "years"}, Calendar{86400, "days"}, Calendar{3600, "h"}, Calendar{60, "min"}}) {
        const Rational count = seconds / length;
        if (abs(count) >= 2 && count.isWhole()) {
            const std::string text = exactDecimal(count);
            return text.empty() ? text : text + " " + name;
        }
    }
    return {};
}

} // namespace

std::string exactDecimal(const Rational& value, int mostDigits) {
    if (value.isZero()) {
        return "0";
    }
    const auto places = value.decimalPlaces();
    if (!places || decimalExponent(abs(value)) + *places + 1 > mostDigits || *places > 3 * mostDigits) {
        return {};
    }
    return placePoint(value * powerOfTen(*places), *places);
}

std::string roundedDecimal(const Rational& value, int digits) {
    if (value.isZero()) {
        return "0";
    }
    int decimals = digits - 1 - decimalExponent(abs(value));
    Rational whole = (value * powerOfTen(decimals)).rounded();
    if (abs(whole) >= powerOfTen(digits)) {
        --decimals;
        whole = (value * powerOfTen(decimals)).rounded();
    }
    return placePoint(whole, decimals);
}

std::string printQuantity(const Rational& value, Unit unit, int mostDigits) {
    if (unit == Unit::second) {
        const std::string calendar = calendarTime(value);
        if (!calendar.empty()) {
            return calendar;
        }
    }
    const UnitSuffix* step = &ladderStep(value, unit);
    const std::string exact = exactDecimal(value / step->factor, mostDigits);
    if (!exact.empty()) {
        return withUnit(exact, *step);
    }
    if (unit == Unit::second && abs(value) >= 5 * kYearSeconds) {
        return kAboutSign + roundedDecimal(value / kYearSeconds) + " years";
    }
    if (unit == Unit::second && abs(value) >= 2 * 86400) {
        return kAboutSign + roundedDecimal(value / 86400) + " days";
    }
    if (unit == Unit::second && abs(value) >= 2 * 3600) {
        return kAboutSign + roundedDecimal(value / 3600) + " h";
    }
    // 999.9996 kHz rounds to 1.0000 MHz
    const auto& ladder = unitLadder(unit);
    if (step != &ladder.back() && abs(value) >= step[1].factor * Rational(999995, 1000000)) {
        ++step;
    }
    return kAboutSign + withUnit(roundedDecimal(value / step->factor), *step);
}

std::string printReadable(const Rational& value, Unit unit) {
    constexpr int kEnoughDigits = 40;
    const std::string text = printQuantity(value, unit, kEnoughDigits);
    if (text.rfind(kAboutSign, 0) != 0) {
        return text;
    }
    // no decimal ends: a fraction, in the largest unit that leaves it the least denominator
    const UnitSuffix* best = &unitLadder(unit).front();
    Rational fraction = value / best->factor;
    for (const UnitSuffix& suffix : unitLadder(unit)) {
        const Rational other = value / suffix.factor;
        if (other.denominator() <= fraction.denominator()) {
            best = &suffix;
            fraction = other;
        }
    }
    return withUnit(fraction.toString(), *best);
}

std::string printError(const Rational& error) {
    if (error.isZero()) {
        return "exact";
    }
    const bool isPercent = abs(error) >= Rational(1, 1000);
    const Rational scaled = error * (isPercent ? 100 : 1000000);
    const std::string sign = error.sign() > 0 ? "+" : "\u2212";
    const std::string exact = exactDecimal(abs(scaled), 4);
    return (exact.empty() ? kAboutSign + sign + roundedDecimal(abs(scaled), 4) : sign + exact) + (isPercent ? " %" : " ppm");
}

std::string printTolerance(const Rational& tolerance) {
    const std::string text = printQuantity(tolerance, Unit::ratio);
    const std::string almostEqual = kAboutSign;
    return text.rfind(almostEqual, 0) == 0 ? almostEqual + "\u00b1" + text.substr(almostEqual.size()) : "\u00b1" + text;
}

std::string printRange(const Rational& low, const Rational& high, Unit unit) {
    return low == high ? printQuantity(low, unit) : printQuantity(low, unit) + " \u2026 " + printQuantity(high, unit);
}

std::string printFactor(const Rational& factor) {
    if (factor.isWhole()) {
        return factor.toString();
    }
    const Rational whole = factor.floor();
    const Rational fraction = factor - whole;
    const std::string decimal = exactDecimal(factor, 4);
    if (!decimal.empty()) {
        return decimal;
    }
    return (whole.isZero() ? "" : whole.toString() + " ") + fraction.toString();
}

} // namespace wisetick
