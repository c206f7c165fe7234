#pragma once

#include <map>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace wisetick {

/// What the keys of part or plan files mean, as their page in the documents says it: one truth for readers and editors.
class KeyHelp {
public:
    KeyHelp() = default;
    /// Reads the page (Markdown): below a heading that names tables (`## [[line]]`, `## [board]`; `## Top` for what stands above
    /// all tables) the rows of its tables and, for keys without a row, the sentence that names them.
    explicit KeyHelp(std::string_view page);

    /// What the key means in that table, or in any; empty where the page does not tell.
    std::string meaningOf(const std::string& table, const std::string& key) const;
    /// The keys of a table that have a row, in the page's order.
    std::vector<std::string> keysOf(const std::string& table) const;
    bool isEmpty() const { return meanings_.empty(); }

private:
    void readRow(const std::vector<std::string>& tables, std::string_view line);
    void readSentences(const std::vector<std::string>& tables, std::string_view line);

    std::map<std::pair<std::string, std::string>, std::string> meanings_; ///< by table and key
    std::vector<std::pair<std::string, std::string>> order_;
};

} // namespace wisetick
