#include "bench/slips.h"

#include "base/text.h"
#include "derive/demand.h"
#include "derive/field_values.h"
#include "derive/line_rates.h"
#include "handover/found.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <set>

namespace wisetick {

namespace {

constexpr std::int64_t kShortList = 64; ///< of which each value is looked at

/// Values that are set instead of another one: neighbours, the double and the half, and all of a short list.
std::vector<Rational> othersOf(const FactorSet& set, const Rational& now) {
    std::vector<Rational> values;
    const auto add = [&](const Rational& value) {
        if (value > Rational(0) && value != now && set.contains(value) &&
            std::find(values.begin(), values.end(), value) == values.end()) {
            values.push_back(value);
        }
    };
    const Rational step = set.isRange() ? set.step() : Rational(1);
    add(now + step);
    add(now - step);
    add(now + 1);
    add(now - 1);
    add(now * 2);
    add(now / 2);
    for (std::int64_t i = 0; set.count() <= kShortList && i < set.count(); ++i) {
        add(set.at(i));
    }
    return values;
}

class SlipFinder {
public:
    SlipFinder(const Part& part, const Plan& plan, const Figures& figures, const std::vector<BenchSignal>& predicted)
        : part_(part), plan_(plan), signals_(predicted), take_(*findTake(plan, figures.take)) {
        Diagnostics ignored;
        controls_ = resolveControls(part, take_, ignored);
    }

    std::vector<Slip> find() {
        std::set<std::pair<std::size_t, std::string>> seen;
        for (const BenchSignal& signal : signals_) {
            std::vector<Setting> settings = signal.factors;
            settings.insert(settings.end(), signal.summed.begin(), signal.summed.end());
            for (const Setting& setting : settings) {
                if (seen.insert({*signal.peripheral, setting.name}).second) {
                    addSettings(*signal.peripheral, setting);
                }
            }
            if (signal.compare && seen.insert({*signal.peripheral, signal.compare->name}).second) {
                addCompares(signal);
            }
        }
        std::set<NodeIndex> nodes;
        std::set<std::size_t> peripherals;
        for (const BenchSignal& signal : signals_) {
            const std::vector<NodeIndex> chain = chainOf(part_, controls_, signal.clock);
            nodes.insert(chain.begin(), chain.end());
            if (signal.peripheral && part_.peripherals[*signal.peripheral].clock.size() > 1) {
                peripherals.insert(*signal.peripheral);
            }
        }
        for (const NodeIndex node : nodes) {
            addNode(node);
        }
        for (const std::size_t peripheral : peripherals) {
            addInputs(part_.peripherals[peripheral].id, part_.peripherals[peripheral].clock,
                      controls_.peripheralFrom[peripheral]);
        }
        return std::move(slips_);
    }

private:
    void addSettings(std::size_t peripheral, const Setting& now) {
        const Peripheral& of = part_.peripherals[peripheral];
        FactorSet set;
        of.kind.row()->widths(
            of.kind, [&](const std::string& control, const FactorSet& values) { set = control == now.name ? values : set; });
        if (set.empty()) {
            return;
        }
        for (const Rational& value : othersOf(set, now.value)) {
            const Rational step = set.isRange() ? set.step() : Rational(1);
            const bool isNext = value == now.value + step || value == now.value - step;
            addSetting(isNext ? Slip::Kind::offByOne : Slip::Kind::otherValue, peripheral, now, value, "");
        }
        if (const auto swapped = swappedBytes(peripheral, now)) {
            if (set.contains(*swapped) && *swapped != now.value) {
                addSetting(Slip::Kind::swappedBytes, peripheral, now, *swapped, phrase(", its bytes swapped"));
            }
        }
    }

    void addSetting(Slip::Kind kind, std::size_t peripheral, const Setting& now, const Rational& value, const Text& why) {
        Slip slip;
        slip.kind = kind;
        slip.id = part_.peripherals[peripheral].id;
        slip.setting = now.name;
        slip.value = value;
        slip.say = phrase("{}: {} {} instead of {}{}", slip.id, now.name, printFactor(value), printFactor(now.value), why);
        for (std::size_t i = 0; i < signals_.size(); ++i) {
            const BenchSignal& signal = signals_[i];
            if (signal.peripheral != peripheral) {
                continue;
            }
            const auto holds = [&](const Setting& each) { return each.name == now.name && each.value == now.value; };
            const Rational ratio = signal.product([&](const Setting& each) { return holds(each) ? value : each.value; }) /
                                   signal.product([](const Setting& each) { return each.value; });
            const bool isCompare = signal.compare && holds(*signal.compare);
            const bool isCounts = signal.compare && now.name == "counts";
            const Rational duty = isCompare ? value / now.value : isCounts ? now.value / value : Rational(1);
            if (ratio != Rational(1) || duty != Rational(1)) {
                slip.effects.push_back({i, false, ratio, signal.source, duty});
            }
        }
        slips_.push_back(std::move(slip));
    }

    /// What a channel may be high for instead: a count more or less, the double, the half, what it should be low for.
    void addCompares(const BenchSignal& signal) {
        const Setting& now = *signal.compare;
        const auto counts =
            std::find_if(signal.factors.begin(), signal.factors.end(), [](const Setting& each) { return each.name == "counts"; });
        if (counts == signal.factors.end()) {
            return;
        }
        std::vector<Rational> values;
        const auto add = [&](const Rational& value, const Text& why) {
            if (value.isWhole() && value > Rational(0) && value < counts->value && value != now.value &&
                std::find(values.begin(), values.end(), value) == values.end()) {
                values.push_back(value);
                addSetting(abs(value - now.value) == Rational(1) ? Slip::Kind::offByOne : Slip::Kind::otherValue,
                           *signal.peripheral, now, value, why);
            }
        };
        add(now.value + 1, "");
        add(now.value - 1, "");
        add(counts->value - now.value, phrase(", the other way round"));
        add(now.value * 2, "");
        add(now.value / 2, "");
        if (const auto swapped = swappedBytes(*signal.peripheral, now)) {
            add(*swapped, phrase(", its bytes swapped"));
        }
    }

    /// What a field of nine to sixteen bits holds with its two bytes the other way round.
    std::optional<Rational> swappedBytes(std::size_t peripheral, const Setting& now) const {
        const auto fields = peripheralFields(part_, controls_, peripheral, {now});
        const std::string control = part_.peripherals[peripheral].id + "." + now.name;
        for (FieldValue value : fields) {
            if (value.control == control && value.field.width() > 8 && value.field.width() <= 16) {
                const auto held = static_cast<std::uint64_t>(value.held);
                value.held = static_cast<std::int64_t>(((held & 0xFFU) << 8U) | (held >> 8U));
                FoundRegisters registers;
                putFields({value}, registers);
                return Rational(value.held) > value.field.most() ? std::nullopt
                                                                 : foundSetting(part_, registers, peripheral, now.name);
            }
        }
        return std::nullopt;
    }

    void addNode(NodeIndex node) {
        if (part_.isSource(node)) {
            const Source& source = part_.sources[node];
            for (std::size_t i = 0; i < source.rates.size(); ++i) {
                if (i != controls_.sourceRates[node]) {
                    Choice choice{source.id, {}, {}, {}, {}};
                    choice.rate = source.rates[i];
                    addChoice(Slip::Kind::otherValue, choice,
                              phrase("{} at {}", source.id, printQuantity(source.rates[i], Unit::hertz)));
                }
            }
            return;
        }
        const Line& line = part_.lineAt(node);
        const LineControls& now = controls_.lines[node - part_.sources.size()];
        for (const Rational& value : line.divide.empty() ? std::vector<Rational>() : othersOf(line.divide, now.divide)) {
            addChoice(Slip::Kind::otherValue, {line.id, {}, value, {}, {}},
                      phrase("{} \u00f7 {} instead of \u00f7 {}", line.id, printFactor(value), printFactor(now.divide)));
        }
        for (const Rational& value : line.multiply.empty() ? std::vector<Rational>() : othersOf(line.multiply, now.multiply)) {
            addChoice(Slip::Kind::otherValue, {line.id, {}, {}, value, {}},
                      phrase("{} \u00d7 {} instead of \u00d7 {}", line.id, printFactor(value), printFactor(now.multiply)));
        }
        addInputs(line.id, line.from, now.from);
    }

    void addInputs(const std::string& id, const std::vector<NodeIndex>& inputs, std::size_t now) {
        for (std::size_t i = 0; i < inputs.size(); ++i) {
            if (i != now && !part_.isNone(inputs[i])) {
                addChoice(Slip::Kind::otherInput, {id, part_.nodeId(inputs[i]), {}, {}, {}},
                          phrase("{} from {} instead of {}", id, part_.nodeId(inputs[i]), part_.nodeId(inputs[now])));
            }
        }
    }

    /// With one control otherwise all rates are worked out again: what follows another line's control moves too.
    void addChoice(Slip::Kind kind, const Choice& choice, const Text& say) {
        Take other = take_;
        setOtherwise(other, choice);
        Diagnostics faults;
        const Controls controls = resolveControls(part_, other, faults);
        const std::vector<LineFigure> lines = lineRates(part_, plan_.board, controls, nullptr, Detail::verdict);
        Slip slip;
        slip.kind = kind;
        slip.say = say;
        slip.id = choice.id;
        slip.choice = choice;
        for (std::size_t i = 0; i < signals_.size(); ++i) {
            const BenchSignal& signal = signals_[i];
            const NodeIndex clock =
                signal.peripheral ? clockOf(part_, controls, *signal.peripheral).value_or(signal.clock) : signal.clock;
            const auto& hertz = lines[clock].hertz;
            const NodeIndex source = chainOf(part_, controls, clock).back();
            if (!hertz || hertz->nominal.isZero()) {
                slip.effects.push_back({i, true, 1, source});
            } else if (hertz->nominal != signal.hertz || source != signal.source) {
                slip.effects.push_back({i, false, signal.hertz / hertz->nominal, source});
            }
        }
        if (!slip.effects.empty()) {
            slips_.push_back(std::move(slip));
        }
    }

    const Part& part_;
    const Plan& plan_;
    const std::vector<BenchSignal>& signals_;
    const Take& take_;
    Controls controls_;
    std::vector<Slip> slips_;
};

} // namespace

void setOtherwise(Take& take, const Choice& choice) {
    Choice& set = choiceOf(take, choice.id);
    set.from = choice.from ? choice.from : set.from;
    set.divide = choice.divide ? choice.divide : set.divide;
    set.multiply = choice.multiply ? choice.multiply : set.multiply;
    set.rate = choice.rate ? choice.rate : set.rate;
}

std::vector<Slip> slipsOf(const Part& part, const Plan& plan, const Figures& figures, const std::vector<BenchSignal>& predicted) {
    return SlipFinder(part, plan, figures, predicted).find();
}

} // namespace wisetick
