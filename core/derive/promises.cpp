#include "derive/promises.h"

#include "base/text.h"
#include "derive/field_values.h"
#include "derive/line_limits.h"
#include "derive/meetings.h"
#include "promise/line_rate.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <map>

namespace wisetick {

namespace {

std::vector<Setting> pinnedSettings(const Take& take, const std::string& promise) {
    std::vector<Setting> settings;
    if (const PinnedWay* pinned = findPinned(take, promise)) {
        for (const auto& [name, value] : pinned->settings) {
            settings.push_back({name, value});
        }
    }
    return settings;
}

/// Where in the datasheet the peripheral stands, with every number that it gives.
void addRefs(const Peripheral& peripheral, Workings& workings) {
    for (Step& step : workings) {
        for (Origin& origin : step.origins) {
            if (origin.target == Target::part("peripheral." + peripheral.id)) {
                origin.ref = peripheral.ref;
            }
        }
    }
}

Target subjectTarget(const Part& part, const PromiseLine& line) {
    if (const auto* wakes = line.ask.as<WakesAsk>()) {
        return Target::mode(wakes->mode);
    }
    if (part.findNode(line.subject)) {
        return Target::line(line.subject);
    }
    if (part.findPeripheral(peripheralOf(line.subject))) {
        return Target::peripheral(line.subject);
    }
    return Target::rhythm(line.subject.empty() ? "average" : line.subject);
}

bool comesFromPlay(const Ask& ask) {
    return ask.row()->isPlayed;
}

/// Judges the promises of one plan; those on one peripheral together.
/// The takes in which a promise is asked that names some, or its job: "fast, bus".
std::string whereAsked(const Plan& plan, const PromiseLine& line) {
    std::string text;
    for (const std::string& take : line.inTakes) {
        text += (text.empty() ? "" : ", ") + take;
    }
    for (const Job& job : plan.jobs) {
        if (job.name == line.whileJob) {
            text = job.take.empty() ? plan.active : job.take;
        }
    }
    return text;
}

class PromiseJudge {
public:
    explicit PromiseJudge(const PromiseContext& context)
        : context_(context), names_(promiseNames(context.plan)), texts_(context.plan.promises.size()) {}

    std::vector<PromiseFigure> judge() {
        std::vector<PromiseFigure> figures;
        std::map<std::size_t, std::vector<std::size_t>> byPeripheral;
        for (std::size_t i = 0; i < context_.plan.promises.size(); ++i) {
            orStop(context_.goOn);
            figures.push_back(judgeAlone(i));
            if (figures.back().state == State::elsewhere) {
                continue;
            }
            if (const auto peripheral = context_.part.findPeripheral(peripheralOf(context_.plan.promises[i].line.subject))) {
                byPeripheral[*peripheral].push_back(i);
            }
        }
        for (const auto& [peripheral, sharing] : byPeripheral) {
            if (sharing.size() > 1) {
                settleShared(sharing, figures);
            }
        }
        for (std::size_t i = 0; i < figures.size(); ++i) {
            if (figures[i].state == State::elsewhere) {
                continue;
            }
            orStop(context_.goOn);
            checkAlsoIn(context_.plan.promises[i].line, figures[i]);
            checkTrigger(i, figures);
            checkChain(i, figures);
            checkAlarms(i, figures);
            if (context_.detail != Detail::verdict) {
                noteBetterWay(i, figures[i]);
                addFields(i, figures[i]);
            }
        }
        return figures;
    }

    PromiseFigure blank(std::size_t index) const {
        PromiseFigure figure;
        const PromiseLine& line = context_.plan.promises[index].line;
        figure.name = names_[index];
        if (context_.detail == Detail::verdict) {
            return figure;
        }
        if (texts_[index].empty()) { // one promise may be judged several times
            texts_[index] = printPromiseLine(line);
        }
        figure.text = texts_[index];
        figure.asks = line.name.empty() ? figure.text : figure.text.substr(line.name.size() + 2);
        figure.subject = subjectTarget(context_.part, line);
        return figure;
    }

    /// The peripheral and clock of a promise; why not where there is none.
    std::optional<Subject> subjectOf(std::size_t index, std::string& why) const {
        const std::string& id = context_.plan.promises[index].line.subject;
        const auto peripheral = context_.part.findPeripheral(peripheralOf(id));
        if (!peripheral) {
            why = phrase("no peripheral '{}' on this part", id);
            return std::nullopt;
        }
        if (context_.controls.peripheralOn[*peripheral] == false) {
            why = phrase("{} is switched off in take {}", id, context_.take.name);
            return std::nullopt;
        }
        const auto node = clockOf(context_.part, context_.controls, *peripheral);
        if (!node) {
            why = phrase("{} has no clock", id);
            return std::nullopt;
        }
        PromiseClock clock = promiseClock(context_, *node);
        if (!clock.clock) {
            why = clock.why;
            return std::nullopt;
        }
        const Ask& ask = context_.plan.promises[index].line.ask;
        const auto lasts = ask.row()->lasts(ask);
        Subject subject{&context_.part.peripherals[*peripheral], *peripheral,
                        lasts ? overTime(*clock.clock, *lasts) : *clock.clock, channelOf(id)};
        const Meeting* meeting = meetingOf(ask, subject.peripheral->kind);
        if (meeting != nullptr && meeting->looksFurther(ask, context_.take)) {
            subject.core = promiseClock(context_, context_.part.core).clock;
        }
        return subject;
    }

    /// The workings of a promise whose peripheral may be shared: with the settings that it got there.
    Workings workingsOf(const PromiseFigure& figure, std::size_t index) const {
        PromiseFigure alone = judgeAlone(index);
        return alone.settings == figure.settings ? alone.workings : judgeWith(index, figure.settings).workings;
    }

    std::vector<Setting> pinnedOf(std::size_t index) const { return pinnedSettings(context_.take, names_[index]); }

private:
    PromiseFigure judgeAlone(std::size_t index) const {
        const PromiseLine& line = context_.plan.promises[index].line;
        if (!isAskedIn(context_.plan, context_.plan.promises[index], context_.take)) {
            PromiseFigure figure = blank(index);
            figure.state = State::elsewhere;
            figure.note = phrase("in {}", whereAsked(context_.plan, line));
            return figure;
        }
        if (comesFromPlay(line.ask)) {
            PromiseFigure figure = blank(index);
            figure.state = State::pending;
            return figure;
        }
        if (const auto* runs = line.ask.as<RunsAsk>()) {
            return judgeRate(index, *runs);
        }
        return judgeWith(index, pinnedOf(index));
    }

    PromiseFigure judgeRate(std::size_t index, const RunsAsk& ask) const {
        PromiseFigure figure = blank(index);
        const auto node = context_.part.findNode(context_.plan.promises[index].line.subject);
        const PromiseClock clock =
            node ? promiseClock(context_, *node) : PromiseClock{{}, phrase("no such source or line on this part")};
        figure.asked = ask.hertz;
        if (!clock.clock) {
            figure.why = clock.why;
            return figure;
        }
        return inBits(std::move(figure),
                      [&](PromiseFigure judged) { return judgeLineRate(std::move(judged), ask, *clock.clock, context_.detail); });
    }

    /// What `judge` makes of the figure; where that needs more than 256 bits, the figure says so.
    template <class Judge>
    static PromiseFigure inBits(PromiseFigure figure, Judge judge) {
        try {
            return judge(figure);
        } catch (const RationalOverflow&) {
            figure.state = State::broken;
            figure.why = phrase("the figures of {} need more than 256 bits", figure.name);
            return figure;
        }
    }

    PromiseFigure judgeWith(std::size_t index, const std::vector<Setting>& pinned) const {
        PromiseFigure figure = blank(index);
        const auto subject = subjectOf(index, figure.why);
        if (!subject) {
            return figure;
        }
        return inBits(std::move(figure), [&](PromiseFigure judged) {
            judged = judgeSubject(context_, *subject, context_.plan.promises[index].line.ask, pinned, std::move(judged));
            addRefs(*subject->peripheral, judged.workings);
            return judged;
        });
    }

    /// What its settings write; nothing where it was not judged on a peripheral.
    void addFields(std::size_t index, PromiseFigure& figure) const {
        std::string why;
        const auto subject = figure.state == State::pending ? std::nullopt : subjectOf(index, why);
        if (subject) {
            figure.fields = peripheralFields(context_.part, context_.controls, subject->index, figure.settings);
        }
    }

    /// Judges all sharers with the same settings, whatever is pinned before them.
    std::vector<PromiseFigure> lotWith(const std::vector<std::size_t>& sharing, const std::vector<Setting>& pinned,
                                       const std::vector<Setting>& settings) const {
        std::vector<Setting> held = pinned;
        for (const Setting& setting : settings) {
            if (pinnedValue(pinned, setting.name) == nullptr) {
                held.push_back(setting);
            }
        }
        std::vector<PromiseFigure> lot;
        for (const std::size_t each : sharing) {
            orStop(context_.goOn);
            lot.push_back(judgeWith(each, held));
        }
        return lot;
    }

    /// "a, b, c", of many only the first ones.
    static Text someOf(const std::vector<std::string>& names) {
        constexpr std::size_t kMostNamed = 12;
        Text list;
        for (std::size_t i = 0; i < std::min(names.size(), kMostNamed); ++i) {
            list += (list.empty() ? "" : ", ") + names[i];
        }
        return names.size() > kMostNamed ? phrase("{} and {} more", list, names.size() - kMostNamed) : list;
    }

    /// Every how many of the sharers has its settings tried.
    static std::size_t strideOf(const std::vector<std::size_t>& sharing) {
        constexpr std::size_t kMostLeaders = 24;
        constexpr std::size_t kMany = 1000; // from so many on each trial takes long
        return 1 + (sharing.size() - 1) / (sharing.size() > kMany ? kMostLeaders / 2 : kMostLeaders);
    }

    /// The best lot of those that some sharer would like: each one's own best, and where a tolerance leaves room the next best
    /// too.
    std::optional<std::vector<PromiseFigure>> bestLot(const std::vector<std::size_t>& sharing,
                                                      const std::vector<PromiseFigure>& figures) const {
        constexpr std::size_t kWaysTried = 24;
        std::vector<Setting> pinned;
        for (const std::size_t each : sharing) {
            const std::vector<Setting> held = pinnedOf(each);
            pinned.insert(pinned.end(), held.begin(), held.end());
        }
        std::optional<std::vector<PromiseFigure>> best;
        const auto offer = [&](const std::vector<Setting>& settings) {
            if (settings.empty() && pinned.empty()) {
                return;
            }
            std::vector<PromiseFigure> lot = lotWith(sharing, pinned, settings);
            if (!best || isBetterLot(lot, *best)) {
                best = std::move(lot);
            }
        };
        // where many share, the settings of so many stand for all
        const std::size_t stride = strideOf(sharing);
        std::vector<const std::vector<Setting>*> offered;
        for (std::size_t i = 0; i < sharing.size(); i += stride) {
            const std::vector<Setting>& settings = figures[sharing[i]].settings;
            if (std::none_of(offered.begin(), offered.end(), [&](const auto* each) { return *each == settings; })) {
                offered.push_back(&settings);
                offer(settings);
            }
        }
        const auto isLost = [&](std::size_t i) { return (*best)[i].state != figures[sharing[i]].state; };
        bool hasLoser = false;
        for (std::size_t i = 0; best && i < sharing.size(); ++i) {
            hasLoser = hasLoser || isLost(i);
        }
        for (const std::size_t leader : hasLoser&& stride == 1 ? sharing : std::vector<std::size_t>()) {
            const auto* drives = context_.plan.promises[leader].line.ask.as<DrivesAsk>();
            if (drives == nullptr || !drives->tolerance.within) {
                continue; // what is exact has no room to give
            }
            for (const Way& way : promiseWays(context_, leader, kWaysTried)) {
                std::vector<Setting> shared = way.settings;
                std::erase_if(shared, [](const Setting& setting) { return setting.name.starts_with("compare"); });
                offer(shared);
            }
        }
        return best;
    }

    /// Tries the settings that some sharer would like for all of them and keeps the best lot.
    void settleShared(const std::vector<std::size_t>& sharing, std::vector<PromiseFigure>& figures) const {
        std::optional<std::vector<PromiseFigure>> best = bestLot(sharing, figures);
        if (!best) {
            return;
        }
        // who keeps the state that it would have alone holds the fields; who does not has lost them to it
        std::vector<std::string> holding;
        std::vector<std::string> losing;
        const auto hasLost = [&](std::size_t i) {
            return (*best)[i].state != figures[sharing[i]].state &&
                   worseState((*best)[i].state, figures[sharing[i]].state) == (*best)[i].state;
        };
        for (std::size_t i = 0; i < sharing.size(); ++i) {
            (hasLost(i) ? losing : holding).push_back(names_[sharing[i]]);
        }
        const Text holders = someOf(holding);
        const Text losers = someOf(losing);
        for (std::size_t i = 0; i < sharing.size(); ++i) {
            PromiseFigure& figure = (*best)[i];
            if (hasLost(i)) {
                const PromiseFigure& alone = figures[sharing[i]];
                std::string settings;
                for (const Setting& setting : alone.settings) {
                    settings += (settings.empty() ? "" : ", ") + setting.name + " " + printFactor(setting.value);
                }
                figure.why +=
                    phrase("{}{} holds the fields that both need; alone it would be {} with {}", figure.why.empty() ? "" : "; ",
                           holders.empty() ? losers : holders, stateName(alone.state), settings);
            } else if (!losers.empty()) {
                figure.note = phrase("its fields are also those of {}, which can't be kept beside it", losers);
            }
        }
        for (std::size_t i = 0; i < sharing.size(); ++i) {
            if (const std::size_t stride = strideOf(sharing); stride > 1 && (*best)[i].note.empty()) {
                (*best)[i].note =
                    phrase("of the {} promises that share its fields, the settings of every {}th were tried for all",
                           sharing.size(), stride);
            }
            figures[sharing[i]] = std::move((*best)[i]);
        }
    }

    static bool isBetterLot(const std::vector<PromiseFigure>& a, const std::vector<PromiseFigure>& b) {
        const auto count = [](const std::vector<PromiseFigure>& lot, State state) {
            return std::count_if(lot.begin(), lot.end(), [&](const PromiseFigure& figure) { return figure.state == state; });
        };
        for (const State state : {State::broken, State::strained}) {
            if (count(a, state) != count(b, state)) {
                return count(a, state) < count(b, state);
            }
        }
        for (std::size_t i = 0; i < a.size(); ++i) {
            if (a[i].error && b[i].error && largestMagnitude(*a[i].error) != largestMagnitude(*b[i].error)) {
                return largestMagnitude(*a[i].error) < largestMagnitude(*b[i].error);
            }
        }
        return false;
    }

    /// A converter that a timer starts takes as many samples as that fires.
    void checkTrigger(std::size_t index, std::vector<PromiseFigure>& figures) const {
        const auto* takes = context_.plan.promises[index].line.ask.as<TakesAsk>();
        if (takes == nullptr || takes->trigger.empty() || takes->onceIn) {
            return;
        }
        PromiseFigure& figure = figures[index];
        const std::string line =
            phrase("{} fires every {}", takes->trigger, printQuantity(1 / takes->samplesPerSecond, Unit::second));
        Text why = phrase("its trigger makes no such rate: promise '{}'", line);
        State state = State::broken;
        for (std::size_t i = 0; i < figures.size(); ++i) {
            const PromiseLine& other = context_.plan.promises[i].line;
            const auto* fires = other.ask.as<FiresAsk>();
            if (fires != nullptr && other.subject == takes->trigger && fires->period * takes->samplesPerSecond == 1) {
                state = figures[i].state;
                why = state == State::kept ? Text() : phrase("its trigger {} is {}", names_[i], stateName(state));
                checkScan(context_.plan.promises[index].line, figure, other, figures[i]);
            }
        }
        figure.state = worseState(figure.state, state);
        if (!why.empty()) {
            figure.why += (figure.why.empty() ? "" : "; ") + why;
        }
    }

    /// The source that a peripheral's clock comes from in the end.
    std::optional<NodeIndex> sourceOf(const std::string& subject) const {
        const auto peripheral = context_.part.findPeripheral(peripheralOf(subject));
        const auto node = peripheral ? clockOf(context_.part, context_.controls, *peripheral) : std::nullopt;
        return node ? std::optional(chainOf(context_.part, context_.controls, *node).back()) : std::nullopt;
    }

    /// The trigger must not come again before a scan is done. From one source both move together; from two the one may be at its
    /// fastest while the other is at its slowest.
    void checkScan(const PromiseLine& line, PromiseFigure& figure, const PromiseLine& trigger,
                   const PromiseFigure& period) const {
        if (!figure.got || !period.got || figure.got->min.sign() <= 0) {
            return;
        }
        const auto source = sourceOf(line.subject);
        const bool isOneSource = source && source == sourceOf(trigger.subject);
        const Rational longest = 1 / (isOneSource ? figure.got->nominal : figure.got->min);
        const Rational& shortest = isOneSource ? period.got->nominal : period.got->min;
        const State state = 1 / figure.got->nominal > period.got->nominal ? State::broken
                            : longest > shortest                          ? State::strained
                                                                          : State::kept;
        if (state == State::kept || worseState(figure.state, state) == figure.state) {
            return;
        }
        figure.state = state;
        figure.why = phrase("a scan takes up to {}, and {} comes again after {}", printQuantity(longest, Unit::second),
                            trigger.subject, printQuantity(shortest, Unit::second));
    }

    /// A timer that counts on for another can't keep a promise of its own.
    void checkChain(std::size_t index, std::vector<PromiseFigure>& figures) const {
        const std::string other = chainedWith(context_.part, context_.plan.promises[index].line);
        for (std::size_t i = 0; i < figures.size() && !other.empty(); ++i) {
            if (peripheralOf(context_.plan.promises[i].line.subject) != other) {
                continue;
            }
            for (const auto& [loser, winner] : {std::pair(i, index), std::pair(index, i)}) {
                figures[loser].state = State::broken;
                figures[loser].why += phrase("{}{} needs {} too", figures[loser].why.empty() ? "" : "; ", names_[winner], other);
            }
        }
    }

    /// Each alarm of a calendar keeps one promise.
    void checkAlarms(std::size_t index, std::vector<PromiseFigure>& figures) const {
        const auto isByAlarm = [&](std::size_t i) {
            const auto* fires = context_.plan.promises[i].line.ask.as<FiresAsk>();
            return fires != nullptr && fires->isAlarm && figures[i].state != State::elsewhere;
        };
        const std::string& subject = context_.plan.promises[index].line.subject;
        const auto peripheral = isByAlarm(index) ? context_.part.findPeripheral(subject) : std::nullopt;
        const auto* rtc = peripheral ? context_.part.peripherals[*peripheral].kind.as<RtcKind>() : nullptr;
        std::int64_t wanted = 0;
        for (std::size_t i = 0; rtc != nullptr && i < figures.size(); ++i) {
            wanted += isByAlarm(i) && context_.plan.promises[i].line.subject == subject ? 1 : 0;
        }
        if (rtc != nullptr && wanted > rtc->alarms) {
            figures[index].state = State::broken;
            figures[index].why +=
                phrase("{}{} promises want an alarm of {}, and it has {}", figures[index].why.empty() ? "" : "; ",
                       std::to_string(wanted), subject, std::to_string(rtc->alarms));
        }
    }

    /// A pinned way stays; where another one is better now that is said.
    void noteBetterWay(std::size_t index, PromiseFigure& figure) const {
        figure.isPinned = !pinnedOf(index).empty();
        if (!figure.isPinned || figure.state == State::pending) {
            return;
        }
        const PromiseFigure free = judgeWith(index, {});
        if (free.settings == figure.settings || free.settings.empty()) {
            return;
        }
        const bool isBetter = free.state != figure.state
                                  ? worseState(free.state, figure.state) == figure.state
                                  : free.error && figure.error && largestMagnitude(*free.error) < largestMagnitude(*figure.error);
        std::string settings;
        for (const Setting& setting : free.settings) {
            settings += (settings.empty() ? "" : ", ") + setting.name + " " + printFactor(setting.value);
        }
        figure.hasBetterWay = isBetter;
        figure.note =
            std::string("pinned; ") + (isBetter ? phrase("a better way is free: ") : phrase("free, it would be ")) + settings;
    }

    /// "also in MODE": the clock must live there.
    void checkAlsoIn(const PromiseLine& line, PromiseFigure& figure) const {
        for (const std::string& id : line.alsoIn) {
            const auto mode = context_.part.findMode(id);
            const auto node = context_.part.findNode(line.subject);
            const auto peripheral = context_.part.findPeripheral(peripheralOf(line.subject));
            if (!mode || (!node && !peripheral)) {
                continue;
            }
            const Mode& kept = context_.part.modes[*mode];
            const bool isKept = peripheral ? peripheralLivesIn(context_.part, context_.controls, kept, *peripheral)
                                           : livesIn(context_.part, context_.controls, kept, *node);
            if (!isKept) {
                figure.state = State::broken;
                figure.why += phrase("{}{} has no clock in {}", figure.why.empty() ? "" : "; ", line.subject, id);
            }
        }
    }

    const PromiseContext& context_;
    std::vector<std::string> names_;
    mutable std::vector<std::string> texts_;
};

} // namespace

PromiseClock promiseClock(const PromiseContext& context, NodeIndex node) {
    if (const auto off = heldOff(context.part, context.controls, node)) {
        return {std::nullopt, phrase("{} is switched off in take {}", context.part.nodeId(*off), context.take.name)};
    }
    const LineFigure& line = context.lines[node];
    if (!line.hertz) {
        return {std::nullopt, phrase("no clock: {}", line.why)};
    }
    Clock clock{line.id, *line.hertz, line.unknown};
    clock.overLong = line.overLong;
    clock.strayTime = line.strayTime;
    if (node == context.part.core && !context.part.waits.empty()) {
        clock.speed = executionSpeed(context.part, context.plan.board, context.controls, context.lines);
    }
    return {std::move(clock), {}};
}

std::vector<PromiseFigure> judgePromises(const PromiseContext& context) {
    return PromiseJudge(context).judge();
}

std::vector<Workings> judgedWorkings(const PromiseContext& context, const std::vector<PromiseFigure>& figures,
                                     const std::vector<std::size_t>& promises) {
    const PromiseJudge judge(context);
    std::vector<Workings> all;
    for (const std::size_t promise : promises) {
        all.push_back(judge.workingsOf(figures[promise], promise));
    }
    return all;
}

RateWindows promiseRates(const PromiseContext& context, std::size_t promise) {
    const PromiseLine& line = context.plan.promises[promise].line;
    if (comesFromPlay(line.ask)) {
        return RateWindows::all();
    }
    if (const auto* runs = line.ask.as<RunsAsk>()) {
        return lineRates(*runs);
    }
    const PromiseJudge judge(context);
    std::string why;
    const auto subject = judge.subjectOf(promise, why);
    try {
        return subject ? subjectRates(context, *subject, line.ask) : RateWindows::none();
    } catch (const RationalOverflow&) {
        RateWindows windows = RateWindows::all(); // they can't be told
        windows.isTight = false;
        return windows;
    }
}

std::vector<Way> promiseWays(const PromiseContext& context, std::size_t promise, std::size_t most) {
    const PromiseJudge judge(context);
    std::string why;
    const auto subject = judge.subjectOf(promise, why);
    if (!subject) {
        return {};
    }
    const std::vector<Setting> pinned = judge.pinnedOf(promise);
    try {
        std::vector<Way> ways = subjectWays(context, *subject, context.plan.promises[promise].line.ask, pinned, most);
        ways.resize(std::min(most, ways.size()));
        return ways;
    } catch (const RationalOverflow&) {
        return {}; // the figure itself says that it needs more bits
    }
}

} // namespace wisetick
