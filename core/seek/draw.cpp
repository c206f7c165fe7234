#include "seek/draw.h"

#include "derive/modes.h"
#include "sleep/wake_up.h"

#include <algorithm>

namespace wisetick {

namespace {

const Rational kPicoampere = powerOfTen(12);

Rational picoampereOf(const Draw* draw, const Rational& hertz, const TemperatureGrid& grid) {
    const auto ampere = draw != nullptr ? typicalDraw(*draw, hertz, grid) : std::nullopt;
    return ampere ? *ampere * kPicoampere : Rational(0);
}

/// The mode with the stages of its options as they are chosen.
Mode withOptions(const Space& space, std::size_t index) {
    Mode mode = space.part->modes[index];
    for (std::size_t i = 0; i < mode.options.size(); ++i) {
        const ModeOption::Value& value = mode.options[i].values[space.present.modeOptions[index][i]];
        if (value.stage) {
            mode.stages.push_back(*value.stage);
        }
    }
    return mode;
}

} // namespace

Rational drawInRun(const Space& space, std::size_t node, const Rational& hertz, std::size_t tier) {
    const Part& part = *space.part;
    const SpaceNode& each = space.nodes[node];
    const Mode* run = nullptr;
    for (const Mode& mode : part.modes) {
        run = mode.runs ? &mode : run;
    }
    const Rational ofMode =
        node == space.core && run != nullptr ? picoampereOf(drawIn(run->draws, tier), hertz, space.grid) : Rational(0);
    const bool isDriven = each.source != nullptr && !each.source->drives.empty();
    const auto& own = isDriven                 ? each.source->drives[space.present.sourceDrives[node]].draws
                      : each.source != nullptr ? each.source->draws
                                               : (each.line != nullptr ? each.line->draws : each.peripheral->draws);
    return ofMode + picoampereOf(drawIn(own, tier), hertz, space.grid);
}

namespace {

/// The time until all promises hold again after waking from a mode, s; the known part.
Bounds restoredAfter(const Space& space, std::size_t index, const std::vector<std::optional<NodeIndex>>& parents,
                     const std::vector<bool>& isOn) {
    const Part& part = *space.part;
    const Mode& mode = part.modes[index];
    std::vector<bool> lives(part.nodeCount());
    std::vector<bool> needed(part.nodeCount());
    for (NodeIndex node = 0; node < part.sources.size(); ++node) {
        lives[node] = mode.sources.contains(node);
    }
    for (const std::size_t line : part.order) {
        const NodeIndex node = part.nodeOfLine(line);
        lives[node] = mode.lines.contains(line) && lives[*parents[node]];
    }
    for (NodeIndex node = 0; node < part.nodeCount(); ++node) {
        needed[node] =
            isOn[node] && !lives[node] && wakeSource(part, space.present, index) != node && takesTimeToStart(part, node);
    }
    const std::vector<StartUp> startUps = startUpsOf(part, parents, needed);
    return wakeUp(mode.options.empty() ? mode : withOptions(space, index), startUps).restored;
}

} // namespace

Rational wakeUpOf(const Space& space, const std::vector<std::optional<NodeIndex>>& parents, const std::vector<bool>& isOn) {
    const std::string& rests = findTake(space.plan, space.take)->restsIn;
    Rational slowest;
    for (std::size_t i = 0; i < space.part->modes.size(); ++i) {
        const Mode& mode = space.part->modes[i];
        if (!mode.runs && (rests.empty() || mode.id == rests)) {
            slowest = std::max(slowest, restoredAfter(space, i, parents, isOn).max);
        }
    }
    return slowest;
}

bool wakesInTime(const Space& space, const InForce& inForce, const std::vector<std::optional<NodeIndex>>& parents,
                 const std::vector<bool>& isOn) {
    return std::all_of(space.late.begin(), space.late.end(), [&](std::size_t sought) {
        const SoughtPromise& promise = space.question.promises[sought];
        const auto* wakes = space.plan.promises[promise.index].line.ask.as<WakesAsk>();
        if (wakes == nullptr || promise.isSoft || !inForce.promises[sought]) {
            return true;
        }
        const auto mode = space.part->findMode(wakes->mode);
        return !mode || space.part->modes[*mode].runs || restoredAfter(space, *mode, parents, isOn).nominal <= wakes->limit;
    });
}

} // namespace wisetick
