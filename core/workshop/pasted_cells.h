#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace wisetick {

/// A table as it was copied from somewhere: all rows with as many cells, trimmed.
struct PastedCells {
    std::vector<std::vector<std::string>> rows;
    bool isEmpty() const { return rows.empty(); }
};

/// Reads what a clipboard holds: the first table of HTML, a Markdown table, cells between tabs, CSV (RFC 4180; ',' or ';'), or
/// columns set apart by two blanks or more, as a PDF gives them.
PastedCells readPasted(std::string_view clipboard);

} // namespace wisetick
