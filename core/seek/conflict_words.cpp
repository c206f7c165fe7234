#include "seek/conflict_words.h"

#include "base/text.h"
#include "quantity/quantity_print.h"
#include "seek/policy.h"
#include "seek/space_search.h"

#include <algorithm>
#include <map>
#include <set>

namespace wisetick {

namespace {

Text listWords(const std::vector<std::string>& words, const Text& last) {
    Text text;
    for (std::size_t i = 0; i < words.size(); ++i) {
        text += i == 0 ? Text() : (i + 1 == words.size() ? last : Text(", "));
        text += words[i];
    }
    return text;
}

/// "vco can't", "Neither vco1 nor vco2 can", "None of vco1, vco2 and vco3 can".
Text noneCan(const std::vector<std::string>& words) {
    if (words.size() == 1) {
        return phrase("{} can't", words.front());
    }
    return words.size() == 2 ? phrase("Neither {} nor {} can", words[0], words[1])
                             : phrase("None of {} can", listWords(words, phrase(" and ")));
}

/// What there is above a node, itself too, to make its rate, in the part's order.
std::set<std::size_t> makersAbove(const Space& space, std::size_t node) {
    std::set<std::size_t> makers;
    std::set<std::size_t> seen; // muxes may share their inputs over and over
    std::vector<std::size_t> open{node};
    while (!open.empty()) {
        const std::size_t each = open.back();
        open.pop_back();
        if (!seen.insert(each).second) {
            continue;
        }
        if (space.nodes[each].isMaker()) {
            makers.insert(each);
        } else {
            open.insert(open.end(), space.nodes[each].inputs.begin(), space.nodes[each].inputs.end());
        }
    }
    return makers;
}

/// Says which multipliers and sources can make each of the wishes alone, and which of them can't make two.
class MakerWords {
public:
    MakerWords(const Space& space, std::vector<std::size_t> wishes, const SeekControl& control)
        : space_(space), wishes_(std::move(wishes)), effort_(effortFor(control, policy::kWordsSteps)) {}

    Text text() {
        Text text;
        for (const std::size_t wish : wishes_) {
            const Text alone = aloneText(wish);
            if (effort_.isOver()) {
                return text;
            }
            text += said_.insert(lineOf(wish)).second ? alone : "";
        }
        for (std::size_t i = 0; i < wishes_.size(); ++i) {
            for (std::size_t j = i + 1; j < wishes_.size(); ++j) {
                const Text apart = lineOf(wishes_[i]) == lineOf(wishes_[j]) ? "" : apartText(wishes_[i], wishes_[j]);
                if (effort_.isOver()) {
                    return text;
                }
                text += apart;
            }
        }
        return text;
    }

private:
    const std::string& lineOf(std::size_t wish) const { return space_.question.wishes[wish].line; }
    std::size_t nodeOf(std::size_t wish) const { return *space_.part->findNode(lineOf(wish)); }

    Text aloneText(std::size_t wish) {
        std::vector<std::string> names;
        for (const std::size_t maker : makersAbove(space_, nodeOf(wish))) {
            if (canMake(maker, {wish})) {
                makers_[wish].push_back(maker);
                names.push_back(space_.nodes[maker].id());
            }
        }
        return phrase(" {} alone {}", lineOf(wish),
                      names.empty() ? phrase("can't be made at all.")
                                    : phrase("can be made by {}.", listWords(names, phrase(" or "))));
    }

    Text apartText(std::size_t one, std::size_t other) {
        std::vector<std::string> none;
        for (const std::size_t maker : makers_[one]) {
            const std::vector<std::size_t>& others = makers_[other];
            if (std::find(others.begin(), others.end(), maker) != others.end() && !canMake(maker, {one, other})) {
                none.push_back(space_.nodes[maker].id());
            }
        }
        return none.empty() ? "" : phrase(" {} make both {} and {}.", noneCan(none), lineOf(one), lineOf(other));
    }

    /// Whether some take keeps these wishes alone, made by that.
    bool canMake(std::size_t maker, const std::vector<std::size_t>& wishes) {
        InForce inForce = allInForce(space_);
        inForce.wishes.assign(inForce.wishes.size(), false);
        inForce.promises.assign(inForce.promises.size(), false);
        std::vector<Made> made;
        for (const std::size_t wish : wishes) {
            inForce.wishes[wish] = true;
            made.push_back({nodeOf(wish), maker});
        }
        return anyTake(space_, inForce, effort_, made).has_value();
    }

    const Space& space_;
    std::vector<std::size_t> wishes_;
    Effort effort_;
    std::map<std::size_t, std::vector<std::size_t>> makers_; ///< by wish
    std::set<std::string> said_;                             ///< lines
};

/// Says in which tier a node may run the fastest, where that is faster than in any tier that the supply allows.
Text elsewhere(const Space& space, std::size_t node) {
    const auto isAllowed = [&](const SpaceLimit& limit) {
        return !limit.tier || std::find(space.tiers.begin(), space.tiers.end(), *limit.tier) != space.tiers.end();
    };
    const SpaceLimit* best = nullptr;
    for (const SpaceLimit& limit : space.limits[node]) {
        const bool isSometimes = limit.own != nullptr || limit.dependence || limit.whileRate != nullptr;
        if (limit.max && !isSometimes && (best == nullptr || *limit.max > *best->max)) {
            best = &limit;
        }
    }
    if (best == nullptr || isAllowed(*best)) {
        return {};
    }
    const auto& supply = space.plan.board.supply;
    const Tier& tier = space.part->tiers[*best->tier];
    const bool isTooLow = supply && tier.supplyMin && supply->min < *tier.supplyMin;
    const Text needs = isTooLow         ? phrase("a supply of at least {}", printQuantity(*tier.supplyMin, Unit::volt))
                       : tier.supplyMax ? phrase("a supply of at most {}", printQuantity(*tier.supplyMax, Unit::volt))
                                        : Text();
    return needs.empty() ? needs
                         : phrase(" In tier {} {} may run at up to {}; that needs {}.", tier.id, space.nodes[node].id(),
                                  printQuantity(*best->max, Unit::hertz), needs);
}

} // namespace

Text sayDemanded(const Space& space, const Demanded& demanded) {
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
        Text text = phrase("the limits of {} (", space.nodes[demanded.index].id());
        text += least ? phrase("at least {}", hertz(*least)) : "";
        text += most ? phrase("{}at most {}", least ? ", " : "", hertz(*most)) : "";
        return text + ")";
    }
    case Demanded::Kind::rule: return phrase("the rule \u201c{}\u201d", space.part->rules[demanded.index].say);
    case Demanded::Kind::lock: return phrase("the lock on {}", space.locks[demanded.index].text);
    }
    return {};
}

Text explain(const Space& space, const Conflict& conflict, const SeekControl& control) {
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
    Text text = asked.empty() ? phrase("the take itself can't be kept") : listWords(asked, phrase(" and "));
    text += asked.empty() ? "" : (asked.size() == 1 ? phrase(" can't be kept") : phrase(" can't be kept together"));
    text += asked.empty() && !held.empty() ? phrase(" with {}.", listWords(held, phrase(" and ")))
                                           : (held.empty() ? "." : phrase(" within these limits."));
    for (const Demanded& each : conflict) {
        text += each.kind == Demanded::Kind::limit ? elsewhere(space, each.index) : "";
    }
    return asked.size() < 2 ? text : text + MakerWords(space, wishes, control).text(); // of one it is said by that
}

} // namespace wisetick
