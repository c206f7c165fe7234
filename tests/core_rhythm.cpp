#include "evaluate/evaluate.h"
#include "files/plan_reader.h"
#include "rhythm/battery.h"
#include "rhythm/play.h"
#include "rhythm/timeline.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// Another algorithm for the same question: all releases are written down and sorted first, then every stretch of
/// time goes into a list, and the list is cut to the window and added up.
TimelineTotals twin(const std::vector<TimelineJob>& jobs, const std::vector<TimelineTake>& takes, bool mayRest,
                    const Rational& start, const Rational& length) {
    struct Release {
        Rational at;
        std::size_t job;
    };
    std::vector<Release> releases;
    const Rational horizon = start + length;
    for (std::size_t i = 0; i < jobs.size(); ++i) {
        Rational at = jobs[i].phase;
        while (at >= jobs[i].every) {
            at -= jobs[i].every;
        }
        for (; at <= horizon + jobs[i].every; at += jobs[i].every) {
            releases.push_back({at, i});
        }
    }
    std::stable_sort(releases.begin(), releases.end(), [](const Release& a, const Release& b) { return a.at < b.at; });
    struct Stretch {
        Rational from;
        Rational to;
        Rational* total;
    };
    TimelineTotals totals;
    totals.jobs.resize(jobs.size());
    totals.stages.resize(takes.size());
    totals.restoring.resize(takes.size());
    totals.waiting.resize(takes.size());
    std::vector<Stretch> stretches;
    Rational now = 0;
    std::size_t take = 0;
    const auto go = [&](Rational& total, const Rational& time) {
        stretches.push_back({now, now + time, &total});
        now += time;
    };
    for (const Release& release : releases) {
        const std::size_t next = jobs[release.job].take;
        if (now >= horizon) {
            break;
        }
        if (release.at > now) {
            const Rational gap = release.at - now;
            if (mayRest && gap > takes[next].leastRest) {
                go(totals.resting, gap);
                totals.wakeUps += release.at >= start && release.at < horizon ? 1 : 0;
                if (now - gap >= start && now - gap < horizon) {
                    totals.longestRest = std::max(totals.longestRest, gap);
                }
                go(totals.stages[next], takes[next].stages);
                go(totals.restoring[next], takes[next].restore);
                take = next;
            } else {
                go(totals.waiting[take], gap);
            }
        }
        if (next != take) {
            go(totals.restoring[next], takes[next].changeFrom[take]);
            take = next;
        }
        totals.runs += now >= start && now < horizon ? 1 : 0;
        go(totals.jobs[release.job], jobs[release.job].lasts);
    }
    for (const Stretch& stretch : stretches) {
        const Rational from = std::max(stretch.from, start);
        const Rational to = std::min(stretch.to, horizon);
        if (to > from) {
            *stretch.total += to - from;
        }
    }
    return totals;
}

std::string text(const TimelineTotals& totals) {
    std::string all;
    for (const auto* list : {&totals.jobs, &totals.stages, &totals.restoring, &totals.waiting}) {
        for (const Rational& each : *list) {
            all += each.toString() + " ";
        }
        all += "| ";
    }
    return all + totals.resting.toString() + " " + totals.longestRest.toString() + " " + std::to_string(totals.wakeUps) + " " +
           std::to_string(totals.runs);
}

Figures orchardWith(const std::string& what, const std::string& by) {
    const Edited edited = editedOrchard(what, by);
    return evaluate(edited.part, edited.plan, edited.plan.active);
}

} // namespace

class CoreRhythm : public QObject {
    Q_OBJECT

private slots:
    /// One job of 2 s every 10 s, stages of 1 s, start-ups of 1 s: rests 6 s out of 10.
    void oneJob() {
        const TimelineTake take{1, 1, {Rational(0)}, 0};
        // the job ends 4 s after its release, so 6 s are left to rest
        QCOMPARE(text(Timeline({{10, 0, 2, 0}}, {take}, true).play(10)), std::string("2 | 1 | 1 | 0 | 6 6 1 1"));
        QCOMPARE(text(Timeline({{10, 0, 2, 0}}, {take}, false).play(10)), std::string("2 | 0 | 0 | 8 | 0 0 0 1"));
    }

    /// A play that is told to stop ends within a few hundred runs, with nothing.
    void itStopsWhenItIsTold() {
        const std::vector<TimelineJob> jobs{{10, 0, 2, 0}};
        const TimelineTake take{1, 1, {Rational(0)}, 0};
        int asked = 0;
        const Timeline line(jobs, {take}, true, [&] { return ++asked < 3; });
        QVERIFY_EXCEPTION_THROWN(line.play(1000000), Stopped);
        QCOMPARE(asked, 3);
        const Edited edited = editedOrchard();
        QVERIFY_EXCEPTION_THROWN(evaluate(edited.part, edited.plan, "A", [] { return false; }), Stopped);
        QCOMPARE(evaluate(edited.part, edited.plan, "A", [] { return true; }).vitals.average->nominal,
                 evaluate(edited.part, edited.plan, "A").vitals.average->nominal);
    }

    void aShortGapIsNoRest() {
        const TimelineTake take{1, 0, {Rational(0)}, 7};
        QCOMPARE(text(Timeline({{10, 0, 4, 0}}, {take}, true).play(10)), std::string("4 | 0 | 0 | 6 | 0 0 0 1"));
    }

    void coincidingJobsShareOneWakeUp() {
        const TimelineTake take{1, 0, {Rational(0)}, 0};
        QCOMPARE(text(Timeline({{10, 0, 2, 0}, {10, 1, 2, 0}}, {take}, true).play(10)), std::string("2 2 | 1 | 0 | 0 | 5 5 1 2"));
    }

    void aChangeOfTakeCosts() {
        const std::vector<TimelineTake> takes{{1, 2, {Rational(0), Rational(0)}, 0}, {1, 0, {exact("1/2"), Rational(0)}, 0}};
        // woken into the first: 1 + 2 + 2; then the second take's start-ups of 1/2 and its job of 1
        QCOMPARE(text(Timeline({{10, 0, 2, 0}, {10, 0, 1, 1}}, takes, true).play(10)),
                 std::string("2 1 | 1 0 | 2 1/2 | 0 0 | 7/2 7/2 1 2"));
    }

    void degenerateJobsAreNoTrouble() {
        const TimelineTake take{0, 0, {Rational(0)}, 0};
        QCOMPARE(text(Timeline({{10, 0, 0, 0}}, {take}, true).play(10)), std::string("0 | 0 | 0 | 0 | 10 10 1 1"));
        // longer than its period: it runs all the time
        QCOMPARE(Timeline({{10, 0, 25, 0}}, {take}, true).play(10).jobs[0], Rational(10));
        QCOMPARE(Timeline({{10, 73, 1, 0}}, {take}, true).play(10).jobs[0], Rational(1));
    }

    void hyperperiods_data() {
        QTest::addColumn<QStringList>("periods");
        QTest::addColumn<std::string>("common");
        QTest::newRow("whole") << QStringList{"4", "6"} << std::string("12");
        QTest::newRow("fractions") << QStringList{"600", "20", "9/5"} << std::string("1800");
        QTest::newRow("small fractions") << QStringList{"1/2", "1/3"} << std::string("1");
        QTest::newRow("one") << QStringList{"7/3"} << std::string("7/3");
    }
    void hyperperiods() {
        QFETCH(QStringList, periods);
        QFETCH(std::string, common);
        std::vector<TimelineJob> jobs;
        for (const QString& period : periods) {
            jobs.push_back({exact(period.toStdString()), 0, 1, 0});
        }
        QCOMPARE(hyperperiod(jobs)->toString(), common);
    }

    /// Four hundred random job sets against the other algorithm, exactly.
    void agreesWithAnotherAlgorithm() {
        Random random;
        for (int i = 0; i < 400; ++i) {
            std::vector<TimelineTake> takes;
            const std::int64_t takeCount = random.whole(1, 3);
            for (std::int64_t j = 0; j < takeCount; ++j) {
                TimelineTake take{Rational(random.whole(0, 30), 100),
                                  Rational(random.whole(0, 100), 100),
                                  {},
                                  Rational(random.whole(0, 200), 100)};
                for (std::int64_t k = 0; k < takeCount; ++k) {
                    take.changeFrom.push_back(k == j ? Rational(0) : Rational(random.whole(0, 50), 100));
                }
                takes.push_back(std::move(take));
            }
            std::vector<TimelineJob> jobs;
            for (std::int64_t j = random.whole(1, 5); j > 0; --j) {
                const Rational every(random.whole(1, 12), random.whole(1, 2));
                jobs.push_back({every, Rational(random.whole(0, 500), 100), every * Rational(random.whole(0, 60), 100),
                                static_cast<std::size_t>(random.whole(0, takeCount - 1))});
            }
            const Rational span = *hyperperiod(jobs);
            const bool mayRest = random.whole(0, 9) > 0;
            const TimelineTotals totals = Timeline(jobs, takes, mayRest).play(span);
            QCOMPARE(text(totals), text(twin(jobs, takes, mayRest, totals.from, totals.span)));
            if (totals.isSettled) { // and once more where it comes again
                const TimelineTotals later = twin(jobs, takes, mayRest, totals.from + totals.span, totals.span);
                Rational load;
                for (const TimelineJob& job : jobs) {
                    load += job.lasts / job.every;
                }
                QVERIFY(load > 1 || text(totals) == text(later));
            }
        }
    }

    /// The example's average and life, worked out apart from this program step by step: typical at 25 °C, worst at 50 °C.
    void theExampleByHand() {
        const Figures figures = orchardWith("", "");
        const RhythmFigure& rhythm = *figures.rhythm;
        // 293.058 µA with start-ups at the run current of 16.13587 mA; but 93 times 1.24 ms are at 3.30387 mA, and those of the
        // other take, 5 ppb of the time, without its timers and ports, 174 µA
        // and 90 times 180000 cycles take not 1.125 ms but 1.125 ÷ 0.78, as the memory waits; they take it from the rest at 18.87
        // µA
        const Rational cycles = 90 * exact("1.125e-3") * (1 / exact("0.78") - 1) / 1800;
        QCOMPARE(rhythm.average->nominal, exact("58611612361/200000000000000") -
                                              93 * exact("1.24e-3") / 1800 * (exact("16.13587e-3") - exact("3.30387e-3")) -
                                              exact("5e-9") * exact("174e-6") +
                                              cycles * (exact("16.13587e-3") - exact("18.87e-6")));
        // 365.224 µA likewise; the largest has all that draws but the core's 92 µA/MHz, at 10.2 MHz instead of 160.0064
        const WakeUpFigure& wake = *figures.modes[3].wakeUp;
        const Rational slow = exact("92e-6") * (exact("160.0064") - exact("10.2"));
        const Rational worst = exact("3286883818250884682957/8999640000000000000000000");
        const Rational atOnce = worst - 93 * (wake.restored.max - wake.firstInstruction.max) / 1800 * slow;
        // at 50 °C, with the slowest core; and the crystal that times the jobs may be 20 ppm fast: so many more of them
        const Rational above = figures.modes[0].current.max.back() - figures.modes[3].current.max.back();
        const Rational longer = atOnce + cycles * 160 / exact("159.9936") * above;
        const Rational rest = figures.modes[3].current.max.back();
        const Rational expected = rest + (longer - rest) * exact("1.00002");
        QVERIFY2(abs(rhythm.average->max / expected - 1) < exact("1e-6"), rhythm.average->max.toString().c_str());
        QCOMPARE(*rhythm.longestRest, exact("3599899/2000000"));
        QCOMPARE(rhythm.wakeUps, std::int64_t{1086});
        QCOMPARE(rhythm.events, std::int64_t{1093}); // 3 + 90 + 1000
        // 18720 C × 0.95 ÷ (average + 18720 C × 2 % ÷ 8766 h)
        const Rational fade = Rational(18720) * exact("2/100") / (8766 * 3600);
        QCOMPARE(rhythm.life->nominal, Rational(18720) * exact("95/100") / (rhythm.average->nominal + fade));
        // at 50 °C the share is on the way from 95 % at 25 °C to 90 % at 60 °C
        QCOMPARE(rhythm.life->min, Rational(18720) * exact("32/35") / (rhythm.average->max + fade));
    }

    void sharesAddUp() {
        const RhythmFigure rhythm = *orchardWith("", "").rhythm;
        Rational charge = 0;
        Rational average = 0;
        for (const RhythmFigure::Share& share : rhythm.shares) {
            charge += share.chargeShare;
            average += share.ampere;
        }
        QCOMPARE(charge, Rational(1));
        QCOMPARE(average, rhythm.average->nominal);
        QCOMPARE(rhythm.shares.front().name, std::string("job report"));
    }

    void plansWithoutJobsRestForEver() {
        const std::string text = orchardText();
        const std::size_t jobs = text.find("[[job]]");
        const std::size_t takes = text.find("[[take]]");
        Edited edited = editedOrchard(", fed by feed", ", fed every 1.8 s");
        edited.plan.jobs.clear();
        QVERIFY(takes > jobs);
        const Figures figures = evaluate(edited.part, edited.plan, edited.plan.active);
        QCOMPARE(figures.rhythm->average->nominal, exact("1887/100000000"));
        QVERIFY(!figures.rhythm->longestRest.has_value());
    }

    void overloadIsSaid() {
        const Figures figures = orchardWith("lasts = \"4.4 s\"", "lasts = \"660 s\"");
        QVERIFY2(lines(figures.findings)
                         .find("rhythm: error: what the core has to do does not fit: it needs \u2248110.03 % of the time; "
                               "expected at most 100 %, "
                               "wake-ups, start-ups and interrupts included\n") != std::string::npos,
                 lines(figures.findings).c_str());
    }

    void tooManyRunsAreCutAndSaid() {
        const Figures figures = orchardWith("every = \"1.8 s\"", "every = \"1.800001 s\"");
        QVERIFY(!figures.rhythm->isWhole);
        QVERIFY(lines(figures.findings).find("rhythm: warning: the jobs repeat only after more than 100000 runs") == 0);
        QVERIFY(abs(figures.rhythm->average->nominal / exact("2922359e-10") - 1) < Rational(1, 100));
    }

    void unknownDrawsStrainWhatDependsOnThem() {
        const Figures figures = orchardWith("draws = \"300 nA\"\n", "");
        QCOMPARE(figures.findPromise("budget")->state, State::strained);
        QCOMPARE(figures.findPromise("budget")->why, std::string("unknown: draw of wdog"));
        QCOMPARE(figures.findPromise("life")->state, State::strained);
    }

    void usableSharesAreLinear() {
        const Battery battery = *orchard().plan->board.battery;
        QCOMPARE(usableAt(battery, -40), exact("81/100"));
        QCOMPARE(usableAt(battery, 25), exact("95/100"));
        QCOMPARE(usableAt(battery, exact("15/2")), exact("88/100"));
        QCOMPARE(usableAt(battery, 80), exact("90/100"));
        QCOMPARE(usableAt(Battery{1, {}, {}, {}, 0, 1, 1, {}, {}}, 0), Rational(1));
    }

    void withoutABatteryNothingLasts() {
        const std::string text = orchardText();
        const std::size_t battery = text.find("[board.battery]");
        const std::size_t promise = text.find("[[promise]]");
        const Figures figures = orchardWith(text.substr(battery, promise - battery), "");
        QCOMPARE(figures.findPromise("life")->state, State::broken);
        QCOMPARE(figures.findPromise("life")->why, std::string("the plan has no [board.battery]"));
    }
};

QTEST_APPLESS_MAIN(CoreRhythm)
#include "core_rhythm.moc"
