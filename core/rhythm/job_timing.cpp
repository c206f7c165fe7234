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

const Job& rootOf(const Plan& plan, const Job& job) {
    const Job* root = &job;
    for (std::size_t steps = 0; !root->after.empty() && steps < plan.jobs.size(); ++steps) {
        const auto found =
            std::find_if(plan.jobs.begin(), plan.jobs.end(), [&](const Job& each) { return each.name == root->after; });
        if (found == plan.jobs.end()) {
            break;
        }
        root = &*found;
    }
    return *root;
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

JobTiming jobTiming(const Part& part, const Plan& plan, const Figures& figures, const Job& job) {
    JobTiming timing;
    const Job& root = rootOf(plan, job);
    if (root.isRandom || root.by == "outside") {
        timing.isSaid = !root.by.empty();
        return timing;
    }
    timing.by = root.by;
    timing.isSaid = !root.by.empty();
    const Take* take = findTake(plan, figures.take);
    if (take == nullptr) {
        return timing;
    }
    if (!timing.isSaid) {
        const auto mode = part.findMode(take->restsIn);
        const auto timers =
            mode && !part.modes[*mode].runs ? timersThatWake(part, figures, part.modes[*mode]) : std::vector<std::string>();
        if (timers.size() != 1) {
            return timing;
        }
        timing.by = timers.front();
    }
    Diagnostics ignored;
    const Controls controls = resolveControls(part, *take, ignored);
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

} // namespace wisetick
