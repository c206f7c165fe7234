#pragma once

#include "rhythm/play.h"

#include <functional>

namespace wisetick {

/// Where 90 % of the plays lie, and their middle.
struct ChanceBand {
    double low = 0;    ///< 5 % are below
    double middle = 0; ///< half are below
    double high = 0;   ///< 5 % are above
};

/// How far plays by chance differ, typical at the nominal temperature.
struct ChanceFigure {
    ChanceBand average;             ///< A
    std::optional<ChanceBand> life; ///< s
    std::int64_t seeds = 0;
    std::int64_t runs = 0; ///< of jobs, in each
};

/// How much is played, and on how many threads.
struct ChanceSize {
    std::int64_t seeds = 1000;
    std::int64_t runs = 10000;
    unsigned threads = 2;
};

/// Plays the jobs once for each seed from 1 on. `goOn` hears from one of the threads how many are done and says whether to go on;
/// nothing comes of it where it says no, which ends it within one play. Throws whatever `goOn` throws, from the calling thread.
std::optional<ChanceFigure> playByChance(const ChancePlay& play, const Part& part, const Plan& plan, const Figures& figures,
                                         const ChanceSize& size, const std::function<bool(std::int64_t)>& goOn);

} // namespace wisetick
