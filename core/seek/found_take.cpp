#include "seek/found_take.h"

#include "base/text.h"
#include "plan/board_edits.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

/// What changes of one control: "from pll_a ÷ 3", "at 16 MHz".
Text controlText(const Space& space, std::size_t node, const Whole::Settings& now, const Whole::Settings& found) {
    const SpaceNode& each = space.nodes[node];
    std::string text;
    const auto add = [&](const std::string& piece) { text += (text.empty() ? "" : " ") + piece; };
    if (each.source != nullptr) {
        return phrase("at {}", printQuantity(each.rates[found.from], Unit::hertz));
    }
    if (now.from != found.from) {
        add(phrase("from {}", space.nodes[each.inputs[found.from]].id()));
    }
    if (now.multiply != found.multiply) {
        add("\u00d7 " + printFactor(found.multiply));
    }
    if (now.divide != found.divide) {
        add("\u00f7 " + printFactor(found.divide));
    }
    return text;
}

} // namespace

FoundTake foundTake(const Space& space, const Whole& whole) {
    FoundTake found;
    found.score = whole.score;
    found.take = *findTake(space.plan, space.take);
    for (const auto& [node, hertz] : whole.rates) {
        found.rates.emplace_back(space.nodes[node].id(), hertz);
    }
    if (!space.part->tiers.empty() && space.present.tier != whole.tier) {
        found.take.tier = space.part->tiers[whole.tier].id;
        found.changes.emplace_back("tier", found.take.tier);
    }
    const auto choiceAt = [&](const std::string& id) -> Choice& { return choiceOf(found.take, id); };
    for (std::size_t node = 0; node < space.nodes.size(); ++node) {
        const SpaceNode& each = space.nodes[node];
        const Whole::Settings now{each.source != nullptr ? each.rateNow : each.from, each.divideNow, each.multiplyNow};
        const Whole::Settings& settings = whole.settings[node];
        if (!whole.isOn[node] || (settings == now && each.fault.empty())) {
            continue;
        }
        if (settings != now) {
            found.changes.emplace_back(each.id(), controlText(space, node, now, settings));
        }
        if (node == space.crystalNode) {
            const Fitted* fitted = findFitted(space.plan.board, each.id());
            found.crystal = fitted == nullptr ? Fitted{each.id(), {}, {}, false, {}, {}} : *fitted;
            found.crystal->rate = each.rates[settings.from];
        } else if (each.source != nullptr) {
            choiceAt(each.id()).rate = each.rates[settings.from];
        } else {
            Choice& choice = choiceAt(each.id());
            if (settings.from != now.from || !each.fault.empty()) {
                choice.from = space.nodes[each.inputs[settings.from]].id();
            }
            if (settings.divide != now.divide) {
                choice.divide = settings.divide;
            }
            if (settings.multiply != now.multiply) {
                choice.multiply = settings.multiply;
            }
        }
    }
    return found;
}

Text takeFound(Plan& plan, const FoundTake& found, const std::string& newName) {
    if (!newName.empty() && findTake(plan, newName) != nullptr) {
        return phrase("there is a take '{}' already", newName);
    }
    plan = withFound(plan, found, newName);
    return {};
}

Plan withFound(const Plan& plan, const FoundTake& found, const std::string& newName) {
    Plan changed = plan;
    const auto same =
        std::find_if(changed.takes.begin(), changed.takes.end(), [&](const Take& take) { return take.name == found.take.name; });
    if (newName.empty() && same != changed.takes.end()) {
        *same = found.take;
    } else {
        Take added = found.take;
        added.name = newName.empty() ? found.take.name : newName;
        changed.takes.insert(same == changed.takes.end() ? same : same + 1, std::move(added));
    }
    if (found.crystal) {
        fit(changed, *found.crystal);
    }
    return changed;
}

} // namespace wisetick
