#include "quantity/quantity_read.h"

#include "base/nearest_name.h"
#include "base/text.h"

#include <algorithm>
#include <cctype>
#include <cmath>

namespace wisetick {

namespace {

constexpr std::string_view kMinusSign = "\u2212";
constexpr std::string_view kAlmostEqual = "\u2248";
constexpr int kLargestExponent = 70;

bool isDigit(char c) {
    return c >= '0' && c <= '9';
}

bool isBlank(char c) {
    return c == ' ' || c == '\t';
}

std::string inQuotesOnce(std::string_view text) {
    return "'" + std::string(text) + "'";
}

/// A cursor over the text that knows how to take numbers apart.
class Scanner {
public:
    explicit Scanner(std::string_view text) : text_(text) {}

    std::size_t position() const { return position_; }
    bool atEnd() const { return position_ >= text_.size(); }
    std::string_view rest() const { return text_.substr(position_); }
    char peek(std::size_t ahead = 0) const { return position_ + ahead < text_.size() ? text_[position_ + ahead] : '\0'; }

    void skipBlanks() {
        while (isBlank(peek())) {
            ++position_;
        }
    }

    bool take(std::string_view word) {
        if (rest().substr(0, word.size()) != word) {
            return false;
        }
        position_ += word.size();
        return true;
    }

    /// Digits with '_' between them; value and count are returned.
    bool digits(Rational& value, int& count) {
        constexpr int kFits = 18; // digits in 64 bits
        std::int64_t small = 0;
        count = 0;
        while (isDigit(peek()) || (peek() == '_' && count > 0 && isDigit(peek(1)))) {
            if (peek() != '_') {
                const int digit = peek() - '0';
                if (count < kFits) {
                    small = small * 10 + digit;
                } else {
                    value = (count == kFits ? Rational(small) : value) * 10 + digit;
                }
                ++count;
            }
            ++position_;
        }
        if (count <= kFits) {
            value = small;
        }
        return count > 0;
    }

    /// An unsigned decimal or fraction. False if there is none at this place. Throws RationalOverflow.
    bool number(Rational& value) {
        const std::size_t start = position_;
        int count = 0;
        bool any = digits(value, count);
        if (peek() == '.' && (any || isDigit(peek(1)))) {
            ++position_;
            Rational part;
            if (digits(part, count)) {
                any = true;
                value += part * powerOfTen(-count);
            }
        }
        if (!any) {
            position_ = start;
            return false;
        }
        const bool isNegativeExponent = peek(1) == '-';
        if ((peek() == 'e' || peek() == 'E') &&
            (isDigit(peek(1)) || ((isNegativeExponent || peek(1) == '+') && isDigit(peek(2))))) {
            position_ += isDigit(peek(1)) ? 1 : 2;
            Rational exponent;
            digits(exponent, count);
            if (exponent > kLargestExponent) {
                throw RationalOverflow(phrase("exponent too large"));
            }
            const int power = static_cast<int>(*exponent.toInt64());
            value *= powerOfTen(isNegativeExponent ? -power : power);
        } else if (peek() == '/' && isDigit(peek(1))) {
            ++position_;
            Rational divisor;
            digits(divisor, count);
            if (divisor.isZero()) {
                position_ = start;
                return false;
            }
            value /= divisor;
        }
        return true;
    }

private:
    std::string_view text_;
    std::size_t position_ = 0;
};

bool isBlankOrComma(char c) {
    return isBlank(c) || c == ',';
}

/// The text without the blanks at its end; TOML strings and typed text may carry them.
std::string_view trimmedEnd(std::string_view text) {
    while (!text.empty() && isBlank(text.back())) {
        text.remove_suffix(1);
    }
    return text;
}

const UnitSuffix* findSuffix(Unit unit, std::string_view text) {
    const auto& suffixes = unitSuffixes(unit);
    const auto found = std::find_if(suffixes.begin(), suffixes.end(), [&](const UnitSuffix& each) { return each.text == text; });
    return found == suffixes.end() ? nullptr : &*found;
}

/// What is written for units of other names or in other ways, and how it is said here; empty where that is not known.
Text saidHere(std::string_view suffix, Unit unit, const std::vector<std::string>& known) {
    if (suffix.size() > 1 && suffix.front() == ',' && isDigit(suffix[1])) {
        return phrase("a point before the fraction, not a comma");
    }
    static const std::vector<std::pair<std::string_view, std::string_view>> others{
        {"bps", "bit/s"},  {"kbps", "kbit/s"}, {"Mbps", "Mbit/s"}, {"baud", "bit/s"},  {"Bd", "bit/s"}, {"Ohm", "ohm"},
        {"sec", "s"},      {"secs", "s"},      {"seconds", "s"},   {"minutes", "min"}, {"hours", "h"},  {"hrs", "h"},
        {"month", "days"}, {"months", "days"}, {"weeks", "days"},  {"years", "days"},  {"year", "days"}};
    const auto other = std::find_if(others.begin(), others.end(), [&](const auto& each) { return each.first == suffix; });
    if (other != others.end() &&
        (other->second == "days" || std::find(known.begin(), known.end(), other->second) != known.end())) {
        return other->second == "days" ? phrase("say it in days, such as '730 days'")
                                       : phrase("say {}", inQuotesOnce(other->second));
    }
    if (unit == Unit::perYear && suffix == "%") {
        return phrase("a share in a time: '%/year'");
    }
    const auto small = [](std::string_view text) {
        std::string lower(text);
        std::transform(lower.begin(), lower.end(), lower.begin(),
                       [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
        return lower;
    };
    // in other capitals: that with the fewest that differ, MHz rather than mHz for Mhz
    std::string alike;
    std::size_t least = suffix.size() + 1;
    for (const std::string& each : known) {
        std::size_t differs = 0;
        for (std::size_t i = 0; each.size() == suffix.size() && i < each.size(); ++i) {
            differs += each[i] == suffix[i] ? 0U : 1U;
        }
        if (small(each) == small(suffix) && differs < least) {
            least = differs;
            alike = each;
        }
    }
    return alike.empty() ? Text() : phrase("did you mean {}?", inQuotesOnce(alike));
}

TextError unitError(std::string_view suffix, std::size_t position, Unit unit) {
    TextError error{position, suffix.size(), {}, phrase("{} such as '{}'", unitNoun(unit), unitExample(unit)), {}};
    std::vector<std::string> known;
    for (const UnitSuffix& each : unitSuffixes(unit)) {
        known.push_back(each.text);
    }
    for (const Unit other : allUnits()) {
        if (other != unit && findSuffix(other, suffix) != nullptr) {
            error.found = phrase("{} makes it {}", inQuotesOnce(suffix), unitNoun(other));
            error.mend = unit == Unit::perYear ? saidHere(suffix, unit, known) : std::string();
            return error;
        }
    }
    error.found = phrase("unknown unit {}", inQuotesOnce(suffix));
    error.mend = saidHere(suffix, unit, known);
    error.mend = error.mend.empty() ? didYouMean(suffix, known) : error.mend;
    return error;
}

TextError tooLarge(std::string_view text) {
    return {0, text.size(), phrase("the number in {} is too large", inQuotesOnce(text)), phrase("at most 256 bits"), {}};
}

/// What is counted here: figures of these sizes can be multiplied and divided a few times within 256 bits.
bool isInReach(const Rational& value) {
    const double size = std::abs(value.toDouble());
    if (size > 1e-29 && size < 1e29) { // not near the ends, where only the exact value tells
        return true;
    }
    static const Rational least = powerOfTen(-30);
    static const Rational most = powerOfTen(30);
    return value.isZero() || (abs(value) >= least && abs(value) <= most);
}

TextError outOfReach(std::string_view text) {
    return {0,
            text.size(),
            phrase("{} is far from anything that can be counted here", inQuotesOnce(text)),
            phrase("a size from 1e-30 to 1e30, in the unit itself"),
            {}};
}

TextError notANumber(std::string_view text, std::size_t position, const Text& expected) {
    const std::string_view rest = text.substr(std::min(position, text.size()));
    return {position, rest.size(), rest.empty() ? "nothing" : inQuotesOnce(rest), expected, {}};
}

} // namespace

tl::expected<Rational, TextError> readQuantity(std::string_view whole, Unit unit) {
    const std::string_view text = trimmedEnd(whole);
    const auto expected = [unit] { return phrase("{} such as '{}'", unitNoun(unit), unitExample(unit)); };
    Scanner scanner(text);
    scanner.skipBlanks();
    if (scanner.rest().substr(0, kAlmostEqual.size()) == kAlmostEqual) {
        return tl::unexpected(TextError{scanner.position(), text.size() - scanner.position(), phrase("a rounded figure"),
                                        phrase("an exact one"),
                                        phrase("leave the \u2248 out if the figure is meant as it stands")});
    }
    const std::size_t start = scanner.position(); // with its sign
    const bool isNegative = scanner.take("-") || scanner.take(kMinusSign);
    if (!isNegative) {
        scanner.take("+");
    }
    try {
        Rational value;
        if (!scanner.number(value)) {
            return tl::unexpected(notANumber(text, start, expected()));
        }
        scanner.skipBlanks();
        if (isNegative) {
            value = -value;
        }
        if (scanner.atEnd()) {
            if (!isInReach(value)) {
                return tl::unexpected(outOfReach(text));
            }
            if (unitMayBeOmitted(unit) || value.isZero()) {
                return value;
            }
            return tl::unexpected(TextError{
                start, text.size() - start, phrase("{} has no unit", inQuotesOnce(text.substr(start))), expected(), {}});
        }
        const std::string_view suffix = scanner.rest();
        const UnitSuffix* known = findSuffix(unit, suffix);
        if (known == nullptr) {
            return tl::unexpected(unitError(suffix, scanner.position(), unit));
        }
        const Rational scaled = value * known->factor;
        return isInReach(scaled) ? tl::expected<Rational, TextError>(scaled) : tl::unexpected(outOfReach(text));
    } catch (const RationalOverflow&) {
        return tl::unexpected(tooLarge(text));
    }
}

bool isWritableFactor(const Rational& factor) {
    static const Rational most(std::int64_t{1} << 48);
    return abs(factor.numerator()) <= most && factor.denominator() <= most;
}

tl::expected<Rational, TextError> readFactor(std::string_view whole) {
    const std::string_view text = trimmedEnd(whole);
    const Text expected = phrase("a factor such as '5', '2.5', '11/16' or '98 + 1234/4096'");
    Scanner scanner(text);
    scanner.skipBlanks();
    try {
        Rational value;
        if (!scanner.number(value)) {
            return tl::unexpected(notANumber(text, scanner.position(), expected));
        }
        if (!scanner.atEnd()) {
            const std::size_t second = scanner.position();
            scanner.skipBlanks();
            scanner.take("+");
            scanner.skipBlanks();
            Rational fraction;
            if (!scanner.number(fraction) || !scanner.atEnd() || !value.isWhole() || fraction >= 1) {
                return tl::unexpected(notANumber(text, second, expected));
            }
            value += fraction;
        }
        return value;
    } catch (const RationalOverflow&) {
        return tl::unexpected(tooLarge(text));
    }
}

std::size_t quantityLength(std::string_view text) {
    Scanner scanner(text);
    if (!scanner.take("-") && !scanner.take(kMinusSign)) {
        scanner.take("+");
    }
    Rational ignored;
    try {
        if (!scanner.number(ignored)) {
            return 0;
        }
    } catch (const RationalOverflow&) {
        return std::min(text.find(' '), text.size());
    }
    const std::size_t numberEnd = scanner.position();
    scanner.skipBlanks();
    const bool isAttached = scanner.position() == numberEnd;
    for (const UnitSuffix& each : unitSuffixes(Unit::samples)) { // the only unit of two words
        const std::string_view rest = scanner.rest();
        const char after = rest.size() > each.text.size() ? rest[each.text.size()] : ' ';
        if (each.text.find(' ') != std::string::npos && rest.substr(0, each.text.size()) == each.text && isBlankOrComma(after)) {
            return scanner.position() + each.text.size();
        }
    }
    const std::string_view word = scanner.rest().substr(0, scanner.rest().find_first_of(" \t,"));
    const auto isSuffix = [&](Unit unit) { return findSuffix(unit, word) != nullptr; };
    if (!word.empty() && (isAttached || std::any_of(allUnits().begin(), allUnits().end(), isSuffix))) {
        return scanner.position() + word.size();
    }
    return numberEnd;
}

} // namespace wisetick
