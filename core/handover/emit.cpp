#include "handover/emit.h"

#include "derive/bring_up.h"
#include "derive/writing_order.h"
#include "evaluate/sleep_order.h"
#include "quantity/quantity_print.h"

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include <algorithm>
#include <map>
#include <set>

namespace wisetick {

namespace {

/// A name as code has it: letters, digits and '_', in capitals.
std::string codeName(std::string_view text, bool isCapital) {
    std::string name;
    for (const char c : text) {
        const bool isLower = c >= 'a' && c <= 'z';
        const bool isUpper = c >= 'A' && c <= 'Z';
        const bool isDigit = c >= '0' && c <= '9';
        if (isLower || isUpper || isDigit) {
            name += isCapital && isLower ? static_cast<char>(c - 'a' + 'A')
                                         : (!isCapital && isUpper ? static_cast<char>(c - 'A' + 'a') : c);
        } else {
            name += '_';
        }
    }
    return name.empty() || (name.front() >= '0' && name.front() <= '9') ? "_" + name : name;
}

/// Comments may not end early, nor go on in the next line.
std::string commentText(std::string text) {
    for (std::size_t at = text.find("*/"); at != std::string::npos; at = text.find("*/", at)) {
        text.replace(at, 2, "* /");
    }
    std::replace(text.begin(), text.end(), '\n', ' ');
    return text;
}

/// Without what would end a text in quotes.
std::string inQuotes(std::string text) {
    std::replace(text.begin(), text.end(), '"', '\'');
    std::replace(text.begin(), text.end(), '\\', '/');
    return text;
}

std::string maskText(const Field& field) {
    const std::uint64_t ones = ~std::uint64_t{0} >> (64 - field.width());
    return fmt::format("0x{:X}u{}", ones << field.lsb, field.msb > 31 ? "ll" : "");
}

std::string valueText(const FieldValue& value) {
    return hexText(value) + "u" + (value.field.width() > 32 ? "ll" : "");
}

std::string aboutPromise(const PromiseFigure& figure) {
    std::string text = figure.text;
    if (figure.got) {
        text += ": got " + printQuantity(figure.got->nominal, figure.unit);
        text += figure.error ? ", " + printError(figure.error->nominal) : "";
    }
    return text + (figure.state == State::kept ? "" : ", " + stateName(figure.state));
}

std::string aboutLine(const LineFigure& line) {
    return line.id + (line.hertz ? " at " + printQuantity(line.hertz->nominal, Unit::hertz) : "") +
           (line.control.empty() ? "" : ", " + line.control);
}

/// Gathers fields, each place of a register once.
class FieldGatherer {
public:
    void add(const FieldValue& value, const std::string& about) {
        if (seen_.insert(fieldText(value.field)).second) {
            std::string name = "WT_" + codeName(value.control, true);
            for (int number = 2; !names_.insert(name).second; ++number) {
                name = "WT_" + codeName(value.control, true) + "_" + std::to_string(number);
            }
            fields_.push_back({name, value, about});
        }
    }
    std::vector<EmittedField> take() { return std::move(fields_); }

private:
    std::set<std::string> seen_;
    std::set<std::string> names_;
    std::vector<EmittedField> fields_;
};

bool isWritten(const PromiseFigure& promise, Broken broken) {
    return promise.state != State::broken || broken == Broken::written;
}

std::string title(const Part& part, const Plan& plan, const Figures& figures) {
    return commentText(plan.name + ", take " + figures.take + ", on " + part.name);
}

/// One line for each thing that is left out: in code that is compiled for real an error, else a comment.
std::string leftOutLines(const Part& part, const Plan& plan, const Figures& figures, Broken broken) {
    std::string text;
    for (const LeftOut& left : leftOutOf(part, plan, figures)) {
        const std::string said = commentText(leftOutText(left));
        text += broken == Broken::leftOut ? "#error \"" + inQuotes(said) + "\"\n" : "/* " + said + " */\n";
    }
    return text.empty() ? text : "\n" + text;
}

std::string headerOf(const Part& part, const Plan& plan, const Figures& figures, Broken broken) {
    const std::string guard = codeName(plan.name + "_" + figures.take, true) + "_FIELDS_H";
    std::string text = "/* " + title(part, plan, figures) + ": register fields. */\n#ifndef " + guard + "\n#define " + guard +
                       "\n" + leftOutLines(part, plan, figures, broken);
    std::string about;
    for (const EmittedField& field : emittedFields(part, plan, figures, broken)) {
        if (field.about != about) {
            about = field.about;
            text += "\n/* " + commentText(about) + " */\n";
        }
        if (Rational(field.value.held) > field.value.field.most()) {
            text += "#error \"" + commentText(field.value.control + " does not fit " + fieldText(field.value.field)) + "\"\n";
            continue;
        }
        text += fmt::format("#define {} {} /* {}: {}, {} */\n", field.name, valueText(field.value), fieldText(field.value.field),
                            commentText(field.value.setting), field.value.holdsAs);
        text += fmt::format("#define {}_SHIFT {}\n#define {}_MASK {}\n", field.name, field.value.field.lsb, field.name,
                            maskText(field.value.field));
    }
    return text + "\n#endif\n";
}

std::string quotedCsv(const std::string& text) {
    if (text.find_first_of(",\"\n") == std::string::npos) {
        return text;
    }
    std::string quoted = "\"";
    for (const char c : text) {
        quoted += c == '"' ? "\"\"" : std::string(1, c);
    }
    return quoted + "\"";
}

std::string tableOf(const Part& part, const Plan& plan, const Figures& figures, Broken broken) {
    std::string text = "name,register,msb,lsb,value,hex,in_place,setting,holds,about\n";
    for (const EmittedField& field : emittedFields(part, plan, figures, broken)) {
        const FieldValue& value = field.value;
        text += fmt::format("{},{},{},{},{},{},{},{},{},{}\n", field.name, value.field.reg, value.field.msb, value.field.lsb,
                            value.held, hexText(value), inPlaceText(value), quotedCsv(value.setting), quotedCsv(value.holdsAs),
                            quotedCsv(field.about));
    }
    return text;
}

std::string jsonOf(const Part& part, const Plan& plan, const Figures& figures, Broken broken) {
    nlohmann::ordered_json list = nlohmann::ordered_json::array();
    for (const EmittedField& field : emittedFields(part, plan, figures, broken)) {
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
    for (const LeftOut& each : leftOutOf(part, plan, figures)) {
        left.push_back({{"what", each.what}, {"why", each.why}});
    }
    return nlohmann::ordered_json{{"plan", plan.name},
                                  {"part", part.id},
                                  {"take", figures.take},
                                  {"fields", std::move(list)},
                                  {"left_out", std::move(left)}}
               .dump(2) +
           "\n";
}

/// Writes functions in C, and remembers the registers that they touch.
class SourceWriter {
public:
    SourceWriter(const Part& part, const Plan& plan, const Figures& figures, Broken broken)
        : part_(part), plan_(plan), figures_(figures), broken_(broken) {}

    std::string write() {
        clocks();
        const std::vector<std::string> names = promiseNames(plan_);
        std::string calls = "    wisetick_clocks();\n";
        for (std::size_t i = 0; i < figures_.promises.size(); ++i) {
            const auto actions = bringUp(part_, plan_, figures_.promises[i], i);
            if (!actions.empty() && isWritten(figures_.promises[i], broken_)) {
                const std::string function = functionOf(names[i]);
                promise(function, figures_.promises[i], actions);
                calls += "    " + function + "();\n";
            }
        }
        rests();
        body_ += "\nvoid wisetick_all(void) {\n" + calls + "}\n";
        return head() + leftOutLines(part_, plan_, figures_, broken_) + body_;
    }

private:
    std::string functionOf(const std::string& name) {
        std::string function = "wisetick_" + codeName(name, false);
        for (int number = 2; !functions_.insert(function).second; ++number) {
            function = "wisetick_" + codeName(name, false) + "_" + std::to_string(number);
        }
        return function;
    }

    void line(const std::string& text) { body_ += "    " + text + "\n"; }

    void write(const FieldValue& value, const std::string& say) {
        if (Rational(value.held) > value.field.most()) {
            line("#error \"" + commentText(value.control + " = " + value.setting + " does not fit " + fieldText(value.field)) +
                 "\"");
            return;
        }
        registers_[value.field.reg] = std::max(registers_[value.field.reg], value.field.msb);
        line(fmt::format("WISETICK_WRITE({}, {}, {} << {}); /* {} */", registerName(value.field.reg), maskText(value.field),
                         valueText(value), value.field.lsb, commentText(say)));
    }

    /// A register's name is one of C: "UART1.RATE" is a member, and what else is in it becomes '_'.
    static std::string registerName(const std::string& reg) {
        const std::size_t dot = reg.find('.');
        return dot == std::string::npos ? plainName(reg) : plainName(reg.substr(0, dot)) + "." + plainName(reg.substr(dot + 1));
    }

    static std::string plainName(std::string_view text) {
        std::string name(text);
        std::replace_if(
            name.begin(), name.end(),
            [](char c) { return !((c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9') || c == '_'); },
            '_');
        return name;
    }

    void clocks() {
        body_ += "\n/* from reset to the clocks of the take */\nvoid wisetick_clocks(void) {\n";
        const WritingOrder way = writingOrder(part_, plan_, std::nullopt, figures_.take);
        for (const ClockWrite& step : way.steps) {
            if (step.fields.empty()) {
                line("/* " + commentText(step.say) + " */");
            }
            for (const FieldValue& value : step.fields) {
                write(value, step.say);
            }
            wait(step.wait);
        }
        if (!way.trouble.empty()) {
            line("#error \"" + commentText(way.trouble) + "\"");
        }
        body_ += "}\n";
    }

    void wait(const std::optional<Duration>& duration) {
        if (duration) {
            const auto most = duration->max ? duration->max : duration->typ;
            line(most ? fmt::format("WISETICK_WAIT_NS({});", (*most * powerOfTen(9)).ceil().toString())
                      : std::string("/* how long that takes is unknown: wait for its ready flag */"));
        }
    }

    /// What is to be done around a rest in the mode that the take rests in.
    void rests() {
        const Take* take = findTake(plan_, figures_.take);
        const auto mode = take == nullptr ? std::nullopt : part_.findMode(take->restsIn);
        if (!mode || part_.modes[*mode].runs || figures_.modes.empty()) {
            return;
        }
        const SleepOrder order = sleepOrder(part_, plan_, figures_, take->restsIn);
        const auto steps = [&](const std::string& function, const std::string& about, const std::vector<SleepStep>& list) {
            body_ += "\n/* " + commentText(about) + " */\nvoid " + function + "(void) {\n";
            for (const SleepStep& step : list) {
                const std::string say = step.say + (step.why.empty() ? "" : ": " + step.why);
                if (step.fields.empty()) {
                    line("/* " + commentText(say) + " */");
                }
                for (const FieldValue& value : step.fields) {
                    write(value, step.say);
                }
                wait(step.wait);
            }
            body_ += "}\n";
        };
        steps("wisetick_before_rest", "before a rest in " + take->restsIn, order.before);
        steps("wisetick_after_rest", "after waking from " + take->restsIn, order.after);
    }

    void promise(const std::string& function, const PromiseFigure& figure, const std::vector<BringUpAction>& actions) {
        body_ += "\n/* " + commentText(aboutPromise(figure)) + " */\nvoid " + function + "(void) {\n";
        for (const BringUpAction& action : actions) {
            const std::string say = action.say + (action.isForgotten ? ": forgotten most often" : "");
            if (action.field) {
                write(*action.field, say);
            } else {
                line("/* " + commentText(say) + " */");
            }
        }
        body_ += "}\n";
    }

    std::string head() const {
        std::string text =
            "/* " + title(part_, plan_, figures_) + ": writes its register fields in order. */\n#include <stdint.h>\n\n";
        text += "#ifdef WISETICK_ON_HOST\n" + hostRegisters() +
                "#else\n#include \"registers.h\" /* your part's registers */\n#endif\n\n";
        text += "#ifndef WISETICK_WRITE\n"
                "#define WISETICK_WRITE(reg, mask, value) ((reg) = ((reg) & ~(mask)) | (value))\n#endif\n"
                "#ifndef WISETICK_WAIT_NS\n#define WISETICK_WAIT_NS(ns) ((void)(ns))\n#endif\n";
        return text;
    }

    /// Every register that is touched, as variables: members of their group where they have one.
    std::string hostRegisters() const {
        std::map<std::string, std::string> groups;
        std::string text;
        for (const auto& [reg, msb] : registers_) {
            const std::string type = msb > 31 ? "uint64_t" : "uint32_t";
            const std::string name = registerName(reg);
            const std::size_t dot = name.find('.');
            if (dot == std::string::npos) {
                text += "static volatile " + type + " " + name + ";\n";
            } else {
                groups[name.substr(0, dot)] += " volatile " + type + " " + name.substr(dot + 1) + ";";
            }
        }
        for (const auto& [group, members] : groups) {
            text += "static struct {" + members + " } " + group + ";\n";
        }
        return text;
    }

    const Part& part_;
    const Plan& plan_;
    const Figures& figures_;
    Broken broken_;
    std::string body_;
    std::set<std::string> functions_{"wisetick_all", "wisetick_clocks", "wisetick_before_rest", "wisetick_after_rest"};
    std::map<std::string, int> registers_; ///< to the highest bit that is written
};

} // namespace

const std::vector<std::string>& emitForms() {
    static const std::vector<std::string> forms{"header", "c", "csv", "json"};
    return forms;
}

std::optional<EmitForm> readEmitForm(std::string_view text) {
    const auto found = std::find(emitForms().begin(), emitForms().end(), text);
    return found == emitForms().end() ? std::nullopt : std::optional(static_cast<EmitForm>(found - emitForms().begin()));
}

std::vector<LeftOut> leftOutOf(const Part& part, const Plan& plan, const Figures& figures) {
    const WritingOrder way = writingOrder(part, plan, std::nullopt, figures.take);
    std::vector<LeftOut> list = clocksLeftOut(part, plan, figures, way, std::nullopt);
    const std::vector<LeftOut> promises = promisesLeftOut(figures);
    list.insert(list.end(), promises.begin(), promises.end());
    return list;
}

std::vector<EmittedField> emittedFields(const Part& part, const Plan& plan, const Figures& figures, Broken broken) {
    FieldGatherer gatherer;
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
    for (std::size_t i = 0; i < figures.promises.size(); ++i) {
        if (!isWritten(figures.promises[i], broken)) {
            continue;
        }
        const std::string about = aboutPromise(figures.promises[i]);
        for (const FieldValue& value : figures.promises[i].fields) {
            gatherer.add(value, about);
        }
        for (const BringUpAction& action : bringUp(part, plan, figures.promises[i], i)) {
            if (action.field) {
                gatherer.add(*action.field, about);
            }
        }
    }
    return gatherer.take();
}

std::string emitFields(const Part& part, const Plan& plan, const Figures& figures, EmitForm form, Broken broken) {
    switch (form) {
    case EmitForm::header: return headerOf(part, plan, figures, broken);
    case EmitForm::source: return SourceWriter(part, plan, figures, broken).write();
    case EmitForm::table: return tableOf(part, plan, figures, broken);
    case EmitForm::json: return jsonOf(part, plan, figures, broken);
    }
    return {};
}

} // namespace wisetick
