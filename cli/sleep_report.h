#pragma once

#include "evaluate/battery_moves.h"
#include "evaluate/sleep_order.h"
#include "evaluate/wake_timers.h"
#include "evaluate/ways_out.h"
#include "rhythm/chance.h"
#include "rhythm/rest_cost.h"
#include "text_report.h"

#include <nlohmann/json.hpp>

namespace wisetick::cli {

/// What a mode keeps and loses, how it wakes, what it draws by contributor, and the order around a rest in it.
std::string sleepReport(const Part& part, const Plan& plan, const Figures& figures, const std::string& mode, const Style& style);

/// The modes beside one another, and from which rest on which pays.
std::string modesReport(const Part& part, const Plan& plan, const Figures& figures, const Style& style);

/// Where the charge goes, down to what draws it, the jobs, and what would move the battery most.
std::string rhythmReport(const Part& part, const Figures& figures, const std::vector<BatteryMove>& moves,
                         const std::optional<ChanceFigure>& chance, const Style& style);

/// The charge of a job over the core's rate.
std::string raceReport(const std::vector<RacePoint>& race, const std::string& job, const Style& style);

/// {"modes": as in the figures, "best_rests": [{"from", "mode"}], "jobs": [{"job", "rest", "mode"}]}; with a mode also "before"
/// and "after": [{"say", "why", "trouble"}] and "sooner": [{"say", "got", "breaks"}].
nlohmann::ordered_json sleepJson(const Part& part, const Plan& plan, const Figures& figures, const std::string& mode);

/// {"rhythm": as in the figures, "moves": [{"say", "average", "life"}]}, each from a tenth worse to a tenth better; where they
/// were asked "chance": {"seeds", "runs", "average", "life"} and "race": [{"hertz", "coulomb"}].
nlohmann::ordered_json rhythmJson(const Figures& figures, const std::vector<BatteryMove>& moves,
                                  const std::optional<ChanceFigure>& chance, const std::vector<RacePoint>& race);

} // namespace wisetick::cli
