// How long the core's stages take on the shipped example. Quote the median of --benchmark_repetitions=9.

#include "evaluate/evaluate.h"
#include "files/shelf.h"
#include "promise/timer.h"
#include "promise/uart.h"

#include <benchmark/benchmark.h>

#include <cstdlib>
#include <iostream>

namespace {

using namespace wisetick;

const std::string kSource = WISETICK_SOURCE_DIR;

const LoadedPlan& orchard() {
    static const LoadedPlan loaded = loadPlan(kSource + "/examples/orchard-sprayer.plan.toml", {kSource + "/parts"});
    if (!loaded.plan || !loaded.part) {
        std::cerr << "the example can't be read\n";
        std::abort();
    }
    return loaded;
}

Clock clockAt(std::int64_t hertz) {
    const Rational rate = hertz;
    return {"bus", {rate * Rational(999960, 1000000), rate, rate * Rational(1000040, 1000000)}, {}};
}

void readExample(benchmark::State& state) {
    for (auto _ : state) {
        benchmark::DoNotOptimize(loadPlan(kSource + "/examples/orchard-sprayer.plan.toml", {kSource + "/parts"}));
    }
}

const LoadedPlan& largest() {
    static const LoadedPlan loaded = loadPlan(kSource + "/examples/spindle-balancer.plan.toml", {kSource + "/parts"});
    return loaded;
}

/// The largest shipped plan: 122 lines, 60 peripherals, 25 promises.
void deriveLargest(benchmark::State& state) {
    for (auto _ : state) {
        benchmark::DoNotOptimize(derive(*largest().part, *largest().plan, "full"));
    }
}
BENCHMARK(deriveLargest)->Unit(benchmark::kMicrosecond);

void deriveExample(benchmark::State& state) {
    for (auto _ : state) {
        benchmark::DoNotOptimize(derive(*orchard().part, *orchard().plan, "A"));
    }
}

void evaluateExample(benchmark::State& state) {
    for (auto _ : state) {
        benchmark::DoNotOptimize(evaluate(*orchard().part, *orchard().plan, "A"));
    }
}

void uartBestWay(benchmark::State& state) {
    const UartKind uart{{{16, FactorSet::range(1, 4095, Rational(1, 16))}, {8, FactorSet::range(1, 4095, Rational(1, 16))}}};
    const TalksAsk ask{921600, {}, {}};
    const Clock clock = clockAt(40000000);
    for (auto _ : state) {
        benchmark::DoNotOptimize(judgeUart({}, uart, ask, clock));
    }
}

/// The worst case for the search: 16 bits each, and no setting is exact.
void timerBestWay(benchmark::State& state) {
    const TimerKind timer{16, FactorSet::range(1, 65536), FactorSet::range(1, 65536), TimerStyle::reload};
    const FiresAsk ask{Rational(7919 * 7907, 1000000), {}};
    const Clock clock = clockAt(1000000);
    for (auto _ : state) {
        benchmark::DoNotOptimize(judgeTimer({}, timer, ask, clock));
    }
}

void timerAllWays(benchmark::State& state) {
    const TimerKind timer{16, FactorSet::range(1, 65536), FactorSet::range(1, 65536), TimerStyle::reload};
    const FiresAsk ask{Rational(1, 1000), {}};
    const Clock clock = clockAt(80000000);
    for (auto _ : state) {
        benchmark::DoNotOptimize(timerWays(timer, ask, clock));
    }
}

BENCHMARK(readExample)->Unit(benchmark::kMicrosecond);
BENCHMARK(deriveExample)->Unit(benchmark::kMicrosecond);
BENCHMARK(evaluateExample)->Unit(benchmark::kMicrosecond);
BENCHMARK(uartBestWay)->Unit(benchmark::kMicrosecond);
BENCHMARK(timerBestWay)->Unit(benchmark::kMicrosecond);
BENCHMARK(timerAllWays)->Unit(benchmark::kMicrosecond);

} // namespace

BENCHMARK_MAIN();
