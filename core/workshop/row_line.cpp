#include "workshop/row_line.h"

#include "quantity/quantity_read.h"
#include "workshop/part_edits.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <optional>
#include <vector>

namespace wisetick {

namespace {

using Keys = std::vector<std::pair<std::string, std::string>>;

const std::string* valueOf(const Keys& keys, const std::string& key) {
    const auto found = std::find_if(keys.begin(), keys.end(), [&](const auto& each) { return each.first == key; });
    return found == keys.end() ? nullptr : &found->second;
}

bool hasOnly(const Keys& keys, std::initializer_list<const char*> allowed) {
    return std::all_of(keys.begin(), keys.end(),
                       [&](const auto& each) { return std::find(allowed.begin(), allowed.end(), each.first) != allowed.end(); });
}

/// What stands between quotes; nothing where it is no text.
std::optional<std::string> unquoted(const std::string& value) {
    const bool isText = value.size() >= 2 && value.front() == '"' && value.find('"', 1) == value.size() - 1;
    return isText ? std::optional(value.substr(1, value.size() - 2)) : std::nullopt;
}

/// A number or a text.
std::optional<std::string> single(const std::string& value) {
    if (auto text = unquoted(value)) {
        return text;
    }
    const bool isPlain = !value.empty() && value.find_first_of("[]{}\"'\n#") == std::string::npos;
    return isPlain ? std::optional(value) : std::nullopt;
}

std::string trimmed(const std::string& text) {
    const std::size_t from = text.find_first_not_of(" \t\n");
    return from == std::string::npos ? std::string() : text.substr(from, text.find_last_not_of(" \t\n") + 1 - from);
}

std::vector<std::string> cutAt(const std::string& text, const std::string& mark) {
    std::vector<std::string> parts;
    std::size_t from = 0;
    for (std::size_t at = text.find(mark); at != std::string::npos; at = text.find(mark, from)) {
        parts.push_back(trimmed(text.substr(from, at - from)));
        from = at + mark.size();
    }
    parts.push_back(trimmed(text.substr(from)));
    return parts;
}

/// "[1, 2]" as its values; one value as itself; nothing where one of them is neither a number nor a text.
std::optional<std::vector<std::string>> listOf(const std::string& value) {
    std::vector<std::string> list;
    const bool isList = value.starts_with('[') && value.ends_with(']');
    for (const std::string& each : isList ? cutAt(value.substr(1, value.size() - 2), ",") : std::vector<std::string>{value}) {
        if (each.empty()) {
            continue; // behind the last comma
        }
        auto one = single(each);
        if (!one) {
            return std::nullopt;
        }
        list.push_back(*std::move(one));
    }
    return list;
}

std::string joined(const std::vector<std::string>& list) {
    return fmt::format("{}", fmt::join(list, ", "));
}

/// "1, 2, 4", "1 … 16", "1 … 8 by 1/2", "2^0 … 2^7"; nothing where it is said otherwise.
std::optional<std::string> factorsSaid(const std::string& value) {
    if (!value.starts_with('{')) {
        const auto list = listOf(value);
        return list ? std::optional(joined(*list)) : std::nullopt;
    }
    const Keys keys = keysOfTable(value);
    const std::string* from = valueOf(keys, "from");
    const std::string* to = valueOf(keys, "to");
    if (from == nullptr || to == nullptr || !single(*from) || !single(*to) ||
        !hasOnly(keys, {"from", "to", "step", "powers_of"})) {
        return std::nullopt;
    }
    const std::string* step = valueOf(keys, "step");
    const std::string* base = valueOf(keys, "powers_of");
    const std::string power = base == nullptr ? std::string() : *base + "^";
    return power + *single(*from) + " … " + power + *single(*to) +
           (step == nullptr ? "" : " by " + single(*step).value_or(*step));
}

/// `least` and `most` of a limit; nothing where it is said otherwise.
struct SaidLimit {
    std::string least;
    std::string most;
};
std::optional<SaidLimit> limitSaid(const std::string& value) {
    const Keys keys = keysOfTable(value);
    SaidLimit said;
    for (const auto& [key, figure] : keys) {
        if (key == "min" || key == "max") {
            const auto text = unquoted(figure);
            if (!text) {
                return std::nullopt;
            }
            (key == "min" ? said.least : said.most) = *text;
        }
    }
    return !keys.empty() && hasOnly(keys, {"min", "max", "ref"}) ? std::optional(said) : std::nullopt;
}

/// "390 uA at most 720 uA", "180 uA + 1.9 uA/MHz"; nothing where it is said otherwise.
std::optional<std::string> drawsSaid(const std::string& value) {
    if (const auto text = unquoted(value)) {
        return text;
    }
    const Keys keys = keysOfTable(value);
    if (keys.empty() || !hasOnly(keys, {"typ", "max", "base", "per_mhz", "of", "ref"})) {
        return std::nullopt;
    }
    std::map<std::string, std::string> said;
    for (const auto& [key, figure] : keys) {
        const auto text = unquoted(figure);
        if (!text) {
            return std::nullopt;
        }
        said[key] = *text;
    }
    std::string line = said.contains("typ") ? said["typ"] : said["base"];
    if (said.contains("per_mhz")) {
        line += (line.empty() ? "" : " + ") + said["per_mhz"] + "/MHz";
    }
    return line + (said.contains("max") ? " at most " + said["max"] : "");
}

/// What a line says, each where it stands in it.
enum class Clause { rate, from, divide, multiply, least, most, draws };
struct SaidClause {
    std::string text;
    std::size_t position = 0;
};
using SaidLine = std::map<Clause, SaidClause>;

const std::vector<std::pair<std::string, Clause>>& clauseWords() {
    static const std::vector<std::pair<std::string, Clause>> words{
        {"from", Clause::from}, {"÷", Clause::divide}, {"/", Clause::divide}, {"×", Clause::multiply}, {"*", Clause::multiply},
        {"≤", Clause::most},    {"<=", Clause::most},  {"≥", Clause::least},  {">=", Clause::least},   {"draws", Clause::draws}};
    return words;
}

/// What the thing's properties say that a line can say too; a clause that it can't say is in `others`.
struct PropertiesSaid {
    std::map<Clause, std::string> said;
    std::map<Clause, std::string> others; ///< with the key
};

class RowOf {
public:
    RowOf(const std::string& text, const std::string& id) : text_(text), id_(id) {
        for (const TextProperty& property : propertiesOf(text, id)) {
            properties_.emplace_back(property.key, property.value.text);
        }
        const TextWords words = readWords(text);
        if (const auto made = madeAt(words, id); !made.empty()) {
            table_ = words.entries[words.at(made.front().line, made.front().from)->entry].table;
        }
    }

    bool isThere() const { return table_ == "source" || table_ == "line" || table_ == "peripheral" || table_ == "template"; }
    std::string fromKey() const { return table_ == "peripheral" ? "clock" : "from"; }

    PropertiesSaid said() const {
        PropertiesSaid all;
        const auto take = [&](const std::string& key, Clause clause, const std::optional<std::string>& said) {
            if (said && !said->empty()) {
                all.said[clause] = *said;
            } else {
                all.others[clause] = key;
            }
        };
        for (const auto& [key, value] : properties_) {
            if (key == fromKey()) {
                const auto list = listOf(value);
                take(key, Clause::from, list ? std::optional(joined(*list)) : std::nullopt);
            } else if (key == "divide") {
                take(key, Clause::divide, factorsSaid(value));
            } else if (key == "multiply") {
                take(key, Clause::multiply, factorsSaid(value));
            } else if (key == "draws") {
                take(key, Clause::draws, drawsSaid(value));
            } else if (key == "rate" || key == "rates") {
                const auto list = listOf(value);
                take(key, Clause::rate, list ? std::optional(joined(*list)) : std::nullopt);
            } else if (key == "range") {
                const auto list = listOf(value);
                take(key, Clause::rate,
                     list && list->size() == 2 ? std::optional((*list)[0] + " … " + (*list)[1]) : std::nullopt);
            } else if (key == "limit") {
                const auto limit = limitSaid(value);
                if (!limit) {
                    all.others[Clause::least] = all.others[Clause::most] = key;
                    continue;
                }
                take(key, Clause::least, limit->least);
                take(key, Clause::most, limit->most);
            }
        }
        if (all.said.contains(Clause::least) || all.said.contains(Clause::most)) {
            all.others.erase(Clause::least);
            all.others.erase(Clause::most);
        }
        return all;
    }

    /// The text with one property set; an empty value takes it away.
    void set(const std::string& key, const std::string& value) {
        text_ = withProperty(text_, id_, key, value).value_or(text_);
        std::erase_if(properties_, [&](const auto& each) { return each.first == key; });
        if (!value.empty()) {
            properties_.emplace_back(key, value);
        }
    }
    std::string value(const std::string& key) const {
        const std::string* found = valueOf(properties_, key);
        return found == nullptr ? std::string() : *found;
    }
    const std::string& text() const { return text_; }
    const std::string& table() const { return table_; }

private:
    std::string text_;
    std::string id_;
    std::string table_;
    Keys properties_;
};

TextError wrong(const SaidClause& clause, Text found, Text expected) {
    return {clause.position, clause.text.size(), std::move(found), std::move(expected), {}};
}

std::string quoted(const std::string& text) {
    return "\"" + text + "\"";
}

/// A number as it is, a fraction between quotes.
std::string factorValue(const std::string& factor) {
    return factor.find('/') == std::string::npos ? factor : quoted(factor);
}

/// The clauses of a line. The words that begin one stand alone, but for signs.
tl::expected<SaidLine, TextError> clausesOf(const std::string& line) {
    SaidLine said;
    std::optional<Clause> now;
    std::size_t at = 0;
    while (at < line.size()) {
        if (line[at] == ' ') {
            ++at;
            continue;
        }
        std::size_t end = at;
        for (int depth = 0; end < line.size() && (line[end] != ' ' || depth > 0); ++end) { // a pattern's braces hold together
            depth += line[end] == '{' ? 1 : (line[end] == '}' ? -1 : 0);
        }
        std::string word = line.substr(at, end - at);
        std::size_t place = at;
        at = end;
        const auto begun = std::find_if(clauseWords().begin(), clauseWords().end(), [&](const auto& each) {
            const bool isSign = static_cast<unsigned char>(each.first[0]) > 0x7f || each.first == "<=" || each.first == ">=";
            return word == each.first || (isSign && word.starts_with(each.first));
        });
        if (begun != clauseWords().end()) {
            now = begun->second;
            if (said.contains(*now)) {
                return tl::unexpected(TextError{place, word.size(), phrase("'{}' stands there twice", begun->first), {}, {}});
            }
            said[*now].position = place;
            word.erase(0, begun->first.size());
            place += begun->first.size();
            if (word.empty()) {
                continue;
            }
        } else if (!now) {
            now = Clause::rate;
            said[*now].position = place;
        }
        said[*now].text += (said[*now].text.empty() ? "" : " ") + word;
    }
    for (auto& [clause, each] : said) {
        for (const char* dots : {"...", ".."}) {
            for (std::size_t found = each.text.find(dots); found != std::string::npos; found = each.text.find(dots)) {
                each.text.replace(found, std::string(dots).size(), "…");
            }
        }
        if (each.text.empty()) {
            return tl::unexpected(wrong(each, phrase("nothing stands behind it"), phrase("a figure, a list or an id")));
        }
    }
    return said;
}

tl::expected<std::string, TextError> rateValue(const SaidClause& clause, std::string& key) {
    std::vector<std::string> rates = cutAt(clause.text, "…");
    key = "range";
    if (rates.size() != 2) {
        rates = cutAt(clause.text, ",");
        key = rates.size() == 1 ? "rate" : "rates";
    }
    std::vector<std::string> list;
    for (const std::string& rate : rates) {
        if (!readQuantity(rate, Unit::hertz)) {
            return tl::unexpected(wrong(clause, phrase("'{}' is no rate", rate), phrase("such as 8 MHz, or 4 MHz … 32 MHz")));
        }
        list.push_back(quoted(rate));
    }
    return list.size() == 1 ? list[0] : "[" + joined(list) + "]";
}

tl::expected<std::string, TextError> factorsValue(const SaidClause& clause) {
    const auto wrongFactor = [&](const std::string& factor) {
        return tl::unexpected(
            wrong(clause, phrase("'{}' is no factor", factor), phrase("such as 4, or 1, 2, 4, or 1 … 16, or 2^0 … 2^7")));
    };
    std::string said = clause.text;
    std::string step;
    if (const std::size_t by = said.find(" by "); by != std::string::npos) {
        step = trimmed(said.substr(by + 4));
        said.resize(by);
        if (!readFactor(step)) {
            return wrongFactor(step);
        }
    }
    const std::vector<std::string> ends = cutAt(said, "…");
    if (ends.size() == 2) {
        const std::size_t first = ends[0].find('^');
        const std::size_t second = ends[1].find('^');
        if (first != std::string::npos && second != std::string::npos && ends[0].substr(0, first) == ends[1].substr(0, second)) {
            const std::string parts[] = {ends[0].substr(0, first), ends[0].substr(first + 1), ends[1].substr(second + 1)};
            for (const std::string& part : parts) {
                if (!readFactor(part)) {
                    return wrongFactor(part);
                }
            }
            return fmt::format("{{ powers_of = {}, from = {}, to = {} }}", parts[0], parts[1], parts[2]);
        }
        for (const std::string& end : ends) {
            if (!readFactor(end)) {
                return wrongFactor(end);
            }
        }
        return "{ from = " + factorValue(ends[0]) + ", to = " + factorValue(ends[1]) +
               (step.empty() ? "" : ", step = " + factorValue(step)) + " }";
    }
    std::vector<std::string> list;
    for (const std::string& factor : cutAt(said, ",")) {
        if (!readFactor(factor)) {
            return wrongFactor(factor);
        }
        list.push_back(factorValue(factor));
    }
    return list.size() == 1 ? list[0] : "[" + joined(list) + "]";
}

tl::expected<std::string, TextError> idsValue(const SaidClause& clause) {
    std::vector<std::string> list;
    for (const std::string& id : cutAt(clause.text, ",")) {
        if (id.find('{') == std::string::npos && !canBeId(id)) {
            return tl::unexpected(wrong(clause, phrase("'{}' is no id", id), phrase("ids of sources and lines, with commas")));
        }
        list.push_back(quoted(id));
    }
    return list.size() == 1 ? list[0] : "[" + joined(list) + "]";
}

/// The draw in the form that it had, with its clock and where it stands.
tl::expected<std::string, TextError> drawsValue(const SaidClause& clause, const std::string& before) {
    std::string said = clause.text;
    Keys keys;
    std::string most;
    if (const std::size_t at = said.find("at most "); at != std::string::npos) {
        most = trimmed(said.substr(at + 8));
        said = trimmed(said.substr(0, at));
    }
    std::string amount;
    std::string slope;
    for (const std::string& part : cutAt(said, "+")) {
        const bool isSlope = part.ends_with("/MHz");
        std::string& into = isSlope ? slope : amount;
        const std::string figure = isSlope ? trimmed(part.substr(0, part.size() - 4)) : part;
        if (!into.empty() || !readQuantity(figure, Unit::ampere)) {
            return tl::unexpected(
                wrong(clause, phrase("'{}' is no draw", part), phrase("such as 90 uA at most 120 uA, or 180 uA + 2 uA/MHz")));
        }
        into = figure;
    }
    if (!most.empty() && !readQuantity(most, Unit::ampere)) {
        return tl::unexpected(wrong(clause, phrase("'{}' is no current", most), phrase("such as 120 uA")));
    }
    const Keys old = keysOfTable(before);
    if (!amount.empty()) {
        const bool isBase =
            most.empty() && (valueOf(old, "base") != nullptr || (!slope.empty() && valueOf(old, "typ") == nullptr));
        keys.emplace_back(isBase ? "base" : "typ", quoted(amount));
    }
    if (!most.empty()) {
        keys.emplace_back("max", quoted(most));
    }
    if (!slope.empty()) {
        keys.emplace_back("per_mhz", quoted(slope));
    }
    for (const char* kept : {"of", "ref"}) {
        if (const std::string* value = valueOf(old, kept)) {
            keys.emplace_back(kept, *value);
        }
    }
    if (keys.size() == 1 && !amount.empty() && old.empty()) {
        return quoted(amount);
    }
    std::string table;
    for (const auto& [key, value] : keys) {
        table = withKey(table, key, value);
    }
    return table;
}

/// Sets what one clause says, or takes it away where the line does not say it any more; the fault, where there is one.
class RowWriter {
public:
    RowWriter(RowOf& row, SaidLine line) : row_(row), line_(std::move(line)), before_(row.said()) {}

    std::optional<TextError> write() {
        if (line_.contains(Clause::rate) && row_.table() != "source") {
            return wrong(line_[Clause::rate], phrase("'{}': only a source has a rate of its own", line_[Clause::rate].text),
                         phrase("from, ÷, ×, ≤, ≥ or draws"));
        }
        for (const auto& [clause, said] : line_) {
            if (const auto other = before_.others.find(clause); other != before_.others.end()) {
                return wrong(said, phrase("`{}` says more than a line can", other->second), phrase("a change of the text"));
            }
        }
        std::string rateKey = !row_.value("range").empty() ? "range" : (row_.value("rates").empty() ? "rate" : "rates");
        const std::string rateBefore = rateKey;
        put(
            Clause::rate, rateKey, [&](const SaidClause& said) { return rateValue(said, rateKey); }, &rateKey);
        if (rateKey != rateBefore && !fault_) {
            row_.set(rateBefore, "");
        }
        put(Clause::from, row_.fromKey(), idsValue);
        put(Clause::divide, "divide", factorsValue);
        put(Clause::multiply, "multiply", factorsValue);
        putLimit();
        put(Clause::draws, "draws", [&](const SaidClause& said) { return drawsValue(said, row_.value("draws")); });
        return fault_;
    }

private:
    template <class Make>
    void put(Clause clause, const std::string& key, const Make& make, const std::string* made = nullptr) {
        const auto said = line_.find(clause);
        const auto before = before_.said.find(clause);
        if (fault_ || (said == line_.end() && before == before_.said.end())) {
            return;
        }
        if (said == line_.end()) {
            row_.set(key, "");
        } else if (before == before_.said.end() || before->second != said->second.text) {
            const auto value = make(said->second);
            if (value) {
                row_.set(made == nullptr ? key : *made, *value);
            } else {
                fault_ = value.error();
            }
        }
    }

    void putLimit() {
        std::string table = row_.value("limit");
        const std::string before = table;
        for (const auto& [clause, key] : {std::pair(Clause::least, "min"), std::pair(Clause::most, "max")}) {
            const auto said = line_.find(clause);
            const auto had = before_.said.find(clause);
            if (said != line_.end() && had != before_.said.end() && had->second == said->second.text) {
                continue;
            }
            if (said != line_.end() && !readQuantity(said->second.text, Unit::hertz)) {
                fault_ =
                    fault_ ? fault_ : wrong(said->second, phrase("'{}' is no rate", said->second.text), phrase("such as 50 MHz"));
                return;
            }
            if (said != line_.end()) {
                table = withKey(table, key, quoted(said->second.text));
            } else if (had != before_.said.end()) {
                table = withoutTableKey(table, key);
            }
        }
        if (!fault_ && table != before) {
            const Keys left = keysOfTable(table);
            row_.set("limit", valueOf(left, "min") == nullptr && valueOf(left, "max") == nullptr ? std::string() : table);
        }
    }

    static std::string withoutTableKey(const std::string& table, const std::string& key) {
        std::string next;
        for (const auto& [each, value] : keysOfTable(table)) {
            next = each == key ? next : withKey(next, each, value);
        }
        return next;
    }

    RowOf& row_;
    SaidLine line_;
    PropertiesSaid before_;
    std::optional<TextError> fault_;
};

} // namespace

std::string rowLine(const std::string& text, const std::string& id) {
    const RowOf row(text, id);
    if (!row.isThere()) {
        return {};
    }
    std::string line;
    const std::map<Clause, std::string> said = row.said().said;
    for (const auto& [clause, word] :
         {std::pair(Clause::rate, ""), std::pair(Clause::from, "from "), std::pair(Clause::multiply, "× "),
          std::pair(Clause::divide, "÷ "), std::pair(Clause::least, "≥ "), std::pair(Clause::most, "≤ "),
          std::pair(Clause::draws, "draws ")}) {
        if (const auto found = said.find(clause); found != said.end()) {
            line += (line.empty() ? "" : " ") + std::string(word) + found->second;
        }
    }
    return line;
}

tl::expected<std::string, TextError> withRowLine(const std::string& text, const std::string& id, const std::string& line) {
    RowOf row(text, id);
    if (!row.isThere()) {
        return tl::unexpected(TextError{0, line.size(), phrase("'{}' is not in the text", id), {}, {}});
    }
    auto clauses = clausesOf(line);
    if (!clauses) {
        return tl::unexpected(clauses.error());
    }
    if (const auto fault = RowWriter(row, *std::move(clauses)).write()) {
        return tl::unexpected(*fault);
    }
    return row.text();
}

} // namespace wisetick
