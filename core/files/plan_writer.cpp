#include "files/plan_writer.h"

#include "files/plan_reader.h"
#include "files/plan_text.h"
#include "quantity/quantity_print.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <set>

namespace wisetick {

namespace {

/// A value with its path below the table that it stands in: {"supply.min", "\"3.2 V\""}. Dots make an inline table.
struct FlatEntry {
    std::string key;
    std::string literal;
};

/// One table of the file. Elements of arrays carry what they are known by.
struct FlatSection {
    std::string path;   ///< "take#0.choices.ref"
    std::string header; ///< "[take.choices.ref]"; empty for the top
    std::string identity;
    std::vector<FlatEntry> entries;
};

std::string stringLiteral(const std::string& text) {
    std::string literal = "\"";
    for (const char c : text) {
        if (c == '"' || c == '\\') {
            literal += '\\';
            literal += c;
        } else if (c == '\n') {
            literal += "\\n";
        } else if (c == '\t') {
            literal += "\\t";
        } else if (static_cast<unsigned char>(c) < 0x20U || c == '\x7f') {
            literal += fmt::format("\\u{:04X}", static_cast<unsigned>(c));
        } else {
            literal += c;
        }
    }
    return literal + "\"";
}

std::string keyLiteral(const std::string& key) {
    const bool isBare = !key.empty() && std::all_of(key.begin(), key.end(), [](char c) {
        return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9') || c == '_' || c == '-';
    });
    return isBare ? key : stringLiteral(key);
}

std::string quantityLiteral(const Rational& value, Unit unit) {
    return stringLiteral(printReadable(value, unit));
}

std::string factorLiteral(const Rational& factor) {
    return factor.isWhole() ? factor.toString() : stringLiteral(printFactor(factor));
}

std::string listLiteral(const std::vector<std::string>& texts) {
    std::string literal = "[";
    for (const std::string& text : texts) {
        literal += (literal.size() > 1 ? ", " : "") + stringLiteral(text);
    }
    return literal + "]";
}

/// Takes a plan apart into the tables and values of its canonical file.
class Flattener {
public:
    explicit Flattener(const Plan& plan) : plan_(plan) {}

    std::vector<FlatSection> flatten() {
        begin("", "");
        add("format", stringLiteral("wisetick-plan/1"));
        addText("name", plan_.name);
        add("part", stringLiteral(plan_.part));
        addText("active", plan_.active);
        addText("note", plan_.note);
        addBoard();
        for (std::size_t i = 0; i < plan_.promises.size(); ++i) {
            const Promise& promise = plan_.promises[i];
            begin(fmt::format("promise#{}", i), "[[promise]]", promise.line.name.empty() ? promise.text : promise.line.name);
            add("say", stringLiteral(promise.text));
        }
        for (std::size_t i = 0; i < plan_.jobs.size(); ++i) {
            addJob(plan_.jobs[i], i);
        }
        for (std::size_t i = 0; i < plan_.takes.size(); ++i) {
            addTake(plan_.takes[i], fmt::format("take#{}", i));
        }
        return std::move(sections_);
    }

private:
    void begin(const std::string& path, const std::string& header, const std::string& identity = {}) {
        sections_.push_back({path, header, identity, {}});
    }

    void add(const std::string& key, const std::string& literal) { sections_.back().entries.push_back({key, literal}); }

    void addText(const std::string& key, const std::string& text) {
        if (!text.empty()) {
            add(key, stringLiteral(text));
        }
    }

    void addQuantity(const std::string& key, const std::optional<Rational>& value, Unit unit) {
        if (value) {
            add(key, quantityLiteral(*value, unit));
        }
    }

    void addSpan(const std::string& key, const std::optional<Bounds>& bounds, Unit unit) {
        if (bounds) {
            addQuantity(key + ".min", bounds->min, unit);
            addQuantity(key + ".nominal", bounds->nominal, unit);
            addQuantity(key + ".max", bounds->max, unit);
        }
    }

    void addBoard() {
        const Board& board = plan_.board;
        begin("board", "[board]");
        addSpan("supply", board.supply, Unit::volt);
        addSpan("temperature", board.temperature, Unit::celsius);
        addQuantity("draws.always", board.alwaysDraws, Unit::ampere);
        if (sections_.back().entries.empty()) {
            sections_.pop_back();
        }
        for (const Fitted& fitted : board.fitted) {
            begin("board.fitted." + fitted.source, "[board.fitted." + keyLiteral(fitted.source) + "]");
            addQuantity("rate", fitted.rate, Unit::hertz);
            addTolerance(fitted);
            addQuantity("load", fitted.load, Unit::farad);
            addQuantity("esr", fitted.esr, Unit::ohm);
        }
        for (const Measured& measured : board.measured) {
            begin("board.measured." + measured.source, "[board.measured." + keyLiteral(measured.source) + "]");
            addQuantity("rate", measured.rate, Unit::hertz);
            addQuantity("tolerance", measured.tolerance, Unit::ratio);
        }
        if (board.battery) {
            addBattery(*board.battery);
        }
    }

    void addTolerance(const Fitted& fitted) {
        if (!fitted.tolerance) {
            return;
        }
        if (!fitted.isBudget) {
            addQuantity("tolerance", fitted.tolerance->total(), Unit::ratio);
            return;
        }
        addQuantity("tolerance.initial", fitted.tolerance->initial, Unit::ratio);
        addQuantity("tolerance.temperature", fitted.tolerance->temperature, Unit::ratio);
        addQuantity("tolerance.ageing", fitted.tolerance->ageing, Unit::perYear);
        add("tolerance.years", (fitted.tolerance->age / (8766 * 3600)).toString());
    }

    void addBattery(const Battery& battery) {
        begin("board.battery", "[board.battery]");
        addQuantity("capacity", battery.capacity, Unit::coulomb);
        addQuantity("voltage", battery.voltage, Unit::volt);
        addQuantity("resistance", battery.resistance, Unit::ohm);
        if (!battery.usable.empty()) {
            std::string literal = "[";
            for (const auto& [celsius, share] : battery.usable) {
                literal += (literal.size() > 1 ? ", [" : "[") + quantityLiteral(celsius, Unit::celsius) + ", " + quantityLiteral(share, Unit::ratio) + "]";
            }
            add("usable", literal + "]");
        }
        if (!battery.fades.isZero()) {
            addQuantity("fades", battery.fades, Unit::perYear);
        }
    }

    void addJob(const Job& job, std::size_t index) {
        begin(fmt::format("job#{}", index), "[[job]]", job.name);
        add("name", stringLiteral(job.name));
        addQuantity("every", job.every, Unit::second);
        if (!job.phase.isZero()) {
            addQuantity("phase", job.phase, Unit::second);
        }
        addQuantity("lasts", job.lasts, Unit::second);
        if (job.cycles) {
            add("cycles", factorLiteral(*job.cycles));
        }
        addText("take", job.take);
        if (!job.draws.isZero()) {
            addQuantity("draws", job.draws, Unit::ampere);
        }
        if (!job.uses.empty()) {
            add("uses", listLiteral(job.uses));
        }
    }

    void addTake(const Take& take, const std::string& path) {
        begin(path, "[[take]]", take.name);
        add("name", stringLiteral(take.name));
        addText("tier", take.tier);
        addText("rests_in", take.restsIn);
        if (!take.locks.empty()) {
            add("locks", listLiteral(take.locks));
        }
        for (const Choice& choice : take.choices) {
            begin(path + ".choices." + choice.id, "[take.choices." + keyLiteral(choice.id) + "]");
            addText("from", choice.from.value_or(""));
            if (choice.divide) {
                add("divide", factorLiteral(*choice.divide));
            }
            if (choice.multiply) {
                add("multiply", factorLiteral(*choice.multiply));
            }
            if (choice.on) {
                add("on", *choice.on ? "true" : "false");
            }
        }
        for (const PinnedWay& pinned : take.pinned) {
            begin(path + ".pinned." + pinned.promise, "[take.pinned." + keyLiteral(pinned.promise) + "]");
            for (const auto& [name, value] : pinned.settings) {
                add(name, factorLiteral(value));
            }
        }
    }

    const Plan& plan_;
    std::vector<FlatSection> sections_;
};

/// The literal of all entries below a key: the value itself, or an inline table.
std::string literalBelow(const std::vector<FlatEntry>& entries, const std::string& key) {
    std::string members;
    for (const FlatEntry& entry : entries) {
        if (entry.key == key) {
            return entry.literal;
        }
        if (entry.key.rfind(key + ".", 0) == 0) {
            members += (members.empty() ? "" : ", ") + entry.key.substr(key.size() + 1) + " = " + entry.literal;
        }
    }
    return members.empty() ? "" : "{ " + members + " }";
}

std::string firstKey(const std::string& key) {
    return key.substr(0, key.find('.'));
}

std::string sectionText(const FlatSection& section) {
    std::string text = section.header.empty() ? "" : section.header + "\n";
    std::string last;
    for (const FlatEntry& entry : section.entries) {
        if (firstKey(entry.key) != last) {
            last = firstKey(entry.key);
            text += last + " = " + literalBelow(section.entries, last) + "\n";
        }
    }
    return text;
}

bool isBelow(const std::string& path, const std::string& ancestor) {
    return path.size() > ancestor.size() && path.compare(0, ancestor.size(), ancestor) == 0 && path[ancestor.size()] == '.';
}

/// The array element that a path belongs to: "take#1" of "take#1.choices.ref"; empty for others.
std::string elementOf(const std::string& path) {
    const std::size_t hash = path.find('#');
    return hash == std::string::npos ? "" : path.substr(0, path.find('.', hash));
}

/// Which old element each new one continues: by identity, else the one that follows the predecessor's if it is free.
std::map<std::string, std::string> matchElements(const std::vector<FlatSection>& before, const std::vector<FlatSection>& after, const std::string& kind) {
    const auto elements = [&](const std::vector<FlatSection>& all) {
        std::vector<const FlatSection*> list;
        for (const FlatSection& section : all) {
            if (section.path.rfind(kind + "#", 0) == 0 && section.path.find('.') == std::string::npos) {
                list.push_back(&section);
            }
        }
        return list;
    };
    const auto old = elements(before);
    const auto fresh = elements(after);
    std::vector<int> match(fresh.size(), -1);
    std::vector<bool> isUsed(old.size());
    for (std::size_t i = 0; i < fresh.size(); ++i) {
        for (std::size_t j = 0; j < old.size() && match[i] < 0; ++j) {
            if (!isUsed[j] && old[j]->identity == fresh[i]->identity) {
                match[i] = static_cast<int>(j);
                isUsed[j] = true;
            }
        }
    }
    for (std::size_t i = 0; i < fresh.size(); ++i) {
        const auto next = static_cast<std::size_t>(i == 0 ? 0 : match[i - 1] + 1);
        if (match[i] < 0 && (i == 0 || match[i - 1] >= 0) && next < old.size() && !isUsed[next]) {
            match[i] = static_cast<int>(next);
            isUsed[next] = true;
        }
    }
    std::map<std::string, std::string> pairs;
    for (std::size_t i = 0; i < fresh.size(); ++i) {
        pairs[fresh[i]->path] = match[i] < 0 ? "" : old[static_cast<std::size_t>(match[i])]->path;
    }
    return pairs;
}

/// Puts the text blocks of matched elements into the order in which the plan has them now.
std::string reorderElements(const std::string& text, const std::vector<std::string>& order) {
    const PlanText map = mapPlanText(text);
    const auto blockOf = [&](const std::string& element) {
        std::size_t begin = text.size();
        std::size_t end = 0;
        for (const TextSection& section : map.sections) {
            if (section.path == element || isBelow(section.path, element)) {
                begin = std::min(begin, section.begin);
                end = std::max(end, section.end);
            }
        }
        return std::pair(begin, end);
    };
    std::vector<std::pair<std::size_t, std::size_t>> slots;
    for (const std::string& element : order) {
        slots.push_back(blockOf(element));
    }
    std::vector<std::pair<std::size_t, std::size_t>> sorted = slots;
    std::sort(sorted.begin(), sorted.end());
    std::string result;
    std::size_t done = 0;
    for (std::size_t i = 0; i < sorted.size(); ++i) {
        result += text.substr(done, sorted[i].first - done);
        std::string block = text.substr(slots[i].first, slots[i].second - slots[i].first);
        const bool isAtEnd = sorted[i].second == text.size();
        // the blank line between blocks stays between blocks
        while (!block.empty() && block.back() == '\n') {
            block.pop_back();
        }
        result += block + (isAtEnd ? "\n" : "\n\n");
        done = sorted[i].second;
    }
    return result + text.substr(done);
}

/// Edits a text so that it holds the new tables; all positions are those of the unedited text.
class TextEditor {
public:
    TextEditor(const std::string& text, const std::vector<FlatSection>& before, const std::vector<FlatSection>& after)
        : text_(text), map_(mapPlanText(text)), before_(before), after_(after) {}

    std::string edit() {
        for (const FlatSection& section : before_) {
            if (find(after_, section.path) == nullptr) {
                removeSection(section.path);
            }
        }
        for (std::size_t i = 0; i < after_.size(); ++i) {
            const FlatSection* old = find(before_, after_[i].path);
            if (old == nullptr) {
                insertSection(i);
            } else {
                changeSection(*old, after_[i]);
            }
        }
        return apply();
    }

private:
    struct Edit {
        std::size_t begin = 0;
        std::size_t end = 0;
        std::size_t order = 0;
        std::string text;
    };

    static const FlatSection* find(const std::vector<FlatSection>& sections, const std::string& path) {
        const auto found = std::find_if(sections.begin(), sections.end(), [&](const FlatSection& each) { return each.path == path; });
        return found == sections.end() ? nullptr : &*found;
    }

    void replace(std::size_t begin, std::size_t end, std::string text) { edits_.push_back({begin, end, edits_.size(), std::move(text)}); }

    /// The comments right above a byte offset that begins a line.
    std::size_t withComments(std::size_t begin) const {
        while (begin > 0) {
            const std::size_t above = begin < 2 ? 0 : text_.rfind('\n', begin - 2) + 1; // npos + 1 is 0
            const std::size_t content = text_.find_first_not_of(" \t", above);
            if (content == std::string::npos || content >= begin || text_[content] != '#') {
                break;
            }
            begin = above;
        }
        return begin;
    }

    void removeSection(const std::string& path) {
        const std::string element = elementOf(path);
        if (!element.empty() && element != path && find(after_, element) == nullptr) {
            return; // goes with its element
        }
        if (const TextSection* section = map_.section(path)) {
            replace(section->begin, section->end, "");
            for (const TextSection& each : map_.sections) {
                if (isBelow(each.path, path)) {
                    replace(each.begin, each.end, "");
                }
            }
        } else if (const TextEntry* entry = map_.covering(path)) {
            changeCovering(*entry);
        } else { // written with dotted keys
            for (const auto& [entryPath, each] : map_.entries) {
                if (isBelow(entryPath, path)) {
                    replace(withComments(each.lineBegin), each.lineEnd, "");
                }
            }
        }
    }

    /// Behind the last table of the same kind that precedes it, or of its element, or at the end of the file.
    void insertSection(std::size_t index) {
        const FlatSection& section = after_[index];
        const std::string parent = section.path.substr(0, section.path.rfind('.'));
        if (const TextEntry* entry = section.path == parent ? nullptr : map_.covering(parent)) {
            changeCovering(*entry);
            return;
        }
        std::size_t at = text_.size();
        for (std::size_t i = index; i-- > 0;) {
            if (const TextSection* before = map_.section(after_[i].path)) {
                at = before->bodyEnd == 0 && before->path.empty() ? before->end : before->bodyEnd;
                break;
            }
        }
        const bool needsNewline = at > 0 && text_[at - 1] != '\n';
        replace(at, at, (needsNewline ? "\n\n" : "\n") + sectionText(section));
    }

    void changeSection(const FlatSection& old, const FlatSection& fresh) {
        std::set<std::string> changed;
        for (const FlatEntry& entry : fresh.entries) {
            if (literalBelow(old.entries, entry.key) != entry.literal) {
                changed.insert(entry.key);
            }
        }
        for (const FlatEntry& entry : old.entries) {
            if (literalBelow(fresh.entries, entry.key).empty()) {
                changed.insert(entry.key);
            }
        }
        std::set<std::string> inserted;
        for (const std::string& key : changed) {
            const std::string path = fresh.path.empty() ? key : fresh.path + "." + key;
            if (const TextEntry* entry = map_.covering(path)) {
                changeCovering(*entry);
            } else if (inserted.insert(firstKey(key)).second) {
                insertEntry(fresh, firstKey(key), path);
            }
        }
    }

    void insertEntry(const FlatSection& section, const std::string& key, const std::string& path) {
        const std::string literal = literalBelow(section.entries, key);
        if (literal.empty()) {
            return;
        }
        // below a table of its own, the rest of the path is the key there
        for (std::string table = path.substr(0, path.rfind('.')); isBelow(table, section.path); table.resize(table.rfind('.'))) {
            if (const TextSection* inner = map_.section(table)) {
                const std::string rest = path.substr(table.size() + 1);
                replace(inner->bodyEnd, inner->bodyEnd, rest + " = " + literalBelow(section.entries, path.substr(section.path.size() + 1)) + "\n");
                return;
            }
        }
        const TextSection* header = map_.section(section.path);
        if (header == nullptr) { // written with dotted keys: one more of them, behind the last
            const TextEntry* last = nullptr;
            for (const auto& [entryPath, entry] : map_.entries) {
                if (isBelow(entryPath, section.path) && (last == nullptr || entry.lineEnd > last->lineEnd)) {
                    last = &entry;
                }
            }
            if (last != nullptr) {
                const std::string prefix = last->section.empty() ? section.path : section.path.substr(last->section.size() + 1);
                replace(last->lineEnd, last->lineEnd, prefix + "." + key + " = " + literal + "\n");
            }
            return;
        }
        std::size_t at = header->bodyEnd;
        // behind the key that precedes it in the canonical order, where that is there
        for (const FlatEntry& entry : section.entries) {
            if (firstKey(entry.key) == key) {
                break;
            }
            const auto found = map_.entries.find((section.path.empty() ? "" : section.path + ".") + firstKey(entry.key));
            if (found != map_.entries.end()) {
                at = found->second.lineEnd;
            }
        }
        const bool needsNewline = at > 0 && text_[at - 1] != '\n';
        replace(at, at, (needsNewline ? "\n" : "") + keyLiteral(key) + " = " + literal + "\n");
    }

    /// Gives an entry of the text, a value or an inline table, its present value; removes it if there is none.
    void changeCovering(const TextEntry& entry) {
        if (!changedEntries_.insert(entry.path).second) {
            return;
        }
        const std::string literal = presentLiteral(entry.path);
        if (literal.empty()) {
            replace(withComments(entry.lineBegin), entry.lineEnd, "");
        } else {
            replace(entry.valueBegin, entry.valueEnd, literal);
        }
    }

    /// What the new plan holds at a path: inside a section, or above sections (an inline table of tables).
    std::string presentLiteral(const std::string& path) const {
        std::string members;
        for (const FlatSection& section : after_) {
            if (section.path == path || isBelow(section.path, path)) {
                const std::string text = inlineTable(section);
                if (section.path == path) {
                    return text;
                }
                members += (members.empty() ? "" : ", ") + section.path.substr(path.size() + 1) + " = " + text;
            }
        }
        if (!members.empty()) {
            return "{ " + members + " }";
        }
        // the longest section that the path lies in
        std::string best;
        std::size_t bestLength = 0;
        for (const FlatSection& section : after_) {
            const bool isInside = section.path.empty() || isBelow(path, section.path);
            if (isInside && section.path.size() >= bestLength) {
                const std::string key = section.path.empty() ? path : path.substr(section.path.size() + 1);
                const std::string literal = literalBelow(section.entries, key);
                best = literal.empty() ? best : literal;
                bestLength = literal.empty() ? bestLength : section.path.size();
            }
        }
        return best;
    }

    static std::string inlineTable(const FlatSection& section) {
        std::string members;
        std::string last;
        for (const FlatEntry& entry : section.entries) {
            if (firstKey(entry.key) != last) {
                last = firstKey(entry.key);
                members += (members.empty() ? "" : ", ") + last + " = " + literalBelow(section.entries, last);
            }
        }
        return "{ " + members + " }";
    }

    std::string apply() {
        // from the end, so that positions hold; what lies in a removed stretch goes with it
        std::sort(edits_.begin(), edits_.end(), [](const Edit& a, const Edit& b) {
            return std::tuple(a.begin, a.end, a.order) < std::tuple(b.begin, b.end, b.order);
        });
        std::string result;
        std::size_t done = 0;
        for (const Edit& edit : edits_) {
            if (edit.begin < done) {
                continue;
            }
            result += text_.substr(done, edit.begin - done) + edit.text;
            done = edit.end;
        }
        return result + text_.substr(done);
    }

    const std::string& text_;
    PlanText map_;
    const std::vector<FlatSection>& before_;
    const std::vector<FlatSection>& after_;
    std::vector<Edit> edits_;
    std::set<std::string> changedEntries_;
};

/// Renames the elements of `after` to the numbers of the old elements that they continue; new ones get free numbers.
void renumber(std::vector<FlatSection>& after, const std::map<std::string, std::string>& pairs, std::size_t firstFree) {
    std::map<std::string, std::string> names;
    for (const auto& [fresh, old] : pairs) {
        const std::string kind = fresh.substr(0, fresh.find('#'));
        names[fresh] = old.empty() ? fmt::format("{}#{}", kind, firstFree++) : old;
    }
    for (FlatSection& section : after) {
        const std::string element = elementOf(section.path);
        if (const auto found = names.find(element); found != names.end()) {
            section.path = found->second + section.path.substr(element.size());
        }
    }
}

std::optional<Plan> readBack(const std::string& text) {
    return readPlan(text, "", nullptr).plan;
}

} // namespace

std::string writePlan(const Plan& plan) {
    std::string text;
    for (const FlatSection& section : Flattener(plan).flatten()) {
        text += (text.empty() ? "" : "\n") + sectionText(section);
    }
    return text;
}

std::string savePlan(const Plan& plan, const std::string& original) {
    std::optional<Plan> old = readBack(original);
    if (!old) {
        return writePlan(plan);
    }
    if (*old == plan) {
        return original;
    }
    std::string text = original;
    const std::vector<FlatSection> after = Flattener(plan).flatten();
    for (const char* kind : {"promise", "job", "take"}) {
        const auto pairs = matchElements(Flattener(*old).flatten(), after, kind);
        std::vector<std::string> order;
        for (std::size_t i = 0; i < pairs.size(); ++i) {
            const std::string& match = pairs.at(fmt::format("{}#{}", kind, i));
            if (!match.empty()) {
                order.push_back(match);
            }
        }
        const auto number = [](const std::string& path) { return std::stoul(path.substr(path.find('#') + 1)); };
        const bool isMoved = !std::is_sorted(order.begin(), order.end(), [&](const auto& a, const auto& b) { return number(a) < number(b); });
        if (isMoved) {
            text = reorderElements(text, order);
            old = readBack(text);
            if (!old) {
                return writePlan(plan);
            }
        }
    }
    const std::vector<FlatSection> before = Flattener(*old).flatten();
    std::vector<FlatSection> renamed = after;
    constexpr std::size_t kFarAbove = 1000000;
    std::map<std::string, std::string> pairs;
    for (const char* kind : {"promise", "job", "take"}) {
        pairs.merge(matchElements(before, after, kind));
    }
    renumber(renamed, pairs, kFarAbove);
    const std::string result = TextEditor(text, before, renamed).edit();
    // whatever the shape of the text, what is saved is the plan
    return readBack(result) == plan ? result : writePlan(plan);
}

} // namespace wisetick
