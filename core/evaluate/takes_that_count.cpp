#include "evaluate/takes_that_count.h"

#include "derive/demand.h"

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

} // namespace wisetick
