#pragma once

#include "base/text.h"
#include "base/workings.h"

#include <string>
#include <vector>

namespace wisetick {

/// A number in the text of a step, and where it comes from.
struct NumberLink {
    std::size_t from = 0;
    std::size_t length = 0;
    Target target;    ///< an origin's, or the earlier step whose result it is
    std::string name; ///< what it is called there
    bool operator==(const NumberLink&) const = default;
};

/// Every number in `text` (the numbers or the result of step `index`) with where it comes from: the origin that shows
/// this value, else the earlier step whose result it is, else the origin that stands for several numbers at once.
/// Constants of the formula, such as the 1 of "got ÷ asked − 1", come from nowhere and are left out.
std::vector<NumberLink> numberLinks(const Workings& workings, std::size_t index, const std::string& text);

/// A target in words: "the part file, peripheral uart1", "the plan file, board.fitted.xtm.rate".
Text placeInWords(const Origin& origin);

} // namespace wisetick
