#include "files/plan_writer.h"

#include "files/plan_reader.h"
#include "files/plan_tables.h"
#include "files/plan_text.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <set>

namespace wisetick {

namespace {

bool isBelow(const std::string& path, const std::string& ancestor) {
    return path.size() > ancestor.size() && path.compare(0, ancestor.size(), ancestor) == 0 && path[ancestor.size()] == '.';
}

/// The array element that a path belongs to: "take#1" of "take#1.choices.ref"; empty for others.
std::string elementOf(const std::string& path) {
    const std::size_t hash = path.find('#');
    return hash == std::string::npos ? "" : path.substr(0, path.find('.', hash));
}

/// Which old element each new one continues: by identity, else the one that follows the predecessor's if it is free.
std::map<std::string, std::string> matchElements(const std::vector<FlatSection>& before, const std::vector<FlatSection>& after,
                                                 const std::string& kind) {
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
        const auto found =
            std::find_if(sections.begin(), sections.end(), [&](const FlatSection& each) { return each.path == path; });
        return found == sections.end() ? nullptr : &*found;
    }

    void replace(std::size_t begin, std::size_t end, std::string text) {
        edits_.push_back({begin, end, edits_.size(), std::move(text)});
    }

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
                replace(inner->bodyEnd, inner->bodyEnd,
                        rest + " = " + literalBelow(section.entries, path.substr(section.path.size() + 1)) + "\n");
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
    for (const FlatSection& section : planTables(plan)) {
        text += (text.empty() ? "" : "\n") + sectionText(section);
    }
    return text;
}

namespace {

/// Every line ends with CR LF, whether it did before or not.
std::string withCrLf(const std::string& text) {
    std::string all;
    for (std::size_t i = 0; i < text.size(); ++i) {
        if (text[i] == '\n' && (i == 0 || text[i - 1] != '\r')) {
            all += '\r';
        }
        all += text[i];
    }
    return all;
}

/// The plan in the lines of the original text, where they can stay.
std::string editedText(const Plan& plan, const std::string& original) {
    std::optional<Plan> old = readBack(original);
    if (!old) {
        return writePlan(plan);
    }
    if (*old == plan) {
        return original;
    }
    std::string text = original;
    const std::vector<FlatSection> after = planTables(plan);
    for (const char* kind : {"promise", "job", "take", "handover", "capture"}) {
        const auto pairs = matchElements(planTables(*old), after, kind);
        std::vector<std::string> order;
        for (std::size_t i = 0; i < pairs.size(); ++i) {
            const std::string& match = pairs.at(fmt::format("{}#{}", kind, i));
            if (!match.empty()) {
                order.push_back(match);
            }
        }
        const auto number = [](const std::string& path) { return std::stoul(path.substr(path.find('#') + 1)); };
        const bool isMoved =
            !std::is_sorted(order.begin(), order.end(), [&](const auto& a, const auto& b) { return number(a) < number(b); });
        if (isMoved) {
            text = reorderElements(text, order);
            old = readBack(text);
            if (!old) {
                return writePlan(plan);
            }
        }
    }
    const std::vector<FlatSection> before = planTables(*old);
    std::vector<FlatSection> renamed = after;
    constexpr std::size_t kFarAbove = 1000000;
    std::map<std::string, std::string> pairs;
    for (const char* kind : {"promise", "job", "take", "handover", "capture"}) {
        pairs.merge(matchElements(before, after, kind));
    }
    renumber(renamed, pairs, kFarAbove);
    const std::string result = TextEditor(text, before, renamed).edit();
    // whatever the shape of the text, what is saved is the plan
    return readBack(result) == plan ? result : writePlan(plan);
}

} // namespace

std::string savePlan(const Plan& plan, const std::string& original) {
    const std::string text = editedText(plan, original);
    const std::size_t end = original.find('\n');
    const bool isCrLf = end != std::string::npos && end > 0 && original[end - 1] == '\r'; // as its first line ends
    return isCrLf && text != original ? withCrLf(text) : text;
}

tl::expected<std::string, Diagnostics> textToSave(const Plan& plan, const std::string& text, const Part& part) {
    const std::string saved = savePlan(plan, text);
    const PlanFile back = readPlan(saved, "", &part);
    if (!back.plan) {
        return tl::unexpected(back.diagnostics);
    }
    if (!(*back.plan == plan)) {
        return tl::unexpected(
            Diagnostics{{Severity::error, {}, "text that would be read as another plan", "the plan as it is", {}}});
    }
    return saved;
}

} // namespace wisetick
