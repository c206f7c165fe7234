#pragma once

#include "plan/plan.h"
#include "plan/promise_line.h"

namespace wisetick {

/// Round values that would be exact at the clock as it is set, for a line whose text ends where its value is to stand ("uart1
/// talks ", "timer2 fires every "): each the whole rest of a line that reads. Empty where no value is to stand there, or where
/// the verb has no exactness. Each is derived in full.
std::vector<std::string> exactValues(const Part& part, const Plan& plan, const std::string& take, std::string_view text);

} // namespace wisetick
