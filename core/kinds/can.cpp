#include "promise/can.h"

#include "base/text.h"
#include "kinds/kind_pieces.h"
#include "promise/message_memory.h"

namespace wisetick {

namespace {

void canClauses(ClauseList& list, CanAsk& ask, const std::string&) {
    list.needed("", Unit::bitsPerSecond, "500 kbit/s", ask.bitsPerSecond).known = {"125 kbit/s", "250 kbit/s", "500 kbit/s",
                                                                                   "1 Mbit/s"};
    Clause& dataSample = list.quantity("data sample at", Unit::ratio, "data sample at 75 %", ask.dataSample);
    dataSample.most = 1;
    dataSample.needs = "data";
    list.quantity("data", Unit::bitsPerSecond, "data 2 Mbit/s", ask.data);
    list.quantity("sample at", Unit::ratio, "sample at 80 %", ask.sample).most = 1;
    list.quantity("over", Unit::metre, "over 20 m", ask.cable);
    list.quantity("with node delay", Unit::second, "with node delay 210 ns", ask.nodeDelay);
    list.quantity("jump", Unit::count, "jump 4", ask.jump);
    list.tolerance(ask.tolerance);
}

std::string printCan(const CanAsk& ask) {
    return "talks " + printReadable(ask.bitsPerSecond, Unit::bitsPerSecond) + saidTolerance(ask.tolerance) +
           said(", data ", ask.data, Unit::bitsPerSecond) + said(", sample at ", ask.sample, Unit::ratio) +
           said(", data sample at ", ask.dataSample, Unit::ratio) + said(", over ", ask.cable, Unit::metre) +
           said(", with node delay ", ask.nodeDelay, Unit::second) + said(", jump ", ask.jump, Unit::count);
}

void holdsClauses(ClauseList& list, HoldsAsk& ask, const std::string&) {
    list.quantity("", Unit::count, "28 filters", ask.filters).closes = "filters";
    list.quantity("", Unit::count, "8 long-filters", ask.longFilters).closes = "long-filters";
    list.quantity("", Unit::count, "32 received", ask.received).closes = "received";
    list.quantity("", Unit::count, "16 sent", ask.sent).closes = "sent";
    list.quantity("of", Unit::byte, "of 64 byte", ask.payload);
}

std::string printHolds(const HoldsAsk& ask) {
    std::string text = "holds";
    const auto add = [&](const Rational& value, const char* what) {
        if (!value.isZero()) {
            text += (text == "holds" ? " " : ", ") + printReadable(value, Unit::count) + what;
        }
    };
    add(ask.filters, " filters");
    add(ask.longFilters, " long-filters");
    add(ask.received, " received");
    add(ask.sent, " sent");
    return text + (ask.payload == 8 ? "" : ", of " + printReadable(ask.payload, Unit::byte));
}

/// One phase of the bit; the names of its controls are added.
std::optional<CanPhase> readPhase(PartContext& context, TableReader& reader, const std::string& key, Need need,
                                  std::vector<std::string>& controls) {
    const toml::table* table = reader.table(key, need);
    if (table == nullptr) {
        return std::nullopt;
    }
    TableReader inner(*table, context.reporter, reader.pathOf(key));
    CanPhase phase;
    phase.prescaler = readWholeSet(inner, "prescaler", Need::required);
    phase.seg1 = readWholeSet(inner, "seg1", Need::required);
    phase.seg2 = readWholeSet(inner, "seg2", Need::required);
    phase.sjw = readWholeSet(inner, "sjw", Need::required);
    inner.finish();
    for (const char* control : {"prescaler", "seg1", "seg2", "sjw"}) {
        controls.push_back((key == "data" ? "data_" : "") + std::string(control));
    }
    return phase;
}

std::vector<std::string> readCan(PartContext& context, TableReader& reader, Peripheral& peripheral) {
    CanKind can;
    std::vector<std::string> controls;
    can.nominal = readPhase(context, reader, "nominal", Need::required, controls).value_or(CanPhase{});
    can.data = readPhase(context, reader, "data", Need::optional, controls);
    can.delay = readWholeSet(reader, "delay", Need::optional, Zero::allowed);
    if (reader.has("delay_prescaler")) {
        can.delayPrescaler = readWholeSet(reader, "delay_prescaler");
    }
    can.nodeDelay = reader.quantity("node_delay", Unit::second);
    can.messageWords = reader.whole("message_words", 1, 1 << 20).value_or(0);
    if (const toml::table* costs = reader.table("message_costs")) {
        TableReader inner(*costs, context.reporter, reader.pathOf("message_costs"));
        can.filterWords = inner.whole("filter", 1, 64).value_or(can.filterWords);
        can.longFilterWords = inner.whole("long_filter", 1, 64).value_or(can.longFilterWords);
        can.headerWords = inner.whole("header", 0, 64).value_or(can.headerWords);
        inner.finish();
    }
    peripheral.kind = std::move(can);
    controls.emplace_back("delay");
    return controls;
}

void phaseWidths(const std::string& prefix, const CanPhase& phase, const OnWidth& width) {
    width(prefix + "prescaler", phase.prescaler);
    width(prefix + "seg1", phase.seg1);
    width(prefix + "seg2", phase.seg2);
    width(prefix + "sjw", phase.sjw);
}

void canWidths(const PeripheralKind& kind, const OnWidth& width) {
    const auto& can = kind.get<CanKind>();
    phaseWidths("", can.nominal, width);
    if (can.data) {
        phaseWidths("data_", *can.data, width);
    }
    width("delay", can.delay);
}

Meeting canTalks() {
    return meetingRow<CanAsk, CanKind,
                      [](const auto& met, PromiseFigure figure) {
                          return judgeCan(std::move(figure), met.kind(), met.ask(), met.clock(), met.pinned(), met.detail());
                      },
                      [](const auto& met, std::size_t most) {
                          return canWays(met.kind(), met.ask(), met.clock(), met.pinned(), most);
                      },
                      [](const auto& met) { return canRates(met.kind(), met.ask()); }, kOwnClockAlone, kToleranceAsAsked>();
}

Meeting canHolds() {
    return meetingRow<HoldsAsk, CanKind,
                      [](const auto& met, PromiseFigure figure) {
                          return judgeMessageMemory(std::move(figure), met.kind(), met.ask(), met.detail());
                      },
                      kNoWays, kAnyRate, kOwnClockAlone, kToleranceAsAsked>();
}

const std::vector<Meeting>& canMeetings() {
    static const std::vector<Meeting> rows{canTalks(), canHolds()};
    return rows;
}

} // namespace

const AskRow& CanAsk::row() {
    static const AskRow row = [] {
        AskRow made = askRow<CanAsk, canClauses, printCan>({"talks"}, AskedOf::peripheral);
        made.name = phrase("talks on can");
        made.isMeant = [](std::string_view subject, std::string_view line) {
            return line.find("Hz") == std::string_view::npos && subject.starts_with("can");
        };
        return made;
    }();
    return row;
}

const AskRow& HoldsAsk::row() {
    static const AskRow row = [] {
        AskRow made = askRow<HoldsAsk, holdsClauses, printHolds>({"holds"}, AskedOf::peripheral);
        made.leansOnClock = false;
        return made;
    }();
    return row;
}

const KindRow& CanKind::row() {
    static const KindRow row{
        .name = "can",
        .schema = R"({
        "nominal": {"type": "object", "properties": {"prescaler": {"$ref": "#/$defs/factors"}, "seg1": {"$ref": "#/$defs/factors"},
            "seg2": {"$ref": "#/$defs/factors"}, "sjw": {"$ref": "#/$defs/factors"}},
            "additionalProperties": false, "required": ["prescaler", "seg1", "seg2", "sjw"]},
        "data": {"type": "object", "properties": {"prescaler": {"$ref": "#/$defs/factors"}, "seg1": {"$ref": "#/$defs/factors"},
            "seg2": {"$ref": "#/$defs/factors"}, "sjw": {"$ref": "#/$defs/factors"}},
            "additionalProperties": false, "required": ["prescaler", "seg1", "seg2", "sjw"]},
        "delay": {"$ref": "#/$defs/factors"},
        "delay_prescaler": {"$ref": "#/$defs/factors"},
        "node_delay": {"type": "string"},
        "message_words": {"type": "integer", "minimum": 1},
        "message_costs": {"type": "object", "properties": {"filter": {"type": "integer", "minimum": 1},
            "long_filter": {"type": "integer", "minimum": 1}, "header": {"type": "integer", "minimum": 0}},
            "additionalProperties": false}
    })",
        .settings = {"prescaler", "seg1", "seg2", "sjw", "data_prescaler", "data_seg1", "data_seg2", "data_sjw", "delay"},
        .alsoCounted = {{phrase("can fd"), [](const PeripheralKind& kind) { return kind.get<CanKind>().data.has_value(); }}},
        .movesData = true,
        .read = readCan,
        .widths = canWidths,
        .limits = noLimits,
        .channels = noChannels,
        .chainedWith = noChain,
        .wakeCounter = noWakeCounter,
        .meetings = canMeetings};
    return row;
}

} // namespace wisetick
