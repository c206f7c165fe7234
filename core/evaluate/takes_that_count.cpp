#include "evaluate/takes_that_count.h"

#include "base/text.h"
#include "derive/demand.h"
#include "evaluate/evaluate.h"

#include <algorithm>

namespace wisetick {

std::vector<std::string> takesThatCount(const Plan& plan) {
    std::vector<std::string> names{plan.active};
    for (const Take& take : plan.takes) {
        const bool isOfJob =
            std::any_of(plan.jobs.begin(), plan.jobs.end(), [&](const Job& job) { return job.take == take.name; });
        const bool isNamed = std::any_of(plan.promises.begin(), plan.promises.end(), [&](const Promise& promise) {
            return !promise.line.inTakes.empty() && isAskedIn(plan, promise, take);
        });
        if (take.name != plan.active && (isOfJob || isNamed)) {
            names.push_back(take.name);
        }
    }
    return names;
}

Figures ownOf(const Plan& plan, Figures figures, const Figures& active, bool areAll) {
    for (std::size_t i = 0; i < figures.promises.size(); ++i) {
        const PromiseLine& line = plan.promises[i].line;
        if (!areAll && line.inTakes.empty() && line.whileJob.empty()) {
            PromiseFigure& promise = figures.promises[i];
            promise.state = State::elsewhere;
            promise.got.reset();
            promise.error.reset();
            promise.why.clear();
        }
    }
    std::erase_if(figures.findings, [&](const Diagnostic& finding) {
        return std::find(active.findings.begin(), active.findings.end(), finding) != active.findings.end();
    });
    return figures;
}

TakeHolds holdsOf(const Figures& figures, bool doesCount) {
    TakeHolds holds{figures.take, doesCount, 0, 0, 0, 0, State::kept};
    for (const PromiseFigure& promise : figures.promises) {
        holds.asked += promise.state == State::elsewhere ? 0 : 1;
        holds.strained += promise.state == State::strained ? 1 : 0;
        holds.broken += promise.state == State::broken ? 1 : 0;
        holds.state = promise.state == State::elsewhere ? holds.state : worseState(holds.state, promise.state);
    }
    for (const LineFigure& line : figures.lines) {
        holds.overLimit += line.isOn && line.state == State::broken ? 1 : 0;
        holds.state = line.isOn ? worseState(holds.state, line.state) : holds.state;
    }
    return holds;
}

std::vector<TakeHolds> takesHold(const Part& part, const Plan& plan, const Figures& active, const GoOn& goOn) {
    const std::vector<std::string> counting = takesThatCount(plan);
    std::vector<TakeHolds> list;
    for (const Take& take : plan.takes) {
        if (take.name == active.take) {
            list.push_back(holdsOf(active, true));
        } else if (std::find(counting.begin(), counting.end(), take.name) != counting.end()) {
            list.push_back(holdsOf(ownOf(plan, evaluate(part, plan, take.name, goOn), active, false), true));
        } else {
            list.push_back({take.name, false, 0, 0, 0, 0, State::kept});
        }
    }
    return list;
}

Text holdsSaid(const TakeHolds& holds) {
    if (!holds.doesCount || (holds.asked == 0 && holds.overLimit == 0)) {
        return phrase("nothing asked");
    }
    Text bad;
    const auto add = [&](std::size_t count, const Text& what) {
        bad += count == 0 ? Text() : Text(bad.empty() ? "" : ", ") + what;
    };
    add(holds.broken, phrase("{} broken", holds.broken));
    add(holds.strained, phrase("{} strained", holds.strained));
    add(holds.overLimit,
        holds.overLimit == 1 ? phrase("1 line outside its limits") : phrase("{} lines outside their limits", holds.overLimit));
    return bad.empty() ? phrase("{} kept", std::to_string(holds.asked)) : std::to_string(holds.asked) + ": " + bad;
}

} // namespace wisetick
