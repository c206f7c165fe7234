#include "part/register_names.h"

#include <initializer_list>

namespace wisetick {

namespace {

class NameGatherer {
public:
    void add(const Field& field) {
        for (const Field& piece : field.pieces()) {
            names_.insert(piece.reg);
        }
    }
    void add(const std::optional<Field>& field) {
        if (field) {
            add(*field);
        }
    }
    void add(const std::map<std::string, Field>& fields) {
        for (const auto& [control, field] : fields) {
            add(field);
        }
    }
    void add(const std::vector<RegisterWrite>& writes) {
        for (const RegisterWrite& write : writes) {
            if (write.wait.empty()) {
                add(write.field);
            }
        }
    }
    void add(const std::vector<Signal>& signals) {
        for (const Signal& each : signals) {
            add(each.field);
        }
    }
    void addName(const std::string& name) { names_.insert(name); }
    std::set<std::string> take() { return std::move(names_); }

private:
    std::set<std::string> names_;
};

void addSource(NameGatherer& names, const Source& source) {
    for (const auto& field : {source.field, source.rateField, source.driveField, source.failsField, source.ready}) {
        names.add(field);
    }
    if (source.fedIn) {
        names.add(source.fedIn->field);
    }
    if (source.trim) {
        names.add(source.trim->field);
    }
    for (const ToleranceStep& step : source.tolerance) {
        names.add(step.field);
    }
}

void addMode(NameGatherer& names, const Mode& mode) {
    names.add(mode.enter);
    for (const ModeOption& option : mode.options) {
        names.add(option.field);
    }
}

} // namespace

std::set<std::string> registerNames(const Part& part) {
    NameGatherer names;
    for (const Register& each : part.registers) {
        names.addName(each.name);
    }
    for (const Tier& tier : part.tiers) {
        names.add(tier.field);
        names.add(tier.ready);
    }
    for (const Source& source : part.sources) {
        addSource(names, source);
    }
    for (const Line& line : part.lines) {
        names.add(line.fields);
        names.add(line.ready);
        names.add(line.shows);
        names.add(line.signalPins);
    }
    for (const WaitTable& table : part.waits) {
        names.add(table.field);
    }
    for (const Peripheral& peripheral : part.peripherals) {
        names.add(peripheral.fields);
        names.add(peripheral.gate);
        names.add(peripheral.signalPins);
        for (const std::string& enable : peripheral.interrupts) {
            names.add(readField(enable));
        }
        for (const BringUpStep& step : peripheral.bringUp) {
            names.add(step.field);
        }
    }
    for (const Mode& mode : part.modes) {
        addMode(names, mode);
    }
    for (const OptionWord& option : part.options) {
        names.add(option.field);
    }
    for (const Sequence& sequence : part.sequences) {
        names.add(sequence.writes);
    }
    names.add(part.pinSpeedFields);
    return names.take();
}

} // namespace wisetick
