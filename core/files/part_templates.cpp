#include "files/part_templates.h"

#include "base/nearest_name.h"
#include "base/text.h"
#include "base/trimmed.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cctype>
#include <set>

namespace wisetick {

namespace {

/// What may be made from templates.
constexpr std::array<const char*, 12> kKinds{"block", "sequence", "tier",       "source", "line",   "rule",
                                             "wait",  "bound",    "peripheral", "mode",   "option", "register"};
/// Tables of which single keys can be overridden.
constexpr std::array<std::string_view, 8> kMerged{"fields", "holds", "reset", "keeps", "pins", "wakes_from", "ready", "with"};
/// Keys that say how a thing is made and are none of its own.
constexpr std::array<std::string_view, 6> kMaking{"id", "ids", "each", "like", "with", "without"};
constexpr std::size_t kMostThings = 1024;

template <std::size_t N>
bool isAmong(const std::array<std::string_view, N>& names, std::string_view name) {
    return std::find(names.begin(), names.end(), name) != names.end();
}

std::optional<std::int64_t> wholeOf(std::string_view text) {
    const bool isWhole = !text.empty() && text.size() <= 9 &&
                         std::all_of(text.begin(), text.end(), [](unsigned char c) { return std::isdigit(c) != 0; });
    return isWhole ? std::optional(std::stoll(std::string(text))) : std::nullopt;
}

/// The number at the end of an id: 3 of "uart3".
std::string endNumber(const std::string& id) {
    std::size_t begin = id.size();
    while (begin > 0 && std::isdigit(static_cast<unsigned char>(id[begin - 1])) != 0) {
        --begin;
    }
    return id.substr(begin);
}

/// What the names in braces stand for in one thing.
struct Scope {
    std::map<std::string, std::string, std::less<>> texts;        ///< "n", "i", "id", and what `with` says in texts and numbers
    std::map<std::string, const toml::node*, std::less<>> values; ///< what `with` says otherwise

    std::vector<std::string> names() const {
        std::vector<std::string> list;
        for (const auto& each : texts) {
            list.push_back(each.first);
        }
        for (const auto& each : values) {
            list.push_back(each.first);
        }
        return list;
    }
};

/// One "{…}": a name, or a sum of names, numbers and their products, with a format behind a colon.
class Braces {
public:
    Braces(std::string_view text, const Scope& scope) : scope_(scope) {
        const std::size_t colon = text.find(':');
        sum_ = trimmed(text.substr(0, colon));
        format_ = colon == std::string_view::npos ? std::string_view() : trimmed(text.substr(colon + 1));
    }

    std::optional<std::string> text() {
        const auto plain = scope_.texts.find(sum_);
        if (plain != scope_.texts.end()) {
            return formatted(plain->second);
        }
        const auto number = sumOf(sum_);
        return number ? formatted(std::to_string(*number)) : std::nullopt;
    }

    std::string fault; ///< what is wrong with it

private:
    std::optional<std::string> formatted(const std::string& value) {
        const auto number = wholeOf(value);
        if (format_.empty()) {
            return value;
        }
        if (format_ == "A" || format_ == "a") {
            if (number && (*number < 1 || *number > 26)) {
                fault = phrase("no letter number {}", value);
                return std::nullopt;
            }
            std::string text = number ? std::string(1, static_cast<char>('A' + *number - 1)) : value;
            std::transform(text.begin(), text.end(), text.begin(), [&](unsigned char c) {
                return static_cast<char>(format_ == "A" ? std::toupper(c) : std::tolower(c));
            });
            return text;
        }
        if (format_ == "X" && number) {
            return fmt::format("{:X}", *number);
        }
        fault = phrase("no format '{}' for '{}'", std::string(format_), value);
        return std::nullopt;
    }

    /// Sums of products, from left to right.
    std::optional<std::int64_t> sumOf(std::string_view sum) {
        std::int64_t total = 0;
        int sign = 1;
        std::size_t start = 0;
        for (std::size_t i = 0; i <= sum.size(); ++i) {
            if (i == sum.size() || ((sum[i] == '+' || sum[i] == '-') && !trimmed(sum.substr(start, i - start)).empty())) {
                const auto term = productOf(trimmed(sum.substr(start, i - start)));
                if (!term) {
                    return std::nullopt;
                }
                total += sign * *term;
                sign = i < sum.size() && sum[i] == '-' ? -1 : 1;
                start = i + 1;
            }
        }
        return total;
    }

    std::optional<std::int64_t> productOf(std::string_view product) {
        std::int64_t total = 1;
        for (;;) {
            const std::size_t star = product.find('*');
            const std::string_view factor = trimmed(product.substr(0, star));
            auto value = wholeOf(factor);
            if (const auto named = scope_.texts.find(factor); !value && named != scope_.texts.end()) {
                value = wholeOf(named->second);
                if (!value) {
                    fault = phrase("'{}', which stands for '{}' and is no number", std::string(factor), named->second);
                    return std::nullopt;
                }
            }
            if (!value) {
                fault = phrase("no '{}' in braces", std::string(factor));
                return std::nullopt;
            }
            total = std::clamp<std::int64_t>(total * *value, 0, 1'000'000'000);
            if (star == std::string_view::npos) {
                return total;
            }
            product.remove_prefix(star + 1);
        }
    }

    const Scope& scope_;
    std::string_view sum_;
    std::string_view format_;
};

class Expander {
public:
    Expander(toml::table& root, Reporter& reporter) : root_(root), reporter_(reporter) {}

    void expand() {
        collectTemplates();
        for (const char* kind : kKinds) {
            if (toml::array* things = root_[kind].as_array()) {
                expandKind(kind, *things);
            }
        }
        for (const auto& [id, table] : templates_) {
            if (!used_.contains(id)) {
                reporter_.error(reporter_.placeOf(*table, "template." + id),
                                phrase("the template '{}', which nothing is like", id), phrase("a thing with like = \"{}\"", id),
                                phrase("take it out"));
            }
        }
        root_.erase("template");
    }

private:
    void error(const toml::node& node, const std::string& path, Text found, Text expected, Text mend = {}) {
        Place place = reporter_.placeOf(node, path);
        if (place.line != usedInLine_ && usedInLine_ > 0) {
            place.usedInLines = {usedInLine_};
        }
        reporter_.error(place, std::move(found), std::move(expected), std::move(mend));
    }

    void collectTemplates() {
        const toml::node* node = root_.get("template");
        const toml::array* list = node == nullptr ? nullptr : node->as_array();
        if (node != nullptr && list == nullptr) {
            error(*node, "template", nodeText(*node), phrase("[[template]] tables"));
            return;
        }
        for (std::size_t i = 0; list != nullptr && i < list->size(); ++i) {
            const toml::table* table = list->get(i)->as_table();
            const auto id = table == nullptr ? std::nullopt : (*table)["id"].value<std::string>();
            if (!id || !isId(*id)) {
                error(*list->get(i), "template", phrase("a template without an id"), phrase("id = \"\u2026\""));
            } else if (!templates_.emplace(*id, table).second) {
                error(*table, "template." + *id, phrase("the template '{}' again", *id), phrase("an id of its own"));
            }
        }
    }

    static bool isMade(const toml::table& table) {
        return table.contains("ids") || table.contains("each") || table.contains("like") || table.contains("with") ||
               table.contains("without");
    }

    void expandKind(const std::string& kind, toml::array& things) {
        const bool isAny = std::any_of(things.begin(), things.end(),
                                       [](const toml::node& each) { return each.is_table() && isMade(*each.as_table()); });
        if (!isAny) {
            return;
        }
        toml::array all;
        const toml::source_region region = things.source();
        std::vector<Pending> pending; // addresses are settled only once all stand in the list
        for (toml::node& each : things) {
            toml::table* table = each.as_table();
            if (table == nullptr || !isMade(*table)) {
                std::move(each).visit([&](auto&& node) { all.push_back(std::forward<decltype(node)>(node)); });
                continue;
            }
            usedInLine_ = static_cast<int>(table->source().begin.line);
            for (auto& [made, place] : makeEach(kind, *table)) {
                all.push_back(std::move(made));
                pending.push_back({all.size() - 1, place});
            }
            usedInLine_ = 0;
        }
        root_.insert_or_assign(kind, std::move(all));
        const toml::array& stored = *root_[kind].as_array();
        reporter_.noteMade(stored, region, 0);
        for (const Pending& each : pending) {
            reporter_.noteMade(stored[each.index], each.region, static_cast<int>(each.region.begin.line));
        }
    }

    struct Pending {
        std::size_t index;
        toml::source_region region;
    };

    using Made = std::vector<std::pair<toml::table, toml::source_region>>;

    /// What a table makes: itself, or a list of tables that each have what it says too.
    Made makeEach(const std::string& kind, const toml::table& table) {
        Made made;
        const toml::node* each = table.get("each");
        if (each == nullptr) {
            makeAll(kind, table, nullptr, made);
            return made;
        }
        for (const char* key : {"id", "ids"}) {
            if (const toml::node* id = table.get(key)) {
                error(*id, kind + "." + key, phrase("both 'each' and '{}'", key), phrase("the id in each table of the list"));
            }
        }
        const toml::array* list = each->as_array();
        if (list == nullptr || list->empty()) {
            error(*each, kind + ".each", nodeText(*each), phrase("a list of tables, one for each thing"));
        }
        for (std::size_t i = 0; list != nullptr && i < list->size(); ++i) {
            const toml::table* row = list->get(i)->as_table();
            if (row == nullptr) {
                error(*list->get(i), kind + ".each", nodeText(*list->get(i)), phrase("a table with an id"));
                continue;
            }
            usedInLine_ = static_cast<int>(row->source().begin.line);
            makeAll(kind, *row, &table, made);
        }
        return made;
    }

    /// The templates that a table is like, the most general first; nothing where there is a fault.
    std::optional<std::vector<const toml::table*>> layersOf(const toml::table& table, const std::string& path) {
        std::vector<const toml::table*> layers{&table};
        std::vector<std::string> seen;
        for (const toml::node* like = table.get("like"); like != nullptr; like = layers.back()->get("like")) {
            const auto id = like->value<std::string>();
            if (!id) {
                error(*like, path + ".like", nodeText(*like), phrase("the id of a template"));
                return std::nullopt;
            }
            const auto found = templates_.find(*id);
            if (found == templates_.end()) {
                std::vector<std::string> known;
                for (const auto& each : templates_) {
                    known.push_back(each.first);
                }
                error(*like, path + ".like", phrase("no template '{}'", *id),
                      known.empty() ? phrase("a [[template]] with that id") : listNames(known), didYouMean(*id, known));
                return std::nullopt;
            }
            if (std::find(seen.begin(), seen.end(), *id) != seen.end()) {
                error(*like, path + ".like", phrase("the template '{}', which is like itself", *id),
                      phrase("templates that end"));
                return std::nullopt;
            }
            seen.push_back(*id);
            used_.insert(*id);
            layers.push_back(found->second);
        }
        std::reverse(layers.begin(), layers.end());
        return layers;
    }

    /// "uart{1..3}", "{f,g}_p", or several such; with what stood in the braces of each.
    std::vector<std::pair<std::string, std::string>> idsOf(const toml::node& node, const std::string& path) {
        std::vector<std::string> texts;
        if (const auto one = node.value<std::string>()) {
            texts.push_back(*one);
        }
        for (std::size_t i = 0; node.is_array() && i < node.as_array()->size(); ++i) {
            texts.push_back(node.as_array()->get(i)->value<std::string>().value_or(""));
        }
        std::vector<std::pair<std::string, std::string>> ids;
        for (const std::string& text : texts) {
            const std::size_t open = text.find('{');
            const std::size_t close = text.find('}', open);
            if (open == std::string::npos || close == std::string::npos) {
                ids.emplace_back(text, endNumber(text));
                continue;
            }
            const std::string inside = text.substr(open + 1, close - open - 1);
            const auto add = [&](const std::string& each) {
                ids.emplace_back(text.substr(0, open) + each + text.substr(close + 1), each);
            };
            const std::size_t dots = inside.find("..");
            if (dots == std::string::npos) {
                for (std::size_t begin = 0; begin <= inside.size();) {
                    const std::size_t comma = std::min(inside.find(',', begin), inside.size());
                    add(std::string(trimmed(std::string_view(inside).substr(begin, comma - begin))));
                    begin = comma + 1;
                }
                continue;
            }
            const auto first = wholeOf(trimmed(std::string_view(inside).substr(0, dots)));
            const auto last = wholeOf(trimmed(std::string_view(inside).substr(dots + 2)));
            for (std::int64_t n = first.value_or(0); first && last && n <= *last && ids.size() <= kMostThings; ++n) {
                add(std::to_string(n));
            }
        }
        if (ids.empty() || ids.size() > kMostThings) {
            error(node, path + ".ids", nodeText(node),
                  phrase("ids such as \"uart{{1..3}}\", \"{{f,g}}_p\" or a list of them, 1024 at the most"));
            ids.clear();
        }
        return ids;
    }

    /// `above` is the table whose row this one is, if any.
    void makeAll(const std::string& kind, const toml::table& table, const toml::table* above, Made& all) {
        const toml::node* several = table.get("ids");
        const auto single = table["id"].value<std::string>();
        const std::string path = kind + "." + single.value_or("?");
        auto layers = layersOf(table, path);
        if (const auto upper = layers && above != nullptr ? layersOf(*above, path) : std::nullopt) {
            layers->insert(layers->begin(), upper->begin(), upper->end());
        }
        if (several != nullptr && table.contains("id")) {
            error(*several, path + ".ids", phrase("both 'id' and 'ids'"), phrase("one of them"));
        }
        std::vector<std::pair<std::string, std::string>> ids;
        if (several != nullptr) {
            ids = idsOf(*several, path);
        } else {
            ids.emplace_back(single.value_or(""), endNumber(single.value_or("")));
        }
        for (std::size_t i = 0; layers && i < ids.size(); ++i) {
            const Scope scope = scopeOf(*layers, several != nullptr ? ids.size() : 0, ids[i], i, path);
            toml::table made;
            const std::vector<std::string> without = withoutOf(table, path);
            for (const toml::table* layer : *layers) {
                lay(made, *layer, scope, kind + "." + ids[i].first, layer == &table ? std::vector<std::string>() : without);
            }
            if (several != nullptr || single) {
                const toml::node& from = several != nullptr ? *several : *table.get("id");
                const auto [at, isNew] = made.insert_or_assign("id", ids[i].first);
                reporter_.noteMade(at->second, from.source(), usedInLine_);
            }
            all.emplace_back(std::move(made), table.source());
        }
    }

    std::vector<std::string> withoutOf(const toml::table& table, const std::string& path) {
        std::vector<std::string> keys;
        const toml::node* node = table.get("without");
        if (node != nullptr && node->is_string()) {
            keys.push_back(*node->value<std::string>());
        }
        for (std::size_t i = 0; node != nullptr && node->is_array() && i < node->as_array()->size(); ++i) {
            keys.push_back(node->as_array()->get(i)->value<std::string>().value_or(""));
        }
        if (node != nullptr && keys.empty()) {
            error(*node, path + ".without", nodeText(*node), phrase("keys of the template that are left out"));
        }
        return keys;
    }

    Scope scopeOf(const std::vector<const toml::table*>& layers, std::size_t count, const std::pair<std::string, std::string>& id,
                  std::size_t index, const std::string& path) {
        Scope scope;
        scope.texts = {{"id", id.first}, {"n", id.second}, {"i", std::to_string(index)}};
        for (const toml::table* layer : layers) {
            const toml::node* with = layer->get("with");
            if (with == nullptr) {
                continue;
            }
            if (!with->is_table()) {
                error(*with, path + ".with", nodeText(*with), phrase("a table of names and what they stand for"));
                continue;
            }
            for (const auto& [key, value] : *with->as_table()) {
                const toml::node* node = &value;
                const toml::array* list = value.as_array();
                if (count > 0 && list != nullptr && layer == layers.back()) {
                    if (list->size() != count) {
                        error(value, path + ".with." + std::string(key.str()), phrase("a list of {}", list->size()),
                              phrase("one for each of the {} ids", count));
                        continue;
                    }
                    node = list->get(index);
                }
                const std::string name(key.str());
                scope.texts.erase(name);
                scope.values.erase(name);
                if (const auto text = node->value_exact<std::string>()) {
                    scope.texts[name] = *text;
                } else if (const auto number = node->value_exact<std::int64_t>()) {
                    scope.texts[name] = std::to_string(*number);
                } else {
                    scope.values[name] = node;
                }
            }
        }
        return scope;
    }

    /// Lays a table over what is made so far.
    void lay(toml::table& made, const toml::table& layer, const Scope& scope, const std::string& path,
             const std::vector<std::string>& without) {
        for (const auto& [key, value] : layer) {
            const std::string_view name = key.str();
            if (isAmong(kMaking, name) || std::find(without.begin(), without.end(), name) != without.end()) {
                continue;
            }
            const toml::table* inner = value.as_table();
            toml::table* before = inner != nullptr && isAmong(kMerged, name) ? made[name].as_table() : nullptr;
            if (before == nullptr) {
                put(made, key, value, scope, path);
                continue;
            }
            for (const auto& [innerKey, innerValue] : *inner) {
                put(*before, innerKey, innerValue, scope, path + "." + std::string(name));
            }
        }
    }

    void put(toml::table& into, const toml::key& key, const toml::node& value, const Scope& scope, const std::string& path) {
        const std::string at = path + "." + std::string(key.str());
        Slot slot;
        slot.table = &into;
        slot.key = &key;
        if (key.str().find('{') != std::string_view::npos) { // a key of braces names another
            slot.name = filled(key.str(), scope, value, at).value_or(std::string(key.str()));
        }
        copy(value, scope, at, slot);
    }

    /// Where a copy belongs: under a key of a table, or at the end of a list.
    struct Slot {
        toml::table* table = nullptr;
        const toml::key* key = nullptr;
        std::string name; ///< of the key, where it is not as it stands
        toml::array* list = nullptr;

        template <class Value>
        toml::node& store(Value value) const {
            if (list != nullptr) {
                list->push_back(std::move(value));
                return list->back();
            }
            return name.empty() ? table->insert_or_assign(*key, std::move(value)).first->second
                                : table->insert_or_assign(name, std::move(value)).first->second;
        }
    };

    /// Copies a node with its braces filled.
    void copy(const toml::node& value, const Scope& scope, const std::string& path, const Slot& slot) {
        if (const auto* text = value.as_string()) {
            const std::string& plain = text->get();
            if (plain.size() > 2 && plain.front() == '{' && plain.find('}') == plain.size() - 1) {
                const auto found = scope.values.find(trimmed(std::string_view(plain).substr(1, plain.size() - 2)));
                if (found != scope.values.end()) {
                    copy(*found->second, scope, path, slot);
                    return;
                }
            }
            const bool isPlain = plain.find('{') == std::string::npos;
            note(slot.store(isPlain ? plain : filled(plain, scope, value, path).value_or(plain)), value);
        } else if (const toml::table* table = value.as_table()) {
            toml::node& made = slot.store(toml::table());
            note(made, value);
            for (const auto& [key, inner] : *table) {
                put(*made.as_table(), key, inner, scope, path);
            }
        } else if (const toml::array* list = value.as_array()) {
            toml::node& made = slot.store(toml::array());
            note(made, value);
            Slot end;
            end.list = made.as_array();
            for (const toml::node& inner : *list) {
                copy(inner, scope, path, end);
            }
        } else if (const auto whole = value.value_exact<std::int64_t>()) {
            note(slot.store(*whole), value);
        } else if (const auto number = value.value_exact<double>()) {
            note(slot.store(*number), value);
        } else {
            note(slot.store(value.value<bool>().value_or(false)), value);
        }
    }

    void note(const toml::node& made, const toml::node& from) { reporter_.noteMade(made, reporter_.regionOf(from), usedInLine_); }

    std::optional<std::string> filled(std::string_view text, const Scope& scope, const toml::node& node,
                                      const std::string& path) {
        std::string result;
        while (!text.empty()) {
            const std::size_t open = text.find('{');
            const std::size_t close = text.find('}', open);
            result += text.substr(0, open);
            if (open == std::string_view::npos) {
                break;
            }
            if (close == std::string_view::npos) {
                error(node, path, phrase("a '{{' that is not closed"), phrase("{{n}}, or a name that 'with' says"));
                return std::nullopt;
            }
            Braces braces(text.substr(open + 1, close - open - 1), scope);
            const auto value = braces.text();
            if (!value) {
                error(node, path, braces.fault, phrase("one of {}, or a sum of them", listNames(scope.names())));
                return std::nullopt;
            }
            result += *value;
            text.remove_prefix(close + 1);
        }
        return result;
    }

    toml::table& root_;
    Reporter& reporter_;
    std::map<std::string, const toml::table*> templates_;
    std::set<std::string> used_;
    int usedInLine_ = 0; ///< of the thing that is being made
};

} // namespace

void expandTemplates(toml::table& root, Reporter& reporter) {
    Expander(root, reporter).expand();
}

} // namespace wisetick
