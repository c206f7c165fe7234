#include "workshop/text_ids.h"

#include "files/toml_reader.h"

#include <algorithm>
#include <set>

namespace wisetick {

namespace {

bool isOfId(char sign) {
    return (sign >= 'a' && sign <= 'z') || (sign >= '0' && sign <= '9') || sign == '_' || sign == '-';
}

/// Whether what stands there is said to people, and names nothing.
bool isProse(const TextWord& word) {
    // what people read, files, and words of the format itself: `kind = "rc"` is no use of a source called rc
    static const std::set<std::string> prose{"name", "note",   "ref",   "registers", "file",   "costs",
                                             "kind", "access", "style", "format",    "centred"};
    return !word.keys.empty() && prose.contains(word.keys.back());
}

/// A line in the language of promises, wishes or jobs; in a part `say` is prose.
bool isSaid(const TextWords& words, const TextWord& word) {
    const std::string& table = words.entries[word.entry].table;
    const bool hasLines = table == "promise" || table == "expect";
    return hasLines && !word.keys.empty() && word.keys.back() == "say" && (table == "promise" || word.keys.size() > 1);
}

bool isKeyOfFormat(const TextWord& word) {
    return word.kind == TextWord::Kind::key && word.keys.empty();
}

/// "uart{1..4}" and "{f,g}_p" make what their braces stand for.
bool makes(const std::string& pattern, const std::string& id) {
    const std::size_t open = pattern.find('{');
    const std::size_t close = pattern.find('}', open == std::string::npos ? 0 : open);
    if (open == std::string::npos || close == std::string::npos) {
        return pattern == id;
    }
    const std::string before = pattern.substr(0, open);
    const std::string behind = pattern.substr(close + 1);
    return id.size() > before.size() + behind.size() && id.starts_with(before) && id.ends_with(behind);
}

} // namespace

std::vector<TextPlace> madeAt(const TextWords& part, const std::string& id) {
    std::vector<TextPlace> places;
    for (const TextWord& word : part.words) {
        const bool isNamed = word.kind == TextWord::Kind::text && !word.keys.empty() &&
                             (word.keys.back() == "id" || word.keys.back() == "ids") &&
                             (word.keys.size() == 1 || word.keys.front() == "each");
        if (isNamed && makes(word.text, id)) {
            places.push_back({word.line, word.from, word.to});
        }
    }
    return places;
}

std::vector<TextPlace> usesOf(const TextWords& words, const std::string& id) {
    std::vector<TextPlace> places;
    const int length = static_cast<int>(id.size());
    for (const TextWord& word : words.words) {
        if (word.kind == TextWord::Kind::plain || isProse(word) || isKeyOfFormat(word)) {
            continue;
        }
        if (word.kind == TextWord::Kind::table) { // [take.choices.bus_a]
            if (word.text.ends_with("." + id)) {
                places.push_back({word.line, word.to - length, word.to});
            }
            continue;
        }
        if (!isSaid(words, word)) {
            const bool isIt = word.text == id || word.text.starts_with(id + ".") || word.text.starts_with(id + "@");
            if (isIt) {
                places.push_back({word.line, word.from, word.from + length});
            }
            continue;
        }
        for (std::size_t at = word.text.find(id); at != std::string::npos; at = word.text.find(id, at + 1)) {
            const std::size_t end = at + id.size();
            const bool begins = at == 0 || !isOfId(word.text[at - 1]);
            const bool ends = end == word.text.size() || !isOfId(word.text[end]);
            const bool isName = end < word.text.size() && word.text[end] == ':'; // "modem: uart1 talks"
            if (begins && ends && !isName) {
                places.push_back({word.line, word.from + static_cast<int>(at), word.from + static_cast<int>(end)});
            }
        }
    }
    return places;
}

std::string withIdRenamed(const std::string& text, const std::string& id, const std::string& name) {
    const std::vector<TextPlace> uses = usesOf(readWords(text), id);
    std::string next;
    std::size_t at = 0;
    int line = 0;
    for (const TextPlace& use : uses) { // in the text's order
        for (; line < use.line; ++line) {
            const std::size_t end = text.find('\n', at);
            next.append(text, at, end + 1 - at);
            at = end + 1;
        }
        const std::size_t begin = text.rfind('\n', at == 0 ? 0 : at - 1);
        const std::size_t start = at == 0 || text[at - 1] == '\n' ? at : (begin == std::string::npos ? 0 : begin + 1);
        const std::size_t from = start + static_cast<std::size_t>(use.from);
        next.append(text, at, from - at);
        next += name;
        at = from + id.size();
    }
    return next.append(text, at);
}

bool canBeId(const std::string& text) {
    return isId(text);
}

std::string idIn(const TextWord& word, int column) {
    std::size_t at = static_cast<std::size_t>(std::clamp(column - word.from, 0, static_cast<int>(word.text.size())));
    std::size_t from = at;
    while (from > 0 && isOfId(word.text[from - 1])) {
        --from;
    }
    while (at < word.text.size() && isOfId(word.text[at])) {
        ++at;
    }
    std::string id = word.text.substr(from, at - from);
    const std::size_t dot = word.text.find('.');
    const bool isControl =
        word.kind == TextWord::Kind::text && dot != std::string::npos && word.text.find(' ') == std::string::npos;
    if (isControl && isId(word.text.substr(0, dot))) {
        id = word.text.substr(0, dot);
    }
    return isId(id) ? id : std::string();
}

} // namespace wisetick
