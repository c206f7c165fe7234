#include "promise/i2c.h"

#include "base/text.h"
#include "kinds/kind_pieces.h"

namespace wisetick {

namespace {

void busClauses(ClauseList& list, BusAsk& ask, const std::string&) {
    list.needed("", Unit::hertz, "400 kHz", ask.hertz).known = {"100 kHz", "400 kHz", "1 MHz", "3.4 MHz"};
    list.quantity("with", Unit::second, "with 120 ns rise", ask.rise).closes = "rise";
    list.quantity("with", Unit::second, "with 20 ns fall", ask.fall).closes = "fall";
    list.quantity("pulled by", Unit::ohm, "pulled by 2.2 kohm", ask.pull).needs = "into";
    list.quantity("into", Unit::farad, "into 100 pF", ask.load).needs = "pulled by";
    list.flag("as smbus", ask.isSmbus);
}

std::string printBus(const BusAsk& ask) {
    return "talks " + printReadable(ask.hertz, Unit::hertz) + said(" with ", ask.rise, Unit::second, " rise") +
           said(" with ", ask.fall, Unit::second, " fall") + said(", pulled by ", ask.pull, Unit::ohm) +
           said(" into ", ask.load, Unit::farad) + (ask.isSmbus ? ", as smbus" : "");
}

std::vector<std::string> readI2c(PartContext& context, TableReader& reader, Peripheral& peripheral) {
    I2cKind bus;
    bus.prescaler = readPrescaler(reader);
    bus.low = readWholeSet(reader, "low", Need::required);
    bus.high = readWholeSet(reader, "high", Need::required);
    bus.fastest = reader.quantity("fastest", Unit::hertz);
    bus.setup = readWholeSet(reader, "setup", Need::optional, Zero::allowed);
    bus.hold = readWholeSet(reader, "hold", Need::optional, Zero::allowed);
    if (const toml::table* fixed = reader.table("fixed")) {
        TableReader inner(*fixed, context.reporter, reader.pathOf("fixed"));
        bus.fixedLow = inner.factor("low").value_or(Rational(0));
        bus.fixedHigh = inner.factor("high").value_or(Rational(0));
        inner.finish();
    }
    peripheral.kind = std::move(bus);
    return {"prescaler", "low", "high", "setup", "hold"};
}

void i2cWidths(const PeripheralKind& kind, const OnWidth& width) {
    const auto& bus = kind.get<I2cKind>();
    width("prescaler", bus.prescaler);
    width("low", bus.low);
    width("high", bus.high);
}

const std::vector<Meeting>& i2cMeetings() {
    static const std::vector<Meeting> rows{
        meetingRow<BusAsk, I2cKind,
                   [](const auto& met, PromiseFigure figure) {
                       return judgeI2c(std::move(figure), met.kind(), met.ask(), met.clock(), met.pinned(), met.detail(),
                                       met.context().plan.board.supply ? std::optional(met.context().plan.board.supply->max)
                                                                       : std::nullopt);
                   },
                   [](const auto& met, std::size_t) { return i2cWays(met.kind(), met.ask(), met.clock(), met.pinned()); },
                   [](const auto& met) { return i2cRates(met.kind(), met.ask()); }, kOwnClockAlone, kToleranceAsAsked>()};
    return rows;
}

} // namespace

const AskRow& BusAsk::row() {
    static const AskRow row = [] {
        AskRow made = askRow<BusAsk, busClauses, printBus>({"talks"}, AskedOf::peripheral);
        made.name = phrase("talks on a bus");
        made.isMeant = [](std::string_view, std::string_view line) { return line.find("Hz") != std::string_view::npos; };
        return made;
    }();
    return row;
}

const KindRow& I2cKind::row() {
    static const KindRow row{.name = "i2c",
                             .schema = R"({
        "prescaler": {"$ref": "#/$defs/factors"},
        "low": {"$ref": "#/$defs/factors"},
        "high": {"$ref": "#/$defs/factors"},
        "fixed": {"type": "object", "properties": {"low": {"$ref": "#/$defs/factor"}, "high": {"$ref": "#/$defs/factor"}},
            "additionalProperties": false},
        "fastest": {"type": "string"},
        "setup": {"$ref": "#/$defs/factors"},
        "hold": {"$ref": "#/$defs/factors"}
    })",
                             .settings = {"prescaler", "low", "high", "setup", "hold"},
                             .alsoCounted = {},
                             .movesData = true,
                             .read = readI2c,
                             .widths = i2cWidths,
                             .limits = noLimits,
                             .channels = noChannels,
                             .chainedWith = noChain,
                             .wakeCounter = noWakeCounter,
                             .meetings = i2cMeetings};
    return row;
}

} // namespace wisetick
