#pragma once

#include "plan/plan.h"

namespace wisetick {

/// Edits of a plan's takes. Each gives an empty text, or why it can't be done; the plan is unchanged then.

/// The first of "A", "B", … "Z", "take 27", … that no take has.
std::string freeTakeName(const Plan& plan);

/// A take that stands at the part's reset, after all others.
std::string addTake(Plan& plan, const std::string& name);

/// A copy right after the original.
std::string copyTake(Plan& plan, const std::string& name, const std::string& copy);

/// Jobs that run in it, and the active one, follow.
std::string renameTake(Plan& plan, const std::string& name, const std::string& by);

/// Not the last one, and none in which a job runs. If it was active, its neighbour becomes so.
std::string deleteTake(Plan& plan, const std::string& name);

/// One place up (−1) or down (+1); nothing happens at an end.
void moveTake(Plan& plan, const std::string& name, int by);

} // namespace wisetick
