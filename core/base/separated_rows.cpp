#include "base/separated_rows.h"

namespace wisetick {

std::vector<std::vector<std::string>> separatedRows(std::string_view text, char separator) {
    std::vector<std::vector<std::string>> rows{{}};
    std::string cell;
    bool isQuoted = false;
    for (std::size_t i = 0; i < text.size(); ++i) {
        const char sign = text[i];
        if (isQuoted && sign == '"' && i + 1 < text.size() && text[i + 1] == '"') {
            cell += text[++i];
        } else if (sign == '"' && (isQuoted || cell.find_first_not_of(" \t") == std::string::npos)) {
            isQuoted = !isQuoted;
        } else if (!isQuoted && (sign == separator || sign == '\n')) {
            rows.back().push_back(std::move(cell));
            cell.clear();
            if (sign == '\n') {
                rows.emplace_back();
            }
        } else if (sign != '\r' || isQuoted) {
            cell += sign;
        }
    }
    rows.back().push_back(std::move(cell));
    return rows;
}

} // namespace wisetick
