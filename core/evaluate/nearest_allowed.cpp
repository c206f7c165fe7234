#include "evaluate/nearest_allowed.h"

#include "base/text.h"
#include "derive/derive.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

/// Collects what each control of one choice could be instead.
class Mender {
public:
    Mender(const Part& part, const Choice& choice) : part_(part), choice_(choice) {}

    std::vector<WayOut> ways() {
        const auto node = part_.findNode(choice_.id);
        if (node && part_.isSource(*node)) {
            mendRate(part_.sources[*node]);
        } else if (node) {
            const Line& line = part_.lineAt(*node);
            mendInput(line.from, line.resetFrom);
            mendFactor(line.divide, &Choice::divide, "\u00f7");
            mendFactor(line.multiply, &Choice::multiply, "\u00d7");
        } else if (const auto peripheral = part_.findPeripheral(choice_.id)) {
            mendInput(part_.peripherals[*peripheral].clock, part_.peripherals[*peripheral].resetFrom);
        }
        return std::move(ways_);
    }

private:
    template <class Value>
    void offer(const Text& say, std::optional<Value> Choice::*control, const std::optional<Value>& value) {
        WayOut way{choice_.id + " " + say, choice_, State::broken, {}, {}};
        way.choice.*control = value;
        ways_.push_back(std::move(way));
    }

    void mendInput(const std::vector<NodeIndex>& inputs, std::size_t reset) {
        const auto isInput = [&](NodeIndex input) { return part_.nodeId(input) == *choice_.from; };
        if (!choice_.from || inputs.empty() || std::any_of(inputs.begin(), inputs.end(), isInput)) {
            return;
        }
        offer(phrase("from {}", part_.nodeId(inputs[reset])), &Choice::from, std::optional(part_.nodeId(inputs[reset])));
        for (std::size_t i = 0; i < inputs.size(); ++i) {
            if (i != reset) {
                offer(phrase("from {}", part_.nodeId(inputs[i])), &Choice::from, std::optional(part_.nodeId(inputs[i])));
            }
        }
    }

    void mendFactor(const FactorSet& set, std::optional<Rational> Choice::*control, const std::string& sign) {
        const std::optional<Rational>& chosen = choice_.*control;
        if (!chosen || set.empty() || set.contains(*chosen)) {
            return;
        }
        std::vector<Rational> near = set.nearest(*chosen);
        std::stable_sort(near.begin(), near.end(),
                         [&](const Rational& a, const Rational& b) { return abs(a - *chosen) < abs(b - *chosen); });
        for (const Rational& value : near) {
            offer(sign + " " + printFactor(value), control, std::optional(value));
        }
    }

    void mendRate(const Source& source) {
        if (!choice_.rate || std::find(source.rates.begin(), source.rates.end(), *choice_.rate) != source.rates.end()) {
            return;
        }
        std::vector<Rational> near = source.rates;
        std::stable_sort(near.begin(), near.end(),
                         [&](const Rational& a, const Rational& b) { return abs(a - *choice_.rate) < abs(b - *choice_.rate); });
        near.resize(std::min<std::size_t>(near.size(), 2));
        for (const Rational& rate : near) {
            offer(phrase("at {}", printQuantity(rate, Unit::hertz)), &Choice::rate, std::optional(rate));
        }
    }

    const Part& part_;
    const Choice& choice_;
    std::vector<WayOut> ways_;
};

} // namespace

std::vector<WayOut> nearestAllowed(const Part& part, const Plan& plan, const std::string& takeName, const std::string& id) {
    const Take* take = findTake(plan, takeName);
    const Choice* choice = take == nullptr ? nullptr : findChoice(*take, id);
    std::vector<WayOut> ways = choice == nullptr ? std::vector<WayOut>() : Mender(part, *choice).ways();
    if (ways.empty()) {
        return ways;
    }
    const Figures before = derive(part, plan, takeName);
    for (WayOut& way : ways) {
        Plan changed = plan;
        takeWayOut(changed, takeName, way);
        const Figures after = derive(part, changed, takeName);
        if (const LineFigure* line = after.findLine(id)) {
            way.state = line->state;
            way.got = line->hertz ? Text(printQuantity(line->hertz->nominal, Unit::hertz)) : line->why;
        } else {
            way.state = State::kept;
        }
        for (std::size_t i = 0; i < after.promises.size(); ++i) {
            if (after.promises[i].state == State::broken && before.promises[i].state != State::broken) {
                way.breaks.push_back(after.promises[i].name);
            }
        }
    }
    return ways;
}

} // namespace wisetick
