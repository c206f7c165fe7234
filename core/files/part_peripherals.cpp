#include "files/part_peripherals.h"

#include "base/text.h"
#include "files/part_draws.h"
#include "files/part_pins.h"

#include "base/nearest_name.h"

#include <algorithm>

namespace wisetick {

namespace {

/// Reads one peripheral by its kind.
class PeripheralReader {
public:
    explicit PeripheralReader(PartContext& context) : context_(context) {}

    void readPeripheral(TableReader& reader, Peripheral& peripheral) {
        peripheral.name = reader.text("name").value_or(peripheral.id);
        peripheral.ref = reader.text("ref").value_or("");
        peripheral.clock = readInputs(context_, reader, "clock");
        if (const toml::table* reset = reader.table("reset")) {
            TableReader inner(*reset, context_.reporter, reader.pathOf("reset"));
            peripheral.resetFrom = readResetFrom(context_, inner, peripheral.clock);
            inner.finish();
        }
        std::vector<std::string> controls = readKind(reader, peripheral);
        if (peripheral.clock.size() > 1) {
            controls.emplace_back("from");
        }
        readFields(reader, controls, namesOf(context_, peripheral.clock), peripheral.fields, peripheral.holds, context_.book);
        checkCodes(reader, "from", namesOf(context_, peripheral.clock), peripheral.holds);
        if (const KindRow* row = peripheral.kind.row()) {
            row->widths(peripheral.kind, [&](const std::string& control, const FactorSet& set) {
                checkCodes(reader, control, set, peripheral.holds);
            });
        }
        peripheral.gate = readOneField(context_, reader, "gate", FieldUse::own);
        peripheral.interrupts = reader.texts("interrupts");
        controls.insert(controls.end(), {"gate", "interrupts"});
        readBringUp(reader, controls, peripheral);
        readPins(context_, reader, peripheral.pins, peripheral.signalPins);
        peripheral.syncs = reader.factor("syncs").value_or(Rational(0));
        peripheral.flags = reader.texts("flags");
        if (const toml::table* wakes = reader.table("wakes_from")) {
            TableReader inner(*wakes, context_.reporter, reader.pathOf("wakes_from"));
            for (const std::string& mode : inner.keys()) {
                if (!context_.part.findMode(mode)) {
                    inner.error(mode, phrase("no mode '{}'", mode), listNames(idsOf(context_.part.modes)),
                                didYouMean(mode, idsOf(context_.part.modes)));
                }
                peripheral.wakesFrom[mode] = inner.text(mode).value_or("");
            }
        }
        peripheral.draws = readDraw(context_, reader, "draws");
    }

private:
    /// Reads what the kind needs; returns the names of its controls.
    std::vector<std::string> readKind(TableReader& reader, Peripheral& peripheral) {
        const auto kind = reader.text("kind", Need::required);
        if (!kind) {
            return {};
        }
        const KindRow* row = findKindRow(*kind);
        if (row == nullptr) {
            std::vector<std::string> known;
            for (const KindRow* each : kindRows()) {
                known.push_back(each->name);
            }
            reader.error("kind", phrase("no kind of peripheral '{}'", *kind), listNames(known), didYouMean(*kind, known));
            for (const std::string& key : reader.keys()) { // what the kind would need can't be told
                reader.know(key);
            }
            return {};
        }
        return row->read(context_, reader, peripheral);
    }

    /// Names of controls, and steps in words with a field of their own.
    void readBringUp(TableReader& reader, const std::vector<std::string>& controls, Peripheral& peripheral) {
        const toml::node* node = reader.node("bring_up");
        const toml::array* steps = node == nullptr ? nullptr : node->as_array();
        if (node != nullptr && steps == nullptr) {
            reader.error("bring_up", phrase("bring_up that is no list"),
                         phrase("a list of controls and of {{ say = … }} tables"));
            return;
        }
        for (std::size_t i = 0; steps != nullptr && i < steps->size(); ++i) {
            BringUpStep step;
            if (const auto name = (*steps)[i].value<std::string>()) {
                step.control = *name;
            } else if (const toml::table* table = (*steps)[i].as_table()) {
                TableReader inner(*table, context_.reporter, reader.pathOf("bring_up"));
                step.control = inner.text("control").value_or("");
                step.say = inner.text("say", step.control.empty() ? Need::required : Need::optional).value_or("");
                step.channel = inner.whole("channel", 0, 64).value_or(0);
                step.field = readOneField(context_, inner, "field", FieldUse::shared);
                step.code = context_.book.readCode(inner, "code", step.field, std::int64_t{1} << 32).value_or(1);
                step.isForgotten = inner.flag("forgotten").value_or(false);
                step.verbs = inner.texts("verbs");
                const bool isIfThere = inner.flag("if_there").value_or(false);
                inner.finish();
                const KindRow* row = peripheral.kind.row();
                const auto channels = row == nullptr ? 0 : static_cast<std::int64_t>(row->channels(peripheral.kind).size());
                const bool isThere = (step.control.empty() || peripheral.fields.contains(step.control) ||
                                      peripheral.fields.contains(step.control + ".mantissa") ||
                                      peripheral.fields.contains(step.control + ".whole")) &&
                                     step.channel <= channels;
                if (isIfThere && !isThere) {
                    continue;
                }
                if (step.field && step.code > step.field->most()) {
                    inner.error("code", phrase("code {}", std::to_string(step.code)),
                                phrase("at most {}", step.field->most().toString()));
                }
            } else {
                reader.error("bring_up", phrase("a step that is neither text nor table"),
                             phrase("a control such as 'gate', or {{ say = … }}"));
            }
            if (!step.control.empty() && std::find(controls.begin(), controls.end(), step.control) == controls.end()) {
                reader.error("bring_up", phrase("no control '{}'", step.control), listNames(controls),
                             didYouMean(step.control, controls));
            }
            peripheral.bringUp.push_back(std::move(step));
        }
    }

    PartContext& context_;
};

} // namespace

void readPeripheral(PartContext& context, TableReader& reader, Peripheral& peripheral) {
    PeripheralReader(context).readPeripheral(reader, peripheral);
}

} // namespace wisetick
