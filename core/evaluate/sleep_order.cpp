#include "evaluate/sleep_order.h"

#include "base/nearest_name.h"
#include "base/text.h"
#include "derive/demand.h"
#include "derive/desk.h"
#include "derive/field_values.h"
#include "derive/modes.h"
#include "derive/writing_order.h"
#include "promise/uart.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <stdexcept>

namespace wisetick {

namespace {

/// What fires faster, and does not say what handles it, paces other hardware rather than the core.
const Rational kFastestTick(1, 1000);

constexpr const char* kTickIsOn = phraseMark("tick is on");

/// Builds the order of one mode.
class OrderWork {
public:
    OrderWork(const Part& part, const Plan& plan, const Figures& figures, std::size_t mode)
        : part_(part), plan_(plan), figures_(figures), take_(*findTake(plan, figures.take)), mode_(part.modes[mode]),
          figure_(figures.modes[mode]) {
        Diagnostics ignored;
        controls_ = resolveControls(part, take_, ignored);
    }

    SleepOrder work() {
        addTicks();
        addTransfers();
        addGiven(mode_.before, order_.before);
        addOptions();
        addMemory();
        addDebugger();
        addWatchdogs();
        addWaker();
        SleepStep rest{
            phrase("choose {}, then wait for {}", mode_.id, wakesByAny() ? phrase("an interrupt") : phrase("an event")),
            wakesByAny() ? phrase("any interrupt ends it") : phrase("only {} ends it", listNames(wakers()))};
        for (const RegisterWrite& write : mode_.enter) {
            if (write.wait.empty()) {
                rest.fields.push_back({mode_.id + ".enter", write.field, mode_.id, phrase("holds a code"), write.code});
            }
        }
        rest.awaitsInterrupt = true;
        order_.before.push_back(std::move(rest));
        addAwake();
        addFirstBytes();
        addWayBack();
        addRest();
        return std::move(order_);
    }

    /// The timers whose interrupt would end the rest within their period.
    std::vector<std::size_t> ticks() const {
        std::vector<std::size_t> list;
        for (std::size_t i = 0; i < plan_.promises.size(); ++i) {
            const PromiseLine& line = plan_.promises[i].line;
            const auto* fires = line.ask.as<FiresAsk>();
            const auto peripheral = part_.findPeripheral(line.subject);
            if (fires != nullptr && peripheral && isAsked(i) && part_.peripherals[*peripheral].kind.row()->isTick &&
                peripheralLivesIn(part_, controls_, mode_, *peripheral) && wakesBy(line.subject)) {
                list.push_back(i);
            }
        }
        return list;
    }

    bool wakesByAny() const { return std::find(mode_.wakesBy.begin(), mode_.wakesBy.end(), "any") != mode_.wakesBy.end(); }

    bool wakesBy(const std::string& id) const {
        const auto peripheral = part_.findPeripheral(id);
        return wakesByAny() || std::find(mode_.wakesBy.begin(), mode_.wakesBy.end(), id) != mode_.wakesBy.end() ||
               (peripheral && part_.peripherals[*peripheral].wakesFrom.contains(mode_.id));
    }

    std::vector<std::string> wakers() const {
        std::vector<std::string> list = mode_.wakesBy;
        for (const Peripheral& peripheral : part_.peripherals) {
            const bool isNamed = std::find(list.begin(), list.end(), peripheral.id) != list.end();
            if (peripheral.wakesFrom.contains(mode_.id) && !isNamed) {
                list.push_back(peripheral.id);
            }
        }
        return list;
    }

private:
    const PromiseFigure& promise(std::size_t index) const { return figures_.promises[index]; }
    bool isAsked(std::size_t index) const { return promise(index).state != State::elsewhere; }

    void addTicks() {
        for (const std::size_t tick : ticks()) {
            const std::string after =
                promise(tick).got ? phrase(" after {} at the latest", printQuantity(promise(tick).got->nominal, Unit::second))
                                  : "";
            order_.before.push_back(
                {phrase("stop {}: its interrupt would wake the core{}", plan_.promises[tick].line.subject, after),
                 promise(tick).text,
                 {},
                 true});
        }
    }

    void addTransfers() {
        std::vector<std::string> ids;
        for (std::size_t i = 0; i < plan_.promises.size(); ++i) {
            const std::string id = peripheralOf(plan_.promises[i].line.subject);
            const auto peripheral = part_.findPeripheral(id);
            const bool isLost = std::find(figure_.withoutClock.begin(), figure_.withoutClock.end(), promise(i).name) !=
                                figure_.withoutClock.end();
            if (peripheral && isLost && part_.peripherals[*peripheral].kind.row()->movesData &&
                std::find(ids.begin(), ids.end(), id) == ids.end()) {
                ids.push_back(id);
            }
        }
        if (!ids.empty()) {
            Text list;
            for (std::size_t i = 0; i < ids.size(); ++i) {
                list += (i == 0 ? "" : (i + 1 == ids.size() ? phrase(" and ") : ", ")) + ids[i];
            }
            order_.before.push_back(
                {phrase("finish what {}{}", list, ids.size() == 1 ? phrase(" transfers") : phrase(" transfer")),
                 (ids.size() == 1 ? phrase("it loses its clock in ") : phrase("they lose their clock in ")) + mode_.id});
        }
    }

    /// The part's own steps; those about the tick only where there is one, and it is not said already.
    void addGiven(const std::vector<OrderStep>& steps, std::vector<SleepStep>& list) const {
        for (const OrderStep& step : steps) {
            if (step.when != kTickIsOn) {
                list.push_back({step.say, step.when.empty() ? "" : phrase("where {}", step.when)});
            } else if (ticks().empty() && hasTick()) {
                list.push_back({step.say, phrase("it stands still in {} and would come late", mode_.id)});
            }
        }
    }

    bool hasTick() const {
        return std::any_of(plan_.promises.begin(), plan_.promises.end(), [&](const Promise& each) {
            const auto peripheral = part_.findPeripheral(each.line.subject);
            return each.line.ask.is<FiresAsk>() && peripheral && part_.peripherals[*peripheral].kind.row()->isTick;
        });
    }

    void addOptions() {
        for (const auto& [option, value] : figure_.options) {
            SleepStep step{phrase("set {} of {} to {}", option, mode_.id, value), phrase("as the take chooses")};
            for (const ModeOption& each : mode_.options) {
                for (const ModeOption::Value& one :
                     each.id == option && each.field ? each.values : std::vector<ModeOption::Value>()) {
                    if (one.id == value) {
                        step.fields.push_back({mode_.id + "." + option, *each.field, value, phrase("holds a code"), one.code});
                    }
                }
            }
            order_.before.push_back(std::move(step));
        }
    }

    void addMemory() {
        std::vector<std::string> lost;
        const auto isIn = [](const std::vector<std::string>& list, const std::string& id) {
            return std::find(list.begin(), list.end(), id) != list.end();
        };
        for (const Mode& mode : part_.modes) {
            for (const std::string& each : mode.memory) {
                if (!isIn(figure_.memory, each) && !isIn(lost, each)) {
                    lost.push_back(each);
                }
            }
        }
        if (!lost.empty()) {
            order_.before.push_back(
                {phrase("save what is needed of {}", listNames(lost)), phrase("its contents are lost in {}", mode_.id)});
        }
    }

    void addDebugger() {
        if (mode_.keepsDebug == false) {
            order_.before.push_back({phrase("the debugger loses the part in {}", mode_.id),
                                     phrase("leave a way to stay awake while it is looked for")});
        }
    }

    void addWatchdogs() {
        const auto longest = figures_.rhythm ? figures_.rhythm->longestRest : std::nullopt;
        for (std::size_t i = 0; i < plan_.promises.size(); ++i) {
            const auto peripheral = part_.findPeripheral(plan_.promises[i].line.subject);
            const PromiseFigure& figure = promise(i);
            if (!plan_.promises[i].line.ask.is<BitesAsk>() || !peripheral || !figure.got || !isAsked(i)) {
                continue;
            }
            const std::string& id = part_.peripherals[*peripheral].id;
            if (!peripheralLivesIn(part_, controls_, mode_, *peripheral)) {
                order_.before.push_back({phrase("{} stands still in {}", id, mode_.id),
                                         phrase("it has no clock there; it goes on after the wake-up")});
                continue;
            }
            const std::string bite = printQuantity(figure.got->min, Unit::second);
            const bool bitesInRest = take_.restsIn == mode_.id && longest && *longest >= figure.got->min;
            order_.before.push_back({phrase("feed {}, it goes on: it bites after {} at the fastest", id, bite),
                                     bitesInRest ? phrase("the longest rest is {}: wake by a timer before, or feed it more often",
                                                          printQuantity(*longest, Unit::second))
                                                 : phrase("so no rest may be as long"),
                                     {},
                                     bitesInRest});
        }
    }

    void addWaker() {
        for (std::size_t i = 0; i < plan_.promises.size(); ++i) {
            const auto* wakes = plan_.promises[i].line.ask.as<WakesAsk>();
            if (wakes == nullptr || wakes->mode != mode_.id || wakes->by.empty() || !isAsked(i)) {
                continue;
            }
            order_.before.push_back({phrase("clear the flag of {}", wakes->by),
                                     phrase("a flag that is still set would end the rest at once"), clearingOf(wakes->by)});
            if (wakes->every) {
                order_.before.push_back({phrase("set the wake-up counter of {} to {} and let it interrupt", wakes->by,
                                                printQuantity(*wakes->every, Unit::second)),
                                         promise(i).text, promise(i).fields});
            }
        }
    }

    std::vector<FieldValue> clearingOf(const std::string& id) const {
        const auto peripheral = part_.findPeripheral(id);
        return peripheral ? flagFields(part_, *peripheral) : std::vector<FieldValue>();
    }

    void addAwake() {
        if (figure_.wakesOn) {
            const LineFigure& source = figures_.lines[*figure_.wakesOn];
            const bool isCore = figures_.lines[part_.core].parent == *figure_.wakesOn || part_.core == *figure_.wakesOn;
            order_.after.push_back(
                {phrase("the core comes back on {}{}", source.id,
                        source.hertz ? phrase(" at {}", printQuantity(source.hertz->nominal, Unit::hertz)) : Text()),
                 isCore ? "" : phrase("not on its clock of the take")});
        }
        if (!figure_.wrongUntilRestored.empty()) {
            std::string list;
            for (const std::string& name : figure_.wrongUntilRestored) {
                list += (list.empty() ? "" : ", ") + name;
            }
            order_.after.push_back({phrase("until the clocks are back these do not hold: {}", list), ""});
        }
    }

    /// Whether what wakes it over a port is received whole.
    void addFirstBytes() {
        for (std::size_t i = 0; i < plan_.promises.size(); ++i) {
            const PromiseLine& line = plan_.promises[i].line;
            const auto peripheral = part_.findPeripheral(line.subject);
            const auto* talks = line.ask.as<TalksAsk>();
            const auto* can = line.ask.as<CanAsk>();
            if (!peripheral || (talks == nullptr && can == nullptr && !line.ask.is<BusAsk>())) {
                continue;
            }
            for (const WakingRate& rate : wakingRates(part_, plan_, figures_, *peripheral)) {
                if (rate.mode != mode_.id) {
                    continue;
                }
                const std::string runs =
                    rate.within && rate.within->sign() > 0
                        ? phrase("its clock runs after {} at the longest", printQuantity(*rate.within, Unit::second))
                        : phrase("its clock goes on");
                if (talks == nullptr && can == nullptr) {
                    order_.after.push_back({phrase("{} holds the bus until it can answer: no byte is lost", line.subject), runs});
                    continue;
                }
                const Rational bit = 1 / (talks != nullptr ? talks->bitsPerSecond : can->bitsPerSecond);
                const PromiseFigure& judged = figures_.promises[i];
                const Rational* oversample = pinnedValue(judged.settings, "oversample");
                // of a frame of CAN the edge alone is used, and the next one is read
                const Rational late =
                    talks == nullptr || oversample == nullptr || !judged.error
                        ? bit
                        : bit * latestStart(talks->frame, oversample->toInt64().value_or(1), largestMagnitude(*judged.error));
                const bool isLost = rate.within && *rate.within > late;
                order_.after.push_back(
                    {phrase("the first {} that wakes it over {}{}", talks != nullptr ? "byte" : "frame", line.subject,
                            isLost ? phrase(" is lost") : phrase(" is received")),
                     phrase("{}, a bit lasts {}{}", runs, printQuantity(bit, Unit::second, 4),
                            talks == nullptr  ? ""
                            : late.sign() > 0 ? phrase(", and it may begin {} late", printQuantity(late, Unit::second, 4))
                                              : phrase(", and it may not begin late at all")),
                     {},
                     isLost});
            }
        }
    }

    void addWayBack() {
        const auto woken = wokenTake(part_, plan_, take_, *part_.findMode(mode_.id));
        if (!woken) {
            addGiven(mode_.after, order_.after);
            return;
        }
        Plan plan = plan_;
        plan.takes.push_back(*woken);
        const WritingOrder way = writingOrder(part_, plan, woken->name, take_.name);
        for (const ClockWrite& write : way.steps) {
            Text why;
            if (write.wait) {
                why = write.wait->max ? phrase("at most {}", printQuantity(*write.wait->max, Unit::second))
                                      : (write.wait->typ ? phrase("typically {}", printQuantity(*write.wait->typ, Unit::second))
                                                         : phrase("unknown: how long"));
            }
            order_.after.push_back(
                {write.say, why, write.fields, false, write.wait, write.until, write.shown, write.core, write.awaits, false});
        }
        if (!way.trouble.empty()) {
            order_.after.push_back({phrase("the clocks can't be brought back: {}", way.trouble), "", {}, true});
        }
    }

    void addRest() {
        if (!ticks().empty() || hasTick()) {
            order_.after.push_back({phrase("let the tick go on"), phrase("it was stopped")});
        }
        for (std::size_t i = 0; i < plan_.promises.size(); ++i) {
            const auto* wakes = plan_.promises[i].line.ask.as<WakesAsk>();
            if (wakes != nullptr && wakes->mode == mode_.id && !wakes->by.empty() && isAsked(i)) {
                order_.after.push_back({phrase("clear the flag of {}", wakes->by), phrase("else the next rest ends at once"),
                                        clearingOf(wakes->by)});
                if (wakes->every) {
                    order_.after.push_back({phrase("switch the wake-up counter of {} off if it was for once", wakes->by), ""});
                }
            }
        }
        if (take_.restsIn == mode_.id) {
            order_.after.push_back({phrase("rest again when the handler returns"), phrase("the plan rests in {}", mode_.id)});
        }
    }

    const Part& part_;
    const Plan& plan_;
    const Figures& figures_;
    const Take& take_;
    const Mode& mode_;
    const ModeFigure& figure_;
    Controls controls_;
    SleepOrder order_;
};

} // namespace

std::optional<Take> wokenTake(const Part& part, const Plan& plan, const Take& take, std::size_t modeIndex) {
    const Mode& mode = part.modes[modeIndex];
    Diagnostics ignored;
    const Controls controls = resolveControls(part, take, ignored);
    const auto wakesOn = wakeSource(part, controls, modeIndex);
    if (!wakesOn) {
        return std::nullopt;
    }
    /// How a node is fed from there: through which input, and how many muxes turn for it.
    struct Feed {
        std::size_t input = 0;
        int turned = 0;
    };
    std::vector<std::optional<Feed>> feeds(part.nodeCount());
    feeds[*wakesOn] = Feed{};
    for (const std::size_t line : part.order) {
        const NodeIndex node = part.nodeOfLine(line);
        const bool mustStand = takesTimeToStart(part, node); // what must be started runs on only as it was fed before
        if (mustStand && !livesIn(part, controls, mode, node)) {
            continue;
        }
        const std::vector<NodeIndex>& inputs = part.lines[line].from;
        for (std::size_t input = 0; input < inputs.size(); ++input) {
            const auto& above = feeds[inputs[input]];
            const int turned = above ? above->turned + (input == controls.lines[line].from ? 0 : 1) : 0;
            if (above && (!mustStand || turned == 0) && (!feeds[node] || turned < feeds[node]->turned)) {
                feeds[node] = Feed{input, turned};
            }
        }
    }
    if (!feeds[part.core]) {
        return std::nullopt;
    }
    Take woken = take;
    woken.name += phrase(" woken from {}", mode.id);
    for (NodeIndex node = part.core; !part.isSource(node);) {
        const Line& line = part.lineAt(node);
        const NodeIndex input = line.from[feeds[node]->input];
        if (line.from.size() > 1) {
            choiceOf(woken, line.id).from = part.nodeId(input);
        }
        node = input;
    }
    const Demand demand = demandOf(part, plan, take, controls);
    for (NodeIndex node = 0; node < part.nodeCount(); ++node) {
        const bool lives = livesIn(part, controls, mode, node);
        if (lives && demand.nodes[node]) {
            choiceOf(woken, part.nodeId(node)).on = true;
        } else if (takesTimeToStart(part, node) && !lives && node != *wakesOn) {
            choiceOf(woken, part.nodeId(node)).on = false;
        }
    }
    return woken;
}

SleepOrder sleepOrder(const Part& part, const Plan& plan, const Figures& figures, const std::string& mode) {
    const auto index = part.findMode(mode);
    if (!index) {
        throw std::out_of_range(phrase("no mode '{}'", mode));
    }
    if (part.modes[*index].runs || figures.modes.empty()) {
        return {};
    }
    return OrderWork(part, plan, figures, *index).work();
}

Diagnostics sleepFindings(const Part& part, const Plan& plan, const Figures& figures) {
    Diagnostics findings;
    const Take* take = findTake(plan, figures.take);
    const auto mode = take == nullptr ? std::nullopt : part.findMode(take->restsIn);
    if (!mode || part.modes[*mode].runs || figures.modes.empty() || plan.jobs.empty()) {
        return findings;
    }
    const OrderWork work(part, plan, figures, *mode);
    const auto find = [&](const Text& found, const Text& expected) {
        Diagnostic& finding = findings.emplace_back();
        finding.severity = Severity::warning;
        finding.place.path = "take." + take->name + ".rests_in";
        finding.found = found;
        finding.expected = expected;
    };
    for (const std::size_t tick : work.ticks()) {
        const PromiseLine& line = plan.promises[tick].line;
        const auto& fires = line.ask.get<FiresAsk>();
        const auto comesAsOften = [&](const Job& job) { return job.after.empty() && job.every <= fires.period; };
        const bool isPlayed = std::any_of(plan.jobs.begin(), plan.jobs.end(), comesAsOften);
        const bool interrupts = fires.handled || fires.period >= kFastestTick;
        const bool isInRest = figures.rhythm && figures.rhythm->longestRest && *figures.rhythm->longestRest > fires.period;
        if (!isPlayed && interrupts && isInRest) {
            find(phrase("the interrupt of {} stays on in {}: it wakes the core every {}, and no job says so", line.subject,
                        take->restsIn, printQuantity(fires.period, Unit::second)),
                 phrase("it stopped before each rest, a deeper mode, or a job that comes as often"));
        }
    }
    if (!work.wakesByAny() && work.wakers().empty()) {
        find(phrase("nothing can end a rest in {}", take->restsIn), phrase("a mode that is woken by something"));
    }
    return findings;
}

} // namespace wisetick
