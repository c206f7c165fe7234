#include "derive/controls.h"

#include "base/nearest_name.h"
#include "base/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

class Resolver {
public:
    Resolver(const Part& part, const Take& take, Diagnostics& findings) : part_(part), take_(take), findings_(findings) {}

    Controls resolve() {
        Controls controls;
        resolveTier(controls);
        controls.nodeOn.resize(part_.nodeCount());
        for (NodeIndex node = 0; node < part_.sources.size(); ++node) {
            if (part_.isNone(node)) { // what is fed from it is off
                controls.nodeOn[node] = false;
            }
        }
        controls.peripheralOn.resize(part_.peripherals.size());
        std::vector<const Choice*> ofNodes(part_.nodeCount());
        std::vector<const Choice*> ofPeripherals(part_.peripherals.size());
        for (const Choice& choice : take_.choices) {
            if (const auto node = part_.findNode(choice.id)) {
                controls.nodeOn[*node] = choice.on;
                keepFirst(ofNodes[*node], choice);
            } else if (const auto peripheral = part_.findPeripheral(choice.id)) {
                controls.peripheralOn[*peripheral] = choice.on;
                keepFirst(ofPeripherals[*peripheral], choice);
            }
        }
        for (std::size_t i = 0; i < part_.sources.size(); ++i) {
            controls.sourceRates.push_back(resolveRate(part_.sources[i], ofNodes[i]));
            controls.sourceDrives.push_back(resolveDrive(part_.sources[i], ofNodes[i]));
        }
        controls.lines.reserve(part_.lines.size());
        for (std::size_t i = 0; i < part_.lines.size(); ++i) {
            controls.lines.push_back(resolveLine(part_.lines[i], ofNodes[part_.nodeOfLine(i)]));
        }
        for (std::size_t i = 0; i < part_.lines.size(); ++i) {
            applyFollowed(part_.lines[i], controls, controls.lines[i]);
        }
        for (std::size_t i = 0; i < part_.peripherals.size(); ++i) {
            std::string ignored;
            const Peripheral& peripheral = part_.peripherals[i];
            controls.peripheralFrom.push_back(resolveFrom(ofPeripherals[i], peripheral.clock, peripheral.resetFrom, ignored));
        }
        for (const Mode& mode : part_.modes) {
            std::vector<std::size_t> values;
            for (const ModeOption& option : mode.options) {
                values.push_back(resolveOption(mode, option));
            }
            controls.modeOptions.push_back(std::move(values));
        }
        return controls;
    }

private:
    static void keepFirst(const Choice*& place, const Choice& choice) { place = place == nullptr ? &choice : place; }

    /// A value that the part does not have is reported; the reset's holds then.
    std::size_t resolveOption(const Mode& mode, const ModeOption& option) {
        for (const ModeChoice& choice : take_.modes) {
            if (choice.mode != mode.id || choice.option != option.id) {
                continue;
            }
            for (std::size_t i = 0; i < option.values.size(); ++i) {
                if (option.values[i].id == choice.value) {
                    return i;
                }
            }
            report("take." + take_.name + ".modes." + mode.id + "." + option.id, phrase("no value '{}'", choice.value),
                   listNames(idsOf(option.values)));
        }
        return option.reset;
    }

    std::string pathOf(const std::string& id, const std::string& control) const {
        return "take." + take_.name + ".choices." + id + "." + control;
    }

    std::string report(const std::string& path, const Text& found, const Text& expected) {
        findings_.push_back({Severity::error, {{}, 0, 0, path}, found, expected, {}});
        return found;
    }

    void resolveTier(Controls& controls) {
        if (part_.tiers.empty()) {
            return;
        }
        controls.tier = 0;
        if (!take_.tier.empty()) {
            const auto tier = part_.findTier(take_.tier);
            if (!tier) {
                report("take." + take_.name + ".tier", phrase("no tier '{}'", take_.tier), listNames(idsOf(part_.tiers)));
            }
            controls.tier = tier.value_or(0);
        }
    }

    /// A rate that the source does not have is reported; the reset's holds then.
    std::size_t resolveRate(const Source& source, const Choice* choice) {
        if (choice == nullptr || !choice->rate) {
            return source.resetRate;
        }
        const auto found = std::find(source.rates.begin(), source.rates.end(), *choice->rate);
        if (found == source.rates.end()) {
            std::vector<std::string> known;
            for (const Rational& rate : source.rates) {
                known.push_back(printQuantity(rate, Unit::hertz));
            }
            report(pathOf(source.id, "rate"),
                   phrase("'{}' has no rate of {}", source.id, printQuantity(*choice->rate, Unit::hertz)), listNames(known));
            return source.resetRate;
        }
        return static_cast<std::size_t>(found - source.rates.begin());
    }

    std::size_t resolveDrive(const Source& source, const Choice* choice) {
        if (choice == nullptr || !choice->drive) {
            return source.resetDrive;
        }
        const std::vector<std::string> known = idsOf(source.drives);
        const auto found = std::find(known.begin(), known.end(), *choice->drive);
        if (found == known.end()) {
            report(pathOf(source.id, "drive"), phrase("'{}' has no drive '{}'", source.id, *choice->drive),
                   known.empty() ? phrase("no choice of a drive") : listNames(known));
            return source.resetDrive;
        }
        return static_cast<std::size_t>(found - known.begin());
    }

    LineControls resolveLine(const Line& line, const Choice* choice) {
        LineControls result;
        result.from = resolveFrom(choice, line.from, line.resetFrom, result.fault);
        result.divide = resolveFactor(line.id, "divide", choice == nullptr ? std::nullopt : choice->divide, line.divide,
                                      line.resetDivide, result.fault);
        result.multiply = resolveFactor(line.id, "multiply", choice == nullptr ? std::nullopt : choice->multiply, line.multiply,
                                        line.resetMultiply, result.fault);
        result.factor = line.factor;
        if (!line.multiply.empty()) {
            result.factor *= result.multiply;
        }
        if (!line.divide.empty()) {
            result.factor /= result.divide;
        }
        return result;
    }

    std::size_t resolveFrom(const Choice* choice, const std::vector<NodeIndex>& inputs, std::size_t reset, std::string& fault) {
        if (choice == nullptr || !choice->from) {
            return reset;
        }
        const auto found =
            std::find_if(inputs.begin(), inputs.end(), [&](NodeIndex input) { return part_.nodeId(input) == *choice->from; });
        if (found == inputs.end()) {
            std::vector<std::string> names;
            for (const NodeIndex input : inputs) {
                names.push_back(part_.nodeId(input));
            }
            fault = report(pathOf(choice->id, "from"), phrase("'{}' can't be fed from '{}'", choice->id, *choice->from),
                           listNames(names));
            return reset;
        }
        return static_cast<std::size_t>(found - inputs.begin());
    }

    Rational resolveFactor(const std::string& id, const std::string& control, const std::optional<Rational>& chosen,
                           const FactorSet& set, const Rational& reset, std::string& fault) {
        if (!chosen || set.empty()) {
            return reset;
        }
        if (!set.contains(*chosen)) {
            Text near;
            for (const Rational& value : set.nearest(*chosen)) {
                near += (near.empty() ? "" : phrase(" or ")) + printFactor(value);
            }
            fault = report(pathOf(id, control), phrase("'{}' can't {} by {}", id, control, printFactor(*chosen)),
                           phrase("the nearest allowed: {}", near));
        }
        return *chosen;
    }

    void applyFollowed(const Line& line, const Controls& controls, LineControls& result) const {
        if (!line.follows) {
            return;
        }
        const LineControls& followed = controls.lines[line.follows->line];
        const Rational& value = line.follows->control == "multiply" ? followed.multiply : followed.divide;
        const auto& cases = line.follows->when;
        const auto found = std::find_if(cases.begin(), cases.end(), [&](const auto& each) { return each.first == value; });
        result.factor *= found == cases.end() ? line.follows->otherwise : found->second;
    }

    const Part& part_;
    const Take& take_;
    Diagnostics& findings_;
};

} // namespace

Controls resolveControls(const Part& part, const Take& take, Diagnostics& findings) {
    return Resolver(part, take, findings).resolve();
}

NodeIndex parentOf(const Part& part, const Controls& controls, std::size_t line) {
    return part.lines[line].from[controls.lines[line].from];
}

std::optional<NodeIndex> clockOf(const Part& part, const Controls& controls, std::size_t peripheral) {
    const auto& inputs = part.peripherals[peripheral].clock;
    return inputs.empty() ? std::nullopt : std::optional(inputs[controls.peripheralFrom[peripheral]]);
}

} // namespace wisetick
