#pragma once

#include "files/toml_reader.h"
#include "part/part.h"

#include <functional>

namespace wisetick {

/// Readers for what recurs in a part file: durations, draws, factor sets, fields. All report their faults and
/// return what could be read.

/// "12 us", or { typ = "…", max = "…" }.
Duration readDuration(TableReader& reader, const std::string& key);

/// 3, "2.5", [1, 2, 4], { from, to, step }, { powers_of, from, to }, or { mantissa, times_powers_of, exponent }. Empty where the
/// key is absent or faulty. Whether a set may have 0 in it: a delay of no cycles.
enum class Zero { refused, allowed };
FactorSet readFactorSet(TableReader& reader, const std::string& key, Need need = Need::optional, Zero zero = Zero::refused);

/// The same of whole numbers up to 2^48.
FactorSet readWholeSet(TableReader& reader, const std::string& key, Need need = Need::optional, Zero zero = Zero::refused);

/// The prescaler of a counter; one where the part has none.
FactorSet readPrescaler(TableReader& reader);

/// "CLK.REF[4:0]".
std::optional<Field> readFieldText(const toml::node& node, Reporter& reporter, const KeyPath& path);

/// All fields of the part, for the check that none overlap.
class FieldBook {
public:
    /// The field of a control of that table, which stands in the table or in one of it that `inner` names. The node is the
    /// field's text; it must outlive the book.
    void add(const Field& field, const toml::node& node, const std::string& table, const std::string& control,
             const char* inner = "");
    void reportOverlaps(Reporter& reporter) const;

private:
    struct Entry {
        Field field;
        const toml::node* node;
        std::string table;
        std::string control;
        const char* inner;

        std::string owner() const { return table + " " + control; }
        std::string path() const { return table + "." + inner + (*inner == '\0' ? "" : ".") + control; }
    };
    bool doOverlap() const;

    std::vector<Entry> entries_;
};

/// The `fields` and `holds` tables of a line or peripheral for the named controls. `inputs` are the ids that its
/// mux chooses from.
void readFields(TableReader& reader, const std::vector<std::string>& controls, const std::vector<std::string>& inputs,
                std::map<std::string, Field>& fields, std::map<std::string, Holds>& holds, FieldBook& book);

/// Reports what the code of a control lacks: each value that it can be set to has one, none stands for a value that it can't, and
/// no two are the same. `values` are its values as a table names them.
void checkCodes(TableReader& reader, const std::string& control, const std::vector<std::string>& values,
                std::map<std::string, Holds>& holds);

/// The same for the factors of a set; of more than 4096 nothing is looked at. Codes in order, and forms that name the ends of the
/// set, are worked out here.
void checkCodes(TableReader& reader, const std::string& control, const FactorSet& set, std::map<std::string, Holds>& holds);

} // namespace wisetick
