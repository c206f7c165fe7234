#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace wisetick {

/// A word of a part's or plan's text that stands for something: a table's name, a key, or what stands between quotes.
struct TextWord {
    enum class Kind { table, key, text, plain };

    Kind kind = Kind::plain;         ///< plain: a number, true or false
    std::string text;                ///< without quotes, escapes as typed
    std::size_t entry = 0;           ///< index of the table that it stands in
    std::vector<std::string> keys{}; ///< that it stands under, a key's own name not among them: {"fields", "divide"}
    int line = 0;                    ///< from 0
    int from = 0;                    ///< byte in the line, inside of the quotes
    int to = 0;                      ///< behind it
};

/// A table of the text, from its head to the next one's.
struct WordTable {
    std::string table; ///< "line", "take.choices.ref"; empty of what stands above the first head
    std::string id;    ///< its `id`, `ids` or `name`, as typed; empty where it has none
    int from = 0;      ///< line, from 0
    int to = 0;        ///< behind its last line that is not empty
};

struct TextWords {
    std::vector<WordTable> entries; ///< the first is what stands above the first head
    std::vector<TextWord> words;    ///< in order

    /// The word at that byte of a line, or that ends there; nullptr where there is none.
    const TextWord* at(int line, int column) const;
    /// The table that a line belongs to.
    std::size_t entryAt(int line) const;
};

/// Reads the words of TOML text, as far as it is typed: what is not closed yet ends with its line, at the latest at the next
/// head.
TextWords readWords(std::string_view text);

} // namespace wisetick
