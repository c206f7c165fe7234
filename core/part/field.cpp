#include "part/field.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <fmt/format.h>

#include <algorithm>

namespace wisetick {

namespace {

/// A whole number of up to 18 digits.
std::optional<Rational> wholeNumber(std::string_view digits) {
    const bool areDigits = std::all_of(digits.begin(), digits.end(), [](char c) { return c >= '0' && c <= '9'; });
    return areDigits && !digits.empty() && digits.size() <= 18 ? std::optional(Rational(std::stoll(std::string(digits))))
                                                               : std::nullopt;
}

/// One term of a linear form: "16*n", "n", "n/2", "65536" or "counts".
bool addTerm(std::string_view term, int sign, Holds& holds, bool& hasFactor) {
    if (const auto number = wholeNumber(term)) {
        holds.offset += *number * sign;
        return true;
    }
    const std::size_t star = term.find('*');
    const std::size_t slash = term.find('/');
    const auto times = star == std::string_view::npos ? Rational(1) : wholeNumber(term.substr(0, star));
    const auto by = slash == std::string_view::npos ? Rational(1) : wholeNumber(term.substr(slash + 1));
    if (!times || !by || by->isZero() || (slash != std::string_view::npos && star != std::string_view::npos && slash < star)) {
        return false;
    }
    std::string_view name = term.substr(0, slash);
    if (star != std::string_view::npos) {
        name.remove_prefix(star + 1);
    } else { // "16n" is read as well
        const auto letter = std::find_if(name.begin(), name.end(), [](char c) { return c < '0' || c > '9'; });
        if (letter != name.begin()) {
            const auto count = static_cast<std::size_t>(letter - name.begin());
            const auto before = wholeNumber(name.substr(0, count));
            name.remove_prefix(count);
            return before && name == "n" && !hasFactor && (hasFactor = true, holds.slope = *before / *by * sign, true);
        }
    }
    const Rational factor = *times / *by * sign;
    if (name == "n") {
        holds.slope = factor;
        return !std::exchange(hasFactor, true);
    }
    const bool isName = !name.empty() && name.front() >= 'a' && name.front() <= 'z' &&
                        std::all_of(name.begin(), name.end(),
                                    [](char c) { return (c >= 'a' && c <= 'z') || (c >= '0' && c <= '9') || c == '_'; });
    holds.others.emplace_back(std::string(name), factor);
    return isName && name.size() > 1;
}

} // namespace

int Field::width() const {
    int width = ownWidth();
    for (const Field& each : lower) {
        width += each.width();
    }
    return width;
}

std::vector<Field> Field::pieces() const {
    std::vector<Field> list{{reg, msb, lsb}};
    for (const Field& each : lower) {
        list.push_back(each);
    }
    return list;
}

std::string fieldText(const Field& field) {
    std::string text = field.msb == field.lsb ? fmt::format("{}[{}]", field.reg, field.msb)
                                              : fmt::format("{}[{}:{}]", field.reg, field.msb, field.lsb);
    for (const Field& each : field.lower) {
        text += " and " + fieldText(each);
    }
    return text;
}

bool isRegisterName(std::string_view name) {
    const auto isLetter = [](char c) { return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || c == '_'; };
    return !name.empty() && isLetter(name.front()) &&
           std::all_of(name.begin(), name.end(), [&](char c) { return isLetter(c) || (c >= '0' && c <= '9') || c == '.'; });
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
    if (!isRegisterName(text.substr(0, open))) {
        return std::nullopt;
    }
    return Field{std::string(text.substr(0, open)), *msb, *lsb};
}

std::optional<Holds> readHolds(std::string_view text) {
    std::string plain;
    std::copy_if(text.begin(), text.end(), std::back_inserter(plain), [](char c) { return c != ' '; });
    Holds holds;
    if (plain == "inorder") {
        holds.form = Holds::Form::inOrder;
        return holds;
    }
    bool hasFactor = false;
    std::size_t start = 0;
    if (plain.rfind("log", 0) == 0) {
        const std::size_t at = plain.find('n');
        const auto base = at == std::string::npos ? std::nullopt : wholeNumber(std::string_view(plain).substr(3, at - 3));
        if (!base || *base < 2 || *base > 1000) {
            return std::nullopt;
        }
        holds.form = Holds::Form::logarithm;
        holds.base = *base->toInt64();
        hasFactor = true;
        start = at + 1;
        if (start == plain.size()) {
            return holds;
        }
    }
    int sign = 1;
    if (start > 0 || (!plain.empty() && plain.front() == '-')) {
        sign = plain[start] == '-' ? -1 : 1;
        if (plain[start] != '-' && plain[start] != '+') {
            return std::nullopt;
        }
        ++start;
    }
    for (std::size_t i = start; i <= plain.size(); ++i) {
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

Text holdsText(const Holds& holds) {
    if (holds.form == Holds::Form::table || holds.form == Holds::Form::inOrder) {
        return phrase("holds a code");
    }
    const auto times = [](const Rational& factor, const std::string& name) {
        return factor == 1 ? name : factor.toString() + " \u00d7 " + name;
    };
    std::string text;
    const auto add = [&](const Rational& factor, const std::string& term) {
        if (!factor.isZero()) {
            text += factor.sign() < 0 ? (text.empty() ? "\u2212" : " \u2212 ") : (text.empty() ? "" : " + ");
            text += term;
        }
    };
    if (holds.form == Holds::Form::logarithm) {
        text = "log" + std::to_string(holds.base) + " n";
        add(holds.offset, abs(holds.offset).toString());
        return phrase("holds {}", text);
    }
    const bool isDown = holds.slope.sign() < 0; // what it is taken from comes first
    if (!isDown) {
        add(holds.slope, times(holds.slope, "n"));
    }
    for (const auto& [name, factor] : holds.others) {
        add(factor, times(abs(factor), name));
    }
    add(holds.offset, abs(holds.offset).toString());
    if (isDown) {
        add(holds.slope, times(abs(holds.slope), "n"));
    }
    return phrase("holds {}", text);
}

std::optional<std::int64_t> heldFor(const Holds& holds, const std::string& key) {
    const auto found = std::find_if(holds.codes.begin(), holds.codes.end(), [&](const auto& code) { return code.first == key; });
    return found == holds.codes.end() ? std::nullopt : std::optional(found->second);
}

std::optional<std::int64_t> heldFor(const Holds& holds, const Rational& factor, const OtherControl& other) {
    if (holds.form == Holds::Form::table) {
        return heldFor(holds, printFactor(factor));
    }
    Rational held = holds.offset;
    if (holds.form == Holds::Form::logarithm) {
        if (factor.sign() <= 0) {
            return std::nullopt;
        }
        Rational power = 1;
        for (; power < factor; power *= holds.base) {
            held += 1;
        }
        if (power != factor) {
            return std::nullopt;
        }
    } else {
        held += factor * holds.slope;
    }
    for (const auto& [name, times] : holds.others) {
        const auto value = other ? other(name) : std::nullopt;
        if (!value) {
            return std::nullopt;
        }
        held += *value * times;
    }
    const auto whole = held.toInt64();
    return whole && *whole >= 0 ? whole : std::nullopt;
}

std::string valuePartName(ValuePart part) {
    switch (part) {
    case ValuePart::whole: return "whole";
    case ValuePart::fraction: return "fraction";
    case ValuePart::enable: return "enable";
    case ValuePart::mantissa: return "mantissa";
    case ValuePart::exponent: return "exponent";
    }
    return {};
}

std::string hexText(const FieldValue& value) {
    return fmt::format("0x{:0{}X}", value.held, (value.field.width() + 3) / 4);
}

std::string inPlaceText(const FieldValue& value) {
    const auto shifted = static_cast<std::uint64_t>(value.held) << value.field.lsb;
    return fmt::format("0x{:0{}X}", shifted, value.field.msb < 32 ? 8 : 16);
}

} // namespace wisetick
