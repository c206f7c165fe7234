#include "text_table.h"

#include <algorithm>
#include <cctype>
#include <numeric>
#include <optional>

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

namespace {

constexpr std::size_t kGap = 2;
constexpr std::size_t kNarrowest = 12;

/// What is not broken: words, a number with its unit.
std::vector<std::string> pieces(const std::string& cell) {
    std::vector<std::string> list;
    bool isNumber = false;
    for (std::size_t begin = 0; begin < cell.size();) {
        const std::size_t end = std::min(cell.find(' ', begin), cell.size());
        const std::string word = cell.substr(begin, end - begin);
        if (isNumber) {
            list.back() += " " + word;
        } else {
            list.push_back(word);
        }
        isNumber = !word.empty() && std::isdigit(static_cast<unsigned char>(word.back())) != 0;
        begin = end + 1;
    }
    return list;
}

/// The lines of a cell, each coloured as the whole is.
std::vector<std::string> linesOf(const std::string& cell, std::size_t width) {
    if (displayWidth(cell) <= width) {
        return {cell};
    }
    const std::size_t colourEnd = cell.front() == '\x1b' ? cell.find('m') + 1 : 0;
    const std::size_t colourBack = colourEnd == 0 ? cell.size() : cell.rfind('\x1b');
    std::vector<std::string> lines;
    for (const std::string& piece : pieces(cell.substr(colourEnd, colourBack - colourEnd))) {
        if (!lines.empty() && displayWidth(lines.back()) + 1 + displayWidth(piece) <= width) {
            lines.back() += " " + piece;
        } else {
            lines.push_back(piece);
        }
    }
    for (std::string& line : lines) {
        line = cell.substr(0, colourEnd) + line + cell.substr(colourBack);
    }
    return lines;
}

} // namespace

std::vector<std::size_t> TextTable::widths(std::size_t most) const {
    std::vector<std::size_t> widths(columns_.size());
    std::vector<std::size_t> least(columns_.size(), kNarrowest);
    for (const auto& row : rows_) {
        for (std::size_t i = 0; i < row.size(); ++i) {
            widths[i] = std::max(widths[i], displayWidth(row[i]));
            for (const std::string& piece : pieces(row[i])) {
                least[i] = std::max(least[i], displayWidth(piece));
            }
        }
    }
    const auto canShrink = [&](std::size_t i) { return columns_[i] == Align::left && widths[i] > least[i]; };
    std::size_t all = std::accumulate(widths.begin(), widths.end(), kGap * widths.size());
    while (most > 0 && all > most) {
        std::optional<std::size_t> widest;
        for (std::size_t i = 0; i < widths.size(); ++i) {
            widest = canShrink(i) && (!widest || widths[i] > widths[*widest]) ? i : widest;
        }
        if (!widest) {
            break;
        }
        --widths[*widest];
        --all;
    }
    return widths;
}

std::string TextTable::text(std::size_t most) const {
    const std::vector<std::size_t> widths = this->widths(most);
    std::string text;
    for (const auto& row : rows_) {
        std::vector<std::vector<std::string>> cells;
        std::size_t height = 1;
        for (std::size_t i = 0; i < row.size(); ++i) {
            cells.push_back(linesOf(row[i], widths[i]));
            height = std::max(height, cells.back().size());
        }
        for (std::size_t at = 0; at < height; ++at) {
            std::string line = " ";
            for (std::size_t i = 0; i < cells.size(); ++i) {
                const std::string cell = at < cells[i].size() ? cells[i][at] : std::string();
                const std::string blanks(widths[i] - std::min(widths[i], displayWidth(cell)), ' ');
                line += (i == 0 ? " " : "  ") + (columns_[i] == Align::right ? blanks + cell : cell + blanks);
            }
            line.erase(line.find_last_not_of(' ') + 1);
            text += line + "\n";
        }
    }
    return text;
}

} // namespace wisetick::cli
