// How long a search for takes is, on one thread. Quote the median of --benchmark_repetitions=9.

#include "files/shelf.h"
#include "seek/conflict.h"

#include <benchmark/benchmark.h>

#include <cstdlib>
#include <iostream>

namespace {

using namespace wisetick;

const std::string kSource = WISETICK_SOURCE_DIR;

const LoadedPlan& planOf(const std::string& name) {
    static std::map<std::string, LoadedPlan> plans;
    auto& loaded = plans.try_emplace(name, loadPlan(kSource + "/benchmarks/seek/" + name + ".plan.toml", {kSource + "/parts"}))
                       .first->second;
    if (!loaded.plan || !loaded.part) {
        std::cerr << name << " can't be read\n";
        for (const Diagnostic& diagnostic : loaded.diagnostics) {
            std::cerr << diagnosticText(diagnostic) << "\n";
        }
        std::abort();
    }
    return loaded;
}

Question questionOf(const Part& part, const std::vector<std::string>& wishes) {
    Question question;
    for (const std::string& text : wishes) {
        const auto wish = readWish(text, &part);
        if (!wish) {
            std::cerr << text << ": " << sayText(wish.error()) << "\n";
            std::abort();
        }
        question.wishes.push_back(*wish);
    }
    return question;
}

void run(benchmark::State& state, const std::string& name, const std::vector<std::string>& wishes, bool keepsPromises) {
    const LoadedPlan& loaded = planOf(name);
    Question question = questionOf(*loaded.part, wishes);
    for (std::size_t i = 0; keepsPromises && i < loaded.plan->promises.size(); ++i) {
        question.promises.push_back({i, false});
    }
    SeekResult result;
    for (auto _ : state) {
        result = seek(*loaded.part, *loaded.plan, loaded.plan->active, question);
        benchmark::DoNotOptimize(result);
    }
    state.counters["found"] = static_cast<double>(result.found.size());
    state.counters["steps"] = static_cast<double>(result.steps);
    state.counters["complete"] = result.isComplete() ? 1 : 0;
}

void onePllFixed(benchmark::State& state) {
    run(state, "one-pll", {"core = 160 MHz", "usb = 48 MHz"}, true);
}
BENCHMARK(onePllFixed)->Unit(benchmark::kMillisecond);

void onePllCoreFree(benchmark::State& state) {
    run(state, "one-pll", {"core at most 160 MHz"}, true);
}
BENCHMARK(onePllCoreFree)->Unit(benchmark::kMillisecond);

void threePllExact(benchmark::State& state) {
    run(state, "three-pll",
        {"core = 400 MHz", "usb = 48 MHz", "k_quad0 = 80 MHz", "sound0 = 24.576 MHz within 5 ppm",
         "k_spi0 = 22.5792 MHz within 5 ppm", "k_adc0 as high as possible up to 32 MHz"},
        false);
}
BENCHMARK(threePllExact)->Unit(benchmark::kMillisecond);

/// The verdict and one smallest conflict with its limits.
void threePllConflict(benchmark::State& state) {
    const LoadedPlan& loaded = planOf("three-pll");
    const Question question =
        questionOf(*loaded.part, {"core = 400 MHz", "usb = 48 MHz", "k_quad0 = 80 MHz", "sound0 = 24.576 MHz within 5 ppm",
                                  "k_spi0 = 22.5792 MHz within 5 ppm", "k_adc0 as high as possible up to 32 MHz"});
    for (auto _ : state) {
        const Space space = spaceOf(*loaded.part, *loaded.plan, loaded.plan->active, question);
        benchmark::DoNotOptimize(whyNone(space, {false, false, false}));
    }
}
BENCHMARK(threePllConflict)->Unit(benchmark::kMillisecond);

void threePllTolerant(benchmark::State& state) {
    run(state, "three-pll",
        {"core = 400 MHz", "usb = 48 MHz within 0.25 %", "k_quad0 = 80 MHz within 0.25 %", "sound0 = 24.576 MHz within 5 ppm",
         "k_spi0 = 22.5792 MHz within 5 ppm", "k_adc0 as high as possible up to 32 MHz"},
        false);
}
BENCHMARK(threePllTolerant)->Unit(benchmark::kMillisecond);

} // namespace

BENCHMARK_MAIN();
