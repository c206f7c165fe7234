#pragma once

#include <concepts>
#include <functional>
#include <memory>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace wisetick {

/// A text for people: English, as which it can be used wherever a string can, and how it was made: its phrases (the
/// format strings of `phrase`) with their arguments. At the edge it is said in another language from those. What
/// was made without `phrase` (names, numbers, units, fields) is the same in every language.
class Text : public std::string {
public:
    Text() = default;
    Text(const char* raw) : std::string(raw) {}
    Text(std::string raw) : std::string(std::move(raw)) {}
    explicit Text(std::string_view raw) : std::string(raw) {}

    Text& operator+=(const Text& more);
    Text& operator+=(const std::string& more) { return add(more); }
    Text& operator+=(const char* more) { return add(more); }
    Text& operator+=(char more) { return add(std::string_view(&more, 1)); }

    /// What a phrase is in another language: its words with {} or {0}, {1} … where the arguments belong. An empty
    /// one: it has none, and stays English.
    using Language = std::function<std::string(const char* phrase)>;

    /// The text in that language.
    std::string in(const Language& language) const;

    /// Whether a phrase is in it.
    bool hasPhrases() const { return made_ != nullptr; }

private:
    struct Piece {
        const char* phrase = nullptr; ///< none: raw
        std::string raw;
        std::vector<Text> arguments;
    };
    friend Text phraseOf(const char* phrase, std::vector<Text> arguments);

    Text& add(std::string_view raw);
    std::vector<Piece>& own();

    std::shared_ptr<std::vector<Piece>> made_; ///< null: it is raw as a whole
};

inline Text operator+(Text left, const Text& right) {
    return std::move(left += right);
}
inline Text operator+(Text left, const std::string& right) {
    return std::move(left += right);
}
inline Text operator+(Text left, std::string&& right) {
    return std::move(left += right);
}
inline Text operator+(Text left, const char* right) {
    return std::move(left += right);
}
inline Text operator+(Text left, char right) {
    return std::move(left += right);
}
inline Text operator+(const std::string& left, const Text& right) {
    return Text(left) += right;
}
inline Text operator+(std::string&& left, const Text& right) {
    return Text(std::move(left)) += right;
}
inline Text operator+(const char* left, const Text& right) {
    return Text(left) += right;
}

/// The text of a phrase and its arguments.
Text phraseOf(const char* phrase, std::vector<Text> arguments);

template <typename Value>
Text argumentText(const Value& value) {
    if constexpr (std::same_as<Value, char>) {
        return Text(std::string(1, value));
    } else if constexpr (std::integral<Value>) {
        return Text(std::to_string(value));
    } else {
        return Text(value);
    }
}

/// Words with {} where the arguments stand ({{ and }} for braces): what the core says to people is made so. The
/// phrase must be a literal: it is what translations know it by, and scripts/translations finds it in the source.
template <typename... Values>
Text phrase(const char* words, const Values&... values) {
    return phraseOf(words, {argumentText(values)...});
}

/// Whether it begins with a mark that turns the direction of writing (three bytes: U+200E, U+200F, U+202A to U+202E, U+2066 to
/// U+2069).
bool turnsWriting(std::string_view text);

/// Whether it is text in one line that only says what it shows: no control characters, no marks that turn the direction of
/// writing.
bool isPlainText(std::string_view text);

/// Marks a literal in a table as a phrase: it is said by `phrase(thing.words)` later.
constexpr const char* phraseMark(const char* words) {
    return words;
}

} // namespace wisetick
