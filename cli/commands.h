#pragma once

#include "files/shelf.h"
#include "text_report.h"

#include <ostream>
#include <string>
#include <vector>

namespace wisetick::cli {

/// Exit codes of every command.
enum ExitCode {
    kHolds = 0,
    kBroken = 1,
    kBadInput = 2,
    kUndecided = 3 ///< a search was cut before it could tell
};

/// What the commands share: where parts are, where text goes, how it looks.
struct Console {
    Shelf shelf;
    Style style;
    std::ostream& out;
    std::ostream& err;
};

struct PlanOptions {
    std::string plan;
    std::string take; ///< empty: the active one
    bool isJson = false;
};

/// All figures of a plan.
int runDerive(const Console& console, const PlanOptions& options);

/// The parts of the shelf against needs such as "core >= 100 MHz, 2 uart". kBroken where none fits.
int runShelf(const Console& console, const std::string& needs, bool isJson);

/// One line tried on a plan, in place of the promise of the same name or beside all others.
/// One sleep mode in full, or where none is named the modes beside one another.
int runSleep(const Console& console, const PlanOptions& options, const std::string& mode);

/// The rhythm of the jobs; with `hasChance` the bands of a thousand plays, with a job the charge it takes by the core's rate.
/// What would move the battery most is left out, and that is said, where it takes longer than so many seconds.
int runRhythm(const Console& console, const PlanOptions& options, bool hasChance, const std::string& race, double within);

/// With `wantsRates` also the rates of its clock with which the promise could be kept.
int runPromise(const Console& console, const PlanOptions& options, const std::string& line, bool wantsRates);

/// What the board has: crystals, pins, option words.
int runBoard(const Console& console, const PlanOptions& options, bool isRouted);

/// What still holds when a source fails. kBroken where something that held does not.
int runFails(const Console& console, const PlanOptions& options, const std::string& source);

/// The order in which the clock fields are written to reach the take, from reset or from another take. kBroken where
/// no order keeps every limit.
int runWay(const Console& console, const PlanOptions& options, const std::string& from);

struct EmitOptions {
    std::string form = "header"; ///< one of emitForms
    bool isEvenBroken = false;
    std::string from;      ///< the take that is left; empty: reset
    std::string registers; ///< how a register is named: "{block}->{register}"
};

/// The fields of the take as code or table. kBadInput where there is no such form or take; kBroken where something is left out,
/// which is said on the error stream, unless what is broken shall be written too.
int runEmit(const Console& console, const PlanOptions& options, const EmitOptions& emit);

/// CAN filters tried on ids: which lets each in. kBroken where one is let in by none.
int runFilter(const Console& console, const std::vector<std::string>& filters, const std::vector<std::string>& ids);

} // namespace wisetick::cli
