#pragma once

#include "base/diagnostic.h"
#include "base/text.h"
#include "part/part.h"
#include "promise/promise_figure.h"
#include "sleep/current.h"
#include "sleep/wake_up.h"

#include <map>
#include <memory>
#include <optional>
#include <string>
#include <vector>

namespace wisetick {

class Trace;

/// One source or line: where it stands, and where it may stand.
struct LineFigure {
    std::string id;
    std::string name;
    bool isSource = false;
    bool isOn = false;
    std::optional<NodeIndex> parent; ///< the input that its mux has chosen
    Rational factor = 1;             ///< rate ÷ parent's rate
    Rational multiply = 1;           ///< what its multiplier is set to
    Rational divide = 1;             ///< what its divider is set to
    Text control;                    ///< "from xtm ÷ 5"
    std::optional<Bounds> hertz;
    std::optional<Bounds> overLong; ///< Hz, over long times, in which ripple is taken back; none: as `hertz`
    Rational strayTime;             ///< s, by which an edge can be off its place meanwhile
    Text why;                       ///< why there is no rate
    Text unknown;                   ///< whose tolerance is unknown; min and max are the nominal then
    std::optional<Rational> limitMin;
    std::optional<Rational> limitMax;
    bool isNone = false;       ///< it is no clock at all, only what a mux can be put on
    State state = State::kept; ///< against its limits; only what is on is judged
    std::optional<Rational> margin;
    Text stateWhy;
    std::vector<FieldValue> fields;
    Workings workings; ///< made on demand: lineWorkings
};

/// What follows from a rate: wait states, or a field bound to it.
struct WaitFigure {
    std::string line;
    std::int64_t waits = 0;
    std::optional<FieldValue> field;
    std::optional<Rational> speed; ///< instructions a second against none waiting, as a share; none: unknown
    Workings workings;
    Text say = {}; ///< what it is, in words; empty: memory wait states
    /// "wait states of core: 4", "input range of f: 2".
    std::string text() const;
};

/// Who takes a pin.
struct PinFigure {
    std::string pin;
    std::vector<std::string> users; ///< sources that are on, lines that leave the part, peripherals in use, signals
    bool isDebug = false;           ///< the debugger needs it
    Text why;                       ///< the collision; empty where there is none
};

/// Where a signal with a choice of pins stands.
struct RouteFigure {
    std::string signal; ///< "uart1.tx"
    std::string owner;  ///< the line or peripheral
    std::vector<std::string> places;
    std::string pin;       ///< empty where it is not in use
    bool isChosen = false; ///< by the plan; else the first that is free
    std::optional<FieldValue> field;
};

/// A start-up option word as the board has it.
struct OptionFigure {
    std::string id;
    Text say;
    std::string value;    ///< its id
    std::string does;     ///< what the value does
    std::string safe;     ///< the id of the value that is safe
    bool isGiven = false; ///< in the plan; else it is as an unprogrammed part has it
    std::optional<FieldValue> field;
    State state = State::kept; ///< of a brown-out level against the board's supply and the tier
    Text why;                  ///< what is wrong with it; empty where it is kept
};

/// What follows for a fitted crystal.
struct CrystalFigure {
    std::string source;
    std::optional<Rational> wanted; ///< F, each of its two capacitors
    std::vector<Rational> e12;      ///< F, next to it
    std::vector<Rational> e24;
    std::optional<Rational> load;  ///< F, that stands across it
    std::optional<Rational> shift; ///< of its rate by that load, as a share
    std::optional<double> margin;  ///< of its start-up; 5 is wished
};

/// What one mode means to this take.
struct ModeFigure {
    std::string id;
    std::string name;
    bool runs = false;
    std::vector<std::string> sources;            ///< on in this mode
    std::vector<std::string> lines;              ///< on in this mode
    std::vector<std::string> peripherals;        ///< enabled and clocked in this mode
    std::vector<std::string> withoutClock;       ///< promises that have no clock here
    std::vector<std::string> wrongUntilRestored; ///< promises that do not hold between first instruction and restored
    std::optional<WakeUpFigure> wakeUp;          ///< none for the run mode
    CurrentFigure current;
    Bounds ampere;                                            ///< current.bounds
    std::vector<Contribution> stageDraws;                     ///< what each stage of its wake-up draws, in order
    std::vector<std::string> memory;                          ///< what keeps its contents, with the options as chosen
    std::vector<std::pair<std::string, std::string>> options; ///< id and value, as chosen or at reset
    std::optional<NodeIndex> wakesOn;                         ///< the source on which the core comes back
};

/// What times a job, and how far its intervals stray with it.
struct JobTiming {
    std::string by;                      ///< the peripheral; empty: it comes from outside, exact
    std::optional<NodeIndex> source;     ///< that its clock comes from
    Bounds stretch = Bounds::exactly(1); ///< how long an interval is, as a share of the nominal
    Text unknown;                        ///< whose tolerance is unknown
    bool isSaid = false;                 ///< by the plan; else it is what ends the rest
};

/// What the play tells of the runs of one job.
struct JobRuns {
    std::string job;
    JobTiming timing;
    std::optional<Bounds> interval; ///< s between the beginnings of two runs, at nominal clocks; none: there is no bound
    std::optional<Rational> every;  ///< s, its period; of a follower that of the first before it; none: it comes by chance
    Text why;                       ///< why there is no bound
};

/// How long something that the core has to do waits and takes at most: a handler of an interrupt, or a job.
struct LatencyFigure {
    Text name;
    Target target;
    bool isHandler = false;
    Rational interval;               ///< s, the shortest between two
    Rational takes;                  ///< s, at the slowest core, entry and exit included
    std::optional<Rational> longest; ///< s, from its event until it is done; none: there is no bound
    std::optional<Rational> limit;   ///< s, until when it must be done
    State state = State::kept;
    Text why;
    Workings workings;
};

/// What came of playing the jobs.
struct RhythmFigure {
    struct Share {
        Text name; ///< "rest in deep", "job report", "waking"
        Target target;
        Rational timeShare;   ///< of the whole time, typical
        Rational chargeShare; ///< of the whole charge, typical at the nominal temperature
        Rational ampere;      ///< its part of the average
        struct Piece {
            Text name;
            Target target;
            Rational ampere; ///< its part of the average
        };
        std::vector<Piece> pieces = {}; ///< what draws in it, the most first
        bool isResting = false;
    };
    Rational span;                       ///< s, the hyperperiod (or the part of it that was played)
    std::int64_t wakeUps = 0;            ///< in the span
    std::int64_t events = 0;             ///< job runs in the span
    bool isWhole = true;                 ///< false: the hyperperiod has more than 10^5 events and was cut
    std::optional<Rational> longestRest; ///< s, at nominal clocks
    /// How it grows where what times the jobs is slow: by (stretch − 1) × this many s.
    Rational restGrows;
    JobTiming restTiming;                 ///< what times the jobs around it; the slowest of several
    std::vector<JobRuns> runs;            ///< of the jobs that need the core, in the plan's order
    std::vector<LatencyFigure> latencies; ///< handlers, the more urgent first, then the jobs
    std::optional<Bounds> average;        ///< A
    std::optional<Bounds> life;           ///< s
    Text unknown;                         ///< of average and life
    std::vector<Share> shares;
    Workings averageWorkings;
    Workings lifeWorkings;
    bool isByChance = false;            ///< jobs come at random or late: this is one play of many
    Rational load;                      ///< share of the time that the jobs take, at the slowest core
    std::optional<Bounds> peak;         ///< A, the largest current that lasts
    std::optional<Rational> brings;     ///< A, what jobs give to the battery on average
    std::optional<Bounds> atPeak;       ///< V, of the battery under the peak, from its worst to fresh at rest
    std::shared_ptr<const Trace> trace; ///< of the typical play; none where nothing was played
};

/// The five figures of the window's head.
struct Vitals {
    std::optional<Rational> coreHertz;
    std::string worstPromise;          ///< broken first, then least room; empty where there is none
    std::optional<Bounds> worstWakeUp; ///< s
    std::string worstWakeUpMode;
    std::optional<Bounds> average; ///< A
    std::optional<Bounds> life;    ///< s
};

/// All that follows from a part, a plan and one of its takes.
struct Figures {
    std::string part;
    std::string plan;
    std::string take;
    std::string tier;
    std::optional<FieldValue> tierField;
    TemperatureGrid grid;
    std::vector<LineFigure> lines; ///< by NodeIndex: sources first, in file order
    std::vector<WaitFigure> waits;
    std::vector<PromiseFigure> promises; ///< in the plan's order
    std::vector<ModeFigure> modes;       ///< in the part's order
    std::vector<PinFigure> pins;
    std::vector<RouteFigure> routes;     ///< in the part's order
    std::vector<OptionFigure> options;   ///< in the part's order
    std::vector<CrystalFigure> crystals; ///< in the plan's order
    std::optional<RhythmFigure> rhythm;  ///< none: not played yet
    Diagnostics findings;
    Vitals vitals;

    const PromiseFigure* findPromise(const std::string& name) const;
    const LineFigure* findLine(const std::string& id) const;
};

} // namespace wisetick
