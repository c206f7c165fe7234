#include "rhythm/rare_jobs.h"

#include <algorithm>
#include <utility>

namespace wisetick {

std::vector<TimelineJob> RareJobs::withoutRare(const std::vector<TimelineJob>& jobs) const {
    std::vector<TimelineJob> left;
    std::vector<std::size_t> places(jobs.size());
    for (std::size_t i = 0; i < jobs.size(); ++i) {
        places[i] = left.size();
        if (!isRare(i)) {
            left.push_back(jobs[i]);
        }
    }
    for (TimelineJob& job : left) {
        if (job.after) {
            job.after = places[*job.after];
        }
    }
    return left;
}

Rational RareJobs::runsPerSecond(const std::vector<TimelineJob>& jobs) {
    Rational perSecond = 0;
    for (const std::size_t root : rootsOf(jobs)) {
        perSecond = shortened(perSecond + 1 / jobs[root].every, Rounding::up);
    }
    return perSecond;
}

namespace {

/// Runs of all jobs in a common period of theirs.
Rational runsIn(const std::vector<TimelineJob>& jobs, const Rational& whole) {
    Rational runs = 0;
    for (const std::size_t root : rootsOf(jobs)) {
        runs += whole / jobs[root].every;
    }
    return runs;
}

} // namespace

Rational RareJobs::spanOf(const std::vector<TimelineJob>& jobs, bool hasChance, bool& isCut) const {
    constexpr int kDigits = 4;
    const Rational perSecond = runsPerSecond(jobs);
    isCut = false;
    if (hasChance) {
        return Rational(kChanceRuns) / perSecond; // by chance it is counted in nanoseconds
    }
    const auto whole = hyperperiod(jobs);
    if (whole && runsIn(jobs, *whole) <= kMostRuns) {
        return *whole;
    }
    isCut = true;
    return roundDown(Rational(kMostRuns) / perSecond, kDigits);
}

Rational RareJobs::splitRare(const std::vector<TimelineJob>& jobs, bool hasChance) {
    const std::vector<std::size_t> roots = rootsOf(jobs);
    for (;;) {
        const std::vector<TimelineJob> left = withoutRare(jobs);
        const Rational span = spanOf(left, hasChance, isCut_);
        const std::size_t before = rare_.size();
        for (std::size_t i = 0; i < jobs.size() && (isCut_ || hasChance); ++i) {
            const bool isLast = rareLanes_.size() + 1 >= jobs.size();
            if (jobs[i].after || isRare(i) || isLast || jobs[i].every * kLeastRuns <= span) {
                continue;
            }
            RareRun rare{i, {}, jobs[i].every, jobs[i].isRandom};
            for (std::size_t j = 0; j < jobs.size(); ++j) {
                if (roots[j] == i) {
                    rare.lanes.push_back(j);
                    rareLanes_.insert(j);
                }
            }
            rare_.push_back(std::move(rare));
        }
        if (rare_.size() == before) {
            return span;
        }
    }
}

RareCost RareJobs::costOf(const RareRun& rare, const std::vector<TimelineJob>& jobs, const std::vector<TimelineTake>& takes,
                          std::vector<Rational> Slot::*ampere) const {
    RareCost cost;
    cost.charge.assign(points_, Rational(0));
    const auto spend = [&](Doing doing, std::size_t which, const Rational& time) {
        const auto index = static_cast<std::size_t>(&slotOf(slots_, doing, which) - slots_.data());
        cost.times.emplace_back(index, time);
        cost.awake += time;
    };
    std::size_t take = jobs[rare.root].take;
    if (mayRest_) {
        spend(Doing::stages, take, takes[take].stages);
        spend(Doing::restoring, take, takes[take].restore);
    }
    for (const std::size_t lane : rare.lanes) {
        if (jobs[lane].take != take) {
            spend(Doing::restoring, jobs[lane].take, takes[jobs[lane].take].changeFrom[take]);
            take = jobs[lane].take;
        }
        spend(Doing::job, lane, jobs[lane].lasts);
    }
    const Slot& idle = mayRest_ ? slots_.front() : slotOf(slots_, Doing::waiting, 0);
    for (std::size_t point = 0; point < cost.charge.size(); ++point) {
        for (const auto& [slot, time] : cost.times) {
            if (point < (slots_[slot].*ampere).size() && point < (idle.*ampere).size()) {
                cost.charge[point] += time * ((slots_[slot].*ampere)[point] - (idle.*ampere)[point]);
            }
        }
    }
    return cost;
}

void RareJobs::addRare(const std::vector<TimelineJob>& jobs, const std::vector<TimelineTake>& takes, const PlayedSpan& played,
                       Rational Slot::*time) {
    const bool isTypical = time == &Slot::timeTyp;
    const Rounding side = isTypical ? Rounding::nearest : Rounding::up;
    for (const RareRun& rare : rare_) {
        const RareCost cost = costOf(rare, jobs, takes, isTypical ? &Slot::typ : &Slot::max);
        const Rational runs = shortened(played.seconds / rare.every, side);
        for (const auto& [slot, lasts] : cost.times) {
            slots_[slot].*time = shortened(slots_[slot].*time + lasts * runs, side);
        }
        takeIdle(slots_, cost.awake * runs, time);
        const std::size_t take = jobs[rare.root].take;
        if (!mayRest_) {
            continue;
        }
        // after it the core may wait where it would have rested: no longer than a rest must be to pay
        const Rational waits = takes[take].leastRest * runs;
        if (!isTypical) {
            Slot& waiting = slotOf(slots_, Doing::waiting, take);
            waiting.*time = shortened(waiting.*time + waits, side);
            takeIdle(slots_, waits, time);
            continue;
        }
        // and it may spare its own wake-up, and those of what is due while it goes on
        const Rational spared = 1 + cost.awake * Rational(played.wakeUps) / played.seconds;
        const Slot& stages = slotOf(slots_, Doing::stages, take);
        const Slot& starting = slotOf(slots_, Doing::restoring, take);
        for (std::size_t point = 0; point < stages.typ.size() && point < starting.typ.size(); ++point) {
            spare(point,
                  spared * (takes[take].stages * stages.typ[point] + takes[take].restore * starting.typ[point]) / rare.every);
        }
    }
}

void RareJobs::evenOut(const std::vector<TimelineJob>& jobs, const Rational& span, Rational Slot::*time) {
    const std::vector<std::size_t> roots = rootsOf(jobs);
    for (Slot& slot : slots_) {
        if (slot.doing != Doing::job || isRare(slot.which)) {
            continue;
        }
        const Rational mean = shortened(jobs[slot.which].lasts * span / jobs[roots[slot.which]].every,
                                        time == &Slot::timeMax ? Rounding::up : Rounding::nearest);
        Slot& idle = mayRest_ ? slots_.front() : slotOf(slots_, Doing::waiting, 0);
        if (idle.*time >= mean - slot.*time) {
            idle.*time = shortened(idle.*time - (mean - slot.*time), Rounding::nearest);
            slot.*time = mean;
        }
    }
}

void RareJobs::boundCut(const std::vector<TimelineJob>& jobs, const std::vector<TimelineTake>& takes, const Rational& span,
                        bool isSliding) {
    if (!(isCut_ || isSliding) || !mayRest_) {
        return;
    }
    std::vector<Rational> runs(takes.size());
    const std::vector<std::size_t> roots = rootsOf(jobs);
    for (std::size_t lane = 0; lane < jobs.size(); ++lane) {
        if (!isRare(lane)) {
            Rational& all = runs[jobs[lane].take];
            all = shortened(all + span / jobs[roots[lane]].every, Rounding::up);
        }
    }
    for (std::size_t take = 0; take < takes.size(); ++take) {
        for (const auto& [doing, lasts] :
             {std::pair(Doing::stages, takes[take].stages), std::pair(Doing::restoring, takes[take].restore),
              std::pair(Doing::waiting, takes[take].leastRest)}) {
            Slot& slot = slotOf(slots_, doing, take);
            const Rational most = std::max(slot.timeMax, lasts * runs[take]);
            takeIdle(slots_, most - slot.timeMax, &Slot::timeMax);
            slot.timeMax = most;
        }
    }
}

void RareJobs::boundUnsure(const GapBounds& gaps, const std::vector<TimelineTake>& takes, const Rational& played,
                           std::size_t nominal) {
    const Slot& idle = slots_.front();
    for (std::size_t take = 0; take < takes.size() && mayRest_; ++take) {
        if (gaps.unsure[take] == 0) {
            continue;
        }
        const Rational times = played / gaps.span * gaps.unsure[take];
        const std::pair<Doing, Rational> waking[] = {{Doing::stages, takes[take].stages},
                                                     {Doing::restoring, takes[take].restore}};
        const auto above = [&](Doing doing, std::size_t point, std::vector<Rational> Slot::*ampere) {
            return std::max((slotOf(slots_, doing, take).*ampere)[point] - (idle.*ampere)[point], Rational(0));
        };
        const auto wakes = [&](std::size_t point, std::vector<Rational> Slot::*ampere) {
            return waking[0].second * above(Doing::stages, point, ampere) +
                   waking[1].second * above(Doing::restoring, point, ampere);
        };
        const auto waits = [&](std::size_t point, std::vector<Rational> Slot::*ampere) {
            return takes[take].leastRest * above(Doing::waiting, point, ampere);
        };
        for (std::size_t point = 0; point < points_; ++point) {
            spare(point, times * std::max(wakes(point, &Slot::typ), waits(point, &Slot::typ)) / played);
        }
        const auto add = [&](Doing doing, const Rational& lasts) {
            takeIdle(slots_, times * lasts, &Slot::timeMax);
            slotOf(slots_, doing, take).timeMax += times * lasts;
        };
        if (wakes(nominal, &Slot::max) < waits(nominal, &Slot::max)) {
            add(Doing::waiting, takes[take].leastRest);
            continue;
        }
        for (const auto& [doing, lasts] : waking) {
            add(doing, lasts);
        }
    }
}

} // namespace wisetick
