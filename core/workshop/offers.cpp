#include "workshop/offers.h"

#include "evaluate/exact_values.h"
#include "part/kind_row.h"
#include "plan/promise_line.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <functional>
#include <set>

namespace wisetick {

namespace {

constexpr std::size_t kMostOffers = 100;

class OfferMaker {
public:
    OfferMaker(std::string_view text, const TextWords& words, int line, int column, const TextSurroundings& around)
        : words_(words), line_(line), column_(column), around_(around), entry_(words.entries[words.entryAt(line)]) {
        for (int i = 0; i < line && !text.empty(); ++i) {
            const std::size_t end = text.find('\n');
            text.remove_prefix(end == std::string_view::npos ? text.size() : end + 1);
        }
        typed_ = text.substr(0, text.find('\n'));
        column_ = std::min(column_, static_cast<int>(typed_.size()));
    }

    std::vector<TextOffer> make() {
        const TextWord* word = words_.at(line_, column_);
        if (word != nullptr && word->kind == TextWord::Kind::text) {
            inText(*word);
        } else if (word != nullptr && word->kind == TextWord::Kind::table) {
            setPlace(word->from, column_);
            for (const std::string& table : isPlan() ? planTables() : partTables()) {
                add(TextOffer::Kind::key, table, {});
            }
        } else if (standsForKey()) {
            int from = column_;
            while (from > 0 && isOfKey(typed_[static_cast<std::size_t>(from) - 1])) {
                --from;
            }
            setPlace(from, column_);
            offerKeys();
        }
        return std::move(offers_);
    }

private:
    static const std::vector<std::string>& partTables() {
        static const std::vector<std::string> tables{"tier", "source", "line",  "rule",     "wait",     "bound",    "peripheral",
                                                     "mode", "option", "block", "register", "sequence", "template", "expect"};
        return tables;
    }
    static const std::vector<std::string>& planTables() {
        static const std::vector<std::string> tables{"board", "promise", "job", "take", "handover", "capture"};
        return tables;
    }

    static bool isOfKey(char sign) { return (sign >= 'a' && sign <= 'z') || sign == '_'; }
    bool isPlan() const { return around_.plan != nullptr; }

    /// Nothing but the beginning of a key stands before the cursor, or a bracket or comma of a table within the line.
    bool standsForKey() const {
        std::size_t at = static_cast<std::size_t>(column_);
        while (at > 0 && isOfKey(typed_[at - 1])) {
            --at;
        }
        while (at > 0 && typed_[at - 1] == ' ') {
            --at;
        }
        return at == 0 || typed_[at - 1] == '{' || (typed_[at - 1] == ',' && typed_.find('{') < at);
    }

    void setPlace(int from, int to) {
        from_ = from;
        to_ = to;
        begin_ = std::string(typed_.substr(static_cast<std::size_t>(from), static_cast<std::size_t>(column_ - from)));
    }

    void add(TextOffer::Kind kind, const std::string& text, const std::string& detail) {
        if (offers_.size() < kMostOffers && text.starts_with(begin_)) {
            offers_.push_back({kind, text, detail, from_, to_});
        }
    }

    void offerKeys() {
        std::set<std::string> there;
        std::string table = entry_.table;
        for (const TextWord& word : words_.words) {
            if (word.kind == TextWord::Kind::key && word.line >= entry_.from && word.line < std::max(entry_.to, line_ + 1) &&
                word.keys.empty() && word.line != line_) {
                there.insert(word.text);
            }
        }
        if (around_.help == nullptr) {
            return;
        }
        table = table == "template" ? templateKind() : table;
        for (const std::string& key : around_.help->keysOf(table)) {
            if (!there.contains(key)) {
                add(TextOffer::Kind::key, key, around_.help->meaningOf(table, key));
            }
        }
        if (table == "peripheral") {
            for (const std::string& key : keysOfKind()) {
                if (!there.contains(key)) {
                    add(TextOffer::Kind::key, key, around_.help->meaningOf(table, key));
                }
            }
        }
        if (!isPlan() && !entry_.table.empty()) {
            for (const char* key : {"id", "ids", "name", "like", "with", "without", "each", "note", "ref", "accept"}) {
                if (!there.contains(key)) {
                    add(TextOffer::Kind::key, key, around_.help->meaningOf(table, key));
                }
            }
        }
    }

    /// The keys that the peripheral's kind has beside those of all.
    std::vector<std::string> keysOfKind() const {
        std::vector<std::string> keys;
        for (std::size_t i = 0; i < words_.words.size(); ++i) {
            const TextWord& word = words_.words[i];
            const bool isKind = word.line >= entry_.from && word.line < entry_.to && word.kind == TextWord::Kind::text &&
                                word.keys == std::vector<std::string>{"kind"};
            for (const KindRow* row : isKind ? kindRows() : std::vector<const KindRow*>()) {
                if (row->name != word.text) {
                    continue;
                }
                const auto properties = nlohmann::json::parse("{" + row->schema + "}", nullptr, false);
                for (auto each = properties.begin(); properties.is_object() && each != properties.end(); ++each) {
                    keys.push_back(each.key());
                }
            }
        }
        return keys;
    }

    /// What a template is for shows in its keys: a peripheral has a `kind`.
    std::string templateKind() const {
        for (const TextWord& word : words_.words) {
            if (word.kind == TextWord::Kind::key && word.line >= entry_.from && word.line < entry_.to && word.text == "kind") {
                return "peripheral";
            }
        }
        return "line";
    }

    void inText(const TextWord& word) {
        setPlace(word.from, word.to);
        const std::string key = word.keys.empty() ? std::string() : word.keys.back();
        const std::string first = word.keys.empty() ? std::string() : word.keys.front();
        if (entry_.table == "promise" && key == "say" && around_.part != nullptr) {
            offerLine(word);
            return;
        }
        static const std::set<std::string> nodes{"from", "clock", "line", "left", "core", "source", "of", "wakes_on", "off"};
        if (key == "like") {
            offerTemplates();
        } else if (key == "kind") {
            for (const char* kind : {"crystal", "rc", "clock-in"}) {
                if (entry_.table == "source") {
                    add(TextOffer::Kind::value, kind, {});
                }
            }
            for (const std::string& kind : entry_.table == "source" ? std::vector<std::string>() : kindNames()) {
                add(TextOffer::Kind::value, kind, {});
            }
        } else if (first == "holds") {
            for (const char* form : {"n", "n-1", "in order", "log2 n", "16*n", "65536-n"}) {
                add(TextOffer::Kind::value, form, {});
            }
        } else if (first == "fields" || key == "field" || key == "gate" || key == "ready" || key == "interrupts" ||
                   key == "flags" || key == "shows" || key == "rate_field") {
            offerFields();
        }
        if (around_.part == nullptr) {
            return;
        }
        const Part& part = *around_.part;
        if (nodes.contains(key)) {
            offerNodes();
        } else if (key == "tier") {
            for (const Tier& tier : part.tiers) {
                add(TextOffer::Kind::id, tier.id, {});
            }
        } else if (key == "rests_in") {
            for (const Mode& mode : part.modes) {
                add(TextOffer::Kind::id, mode.id, mode.name);
            }
        } else if (key == "uses" || key == "by") {
            for (const Peripheral& peripheral : part.peripherals) {
                add(TextOffer::Kind::id, peripheral.id, peripheral.name);
            }
        } else if (key == "locks") {
            offerNodes();
        }
    }

    void offerNodes() {
        for (const Source& source : around_.part->sources) {
            add(TextOffer::Kind::id, source.id, source.name);
        }
        for (const Line& line : around_.part->lines) {
            add(TextOffer::Kind::id, line.id, line.name);
        }
    }

    void offerTemplates() {
        for (const WordTable& entry : words_.entries) {
            if (entry.table == "template") {
                add(TextOffer::Kind::id, entry.id, {});
            }
        }
    }

    static std::vector<std::string> kindNames() {
        std::vector<std::string> names;
        for (const KindRow* row : kindRows()) {
            names.push_back(row->name);
        }
        return names;
    }

    void offerFields() {
        if (around_.registers == nullptr) {
            return;
        }
        for (const DescribedRegister& reg : around_.registers->registers) {
            for (const DescribedField& field : reg.fields) {
                const std::string bits = field.msb == field.lsb ? std::to_string(field.msb)
                                                                : std::to_string(field.msb) + ":" + std::to_string(field.lsb);
                add(TextOffer::Kind::field, reg.facts.name + "[" + bits + "]", field.name + ": " + field.about);
            }
        }
    }

    void offerLine(const TextWord& word) {
        const std::string before =
            word.text.substr(0, static_cast<std::size_t>(std::clamp(column_ - word.from, 0, word.to - word.from)));
        if (isPlan() && !around_.plan->takes.empty()) {
            for (const std::string& value : exactValues(*around_.part, *around_.plan, around_.plan->active, before)) {
                offers_.push_back({TextOffer::Kind::value, before + value, "exact", word.from, column_});
            }
        }
        const Completion completion = completePromiseLine(before, *around_.part);
        for (const std::string& next : completion.texts) {
            if (offers_.size() < kMostOffers) {
                offers_.push_back({TextOffer::Kind::line, next, {}, word.from + static_cast<int>(completion.position), column_});
            }
        }
    }

    const TextWords& words_;
    int line_;
    int column_;
    const TextSurroundings& around_;
    const WordTable& entry_;
    std::string_view typed_;
    std::string begin_;
    int from_ = 0;
    int to_ = 0;
    std::vector<TextOffer> offers_;
};

} // namespace

std::vector<TextOffer> offersAt(std::string_view text, const TextWords& words, int line, int column,
                                const TextSurroundings& around) {
    return OfferMaker(text, words, line, column, around).make();
}

} // namespace wisetick
