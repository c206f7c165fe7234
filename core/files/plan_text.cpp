#include "files/plan_text.h"

#include <toml++/toml.h>

#include <algorithm>
#include <set>

namespace wisetick {

namespace {

std::string_view withoutBlanks(std::string_view text) {
    const std::size_t begin = text.find_first_not_of(" \t\r\n");
    return begin == std::string_view::npos ? std::string_view()
                                           : text.substr(begin, text.find_last_not_of(" \t\r\n") - begin + 1);
}

/// Maps one text; toml++ says where keys and values stand, the header lines are found here.
class Mapper {
public:
    explicit Mapper(const std::string& text) : text_(text), root_(toml::parse(text)) {
        lines_.push_back(0);
        for (std::size_t i = 0; i < text.size(); ++i) {
            if (text[i] == '\n') {
                lines_.push_back(i + 1);
            }
        }
        if (lines_.back() != text.size()) {
            lines_.push_back(text.size());
        }
    }

    PlanText map() {
        markValues(root_);
        findSections();
        for (const TextSection& section : map_.sections) {
            addEntries(*tables_.at(section.path), section.path, section.path);
        }
        for (TextSection& section : map_.sections) {
            section.bodyEnd = section.headerEnd;
            for (const auto& [path, entry] : map_.entries) {
                if (entry.section == section.path) {
                    section.bodyEnd = std::max(section.bodyEnd, entry.lineEnd);
                }
            }
        }
        return std::move(map_);
    }

private:
    std::size_t lineCount() const { return lines_.size() - 1; }
    std::string_view line(std::size_t index) const {
        return std::string_view(text_).substr(lines_[index], lines_[index + 1] - lines_[index]);
    }

    /// The byte at a position; columns count code points.
    std::size_t offset(const toml::source_position& position) const {
        std::size_t at = lines_[position.line - 1];
        for (std::size_t column = 1; column < position.column && at < text_.size(); ++column) {
            ++at;
            while (at < text_.size() && (static_cast<unsigned char>(text_[at]) & 0xC0U) == 0x80U) {
                ++at;
            }
        }
        return at;
    }

    /// Lines behind the first of a value that spans several are no headers, whatever they look like.
    void markValues(const toml::node& node) {
        const toml::source_region& region = node.source();
        const bool isValue = !node.is_table() || node.as_table()->is_inline();
        for (std::size_t i = region.begin.line + 1; isValue && !node.is_array_of_tables() && i <= region.end.line; ++i) {
            insideValue_.insert(i - 1);
        }
        if (const toml::table* table = node.as_table()) {
            for (const auto& [key, child] : *table) {
                markValues(child);
            }
        } else if (const toml::array* array = node.as_array()) {
            for (const toml::node& child : *array) {
                markValues(child);
            }
        }
    }

    /// The first of the comment lines right above a line.
    std::size_t commentsAbove(std::size_t index) const {
        while (index > 0 && !insideValue_.contains(index - 1) && withoutBlanks(line(index - 1)).substr(0, 1) == "#") {
            --index;
        }
        return index;
    }

    void findSections() {
        map_.sections.push_back({"", 0, 0, 0, text_.size()});
        tables_[""] = &root_;
        std::map<std::string, int> counts;
        for (std::size_t i = 0; i < lineCount(); ++i) {
            const std::string_view content = withoutBlanks(line(i));
            if (insideValue_.contains(i) || content.substr(0, 1) != "[") {
                continue;
            }
            TextSection section;
            section.path = headerPath(content, counts);
            section.begin = lines_[commentsAbove(i)];
            section.headerEnd = lines_[i + 1];
            section.end = text_.size();
            map_.sections.back().end = section.begin;
            map_.sections.push_back(std::move(section));
        }
    }

    /// "[take.choices.ref]" below the second [[take]] is "take#1.choices.ref".
    std::string headerPath(std::string_view content, std::map<std::string, int>& counts) {
        const bool isElement = content.substr(0, 2) == "[[";
        // a header alone is a TOML document; its keys are then read by the library
        const toml::table parsed =
            toml::parse(content.substr(0, content.find('#') == std::string_view::npos ? content.size() : headerLength(content)));
        std::string path;
        const toml::node* inFile = &root_;
        const toml::table* inHeader = &parsed;
        while (inHeader != nullptr && !inHeader->empty()) {
            const std::string key(inHeader->begin()->first.str());
            const toml::node& next = inHeader->begin()->second;
            path += (path.empty() ? "" : ".") + key;
            inFile = inFile->as_table()->get(key);
            const toml::table* deeper = next.is_array() ? next.as_array()->get(0)->as_table() : next.as_table();
            if (const toml::array* array = inFile->as_array()) {
                const bool isLast = deeper == nullptr || deeper->empty();
                int& count = counts[path];
                count += isElement && isLast ? 1 : 0;
                inFile = array->get(static_cast<std::size_t>(count - 1));
                path += "#" + std::to_string(count - 1);
            }
            inHeader = deeper;
        }
        tables_[path] = inFile->as_table();
        return path;
    }

    /// Up to the closing bracket; quoted keys may hold anything.
    static std::size_t headerLength(std::string_view content) {
        char quote = '\0';
        for (std::size_t i = 0; i < content.size(); ++i) {
            if (quote != '\0') {
                quote = content[i] == quote ? '\0' : quote;
            } else if (content[i] == '"' || content[i] == '\'') {
                quote = content[i];
            } else if (content[i] == '#') {
                return i;
            }
        }
        return content.size();
    }

    void addEntries(const toml::table& table, const std::string& path, const std::string& section) {
        for (const auto& [key, value] : table) {
            const std::string childPath = (path.empty() ? "" : path + ".") + std::string(key.str());
            const toml::table* inner = value.as_table();
            if (tables_.contains(childPath) || tables_.contains(childPath + "#0")) {
                continue;
            }
            if (inner != nullptr && !inner->is_inline()) { // made by dotted keys, or only the way to deeper headers
                addEntries(*inner, childPath, section);
                continue;
            }
            TextEntry entry;
            entry.path = childPath;
            entry.section = section;
            entry.lineBegin = lines_[key.source().begin.line - 1];
            entry.lineEnd = lines_[value.source().end.line];
            entry.valueBegin = offset(value.source().begin);
            entry.valueEnd = offset(value.source().end);
            map_.entries.emplace(childPath, std::move(entry));
        }
    }

    const std::string& text_;
    toml::table root_;
    std::vector<std::size_t> lines_; ///< where each line begins, and the end
    std::set<std::size_t> insideValue_;
    std::map<std::string, const toml::table*> tables_;
    PlanText map_;
};

} // namespace

const TextSection* PlanText::section(const std::string& path) const {
    const auto found = std::find_if(sections.begin(), sections.end(), [&](const TextSection& each) { return each.path == path; });
    return found == sections.end() ? nullptr : &*found;
}

const TextEntry* PlanText::covering(const std::string& path) const {
    std::string each = path;
    for (;;) {
        const auto found = entries.find(each);
        if (found != entries.end()) {
            return &found->second;
        }
        const std::size_t dot = each.rfind('.');
        if (dot == std::string::npos) {
            return nullptr;
        }
        each.resize(dot);
    }
}

PlanText mapPlanText(const std::string& text) {
    return Mapper(text).map();
}

} // namespace wisetick
