#include "workshop/pasted_cells.h"

#include "base/separated_rows.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <optional>
#include <utility>

namespace wisetick {

namespace {

using CellRow = std::vector<std::string>;

std::string trimmedCell(std::string_view text) {
    std::string plain;
    for (std::size_t i = 0; i < text.size(); ++i) { // a no-break space is a blank
        if (text.substr(i).starts_with("\u00a0")) {
            plain += ' ';
            ++i;
        } else {
            plain += text[i] == '\n' || text[i] == '\r' || text[i] == '\t' ? ' ' : text[i];
        }
    }
    const std::size_t from = plain.find_first_not_of(' ');
    const std::size_t to = plain.find_last_not_of(' ');
    return from == std::string::npos ? std::string() : plain.substr(from, to - from + 1);
}

std::string loweredCell(std::string_view text) {
    std::string lower(text);
    std::transform(lower.begin(), lower.end(), lower.begin(),
                   [](unsigned char sign) { return static_cast<char>(std::tolower(sign)); });
    return lower;
}

std::vector<std::string_view> linesOfText(std::string_view text) {
    std::vector<std::string_view> lines;
    while (!text.empty()) {
        const std::size_t end = text.find('\n');
        lines.push_back(text.substr(0, end));
        text.remove_prefix(end == std::string_view::npos ? text.size() : end + 1);
    }
    return lines;
}

/// "&micro;A &amp; more" and "&#181;A" as they are read.
std::string unescaped(std::string_view html) {
    static constexpr std::array<std::pair<std::string_view, std::string_view>, 9> kNames{{{"&amp;", "&"},
                                                                                          {"&lt;", "<"},
                                                                                          {"&gt;", ">"},
                                                                                          {"&quot;", "\""},
                                                                                          {"&nbsp;", " "},
                                                                                          {"&micro;", "\u00b5"},
                                                                                          {"&deg;", "\u00b0"},
                                                                                          {"&#181;", "\u00b5"},
                                                                                          {"&minus;", "-"}}};
    std::string text;
    for (std::size_t i = 0; i < html.size(); ++i) {
        const auto name =
            std::find_if(kNames.begin(), kNames.end(), [&](const auto& each) { return html.substr(i).starts_with(each.first); });
        text += name == kNames.end() ? std::string(1, html[i]) : std::string(name->second);
        i += name == kNames.end() ? 0 : name->first.size() - 1;
    }
    return text;
}

/// The cells between <td> or <th>, row by row; tags within them are left out.
std::vector<CellRow> htmlRows(std::string_view html) {
    std::vector<CellRow> rows;
    std::optional<std::string> cell;
    const auto end = [&] {
        if (cell && !rows.empty()) {
            rows.back().push_back(trimmedCell(unescaped(*cell)));
        }
        cell.reset();
    };
    for (std::size_t i = 0; i < html.size(); ++i) {
        if (html[i] != '<') {
            if (cell) {
                *cell += html[i];
            }
            continue;
        }
        const std::size_t close = html.find('>', i);
        const std::string tag = loweredCell(html.substr(i + 1, close == std::string_view::npos ? close : close - i - 1));
        if (tag.starts_with("tr")) {
            end();
            rows.emplace_back();
        } else if (tag.starts_with("td") || tag.starts_with("th ") || tag == "th") {
            end();
            cell = std::string();
        } else if (tag.starts_with("/td") || tag.starts_with("/th") || tag.starts_with("/tr")) {
            end();
        } else if (tag.starts_with("/table")) {
            end();
            break;
        } else if (tag.starts_with("br") && cell) {
            *cell += ' ';
        }
        i = close == std::string_view::npos ? html.size() : close;
    }
    return rows;
}

std::vector<CellRow> markdownRows(std::string_view text) {
    std::vector<CellRow> rows;
    for (std::string_view line : linesOfText(text)) {
        std::string plain = trimmedCell(line);
        if (plain.size() < 2 || plain.front() != '|') {
            continue;
        }
        if (plain.find_first_not_of("|-: ") == std::string::npos) {
            continue; // the rule below the head
        }
        plain.erase(0, 1);
        if (plain.back() == '|') {
            plain.pop_back();
        }
        CellRow row;
        for (std::size_t from = 0; from <= plain.size();) {
            const std::size_t bar = std::min(plain.find('|', from), plain.size());
            row.push_back(trimmedCell(plain.substr(from, bar - from)));
            from = bar + 1;
        }
        rows.push_back(std::move(row));
    }
    return rows;
}

std::vector<CellRow> trimmedRows(std::string_view text, char separator) {
    std::vector<CellRow> rows = separatedRows(text, separator);
    for (CellRow& row : rows) {
        std::transform(row.begin(), row.end(), row.begin(), [](const std::string& cell) { return trimmedCell(cell); });
    }
    return rows;
}

/// Columns by two blanks or more.
std::vector<CellRow> blankRows(std::string_view text) {
    std::vector<CellRow> rows;
    for (std::string_view line : linesOfText(text)) {
        CellRow row;
        std::string rest(line);
        for (std::size_t from = rest.find_first_not_of(" \r"); from != std::string::npos;) {
            const std::size_t to = std::min(rest.find("  ", from), rest.size());
            row.push_back(trimmedCell(rest.substr(from, to - from)));
            from = rest.find_first_not_of(" \r", to);
        }
        rows.push_back(std::move(row));
    }
    return rows;
}

} // namespace

PastedCells readPasted(std::string_view clipboard) {
    const std::string lower = loweredCell(clipboard.substr(0, 100000));
    std::vector<CellRow> rows;
    const std::vector<std::string_view> lines = linesOfText(clipboard);
    const auto count = [&](char sign) {
        return std::count_if(lines.begin(), lines.end(),
                             [&](std::string_view line) { return line.find(sign) != std::string_view::npos; });
    };
    const auto most = static_cast<std::ptrdiff_t>((lines.size() + 1) / 2);
    if (lower.find("<table") != std::string::npos || lower.find("<tr") != std::string::npos) {
        rows = htmlRows(clipboard);
    } else if (count('|') >= most && lower.find('|') != std::string::npos) {
        rows = markdownRows(clipboard);
    } else if (count('\t') >= most) {
        rows = trimmedRows(clipboard, '\t');
    } else if (std::any_of(lines.begin(), lines.end(), [](std::string_view line) {
                   return line.find("  ", line.find_first_not_of(' ')) != std::string_view::npos;
               })) {
        rows = blankRows(clipboard);
    } else {
        rows = trimmedRows(clipboard, count(';') >= most ? ';' : ',');
    }
    PastedCells cells;
    std::size_t width = 0;
    for (CellRow& row : rows) {
        const bool hasSome = std::any_of(row.begin(), row.end(), [](const std::string& cell) { return !cell.empty(); });
        if (hasSome) {
            width = std::max(width, row.size());
            cells.rows.push_back(std::move(row));
        }
    }
    for (CellRow& row : cells.rows) {
        row.resize(width);
    }
    return cells;
}

} // namespace wisetick
