#include "plan/job_edits.h"
#include "plan/job_line.h"
#include "plan/take_edits.h"
#include "small_part.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

const char* const kDeep = "keeps = { sources = [\"slow\", \"firm\"], peripherals = [\"rtc\", \"wdog\"] }\nwakes_by = [\"rtc\"]\n";

const char* const kWaking = "wake: wakes from deep in at most 10 ms by rtc every 1 s";

Edited withDog(const std::string& dog, const std::string& jobs, const std::string& from = "slow") {
    return readBoth(
        smallPart(kDeep, kSmallTimers),
        smallPlan(said(kWaking) + said(dog), jobs, "rests_in = \"deep\"\n[take.choices.wdog]\nfrom = \"" + from + "\"\n"));
}

const PromiseFigure& dogOf(const Figures& figures) {
    return *figures.findPromise("wdog");
}

std::string words(const Figures& figures) {
    const PromiseFigure& dog = dogOf(figures);
    return stateName(dog.state) + ": " + dog.why;
}

} // namespace

/// What times the jobs, and what that means to rests, feeds and averages.
class CoreJobTiming : public QObject {
    Q_OBJECT

private slots:
    /// The rtc is the one timer that ends the rest, on −18 … +24 %: a rest of 0.999 s lasts up to 0.999 + (1 ÷ 0.82 − 1) × 1 s =
    /// 1.218512 s. A bite after 1.15625 s of an exact clock comes within it; one after 1.25 s does not.
    void aSlowTimerMakesRestsLonger() {
        const std::string job = jobOf("tick", "every = '1 s'; lasts = '1 ms'");
        const Figures short_ = figuresOf(withDog("wdog bites after 1.15625 s exactly", job, "firm"));
        QCOMPARE(short_.rhythm->restTiming.by, std::string("rtc"));
        QVERIFY(!short_.rhythm->restTiming.isSaid);
        QCOMPARE(*short_.rhythm->longestRest, exact("0.999"));
        QCOMPARE(words(short_),
                 std::string("strained: bites after 1.15625 s at the fastest clock, and counts on while the plan rests "
                             "for \u22481.2185 s in deep"));
        const Figures long_ = figuresOf(withDog("wdog bites after 1.25 s exactly", job, "firm"));
        QCOMPARE(words(long_), std::string("kept: "));
    }

    /// From one source both move together: at its slowest the rest is 1.2185 s and the bite 1.15625 ÷ 0.82 = 1.41 s.
    void oneSourceMovesBoth() {
        const Edited edited = withDog("wdog bites after 1.15625 s exactly", jobOf("tick", "every = '1 s'; lasts = '1 ms'"));
        QCOMPARE(words(figuresOf(edited)), std::string("kept: "));
        // said to come from outside, exact, the same rest meets the bite at its earliest: 1.15625 ÷ 1.24 = 0.93246 s
        const Edited outside =
            withDog("wdog bites after 1.15625 s exactly", jobOf("tick", "every = '1 s'; lasts = '1 ms'; by = 'outside'"));
        QVERIFY(figuresOf(outside).rhythm->restTiming.isSaid);
        QVERIFY(words(figuresOf(outside)).starts_with("strained: bites after \u2248932.46 ms at the fastest clock"));
    }

    /// A feed that the play tells: every 2 s, 10 ms, but behind a report of 4.4 s every 20 s. Both are due at 0 and the feed is
    /// first in the list; the one at 2 s waits until 4.41 s. So the feeds begin at 0, 4.41, 4.42 and 6 s: at most 4.41 s apart.
    void aFeedWaitsBehindAReport() {
        const std::string jobs = jobOf("feed", "every = '2 s'; lasts = '10 ms'; by = 'outside'") +
                                 jobOf("report", "every = '20 s'; lasts = '4.4 s'; by = 'outside'");
        const Figures figures = figuresOf(withDog("wdog bites after 4 s exactly, fed by feed", jobs, "firm"));
        QCOMPARE(figures.rhythm->runs[0].interval->max, exact("4.41"));
        QCOMPARE(figures.rhythm->runs[0].interval->min, exact("0.01"));
        QCOMPARE(words(figures), std::string("broken: bites after 4 s, not later than the 4.41 s between feeds"));
        QCOMPARE(words(figuresOf(withDog("wdog bites after 5 s exactly, fed by feed", jobs, "firm"))), std::string("kept: "));
        // timed by the slow timer the feed at 4 s is woken for, where that is slow, or waits: then no more is told than its
        // interval, what may stand before it, and what the interval grows by: 2 + 4.4 + (1/0.82 − 1) × 2 s
        const std::string timed = jobOf("feed", "every = '2 s'; lasts = '10 ms'; by = 'rtc'") +
                                  jobOf("report", "every = '20 s'; lasts = '4.4 s'; by = 'rtc'");
        QCOMPARE(
            words(figuresOf(withDog("wdog bites after 4.8125 s exactly, fed by feed", timed, "firm"))),
            std::string("strained: bites after 4.8125 s at the fastest clock, not later than the \u22486.8390 s between feeds"));
    }

    /// Played the feeds lie 4.41 s apart, at the corners no more is known than 6.4: a bite between both is strained, not broken,
    /// and it is found where nothing later is allowed.
    void betweenPlayedAndPossible() {
        const std::string timed = jobOf("feed", "every = '2 s'; lasts = '10 ms'; by = 'rtc'") +
                                  jobOf("report", "every = '20 s'; lasts = '4.4 s'; by = 'rtc'");
        const Figures figures = figuresOf(withDog("wdog bites after 7 s, fed by feed, at latest 5 s", timed, "firm"));
        const PromiseFigure& dog = *figures.findPromise("wdog");
        QCOMPARE(stateName(dog.state), std::string("strained"));
        QVERIFY(dog.got->nominal > exact("4.41") && dog.got->max <= 5);
        QCOMPARE(figures.rhythm->runs[0].interval->nominal, exact("4.41"));
        QCOMPARE(stateName(figuresOf(withDog("wdog bites after 4 s, fed by feed, at latest 4.4 s", timed, "firm"))
                               .findPromise("wdog")
                               ->state),
                 std::string("broken"));
    }

    /// Woken at 359 ms for 2 ms, or 6, and 3 ms of work; the next is due at 367 ms. A board that wakes fast rests in between,
    /// wakes again and is done at 380; one that wakes slowly goes on at 368 and is done at 379. So the rest that follows may
    /// begin 11 ms after that was due, and with the slow timer lasts 200 ms × 1.2195 − 11 ms = 232.902 ms. (That it begins after
    /// a waking, as in the play of either corner, would make it 231.902.)
    void aRestThatMayVanish() {
        const std::string jobs = jobOf("often", "every = '200 ms'; phase = '167 ms'; lasts = '11 ms'") +
                                 jobOf("beside", "every = '1 s'; phase = '359 ms'; lasts = '3 ms'");
        const std::string stage = "stages = [{ say = 'wake', typ = '2 ms', max = '6 ms', draws = '1 mA' }]\n";
        const Edited edited =
            readBoth(smallPart(kDeep + stage, kSmallTimers),
                     smallPlan(said("wake: wakes from deep in at most 10 ms by rtc every 1 s") + said("wdog bites after 1.5 s"),
                               jobs, "rests_in = 'deep'\n[take.choices.wdog]\nfrom = 'firm'\n"));
        const Figures figures = figuresOf(edited);
        const RhythmFigure& rhythm = *figures.rhythm;
        QCOMPARE(*rhythm.longestRest + (rhythm.restTiming.stretch.max - 1) * rhythm.restGrows,
                 exact("0.2") / exact("0.82") - exact("0.011"));
        // each second 58 ms of work at 5 mA; woken five times for up to 6 ms at 1 mA more; and before the sixth run a gap that is
        // woken after, for 6 µC, or waited in for 2 ms, 10 µC. All that up to 1.24 times as often.
        const Rational rest = exact("2e-6");
        const Rational awake = exact("0.005") - rest;
        const Rational most = rest + exact("1.24") * (exact("0.058") * awake + 5 * exact("6e-6") + exact("0.002") * awake);
        QVERIFY2(abs(rhythm.average->max / most - 1) < exact("1e-3"), rhythm.average->max.toString().c_str());
        // as few as 0.82 of them; of the six wakings 2 ms each at the least, one of which may be none
        const Rational least = rest + exact("0.82") * (exact("0.058") * awake + 5 * exact("2e-6"));
        QVERIFY2(rhythm.average->min <= least && rhythm.average->min >= least - exact("12e-6"),
                 rhythm.average->min.toString().c_str());
    }

    /// Feeds from 0.9 to 1.1 s apart: a bite after 1.0625 s is too early for the one, a window that opens after 0.95 s too late
    /// for the other.
    void feedsAreNotAllAlike() {
        const std::string job = jobOf("tick", "every = '1 s'; lasts = '1 ms'; by = 'outside'");
        QCOMPARE(words(figuresOf(withDog("wdog bites after 1.0625 s exactly, fed every 0.9 s to 1.1 s", job, "firm"))),
                 std::string("broken: bites after 1.0625 s, not later than the 1.1 s between feeds"));
        QCOMPARE(words(figuresOf(
                     withDog("wdog bites after 1.25 s exactly, fed every 0.9 s to 1.1 s, opens after 0.5 s", job, "firm"))),
                 std::string("kept: "));
        const Figures late =
            figuresOf(withDog("wdog bites after 1.25 s exactly, fed every 0.9 s to 1.1 s, opens after 0.95 s", job, "firm"));
        QCOMPARE(words(late),
                 std::string("broken: the window opens after the feed: it must open before 900 ms at the slowest clock"));
        QCOMPARE(late.findPromise("wdog")->text,
                 std::string("wdog bites after 1.25 s exactly, fed every 900 ms to 1.1 s, opens after 950 ms"));
    }

    /// Where a feed does not restart the prescaler of 32 the bite can come 32 periods sooner; and three that a feed takes.
    void aFeedMayBeLate() {
        const std::string feed = "feed = { restarts_prescaler = false, sync = 3 }\n";
        const std::string part = replaced(smallPart(kDeep, kSmallTimers), "window = true\n", "window = true\n" + feed);
        const auto judged = [&](const std::string& dog) {
            const Edited edited = readBoth(
                part, smallPlan(said(kWaking) + said(dog), {}, "rests_in = \"deep\"\n[take.choices.wdog]\nfrom = \"firm\"\n"));
            return edited.plan.promises.empty() ? std::string() : words(figuresOf(edited));
        };
        // 32768 counts at 32768 Hz: 1 s; by the prescaler of 1 it may come (1 + 3) ÷ 32768 = 122.07 µs sooner
        QCOMPARE(
            judged("wdog bites after 1 s exactly, fed every 999.9 ms"),
            std::string("strained: bites after \u2248999.88 ms at the fastest clock, not later than the 999.9 ms between feeds"));
        QCOMPARE(judged("wdog bites after 1 s exactly, fed every 999.8 ms"), std::string("kept: "));
    }

    /// Jobs of a timer that can be fast come more often: 1 ms of every second at 5 mA, 24 % more of them at the most.
    void theAverageGrowsWithAFastTimer() {
        const Figures figures = figuresOf(
            readBoth(smallPart(kDeep, kSmallTimers), smallPlan(said(kWaking), jobOf("tick", "every = '1 s'; lasts = '1 ms'"))));
        const auto average = [](const Rational& share) { return share * exact("0.005") + (1 - share) * exact("2e-6"); };
        QCOMPARE(figures.rhythm->average->nominal, average(exact("0.001")));
        QCOMPARE(figures.rhythm->average->max, average(exact("0.00124")));
        QCOMPARE(figures.rhythm->average->min, average(exact("0.00082")));
    }

    /// Two timers slide against one another: the rests may be as long as the shortest period, and each run may wake by itself.
    void twoTimersSlide() {
        const std::string stage = "stages = [{ say = \"wake\", typ = \"1 ms\", max = \"1 ms\", draws = \"1 mA\" }]\n";
        const std::string jobs = jobOf("one", "every = '1 s'; lasts = '1 ms'; by = 'rtc'") +
                                 jobOf("two", "every = '1 s'; phase = '1 ms'; lasts = '1 ms'; by = 'outside'");
        const Figures figures = figuresOf(readBoth(smallPart(kDeep + stage, kSmallTimers), smallPlan(said(kWaking), jobs)));
        // as played both run back to back after one wake-up: 998 ms less 1 ms of waking
        QCOMPARE(*figures.rhythm->longestRest, Rational(1));
        // two wake-ups of 1 ms at 1 mA + 2 µA, not one, 24 % more often than said; and a wait of up to the break-even behind each
        QVERIFY(figures.rhythm->average->max >=
                exact("0.000010") * exact("1.24") + exact("2e-6") * exact("0.99") + exact("2.4e-6"));
        QCOMPARE(figures.rhythm->wakeUps, std::int64_t{1});
    }

    /// 1 mA of a port that one of two jobs uses, 10 ms of every second each: it draws for 10 ms, not for 20, and not at rest.
    void whatAJobUsesDrawsMeanwhile() {
        const std::string port = "\n[[peripheral]]\nid = \"uart1\"\nkind = \"uart\"\nclock = \"rc\"\ndraws = \"1 mA\"\n"
                                 "modes = [{ oversample = 16, divisor = { from = 1, to = 100 } }]\n";
        const std::string deep = "keeps = { sources = \"all\", lines = \"all\", peripherals = \"all\" }\nwakes_by = [\"any\"]\n";
        const std::string jobs = jobOf("send", "every = '1 s'; lasts = '10 ms'; uses = ['uart1']") +
                                 jobOf("count", "every = '1 s'; phase = '500 ms'; lasts = '10 ms'");
        const Figures figures = figuresOf(readBoth(smallPart(deep, port), smallPlan({}, jobs)));
        QCOMPARE(figures.rhythm->average->nominal,
                 exact("0.01") * exact("0.006") + exact("0.01") * exact("0.005") + exact("0.98") * exact("2e-6"));
        QCOMPARE(figures.modes[1].ampere.nominal, exact("2e-6"));
        QVERIFY(figures.findLine("rc")->isOn);
        // with a promise it is on always: at rest and in the other job too
        const Figures always = figuresOf(readBoth(smallPart(deep, port), smallPlan(said("uart1 talks 9600 within 5 %"), jobs)));
        QCOMPARE(always.rhythm->average->nominal, exact("0.02") * exact("0.006") + exact("0.98") * exact("0.001002"));
    }

    void jobsSayWhatTimesThem() {
        const auto job = readJobLine("report: every 10 min, by rtc, for 4 s, done within 20 s");
        QVERIFY(job.has_value());
        QCOMPARE(job->by, std::string("rtc"));
        QCOMPARE(*job->doneWithin, Rational(20));
        QCOMPARE(printJobLine(*job), std::string("report: every 10 min for 4 s, by rtc, done within 20 s"));
        QVERIFY(*readJobLine(printJobLine(*job)) == *job);
        QCOMPARE(readJobLine("report: every 10 min, done within 0 s, for 1 s").error().expected, std::string("a time above 0"));
        // a timer that the part has not
        const PartFile part = readPart(smallPart(kDeep, kSmallTimers), "part");
        const PlanFile plan =
            readPlan(smallPlan({}, jobOf("tick", "every = '1 s'; lasts = '1 ms'; by = 'rtd'")), "plan", &*part.part);
        QVERIFY2(lines(plan.diagnostics).find("no peripheral 'rtd'") != std::string::npos, lines(plan.diagnostics).c_str());
        const PlanFile follower = readPlan(
            smallPlan({}, jobOf("a", "every = '1 s'; lasts = '1 ms'") + jobOf("b", "after = 'a'; lasts = '1 ms'; by = 'rtc'")),
            "plan", &*part.part);
        QVERIFY(lines(follower.diagnostics).find("a timer of a job that does not come by a period") != std::string::npos);
    }

    /// A job that feeds keeps its promise: its new name goes there, and it can't go away.
    void aFeederIsNamed() {
        Edited edited = withDog("wdog bites after 3 s, fed by feed", jobOf("feed", "every = '1 s'; lasts = '1 ms'"));
        QCOMPARE(removeJob(edited.plan, "feed"), std::string("the job 'feed' feeds wdog; change that promise first"));
        Job renamed = edited.plan.jobs.front();
        renamed.name = "kick";
        QCOMPARE(replaceJob(edited.plan, "feed", renamed), std::string());
        QCOMPARE(edited.plan.promises.back().text, std::string("wdog bites after 3 s, fed by kick"));
        QVERIFY(words(figuresOf(edited)).find("between two runs") == std::string::npos);
        // a line can't say a name of several words: what is saved would not be read again
        renamed.name = "uart1 talks";
        QVERIFY(replaceJob(edited.plan, "kick", renamed).find("called by one word") != std::string::npos);
        QCOMPARE(edited.plan.promises.back().text, std::string("wdog bites after 3 s, fed by kick"));
        edited.plan.promises.back().line.inTakes = {edited.plan.active};
        QVERIFY(renameTake(edited.plan, edited.plan.active, "the fast one").find("called by one word") != std::string::npos);
        edited.plan.promises.back().line.inTakes.clear();
        QCOMPARE(renameTake(edited.plan, edited.plan.active, "the fast one"), std::string());
        const PartFile part = readPart(smallPart(kDeep, kSmallTimers), "part");
        const PlanFile plan = readPlan(smallPlan(said("wdog bites after 3 s, fed by nobody"), {}), "plan", &*part.part);
        QVERIFY2(lines(plan.diagnostics).find("no job 'nobody'") != std::string::npos, lines(plan.diagnostics).c_str());
    }

    /// What comes by chance can keep a watchdog waiting for any time.
    void aRandomFeedHasNoBound() {
        const Figures figures =
            figuresOf(withDog("wdog bites after 3 s, fed by feed", jobOf("feed", "about = '1 s'; lasts = '1 ms'"), "firm"));
        QCOMPARE(words(figures),
                 std::string("strained: unknown: how long it is at most between two runs of feed, feed comes by chance"));
    }
};

QTEST_APPLESS_MAIN(CoreJobTiming)
#include "core_job_timing.moc"
