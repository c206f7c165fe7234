#pragma once

#include "base/text.h"
#include "plan/promise_line.h"
#include "quantity/bounds.h"

#include <functional>
#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace wisetick {

/// A tolerance as its budget adds up: relative parts, and an ageing in 1/s over some years (in s).
struct ToleranceBudget {
    Rational initial;
    Rational temperature;
    Rational ageing; ///< 1/s
    Rational age;    ///< s
    Rational total() const { return initial + temperature + ageing * age; }
    bool operator==(const ToleranceBudget&) const = default;
};

/// How a tuning fork falls off to both sides of a temperature: coefficient × (T − turnover)².
struct Parabola {
    Rational coefficient; ///< a share per °C²
    Rational turnover;    ///< °C
    bool operator==(const Parabola&) const = default;
};

/// What stands on the board for a crystal or clock input of the part.
struct Fitted {
    std::string source;
    Rational rate;                            ///< Hz
    std::optional<ToleranceBudget> tolerance; ///< none: unknown
    bool isBudget = false;                    ///< written as a table, not as one figure
    std::optional<Rational> load;             ///< F, for which the crystal was cut
    std::optional<Rational> esr;              ///< Ω
    std::optional<Rational> capacitors = {};  ///< F, each of the two that are fitted
    std::optional<Rational> otherOne = {};    ///< F, of the second one where they differ
    std::optional<Rational> stray = {};       ///< F, across the crystal
    std::optional<Rational> shunt = {};       ///< F, the crystal's C0
    std::optional<Rational> motional = {};    ///< F, the crystal's C1
    std::optional<Parabola> parabola = {};
    bool isFedIn = false; ///< a clock that comes from outside, where a crystal would stand
    bool operator==(const Fitted&) const = default;
};

/// An RC that the firmware trims against a better clock from time to time.
struct Trimmed {
    std::string source;
    std::string by;                ///< the source that it is measured against
    Rational every;                ///< s
    std::optional<Rational> drift; ///< °C/s, by which the temperature moves at most; none: unknown
    bool operator==(const Trimmed&) const = default;
};

/// This very board's oscillator, measured: an internal one, or what is fitted.
struct Measured {
    std::string source;
    Rational rate;                     ///< Hz
    std::optional<Rational> tolerance; ///< to both sides; none: unknown
    bool operator==(const Measured&) const = default;
};

struct Battery {
    Rational capacity; ///< C
    std::optional<Rational> voltage;
    std::optional<Rational> resistance;
    std::vector<std::pair<Rational, Rational>> usable; ///< °C → share, ascending; empty: all of it
    Rational fades;                                    ///< share per second
    std::int64_t inSeries = 1;                         ///< cells of this kind: their voltages and resistances add up
    std::int64_t inParallel = 1;                       ///< their capacities add up
    /// Share of the charge that is left → V of a cell at rest, ascending; empty: its voltage stays.
    std::vector<std::pair<Rational, Rational>> curve = {};
    std::optional<Rational> endsAt = {}; ///< V of the whole battery under its peak load; none: the part's least supply
    bool operator==(const Battery&) const = default;
};

/// What makes the supply of the battery's voltage.
struct Regulator {
    std::optional<Rational> efficiency; ///< a share; none: it passes the current on and burns the difference
    Rational draws;                     ///< A, by itself
    bool operator==(const Regulator&) const = default;
};

struct Board {
    std::optional<Bounds> supply;      ///< V
    std::optional<Bounds> temperature; ///< °C
    std::optional<Rational> alwaysDraws;
    std::vector<Fitted> fitted;
    std::vector<Measured> measured;
    std::optional<Battery> battery;
    std::optional<Regulator> regulator = {};                       ///< none: the battery feeds the part itself
    std::vector<std::pair<std::string, std::string>> options = {}; ///< option word → value
    std::vector<std::pair<std::string, std::string>> wiring = {};  ///< what the user wires → pin
    std::vector<std::pair<std::string, std::string>> routes = {};  ///< signal "uart1.tx" → pin, by signal
    std::vector<Trimmed> trimmed = {};
    std::vector<std::string> assumed = {}; ///< "supply", "temperature": taken from the part, until somebody says how it is
    bool operator==(const Board&) const = default;
};

/// A promise as typed, and as understood.
struct Promise {
    std::string text;
    PromiseLine line;
    bool operator==(const Promise&) const = default;
};

/// Whether the lines of promises and jobs can refer to something that is called so: "fed by NAME", "in take NAME".
bool isOneWord(const std::string& name);

/// Something the firmware does now and then.
struct Job {
    std::string name;
    Rational every;                 ///< s, the period; the mean interval of a random one; 0 of one that follows another
    Rational phase;                 ///< s
    std::optional<Rational> lasts;  ///< s; either this or
    std::optional<Rational> cycles; ///< core cycles
    std::string take;               ///< empty: the active take
    Rational draws;                 ///< A, outside the part, while it runs
    std::vector<std::string> uses;  ///< peripherals
    bool isRandom = false;          ///< it comes by chance, on average so often
    Rational jitter;                ///< s, by how much a periodic one can come late
    std::string after = {};         ///< the job that it follows, each time
    std::string mode = {};          ///< in which the core is while it goes on; empty: run
    Rational brings;                ///< A, that it gives to the battery; such a job needs no core
    /// What times it: a peripheral, or "outside"; empty: the one timer that ends the rest, where there is just one, else outside.
    std::string by = {};
    std::optional<Rational> doneWithin = {}; ///< s, from when it is due
    bool operator==(const Job&) const = default;
};

/// What a take sets on one line or peripheral. What is not set stays at the part's reset.
struct Choice {
    std::string id;
    std::optional<std::string> from;
    std::optional<Rational> divide;
    std::optional<Rational> multiply;
    std::optional<bool> on;
    std::optional<Rational> rate = {};     ///< Hz, of a source that has several
    std::optional<std::string> drive = {}; ///< of a crystal that can be driven harder
    bool operator==(const Choice&) const = default;
};

/// A way on which the user insists, by promise name.
struct PinnedWay {
    std::string promise;
    std::vector<std::pair<std::string, Rational>> settings;
    bool operator==(const PinnedWay&) const = default;
};

/// An option inside a sleep mode: "flash" of "deep" set to "off".
struct ModeChoice {
    std::string mode;
    std::string option;
    std::string value;
    bool operator==(const ModeChoice&) const = default;
};

/// One set of choices.
struct Take {
    std::string name;
    std::string tier;
    std::string restsIn;
    std::vector<std::string> locks;
    std::vector<Choice> choices;
    std::vector<PinnedWay> pinned;
    std::vector<ModeChoice> modes = {};
    bool operator==(const Take&) const = default;
};

/// A file that is made from the plan for the firmware.
struct HandoverFile {
    std::string path;      ///< from the plan's folder
    std::string form;      ///< one of handoverForms
    std::string take;      ///< empty: the active one
    std::string from;      ///< the take that its clocks are left in; empty: reset
    std::string registers; ///< how a register is named in it: "{block}->{register}"; empty: by its address
    bool operator==(const HandoverFile&) const = default;
};

/// "header", "prototypes", "c", "cpp", "rust", "dts", "csv" and "json".
const std::vector<std::string>& handoverForms();

/// A capture of a board that the plan keeps beside it.
struct KeptCapture {
    std::string path; ///< from the plan's folder
    std::string sum;  ///< CRC-32 of the file as eight hexadecimal digits; empty: not taken yet
    /// Promise and track, where the names don't tell.
    std::vector<std::pair<std::string, std::string>> tracks;
    bool operator==(const KeptCapture&) const = default;
};

/// The decisions for one board on one part.
struct Plan {
    std::string name;
    std::string part;
    std::string active;
    std::string note;
    Board board;
    std::vector<Promise> promises;
    std::vector<Job> jobs;
    std::vector<Take> takes;
    std::vector<HandoverFile> handover = {}; ///< in the order in which they are written
    std::vector<KeptCapture> captures = {};
    bool operator==(const Plan&) const = default;
};

/// An edit of a plan, with everything that it needs to know: an empty text, or why it can't be made (the plan is unchanged then).
using PlanEdit = std::function<Text(Plan&)>;

/// A plan on a part before anything is decided: one take, in which everything is at its reset.
Plan freshPlan(const Part& part);

/// What a board can say of supply or temperature before anybody did: the part's own range, marked as assumed. What the part does
/// not tell stays unknown.
void assumeRange(Plan& plan, const Part& part);

/// The names of the promises, in order: the one given, else the subject (or the verb where there is none), with
/// "-2", "-3" … where that is taken.
std::vector<std::string> promiseNames(const Plan& plan);

const Take* findTake(const Plan& plan, const std::string& name);
/// The plan with that take as the active one: what holds where the firmware runs it, with all jobs that name no other take.
Plan withActive(Plan plan, const std::string& take);
const Choice* findChoice(const Take& take, const std::string& id);
/// The choice of the take on that line, source or peripheral; made where there is none.
Choice& choiceOf(Take& take, const std::string& id);
/// The same in the plan's take of that name. Throws std::invalid_argument if there is no such take.
Choice& choiceOf(Plan& plan, const std::string& take, const std::string& id);
const Fitted* findFitted(const Board& board, const std::string& source);
const Measured* findMeasured(const Board& board, const std::string& source);
const PinnedWay* findPinned(const Take& take, const std::string& promise);

} // namespace wisetick
