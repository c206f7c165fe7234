#include "seek/promise_judge.h"

#include "derive/meetings.h"
#include "promise/line_rate.h"
#include "seek/policy.h"

#include <algorithm>

namespace wisetick {

namespace {

const Rational kPartsPerMillion = 1000000;
const Rational kNothing = Rational(1000000000); ///< the ratio of what is not possible at all

/// What the figure's error is worth: share of the tolerance; of what is broken without one its error in ppm.
Rational ratioOf(const Part& part, const PromiseLine& line, const PromiseFigure& figure) {
    if (!figure.error) {
        return figure.state == State::broken ? kNothing : Rational(0);
    }
    const Rational miss = abs(figure.error->nominal);
    if (const auto tolerance = toleranceOf(part, line)) {
        return miss / *tolerance;
    }
    return figure.state == State::broken ? miss * kPartsPerMillion : Rational(0);
}

} // namespace

bool PromiseJudges::Asked::operator<(const Asked& other) const {
    if (node != other.node) {
        return node < other.node;
    }
    if (hertz.nominal != other.hertz.nominal) {
        return hertz.nominal < other.hertz.nominal;
    }
    if (hertz.min != other.hertz.min) {
        return hertz.min < other.hertz.min;
    }
    return hertz.max != other.hertz.max ? hertz.max < other.hertz.max : isWorstKnown < other.isWorstKnown;
}

PromiseJudges::PromiseJudges(const Space& space, const InForce& inForce, std::size_t tier)
    : space_(space), inForce_(inForce), controls_(space.present), lines_(space.part->nodeCount()) {
    if (!space.part->tiers.empty()) {
        controls_.tier = tier;
    }
    controls_.nodeOn.assign(controls_.nodeOn.size(), std::nullopt); // a clock that is judged is on
    demand_.nodes.assign(space.part->nodeCount(), true);
    demand_.peripherals.assign(space.part->peripherals.size(), true);
    for (std::size_t node = space.part->nodeCount(); node < space.nodes.size(); ++node) {
        Group group;
        for (const std::size_t sought : space.promisesAt[node]) {
            if (inForce.promises[sought]) {
                group.sought.push_back(sought);
            }
        }
        if (group.sought.empty()) {
            continue;
        }
        group.plan = Plan{};
        group.plan.board = space.plan.board;
        group.plan.takes = {*findTake(space.plan, space.take)};
        group.plan.active = space.take;
        for (const std::size_t sought : group.sought) {
            const std::size_t index = space.question.promises[sought].index;
            group.plan.promises.push_back(space.plan.promises[index]);
            group.plan.promises.back().line.name = space.names[index]; // what is pinned is pinned by name
        }
        groups_.emplace(node, std::move(group));
    }
    for (std::size_t node = 0; node < space.nodes.size(); ++node) {
        for (const std::size_t sought : space.promisesAt[node]) {
            if (inForce.promises[sought] && isHard(sought)) {
                const PromiseLine& line = space.plan.promises[space.question.promises[sought].index].line;
                windows_[node].push_back(windowsOf(node, line, line.ask));
            }
        }
    }
}

const PromiseStanding& PromiseJudges::at(std::size_t node, const Bounds& hertz, bool isWorstKnown) {
    const Asked asked{node, hertz, isWorstKnown};
    const auto found = known_.find(asked);
    if (found != known_.end()) {
        return found->second;
    }
    if (known_.size() > keptAtMost_) {
        known_.clear();
    }
    const bool isPeripheral = space_.nodes[node].peripheral != nullptr;
    return known_.emplace(asked, isPeripheral ? judgePeripheral(node, hertz, isWorstKnown) : judgeLine(node, hertz, isWorstKnown))
        .first->second;
}

void PromiseJudges::add(PromiseStanding& standing, std::size_t sought, State state, const Rational& ratio) const {
    if (state == State::broken) {
        standing.isHardBroken = standing.isHardBroken || isHard(sought);
        ++standing.broken;
    }
    standing.strained += state == State::strained ? 1 : 0;
    if (!ratio.isZero()) {
        standing.ratios.push_back(ratio);
        std::sort(standing.ratios.begin(), standing.ratios.end(), [](const Rational& a, const Rational& b) { return a > b; });
    }
}

PromiseStanding PromiseJudges::judgeLine(std::size_t node, const Bounds& hertz, bool isWorstKnown) const {
    PromiseStanding standing;
    for (const std::size_t sought : space_.promisesAt[node]) {
        if (!inForce_.promises[sought]) {
            continue;
        }
        const PromiseLine& line = space_.plan.promises[space_.question.promises[sought].index].line;
        const PromiseFigure figure = judgeLineRate(
            {}, line.ask.get<RunsAsk>(), {space_.nodes[node].id(), hertz, isWorstKnown ? "" : "unknown"}, Detail::verdict);
        add(standing, sought, figure.state, ratioOf(*space_.part, line, figure));
    }
    return standing;
}

PromiseStanding PromiseJudges::judgePeripheral(std::size_t node, const Bounds& hertz, bool isWorstKnown) {
    PromiseStanding standing;
    const auto group = groups_.find(node);
    if (group == groups_.end()) {
        return standing;
    }
    const Peripheral& peripheral = *space_.nodes[node].peripheral;
    const std::size_t index = node - space_.part->nodeCount();
    LineFigure& clock = lines_[peripheral.clock[controls_.peripheralFrom[index]]];
    clock.id = space_.part->nodeId(peripheral.clock[controls_.peripheralFrom[index]]);
    clock.hertz = hertz;
    clock.unknown = isWorstKnown ? "" : "unknown";
    const Take& take = group->second.plan.takes.front();
    const PromiseContext context{*space_.part, group->second.plan, take, controls_, demand_, lines_, nullptr, Detail::verdict};
    const std::vector<PromiseFigure> figures = judgePromises(context);
    for (std::size_t i = 0; i < figures.size(); ++i) {
        add(standing, group->second.sought[i], figures[i].state,
            ratioOf(*space_.part, group->second.plan.promises[i].line, figures[i]));
    }
    return standing;
}

RateWindows PromiseJudges::windowsOf(std::size_t node, const PromiseLine& line, const Ask& ask) const {
    if (space_.nodes[node].peripheral == nullptr) {
        return lineRates(ask.get<RunsAsk>());
    }
    const Take& take = *findTake(space_.plan, space_.take);
    const PromiseContext context{*space_.part, space_.plan, take, controls_, demand_, lines_, nullptr, Detail::result};
    const Subject subject{space_.nodes[node].peripheral, node - space_.part->nodeCount(), {}, channelOf(line.subject), {}};
    try {
        return subjectRates(context, subject, ask);
    } catch (const RationalOverflow&) { // they can't be told
        return RateWindows::all();
    }
}

RateSpans PromiseJudges::windowAt(std::size_t node, const Rational& highest, const Rational& share) const {
    RateSpans window = allRates();
    for (const std::size_t sought : space_.promisesAt[node]) {
        if (!inForce_.promises[sought] || !isHard(sought)) {
            continue;
        }
        const PromiseLine& line = space_.plan.promises[space_.question.promises[sought].index].line;
        const RateWindows windows = windowsOf(node, line, share < 1 ? narrowed(*space_.part, line, share) : line.ask);
        if (windows.combs.size() > policy::kMostPromiseCombs) {
            continue;
        }
        try {
            RateSpans spans = windows.spans(0, highest, policy::kMostPromiseSpans);
            if (spans.size() < policy::kMostPromiseSpans) { // else they are not all of them
                window = intersect(window, united(std::move(spans), policy::kMostPromiseSpans));
            }
        } catch (const RationalOverflow&) { // they can't be told
        }
    }
    return window;
}

bool PromiseJudges::mayHold(std::size_t node, const Rational& hertz) const {
    const auto found = windows_.find(node);
    return found == windows_.end() || std::all_of(found->second.begin(), found->second.end(),
                                                  [&](const RateWindows& windows) { return windows.contains(hertz); });
}

} // namespace wisetick
