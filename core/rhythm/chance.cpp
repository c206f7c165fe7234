#include "rhythm/chance.h"

#include "rhythm/battery.h"

#include <algorithm>
#include <atomic>
#include <cmath>
#include <random>
#include <thread>

namespace wisetick {

namespace {

ChanceBand bandOf(std::vector<double> values) {
    std::sort(values.begin(), values.end());
    const auto at = [&](double share) {
        return values[static_cast<std::size_t>(std::lround(share * static_cast<double>(values.size() - 1)))];
    };
    return {at(0.05), at(0.5), at(0.95)};
}

/// The average current of one play, A, from the times of its slots (the last is the whole).
double averageOf(const ChancePlay& play, const std::vector<double>& times, std::uint64_t seed) {
    const double whole = times.back();
    if (whole <= 0) {
        return 0;
    }
    double charge = 0;
    for (std::size_t i = 0; i < play.amperes.size(); ++i) {
        charge += times[i] * play.amperes[i];
    }
    // what comes by its period does so as often as it says, wherever the play ends
    const std::size_t jobs = play.shares.size();
    const std::size_t first = play.amperes.size() - jobs;
    for (std::size_t job = 0; job < jobs; ++job) {
        if (play.shares[job] >= 0) {
            charge += (play.shares[job] * whole - times[first + job]) * (play.amperes[first + job] - play.amperes.front());
        }
    }
    std::mt19937_64 chance(seed);
    for (const ChancePlay::Rare& rare : play.rare) {
        const double mean = whole / rare.every;
        charge +=
            rare.charge * (rare.isRandom ? static_cast<double>(std::poisson_distribution<std::int64_t>(mean)(chance)) : mean);
    }
    return charge / whole;
}

} // namespace

std::optional<ChanceFigure> playByChance(const ChancePlay& play, const Part& part, const Plan& plan, const Figures& figures,
                                         const ChanceSize& size, const std::function<bool(std::int64_t)>& goOn) {
    std::vector<double> averages(static_cast<std::size_t>(size.seeds));
    std::atomic<std::int64_t> next = 0;
    std::atomic<std::int64_t> done = 0;
    std::atomic<bool> isStopped = false;
    const auto work = [&](bool tells) {
        for (std::int64_t seed = next++; seed < size.seeds && !isStopped; seed = next++) {
            const std::vector<double> times = play.timeline.chanceTotals(size.runs, static_cast<std::uint64_t>(seed) + 1);
            averages[static_cast<std::size_t>(seed)] = averageOf(play, times, static_cast<std::uint64_t>(seed) + 1);
            ++done;
            if (tells && !goOn(done)) {
                isStopped = true;
            }
        }
    };
    {
        std::vector<std::jthread> others;
        for (unsigned i = 1; i < size.threads; ++i) {
            others.emplace_back([&] { work(false); });
        }
        try {
            work(true);
        } catch (...) {
            isStopped = true;
            throw;
        }
    }
    if (isStopped || size.seeds < 1) {
        return std::nullopt;
    }
    ChanceFigure figure{bandOf(averages), std::nullopt, size.seeds, size.runs};
    if (figures.rhythm && plan.board.battery) {
        const auto lasts = [&](double average) {
            return lifeFor(quantised(average, powerOfTen(-12)), part, plan.board, figures);
        };
        const auto shortest = lasts(figure.average.high);
        const auto middle = lasts(figure.average.middle);
        const auto longest = lasts(figure.average.low);
        if (shortest && middle && longest) {
            figure.life = ChanceBand{shortest->toDouble(), middle->toDouble(), longest->toDouble()};
        }
    }
    return figure;
}

} // namespace wisetick
