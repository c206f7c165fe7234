#include "derive/pin_speeds.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <map>

namespace wisetick {

namespace {

/// The pins of a peripheral or line, and where its signals stand.
std::vector<std::string> pinsOf(const std::string& owner, const std::vector<std::string>& fixed, const Figures& figures) {
    std::vector<std::string> pins = fixed;
    for (const RouteFigure& route : figures.routes) {
        if (route.owner == owner && !route.pin.empty()) {
            pins.push_back(route.pin);
        }
    }
    return pins;
}

/// The rate at which its signals turn, Hz; nothing where that is no rate.
std::optional<Rational> turningAt(const PromiseFigure& figure) {
    const bool isAsked = figure.state != State::elsewhere && figure.got;
    if (isAsked && figure.unit == Unit::hertz) {
        return figure.got->max;
    }
    return isAsked && figure.unit == Unit::bitsPerSecond ? std::optional(figure.got->max / 2) : std::nullopt;
}

} // namespace

std::vector<PinSpeedFigure> pinSpeeds(const Part& part, const Plan& plan, const Figures& figures) {
    std::vector<PinSpeedFigure> list;
    if (part.pinSpeeds.empty()) {
        return list;
    }
    std::map<std::string, std::pair<Rational, std::string>> fastest; // by pin
    const auto note = [&](const std::vector<std::string>& pins, const std::string& user, const Rational& hertz) {
        for (const std::string& pin : pins) {
            auto& entry = fastest[pin];
            entry = hertz > entry.first ? std::pair(hertz, user) : entry;
        }
    };
    for (std::size_t i = 0; i < part.lines.size(); ++i) {
        const Line& line = part.lines[i];
        const LineFigure& figure = figures.lines[part.nodeOfLine(i)];
        if (figure.isOn && figure.hertz && (!line.pins.empty() || !line.signalPins.empty())) {
            note(pinsOf(line.id, line.pins, figures), line.id, figure.hertz->max);
        }
    }
    for (std::size_t i = 0; i < figures.promises.size(); ++i) {
        const auto peripheral = part.findPeripheral(peripheralOf(plan.promises[i].line.subject));
        const auto hertz = turningAt(figures.promises[i]);
        if (peripheral && hertz) {
            const Peripheral& owner = part.peripherals[*peripheral];
            note(pinsOf(owner.id, owner.pins, figures), owner.id, *hertz);
        }
    }
    for (const std::string& pin : part.pins) {
        const auto found = fastest.find(pin);
        if (found == fastest.end()) {
            continue;
        }
        const auto& [hertz, user] = found->second;
        PinSpeedFigure figure{pin, user, hertz, {}, {}, {}, {}};
        const Rational least = hertz * (1 - part.slack);
        const auto speed =
            std::find_if(part.pinSpeeds.begin(), part.pinSpeeds.end(), [&](const PinSpeed& each) { return each.most >= least; });
        if (speed == part.pinSpeeds.end()) {
            figure.why = phrase("{} turns {} at {}, and no pin is faster than {}", user, pin, printQuantity(hertz, Unit::hertz),
                                printQuantity(part.pinSpeeds.back().most, Unit::hertz));
        } else {
            figure.speed = speed->id;
            figure.drive = speed->drive;
            const auto field = part.pinSpeedFields.find(pin);
            if (field != part.pinSpeedFields.end()) {
                figure.field = FieldValue{pin + ".speed", field->second, speed->id, phrase("holds a code"), speed->code};
            }
        }
        list.push_back(std::move(figure));
    }
    return list;
}

} // namespace wisetick
