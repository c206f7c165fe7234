#include "kinds/rows.h"

#include "base/text.h"
#include "derive/meetings.h"
#include "part/peripheral_kinds.h"

#include <algorithm>
#include <stdexcept>

namespace wisetick {

namespace {

std::vector<const KindRow*>& kinds() {
    static std::vector<const KindRow*> rows{&UartKind::row(),      &TimerKind::row(), &WatchdogKind::row(), &RtcKind::row(),
                                            &AdcKind::row(),       &SpiKind::row(),   &I2cKind::row(),      &CanKind::row(),
                                            &DelayLoopKind::row(), &OtherKind::row(), &SoundKind::row()};
    return rows;
}

std::vector<const AskRow*>& asks() {
    static std::vector<const AskRow*> rows{
        &RunsAsk::row(),  &TalksAsk::row(),  &CanAsk::row(),   &BusAsk::row(),    &FiresAsk::row(),  &DrivesAsk::row(),
        &WaitsAsk::row(), &StampsAsk::row(), &BitesAsk::row(), &DriftsAsk::row(), &TakesAsk::row(),  &ClocksAsk::row(),
        &PlaysAsk::row(), &HoldsAsk::row(),  &LastsAsk::row(), &WakesAsk::row(),  &AverageAsk::row()};
    return rows;
}

void check(bool isRight, const std::string& name, const Text& what) {
    if (!isRight) {
        throw std::invalid_argument(name + ": " + what);
    }
}

void checkAsk(const AskRow& row) {
    check(!row.name.empty() && !row.verbs.empty(), row.name, phrase("an ask without a name or a verb"));
    check(row.begin != nullptr && row.print != nullptr && row.isMeant != nullptr && row.tolerance != nullptr &&
              row.withTolerance != nullptr && row.lasts != nullptr,
          row.name, phrase("an entry of the ask is missing"));
    check(std::none_of(asks().begin(), asks().end(), [&](const AskRow* each) { return each->name == row.name; }), row.name,
          phrase("there is an ask of that name"));
}

void checkKind(const KindRow& row) {
    check(!row.name.empty() && !row.schema.empty(), row.name, phrase("a kind without a name or a schema"));
    check(row.read != nullptr && row.widths != nullptr && row.limits != nullptr && row.channels != nullptr &&
              row.chainedWith != nullptr && row.wakeCounter != nullptr && row.meetings != nullptr,
          row.name, phrase("an entry of the kind is missing"));
    check(findKindRow(row.name) == nullptr, row.name, phrase("there is a kind of that name"));
    for (const Meeting& meeting : row.meetings()) {
        check(meeting.ask != nullptr && meeting.judge != nullptr && meeting.ways != nullptr && meeting.rates != nullptr &&
                  meeting.looksFurther != nullptr && meeting.tolerance != nullptr,
              row.name, phrase("an entry of a meeting is missing"));
    }
}

} // namespace

const std::vector<const KindRow*>& kindRows() {
    return kinds();
}

const std::vector<const AskRow*>& askRows() {
    return asks();
}

void addKind(const KindRow& row) {
    checkKind(row);
    std::vector<const AskRow*> added;
    for (const Meeting& meeting : row.meetings()) {
        if (std::find(asks().begin(), asks().end(), meeting.ask) == asks().end()) {
            checkAsk(*meeting.ask);
            added.push_back(meeting.ask);
        }
    }
    asks().insert(asks().end(), added.begin(), added.end());
    kinds().push_back(&row);
}

} // namespace wisetick
