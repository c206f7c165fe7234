// How long the core's stages take on the shipped example. Quote the median of --benchmark_repetitions=9.

#include "bench/explain.h"
#include "bench/sim_board.h"
#include "bench/vcd.h"
#include "derive/pins.h"
#include "derive/workings_of.h"
#include "evaluate/evaluate.h"
#include "files/part_reader.h"
#include "files/shelf.h"
#include "handover/emit.h"
#include "handover/handover_files.h"
#include "handover/report.h"
#include "promise/can.h"
#include "promise/pwm.h"
#include "promise/timer.h"
#include "promise/uart.h"
#include "rhythm/chance.h"
#include "rhythm/trace.h"

#include <benchmark/benchmark.h>

#include <cstdlib>
#include <fstream>
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

/// The largest shipped plan: 122 lines, 60 peripherals, 43 promises.
void deriveLargest(benchmark::State& state) {
    for (auto _ : state) {
        benchmark::DoNotOptimize(derive(*largest().part, *largest().plan, "full"));
    }
}
BENCHMARK(deriveLargest)->Unit(benchmark::kMicrosecond);

const std::string kMiddle = kSource + "/examples/lagoon-buoy.plan.toml";

const LoadedPlan& middle() {
    static const LoadedPlan loaded = loadPlan(kMiddle, {kSource + "/parts"});
    return loaded;
}

/// A part of the middle class: 20 promises over four takes, of which one is derived.
void deriveMiddle(benchmark::State& state) {
    for (auto _ : state) {
        benchmark::DoNotOptimize(derive(*middle().part, *middle().plan, "fast"));
    }
}
BENCHMARK(deriveMiddle)->Unit(benchmark::kMicrosecond);

void readParts(benchmark::State& state, const char* id) {
    const std::string path = kSource + "/parts/" + id + ".part.toml";
    std::ifstream file(path);
    const std::string text{std::istreambuf_iterator<char>(file), {}};
    for (auto _ : state) {
        benchmark::DoNotOptimize(readPart(text, path));
    }
}
BENCHMARK_CAPTURE(readParts, middle, "gorse-12")->Unit(benchmark::kMicrosecond);
BENCHMARK_CAPTURE(readParts, large, "cordgrass-60")->Unit(benchmark::kMicrosecond);

/// What a firmware gets of the largest part: the order of writing, and that as C.
void emitLargest(benchmark::State& state) {
    const Figures figures = evaluate(*largest().part, *largest().plan, largest().plan->active);
    for (auto _ : state) {
        benchmark::DoNotOptimize(emitFields(*largest().part, *largest().plan, figures, EmitForm::source));
    }
}
BENCHMARK(emitLargest)->Unit(benchmark::kMicrosecond);

/// Four files of three takes, made and held against what stands on the disk.
void handoverOfFour(benchmark::State& state) {
    for (auto _ : state) {
        benchmark::DoNotOptimize(handoverStates(*middle().part, *middle().plan, kSource + "/examples"));
    }
}
BENCHMARK(handoverOfFour)->Unit(benchmark::kMicrosecond);

/// The plan for people as HTML, without pictures.
void reportMiddle(benchmark::State& state) {
    Figures figures = evaluate(*middle().part, *middle().plan, "fast");
    addWorkings(*middle().part, *middle().plan, figures);
    for (auto _ : state) {
        benchmark::DoNotOptimize(reportHtml(reportOf(*middle().part, *middle().plan, {figures})));
    }
}
BENCHMARK(reportMiddle)->Unit(benchmark::kMicrosecond);

/// A board of the largest example, some of whose firmware is late: two tenths of a second.
Capture largestPlayed(const std::vector<BenchSignal>& predicted, const Figures& figures) {
    BoardRun run;
    run.seconds = Rational(1, 5);
    return playBoard(*largest().part, *largest().plan, figures, predicted, drawBoard(*largest().part, figures, 5), run);
}

const Figures& largestFigures() {
    static const Figures figures = evaluate(*largest().part, *largest().plan, largest().plan->active);
    return figures;
}

void playLargest(benchmark::State& state) {
    const auto predicted = benchSignals(*largest().part, *largest().plan, largestFigures());
    for (auto _ : state) {
        benchmark::DoNotOptimize(largestPlayed(predicted, largestFigures()));
    }
}
BENCHMARK(playLargest)->Unit(benchmark::kMillisecond);

/// The example plan as a board, with its current, its jobs and its ports: how many times faster than it goes in fact.
void playExample(benchmark::State& state) {
    const LoadedPlan loaded = loadPlan(kSource + "/examples/orchard-sprayer.plan.toml", {kSource + "/parts"});
    const Figures figures = evaluate(*loaded.part, *loaded.plan, loaded.plan->active);
    const auto predicted = benchSignals(*loaded.part, *loaded.plan, figures);
    BoardRun run;
    run.seconds = Rational(1, 5); // no line stops before its end
    for (auto _ : state) {
        benchmark::DoNotOptimize(
            playBoard(*loaded.part, *loaded.plan, figures, predicted, drawBoard(*loaded.part, figures, 5), run));
    }
    state.counters["times_real_time"] =
        benchmark::Counter(0.2 * static_cast<double>(state.iterations()), benchmark::Counter::kIsRate);
}
BENCHMARK(playExample)->Unit(benchmark::kMillisecond);

/// All that may be set otherwise worked out, and held against what was measured.
void explainLargest(benchmark::State& state) {
    const auto predicted = benchSignals(*largest().part, *largest().plan, largestFigures());
    const auto measured = measureSignals(largestPlayed(predicted, largestFigures()), *largest().plan, predicted);
    for (auto _ : state) {
        const auto slips = slipsOf(*largest().part, *largest().plan, largestFigures(), predicted);
        benchmark::DoNotOptimize(explain(*largest().part, largestFigures(), predicted, slips, measured, 5));
    }
}
BENCHMARK(explainLargest)->Unit(benchmark::kMillisecond);

/// A dump of many megabytes, by its bytes a second.
void readDump(benchmark::State& state) {
    const auto predicted = benchSignals(*largest().part, *largest().plan, largestFigures());
    std::string text;
    writeVcd(largestPlayed(predicted, largestFigures()), [&](std::string_view piece) { text += piece; });
    for (auto _ : state) {
        VcdReader reader("dump");
        reader.feed(text);
        benchmark::DoNotOptimize(reader.finish());
    }
    state.SetBytesProcessed(static_cast<std::int64_t>(state.iterations()) * static_cast<std::int64_t>(text.size()));
}
BENCHMARK(readDump)->Unit(benchmark::kMillisecond);

/// Sixty signals of five places each on a hundred pins: the places of neighbours overlap, so that many must give way.
void routeSixty(benchmark::State& state) {
    Part part = *middle().part;
    for (Line& line : part.lines) {
        line.signalPins.clear();
    }
    for (Peripheral& each : part.peripherals) {
        each.signalPins.clear();
    }
    Peripheral& uart = part.peripherals[*part.findPeripheral("uart1")];
    for (int i = 0; i < 60; ++i) {
        Signal signal{"s" + std::to_string(i), {}};
        for (int k = 0; k < 5; ++k) {
            signal.places.push_back("P" + std::to_string((i * 7 / 4 + k * k) % 100));
        }
        uart.signalPins.push_back(std::move(signal));
    }
    for (auto _ : state) {
        const Routing routing = routeAll(part, *middle().plan);
        if (!routing.isPossible()) {
            state.SkipWithError("there is a routing");
        }
    }
}
BENCHMARK(routeSixty)->Unit(benchmark::kMicrosecond);

/// Forty promises on the example's part: those of the example, and one or two for each of its other peripherals.
void deriveForty(benchmark::State& state) {
    static const std::vector<std::string> lines{"uart3 talks 57600",
                                                "timer2 fires every 250 us within 0.1 %",
                                                "timer3.1 drives 20 kHz at 35 % duty, steps under 0.5 %",
                                                "timer3.2 drives 20 kHz at 70 % duty",
                                                "timer4 resolves 1 us",
                                                "timer6 fires every 10 ms within 1 %",
                                                "guard bites after 1 s within 30 %",
                                                "rtc drifts at most 10 s/day",
                                                "rtc fires every 20 s",
                                                "adc0 takes 50 k samples/s at 12 bit from 10 kohm",
                                                "spi1 clocks at most 10 MHz",
                                                "qspi0 clocks at most 40 MHz",
                                                "i2c1 talks 400 kHz with 120 ns rise",
                                                "can0 talks 500 kbit/s",
                                                "can0 holds 8 filters, 4 received, 4 sent",
                                                "pause waits 100 us within 2 %",
                                                "bus_a runs at least 20 MHz",
                                                "bus_b runs at most 80 MHz",
                                                "core runs at most 160 MHz",
                                                "usb runs at least 47.9 MHz",
                                                "bus_a runs at 40 MHz within 1 %",
                                                "bus_b runs at least 1 MHz",
                                                "rcf runs at least 1 MHz",
                                                "core runs at most 160 MHz",
                                                "xtw runs at 32768 Hz within 200 ppm",
                                                "wakes from snooze in at most 1 ms",
                                                "wakes from idle in at most 100 us",
                                                "adc0 takes 1 k samples/s over 4 channels",
                                                "pause waits at least 10 us",
                                                "average under 5 mA"};
    Plan plan = *orchard().plan;
    for (const std::string& line : lines) {
        auto read = readPromiseLine(line, &*orchard().part);
        if (!read) {
            std::cerr << line << ": " << read.error().found << "\n";
            std::abort();
        }
        plan.promises.push_back({line, std::move(*read)});
    }
    for (auto _ : state) {
        benchmark::DoNotOptimize(derive(*orchard().part, plan, "A"));
    }
    state.counters["promises"] = static_cast<double>(plan.promises.size());
}
BENCHMARK(deriveForty)->Unit(benchmark::kMicrosecond);

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

/// 32 bits behind 65 536 prescalers, ranked.
void timer32AllWays(benchmark::State& state) {
    const TimerKind timer{32, FactorSet::range(1, 65536), FactorSet::range(1, Rational(std::int64_t{1} << 32)),
                          TimerStyle::reload};
    const FiresAsk ask{Rational(7919, 1000000), {}};
    const Clock clock = clockAt(200000000);
    for (auto _ : state) {
        benchmark::DoNotOptimize(timerWays(timer, ask, clock));
    }
}
BENCHMARK(timer32AllWays)->Unit(benchmark::kMicrosecond);

CanKind canPort() {
    CanKind can;
    can.nominal = {FactorSet::range(1, 512), FactorSet::range(2, 256), FactorSet::range(2, 128), FactorSet::range(1, 128)};
    can.data = CanPhase{FactorSet::range(1, 32), FactorSet::range(1, 32), FactorSet::range(1, 16), FactorSet::range(1, 16)};
    can.nodeDelay = Rational(200, 1000000000);
    return can;
}

/// Twenty periodic jobs, a hyperperiod of nearly a hundred thousand runs: exact totals at both corners, average, life and the
/// trace.
Plan manyJobs() {
    Plan plan = *orchard().plan;
    plan.jobs.clear();
    for (int i = 0; i < 20; ++i) {
        Job job;
        job.name = "job" + std::to_string(i);
        job.every = Rational(std::vector<int>{1, 2, 4, 5, 8, 10, 16, 20, 25, 40}[static_cast<std::size_t>(i % 10)]);
        job.phase = Rational(i, 100);
        if (i % 3 == 0) {
            job.cycles = 1000 + 37 * i;
        } else {
            job.lasts = Rational(1 + i, 10000);
        }
        job.draws = Rational(i, 10000);
        plan.jobs.push_back(std::move(job));
    }
    plan.jobs.back().every = 20000; // to make the hyperperiod long
    return plan;
}

void playTwentyJobs(benchmark::State& state) {
    const Plan plan = manyJobs();
    const Figures figures = derive(*orchard().part, plan, "A");
    const auto derived = derivedTakes(*orchard().part, plan, figures);
    Diagnostics findings;
    std::int64_t runs = 0;
    for (auto _ : state) {
        runs = play(*orchard().part, plan, "A", derived, findings).events;
    }
    state.counters["runs"] = static_cast<double>(runs);
}
BENCHMARK(playTwentyJobs)->Unit(benchmark::kMillisecond);

/// A thousand plays of ten thousand runs, on two threads.
void playByChanceFull(benchmark::State& state) {
    static const LoadedPlan door = loadPlan(kSource + "/examples/door-sensor.plan.toml", {kSource + "/parts"});
    const Figures figures = evaluate(*door.part, *door.plan, "A");
    const auto ready = chancePlayOf(*door.part, *door.plan, "A", derivedTakes(*door.part, *door.plan, figures));
    for (auto _ : state) {
        benchmark::DoNotOptimize(playByChance(*ready, *door.part, *door.plan, figures, {}, [](std::int64_t) { return true; }));
    }
}
BENCHMARK(playByChanceFull)->Unit(benchmark::kMillisecond)->UseRealTime();

/// A year of that play in the columns of a window.
void drawAYear(benchmark::State& state) {
    const Plan plan = manyJobs();
    const Figures figures = evaluate(*orchard().part, plan, "A");
    for (auto _ : state) {
        benchmark::DoNotOptimize(figures.rhythm->trace->columns(0, 366.0 * 86400, 1000));
        benchmark::DoNotOptimize(figures.rhythm->trace->columns(0, 600, 1000));
    }
}
BENCHMARK(drawAYear)->Unit(benchmark::kMicrosecond);

/// All pairs of bits of CAN FD, ranked: rates that many divisions come near to.
void canAllWays(benchmark::State& state) {
    const CanKind can = canPort();
    CanAsk ask;
    ask.bitsPerSecond = 250000;
    ask.data = Rational(2000000);
    const Clock clock = clockAt(160000000);
    for (auto _ : state) {
        benchmark::DoNotOptimize(canWays(can, ask, clock, {}, 200));
    }
}
BENCHMARK(canAllWays)->Unit(benchmark::kMicrosecond);

void canBestWay(benchmark::State& state) {
    const CanKind can = canPort();
    CanAsk ask;
    ask.bitsPerSecond = 500000;
    ask.data = Rational(2000000);
    ask.cable = Rational(20);
    const Clock clock = clockAt(40000000);
    for (auto _ : state) {
        benchmark::DoNotOptimize(judgeCan({}, can, ask, clock, {}, Detail::result));
    }
}
BENCHMARK(canBestWay)->Unit(benchmark::kMicrosecond);

void pwmBestWay(benchmark::State& state) {
    TimerKind timer{16, FactorSet::range(1, 65536), FactorSet::range(1, 65536), TimerStyle::reload};
    timer.channels = {""};
    DrivesAsk ask;
    ask.hertz = 20000;
    ask.duty = Rational(1, 3);
    const Clock clock = clockAt(80000000);
    for (auto _ : state) {
        benchmark::DoNotOptimize(judgePwm({}, {timer, 1}, ask, clock, {}, Detail::result));
    }
}
BENCHMARK(pwmBestWay)->Unit(benchmark::kMicrosecond);

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
