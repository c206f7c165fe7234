#include "workshop/part_edits.h"

#include <algorithm>
#include <cctype>

namespace wisetick {

namespace {

std::vector<std::size_t> lineStarts(const std::string& text) {
    std::vector<std::size_t> starts{0};
    for (std::size_t at = text.find('\n'); at != std::string::npos; at = text.find('\n', at + 1)) {
        starts.push_back(at + 1);
    }
    return starts;
}

/// Behind a text between quotes that begins here.
std::size_t behindQuoted(const std::string& text, std::size_t at) {
    const char quote = text[at];
    for (++at; at < text.size() && text[at] != quote && text[at] != '\n'; ++at) {
        at += quote == '"' && text[at] == '\\' ? 1U : 0U;
    }
    return std::min(at + 1, text.size());
}

/// The value that begins at or behind `at`: to the comma or bracket that ends it, or the end of the line outside all brackets.
TextValue valueFrom(const std::string& text, std::size_t at) {
    while (at < text.size() && (text[at] == ' ' || text[at] == '\t' || text[at] == '=')) {
        ++at;
    }
    TextValue value{at, at, {}};
    int depth = 0;
    while (at < text.size()) {
        const char sign = text[at];
        if (sign == '"' || sign == '\'') {
            at = behindQuoted(text, at);
            value.to = at;
            continue;
        }
        if (sign == '#') { // a remark
            at = std::min(text.find('\n', at), text.size());
            continue;
        }
        depth += sign == '[' || sign == '{' ? 1 : 0;
        if (depth == 0 && (sign == ',' || sign == ']' || sign == '}' || sign == '\n')) {
            break;
        }
        depth -= sign == ']' || sign == '}' ? 1 : 0;
        ++at;
        if (std::isspace(static_cast<unsigned char>(sign)) == 0) {
            value.to = at;
        }
    }
    value.text = text.substr(value.from, value.to - value.from);
    return value;
}

/// Where a thing stands in the text.
struct ThingPlace {
    const TextWord* name = nullptr; ///< of its id
    const WordTable* entry = nullptr;
    bool isRow = false;   ///< of `each`
    std::size_t from = 0; ///< of a row its opening brace, of a table its head
    std::size_t to = 0;   ///< behind it
};

class ThingText {
public:
    explicit ThingText(const std::string& text) : text_(text), words_(readWords(text)), starts_(lineStarts(text)) {}

    const TextWords& words() const { return words_; }
    std::size_t offset(int line, int byte) const {
        return starts_[static_cast<std::size_t>(line)] + static_cast<std::size_t>(byte);
    }
    std::size_t lineStart(int line) const {
        return static_cast<std::size_t>(line) < starts_.size() ? starts_[static_cast<std::size_t>(line)] : text_.size();
    }

    std::optional<ThingPlace> find(const std::string& id) const {
        const std::vector<TextPlace> made = madeAt(words_, id);
        if (made.empty()) {
            return std::nullopt;
        }
        ThingPlace place;
        place.name = words_.at(made.front().line, made.front().from);
        place.entry = &words_.entries[place.name->entry];
        place.isRow = place.name->keys.front() == "each";
        if (!place.isRow) {
            place.from = lineStart(place.entry->from);
            place.to = lineStart(place.entry->to);
            return place;
        }
        // the row's braces: the nearest opening one before the name that is not closed before it
        int depth = 0;
        std::size_t at = offset(place.name->line, place.name->from);
        while (at > 0 && !(text_[at - 1] == '{' && depth == 0)) {
            --at;
            depth += text_[at] == '}' ? 1 : (text_[at] == '{' ? -1 : 0);
        }
        place.from = at - 1;
        place.to = valueFrom(text_, place.from).to;
        return place;
    }

    std::vector<TextProperty> properties(const ThingPlace& place) const {
        std::vector<TextProperty> list;
        for (const TextWord& word : words_.words) {
            const std::size_t at = offset(word.line, word.from);
            const bool isOwn = word.kind == TextWord::Kind::key && at >= place.from && at < place.to &&
                               (place.isRow ? word.keys == std::vector<std::string>{"each"} : word.keys.empty());
            if (!isOwn) {
                continue;
            }
            if (!list.empty() && list.back().place.line == word.line && list.back().place.to >= word.from - 1) {
                continue; // the second half of a dotted key
            }
            list.push_back({word.text, valueFrom(text_, offset(word.line, word.to)), {word.line, word.from, word.to}});
        }
        return list;
    }

private:
    const std::string& text_;
    TextWords words_;
    std::vector<std::size_t> starts_;
};

} // namespace

std::vector<TextProperty> propertiesOf(const std::string& text, const std::string& id) {
    const ThingText part(text);
    const auto place = part.find(id);
    return place ? part.properties(*place) : std::vector<TextProperty>();
}

std::optional<std::string> withProperty(const std::string& text, const std::string& id, const std::string& key,
                                        const std::string& value) {
    const ThingText part(text);
    const auto place = part.find(id);
    if (!place) {
        return std::nullopt;
    }
    const std::vector<TextProperty> properties = part.properties(*place);
    const auto found =
        std::find_if(properties.begin(), properties.end(), [&](const TextProperty& each) { return each.key == key; });
    std::string next = text;
    if (found != properties.end() && !value.empty()) {
        return next.replace(found->value.from, found->value.to - found->value.from, value);
    }
    if (found != properties.end()) { // taken away: the whole line, or up to the next comma of the row
        std::size_t from = part.offset(found->place.line, found->place.from);
        std::size_t to = found->value.to;
        if (place->isRow) {
            const std::size_t comma = text.find_first_not_of(' ', to);
            if (comma != std::string::npos && text[comma] == ',') {
                to = std::min(text.find_first_not_of(' ', comma + 1), text.size());
            } else {
                const std::size_t before = text.find_last_not_of(' ', from - 1);
                from = text[before] == ',' ? before : from;
            }
        } else {
            from = text.rfind('\n', from) + 1;
            const std::size_t end = text.find('\n', to);
            to = end == std::string::npos ? text.size() : end + 1;
        }
        return next.erase(from, to - from);
    }
    if (value.empty()) {
        return next;
    }
    if (place->isRow) {
        const std::size_t last = properties.empty() ? place->from + 1 : properties.back().value.to;
        return next.insert(last, ", " + key + " = " + value);
    }
    if (const std::size_t remark = next.find("\n# " + key + " = ", place->from); remark < place->to) { // which was its place
        const std::size_t behind = std::min(next.find('\n', remark + 1), next.size());
        return next.replace(remark + 1, behind - remark - 1, key + " = " + value);
    }
    std::size_t end = place->to;
    const bool endsLine = end > 0 && end <= text.size() && text[end - 1] == '\n';
    return next.insert(end, (endsLine ? "" : "\n") + key + " = " + value + (endsLine ? "\n" : ""));
}

namespace {

/// The keys of an inline table and where their values stand in it; none where it is no table.
std::vector<std::pair<std::string, TextValue>> keyPlaces(const std::string& table) {
    std::vector<std::pair<std::string, TextValue>> keys;
    const std::size_t open = table.find('{');
    if (open == std::string::npos || table.find_first_not_of(' ') != open) {
        return keys;
    }
    for (std::size_t at = open + 1;;) {
        at = table.find_first_not_of(" ,\n\t", at);
        const std::size_t equals = at == std::string::npos || table[at] == '}' ? std::string::npos : table.find('=', at);
        if (equals == std::string::npos) {
            return keys;
        }
        std::string name = table.substr(at, equals - at);
        name.erase(name.find_last_not_of(' ') + 1);
        keys.emplace_back(std::move(name), valueFrom(table, equals + 1));
        at = keys.back().second.to;
    }
}

} // namespace

std::vector<std::pair<std::string, std::string>> keysOfTable(const std::string& table) {
    std::vector<std::pair<std::string, std::string>> keys;
    for (const auto& [name, value] : keyPlaces(table)) {
        keys.emplace_back(name, value.text);
    }
    return keys;
}

std::string withKey(const std::string& table, const std::string& key, const std::string& value) {
    const std::size_t open = table.find('{');
    if (open == std::string::npos || table.find_first_not_of(' ') != open) {
        return "{ " + key + " = " + value + " }";
    }
    for (const auto& [name, old] : keyPlaces(table)) {
        if (name == key) {
            return std::string(table).replace(old.from, old.to - old.from, value);
        }
    }
    const std::size_t close = table.rfind('}');
    const std::size_t last = close == std::string::npos ? table.size() : table.find_last_not_of(' ', close - 1) + 1;
    return table.substr(0, last) + (last > open + 1 ? ", " : " ") + key + " = " + value + " }";
}

std::vector<std::string> elementsOfList(const std::string& list) {
    std::vector<std::string> elements;
    if (!list.starts_with('[')) {
        return list.empty() ? elements : std::vector<std::string>{list};
    }
    for (std::size_t at = 1;;) {
        at = list.find_first_not_of(" ,\n\t", at);
        if (at == std::string::npos || list[at] == ']') {
            return elements;
        }
        if (list[at] == '#') { // a remark between them
            at = std::min(list.find('\n', at), list.size());
            continue;
        }
        const TextValue value = valueFrom(list, at);
        if (value.to <= at) {
            return elements;
        }
        elements.push_back(value.text);
        at = value.to;
    }
}

namespace {

/// The table `[[wait]]` that is about that line.
std::optional<ThingPlace> waitOf(const ThingText& part, const std::string& line) {
    for (const WordTable& entry : part.words().entries) {
        const ThingPlace place{nullptr, &entry, false, part.lineStart(entry.from), part.lineStart(entry.to)};
        for (const TextProperty& property : entry.table == "wait" ? part.properties(place) : std::vector<TextProperty>()) {
            if (property.key == "line" && property.value.text == "\"" + line + "\"") {
                return place;
            }
        }
    }
    return std::nullopt;
}

} // namespace

std::vector<TextProperty> waitPropertiesOf(const std::string& text, const std::string& line) {
    const ThingText part(text);
    const auto place = waitOf(part, line);
    return place ? part.properties(*place) : std::vector<TextProperty>();
}

std::string withWaits(const std::string& text, const std::string& line, const std::string& cases) {
    const ThingText part(text);
    const auto place = waitOf(part, line);
    if (!place) {
        return withTable(text, line, "[[wait]]\nline = \"" + line + "\"\ncases = " + cases + "\n");
    }
    std::string next = text;
    const std::vector<TextProperty> properties = part.properties(*place);
    bool isSaid = false;
    for (auto each = properties.rbegin(); each != properties.rend(); ++each) { // from behind: places before it stay
        if (each->key == "cases" || (each->key == "steps" && !isSaid)) {
            const std::size_t from = part.offset(each->place.line, each->place.from);
            next.replace(from, each->value.to - from, "cases = " + cases);
            isSaid = true;
        } else if (each->key == "tier" || each->key == "supply_below" || each->key == "supply_at_least") {
            const std::size_t from = part.offset(each->place.line, 0);
            next.erase(from, std::min(next.find('\n', each->value.to), next.size() - 1) + 1 - from);
        }
    }
    return isSaid ? next : next.insert(place->to, "cases = " + cases + "\n");
}

std::string withTable(const std::string& text, const std::string& behind, const std::string& table) {
    const ThingText part(text);
    const auto place = behind.empty() ? std::nullopt : part.find(behind);
    std::size_t at = text.size();
    if (place) {
        at = part.lineStart(place->entry->to);
    } else if (const std::size_t name = table.find("[["); behind.empty() && name != std::string::npos) {
        const std::string kind = table.substr(name + 2, table.find("]]") - name - 2);
        for (const WordTable& entry : part.words().entries) {
            at = entry.table == kind ? part.lineStart(entry.to) : at;
        }
    }
    std::string next = text;
    const bool endsLine = at == 0 || text[at - 1] == '\n';
    const bool isLast = text.find_first_not_of('\n', at) == std::string::npos;
    return next.insert(at, (endsLine ? "\n" : "\n\n") + table + (table.ends_with('\n') ? "" : "\n") + (isLast ? "" : ""));
}

namespace {

/// The row of a list of one, without a key.
std::string withoutKey(const std::string& list, const std::string& id, const std::string& key) {
    const std::string without = withProperty(list, id, key, "").value_or(list);
    return without.substr(without.find('{'), without.rfind('}') + 1 - without.find('{'));
}

} // namespace

std::optional<std::string> likeAnother(const std::string& text, const std::string& id, const std::string& newId) {
    const ThingText part(text);
    const auto place = part.find(id);
    if (!place || place->name->text != id || !canBeId(newId) || !madeAt(part.words(), newId).empty()) {
        return std::nullopt;
    }
    const std::size_t name = part.offset(place->name->line, place->name->from);
    std::string copy = text.substr(place->from, place->to - place->from);
    copy.replace(name - place->from, id.size(), newId);
    std::string next = text;
    for (const char* own : {"fields", "gate", "interrupts", "flags", "pins"}) { // which are its own: unknown of the other one
        copy = place->isRow ? withoutKey("each = [" + copy + "]", newId, own) : withProperty(copy, newId, own, "").value_or(copy);
    }
    if (place->isRow) {
        const std::size_t start = text.rfind('\n', place->from);
        const std::string indent = text.substr(start + 1, place->from - start - 1);
        return next.insert(place->to, ",\n" + (indent.find_first_not_of(' ') == std::string::npos ? indent : "  ") + copy);
    }
    return withTable(text, id, copy);
}

std::optional<std::string> withoutThing(const std::string& text, const std::string& id) {
    const ThingText part(text);
    const auto place = part.find(id);
    if (!place || place->name->text != id) {
        return std::nullopt;
    }
    std::size_t from = place->from;
    std::size_t to = place->to;
    if (place->isRow) { // with its comma, and its line where it has one of its own
        to = to < text.size() && text[to] == ',' ? to + 1 : to;
        const std::size_t start = text.rfind('\n', from) + 1;
        const std::size_t end = text.find('\n', to);
        const bool isAlone =
            text.find_first_not_of(' ', start) == from && end != std::string::npos && text.find_first_not_of(' ', to) == end;
        from = isAlone ? start : from;
        to = isAlone ? end + 1 : to;
    } else {
        to = std::min(text.find_first_not_of('\n', to), text.size());
    }
    std::string next = text;
    return next.erase(from, to - from);
}

} // namespace wisetick
