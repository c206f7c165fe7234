#include "kinds/kind_pieces.h"

namespace wisetick {

namespace {

std::vector<std::string> readOther(PartContext&, TableReader&, Peripheral& peripheral) {
    peripheral.kind = OtherKind();
    return {};
}

const std::vector<Meeting>& noMeetings() {
    static const std::vector<Meeting> none;
    return none;
}

} // namespace

const KindRow& OtherKind::row() {
    static const KindRow row{.name = "other",
                             .schema = "{}",
                             .settings = {},
                             .alsoCounted = {},
                             .read = readOther,
                             .widths = [](const PeripheralKind&, const OnWidth&) {},
                             .limits = noLimits,
                             .channels = noChannels,
                             .chainedWith = noChain,
                             .wakeCounter = noWakeCounter,
                             .meetings = noMeetings};
    return row;
}

} // namespace wisetick
