#include "evaluate/ways_out.h"

#include "derive/demand.h"
#include "derive/derive.h"
#include "quantity/quantity_print.h"

#include <algorithm>

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

/// Finds the ways out of one promise.
class Finder {
public:
    Finder(const Part& part, const Plan& plan, const std::string& take, std::size_t promise)
        : part_(part), plan_(plan), take_(*findTake(plan, take)), promise_(promise), before_(derive(part, plan, take)) {}

    std::vector<WayOut> find(std::size_t most) {
        const std::string& subject = plan_.promises[promise_].line.subject;
        Diagnostics ignored;
        const Controls controls = resolveControls(part_, take_, ignored);
        const auto peripheral = part_.findPeripheral(subject);
        const auto node = peripheral ? clockOf(part_, controls, *peripheral) : part_.findNode(subject);
        if (peripheral && part_.peripherals[*peripheral].clock.size() > 1 && !isLocked(take_, subject, "from")) {
            tryInputs(subject, part_.peripherals[*peripheral].clock);
        }
        for (const NodeIndex each : node ? chainOf(part_, controls, *node) : std::vector<NodeIndex>()) {
            if (!part_.isSource(each)) {
                tryLine(part_.lineAt(each), before_.lines[each]);
            }
        }
        std::stable_sort(found_.begin(), found_.end(), [](const Found& a, const Found& b) {
            if (rank(a.way.state) != rank(b.way.state)) {
                return rank(a.way.state) < rank(b.way.state);
            }
            return a.way.breaks.size() != b.way.breaks.size() ? a.way.breaks.size() < b.way.breaks.size() : a.worst < b.worst;
        });
        std::vector<WayOut> ways;
        for (std::size_t i = 0; i < std::min(most, found_.size()); ++i) {
            ways.push_back(found_[i].way);
        }
        return ways;
    }

private:
    struct Found {
        WayOut way;
        Rational worst;
    };

    Choice present(const std::string& id) const {
        const Choice* choice = findChoice(take_, id);
        return choice == nullptr ? Choice{id, {}, {}, {}, {}} : *choice;
    }

    void tryInputs(const std::string& id, const std::vector<NodeIndex>& inputs) {
        for (const NodeIndex input : inputs) {
            Choice choice = present(id);
            choice.from = part_.nodeId(input);
            consider(choice, id + " from " + *choice.from);
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

    void consider(const Choice& choice, const std::string& say) {
        WayOut way{say, choice, State::broken, {}, {}};
        Plan changed = plan_;
        takeWayOut(changed, take_.name, way);
        if (changed == plan_) {
            return;
        }
        const Figures after = derive(part_, changed, take_.name);
        const PromiseFigure& promise = after.promises[promise_];
        if (rank(promise.state) >= rank(before_.promises[promise_].state) || !promise.error) {
            return;
        }
        way.state = promise.state;
        way.got = printQuantity(promise.got->nominal, promise.unit) + ", " + printError(promise.error->nominal);
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
        found_.push_back({std::move(way), largestMagnitude(*promise.error)});
    }

    const Part& part_;
    const Plan& plan_;
    const Take& take_;
    std::size_t promise_;
    Figures before_;
    std::vector<Found> found_;
};

} // namespace

std::vector<WayOut> waysOut(const Part& part, const Plan& plan, const std::string& take, std::size_t promise, std::size_t most) {
    return Finder(part, plan, take, promise).find(most);
}

void takeWayOut(Plan& plan, const std::string& takeName, const WayOut& way) {
    const auto take = std::find_if(plan.takes.begin(), plan.takes.end(), [&](const Take& each) { return each.name == takeName; });
    const auto choice =
        std::find_if(take->choices.begin(), take->choices.end(), [&](const Choice& each) { return each.id == way.choice.id; });
    if (choice != take->choices.end()) {
        *choice = way.choice;
    } else {
        take->choices.push_back(way.choice);
    }
}

} // namespace wisetick
