#include "rhythm/rhythm_work.h"

#include "evaluate/evaluate.h"
#include "picture/picture_text.h"

#include <QObject>

#include <algorithm>

namespace wisetick::app {

namespace {

Sweep intervalSweep(const Part& part, const Plan& plan, const Figures& figures, const std::string& job,
                    const std::function<bool()>& goOn) {
    Sweep sweep;
    sweep.points = sweepInterval(part, plan, figures, job, goOn);
    const bool isLife = figures.rhythm->life.has_value();
    sweep.title = isLife ? QObject::tr("Life over how often %1 comes").arg(text(job))
                         : QObject::tr("Average over how often %1 comes").arg(text(job));
    sweep.hint = QObject::tr("dashed: at the worst");
    sweep.gives = isLife ? Unit::second : Unit::ampere;
    for (const Job& each : plan.jobs) {
        if (each.name == job) {
            sweep.now = each.every;
        }
    }
    return sweep;
}

Sweep temperatureSweep(const Part& part, const Plan& plan, const Figures& figures, const std::function<bool()>& goOn) {
    Sweep sweep;
    sweep.points = sweepTemperature(part, plan, figures, goOn);
    const bool isLife = figures.rhythm->life.has_value();
    sweep.title = isLife ? QObject::tr("Life over temperature") : QObject::tr("Average over temperature");
    sweep.hint = QObject::tr("dashed: with the largest draws");
    sweep.over = Unit::celsius;
    sweep.gives = isLife ? Unit::second : Unit::ampere;
    sweep.isLog = false;
    if (plan.board.temperature) {
        sweep.now = plan.board.temperature->nominal;
    }
    return sweep;
}

Sweep raceSweep(const Part& part, const Plan& plan, const Figures& figures, const std::string& job) {
    Sweep sweep;
    for (const RacePoint& point : raceToSleep(part, plan, figures, job)) {
        sweep.points.push_back({point.hertz, point.coulomb, point.coulomb});
    }
    sweep.title = QObject::tr("What a megahertz costs %1").arg(text(job));
    sweep.over = Unit::hertz;
    sweep.gives = Unit::coulomb;
    sweep.hasWorst = false;
    sweep.marksLeast = true;
    if (sweep.points.size() > 1) {
        const auto least = std::min_element(sweep.points.begin(), sweep.points.end(),
                                            [](const SweepPoint& a, const SweepPoint& b) { return a.typ < b.typ; });
        sweep.hint = QObject::tr("charge of each period by the core's rate; the least at %1")
                         .arg(text(printQuantity(least->at, Unit::hertz, 3)));
    }
    if (const auto& core = figures.lines[part.core].hertz) {
        sweep.now = core->nominal;
    }
    return sweep;
}

Sweep coreRateSweep(const Part& part, const Plan& plan, const Figures& figures, const std::string& job) {
    Sweep sweep;
    sweep.points = sweepCoreRate(part, plan, figures, job);
    sweep.title = QObject::tr("Life over the core's rate of %1").arg(text(job));
    sweep.hint = QObject::tr("all else as it is");
    sweep.over = Unit::hertz;
    sweep.hasWorst = false;
    if (const auto& core = figures.lines[part.core].hertz) {
        sweep.now = core->nominal;
    }
    return sweep;
}

std::vector<TakeBeside> takesBeside(const Part& part, const Plan& plan, const Figures& figures,
                                    const std::function<bool()>& goOn) {
    std::vector<TakeBeside> takes;
    for (const Take& take : plan.takes) {
        if (!goOn()) {
            return {};
        }
        TakeBeside beside;
        beside.name = text(take.name);
        beside.isActive = take.name == figures.take;
        const Figures evaluated = beside.isActive ? figures : evaluate(part, withActive(plan, take.name), take.name, goOn);
        const auto& core = evaluated.lines[part.core].hertz;
        beside.hint = core ? text(printQuantity(core->nominal, Unit::hertz, 4)) : QObject::tr("no core rate");
        beside.hint += take.restsIn.empty() ? QObject::tr(", never rests") : QObject::tr(", rests in %1").arg(text(take.restsIn));
        if (evaluated.rhythm) {
            beside.average = evaluated.rhythm->average;
            beside.life = evaluated.rhythm->life;
        }
        takes.push_back(std::move(beside));
    }
    return takes;
}

} // namespace

RhythmWork workOut(const Part& part, const Plan& plan, const Figures& figures, const std::string& job,
                   const std::stop_token& token) {
    RhythmWork work;
    const auto goOn = [&token] { return !token.stop_requested(); };
    work.moves = batteryMoves(part, plan, figures, goOn);
    work.takes = takesBeside(part, plan, figures, goOn);
    work.interval = intervalSweep(part, plan, figures, job, goOn);
    work.temperature = temperatureSweep(part, plan, figures, goOn);
    work.race = raceSweep(part, plan, figures, job);
    work.coreRate = coreRateSweep(part, plan, figures, job);
    return work;
}

std::optional<ChanceFigure> workOutChance(const Part& part, const Plan& plan, const Figures& figures,
                                          const std::stop_token& token, const std::function<void(double)>& progress) {
    const auto ready = chancePlayOf(part, plan, figures.take, derivedTakes(part, plan, figures));
    if (!ready || !ready->timeline.hasChance()) {
        return std::nullopt;
    }
    const ChanceSize size;
    std::int64_t told = 0;
    return playByChance(*ready, part, plan, figures, size, [&](std::int64_t done) {
        if (done - told >= size.seeds / 50) {
            told = done;
            progress(static_cast<double>(done) / static_cast<double>(size.seeds));
        }
        return !token.stop_requested();
    });
}

} // namespace wisetick::app
