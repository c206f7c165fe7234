#include "rhythm/play.h"

#include "quantity/quantity_print.h"
#include "rhythm/timeline.h"

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

/// One thing that draws for some of the span.
struct Item {
    std::string name;
    std::string target;
    Rational time; ///< s, typical
    Charge charge;
};

/// Works out one play: two timelines, the charge of each of their items, and what follows.
class Play {
public:
    Play(const Part& part, const Plan& plan, const std::string& take, const std::map<std::string, Figures>& derived,
         Diagnostics& findings)
        : part_(part), plan_(plan), base_(derived.at(take)), findings_(findings) {
        takes_.push_back(&base_);
        for (const auto& [name, figures] : derived) {
            if (name != take) {
                takes_.push_back(&figures);
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
        if (plan_.jobs.empty()) {
            playNothing();
        } else if (!playJobs()) {
            return std::move(figure_);
        }
        sumUp();
        return std::move(figure_);
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
        addItem(restsIn_ ? "rest in " + rest().id : "running", "mode/" + rest().id, 1, 1, rest().current, 0);
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
        for (const Job& job : plan_.jobs) {
            const auto lasts = lasting(job, corner);
            if (!lasts) {
                addUnknown("unknown: how long job '" + job.name + "' takes, its take has no core rate");
                return std::nullopt;
            }
            jobs.push_back({job.every, job.phase, *lasts, takeIndex(job)});
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

    void addItem(const std::string& name, const std::string& target, const Rational& timeTyp, const Rational& timeMax,
                 const CurrentFigure& current, const Rational& outside) {
        Charge charge(base_.grid.celsius.size());
        charge.add(timeTyp, current.typ, timeMax, current.max);
        const std::vector<Rational> constant(charge.typ.size(), outside);
        charge.add(timeTyp, constant, timeMax, constant);
        items_.push_back({name, target, timeTyp, std::move(charge)});
    }

    /// Charge of the stages of so many wake-ups into a take: their own draws on top of the resting mode's.
    Charge stageCharge(std::size_t take, const Rational& countTyp, const Rational& countMax) const {
        Charge charge(base_.grid.celsius.size());
        const Mode& mode = part_.modes[*restsIn_];
        const WakeUpFigure& wake = *takes_[take]->modes[*restsIn_].wakeUp;
        charge.add(countTyp * wake.firstInstruction.nominal, rest().current.typ, countMax * wake.firstInstruction.max,
                   rest().current.max);
        for (std::size_t i = 0; i < mode.stages.size(); ++i) {
            const Contribution draw =
                contributionOf(mode.stages[i].say, "mode/" + mode.id, mode.stages[i].draws, Bounds::exactly(0), base_.grid);
            charge.add(countTyp * (wake.pieces[i].endTyp - wake.pieces[i].startTyp), draw.typ,
                       countMax * (wake.pieces[i].endMax - wake.pieces[i].startMax), draw.max.empty() ? draw.typ : draw.max);
        }
        return charge;
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
        const WakeUpFigure& wake = *takes_[take]->modes[*restsIn_].wakeUp;
        const std::size_t nominal = base_.grid.nominal;
        const Rational restore = wake.restored.nominal - wake.firstInstruction.nominal;
        const Rational charge = restore * run(*takes_[take]).current.typ[nominal] + stageCharge(take, 1, 1).typ[nominal];
        const Rational saved = run(*takes_[take]).current.typ[nominal] - rest().current.typ[nominal];
        const Rational& length = wake.restored.nominal;
        return saved.sign() <= 0 ? length : std::max(length, charge / saved);
    }

    /// The hyperperiod, or as much of it as kMostRuns job runs fill.
    Rational spanOf(const std::vector<TimelineJob>& jobs) {
        Rational perSecond = 0;
        for (const TimelineJob& job : jobs) {
            perSecond += 1 / job.every;
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
        figure_.span = spanOf(*typical);
        const TimelineTotals typ = Timeline(*typical, timelineTakes(Corner::typical), restsIn_.has_value()).play(figure_.span);
        const TimelineTotals max = Timeline(*longest, timelineTakes(Corner::longest), restsIn_.has_value()).play(figure_.span);
        figure_.wakeUps = typ.wakeUps;
        figure_.events = typ.runs;
        if (restsIn_) {
            figure_.longestRest = std::max(typ.longestRest, max.longestRest);
        }
        checkLoad(*longest);
        addItems(typ, max);
        return true;
    }

    void checkLoad(const std::vector<TimelineJob>& jobs) {
        Rational load = 0;
        for (const TimelineJob& job : jobs) {
            load += job.lasts / job.every;
        }
        if (load > 1) {
            find(Severity::error, "rhythm", "the jobs don't fit: they need " + printQuantity(load, Unit::ratio) + " of the time",
                 "at most 100 %, wake-ups included");
        }
    }

    void addItems(const TimelineTotals& typ, const TimelineTotals& max) {
        if (restsIn_) {
            addItem("rest in " + rest().id, "mode/" + rest().id, typ.resting, max.resting, rest().current, 0);
        }
        for (std::size_t i = 0; i < takes_.size(); ++i) {
            const CurrentFigure& awake = run(*takes_[i]).current;
            const std::string suffix = takes_.size() > 1 ? " of take " + takes_[i]->take : "";
            const std::string target = "take/" + takes_[i]->take;
            addUnknown(typ.restoring[i].isZero() && typ.waiting[i].isZero() ? "" : awake.unknown);
            if (typ.stages[i].sign() > 0) {
                addStages(i, suffix, typ.stages[i], max.stages[i]);
            }
            addItem("start-ups" + suffix, target, typ.restoring[i], max.restoring[i], awake, 0);
            addItem("waiting awake" + suffix, target, typ.waiting[i], max.waiting[i], awake, 0);
        }
        for (std::size_t i = 0; i < plan_.jobs.size(); ++i) {
            const Job& job = plan_.jobs[i];
            const CurrentFigure& awake = run(*takes_[takeIndex(job)]).current;
            addUnknown(awake.unknown);
            addItem("job " + job.name, "job/" + job.name, typ.jobs[i], max.jobs[i], awake, job.draws);
        }
    }

    void addStages(std::size_t take, const std::string& suffix, const Rational& timeTyp, const Rational& timeMax) {
        const WakeUpFigure& wake = *takes_[take]->modes[*restsIn_].wakeUp;
        for (const WakeStage& stage : part_.modes[*restsIn_].stages) {
            if (!stage.draws) {
                addUnknown("unknown: draw of stage " + stage.say);
            }
        }
        items_.push_back({"stages of waking" + suffix, "mode/" + rest().id, timeTyp,
                          stageCharge(take, timeTyp / wake.firstInstruction.nominal, timeMax / wake.firstInstruction.max)});
    }

    void sumUp() {
        const std::size_t points = base_.grid.celsius.size();
        std::vector<Rational> typ(points, Rational(0));
        std::vector<Rational> max(points, Rational(0));
        for (const Item& item : items_) {
            for (std::size_t i = 0; i < points; ++i) {
                typ[i] += item.charge.typ[i];
                max[i] += item.charge.max[i];
            }
        }
        for (std::size_t i = 0; i < points; ++i) {
            typ[i] /= figure_.span;
            max[i] = std::max(max[i] / figure_.span, typ[i]);
        }
        const std::size_t nominal = base_.grid.nominal;
        figure_.average =
            Bounds{*std::min_element(typ.begin(), typ.end()), typ[nominal], *std::max_element(max.begin(), max.end())};
        addShares(typ[nominal]);
        addAverageWorkings(max);
        if (plan_.board.battery) {
            addLife(*plan_.board.battery, typ, max);
        }
    }

    void addShares(const Rational& average) {
        for (const Item& item : items_) {
            const Rational& charge = item.charge.typ[base_.grid.nominal];
            if (charge.sign() > 0 && average.sign() > 0) {
                figure_.shares.push_back(
                    {item.name, item.target, item.time / figure_.span, charge / (average * figure_.span), charge / figure_.span});
            }
        }
        std::stable_sort(figure_.shares.begin(), figure_.shares.end(),
                         [](const auto& a, const auto& b) { return a.ampere > b.ampere; });
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

    void addLife(const Battery& battery, const std::vector<Rational>& typ, const std::vector<Rational>& max) {
        const Rational fade = battery.capacity * battery.fades;
        const auto lifeAt = [&](std::size_t point, const Rational& average) -> Rational {
            return battery.capacity * usableAt(battery, base_.grid.celsius[point]) / (average + fade);
        };
        if (std::any_of(typ.begin(), typ.end(), [&](const Rational& average) { return (average + fade).sign() <= 0; })) {
            addUnknown("unknown: life, as nothing is known to draw");
            return;
        }
        const std::size_t nominal = base_.grid.nominal;
        const Rational middle = lifeAt(nominal, typ[nominal]);
        Bounds life = Bounds::exactly(middle);
        std::size_t worst = nominal;
        for (std::size_t i = 0; i < typ.size(); ++i) {
            const Rational shortest = lifeAt(i, max[i]);
            if (shortest < life.min) {
                life.min = shortest;
                worst = i;
            }
            life.max = std::max(life.max, lifeAt(i, typ[i]));
        }
        figure_.life = life;
        if (!battery.usable.empty() && battery.usable.size() > 1 &&
            (base_.grid.celsius.front() < battery.usable.front().first ||
             base_.grid.celsius.back() > battery.usable.back().first)) {
            find(Severity::warning, "board.battery.usable", "the board's temperatures go beyond the battery's table",
                 "its end value is taken there");
        }
        addLifeStep(battery, "life", nominal, typ[nominal], middle);
        addLifeStep(battery, "at the worst single temperature", worst, max[worst], life.min);
    }

    void addLifeStep(const Battery& battery, const std::string& what, std::size_t point, const Rational& average,
                     const Rational& life) {
        const Rational& celsius = base_.grid.celsius[point];
        figure_.lifeWorkings.push_back(
            {what,
             "capacity \u00d7 usable \u00f7 (average + fading)",
             printQuantity(battery.capacity, Unit::coulomb) + " \u00d7 " +
                 printQuantity(usableAt(battery, celsius), Unit::ratio) + " \u00f7 (" + printQuantity(average, Unit::ampere) +
                 " + " + printQuantity(battery.capacity * battery.fades, Unit::ampere) + ") at " +
                 printQuantity(celsius, Unit::celsius),
             printQuantity(life, Unit::second),
             {{"capacity", {}, "plan/board.battery.capacity", {}}, {"average", {}, "rhythm/average", {}}}});
    }

    const Part& part_;
    const Plan& plan_;
    const Figures& base_;
    Diagnostics& findings_;
    std::vector<const Figures*> takes_; ///< the one that is meant first
    std::optional<std::size_t> restsIn_;
    std::vector<Item> items_;
    RhythmFigure figure_;
};

} // namespace

RhythmFigure play(const Part& part, const Plan& plan, const std::string& take, const std::map<std::string, Figures>& derived,
                  Diagnostics& findings) {
    return Play(part, plan, take, derived, findings).work();
}

Rational usableAt(const Battery& battery, const Rational& celsius) {
    const auto& points = battery.usable;
    if (points.empty()) {
        return 1;
    }
    if (celsius <= points.front().first) {
        return points.front().second;
    }
    for (std::size_t i = 1; i < points.size(); ++i) {
        if (celsius <= points[i].first) {
            const Rational share = (celsius - points[i - 1].first) / (points[i].first - points[i - 1].first);
            return points[i - 1].second + share * (points[i].second - points[i - 1].second);
        }
    }
    return points.back().second;
}

} // namespace wisetick
