#include "evaluate/evaluate.h"

#include "base/text.h"
#include "derive/demand.h"
#include "evaluate/sleep_order.h"
#include "promise/limits.h"
#include "rhythm/play.h"

#include <algorithm>
#include <optional>

namespace wisetick {

namespace {

/// What is played is the take as the one that runs, with all jobs that name no other: an average of it has no jobs of another.
RhythmFigure playNamed(const Part& part, const Plan& plan, const Figures& figures, Diagnostics& findings, const GoOn& goOn) {
    try {
        orStop(goOn);
        const std::optional<Plan> other =
            plan.active == figures.take ? std::nullopt : std::optional(withActive(plan, figures.take));
        const Plan& running = other ? *other : plan;
        const std::map<std::string, Figures> derived = derivedTakes(part, running, figures, goOn);
        orStop(goOn);
        return play(part, running, figures.take, derived, findings, goOn);
    } catch (const RationalOverflow&) {
        RhythmFigure rhythm;
        rhythm.unknown = phrase("unknown: the average current needs more than 256 bits");
        findings.push_back({Severity::error,
                            {{}, 0, 0, "rhythm"},
                            phrase("the average current needs more than 256 bits"),
                            phrase("simpler periods and figures"),
                            {}});
        return rhythm;
    }
}

void judgePlayed(const Plan& plan, Figures& figures) {
    const RhythmFigure& rhythm = *figures.rhythm;
    for (std::size_t i = 0; i < figures.promises.size(); ++i) {
        PromiseFigure& promise = figures.promises[i];
        const Ask& ask = plan.promises[i].line.ask;
        if (promise.state == State::elsewhere) {
            continue;
        }
        if (const auto* average = ask.as<AverageAsk>()) {
            promise = judgeAverage(promise, *average, {rhythm.average, rhythm.unknown, rhythm.averageWorkings});
        } else if (const auto* lasts = ask.as<LastsAsk>()) {
            const std::string why =
                rhythm.life || !rhythm.unknown.empty() ? rhythm.unknown : phrase("the plan has no [board.battery]");
            promise = judgeLife(promise, *lasts, {rhythm.life, why, rhythm.lifeWorkings});
        } else if (promise.state == State::pending) {
            promise.state = State::broken;
            promise.why = phrase("unknown: the modes of the part");
        }
    }
}

/// What a job uses that is held off in the take that it runs in.
void addJobFindings(const Part& part, const Plan& plan, Diagnostics& findings, const GoOn& goOn) {
    std::map<const Take*, Controls> resolved;
    for (const Job& job : plan.jobs) {
        if (job.uses.empty()) {
            continue;
        }
        orStop(goOn);
        const Take* take = findTake(plan, job.take.empty() ? plan.active : job.take);
        if (take == nullptr) {
            continue;
        }
        if (!resolved.contains(take)) {
            Diagnostics ignored;
            resolved.emplace(take, resolveControls(part, *take, ignored));
        }
        const Controls& controls = resolved.at(take);
        for (const std::string& id : job.uses) {
            const auto peripheral = part.findPeripheral(id);
            const auto node = peripheral ? clockOf(part, controls, *peripheral) : part.findNode(id);
            const auto off = node ? heldOff(part, controls, *node) : std::nullopt;
            const bool isOff = peripheral && controls.peripheralOn[*peripheral] == false;
            if (isOff || off) {
                findings.push_back({Severity::error,
                                    {{}, 0, 0, "job." + job.name + ".uses"},
                                    phrase("job '{}' uses {}, and {} is switched off in take {}", job.name, id,
                                           isOff ? id : part.nodeId(*off), take->name),
                                    phrase("it on there, or the job in another take"),
                                    {}});
            }
        }
    }
}

bool hasWatchdog(const Plan& plan) {
    return std::any_of(plan.promises.begin(), plan.promises.end(),
                       [](const Promise& promise) { return promise.line.ask.is<BitesAsk>(); });
}

Figures evaluateDerived(const Part& part, const Plan& plan, Figures figures, const GoOn& goOn) {
    Diagnostics findings;
    RhythmFigure rhythm = playNamed(part, plan, figures, findings, goOn);
    if (hasWatchdog(plan)) {
        figures = derive(part, plan, figures.take, &rhythm, goOn);
    }
    figures.rhythm = std::move(rhythm);
    figures.findings.insert(figures.findings.end(), findings.begin(), findings.end());
    orStop(goOn);
    addJobFindings(part, plan, figures.findings, goOn);
    orStop(goOn);
    judgePlayed(plan, figures);
    orStop(goOn);
    const Diagnostics overlooked = sleepFindings(part, plan, figures);
    figures.findings.insert(figures.findings.end(), overlooked.begin(), overlooked.end());
    orStop(goOn);
    figures.vitals = vitalsOf(part, figures);
    return figures;
}

} // namespace

std::map<std::string, Figures> derivedTakes(const Part& part, const Plan& plan, const Figures& figures, const GoOn& goOn) {
    std::map<std::string, Figures> derived;
    derived.emplace(figures.take, figures);
    for (const Job& job : plan.jobs) {
        const std::string& name = job.take.empty() ? plan.active : job.take;
        if (!derived.contains(name) && findTake(plan, name) != nullptr) {
            derived.emplace(name, derive(part, plan, name, nullptr, goOn));
        }
    }
    return derived;
}

Figures evaluate(const Part& part, const Plan& plan, const std::string& take, const GoOn& goOn) {
    return evaluateDerived(part, plan, derive(part, plan, take, nullptr, goOn), goOn);
}
Figures evaluatePromises(const Part& part, const Plan& plan, const std::string& take) {
    Figures figures = derive(part, plan, take);
    const bool hangsOnPlay =
        hasWatchdog(plan) || std::any_of(figures.promises.begin(), figures.promises.end(),
                                         [](const PromiseFigure& promise) { return promise.state == State::pending; });
    return hangsOnPlay ? evaluateDerived(part, plan, std::move(figures), {}) : figures;
}

} // namespace wisetick
