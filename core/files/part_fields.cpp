#include "files/part_fields.h"

#include "base/nearest_name.h"
#include "base/text.h"
#include "quantity/quantity_print.h"
#include "quantity/quantity_read.h"

#include <fmt/format.h>

#include <algorithm>

namespace wisetick {

namespace {

std::optional<Holds> readHoldsNode(const toml::node& node, TableReader& holds, const std::string& control,
                                   const std::vector<std::string>& inputs, const FieldBook& book,
                                   const std::optional<Field>& field) {
    if (const auto text = node.value_exact<std::string>()) {
        const auto form = readHolds(*text);
        if (!form) {
            holds.error(control, nodeText(node),
                        phrase("\"n\", \"n-1\", \"log2 n\", a form such as \"16*n-16\", or a table of codes"));
        }
        return form;
    }
    const toml::table* table = node.as_table();
    if (table == nullptr) {
        holds.error(control, nodeText(node), phrase("\"n\", \"n-1\", \"log2 n\", or a table of codes"));
        return std::nullopt;
    }
    Holds result;
    result.form = Holds::Form::table;
    TableReader codes(*table, holds.reporter(), holds.pathOf(control));
    for (const std::string& key : codes.keys()) {
        if (control == "from" && std::find(inputs.begin(), inputs.end(), key) == inputs.end()) {
            codes.error(key, phrase("a code for '{}'", key), listNames(inputs), didYouMean(key, inputs));
        }
        if (const auto code = book.readCode(codes, key, field, std::int64_t{1} << 48)) {
            const auto factor = control == "from" ? std::nullopt : std::optional(readFactor(key));
            result.codes.emplace_back(factor && *factor ? printFactor(**factor) : key, *code); // "5/2" is 2.5
        }
    }
    if (control == "from") {
        for (const std::string& input : inputs) {
            if (!heldFor(result, input)) {
                holds.error(control, phrase("no code for '{}'", input), phrase("a code for each of {}", listNames(inputs)));
            }
        }
    }
    return result;
}

} // namespace

std::optional<Field> FieldBook::readNamed(const std::string& text, const toml::node& node, Reporter& reporter,
                                          const KeyPath& path) {
    auto field = readField(text);
    if (names_ == nullptr) {
        return field;
    }
    if (!field && text.find('.') != std::string::npos && text.find('[') == std::string::npos) {
        field = findField(*names_, text);
        if (!field) {
            reporter.error(reporter.placeOf(node, path), phrase("no field '{}' in {}", text, names_->file),
                           phrase("a field that it names, or its bits, such as \"CLK.REF[4:0]\""),
                           didYouMean(text, fieldsNear(*names_, text)));
        }
    } else if (field) {
        const DescribedRegister* known = names_->find(field->reg);
        if (known == nullptr && !own_.contains(field->reg)) {
            reporter.error(reporter.placeOf(node, path), phrase("no register '{}' in {}", field->reg, names_->file),
                           phrase("a register that it names, or a [[register]] of that name"),
                           didYouMean(field->reg, names_->names()));
        } else if (known != nullptr && field->msb >= known->facts.width) {
            reporter.error(reporter.placeOf(node, path),
                           phrase("{}, and the register has {} bits", text, std::to_string(known->facts.width)),
                           phrase("bits that it has"));
        }
    }
    if (field) {
        seen_.push_back({*field, path.text()});
    }
    return field;
}

std::optional<Field> FieldBook::read(const toml::node& node, Reporter& reporter, const KeyPath& path) {
    const auto* text = node.as_string();
    const std::size_t before = reporter.diagnostics().size();
    if (auto field = text != nullptr ? readNamed(text->get(), node, reporter, path) : std::nullopt) {
        return field;
    }
    if (reporter.diagnostics().size() > before) {
        return std::nullopt;
    }
    if (const toml::array* pieces = node.as_array(); pieces != nullptr && pieces->size() > 1) { // the high bits first
        std::optional<Field> whole;
        for (const toml::node& each : *pieces) {
            const auto piece = each.is_string() ? read(each, reporter, path) : std::nullopt;
            if (!piece) {
                return std::nullopt; // it was said
            }
            if (whole) {
                whole->lower.push_back(*piece);
            } else {
                whole = piece;
            }
        }
        if (whole->width() <= 63) {
            return whole;
        }
    }
    reporter.error(
        reporter.placeOf(node, path), nodeText(node),
        phrase("a field such as \"CLK.REF[4:0]\" or \"CLK.PLLIN[16]\", bits 63 to 0, or a list of pieces, the high bits first"));
    return std::nullopt;
}

/// Whether any two do: soon told, as seldom they do.
bool FieldBook::doOverlap() const {
    std::vector<const Entry*> order;
    order.reserve(entries_.size());
    for (const Entry& entry : entries_) {
        order.push_back(&entry);
    }
    const auto isBelow = [](const Entry* a, const Entry* b) {
        const int byRegister = a->field.reg.compare(b->field.reg);
        return byRegister != 0 ? byRegister < 0 : a->field.lsb < b->field.lsb;
    };
    std::sort(order.begin(), order.end(), isBelow);
    return std::adjacent_find(order.begin(), order.end(), [](const Entry* a, const Entry* b) {
               return a->field.reg == b->field.reg && b->field.lsb <= a->field.msb;
           }) != order.end();
}

void FieldBook::reportOverlaps(Reporter& reporter) const {
    if (!doOverlap()) {
        return;
    }
    for (const Entry& late : entries_) {
        for (const Entry& early : entries_) {
            if (&early == &late) {
                break;
            }
            if (early.field.reg == late.field.reg && late.field.lsb <= early.field.msb && early.field.lsb <= late.field.msb) {
                reporter.error(reporter.placeOf(*late.node, late.path()),
                               phrase("the field {} of {} overlaps {} of {}", fieldText(late.field), late.owner(),
                                      fieldText(early.field), early.owner()),
                               phrase("fields that do not share bits (the other stands in line {})",
                                      reporter.placeOf(*early.node, early.path()).line));
            }
        }
    }
}

std::optional<std::int64_t> FieldBook::readCode(TableReader& reader, const std::string& key, const std::optional<Field>& field,
                                                std::int64_t most) const {
    const bool isText = reader.has(key) && reader.raw()[key].is_string();
    if (!isText || names_ == nullptr || !field) {
        return reader.whole(key, 0, most);
    }
    const std::string name = reader.text(key).value_or("");
    const auto code = findCode(*names_, *field, name);
    if (!code) {
        const std::vector<std::string> known = codeNames(*names_, *field);
        reader.error(key, phrase("no code '{}' of {} in {}", name, fieldText(*field), names_->file),
                     known.empty() ? phrase("a whole number: its codes have no names there") : listNames(known),
                     didYouMean(name, known));
    }
    return code;
}

void FieldBook::completeRegisters(Part& part) const {
    for (const Seen& each : names_ == nullptr ? std::vector<Seen>() : seen_) {
        for (const Field& piece : each.field.pieces()) {
            const DescribedRegister* known = names_->find(piece.reg);
            if (known != nullptr && part.findRegister(piece.reg) == nullptr) {
                part.registers.push_back(known->facts);
            }
        }
    }
}

std::vector<Suspicion> FieldBook::suspicions() const {
    std::vector<Suspicion> list;
    for (const Seen& each : names_ == nullptr ? std::vector<Seen>() : seen_) {
        const DescribedRegister* known = names_->find(each.field.reg);
        if (known == nullptr || known->fields.empty()) {
            continue;
        }
        Text cut;
        bool isNamed = false;
        for (const DescribedField& field : known->fields) {
            const bool doMeet = field.lsb <= each.field.msb && each.field.lsb <= field.msb;
            const bool isWhole = each.field.lsb <= field.lsb && field.msb <= each.field.msb;
            isNamed = isNamed || doMeet;
            cut = doMeet && !isWhole ? fieldText({field.name, field.msb, field.lsb}) : cut;
        }
        if (!isNamed || !cut.empty()) {
            const std::string path = each.path.substr(0, each.path.find('.', each.path.find('.') + 1));
            list.push_back({phrase("other bits"), path,
                            fieldText(each.field) + (cut.empty() ? phrase(" is no field of {}", names_->file)
                                                                 : phrase(" cuts {} of {}", cut, names_->file)),
                            phrase("the bits that both tell")});
        }
    }
    return list;
}

void FieldBook::add(const Field& field, const toml::node& node, const std::string& table, const std::string& control,
                    const char* inner) {
    const toml::array* texts = node.as_array();
    const std::vector<Field> pieces = field.pieces();
    for (std::size_t i = 0; i < pieces.size(); ++i) {
        const toml::node* text = texts != nullptr && i < texts->size() ? texts->get(i) : &node;
        entries_.push_back({pieces[i], text, table, control, inner});
    }
}

namespace {

/// The fields of one control and what they hold. A table lays the value out over several: its whole part, its fraction, …
class ControlFields {
public:
    ControlFields(std::map<std::string, Field>& fields, std::map<std::string, Holds>& holds, FieldBook& book)
        : fields_(fields), holds_(holds), book_(book) {}

    void readField(TableReader& inner, const std::string& table, const std::string& control, const toml::node& node) {
        const toml::table* parts = node.as_table();
        if (parts == nullptr) {
            addField(table, control, node, inner);
            return;
        }
        TableReader each(*parts, inner.reporter(), inner.pathOf(control));
        for (const ValuePart part : kValueParts) {
            if (const toml::node* text = each.node(valuePartName(part))) {
                const std::string name = control + "." + valuePartName(part);
                addField(table, name, *text, inner);
                if (part != ValuePart::whole && fields_.contains(name)) { // of a fraction all its bits, else the number itself
                    Holds form;
                    form.slope = part == ValuePart::fraction ? fields_[name].most() + 1 : Rational(1);
                    form.form = part == ValuePart::exponent ? Holds::Form::logarithm : Holds::Form::linear;
                    holds_.emplace(name, form);
                }
            }
        }
        each.finish();
    }

    void readHolds(TableReader& inner, const std::string& control, const toml::node& node,
                   const std::vector<std::string>& inputs) {
        const toml::table* parts = node.as_table();
        const bool isLaidOut = std::any_of(std::begin(kValueParts), std::end(kValueParts),
                                           [&](ValuePart part) { return fields_.contains(control + "." + valuePartName(part)); });
        if (parts == nullptr || !isLaidOut) {
            const std::string name = isLaidOut ? control + ".whole" : control;
            if (const auto form = readHoldsNode(node, inner, control, inputs, book_, fieldOf(name))) {
                holds_[name] = *form;
            }
            return;
        }
        TableReader each(*parts, inner.reporter(), inner.pathOf(control));
        for (const ValuePart part : kValueParts) {
            const toml::node* text = each.node(valuePartName(part));
            const auto form = text == nullptr ? std::nullopt
                                              : readHoldsNode(*text, each, valuePartName(part), inputs, book_,
                                                              fieldOf(control + "." + valuePartName(part)));
            if (form) {
                holds_[control + "." + valuePartName(part)] = *form;
            }
        }
        each.finish();
    }

private:
    std::optional<Field> fieldOf(const std::string& name) const {
        const auto found = fields_.find(name);
        return found == fields_.end() ? std::nullopt : std::optional(found->second);
    }

    void addField(const std::string& table, const std::string& name, const toml::node& node, TableReader& inner) {
        if (const auto field = book_.read(node, inner.reporter(), inner.at(name))) {
            fields_.emplace(name, *field);
            book_.add(*field, node, table, name, "fields");
        }
    }

    std::map<std::string, Field>& fields_;
    std::map<std::string, Holds>& holds_;
    FieldBook& book_;
};

} // namespace

void readFields(TableReader& reader, const std::vector<std::string>& controls, const std::vector<std::string>& inputs,
                std::map<std::string, Field>& fields, std::map<std::string, Holds>& holds, FieldBook& book) {
    ControlFields each(fields, holds, book);
    const toml::table* fieldTable = reader.table("fields");
    const toml::table* holdsTable = reader.table("holds");
    std::vector<std::string_view> named;
    named.reserve(controls.size());
    if (fieldTable != nullptr) {
        TableReader inner(*fieldTable, reader.reporter(), reader.pathOf("fields"));
        for (const std::string& control : controls) {
            const toml::node* node = inner.node(control);
            if (node == nullptr) {
                continue;
            }
            named.emplace_back(control);
            each.readField(inner, reader.path(), control, *node);
        }
        inner.finish();
    }
    if (holdsTable != nullptr) {
        TableReader inner(*holdsTable, reader.reporter(), reader.pathOf("holds"));
        for (const std::string& control : controls) {
            const toml::node* node = inner.node(control);
            if (node != nullptr) {
                each.readHolds(inner, control, *node, inputs);
            }
        }
        inner.finish();
    }
    for (const std::string_view name : named) {
        const std::string control(name);
        if (control == "on") {
            holds.try_emplace(control, Holds{});
        } else if (!holds.contains(control) && !holds.contains(control + ".whole") && !holds.contains(control + ".mantissa") &&
                   (holdsTable == nullptr || !holdsTable->contains(control))) {
            reader.error("fields", phrase("no word of what the field of '{}' holds", control),
                         phrase("holds.{}, such as \"n\", \"n-1\" or a table of codes", control));
        }
    }
}

void checkCodes(TableReader& reader, const std::string& control, const std::vector<std::string>& values,
                std::map<std::string, Holds>& holds) {
    const auto found = holds.find(control);
    if (found != holds.end() && found->second.form == Holds::Form::inOrder) {
        found->second.form = Holds::Form::table;
        for (const std::string& value : values) {
            found->second.codes.emplace_back(value, static_cast<std::int64_t>(found->second.codes.size()));
        }
    }
    if (found == holds.end() || found->second.form != Holds::Form::table) {
        return;
    }
    const auto& codes = found->second.codes;
    for (const std::string& value : values) {
        if (!heldFor(found->second, value)) {
            reader.error("holds", phrase("{} can be {}, and has no code for it", control, value),
                         phrase("a code for each value"));
        }
    }
    for (std::size_t i = 0; i < codes.size(); ++i) {
        if (std::find(values.begin(), values.end(), codes[i].first) == values.end()) {
            reader.error("holds", phrase("a code for {} = {}, which it can't be", control, codes[i].first), listNames(values));
        }
        for (std::size_t j = 0; j < i; ++j) {
            if (codes[j].second == codes[i].second) {
                reader.error("holds",
                             phrase("the code {} for {} = {} and {}", std::to_string(codes[i].second), control, codes[j].first,
                                    codes[i].first),
                             phrase("codes that differ"));
            }
        }
    }
}

void checkCodes(TableReader& reader, const std::string& control, const FactorSet& set, std::map<std::string, Holds>& holds) {
    constexpr std::int64_t kMostLooked = 4096;
    const auto found = holds.find(control);
    const auto size = set.empty() ? std::nullopt : set.size().toInt64();
    if (found == holds.end() || !size) {
        return;
    }
    Holds& form = found->second;
    const auto end = [&](const char* name, const Rational& value) { // the ends of the set are numbers now
        for (const auto& [other, times] : form.others) {
            form.offset += other == name ? value * times : Rational(0);
        }
        std::erase_if(form.others, [&](const auto& each) { return each.first == name; });
    };
    end("least", set.least());
    end("most", set.most());
    if (form.form == Holds::Form::inOrder && *size > kMostLooked) {
        reader.error("holds", phrase("codes in order of {} settings", set.size().toString()), phrase("a form such as \"n-1\""));
        form.form = Holds::Form::linear;
    }
    if (*size > kMostLooked || (!form.others.empty() && form.form != Holds::Form::table)) {
        return;
    }
    const bool isNamed = form.form == Holds::Form::table || form.form == Holds::Form::inOrder;
    std::vector<std::string> values;
    for (std::int64_t i = 0; i < *size; ++i) {
        const bool isBetween = form.form == Holds::Form::linear && set.isRange() && i > 1 && i + 1 < *size; // as its neighbours
        if (isNamed) {
            values.push_back(printFactor(set.at(i)));
        } else if (!isBetween && !heldFor(form, set.at(i))) {
            reader.error("holds", phrase("{} can be {}, and has no code for it", control, printFactor(set.at(i))),
                         phrase("a code for each value"));
            return;
        }
    }
    if (isNamed) {
        checkCodes(reader, control, values, holds);
    }
}

} // namespace wisetick
