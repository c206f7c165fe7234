#pragma once

#include "base/diagnostic.h"
#include "plan/plan.h"

#include <tl/expected.hpp>

#include <string>
#include <string_view>

namespace wisetick {

/// Reads a job as a line: "report: every 10 min for 4.4 s, draws 21 mA, uses uart1". A name and a colon; how often it comes:
/// `every`, `about` (by chance, on average) or `after` another job; `from` (its phase), `late up to` (its jitter), `by` (what
/// times it); `for` a time or so many cycles, `done within`; `draws`, `brings`; `in take`, `in mode`; `uses`. The error points at
/// the word that is wrong. Whether takes, modes, jobs and peripherals exist is not checked here.
tl::expected<Job, TextError> readJobLine(std::string_view text);

/// The canonical form; reading it gives the same job.
std::string printJobLine(const Job& job);

/// How often and how long: "every 10 min for 20 ms".
std::string printJobPace(const Job& job);

/// The line without the name: "every 10 min for 4.4 s, draws 21 mA".
std::string printJobClauses(const Job& job);

} // namespace wisetick
