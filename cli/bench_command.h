#pragma once

#include "bench_lines.h"
#include "commands.h"

namespace wisetick::cli {

struct BenchOptions {
    std::string capture;
    std::string sample;       ///< between two rows of a table without times
    bool isExplained = false; ///< what explains it, the best first
    LineWishes lines;
};

/// A capture against a plan: each promise that shows in it, as measured and as predicted. kBroken where one is measured broken;
/// kBadInput where the capture can't be read or shows nothing of the plan.
int runBench(const Console& console, const PlanOptions& options, const BenchOptions& bench);

} // namespace wisetick::cli
