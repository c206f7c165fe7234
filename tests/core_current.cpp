#include "bench/current.h"
#include "bench/sim_board.h"
#include "bench/value_blocks.h"
#include "evaluate/evaluate.h"
#include "plan/take_edits.h"
#include "support.h"

#include <QTest>

#include <cmath>
#include <random>

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// A supply at 3 µA that is up every second for 20 ms: 2 ms at 1 mA, then 18 ms at 5 mA; every fifth time 60 ms at 20 mA more.
Capture patterned(std::int64_t seconds) {
    Capture capture;
    capture.tick = Rational(1, 1'000'000);
    capture.end = seconds * 1'000'000;
    ValueTrack track{"board.supply", "", {}, {}};
    const auto put = [&](std::int64_t tick, double ampere) {
        track.ticks.push_back(tick);
        track.values.push_back(ampere);
    };
    put(0, 3e-6);
    for (std::int64_t i = 0; i < seconds; ++i) {
        const std::int64_t at = i * 1'000'000 + 500'000;
        put(at, 1e-3);
        put(at + 2'000, 5e-3);
        if (i % 5 == 4) {
            put(at + 20'000, 20e-3);
            put(at + 80'000, 3e-6);
        } else {
            put(at + 20'000, 3e-6);
        }
    }
    capture.values.push_back(track);
    return capture;
}

struct Played {
    LoadedPlan loaded;
    Figures figures;
};

Played played(const std::string& name, const std::function<void(Plan&)>& change = {}) {
    Played all{loadPlan(sourceDir() + "/examples/" + name + ".plan.toml", {sourceDir() + "/parts"}), {}};
    if (change) {
        change(*all.loaded.plan);
    }
    all.figures = evaluate(*all.loaded.part, *all.loaded.plan, all.loaded.plan->active);
    return all;
}

} // namespace

class CoreCurrent : public QObject {
    Q_OBJECT

private slots:
    /// Each stretch against a walk over all values.
    void blocksAreWhatAWalkFinds() {
        std::mt19937_64 random(4);
        ValueTrack track{"supply", "A", {}, {}};
        std::int64_t tick = 7;
        for (int i = 0; i < 1000; ++i) {
            track.ticks.push_back(tick);
            track.values.push_back(static_cast<double>(random() % 1000));
            tick += 1 + static_cast<std::int64_t>(random() % 9);
        }
        const ValueBlocks blocks(track);
        for (int i = 0; i < 3000; ++i) {
            const std::int64_t from = 7 + static_cast<std::int64_t>(random()) % (tick - 7) / (i % 2 == 0 ? 1 : 50);
            const std::int64_t at = std::max<std::int64_t>(from, 7);
            const std::int64_t to = at + 1 + static_cast<std::int64_t>(random() % 2000);
            if (to > tick) {
                continue;
            }
            double least = 1e9;
            double most = -1e9;
            double sum = 0;
            std::size_t place = 0;
            for (std::int64_t now = at; now < to; ++now) {
                while (place + 1 < track.ticks.size() && track.ticks[place + 1] <= now) {
                    ++place;
                }
                least = std::min(least, track.values[place]);
                most = std::max(most, track.values[place]);
                sum += track.values[place];
            }
            const ValueSpan span = blocks.span(at, to);
            QCOMPARE(span.least, least);
            QCOMPARE(span.most, most);
            QVERIFY(std::abs(span.mean - sum / static_cast<double>(to - at)) < 1e-9);
        }
    }

    /// Four levels with their shares of the time, by hand.
    void levelsAndWakesByHand() {
        const Capture capture = patterned(50);
        const ValueTrack* track = findCurrent(capture);
        QVERIFY(track != nullptr);
        const CurrentFigures figures = measureCurrent(capture, *track);
        QCOMPARE(figures.levels.size(), std::size_t{4});
        const std::vector<double> amperes{3e-6, 1e-3, 5e-3, 20e-3};
        const std::vector<double> shares{1 - 0.02 - 0.012, 0.002, 0.018, 0.012};
        for (std::size_t i = 0; i < 4; ++i) {
            QVERIFY(std::abs(figures.levels[i].ampere / amperes[i] - 1) < 1e-9);
            QVERIFY(std::abs(figures.levels[i].share - shares[i]) < 1e-9);
        }
        QCOMPARE(figures.wakes.size(), std::size_t{2});
        QCOMPARE(figures.wakes[0].count, std::int64_t{10}); // the one with the most charge first
    }

    /// Both kinds by hand: 1 mA × 2 ms + 5 mA × 18 ms = 92 µC, and 20 mA × 60 ms more.
    void wakesAreToldApart() {
        const Capture capture = patterned(50);
        CurrentFigures figures = measureCurrent(capture, *findCurrent(capture));
        std::sort(figures.wakes.begin(), figures.wakes.end(), [](const auto& a, const auto& b) { return a.count > b.count; });
        QCOMPARE(figures.wakes[0].count, std::int64_t{40});
        QVERIFY(std::abs(figures.wakes[0].coulomb / 92e-6 - 1) < 1e-9);
        QVERIFY(std::abs(figures.wakes[0].seconds / 20e-3 - 1) < 1e-9);
        QVERIFY(std::abs(figures.wakes[0].toFirst / 2e-3 - 1) < 1e-9);
        QCOMPARE(figures.wakes[1].count, std::int64_t{10});
        QVERIFY(std::abs(figures.wakes[1].coulomb / 1292e-6 - 1) < 1e-9);
        QVERIFY(std::abs(figures.wakes[1].toLast / 20e-3 - 1) < 1e-9);
        const double average = (0.968 * 3e-6 + 0.02 * 92e-6 / 0.02 + 1200e-6 / 5);
        QVERIFY2(std::abs(figures.average / average - 1) < 1e-6, qPrintable(QString::number(figures.average)));
    }

    /// The uncertainty told of the average holds the true one, whenever the looks are taken.
    void theAverageIsInsideOfWhatIsTold() {
        std::mt19937_64 random(2);
        for (int run = 0; run < 200; ++run) {
            ValueTrack fine{"supply", "A", {0}, {1e-6}};
            Capture capture;
            capture.tick = Rational(1, 1'000'000);
            capture.sample = Rational(1, 1000);
            const std::int64_t step = 1000;
            std::int64_t tick = 0;
            double sum = 0;
            while (tick < 400'000) {
                const auto lasts = static_cast<std::int64_t>(1500 + random() % 20'000);
                sum += fine.values.back() * static_cast<double>(lasts);
                tick += lasts;
                fine.ticks.push_back(tick);
                fine.values.push_back(random() % 2 == 0 ? 1e-6 : 1e-3 * static_cast<double>(1 + random() % 9));
            }
            fine.ticks.pop_back();
            fine.values.pop_back();
            capture.end = (tick + step - 1) / step * step;
            sum += fine.values.back() * static_cast<double>(capture.end - tick);
            ValueTrack looked{"supply", "A", {}, {}};
            for (std::size_t i = 0; i < fine.ticks.size(); ++i) {
                looked.ticks.push_back((fine.ticks[i] + step - 1) / step * step);
                looked.values.push_back(fine.values[i]);
            }
            const CurrentFigures figures = measureCurrent(capture, looked);
            const double truth = sum / static_cast<double>(capture.end);
            QVERIFY2(std::abs(figures.average - truth) <= figures.open * (1 + 1e-9),
                     qPrintable(QString("%1 %2 %3").arg(figures.average).arg(truth).arg(figures.open)));
        }
    }

    /// Boards as planned, of all plans that rest: their floor is that of the mode, and it is said so; nothing is called
    /// otherwise.
    void boardsAsPlannedAreSaidToBe() {
        for (const char* name : {"lagoon-buoy", "hive-scale", "river-gauge", "orchard-sprayer", "field-tractor"}) {
            const Played all = played(name);
            for (std::uint64_t seed = 1; seed <= 12; ++seed) {
                const CurrentFigures figures = lookedAt(all, seed, nullptr);
                const auto reasons = explainCurrent(*all.loaded.part, *all.loaded.plan, all.figures, figures);
                QVERIFY2(!reasons.empty() && reasons.front().leftOver == 0 &&
                             QString::fromStdString(reasons.front().say).contains("as planned"),
                         qPrintable(QString("%1, seed %2: %3")
                                        .arg(name)
                                        .arg(seed)
                                        .arg(reasons.empty() ? "nothing" : QString::fromStdString(reasons.front().say))));
                for (const CurrentReason& reason : reasons) {
                    QVERIFY2(reason.leftOver > 0 || &reason == &reasons.front(), reason.say.c_str());
                }
            }
        }
    }

    /// A board that rests in another mode is found out wherever the two can't draw the same.
    void anotherRestIsNamed() {
        int all = 0;
        int named = 0;
        for (const char* name : {"lagoon-buoy", "hive-scale", "river-gauge", "orchard-sprayer", "field-tractor"}) {
            const Played planned = played(name);
            const Take* take = findTake(*planned.loaded.plan, planned.figures.take);
            const auto ampereIn = [&](const std::string& id) {
                return std::find_if(planned.figures.modes.begin(), planned.figures.modes.end(),
                                    [&](const ModeFigure& each) { return each.id == id; })
                    ->ampere;
            };
            for (const ModeFigure& mode : planned.figures.modes) {
                const bool isApart =
                    mode.ampere.min > ampereIn(take->restsIn).max || mode.ampere.max < ampereIn(take->restsIn).min;
                if (mode.runs || mode.id == take->restsIn || !isApart) {
                    continue;
                }
                const Played other = played(name, [&](Plan& plan) { restIn(plan, plan.active, mode.id); });
                if (!other.figures.rhythm || !other.figures.rhythm->trace) {
                    continue;
                }
                for (std::uint64_t seed = 1; seed <= 5; ++seed) {
                    const CurrentFigures figures = lookedAt(planned, seed, &other.figures);
                    const auto reasons = explainCurrent(*planned.loaded.part, *planned.loaded.plan, planned.figures, figures);
                    ++all;
                    const bool isNamed = std::any_of(reasons.begin(), reasons.end(), [&](const CurrentReason& reason) {
                        return reason.leftOver == 0 && reason.say == "rests in " + mode.id + " instead of " + take->restsIn;
                    });
                    const bool isCalledPlanned = std::any_of(reasons.begin(), reasons.end(), [](const CurrentReason& reason) {
                        return reason.leftOver == 0 && QString::fromStdString(reason.say).contains("as planned");
                    });
                    QVERIFY2(!isCalledPlanned, qPrintable(QString("%1 in %2").arg(name, QString::fromStdString(mode.id))));
                    named += isNamed ? 1 : 0;
                }
            }
        }
        QVERIFY2(all >= 20 && named * 100 >= all * 95, qPrintable(QString("%1 of %2").arg(named).arg(all)));
    }

    /// A job that lasts half as long again is named, with how long it lasts.
    void aLongerJobIsNamed() {
        int all = 0;
        for (const char* name : {"lagoon-buoy", "orchard-sprayer"}) {
            const Played planned = played(name);
            for (std::size_t job = 0; job < planned.loaded.plan->jobs.size(); ++job) {
                const Job& was = planned.loaded.plan->jobs[job];
                if (!was.lasts || was.every > Rational(100)) {
                    continue;
                }
                const Rational lasts = *was.lasts * Rational(3, 2);
                const Played other = played(name, [&](Plan& plan) { plan.jobs[job].lasts = lasts; });
                const CurrentFigures figures = lookedAt(planned, 3, &other.figures);
                const auto reasons = explainCurrent(*planned.loaded.part, *planned.loaded.plan, planned.figures, figures);
                const auto found = std::find_if(reasons.begin(), reasons.end(),
                                                [&](const CurrentReason& reason) { return reason.job == was.name; });
                QVERIFY2(found != reasons.end(), qPrintable(QString("%1: %2").arg(name, QString::fromStdString(was.name))));
                QVERIFY2(std::abs(found->lasts / lasts.toDouble() - 1) < 0.02, found->say.c_str());
                ++all;
            }
        }
        QVERIFY(all >= 3);
    }

    /// `average under` is broken where what was drawn is more, whatever the looks leave open.
    void theAverageIsJudged() {
        const Played all = played("lagoon-buoy");
        CurrentFigures figures;
        QCOMPARE(currentState(*all.loaded.plan, figures), State::pending); // nothing is known of it
        figures.projected = 399e-6;
        figures.open = 5e-6;
        QCOMPARE(currentState(*all.loaded.plan, figures), State::kept); // under 400 µA
        figures.projected = 404e-6;
        QCOMPARE(currentState(*all.loaded.plan, figures), State::kept);
        figures.unseen = {"report"};
        QCOMPARE(currentState(*all.loaded.plan, figures), State::pending);
        figures.projected = 406e-6;
        QCOMPARE(currentState(*all.loaded.plan, figures), State::broken);
    }

    /// A minute that begins with jobs which come every quarter of an hour is not taken for their average: what it is is projected
    /// from the wakes, and lies where whole patterns of the same board have it.
    void theAverageIsProjected() {
        const Played all = played("hive-scale");
        for (std::uint64_t seed = 1; seed <= 6; ++seed) {
            const CurrentFigures minute = lookedAt(all, seed, nullptr);
            const CurrentFigures hours = lookedAt(all, seed, nullptr, 2 * 3600);
            QVERIFY(minute.average > 3 * hours.average);
            // the board's own clock may bring its jobs more or less often than planned
            const double stretch =
                (all.figures.rhythm->restTiming.stretch.max / all.figures.rhythm->restTiming.stretch.min).toDouble();
            QVERIFY2(minute.projected < hours.average * stretch * 1.02 && minute.projected > hours.average / stretch / 1.02,
                     qPrintable(QString("%1 %2").arg(minute.projected).arg(hours.average)));
            QVERIFY(currentState(*all.loaded.plan, minute) != State::broken);
        }
    }

    /// A capture that is shorter than a planned wake may hold no rest at all: what it stays at is no floor then, nothing is
    /// judged by it, and it is no sign of another mode. 4.4 s of the report are what every board of the sprayer begins with.
    void aShortCaptureHasNoFloor() {
        for (const char* name : {"orchard-sprayer", "lagoon-buoy", "hive-scale", "river-gauge"}) {
            const Played all = played(name);
            for (const int seconds : {1, 2, 4, 5, 12, 30}) {
                const CurrentFigures figures = lookedAt(all, 1, nullptr, seconds);
                const QByteArray where = QByteArray(name) + ", s: " + QByteArray::number(seconds);
                QVERIFY2(currentState(*all.loaded.plan, figures) != State::broken, where.constData());
                for (const CurrentReason& reason : explainCurrent(*all.loaded.part, *all.loaded.plan, all.figures, figures)) {
                    QVERIFY2(reason.restsIn.empty() && reason.leftOver == 0, (where + ": " + reason.say.c_str()).constData());
                }
                if (QByteArray(name) == "orchard-sprayer") {
                    QCOMPARE(figures.hasRest, seconds > 4);
                }
            }
        }
    }

    /// Where a rest is due in any capture of its length, one without a rest tells that there is none.
    void aLongCaptureWithoutRestIsBroken() {
        const Played all = played("orchard-sprayer");
        Capture capture;
        capture.tick = Rational(1, 1000);
        for (const int seconds : {4, 9}) {
            capture.end = seconds * 1000;
            capture.values = {{"supply", "A", {0, capture.end / 2}, {43e-3, 44e-3}}};
            CurrentFigures figures = measureCurrent(capture, capture.values.front());
            compareCurrent(all.figures, figures);
            QCOMPARE(figures.hasRest, seconds > 5);
            QCOMPARE(currentState(*all.loaded.plan, figures), seconds > 5 ? State::broken : State::pending);
        }
    }

private:
    static CurrentFigures lookedAt(const Played& all, std::uint64_t seed, const Figures* jobs, int seconds = 61) {
        BoardRun run;
        run.seconds = seconds;
        run.tick = Rational(1, 1'000'000);
        run.jobs = jobs;
        const Capture capture =
            playBoard(*all.loaded.part, *all.loaded.plan, all.figures, {}, drawBoard(*all.loaded.part, all.figures, seed), run);
        CurrentFigures figures = measureCurrent(capture, capture.values.front());
        compareCurrent(all.figures, figures);
        return figures;
    }
};

QTEST_GUILESS_MAIN(CoreCurrent)
#include "core_current.moc"
