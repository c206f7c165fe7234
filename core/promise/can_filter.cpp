#include "promise/can_filter.h"

#include "base/text.h"

#include <algorithm>
#include <charconv>

namespace wisetick {

namespace {

constexpr std::uint32_t kMostShort = 0x7FF;
constexpr std::uint32_t kMostLong = 0x1FFFFFFF;

TextError errorAt(std::string_view text, std::size_t from, std::size_t length, const Text& expected) {
    return {from, length, "'" + std::string(text.substr(from, length)) + "'", expected, {}};
}

} // namespace

bool CanFilter::lets(std::uint32_t id) const {
    switch (form) {
    case Form::range: return first <= id && id <= second;
    case Form::pair: return id == first || id == second;
    case Form::mask: return ((id ^ first) & second) == 0;
    }
    return false;
}

std::optional<std::uint32_t> readCanId(std::string_view text) {
    const bool isHex = text.starts_with("0x") || text.starts_with("0X");
    const std::string_view digits = isHex ? text.substr(2) : text;
    std::uint32_t id = 0;
    const auto [end, error] = std::from_chars(digits.data(), digits.data() + digits.size(), id, isHex ? 16 : 10);
    const bool isWhole = error == std::errc() && end == digits.data() + digits.size() && !digits.empty();
    return isWhole && id <= kMostLong ? std::optional(id) : std::nullopt;
}

tl::expected<CanFilter, TextError> readCanFilter(std::string_view text) {
    struct Mark {
        std::string_view text;
        CanFilter::Form form;
    };
    for (const auto& [mark, form] :
         {Mark{"..", CanFilter::Form::range}, Mark{",", CanFilter::Form::pair}, Mark{"&", CanFilter::Form::mask}}) {
        const std::size_t at = text.find(mark);
        if (at == std::string_view::npos) {
            continue;
        }
        const auto first = readCanId(text.substr(0, at));
        const auto second = readCanId(text.substr(at + mark.size()));
        if (!first) {
            return tl::unexpected(errorAt(text, 0, at, phrase("an id such as '0x123', up to 0x1fffffff")));
        }
        if (!second) {
            return tl::unexpected(errorAt(text, at + mark.size(), text.size() - at - mark.size(),
                                          phrase("an id such as '0x123', up to 0x1fffffff")));
        }
        if (form == CanFilter::Form::range && *second < *first) {
            return tl::unexpected(errorAt(text, 0, text.size(), phrase("the lower id first")));
        }
        return CanFilter{form, *first, *second};
    }
    if (const auto alone = readCanId(text)) {
        return CanFilter{CanFilter::Form::range, *alone, *alone};
    }
    return tl::unexpected(errorAt(text, 0, text.size(),
                                  phrase("an id '0x123', a range '0x100..0x17f', a pair '0x100,0x200' or a mask '0x100&0x7f0'")));
}

std::optional<std::uint32_t> idsLetIn(const std::vector<CanFilter>& filters) {
    if (std::any_of(filters.begin(), filters.end(),
                    [](const CanFilter& filter) { return filter.first > kMostShort || filter.second > kMostShort; })) {
        return std::nullopt;
    }
    std::uint32_t count = 0;
    for (std::uint32_t id = 0; id <= kMostShort; ++id) {
        count += std::any_of(filters.begin(), filters.end(), [id](const CanFilter& filter) { return filter.lets(id); }) ? 1 : 0;
    }
    return count;
}

} // namespace wisetick
