#include "evaluate/battery_moves.h"

#include "base/text.h"
#include "derive/demand.h"
#include "derive/line_limits.h"
#include "evaluate/evaluate.h"
#include "rhythm/battery.h"
#include "rhythm/job_variants.h"
#include "rhythm/play.h"
#include "rhythm/rest_cost.h"

#include <algorithm>
#include <cmath>

namespace wisetick {

namespace {

using Derived = std::map<std::string, Figures>;

/// What could not be played, or was told to stop in the middle, gives nothing.
RhythmFigure playQuietly(const Part& part, const Plan& plan, const std::string& take, const Derived& derived, const GoOn& goOn) {
    Diagnostics ignored;
    try {
        return play(part, plan, take, derived, ignored, goOn);
    } catch (const RationalOverflow&) {
        return {};
    } catch (const Stopped&) {
        return {};
    }
}

/// All takes' figures, from those of one; nothing where `goOn` says no meanwhile.
std::optional<Derived> derivedQuietly(const Part& part, const Plan& plan, const std::string& take, const Figures* figures,
                                      const GoOn& goOn) {
    try {
        return derivedTakes(part, plan, figures != nullptr ? *figures : derive(part, plan, take, nullptr, goOn), goOn);
    } catch (const Stopped&) {
        return std::nullopt;
    }
}

/// Something that can be made a tenth better or worse.
struct Knob {
    std::string say;
    Target target;
    bool isMoreBetter = false;
    std::function<void(Plan&, Derived&, const Rational&)> scale;
};

void scaleCurrent(ModeFigure& mode, const Rational& factor) {
    for (auto* list : {&mode.current.typ, &mode.current.max}) {
        for (Rational& ampere : *list) {
            ampere = (ampere * factor / powerOfTen(-12)).rounded() * powerOfTen(-12);
        }
    }
}

std::vector<Knob> knobsOf(const Part& part, const Plan& plan, const Figures& figures) {
    std::vector<Knob> knobs;
    for (std::size_t i = 0; i < plan.jobs.size(); ++i) {
        const Job& job = plan.jobs[i];
        const Target target = Target::job(job.name);
        if (!job.draws.isZero()) {
            knobs.push_back({phrase("{} draws", job.name), target, false,
                             [i](Plan& edited, Derived&, const Rational& by) { edited.jobs[i].draws *= by; }});
        }
        if (!job.brings.isZero()) {
            knobs.push_back({phrase("{} brings", job.name), target, true,
                             [i](Plan& edited, Derived&, const Rational& by) { edited.jobs[i].brings *= by; }});
        }
        if (job.after.empty()) {
            knobs.push_back({job.name + (job.isRandom ? phrase(" comes about every") : phrase(" comes every")), target,
                             job.brings.isZero(),
                             [i](Plan& edited, Derived&, const Rational& by) { edited.jobs[i].every *= by; }});
        }
        knobs.push_back(
            {phrase("{} takes", job.name), target, !job.brings.isZero(), [i](Plan& edited, Derived&, const Rational& by) {
                 if (edited.jobs[i].lasts) {
                     *edited.jobs[i].lasts *= by;
                 } else {
                     *edited.jobs[i].cycles *= by;
                 }
             }});
    }
    const auto rest = part.findMode(findTake(plan, figures.take)->restsIn);
    if (rest && !part.modes[*rest].runs) {
        const std::string id = part.modes[*rest].id;
        knobs.push_back({phrase("rest in {} draws", id), Target::mode(id), false,
                         [rest, take = figures.take](Plan&, Derived& derived, const Rational& by) {
                             scaleCurrent(derived.at(take).modes[*rest], by);
                         }});
        knobs.push_back(
            {phrase("waking from {} takes", id), Target::mode(id), false, [rest](Plan&, Derived& derived, const Rational& by) {
                 for (auto& [name, each] : derived) {
                     WakeUpFigure& wake = *each.modes[*rest].wakeUp;
                     wake.firstInstruction = wake.firstInstruction * by;
                     wake.restored = wake.restored * by;
                     for (WakePiece& piece : wake.pieces) {
                         for (Rational* time : {&piece.startTyp, &piece.endTyp, &piece.startMax, &piece.endMax}) {
                             *time *= by;
                         }
                     }
                 }
             }});
    }
    knobs.push_back({phrase("the running core draws"), Target::mode(part.modes[part.runMode()].id), false,
                     [run = part.runMode()](Plan&, Derived& derived, const Rational& by) {
                         for (auto& [name, each] : derived) {
                             scaleCurrent(each.modes[run], by);
                         }
                     }});
    if (plan.board.battery) {
        knobs.push_back({phrase("the battery holds"), Target::plan("board.battery.capacity"), true,
                         [](Plan& edited, Derived&, const Rational& by) { edited.board.battery->capacity *= by; }});
        if (!plan.board.battery->fades.isZero()) {
            knobs.push_back({phrase("the battery fades"), Target::plan("board.battery.fades"), false,
                             [](Plan& edited, Derived&, const Rational& by) { edited.board.battery->fades *= by; }});
        }
    }
    return knobs;
}

/// How far a move reaches, as a share of what is.
Rational reachOf(const BatteryMove& move) {
    const Bounds& ends = move.life ? *move.life : move.average;
    return ends.nominal.isZero() ? Rational(0) : abs(ends.max - ends.min) / ends.nominal;
}

SweepPoint pointOf(const Rational& at, const RhythmFigure& rhythm) {
    if (rhythm.life) {
        return {at, rhythm.life->nominal, rhythm.life->min};
    }
    return rhythm.average ? SweepPoint{at, rhythm.average->nominal, rhythm.average->max} : SweepPoint{at, 0, 0};
}

} // namespace

std::vector<BatteryMove> batteryMoves(const Part& part, const Plan& plan, const Figures& figures,
                                      const std::function<bool()>& goOn) {
    std::vector<BatteryMove> moves;
    const std::optional<Derived> derived = derivedQuietly(part, plan, figures.take, &figures, goOn);
    const RhythmFigure& now = *figures.rhythm;
    if (!derived || !now.average) {
        return moves;
    }
    for (const Knob& knob : knobsOf(part, plan, figures)) {
        RhythmFigure ends[2]; // a tenth better, a tenth worse
        for (int i = 0; i < 2; ++i) {
            if (!goOn()) {
                return {};
            }
            Plan edited = plan;
            Derived scaled = *derived;
            const bool isMore = (i == 0) == knob.isMoreBetter;
            knob.scale(edited, scaled, isMore ? Rational(11, 10) : Rational(9, 10));
            ends[i] = playQuietly(part, edited, figures.take, scaled, goOn);
        }
        if (!ends[0].average || !ends[1].average) {
            continue;
        }
        BatteryMove move{knob.say, knob.target, {ends[0].average->nominal, now.average->nominal, ends[1].average->nominal}, {}};
        if (now.life && ends[0].life && ends[1].life) {
            move.life = Bounds{ends[1].life->nominal, now.life->nominal, ends[0].life->nominal};
        }
        moves.push_back(std::move(move));
    }
    std::stable_sort(moves.begin(), moves.end(),
                     [](const BatteryMove& a, const BatteryMove& b) { return reachOf(a) > reachOf(b); });
    return moves;
}

std::vector<SweepPoint> sweepInterval(const Part& part, const Plan& plan, const Figures& figures, const std::string& job,
                                      const std::function<bool()>& goOn) {
    std::vector<SweepPoint> points;
    const auto found = std::find_if(plan.jobs.begin(), plan.jobs.end(), [&](const Job& each) { return each.name == job; });
    if (found == plan.jobs.end() || !found->after.empty()) {
        return points;
    }
    const auto index = static_cast<std::size_t>(found - plan.jobs.begin());
    const std::optional<Derived> derived = derivedQuietly(part, plan, figures.take, &figures, goOn);
    for (int step = -12; step <= 12; ++step) {
        if (!derived || !goOn()) {
            return {};
        }
        Plan edited = plan;
        // quarters of an octave as 1, 5/4, 3/2, 7/4, so that the periods go on to share a multiple
        const int octave = step >= 0 ? step / 4 : -((-step + 3) / 4);
        const Rational factor = (octave >= 0 ? Rational(std::int64_t{1} << octave) : Rational(1, std::int64_t{1} << -octave)) *
                                Rational(4 + (step - 4 * octave), 4);
        edited.jobs[index].every *= factor;
        points.push_back(pointOf(edited.jobs[index].every, playQuietly(part, edited, figures.take, *derived, goOn)));
    }
    return points;
}

std::vector<SweepPoint> sweepTemperature(const Part& part, const Plan& plan, const Figures& figures,
                                         const std::function<bool()>& goOn) {
    std::vector<SweepPoint> points;
    if (!plan.board.temperature) {
        return points;
    }
    const Bounds& range = *plan.board.temperature;
    constexpr int kSteps = 24;
    for (int step = 0; step <= kSteps && range.min < range.max; ++step) {
        if (!goOn()) {
            return {};
        }
        const Rational celsius = range.min + (range.max - range.min) * Rational(step, kSteps);
        Plan edited = plan;
        edited.board.temperature = Bounds::exactly(celsius);
        const std::optional<Derived> there = derivedQuietly(part, edited, figures.take, nullptr, goOn);
        if (!there) {
            return {};
        }
        points.push_back(pointOf(celsius, playQuietly(part, edited, figures.take, *there, goOn)));
    }
    return points;
}

std::vector<SweepPoint> sweepSupply(const Part& part, const Plan& plan, const Figures& figures, const std::string& mode) {
    std::vector<SweepPoint> points;
    const auto index = part.findMode(mode);
    const auto& supply = plan.board.supply;
    constexpr int kSteps = 8;
    for (int step = 0; index && supply && supply->min < supply->max && step <= kSteps; ++step) {
        const Rational volt = supply->min + (supply->max - supply->min) * Rational(step, kSteps);
        Plan edited = plan;
        edited.board.supply = Bounds::exactly(volt);
        const Figures there = derive(part, edited, figures.take);
        points.push_back({volt, there.modes[*index].ampere.nominal, there.modes[*index].ampere.max});
    }
    return points;
}

namespace {

/// The charge of a period at each of the rates, or where none are given at those from where the job just fits to the most.
std::vector<RacePoint> raceAt(const Part& part, const Plan& plan, const Figures& figures, const std::string& name,
                              std::vector<Rational> rates) {
    std::vector<RacePoint> points;
    const auto job = std::find_if(plan.jobs.begin(), plan.jobs.end(), [&](const Job& each) { return each.name == name; });
    const auto& core = figures.lines[part.core].hertz;
    if (job == plan.jobs.end() || !job->cycles || !core || job->every.isZero() || figures.modes.empty()) {
        return points;
    }
    Diagnostics ignored;
    const Take& take = *findTake(plan, figures.take);
    const Controls controls = resolveControls(part, take, ignored);
    const std::map<std::string, Figures> derived = derivedTakes(part, plan, figures);
    const JobVariants variants(part, plan, figures.take, derived); // with what the job uses
    const Figures& its = *variants.figures()[variants.of(*job)];
    const ModeFigure& run = (its.take == figures.take ? its : figures).modes[part.runMode()];
    const std::size_t nominal = figures.grid.nominal;
    const auto hangs = [&](NodeIndex node) {
        const std::vector<NodeIndex> chain = chainOf(part, controls, node);
        return std::find(chain.begin(), chain.end(), part.core) != chain.end();
    };
    // the run current at another core rate: what hangs on the core is worked out anew
    const auto runCurrent = [&](const Rational& hertz) {
        const Rational factor = hertz / core->nominal;
        const RateOf rateAt = [&](NodeIndex node) {
            const Bounds rate = figures.lines[node].hertz.value_or(Bounds::exactly(0));
            return hangs(node) ? rate * factor : rate;
        };
        Rational sum;
        for (const Contribution& each : run.current.contributions) {
            std::optional<Contribution> scaled;
            const auto node = part.findNode(each.name);
            const auto peripheral = part.findPeripheral(each.name);
            const NodeIndex none = part.nodeCount();
            const NodeIndex clock = peripheral ? clockOf(part, controls, *peripheral).value_or(none) : none;
            if (each.target == Target::mode(run.id)) {
                scaled = contributionOf(each.name, {}, drawIn(part.modes[part.runMode()].draws, controls.tier),
                                        Bounds::exactly(hertz), figures.grid, rateAt);
            } else if (node && !part.isSource(*node) && hangs(*node)) {
                scaled = contributionOf(each.name, {}, drawIn(part.lineAt(*node).draws, controls.tier),
                                        Bounds::exactly(figures.lines[*node].hertz->nominal * factor), figures.grid, rateAt);
            } else if (clock != none && hangs(clock) && figures.lines[clock].hertz) {
                scaled = contributionOf(each.name, {}, drawIn(part.peripherals[*peripheral].draws, controls.tier),
                                        Bounds::exactly(figures.lines[clock].hertz->nominal * factor), figures.grid, rateAt);
            }
            const Contribution& taken = scaled ? *scaled : each;
            sum += taken.typ.empty() ? Rational(0) : taken.typ[nominal];
        }
        return sum;
    };
    const auto rest = part.findMode(take.restsIn);
    const bool mayRest = rest && !part.modes[*rest].runs;
    const RestCost cost =
        mayRest ? restCost(figures.grid, figures.modes[*rest], figures.modes[*rest], startUpCurrent(part, figures, *rest))
                : RestCost{};
    const Rational most =
        part.isSource(part.core)
            ? core->nominal
            : limitSpan(part, plan.board, part.lineAt(part.core).limits, controls, figures.lines).max.value_or(core->nominal * 4);
    const Rational least = std::max(most / 1000, *job->cycles / job->every);
    constexpr int kSteps = 96;
    const double ratio = std::log(most.toDouble() / least.toDouble());
    if (rates.empty() && least < most) {
        for (int step = 0; step < kSteps; ++step) {
            rates.push_back(quantised(least.toDouble() * std::exp(ratio * step / kSteps), 1));
        }
        rates.push_back(most);
    }
    for (const Rational& hertz : rates) {
        const Rational awake = *job->cycles / (hertz * executionSpeedAt(part, plan.board, controls, figures.lines, hertz));
        const Rational gap = std::max(job->every - awake - cost.length, Rational(0));
        const Rational idle = mayRest ? gap * cost.ampere + cost.charge : gap * runCurrent(hertz);
        points.push_back({hertz, awake * (runCurrent(hertz) + job->draws) + idle});
    }
    return points;
}

} // namespace

std::vector<RacePoint> raceToSleep(const Part& part, const Plan& plan, const Figures& figures, const std::string& job) {
    return raceAt(part, plan, figures, job, {});
}

std::vector<SweepPoint> sweepCoreRate(const Part& part, const Plan& plan, const Figures& figures, const std::string& job) {
    std::vector<SweepPoint> points;
    const auto found = std::find_if(plan.jobs.begin(), plan.jobs.end(), [&](const Job& each) { return each.name == job; });
    const auto& core = figures.lines[part.core].hertz;
    if (found == plan.jobs.end() || !core || !figures.rhythm || !figures.rhythm->average) {
        return points;
    }
    const std::vector<RacePoint> now = raceAt(part, plan, figures, job, {core->nominal});
    for (const RacePoint& point : now.empty() ? now : raceToSleep(part, plan, figures, job)) {
        const Rational average = figures.rhythm->average->nominal + (point.coulomb - now.front().coulomb) / found->every;
        if (const auto life = lifeFor(average, part, plan.board, figures)) {
            points.push_back({point.hertz, *life, *life});
        }
    }
    return points;
}

} // namespace wisetick
