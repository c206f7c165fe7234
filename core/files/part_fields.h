#pragma once

#include "files/svd.h"
#include "files/toml_reader.h"
#include "part/lint.h"
#include "part/part.h"

#include <set>

namespace wisetick {

/// How the fields of a part are told, and all that were: for the check that none overlap, and against the description of its
/// registers where the part names one.
class FieldBook {
public:
    explicit FieldBook(const RegisterNames* names = nullptr) : names_(names) {}

    /// "CLK.REF[4:0]", or a list of pieces; with a description also "CLK.REF.SOURCE". Reports anything else.
    std::optional<Field> read(const toml::node& node, Reporter& reporter, const KeyPath& path);
    /// A whole number from 0 to `most`; with a description also the name that a code of the field has there.
    std::optional<std::int64_t> readCode(TableReader& reader, const std::string& key, const std::optional<Field>& field,
                                         std::int64_t most) const;
    const RegisterNames* names() const { return names_; }
    /// A register that the part tells itself; it need not be in the description.
    void addOwnRegister(const std::string& name) { own_.insert(name); }
    /// Adds what the description tells of the registers whose fields were read.
    void completeRegisters(Part& part) const;
    /// Fields that stand across those of the description.
    std::vector<Suspicion> suspicions() const;
    /// The field of a control of that table, which stands in the table or in one of it that `inner` names. The node is the
    /// field's text; it must outlive the book.
    void add(const Field& field, const toml::node& node, const std::string& table, const std::string& control,
             const char* inner = "");
    void reportOverlaps(Reporter& reporter) const;
    /// All that were added: the field, the path of its table, the control.
    template <class Take>
    void eachOwned(const Take& take) const {
        for (const Entry& entry : entries_) {
            take(entry.field, entry.table, entry.control);
        }
    }

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
    struct Seen {
        Field field;
        std::string path;
    };
    std::optional<Field> readNamed(const std::string& text, const toml::node& node, Reporter& reporter, const KeyPath& path);
    bool doOverlap() const;

    const RegisterNames* names_;
    std::vector<Entry> entries_;
    std::vector<Seen> seen_; ///< with a description only
    std::set<std::string> own_;
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
