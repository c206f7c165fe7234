#pragma once

#include "part/field.h"
#include "part/limit.h"
#include "part/peripheral_kinds.h"
#include "quantity/bounds.h"
#include "quantity/factor_set.h"

#include <map>
#include <optional>
#include <string>
#include <variant>
#include <vector>

namespace wisetick {

/// Typical and longest time in s. What the part does not give is unknown.
struct Duration {
    std::optional<Rational> typ;
    std::optional<Rational> max;
    bool operator==(const Duration&) const = default;
};

/// A current in A over temperature in °C, log-linear between its points, which ascend. One point: constant.
struct TemperatureCurve {
    struct Point {
        Rational celsius;
        Rational ampere;
        bool operator==(const Point&) const = default;
    };
    std::vector<Point> points;
    bool operator==(const TemperatureCurve&) const = default;
};

/// What something draws: a base, and a slope in A per MHz of its clock. A single figure stands for both typical
/// and largest.
struct Draw {
    std::optional<TemperatureCurve> typ;
    std::optional<TemperatureCurve> max;
    std::optional<Rational> perMegahertzTyp;
    std::optional<Rational> perMegahertzMax;
    /// A per V of supply, from the supply for which the base was measured; none: it does not depend on it, or is not told.
    struct BySupply {
        Rational slope; ///< A/V
        Rational at;    ///< V
        bool operator==(const BySupply&) const = default;
    };
    std::optional<BySupply> bySupply = {};
    std::string ref = {};
    bool operator==(const Draw&) const = default;
};

/// Which limits hold; a control of the take.
struct Tier {
    std::string id;
    std::optional<Rational> supplyMin; ///< V
    std::optional<Rational> supplyMax; ///< V
    std::optional<Field> field;
    std::int64_t code = 0;
    std::string ref;
};

enum class SourceKind { crystal, rc, clockIn };

/// An oscillator's tolerance within a range of temperature (°C), as relative deviations: {−1/5, 1/4}.
struct ToleranceStep {
    std::optional<Rational> fromCelsius;
    std::optional<Rational> toCelsius;
    Rational low;
    Rational high;
};

struct Source {
    std::string id;
    std::string name;
    SourceKind kind = SourceKind::rc;
    std::vector<Rational> rates;      ///< Hz, of an rc: what it can be set to, mostly one
    std::size_t resetRate = 0;        ///< index into `rates`
    std::optional<Field> rateField;   ///< where there is a choice
    std::vector<std::int64_t> codes;  ///< what it holds for each rate
    std::optional<Rational> rangeMin; ///< Hz, what may be fitted
    std::optional<Rational> rangeMax;
    std::vector<ToleranceStep> tolerance; ///< empty: unknown
    Duration startup;
    std::optional<Draw> draws;
    std::vector<std::string> pins;
    std::optional<Rational> gm; ///< A/V
    std::optional<Field> field; ///< the bit that starts it
    std::string ref;
    /// Which line the hardware puts on which of its inputs by itself when this source fails: two ids.
    std::optional<std::pair<std::string, std::string>> failsTo = {};
};

/// A source or a line, by its place: sources first, then lines, each in file order.
using NodeIndex = std::size_t;

/// A factor that another line's control sets.
struct Follows {
    std::size_t line = 0;                            ///< index of the line whose control it is
    std::string control;                             ///< "divide" or "multiply"
    std::vector<std::pair<Rational, Rational>> when; ///< control value → factor
    Rational otherwise = 1;
};

struct Line {
    std::string id;
    std::string name;
    std::vector<NodeIndex> from; ///< more than one: a mux
    FactorSet divide;            ///< empty: no divider
    FactorSet multiply;          ///< empty: no multiplier
    Rational factor = 1;         ///< fixed
    std::optional<Follows> follows;
    std::size_t resetFrom = 0; ///< index into `from`
    Rational resetDivide = 1;
    Rational resetMultiply = 1;
    std::map<std::string, Field> fields; ///< by control: "from", "divide", "multiply", "on"
    std::map<std::string, Holds> holds;
    std::vector<Limit> limits;
    Rational ripple; ///< how far it strays from its rate by itself, to both sides, as a share
    std::optional<Rational> rippleOver =
        {};                        ///< s, within which it takes back what it strayed; none: not told, it may stray for ever
    Duration startup;              ///< lock time of a multiplier
    std::vector<std::string> pins; ///< where it leaves the part
    std::optional<Draw> draws;
    std::string ref;
};

/// left ≤, ≥ or = times × right, on nominal rates.
struct Rule {
    enum class Relation { atMost, atLeast, equals };

    Relation relation = Relation::atMost;
    std::string say;
    NodeIndex left = 0;
    NodeIndex right = 0;
    Rational times = 1;
    std::string ref;
};

/// Memory wait states by rate, Hz: the first step whose rate is not exceeded. Results, never choices.
struct WaitStep {
    Rational hertz; ///< up to here
    std::int64_t waits = 0;
    std::optional<Rational> speed; ///< instructions a second against none waiting, as a share; none: unknown
};

struct WaitTable {
    NodeIndex line = 0;
    std::optional<std::size_t> tier;
    std::vector<WaitStep> steps;
    std::optional<Field> field;
    std::string ref;
};

/// One step of bringing a peripheral up, as the part tells it.
struct BringUpStep {
    std::string control;        ///< a control whose field is written: "gate", "prescaler", "interrupts"; else
    std::string say;            ///< what is to be done, in words
    std::optional<Field> field; ///< that is written for it
    std::int64_t code = 1;
    bool isForgotten = false;       ///< it is what is forgotten most often
    std::int64_t channel = 0;       ///< of whose promises it is part; 0: of all
    std::vector<std::string> verbs; ///< of the promises that need it, "drives"; empty: all
};

struct Peripheral {
    std::string id;
    std::string name;
    PeripheralKind kind;
    std::vector<NodeIndex> clock; ///< more than one: its own mux
    std::size_t resetFrom = 0;
    std::map<std::string, Field> fields;
    std::map<std::string, Holds> holds;
    std::optional<Field> gate;
    std::vector<std::string> interrupts;          ///< enables from its own to the core's, in order
    std::vector<BringUpStep> bringUp;             ///< empty: gate, clock, its settings, interrupts
    std::map<std::string, std::string> wakesFrom; ///< by mode: what wakes
    std::vector<std::string> pins;
    std::optional<Draw> draws;
    std::string ref;
};

/// What a mode keeps: everything, or those named.
struct KeptSet {
    bool all = false;
    std::vector<std::size_t> some;
    bool contains(std::size_t index) const;
};

/// One stage of a wake-up. Stages run one after the other; one that stands `beside` another starts with it.
struct WakeStage {
    std::string say;
    Duration lasts;
    std::optional<Draw> draws;
    std::string beside;
    std::string ref;
};

/// A step to be taken before sleeping or after waking, with its condition in words.
struct OrderStep {
    std::string say;
    std::string when;
};

/// A choice inside a mode: what is kept, or how.
struct ModeOption {
    struct Value {
        std::string id;
        Rational draws;                 ///< A, that this value adds; less than 0 where it saves
        std::optional<WakeStage> stage; ///< that it adds to the wake-up
        std::vector<std::string> loses; ///< ids of the mode's memory that this value does not keep
    };

    std::string id;
    std::vector<Value> values;
    std::size_t reset = 0;
};

struct Mode {
    std::string id;
    std::string name;
    bool runs = false; ///< the core executes: the run mode
    KeptSet sources;
    KeptSet lines;
    KeptSet peripherals;
    std::vector<std::string> memory;
    bool keepsPins = false;
    std::vector<std::string> wakesBy;
    std::optional<std::size_t> wakesOn; ///< source index
    std::optional<Draw> draws;          ///< its slope counts the core's rate
    std::vector<WakeStage> stages;
    std::vector<OrderStep> before;
    std::vector<OrderStep> after;
    std::vector<ModeOption> options;
    std::optional<bool> keepsDebug; ///< the debugger stays connected; none: it is not told
    std::string ref;
};

/// A setting fixed when the part is programmed, and what each of its values does.
struct OptionWord {
    struct Value {
        std::string id;
        std::string say; ///< what it does, in a sentence
        std::int64_t code = 0;
        std::optional<Rational> resetsBelow = {}; ///< V, of a brown-out level
    };

    std::string id;
    std::string say;
    std::vector<Value> values;
    std::size_t safe = 0;  ///< index of the value that can't lock anybody out
    std::size_t fresh = 0; ///< index of the value of an unprogrammed part
    std::optional<Field> field;
    std::string ref;
};

/// What a microcontroller offers. Ids are unique over sources, lines, peripherals and modes.
struct Part {
    std::string id;
    std::string name;
    std::string note;
    std::optional<Rational> supplyMin; ///< V
    std::optional<Rational> supplyMax;
    Rational slack = Rational(1, 1000);
    std::optional<Rational> interruptEntry; ///< cycles of the core from an interrupt to its handler's first instruction
    std::optional<Rational> interruptExit;  ///< and from its last one back
    std::vector<Tier> tiers;
    std::vector<Source> sources;
    std::vector<Line> lines;
    std::vector<Rule> rules;
    std::vector<WaitTable> waits;
    std::vector<Peripheral> peripherals;
    std::vector<Mode> modes;
    std::vector<OptionWord> options;
    std::vector<std::string> pins;      ///< all that there are; empty: not told
    std::vector<std::string> debugPins; ///< for the debugger
    NodeIndex core = 0;                 ///< the node whose rate the core runs at
    std::vector<std::size_t> order;     ///< line indices, parents before children

    std::size_t nodeCount() const { return sources.size() + lines.size(); }
    bool isSource(NodeIndex node) const { return node < sources.size(); }
    const Line& lineAt(NodeIndex node) const { return lines[node - sources.size()]; }
    NodeIndex nodeOfLine(std::size_t line) const { return sources.size() + line; }
    const std::string& nodeId(NodeIndex node) const { return isSource(node) ? sources[node].id : lineAt(node).id; }
    std::optional<NodeIndex> findNode(const std::string& nodeId) const;
    std::optional<std::size_t> findPeripheral(const std::string& peripheralId) const;
    std::optional<std::size_t> findMode(const std::string& modeId) const;
    std::optional<std::size_t> findTier(const std::string& tierId) const;
    /// The mode in which the core executes.
    std::size_t runMode() const;
    /// Cycles that an interrupt takes beside its handler, as far as they are told.
    Rational interruptCycles() const { return interruptEntry.value_or(Rational(0)) + interruptExit.value_or(Rational(0)); }
};

/// The ids of a list of things that have one.
template <class Things>
std::vector<std::string> idsOf(const Things& things) {
    std::vector<std::string> ids;
    for (const auto& thing : things) {
        ids.push_back(thing.id);
    }
    return ids;
}

/// The ids of all sources and lines.
std::vector<std::string> nodeIds(const Part& part);

} // namespace wisetick
