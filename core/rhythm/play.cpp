#include "rhythm/play.h"

#include "quantity/quantity_print.h"
#include "rhythm/battery.h"
#include "rhythm/rest_cost.h"

#include <algorithm>

namespace wisetick {

namespace {

enum class Corner { typical, longest };

/// Charge in C over the grid of temperatures, typical and largest.
struct Charge {
    std::vector<Rational> typ;
    std::vector<Rational> max;

    explicit Charge(std::size_t points) : typ(points), max(points) {}

    /// Adds time × current; what is not known of a current adds nothing.
    void add(const Rational& timeTyp, const std::vector<Rational>& ampereTyp, const Rational& timeMax,
             const std::vector<Rational>& ampereMax) {
        for (std::size_t i = 0; i < ampereTyp.size(); ++i) {
            typ[i] += timeTyp * ampereTyp[i];
        }
        for (std::size_t i = 0; i < ampereMax.size(); ++i) {
            max[i] += timeMax * ampereMax[i];
        }
    }
};

/// One thing that can go on, and what it draws, over the grid of temperatures.
struct Slot {
    std::string name;
    std::string target;
    Doing doing = Doing::resting;
    std::size_t which = 0;
    std::vector<Rational> typ;              ///< A
    std::vector<Rational> max;              ///< A
    const CurrentFigure* current = nullptr; ///< what it is made up of, beside the outside draw; nullptr: of stages
    Rational outside;                       ///< A
    Rational timeTyp = {};                  ///< s, in the span
    Rational timeMax = {};
};

/// Works out one play: two timelines, the charge of each of their items, and what follows.
class Play {
public:
    Play(const Part& part, const Plan& plan, const std::string& take, const std::map<std::string, Figures>& derived,
         Diagnostics& findings, GoOn goOn = {})
        : part_(part), plan_(plan), base_(derived.at(take)), findings_(findings), goOn_(std::move(goOn)) {
        takes_.push_back(&base_);
        for (const auto& [name, figures] : derived) {
            if (name != take) {
                takes_.push_back(&figures);
            }
        }
        for (const Job& job : plan.jobs) {
            if (job.brings.isZero()) {
                lanes_.push_back(&job);
            }
        }
        restsIn_ = part.findMode(findTake(plan, take)->restsIn);
        if (restsIn_ && part.modes[*restsIn_].runs) {
            restsIn_.reset();
        }
    }

    RhythmFigure work() {
        const auto isEmpty = [](const Figures* figures) { return figures->modes.empty(); };
        if (std::any_of(takes_.begin(), takes_.end(), isEmpty)) {
            figure_.unknown = "unknown: currents of the modes";
            return std::move(figure_);
        }
        addUnknown(run(base_).current.unknown);
        if (restsIn_) {
            addUnknown(base_.modes[*restsIn_].current.unknown);
        }
        if (lanes_.empty()) {
            playNothing();
        } else if (!playJobs()) {
            return std::move(figure_);
        }
        sumUp();
        return std::move(figure_);
    }

    std::optional<ChancePlay> chance() {
        const auto isEmpty = [](const Figures* figures) { return figures->modes.empty(); };
        const auto jobs =
            lanes_.empty() || std::any_of(takes_.begin(), takes_.end(), isEmpty) ? std::nullopt : timelineJobs(Corner::typical);
        if (!jobs) {
            return std::nullopt;
        }
        ChancePlay play{Timeline(*jobs, timelineTakes(Corner::typical), restsIn_.has_value()), {}};
        addSlots();
        for (const Slot& slot : slots_) {
            play.amperes.push_back(slot.typ[base_.grid.nominal].toDouble());
        }
        return play;
    }

private:
    const ModeFigure& run(const Figures& figures) const { return figures.modes[part_.runMode()]; }
    const ModeFigure& rest() const { return base_.modes[restsIn_.value_or(part_.runMode())]; }

    void addUnknown(const std::string& unknown) {
        if (!unknown.empty() && figure_.unknown.find(unknown) == std::string::npos) {
            figure_.unknown += (figure_.unknown.empty() ? "" : "; ") + unknown;
        }
    }

    void find(Severity severity, const std::string& path, const std::string& found, const std::string& expected) {
        findings_.push_back({severity, {{}, 0, 0, path}, found, expected, {}});
    }

    /// Without jobs it rests for ever, or runs for ever where no rest is chosen.
    void playNothing() {
        figure_.span = 1;
        addSlots();
        Slot& only = restsIn_ ? slots_.front() : slotOf(Doing::waiting, 0);
        only.timeTyp = only.timeMax = 1;
        figure_.trace = traceOf({{only.doing, 0, 0, 1}});
    }

    std::size_t takeIndex(const Job& job) const {
        const std::string& name = job.take.empty() ? plan_.active : job.take;
        for (std::size_t i = 0; i < takes_.size(); ++i) {
            if (takes_[i]->take == name) {
                return i;
            }
        }
        return 0;
    }

    /// How long a job takes at this corner; nothing where its take has no core rate.
    std::optional<Rational> lasting(const Job& job, Corner corner) {
        if (job.lasts) {
            return job.lasts;
        }
        const auto& core = takes_[takeIndex(job)]->lines[part_.core].hertz;
        if (!core) {
            return std::nullopt;
        }
        return *job.cycles / (corner == Corner::typical ? core->nominal : core->min);
    }

    std::optional<std::vector<TimelineJob>> timelineJobs(Corner corner) {
        std::vector<TimelineJob> jobs;
        for (const Job* job : lanes_) {
            const auto lasts = lasting(*job, corner);
            if (!lasts) {
                addUnknown("unknown: how long job '" + job->name + "' takes, its take has no core rate");
                return std::nullopt;
            }
            TimelineJob timed{job->every, job->phase, *lasts, takeIndex(*job), job->jitter, job->isRandom, std::nullopt};
            for (std::size_t i = 0; i < lanes_.size() && !job->after.empty(); ++i) {
                if (lanes_[i]->name == job->after) {
                    timed.after = i;
                }
            }
            jobs.push_back(std::move(timed));
        }
        return jobs;
    }

    /// How long a change of take while awake takes: the start-ups of what was off before.
    Rational changeTime(const Figures& from, const Figures& to, Corner corner) {
        std::vector<std::optional<NodeIndex>> parents;
        std::vector<bool> needed;
        for (NodeIndex node = 0; node < to.lines.size(); ++node) {
            parents.push_back(to.lines[node].parent);
            needed.push_back(to.lines[node].isOn && !from.lines[node].isOn);
        }
        const WakeUpFigure change = wakeUp(Mode(), startUpsOf(part_, parents, needed));
        addUnknown(change.unknown);
        return corner == Corner::typical ? change.restored.nominal : change.restored.max;
    }

    void addSlot(std::string name, std::string target, Doing doing, std::size_t which, const CurrentFigure& current,
                 const Rational& outside = {}) {
        Slot slot{std::move(name), std::move(target), doing, which, current.typ, current.max, &current, outside};
        for (auto* list : {&slot.typ, &slot.max}) {
            for (Rational& ampere : *list) {
                ampere += outside;
            }
        }
        slots_.push_back(std::move(slot));
    }

    /// Everything that can go on: rest, then by take stages, start-ups and waiting, then the jobs.
    void addSlots() {
        addSlot("rest in " + rest().id, "mode/" + rest().id, Doing::resting, 0, rest().current);
        const auto named = [&](const char* what, std::size_t take) {
            return what + (takes_.size() > 1 ? " of take " + takes_[take]->take : std::string());
        };
        for (std::size_t i = 0; i < takes_.size(); ++i) {
            Slot stages{named("stages of waking", i), "mode/" + rest().id, Doing::stages, i, {}, {}, nullptr, {}};
            stages.typ.assign(base_.grid.celsius.size(), Rational(0));
            stages.max = stages.typ;
            if (restsIn_) {
                const WakeUpFigure& wake = *takes_[i]->modes[*restsIn_].wakeUp;
                const StageCharge charge = stageCharge(base_.grid, rest(), takes_[i]->modes[*restsIn_]);
                for (std::size_t point = 0; point < stages.typ.size(); ++point) {
                    if (wake.firstInstruction.nominal.sign() > 0) {
                        stages.typ[point] = charge.typ[point] / wake.firstInstruction.nominal;
                    }
                    if (wake.firstInstruction.max.sign() > 0) {
                        stages.max[point] = charge.max[point] / wake.firstInstruction.max;
                    }
                }
            }
            slots_.push_back(std::move(stages));
        }
        for (const auto& [doing, what] : {std::pair(Doing::restoring, "start-ups"), std::pair(Doing::waiting, "waiting awake")}) {
            for (std::size_t i = 0; i < takes_.size(); ++i) {
                const bool isOnly = doing == Doing::waiting && lanes_.empty() && i == 0;
                addSlot(isOnly ? "running" : named(what, i), isOnly ? "mode/" + rest().id : "take/" + takes_[i]->take, doing, i,
                        run(*takes_[i]).current);
            }
        }
        for (std::size_t i = 0; i < lanes_.size(); ++i) {
            const Job& job = *lanes_[i];
            const auto mode = job.mode.empty() ? std::optional(part_.runMode()) : part_.findMode(job.mode);
            const Figures& figures = *takes_[takeIndex(job)];
            addSlot("job " + job.name, "job/" + job.name, Doing::job, i, figures.modes[mode.value_or(part_.runMode())].current,
                    job.draws);
        }
    }

    Slot& slotOf(Doing doing, std::size_t which) {
        return *std::find_if(slots_.begin(), slots_.end(),
                             [&](const Slot& slot) { return slot.doing == doing && slot.which == which; });
    }

    std::shared_ptr<const Trace> traceOf(const std::vector<Stretch>& stretches) const {
        std::vector<TraceState> states;
        for (const Slot& slot : slots_) {
            states.push_back({slot.name, slot.target, slot.doing, slot.which, slot.typ[base_.grid.nominal].toDouble()});
        }
        return std::make_shared<const Trace>(std::move(states), stretches, figure_.span.toDouble());
    }

    std::vector<TimelineTake> timelineTakes(Corner corner) {
        std::vector<TimelineTake> takes;
        for (std::size_t i = 0; i < takes_.size(); ++i) {
            TimelineTake timing;
            for (const Figures* from : takes_) {
                timing.changeFrom.push_back(changeTime(*from, *takes_[i], corner));
            }
            if (restsIn_) {
                const WakeUpFigure& wake = *takes_[i]->modes[*restsIn_].wakeUp;
                addUnknown(wake.unknown);
                const bool isTypical = corner == Corner::typical;
                timing.stages = isTypical ? wake.firstInstruction.nominal : wake.firstInstruction.max;
                timing.restore = (isTypical ? wake.restored.nominal : wake.restored.max) - timing.stages;
                timing.leastRest = leastRest(i);
            }
            takes.push_back(std::move(timing));
        }
        return takes;
    }

    /// The gap that a rest must exceed: the wake-up's own length, and the break-even against waiting awake.
    Rational leastRest(std::size_t take) const {
        const RestCost awake = restCost(base_.grid, run(*takes_[take]), run(*takes_[take]), run(*takes_[take]));
        const RestCost asleep = restCost(base_.grid, rest(), takes_[take]->modes[*restsIn_], run(*takes_[take]));
        const auto even = breakEven(awake, asleep);
        return even ? std::max(*even, asleep.length) : asleep.length;
    }

    /// The hyperperiod, or as much of it as kMostRuns job runs fill; where jobs come by chance what kChanceRuns fill.
    Rational spanOf(const std::vector<TimelineJob>& jobs, bool hasChance) {
        Rational perSecond = 0;
        for (const TimelineJob& job : jobs) {
            const TimelineJob* first = &job;
            while (first->after) {
                first = &jobs[*first->after];
            }
            perSecond += 1 / first->every;
        }
        if (hasChance) {
            return Rational(kChanceRuns) / perSecond;
        }
        const auto whole = hyperperiod(jobs);
        if (whole && *whole * perSecond <= kMostRuns) {
            return *whole;
        }
        figure_.isWhole = false;
        find(Severity::warning, "rhythm", "the jobs repeat only after more than 100000 runs",
             "periods that share a multiple; the figures are those of the first 100000");
        return Rational(kMostRuns) / perSecond;
    }

    bool playJobs() {
        const auto typical = timelineJobs(Corner::typical);
        const auto longest = timelineJobs(Corner::longest);
        if (!typical || !longest) {
            return false;
        }
        const Timeline typicalLine(*typical, timelineTakes(Corner::typical), restsIn_.has_value(), goOn_);
        const Timeline longestLine(*longest, timelineTakes(Corner::longest), restsIn_.has_value(), goOn_);
        figure_.isByChance = typicalLine.hasChance();
        figure_.span = spanOf(*typical, figure_.isByChance);
        const TimelineTotals typ = typicalLine.play(figure_.span);
        const TimelineTotals max = longestLine.play(figure_.span);
        figure_.wakeUps = typ.wakeUps;
        figure_.events = typ.runs;
        if (restsIn_) {
            figure_.longestRest = std::max(typ.longestRest, max.longestRest);
        }
        checkLoad(*longest);
        addSlots();
        for (Slot& slot : slots_) {
            slot.timeTyp = timeOf(typ, slot);
            slot.timeMax = timeOf(max, slot);
        }
        checkKnown();
        figure_.trace = traceOf(typicalLine.stretches(figure_.span));
        return true;
    }

    static Rational timeOf(const TimelineTotals& totals, const Slot& slot) {
        switch (slot.doing) {
        case Doing::resting: return totals.resting;
        case Doing::stages: return totals.stages[slot.which];
        case Doing::restoring: return totals.restoring[slot.which];
        case Doing::waiting: return totals.waiting[slot.which];
        case Doing::job: return totals.jobs[slot.which];
        }
        return {};
    }

    void checkLoad(const std::vector<TimelineJob>& jobs) {
        for (const TimelineJob& job : jobs) {
            const TimelineJob* first = &job;
            while (first->after) {
                first = &jobs[*first->after];
            }
            figure_.load += job.lasts / first->every;
        }
        if (figure_.load > 1) {
            find(Severity::error, "rhythm",
                 "the jobs don't fit: they need " + printQuantity(figure_.load, Unit::ratio) + " of the time",
                 "at most 100 %, wake-ups included");
        }
    }

    /// What is unknown of all that goes on.
    void checkKnown() {
        for (const Slot& slot : slots_) {
            if (slot.doing == Doing::stages && slot.timeTyp.sign() > 0) {
                for (const Contribution& stage : rest().stageDraws) {
                    addUnknown(stage.typ.empty() ? "unknown: draw of stage " + stage.name : "");
                }
            } else if (slot.doing != Doing::resting && (slot.doing == Doing::job || slot.timeTyp.sign() > 0)) {
                addUnknown(slot.current == nullptr ? "" : slot.current->unknown);
            }
        }
    }

    void sumUp() {
        const std::size_t points = base_.grid.celsius.size();
        Charge charge(points);
        for (const Slot& slot : slots_) {
            charge.add(slot.timeTyp, slot.typ, slot.timeMax, slot.max);
        }
        std::vector<Rational>& typ = charge.typ;
        std::vector<Rational>& max = charge.max;
        for (std::size_t i = 0; i < points; ++i) {
            typ[i] /= figure_.span;
            max[i] = std::max(max[i] / figure_.span, typ[i]);
        }
        const std::size_t nominal = base_.grid.nominal;
        figure_.average =
            Bounds{*std::min_element(typ.begin(), typ.end()), typ[nominal], *std::max_element(max.begin(), max.end())};
        findPeak();
        addShares(typ[nominal]);
        addAverageWorkings(max);
        addHarvest();
        if (plan_.board.battery) {
            addLife(part_, plan_.board, base_.grid, {typ, max, *figure_.peak, figure_.brings.value_or(Rational(0))}, figure_,
                    findings_);
        }
    }

    /// The largest current that goes on for any time.
    void findPeak() {
        Bounds peak = Bounds::exactly(0);
        for (const Slot& slot : slots_) {
            if (slot.timeTyp.sign() > 0 || slot.timeMax.sign() > 0) {
                peak.nominal = std::max(peak.nominal, slot.typ[base_.grid.nominal]);
                peak.min = std::max(peak.min, *std::min_element(slot.typ.begin(), slot.typ.end()));
                peak.max = std::max({peak.max, *std::max_element(slot.max.begin(), slot.max.end()),
                                     *std::max_element(slot.typ.begin(), slot.typ.end())});
            }
        }
        figure_.peak = peak;
    }

    /// What the jobs bring that need no core, on average.
    void addHarvest() {
        Rational brings;
        for (const Job& job : plan_.jobs) {
            const auto lasts = job.brings.isZero() ? std::nullopt : lasting(job, Corner::typical);
            if (!lasts || job.every.isZero()) {
                continue;
            }
            const Rational share = std::min(*lasts / job.every, Rational(1));
            brings += job.brings * share;
            figure_.lifeWorkings.push_back({job.name + " brings",
                                            "current \u00d7 share of the time",
                                            printQuantity(job.brings, Unit::ampere) + " \u00d7 " +
                                                printQuantity(*lasts, Unit::second) + " \u00f7 " +
                                                printQuantity(job.every, Unit::second),
                                            printQuantity(job.brings * share, Unit::ampere),
                                            {{job.name, {}, "job/" + job.name, {}}}});
        }
        if (brings.sign() > 0) {
            figure_.brings = brings;
        }
    }

    void addShares(const Rational& average) {
        for (const Slot& slot : slots_) {
            const Rational charge = slot.timeTyp * slot.typ[base_.grid.nominal];
            if (charge.sign() <= 0 || average.sign() <= 0) {
                continue;
            }
            figure_.shares.push_back({slot.name, slot.target, slot.timeTyp / figure_.span, charge / (average * figure_.span),
                                      charge / figure_.span, piecesOf(slot), slot.doing == Doing::resting});
        }
        std::stable_sort(figure_.shares.begin(), figure_.shares.end(),
                         [](const auto& a, const auto& b) { return a.ampere > b.ampere; });
    }

    std::vector<RhythmFigure::Share::Piece> piecesOf(const Slot& slot) const {
        std::vector<RhythmFigure::Share::Piece> pieces;
        const Rational share = slot.timeTyp / figure_.span;
        const auto add = [&](const std::string& name, const std::string& target, const Rational& ampere) {
            if (ampere.sign() > 0) {
                pieces.push_back({name, target, ampere * share});
            }
        };
        for (const Contribution& each : slot.current == nullptr ? std::vector<Contribution>() : slot.current->contributions) {
            if (!each.typ.empty()) {
                add(each.name, each.target, each.typ[base_.grid.nominal]);
            }
        }
        add("outside, while it runs", slot.target, slot.outside);
        std::stable_sort(pieces.begin(), pieces.end(), [](const auto& a, const auto& b) { return a.ampere > b.ampere; });
        return pieces;
    }

    /// The span is that of the jobs' periods.
    std::vector<Origin> jobOrigins() const {
        std::vector<Origin> origins;
        for (const Job& job : plan_.jobs) {
            origins.push_back({job.name, printQuantity(job.every, Unit::second), "job/" + job.name, {}});
        }
        if (origins.empty()) {
            origins.push_back({rest().id, {}, "mode/" + rest().id, {}});
        }
        return origins;
    }

    void addAverageWorkings(const std::vector<Rational>& max) {
        const auto ampere = [](const Rational& value) { return printQuantity(value, Unit::ampere); };
        for (const RhythmFigure::Share& share : figure_.shares) {
            const Rational current = share.ampere / share.timeShare;
            figure_.averageWorkings.push_back({share.name,
                                               "share of the time \u00d7 current",
                                               printQuantity(share.timeShare, Unit::ratio) + " \u00d7 " + ampere(current),
                                               ampere(share.ampere),
                                               {{share.name, {}, share.target, {}}}});
        }
        const auto worst = static_cast<std::size_t>(std::max_element(max.begin(), max.end()) - max.begin());
        figure_.averageWorkings.push_back(
            {"average", "sum, typical at " + printQuantity(base_.grid.celsius[base_.grid.nominal], Unit::celsius),
             "over " + printQuantity(figure_.span, Unit::second), ampere(figure_.average->nominal), jobOrigins()});
        figure_.averageWorkings.push_back({"worst case",
                                           "largest draws, longest wake-ups, slowest core, at the worst single temperature",
                                           "at " + printQuantity(base_.grid.celsius[worst], Unit::celsius),
                                           ampere(figure_.average->max),
                                           {{"temperature", {}, "plan/board.temperature", {}}}});
    }

    const Part& part_;
    const Plan& plan_;
    const Figures& base_;
    Diagnostics& findings_;
    GoOn goOn_;
    std::vector<const Figures*> takes_; ///< the one that is meant first
    std::optional<std::size_t> restsIn_;
    std::vector<const Job*> lanes_; ///< the jobs that need the core
    std::vector<Slot> slots_;
    RhythmFigure figure_;
};

} // namespace

RhythmFigure play(const Part& part, const Plan& plan, const std::string& take, const std::map<std::string, Figures>& derived,
                  Diagnostics& findings, const GoOn& goOn) {
    return Play(part, plan, take, derived, findings, goOn).work();
}

std::optional<ChancePlay> chancePlayOf(const Part& part, const Plan& plan, const std::string& take,
                                       const std::map<std::string, Figures>& derived) {
    Diagnostics ignored;
    return Play(part, plan, take, derived, ignored).chance();
}

} // namespace wisetick
