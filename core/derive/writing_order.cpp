#include "derive/writing_order.h"

#include "base/recent.h"
#include "base/text.h"
#include "derive/clock_moments.h"
#include "derive/controls.h"
#include "derive/demand.h"
#include "derive/due_changes.h"
#include "derive/field_values.h"
#include "derive/line_rates.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <functional>
#include <map>
#include <set>
#include <stdexcept>

namespace wisetick {

namespace {

constexpr int kMostWrites = 1000;

const Take& wantedTake(const Plan& plan, const std::string& name) {
    const Take* take = findTake(plan, name);
    if (take == nullptr) {
        throw std::invalid_argument(phrase("no take '{}'", name));
    }
    return *take;
}

class Walker {
public:
    Walker(const Part& part, const Plan& plan, const std::optional<std::string>& from, const std::string& to)
        : part_(part), plan_(plan), goal_(wantedTake(plan, to)), moments_(part, plan) {
        Diagnostics ignored;
        goalControls_ = resolveControls(part_, goal_, ignored);
        goalDemand_ = demandOf(part_, plan_, goal_, goalControls_);
        now_.take = from ? wantedTake(plan, *from) : Take{"reset", {}, {}, {}, {}, {}};
        const Controls controls = resolveControls(part_, now_.take, ignored);
        std::vector<bool> on(part_.nodeCount());
        goalFields_ = lineRates(part_, plan_.board, goalControls_, &goalDemand_);
        Demand demand{on, std::vector<bool>(part_.peripherals.size())};
        if (from) {
            demand = demandOf(part_, plan_, now_.take, controls);
            on = demand.nodes;
        }
        firstFields_ = lineRates(part_, plan_.board, controls, &demand);
        if (!from) {
            for (const NodeIndex node : chainOf(part_, controls, part_.core)) {
                on[node] = true;
            }
        }
        moments_.markEnds(controls, on);
        moments_.markEnds(goalControls_, goalDemand_.nodes);
        for (NodeIndex node = 0; node < part_.nodeCount(); ++node) {
            now_.runs.push_back(on[node] && isStarted(node));
            moments_.setUsed(node, on[node] || goalDemand_.nodes[node]);
            if (from && !on[node] && !part_.isSource(node)) { // what is off was perhaps never written
                unknown_.insert({{node, "multiply"}, {node, "divide"}, {node, "from"}});
            }
        }
    }

    WritingOrder walk() {
        for (const WaitFigure& wait : judge(now_).waits) {
            held_[{wait.line, wait.say}] = wait.waits;
        }
        startSources();
        int steps = 0;
        while (step()) {
            if (++steps > kMostWrites) {
                way_.trouble = phrase("no end of steps");
                return std::move(way_);
            }
        }
        if (const auto left = pending(now_); !left.empty()) {
            const std::string fault = faultOf(after(left.front()));
            way_.trouble =
                left.front().say + ": " + (fault.empty() ? phrase("the core can't be put on another source meanwhile") : fault);
        } else if (now_.take.tier != goal_.tier && !part_.tiers.empty()) {
            Moment next = now_;
            next.take.tier = goal_.tier;
            way_.trouble = phrase("tier {}: {}", goal_.tier, faultOf(next));
        }
        setPeripherals();
        stopSources();
        return std::move(way_);
    }

private:
    using Judged = JudgedMoment;
    struct Resolved {
        Controls controls;
        Diagnostics findings;
    };

    bool isMultiplier(NodeIndex node) const { return moments_.isMultiplier(node); }
    bool isStarted(NodeIndex node) const { return moments_.isStarted(node); }
    bool isAlive(const Moment& moment, const Controls& controls, NodeIndex node) const {
        return moments_.isAlive(moment, controls, node);
    }
    const Resolved& resolvedOf(const Take& take) const {
        return resolved_.of(take, [&] {
            Resolved resolved;
            resolved.controls = resolveControls(part_, take, resolved.findings);
            return resolved;
        });
    }
    const Controls& controlsOf(const Take& take) const { return resolvedOf(take).controls; }

    const Judged& judge(const Moment& moment) const {
        return judged_.of(moment, [&] {
            const Resolved& resolved = resolvedOf(moment.take);
            return moments_.judge(moment, resolved.controls, resolved.findings);
        });
    }

    /// What is wrong at a moment and is not wrong in the same way now: a step that leaves a fault as it is, is free.
    std::string faultOf(const Moment& moment) const {
        const std::vector<Text> now = judge(now_).faults;
        const std::vector<Text>& then = judge(moment).faults;
        const auto added = std::find_if(then.begin(), then.end(), [&](const Text& fault) {
            return std::none_of(now.begin(), now.end(), [&](const Text& each) { return each == fault; });
        });
        return added == then.end() ? std::string() : std::string(*added);
    }

    Moment after(const Change& change) const {
        Moment moment = now_;
        change.apply(choiceOf(moment.take, part_.nodeId(change.node)));
        return moment;
    }

    std::vector<Change> pending(const Moment& moment) const {
        return dueChanges(part_, controlsOf(moment.take), goalControls_, goalDemand_, unknown_);
    }

    Controls controlsNow() const { return controlsOf(now_.take); }

    bool isAbove(const Controls& controls, NodeIndex above, NodeIndex node) const {
        while (node != above && !part_.isSource(node)) {
            node = parentOf(part_, controls, node - part_.sources.size());
        }
        return node == above;
    }

    /// Makes one step towards the goal; false where none can be made.
    bool step() {
        const Controls controls = controlsNow();
        const std::vector<Change> changes = pending(now_);
        return setTier() || stopMultiplier(controls, changes) || setControl(controls, changes, Inputs::alive) ||
               startMultiplier(controls, changes) || awaitSource() || stepAside(controls, changes) ||
               clearTheWay(controls, changes) || setControl(controls, changes, Inputs::any);
    }

    bool setTier() {
        if (now_.take.tier == goal_.tier || part_.tiers.empty()) {
            return false;
        }
        Moment next = now_;
        next.take.tier = goal_.tier;
        if (!faultOf(next).empty()) {
            return false;
        }
        const auto field = tierField(part_, goalControls_);
        const Tier* tier = goalControls_.tier ? &part_.tiers[*goalControls_.tier] : nullptr;
        const bool isWaited = tier != nullptr && (tier->startup.typ || tier->startup.max);
        const std::string name = goalControls_.tier ? part_.tiers[*goalControls_.tier].id : goal_.tier;
        ClockWrite& step =
            write(std::move(next), phrase("tier {}", name), field ? std::vector{*field} : std::vector<FieldValue>(),
                  isWaited ? std::optional(tier->startup) : std::nullopt);
        step.until = isWaited ? tier->ready : std::nullopt;
        return true;
    }

    bool isTouched(const Controls& controls, NodeIndex multiplier, const std::vector<Change>& changes) const {
        return std::any_of(changes.begin(), changes.end(), [&](const Change& change) {
            const bool hangsOnIt = !part_.isSource(change.node) && change.control != "from" &&
                                   part_.lineAt(change.node).writtenWhileOff == multiplier;
            return hangsOnIt || isAbove(controls, change.node, multiplier);
        });
    }

    /// Stops a multiplier that nobody needs or that is to be set anew, once the core does not hang on it.
    bool stopMultiplier(const Controls& controls, const std::vector<Change>& changes) {
        for (NodeIndex node = part_.sources.size(); node < part_.nodeCount(); ++node) {
            const bool isDue = !goalDemand_.nodes[node] || (isMultiplier(node) && isTouched(controls, node, changes));
            if (isStarted(node) && now_.runs[node] && isDue && !isAbove(controls, node, part_.core)) {
                Moment next = now_;
                next.runs[node] = false;
                write(std::move(next), (isMultiplier(node) ? phrase("stop ") : phrase("shut off ")) + part_.nodeId(node),
                      startFields(node, false), {});
                return true;
            }
        }
        return false;
    }

    /// Whether a mux may be put on an input that does not run yet: only where nothing else is left to do.
    enum class Inputs { alive, any };

    /// A setting that is taken only while something is off, which runs.
    bool isHeldByWhatRuns(const Change& change) const {
        if (part_.isSource(change.node) || change.control == "from") {
            return false;
        }
        const Line& line = part_.lineAt(change.node);
        return line.writtenWhileOff && now_.runs[*line.writtenWhileOff];
    }

    bool setControl(const Controls& controls, const std::vector<Change>& changes, Inputs inputs) {
        std::vector<bool> isAboveRunning(part_.nodeCount()); // a running multiplier must not see what is above it change
        for (NodeIndex node = part_.sources.size(); node < part_.nodeCount(); ++node) {
            if (isMultiplier(node) && now_.runs[node]) {
                for (const NodeIndex each : chainOf(part_, controls, node)) {
                    isAboveRunning[each] = true;
                }
            }
        }
        for (const Change& change : changes) {
            if (isAboveRunning[change.node] || isHeldByWhatRuns(change)) {
                continue;
            }
            const Moment next = after(change);
            const bool isHeld = inputs == Inputs::alive && change.control == "from" && !runsIn(next, change.node);
            if (!isHeld && !leansOnUnknown(next, change) && faultOf(next).empty()) {
                const std::vector<FieldValue> fields = fieldsOf(change, next);
                if (mustPassThrough(next)) {
                    passThrough(change, next, fields);
                } else {
                    showInput(change, write(next, change.say, fields, {}));
                }
                unknown_.erase({change.node, change.control});
                return true;
            }
        }
        return false;
    }

    /// Whether the core's line gets above a rate that it must not jump to.
    bool mustPassThrough(const Moment& next) const {
        if (part_.isSource(part_.core) || !part_.lineAt(part_.core).through) {
            return false;
        }
        const Rational& above = part_.lineAt(part_.core).through->above;
        const auto was = judge(now_).core;
        const auto then = judge(next).core;
        return was && then && *was<above&& * then> above;
    }

    /// Sets the divider first to where it must stand, makes the change, and lets the core up after a while.
    void passThrough(const Change& change, const Moment& next, const std::vector<FieldValue>& fields) {
        const Line& line = part_.lineAt(part_.core);
        const Rational goal = goalControls_.lines[part_.core - part_.sources.size()].divide;
        const auto divided = [&](const Rational& by) {
            return Change{part_.core, "divide", line.id + " \u00f7 " + printFactor(by),
                          [by](Choice& choice) { choice.divide = by; }};
        };
        const Change slow = divided(line.through->divide);
        Moment first = after(slow);
        write(first, phrase("{} on the way", slow.say), fieldsOf(slow, first), {});
        if (change.control != "divide" || change.node != part_.core) {
            Moment second = after(change);
            showInput(change, write(second, change.say, fields, {}));
        }
        way_.steps.back().wait = Duration{line.through->lasts, line.through->lasts}; // behind all that belongs to it
        way_.wait = plus(way_.wait, *way_.steps.back().wait);
        const Change up = divided(goal);
        Moment last = after(up);
        write(last, up.say, fieldsOf(up, last), {});
        (void)next;
    }

    /// The input that a mux shows once it has turned.
    void showInput(const Change& change, ClockWrite& step) const {
        if (change.control != "from" || part_.isSource(change.node) || !part_.lineAt(change.node).shows) {
            return;
        }
        const Line& line = part_.lineAt(change.node);
        if (!step.fields.empty()) {
            const FieldValue& chosen = step.fields.back();
            step.shown = FieldValue{line.id + ".shows", *line.shows, chosen.setting, phrase("holds a code"), chosen.held};
        }
    }

    /// Whether what a line would be fed from runs.
    bool runsIn(const Moment& moment, NodeIndex node) const {
        const Controls& controls = controlsOf(moment.take);
        const NodeIndex parent = parentOf(part_, controls, node - part_.sources.size());
        return isAlive(moment, controls, parent) && isReady(controls, parent);
    }

    /// Whether no source above is still starting.
    bool isReady(const Controls& controls, NodeIndex node) const {
        const std::vector<NodeIndex> chain = chainOf(part_, controls, node);
        return std::none_of(chain.begin(), chain.end(), [&](NodeIndex each) { return ready_.contains(each); });
    }

    /// Whether a mux would be put on a line whose own controls are still to be written.
    bool leansOnUnknown(const Moment& next, const Change& change) const {
        if (change.control != "from") {
            return false;
        }
        const Controls& controls = controlsOf(next.take);
        const std::vector<NodeIndex> chain = chainOf(part_, controls, change.node);
        return std::any_of(chain.begin() + 1, chain.end(), [&](NodeIndex each) {
            const auto lacks = [&](const char* control) { return unknown_.contains({each, control}); };
            return !part_.isSource(each) && goalDemand_.nodes[each] &&
                   ((!part_.lineAt(each).divide.empty() && lacks("divide")) ||
                    (!part_.lineAt(each).multiply.empty() && lacks("multiply")) ||
                    (part_.lineAt(each).from.size() > 1 && lacks("from")));
        });
    }

    bool startMultiplier(const Controls& controls, const std::vector<Change>& changes) {
        for (NodeIndex node = part_.sources.size(); node < part_.nodeCount(); ++node) {
            if (!isStarted(node) || now_.runs[node] || !goalDemand_.nodes[node] || isTouched(controls, node, changes)) {
                continue;
            }
            Moment next = now_;
            next.runs[node] = true;
            if (isAlive(next, controls, node) && isReady(controls, node) && faultOf(next).empty()) {
                if (isMultiplier(node)) {
                    write(std::move(next), phrase("start {} and wait until it is locked", part_.nodeId(node)),
                          startFields(node, true), part_.lineAt(node).startup)
                        .until = part_.lineAt(node).ready;
                } else {
                    write(std::move(next), phrase("let in {}", part_.nodeId(node)), startFields(node, true), {});
                }
                return true;
            }
        }
        return false;
    }

    /// Puts the core on another input while the multiplier that it hangs on is set anew.
    bool stepAside(const Controls& controls, const std::vector<Change>& changes) {
        const std::vector<NodeIndex> chain = chainOf(part_, controls, part_.core);
        const auto touched = std::find_if(
            chain.begin(), chain.end(), [&](NodeIndex node) { return isMultiplier(node) && isTouched(controls, node, changes); });
        if (touched == chain.end()) {
            return false;
        }
        for (auto node = chain.begin(); node != touched; ++node) {
            const Line& line = part_.lineAt(*node);
            std::vector<std::size_t> inputs{line.resetFrom};
            for (std::size_t i = 0; i < line.from.size(); ++i) {
                inputs.push_back(i);
            }
            for (const std::size_t input : inputs) {
                const Change change = inputChange(part_, *node, line.from[input]);
                Moment next = after(change);
                if (!isAbove(controls, *touched, line.from[input]) && isReady(controls, line.from[input]) &&
                    faultOf(next).empty()) {
                    const std::vector<FieldValue> fields = fieldsOf(change, next);
                    showInput(change, write(std::move(next), phrase("{} in the meantime", change.say), fields, {}));
                    return true;
                }
            }
        }
        return false;
    }

    /// Puts a line that hangs on a multiplier which is to start on another input, where only that keeps all within its limits:
    /// what would be faster than the core meanwhile.
    bool clearTheWay(const Controls& controls, const std::vector<Change>& changes) {
        for (NodeIndex multiplier = part_.sources.size(); multiplier < part_.nodeCount(); ++multiplier) {
            if (!isMultiplier(multiplier) || now_.runs[multiplier] || !goalDemand_.nodes[multiplier] ||
                isTouched(controls, multiplier, changes) || !isReady(controls, multiplier)) {
                continue;
            }
            for (const std::size_t index : part_.order) {
                const NodeIndex node = part_.nodeOfLine(index);
                const Line& line = part_.lines[index];
                if (line.from.size() < 2 || !goalDemand_.nodes[node] || !isAbove(controls, multiplier, node)) {
                    continue;
                }
                for (const NodeIndex input : line.from) {
                    const Change change = inputChange(part_, node, input);
                    Moment next = after(change);
                    Moment started = next;
                    started.runs[multiplier] = true;
                    if (!isAbove(controls, multiplier, input) && runsIn(next, node) && faultOf(next).empty() &&
                        isAlive(started, controlsOf(started.take), multiplier) && faultOf(started).empty()) {
                        const std::vector<FieldValue> fields = fieldsOf(change, next);
                        showInput(change, write(std::move(next), phrase("{} in the meantime", change.say), fields, {}));
                        return true;
                    }
                }
            }
        }
        return false;
    }

    std::vector<FieldValue> startFields(NodeIndex node, bool isOn) const {
        const auto field = startField(part_, node, isOn);
        return field ? std::vector{*field} : std::vector<FieldValue>();
    }

    /// The field of the one control that a change sets.
    std::vector<FieldValue> fieldsOf(const Change& change, const Moment& moment) const {
        const Controls& controls = controlsOf(moment.take);
        std::vector<FieldValue> fields;
        if (part_.isSource(change.node)) {
            const auto field = rateField(part_, controls, change.node);
            return field ? std::vector{*field} : fields;
        }
        for (FieldValue& field : lineFields(part_, controls, change.node - part_.sources.size())) {
            const std::string control = part_.nodeId(change.node) + "." + change.control;
            if (field.control == control || field.control.rfind(control + ".", 0) == 0) { // all pieces of it
                fields.push_back(std::move(field));
            }
        }
        return fields;
    }

    /// Takes a step; wait states that rise are set before it, those that fall after it. Gives the step, until the next one.
    ClockWrite& write(Moment next, const Text& say, const std::vector<FieldValue>& fields, const std::optional<Duration>& wait) {
        const Judged before = judge(now_);
        const Judged then = judge(next);
        addWaits(before, then, true);
        way_.steps.push_back({say, withKeys(fields), wait, then.core, {}, {}});
        const std::size_t own = way_.steps.size() - 1;
        way_.wait = wait ? plus(way_.wait, *wait) : way_.wait;
        addWaits(before, then, false);
        now_ = std::move(next);
        return way_.steps[own];
    }

    /// The fields with the keys that their registers need written before each.
    std::vector<FieldValue> withKeys(const std::vector<FieldValue>& fields) const {
        std::vector<FieldValue> all;
        for (const FieldValue& value : fields) {
            const Register* held = part_.findRegister(value.field.reg);
            const auto needed = std::find_if(part_.sequences.begin(), part_.sequences.end(), [&](const Sequence& sequence) {
                return held != nullptr && sequence.id == held->needs;
            });
            for (std::size_t i = 0; needed != part_.sequences.end() && i < needed->writes.size(); ++i) {
                const RegisterWrite& write = needed->writes[i];
                all.push_back({needed->id, write.field, "key", phrase("opens {}", value.field.reg), write.code});
            }
            all.push_back(value);
        }
        return all;
    }

    /// What follows from a rate that changes. Where the line was not in use before, what was written last still stands, and is
    /// set right before the line is used again.
    void addWaits(const Judged& before, const Judged& then, bool isRising) {
        for (const WaitFigure& wait : then.waits) {
            const auto old = std::find_if(before.waits.begin(), before.waits.end(),
                                          [&](const WaitFigure& each) { return each.line == wait.line && each.say == wait.say; });
            const bool wasInUse = old != before.waits.end();
            std::int64_t& held = held_[{wait.line, wait.say}];
            held = wasInUse ? old->waits : held;
            const bool isDue = isRising ? (wasInUse ? wait.waits > held : wait.waits != held) : wait.waits < held;
            if (!isDue) {
                continue;
            }
            way_.steps.push_back({wait.text(),
                                  withKeys(wait.field ? std::vector{*wait.field} : std::vector<FieldValue>()),
                                  {},
                                  isRising ? before.core : then.core,
                                  {},
                                  {}});
            if (!wasInUse) {
                held = wait.waits;
            }
        }
        if (!isRising) {
            for (const WaitFigure& wait : then.waits) {
                held_[{wait.line, wait.say}] = wait.waits;
            }
        }
    }

    /// What sets a source up beside the bit that starts it (its drive, a clock fed in, what its tolerance leans on), where that
    /// differs from what stands there; written before it starts.
    void setUp(NodeIndex node) {
        std::vector<FieldValue> fields;
        for (const FieldValue& value : goalFields_[node].fields) {
            const std::vector<FieldValue>& before = firstFields_[node].fields;
            const auto was =
                std::find_if(before.begin(), before.end(), [&](const FieldValue& each) { return each.control == value.control; });
            const bool isRate = value.control == part_.sources[node].id + ".rate";
            if (!isRate && (was == before.end() || was->held != value.held)) {
                fields.push_back(value);
            }
        }
        if (!fields.empty()) {
            write(now_, phrase("set {} up", part_.nodeId(node)), fields, {});
        }
    }

    /// All at once: they start beside one another, and are waited for when they are needed.
    void startSources() {
        for (NodeIndex node = 0; node < part_.sources.size(); ++node) {
            if (goalDemand_.nodes[node]) {
                setUp(node);
            }
            if (goalDemand_.nodes[node] && !now_.runs[node]) {
                Moment next = now_;
                next.runs[node] = true;
                write(std::move(next), phrase("start {}", part_.nodeId(node)), startFields(node, true), {});
                ready_[node] = plus({Rational(0), Rational(0)}, part_.sources[node].startup);
            }
        }
    }

    /// Waits for the source that is there first; one of unknown time comes last.
    bool awaitSource() {
        if (ready_.empty()) {
            return false;
        }
        const auto first = std::min_element(ready_.begin(), ready_.end(), [](const auto& a, const auto& b) {
            return a.second.max && (!b.second.max || *a.second.max < *b.second.max);
        });
        const auto rest = [](const std::optional<Rational>& ready, const std::optional<Rational>& elapsed) {
            return ready && elapsed ? std::optional(std::max(Rational(0), *ready - *elapsed)) : std::nullopt;
        };
        const Duration wait{rest(first->second.typ, way_.wait.typ), rest(first->second.max, way_.wait.max)};
        const NodeIndex node = first->first;
        ready_.erase(first);
        ClockWrite& step = write(now_, phrase("wait for {}", part_.nodeId(node)), {}, wait);
        step.until = part_.sources[node].ready;
        step.awaits = node;
        return true;
    }

    static Duration plus(const Duration& a, const Duration& b) {
        const auto sum = [](const std::optional<Rational>& x, const std::optional<Rational>& y) {
            return x && y ? std::optional(*x + *y) : std::nullopt;
        };
        return {sum(a.typ, b.typ), sum(a.max, b.max)};
    }

    void setPeripherals() {
        const Controls controls = controlsNow();
        for (std::size_t i = 0; i < part_.peripherals.size(); ++i) {
            if (!goalDemand_.peripherals[i] || controls.peripheralFrom[i] == goalControls_.peripheralFrom[i]) {
                continue;
            }
            const Peripheral& peripheral = part_.peripherals[i];
            const std::string from = part_.nodeId(peripheral.clock[goalControls_.peripheralFrom[i]]);
            std::vector<FieldValue> fields = peripheralFields(part_, goalControls_, i, {});
            std::erase_if(fields, [&](const FieldValue& field) { return field.control != peripheral.id + ".from"; });
            Moment next = now_;
            choiceOf(next.take, peripheral.id).from = from;
            write(std::move(next), phrase("{} from {}", peripheral.id, from), fields, {});
        }
    }

    void stopSources() {
        const Controls controls = controlsNow();
        for (NodeIndex node = 0; node < part_.sources.size(); ++node) {
            if (now_.runs[node] && !goalDemand_.nodes[node] && !isAbove(controls, node, part_.core)) {
                Moment next = now_;
                next.runs[node] = false;
                write(std::move(next), phrase("stop {}", part_.nodeId(node)), startFields(node, false), {});
            }
        }
    }

    const Part& part_;
    const Plan& plan_;
    const Take& goal_;
    Controls goalControls_;
    Demand goalDemand_;
    std::vector<LineFigure> goalFields_;  ///< by source: what it is set up by in the end
    std::vector<LineFigure> firstFields_; ///< and at the start
    Moments moments_;
    UnknownControls unknown_;
    std::map<std::pair<std::string, std::string>, std::int64_t> held_; ///< by line and what follows from it: what stands there
    std::map<NodeIndex, Duration> ready_; ///< sources that still start: when they are there, s from the beginning
    Moment now_;
    mutable Recent<Moment, Judged> judged_;
    mutable Recent<Take, Resolved> resolved_;
    WritingOrder way_{{}, {}, {Rational(0), Rational(0)}};
};

} // namespace

WritingOrder writingOrder(const Part& part, const Plan& plan, const std::optional<std::string>& from, const std::string& to) {
    return Walker(part, plan, from, to).walk();
}

} // namespace wisetick
