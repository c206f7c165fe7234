#include "handover/c_names.h"

#include "derive/said.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <set>

namespace wisetick {

std::string codeName(std::string_view text, Letters letters) {
    std::string name;
    for (const char c : text) {
        const bool isLower = c >= 'a' && c <= 'z';
        const bool isUpper = c >= 'A' && c <= 'Z';
        const bool isDigit = c >= '0' && c <= '9';
        if (isLower && letters == Letters::capital) {
            name += static_cast<char>(c - 'a' + 'A');
        } else if (isUpper && letters == Letters::small) {
            name += static_cast<char>(c - 'A' + 'a');
        } else {
            name += isLower || isUpper || isDigit ? c : '_';
        }
    }
    return name.empty() || (name.front() >= '0' && name.front() <= '9') ? "_" + name : name;
}

std::string codePrefix(const Figures& figures, Letters letters) {
    std::string name = codeName(figures.plan + "_" + figures.take, letters) + "_";
    name.erase(0, std::min(name.find_first_not_of('_'), name.size())); // such names belong to the compiler
    return name.empty() || (name.front() >= '0' && name.front() <= '9') ? codeName("plan_", letters) + name : name;
}

std::string commentText(std::string text) {
    for (const char* end : {"*/", "/*"}) {
        for (std::size_t at = text.find(end); at != std::string::npos; at = text.find(end, at)) {
            text.insert(at + 1, " ");
        }
    }
    for (char& sign : text) {
        const bool isControl = static_cast<unsigned char>(sign) < 0x20 || sign == 0x7F;
        sign = isControl || sign == '\\' ? ' ' : sign; // a backslash at the end of a line would take the next one with it
    }
    return text;
}

std::string inQuotes(std::string text) {
    std::replace(text.begin(), text.end(), '"', '\'');
    std::replace(text.begin(), text.end(), '\\', '/');
    return text;
}

std::string codeTitle(const Part& part, const Figures& figures) {
    return commentText(figures.plan + ", take " + figures.take + ", on " + part.name);
}

std::string promiseRemark(const PromiseFigure& promise) {
    std::string text = promise.text;
    if (promise.got) {
        const std::string error = errorSaid(promise);
        const std::string corners = cornersSaid(promise);
        text +=
            ": got " + gotSaid(promise) + (error.empty() ? "" : ", " + error) + (corners.empty() ? "" : ", at worst " + corners);
    }
    return text + (promise.state == State::kept ? "" : ", " + stateName(promise.state));
}

std::vector<RateConstant> rateConstants(const Part& part, const Plan& plan, const Figures& figures) {
    std::vector<RateConstant> list;
    std::set<std::string> taken;
    for (const LineFigure& line : figures.lines) {
        if (line.isOn && line.hertz && taken.insert(codeName(line.id, Letters::small)).second) {
            list.push_back({line.id, line.hertz->nominal,
                            line.id + (line.control.empty() ? "" : ", " + line.control) + ": " +
                                printQuantity(line.hertz->nominal, Unit::hertz)});
        }
    }
    for (std::size_t i = 0; i < figures.promises.size(); ++i) {
        const PromiseFigure& promise = figures.promises[i];
        const bool isRate = promise.unit == Unit::hertz || promise.unit == Unit::bitsPerSecond;
        const bool isOfAPort = part.findPeripheral(peripheralOf(plan.promises[i].line.subject)).has_value();
        if (isRate && isOfAPort && promise.got && promise.state != State::elsewhere && promise.state != State::broken &&
            taken.insert(codeName(promise.name, Letters::small)).second) {
            list.push_back({promise.name, promise.got->nominal,
                            promise.text + ": got " + printQuantity(promise.got->nominal, promise.unit)});
        }
    }
    return list;
}

} // namespace wisetick
