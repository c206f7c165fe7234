#pragma once

#include "base/text.h"
#include "part/field.h"
#include "part/limit.h"
#include "part/peripheral_kinds.h"
#include "quantity/bounds.h"
#include "quantity/factor_set.h"

#include <algorithm>
#include <map>
#include <optional>
#include <string>
#include <unordered_map>
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
    /// A slope on another clock than its own.
    struct OnClock {
        std::size_t node = 0; ///< NodeIndex of the clock
        std::optional<Rational> perMegahertzTyp;
        std::optional<Rational> perMegahertzMax;
        bool operator==(const OnClock&) const = default;
    };
    std::vector<OnClock> onClocks = {};
    /// What is drawn on top while it does something: "converting".
    struct While {
        std::string does;
        Rational typ; ///< A
        Rational max; ///< A
        bool operator==(const While&) const = default;
    };
    std::vector<While> whiles = {};
    std::optional<std::size_t> tier = {}; ///< the tier for which it is told; none: for all
    std::vector<Draw> inTiers = {};       ///< what is drawn in each tier, where that differs; the rest of this is empty then
    bool operator==(const Draw&) const = default;
};

/// What is drawn in a tier; nothing where it is not told for that one.
const Draw* drawIn(const std::optional<Draw>& draw, std::optional<std::size_t> tier);

/// Which limits hold; a control of the take.
struct Tier {
    std::string id;
    std::optional<Rational> supplyMin; ///< V
    std::optional<Rational> supplyMax; ///< V
    std::optional<Field> field;
    std::int64_t code = 0;
    std::string ref;
    std::optional<Field> ready = {}; ///< 1 once it is reached
    Duration startup = {};           ///< until it is
};

/// `none`: what a mux is put on so that the line has no clock.
enum class SourceKind { crystal, rc, clockIn, none };

/// An oscillator's tolerance within a range of temperature (°C), as relative deviations: {−1/5, 1/4}.
struct ToleranceStep {
    std::optional<Rational> fromCelsius;
    std::optional<Rational> toCelsius;
    Rational low;
    Rational high;
    std::string with = {};           ///< the line or peripheral that must be on; empty: always
    std::optional<Field> field = {}; ///< and the bit that is set for it
};

/// What an RC can be trimmed by.
struct Trim {
    std::optional<Field> field;
    std::int64_t from = 0; ///< codes
    std::int64_t to = 0;
    std::int64_t reset = 0;
    Rational step;                           ///< share of the rate that one code more makes it faster
    Rational left;                           ///< share by which it can still be off after trimming, to both sides
    std::optional<Rational> perCelsius = {}; ///< share by which it moves for each °C at most; none: not told
};

/// How hard a crystal is driven: a control of its source.
struct Drive {
    std::string id;
    std::int64_t code = 0;
    std::optional<Rational> gm; ///< A/V
    std::optional<Draw> draws;
};

/// A clock that can be fed in where a crystal would stand.
struct FedIn {
    std::optional<Field> field;    ///< set to 1 for it
    std::optional<Rational> max;   ///< Hz
    std::vector<std::string> pins; ///< that it takes; the others are free
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
    /// Or: the source on which it puts all that this one feeds.
    std::string failsToSource = {};
    std::optional<Field> failsField = {}; ///< the bit that must be set for it
    std::optional<Field> ready = {};      ///< 1 once it runs
    std::optional<Trim> trim = {};
    std::vector<Drive> drives = {}; ///< weakest first; empty: there is no choice
    std::optional<Field> driveField = {};
    std::size_t resetDrive = 0;
    std::optional<FedIn> fedIn = {};
};

/// The id of the source that is none.
inline const std::string kNoClock = "none";

/// A source or a line, by its place: sources first, then lines, each in file order.
using NodeIndex = std::size_t;

/// A factor that another line's control sets.
struct Follows {
    std::size_t line = 0;                            ///< index of the line whose control it is
    std::string control;                             ///< "divide" or "multiply"
    std::vector<std::pair<Rational, Rational>> when; ///< control value → factor
    Rational otherwise = 1;
};

/// A signal of a peripheral and the pins on which it can stand.
struct Signal {
    std::string name;
    std::vector<std::string> places;
    std::optional<Field> field = {};      ///< that chooses among them
    std::vector<std::int64_t> codes = {}; ///< of each place
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
    std::optional<Field> ready = {};     ///< of a multiplier: 1 once it is locked
    std::optional<Field> shows = {};     ///< of a mux: the input that is in use, in the codes of "from"
    std::vector<Signal> signalPins = {}; ///< of one that can leave the part at several pins
    /// What must be passed through on the way to a fast rate.
    struct Through {
        Rational above;  ///< Hz
        Rational divide; ///< what its divider must stand at first
        Rational lasts;  ///< s
    };
    std::optional<Through> through = {};
    std::optional<NodeIndex> writtenWhileOff = {}; ///< its settings may be written only while this one, or itself, is off
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

/// A step of a table by rate, Hz: memory wait states, or the code of a field that follows a rate.
struct WaitStep {
    Rational hertz; ///< up to here, or of a table `fromRate` from here on
    std::int64_t waits = 0;
    std::optional<Rational> speed; ///< instructions a second against none waiting, as a share; none: unknown
};

/// What follows from a line's rate and is never chosen. The first step whose rate is not exceeded holds; of a table told from
/// below, the last whose rate is reached.
struct WaitTable {
    NodeIndex line = 0;
    std::optional<std::size_t> tier;
    std::vector<WaitStep> steps;
    std::optional<Field> field;
    std::string ref;
    std::string say = {};                       ///< what the field is, in words; empty: memory wait states
    bool isFromRate = false;                    ///< each step holds from its rate on, not up to it
    std::optional<Rational> supplyBelow = {};   ///< V: holds while the lowest supply is below
    std::optional<Rational> supplyAtLeast = {}; ///< V: holds while it is not below
    bool isWait() const { return say.empty(); }
};

/// How a register may be used.
enum class Access { readWrite, readOnly, writeOnly, writeOneToClear, writeZeroToClear, readToClear, setOnly };

/// A register, as far as the part tells it.
struct Register {
    std::string name; ///< "OSC.MAIN"
    std::optional<std::uint64_t> address;
    int width = 32; ///< bits
    std::optional<std::uint64_t> reset;
    Access access = Access::readWrite;
    std::string needs; ///< the sequence that goes before each write; empty: none
    std::string ref;
};

/// One write of a sequence, or of the way into a mode.
struct RegisterWrite {
    Field field; ///< of a whole register: all its bits
    std::int64_t code = 0;
    std::string wait = {}; ///< what is waited for instead: "interrupt"
};

/// Writes that must go before others: a key.
struct Sequence {
    std::string id;
    std::vector<RegisterWrite> writes;
};

/// A block of registers: where it begins.
struct Block {
    std::string name; ///< what stands before the dot of its registers
    std::uint64_t address = 0;
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
    std::vector<Signal> signalPins = {}; ///< where a signal has several places; one with a single place stands in `pins` too
    Rational syncs = {};                 ///< periods of its clock until a setting is taken
    std::vector<std::string> flags = {}; ///< fields of its flags, cleared as their register says
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
    std::optional<Rational> cycles = {};  ///< of the clock that the core wakes on, instead of a time
    std::optional<std::size_t> tier = {}; ///< in which it is gone through; none: in all
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
        std::optional<Draw> draws;         ///< that this value adds; below 0 where it saves; none: nothing
        std::optional<WakeStage> stage;    ///< that it adds to the wake-up
        std::vector<std::string> loses;    ///< ids of the mode's memory that this value does not keep
        std::int64_t code = 0;             ///< of its field
        std::vector<NodeIndex> keeps = {}; ///< sources and lines that it keeps on top of the mode's
    };

    std::string id;
    std::vector<Value> values;
    std::size_t reset = 0;
    std::optional<Field> field = {};
    bool isWakeClock = false; ///< its values are the sources on which the core comes back
};

struct Mode {
    std::string id;
    std::string name;
    bool runs = false; ///< the core executes: the run mode
    KeptSet sources;
    std::vector<NodeIndex> requested = {}; ///< sources that stay on only for a kept peripheral that is clocked from them
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
    std::vector<RegisterWrite> enter = {}; ///< what the firmware writes to get into it
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

/// How fast, and how strongly, a pin can be made to turn.
struct PinSpeed {
    std::string id;
    Rational most; ///< Hz, that it carries
    std::int64_t code = 0;
    std::optional<Rational> drive = {}; ///< A
};

/// Where each id stands in a list, so that long lists are not gone through for each name. It is a help only: what is not in it,
/// or stands elsewhere by now, is looked for.
class IdIndex {
public:
    template <typename Things>
    void index(const Things& things) {
        places_.clear();
        for (std::size_t i = 0; i < things.size(); ++i) {
            places_.emplace(things[i].id, i);
        }
    }
    template <typename Things>
    std::optional<std::size_t> find(const Things& things, const std::string& id) const {
        const auto known = places_.find(id);
        if (known != places_.end() && known->second < things.size() && things[known->second].id == id) {
            return known->second;
        }
        const auto found = std::find_if(things.begin(), things.end(), [&](const auto& each) { return each.id == id; });
        return found == things.end() ? std::nullopt : std::optional(static_cast<std::size_t>(found - things.begin()));
    }

private:
    std::unordered_map<std::string, std::size_t> places_;
};

/// A largest figure that a part does not tell, taken from the typical one.
struct TypicalOnly {
    std::string path; ///< of the table where it would stand: "source.xt"
    std::string id;   ///< "xt"
    Text say;         ///< "the longest start-up of xt"
};

/// What a microcontroller offers. Ids are unique over sources, lines, peripherals and modes.
struct Part {
    std::string id;
    std::string name;
    std::string note;
    std::optional<Rational> supplyMin; ///< V
    std::optional<Rational> supplyMax;
    std::optional<Rational> coldest; ///< °C, at which it may be used
    std::optional<Rational> hottest;
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
    std::optional<Rational> typicalFactor = {}; ///< what is told typically only is taken as at most so many times that
    std::vector<TypicalOnly> bounded = {};      ///< which that is
    std::vector<Register> registers;
    std::vector<Block> blocks;
    std::vector<Sequence> sequences;
    std::vector<std::string> pins;               ///< all that there are; empty: not told
    std::vector<std::string> debugPins;          ///< for the debugger
    std::vector<PinSpeed> pinSpeeds;             ///< slowest first; empty: there is no choice, or it is not told
    std::map<std::string, Field> pinSpeedFields; ///< by pin
    NodeIndex core = 0;                          ///< the node whose rate the core runs at
    std::vector<std::size_t> order;              ///< line indices, parents before children
    IdIndex sourceIds;                           ///< by `indexIds`
    IdIndex lineIds;
    IdIndex peripheralIds;

    /// Once all is read: what is looked for by its id is found at once from then on.
    void indexIds();
    std::size_t nodeCount() const { return sources.size() + lines.size(); }
    bool isSource(NodeIndex node) const { return node < sources.size(); }
    const Line& lineAt(NodeIndex node) const { return lines[node - sources.size()]; }
    NodeIndex nodeOfLine(std::size_t line) const { return sources.size() + line; }
    const std::string& nodeId(NodeIndex node) const { return isSource(node) ? sources[node].id : lineAt(node).id; }
    std::optional<NodeIndex> findNode(const std::string& nodeId) const;
    std::optional<std::size_t> findPeripheral(const std::string& peripheralId) const;
    std::optional<std::size_t> findMode(const std::string& modeId) const;
    std::optional<std::size_t> findTier(const std::string& tierId) const;
    const Register* findRegister(const std::string& registerName) const;
    /// Where the register stands, if that is told.
    std::optional<std::uint64_t> addressOf(const std::string& registerName) const;
    bool isNone(NodeIndex node) const { return isSource(node) && sources[node].kind == SourceKind::none; }
    /// The mode in which the core executes.
    std::size_t runMode() const;
    /// Cycles that an interrupt takes beside its handler, as far as they are told.
    Rational interruptCycles() const { return interruptEntry.value_or(Rational(0)) + interruptExit.value_or(Rational(0)); }
};

/// A signal that has a choice of pins, and what it belongs to.
struct PartSignal {
    std::string owner; ///< id of the line or peripheral
    const Signal* signal = nullptr;
    bool isOfLine = false;
    std::size_t index = 0;                                          ///< NodeIndex or place among the peripherals
    std::string name() const { return owner + "." + signal->name; } ///< "uart1.tx"
};
/// In the part's order, those of lines first.
std::vector<PartSignal> signalsOf(const Part& part);

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
