#include "quantity/span_read.h"

#include "quantity/quantity_read.h"

#include <string>

namespace wisetick {

namespace {

/// The suffix behind the number that `text` is.
std::string_view suffixOf(std::string_view text) {
    const auto isDigitAt = [&](std::size_t place) { return place < text.size() && text[place] >= '0' && text[place] <= '9'; };
    const auto isPartOfNumber = [&](std::size_t place) {
        const char sign = text[place];
        const bool isExponent =
            (sign == 'e' || sign == 'E') &&
            (isDigitAt(place + 1) || (place + 1 < text.size() && text[place + 1] == '-' && isDigitAt(place + 2)));
        return isDigitAt(place) || isExponent || std::string_view("+-\u2212._/ \t").find(sign) != std::string_view::npos;
    };
    std::size_t place = 0;
    while (place < text.size() && isPartOfNumber(place)) {
        ++place;
    }
    return text.substr(place);
}

} // namespace

tl::expected<std::pair<Rational, Rational>, TextError> readSpan(std::string_view text, Unit unit) {
    std::size_t first = text.size();
    std::size_t second = text.size();
    for (const std::string_view mark : {" to ", "\u2026", "..."}) {
        const std::size_t at = text.find(mark);
        if (at < first) {
            first = at;
            second = at + mark.size();
        }
    }
    if (second == text.size()) {
        const auto both = readQuantity(text, unit);
        return both ? tl::expected<std::pair<Rational, Rational>, TextError>({*both, *both}) : tl::unexpected(both.error());
    }
    const auto high = readQuantity(text.substr(second), unit);
    if (!high) {
        TextError error = high.error();
        error.position += second;
        return tl::unexpected(error);
    }
    const std::string_view low = text.substr(0, first);
    auto read = readQuantity(low, unit);
    if (!read) {
        if (const auto completed = readQuantity(std::string(low) + std::string(suffixOf(text.substr(second))), unit)) {
            read = completed;
        }
    }
    return read ? tl::expected<std::pair<Rational, Rational>, TextError>({*read, *high}) : tl::unexpected(read.error());
}

} // namespace wisetick
