#include "derive/due_changes.h"

#include "quantity/quantity_print.h"

namespace wisetick {

Change inputChange(const Part& part, NodeIndex line, NodeIndex input) {
    const std::string from = part.nodeId(input);
    return {line, "from", phrase("{} from {}", part.nodeId(line), from), [from](Choice& choice) { choice.from = from; }};
}

std::vector<Change> dueChanges(const Part& part, const Controls& now, const Controls& goal, const Demand& goalDemand,
                               const UnknownControls& unknown) {
    std::vector<Change> changes;
    for (std::size_t i = 0; i < part.sources.size(); ++i) {
        if (goalDemand.nodes[i] && now.sourceRates[i] != goal.sourceRates[i]) {
            const Rational rate = part.sources[i].rates[goal.sourceRates[i]];
            changes.push_back({i, "rate", phrase("{} at {}", part.sources[i].id, printQuantity(rate, Unit::hertz)),
                               [rate](Choice& choice) { choice.rate = rate; }});
        }
    }
    for (const std::size_t index : part.order) {
        const Line& line = part.lines[index];
        const NodeIndex node = part.nodeOfLine(index);
        if (!goalDemand.nodes[node]) {
            continue;
        }
        const LineControls& stands = now.lines[index];
        const LineControls& shall = goal.lines[index];
        const auto isDue = [&](const char* control, bool differs) { return differs || unknown.contains({node, control}); };
        if (!line.multiply.empty() && isDue("multiply", stands.multiply != shall.multiply)) {
            changes.push_back({node, "multiply", line.id + " \u00d7 " + printFactor(shall.multiply),
                               [value = shall.multiply](Choice& choice) { choice.multiply = value; }});
        }
        if (!line.divide.empty() && isDue("divide", stands.divide != shall.divide)) {
            changes.push_back({node, "divide", line.id + " \u00f7 " + printFactor(shall.divide),
                               [value = shall.divide](Choice& choice) { choice.divide = value; }});
        }
        if (line.from.size() > 1 && isDue("from", stands.from != shall.from)) {
            changes.push_back(inputChange(part, node, line.from[shall.from]));
        }
    }
    return changes;
}

} // namespace wisetick
