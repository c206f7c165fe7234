#include "files/part_pieces.h"

#include "base/nearest_name.h"
#include "quantity/quantity_print.h"
#include "quantity/quantity_read.h"

#include <fmt/format.h>

#include <algorithm>

namespace wisetick {

namespace {

constexpr std::int64_t kMostPowers = 62;

/// One current, or a list of [temperature, current] with rising temperatures.
std::optional<TemperatureCurve> readCurve(TableReader& reader, const std::string& key, Sign sign) {
    const toml::node* node = reader.node(key);
    if (node == nullptr) {
        return std::nullopt;
    }
    const KeyPath path = reader.at(key);
    TemperatureCurve curve;
    const toml::array* list = node->as_array();
    if (list == nullptr) {
        const auto single = readNodeQuantity(*node, reader.reporter(), path, Unit::ampere, sign);
        if (!single) {
            return std::nullopt;
        }
        curve.points.push_back({0, *single});
        return curve;
    }
    for (const toml::node& element : *list) {
        const toml::array* pair = element.as_array();
        const Place place = reader.reporter().placeOf(element.source(), path);
        if (pair == nullptr || pair->size() != 2) {
            reader.reporter().error(place, nodeText(element), "a pair such as [\"25 C\", \"140 uA\"]");
            return std::nullopt;
        }
        const auto celsius = readNodeQuantity(*pair->get(0), reader.reporter(), path, Unit::celsius, Sign::any);
        const auto ampere = readNodeQuantity(*pair->get(1), reader.reporter(), path, Unit::ampere, sign);
        if (!celsius || !ampere) {
            return std::nullopt;
        }
        if (!curve.points.empty() && *celsius <= curve.points.back().celsius) {
            reader.reporter().error(place, "temperatures that do not rise", "each temperature above the one before");
            return std::nullopt;
        }
        curve.points.push_back({*celsius, *ampere});
    }
    if (curve.points.empty()) {
        reader.error(key, "an empty list", "at least one pair such as [\"25 C\", \"140 uA\"]");
        return std::nullopt;
    }
    return curve;
}

std::vector<Rational> readFactorList(const toml::array& array, TableReader& reader, const std::string& key) {
    std::vector<Rational> values;
    for (const toml::node& element : array) {
        if (const auto value = readNodeFactor(element, reader.reporter(), reader.at(key))) {
            values.push_back(*value);
        }
    }
    if (array.empty()) {
        reader.error(key, "an empty list", "at least one factor");
    }
    return values;
}

FactorSet readPowers(TableReader& range) {
    const auto base = range.whole("powers_of", 2, 1000, Need::required);
    const auto from = range.whole("from", 0, kMostPowers, Need::required);
    const auto to = range.whole("to", 0, kMostPowers, Need::required);
    if (!base || !from || !to) {
        return {};
    }
    std::vector<Rational> values;
    Rational power = 1;
    for (std::int64_t exponent = 0; exponent <= *to; ++exponent) {
        if (exponent >= *from) {
            values.push_back(power);
        }
        power *= *base;
    }
    if (values.empty()) {
        range.error("to", "an empty range", "'to' not below 'from'");
        return {};
    }
    return FactorSet::list(values);
}

FactorSet readRange(TableReader& range) {
    if (range.has("powers_of")) {
        return readPowers(range);
    }
    const auto from = range.factor("from", Need::required);
    const auto to = range.factor("to", Need::required);
    const auto bits = range.whole("fraction_bits", 1, 32);
    auto step = range.factor("step");
    if (!from || !to) {
        return {};
    }
    if (bits) {
        if (step) {
            range.error("step", "both 'step' and 'fraction_bits'", "one of them");
        }
        step = Rational(1, std::int64_t{1} << *bits);
    }
    const Rational by = step.value_or(Rational(1));
    if (*to < *from) {
        range.error("to", "an empty range, " + printFactor(*from) + " to " + printFactor(*to), "'to' not below 'from'");
        return {};
    }
    if (!((*to - *from) / by).isWhole()) {
        range.error("to", "a range that its steps of " + printFactor(by) + " do not end on",
                    "'to' a whole number of steps from 'from'");
        return {};
    }
    return FactorSet::range(*from, *to, by);
}

std::optional<Holds> readHoldsNode(const toml::node& node, TableReader& holds, const std::string& control,
                                   const std::vector<std::string>& inputs) {
    if (const auto text = node.value_exact<std::string>()) {
        const auto form = readHolds(*text);
        if (!form) {
            holds.error(control, nodeText(node), "\"n\", \"n-1\", \"log2 n\", a form such as \"16*n-16\", or a table of codes");
        }
        return form;
    }
    const toml::table* table = node.as_table();
    if (table == nullptr) {
        holds.error(control, nodeText(node), "\"n\", \"n-1\", \"log2 n\", or a table of codes");
        return std::nullopt;
    }
    Holds result;
    result.form = Holds::Form::table;
    TableReader codes(*table, holds.reporter(), holds.pathOf(control));
    for (const std::string& key : codes.keys()) {
        if (control == "from" && std::find(inputs.begin(), inputs.end(), key) == inputs.end()) {
            codes.error(key, "a code for '" + key + "'", listNames(inputs), didYouMean(key, inputs));
        }
        if (const auto code = codes.whole(key, 0, std::int64_t{1} << 48)) {
            const auto factor = control == "from" ? std::nullopt : std::optional(readFactor(key));
            result.codes.emplace_back(factor && *factor ? printFactor(**factor) : key, *code); // "5/2" is 2.5
        }
    }
    if (control == "from") {
        for (const std::string& input : inputs) {
            if (!heldFor(result, input)) {
                holds.error(control, "no code for '" + input + "'", "a code for each of " + listNames(inputs));
            }
        }
    }
    return result;
}

} // namespace

Duration readDuration(TableReader& reader, const std::string& key) {
    const toml::node* node = reader.node(key);
    if (node == nullptr) {
        return {};
    }
    if (const toml::table* table = node->as_table()) {
        TableReader inner(*table, reader.reporter(), reader.pathOf(key));
        Duration duration{inner.quantity("typ", Unit::second, Need::optional, Sign::notNegative),
                          inner.quantity("max", Unit::second, Need::optional, Sign::notNegative)};
        inner.text("ref");
        inner.finish();
        if (duration.typ && duration.max && *duration.max < *duration.typ) {
            inner.error("max", "a longest time below the typical one", "max not below typ");
        }
        return duration;
    }
    const auto both = readNodeQuantity(*node, reader.reporter(), reader.at(key), Unit::second, Sign::notNegative);
    return {both, both};
}

std::optional<Draw> readDraw(TableReader& reader, const std::string& key) {
    const toml::node* node = reader.node(key);
    if (node == nullptr) {
        return std::nullopt;
    }
    Draw draw;
    const toml::table* table = node->as_table();
    if (table == nullptr) {
        const auto single = readNodeQuantity(*node, reader.reporter(), reader.at(key), Unit::ampere, Sign::notNegative);
        if (!single) {
            return std::nullopt;
        }
        draw.typ = TemperatureCurve{{{0, *single}}};
        draw.max = draw.typ;
        draw.perMegahertzTyp = 0;
        draw.perMegahertzMax = 0;
        return draw;
    }
    TableReader inner(*table, reader.reporter(), reader.pathOf(key));
    draw.typ = readCurve(inner, "typ", Sign::notNegative);
    draw.max = readCurve(inner, "max", Sign::notNegative);
    if (const auto base = readCurve(inner, "base", Sign::notNegative)) {
        if (draw.typ || draw.max) {
            inner.error("base", "'base' beside 'typ' or 'max'", "one figure in 'base', or 'typ' and 'max'");
        }
        draw.typ = base;
        draw.max = base;
    }
    if (const toml::table* volts = inner.table("per_volt")) {
        TableReader by(*volts, reader.reporter(), inner.pathOf("per_volt"));
        draw.bySupply = Draw::BySupply{by.quantity("slope", Unit::ampere, Need::required, Sign::any).value_or(Rational(0)),
                                       by.quantity("at", Unit::volt, Need::required).value_or(Rational(1))};
        by.finish();
    }
    if (const toml::node* slope = inner.node("per_mhz")) {
        if (const toml::table* slopes = slope->as_table()) {
            TableReader both(*slopes, reader.reporter(), inner.pathOf("per_mhz"));
            draw.perMegahertzTyp = both.quantity("typ", Unit::ampere, Need::optional, Sign::notNegative);
            draw.perMegahertzMax = both.quantity("max", Unit::ampere, Need::optional, Sign::notNegative);
            both.finish();
        } else {
            draw.perMegahertzTyp =
                readNodeQuantity(*slope, reader.reporter(), inner.at("per_mhz"), Unit::ampere, Sign::notNegative);
            draw.perMegahertzMax = draw.perMegahertzTyp;
        }
        if (!draw.typ && !draw.max) { // a slope alone says all
            draw.typ = TemperatureCurve{{{0, 0}}};
            draw.max = draw.typ;
        }
    } else {
        draw.perMegahertzTyp = 0;
        draw.perMegahertzMax = 0;
    }
    draw.ref = inner.text("ref").value_or("");
    inner.finish();
    return draw;
}

FactorSet readFactorSet(TableReader& reader, const std::string& key, Need need) {
    const toml::node* node = reader.node(key, need);
    if (node == nullptr) {
        return {};
    }
    if (const toml::array* array = node->as_array()) {
        const std::vector<Rational> values = readFactorList(*array, reader, key);
        return values.empty() ? FactorSet() : FactorSet::list(values);
    }
    if (const toml::table* table = node->as_table()) {
        TableReader range(*table, reader.reporter(), reader.pathOf(key));
        FactorSet set = readRange(range);
        range.finish();
        return set;
    }
    const auto single = readNodeFactor(*node, reader.reporter(), reader.at(key));
    return single ? FactorSet::one(*single) : FactorSet();
}

FactorSet readWholeSet(TableReader& reader, const std::string& key, Need need) {
    const FactorSet set = readFactorSet(reader, key, need);
    const bool isBad = !set.empty() && (!set.least().isWhole() || (set.isRange() && !set.step().isWhole()) ||
                                        set.most() > Rational(std::int64_t{1} << 48));
    if (isBad || (!set.isRange() && !set.empty() && set.size() > 4096)) {
        reader.error(key, "values that are not whole or beyond 2^48", "whole numbers");
        return {};
    }
    for (std::int64_t i = 0; !set.isRange() && i < *set.size().toInt64(); ++i) {
        if (!set.empty() && !set.at(i).isWhole()) {
            reader.error(key, printFactor(set.at(i)), "whole numbers");
            return {};
        }
    }
    return set;
}

FactorSet readPrescaler(TableReader& reader) {
    return reader.has("prescaler") ? readWholeSet(reader, "prescaler") : FactorSet::one(1);
}

std::optional<Field> readFieldText(const toml::node& node, Reporter& reporter, const KeyPath& path) {
    const auto* text = node.as_string();
    if (auto field = text != nullptr ? readField(text->get()) : std::nullopt) {
        return field;
    }
    reporter.error(reporter.placeOf(node.source(), path), nodeText(node),
                   "a field such as \"CLK.REF[4:0]\" or \"CLK.PLLIN[16]\", bits 63 to 0");
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
                reporter.error(
                    reporter.placeOf(late.node->source(), late.path()),
                    "the field " + fieldText(late.field) + " of " + late.owner() + " overlaps " + fieldText(early.field) +
                        " of " + early.owner(),
                    fmt::format("fields that do not share bits (the other stands in line {})", early.node->source().begin.line));
            }
        }
    }
}

void readFields(TableReader& reader, const std::vector<std::string>& controls, const std::vector<std::string>& inputs,
                std::map<std::string, Field>& fields, std::map<std::string, Holds>& holds, FieldBook& book) {
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
            if (const auto field = readFieldText(*node, reader.reporter(), inner.at(control))) {
                fields.emplace(control, *field);
                book.add(*field, *node, reader.path(), control, "fields");
            }
        }
        inner.finish();
    }
    if (holdsTable != nullptr) {
        TableReader inner(*holdsTable, reader.reporter(), reader.pathOf("holds"));
        for (const std::string& control : controls) {
            const toml::node* node = inner.node(control);
            const auto form = node == nullptr ? std::nullopt : readHoldsNode(*node, inner, control, inputs);
            if (form) {
                holds[control] = *form;
            }
        }
        inner.finish();
    }
    for (const std::string_view name : named) {
        const std::string control(name);
        if (control == "on") {
            holds.try_emplace(control, Holds{});
        } else if (!holds.contains(control) && (holdsTable == nullptr || !holdsTable->contains(control))) {
            reader.error("fields", "no word of what the field of '" + control + "' holds",
                         "holds." + control + ", such as \"n\", \"n-1\" or a table of codes");
        }
    }
}

void checkCodes(TableReader& reader, const std::string& control, const std::vector<std::string>& values,
                const std::map<std::string, Holds>& holds) {
    const auto found = holds.find(control);
    if (found == holds.end() || found->second.form != Holds::Form::table) {
        return;
    }
    const auto& codes = found->second.codes;
    for (const std::string& value : values) {
        if (!heldFor(found->second, value)) {
            reader.error("holds", control + " can be " + value + ", and has no code for it", "a code for each value");
        }
    }
    for (std::size_t i = 0; i < codes.size(); ++i) {
        if (std::find(values.begin(), values.end(), codes[i].first) == values.end()) {
            reader.error("holds", "a code for " + control + " = " + codes[i].first + ", which it can't be", listNames(values));
        }
        for (std::size_t j = 0; j < i; ++j) {
            if (codes[j].second == codes[i].second) {
                reader.error("holds",
                             "the code " + std::to_string(codes[i].second) + " for " + control + " = " + codes[j].first +
                                 " and " + codes[i].first,
                             "codes that differ");
            }
        }
    }
}

void checkCodes(TableReader& reader, const std::string& control, const FactorSet& set,
                const std::map<std::string, Holds>& holds) {
    constexpr std::int64_t kMostLooked = 4096;
    const auto found = holds.find(control);
    const auto size = set.empty() ? std::nullopt : set.size().toInt64();
    if (found == holds.end() || !size || *size > kMostLooked) {
        return;
    }
    std::vector<std::string> values;
    for (std::int64_t i = 0; i < *size; ++i) {
        if (found->second.form != Holds::Form::table && !heldFor(found->second, set.at(i))) {
            reader.error("holds", control + " can be " + printFactor(set.at(i)) + ", and has no code for it",
                         "a code for each value");
            return;
        }
        values.push_back(printFactor(set.at(i)));
    }
    checkCodes(reader, control, values, holds);
}

} // namespace wisetick
