#include "files/toml_reader.h"

#include "base/nearest_name.h"
#include "base/text.h"

#include <fmt/format.h>

#include <algorithm>

namespace wisetick {

namespace {

constexpr std::int64_t kNewestFormat = 1;
std::vector<std::string> linesOf(std::string_view text) {
    std::vector<std::string> lines;
    for (std::size_t end = text.find('\n'); end != std::string_view::npos; end = text.find('\n')) {
        lines.emplace_back(text.substr(0, end));
        text.remove_prefix(end + 1);
    }
    return lines;
}

} // namespace

std::string KeyPath::text() const {
    std::string text;
    text.reserve(table_.size() + 1 + key_.size());
    text.append(table_);
    if (!table_.empty()) {
        text += '.';
    }
    text.append(key_);
    return text;
}

Place Reporter::placeOf(const toml::source_region& region, const KeyPath& path) const {
    return {file_, static_cast<int>(region.begin.line), static_cast<int>(region.begin.column), path.text()};
}

Place Reporter::placeOf(const toml::node& node, const KeyPath& path) const {
    const auto made = node.source().begin ? made_.end() : made_.find(&node);
    if (made == made_.end()) {
        return placeOf(node.source(), path);
    }
    Place place = placeOf(made->second.region, path);
    if (made->second.usedInLine != place.line) {
        place.usedInLines.push_back(made->second.usedInLine);
    }
    return place;
}

void Reporter::remember(const toml::node& node, const KeyPath& path) {
    if (keyPlaces_ == KeyPlaces::kept) {
        places_.insert_or_assign(path.text(), placeOf(node, path)); // of what stands there twice, the second is at fault
    }
}

toml::source_region Reporter::regionOf(const toml::node& node) const {
    const auto made = node.source().begin ? made_.end() : made_.find(&node);
    return made == made_.end() ? node.source() : made->second.region;
}

void Reporter::noteMade(const toml::node& node, const toml::source_region& region, int usedInLine) {
    made_.insert_or_assign(&node, Made{region, usedInLine});
}

Place Reporter::placeAt(std::string path) const {
    for (std::string at = path;; at.resize(at.rfind('.') == std::string::npos ? 0 : at.rfind('.'))) {
        const auto found = places_.find(at);
        if (found != places_.end() || at.empty()) {
            Place place = found == places_.end() ? Place{file_, 0, 0, {}} : found->second;
            place.path = std::move(path);
            return place;
        }
    }
}

void Reporter::error(const Place& place, Text found, Text expected, Text mend) {
    if (!place.usedInLines.empty()) { // one fault of a template, however many are made from it
        const auto same = std::find_if(diagnostics_.begin(), diagnostics_.end(), [&](const Diagnostic& each) {
            return each.place.line == place.line && each.place.column == place.column && each.found == found &&
                   each.expected == expected;
        });
        if (same != diagnostics_.end()) {
            auto& lines = same->place.usedInLines;
            if (std::find(lines.begin(), lines.end(), place.usedInLines.front()) == lines.end()) {
                lines.push_back(place.usedInLines.front());
            }
            return;
        }
    }
    if (diagnostics_.size() < kMostFaults) {
        diagnostics_.push_back({Severity::error, place, std::move(found), std::move(expected), std::move(mend)});
        return;
    }
    if (untold_ == 0) {
        diagnostics_.push_back({});
    }
    diagnostics_.back() = moreFaults(++untold_, place.file);
}

void Reporter::errorInText(const toml::node& node, const KeyPath& path, const TextError& textError) {
    Place place = placeOf(node, path);
    const bool isOneLine = node.source().begin && node.source().begin.line == node.source().end.line;
    if (isOneLine) { // and as it stands there: what a template gave may be another text
        place.column += 1 + static_cast<int>(textError.position); // behind the opening quote
    }
    error(place, textError.found, textError.expected, textError.mend);
}

TableReader::TableReader(const toml::table& table, Reporter& reporter, std::string path)
    : table_(table), reporter_(reporter), path_(std::move(path)) {
    reporter_.remember(table_, path_);
    entries_.reserve(table_.size());
    for (const auto& [key, value] : table_) {
        entries_.push_back({&key, &value, key.str(), false});
    }
}

Place TableReader::place() const {
    return reporter_.placeOf(table_, path_);
}

Place TableReader::place(std::string_view key) const {
    const toml::node* found = table_.get(key);
    return found != nullptr ? reporter_.placeOf(*found, at(key)) : place();
}

const toml::node* TableReader::lookUp(std::string_view key) {
    for (Entry& each : entries_) {
        if (each.name == key) {
            each.isAskedFor = true;
            return each.value;
        }
    }
    missing_.insert(missing_.end(), key.begin(), key.end());
    missing_.push_back('\n');
    return nullptr;
}

const toml::node* TableReader::node(std::string_view key, Need need) {
    const toml::node* found = lookUp(key);
    if (found != nullptr) {
        reporter_.remember(*found, at(key));
    } else if (need == Need::required) {
        reporter_.error(place(), phrase("no '{}'{}", key, path_.empty() ? "" : phrase(" in {}", path_)),
                        fmt::format("'{} = \u2026'", key));
    }
    return found;
}

std::optional<std::string> TableReader::text(std::string_view key, Need need) {
    const toml::node* found = node(key, need);
    if (found == nullptr) {
        return std::nullopt;
    }
    const auto* value = found->as_string();
    if (value == nullptr) {
        error(key, nodeText(*found), phrase("a text in quotes"));
        return std::nullopt;
    }
    if (key != "note" && !isPlainText(value->get())) {
        error(key, phrase("a control character in '{}'", std::string(key)), phrase("a text in one line"));
        return std::nullopt;
    }
    return value->get();
}

std::optional<Rational> TableReader::quantity(std::string_view key, Unit unit, Need need, Sign sign) {
    const toml::node* found = node(key, need);
    return found == nullptr ? std::nullopt : readNodeQuantity(*found, reporter_, at(key), unit, sign);
}

std::optional<Rational> TableReader::factor(std::string_view key, Need need) {
    const toml::node* found = node(key, need);
    return found == nullptr ? std::nullopt : readNodeFactor(*found, reporter_, at(key));
}

std::optional<std::int64_t> TableReader::whole(std::string_view key, std::int64_t least, std::int64_t most, Need need) {
    const toml::node* found = node(key, need);
    if (found == nullptr) {
        return std::nullopt;
    }
    const auto value = found->value_exact<std::int64_t>();
    if (!value || *value < least || *value > most) {
        error(key, nodeText(*found), phrase("a whole number from {} to {}", least, most));
        return std::nullopt;
    }
    return value;
}

std::optional<bool> TableReader::flag(std::string_view key) {
    const toml::node* found = node(key);
    if (found == nullptr) {
        return std::nullopt;
    }
    const auto value = found->value_exact<bool>();
    if (!value) {
        error(key, nodeText(*found), phrase("true or false"));
    }
    return value;
}

std::vector<std::string> TableReader::texts(std::string_view key, Need need) {
    const toml::node* found = node(key, need);
    std::vector<std::string> list;
    if (found == nullptr) {
        return list;
    }
    if (const auto* single = found->as_string()) {
        return {single->get()};
    }
    const toml::array* array = found->as_array();
    if (array == nullptr) {
        error(key, nodeText(*found), phrase("a list of texts"));
        return list;
    }
    list.reserve(array->size());
    for (const toml::node& element : *array) {
        if (const auto* value = element.as_string()) {
            list.push_back(value->get());
        } else {
            reporter_.error(reporter_.placeOf(element, at(key)), nodeText(element), phrase("a text in quotes"));
        }
    }
    return list;
}

const toml::table* TableReader::table(std::string_view key, Need need) {
    const toml::node* found = node(key, need);
    if (found == nullptr) {
        return nullptr;
    }
    if (!found->is_table()) {
        error(key, nodeText(*found), phrase("a table"));
    }
    return found->as_table();
}

std::vector<const toml::table*> TableReader::tables(std::string_view key) {
    const toml::node* found = node(key);
    std::vector<const toml::table*> list;
    if (found == nullptr) {
        return list;
    }
    if (const toml::table* single = found->as_table()) {
        return {single};
    }
    const toml::array* array = found->as_array();
    if (array == nullptr) {
        error(key, nodeText(*found), phrase("one or more tables"));
        return list;
    }
    for (const toml::node& element : *array) {
        if (const toml::table* each = element.as_table()) {
            list.push_back(each);
        } else {
            reporter_.error(reporter_.placeOf(element, at(key)), nodeText(element), phrase("a table"));
        }
    }
    return list;
}

std::optional<std::string> TableReader::id(std::string_view key, Need need) {
    const auto value = text(key, need);
    if (value && !isId(*value)) {
        error(key, phrase("the id '{}'", *value), phrase("a small letter, then small letters, digits, '_' or '-'"));
        return std::nullopt;
    }
    return value;
}

void TableReader::error(std::string_view key, Text found, Text expected, Text mend) {
    reporter_.error(place(key), std::move(found), std::move(expected), std::move(mend));
}

void TableReader::finish() {
    for (const Entry& each : entries_) {
        if (!each.isAskedFor) {
            std::vector<std::string> known = linesOf({missing_.data(), missing_.size()});
            for (const Entry& other : entries_) {
                if (other.isAskedFor) {
                    known.emplace_back(other.name);
                }
            }
            std::sort(known.begin(), known.end());
            known.erase(std::unique(known.begin(), known.end()), known.end());
            reporter_.error(reporter_.placeOf(each.key->source(), at(each.name)), phrase("unknown key '{}'", each.name),
                            listNames(known), didYouMean(std::string(each.name), known));
        }
    }
}

std::vector<std::string> TableReader::keys() const {
    std::vector<std::pair<toml::source_position, std::string>> found;
    for (const auto& [key, value] : table_) {
        found.emplace_back(key.source().begin, std::string(key.str()));
    }
    std::sort(found.begin(), found.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
    std::vector<std::string> names;
    for (auto& [position, name] : found) {
        names.push_back(std::move(name));
    }
    return names;
}

std::string nodeText(const toml::node& node) {
    if (const auto text = node.value_exact<std::string>()) {
        return phrase("the text '{}'", *text);
    }
    if (const auto number = node.value_exact<std::int64_t>()) {
        return phrase("the number {}", *number);
    }
    if (const auto number = node.value_exact<double>()) {
        return phrase("the number {}", fmt::format("{}", *number));
    }
    if (const auto truth = node.value_exact<bool>()) {
        return *truth ? "true" : "false";
    }
    return node.is_table() ? phrase("a table") : (node.is_array() ? phrase("a list") : phrase("a date"));
}

std::optional<Rational> readNodeQuantity(const toml::node& node, Reporter& reporter, const KeyPath& path, Unit unit, Sign sign) {
    const auto* text = node.as_string();
    if (text == nullptr) {
        reporter.error(reporter.placeOf(node, path), nodeText(node),
                       phrase("{} in quotes such as \"{}\"", unitNoun(unit), unitExample(unit)));
        return std::nullopt;
    }
    const auto value = readQuantity(text->get(), unit);
    if (!value) {
        reporter.errorInText(node, path, value.error());
        return std::nullopt;
    }
    if ((sign == Sign::positive && value->sign() <= 0) || (sign == Sign::notNegative && value->sign() < 0)) {
        reporter.error(reporter.placeOf(node, path), nodeText(node),
                       unitNoun(unit) + (sign == Sign::positive ? phrase(" above 0") : phrase(" of 0 or more")));
        return std::nullopt;
    }
    return *value;
}

std::optional<Rational> readNodeFactor(const toml::node& node, Reporter& reporter, const KeyPath& path) {
    std::optional<Rational> value;
    if (const auto number = node.value_exact<std::int64_t>()) {
        value = Rational(*number);
    } else if (const auto text = node.value_exact<std::string>()) {
        const auto factor = readFactor(*text);
        if (!factor) {
            reporter.errorInText(node, path, factor.error());
            return std::nullopt;
        }
        value = *factor;
    }
    if (!value || value->sign() <= 0) {
        reporter.error(reporter.placeOf(node, path), nodeText(node),
                       phrase("a factor above 0: a whole number, or a text such as \"2.5\", \"1/2\" or \"98 + 1234/4096\""));
        return std::nullopt;
    }
    if (!isWritableFactor(*value)) {
        reporter.error(reporter.placeOf(node, path), nodeText(node),
                       phrase("a factor of at most 2^48, in steps of at least 2^-48"));
        return std::nullopt;
    }
    return value;
}

bool isId(std::string_view text) {
    const auto isLetter = [](char c) { return c >= 'a' && c <= 'z'; };
    return !text.empty() && isLetter(text.front()) && std::all_of(text.begin(), text.end(), [&](char c) {
        return isLetter(c) || (c >= '0' && c <= '9') || c == '_' || c == '-';
    });
}

namespace {

constexpr int kDeepestKey = 100; // of which the parser, and what its tables are read by, go as deep

/// Line and column where a dotted key, or the head of a table, has more parts than that.
std::optional<std::pair<int, int>> tooDeepKey(std::string_view text) {
    int line = 1;
    int dots = 0;
    std::size_t lineStart = 0;
    char quote = '\0';
    for (std::size_t i = 0; i < text.size(); ++i) {
        const char sign = text[i];
        if (sign == '\n') {
            ++line;
            lineStart = i + 1;
            dots = 0;
            continue; // in a text of several lines too: a dot there is no part of a key, and is counted for one line at most
        }
        if (quote != '\0') {
            if (sign == '\\' && quote == '"') {
                ++i;
            }
            quote = sign == quote ? '\0' : quote;
            continue;
        }
        if (sign == '"' || sign == '\'') {
            quote = sign;
        } else if (sign == '#') {
            i = std::min(text.find('\n', i), text.size()) - 1;
        } else if (sign == '=' || sign == ',' || sign == '{' || sign == '}') {
            dots = 0;
        } else if (sign == '.' && ++dots >= kDeepestKey) {
            return std::pair(line, static_cast<int>(i - lineStart) + 1);
        }
    }
    return std::nullopt;
}

} // namespace

std::optional<toml::table> parseToml(std::string_view text, Reporter& reporter) {
    if (const auto deep = tooDeepKey(text)) {
        reporter.error(Place{reporter.file(), deep->first, deep->second, {}}, phrase("a key of more than {} parts", kDeepestKey),
                       phrase("at most {}", kDeepestKey));
        return std::nullopt;
    }
    try {
        return toml::parse(text);
    } catch (const toml::parse_error& error) {
        reporter.error(reporter.placeOf(error.source(), std::string()), std::string(error.description()), phrase("TOML 1.0"));
        return std::nullopt;
    }
}

bool checkFormat(TableReader& root, const std::string& name) {
    const auto format = root.text("format", Need::required);
    if (!format) {
        return false;
    }
    const std::string expected = fmt::format("\"{}/{}\"", name, kNewestFormat);
    const std::size_t slash = format->find('/');
    const std::string version = slash == std::string::npos ? "" : format->substr(slash + 1);
    const bool isNumber = !version.empty() && version.size() < 9 &&
                          std::all_of(version.begin(), version.end(), [](char c) { return c >= '0' && c <= '9'; });
    if (format->substr(0, slash) != name || !isNumber || std::stol(version) < 1) {
        root.error("format", phrase("the format '{}'", *format), expected);
        return false;
    }
    if (std::stol(version) > kNewestFormat) {
        root.error("format", phrase("the format '{}' is newer than this program knows", *format), expected,
                   phrase("open it with a newer Wise Tick"));
        return false;
    }
    return true;
}

} // namespace wisetick
