#include "derive/field_values.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

/// Collects the fields of one line or peripheral.
class FieldList {
public:
    FieldList(const std::string& id, const std::map<std::string, Field>& fields, const std::map<std::string, Holds>& holds)
        : id_(id), fields_(fields), holds_(holds) {}

    /// The input that a mux has chosen.
    void addInput(const std::string& id) {
        const auto field = fields_.find("from");
        const auto form = holds_.find("from");
        const auto held = field == fields_.end() || form == holds_.end() ? std::nullopt : heldFor(form->second, id);
        if (held) {
            addPieces("from", field->second, id, holdsText(form->second), *held);
        }
    }

    /// A setting that is a number; `other` gives those of other controls that its field leans on.
    void add(const std::string& control, const Rational& value, const OtherControl& other = {}) {
        const std::string setting = printFactor(value);
        const auto addOne = [&](const std::string& name, const Rational& part) {
            const auto field = fields_.find(name);
            const auto form = holds_.find(name);
            const auto held = field == fields_.end() || form == holds_.end() ? std::nullopt : heldFor(form->second, part, other);
            if (held) {
                addPieces(name, field->second, setting, holdsText(form->second), *held);
            }
        };
        addOne(control, value);
        const Rational whole = value.floor();
        addOne(control + ".whole", whole);
        addOne(control + ".fraction", value - whole);
        addOne(control + ".enable", value == whole ? 0 : 1);
        if (const auto power = powerIn(control, value)) {
            addOne(control + ".mantissa", value / *power);
            addOne(control + ".exponent", *power);
        }
    }

    /// A number that does not fit one field goes into two: the low bits of it here, the high ones into `high`.
    void addSplit(const std::string& control, const Rational& value, const std::string& highId, const Field& high) {
        const auto field = fields_.find(control);
        const auto form = holds_.find(control);
        const auto held = form == holds_.end() ? std::nullopt : heldFor(form->second, value);
        if (field == fields_.end() || !held) {
            return;
        }
        const int width = field->second.width();
        const std::int64_t low = *held & ((std::int64_t{1} << width) - 1);
        const std::string text = printFactor(value);
        values_.push_back({id_ + "." + control, field->second, text, phrase("{}, low bits", holdsText(form->second)), low});
        values_.push_back({highId + "." + control, high, text, phrase("{}, high bits", holdsText(form->second)), *held >> width});
    }

    /// The number piece by piece, high bits first.
    void addPieces(const std::string& control, const Field& field, const std::string& setting, const Text& holdsAs,
                   std::int64_t held) {
        const std::vector<Field> pieces = field.pieces();
        int left = field.width();
        for (std::size_t i = 0; i < pieces.size(); ++i) {
            left -= pieces[i].width();
            const std::int64_t most = (std::int64_t{1} << pieces[i].width()) - 1;
            // a number that is too large for its field stays so: it is told elsewhere
            const std::int64_t part = pieces.size() == 1 ? held : (held >> left) & most;
            const std::string which =
                pieces.size() == 1
                    ? ""
                    : (i == 0 ? phrase(", high bits") : (left == 0 ? phrase(", low bits") : phrase(", middle bits")));
            values_.push_back({id_ + "." + control, pieces[i], setting, holdsAs + which, part});
        }
    }

    void addBitOf(const std::string& id, const Field& field) {
        values_.push_back({id + ".gate", field, "on", phrase("holds 1 for on"), 1});
    }
    void addBit(const std::string& control, const Field& field) {
        values_.push_back({id_ + "." + control, field, "on", phrase("holds 1 for on"), 1});
    }

    std::vector<FieldValue> take() { return std::move(values_); }

private:
    /// Of a value laid out as mantissa and exponent: the least power with which the mantissa is a whole number that fits.
    std::optional<Rational> powerIn(const std::string& control, const Rational& value) const {
        const auto mantissa = fields_.find(control + ".mantissa");
        const auto exponent = fields_.find(control + ".exponent");
        const auto form = holds_.find(control + ".exponent");
        if (mantissa == fields_.end() || exponent == fields_.end() || form == holds_.end()) {
            return std::nullopt;
        }
        Rational power = 1;
        for (Rational each; each <= exponent->second.most(); each += 1, power *= form->second.base) {
            if ((value / power).isWhole() && value / power <= mantissa->second.most()) {
                return power;
            }
        }
        return std::nullopt;
    }

    const std::string& id_;
    const std::map<std::string, Field>& fields_;
    const std::map<std::string, Holds>& holds_;
    std::vector<FieldValue> values_;
};

} // namespace

std::vector<FieldValue> peripheralFields(const Part& part, const Controls& controls, std::size_t index,
                                         const std::vector<Setting>& settings) {
    const Peripheral& peripheral = part.peripherals[index];
    FieldList list(peripheral.id, peripheral.fields, peripheral.holds);
    if (peripheral.gate) {
        list.addBit("gate", *peripheral.gate);
    }
    if (peripheral.clock.size() > 1) {
        list.addInput(part.nodeId(peripheral.clock[controls.peripheralFrom[index]]));
    }
    const std::string chainedWith = peripheral.kind.row()->chainedWith(peripheral.kind);
    const bool isChained = !chainedWith.empty() && std::any_of(settings.begin(), settings.end(),
                                                               [](const Setting& each) { return each.name == "chain"; });
    const auto otherIndex = isChained ? part.findPeripheral(chainedWith) : std::nullopt;
    const Peripheral* other = otherIndex ? &part.peripherals[*otherIndex] : nullptr;
    const OtherControl settingOf = [&](const std::string& name) -> std::optional<Rational> {
        const auto found = std::find_if(settings.begin(), settings.end(), [&](const Setting& each) { return each.name == name; });
        return found == settings.end() ? std::nullopt : std::optional(found->value);
    };
    for (const Setting& setting : settings) {
        if (setting.name == "counts" && other != nullptr && other->fields.contains("counts")) {
            list.addSplit("counts", setting.value, other->id, other->fields.at("counts"));
        } else {
            list.add(setting.name, setting.value, settingOf);
        }
    }
    if (other != nullptr && other->gate) {
        list.addBitOf(other->id, *other->gate);
    }
    return list.take();
}

std::vector<FieldValue> lineFields(const Part& part, const Controls& controls, std::size_t index) {
    const Line& line = part.lines[index];
    const LineControls& set = controls.lines[index];
    FieldList list(line.id, line.fields, line.holds);
    if (line.from.size() > 1) {
        list.addInput(part.nodeId(line.from[set.from]));
    }
    if (!line.multiply.empty()) {
        list.add("multiply", set.multiply);
    }
    if (!line.divide.empty()) {
        list.add("divide", set.divide);
    }
    return list.take();
}

std::optional<FieldValue> rateField(const Part& part, const Controls& controls, std::size_t index) {
    const Source& source = part.sources[index];
    if (!source.rateField || source.rates.size() < 2) {
        return std::nullopt;
    }
    const std::size_t rate = controls.sourceRates[index];
    return FieldValue{source.id + ".rate", *source.rateField, printQuantity(source.rates[rate], Unit::hertz),
                      phrase("holds a code"), source.codes[rate]};
}

std::optional<FieldValue> startField(const Part& part, NodeIndex node, bool isOn) {
    std::optional<Field> field;
    if (part.isSource(node)) {
        field = part.sources[node].field;
    } else if (const auto found = part.lineAt(node).fields.find("on"); found != part.lineAt(node).fields.end()) {
        field = found->second;
    }
    if (!field) {
        return std::nullopt;
    }
    return FieldValue{part.nodeId(node) + ".on", *field, isOn ? "on" : "off", phrase("holds 1 for on"), isOn ? 1 : 0};
}

std::optional<FieldValue> tierField(const Part& part, const Controls& controls) {
    if (!controls.tier || !part.tiers[*controls.tier].field) {
        return std::nullopt;
    }
    const Tier& tier = part.tiers[*controls.tier];
    return FieldValue{"tier", *tier.field, tier.id, phrase("holds a code"), tier.code};
}

std::vector<FieldValue> flagFields(const Part& part, std::size_t peripheral) {
    std::vector<FieldValue> fields;
    for (const std::string& text : part.peripherals[peripheral].flags) {
        if (const auto field = readField(text)) {
            const Register* held = part.findRegister(field->reg);
            const bool isOne = held != nullptr && (held->access == Access::writeOneToClear || held->access == Access::setOnly);
            fields.push_back({part.peripherals[peripheral].id + ".flag", *field, "cleared",
                              isOne ? phrase("1 clears it") : phrase("0 clears it"), isOne ? 1 : 0});
        }
    }
    return fields;
}

} // namespace wisetick
