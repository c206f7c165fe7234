#include "rhythm/play.h"
#include "base/text.h"
#include "rhythm/gap_bounds.h"

#include "derive/line_limits.h"
#include "quantity/quantity_print.h"
#include "rhythm/battery.h"
#include "rhythm/job_runs.h"
#include "rhythm/job_variants.h"
#include "rhythm/rare_jobs.h"
#include "rhythm/rest_cost.h"

#include <algorithm>
#include <deque>
#include <unordered_map>
#include <utility>

namespace wisetick {

namespace {

enum class Corner { typical, longest };

/// Works out one play: two timelines, the charge of each of their items, and what follows.
class Play {
public:
    Play(const Part& part, const Plan& plan, const std::string& take, const std::map<std::string, Figures>& derived,
         Diagnostics& findings, GoOn goOn = {})
        : part_(part), plan_(plan), variants_(part, plan, take, derived), takes_(variants_.figures()), base_(*takes_.front()),
          findings_(findings), goOn_(std::move(goOn)), restsIn_(restOf(part, *findTake(plan, take))),
          rare_(slots_, restsIn_.has_value(), base_.grid.celsius.size()) {
        for (const Job& job : plan.jobs) {
            if (job.brings.isZero()) {
                lanes_.push_back(&job);
            }
        }
        timings_ = jobTimings(part, plan, base_, lanes_);
    }

    RhythmFigure work() {
        const auto isEmpty = [](const Figures* figures) { return figures->modes.empty(); };
        if (std::any_of(takes_.begin(), takes_.end(), isEmpty)) {
            figure_.unknown = phrase("unknown: currents of the modes");
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
        const std::vector<TimelineTake> takes = timelineTakes(Corner::typical);
        rare_.splitRare(*jobs, true);
        ChancePlay play{Timeline(rare_.withoutRare(*jobs), takes, restsIn_.has_value()), {}, {}, {}};
        addSlots();
        for (const Slot& slot : slots_) {
            if (slot.doing != Doing::job || !rare_.isRare(slot.which)) {
                play.amperes.push_back(slot.typ[base_.grid.nominal].toDouble());
            }
        }
        const std::vector<std::size_t> roots = rootsOf(*jobs);
        for (std::size_t i = 0; i < jobs->size(); ++i) {
            if (!rare_.isRare(i)) {
                const TimelineJob& root = (*jobs)[roots[i]];
                play.shares.push_back(root.isRandom ? -1.0 : ((*jobs)[i].lasts / root.every).toDouble());
            }
        }
        for (const RareRun& rare : rare_.runs()) {
            const RareCost cost = rare_.costOf(rare, *jobs, takes, &Slot::typ);
            play.rare.push_back({cost.charge[base_.grid.nominal].toDouble(), rare.every.toDouble(), rare.isRandom});
        }
        return play;
    }

private:
    /// The mode that is rested in, if it is none that runs.
    static std::optional<std::size_t> restOf(const Part& part, const Take& take) {
        const auto mode = part.findMode(take.restsIn);
        return mode && part.modes[*mode].runs ? std::nullopt : mode;
    }

    const ModeFigure& run(const Figures& figures) const { return figures.modes[part_.runMode()]; }
    const ModeFigure& rest() const { return base_.modes[restsIn_.value_or(part_.runMode())]; }

    void addUnknown(const Text& unknown) {
        if (!unknown.empty() && figure_.unknown.find(unknown) == std::string::npos) {
            figure_.unknown += (figure_.unknown.empty() ? "" : "; ") + unknown;
        }
    }

    void find(Severity severity, const std::string& path, const Text& found, const Text& expected) {
        findings_.push_back({severity, {{}, 0, 0, path}, found, expected, {}});
    }

    /// Without jobs it rests for ever, or runs for ever where no rest is chosen.
    void playNothing() {
        figure_.span = 1;
        addSlots();
        Slot& only = restsIn_ ? slots_.front() : slotOf(slots_, Doing::waiting, 0);
        only.timeTyp = only.timeMax = 1;
        figure_.trace = traceOf({{only.doing, 0, 0, 1}});
    }

    std::size_t takeIndex(const Job& job) const { return variants_.of(job); }

    /// How long a job takes at this corner; nothing where its take has no core rate.
    std::optional<Rational> lasting(const Job& job, Corner corner) {
        if (job.lasts) {
            return job.lasts;
        }
        const auto& core = takes_[takeIndex(job)]->lines[part_.core].hertz;
        if (!core) {
            return std::nullopt;
        }
        const Figures& figures = *takes_[takeIndex(job)];
        return *job.cycles / ((corner == Corner::typical ? core->nominal : core->min) * executionSpeed(figures.waits));
    }

    std::optional<std::vector<TimelineJob>> timelineJobs(Corner corner) {
        std::vector<TimelineJob> jobs;
        std::unordered_map<std::string, std::size_t> places;
        for (std::size_t i = 0; i < lanes_.size(); ++i) {
            places.emplace(lanes_[i]->name, i);
        }
        for (const Job* job : lanes_) {
            const auto lasts = lasting(*job, corner);
            if (!lasts) {
                addUnknown(phrase("unknown: how long job '{}' takes, its take has no core rate", job->name));
                return std::nullopt;
            }
            TimelineJob timed{job->every, job->phase, *lasts, takeIndex(*job), job->jitter, job->isRandom, std::nullopt};
            if (const auto place = places.find(job->after); place != places.end()) {
                timed.after = place->second;
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

    void addSlot(Text name, Target target, Doing doing, std::size_t which, const CurrentFigure& current,
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
        addSlot(phrase("rest in {}", rest().id), Target::mode(rest().id), Doing::resting, 0, rest().current);
        const auto named = [&](const Text& what, std::size_t take) {
            const Text name = variants_.nameOf(take);
            return name.empty()               ? what
                   : name.starts_with("job ") ? phrase("{} for {}", what, name)
                                              : phrase("{} of {}", what, name);
        };
        for (std::size_t i = 0; i < takes_.size(); ++i) {
            Slot stages{named(phrase("stages of waking"), i), Target::mode(rest().id), Doing::stages, i, {}, {}, nullptr, {}};
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
        for (const auto& [doing, what] :
             {std::pair(Doing::restoring, phrase("start-ups")), std::pair(Doing::waiting, phrase("waiting awake"))}) {
            for (std::size_t i = 0; i < takes_.size(); ++i) {
                const bool isOnly = doing == Doing::waiting && lanes_.empty() && i == 0;
                const bool isStarting = doing == Doing::restoring && restsIn_;
                if (isStarting) {
                    starting_.push_back(startUpCurrent(part_, *takes_[i], *restsIn_));
                }
                addSlot(isOnly ? "running" : named(what, i), isOnly ? Target::mode(rest().id) : Target::take(takes_[i]->take),
                        doing, i, isStarting ? starting_.back() : run(*takes_[i]).current);
            }
        }
        for (std::size_t i = 0; i < lanes_.size(); ++i) {
            const Job& job = *lanes_[i];
            const auto mode = job.mode.empty() ? std::optional(part_.runMode()) : part_.findMode(job.mode);
            const Figures& figures = *takes_[takeIndex(job)];
            addSlot(phrase("job {}", job.name), Target::job(job.name), Doing::job, i,
                    figures.modes[mode.value_or(part_.runMode())].current, job.draws);
        }
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
        const ModeFigure& waiting = run(*takes_[take]);
        const RestCost awake = restCost(base_.grid, waiting, waiting, waiting.current);
        const RestCost asleep =
            restCost(base_.grid, rest(), takes_[take]->modes[*restsIn_], startUpCurrent(part_, *takes_[take], *restsIn_));
        const auto even = breakEven(awake, asleep);
        return even ? std::max(*even, asleep.length) : asleep.length;
    }

    bool playJobs() {
        const auto typical = timelineJobs(Corner::typical);
        const auto longest = timelineJobs(Corner::longest);
        if (!typical || !longest) {
            return false;
        }
        const std::vector<TimelineTake> typicalTakes = timelineTakes(Corner::typical);
        const std::vector<TimelineTake> longestTakes = timelineTakes(Corner::longest);
        const auto isByChance = [](const TimelineJob& job) { return job.isRandom || !job.jitter.isZero(); };
        figure_.isByChance = std::any_of(typical->begin(), typical->end(), isByChance);
        orStop(goOn_);
        const Rational span = rare_.splitRare(*typical, figure_.isByChance);
        orStop(goOn_);
        const Timeline typicalLine(rare_.withoutRare(*typical), typicalTakes, restsIn_.has_value(), goOn_);
        const Timeline longestLine(rare_.withoutRare(*longest), longestTakes, restsIn_.has_value(), goOn_);
        const TimelineTotals typ = typicalLine.play(span);
        const TimelineTotals max = longestLine.play(span);
        orStop(goOn_);
        figure_.span = typ.span;
        figure_.wakeUps = typ.wakeUps;
        figure_.events = typ.runs;
        figure_.isWhole = !rare_.isCut() && typ.isSettled && max.isSettled;
        addSlots();
        std::size_t played = 0;
        for (Slot& slot : slots_) {
            const bool isJob = slot.doing == Doing::job;
            if (isJob && rare_.isRare(slot.which)) {
                continue;
            }
            slot.timeTyp = timeOf(typ, slot, played);
            slot.timeMax = timeOf(max, slot, played) * typ.span / max.span;
            played += isJob ? 1 : 0;
        }
        if (rare_.isCut() || typicalLine.hasChance()) {
            rare_.evenOut(*typical, figure_.span, &Slot::timeTyp);
            rare_.evenOut(*longest, figure_.span, &Slot::timeMax);
        }
        orStop(goOn_);
        rare_.addRare(*typical, typicalTakes, {figure_.span, figure_.wakeUps}, &Slot::timeTyp);
        rare_.addRare(*longest, longestTakes, {figure_.span, figure_.wakeUps}, &Slot::timeMax);
        rare_.boundCut(*longest, longestTakes, figure_.span, !isOneTiming());
        std::optional<GapBounds> gaps;
        if (restsIn_ && isOneTiming() && !figure_.isByChance && !rare_.isCut()) {
            const auto typicalJobs = rare_.withoutRare(*typical);
            const auto longestJobs = rare_.withoutRare(*longest);
            gaps = gapBounds({typicalJobs, longestJobs, typicalTakes, longestTakes}, span, *commonStretch(lanes_, timings_));
            rare_.boundUnsure(*gaps, longestTakes, figure_.span, base_.grid.nominal);
        }
        orStop(goOn_);
        stretchTimes();
        findLongestRest(std::max(typ.longestRest, max.longestRest), *typical, gaps);
        checkLoad(*longest, max);
        const auto wholly = figure_.isWhole && rare_.runs().empty() ? gaps : std::nullopt;
        const PlayedJobs all{part_,    plan_,    base_,        lanes_,       timings_, restsIn_,
                             *typical, *longest, typicalTakes, longestTakes, wholly};
        orStop(goOn_);
        addLatencies(all);
        orStop(goOn_);
        figure_.runs = jobRuns(all, typ.intervals, max.intervals, figure_.latencies);
        tellWhatWasCut(typ.isSettled && max.isSettled);
        checkKnown();
        orStop(goOn_);
        const std::vector<Stretch> stretches = typicalLine.stretches(typ.from, typ.span);
        orStop(goOn_);
        figure_.trace = traceOf(stretches);
        return true;
    }

    void tellWhatWasCut(bool isSettled) {
        if (rare_.isCut()) {
            find(Severity::warning, "rhythm", phrase("the jobs repeat only after more than 100000 runs"),
                 phrase("periods that share a multiple; the figures are those of the first 100000, with a bound for the rest"));
        } else if (!isSettled && figure_.load <= 1) {
            find(Severity::warning, "rhythm",
                 phrase("the jobs don't settle into a pattern that comes again in all that was played"),
                 phrase("periods that leave more room; the figures are those of the last that was played"));
        }
        for (const RareRun& rare : rare_.runs()) {
            find(Severity::note, "rhythm",
                 phrase("job '{}' comes too rarely to be played and is added apart", lanes_[rare.root]->name),
                 phrase("what its meeting the others could change is in the bounds"));
        }
    }

    /// Whether all that comes by periods is timed by the same: else the jobs slide against one another.
    bool isOneTiming() const { return commonStretch(lanes_, timings_).has_value(); }

    /// What a rare job holds up runs behind it, so that the rest that follows may be as long as until the next of the others; so
    /// it may be where the jobs slide against one another. It grows with what times the jobs.
    void findLongestRest(const Rational& played, const std::vector<TimelineJob>& jobs, const std::optional<GapBounds>& gaps) {
        if (!restsIn_) {
            return;
        }
        const bool isLoose = !rare_.runs().empty() || !isOneTiming();
        std::optional<Rational> next;
        for (std::size_t i = 0; i < jobs.size(); ++i) {
            if (rare_.isRare(i) || jobs[i].after || jobs[i].isRandom) {
                continue;
            }
            const Rational gap = jobs[i].every + jobs[i].jitter;
            if (!next || gap < *next) {
                next = gap;
                figure_.restTiming = timings_[i];
            }
        }
        figure_.longestRest = next && isLoose ? std::max(played, *next) : played;
        figure_.restGrows = next.value_or(Rational(0));
        if (gaps && gaps->longestRest) {
            const Rational stretch = commonStretch(lanes_, timings_)->max - 1;
            const Rational told = *figure_.longestRest + stretch * figure_.restGrows;
            if (*gaps->longestRest > told && stretch.sign() > 0) {
                figure_.restGrows += (*gaps->longestRest - told) / stretch;
            } else if (*gaps->longestRest > told && !gaps->isSure()) {
                figure_.longestRest = *gaps->longestRest;
            }
        }
        addUnknownTimings();
    }

    void addUnknownTimings() {
        for (const JobTiming& timing : timings_) {
            addUnknown(timing.unknown);
        }
    }

    /// Jobs come more often where what times them is fast.
    void stretchTimes() {
        Rational most = 1;
        Rational least = 1;
        for (std::size_t i = 0; i < lanes_.size(); ++i) {
            most = std::max(most, 1 / timings_[i].stretch.min);
            least = std::min(least, 1 / timings_[i].stretch.max);
        }
        if (most == 1 && least == 1 && isOneTiming()) {
            return;
        }
        const Slot& idle = restsIn_ ? slots_.front() : slotOf(slots_, Doing::waiting, 0);
        for (Slot& slot : slots_) {
            if (&slot == &idle) {
                continue;
            }
            const bool isJob = slot.doing == Doing::job;
            const Rational more = slot.timeMax * ((isJob ? 1 / timings_[slot.which].stretch.min : most) - 1);
            takeIdle(slots_, more, &Slot::timeMax);
            slot.timeMax += more;
            for (std::size_t point = 0; point < slot.typ.size() && point < idle.typ.size(); ++point) {
                // those that slide against one another may all meet: then none wakes, or waits, by itself
                const Rational share = isJob ? 1 / timings_[slot.which].stretch.max : (isOneTiming() ? least : Rational(0));
                const Rational fewer = slot.timeTyp * (1 - share);
                rare_.spare(point, fewer * std::max(slot.typ[point] - idle.typ[point], Rational(0)) / figure_.span);
            }
        }
    }

    void addLatencies(const PlayedJobs& jobs) {
        figure_.latencies = latenciesOf(coreTasks(jobs), goOn_);
        for (const LatencyFigure& latency : figure_.latencies) {
            if (latency.state != State::kept) {
                find(latency.state == State::broken ? Severity::error : Severity::warning,
                     latency.isHandler ? "promise." + latency.name : "job." + latency.name + ".done_within",
                     (latency.isHandler ? phrase("the handler of {}", latency.name) : phrase("job '{}'", latency.name)) + " " +
                         latency.why,
                     latency.isHandler ? phrase("a shorter handler, or a longer interval")
                                       : phrase("a longer time, or less that stands before it"));
            }
        }
    }

    /// `job` is the place among the jobs that were played.
    static Rational timeOf(const TimelineTotals& totals, const Slot& slot, std::size_t job) {
        switch (slot.doing) {
        case Doing::resting: return totals.resting;
        case Doing::stages: return totals.stages[slot.which];
        case Doing::restoring: return totals.restoring[slot.which];
        case Doing::waiting: return totals.waiting[slot.which];
        case Doing::job: return totals.jobs[job];
        }
        return {};
    }

    /// The share of the time that the core is taken: by jobs, by waking and starting up for them, and by the handlers of
    /// interrupts that promises want.
    void checkLoad(const std::vector<TimelineJob>& jobs, const TimelineTotals& longest) {
        const std::vector<std::size_t> roots = rootsOf(jobs);
        for (std::size_t i = 0; i < jobs.size(); ++i) {
            const Rational share = jobs[i].lasts / (jobs[roots[i]].every * timings_[i].stretch.min);
            figure_.load = shortened(figure_.load + share, Rounding::up);
        }
        for (const std::vector<Rational>* list : {&longest.stages, &longest.restoring}) {
            for (const Rational& time : *list) {
                figure_.load = shortened(figure_.load + shortened(time / longest.span, Rounding::up), Rounding::up);
            }
        }
        for (const Promise& promise : plan_.promises) {
            const auto* fires = promise.line.ask.as<FiresAsk>();
            const auto& core = base_.lines[part_.core].hertz;
            if (fires != nullptr && fires->handled && core) {
                figure_.load +=
                    (*fires->handled + part_.interruptCycles()) / (core->min * executionSpeed(base_.waits)) / fires->period;
            }
        }
        if (figure_.load > 1) {
            addUnknown(phrase("unknown: the jobs do not fit into the time"));
            find(Severity::error, "rhythm",
                 phrase("what the core has to do does not fit: it needs {} of the time",
                        printQuantity(figure_.load, Unit::ratio, 4)),
                 phrase("at most 100 %, wake-ups, start-ups and interrupts included"));
        } else if (figure_.load > Rational(7, 10)) {
            find(Severity::warning, "rhythm",
                 phrase("the core is taken {} of the time at its slowest", printQuantity(figure_.load, Unit::ratio, 4)),
                 phrase("at most 70 %, so that what comes late still finds room"));
        }
    }

    /// What is unknown of all that goes on.
    void checkKnown() {
        for (const Slot& slot : slots_) {
            if (slot.doing == Doing::stages && slot.timeTyp.sign() > 0) {
                for (const Contribution& stage : rest().stageDraws) {
                    addUnknown(stage.typ.empty() ? phrase("unknown: draw of stage {}", stage.name) : "");
                }
            } else if (slot.doing != Doing::resting && (slot.doing == Doing::job || slot.timeTyp.sign() > 0)) {
                addUnknown(slot.current == nullptr ? "" : slot.current->unknown);
            }
        }
    }

    void sumUp() {
        orStop(goOn_);
        Rational taken; // of the span
        for (const Slot& slot : slots_) {
            taken = shortened(taken + slot.timeTyp, Rounding::down);
        }
        if (figure_.load > 1 && taken > figure_.span) {
            return; // more goes on than there is time: that has no average
        }
        const std::size_t points = base_.grid.celsius.size();
        Charge charge(points);
        for (const Slot& slot : slots_) {
            charge.add(slot.timeTyp, slot.typ, slot.timeMax, slot.max);
            orStop(goOn_);
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
        for (std::size_t i = 0; i < rare_.spared().size(); ++i) {
            figure_.average->min = std::max(std::min(figure_.average->min, typ[i] - rare_.spared()[i]), Rational(0));
        }
        figure_.peak = peakOf(slots_, nominal, rest().current, stagesByTake());
        orStop(goOn_);
        addShares(slots_, nominal, typ[nominal], figure_);
        orStop(goOn_);
        addAverageWorkings(base_.grid, max, spanOrigins(plan_.jobs, rest()), figure_);
        orStop(goOn_);
        addHarvest();
        if (plan_.board.battery) {
            addLife(plan_.board, base_.grid,
                    {typ, max, *figure_.peak, figure_.brings.value_or(Rational(0)), leastSupply(part_, plan_.board, base_.tier)},
                    figure_, findings_);
        }
    }

    /// The stages of waking into each take, where there is a rest.
    std::vector<const std::vector<Contribution>*> stagesByTake() const {
        std::vector<const std::vector<Contribution>*> stages;
        for (const Figures* take : takes_) {
            stages.push_back(restsIn_ ? &take->modes[*restsIn_].stageDraws : nullptr);
        }
        return stages;
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
            figure_.lifeWorkings.push_back({phrase("{} brings", job.name),
                                            phrase("current \u00d7 share of the time"),
                                            printQuantity(job.brings, Unit::ampere) + " \u00d7 " +
                                                printQuantity(*lasts, Unit::second) + " \u00f7 " +
                                                printQuantity(job.every, Unit::second),
                                            printQuantity(job.brings * share, Unit::ampere),
                                            {{job.name, {}, Target::job(job.name), {}}}});
        }
        if (brings.sign() > 0) {
            figure_.brings = brings;
        }
    }

    const Part& part_;
    const Plan& plan_;
    JobVariants variants_;
    const std::vector<const Figures*>& takes_; ///< the variants; the take that is meant first
    const Figures& base_;
    Diagnostics& findings_;
    GoOn goOn_;
    std::optional<std::size_t> restsIn_;
    std::vector<const Job*> lanes_;  ///< the jobs that need the core
    std::vector<JobTiming> timings_; ///< of the lanes
    std::vector<Slot> slots_;
    std::deque<CurrentFigure> starting_; ///< by take, where there is a rest
    RareJobs rare_;
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
