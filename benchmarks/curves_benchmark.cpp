// How the work grows with the length of a list: 1000 and 5000 of one thing, read and evaluated. The counter "exponent" is
// log(time of 5000 ÷ time of 1000) ÷ log 5, each the least of the iterations' times: 1 is linear, 1.11 six times as long for
// five times as many. Processor time.

#include "../tests/long_lists.h"
#include "evaluate/evaluate.h"
#include "files/part_reader.h"
#include "files/plan_reader.h"

#include <benchmark/benchmark.h>

#include <algorithm>
#include <cmath>
#include <cstdlib>
#include <ctime>
#include <limits>

namespace {

using namespace wisetick;

double secondsOf(const test::LongList& list) {
    const std::clock_t before = std::clock();
    const PartFile part = readPart(list.part, "part");
    const PlanFile plan = part.part ? readPlan(list.plan, "plan", &*part.part) : PlanFile();
    if (!plan.plan) {
        std::abort(); // the lists are in order
    }
    benchmark::DoNotOptimize(evaluate(*part.part, *plan.plan, "A"));
    return static_cast<double>(std::clock() - before) / CLOCKS_PER_SEC;
}

void grows(benchmark::State& state, test::LongList (*make)(int)) {
    const test::LongList few = make(1000);
    const test::LongList many = make(5000);
    double ofFew = std::numeric_limits<double>::infinity();
    double ofMany = ofFew;
    for ([[maybe_unused]] const auto& round : state) {
        ofFew = std::min(ofFew, secondsOf(few));
        ofMany = std::min(ofMany, secondsOf(many));
    }
    state.counters["ms_of_1000"] = ofFew * 1000;
    state.counters["ms_of_5000"] = ofMany * 1000;
    state.counters["exponent"] = std::log(ofMany / ofFew) / std::log(5.0);
}

BENCHMARK_CAPTURE(grows, ports, test::manyPorts)->Iterations(5)->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(grows, promises_on_one_timer, test::manyOnOneTimer)->Iterations(5)->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(grows, lines_in_series, [](int count) { return test::inSeries(count); })
    ->Iterations(5)
    ->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(grows, muxes_in_series, [](int count) { return test::inSeries(count, true); })
    ->Iterations(5)
    ->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(grows, following_jobs, test::followingJobs)->Iterations(5)->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(grows, takes, test::manyTakes)->Iterations(5)->Unit(benchmark::kMillisecond);

} // namespace

BENCHMARK_MAIN();
