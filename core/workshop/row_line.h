#pragma once

#include "base/diagnostic.h"

#include <tl/expected.hpp>

#include <string>

namespace wisetick {

/// What can be set on a source, line or peripheral of a part's text, as one line to be typed over:
/// "from rc, xt ÷ 1, 2, 4 ≤ 50 MHz draws 2 uA/MHz"; of a source its rate or range comes first. What such a line can't say, such
/// as limits that depend on something, is left out of it. Empty where no such id is made.
std::string rowLine(const std::string& text, const std::string& id);

/// The text with what such a line says of the thing: `from` (a peripheral's `clock`), `divide`, `multiply`, `limit`, `draws`,
/// `rate`, `rates` or `range`. What the line said before and does not say any more is taken away; what it can't say stays. Also
/// "/" for ÷,
/// "*" for ×, "<=", ">=" and "..". Errors: a word where nothing begins with it, a figure that is none, a clause that the
/// text says in a way that no line can; their place is that in the line.
tl::expected<std::string, TextError> withRowLine(const std::string& text, const std::string& id, const std::string& line);

} // namespace wisetick
