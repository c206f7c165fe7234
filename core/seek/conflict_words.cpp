#include "seek/conflict_words.h"

#include "quantity/quantity_print.h"
#include "seek/space_search.h"

#include <algorithm>
#include <map>

namespace wisetick {

namespace {

std::string listWords(const std::vector<std::string>& words, const char* last) {
    std::string text;
    for (std::size_t i = 0; i < words.size(); ++i) {
        text += (i == 0 ? "" : (i + 1 == words.size() ? std::string(" ") + last + " " : ", ")) + words[i];
    }
    return text;
}

/// "vco can't", "neither vco1 nor vco2 can", "none of vco1, vco2 and vco3 can".
std::string noneCan(const std::vector<std::string>& words) {
    if (words.size() == 1) {
        return words.front() + " can't";
    }
    return words.size() == 2 ? "neither " + words[0] + " nor " + words[1] + " can"
                             : "none of " + listWords(words, "and") + " can";
}

/// What may make a node's rate on a route: the multiplier above it, else the source.
std::vector<std::size_t> makersOn(const Space& space, const FittingRoute& route, std::size_t node) {
    const Line* line = space.nodes[node].line;
    if (space.nodes[node].source != nullptr || (line != nullptr && !line->multiply.empty())) {
        return {node};
    }
    std::vector<std::size_t> makers;
    const std::vector<std::size_t>& inputs = space.nodes[node].inputs;
    for (const std::size_t position : route.from[node]) {
        if (position < inputs.size()) { // else it gets no clock as it stands
            const std::vector<std::size_t> above = makersOn(space, route, inputs[position]);
            makers.insert(makers.end(), above.begin(), above.end());
        }
    }
    return makers;
}

bool isAmong(const std::vector<std::size_t>& list, std::size_t one) {
    return std::find(list.begin(), list.end(), one) != list.end();
}

} // namespace

std::string sayDemanded(const Space& space, const Demanded& demanded) {
    const auto hertz = [](const Rational& rate) { return printQuantity(rate, Unit::hertz); };
    switch (demanded.kind) {
    case Demanded::Kind::wish: return printWish(space.question.wishes[demanded.index]);
    case Demanded::Kind::promise: {
        const std::size_t index = space.question.promises[demanded.index].index;
        const PromiseLine& line = space.plan.promises[index].line;
        return (line.name.empty() ? space.names[index] + ": " : "") + printPromiseLine(line);
    }
    case Demanded::Kind::limit: {
        // of the tiers that the supply allows the widest
        std::optional<Rational> least;
        std::optional<Rational> most;
        const auto isAllowed = [&](const SpaceLimit& limit) {
            return !limit.tier || std::find(space.tiers.begin(), space.tiers.end(), *limit.tier) != space.tiers.end();
        };
        for (const SpaceLimit& limit : space.limits[demanded.index]) {
            if (isAllowed(limit)) {
                least = limit.min && least ? std::min(*least, *limit.min) : (limit.min ? limit.min : least);
                most = limit.max && most ? std::max(*most, *limit.max) : (limit.max ? limit.max : most);
            }
        }
        std::string text = "the limits of " + space.nodes[demanded.index].id() + " (";
        text += least ? "at least " + hertz(*least) : "";
        text += most ? (least ? ", " : "") + std::string("at most ") + hertz(*most) : "";
        return text + ")";
    }
    case Demanded::Kind::rule: return "the rule \u201c" + space.part->rules[demanded.index].say + "\u201d";
    case Demanded::Kind::lock: return "the lock on " + space.locks[demanded.index].text;
    }
    return {};
}

std::string explain(const Space& space, const Conflict& conflict, const SeekControl& control) {
    std::vector<std::string> asked;
    std::vector<std::string> held;
    std::vector<std::size_t> wishes;
    for (const Demanded& each : conflict) {
        const bool isAsked = each.kind == Demanded::Kind::wish || each.kind == Demanded::Kind::promise;
        (isAsked ? asked : held).push_back(sayDemanded(space, each));
        if (each.kind == Demanded::Kind::wish) {
            wishes.push_back(each.index);
        }
    }
    std::string text = asked.empty() ? "the take itself can't be kept" : listWords(asked, "and");
    text += asked.empty() ? "" : (asked.size() == 1 ? " can't be kept" : " can't be kept together");
    text +=
        asked.empty() && !held.empty() ? " with " + listWords(held, "and") + "." : (held.empty() ? "." : " within these limits.");
    // which multipliers can make each of the wishes alone, and which of them can't make two
    const auto makersWith = [&](const std::vector<std::size_t>& some) {
        InForce inForce = allInForce(space);
        for (std::size_t i = 0; i < inForce.wishes.size(); ++i) {
            inForce.wishes[i] = isAmong(some, i);
        }
        inForce.promises.assign(inForce.promises.size(), false);
        constexpr std::int64_t kMostSteps = 200000;
        Effort effort = effortFor(control, kMostSteps);
        return routesThatFit(space, inForce, effort);
    };
    std::map<std::size_t, std::vector<std::size_t>> makers; // by wish
    if (asked.size() < 2) {                                 // that it can't be made is said
        return text;
    }
    for (const std::size_t wish : wishes) {
        const NodeIndex node = *space.part->findNode(space.question.wishes[wish].line);
        std::vector<std::string> names;
        const bool isSaid = std::any_of(makers.begin(), makers.end(), [&](const auto& each) {
            return each.first != wish && space.question.wishes[each.first].line == space.question.wishes[wish].line;
        });
        for (const FittingRoute& route : makersWith({wish})) {
            for (const std::size_t maker : makersOn(space, route, node)) {
                if (!isAmong(makers[wish], maker)) {
                    makers[wish].push_back(maker);
                }
            }
        }
        std::sort(makers[wish].begin(), makers[wish].end());
        for (const std::size_t maker : makers[wish]) {
            names.push_back(space.nodes[maker].id());
        }
        text += isSaid ? ""
                       : " " + space.question.wishes[wish].line + " alone " +
                             (names.empty() ? "can't be made at all." : "can be made by " + listWords(names, "or") + ".");
    }
    for (std::size_t i = 0; i < wishes.size(); ++i) {
        for (std::size_t j = i + 1; j < wishes.size(); ++j) {
            const NodeIndex first = *space.part->findNode(space.question.wishes[wishes[i]].line);
            const NodeIndex second = *space.part->findNode(space.question.wishes[wishes[j]].line);
            if (first == second) {
                continue;
            }
            const std::vector<FittingRoute> routes = makersWith({wishes[i], wishes[j]});
            std::vector<std::string> none;
            for (const std::size_t maker : makers[wishes[i]]) {
                const bool isShared = isAmong(makers[wishes[j]], maker);
                const bool makesBoth = std::any_of(routes.begin(), routes.end(), [&](const FittingRoute& route) {
                    return isAmong(makersOn(space, route, first), maker) && isAmong(makersOn(space, route, second), maker);
                });
                if (isShared && !makesBoth) {
                    none.push_back(space.nodes[maker].id());
                }
            }
            if (!none.empty()) {
                text += " " + noneCan(none) + " make both " + space.question.wishes[wishes[i]].line + " and " +
                        space.question.wishes[wishes[j]].line + ".";
            }
        }
    }
    return text;
}

} // namespace wisetick
