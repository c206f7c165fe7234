#include "promise/sound.h"

#include "base/text.h"
#include "kinds/kind_pieces.h"

namespace wisetick {

namespace {

void playsClauses(ClauseList& list, PlaysAsk& ask, const std::string&) {
    list.needed("", Unit::hertz, "48 kHz", ask.hertz);
    list.tolerance(ask.tolerance);
    list.quantity("at", Unit::bit, "at 24 bit", ask.bits);
}

std::string printPlays(const PlaysAsk& ask) {
    return "plays " + printReadable(ask.hertz, Unit::hertz) + saidTolerance(ask.tolerance) + said(", at ", ask.bits, Unit::bit);
}

std::vector<std::string> readSound(PartContext&, TableReader& reader, Peripheral& peripheral) {
    SoundKind sound;
    sound.divide = readWholeSet(reader, "divide", Need::required);
    sound.times = reader.whole("times", 1, 1 << 16).value_or(256);
    sound.frame = readWholeSet(reader, "frame");
    peripheral.kind = std::move(sound);
    return {"divide", "frame"};
}

const std::vector<Meeting>& soundMeetings() {
    static const std::vector<Meeting> rows{
        meetingRow<PlaysAsk, SoundKind,
                   [](const auto& met, PromiseFigure figure) {
                       return judgeSound(std::move(figure), met.kind(), met.ask(), met.clock(), met.pinned(), met.detail());
                   },
                   [](const auto& met, std::size_t) { return soundWays(met.kind(), met.ask(), met.clock(), met.pinned()); },
                   [](const auto& met) { return soundRates(met.kind(), met.ask()); }, kOwnClockAlone, kToleranceAsAsked>()};
    return rows;
}

} // namespace

const AskRow& PlaysAsk::row() {
    static const AskRow row = askRow<PlaysAsk, playsClauses, printPlays>({"plays"}, AskedOf::peripheral);
    return row;
}

const KindRow& SoundKind::row() {
    static const KindRow row{.name = "sound",
                             .schema = R"({
        "divide": {"$ref": "#/$defs/factors"},
        "times": {"type": "integer", "minimum": 1},
        "frame": {"$ref": "#/$defs/factors"}
    })",
                             .settings = {"divide", "frame"},
                             .alsoCounted = {},
                             .movesData = true,
                             .read = readSound,
                             .widths =
                                 [](const PeripheralKind& kind, const OnWidth& width) {
                                     width("divide", kind.get<SoundKind>().divide);
                                     width("frame", kind.get<SoundKind>().frame);
                                 },
                             .limits = noLimits,
                             .channels = noChannels,
                             .chainedWith = noChain,
                             .wakeCounter = noWakeCounter,
                             .meetings = soundMeetings};
    return row;
}

} // namespace wisetick
