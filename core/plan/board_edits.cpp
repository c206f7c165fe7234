#include "plan/board_edits.h"

#include "base/text.h"

#include <algorithm>

namespace wisetick {

namespace {

using Words = std::vector<std::pair<std::string, std::string>>;

void setWord(Words& words, const std::string& key, const std::string& value) {
    const auto found = std::find_if(words.begin(), words.end(), [&](const auto& each) { return each.first == key; });
    if (value.empty()) {
        std::erase_if(words, [&](const auto& each) { return each.first == key; });
    } else if (found != words.end()) {
        found->second = value;
    } else {
        words.emplace_back(key, value);
    }
}

/// Puts a thing in place of the one for the same source, or behind all others.
template <class Thing>
void put(std::vector<Thing>& things, Thing thing) {
    const auto found = std::find_if(things.begin(), things.end(), [&](const Thing& each) { return each.source == thing.source; });
    if (found != things.end()) {
        *found = std::move(thing);
    } else {
        things.push_back(std::move(thing));
    }
}

void setEnd(std::optional<Bounds>& span, SpanEnd end, const Rational& value) {
    Bounds bounds = span.value_or(Bounds::exactly(value));
    switch (end) {
    case SpanEnd::lowest:
        bounds.min = value;
        bounds.nominal = std::max(bounds.nominal, value);
        bounds.max = std::max(bounds.max, value);
        break;
    case SpanEnd::nominal:
        bounds.nominal = value;
        bounds.min = std::min(bounds.min, value);
        bounds.max = std::max(bounds.max, value);
        break;
    case SpanEnd::highest:
        bounds.max = value;
        bounds.nominal = std::min(bounds.nominal, value);
        bounds.min = std::min(bounds.min, value);
        break;
    }
    span = bounds;
}

const Text kBelowAll = phrase("the tolerances add up to 100 % or more");

} // namespace

Text renamePlan(Plan& plan, const std::string& name) {
    if (name.find_first_not_of(" \t") == std::string::npos) {
        return phrase("a plan needs a name");
    }
    plan.name = name;
    return {};
}

Text notePlan(Plan& plan, const std::string& note) {
    plan.note = note;
    return {};
}

Text setSupply(Plan& plan, SpanEnd end, const Rational& volt) {
    if (volt.sign() <= 0) {
        return phrase("a supply is above 0 V");
    }
    setEnd(plan.board.supply, end, volt);
    std::erase(plan.board.assumed, "supply");
    return {};
}

Text setTemperature(Plan& plan, SpanEnd end, const Rational& celsius) {
    setEnd(plan.board.temperature, end, celsius);
    std::erase(plan.board.assumed, "temperature");
    return {};
}

Text setSupplySpan(Plan& plan, const Bounds& volt) {
    if (volt.min.sign() <= 0) {
        return phrase("a supply is above 0 V");
    }
    if (volt.min > volt.nominal || volt.nominal > volt.max) {
        return phrase("the lower end first");
    }
    plan.board.supply = volt;
    std::erase(plan.board.assumed, "supply");
    return {};
}

Text setTemperatureSpan(Plan& plan, const Bounds& celsius) {
    if (celsius.min > celsius.nominal || celsius.nominal > celsius.max) {
        return phrase("the lower end first");
    }
    plan.board.temperature = celsius;
    std::erase(plan.board.assumed, "temperature");
    return {};
}

Text confirm(Plan& plan, const std::string& assumed) {
    return std::erase(plan.board.assumed, assumed) > 0 ? Text() : phrase("nothing is assumed of the {}", assumed);
}

Text setAlwaysDrawn(Plan& plan, const std::optional<Rational>& ampere) {
    if (ampere && ampere->sign() < 0) {
        return phrase("a draw of 0 or more");
    }
    plan.board.alwaysDraws = ampere;
    return {};
}

Text fit(Plan& plan, Fitted fitted) {
    if (fitted.rate.sign() <= 0) {
        return phrase("a rate above 0");
    }
    if (fitted.tolerance && fitted.tolerance->total() >= 1) {
        return kBelowAll;
    }
    for (const auto* each : {&fitted.load, &fitted.esr}) {
        if (*each && (*each)->sign() <= 0) {
            return phrase("a value above 0");
        }
    }
    if (!fitted.capacitors || fitted.otherOne == fitted.capacitors) {
        fitted.otherOne.reset();
    }
    put(plan.board.fitted, std::move(fitted));
    return {};
}

Text unfit(Plan& plan, const std::string& source) {
    std::erase_if(plan.board.fitted, [&](const Fitted& each) { return each.source == source; });
    return {};
}

Fitted fittedOf(const Plan& plan, const std::string& source) {
    const Fitted* found = findFitted(plan.board, source);
    Fitted fresh;
    fresh.source = source;
    return found == nullptr ? fresh : *found;
}

Text noteMeasured(Plan& plan, Measured measured) {
    if (measured.rate.sign() <= 0) {
        return phrase("a rate above 0");
    }
    if (measured.tolerance && *measured.tolerance >= 1) {
        return kBelowAll;
    }
    put(plan.board.measured, std::move(measured));
    return {};
}

Text forgetMeasured(Plan& plan, const std::string& source) {
    std::erase_if(plan.board.measured, [&](const Measured& each) { return each.source == source; });
    return {};
}

Text setBattery(Plan& plan, std::optional<Battery> battery) {
    if (battery && battery->capacity.sign() <= 0) {
        return phrase("a capacity above 0");
    }
    if (battery && ((battery->voltage && battery->voltage->sign() <= 0) || (battery->endsAt && battery->endsAt->sign() <= 0))) {
        return phrase("a voltage above 0");
    }
    plan.board.battery = std::move(battery);
    return {};
}

Text setRegulator(Plan& plan, std::optional<Regulator> regulator) {
    if (regulator && regulator->efficiency && (regulator->efficiency->sign() <= 0 || *regulator->efficiency > 1)) {
        return phrase("an efficiency above 0 and up to 100 %");
    }
    plan.board.regulator = std::move(regulator);
    return {};
}

Text setOption(Plan& plan, const std::string& option, const std::string& value) {
    setWord(plan.board.options, option, value);
    return {};
}

Text route(Plan& plan, const std::string& signal, const std::string& pin) {
    setWord(plan.board.routes, signal, pin);
    std::sort(plan.board.routes.begin(), plan.board.routes.end());
    return {};
}

Text routeSignals(Plan& plan, const std::vector<std::pair<std::string, std::string>>& places) {
    for (const auto& [signal, pin] : places) {
        setWord(plan.board.routes, signal, pin);
    }
    std::sort(plan.board.routes.begin(), plan.board.routes.end());
    return {};
}

Text wire(Plan& plan, const std::string& pin, const std::string& name) {
    std::erase_if(plan.board.wiring, [&](const auto& each) { return each.second == pin; });
    if (!name.empty()) {
        setWord(plan.board.wiring, name, pin);
    }
    return {};
}

} // namespace wisetick
