#pragma once

#include "base/diagnostic.h"
#include "quantity/quantity_read.h"

#include <toml++/toml.h>

#include <map>
#include <optional>
#include <string>
#include <vector>

namespace wisetick {

/// Collects the diagnostics of one file and remembers where each key of it stands.
class Reporter {
public:
    explicit Reporter(std::string file) : file_(std::move(file)) {}

    Place placeOf(const toml::source_region& region, const std::string& path) const;
    void error(const Place& place, std::string found, std::string expected, std::string mend = {});
    /// An error inside a string value, at the byte that the text error points to.
    void errorInText(const toml::node& node, const std::string& path, const TextError& error);
    void remember(const std::string& path, const Place& place) { places_.emplace(path, place); }

    const Diagnostics& diagnostics() const { return diagnostics_; }
    const std::map<std::string, Place>& places() const { return places_; }

private:
    std::string file_;
    Diagnostics diagnostics_;
    std::map<std::string, Place> places_;
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
    Place place(const std::string& key) const;
    std::string pathOf(const std::string& key) const { return path_.empty() ? key : path_ + "." + key; }

    bool has(const std::string& key) const { return table_.contains(key); }
    /// The node, or nullptr where there is none (an error if it is required).
    const toml::node* node(const std::string& key, Need need = Need::optional);
    std::optional<std::string> text(const std::string& key, Need need = Need::optional);
    std::optional<Rational> quantity(const std::string& key, Unit unit, Need need = Need::optional, Sign sign = Sign::positive);
    std::optional<Rational> factor(const std::string& key, Need need = Need::optional);
    std::optional<std::int64_t> whole(const std::string& key, std::int64_t least, std::int64_t most, Need need = Need::optional);
    std::optional<bool> flag(const std::string& key);
    /// A list of strings; a single string counts as a list of one.
    std::vector<std::string> texts(const std::string& key, Need need = Need::optional);
    const toml::table* table(const std::string& key, Need need = Need::optional);
    /// The elements of an array of tables, or the one table that stands there instead.
    std::vector<const toml::table*> tables(const std::string& key);
    /// An id: [a-z][a-z0-9_-]*.
    std::optional<std::string> id(const std::string& key, Need need = Need::required);

    void error(const std::string& key, std::string found, std::string expected, std::string mend = {});
    /// Reports unknown keys, with the nearest key that was asked for.
    void finish();
    /// All keys of the table, known or not, in file order.
    std::vector<std::string> keys() const;
    /// Marks a key as known without reading it.
    void know(const std::string& key) { known_.push_back(key); }
    const toml::table& raw() const { return table_; }

private:
    const toml::table& table_;
    Reporter& reporter_;
    std::string path_;
    std::vector<std::string> known_;
};

/// "a table", "the text 'x'", "the number 5", …
std::string nodeText(const toml::node& node);

/// The quantity in a string node; reports anything else.
std::optional<Rational> readNodeQuantity(const toml::node& node, Reporter& reporter, const std::string& path, Unit unit,
                                         Sign sign = Sign::positive);

/// The factor in a node: a whole number or a string such as "2 11/16".
std::optional<Rational> readNodeFactor(const toml::node& node, Reporter& reporter, const std::string& path);

/// Whether the text may be an id.
bool isId(std::string_view text);

/// Parses TOML text; a syntax error goes to the reporter and gives nothing.
std::optional<toml::table> parseToml(std::string_view text, const std::string& file, Reporter& reporter);

/// Checks `format = "NAME/1"`: another file type or a newer format is an error. False if reading must stop.
bool checkFormat(TableReader& root, const std::string& name);

} // namespace wisetick
