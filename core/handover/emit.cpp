#include "handover/emit.h"

#include "derive/bring_up.h"
#include "derive/pin_speeds.h"
#include "handover/c_names.h"
#include "handover/c_source.h"
#include "handover/constants.h"
#include "handover/devicetree.h"
#include "quantity/quantity_print.h"

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include <algorithm>
#include <set>

namespace wisetick {

namespace {

std::string aboutLine(const LineFigure& line) {
    return line.id + (line.hertz ? " at " + printQuantity(line.hertz->nominal, Unit::hertz) : "") +
           (line.control.empty() ? "" : ", " + line.control);
}

/// Gathers fields, each place of a register once.
class FieldGatherer {
public:
    explicit FieldGatherer(std::string prefix) : prefix_(std::move(prefix)) {}

    void add(const FieldValue& value, const std::string& about) {
        if (seen_.insert(fieldText(value.field)).second) {
            const std::string wished = prefix_ + codeName(value.control, Letters::capital);
            std::string name = wished;
            for (int number = 2; !names_.insert(name).second; ++number) {
                name = wished + "_" + std::to_string(number);
            }
            fields_.push_back({name, value, about});
        }
    }
    std::vector<EmittedField> take() { return std::move(fields_); }

private:
    std::string prefix_;
    std::set<std::string> seen_;
    std::set<std::string> names_;
    std::vector<EmittedField> fields_;
};

bool isWritten(const PromiseFigure& promise, Broken broken) {
    return promise.state != State::elsewhere && (promise.state != State::broken || broken == Broken::written);
}

std::string quotedCsv(const std::string& text) {
    if (text.find_first_of(",\"\n\r") == std::string::npos) {
        return text;
    }
    std::string quoted = "\"";
    for (const char c : text) {
        quoted += c == '"' ? "\"\"" : std::string(1, c);
    }
    return quoted + "\"";
}

std::string tableOf(const std::vector<EmittedField>& fields) {
    std::string text = "name,register,msb,lsb,value,hex,in_place,setting,holds,about\n";
    for (const EmittedField& field : fields) {
        const FieldValue& value = field.value;
        text += fmt::format("{},{},{},{},{},{},{},{},{},{}\n", field.name, value.field.reg, value.field.msb, value.field.lsb,
                            value.held, hexText(value), inPlaceText(value), quotedCsv(value.setting), quotedCsv(value.holdsAs),
                            quotedCsv(field.about));
    }
    return text;
}

std::string jsonOf(const Part& part, const Plan& plan, const Figures& figures, const std::vector<EmittedField>& fields,
                   const std::vector<LeftOut>& leftOut) {
    nlohmann::ordered_json list = nlohmann::ordered_json::array();
    for (const EmittedField& field : fields) {
        const FieldValue& value = field.value;
        list.push_back({{"name", field.name},
                        {"register", value.field.reg},
                        {"msb", value.field.msb},
                        {"lsb", value.field.lsb},
                        {"value", value.held},
                        {"hex", hexText(value)},
                        {"in_place", inPlaceText(value)},
                        {"setting", value.setting},
                        {"holds", value.holdsAs},
                        {"about", field.about}});
    }
    nlohmann::ordered_json left = nlohmann::ordered_json::array();
    for (const LeftOut& each : leftOut) {
        left.push_back({{"what", each.what}, {"why", each.why}});
    }
    return nlohmann::ordered_json{{"plan", plan.name},
                                  {"part", part.id},
                                  {"take", figures.take},
                                  {"fields", std::move(list)},
                                  {"left_out", std::move(left)}}
               .dump(2, ' ', false, nlohmann::ordered_json::error_handler_t::replace) +
           "\n";
}

} // namespace

const std::vector<std::string>& emitForms() {
    return handoverForms();
}

std::optional<EmitForm> readEmitForm(std::string_view text) {
    const auto found = std::find(emitForms().begin(), emitForms().end(), text);
    return found == emitForms().end() ? std::nullopt : std::optional(static_cast<EmitForm>(found - emitForms().begin()));
}

std::vector<LeftOut> leftOutOf(const Part& part, const Plan& plan, const Figures& figures,
                               const std::optional<std::string>& from) {
    return registerProgram(part, plan, figures, Broken::leftOut, from).left;
}

std::vector<EmittedField> emittedFields(const Part& part, const Plan& plan, const Figures& figures, Broken broken) {
    FieldGatherer gatherer(codePrefix(figures, Letters::capital));
    if (figures.tierField) {
        gatherer.add(*figures.tierField, "tier " + figures.tier);
    }
    for (const WaitFigure& wait : figures.waits) {
        if (wait.field) {
            gatherer.add(*wait.field, wait.text());
        }
    }
    for (const LineFigure& line : figures.lines) {
        for (const FieldValue& value : line.isOn ? line.fields : std::vector<FieldValue>()) {
            gatherer.add(value, aboutLine(line));
        }
    }
    for (const RouteFigure& route : figures.routes) {
        if (!route.pin.empty() && route.field) {
            gatherer.add(*route.field, route.signal + " on " + route.pin);
        }
    }
    for (const PinSpeedFigure& pin : pinSpeeds(part, plan, figures)) {
        if (pin.field) {
            gatherer.add(*pin.field, pin.user + " on " + pin.pin + " at up to " + printQuantity(pin.hertz, Unit::hertz));
        }
    }
    for (std::size_t i = 0; i < figures.promises.size(); ++i) {
        if (!isWritten(figures.promises[i], broken)) {
            continue;
        }
        const std::string about = promiseRemark(figures.promises[i]);
        for (const FieldValue& value : figures.promises[i].fields) {
            gatherer.add(value, about);
        }
        for (const BringUpAction& action : bringUp(part, plan, figures.promises[i], i)) {
            if (action.field && !action.isInterrupt) {
                gatherer.add(*action.field, about);
            }
        }
    }
    return gatherer.take();
}

std::string emitFields(const Part& part, const Plan& plan, const Figures& figures, EmitForm form, const EmitStyle& style,
                       const RegisterProgram* program) {
    const bool isCode = form == EmitForm::prototypes || form == EmitForm::source;
    const Broken broken = isCode ? style.broken : Broken::leftOut;
    RegisterProgram made;
    if (form != EmitForm::table && (program == nullptr || broken == Broken::written)) {
        made = registerProgram(part, plan, figures, broken, style.from);
        program = &made;
    }
    const auto fields = [&] { return emittedFields(part, plan, figures, style.broken); };
    switch (form) {
    case EmitForm::header: return cConstants(part, plan, figures, fields(), program->left, style);
    case EmitForm::prototypes: return cPrototypes(part, figures, *program, style);
    case EmitForm::source: return cSource(part, figures, *program, style);
    case EmitForm::constants: return cppConstants(part, plan, figures, fields(), program->left, style);
    case EmitForm::rust: return rustConstants(part, plan, figures, fields(), program->left, style);
    case EmitForm::devicetree: return devicetreeOf(part, plan, figures, program->left, style);
    case EmitForm::table: return tableOf(fields());
    case EmitForm::json: return jsonOf(part, plan, figures, fields(), program->left);
    }
    return {};
}

} // namespace wisetick
