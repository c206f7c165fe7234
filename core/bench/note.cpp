#include "bench/note.h"

#include "base/text.h"
#include "plan/board_edits.h"
#include "plan/job_edits.h"
#include "plan/promise_edits.h"
#include "plan/take_edits.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

const Rational kFinest(1, 100'000'000);   ///< of a share
const Rational kFinestTime(1, 1'000'000); ///< s
constexpr double kCloser = 4;             ///< times closer than its tolerance: then a reading is worth a note

std::optional<BenchNote> noteCycles(const Plan& plan, const Explanation& explanation) {
    const std::vector<std::string> names = promiseNames(plan);
    const auto name = std::find(names.begin(), names.end(), explanation.lateOf);
    if (name == names.end() || !explanation.cycles) {
        return std::nullopt;
    }
    const auto place = static_cast<std::size_t>(name - names.begin());
    Promise promise = plan.promises[place];
    const auto* fires = promise.line.ask.as<FiresAsk>();
    if (fires == nullptr) {
        return std::nullopt;
    }
    FiresAsk late = *fires;
    late.late = late.late.value_or(Rational(0)) + explanation.cycles->nominal;
    promise.line.ask = late;
    return BenchNote{phrase("{} late {} cycles", explanation.lateOf, late.late->toString()),
                     [place, promise](Plan& edited) { return replacePromise(edited, place, promise); }};
}

/// For a take as the board has it: that of the active one, with a number where that is there.
std::string freeName(const Plan& plan) {
    std::string name = plan.active + " as measured";
    for (int number = 2; findTake(plan, name) != nullptr; ++number) {
        name = plan.active + " as measured " + std::to_string(number);
    }
    return name;
}

/// The way of each promise of a peripheral with the setting that it has in fact.
std::vector<PinnedWay> waysWith(const Plan& plan, const Figures& figures, const Slip& slip) {
    std::vector<PinnedWay> ways;
    for (std::size_t i = 0; i < figures.promises.size(); ++i) {
        const PromiseFigure& figure = figures.promises[i];
        PinnedWay way{figure.name, {}};
        bool hasIt = false;
        for (const Setting& setting : figure.settings) {
            hasIt = hasIt || setting.name == slip.setting;
            way.settings.emplace_back(setting.name, setting.name == slip.setting ? slip.value : setting.value);
        }
        if (hasIt && peripheralOf(plan.promises[i].line.subject) == slip.id) {
            ways.push_back(std::move(way));
        }
    }
    return ways;
}

/// What is set otherwise, as a take of its own: clocks as choices, settings of peripherals as ways that it insists on.
std::optional<BenchNote> noteTake(const Plan& plan, const Figures& figures, const Explanation& explanation) {
    std::vector<Choice> choices;
    std::vector<PinnedWay> ways;
    for (const Slip* slip : explanation.slips) {
        if (!slip->choice.id.empty()) {
            choices.push_back(slip->choice);
            continue;
        }
        const std::vector<PinnedWay> with = waysWith(plan, figures, *slip);
        ways.insert(ways.end(), with.begin(), with.end());
    }
    if (choices.empty() && ways.empty()) {
        return std::nullopt;
    }
    const std::string from = plan.active;
    const std::string name = freeName(plan);
    return BenchNote{phrase("a take '{}'", name), [choices, ways, from, name](Plan& edited) {
                         Text why = copyTake(edited, from, name);
                         const auto take = std::find_if(edited.takes.begin(), edited.takes.end(),
                                                        [&](const Take& each) { return each.name == name; });
                         if (!why.empty() || take == edited.takes.end()) {
                             return why;
                         }
                         for (const Choice& other : choices) {
                             setOtherwise(*take, other);
                         }
                         for (const PinnedWay& way : ways) {
                             why = why.empty() ? pinWay(edited, name, way) : why;
                         }
                         edited.active = name;
                         return why;
                     }};
}

std::optional<BenchNote> noteSources(const Part& part, const Figures& figures, const Explanation& explanation) {
    std::vector<Measured> all;
    Text say;
    for (const SourceReading& reading : explanation.sources) {
        const auto& hertz = figures.lines[reading.source].hertz;
        if (!hertz || reading.least > reading.most) {
            continue;
        }
        const double tolerance = (hertz->max / hertz->min).toDouble() - 1;
        if ((reading.most - reading.least) * kCloser > tolerance) {
            continue;
        }
        const Rational off = quantised((reading.least + reading.most) / 2, kFinest);
        Measured measured;
        measured.source = part.nodeId(reading.source);
        measured.rate = hertz->nominal * (1 + off);
        measured.tolerance = quantised((reading.most - reading.least) / 2, kFinest) + 2 * kFinest; // and what was rounded
        all.push_back(measured);
        say += phrase("{}{} of this board: {}", say.empty() ? "" : ", ", measured.source, printError(off));
    }
    if (all.empty()) {
        return std::nullopt;
    }
    return BenchNote{say, [all](Plan& edited) {
                         Text why;
                         for (const Measured& each : all) {
                             why = why.empty() ? noteMeasured(edited, each) : why;
                         }
                         return why;
                     }};
}

} // namespace

std::optional<BenchNote> noteOf(const Part& part, const Plan& plan, const Figures& figures, const Explanation& explanation) {
    if (!explanation.explainsAll()) {
        return std::nullopt;
    }
    if (!explanation.lateOf.empty()) {
        return noteCycles(plan, explanation);
    }
    return explanation.slips.empty() ? noteSources(part, figures, explanation) : noteTake(plan, figures, explanation);
}

std::optional<BenchNote> noteOf(const Plan& plan, const CurrentReason& reason) {
    if (reason.leftOver > 0) {
        return std::nullopt;
    }
    if (!reason.restsIn.empty()) {
        const std::string from = plan.active;
        const std::string name = freeName(plan);
        return BenchNote{phrase("a take '{}' that rests in {}", name, reason.restsIn),
                         [from, name, mode = reason.restsIn](Plan& edited) {
                             Text why = copyTake(edited, from, name);
                             why = why.empty() ? restIn(edited, name, mode) : why;
                             edited.active = why.empty() ? name : edited.active;
                             return why;
                         }};
    }
    const auto job = std::find_if(plan.jobs.begin(), plan.jobs.end(), [&](const Job& each) { return each.name == reason.job; });
    if (job == plan.jobs.end()) {
        return std::nullopt;
    }
    Job noted = *job;
    noted.lasts = quantised(reason.lasts, kFinestTime);
    noted.cycles.reset();
    return BenchNote{phrase("{} lasts {}", noted.name, printQuantity(*noted.lasts, Unit::second)),
                     [noted](Plan& edited) { return replaceJob(edited, noted.name, noted); }};
}

} // namespace wisetick
