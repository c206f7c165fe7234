#include "evaluate/ways_out.h"

#include "base/text.h"
#include "derive/demand.h"
#include "derive/derive.h"
#include "plan/board_edits.h"
#include "plan/promise_edits.h"
#include "plan/take_edits.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <functional>

namespace wisetick {

namespace {

constexpr std::int64_t kMostValues = 64;

int rank(State state) {
    return state == State::broken ? 2 : (state == State::strained ? 1 : 0);
}

bool isLocked(const Take& take, const std::string& id, const std::string& control) {
    return std::any_of(take.locks.begin(), take.locks.end(),
                       [&](const std::string& lock) { return lock == id || lock == id + "." + control; });
}

/// How the thing that is to be mended stands in some figures.
struct Standing {
    State state = State::broken;
    std::string got;
    Rational worst; ///< the less the better, of equal states
};

/// Of a promise: its worst error. Nothing where nothing is got.
std::optional<Standing> standingOf(const PromiseFigure& promise) {
    if (!promise.error) {
        return std::nullopt;
    }
    return Standing{promise.state, printQuantity(promise.got->nominal, promise.unit) + ", " + printError(promise.error->nominal),
                    largestMagnitude(*promise.error)};
}

/// Of a line: the room that it leaves, so that the highest rate that fits comes first.
std::optional<Standing> standingOf(const LineFigure& line) {
    if (!line.hertz || !line.isOn) {
        return std::nullopt;
    }
    return Standing{line.state, printQuantity(line.hertz->nominal, Unit::hertz), abs(line.margin.value_or(Rational(0)))};
}

/// Finds the ways out for one promise or line.
class Finder {
public:
    using Stand = std::function<std::optional<Standing>(const Figures&)>;

    Finder(const Part& part, const Plan& plan, const std::string& take, Stand stand, GoOn goOn)
        : part_(part), plan_(plan), take_(*findTake(plan, take)), stand_(std::move(stand)), goOn_(std::move(goOn)),
          before_(derive(part, plan, take)) {}

    /// Tries the mux of a peripheral, then every control from the node up.
    std::vector<WayOut> find(const std::string& subject, std::size_t most, std::optional<std::size_t> promise = std::nullopt) {
        Diagnostics ignored;
        const Controls controls = resolveControls(part_, take_, ignored);
        const auto peripheral = part_.findPeripheral(peripheralOf(subject));
        const auto node = peripheral ? clockOf(part_, controls, *peripheral) : part_.findNode(subject);
        const auto now = stand_(before_);
        present_ = now ? now->state : State::broken;
        if (peripheral && part_.peripherals[*peripheral].clock.size() > 1 && !isLocked(take_, subject, "from")) {
            tryInputs(subject, part_.peripherals[*peripheral].clock);
        }
        if (promise) {
            tryOtherWords(*promise);
        }
        for (const NodeIndex each : node ? chainOf(part_, controls, *node) : std::vector<NodeIndex>()) {
            if (!part_.isSource(each)) {
                tryLine(part_.lineAt(each), before_.lines[each]);
            } else {
                if (!isLocked(take_, part_.nodeId(each), "rate")) {
                    tryRates(part_.sources[each]);
                }
                tryTolerances(part_.nodeId(each));
            }
        }
        return best(most);
    }

    /// Tries the other inputs of every mux that is on.
    std::vector<WayOut> findAmongInputs(std::size_t most) {
        const auto now = stand_(before_);
        present_ = now ? now->state : State::broken;
        for (std::size_t i = 0; i < part_.lines.size(); ++i) {
            const Line& line = part_.lines[i];
            if (before_.lines[part_.nodeOfLine(i)].isOn && line.from.size() > 1 && !isLocked(take_, line.id, "from")) {
                tryInputs(line.id, line.from);
            }
        }
        return best(most);
    }

private:
    struct Found {
        WayOut way;
        Rational worst;
    };

    std::vector<WayOut> best(std::size_t most) {
        std::stable_sort(found_.begin(), found_.end(), [](const Found& a, const Found& b) {
            if (rank(a.way.state) != rank(b.way.state)) {
                return rank(a.way.state) < rank(b.way.state);
            }
            if (a.way.breaks.size() != b.way.breaks.size()) {
                return a.way.breaks.size() < b.way.breaks.size();
            }
            const bool isFittedA = a.way.fitted.has_value(); // what needs another part on the board comes last
            return isFittedA != b.way.fitted.has_value() ? !isFittedA : a.worst < b.worst;
        });
        std::vector<WayOut> ways;
        for (std::size_t i = 0; i < std::min(most, found_.size()); ++i) {
            ways.push_back(found_[i].way);
        }
        return ways;
    }

    Choice present(const std::string& id) const {
        const Choice* choice = findChoice(take_, id);
        return choice == nullptr ? Choice{id, {}, {}, {}, {}} : *choice;
    }

    void tryInputs(const std::string& id, const std::vector<NodeIndex>& inputs) {
        for (const NodeIndex input : inputs) {
            Choice choice = present(id);
            choice.from = part_.nodeId(input);
            consider(choice, phrase("{} from {}", id, *choice.from));
        }
    }

    void tryLine(const Line& line, const LineFigure& figure) {
        if (line.from.size() > 1 && !isLocked(take_, line.id, "from")) {
            tryInputs(line.id, line.from);
        }
        if (!line.divide.empty() && !isLocked(take_, line.id, "divide")) {
            tryFactors(line.divide, figure.divide, [&](const Rational& value) {
                Choice choice = present(line.id);
                choice.divide = value;
                consider(choice, line.id + " \u00f7 " + printFactor(value));
            });
        }
        if (!line.multiply.empty() && !isLocked(take_, line.id, "multiply")) {
            tryFactors(line.multiply, figure.multiply, [&](const Rational& value) {
                Choice choice = present(line.id);
                choice.multiply = value;
                consider(choice, line.id + " \u00d7 " + printFactor(value));
            });
        }
    }

    /// The same period as a sum of shorter ones, or counted by two timers as one.
    void tryOtherWords(std::size_t promise) {
        const PromiseLine& line = plan_.promises[promise].line;
        const auto* fires = line.ask.as<FiresAsk>();
        if (fires == nullptr) {
            return;
        }
        const auto attempt = [&](bool FiresAsk::*word, const Text& say) {
            PromiseLine other = line;
            other.ask.change<FiresAsk>().*word = true;
            WayOut way{say, {}, State::broken, {}, {}, std::pair(promise, other)};
            consider(std::move(way));
        };
        attempt(&FiresAsk::isRepeated, phrase("{} several times for one period", line.subject));
        PromiseLine chained = line;
        chained.ask.change<FiresAsk>().isChained = true;
        if (const std::string with = chainedWith(part_, chained); !with.empty()) {
            attempt(&FiresAsk::isChained, phrase("{} chained with {}", line.subject, with));
        }
    }

    void tryRates(const Source& source) {
        for (const Rational& rate : source.rates.size() > 1 ? source.rates : std::vector<Rational>()) {
            Choice choice = present(source.id);
            choice.rate = rate;
            consider(choice, phrase("{} at {}", source.id, printQuantity(rate, Unit::hertz)));
        }
    }

    /// A worst case can also be mended by a better crystal: of the usual ones the widest with which it is kept.
    void tryTolerances(const std::string& source) {
        const Fitted* fitted = findFitted(plan_.board, source);
        if (present_ != State::strained || fitted == nullptr || findMeasured(plan_.board, source) != nullptr) {
            return;
        }
        for (const std::int64_t millionths : {1000, 500, 300, 200, 100, 50, 30, 25, 20, 15, 10, 5, 2, 1}) {
            const Rational tolerance(millionths, 1000000);
            if (fitted->tolerance && tolerance >= fitted->tolerance->total()) {
                continue;
            }
            Fitted better = *fitted;
            better.tolerance = ToleranceBudget{tolerance, {}, {}, {}};
            better.isBudget = false;
            WayOut way{phrase("{} within {}", source, printQuantity(tolerance, Unit::ratio)), {}, State::broken, {}, {}};
            way.fitted = std::move(better);
            const std::size_t before = found_.size();
            consider(std::move(way));
            if (found_.size() > before && found_.back().way.state == State::kept) {
                return;
            }
            found_.resize(before);
        }
    }

    template <class Try>
    static void tryFactors(const FactorSet& set, const Rational& now, Try attempt) {
        const std::int64_t size = set.size().toInt64().value_or(0);
        const std::int64_t step = std::max<std::int64_t>(1, size / kMostValues);
        for (std::int64_t i = 0; i < size; i += step) {
            if (set.at(i) != now) {
                attempt(set.at(i));
            }
        }
    }

    void consider(const Choice& choice, const Text& say) { consider(WayOut{say, choice, State::broken, {}, {}}); }

    void consider(WayOut way) {
        Plan changed = plan_;
        takeWayOut(changed, take_.name, way);
        if (changed == plan_ || (goOn_ && !goOn_())) {
            return;
        }
        const Figures after = derive(part_, changed, take_.name);
        const auto standing = stand_(after);
        if (!standing || rank(standing->state) >= rank(present_)) {
            return;
        }
        way.state = standing->state;
        way.got = standing->got;
        for (std::size_t i = 0; i < after.promises.size(); ++i) {
            if (after.promises[i].state == State::broken && before_.promises[i].state != State::broken) {
                way.breaks.push_back(after.promises[i].name);
            }
        }
        for (std::size_t i = 0; i < after.lines.size(); ++i) {
            if (after.lines[i].state == State::broken && before_.lines[i].state != State::broken) {
                way.breaks.push_back(after.lines[i].id);
            }
        }
        found_.push_back({std::move(way), standing->worst});
    }

    const Part& part_;
    const Plan& plan_;
    const Take& take_;
    Stand stand_;
    GoOn goOn_;
    Figures before_;
    State present_ = State::broken;
    std::vector<Found> found_;
};

} // namespace

std::vector<WayOut> waysOut(const Part& part, const Plan& plan, const std::string& take, std::size_t promise, std::size_t most,
                            const GoOn& goOn) {
    const auto stand = [promise](const Figures& figures) { return standingOf(figures.promises[promise]); };
    return Finder(part, plan, take, stand, goOn).find(plan.promises[promise].line.subject, most, promise);
}

std::vector<WayOut> waysOutOfLimit(const Part& part, const Plan& plan, const std::string& take, NodeIndex node, std::size_t most,
                                   const GoOn& goOn) {
    const auto stand = [node](const Figures& figures) { return standingOf(figures.lines[node]); };
    return Finder(part, plan, take, stand, goOn).find(part.nodeId(node), most);
}

std::vector<WayOut> waysToWakeSooner(const Part& part, const Plan& plan, const std::string& take, std::size_t mode,
                                     std::size_t most, const GoOn& goOn) {
    const Figures now = derive(part, plan, take);
    if (mode >= now.modes.size() || !now.modes[mode].wakeUp) {
        return {};
    }
    // what is sooner stands better than what is there
    const Rational present = now.modes[mode].wakeUp->restored.max;
    const auto stand = [mode, present](const Figures& figures) -> std::optional<Standing> {
        const WakeUpFigure& wake = *figures.modes[mode].wakeUp;
        return Standing{wake.restored.max < present ? State::kept : State::strained,
                        phrase("all holds again after {} at the latest", printQuantity(wake.restored.max, Unit::second)),
                        wake.restored.max};
    };
    return Finder(part, plan, take, stand, goOn).findAmongInputs(most);
}

Text takeWayOut(Plan& plan, const std::string& take, const WayOut& way) {
    if (way.promise) {
        return replacePromise(plan, way.promise->first, {printPromiseLine(way.promise->second), way.promise->second});
    }
    if (way.fitted) {
        return fit(plan, *way.fitted);
    }
    return setChoice(plan, take, way.choice);
}

} // namespace wisetick
