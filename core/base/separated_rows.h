#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace wisetick {

/// Rows of cells between separators (RFC 4180): a cell between quotation marks may hold separators, ends of lines and doubled
/// marks. Cells as they stand, blanks included; a text that ends with a line's end gives one empty row more.
std::vector<std::vector<std::string>> separatedRows(std::string_view text, char separator);

} // namespace wisetick
