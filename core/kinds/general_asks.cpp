#include "kinds/kind_pieces.h"

#include "base/text.h"

/// The asks that no peripheral answers: of sources and lines, of modes, and of what is played.

namespace wisetick {

namespace {

void runsClauses(ClauseList& list, RunsAsk& ask, const std::string&) {
    const auto set = [&ask](RunsAsk::Bound bound) {
        return [&ask, bound](const Rational& value) {
            ask.bound = bound;
            ask.hertz = value;
        };
    };
    list.quantity("at least", Unit::hertz, "at least 60 MHz", set(RunsAsk::Bound::atLeast));
    list.quantity("at most", Unit::hertz, "at most 50 MHz", set(RunsAsk::Bound::atMost));
    list.quantity("at", Unit::hertz, "at 160 MHz", set(RunsAsk::Bound::at)).isRequired = true;
    list.group("rate");
    list.tolerance(ask.tolerance);
}

std::string printRuns(const RunsAsk& ask) {
    const char* bound =
        ask.bound == RunsAsk::Bound::at ? "at " : (ask.bound == RunsAsk::Bound::atLeast ? "at least " : "at most ");
    return "runs " + (bound + printReadable(ask.hertz, Unit::hertz)) + saidTolerance(ask.tolerance);
}

/// All that can wake some mode of the part.
std::vector<std::string> wakeSources(const Part& part) {
    std::vector<std::string> ids;
    for (const Mode& mode : part.modes) {
        for (const std::string& id : mode.wakesBy) {
            if (std::find(ids.begin(), ids.end(), id) == ids.end()) {
                ids.push_back(id);
            }
        }
    }
    return ids;
}

void wakesClauses(ClauseList& list, WakesAsk& ask, const std::string&) {
    list.mode("from", "from deep", [&ask](const Word& word) { ask.mode = word.text; }).isRequired = true;
    list.needed("in at most", Unit::second, "in at most 120 us", ask.limit);
    list.word("by", "by rtc",
              [&ask](const Word& word) -> std::optional<TextError> {
                  ask.by = word.text;
                  return std::nullopt;
              })
        .known = list.part() == nullptr ? std::vector<std::string>() : wakeSources(*list.part());
    list.quantity("every", Unit::second, "every 10 min", ask.every);
}

std::string printWakes(const WakesAsk& ask) {
    return "wakes from " + ask.mode + " in at most " + printReadable(ask.limit, Unit::second) +
           (ask.by.empty() ? "" : " by " + ask.by) + said(" every ", ask.every, Unit::second);
}

void averageClauses(ClauseList& list, AverageAsk& ask, const std::string&) {
    list.needed("under", Unit::ampere, "under 1 mA", ask.limit);
}

std::string printAverage(const AverageAsk& ask) {
    return "average under " + printReadable(ask.limit, Unit::ampere);
}

void lastsClauses(ClauseList& list, LastsAsk& ask, const std::string&) {
    list.needed("", Unit::second, "240 days", ask.least);
}

std::string printLasts(const LastsAsk& ask) {
    return "lasts " + printReadable(ask.least, Unit::second);
}

AskRow played(AskRow row) {
    row.leansOnClock = false;
    row.isPlayed = true;
    return row;
}

} // namespace

const AskRow& RunsAsk::row() {
    static const AskRow row = askRow<RunsAsk, runsClauses, printRuns>({"runs"}, AskedOf::node);
    return row;
}

const AskRow& WakesAsk::row() {
    static const AskRow row = played(askRow<WakesAsk, wakesClauses, printWakes>({"wakes"}, AskedOf::nothing));
    return row;
}

const AskRow& AverageAsk::row() {
    static const AskRow row = played(askRow<AverageAsk, averageClauses, printAverage>({"average"}, AskedOf::nothing));
    return row;
}

const AskRow& LastsAsk::row() {
    static const AskRow row = played(askRow<LastsAsk, lastsClauses, printLasts>({"lasts"}, AskedOf::battery));
    return row;
}

} // namespace wisetick
