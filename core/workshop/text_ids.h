#pragma once

#include "workshop/text_words.h"

#include <string>
#include <vector>

namespace wisetick {

/// A piece of one line of a text, in bytes.
struct TextPlace {
    int line = 0;
    int from = 0;
    int to = 0;
    bool operator==(const TextPlace&) const = default;
};

/// Where a part's text makes that id: the `id` or the name in `ids` of a table, also in a row of `each`. "uart{1..4}" makes
/// uart3.
std::vector<TextPlace> madeAt(const TextWords& part, const std::string& id);

/// Where a part or plan uses the id, or makes it: as a whole text or key, before the dot of a control or channel ("bus_a.divide",
/// "timer1.2"), and as a word of a promise's, wish's or job's line. Names, notes and references are not looked into.
std::vector<TextPlace> usesOf(const TextWords& words, const std::string& id);

/// The text with another name for the id, wherever it is used or made.
std::string withIdRenamed(const std::string& text, const std::string& id, const std::string& name);

/// Whether something may be called so: [a-z][a-z0-9_-]*.
bool canBeId(const std::string& text);

/// The id in that word at that byte of its line: of "bus_a.divide" the first part, of a promise's line the word there.
std::string idIn(const TextWord& word, int column);

} // namespace wisetick
