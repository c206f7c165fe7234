#pragma once

#include <string_view>

namespace wisetick {

/// The text without blanks, tabs and line ends around it; a view into the same text, so that its place in it can still be told.
inline std::string_view trimmed(std::string_view text) {
    constexpr std::string_view kBlanks = " \t\n";
    const std::size_t first = text.find_first_not_of(kBlanks);
    return first == std::string_view::npos ? text.substr(text.size())
                                           : text.substr(first, text.find_last_not_of(kBlanks) + 1 - first);
}

} // namespace wisetick
