#pragma once

#include "derive/bring_up.h"
#include "derive/desk.h"
#include "derive/pin_speeds.h"
#include "derive/pins.h"
#include "derive/trim_code.h"
#include "derive/writing_order.h"
#include "evaluate/compare.h"
#include "evaluate/needs.h"
#include "evaluate/ripple.h"
#include "files/shelf.h"
#include "handover/review.h"

#include <map>
#include <string>

namespace wisetick::cli {

/// How text is shown: with colour only on a terminal that wants it.
struct Style {
    bool hasColour = false;
    std::size_t columns = 120; ///< tables are no wider where that can be; 0: no end
    /// "● kept", "◐ strained", "○ broken", coloured where colour is wanted.
    std::string mark(State state) const;
    std::string heading(const std::string& text) const;
    std::string muted(const std::string& text) const;
    /// A body under its heading, after an empty line; nothing where there is no body.
    std::string section(const std::string& title, const std::string& body) const;
};

/// Everything that `derive` shows.
std::string deriveReport(const Figures& figures, const Style& style);

/// The promises with what is wrong with them, the findings, and a line that sums up.
/// The first figures are the active take's; those of other takes that count follow.
std::string checkReport(const std::vector<Figures>& takes, const std::map<std::string, Place>& places, const Style& style);

/// The rates of the desk's clock with which its promise could be kept, from half to twice what it is.
std::string ratesReport(const Desk& desk, const Style& style);

/// One promise with its arithmetic, other ways, fields, and what to write in which order.
std::string promiseReport(const PromiseFigure& promise, const std::vector<Way>& ways, const std::vector<BringUpAction>& actions,
                          const Style& style);

/// Crystals, pins in use, option words.
/// What of the board stands beside the figures.
struct BoardExtras {
    std::vector<PinSpeedFigure> speeds;
    std::vector<TrimFigure> trims;
};
std::string boardReport(const Figures& figures, const BoardExtras& extras, const Style& style);

/// Where every signal could stand, or which can't stand together.
std::string routingReport(const Routing& routing, const Figures& figures, const Style& style);

/// What moved from one plan to another.
std::string movedReport(const std::vector<Moved>& moved, const Style& style);
/// What moves when a source fails.
std::string failsReport(const std::string& source, const std::vector<Moved>& moved, const Style& style);

/// The steps of the way, numbered, with their fields and waits.
std::string wayReport(const WritingOrder& way, const std::string& from, const std::string& to, const Style& style);

/// Takes beside one another: what differs, then what is the same.
std::string compareReport(const std::vector<std::string>& takes, const std::vector<ComparedRow>& rows, const Style& style);

/// The parts of the shelf, those that fit first, each with what it has of what is needed.
std::string shelfReport(const std::vector<std::pair<std::string, std::vector<NeedFigure>>>& parts, const Style& style);

/// The parts of the shelf with their notes, where nothing is needed.
std::string shelfReport(const std::vector<ShelvedPart>& parts, const Style& style);

} // namespace wisetick::cli
