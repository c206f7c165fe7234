#include "promise/uart.h"

#include "base/text.h"
#include "kinds/kind_pieces.h"

namespace wisetick {

namespace {

std::optional<UartFrame> readFrame(std::string_view text) {
    if (text.size() != 3 || text[0] < '5' || text[0] > '9' || std::string_view("NEO").find(text[1]) == std::string_view::npos ||
        (text[2] != '1' && text[2] != '2')) {
        return std::nullopt;
    }
    return UartFrame{text[0] - '0', text[1], text[2] - '0'};
}

void talksClauses(ClauseList& list, TalksAsk& ask, const std::string&) {
    list.needed("", Unit::bitsPerSecond, "115200", ask.bitsPerSecond).known = {"9600",   "19200",  "38400",  "57600",  "115200",
                                                                               "230400", "460800", "921600", "1000000"};
    list.tolerance(ask.tolerance);
    list.word("as", "as 8N1",
              [&ask](const Word& word) -> std::optional<TextError> {
                  const auto frame = readFrame(word.text);
                  if (!frame) {
                      return errorAt(word, quoted(word.text), "a frame such as '8N1', '7E1' or '9N2'");
                  }
                  ask.frame = *frame;
                  return std::nullopt;
              })
        .known = {"8N1", "8E1", "8O1", "7E1", "7O1", "8N2", "9N1"};
    list.flag("on one wire", ask.isOneWire);
}

std::string printTalks(const TalksAsk& ask) {
    return "talks " + bitRate(ask.bitsPerSecond) + saidTolerance(ask.tolerance) +
           (ask.frame == UartFrame{} ? "" : " as " + printFrame(ask.frame)) + (ask.isOneWire ? ", on one wire" : "");
}

std::vector<std::string> readUart(PartContext& context, TableReader& reader, Peripheral& peripheral) {
    UartKind uart;
    reader.node("modes", Need::required);
    for (const toml::table* table : reader.tables("modes")) {
        TableReader inner(*table, context.reporter, reader.pathOf("modes"));
        UartMode mode;
        mode.times = inner.whole("times", 1, 1 << 20).value_or(1);
        mode.oversample = inner.whole("oversample", 1, 1024, inner.has("times") ? Need::optional : Need::required).value_or(1);
        mode.divisor = readFactorSet(inner, "divisor", Need::required);
        inner.finish();
        uart.modes.push_back(std::move(mode));
    }
    uart.prescaler = readWholeSet(reader, "prescaler");
    const bool hasPrescaler = !uart.prescaler.empty();
    uart.hasOneWire = reader.flag("one_wire").value_or(false);
    peripheral.kind = std::move(uart);
    std::vector<std::string> controls{"oversample", "divisor", "one_wire"};
    if (hasPrescaler) {
        controls.emplace_back("prescaler");
    }
    return controls;
}

void uartWidths(const PeripheralKind& kind, const OnWidth& width) {
    std::vector<Rational> oversamples;
    for (const UartMode& mode : kind.get<UartKind>().modes) {
        oversamples.emplace_back(mode.oversample);
        width("divisor", mode.divisor);
    }
    width("oversample", FactorSet::list(std::move(oversamples)));
    width("prescaler", kind.get<UartKind>().prescaler);
}

/// An ask that gives none leaves it to what the frame needs in the mode that is taken: the widest of them.
std::optional<Rational> talksTolerance(const TalksAsk& ask, const UartKind& uart) {
    if (ask.tolerance.within || ask.tolerance.exactly) {
        return ask.tolerance.within;
    }
    Rational widest;
    for (const UartMode& mode : uart.modes) {
        widest = std::max(widest, defaultUartTolerance(ask.frame, mode.oversample));
    }
    return widest.sign() > 0 ? std::optional(widest) : std::nullopt;
}

const std::vector<Meeting>& uartMeetings() {
    static const std::vector<Meeting> rows{
        meetingRow<TalksAsk, UartKind,
                   [](const auto& met, PromiseFigure figure) {
                       return judgeUart(std::move(figure), met.kind(), met.ask(), met.clock(), met.pinned(), met.detail());
                   },
                   [](const auto& met, std::size_t) { return uartWays(met.kind(), met.ask(), met.clock(), met.pinned()); },
                   [](const auto& met) { return uartRates(met.kind(), met.ask()); }, kOwnClockAlone, talksTolerance>()};
    return rows;
}

} // namespace

const AskRow& TalksAsk::row() {
    static const AskRow row = [] {
        AskRow made = askRow<TalksAsk, talksClauses, printTalks>({"talks"}, AskedOf::peripheral);
        // without a part a clock's unit tells a bus, and its name a CAN port
        made.isMeant = [](std::string_view subject, std::string_view line) {
            return line.find("Hz") == std::string_view::npos && !subject.starts_with("can");
        };
        return made;
    }();
    return row;
}

const KindRow& UartKind::row() {
    static const KindRow row{.name = "uart",
                             .schema = R"({
        "modes": {"type": "array", "items": {"type": "object",
            "properties": {"oversample": {"type": "integer", "minimum": 1}, "times": {"type": "integer", "minimum": 1},
                           "divisor": {"$ref": "#/$defs/factors"}},
            "additionalProperties": false, "required": ["divisor"]}},
        "prescaler": {"$ref": "#/$defs/factors"},
        "one_wire": {"type": "boolean"}
    })",
                             .settings = {"oversample", "divisor", "prescaler", "one_wire"},
                             .alsoCounted = {},
                             .movesData = true,
                             .read = readUart,
                             .widths = uartWidths,
                             .limits = noLimits,
                             .channels = noChannels,
                             .chainedWith = noChain,
                             .wakeCounter = noWakeCounter,
                             .meetings = uartMeetings};
    return row;
}

} // namespace wisetick
