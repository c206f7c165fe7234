#include "made_case.h"

#include "../random_part.h"
#include "files/part_reader.h"
#include "files/plan_reader.h"
#include "files/plan_writer.h"
#include "plan/job_edits.h"
#include "plan/job_line.h"
#include "plan/promise_line.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cstdlib>
#include <iostream>

namespace wisetick::fuzz {

using test::Random;

void require(bool holds, const std::string& what, const Made& made) {
    if (!holds) {
        std::cerr << made.partText << "\n" << made.planText << "\n";
        for (const Job& job : made.plan.jobs) {
            std::cerr << "job " << printJobLine(job) << "\n";
        }
        std::cerr << writePlan(made.plan) << "\n";
        for (const std::string& wish : made.wishes) {
            std::cerr << "wish " << wish << "\n";
        }
        std::cerr << "broken contract: " << what << "\n";
        std::abort();
    }
}

bool isText(const std::string& text) {
    return std::none_of(text.begin(), text.end(), [](char sign) {
        return (static_cast<unsigned char>(sign) < 0x20 && sign != '\n' && sign != '\t') || sign == '\x7F';
    });
}

bool isInPlainWords(const std::string& text) {
    static const std::vector<const char*> odd{"boost", "std::", "basic_string", "bad_alloc", "vector::", "numeric_cast"};
    return std::none_of(odd.begin(), odd.end(), [&](const char* word) { return text.find(word) != std::string::npos; }) &&
           isText(text);
}

namespace {

/// Muxes, dividers and multipliers stand anyhow.
void setAnyhow(Random& random, const Part& part, Take& take) {
    take.choices.clear();
    for (const Line& line : part.lines) {
        Choice choice{line.id, {}, {}, {}, {}};
        if (line.from.size() > 1 && random.coin()) {
            choice.from = part.nodeId(random.pick(line.from));
        }
        const auto any = [&](const FactorSet& set) { return set.at(random.whole(0, set.count() - 1)); };
        if (!line.divide.empty() && random.coin()) {
            choice.divide = any(line.divide);
        }
        if (!line.multiply.empty() && random.coin()) {
            choice.multiply = any(line.multiply);
        }
        if (choice.from || choice.divide || choice.multiply) {
            take.choices.push_back(choice);
        }
    }
}

/// Another take "B".
void addTake(Random& random, Made& made) {
    Take take = made.plan.takes.front();
    take.name = "B";
    take.locks.clear();
    setAnyhow(random, made.part, take);
    made.plan.takes.push_back(take);
}

std::optional<Bounds> anyBounds(Random& random, std::int64_t low, std::int64_t high, std::int64_t scale) {
    if (random.whole(0, 15) == 0) {
        return std::nullopt;
    }
    std::array<std::int64_t, 3> at{random.whole(low, high), random.whole(low, high), random.whole(low, high)};
    std::sort(at.begin(), at.end());
    return Bounds{Rational(at[0], scale), Rational(at[1], scale), Rational(at[2], scale)};
}

/// The same that is promised, with other figures.
void promiseAnew(Random& random, const Part& part, Promise& promise) {
    const auto word = promise.text.substr(0, promise.text.find(' '));
    std::string text;
    if (promise.text.find(" talks ") != std::string::npos) {
        text = fmt::format("{} talks {} kbit/s within {} %", word, random.whole(1, 480) * 5, random.whole(1, 8));
    } else if (promise.text.find(" fires ") != std::string::npos) {
        text = fmt::format("{} fires every {} us{}", word, random.whole(1, 200), random.coin() ? " within 2 %" : "");
    } else {
        text = fmt::format("{} runs at {} kHz within {} %", word, random.whole(1, 120) * 100, random.whole(1, 20));
    }
    if (const auto line = readPromiseLine(text, &part)) {
        promise = {text, *line};
    }
}

} // namespace

void addJobs(Random& random, Made& made) {
    // of one kind mostly: those without a common period, or a day of milliseconds, take as long as a thousand others
    static const std::vector<std::vector<const char*>> kinds{
        {"1", "2", "5", "60"},
        {"86400", "3600", "900", "5000"},
        {"1/1000", "1/250", "1/10", "1/64"},
        {"1", "2", "5", "60", "1/10", "59", "61/7", "10/3", "86400", "1/1000"}};
    // most of those played anew have few runs in their common period, as what goes wrong with many goes wrong with few too
    static const std::vector<std::vector<const char*>> few{
        {"1", "2", "4"}, {"3", "6", "12"}, {"86400", "43200", "21600"}, {"1/1000", "1/500", "1/250"}, {"10/3", "20/3", "5/3"}};
    const bool isSmall = made.isVaried && random.whole(0, 127) != 0;
    const auto& periods =
        isSmall ? random.pick(few)
                : kinds[static_cast<std::size_t>(random.whole(0, made.isVaried ? 4095 : 63) == 0 ? 3 : random.whole(0, 2))];
    for (std::int64_t i = random.whole(0, isSmall ? 3 : 4); i > 0; --i) {
        Job job;
        job.name = fmt::format("j{}", i);
        job.every = test::exact(random.pick(periods));
        if (random.coin()) {
            job.lasts = job.every * Rational(random.whole(1, 99), 1000);
        } else {
            job.cycles = isSmall ? (job.every * Rational(random.whole(1000, 100000))).floor() : Rational(random.whole(1, 20000));
        }
        if (random.whole(0, 3) == 0) {
            job.phase = job.every * Rational(random.whole(0, 9), 10);
        }
        job.isRandom = random.whole(0, made.isVaried ? 3600 : 5) == 0; // its many runs take as long as a hundred plays
        if (!job.isRandom && random.whole(0, isSmall ? 1600 : 5) == 0) {
            job.jitter = job.every / 20;
        }
        if (random.whole(0, 4) == 0 && !made.plan.jobs.empty()) {
            job.after = made.plan.jobs.front().name;
            job.every = 0;
            job.phase = 0;
            job.jitter = 0;
            job.isRandom = false;
        }
        if (random.whole(0, 3) == 0) {
            job.draws = Rational(random.whole(1, 20), 1000);
        }
        if (random.whole(0, 3) == 0) {
            job.uses = {"p0"};
        }
        addJob(made.plan, job);
    }
    made.plan.takes.front().restsIn = random.whole(0, 3) == 0 ? "" : "deep";
}

Made make(Random& random) {
    Made made;
    test::RandomCases cases(random, true);
    test::RandomCase text = cases.make();
    made.partText = std::move(text.part);
    made.planText = std::move(text.plan);
    made.wishes = std::move(text.wishes);
    const PartFile part = readPart(made.partText, "part");
    require(part.part.has_value(), "the part is in order: " + test::lines(part.diagnostics), made);
    made.part = *part.part;
    const PlanFile plan = readPlan(made.planText, "plan", &made.part);
    require(plan.plan.has_value(), "the plan is in order: " + test::lines(plan.diagnostics), made);
    made.plan = *plan.plan;
    addTake(random, made);
    made.planText += "# and take B, and jobs\n";
    return made;
}

void vary(Random& random, Made& made) {
    made.isVaried = true;
    Plan& plan = made.plan;
    plan.jobs.clear();
    plan.takes.resize(1);
    setAnyhow(random, made.part, plan.takes.front());
    addTake(random, made);
    plan.board.supply = anyBounds(random, 17, 42, 10);
    plan.board.temperature = anyBounds(random, -60, 120, 1);
    for (Fitted& fitted : plan.board.fitted) {
        fitted.rate = Rational(random.whole(1, 40) * 500000);
        fitted.tolerance.reset();
        if (random.whole(0, 3) != 0) {
            fitted.tolerance.emplace().initial = Rational(random.whole(1, 300), 1000000);
        }
    }
    for (Promise& promise : plan.promises) {
        promiseAnew(random, made.part, promise);
    }
}

std::optional<Rational> walkedRate(const Made& made, const Controls& controls, NodeIndex node) {
    if (node < made.part.sources.size()) {
        const Source& source = made.part.sources[node];
        if (source.kind != SourceKind::rc) {
            const Fitted* fitted = findFitted(made.plan.board, source.id);
            return fitted == nullptr ? std::nullopt : std::optional(fitted->rate);
        }
        return source.rates.at(controls.sourceRates[node]);
    }
    const Line& line = made.part.lineAt(node);
    const LineControls& set = controls.lines[node - made.part.sources.size()];
    if (!set.fault.empty()) {
        return std::nullopt;
    }
    auto rate = walkedRate(made, controls, line.from.at(set.from));
    if (rate) {
        *rate = *rate * set.multiply / set.divide * line.factor;
        if (line.follows) {
            const LineControls& other = controls.lines[line.follows->line];
            const Rational& stands = line.follows->control == "divide" ? other.divide : other.multiply;
            Rational factor = line.follows->otherwise;
            for (const auto& [value, gives] : line.follows->when) {
                factor = value == stands ? gives : factor;
            }
            *rate = *rate * factor;
        }
    }
    return rate;
}

Controls controlsOf(const Made& made, const std::string& take) {
    Diagnostics ignored;
    return resolveControls(made.part, *findTake(made.plan, take), ignored);
}

} // namespace wisetick::fuzz
