#pragma once

#include <string>
#include <vector>

namespace wisetick::cli {

enum class Align { left, right };

/// Rows of text in aligned columns. Widths count code points, escape sequences not.
class TextTable {
public:
    explicit TextTable(std::vector<Align> columns) : columns_(std::move(columns)) {}

    void add(std::vector<std::string> row) { rows_.push_back(std::move(row)); }
    bool empty() const { return rows_.empty(); }
    /// Each row on a line of its own behind two blanks, columns two blanks apart, no blanks at the end.
    /// Where a row would be wider than `most` columns (0: no end), the widest of its left-aligned cells go on below themselves,
    /// broken at blanks but not between a number and its unit.
    std::string text(std::size_t most) const;

private:
    std::vector<std::size_t> widths(std::size_t most) const;

    std::vector<Align> columns_;
    std::vector<std::vector<std::string>> rows_;
};

/// How many columns a terminal needs for the text.
std::size_t displayWidth(const std::string& text);

} // namespace wisetick::cli
