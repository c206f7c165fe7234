#pragma once

#include "quantity/quantity_read.h"

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace wisetick {

/// What of the ids a filter lets in: a range from first to second, just these two, or those that agree with the first wherever
/// the second has a 1.
struct CanFilter {
    enum class Form { range, pair, mask };

    Form form = Form::range;
    std::uint32_t first = 0;
    std::uint32_t second = 0;

    bool lets(std::uint32_t id) const;
    bool operator==(const CanFilter&) const = default;
};

/// Reads "0x100..0x17f" (a range), "0x100,0x200" (a pair) or "0x100&0x7f0" (a mask). Ids are decimal or hexadecimal, of 11 bits,
/// or of 29 where one of them is larger. The error points at what is wrong.
tl::expected<CanFilter, TextError> readCanFilter(std::string_view text);

/// Reads one id; nothing if it is none of up to 29 bits.
std::optional<std::uint32_t> readCanId(std::string_view text);

/// How many ids of 11 bits the filters let in together; nothing where one of them is of 29 bits.
std::optional<std::uint32_t> idsLetIn(const std::vector<CanFilter>& filters);

} // namespace wisetick
