#pragma once

#include "base/diagnostic.h"
#include "base/text.h"
#include "quantity/quantity_read.h"

#include <boost/container/small_vector.hpp>
#include <toml++/toml.h>

#include <map>
#include <optional>
#include <string>
#include <string_view>
#include <unordered_map>
#include <vector>

namespace wisetick {

/// The path of a table and of a key in it, put together only where a message needs it. It outlives neither.
class KeyPath {
public:
    KeyPath(std::string_view table, std::string_view key) : table_(table), key_(key) {}
    KeyPath(const std::string& path) : key_(path) {} // NOLINT(google-explicit-constructor): a path is one already

    /// "line.ref.divide"
    std::string text() const;

private:
    std::string_view table_;
    std::string_view key_;
};

/// Whether a reporter keeps the place of every key it is told of.
enum class KeyPlaces { left, kept };

/// Collects the diagnostics of one file, and, where that is asked, where each key of it stands.
class Reporter {
public:
    explicit Reporter(std::string file, KeyPlaces keyPlaces = KeyPlaces::left) : file_(std::move(file)), keyPlaces_(keyPlaces) {}

    Place placeOf(const toml::source_region& region, const KeyPath& path) const;
    Place placeOf(const toml::node& node, const KeyPath& path) const;
    void error(const Place& place, Text found, Text expected, Text mend = {});
    /// An error inside a string value, at the byte that the text error points to.
    void errorInText(const toml::node& node, const KeyPath& path, const TextError& error);
    void remember(const toml::node& node, const KeyPath& path);
    /// A node that no text stands for as it is: what it was made from, and the line that asked for it.
    void noteMade(const toml::node& node, const toml::source_region& region, int usedInLine);
    /// Where a node stands, or what it was made from.
    toml::source_region regionOf(const toml::node& node) const;

    const std::string& file() const { return file_; }
    const Diagnostics& diagnostics() const { return diagnostics_; }
    const std::map<std::string, Place>& places() const { return places_; }
    /// Where the key of that path stands; of one that is not there, the table that it would stand in. Needs KeyPlaces::kept.
    Place placeAt(std::string path) const;

private:
    std::string file_;
    KeyPlaces keyPlaces_;
    Diagnostics diagnostics_;
    std::size_t untold_ = 0; ///< faults beyond kMostFaults
    std::map<std::string, Place> places_;
    struct Made {
        toml::source_region region;
        int usedInLine = 0;
    };
    std::unordered_map<const toml::node*, Made> made_;
};

enum class Need { optional, required };
enum class Sign { positive, notNegative, any };

/// Reads one table key by key; every fault goes to the reporter, and `finish` reports the keys nobody asked for.
class TableReader {
public:
    /// `path` names the table in messages and in the reporter's places: "line.ref".
    TableReader(const toml::table& table, Reporter& reporter, std::string path);

    const std::string& path() const { return path_; }
    Reporter& reporter() const { return reporter_; }
    /// Where the table, or a key of it, stands.
    Place place() const;
    Place place(std::string_view key) const;
    KeyPath at(std::string_view key) const { return {path_, key}; }
    std::string pathOf(std::string_view key) const { return at(key).text(); }

    bool has(std::string_view key) const { return table_.contains(key); }
    /// The node, or nullptr where there is none (an error if it is required).
    const toml::node* node(std::string_view key, Need need = Need::optional);
    std::optional<std::string> text(std::string_view key, Need need = Need::optional);
    std::optional<Rational> quantity(std::string_view key, Unit unit, Need need = Need::optional, Sign sign = Sign::positive);
    std::optional<Rational> factor(std::string_view key, Need need = Need::optional);
    std::optional<std::int64_t> whole(std::string_view key, std::int64_t least, std::int64_t most, Need need = Need::optional);
    std::optional<bool> flag(std::string_view key);
    /// A list of strings; a single string counts as a list of one.
    std::vector<std::string> texts(std::string_view key, Need need = Need::optional);
    const toml::table* table(std::string_view key, Need need = Need::optional);
    /// The elements of an array of tables, or the one table that stands there instead.
    std::vector<const toml::table*> tables(std::string_view key);
    /// An id: [a-z][a-z0-9_-]*.
    std::optional<std::string> id(std::string_view key, Need need = Need::required);

    void error(std::string_view key, Text found, Text expected, Text mend = {});
    /// Reports unknown keys, with the nearest key that was asked for.
    void finish();
    /// All keys of the table, known or not, in file order.
    std::vector<std::string> keys() const;
    /// Marks a key as known without reading it.
    void know(std::string_view key) { lookUp(key); }
    const toml::table& raw() const { return table_; }

private:
    const toml::table& table_;
    Reporter& reporter_;
    std::string path_;
    const toml::node* lookUp(std::string_view key);

    struct Entry {
        const toml::key* key = nullptr;
        const toml::node* value = nullptr;
        std::string_view name;
        bool isAskedFor = false;
    };
    // there are very many tables: what is noted of most of them fits the reader itself
    boost::container::small_vector<Entry, 12> entries_; ///< in the table's order; few, so that they are soon looked through
    boost::container::small_vector<char, 240> missing_; ///< what was asked for in vain, a line each
};

/// "a table", "the text 'x'", "the number 5", …
std::string nodeText(const toml::node& node);

/// The quantity in a string node; reports anything else.
std::optional<Rational> readNodeQuantity(const toml::node& node, Reporter& reporter, const KeyPath& path, Unit unit,
                                         Sign sign = Sign::positive);

/// The factor in a node: a whole number or a string such as "2 11/16".
std::optional<Rational> readNodeFactor(const toml::node& node, Reporter& reporter, const KeyPath& path);

/// Whether the text may be an id.
bool isId(std::string_view text);

/// Parses TOML text; a syntax error goes to the reporter and gives nothing.
std::optional<toml::table> parseToml(std::string_view text, Reporter& reporter);

/// Checks `format = "NAME/1"`: another file type or a newer format is an error. False if reading must stop.
bool checkFormat(TableReader& root, const std::string& name);

} // namespace wisetick
