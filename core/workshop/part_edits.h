#pragma once

#include "workshop/text_ids.h"
#include "workshop/text_words.h"

#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace wisetick {

/// What a key stands at in a text: from the first to behind the last byte of its value, remarks left out.
struct TextValue {
    std::size_t from = 0;
    std::size_t to = 0;
    std::string text; ///< as typed: "[1, 2, 4]"
};

/// Something that a thing of the part says of itself.
struct TextProperty {
    std::string key;
    TextValue value;
    TextPlace place; ///< of the key
};

/// What the thing of that id says of itself, in its order: of a table its keys, of a row of `each` those of the row. Empty where
/// no such id is made.
std::vector<TextProperty> propertiesOf(const std::string& text, const std::string& id);

/// The text with that key of the thing set to a value (TOML: "\"2 MHz\"", "[1, 2]"), where it stands, else in place of a remark
/// "# KEY = …" of its table, else behind what the thing says; an empty value takes the key away. Remarks and everything else
/// stay. Nothing where no such id is made.
std::optional<std::string> withProperty(const std::string& text, const std::string& id, const std::string& key,
                                        const std::string& value);

/// The same for a key within a value that is a table: of "{ base = 1 }" with "per_mhz" "2" it is "{ base = 1, per_mhz = 2 }".
/// What is no table becomes one.
std::string withKey(const std::string& table, const std::string& key, const std::string& value);

/// The keys of a value that is a table, with their values as typed; none of what is no table.
std::vector<std::pair<std::string, std::string>> keysOfTable(const std::string& table);

/// The elements of a value that is a list, as typed; a value that is none is its own one element; none of nothing.
std::vector<std::string> elementsOfList(const std::string& list);

/// What the `[[wait]]` of that line says; empty where there is none. And the text with these cases in it, in place of its `steps`
/// and `tier`; a line that has none gets one.
std::vector<TextProperty> waitPropertiesOf(const std::string& text, const std::string& line);
std::string withWaits(const std::string& text, const std::string& line, const std::string& cases);

/// The text with another table behind that of the id, behind the last of its kind where that is empty, else at the end.
std::string withTable(const std::string& text, const std::string& behind, const std::string& table);

/// Another thing like that one, with an id of its own, behind it: a table is said again with the other id, a row of `each` too,
/// but for its registers and pins, which are its own.
/// Nothing where no such id is made, or the new one is taken or no id.
std::optional<std::string> likeAnother(const std::string& text, const std::string& id, const std::string& newId);

/// The text without the thing; nothing where no such id is made, or it is one of several that a pattern makes.
std::optional<std::string> withoutThing(const std::string& text, const std::string& id);

} // namespace wisetick
