#include "rhythm/job_timing.h"

#include "base/text.h"
#include "derive/demand.h"

#include <algorithm>

namespace wisetick {

namespace {

bool isTimer(const Peripheral& peripheral) {
    const KindRow* row = peripheral.kind.row();
    return row != nullptr && (row->isTick || row->wakeCounter(peripheral.kind).has_value());
}

/// The timers in use that go on in the mode and end it.
std::vector<std::string> timersThatWake(const Part& part, const Figures& figures, const Mode& mode) {
    std::vector<std::string> timers;
    const auto figure =
        std::find_if(figures.modes.begin(), figures.modes.end(), [&](const ModeFigure& each) { return each.id == mode.id; });
    const auto names = [&](const std::string& id) {
        return std::find(mode.wakesBy.begin(), mode.wakesBy.end(), id) != mode.wakesBy.end();
    };
    for (const Peripheral& peripheral : part.peripherals) {
        const bool isWaker = names("any") || names(peripheral.id) || peripheral.wakesFrom.contains(mode.id);
        const bool goesOn = figure != figures.modes.end() && std::find(figure->peripherals.begin(), figure->peripherals.end(),
                                                                       peripheral.id) != figure->peripherals.end();
        if (isWaker && goesOn && isTimer(peripheral)) {
            timers.push_back(peripheral.id);
        }
    }
    return timers;
}

} // namespace

JobRoots::JobRoots(const Plan& plan) {
    std::unordered_map<std::string, const Job*> jobs;
    for (const Job& job : plan.jobs) {
        jobs.emplace(job.name, &job);
    }
    for (const Job& job : plan.jobs) {
        std::vector<const Job*> followed;
        const Job* root = &job;
        while (!roots_.contains(root->name) && !root->after.empty() && followed.size() < plan.jobs.size()) {
            const auto found = jobs.find(root->after);
            if (found == jobs.end()) {
                break;
            }
            followed.push_back(root);
            root = found->second;
        }
        const auto known = roots_.find(root->name);
        root = known == roots_.end() ? root : known->second;
        roots_.emplace(root->name, root);
        for (const Job* each : followed) {
            roots_.emplace(each->name, root);
        }
    }
}

const Job& JobRoots::of(const Job& job) const {
    const auto known = roots_.find(job.name);
    return known == roots_.end() ? job : *known->second;
}

std::optional<Bounds> commonStretch(const std::vector<const Job*>& jobs, const std::vector<JobTiming>& timings) {
    const JobTiming* first = nullptr;
    for (std::size_t i = 0; i < jobs.size(); ++i) {
        if (jobs[i]->isRandom || !jobs[i]->after.empty()) {
            continue;
        }
        if (first != nullptr && (timings[i].source != first->source || !(timings[i].stretch == first->stretch))) {
            return std::nullopt;
        }
        first = first == nullptr ? &timings[i] : first;
    }
    return first == nullptr ? Bounds{1, 1, 1} : first->stretch;
}

namespace {

/// What all jobs of a take are timed by.
struct TimingContext {
    const Part& part;
    const Figures& figures;
    const Take* take;
    const Controls& controls;
    const std::vector<std::string>& timers; ///< that end its rest
};

JobTiming jobTiming(const TimingContext& context, const Job& root) {
    const auto& [part, figures, take, controls, timers] = context;
    JobTiming timing;
    if (root.isRandom || root.by == "outside") {
        timing.isSaid = !root.by.empty();
        return timing;
    }
    timing.by = root.by;
    timing.isSaid = !root.by.empty();
    if (take == nullptr) {
        return timing;
    }
    if (!timing.isSaid) {
        if (timers.size() != 1) {
            return timing;
        }
        timing.by = timers.front();
    }
    const auto peripheral = part.findPeripheral(timing.by);
    const auto node = peripheral ? clockOf(part, controls, *peripheral) : std::nullopt;
    if (!node || !figures.lines[*node].hertz) {
        timing.unknown = phrase("unknown: the clock of {}", timing.by);
        return timing;
    }
    const LineFigure& line = figures.lines[*node];
    const Clock clock = overTime({line.id, *line.hertz, line.unknown, line.overLong, line.strayTime}, root.every);
    const Bounds& hertz = clock.hertz;
    timing.source = chainOf(part, controls, *node).back();
    timing.stretch = inverse(hertz, hertz.nominal);
    timing.unknown = figures.lines[*node].unknown;
    return timing;
}

} // namespace

std::vector<JobTiming> jobTimings(const Part& part, const Plan& plan, const Figures& figures,
                                  const std::vector<const Job*>& jobs) {
    const JobRoots roots(plan);
    const Take* take = findTake(plan, figures.take);
    Diagnostics ignored;
    const Controls controls = take == nullptr ? Controls() : resolveControls(part, *take, ignored);
    const auto mode = take == nullptr ? std::nullopt : part.findMode(take->restsIn);
    const auto timers =
        mode && !part.modes[*mode].runs ? timersThatWake(part, figures, part.modes[*mode]) : std::vector<std::string>();
    const TimingContext context{part, figures, take, controls, timers};
    std::vector<JobTiming> timings;
    for (const Job* job : jobs) {
        timings.push_back(jobTiming(context, roots.of(*job)));
    }
    return timings;
}

} // namespace wisetick
