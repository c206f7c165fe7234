// How soon long work ends once it was told to stop: each is begun on a thread, told so after a random while, and waited for.
// Prints the median and the longest of so many stops, in milliseconds: stop_benchmark [STOPS].

#include "../tests/long_lists.h"
#include "evaluate/battery_moves.h"
#include "evaluate/evaluate.h"
#include "evaluate/takes_that_count.h"
#include "files/part_reader.h"
#include "files/plan_reader.h"
#include "files/shelf.h"
#include "seek/seek.h"
#include "workshop/ranked_unknown.h"

#include <fmt/format.h>

#include <algorithm>
#include <atomic>
#include <chrono>
#include <cstdlib>
#include <iostream>
#include <random>
#include <thread>

namespace {

using namespace wisetick;
using Clock = std::chrono::steady_clock;

struct OnPlan {
    Part part;
    Plan plan;
};

OnPlan of(const test::LongList& list) {
    PartFile part = readPart(list.part, "part");
    PlanFile plan = readPlan(list.plan, "plan", &*part.part);
    return {std::move(*part.part), std::move(*plan.plan)};
}

OnPlan ofFile(const std::string& path) {
    const std::string top = WISETICK_SOURCE_DIR;
    LoadedPlan loaded = loadPlan(top + "/" + path, {top + "/parts"});
    if (!loaded.plan || !loaded.part) {
        std::cerr << path << " can't be read\n";
        std::abort();
    }
    return {std::move(*loaded.part), std::move(*loaded.plan)};
}

/// Begins the work again and again, as it may be done before it is stopped.
void measure(const std::string& name, int stops, const std::function<void(const GoOn&)>& work) {
    std::mt19937 random(1); // NOLINT: the same moments each time
    std::uniform_int_distribution<int> after(1, 400);
    std::vector<double> took;
    for (int i = 0; i < stops; ++i) {
        std::atomic<bool> isTold = false;
        Clock::time_point told;
        Clock::time_point ended;
        std::thread thread([&] {
            while (!isTold) {
                try {
                    work([&] { return !isTold.load(); });
                } catch (const Stopped&) {
                    // told to
                }
            }
            ended = Clock::now();
        });
        std::this_thread::sleep_for(std::chrono::milliseconds(after(random)));
        told = Clock::now();
        isTold = true;
        thread.join();
        took.push_back(std::chrono::duration<double, std::milli>(ended - told).count());
    }
    std::sort(took.begin(), took.end());
    std::cout << fmt::format("{:40} median {:7.2f} ms   longest {:7.2f} ms\n", name, took[took.size() / 2], took.back());
}

Question asking(const Part& part, const Plan& plan, const std::vector<std::string>& wishes) {
    Question question;
    for (const std::string& wish : wishes) {
        question.wishes.push_back(readWish(wish, &part).value());
    }
    for (std::size_t i = 0; i < plan.promises.size(); ++i) {
        question.promises.push_back({i, false});
    }
    return question;
}

} // namespace

int main(int count, char** arguments) {
    const int stops = count > 1 ? std::atoi(arguments[1]) : 31; // NOLINT: a number by hand
    const OnPlan timer = of(test::manyOnOneTimer(5000));
    measure("check, 5000 promises on one timer", stops, [&](const GoOn& goOn) { evaluate(timer.part, timer.plan, "A", goOn); });
    const OnPlan ports = of(test::manyPorts(5000));
    measure("check, 5000 ports", stops, [&](const GoOn& goOn) { evaluate(ports.part, ports.plan, "A", goOn); });
    const OnPlan jobs = of(test::followingJobs(5000));
    measure("check, 5000 jobs", stops, [&](const GoOn& goOn) { evaluate(jobs.part, jobs.plan, "A", goOn); });
    const OnPlan muxes = of(test::inSeries(1000, true));
    measure("seek, 1000 muxes in series", stops, [&](const GoOn& goOn) {
        SeekControl control;
        control.goOn = goOn;
        seek(muxes.part, muxes.plan, "A", asking(muxes.part, muxes.plan, {}), control);
    });
    const OnPlan three = ofFile("benchmarks/seek/three-pll.plan.toml");
    measure("seek, three multipliers", stops, [&](const GoOn& goOn) {
        SeekControl control;
        control.goOn = goOn;
        seek(three.part, three.plan, three.plan.active, asking(three.part, three.plan, {}), control);
    });
    const OnPlan gauge = ofFile("examples/river-gauge.plan.toml");
    const Figures figures = evaluate(gauge.part, gauge.plan, gauge.plan.active);
    measure("what would move the battery", stops, [&](const GoOn& goOn) { batteryMoves(gauge.part, gauge.plan, figures, goOn); });
    measure("which takes hold", stops, [&](const GoOn& goOn) { takesHold(gauge.part, gauge.plan, figures, goOn); });
    const OnPlan buoy = ofFile("examples/lagoon-buoy.plan.toml");
    measure("which unknown figure comes next", stops, [&](const GoOn& goOn) {
        std::vector<RankedUnknown> ranked = rankedUnknown(buoy.part, buoy.plan);
        rankByVerdicts(buoy.part, buoy.plan, ranked, goOn);
    });
}
