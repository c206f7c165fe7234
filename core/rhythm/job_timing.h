#pragma once

#include "derive/figures.h"
#include "plan/plan.h"

#include <optional>
#include <string>
#include <unordered_map>
#include <vector>

namespace wisetick {

/// What times a job: what the plan says (`by`), of one that follows another what times that; else the one timer that ends the
/// rest of the figures' take, if just one that is in use does, and from outside where none or several do. Its intervals stretch
/// as the timer's clock is slow.
std::vector<JobTiming> jobTimings(const Part& part, const Plan& plan, const Figures& figures,
                                  const std::vector<const Job*>& jobs);

/// How the intervals of all that comes by its period stretch; nothing where not all of it is timed by the same. `timings` of the
/// jobs, in their order.
std::optional<Bounds> commonStretch(const std::vector<const Job*>& jobs, const std::vector<JobTiming>& timings);

/// The jobs at the head of those that follow one another.
class JobRoots {
public:
    explicit JobRoots(const Plan& plan);
    const Job& of(const Job& job) const;

private:
    std::unordered_map<std::string, const Job*> roots_;
};

} // namespace wisetick
