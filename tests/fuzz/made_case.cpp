#include "made_case.h"

#include "../random_part.h"
#include "files/part_reader.h"
#include "files/plan_reader.h"
#include "files/plan_writer.h"
#include "plan/job_edits.h"
#include "plan/job_line.h"

#include <fmt/format.h>

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

namespace {

/// Another take "B", in which muxes, dividers and multipliers stand anyhow.
void addTake(Random& random, Made& made) {
    Take take = made.plan.takes.front();
    take.name = "B";
    take.locks.clear();
    for (const Line& line : made.part.lines) {
        Choice choice{line.id, {}, {}, {}, {}};
        if (line.from.size() > 1 && random.coin()) {
            choice.from = made.part.nodeId(random.pick(line.from));
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
    made.plan.takes.push_back(take);
}

} // namespace

void addJobs(Random& random, Made& made) {
    static const std::vector<const char*> periods{"1", "2", "5", "60", "1/10", "59", "61/7", "10/3", "86400", "1/1000"};
    for (std::int64_t i = random.whole(0, 4); i > 0; --i) {
        Job job;
        job.name = fmt::format("j{}", i);
        job.every = test::exact(random.pick(periods));
        if (random.coin()) {
            job.lasts = job.every * Rational(random.whole(1, 99), 1000);
        } else {
            job.cycles = Rational(random.whole(1, 20000));
        }
        if (random.whole(0, 3) == 0) {
            job.phase = job.every * Rational(random.whole(0, 9), 10);
        }
        job.isRandom = random.whole(0, 5) == 0;
        if (!job.isRandom && random.whole(0, 5) == 0) {
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
