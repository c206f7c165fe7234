#pragma once

#include "rhythm/timeline.h"

#include <algorithm>
#include <optional>
#include <type_traits>
#include <utility>
#include <vector>

namespace wisetick {

/// What went on in one period.
template <class Time>
struct PeriodSums {
    std::vector<Time> jobs;
    std::vector<Time> stages;
    std::vector<Time> restoring;
    std::vector<Time> waiting;
    Time resting{};
    Time longestRest{};
    std::int64_t wakeUps = 0;
    std::int64_t runs = 0;
    std::vector<std::optional<std::pair<Time, Time>>> intervals; ///< by job: shortest, longest

    PeriodSums(std::size_t jobCount, std::size_t takes)
        : jobs(jobCount, Time{}), stages(takes, Time{}), restoring(takes, Time{}), waiting(takes, Time{}), intervals(jobCount) {}

    void addInterval(std::size_t job, const Time& time) {
        auto& interval = intervals[job];
        interval =
            interval ? std::pair(std::min(interval->first, time), std::max(interval->second, time)) : std::pair(time, time);
    }

    bool hasIdle() const {
        return !(resting == Time{}) ||
               std::any_of(waiting.begin(), waiting.end(), [](const Time& time) { return !(time == Time{}); });
    }

    Time& of(Doing doing, std::size_t which) {
        switch (doing) {
        case Doing::stages: return stages[which];
        case Doing::restoring: return restoring[which];
        case Doing::waiting: return waiting[which];
        case Doing::job: return jobs[which];
        case Doing::resting: break;
        }
        return resting;
    }

    void add(const PeriodSums& other) {
        const auto addAll = [](std::vector<Time>& to, const std::vector<Time>& from) {
            for (std::size_t i = 0; i < to.size(); ++i) {
                to[i] += from[i];
            }
        };
        addAll(jobs, other.jobs);
        addAll(stages, other.stages);
        addAll(restoring, other.restoring);
        addAll(waiting, other.waiting);
        resting += other.resting;
        longestRest = std::max(longestRest, other.longestRest);
        wakeUps += other.wakeUps;
        runs += other.runs;
        for (std::size_t i = 0; i < intervals.size(); ++i) {
            if (other.intervals[i]) {
                addInterval(i, other.intervals[i]->first);
                addInterval(i, other.intervals[i]->second);
            }
        }
    }
};

/// Adds up what goes on, period by period, in the first 501: a run that lasts for ever reaches far beyond those that are played.
template <class Time>
struct PeriodSink {
    static constexpr std::size_t kMostPeriods = 500;

    Time width;
    std::size_t jobs;
    std::size_t takes;
    std::size_t base = 0;                       ///< the period in which the times begin
    Time origin{};                              ///< where the play began, in the times as they are told now
    std::vector<std::optional<Time>> last = {}; ///< by job, when it began last, from the beginning of the play
    std::vector<PeriodSums<Time>> periods = {};
    PeriodSums<Time> beyond = PeriodSums<Time>(jobs, takes); ///< what lies behind them; never looked at

    std::size_t indexOf(const Time& time) const {
        if constexpr (std::is_same_v<Time, Rational>) {
            const auto whole = (time / width).floor().toInt64();
            return whole && *whole < static_cast<std::int64_t>(kMostPeriods) ? base + static_cast<std::size_t>(*whole)
                                                                             : base + kMostPeriods + 1;
        } else {
            return base + static_cast<std::size_t>(time / width);
        }
    }
    PeriodSums<Time>& at(std::size_t index) {
        if (index > kMostPeriods) {
            return beyond;
        }
        while (periods.size() <= index) {
            periods.emplace_back(jobs, takes);
        }
        return periods[index];
    }

    void spent(Doing doing, std::size_t which, const Time& from, const Time& to) {
        Time low = from;
        for (std::size_t index = indexOf(from); low < to && index <= kMostPeriods; ++index) {
            const Time end = std::min(to, Time(width * Time(static_cast<std::int64_t>(index - base + 1))));
            at(index).of(doing, which) += end - low;
            low = end;
        }
    }
    void rested(const Time& from, const Time& to) {
        ++at(indexOf(to)).wakeUps;
        Time& longest = at(indexOf(from)).longestRest; // one that began before may still show how the play began
        longest = std::max(longest, Time(to - from));
    }
    void began(std::size_t job, const Time& when) {
        PeriodSums<Time>& sums = at(indexOf(when));
        ++sums.runs;
        const Time since = Time(when - origin);
        if (last.size() <= job) {
            last.resize(jobs);
        }
        if (last[job]) {
            sums.addInterval(job, Time(since - *last[job]));
        }
        last[job] = since;
    }
    /// The times that follow are told from one period later on.
    void rebase() {
        ++base;
        origin -= width;
    }
};

} // namespace wisetick
