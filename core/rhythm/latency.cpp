#include "rhythm/latency.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <memory>
#include <utility>

namespace wisetick {

namespace {

std::string time(const Rational& value) {
    return printQuantity(value, Unit::second, 5);
}

/// What stands before a task: those that come again and again while it waits, and those that come before it once or a few times.
struct Before {
    std::vector<const CoreTask*> again;
    std::vector<const CoreTask*> jobs; ///< of a job the other ones, in the order in which they are due
    Rational once;                     ///< itself and other jobs
    Rational since;                    ///< s, how long the core was busy when it was due
    Rational wakes;                    ///< s, once
    Rational load;                     ///< of all of them
    std::string chance;                ///< one that has no bound
};

/// How often a task comes in a time that begins with it.
Rational timesIn(const CoreTask& task, const Rational& span) {
    return ((span + task.jitter) / task.interval).ceil();
}

/// How many runs of a job are due no later than so long after all were due at once.
Rational dueBy(const CoreTask& task, const Rational& since) {
    return ((since + task.jitter) / task.interval).floor() + 1;
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
            before.load = shortened(before.load + other.takes / other.interval, Rounding::up);
        } else if (!task.isHandler && !other.isHandler) {
            if (!other.hasInterval) {
                before.chance = other.name;
                continue;
            }
            before.jobs.push_back(&other);
            before.load = shortened(before.load + (other.takes + other.change) / other.interval, Rounding::up);
            before.wakes = std::max(before.wakes, other.wakes);
        }
    }
    for (const CoreTask* job : before.jobs) {
        before.once += dueBy(*job, 0) * (job->takes + job->change);
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

/// From its event until it is done, at most, of a job that was due `before.since` after a busy time began: then those are before
/// it that were due no later, itself among them, and the handlers of all that time. Such a time begins at the worst with all at
/// once, and the worst is when another one has just become due (as of first-come first-served in Spuri 1996); `before` becomes
/// that.
std::optional<Rational> jobResponse(const CoreTask& task, Before& before) {
    constexpr std::size_t kMostDues = 1000;
    const auto workAt = [&](const Rational& since) {
        Rational work = before.wakes + (task.takes + task.change) * (task.hasInterval ? dueBy(task, since) : Rational(1));
        for (const CoreTask* job : before.jobs) {
            work += dueBy(*job, since) * (job->takes + job->change);
        }
        return work;
    };
    std::vector<const CoreTask*> jobs = before.jobs;
    if (task.hasInterval) {
        jobs.push_back(&task);
    }
    std::optional<Rational> longest;
    Rational since;
    for (std::size_t due = 0; due < kMostDues; ++due) {
        const Rational work = workAt(since);
        const auto busy = busyFor(before, work);
        if (!busy) {
            return std::nullopt;
        }
        if (!longest || *busy - since > *longest) {
            longest = *busy - since;
            before.once = work;
            before.since = since;
        }
        std::optional<Rational> next; // when another one becomes due
        for (const CoreTask* job : jobs) {
            const Rational at = dueBy(*job, since) * job->interval - job->jitter;
            next = next ? std::min(*next, at) : at;
        }
        if (!next || *next >= *busy) {
            return longest; // it is idle before that
        }
        since = *next;
    }
    return std::nullopt;
}

/// Of a handler: one that is not done when it is due again waits for itself: then its runs are looked at one after the other
/// until one is done in time.
std::optional<Rational> response(const CoreTask& task, Before& before) {
    constexpr int kMostRuns = 1000;
    if (before.load >= 1) {
        return std::nullopt;
    }
    if (!task.isHandler) {
        return jobResponse(task, before);
    }
    Rational longest;
    for (int run = 0; run < kMostRuns; ++run) {
        const auto busy = busyFor(before, before.once + task.takes * run);
        if (!busy) {
            return std::nullopt;
        }
        longest = std::max(longest, *busy - task.interval * run);
        if (*busy <= task.interval * (run + 1)) {
            return longest;
        }
    }
    return std::nullopt;
}

void judge(const CoreTask& task, const Before& before, LatencyFigure& figure) {
    if (!figure.longest) {
        figure.why = before.chance.empty() ? phrase("what is more urgent leaves it no time that could be told")
                                           : phrase("no bound: {} comes by chance", before.chance);
    }
    if (!task.limit) {
        return;
    }
    const Text must = task.isHandler ? phrase("before it is due again after ") : phrase("within ");
    if (task.alone && *task.alone > *task.limit) {
        figure.state = State::broken;
        figure.why = phrase("takes {} by itself, and must be done {}{}", time(*task.alone), must, time(*task.limit));
    } else if (!figure.longest) {
        figure.state = State::strained;
    } else if (*figure.longest > *task.limit) {
        figure.state = State::strained;
        figure.why = phrase("done as late as {}, and must be done {}{}", time(*figure.longest), must, time(*task.limit));
    }
}

void addWorkings(const CoreTask& task, const Before& before, LatencyFigure& figure) {
    figure.workings.push_back(
        {"takes",
         task.isHandler ? phrase("(handler + entry + exit) \u00f7 slowest core") : phrase("at the slowest core"),
         {},
         time(task.takes),
         {{task.name, {}, task.target, {}}}});
    if (before.wakes.sign() > 0) {
        figure.workings.push_back({phrase("after waking"),
                                   task.isHandler ? phrase("longest stages") : phrase("longest stages and start-ups"),
                                   {},
                                   time(before.wakes),
                                   {{task.name, {}, task.target, {}}}});
    }
    if (const Rational others = before.once - task.takes - before.wakes; others.sign() > 0) {
        figure.workings.push_back({phrase("behind the other jobs"),
                                   before.since.isZero() ? phrase("one run of each, as they were due before, and changes of take")
                                                         : phrase("those that were due before, with changes of take"),
                                   {},
                                   time(others),
                                   {{task.name, {}, Target::rhythm(task.name), {}}}});
    }
    if (!figure.longest) {
        return;
    }
    const Rational busy = *figure.longest + before.since;
    std::string numbers = time(before.once);
    std::vector<Origin> origins{{task.name, time(before.once), task.target, {}}};
    for (const CoreTask* other : before.again) {
        numbers += " + \u2308" + time(busy) + " \u00f7 " + time(other->interval) + "\u2309 \u00d7 " + time(other->takes);
        origins.push_back({other->name, time(other->interval), other->target, {}});
        origins.push_back({other->name, time(other->takes), other->target, {}});
    }
    if (before.since.sign() > 0) {
        numbers += " \u2212 " + time(before.since);
    }
    figure.workings.push_back(
        {phrase("done after at most"),
         before.since.sign() > 0
             ? phrase("R + t = C + \u03a3 \u2308(R + t) \u00f7 T\u2309 C of the more urgent, due t after a busy time began")
             : phrase("R = C + \u03a3 \u2308R \u00f7 T\u2309 C of the more urgent"),
         numbers, time(*figure.longest), std::move(origins)});
    for (const auto& [mode, stages] : task.wakesFrom) {
        const Rational awake = *figure.longest - before.wakes;
        figure.workings.push_back({phrase("from {}", mode),
                                   phrase("longest stages of waking + done after, awake"),
                                   time(stages) + " + " + time(awake),
                                   time(stages + awake),
                                   {{mode, time(stages), Target::mode(mode), {}}, {task.name, time(awake), task.target, {}}}});
    }
}

} // namespace

std::vector<LatencyFigure> latenciesOf(const std::vector<CoreTask>& tasks, const GoOn& goOn) {
    // the core takes jobs as they come, so that all that come again and again wait alike: the sums are over all of them
    struct Waiting {
        Before before;
        std::optional<Rational> longest;
    };
    std::shared_ptr<const Waiting> alike;
    std::vector<LatencyFigure> figures;
    for (std::size_t i = 0; i < tasks.size(); ++i) {
        orStop(goOn);
        const CoreTask& task = tasks[i];
        LatencyFigure figure;
        figure.name = task.name;
        figure.target = task.target;
        figure.isHandler = task.isHandler;
        figure.interval = task.interval;
        figure.takes = task.takes;
        figure.limit = task.limit;
        const bool isAlike = !task.isHandler && task.hasInterval;
        std::shared_ptr<const Waiting> waiting = isAlike ? alike : nullptr;
        if (waiting == nullptr) {
            Waiting own{whatStandsBefore(tasks, i), std::nullopt};
            own.longest = own.before.chance.empty() ? response(task, own.before) : std::nullopt;
            waiting = std::make_shared<const Waiting>(std::move(own));
            alike = isAlike ? waiting : alike;
        }
        figure.longest = waiting->longest;
        judge(task, waiting->before, figure);
        addWorkings(task, waiting->before, figure);
        figures.push_back(std::move(figure));
    }
    std::stable_sort(figures.begin(), figures.end(), [](const LatencyFigure& a, const LatencyFigure& b) {
        return a.isHandler != b.isHandler ? a.isHandler : (a.isHandler && a.interval < b.interval);
    });
    return figures;
}

} // namespace wisetick
