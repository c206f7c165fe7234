#include "evaluate/evaluate.h"
#include "files/plan_reader.h"
#include "rhythm/battery.h"
#include "rhythm/chance.h"
#include "rhythm/play.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// Runs at 5 mA, rests at 2 µA, wakes at once unless a stage is told.
std::string plainPart(const std::string& deep = {}, const std::string& more = {}) {
    return "format = \"wisetick-part/1\"\nid = \"plain\"\nname = \"Plain\"\nsupply = { min = \"1.8 V\", max = \"3.6 V\" }\n"
           "core = \"core\"\n" +
           more +
           "\n[[source]]\nid = \"rc\"\nkind = \"rc\"\nrate = \"8 MHz\"\n"
           "\n[[line]]\nid = \"core\"\nfrom = \"rc\"\n"
           "\n[[mode]]\nid = \"run\"\nruns = true\ndraws = \"5 mA\"\n"
           "\n[[mode]]\nid = \"deep\"\ndraws = \"2 uA\"\nwakes_by = [\"any\"]\nwakes_on = \"rc\"\n" +
           deep;
}

std::string plainPlan(const std::string& jobs, const std::string& board = {}, const std::string& promises = {}) {
    return "format = \"wisetick-plan/1\"\nname = \"Plain\"\npart = \"plain\"\nactive = \"A\"\n"
           "\n[board]\nsupply = { nominal = \"3 V\" }\ntemperature = { nominal = \"25 C\" }\n" +
           board + promises + jobs + "\n[[take]]\nname = \"A\"\nrests_in = \"deep\"\n";
}

std::string job(const std::string& name, const std::string& rest) {
    return "\n[[job]]\nname = \"" + name + "\"\n" + rest + "\n";
}

struct Loaded {
    Part part;
    Plan plan;
};

Loaded read(const std::string& partText, const std::string& planText) {
    const PartFile part = readPart(partText, "part");
    const PlanFile plan = readPlan(planText, "plan", part.part ? &*part.part : nullptr);
    if (!part.part || !plan.plan) {
        qFatal("%s", lines(part.part ? plan.diagnostics : part.diagnostics).c_str());
    }
    return {*part.part, *plan.plan};
}

Figures played(const Loaded& loaded) {
    return evaluate(loaded.part, loaded.plan, "A");
}

const char* const kOften = "every = \"5 s\"\nlasts = \"1 ms\"";
const char* const kMonthly = "every = \"30 day\"\nlasts = \"10 min\"\ndraws = \"100 mA\"";
const char* const kCell = "\n[board.battery]\ncapacity = \"1000 mAh\"\n";

} // namespace

/// What is played, how long it takes to come again, and what comes too rarely to be played.
class CoreRareJobs : public QObject {
    Q_OBJECT

private slots:
    /// 2 of 10, waking takes 5: rests 2 to 10, wakes to 15, runs to 17, waits to 20 as 3 is no rest, runs to 22, and rests again:
    /// what comes again are 20, not 10.
    void aPatternOverTwoPeriods() {
        const TimelineTotals totals = Timeline({{10, 0, 2, 0}}, {{5, 0, {Rational(0)}, 5}}, true).play(10);
        QVERIFY(totals.isSettled);
        QCOMPARE(totals.span, Rational(20));
        QCOMPARE(totals.jobs[0], Rational(4));
        QCOMPARE(totals.stages[0], Rational(5));
        QCOMPARE(totals.waiting[0], Rational(3));
        QCOMPARE(totals.resting, Rational(8));
        QCOMPARE(totals.longestRest, Rational(8));
        QCOMPARE(totals.wakeUps, std::int64_t{1});
        QCOMPARE(totals.runs, std::int64_t{2});
    }

    /// (8 ms × 2 µA + 5 ms × (2 µA + 1 mA) + 7 ms × 5 mA) ÷ 20 ms = 2.0013 mA; the watchdog must stand the rest of 8 ms.
    void theSameAsACurrent() {
        const std::string stage = "stages = [{ say = \"wake\", typ = \"5 ms\", max = \"5 ms\", draws = \"1 mA\" }]\n";
        const Figures figures = played(read(plainPart(stage), plainPlan(job("tick", "every = \"10 ms\"\nlasts = \"2 ms\""))));
        QCOMPARE(figures.rhythm->average->nominal, exact("0.0020013"));
        QCOMPARE(*figures.rhythm->longestRest, exact("0.008"));
        QVERIFY(figures.rhythm->isWhole);
    }

    /// Each common period is like the one before, whatever was measured: a second, slower look at random jobs.
    void whatIsMeasuredComesAgain() {
        Random random;
        int several = 0;
        for (int i = 0; i < 400; ++i) {
            const TimelineTake take{
                Rational(random.whole(0, 6)), Rational(random.whole(0, 2)), {Rational(0)}, Rational(random.whole(0, 9))};
            std::vector<TimelineJob> jobs;
            for (std::int64_t j = random.whole(1, 3); j > 0; --j) {
                const Rational every(random.whole(4, 15));
                jobs.push_back({every, Rational(random.whole(0, 10)), every * Rational(random.whole(1, 30), 100), 0});
            }
            const Rational span = *hyperperiod(jobs);
            const Timeline line(jobs, {take}, true);
            const TimelineTotals totals = line.play(span);
            if (!totals.isSettled) {
                continue;
            }
            several += totals.span > span ? 1 : 0;
            // the stretches of the measured time and of the same time later are one list
            const auto first = line.stretches(totals.from, totals.span);
            const auto later = line.stretches(totals.from + totals.span, totals.span);
            QCOMPARE(first.size(), later.size());
            double resting = 0;
            for (std::size_t each = 0; each < first.size(); ++each) {
                QVERIFY(first[each].doing == later[each].doing && std::abs(first[each].from - later[each].from) < 1e-9);
                resting += first[each].doing == Doing::resting ? first[each].to - first[each].from : 0;
            }
            QVERIFY(std::abs(resting - totals.resting.toDouble()) < 1e-6);
        }
        QVERIFY(several > 5);
    }

    /// 1 ms of 5 s at 5 mA is 1 µA; 10 min of 30 days at 105 mA are 24.306 µA; the rest of the time 2 µA.
    void aMonthlyJobIsAddedApart() {
        const Loaded loaded = read(plainPart(), plainPlan(job("often", kOften) + job("monthly", kMonthly), kCell));
        const Figures figures = played(loaded);
        const Rational often(1, 5000);
        const Rational monthly = Rational(600) / 2592000;
        const Rational average = often * exact("0.005") + monthly * exact("0.105") + (1 - often - monthly) * exact("2e-6");
        QCOMPARE(figures.rhythm->average->nominal, average);
        QCOMPARE(figures.rhythm->life->nominal, Rational(3600) / average); // 4.18 years, not 40
        QVERIFY(figures.rhythm->average->max >= average && figures.rhythm->average->min <= average);
        QVERIFY(lines(figures.findings).find("job 'monthly' comes too rarely to be played and is added apart") !=
                std::string::npos);
        QVERIFY(figures.rhythm->isWhole);                    // the others are played whole
        QCOMPARE(*figures.rhythm->longestRest, Rational(5)); // behind what was held up
        Rational shares = 0;
        for (const RhythmFigure::Share& share : figures.rhythm->shares) {
            shares += share.ampere;
        }
        QCOMPARE(shares, average);
    }

    /// The same where the month fits what can be played: whole and apart agree.
    void apartAndWholeAgree() {
        const std::string hourly = "every = \"1000 s\"\nlasts = \"600 ms\"\ndraws = \"100 mA\"";
        const Figures whole = played(read(plainPart(), plainPlan(job("often", kOften) + job("hourly", hourly))));
        QVERIFY(lines(whole.findings).find("too rarely") == std::string::npos);
        // a third job whose period has nothing in common makes the same two be cut
        const std::string odd = "every = \"5.0000001 s\"\nlasts = \"1 ms\"";
        const Figures cut = played(read(plainPart(), plainPlan(job("often", kOften) + job("hourly", hourly) + job("odd", odd))));
        QVERIFY(!cut.rhythm->isWhole);
        const Rational more = Rational(1, 1000) / exact("5.0000001") * (exact("0.005") - exact("2e-6"));
        QVERIFY(abs(cut.rhythm->average->nominal / (whole.rhythm->average->nominal + more) - 1) < exact("1e-6"));
    }

    /// A weekly job beside one by chance: its share is neither lost nor as chance has it, in the figure and in all plays.
    void aWeeklyJobBesideChance() {
        const std::string now = "about = \"10 s\"\nlasts = \"1 ms\"";
        const std::string weekly = "every = \"7 day\"\nlasts = \"10 min\"\ndraws = \"100 mA\"";
        const Loaded loaded = read(plainPart(), plainPlan(job("now", now) + job("weekly", weekly), kCell));
        const Figures figures = played(loaded);
        const Rational average = Rational(1, 10000) * exact("0.005") + Rational(600) / 604800 * exact("0.105") +
                                 (1 - Rational(1, 10000) - Rational(600) / 604800) * exact("2e-6");
        QCOMPARE(figures.rhythm->average->nominal, average);
        const auto chance = chancePlayOf(loaded.part, loaded.plan, "A", derivedTakes(loaded.part, loaded.plan, figures));
        QVERIFY(chance.has_value());
        const auto band =
            playByChance(*chance, loaded.part, loaded.plan, figures, {60, 2000, 2}, [](std::int64_t) { return true; });
        QVERIFY(band->average.low <= average.toDouble() * 1.0001 && band->average.high >= average.toDouble() * 0.9999);
        QVERIFY(std::abs(band->average.middle / average.toDouble() - 1) < 0.01);
    }

    /// What comes by its period alone has one average, however often it is played.
    void playsOfPeriodsAgree() {
        const std::string slow = "every = \"900 s\"\nlasts = \"20 s\"";
        const Loaded loaded = read(plainPart(), plainPlan(job("often", kOften) + job("slow", slow)));
        const Figures figures = played(loaded);
        const auto chance = chancePlayOf(loaded.part, loaded.plan, "A", derivedTakes(loaded.part, loaded.plan, figures));
        const auto band =
            playByChance(*chance, loaded.part, loaded.plan, figures, {20, 1000, 2}, [](std::int64_t) { return true; });
        const double average = figures.rhythm->average->nominal.toDouble();
        QVERIFY(std::abs(band->average.low / average - 1) < 1e-3 && std::abs(band->average.high / average - 1) < 1e-3);
    }

    /// Two jobs in turn that each need 1 ms of start-ups of their own: half of the time is jobs, and all of it is needed.
    void startUpsAreLoad() {
        const TimelineTake a{0, 0, {Rational(0), Rational(1)}, 0};
        const TimelineTake b{0, 0, {Rational(1), Rational(0)}, 0};
        const TimelineTotals totals = Timeline({{2, 0, Rational(1, 2), 0}, {2, 1, Rational(1, 2), 1}}, {a, b}, false).play(2);
        QVERIFY(totals.restoring[0] + totals.restoring[1] + totals.jobs[0] + totals.jobs[1] > totals.span * Rational(99, 100));
    }

    /// 3.3 V full, 1.9 V empty, linear: with the part's 1.8 V all of it can be used; a brown-out at 2.7 V leaves 4/7 in it.
    void aBrownOutEndsTheBattery() {
        const std::string battery =
            "\n[board.battery]\ncapacity = \"1000 mAh\"\ncurve = [[\"0 %\", \"1.9 V\"], [\"100 %\", \"3.3 V\"]]\n";
        const std::string word = "\n[[option]]\nid = \"bor\"\nsay = \"brown-out\"\nsafe = \"none\"\n"
                                 "value = [{ id = \"none\", say = \"none\", code = 0 }, "
                                 "{ id = \"high\", say = \"at 2.7 V\", code = 1, resets_below = \"2.7 V\" }]\n";
        const auto lifeWith = [&](const std::string& options) {
            const Loaded loaded = read(plainPart({}, {}) + word, plainPlan(job("often", kOften), options + battery));
            return played(loaded).rhythm->life->nominal;
        };
        const Rational all = lifeWith({});
        QCOMPARE(all, Rational(3600) / (Rational(1, 5000) * exact("0.005") + Rational(4999, 5000) * exact("2e-6")));
        QCOMPARE(lifeWith("\n[board.options]\nbor = \"high\"\n"), all * Rational(3, 7));
    }

    /// What a job uses must not be held off in its take.
    void whatAJobUsesIsOn() {
        const std::string port = "\n[[peripheral]]\nid = \"port\"\nkind = \"uart\"\nclock = \"rc\"\n"
                                 "modes = [{ oversample = 16, divisor = { from = 1, to = 100 } }]\n";
        const auto said = [&](const char* on) {
            const Loaded loaded = read(plainPart(port), plainPlan(job("send", std::string(kOften) + "\nuses = [\"port\"]")) +
                                                            "\n[take.choices.port]\non = " + on + "\n");
            return lines(played(loaded).findings);
        };
        QVERIFY2(said("false").find("job.send.uses: error: job 'send' uses port, and port is switched off in take A") !=
                     std::string::npos,
                 said("false").c_str());
        QVERIFY(said("true").find("switched off") == std::string::npos);
    }

    /// A handler of 400 cycles each µs of an 8 MHz core would need 50 times what there is; 5 cycles leave too little.
    void handlersAreLoad() {
        const std::string timer = "\n[[peripheral]]\nid = \"timer\"\nkind = \"timer\"\nclock = \"rc\"\nbits = 16\n";
        const auto evaluated = [&](const std::string& cycles) {
            const std::string promise =
                "\n[[promise]]\nsay = \"timer fires every 1 us exactly, handled in " + cycles + " cycles\"\n";
            return played(read(plainPart(timer), plainPlan(job("often", kOften), {}, promise)));
        };
        const Figures much = evaluated("400");
        QCOMPARE(stateName(much.promises[0].state), std::string("broken"));
        QCOMPARE(much.promises[0].why, std::string("its handler takes 5000 % of the core at its slowest"));
        QVERIFY(lines(much.findings).find("rhythm: error: what the core has to do does not fit") != std::string::npos);
        QCOMPARE(stateName(evaluated("6").promises[0].state), std::string("strained"));
        QCOMPARE(stateName(evaluated("5").promises[0].state), std::string("kept")); // 62.5 %
    }
};

QTEST_APPLESS_MAIN(CoreRareJobs)
#include "core_rare_jobs.moc"
