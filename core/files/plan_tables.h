#pragma once

#include "plan/plan.h"

#include <string>
#include <vector>

namespace wisetick {

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

/// The plan taken apart into the tables and values of its canonical file, in order; the top comes first.
std::vector<FlatSection> planTables(const Plan& plan);

/// The literal of all entries below a key: the value itself, or an inline table. Empty where there is none.
std::string literalBelow(const std::vector<FlatEntry>& entries, const std::string& key);

/// A key as it is written: bare, or in quotes.
std::string keyLiteral(const std::string& key);

/// "supply" of "supply.min".
std::string firstKey(const std::string& key);

/// The table as text: header and one line a key.
std::string sectionText(const FlatSection& section);

} // namespace wisetick
