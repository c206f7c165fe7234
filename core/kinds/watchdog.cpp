#include "promise/watchdog.h"

#include "kinds/kind_pieces.h"

namespace wisetick {

namespace {

void bitesClauses(ClauseList& list, BitesAsk& ask, const std::string&) {
    list.needed("after", Unit::second, "after 2 s", ask.after);
    list.quantity("fed every", Unit::second, "fed every 1.8 s", ask.fedEvery);
    list.quantity("at latest", Unit::second, "at latest 3 s", ask.atLatest);
    list.quantity("opens after", Unit::second, "opens after 0.5 s", ask.opensAfter);
    list.quantity("warns", Unit::second, "warns 1 ms before", ask.warnsBefore).closes = "before";
    list.tolerance(ask.tolerance);
}

std::string printBites(const BitesAsk& ask) {
    return "bites after " + printReadable(ask.after, Unit::second) + saidTolerance(ask.tolerance) +
           said(", fed every ", ask.fedEvery, Unit::second) + said(", at latest ", ask.atLatest, Unit::second) +
           said(", opens after ", ask.opensAfter, Unit::second) + said(", warns ", ask.warnsBefore, Unit::second, " before");
}

std::vector<std::string> readWatchdog(PartContext&, TableReader& reader, Peripheral& peripheral) {
    WatchdogKind watchdog;
    watchdog.prescaler = readPrescaler(reader);
    watchdog.counts = readWholeSet(reader, "counts", Need::required);
    watchdog.hasWindow = reader.flag("window").value_or(false);
    watchdog.early = readWholeSet(reader, "early");
    std::vector<std::string> controls{"prescaler", "counts"};
    if (!watchdog.early.empty()) {
        controls.emplace_back("early");
    }
    if (watchdog.hasWindow) {
        controls.emplace_back("window");
    }
    peripheral.kind = std::move(watchdog);
    return controls;
}

void watchdogWidths(const PeripheralKind& kind, const OnWidth& width) {
    const auto& watchdog = kind.get<WatchdogKind>();
    width("prescaler", watchdog.prescaler);
    width("counts", watchdog.counts);
}

WatchdogRest restOf(const MeetingScene& scene) {
    const PromiseContext& context = scene.context;
    WatchdogRest rest;
    rest.mode = context.take.restsIn;
    if (const auto mode = context.part.findMode(rest.mode)) {
        rest.runs = peripheralLivesIn(context.part, context.controls, context.part.modes[*mode], scene.subject.index);
        rest.longest = context.longestRest;
    }
    return rest;
}

const std::vector<Meeting>& watchdogMeetings() {
    static const std::vector<Meeting> rows{
        meetingRow<BitesAsk, WatchdogKind,
                   [](const auto& met, PromiseFigure figure) {
                       return judgeWatchdog(std::move(figure), met.kind(), met.ask(), met.clock(), restOf(met.scene),
                                            met.pinned(), met.detail());
                   },
                   [](const auto& met, std::size_t most) {
                       return watchdogWays(met.kind(), met.ask(), met.clock(), restOf(met.scene), met.pinned(), most);
                   },
                   [](const auto& met) { return watchdogRates(met.kind(), met.ask(), restOf(met.scene)); },
                   [](const auto&, const Take& take) { return !take.restsIn.empty(); }, kToleranceAsAsked>()};
    return rows;
}

} // namespace

const AskRow& BitesAsk::row() {
    static const AskRow row = askRow<BitesAsk, bitesClauses, printBites>({"bites"}, AskedOf::peripheral);
    return row;
}

const KindRow& WatchdogKind::row() {
    static const KindRow row{.name = "watchdog",
                             .schema = R"({
        "prescaler": {"$ref": "#/$defs/factors"},
        "counts": {"$ref": "#/$defs/factors"},
        "window": {"type": "boolean"},
        "early": {"$ref": "#/$defs/factors"}
    })",
                             .settings = {"prescaler", "counts", "window", "early"},
                             .alsoCounted = {},
                             .read = readWatchdog,
                             .widths = watchdogWidths,
                             .limits = noLimits,
                             .channels = noChannels,
                             .chainedWith = noChain,
                             .wakeCounter = noWakeCounter,
                             .meetings = watchdogMeetings};
    return row;
}

} // namespace wisetick
