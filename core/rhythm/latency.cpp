#include "rhythm/latency.h"

#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

std::string time(const Rational& value) {
    return printQuantity(value, Unit::second, 5);
}

/// What stands before a task: those that come again and again while it waits, and those that come before it once or a few times.
struct Before {
    std::vector<const CoreTask*> again;
    Rational once;      ///< itself and other jobs
    Rational wakes;     ///< s, once
    Rational load;      ///< of all of them
    std::string chance; ///< one that has no bound
};

/// How often a task comes in a time that begins with it.
Rational timesIn(const CoreTask& task, const Rational& span) {
    return ((span + task.jitter) / task.interval).ceil();
}

Before whatStandsBefore(const std::vector<CoreTask>& tasks, std::size_t index) {
    const CoreTask& task = tasks[index];
    Before before;
    before.wakes = task.wakes;
    before.once = task.change + task.takes;
    before.load = task.hasInterval ? (task.takes + task.change) / task.interval : Rational(0);
    for (std::size_t i = 0; i < tasks.size(); ++i) {
        const CoreTask& other = tasks[i];
        if (i == index) {
            continue;
        }
        const bool isMoreUrgent = other.isHandler && (!task.isHandler || other.interval < task.interval ||
                                                      (other.interval == task.interval && i < index));
        if (isMoreUrgent) {
            before.again.push_back(&other);
            before.load += other.takes / other.interval;
        } else if (!task.isHandler && !other.isHandler) {
            if (!other.hasInterval) {
                before.chance = other.name;
                continue;
            }
            // in order of release: those that were due no later, which is one of each, and one more that was as late as that
            before.once += (other.takes + other.change) * ((other.jitter / other.interval).floor() + 1);
            before.load += (other.takes + other.change) / other.interval;
            before.wakes = std::max(before.wakes, other.wakes);
        }
    }
    before.once += before.wakes;
    return before;
}

/// The least w with w = once + Σ of those that come again in it; nothing where it does not come to an end.
std::optional<Rational> busyFor(const Before& before, const Rational& once) {
    constexpr int kMostSteps = 10000;
    Rational span = once;
    for (int step = 0; step < kMostSteps; ++step) {
        Rational next = once;
        for (const CoreTask* task : before.again) {
            next += timesIn(*task, span) * task->takes;
        }
        if (next == span) {
            return span;
        }
        span = next;
    }
    return std::nullopt;
}

/// From its event until it is done, at most. A handler that is not done when it is due again waits for itself: then its runs are
/// looked at one after the other until one is done in time.
std::optional<Rational> response(const CoreTask& task, const Before& before) {
    constexpr int kMostRuns = 1000;
    if (before.load >= 1) {
        return std::nullopt;
    }
    Rational longest;
    for (int run = 0; run < kMostRuns; ++run) {
        const auto busy = busyFor(before, before.once + task.takes * run);
        if (!busy) {
            return std::nullopt;
        }
        longest = std::max(longest, *busy - task.interval * run);
        if (!task.isHandler || *busy <= task.interval * (run + 1)) {
            return longest;
        }
    }
    return std::nullopt;
}

void judge(const CoreTask& task, const Before& before, LatencyFigure& figure) {
    if (!figure.longest) {
        figure.why = before.chance.empty() ? "what is more urgent leaves it no time that could be told"
                                           : "no bound: " + before.chance + " comes by chance";
    }
    if (!task.limit) {
        return;
    }
    const std::string must = task.isHandler ? "before it is due again after " : "within ";
    if (task.alone && *task.alone > *task.limit) {
        figure.state = State::broken;
        figure.why = "takes " + time(*task.alone) + " by itself, and must be done " + must + time(*task.limit);
    } else if (!figure.longest) {
        figure.state = State::strained;
    } else if (*figure.longest > *task.limit) {
        figure.state = State::strained;
        figure.why = "done as late as " + time(*figure.longest) + ", and must be done " + must + time(*task.limit);
    }
}

void addWorkings(const CoreTask& task, const Before& before, LatencyFigure& figure) {
    figure.workings.push_back({"takes",
                               task.isHandler ? "(handler + entry + exit) \u00f7 slowest core" : "at the slowest core",
                               {},
                               time(task.takes),
                               {{task.name, {}, task.target, {}}}});
    if (before.wakes.sign() > 0) {
        figure.workings.push_back({"after waking",
                                   "longest stages" + std::string(task.isHandler ? "" : " and start-ups"),
                                   {},
                                   time(before.wakes),
                                   {{task.name, {}, task.target, {}}}});
    }
    if (const Rational others = before.once - task.takes - before.wakes; others.sign() > 0) {
        figure.workings.push_back({"behind the other jobs",
                                   "one run of each, as they were due before, and changes of take",
                                   {},
                                   time(others),
                                   {{task.name, {}, Target::rhythm(task.name), {}}}});
    }
    if (!figure.longest) {
        return;
    }
    std::string numbers = time(before.once);
    std::vector<Origin> origins{{task.name, time(before.once), task.target, {}}};
    for (const CoreTask* other : before.again) {
        numbers +=
            " + \u2308" + time(*figure.longest) + " \u00f7 " + time(other->interval) + "\u2309 \u00d7 " + time(other->takes);
        origins.push_back({other->name, time(other->interval), other->target, {}});
        origins.push_back({other->name, time(other->takes), other->target, {}});
    }
    figure.workings.push_back({"done after at most", "R = C + \u03a3 \u2308R \u00f7 T\u2309 C of the more urgent", numbers,
                               time(*figure.longest), std::move(origins)});
    for (const auto& [mode, stages] : task.wakesFrom) {
        const Rational awake = *figure.longest - before.wakes;
        figure.workings.push_back({"from " + mode,
                                   "longest stages of waking + done after, awake",
                                   time(stages) + " + " + time(awake),
                                   time(stages + awake),
                                   {{mode, time(stages), Target::mode(mode), {}}, {task.name, time(awake), task.target, {}}}});
    }
}

} // namespace

std::vector<LatencyFigure> latenciesOf(const std::vector<CoreTask>& tasks) {
    std::vector<LatencyFigure> figures;
    for (std::size_t i = 0; i < tasks.size(); ++i) {
        const CoreTask& task = tasks[i];
        LatencyFigure figure;
        figure.name = task.name;
        figure.target = task.target;
        figure.isHandler = task.isHandler;
        figure.interval = task.interval;
        figure.takes = task.takes;
        figure.limit = task.limit;
        const Before before = whatStandsBefore(tasks, i);
        figure.longest = before.chance.empty() ? response(task, before) : std::nullopt;
        judge(task, before, figure);
        addWorkings(task, before, figure);
        figures.push_back(std::move(figure));
    }
    std::stable_sort(figures.begin(), figures.end(), [](const LatencyFigure& a, const LatencyFigure& b) {
        return a.isHandler != b.isHandler ? a.isHandler : (a.isHandler && a.interval < b.interval);
    });
    return figures;
}

} // namespace wisetick
