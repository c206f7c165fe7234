#include "rhythm/job_variants.h"

#include "base/text.h"
#include "derive/demand.h"
#include "derive/modes.h"

#include <algorithm>

namespace wisetick {

JobVariants::JobVariants(const Part& part, const Plan& plan, const std::string& take,
                         const std::map<std::string, Figures>& derived) {
    std::map<std::string, std::size_t> plain; // by take
    const auto addPlain = [&](const std::string& name) {
        const auto [found, isNew] = plain.emplace(name, figures_.size());
        if (isNew) {
            figures_.push_back(made(part, plan, derived.at(name), nullptr));
            jobs_.emplace_back();
        }
        return found->second;
    };
    addPlain(take);
    for (const auto& [name, figures] : derived) {
        addPlain(name);
    }
    for (const Job& job : plan.jobs) {
        const std::string& name = job.take.empty() ? plan.active : job.take;
        const std::size_t usual = derived.contains(name) ? addPlain(name) : 0;
        const bool isAskedFor = std::any_of(plan.promises.begin(), plan.promises.end(),
                                            [&](const Promise& promise) { return promise.line.whileJob == job.name; });
        const Figures* own = job.uses.empty() && !isAskedFor ? nullptr : made(part, plan, *figures_[usual], &job);
        if (own == nullptr || own == figures_[usual]) {
            byJob_[job.name] = usual;
            continue;
        }
        byJob_[job.name] = figures_.size();
        figures_.push_back(own);
        jobs_.push_back(job.name);
    }
}

std::size_t JobVariants::of(const Job& job) const {
    const auto found = byJob_.find(job.name);
    return found == byJob_.end() ? 0 : found->second;
}

Text JobVariants::nameOf(std::size_t variant) const {
    if (!jobs_[variant].empty()) {
        return phrase("job {}", jobs_[variant]);
    }
    const bool isOnlyTake =
        std::all_of(figures_.begin(), figures_.end(), [&](const Figures* each) { return each->take == figures_.front()->take; });
    return isOnlyTake ? Text() : phrase("take {}", figures_[variant]->take);
}

const Figures* JobVariants::made(const Part& part, const Plan& plan, const Figures& figures, const Job* job) {
    const Take* take = findTake(plan, figures.take);
    if (take == nullptr || figures.modes.empty()) {
        return &figures;
    }
    Diagnostics ignored;
    const Controls controls = resolveControls(part, *take, ignored);
    const Demand demand = demandOf(part, plan, *take, controls, {false, job});
    const bool isOnAlike = [&] {
        for (NodeIndex node = 0; node < figures.lines.size(); ++node) {
            if (figures.lines[node].isOn != demand.nodes[node]) {
                return false;
            }
        }
        return true;
    }();
    if (isOnAlike && (job == nullptr || demand == demandOf(part, plan, *take, controls, {false, nullptr}))) {
        return &figures;
    }
    Figures& variant = made_.emplace_back(figures);
    for (NodeIndex node = 0; node < variant.lines.size(); ++node) {
        variant.lines[node].isOn = demand.nodes[node];
    }
    if (job != nullptr) { // those of the plain one are there already
        variant.modes = modeFigures(part, plan, controls, demand, variant.lines, variant.grid);
    }
    return &variant;
}

} // namespace wisetick
