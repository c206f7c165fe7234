#include "workings/target_ways.h"

#include "evaluate/nearest_allowed.h"

namespace wisetick::app {

namespace {

constexpr std::size_t kMostWays = 4;

} // namespace

std::vector<WayOut> waysOutOf(const Part& part, const Plan& plan, const Figures& figures, const Target& target,
                              const std::stop_token& token) {
    const GoOn goOn = [&token] { return !token.stop_requested(); };
    if (target.is(Target::Room::promise)) {
        for (std::size_t i = 0; i < figures.promises.size(); ++i) {
            const State state = figures.promises[i].state;
            if (figures.promises[i].name == target.name && (state == State::broken || state == State::strained)) {
                return waysOut(part, plan, plan.active, i, kMostWays, goOn);
            }
        }
        return {};
    }
    if (target.is(Target::Room::mode)) {
        const auto mode = part.findMode(target.name);
        return mode ? waysToWakeSooner(part, plan, plan.active, *mode, kMostWays, goOn) : std::vector<WayOut>();
    }
    const auto node = target.is(Target::Room::line) ? part.findNode(target.name) : std::nullopt;
    if (!node) {
        return {};
    }
    const auto& lines = figures.lines;
    std::vector<WayOut> ways;
    if (lines[*node].hertz && lines[*node].state != State::kept) {
        ways = waysOutOfLimit(part, plan, plan.active, *node, kMostWays, goOn);
    }
    // what a choice that the part does not allow could be, here or where the missing rate begins
    NodeIndex first = *node;
    while (!lines[first].hertz && lines[first].parent && !lines[*lines[first].parent].hertz) {
        first = *lines[first].parent;
    }
    std::vector<WayOut> allowed = nearestAllowed(part, plan, plan.active, lines[first].id);
    ways.insert(ways.begin(), allowed.begin(), allowed.end());
    return ways;
}

} // namespace wisetick::app
