#include "handover/left_out.h"

#include "base/text.h"
#include "derive/derive.h"
#include "quantity/quantity_print.h"

#include <map>

namespace wisetick {

namespace {

/// Register field → what it holds, of all that the clocks of a take are made of.
std::map<std::string, FieldValue> clockFields(const Figures& figures) {
    std::map<std::string, FieldValue> fields;
    const auto add = [&](const FieldValue& value) { fields.emplace(fieldText(value.field), value); };
    if (figures.tierField) {
        add(*figures.tierField);
    }
    for (const WaitFigure& wait : figures.waits) {
        if (wait.field) {
            add(*wait.field);
        }
    }
    for (const LineFigure& line : figures.lines) {
        for (const FieldValue& value : line.fields) {
            add(value);
        }
    }
    return fields;
}

/// Where the way begins.
Figures beginning(const Part& part, const Plan& plan, const std::optional<std::string>& from) {
    if (from) {
        return derive(part, plan, *from);
    }
    Plan fresh = freshPlan(part);
    fresh.board = plan.board;
    return derive(part, fresh, fresh.active);
}

bool isSetOtherwise(const LineFigure& line, const LineFigure& before) {
    return line.parent != before.parent || line.divide != before.divide || line.multiply != before.multiply;
}

} // namespace

std::vector<LeftOut> clocksLeftOut(const Part& part, const Plan& plan, const Figures& figures, const WritingOrder& way,
                                   const std::optional<std::string>& from) {
    std::vector<LeftOut> list;
    const Figures before = beginning(part, plan, from);
    std::map<std::string, FieldValue> held = clockFields(before);
    for (const ClockWrite& step : way.steps) {
        for (const FieldValue& value : step.fields) {
            held[fieldText(value.field)] = value;
        }
    }
    for (std::size_t i = 0; i < figures.lines.size(); ++i) {
        const LineFigure& line = figures.lines[i];
        if (!line.isOn) {
            continue;
        }
        if (line.state == State::broken) {
            list.push_back({line.id, line.stateWhy});
        }
        if (!line.isSource && line.fields.empty() && isSetOtherwise(line, before.lines[i])) {
            list.push_back({line.id, phrase("{}: the part names no field for that", line.control)});
        }
        for (const FieldValue& value : line.fields) {
            const auto now = held.find(fieldText(value.field));
            if (Rational(value.held) > value.field.most()) {
                list.push_back(
                    {line.id, phrase("{} = {} does not fit {}", value.control, value.setting, fieldText(value.field))});
            } else if (now == held.end() || now->second.held != value.held) {
                list.push_back({line.id, phrase("{} = {} is not written on this way", fieldText(value.field), hexText(value))});
            }
        }
    }
    if (!way.trouble.empty()) {
        list.push_back({phrase("the way"), way.trouble});
    }
    return list;
}

std::vector<LeftOut> promisesLeftOut(const Figures& figures) {
    std::vector<LeftOut> list;
    for (const PromiseFigure& promise : figures.promises) {
        const bool isOfAPeripheral = promise.subject.is(Target::Room::peripheral);
        if (promise.state == State::broken && isOfAPeripheral) {
            list.push_back({promise.name, phrase("broken: {}", promise.why)});
        }
    }
    return list;
}

Text leftOutText(const LeftOut& left) {
    return phrase("left out: {}, {}", left.what, left.why);
}

} // namespace wisetick
