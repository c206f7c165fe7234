#include "seek/seek.h"

#include "base/text.h"
#include "evaluate/evaluate.h"
#include "seek/policy.h"
#include "seek/space_search.h"

#include <algorithm>
#include <cmath>

namespace wisetick {

namespace {

/// How many takes there are within what may change, as a power of ten.
double countOfSettings(const Space& space) {
    const InForce all = allInForce(space);
    double power = 0;
    const auto add = [&](bool mayTurn, double count) { power += mayTurn && count > 1 ? std::log10(count) : 0; };
    for (std::size_t node = 0; node < space.nodes.size(); ++node) {
        const SpaceNode& each = space.nodes[node];
        add(mayChange(space, all, node, "from"), static_cast<double>(each.inputs.size()));
        add(mayChange(space, all, node, "divide"), each.divide.empty() ? 1 : each.divide.size().toDouble());
        add(mayChange(space, all, node, "multiply"), each.multiply.empty() ? 1 : each.multiply.size().toDouble());
        add(each.source != nullptr && mayChange(space, all, node, "rate"), static_cast<double>(each.rates.size()));
    }
    add(mayChangeTier(space, all), static_cast<double>(space.tiers.size()));
    return power;
}

/// Promises that are judged on found takes only: whether the take keeps those of them that it must.
bool keepsLate(const Space& space, const FoundTake& found) {
    const bool hasHard = std::any_of(space.late.begin(), space.late.end(),
                                     [&](std::size_t sought) { return !space.question.promises[sought].isSoft; });
    if (!hasHard) {
        return true;
    }
    const Figures figures = evaluate(*space.part, withFound(space.plan, found), space.take);
    return std::none_of(space.late.begin(), space.late.end(), [&](std::size_t sought) {
        const SoughtPromise& promise = space.question.promises[sought];
        return !promise.isSoft && figures.promises[promise.index].state == State::broken;
    });
}

std::vector<FoundTake> foundTakes(const Space& space, const std::vector<Whole>& wholes) {
    std::vector<FoundTake> found;
    for (const Whole& whole : wholes) {
        found.push_back(foundTake(space, whole));
    }
    return found;
}

/// The space with what its late promises need preferred before all else: of equals those come first that may keep them.
Space preferringLate(const Space& space) {
    Space late = space;
    auto& prefers = late.question.prefers;
    const auto prefer = [&](Preference preference) {
        std::erase(prefers, preference);
        prefers.insert(prefers.begin(), preference);
    };
    for (const std::size_t sought : space.late) {
        const Ask& ask = space.plan.promises[space.question.promises[sought].index].line.ask;
        if (ask.is<WakesAsk>()) {
            prefer(Preference::wakeUp);
        } else if (ask.is<AverageAsk>() || ask.is<LastsAsk>()) {
            prefer(Preference::current);
        }
    }
    return late;
}

/// Searches a space, and lets through only takes that keep the promises that are judged on whole takes.
class SpaceSearch {
public:
    SpaceSearch(const Space& space, bool isFolded, std::size_t most, const SeekControl& control,
                const std::optional<Whole>& known)
        : space_(space), inForce_(allInForce(space)), isFolded_(isFolded), most_(most), control_(control), known_(known),
          effort_(effortFor(control, control.mostSteps)) {}

    SeekResult run() {
        // of such promises more takes than are asked for may be wanted
        bool areAll = false;
        for (std::size_t looked = most_; !isOver() && !areAll; looked *= 4) {
            looked = std::max(most_, std::min(looked, policy::kMostLooked));
            areAll = look(space_, isFolded_, looked) || looked >= policy::kMostLooked;
            isCut_ = looked >= policy::kMostLooked && !isAllLooked_;
        }
        if (isFolded_ && hasDropped_ && !isOver()) { // another take of the same rates may keep what the best of them does not
            isCut_ = !look(preferringLate(space_), false, policy::kMostLooked);
        }
        result_.steps = effort_.steps;
        result_.settings = countOfSettings(space_);
        result_.isCancelled = effort_.isCancelled;
        if (effort_.isCut) {
            result_.cut = phrase("{}after {} steps; let less change, or wish more",
                                 std::string(effort_.isFull ? phrase("for memory ") : ""), std::to_string(effort_.steps));
        } else if (isCut_ && result_.found.size() < most_) {
            result_.cut = phrase("of the {} best takes these keep the promises that are judged on whole takes; there may be more",
                                 std::to_string(std::max(most_, policy::kMostLooked)));
        }
        return std::move(result_);
    }

private:
    bool isOver() const { return result_.found.size() >= most_ || effort_.isOver(); }

    /// Looks at the best takes of a space; whether these are all that it has.
    bool look(const Space& space, bool isFolded, std::size_t most) {
        const auto onFound = control_.onFound && space.late.empty()
                                 ? [&](const std::vector<Whole>& wholes) { control_.onFound(foundTakes(space, wholes)); }
                                 : std::function<void(const std::vector<Whole>&)>();
        const std::vector<Whole> wholes = bestTakes(space, inForce_, effort_, isFolded, most, onFound, known_);
        for (const Whole& whole : wholes) {
            if (!space.late.empty()) { // each is derived and played
                effort_.look();
            }
            if (effort_.isCancelled && !space.late.empty()) {
                break;
            }
            take(foundTake(space, whole));
            if (result_.found.size() >= most_) {
                break;
            }
        }
        isAllLooked_ = wholes.size() < most;
        return isAllLooked_;
    }

    /// Adds a take that keeps them and that is not there yet.
    void take(FoundTake found) {
        const auto isSame = [&](const FoundTake& each) {
            return isFolded_ ? each.rates == found.rates : each.take == found.take && each.crystal == found.crystal;
        };
        if (std::any_of(result_.found.begin(), result_.found.end(), isSame)) {
            return;
        }
        if (!keepsLate(space_, found)) {
            hasDropped_ = true;
            return;
        }
        const auto isBetter = [&](const FoundTake& one, const FoundTake& other) {
            return compareScores(one.score, other.score, space_.question.prefers) == std::strong_ordering::less;
        };
        auto& all = result_.found;
        all.insert(std::upper_bound(all.begin(), all.end(), found, isBetter), std::move(found));
        if (!space_.late.empty() && control_.onFound) {
            control_.onFound(all);
        }
    }

    const Space& space_;
    InForce inForce_;
    bool isFolded_;
    std::size_t most_;
    const SeekControl& control_;
    const std::optional<Whole>& known_;
    Effort effort_;
    SeekResult result_;
    bool hasDropped_ = false;  ///< takes that do not keep them
    bool isAllLooked_ = false; ///< the last look saw all that there are
    bool isCut_ = false;
};

SeekResult searchIn(const Space& space, bool isFolded, std::size_t most, const SeekControl& control,
                    const std::optional<Whole>& known = std::nullopt) {
    return SpaceSearch(space, isFolded, most, control, known).run();
}

/// Whether one of the hard wishes or promises can't even be kept alone: the steps that it took to see that.
std::optional<std::int64_t> stepsToSeeOneCollide(const Space& space, const SeekControl& control) {
    std::int64_t steps = 0;
    const InForce all = allInForce(space);
    InForce one = all;
    one.wishes.assign(one.wishes.size(), false);
    one.promises.assign(one.promises.size(), false);
    const auto collides = [&](std::vector<bool>& list, std::size_t i) {
        list[i] = true;
        Effort effort = effortFor(control, policy::kAloneSteps);
        const bool isKept = anyTake(space, one, effort).has_value() || effort.isOver();
        steps += effort.steps;
        list[i] = false;
        return !isKept;
    };
    for (std::size_t i = 0; i < one.wishes.size(); ++i) {
        if (!space.question.wishes[i].isSoft && collides(one.wishes, i)) {
            return steps;
        }
    }
    for (std::size_t i = 0; i < one.promises.size(); ++i) {
        if (!space.question.promises[i].isSoft && collides(one.promises, i)) {
            return steps;
        }
    }
    return std::nullopt;
}

/// The take as it is, where it keeps all that it must.
std::optional<FoundTake> presentTake(const Space& space) {
    Space still = space;
    for (SpaceNode& node : still.nodes) {
        node.isInScope = false;
    }
    still.mayChangeTier = false;
    still.crystalNode.reset();
    Effort effort;
    const std::vector<Whole> wholes = bestTakes(still, allInForce(still), effort, true, 1);
    if (wholes.empty()) {
        return std::nullopt;
    }
    FoundTake found = foundTake(space, wholes.front());
    return keepsLate(space, found) ? std::optional(std::move(found)) : std::nullopt;
}

SeekResult search(const Space& space, bool isFolded, std::size_t most, const SeekControl& control);

/// The best takes that miss nothing of what may be missed, where one is soon met: no other is better.
std::optional<SeekResult> searchWithoutMisses(const Space& space, std::size_t most, const SeekControl& control) {
    Question all = space.question;
    bool isAnySoft = false;
    const auto harden = [&](auto& asked) {
        isAnySoft = isAnySoft || asked.isSoft;
        asked.isSoft = false;
    };
    std::for_each(all.wishes.begin(), all.wishes.end(), harden);
    std::for_each(all.promises.begin(), all.promises.end(), harden);
    if (!isAnySoft) {
        return std::nullopt;
    }
    const Space strict = spaceOf(*space.part, space.plan, space.take, all);
    Effort effort = effortFor(control, policy::kQuickSteps);
    if (!anyTake(strict, allInForce(strict), effort)) {
        return std::nullopt;
    }
    SeekResult result = search(strict, true, most, control);
    return result.found.empty() ? std::nullopt : std::optional(std::move(result));
}

/// The space in which multipliers stay, what is above them and what they feed, and whatever the core hangs on: few takes, that
/// are soon looked at.
Space quietOf(const Space& space) {
    Space quiet = space;
    const auto inputOf = [&](std::size_t node) {
        const SpaceNode& each = space.nodes[node];
        return each.source != nullptr || each.from >= each.inputs.size() ? std::nullopt : std::optional(each.inputs[each.from]);
    };
    const auto isMultiplier = [&](std::size_t node) {
        const Line* line = space.nodes[node].line;
        return line != nullptr && !line->multiply.empty();
    };
    for (std::size_t node = 0; node < space.nodes.size(); ++node) {
        const bool isFed = space.nodes[node].line != nullptr && inputOf(node) && isMultiplier(*inputOf(node));
        if (!isFed && !isMultiplier(node) && node != space.core) {
            continue;
        }
        for (std::optional<std::size_t> above = node; above && !quiet.nodes[*above].keepsAll; above = inputOf(*above)) {
            quiet.nodes[*above].keepsAll = true;
        }
    }
    return quiet;
}

/// The best of both lists, each with rates of its own.
std::vector<FoundTake> mergedTakes(std::vector<FoundTake> found, const std::vector<FoundTake>& others, std::size_t most,
                                   const std::vector<Preference>& prefers) {
    found.insert(found.end(), others.begin(), others.end());
    std::stable_sort(found.begin(), found.end(), [&](const FoundTake& a, const FoundTake& b) {
        return compareScores(a.score, b.score, prefers) == std::strong_ordering::less;
    });
    std::vector<FoundTake> merged;
    for (FoundTake& take : found) {
        const auto isSame = [&](const FoundTake& each) { return each.rates == take.rates; };
        if (merged.size() < most && std::none_of(merged.begin(), merged.end(), isSame)) {
            merged.push_back(std::move(take));
        }
    }
    return merged;
}

SeekResult searchRoutes(const Space& space, bool isFolded, std::size_t most, const SeekControl& control);

/// Where there are very many takes, first those that leave the multipliers alone: a search that is cut has at least the best of
/// these.
SeekResult search(const Space& space, bool isFolded, std::size_t most, const SeekControl& control) {
    if (!isFolded || countOfSettings(space) < policy::kManyTakes || routesIn(space) >= policy::kManyRoutes) {
        return searchRoutes(space, isFolded, most, control);
    }
    const SeekResult quiet = searchIn(quietOf(space), isFolded, most, control);
    const auto withQuiet = [&](std::vector<FoundTake> found) {
        return mergedTakes(std::move(found), quiet.found, most, space.question.prefers);
    };
    SeekControl telling = control;
    if (control.onFound) {
        telling.onFound = [&](const std::vector<FoundTake>& found) { control.onFound(withQuiet(found)); };
    }
    if (control.onProgress) {
        telling.onProgress = [&](SeekProgress progress) {
            progress.steps += quiet.steps;
            control.onProgress(progress);
        };
    }
    SeekResult whole = searchIn(space, isFolded, most, telling);
    whole.steps += quiet.steps;
    if (!whole.isComplete()) {
        whole.found = withQuiet(std::move(whole.found));
    }
    return whole;
}

/// Where there are very many routes, first those that leave kept promises on their inputs: what is found there is soon found.
SeekResult searchRoutes(const Space& space, bool isFolded, std::size_t most, const SeekControl& control) {
    if (!isFolded || routesIn(space) < policy::kManyRoutes) {
        return searchIn(space, isFolded, most, control);
    }
    const auto tell = [&](const std::vector<FoundTake>& found) {
        if (control.onFound && !found.empty()) {
            control.onFound(found);
        }
    };
    if (const auto present = presentTake(space)) {
        tell({*present});
    }
    Effort effort = effortFor(control, policy::kQuickSteps);
    std::optional<Whole> known = anyTake(space, allInForce(space), effort);
    std::optional<std::int64_t> stepsToNone;
    if (!known && effort.isCut) { // that may go on for long: one that can't be kept alone is sooner seen
        stepsToNone = stepsToSeeOneCollide(space, control);
        effort = effortFor(control, control.mostSteps);
        known = stepsToNone ? std::nullopt : anyTake(space, allInForce(space), effort);
    }
    if (!known && (stepsToNone || !effort.isOver())) {
        SeekResult none;
        none.steps = stepsToNone.value_or(effort.steps);
        none.settings = countOfSettings(space);
        return none;
    }
    if (known && keepsLate(space, foundTake(space, *known))) {
        tell({foundTake(space, *known)});
    }
    if (auto strict = searchWithoutMisses(space, most, control);
        strict && (strict->found.size() == most || !strict->isComplete())) {
        return *strict;
    }
    const std::optional<Space> narrow = narrowed(space);
    SeekResult first;
    if (narrow) {
        first = searchIn(*narrow, isFolded, most, control);
        tell(first.found);
        if (first.isCancelled && !first.found.empty()) {
            return first;
        }
    }
    SeekResult whole = searchIn(space, isFolded, most, control, known);
    if (narrow && !whole.isComplete() && !first.found.empty()) {
        // the takes of the part that was searched to its end
        first.steps += whole.steps;
        first.settings = whole.settings;
        first.isCancelled = whole.isCancelled;
        first.cut =
            (whole.cut.empty() ? phrase("before its end") : whole.cut) +
            (first.cut.empty() ? phrase(": these are the best of all that leave promises that are kept now on their inputs")
                               : "");
        return first;
    }
    return whole;
}

} // namespace

Effort effortFor(const SeekControl& control, std::int64_t mostSteps) {
    Effort effort;
    effort.most = mostSteps;
    effort.mostMemory = control.mostMemory;
    effort.goOn = control.goOn;
    effort.onProgress = control.onProgress;
    return effort;
}

bool isTooDeep(const Part& part) {
    std::vector<std::size_t> depth(part.lines.size(), 1);
    for (const std::size_t line : part.order) {
        for (const NodeIndex parent : part.lines[line].from) {
            if (!part.isSource(parent)) {
                depth[line] = std::max(depth[line], depth[parent - part.sources.size()] + 1);
            }
        }
        if (depth[line] > policy::kMostInSeries) {
            return true;
        }
    }
    return false;
}

SeekResult seek(const Part& part, const Plan& plan, const std::string& take, const Question& question,
                const SeekControl& control) {
    if (isTooDeep(part)) {
        SeekResult result;
        result.cut = phrase("before it began: more than {} lines stand in series", policy::kMostInSeries);
        return result;
    }
    return search(spaceOf(part, plan, take, question), true, question.most, control);
}

SeekResult unfold(const Part& part, const Plan& plan, const std::string& take, const Question& question, const FoundTake& found,
                  std::size_t most, const SeekControl& control) {
    Question same = question;
    same.most = most;
    Space space = spaceOf(part, plan, take, same);
    RatesAt only;
    for (std::size_t node = 0; node < space.nodes.size(); ++node) {
        const auto rate = std::find_if(found.rates.begin(), found.rates.end(),
                                       [&](const auto& each) { return each.first == space.nodes[node].id(); });
        if (rate != found.rates.end()) {
            space.pinnedAt[node] = rate->second;
            only.emplace_back(node, rate->second);
        }
    }
    space.only = std::move(only);
    return search(space, false, most, control);
}

} // namespace wisetick
