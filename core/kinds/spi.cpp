#include "promise/spi.h"

#include "base/text.h"
#include "kinds/kind_pieces.h"

namespace wisetick {

namespace {

void clocksClauses(ClauseList& list, ClocksAsk& ask, const std::string&) {
    list.needed("at most", Unit::hertz, "at most 100 MHz", ask.hertz);
    list.quantity("of", Unit::byte, "of 16 MiB", ask.size);
    list.quantity("after", Unit::count, "after 8 dummies", ask.dummy).closes = "dummies";
    list.quantity("valid after", Unit::second, "valid after 6 ns", ask.valid);
    list.quantity("held", Unit::second, "held 2 ns", ask.held).needs = "valid after";
    list.quantity("over", Unit::metre, "over 10 cm", ask.trace).needs = "valid after";
    Clause& lanes = list.quantity("on", Unit::count, "on 2 lanes", ask.lanes);
    lanes.closes = "lanes";
    list.quantity("reading", Unit::byte, "reading 256 byte", ask.reading).needs = "in at most";
    list.quantity("in at most", Unit::second, "in at most 5 us", ask.within).needs = "reading";
}

std::string printClocks(const ClocksAsk& ask) {
    return "clocks at most " + printReadable(ask.hertz, Unit::hertz) + said(", of ", ask.size, Unit::byte) +
           said(", after ", ask.dummy, Unit::count, " dummies") + said(", reading ", ask.reading, Unit::byte) +
           said(" in at most ", ask.within, Unit::second) + said(", valid after ", ask.valid, Unit::second) +
           said(", held ", ask.held, Unit::second) + said(", over ", ask.trace, Unit::metre) +
           said(", on ", ask.lanes, Unit::count, " lanes");
}

std::vector<std::string> readSpi(PartContext& context, TableReader& reader, Peripheral& peripheral) {
    SpiKind spi;
    spi.divide = readWholeSet(reader, "divide", Need::required);
    spi.limits = readLimits(context, reader);
    if (reader.has("lanes")) {
        spi.lanes = readWholeSet(reader, "lanes");
        if (!spi.lanes.empty() && spi.lanes.most() > 8) {
            reader.error("lanes", phrase("{} lanes", spi.lanes.most().toString()), phrase("at most 8"));
        }
    }
    spi.address = readWholeSet(reader, "address");
    spi.shift = readFactorSet(reader, "shift");
    spi.dummy = readWholeSet(reader, "dummy");
    spi.size = readWholeSet(reader, "size");
    spi.setup = reader.quantity("setup", Unit::second, Need::optional, Sign::notNegative);
    spi.hold = reader.quantity("hold", Unit::second, Need::optional, Sign::notNegative);
    peripheral.kind = std::move(spi);
    return {"divide", "shift", "dummy", "size", "lanes", "address"};
}

void spiWidths(const PeripheralKind& kind, const OnWidth& width) {
    const auto& spi = kind.get<SpiKind>();
    width("divide", spi.divide);
    width("shift", spi.shift);
    width("dummy", spi.dummy);
    width("size", spi.size);
    width("lanes", spi.lanes);
    width("address", spi.address);
}

SpiReach reachOf(const PromiseContext& context, const SpiKind& spi) {
    return {limitSpan(context.part, context.plan.board, spi.limits, context.controls, context.lines).max, context.part.slack};
}

const std::vector<Meeting>& spiMeetings() {
    static const std::vector<Meeting> rows{
        meetingRow<ClocksAsk, SpiKind,
                   [](const auto& met, PromiseFigure figure) {
                       return judgeSpi(std::move(figure), met.kind(), met.ask(), met.clock(), reachOf(met.context(), met.kind()),
                                       met.pinned(), met.detail());
                   },
                   [](const auto& met, std::size_t most) {
                       return spiWays(met.kind(), met.ask(), met.clock(), reachOf(met.context(), met.kind()), met.pinned(), most);
                   },
                   [](const auto& met) { return spiRates(met.kind(), met.ask(), reachOf(met.context(), met.kind())); },
                   kOwnClockAlone, kToleranceAsAsked>()};
    return rows;
}

} // namespace

const AskRow& ClocksAsk::row() {
    static const AskRow row = askRow<ClocksAsk, clocksClauses, printClocks>({"clocks"}, AskedOf::peripheral);
    return row;
}

const KindRow& SpiKind::row() {
    static const KindRow row{
        .name = "spi",
        .schema = R"({
        "divide": {"$ref": "#/$defs/factors"},
        "limit": {"anyOf": [{"$ref": "#/$defs/limit"}, {"type": "array", "items": {"$ref": "#/$defs/limit"}}]},
        "lanes": {"$ref": "#/$defs/factors"},
        "address": {"$ref": "#/$defs/factors"},
        "shift": {"$ref": "#/$defs/factors"},
        "dummy": {"$ref": "#/$defs/factors"},
        "size": {"$ref": "#/$defs/factors"},
        "setup": {"type": "string"},
        "hold": {"type": "string"}
    })",
        .settings = {"divide", "dummy", "size", "shift", "lanes", "address"},
        .alsoCounted = {{phrase("memory port"), [](const PeripheralKind& kind) { return kind.get<SpiKind>().lanes.most() > 1; }}},
        .movesData = true,
        .read = readSpi,
        .widths = spiWidths,
        .limits = [](const PeripheralKind& kind) { return kind.get<SpiKind>().limits; },
        .channels = noChannels,
        .chainedWith = noChain,
        .wakeCounter = noWakeCounter,
        .meetings = spiMeetings};
    return row;
}

} // namespace wisetick
