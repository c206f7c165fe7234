#pragma once

#include "base/text.h"

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace wisetick {

/// The known name nearest to what was typed, by edit distance (insert, delete, replace, swap of neighbours),
/// if it is near enough to be a likely typo: at most a third of the longer word, at least 1. Of equals the
/// first in the list. Cost: O(names × length²).
std::optional<std::string> nearestName(std::string_view typed, const std::vector<std::string>& known);

/// "did you mean 'NAME'?" for the nearest name, else an empty text.
Text didYouMean(std::string_view typed, const std::vector<std::string>& known);

/// "a, b or c", each in single quotes; "nothing" for an empty list. Of more than 24 the first twelve: "… or one of 21
/// more".
Text listNames(const std::vector<std::string>& names);

} // namespace wisetick
