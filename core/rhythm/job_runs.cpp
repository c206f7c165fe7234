#include "rhythm/job_runs.h"

#include "base/text.h"
#include "derive/line_limits.h"

#include <algorithm>
#include <unordered_map>

namespace wisetick {

namespace {

/// One handler; nothing where the promise wants none.
std::optional<CoreTask> handlerOf(const PlayedJobs& jobs, std::size_t promise, const std::string& name, const Bounds& core) {
    const auto* fires = jobs.plan.promises[promise].line.ask.as<FiresAsk>();
    if (fires == nullptr || !fires->handled) {
        return std::nullopt;
    }
    const PromiseFigure& figure = jobs.base.promises[promise];
    const Rational* repeats = pinnedValue(figure.settings, "repeats");
    const Rational period = figure.got && figure.got->min.sign() > 0 ? figure.got->min : fires->period;
    const Rational cycles = (*fires->handled + jobs.part.interruptCycles()) / executionSpeed(jobs.base.waits);
    CoreTask task;
    task.name = name;
    task.target = Target::promise(name);
    task.isHandler = true;
    task.interval = period / (repeats == nullptr ? Rational(1) : *repeats);
    task.takes = cycles / core.min;
    task.limit = task.interval;
    task.alone = cycles / core.nominal;
    const std::string id = peripheralOf(jobs.plan.promises[promise].line.subject);
    for (std::size_t i = 0; i < jobs.base.modes.size(); ++i) {
        const ModeFigure& mode = jobs.base.modes[i];
        if (!mode.wakeUp || std::find(mode.peripherals.begin(), mode.peripherals.end(), id) == mode.peripherals.end()) {
            continue; // it runs, or its interrupt can't come
        }
        task.wakesFrom.emplace_back(mode.id, mode.wakeUp->firstInstruction.max);
        if (jobs.restsIn == i) {
            task.wakes = jobs.longestTakes.front().stages;
        }
    }
    return task;
}

/// By how much a run with all that is longest can be later than one with all that is typical.
Rational spreadOf(const PlayedJobs& jobs) {
    Rational spread = jobs.gaps ? jobs.gaps->slides : Rational(0);
    for (std::size_t i = 0; i < jobs.lanes.size(); ++i) {
        spread += jobs.longest[i].lasts - jobs.typical[i].lasts;
    }
    for (std::size_t i = 0; i < jobs.longestTakes.size(); ++i) {
        const TimelineTake& longest = jobs.longestTakes[i];
        const TimelineTake& typical = jobs.typicalTakes[i];
        spread += longest.stages + longest.restore - typical.stages - typical.restore;
    }
    return spread;
}

} // namespace

std::vector<CoreTask> coreTasks(const PlayedJobs& jobs) {
    std::vector<CoreTask> tasks;
    const auto& core = jobs.base.lines[jobs.part.core].hertz;
    const std::vector<std::string> names = promiseNames(jobs.plan);
    for (std::size_t i = 0; i < jobs.plan.promises.size() && core; ++i) {
        if (auto handler = handlerOf(jobs, i, names[i], *core)) {
            tasks.push_back(std::move(*handler));
        }
    }
    const JobRoots roots(jobs.plan);
    for (std::size_t i = 0; i < jobs.lanes.size(); ++i) {
        const Job& root = roots.of(*jobs.lanes[i]);
        const TimelineTake& take = jobs.longestTakes[jobs.longest[i].take];
        CoreTask task;
        task.name = jobs.lanes[i]->name;
        task.target = Target::job(task.name);
        task.interval = root.every * jobs.timings[i].stretch.min;
        task.hasInterval = !root.isRandom;
        task.jitter = root.jitter;
        task.takes = jobs.longest[i].lasts;
        task.wakes = take.stages + take.restore;
        task.change = *std::max_element(take.changeFrom.begin(), take.changeFrom.end());
        task.limit = jobs.lanes[i]->doneWithin;
        task.alone = jobs.typical[i].lasts;
        tasks.push_back(std::move(task));
    }
    return tasks;
}

std::vector<JobRuns> jobRuns(const PlayedJobs& jobs, const RunIntervals& typical, const RunIntervals& longest,
                             const std::vector<LatencyFigure>& latencies) {
    const bool isByChance = std::any_of(jobs.typical.begin(), jobs.typical.end(),
                                        [](const TimelineJob& job) { return job.isRandom || !job.jitter.isZero(); });
    const bool isWhole = jobs.gaps && jobs.gaps->isSure();
    const Rational spread = spreadOf(jobs);
    const JobRoots roots(jobs.plan);
    std::unordered_map<std::string, const LatencyFigure*> byJob;
    for (const LatencyFigure& each : latencies) {
        if (!each.isHandler) {
            byJob.emplace(each.name, &each);
        }
    }
    std::vector<JobRuns> list;
    for (std::size_t i = 0; i < jobs.lanes.size(); ++i) {
        const Job& root = roots.of(*jobs.lanes[i]);
        JobRuns runs{jobs.lanes[i]->name, jobs.timings[i], std::nullopt, std::nullopt, {}};
        if (!root.isRandom) {
            runs.every = root.every;
        }
        const auto found = byJob.find(runs.job);
        const LatencyFigure* latency = found == byJob.end() ? nullptr : found->second;
        const bool isPlayed = typical.size() == jobs.lanes.size() && typical[i].has_value(); // none was too rare to be
        const Rational played = isPlayed && !isByChance ? std::max(typical[i]->second, root.every) : root.every;
        if (isWhole && typical[i] && longest[i]) {
            runs.interval = Bounds{std::max(std::min(typical[i]->first, longest[i]->first) - spread, Rational(0)),
                                   typical[i]->second, std::max(typical[i]->second, longest[i]->second) + spread};
        } else if (runs.every && latency != nullptr && latency->longest) {
            const Rational late = *latency->longest - latency->takes + root.jitter;
            runs.interval = Bounds{std::max(root.every - late, Rational(0)), played, std::max(played, root.every + late)};
        }
        if (!runs.interval) {
            runs.why = root.isRandom ? phrase("{} comes by chance", root.name) : (latency == nullptr ? Text() : latency->why);
        }
        list.push_back(std::move(runs));
    }
    return list;
}

} // namespace wisetick
