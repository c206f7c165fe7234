#include "seek/space.h"

#include "base/text.h"
#include "derive/line_limits.h"

#include "derive/demand.h"
#include "derive/derive.h"
#include "derive/line_rates.h"
#include "derive/meetings.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <stdexcept>

namespace wisetick {

namespace {

FactorSet orOne(const FactorSet& set) {
    return set.empty() ? FactorSet::one(1) : set;
}

/// Whether a limit of its own holds with some controls of a line only.
bool leansOnControls(const Peripheral& peripheral) {
    const auto leans = [](const std::vector<Limit>& limits) {
        return std::any_of(limits.begin(), limits.end(), [](const Limit& limit) { return limit.when.has_value(); });
    };
    return leans(peripheral.kind.row()->limits(peripheral.kind));
}

/// Promises whose judge looks at more than the clock of their own peripheral, or at what is played.
bool isLate(const Part& part, const PromiseLine& line, const Take& take) {
    if (!line.alsoIn.empty()) {
        return true;
    }
    if (line.ask.row()->isPlayed) {
        return true;
    }
    const auto peripheral = part.findPeripheral(peripheralOf(line.subject));
    if (!peripheral) {
        return false; // a line's rate is all that is asked
    }
    const Peripheral& asked = part.peripherals[*peripheral];
    const Meeting* meeting = meetingOf(line.ask, asked.kind);
    return leansOnControls(asked) || (meeting != nullptr && meeting->looksFurther(line.ask, take));
}

/// What is not on a way to something that is asked keeps its input. `isAsked` picks among the question's promises.
template <class IsAsked>
void keepInputs(Space& space, IsAsked isAsked) {
    std::vector<std::size_t> open;
    for (std::size_t node = 0; node < space.nodes.size(); ++node) {
        const auto& promises = space.promisesAt[node];
        if (!space.wishesAt[node].empty() || std::any_of(promises.begin(), promises.end(), isAsked)) {
            open.push_back(node);
        }
        space.nodes[node].keepsInput = true;
        space.nodes[node].keepsAll = false;
    }
    if (space.crystalNode) {
        open.push_back(*space.crystalNode);
    }
    for (const std::size_t sought : space.late) {
        const PromiseLine& line = space.plan.promises[space.question.promises[sought].index].line;
        const std::string& subject = line.subject;
        if (space.isWakingTooLate && line.ask.is<WakesAsk>() && isAsked(sought)) {
            for (std::size_t each = 0; each < space.nodes.size(); ++each) {
                open.push_back(each); // it waits for all that is on
            }
        }
        if (const auto peripheral = space.part->findPeripheral(peripheralOf(subject)); peripheral && isAsked(sought)) {
            open.push_back(space.peripheralNode(*peripheral));
        } else if (const auto node = space.part->findNode(subject); node && isAsked(sought)) {
            open.push_back(*node);
        }
    }
    while (!open.empty()) {
        SpaceNode& node = space.nodes[open.back()];
        open.pop_back();
        if (node.keepsInput) {
            node.keepsInput = false;
            open.insert(open.end(), node.inputs.begin(), node.inputs.end());
        }
    }
    for (std::size_t node = 0; node < space.nodes.size(); ++node) {
        const bool isMultiplier = space.nodes[node].line != nullptr && !space.nodes[node].line->multiply.empty();
        if (isMultiplier || space.nodes[node].source != nullptr) {
            open.push_back(node);
        }
    }
    while (!open.empty()) {
        SpaceNode& node = space.nodes[open.back()];
        open.pop_back();
        if (node.keepsInput && !node.keepsAll) {
            node.keepsAll = true;
            open.insert(open.end(), node.inputs.begin(), node.inputs.end());
        }
    }
}

class SpaceBuilder {
public:
    SpaceBuilder(const Part& part, const Plan& plan, const std::string& take, const Question& question) : part_(part) {
        space_.part = &part;
        space_.plan = withActive(plan, take);
        space_.take = take;
        space_.question = question;
    }

    Space build() {
        if (findTake(space_.plan, space_.take) == nullptr) {
            throw std::invalid_argument(phrase("no take '{}'", space_.take));
        }
        for (const Wish& wish : space_.question.wishes) {
            if (part_.findNode(wish.line)) {
                Choice& choice = choiceOf(space_.plan, space_.take, wish.line);
                choice.on = choice.on.value_or(true);
            }
        }
        const Take& take = *findTake(space_.plan, space_.take);
        Diagnostics ignored;
        space_.present = resolveControls(part_, take, ignored);
        space_.names = promiseNames(space_.plan);
        space_.grid = temperatureGrid(part_, space_.plan.board);
        space_.core = part_.core;
        addSources();
        addLines();
        addPeripherals();
        space_.pinnedAt.resize(space_.nodes.size());
        addScope();
        addDependences();
        addLimits();
        addLocks(take);
        addTiers();
        addWishes();
        addPromises(take);
        setWakingTooLate();
        keepInputs(space_, [](std::size_t) { return true; });
        return std::move(space_);
    }

private:
    void setWakingTooLate() {
        const auto isAboutWaking = [&](std::size_t sought) {
            const auto& promise = space_.plan.promises[space_.question.promises[sought].index];
            return promise.line.ask.is<WakesAsk>();
        };
        if (std::none_of(space_.late.begin(), space_.late.end(), isAboutWaking)) {
            return;
        }
        const Figures figures = derive(part_, space_.plan, space_.take);
        space_.isWakingTooLate = std::any_of(space_.late.begin(), space_.late.end(), [&](std::size_t sought) {
            return isAboutWaking(sought) && figures.promises[space_.question.promises[sought].index].state == State::broken;
        });
    }

    void addSources() {
        const Demand demand = demandOf(part_, space_.plan, *findTake(space_.plan, space_.take), space_.present);
        const std::vector<LineFigure> rates = lineRates(part_, space_.plan.board, space_.present, &demand);
        for (std::size_t i = 0; i < part_.sources.size(); ++i) {
            SpaceNode node;
            node.source = &part_.sources[i];
            node.isHeldOff = space_.present.nodeOn[i] == false;
            if (const auto& hertz = rates[i].hertz) {
                node.low = hertz->min / hertz->nominal;
                node.high = hertz->max / hertz->nominal;
                node.isSpreadKnown = rates[i].unknown.empty();
                setRates(node, i, hertz->nominal);
            } else if (isAsked(node.source->id)) {
                node.isSpreadKnown = false;
                setRates(node, i, Rational(0));
            }
            space_.nodes.push_back(std::move(node));
        }
    }

    bool isAsked(const std::string& source) const { return space_.question.crystal && space_.question.crystal->source == source; }

    void setRates(SpaceNode& node, std::size_t index, const Rational& now) {
        if (isAsked(node.source->id) && node.source->kind != SourceKind::rc) {
            space_.crystalNode = index;
            for (const Rational& rate : space_.question.crystal->rates) {
                if ((!node.source->rangeMin || rate >= *node.source->rangeMin) &&
                    (!node.source->rangeMax || rate <= *node.source->rangeMax)) {
                    node.rates.push_back(rate);
                }
            }
            const auto found = std::find(node.rates.begin(), node.rates.end(), now);
            node.rateNow = static_cast<std::size_t>(found - node.rates.begin()); // beyond the end: none of them
            return;
        }
        const bool isSettable =
            node.source->kind == SourceKind::rc && findMeasured(space_.plan.board, node.source->id) == nullptr;
        node.rates = isSettable ? node.source->rates : std::vector<Rational>{now};
        node.rateNow = isSettable ? space_.present.sourceRates[index] : 0;
    }

    void addLines() {
        for (std::size_t i = 0; i < part_.lines.size(); ++i) {
            const LineControls& controls = space_.present.lines[i];
            SpaceNode node;
            node.line = &part_.lines[i];
            node.inputs.assign(node.line->from.begin(), node.line->from.end());
            node.divide = orOne(node.line->divide);
            node.multiply = orOne(node.line->multiply);
            node.from = controls.from;
            node.divideNow = controls.divide;
            node.multiplyNow = controls.multiply;
            node.fault = controls.fault;
            node.isHeldOff = space_.present.nodeOn[part_.nodeOfLine(i)] == false;
            space_.nodes.push_back(std::move(node));
        }
    }

    void addPeripherals() {
        const Demand demand = demandOf(part_, space_.plan, *findTake(space_.plan, space_.take), space_.present);
        for (std::size_t i = 0; i < part_.peripherals.size(); ++i) {
            SpaceNode node;
            node.peripheral = &part_.peripherals[i];
            if (demand.peripherals[i]) {
                node.inputs.assign(node.peripheral->clock.begin(), node.peripheral->clock.end());
            }
            node.divide = node.multiply = FactorSet::one(1);
            node.from = space_.present.peripheralFrom[i];
            node.isHeldOff = space_.present.peripheralOn[i] == false;
            space_.nodes.push_back(std::move(node));
        }
    }

    void addScope() {
        if (space_.question.mayChange.empty()) {
            for (SpaceNode& node : space_.nodes) {
                node.isInScope = true;
            }
            return;
        }
        std::vector<std::size_t> open;
        for (const std::string& id : space_.question.mayChange) {
            if (const auto node = part_.findNode(id)) {
                open.push_back(*node);
            } else if (const auto peripheral = part_.findPeripheral(peripheralOf(id))) {
                open.push_back(space_.peripheralNode(*peripheral));
            }
        }
        while (!open.empty()) {
            SpaceNode& node = space_.nodes[open.back()];
            open.pop_back();
            if (!node.isInScope) {
                node.isInScope = true;
                open.insert(open.end(), node.inputs.begin(), node.inputs.end());
            }
        }
    }

    /// Then the rate that it leans on is known wherever its own is made.
    static bool isOfOnlyInput(const Line& line, const RateCase& rate) {
        return line.from.size() == 1 && line.from.front() == rate.node;
    }

    std::size_t dependenceOn(const RateCase& rate) {
        auto& all = space_.dependences;
        for (std::size_t i = 0; i < all.size(); ++i) {
            const RateCase* other = all[i].rate;
            if (other != nullptr && all[i].node == rate.node && other->least == rate.least && other->below == rate.below) {
                return i;
            }
        }
        all.push_back({rate.node, ControlKind::rate, {}, {}, 0, 0, {}, &rate});
        return all.size() - 1;
    }

    std::size_t dependenceOn(std::size_t line, const std::string& control) {
        const std::size_t node = part_.nodeOfLine(line);
        const ControlKind kind = controlKind(control);
        auto& all = space_.dependences;
        for (std::size_t i = 0; i < all.size(); ++i) {
            if (all[i].node == node && all[i].control == kind) {
                return i;
            }
        }
        all.push_back({node, kind, {}, {}, 0, 0, {}, nullptr});
        return all.size() - 1;
    }

    /// Which controls others lean on, and which of their values are told apart.
    void addDependences() {
        space_.followed.resize(space_.nodes.size());
        for (std::size_t i = 0; i < part_.lines.size(); ++i) {
            const Line& line = part_.lines[i];
            const std::size_t node = part_.nodeOfLine(i);
            if (line.follows) {
                const std::size_t index = dependenceOn(line.follows->line, line.follows->control);
                space_.followed[node] = Followed{index, {}};
                for (const auto& [value, factor] : line.follows->when) {
                    space_.dependences[index].values.push_back(value);
                }
                space_.dependences[index].users.push_back(node);
            }
            for (const Limit& limit : line.limits) {
                if (limit.whileRate && !isOfOnlyInput(line, *limit.whileRate)) {
                    space_.dependences[dependenceOn(*limit.whileRate)].users.push_back(node);
                }
                if (limit.when && limit.when->line != i) {
                    Dependence& on = space_.dependences[dependenceOn(limit.when->line, limit.when->control)];
                    on.values.insert(on.values.end(), limit.when->is.begin(), limit.when->is.end());
                    on.users.push_back(node);
                }
            }
        }
        for (Dependence& dependence : space_.dependences) {
            if (dependence.rate != nullptr) {
                dependence.count = 2;
                continue;
            }
            auto& values = dependence.values;
            std::sort(values.begin(), values.end());
            values.erase(std::unique(values.begin(), values.end()), values.end());
            classify(dependence);
        }
        for (auto& followed : space_.followed) {
            if (followed) {
                setFactors(*followed, part_.lineAt(static_cast<NodeIndex>(&followed - space_.followed.data())));
            }
        }
    }

    static Rational factorFor(const Follows& follows, const std::optional<Rational>& value) {
        for (const auto& [each, factor] : follows.when) {
            if (value && each == *value) {
                return factor;
            }
        }
        return follows.otherwise;
    }

    /// Values that do the same to every user are of one class.
    void classify(Dependence& dependence) {
        const auto effectOf = [&](const std::optional<Rational>& value) {
            std::vector<Rational> effect;
            for (const std::size_t user : dependence.users) {
                const Line& line = part_.lineAt(user);
                const std::size_t on = dependence.node - part_.sources.size();
                const std::string control = dependence.controlName();
                if (line.follows && line.follows->line == on && line.follows->control == control) {
                    effect.push_back(factorFor(*line.follows, value));
                }
                for (const Limit& limit : line.limits) {
                    if (limit.when && limit.when->line == on && limit.when->control == control) {
                        const auto& is = limit.when->is;
                        effect.emplace_back(value && std::find(is.begin(), is.end(), *value) != is.end() ? 1 : 0);
                    }
                }
            }
            return effect;
        };
        std::map<std::vector<Rational>, std::size_t> classes;
        const auto classWith = [&](const std::optional<Rational>& value) {
            return classes.emplace(effectOf(value), classes.size()).first->second;
        };
        dependence.otherClass = classWith(std::nullopt);
        for (const Rational& value : dependence.values) {
            dependence.classes.push_back(classWith(value));
        }
        dependence.count = classes.size();
    }

    void setFactors(Followed& followed, const Line& line) const {
        const Dependence& on = space_.dependences[followed.dependence];
        followed.factors.assign(on.count, line.follows->otherwise);
        for (std::size_t i = 0; i < on.values.size(); ++i) {
            followed.factors[on.classes[i]] = factorFor(*line.follows, on.values[i]);
        }
    }

    void addLimits() {
        space_.limits.resize(space_.nodes.size());
        const auto& supply = space_.plan.board.supply;
        for (std::size_t i = 0; i < part_.lines.size(); ++i) {
            const std::size_t node = part_.nodeOfLine(i);
            for (const Limit& limit : part_.lines[i].limits) {
                if (limit.supplyBelow && supply && supply->min >= *limit.supplyBelow) {
                    continue;
                }
                SpaceLimit held{limit.tier, limit.min, limit.max, limit.isTolerance, false, nullptr, std::nullopt, {}, nullptr};
                if (limit.whileRate) {
                    if (isOfOnlyInput(part_.lines[i], *limit.whileRate)) {
                        held.whileRate = &*limit.whileRate;
                    } else {
                        held.dependence = dependenceOn(*limit.whileRate);
                        held.inClass = {false, true};
                    }
                }
                if (limit.when && limit.when->line == i) {
                    held.own = &*limit.when;
                } else if (limit.when) {
                    setClasses(held, *limit.when);
                }
                space_.limits[node].push_back(std::move(held));
            }
        }
        for (const WaitTable& table : part_.waits) {
            if (!table.steps.empty() && holdsAtSupply(table, space_.plan.board)) { // a rate beyond the table has no step
                const auto from = table.isFromRate ? std::optional(table.steps.front().hertz) : std::nullopt;
                const auto to = table.isFromRate ? std::nullopt : std::optional(table.steps.back().hertz);
                space_.limits[table.line].push_back({table.tier, from, to, false, true, nullptr, std::nullopt, {}, nullptr});
            }
        }
    }

    void setClasses(SpaceLimit& limit, const ControlCase& when) {
        limit.dependence = dependenceOn(when.line, when.control);
        const Dependence& on = space_.dependences[*limit.dependence];
        limit.inClass.assign(on.count, false);
        for (std::size_t i = 0; i < on.values.size(); ++i) {
            if (std::find(when.is.begin(), when.is.end(), on.values[i]) != when.is.end()) {
                limit.inClass[on.classes[i]] = true;
            }
        }
    }

    void addLocks(const Take& take) {
        for (const std::string& lock : take.locks) {
            const std::size_t dot = lock.find('.');
            const std::string id = lock.substr(0, dot);
            SpaceLock held{lock, 0, dot == std::string::npos ? std::string() : lock.substr(dot + 1), false};
            if (const auto node = part_.findNode(id)) {
                held.node = *node;
            } else if (const auto peripheral = part_.findPeripheral(id)) {
                held.node = space_.peripheralNode(*peripheral);
            } else if (id == "tier") {
                held.isTier = true;
            } else {
                continue;
            }
            space_.locks.push_back(std::move(held));
        }
    }

    void addTiers() {
        space_.mayChangeTier = space_.question.mayChange.empty();
        const auto& supply = space_.plan.board.supply;
        for (std::size_t i = 0; i < part_.tiers.size(); ++i) {
            const Tier& tier = part_.tiers[i];
            const bool isTooLow = supply && tier.supplyMin && supply->min < *tier.supplyMin;
            const bool isTooHigh = supply && tier.supplyMax && supply->max > *tier.supplyMax;
            if (!isTooLow && !isTooHigh) {
                space_.tiers.push_back(i);
            }
        }
        if (part_.tiers.empty()) {
            space_.tiers.push_back(0);
        }
        // as it stands first
        std::stable_partition(space_.tiers.begin(), space_.tiers.end(),
                              [&](std::size_t tier) { return space_.present.tier == tier; });
    }

    void addWishes() {
        space_.wishesAt.resize(space_.nodes.size());
        for (std::size_t i = 0; i < space_.question.wishes.size(); ++i) {
            const Wish& wish = space_.question.wishes[i];
            if (const auto node = part_.findNode(wish.line)) {
                space_.wishesAt[*node].push_back(i);
            }
            const bool isExtreme = wish.kind == Wish::Kind::highest || wish.kind == Wish::Kind::lowest;
            space_.extremeOf.push_back(space_.extremes);
            space_.extremes += isExtreme ? 1 : 0;
        }
    }

    void addPromises(const Take& take) {
        space_.promisesAt.resize(space_.nodes.size());
        for (std::size_t i = 0; i < space_.question.promises.size(); ++i) {
            const PromiseLine& line = space_.plan.promises.at(space_.question.promises[i].index).line;
            const auto node = part_.findNode(line.subject);
            const auto peripheral = part_.findPeripheral(peripheralOf(line.subject));
            if (isLate(part_, line, take) || (!node && !peripheral) ||
                (peripheral && part_.peripherals[*peripheral].clock.empty())) {
                space_.late.push_back(i);
            } else {
                space_.promisesAt[node ? *node : space_.peripheralNode(*peripheral)].push_back(i);
            }
        }
    }

    const Part& part_;
    Space space_;
};

} // namespace

const std::string& SpaceNode::id() const {
    return source != nullptr ? source->id : (line != nullptr ? line->id : peripheral->id);
}

Space spaceOf(const Part& part, const Plan& plan, const std::string& take, const Question& question) {
    return SpaceBuilder(part, plan, take, question).build();
}

std::optional<Space> narrowed(const Space& space) {
    const Figures figures = derive(*space.part, space.plan, space.take);
    Space narrow = space;
    keepInputs(narrow, [&](std::size_t sought) {
        const SoughtPromise& promise = space.question.promises[sought];
        return !promise.isSoft && figures.promises[promise.index].state == State::broken;
    });
    for (std::size_t node = 0; node < space.nodes.size(); ++node) {
        const bool isSame = narrow.nodes[node].keepsInput == space.nodes[node].keepsInput;
        if (!isSame) {
            return narrow;
        }
    }
    return std::nullopt;
}

double routesIn(const Space& space) {
    const InForce all = allInForce(space);
    double power = 0;
    for (std::size_t node = 0; node < space.nodes.size(); ++node) {
        const std::size_t inputs = space.nodes[node].inputs.size();
        power += inputs > 1 && mayChange(space, all, node, "from") ? std::log10(static_cast<double>(inputs)) : 0;
    }
    return power;
}

InForce allInForce(const Space& space) {
    const auto isLifted = [&](Lifted::Kind kind, const Text& what) {
        const auto& lifted = space.question.lifted;
        return std::find(lifted.begin(), lifted.end(), Lifted{kind, what}) != lifted.end();
    };
    InForce all{std::vector<bool>(space.question.wishes.size(), true), std::vector<bool>(space.question.promises.size(), true),
                std::vector<bool>(space.nodes.size(), true), std::vector<bool>(space.part->rules.size(), true),
                std::vector<bool>(space.locks.size(), true)};
    for (std::size_t node = 0; node < space.nodes.size(); ++node) {
        all.limits[node] = !isLifted(Lifted::Kind::limit, space.nodes[node].id());
    }
    for (std::size_t i = 0; i < space.part->rules.size(); ++i) {
        all.rules[i] = !isLifted(Lifted::Kind::rule, space.part->rules[i].say);
    }
    for (std::size_t i = 0; i < space.locks.size(); ++i) {
        all.locks[i] = !isLifted(Lifted::Kind::lock, space.locks[i].text);
    }
    return all;
}

bool mayChange(const Space& space, const InForce& inForce, std::size_t node, const std::string& control) {
    const SpaceNode& each = space.nodes[node];
    if (!each.isInScope || each.keepsAll || (each.keepsInput && control == "from")) {
        return false;
    }
    for (std::size_t i = 0; i < space.locks.size(); ++i) {
        const SpaceLock& lock = space.locks[i];
        if (inForce.locks[i] && !lock.isTier && lock.node == node && (lock.control.empty() || lock.control == control)) {
            return false;
        }
    }
    return true;
}

bool mayChangeTier(const Space& space, const InForce& inForce) {
    for (std::size_t i = 0; i < space.locks.size(); ++i) {
        if (space.locks[i].isTier && inForce.locks[i]) {
            return false;
        }
    }
    return space.mayChangeTier;
}

std::optional<Rational> toleranceOf(const Part& part, const PromiseLine& line) {
    const auto peripheral = part.findPeripheral(peripheralOf(line.subject));
    if (const Meeting* meeting = peripheral ? meetingOf(line.ask, part.peripherals[*peripheral].kind) : nullptr) {
        return meeting->tolerance(line.ask, part.peripherals[*peripheral].kind);
    }
    const Tolerance* tolerance = line.ask.row()->tolerance(line.ask);
    return tolerance == nullptr ? std::nullopt : tolerance->within;
}

Ask narrowed(const Part& part, const PromiseLine& line, const Rational& share) {
    const auto tolerance = toleranceOf(part, line);
    if (!tolerance) {
        return line.ask;
    }
    return line.ask.row()->withTolerance(line.ask,
                                         share.isZero() ? Tolerance{true, std::nullopt} : Tolerance{false, *tolerance * share});
}

} // namespace wisetick
