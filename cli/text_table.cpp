#include "text_table.h"

#include <algorithm>

namespace wisetick::cli {

std::size_t displayWidth(const std::string& text) {
    std::size_t width = 0;
    bool isEscape = false;
    for (const char c : text) {
        if (c == '\x1b') {
            isEscape = true;
        } else if (isEscape) {
            isEscape = c != 'm';
        } else if ((static_cast<unsigned char>(c) & 0xC0U) != 0x80U) {
            ++width;
        }
    }
    return width;
}

std::string TextTable::text() const {
    std::vector<std::size_t> widths(columns_.size());
    for (const auto& row : rows_) {
        for (std::size_t i = 0; i < row.size(); ++i) {
            widths[i] = std::max(widths[i], displayWidth(row[i]));
        }
    }
    std::string text;
    for (const auto& row : rows_) {
        std::string line = " ";
        for (std::size_t i = 0; i < row.size(); ++i) {
            const std::string blanks(widths[i] - displayWidth(row[i]), ' ');
            line += (i == 0 ? " " : "  ") + (columns_[i] == Align::right ? blanks + row[i] : row[i] + blanks);
        }
        line.erase(line.find_last_not_of(' ') + 1);
        text += line + "\n";
    }
    return text;
}

} // namespace wisetick::cli
