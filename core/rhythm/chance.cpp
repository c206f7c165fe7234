#include "rhythm/chance.h"

#include "rhythm/battery.h"

#include <algorithm>
#include <atomic>
#include <cmath>
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

/// The life in s at the nominal temperature for an average current in A, as addLife has it.
std::optional<double> lifeFor(double average, const Part& part, const Plan& plan, const Figures& figures) {
    const auto& battery = plan.board.battery;
    if (!battery) {
        return std::nullopt;
    }
    RhythmFigure figure;
    Diagnostics ignored;
    const std::size_t points = figures.grid.celsius.size();
    const std::vector<Rational> amperes(points, quantised(average, powerOfTen(-12)));
    const RhythmFigure& played = *figures.rhythm;
    addLife(part, plan.board, figures.grid,
            {amperes, amperes, played.peak.value_or(Bounds::exactly(0)), played.brings.value_or(Rational(0))}, figure, ignored);
    return figure.life ? std::optional(figure.life->nominal.toDouble()) : std::nullopt;
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
            double charge = 0;
            for (std::size_t i = 0; i < play.amperes.size(); ++i) {
                charge += times[i] * play.amperes[i];
            }
            averages[static_cast<std::size_t>(seed)] = times.back() > 0 ? charge / times.back() : 0;
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
        const auto shortest = lifeFor(figure.average.high, part, plan, figures);
        const auto middle = lifeFor(figure.average.middle, part, plan, figures);
        const auto longest = lifeFor(figure.average.low, part, plan, figures);
        if (shortest && middle && longest) {
            figure.life = ChanceBand{*shortest, *middle, *longest};
        }
    }
    return figure;
}

} // namespace wisetick
