#include "part/field.h"

#include "quantity/quantity_print.h"

#include <fmt/format.h>

#include <algorithm>
#include <bit>

namespace wisetick {

namespace {

/// A whole number of up to 18 digits.
std::optional<Rational> wholeNumber(std::string_view digits) {
    const bool areDigits = std::all_of(digits.begin(), digits.end(), [](char c) { return c >= '0' && c <= '9'; });
    return areDigits && !digits.empty() && digits.size() <= 18 ? std::optional(Rational(std::stoll(std::string(digits))))
                                                               : std::nullopt;
}

/// One term of a linear form: "16*n", "n", "n/2" or "65536".
bool addTerm(std::string_view term, int sign, Holds& holds, bool& hasFactor) {
    const std::size_t at = term.find('n');
    if (at == std::string_view::npos) {
        const auto number = wholeNumber(term);
        holds.offset += number.value_or(Rational(0)) * sign;
        return number.has_value();
    }
    std::string_view before = term.substr(0, at);
    const std::string_view after = term.substr(at + 1);
    if (before == "*" || hasFactor) {
        return false;
    }
    if (!before.empty() && before.back() == '*') {
        before.remove_suffix(1);
    }
    const auto times = before.empty() ? Rational(1) : wholeNumber(before);
    const auto by = after.empty() ? Rational(1) : (after.front() == '/' ? wholeNumber(after.substr(1)) : std::nullopt);
    if (!times || !by || by->isZero()) {
        return false;
    }
    holds.slope = *times / *by * sign;
    hasFactor = true;
    return true;
}

} // namespace

std::string fieldText(const Field& field) {
    return field.msb == field.lsb ? fmt::format("{}[{}]", field.reg, field.msb)
                                  : fmt::format("{}[{}:{}]", field.reg, field.msb, field.lsb);
}

std::optional<Field> readField(std::string_view text) {
    const auto bit = [](std::string_view digits) -> std::optional<int> {
        const auto number = digits.size() > 2 ? std::nullopt : wholeNumber(digits);
        return number && *number <= 63 ? std::optional(static_cast<int>(*number->toInt64())) : std::nullopt;
    };
    const std::size_t open = text.find('[');
    if (open == std::string_view::npos || open == 0 || text.back() != ']') {
        return std::nullopt;
    }
    const std::string_view bits = text.substr(open + 1, text.size() - open - 2);
    const std::size_t colon = bits.find(':');
    const auto msb = bit(bits.substr(0, colon));
    const auto lsb = colon == std::string_view::npos ? msb : bit(bits.substr(colon + 1));
    if (!msb || !lsb || *msb < *lsb) {
        return std::nullopt;
    }
    return Field{std::string(text.substr(0, open)), *msb, *lsb};
}

std::optional<Holds> readHolds(std::string_view text) {
    std::string plain;
    std::copy_if(text.begin(), text.end(), std::back_inserter(plain), [](char c) { return c != ' '; });
    Holds holds;
    if (plain == "log2n") {
        holds.form = Holds::Form::logarithm;
        return holds;
    }
    bool hasFactor = false;
    int sign = 1;
    std::size_t start = 0;
    for (std::size_t i = 0; i <= plain.size(); ++i) {
        if (i == plain.size() || plain[i] == '+' || plain[i] == '-') {
            if (!addTerm(std::string_view(plain).substr(start, i - start), sign, holds, hasFactor)) {
                return std::nullopt;
            }
            sign = i < plain.size() && plain[i] == '-' ? -1 : 1;
            start = i + 1;
        }
    }
    return hasFactor ? std::optional(holds) : std::nullopt;
}

std::string holdsText(const Holds& holds) {
    if (holds.form == Holds::Form::table) {
        return "holds a code";
    }
    if (holds.form == Holds::Form::logarithm) {
        return "holds log2 n";
    }
    if (holds.slope.sign() < 0) {
        return "holds " + holds.offset.toString() + " \u2212 " +
               (holds.slope == -1 ? "" : (-holds.slope).toString() + " \u00d7 ") + "n";
    }
    const std::string factor = holds.slope == 1 ? "n" : holds.slope.toString() + " \u00d7 n";
    if (holds.offset.isZero()) {
        return "holds " + factor;
    }
    return "holds " + factor + (holds.offset.sign() < 0 ? " \u2212 " : " + ") + abs(holds.offset).toString();
}

std::optional<std::int64_t> heldFor(const Holds& holds, const std::string& key) {
    const auto found = std::find_if(holds.codes.begin(), holds.codes.end(), [&](const auto& code) { return code.first == key; });
    return found == holds.codes.end() ? std::nullopt : std::optional(found->second);
}

std::optional<std::int64_t> heldFor(const Holds& holds, const Rational& factor) {
    if (holds.form == Holds::Form::table) {
        return heldFor(holds, printFactor(factor));
    }
    if (holds.form == Holds::Form::logarithm) {
        const auto whole = factor.toInt64();
        if (!whole || *whole <= 0 || !std::has_single_bit(static_cast<std::uint64_t>(*whole))) {
            return std::nullopt;
        }
        return std::countr_zero(static_cast<std::uint64_t>(*whole));
    }
    const auto held = (factor * holds.slope + holds.offset).toInt64();
    return held && *held >= 0 ? held : std::nullopt;
}

std::string hexText(const FieldValue& value) {
    return fmt::format("0x{:0{}X}", value.held, (value.field.width() + 3) / 4);
}

std::string inPlaceText(const FieldValue& value) {
    const auto shifted = static_cast<std::uint64_t>(value.held) << value.field.lsb;
    return fmt::format("0x{:0{}X}", shifted, value.field.msb < 32 ? 8 : 16);
}

} // namespace wisetick
