#pragma once

#include "base/text.h"
#include "derive/controls.h"
#include "derive/figures.h"
#include "seek/question.h"

#include <cstdint>
#include <memory_resource>
#include <optional>
#include <string>
#include <vector>

namespace wisetick {

/// A source, a line, or a peripheral in use (behind the lines: its clock), with what it stands at and what it could be set to.
struct SpaceNode {
    const Source* source = nullptr; ///< one of the three
    const Line* line = nullptr;
    const Peripheral* peripheral = nullptr;
    std::vector<std::size_t> inputs; ///< nodes, by position
    FactorSet divide;                ///< one value where there is no divider
    FactorSet multiply;
    std::vector<Rational> rates; ///< of a source that has a rate on this board
    std::size_t from = 0;        ///< as it stands
    Rational divideNow = 1;
    Rational multiplyNow = 1;
    std::size_t rateNow = 0;
    bool isHeldOff = false;    ///< `on = false`
    bool isInScope = false;    ///< the question lets it change
    bool keepsInput = false;   ///< nothing is asked of it or of what hangs on it: its mux does not turn
    bool keepsAll = false;     ///< as it is a source, a multiplier or above one, neither does anything else of it
    Text fault;                ///< it is set to what the part does not have
    Rational low = 1;          ///< of a source: its least rate ÷ nominal
    Rational high = 1;         ///< its greatest
    bool isSpreadKnown = true; ///< else both are 1

    const std::string& id() const;
    /// A source or a multiplier: what is below it but divides.
    bool isMaker() const { return source != nullptr || (line != nullptr && !line->multiply.empty()); }
};

/// What others can lean on; `rate`: whether the node runs within some rates.
enum class ControlKind { divide, multiply, from, rate };
ControlKind controlKind(const std::string& control);

/// A control that other lines' factors or limits lean on. Its values fall into classes within which they do the same.
struct Dependence {
    std::size_t node = 0; ///< whose control it is
    ControlKind control = ControlKind::divide;
    std::vector<Rational> values;     ///< that are told apart, ascending; of a mux the places of its inputs
    std::vector<std::size_t> classes; ///< of each
    std::size_t otherClass = 0;       ///< of all other values
    std::size_t count = 0;            ///< of classes
    std::vector<std::size_t> users;   ///< nodes that lean on it
    const RateCase* rate = nullptr;   ///< of a rate: within which it is of class 1, else of 0

    std::size_t classOf(const Rational& value) const;
    /// Of what a node is set to the one that counts.
    Rational valueOf(const Rational& divide, const Rational& multiply, std::size_t from, const Rational& hertz) const;
    /// "divide", "multiply" or "from".
    std::string controlName() const;
};

/// A line's factor by the class of what it follows.
struct Followed {
    std::size_t dependence = 0;
    std::vector<Rational> factors; ///< by class
};

/// A limit of a line that can hold on this board.
struct SpaceLimit {
    std::optional<std::size_t> tier;
    std::optional<Rational> min; ///< Hz
    std::optional<Rational> max;
    bool isTolerance = false;
    bool isNominal = false;                ///< worst cases do not strain it: the end of a table of wait states
    const ControlCase* own = nullptr;      ///< holds only with the line's own control set so
    std::optional<std::size_t> dependence; ///< holds only in some classes of that
    std::vector<bool> inClass;
    const RateCase* whileRate = nullptr; ///< holds only while another node runs within these rates
};

/// One lock of the take, and what it holds.
struct SpaceLock {
    std::string text; ///< "ref", "ref.divide", "tier"
    std::size_t node = 0;
    std::string control; ///< empty: all of the node
    bool isTier = false;
};

/// Everything that a search needs to know of a question on a take, worked out once. Part and plan must outlive it.
struct Space {
    const Part* part = nullptr;
    Plan plan; ///< the take's lines of hard wishes are on in it
    std::string take;
    Question question;
    Controls present;
    std::vector<std::string> names; ///< of the plan's promises
    std::vector<SpaceNode> nodes;   ///< sources, lines, then peripherals
    std::size_t core = 0;
    std::vector<Dependence> dependences;
    std::vector<std::optional<Followed>> followed; ///< by node
    std::vector<std::vector<SpaceLimit>> limits;   ///< by node
    std::vector<SpaceLock> locks;
    std::vector<std::size_t> tiers; ///< that the supply allows; one that stands for none where the part has no tiers
    bool mayChangeTier = false;
    std::vector<std::vector<std::size_t>> wishesAt;   ///< by node, into the question's wishes
    std::vector<std::vector<std::size_t>> promisesAt; ///< by node, into the question's promises; those judged at once
    std::vector<std::size_t> late;                    ///< promises that are judged on found takes only
    bool isWakingTooLate = false;                     ///< one of them is about waking, and broken now
    std::vector<std::size_t> extremeOf;               ///< by wish: its place among the extremes
    std::size_t extremes = 0;
    std::optional<std::size_t> crystalNode;
    std::vector<std::optional<Rational>> pinnedAt; ///< by node: the only rate, Hz, that is let through
    std::optional<std::pmr::vector<std::pair<std::size_t, Rational>>>
        only; ///< the only rates of what matters that are let through
    TemperatureGrid grid;

    std::size_t peripheralNode(std::size_t peripheral) const { return part->nodeCount() + peripheral; }
};

/// Works out the space. Throws std::invalid_argument if there is no such take.
Space spaceOf(const Part& part, const Plan& plan, const std::string& take, const Question& question);

/// The space in which hard promises that the take keeps already leave their muxes as they are: a small part of the whole, in
/// which good takes are found soon. Nothing where it would be the same.
std::optional<Space> narrowed(const Space& space);

/// How many ways there are to set the muxes that may turn: a power of ten.
double routesIn(const Space& space);

/// What of a question holds; all of it, unless something is lifted to see what it costs.
struct InForce {
    std::vector<bool> wishes;
    std::vector<bool> promises;
    std::vector<bool> limits; ///< by node, with the ends of its wait states
    std::vector<bool> rules;
    std::vector<bool> locks;
    bool operator==(const InForce&) const = default;
};
InForce allInForce(const Space& space); ///< but for what the question lifts

/// Whether a control may change: in scope and not locked by a lock in force. `control` is "from", "divide", "multiply", "rate".
bool mayChange(const Space& space, const InForce& inForce, std::size_t node, const std::string& control);

/// Whether the tier may change.
bool mayChangeTier(const Space& space, const InForce& inForce);

/// The tolerance that a promise's error is measured in; none where it has none (at least, at most, exactly).
std::optional<Rational> toleranceOf(const Part& part, const PromiseLine& line);

/// The ask with `share` of its tolerance; as it is where it has none.
Ask narrowed(const Part& part, const PromiseLine& line, const Rational& share);

} // namespace wisetick
