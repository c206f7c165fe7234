#include "plan/expect.h"

#include <algorithm>
#include <cctype>
#include <string_view>

namespace wisetick {

tl::expected<PrintedFigure, TextError> readPrintedFigure(const std::string& text, Unit unit) {
    constexpr std::string_view kAbout = "\u2248"; // ≈
    const bool isAbout = text.starts_with(kAbout);
    const std::size_t begin = isAbout ? std::min(text.find_first_not_of(' ', kAbout.size()), text.size()) : 0;
    const std::string plain = text.substr(begin);
    const auto value = readQuantity(plain, unit);
    if (!value) {
        TextError error = value.error();
        error.position += begin;
        return tl::unexpected(error);
    }
    PrintedFigure figure{text, *value, 0};
    if (isAbout) {
        std::string half = plain; // of "3.33 MHz" it is "0.005 MHz"
        std::size_t end = half.starts_with('-') || half.starts_with('+') ? 1 : 0;
        bool hasPoint = false;
        for (; end < half.size() && (std::isdigit(static_cast<unsigned char>(half[end])) != 0 || half[end] == '.'); ++end) {
            hasPoint = hasPoint || half[end] == '.';
            half[end] = half[end] == '.' ? '.' : '0';
        }
        half.insert(end, hasPoint ? "5" : ".5");
        half.erase(0, half.find_first_not_of("+-"));
        figure.leeway = readQuantity(half, unit).value_or(Rational(0));
    }
    return figure;
}

} // namespace wisetick
