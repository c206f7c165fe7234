#include "promise/delay_loop.h"

#include "kinds/kind_pieces.h"

namespace wisetick {

namespace {

std::vector<std::string> readDelayLoop(PartContext&, TableReader& reader, Peripheral& peripheral) {
    DelayLoopKind loop;
    loop.turn = reader.factor("turn", Need::required).value_or(Rational(1));
    loop.overhead = reader.factor("overhead").value_or(Rational(0));
    loop.turns = reader.has("turns") ? readWholeSet(reader, "turns") : FactorSet::range(1, Rational((std::int64_t{1} << 32) - 1));
    peripheral.kind = std::move(loop);
    return {"turns"};
}

/// Where the memory's waits slow the loop down, other rates of the core come with other speeds.
constexpr auto kLoopRates = [](const auto& met) {
    const std::vector<WaitTable>& waits = met.context().part.waits;
    const bool isSlowed = std::any_of(waits.begin(), waits.end(), [](const WaitTable& table) {
        return std::any_of(table.steps.begin(), table.steps.end(),
                           [](const WaitStep& step) { return step.speed && *step.speed != 1; });
    });
    RateWindows windows = isSlowed ? RateWindows::all() : delayLoopRates(met.kind(), met.ask());
    windows.isTight = windows.isTight && !isSlowed;
    return windows;
};

const std::vector<Meeting>& loopMeetings() {
    static const std::vector<Meeting> rows{
        meetingRow<WaitsAsk, DelayLoopKind,
                   [](const auto& met, PromiseFigure figure) {
                       return judgeDelayLoop(std::move(figure), met.kind(), met.ask(), met.clock(), met.pinned(), met.detail());
                   },
                   [](const auto& met, std::size_t) { return delayLoopWays(met.kind(), met.ask(), met.clock(), met.pinned()); },
                   kLoopRates, [](const WaitsAsk&, const Take&) { return true; }, kToleranceAsAsked>()};
    return rows;
}

} // namespace

const KindRow& DelayLoopKind::row() {
    static const KindRow row{
        .name = "delay-loop",
        .schema = R"({
        "turn": {"$ref": "#/$defs/factor"},
        "overhead": {"$ref": "#/$defs/factor"},
        "turns": {"$ref": "#/$defs/factors"}
    })",
        .settings = {"turns"},
        .alsoCounted = {},
        .read = readDelayLoop,
        .widths = [](const PeripheralKind& kind, const OnWidth& width) { width("turns", kind.get<DelayLoopKind>().turns); },
        .limits = noLimits,
        .channels = noChannels,
        .chainedWith = noChain,
        .wakeCounter = noWakeCounter,
        .meetings = loopMeetings};
    return row;
}

} // namespace wisetick
