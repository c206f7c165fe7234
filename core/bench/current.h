#pragma once

#include "base/text.h"
#include "bench/capture.h"
#include "derive/figures.h"
#include "plan/plan.h"

#include <optional>
#include <string>
#include <vector>

namespace wisetick {

/// A current that the supply stays at for some of the time.
struct CurrentLevel {
    double ampere = 0; ///< mean while it stays there
    double least = 0;
    double most = 0;
    double share = 0;        ///< of the time
    std::int64_t visits = 0; ///< how often it came there
    std::string name = {};   ///< of what is predicted to draw so: "rest in deep"; empty where nothing is
    double predicted = 0;    ///< A, of that
    std::size_t state = 0;   ///< of the trace
    bool operator==(const CurrentLevel&) const = default;
};

/// The times that the current is up, of one kind: alike in charge.
struct CurrentWake {
    std::string name = {}; ///< of the jobs that are predicted then: "sample, report"
    std::int64_t count = 0;
    double coulomb = 0;   ///< mean, all that is drawn while it is up
    double seconds = 0;   ///< mean
    double toFirst = 0;   ///< s, from its beginning to the first change behind it
    double toLast = 0;    ///< s, to where it draws what it draws longest
    double predicted = 0; ///< C; 0: no kind is predicted that is near
    double predictedSeconds = 0;
    std::pair<double, double> predictedSpread = {}; ///< s, the shortest and the longest of that kind
    double predictedPerSecond = 0;                  ///< how often it is predicted
};

/// What of a current is measured.
struct CurrentFigures {
    std::string track;
    double seconds = 0;                   ///< for which it was looked at
    double average = 0;                   ///< A
    double open = 0;                      ///< A, by which the average may be off for the capture's looks
    double floor = 0;                     ///< A, the lowest level that it stays at
    bool hasRest = true;                  ///< false: so short a capture may as planned hold too little rest for a floor
    double projected = 0;                 ///< A, the average where its wakes come as often as planned; 0: that is not known
    std::vector<std::string> unseen = {}; ///< wakes that are planned and were not seen
    double peak = 0;                      ///< A
    std::vector<CurrentLevel> levels;     ///< the lowest first
    std::vector<CurrentWake> wakes;       ///< the most charge in all first
};

/// What else than planned would draw so, as far as a current tells it.
struct CurrentReason {
    Text say;                            ///< "rests in idle instead of deep"
    double leftOver = 0;                 ///< share by which it is off all the same; 0: it explains it
    std::optional<std::string> job = {}; ///< that lasts otherwise
    std::string restsIn = {};            ///< the mode that it rests in instead
    double lasts = 0;                    ///< s, then
};

/// The track of the supply's current: its unit is an ampere's, or it is called supply, current or ampere; nullptr: none.
const ValueTrack* findCurrent(const Capture& capture);
/// A of the track's unit: 1e-3 of "mA".
double ampereOf(const ValueTrack& track);

/// Measures a current over all of the capture: levels that it stays at, wakes above its floor.
CurrentFigures measureCurrent(const Capture& capture, const ValueTrack& track);

/// The current that the plan predicts, typical, as a capture of so many seconds would show it; nothing where no jobs are played.
std::optional<Capture> predictedCurrent(const Figures& figures, double seconds);

/// Puts beside what was measured what is predicted: names and figures of levels and wakes.
void compareCurrent(const Figures& figures, CurrentFigures& measured);

/// The state of the promise `average under` by what was measured; pending where there is none, and where the capture is shorter
/// than the plan's pattern and not all kinds of wakes were seen.
State currentState(const Plan& plan, const CurrentFigures& measured);

/// What explains a current, the best first: as planned, another mode to rest in, a peripheral that is left on in it, a job that
/// lasts otherwise, jobs that come more or less often.
std::vector<CurrentReason> explainCurrent(const Part& part, const Plan& plan, const Figures& figures,
                                          const CurrentFigures& measured);

} // namespace wisetick
