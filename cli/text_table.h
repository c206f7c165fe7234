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
    std::string text() const;

private:
    std::vector<Align> columns_;
    std::vector<std::vector<std::string>> rows_;
};

/// How many columns a terminal needs for the text.
std::size_t displayWidth(const std::string& text);

} // namespace wisetick::cli
