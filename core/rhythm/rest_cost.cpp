#include "rhythm/rest_cost.h"

#include <algorithm>

namespace wisetick {

namespace {

/// The charge of a rest, with its wake-up.
Rational chargeOf(const RestCost& cost, const Rational& rest) {
    return cost.charge + cost.ampere * rest;
}

} // namespace

StageCharge stageCharge(const TemperatureGrid& grid, const ModeFigure& rest, const ModeFigure& woken) {
    const std::size_t points = grid.celsius.size();
    StageCharge charge{std::vector<Rational>(points), std::vector<Rational>(points)};
    if (!woken.wakeUp) {
        return charge;
    }
    const WakeUpFigure& wake = *woken.wakeUp;
    for (std::size_t point = 0; point < points; ++point) {
        charge.typ[point] = wake.firstInstruction.nominal * rest.current.typ[point];
        charge.max[point] = wake.firstInstruction.max * rest.current.max[point];
    }
    for (std::size_t i = 0; i < woken.stageDraws.size(); ++i) {
        const Contribution& draw = woken.stageDraws[i];
        const WakePiece& piece = wake.pieces[i];
        const std::vector<Rational>& most = draw.max.empty() ? draw.typ : draw.max;
        for (std::size_t point = 0; point < draw.typ.size(); ++point) {
            charge.typ[point] += (piece.endTyp - piece.startTyp) * draw.typ[point];
        }
        for (std::size_t point = 0; point < most.size(); ++point) {
            charge.max[point] += (piece.endMax - piece.startMax) * most[point];
        }
    }
    return charge;
}

namespace {

RateOf rateOfLines(const Figures& figures) {
    return [&figures](NodeIndex node) { return figures.lines[node].hertz.value_or(Bounds::exactly(0)); };
}

} // namespace

CurrentFigure startUpCurrent(const Part& part, const Figures& woken, std::size_t mode) {
    const ModeFigure& run = woken.modes[part.runMode()];
    const auto source = woken.modes[mode].wakesOn;
    if (!source || !woken.lines[*source].hertz || run.current.contributions.empty()) {
        return run.current;
    }
    std::vector<Contribution> list = run.current.contributions;
    const Contribution& base = list.front(); // the mode's own draw
    list.front() = contributionOf(base.name, base.target, drawIn(part.modes[part.runMode()].draws, part.findTier(woken.tier)),
                                  *woken.lines[*source].hertz, woken.grid, rateOfLines(woken));
    const std::vector<Contribution>& resting = woken.modes[mode].current.contributions;
    for (Contribution& each : list) {
        const bool goesOn =
            std::any_of(resting.begin(), resting.end(), [&](const Contribution& other) { return other.target == each.target; });
        if (each.target.is(Target::Room::peripheral) && !goesOn) {
            each.typ.assign(each.typ.size(), Rational(0));
        }
    }
    return sumOf(std::move(list), woken.grid);
}

RestCost restCost(const TemperatureGrid& grid, const ModeFigure& rest, const ModeFigure& woken, const CurrentFigure& startUp) {
    RestCost cost;
    cost.mode = rest.id;
    cost.ampere = rest.current.typ[grid.nominal];
    cost.unknown = rest.current.unknown;
    if (!woken.wakeUp) {
        return cost;
    }
    const Rational restore = woken.wakeUp->restored.nominal - woken.wakeUp->firstInstruction.nominal;
    cost.charge = restore * startUp.typ[grid.nominal] + stageCharge(grid, rest, woken).typ[grid.nominal];
    cost.length = woken.wakeUp->restored.nominal;
    if (cost.unknown.empty()) {
        cost.unknown = woken.wakeUp->unknown;
    }
    return cost;
}

std::vector<RestCost> restCosts(const Part& part, const Figures& figures) {
    std::vector<RestCost> costs;
    for (std::size_t mode = 0; mode < figures.modes.size(); ++mode) {
        costs.push_back(restCost(figures.grid, figures.modes[mode], figures.modes[mode], startUpCurrent(part, figures, mode)));
    }
    return costs;
}

std::optional<Rational> breakEven(const RestCost& shallow, const RestCost& deep) {
    const Rational saved = shallow.ampere - deep.ampere;
    if (saved.sign() <= 0) {
        return std::nullopt;
    }
    return std::max((deep.charge - shallow.charge) / saved, Rational(0));
}

std::vector<BestRest> bestRests(const std::vector<RestCost>& costs) {
    // the choice can only change where two modes cost the same, or where a wake-up begins to fit
    std::vector<Rational> points{0};
    for (const RestCost& one : costs) {
        points.push_back(one.length);
        for (const RestCost& other : costs) {
            const auto even = breakEven(one, other);
            if (even) {
                points.push_back(*even);
            }
        }
    }
    std::sort(points.begin(), points.end());
    points.erase(std::unique(points.begin(), points.end()), points.end());
    std::vector<BestRest> best;
    for (std::size_t i = 0; i < points.size(); ++i) {
        const Rational at = i + 1 < points.size() ? (points[i] + points[i + 1]) / 2 : points[i] * 2 + 1; // within the piece
        const RestCost* least = nullptr;
        for (const RestCost& cost : costs) {
            if (cost.length <= at && (least == nullptr || chargeOf(cost, at) < chargeOf(*least, at))) {
                least = &cost;
            }
        }
        if (least != nullptr && (best.empty() || best.back().mode != least->mode)) {
            best.push_back({points[i], least->mode});
        }
    }
    return best;
}

std::vector<JobRest> jobRests(const Part& part, const Plan& plan, const Figures& figures, const std::vector<BestRest>& best) {
    std::vector<JobRest> rests;
    const auto& core = figures.lines[part.core].hertz;
    for (const Job& job : plan.jobs) {
        if (!job.after.empty() || !job.brings.isZero() || (!job.lasts && !core)) {
            continue;
        }
        const Rational lasts = job.lasts ? *job.lasts : *job.cycles / core->nominal;
        const Rational rest = std::max(job.every - lasts, Rational(0));
        std::string mode;
        for (const BestRest& each : best) {
            mode = each.from <= rest ? each.mode : mode;
        }
        rests.push_back({job.name, rest, mode});
    }
    return rests;
}

} // namespace wisetick
