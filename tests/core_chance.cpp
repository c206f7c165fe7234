#include "evaluate/evaluate.h"
#include "rhythm/chance.h"
#include "rhythm/trace.h"
#include "support.h"

#include <cmath>

using namespace wisetick;
using namespace wisetick::test;

namespace {

const TimelineTake kPlain{0, 0, {Rational(0)}, 0};

TimelineJob following(const Rational& lasts, std::size_t after) {
    TimelineJob job{0, 0, lasts, 0};
    job.after = after;
    return job;
}

/// Times that only fit wide or fractional ticks: the same play, scaled by a fraction with a large denominator.
TimelineTotals scaledPlay(const std::vector<TimelineJob>& jobs, const std::vector<TimelineTake>& takes, const Rational& span,
                          const Rational& by) {
    std::vector<TimelineJob> list = jobs;
    for (TimelineJob& job : list) {
        job.every *= by;
        job.phase *= by;
        job.lasts *= by;
    }
    std::vector<TimelineTake> other = takes;
    for (TimelineTake& take : other) {
        take.stages *= by;
        take.restore *= by;
        take.leastRest *= by;
        for (Rational& change : take.changeFrom) {
            change *= by;
        }
    }
    return Timeline(list, other, true).play(span * by);
}

LoadedPlan doorSensor() {
    return loadPlan(sourceDir() + "/examples/door-sensor.plan.toml", {sourceDir() + "/parts"});
}

} // namespace

/// Jobs that follow, come by chance or late; plays as they are drawn.
class CoreChance : public QObject {
    Q_OBJECT

private slots:
    /// b follows a, c follows b; what is due already comes first.
    void jobsFollowEachOther() {
        const TimelineTotals totals =
            Timeline({{10, 0, 1, 0}, following(2, 0), following(1, 1), {10, Rational(1, 2), 3, 0}}, {kPlain}, true).play(10);
        QCOMPARE(totals.jobs, (std::vector<Rational>{1, 2, 1, 3}));
        QCOMPARE(totals.resting, Rational(3));
        QCOMPARE(totals.wakeUps, std::int64_t{1});
        QCOMPARE(totals.runs, std::int64_t{4});
        // d was due at 0.5, before b was released at 1
        const std::vector<Stretch> stretches =
            Timeline({{10, 0, 1, 0}, following(2, 0), following(1, 1), {10, Rational(1, 2), 3, 0}}, {kPlain}, true)
                .stretches(10, 10);
        QCOMPARE(stretches.size(), std::size_t{5});
        QCOMPARE(stretches[1].which, std::uint16_t{3});
        QCOMPARE(stretches[2].which, std::uint16_t{1});
        QCOMPARE(stretches[3].which, std::uint16_t{2});
        QVERIFY(stretches[4].doing == Doing::resting && stretches[4].from == 7 && stretches[4].to == 10);
    }

    /// In 64 bits, in 128 and in fractions the play is the same.
    void allNumbersPlayAlike() {
        Random random;
        for (int i = 0; i < 100; ++i) {
            std::vector<TimelineTake> takes;
            for (int j = 0; j < 2; ++j) {
                takes.push_back({Rational(random.whole(0, 30), 100),
                                 Rational(random.whole(0, 100), 100),
                                 {j == 0 ? Rational(0) : Rational(random.whole(0, 50), 100),
                                  j == 1 ? Rational(0) : Rational(random.whole(0, 50), 100)},
                                 Rational(random.whole(0, 200), 100)});
            }
            std::vector<TimelineJob> jobs;
            for (std::int64_t j = random.whole(1, 4); j > 0; --j) {
                const Rational every(random.whole(1, 12), random.whole(1, 2));
                jobs.push_back({every, Rational(random.whole(0, 500), 100), every * Rational(random.whole(0, 40), 100),
                                static_cast<std::size_t>(random.whole(0, 1))});
            }
            jobs.push_back(following(Rational(random.whole(0, 50), 100), 0));
            const Rational span = *hyperperiod(jobs);
            const TimelineTotals narrow = Timeline(jobs, takes, true).play(span);
            const Rational wide = Rational(1000000000000000003, 1000000000000000009);
            for (const Rational& by : {wide, wide * wide}) {
                const TimelineTotals other = scaledPlay(jobs, takes, span, by);
                QCOMPARE(other.resting, narrow.resting * by);
                QCOMPARE(other.longestRest, narrow.longestRest * by);
                QCOMPARE(other.wakeUps, narrow.wakeUps);
                for (std::size_t j = 0; j < jobs.size(); ++j) {
                    QCOMPARE(other.jobs[j], narrow.jobs[j] * by);
                }
                for (std::size_t j = 0; j < takes.size(); ++j) {
                    QCOMPARE(other.waiting[j], narrow.waiting[j] * by);
                    QCOMPARE(other.restoring[j], narrow.restoring[j] * by);
                }
            }
        }
    }

    /// What no whole number of ticks holds is played in ticks that are near where it is long: the same play as of times that
    /// differ from it by a 10^-17th, and fit.
    void whatNoTicksHoldIsPlayedNear() {
        Random random;
        const Rational odd =
            Rational(1000000000000000003, 1000000000000000009) * Rational(1000000000000000031, 1000000000000000021);
        for (int i = 0; i < 30; ++i) {
            const TimelineTake take{Rational(random.whole(0, 30), 1013), Rational(random.whole(0, 100), 1019), {Rational(0)}, 0};
            std::vector<TimelineJob> jobs;
            for (std::int64_t j = random.whole(1, 4); j > 0; --j) {
                const Rational every(random.whole(1, 12), random.whole(1, 2));
                jobs.push_back({every, Rational(random.whole(0, 500), 1021), every * Rational(random.whole(1, 200), 1009)});
            }
            std::vector<TimelineJob> near = jobs;
            for (TimelineJob& job : near) {
                job.lasts *= odd;
            }
            const Rational once = *hyperperiod(jobs);
            const Rational span = once * ((jobs[0].every * 600) / once).ceil();
            const TimelineTotals exact = Timeline(jobs, {take}, true).play(span);
            const TimelineTotals other = Timeline(near, {take}, true).play(span);
            QCOMPARE(other.runs, exact.runs);
            QCOMPARE(other.wakeUps, exact.wakeUps);
            const auto isNear = [&](const Rational& a, const Rational& b) {
                return qAbs((a - b).toDouble()) <= 1e-15 * span.toDouble();
            };
            QVERIFY(isNear(other.resting, exact.resting) && isNear(other.waiting[0], exact.waiting[0]));
            QVERIFY(isNear(other.stages[0], exact.stages[0]) && isNear(other.longestRest, exact.longestRest));
            for (std::size_t j = 0; j < jobs.size(); ++j) {
                QVERIFY(isNear(other.jobs[j], exact.jobs[j]));
                // the runs of the job, each as long as it is
                const Rational runs = span / jobs[j].every;
                QVERIFY(isNear(other.jobs[j], near[j].lasts * runs) || !other.isSettled);
            }
        }
    }

    void aThousandJobsArePlayed() {
        std::vector<TimelineJob> jobs(1000, TimelineJob{10, 0, 0, 0});
        for (std::size_t i = 0; i < jobs.size(); ++i) {
            jobs[i].phase = Rational(static_cast<std::int64_t>(i), 100);
            jobs[i].lasts = Rational(static_cast<std::int64_t>(i % 3), 1000);
        }
        const TimelineTotals totals = Timeline(jobs, {kPlain}, true).play(10);
        QCOMPARE(totals.runs, std::int64_t{1000});
        Rational sum = totals.resting;
        for (const Rational& time : totals.jobs) {
            sum += time;
        }
        QCOMPARE(sum, Rational(10));
    }

    /// A mean interval of 10 s: about a tenth of the time for a job of 1 s; the same seed gives the same play.
    void chanceKeepsItsMean() {
        TimelineJob job{10, 0, 1, 0};
        job.isRandom = true;
        const Timeline timeline({job}, {kPlain}, true);
        QVERIFY(timeline.hasChance());
        const TimelineTotals totals = timeline.play(200000);
        const double share = (totals.jobs[0] / 200000).toDouble();
        QVERIFY2(std::abs(share - 0.1) < 0.005, std::to_string(share).c_str());
        QCOMPARE(timeline.play(200000).jobs[0], totals.jobs[0]);
        QVERIFY(timeline.play(200000, 2).jobs[0] != totals.jobs[0]);
        // late by up to 4 s: never before its time, nor later than that
        TimelineJob late{10, 0, 1, 0};
        late.jitter = 4;
        for (const Stretch& stretch : Timeline({late}, {kPlain}, true).stretches(1000, 1000)) {
            if (stretch.doing == Doing::job) {
                const double phase = std::fmod(stretch.from, 10);
                QVERIFY2(phase < 4.0001, std::to_string(phase).c_str());
            }
        }
    }

    /// A play is drawn in columns; each against all stretches looked at one by one.
    void columnsAreWhatIsPlayed() {
        Random random;
        for (int round = 0; round < 60; ++round) {
            std::vector<TraceState> states;
            for (std::size_t i = 0; i < 4; ++i) {
                states.push_back({"s" + std::to_string(i), {}, Doing::job, i, static_cast<double>(random.whole(0, 1000)) / 1000});
            }
            std::vector<Stretch> stretches;
            double at = 0;
            for (std::int64_t i = random.whole(1, 200); i > 0; --i) {
                const double length = static_cast<double>(random.whole(1, 1000)) / 1000;
                stretches.push_back({Doing::job, static_cast<std::uint16_t>(random.whole(0, 3)), at, at + length});
                at += length;
            }
            const Trace trace(states, stretches, at);
            const double from = at * static_cast<double>(random.whole(0, 300)) / 100;
            const double to = from + at * static_cast<double>(random.whole(1, 250)) / 100;
            const std::size_t count = static_cast<std::size_t>(random.whole(1, 60));
            const std::vector<TraceColumn> columns = trace.columns(from, to, count);
            QCOMPARE(columns.size(), count);
            const double width = (to - from) / static_cast<double>(count);
            for (std::size_t i = 0; i < count; ++i) {
                double least = 2;
                double most = -1;
                double charge = 0;
                const double start = from + width * static_cast<double>(i);
                for (double base = std::floor(start / at) * at; base < start + width; base += at) {
                    for (const Stretch& stretch : stretches) {
                        const double low = std::max(base + stretch.from, start);
                        const double high = std::min(base + stretch.to, start + width);
                        if (high - low > 1e-9) {
                            least = std::min(least, states[stretch.which].ampere);
                            most = std::max(most, states[stretch.which].ampere);
                            charge += (high - low) * states[stretch.which].ampere;
                        }
                    }
                }
                QVERIFY(columns[i].least <= least + 1e-6 && columns[i].most >= most - 1e-6);
                if (width < at) { // longer ones show the whole
                    QVERIFY2(std::abs(columns[i].mean - charge / width) < 1e-6,
                             (std::to_string(columns[i].mean) + " " + std::to_string(charge / width)).c_str());
                }
            }
            QVERIFY(trace.runsOf(0, 0, at * 3, 1000000).size() % 3 == 0);
        }
        QVERIFY(Trace().columns(0, 1, 10).empty());
        QVERIFY(Trace().runsOf(0, 0, 1, 10).empty());
    }

    /// Where much goes on within a column it shows what goes on most of the time, not what does in its middle.
    void aColumnShowsWhatTakesItsTime() {
        const std::vector<TraceState> states{{"rest", {}, Doing::resting, 0, 1e-6}, {"job", {}, Doing::job, 0, 1e-3}};
        std::vector<Stretch> stretches;
        for (int i = 0; i < 41; ++i) { // the middle of all of them lies in a job
            stretches.push_back({Doing::resting, 0, i - 0.49, i + 0.49});
            stretches.push_back({Doing::job, 0, i + 0.49, i + 0.51});
        }
        stretches.front().from = 0;
        const Trace trace(states, stretches, 40.51);
        const TraceColumn column = trace.columns(0.5, 40.5, 1).front();
        QCOMPARE(trace.states()[trace.stateAt(20.5)].name, std::string("job"));
        QCOMPARE(trace.states()[column.state].name, std::string("rest"));
    }

    /// A job in idle draws what idle does, and its outside; what is brought is no draw.
    void modesAndHarvests() {
        Edited edited = editedOrchard();
        const Figures before = evaluate(edited.part, edited.plan, "A");
        edited.plan.jobs[0].mode = "idle";
        const Figures after = evaluate(edited.part, edited.plan, "A");
        const auto ampere = [](const Figures& figures) {
            for (const RhythmFigure::Share& share : figures.rhythm->shares) {
                if (share.name == "job report") {
                    return share.ampere;
                }
            }
            return Rational(0);
        };
        // 4.4 s of 600 s at 16.13587 mA less 7.01587 mA
        QCOMPARE(ampere(before) - ampere(after), Rational(44, 6000) * exact("9.12e-3"));
        Job sun;
        sun.name = "sun";
        sun.every = 86400;
        sun.lasts = 21600;
        sun.brings = exact("1e-3");
        edited.plan.jobs.push_back(sun);
        const Figures sunny = evaluate(edited.part, edited.plan, "A");
        QCOMPARE(*sunny.rhythm->brings, exact("250e-6"));
        QCOMPARE(sunny.rhythm->average->nominal, after.rhythm->average->nominal);
        QVERIFY(sunny.rhythm->life->nominal > after.rhythm->life->nominal);
    }

    /// The pieces of each share add up to it, but for the stages of waking, which have none.
    void sharesAreOpened() {
        const Edited edited = editedOrchard();
        const Figures figures = evaluate(edited.part, edited.plan, "A");
        for (const RhythmFigure::Share& share : figures.rhythm->shares) {
            Rational sum;
            for (const auto& piece : share.pieces) {
                sum += piece.ampere;
            }
            QVERIFY2(share.pieces.empty() ? share.name.find("stages") == 0 : sum == share.ampere, share.name.c_str());
        }
    }

    /// The example by chance: bands around the exact mean, the same on one thread and on two, and an end within one play.
    void manyPlays() {
        const LoadedPlan loaded = doorSensor();
        const Figures figures = evaluate(*loaded.part, *loaded.plan, "A");
        QVERIFY(figures.rhythm->isByChance);
        const auto ready = chancePlayOf(*loaded.part, *loaded.plan, "A", derivedTakes(*loaded.part, *loaded.plan, figures));
        QVERIFY(ready.has_value());
        std::int64_t told = 0;
        const ChanceSize size{60, 2000, 2};
        const auto listen = [&](std::int64_t done) {
            told = std::max(told, done);
            return true;
        };
        const auto two = playByChance(*ready, *loaded.part, *loaded.plan, figures, size, listen);
        const auto one = playByChance(*ready, *loaded.part, *loaded.plan, figures, {60, 2000, 1}, listen);
        QVERIFY(two && one && told > 0);
        QCOMPARE(two->average.low, one->average.low);
        QCOMPARE(two->average.high, one->average.high);
        QVERIFY(two->average.low < two->average.middle && two->average.middle < two->average.high);
        QVERIFY(two->life->low < two->life->middle && two->life->middle < two->life->high);
        const double mean = figures.rhythm->average->nominal.toDouble();
        QVERIFY2(std::abs(two->average.middle / mean - 1) < 0.05, std::to_string(two->average.middle / mean).c_str());
        int asked = 0;
        const auto stopped = playByChance(*ready, *loaded.part, *loaded.plan, figures, {100000, 2000, 2},
                                          [&](std::int64_t) { return ++asked < 3; });
        QVERIFY(!stopped.has_value());
        QCOMPARE(asked, 3);
        QVERIFY_EXCEPTION_THROWN(playByChance(*ready, *loaded.part, *loaded.plan, figures, size,
                                              [](std::int64_t) -> bool { throw std::runtime_error("no"); }),
                                 std::runtime_error);
    }
};

QTEST_APPLESS_MAIN(CoreChance)
#include "core_chance.moc"
