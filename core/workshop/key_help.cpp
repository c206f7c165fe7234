#include "workshop/key_help.h"

#include <algorithm>

namespace wisetick {

namespace {

/// All `words` between back quotes that can be keys.
std::vector<std::string> quotedKeys(std::string_view text) {
    std::vector<std::string> keys;
    for (std::size_t from = text.find('`'); from != std::string_view::npos; from = text.find('`', from + 1)) {
        const std::size_t to = text.find('`', from + 1);
        if (to == std::string_view::npos) {
            break;
        }
        std::string_view word = text.substr(from + 1, to - from - 1);
        word = word.substr(0, word.find(" =")); // `like = "ID"`
        const bool isKey = !word.empty() && std::all_of(word.begin(), word.end(),
                                                        [](char sign) { return (sign >= 'a' && sign <= 'z') || sign == '_'; });
        if (isKey) {
            keys.emplace_back(word);
        }
        from = to;
    }
    return keys;
}

std::string trimmedText(std::string_view text) {
    const std::size_t from = text.find_first_not_of(' ');
    const std::size_t to = text.find_last_not_of(" \r");
    return from == std::string_view::npos ? std::string() : std::string(text.substr(from, to - from + 1));
}

/// "## [[rule]], [[wait]] and [[bound]]": the three; "## Top": the one above all.
std::vector<std::string> tablesOf(std::string_view heading) {
    std::vector<std::string> tables;
    for (std::size_t from = heading.find('['); from != std::string_view::npos; from = heading.find('[', from)) {
        const std::size_t begin = heading.find_first_not_of('[', from);
        const std::size_t end = begin == std::string_view::npos ? begin : heading.find(']', begin);
        if (end == std::string_view::npos) {
            break;
        }
        tables.emplace_back(heading.substr(begin, end - begin));
        from = end;
    }
    if (heading.starts_with("Top")) {
        tables.emplace_back("");
    }
    return tables;
}

} // namespace

KeyHelp::KeyHelp(std::string_view page) {
    std::vector<std::string> tables;
    bool isCode = false;
    while (!page.empty()) {
        const std::size_t end = page.find('\n');
        const std::string_view line = page.substr(0, end);
        page.remove_prefix(end == std::string_view::npos ? page.size() : end + 1);
        if (line.starts_with("```")) {
            isCode = !isCode;
        } else if (isCode) {
            continue;
        } else if (line.starts_with("#")) {
            const std::size_t begin = line.find_first_not_of("# ");
            tables = begin == std::string_view::npos ? std::vector<std::string>() : tablesOf(line.substr(begin));
        } else if (line.starts_with("| ")) {
            readRow(tables, line);
        } else {
            readSentences(tables, line);
        }
    }
}

void KeyHelp::readRow(const std::vector<std::string>& tables, std::string_view line) {
    std::size_t bar = line.find(" |", 1);
    if (bar == std::string_view::npos) {
        return;
    }
    const std::string_view meaning = line.substr(bar + 2);
    const std::size_t last = meaning.find_last_of('|');
    for (const std::string& table : tables.empty() ? std::vector<std::string>{"*"} : tables) {
        for (const std::string& key : quotedKeys(meaning)) { // keys within: "With `ripple_over` …"
            meanings_.emplace(std::pair(table, key), trimmedText(meaning.substr(0, last)));
        }
        for (const std::string& key : tables.empty() ? std::vector<std::string>() : quotedKeys(line.substr(0, bar))) {
            std::string said = trimmedText(meaning.substr(0, last));
            if (said.empty()) {
                said = trimmedText(line.substr(1, bar - 1));
            }
            const auto place = std::pair(table, key);
            if (std::find(order_.begin(), order_.end(), place) == order_.end()) {
                order_.push_back(place);
            }
            meanings_[place] = said;
        }
    }
}

void KeyHelp::readSentences(const std::vector<std::string>& tables, std::string_view line) {
    const std::vector<std::string>& where = tables.empty() ? std::vector<std::string>{"*"} : tables;
    while (!line.empty()) {
        const std::size_t end = line.find(". ");
        const std::string_view sentence = line.substr(0, end == std::string_view::npos ? end : end + 1);
        line.remove_prefix(end == std::string_view::npos ? line.size() : end + 2);
        for (const std::string& table : where) {
            for (const std::string& key : quotedKeys(sentence)) {
                meanings_.emplace(std::pair(table, key), trimmedText(sentence));
            }
        }
    }
}

std::string KeyHelp::meaningOf(const std::string& table, const std::string& key) const {
    const auto own = meanings_.find({table, key});
    if (own != meanings_.end()) {
        return own->second;
    }
    const auto any = meanings_.find({"*", key});
    return any == meanings_.end() ? std::string() : any->second;
}

std::vector<std::string> KeyHelp::keysOf(const std::string& table) const {
    std::vector<std::string> keys;
    for (const auto& [where, key] : order_) {
        if (where == table) {
            keys.push_back(key);
        }
    }
    return keys;
}

} // namespace wisetick
