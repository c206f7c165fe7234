#include "kinds/kind_pieces.h"

namespace wisetick {

namespace {

std::vector<std::string> readSound(PartContext&, TableReader& reader, Peripheral& peripheral) {
    SoundKind sound;
    sound.divide = readWholeSet(reader, "divide", Need::required);
    sound.times = reader.whole("times", 1, 1 << 16).value_or(256);
    peripheral.kind = std::move(sound);
    return {"divide"};
}

const std::vector<Meeting>& soundMeetings() {
    static const std::vector<Meeting> none;
    return none;
}

} // namespace

const KindRow& SoundKind::row() {
    static const KindRow row{
        .name = "sound",
        .schema = R"({
        "divide": {"$ref": "#/$defs/factors"},
        "times": {"type": "integer", "minimum": 1}
    })",
        .settings = {"divide"},
        .alsoCounted = {},
        .movesData = true,
        .read = readSound,
        .widths = [](const PeripheralKind& kind, const OnWidth& width) { width("divide", kind.get<SoundKind>().divide); },
        .limits = noLimits,
        .channels = noChannels,
        .chainedWith = noChain,
        .wakeCounter = noWakeCounter,
        .meetings = soundMeetings};
    return row;
}

} // namespace wisetick
