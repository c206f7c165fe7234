#pragma once

#include "derive/figures.h"
#include "plan/plan.h"

#include <deque>
#include <map>
#include <string>
#include <vector>

namespace wisetick {

/// The takes of a plan as its jobs find them: what only a job uses is on, and draws, while that job goes on alone. A take with
/// what one job uses is a variant of it, which is changed to and woken into like a take; jobs that use nothing more share the
/// plain one.
class JobVariants {
public:
    /// `derived`: the figures of all takes that jobs run in, and of `take`, which is meant. It must live as long as this.
    JobVariants(const Part& part, const Plan& plan, const std::string& take, const std::map<std::string, Figures>& derived);
    JobVariants(const Part& part, const Plan& plan, const std::string& take, std::map<std::string, Figures>&& derived) = delete;
    JobVariants(const JobVariants&) = delete;
    JobVariants& operator=(const JobVariants&) = delete;

    /// The take that is meant comes first, with nothing that only a job uses.
    const std::vector<const Figures*>& figures() const { return figures_; }
    /// The variant that a job runs in.
    std::size_t of(const Job& job) const;
    /// "take B", or "job send" of a variant of its own; an empty text where there is only one.
    Text nameOf(std::size_t variant) const;

private:
    /// A take as it is when the job's uses are on, or nothing that only jobs use.
    const Figures* made(const Part& part, const Plan& plan, const Figures& take, const Job* job);

    std::deque<Figures> made_;
    std::vector<const Figures*> figures_;
    std::vector<std::string> jobs_; ///< by variant: whose it is; empty of a plain take
    std::map<std::string, std::size_t> byJob_;
};

} // namespace wisetick
