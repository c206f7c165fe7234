#include "derive/modes.h"

#include "base/nearest_name.h"
#include "base/text.h"
#include "derive/field_values.h"
#include "promise/counter_search.h"
#include "promise/limits.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

/// What is the same in every mode: who draws how much while it has its clock, and whom the promises stand on.
class SharedWork {
public:
    SharedWork(const Part& part, const Plan& plan, const Controls& controls, const std::vector<LineFigure>& lines,
               const TemperatureGrid& grid)
        : names(promiseNames(plan)), part_(part), controls_(controls), lines_(lines), grid_(grid), ofNodes_(part.nodeCount()),
          ofPeripherals_(part.peripherals.size()) {
        for (const Promise& promise : plan.promises) {
            const auto peripheral = part.findPeripheral(peripheralOf(promise.line.subject));
            const auto node = peripheral ? clockOf(part, controls, *peripheral) : part.findNode(promise.line.subject);
            subjects.push_back({peripheral, node && !heldOff(part, controls, *node) ? node : std::nullopt});
        }
    }

    const Contribution& ofNode(NodeIndex node) {
        if (!ofNodes_[node]) {
            const std::string& id = part_.nodeId(node);
            ofNodes_[node] =
                contributionOf(id, Target::line(id), nodeDraw(part_, controls_, node), rateOf(node), grid_, rateOfAny_);
        }
        return *ofNodes_[node];
    }

    const Contribution& ofPeripheral(std::size_t index) {
        if (!ofPeripherals_[index]) {
            ofPeripherals_[index] = peripheralAt(index, rateOfAny_);
        }
        return *ofPeripherals_[index];
    }

    /// With the rates that other clocks have in some mode.
    Contribution peripheralAt(std::size_t index, const RateOf& rateOfOthers) const {
        const Peripheral& peripheral = part_.peripherals[index];
        const auto clock = clockOf(part_, controls_, index);
        Contribution draws =
            contributionOf(peripheral.id, Target::peripheral(peripheral.id), drawIn(peripheral.draws, controls_.tier),
                           clock ? rateOf(*clock) : Bounds::exactly(0), grid_, rateOfOthers);
        addWhiles(index, draws);
        return draws;
    }

    Bounds rateOf(NodeIndex node) const { return lines_[node].hertz.value_or(Bounds::exactly(0)); }
    const RateOf& rateOfAny() const { return rateOfAny_; }

    /// What a promise stands on: its peripheral if it has one, and the clock; no clock where it is held off.
    struct Subject {
        std::optional<std::size_t> peripheral;
        std::optional<NodeIndex> clock;
    };
    std::vector<std::string> names; ///< of the promises
    std::vector<Subject> subjects;

private:
    /// What it draws while it converts, as soon as a promise makes it do so.
    void addWhiles(std::size_t index, Contribution& draws) const {
        const Draw* draw = drawIn(part_.peripherals[index].draws, controls_.tier);
        const bool isAsked =
            std::any_of(subjects.begin(), subjects.end(), [&](const Subject& each) { return each.peripheral == index; });
        for (std::size_t i = 0; draw != nullptr && isAsked && i < draw->whiles.size(); ++i) {
            const Draw::While& each = draw->whiles[i];
            for (Rational& ampere : draws.typ) {
                ampere += each.typ;
            }
            for (Rational& ampere : draws.max) {
                ampere += each.max;
            }
            draws.formula += (draws.formula.empty() ? "" : " + ") + printQuantity(each.typ, Unit::ampere) + " " + each.does;
        }
    }

    const Part& part_;
    const Controls& controls_;
    const std::vector<LineFigure>& lines_;
    const TemperatureGrid& grid_;
    RateOf rateOfAny_ = [this](NodeIndex node) { return rateOf(node); };
    std::vector<std::optional<Contribution>> ofNodes_;
    std::vector<std::optional<Contribution>> ofPeripherals_;
};

/// A stage that is told in cycles takes as long as these do on what the core wakes on; without a rate its time is unknown.
Duration stageTime(const WakeStage& stage, const std::optional<Bounds>& wakeClock) {
    if (!stage.cycles) {
        return stage.lasts;
    }
    return wakeClock ? Duration{*stage.cycles / wakeClock->nominal, *stage.cycles / wakeClock->min} : Duration{};
}

/// Builds the figure of one mode.
class ModeWork {
public:
    ModeWork(const Part& part, const Plan& plan, const Controls& controls, const Demand& demand, const TemperatureGrid& grid,
             SharedWork& shared, const Mode& mode)
        : part_(part), plan_(plan), controls_(controls), demand_(demand), grid_(grid), shared_(shared), mode_(mode),
          lives_(part.nodeCount()), starts_(part.nodeCount()) {
        const auto index = static_cast<std::size_t>(&mode - part.modes.data());
        for (std::size_t i = 0; i < mode.options.size(); ++i) {
            options_.push_back(&mode.options[i].values[controls.modeOptions[index][i]]);
        }
        wakesOn_ = wakeSource(part, controls, index);
    }

    ModeFigure work() {
        figure_.id = mode_.id;
        figure_.name = mode_.name;
        figure_.runs = mode_.runs;
        figure_.wakesOn = wakesOn_;
        walkTree();
        findAlive();
        findPromises();
        if (!mode_.runs) {
            findWakeUp();
        }
        findCurrent();
        addOptions();
        return std::move(figure_);
    }

private:
    /// What the mode keeps with all that it comes from, and what has something to be started on its way.
    void walkTree() {
        for (NodeIndex node = 0; node < part_.sources.size(); ++node) {
            lives_[node] = mode_.sources.contains(node) || isKeptByOption(node) || isRequested(node);
            starts_[node] = mustStart(node);
        }
        for (const std::size_t line : part_.order) {
            const NodeIndex node = part_.nodeOfLine(line);
            const NodeIndex parent = parentOf(part_, controls_, line);
            lives_[node] = (mode_.lines.contains(line) || isKeptByOption(node)) && lives_[parent];
            starts_[node] = mustStart(node) || starts_[parent];
        }
    }

    /// Whether a peripheral that goes on here is clocked from a source that stays on only for such.
    bool isRequested(NodeIndex node) const {
        if (std::find(mode_.requested.begin(), mode_.requested.end(), node) == mode_.requested.end()) {
            return false;
        }
        for (std::size_t i = 0; i < part_.peripherals.size(); ++i) {
            const auto clock = clockOf(part_, controls_, i);
            if (clock && demand_.peripherals[i] && peripheralLivesIn(part_, controls_, mode_, i) &&
                chainOf(part_, controls_, *clock).back() == node) {
                return true;
            }
        }
        return false;
    }

    bool isKeptByOption(NodeIndex node) const {
        return std::any_of(options_.begin(), options_.end(), [&](const ModeOption::Value* value) {
            return std::find(value->keeps.begin(), value->keeps.end(), node) != value->keeps.end();
        });
    }

    bool isAlive(NodeIndex node) const { return demand_.nodes[node] && lives_[node]; }

    bool lives(std::size_t peripheral) const {
        const auto clock = clockOf(part_, controls_, peripheral);
        return mode_.peripherals.contains(peripheral) && (!clock || lives_[*clock]);
    }

    void findAlive() {
        for (NodeIndex node = 0; node < part_.nodeCount(); ++node) {
            if (isAlive(node)) {
                (part_.isSource(node) ? figure_.sources : figure_.lines).push_back(part_.nodeId(node));
            }
        }
        for (std::size_t i = 0; i < part_.peripherals.size(); ++i) {
            if (demand_.peripherals[i] && lives(i)) {
                figure_.peripherals.push_back(part_.peripherals[i].id);
            }
        }
    }

    void findPromises() {
        for (std::size_t i = 0; i < shared_.subjects.size(); ++i) {
            const auto& [peripheral, clock] = shared_.subjects[i];
            if (!clock) {
                continue;
            }
            if (!(peripheral ? lives(*peripheral) : lives_[*clock])) {
                figure_.withoutClock.push_back(shared_.names[i]);
            }
            if (!mode_.runs && starts_[*clock]) {
                figure_.wrongUntilRestored.push_back(shared_.names[i]);
            }
        }
    }

    /// On in run, not kept here, not what it wakes on, and it takes a time to start.
    bool mustStart(NodeIndex node) const {
        return demand_.nodes[node] && !lives_[node] && wakesOn_ != node && takesTimeToStart(part_, node);
    }

    std::vector<StartUp> startUps() const {
        std::vector<std::optional<NodeIndex>> parents(part_.nodeCount());
        std::vector<bool> needed(part_.nodeCount());
        for (NodeIndex node = 0; node < part_.nodeCount(); ++node) {
            needed[node] = mustStart(node);
            if (!part_.isSource(node)) {
                parents[node] = parentOf(part_, controls_, node - part_.sources.size());
            }
        }
        return startUpsOf(part_, parents, needed);
    }

    void findWakeUp() {
        const bool isAsTold =
            std::none_of(options_.begin(), options_.end(), [](const auto* value) { return value->stage.has_value(); }) &&
            std::none_of(mode_.stages.begin(), mode_.stages.end(),
                         [](const WakeStage& stage) { return stage.tier.has_value() || stage.cycles.has_value(); });
        if (isAsTold) {
            addStageDraws(mode_);
            figure_.wakeUp = wakeUp(mode_, startUps());
            return;
        }
        Mode mode = mode_;
        for (const ModeOption::Value* value : options_) {
            if (value->stage) {
                mode.stages.push_back(*value->stage);
            }
        }
        std::erase_if(mode.stages, [&](const WakeStage& stage) { return stage.tier && stage.tier != controls_.tier; });
        const std::optional<NodeIndex> wakeNode = wakesOn_ ? wakesOn_ : std::optional(part_.core);
        for (WakeStage& stage : mode.stages) {
            const Bounds rate = shared_.rateOf(*wakeNode);
            stage.lasts = stageTime(stage, rate.nominal.isZero() ? std::nullopt : std::optional(rate));
        }
        addStageDraws(mode);
        figure_.wakeUp = wakeUp(mode, startUps());
    }

    void addStageDraws(const Mode& mode) {
        for (const WakeStage& stage : mode.stages) {
            figure_.stageDraws.push_back(
                contributionOf(stage.say, Target::mode(mode.id), drawIn(stage.draws, controls_.tier), Bounds::exactly(0), grid_));
        }
    }

    void addOptions() {
        figure_.memory = mode_.memory;
        for (std::size_t i = 0; i < options_.size(); ++i) {
            figure_.options.emplace_back(mode_.options[i].id, options_[i]->id);
            std::erase_if(figure_.memory, [&](const std::string& id) {
                return std::find(options_[i]->loses.begin(), options_[i]->loses.end(), id) != options_[i]->loses.end();
            });
        }
    }

    void findCurrent() {
        const Bounds core = isAlive(part_.core) ? shared_.rateOf(part_.core) : Bounds::exactly(0);
        std::vector<Contribution> list;
        list.push_back(contributionOf(phrase("base of {}", mode_.id), Target::mode(mode_.id), drawIn(mode_.draws, controls_.tier),
                                      core, grid_, shared_.rateOfAny()));
        const RateOf rateHere = [this](NodeIndex node) { return isAlive(node) ? shared_.rateOf(node) : Bounds::exactly(0); };
        for (NodeIndex node = 0; node < part_.nodeCount(); ++node) {
            const bool mayDraw = part_.isSource(node) ? part_.sources[node].draws || !part_.sources[node].drives.empty() ||
                                                            part_.sources[node].kind != SourceKind::clockIn
                                                      : part_.lineAt(node).draws || !part_.lineAt(node).multiply.empty();
            if (isAlive(node) && mayDraw) {
                list.push_back(shared_.ofNode(node));
            }
        }
        for (std::size_t i = 0; i < part_.peripherals.size(); ++i) {
            if (demand_.peripherals[i] && lives(i)) {
                const Draw* draw = drawIn(part_.peripherals[i].draws, controls_.tier);
                const bool isOnOthers = draw != nullptr && !draw->onClocks.empty(); // which may stand in this mode
                list.push_back(isOnOthers ? shared_.peripheralAt(i, rateHere) : shared_.ofPeripheral(i));
            }
        }
        for (std::size_t i = 0; i < options_.size(); ++i) {
            if (options_[i]->draws) {
                list.push_back(contributionOf(mode_.options[i].id + " " + options_[i]->id, Target::mode(mode_.id),
                                              drawIn(options_[i]->draws, controls_.tier), Bounds::exactly(0), grid_));
            }
        }
        if (plan_.board.alwaysDraws) {
            list.push_back(constantContribution(phrase("outside, always"), Target::plan("board.draws.always"),
                                                *plan_.board.alwaysDraws, grid_));
        }
        figure_.current = sumOf(std::move(list), grid_);
        figure_.ampere = figure_.current.bounds(grid_);
    }

    const Part& part_;
    const Plan& plan_;
    const Controls& controls_;
    const Demand& demand_;
    const TemperatureGrid& grid_;
    SharedWork& shared_;
    const Mode& mode_;
    std::vector<bool> lives_;
    std::vector<bool> starts_;
    std::vector<const ModeOption::Value*> options_; ///< as chosen
    std::optional<NodeIndex> wakesOn_;
    ModeFigure figure_;
};

/// Where the end of a wake-up comes from: the piece that ends last.
Origin lastOf(const WakeUpFigure& wake, const std::string& mode) {
    const auto last = std::max_element(wake.pieces.begin(), wake.pieces.end(),
                                       [](const WakePiece& a, const WakePiece& b) { return a.endMax < b.endMax; });
    return last == wake.pieces.end() ? Origin{mode, {}, Target::mode(mode), {}} : Origin{last->say, {}, last->target, {}};
}

Workings wakeUpWorkings(const ModeFigure& mode) {
    Workings workings;
    const auto time = [](const Rational& value) { return printQuantity(value, Unit::second); };
    for (const WakePiece& piece : mode.wakeUp->pieces) {
        workings.push_back({piece.say,
                            piece.isStage ? phrase("stage of waking from {}", mode.id) : phrase("start-up after it"),
                            phrase("from {} to {} typical", time(piece.startTyp), time(piece.endTyp)),
                            phrase("{} at the latest", time(piece.endMax)),
                            {{piece.say, {}, piece.target, {}}},
                            false});
    }
    workings.push_back({phrase("first instruction"),
                        phrase("end of the last stage"),
                        {},
                        printRange(mode.wakeUp->firstInstruction.nominal, mode.wakeUp->firstInstruction.max, Unit::second),
                        {{mode.id, {}, Target::mode(mode.id), {}}}});
    workings.push_back({phrase("all promises hold again"),
                        phrase("end of the last start-up"),
                        {},
                        printRange(mode.wakeUp->restored.nominal, mode.wakeUp->restored.max, Unit::second),
                        {lastOf(*mode.wakeUp, mode.id)}});
    return workings;
}

/// Why a mode is not woken by this; empty if it is.
Text whyNotWoken(const Part& part, const Controls& controls, const Mode& mode, const std::string& by) {
    std::vector<std::string> known = mode.wakesBy;
    const auto peripheral = part.findPeripheral(by);
    if (peripheral && part.peripherals[*peripheral].wakesFrom.contains(mode.id)) {
        known.push_back(by);
    }
    const bool isAny = std::find(known.begin(), known.end(), "any") != known.end();
    if (!isAny && std::find(known.begin(), known.end(), by) == known.end()) {
        const Text mend = didYouMean(by, known);
        return phrase("{} is not woken by '{}', but by {}{}", mode.id, by, listNames(known), mend.empty() ? "" : "; " + mend);
    }
    const auto clock = peripheral ? clockOf(part, controls, *peripheral) : std::nullopt;
    if (const auto off = clock ? heldOff(part, controls, *clock) : std::nullopt) {
        return phrase("{} has no clock, as {} is off, so it can't wake it", by, part.nodeId(*off));
    }
    if (peripheral && !peripheralLivesIn(part, controls, mode, *peripheral)) {
        return phrase("{} has no clock in {}, so it can't wake it", by, mode.id);
    }
    return {};
}

/// The wake-up counter set to the interval asked; an interval out of reach breaks the promise.
void addInterval(const Part& part, const Controls& controls, const std::vector<LineFigure>& lines, const WakesAsk& ask,
                 PromiseFigure& figure) {
    const auto peripheral = part.findPeripheral(ask.by);
    const PeripheralKind* kind = peripheral ? &part.peripherals[*peripheral].kind : nullptr;
    const auto counter = kind != nullptr ? kind->row()->wakeCounter(*kind) : std::nullopt;
    const auto node = peripheral ? clockOf(part, controls, *peripheral) : std::nullopt;
    if (!counter || !node || !lines[*node].hertz) {
        figure.state = State::broken;
        figure.why = ask.by.empty() ? phrase("'every' needs to know by what: add 'by rtc'")
                                    : phrase("'{}' has no wake-up counter to wake every {}", ask.by,
                                             printQuantity(*ask.every, Unit::second));
        return;
    }
    const Rational& hertz = lines[*node].hertz->nominal;
    const WakeCounter counting = counter->forPeriod(hertz, *ask.every);
    const CounterReach reach{counting.prescaler, counting.counts};
    const NearestSettings near = nearestSettings(reach, reach.least(), *ask.every * hertz, reach.most());
    const auto distance = [&](const CounterSetting& setting) { return abs(setting.product() / hertz - *ask.every); };
    const CounterSetting best =
        !near.above || (near.below && distance(*near.below) <= distance(*near.above)) ? *near.below : *near.above;
    const Rational got = best.product() / hertz;
    figure.settings = {{"prescaler", best.prescaler}, {"counts", best.counts}};
    figure.fields = peripheralFields(part, controls, *peripheral, figure.settings);
    figure.workings.push_back(
        {phrase("woken every"),
         phrase("prescaler \u00d7 counts \u00f7 f"),
         best.prescaler.toString() + " \u00d7 " + best.counts.toString() + " \u00f7 " + printQuantity(hertz, Unit::hertz),
         printQuantity(got, Unit::second) + ", " + printError(got / *ask.every - 1),
         {{ask.by, {}, Target::peripheral(ask.by), {}}}});
    const Rational least = reach.least() / hertz;
    const Rational most = reach.most() / hertz;
    if (*ask.every < least || *ask.every > most) {
        figure.state = State::broken;
        figure.why = phrase("every {} is beyond the wake-up counter of {}: {}", printQuantity(*ask.every, Unit::second), ask.by,
                            printRange(least, most, Unit::second));
    }
}

/// A timer that fires for another promise wakes as often as that, and not every so often too.
void checkCounterFree(const Part& part, const Plan& plan, const WakesAsk& ask, std::vector<PromiseFigure>& promises,
                      std::size_t index) {
    const auto peripheral = part.findPeripheral(ask.by);
    const PeripheralKind* kind = peripheral ? &part.peripherals[*peripheral].kind : nullptr;
    const auto counter = kind != nullptr ? kind->row()->wakeCounter(*kind) : std::nullopt;
    if (!counter || counter->isForWaking) {
        return;
    }
    for (std::size_t i = 0; i < promises.size(); ++i) {
        const auto* fires = plan.promises[i].line.ask.as<FiresAsk>();
        if (fires != nullptr && plan.promises[i].line.subject == ask.by && fires->period != *ask.every) {
            promises[index].state = State::broken;
            promises[index].why = phrase("{} fires for {}, every {}: it can't wake every {} too", ask.by, promises[i].name,
                                         printQuantity(fires->period, Unit::second), printQuantity(*ask.every, Unit::second));
        }
    }
}

} // namespace

const Draw* nodeDraw(const Part& part, const Controls& controls, NodeIndex node) {
    if (!part.isSource(node)) {
        return drawIn(part.lineAt(node).draws, controls.tier);
    }
    const Source& source = part.sources[node];
    const bool isDriven = !source.drives.empty() && source.drives[controls.sourceDrives[node]].draws;
    return drawIn(isDriven ? source.drives[controls.sourceDrives[node]].draws : source.draws, controls.tier);
}

std::optional<NodeIndex> wakeSource(const Part& part, const Controls& controls, std::size_t mode) {
    const Mode& slept = part.modes[mode];
    for (std::size_t i = 0; i < slept.options.size(); ++i) {
        if (slept.options[i].isWakeClock) {
            return part.findNode(slept.options[i].values[controls.modeOptions[mode][i]].id);
        }
    }
    return slept.wakesOn;
}

std::vector<ModeFigure> modeFigures(const Part& part, const Plan& plan, const Controls& controls, const Demand& demand,
                                    const std::vector<LineFigure>& lines, const TemperatureGrid& grid) {
    SharedWork shared(part, plan, controls, lines, grid);
    std::vector<ModeFigure> figures;
    for (const Mode& mode : part.modes) {
        figures.push_back(ModeWork(part, plan, controls, demand, grid, shared, mode).work());
    }
    return figures;
}

void judgeWakeUps(const Part& part, const Plan& plan, const Controls& controls, const std::vector<LineFigure>& lines,
                  const std::vector<ModeFigure>& modes, std::vector<PromiseFigure>& promises) {
    for (std::size_t i = 0; i < promises.size(); ++i) {
        const auto* ask = plan.promises[i].line.ask.as<WakesAsk>();
        if (ask == nullptr || promises[i].state == State::elsewhere) {
            continue;
        }
        PromiseFigure& figure = promises[i];
        figure.unit = Unit::second;
        figure.asked = ask->limit;
        figure.state = State::broken;
        const auto mode = part.findMode(ask->mode);
        if (!mode || !modes[*mode].wakeUp) {
            figure.why = phrase("'{}' is no sleep mode of this part", ask->mode);
            continue;
        }
        const WakeUpFigure& wake = *modes[*mode].wakeUp;
        figure = judgeWakeUp(figure, *ask, {wake.restored, wake.unknown, wakeUpWorkings(modes[*mode])});
        if (ask->every) {
            addInterval(part, controls, lines, *ask, figure);
            checkCounterFree(part, plan, *ask, promises, i);
        }
        if (!ask->by.empty()) {
            const Text why = whyNotWoken(part, controls, part.modes[*mode], ask->by);
            if (!why.empty()) {
                figure.state = State::broken;
                figure.why = why;
            }
        }
    }
}

} // namespace wisetick
