#include "derive/workings_of.h"
#include "evaluate/battery_moves.h"
#include "rhythm/latency.h"
#include "small_part.h"

#include <queue>

using namespace wisetick;
using namespace wisetick::test;

namespace {

CoreTask handler(const std::string& name, const Rational& interval, const Rational& takes) {
    CoreTask task;
    task.name = name;
    task.target = Target::promise(name);
    task.isHandler = true;
    task.interval = interval;
    task.takes = takes;
    task.limit = interval;
    task.alone = takes;
    return task;
}

CoreTask jobTask(const std::string& name, const Rational& interval, const Rational& takes) {
    CoreTask task = handler(name, interval, takes);
    task.target = Target::job(name);
    task.isHandler = false;
    task.limit.reset();
    return task;
}

/// A core that runs tick by tick: the most urgent handler first, then the jobs in the order in which they came. Gives how long
/// each took at most from its event until it was done.
std::vector<std::int64_t> ranFor(const std::vector<CoreTask>& tasks, const std::vector<std::int64_t>& phases,
                                 std::int64_t ticks) {
    struct Due {
        std::int64_t since = 0;
        std::int64_t left = 0;
        std::size_t task = 0;
    };
    std::vector<Due> waiting;
    std::vector<std::int64_t> longest(tasks.size());
    const auto number = [](const Rational& value) { return *value.toInt64(); };
    for (std::int64_t now = 0; now < ticks; ++now) {
        for (std::size_t i = 0; i < tasks.size(); ++i) {
            if (now >= phases[i] && (now - phases[i]) % number(tasks[i].interval) == 0) {
                waiting.push_back({now, number(tasks[i].takes), i});
            }
        }
        const auto isBefore = [&](const Due& a, const Due& b) {
            const CoreTask& one = tasks[a.task];
            const CoreTask& other = tasks[b.task];
            if (one.isHandler != other.isHandler) {
                return one.isHandler;
            }
            if (one.isHandler && one.interval != other.interval) {
                return one.interval < other.interval;
            }
            return one.isHandler ? (a.task != b.task ? a.task < b.task : a.since < b.since)
                                 : (a.since != b.since ? a.since < b.since : a.task < b.task);
        };
        const auto next = std::min_element(waiting.begin(), waiting.end(), isBefore);
        if (next != waiting.end() && --next->left == 0) {
            longest[next->task] = std::max(longest[next->task], now + 1 - next->since);
            waiting.erase(next);
        }
    }
    return longest;
}

const char* const kTimers =
    "\n[[peripheral]]\nid = \"timer1\"\nkind = \"timer\"\nclock = \"core\"\nbits = 16\nprescaler = [1, 8]\n"
    "\n[[peripheral]]\nid = \"timer2\"\nkind = \"timer\"\nclock = \"core\"\nbits = 16\nprescaler = [1, 8]\n"
    "\n[[peripheral]]\nid = \"pause\"\nkind = \"delay-loop\"\nclock = \"core\"\nturn = 4\n";

std::string withHead(const std::string& head, std::string part) {
    return replaced(std::move(part), "core = \"core\"\n", "core = \"core\"\n" + head);
}

} // namespace

/// How long what the core has to do waits and takes: handlers of interrupts, and jobs.
class CoreLatency : public QObject {
    Q_OBJECT

private slots:
    /// The example of the literature: C = 3, 3, 5 and T = 7, 12, 20 give R = 3, 6, 20.
    void theTextbookCase() {
        const auto figures = latenciesOf({handler("a", 7, 3), handler("b", 12, 3), handler("c", 20, 5)});
        QCOMPARE(*figures[0].longest, Rational(3));
        QCOMPARE(*figures[1].longest, Rational(6));
        QCOMPARE(*figures[2].longest, Rational(20));
        QCOMPARE(figures[2].state, State::kept);
        const auto late = latenciesOf({handler("a", 7, 3), handler("b", 12, 3), handler("c", 20, 6)});
        QCOMPARE(late[2].state, State::strained);
        const auto full = latenciesOf({handler("a", 4, 2), handler("b", 4, 2), jobTask("c", 20, 1)});
        QVERIFY(!full[2].longest.has_value());
        const auto alone = latenciesOf({handler("a", 4, 5)});
        QCOMPARE(alone[0].state, State::broken);
        QCOMPARE(alone[0].why, std::string("takes 5 s by itself, and must be done before it is due again after 4 s"));
    }

    /// A core that runs tick by tick never takes longer than the bound; and with all due at once the bound of handlers is met.
    void theBoundHolds() {
        Random random;
        int met = 0;
        int several = 0;
        for (int i = 0; i < 300; ++i) {
            std::vector<CoreTask> tasks;
            for (std::int64_t count = random.whole(1, 3); count > 0; --count) {
                tasks.push_back(handler("h" + std::to_string(count), random.whole(5, 30), random.whole(1, 4)));
            }
            for (std::int64_t count = random.whole(1, 3); count > 0; --count) {
                tasks.push_back(jobTask("j" + std::to_string(count), random.whole(40, 200), random.whole(1, 20)));
            }
            const auto figures = latenciesOf(tasks);
            for (int phase = 0; phase < 4; ++phase) {
                std::vector<std::int64_t> phases;
                for (const CoreTask& task : tasks) {
                    phases.push_back(phase == 0 ? 0 : random.whole(0, *task.interval.toInt64() - 1));
                }
                const auto ran = ranFor(tasks, phases, 6000);
                for (std::size_t each = 0; each < tasks.size(); ++each) {
                    const auto figure = std::find_if(figures.begin(), figures.end(),
                                                     [&](const LatencyFigure& one) { return one.name == tasks[each].name; });
                    if (figure->longest) {
                        QVERIFY2(Rational(ran[each]) <= *figure->longest,
                                 (tasks[each].name + " ran for " + std::to_string(ran[each])).c_str());
                        several += 1;
                        met += phase == 0 && tasks[each].isHandler && *figure->longest <= tasks[each].interval &&
                                       Rational(ran[each]) == *figure->longest
                                   ? 1
                                   : 0;
                    }
                }
            }
        }
        QVERIFY(several > 2000);
        QVERIFY2(met > 300, std::to_string(met).c_str());
    }

    /// 400 cycles and 12 + 10 beside them at 8 MHz are 52.75 µs, every 100 µs: 52.75 %. A job of 1 ms then takes
    /// 1 ms + 22 × 52.75 µs = 2.1605 ms: in 2.1605 ms the interrupt comes 22 times.
    void handlersStretchJobs() {
        const Edited edited =
            readBoth(withHead("interrupt = { entry = 12, exit = 10 }\n", smallPart("wakes_by = [\"any\"]\n", kTimers)),
                     smallPlan(said("timer1 fires every 100 us exactly, handled in 400 cycles"),
                               jobOf("work", "every = '100 ms'; lasts = '1 ms'; done_within = '3 ms'")));
        const Figures figures = figuresOf(edited);
        const auto& latencies = figures.rhythm->latencies;
        QCOMPARE(latencies.size(), std::size_t{2});
        QCOMPARE(latencies[0].takes, exact("52.75e-6"));
        QCOMPARE(*latencies[0].longest, exact("52.75e-6"));
        QCOMPARE(*latencies[1].longest, exact("0.0021605"));
        QCOMPARE(latencies[1].state, State::kept);
        QCOMPARE(figures.rhythm->load, exact("0.5275") + exact("0.01"));
        QVERIFY(lines(figures.findings).find("work") == std::string::npos);
        QVERIFY(latencies[1].workings.back().formula.find("\u2308R \u00f7 T\u2309") != std::string::npos);
        // the promise opens into it too
        const Workings workings = promiseWorkings(edited.part, edited.plan, figures, 0);
        QVERIFY(
            std::any_of(workings.begin(), workings.end(), [](const Step& step) { return step.what == "done after at most"; }));
    }

    /// A timer that goes on in a mode from which waking takes up to 2 ms: its handler of 50 µs is done 2.05 ms after its event.
    void handlersWakeFirst() {
        const std::string stage =
            "keeps = { sources = \"all\", lines = \"all\", peripherals = [\"timer1\"] }\nwakes_by = [\"any\"]\n"
            "stages = [{ say = \"wake\", typ = \"1 ms\", max = \"2 ms\", draws = \"1 mA\" }]\n";
        const Figures figures = figuresOf(
            readBoth(smallPart(stage, kTimers), smallPlan(said("timer1 fires every 50 ms exactly, handled in 400 cycles"),
                                                          jobOf("work", "every = '1 s'; lasts = '1 ms'"))));
        const LatencyFigure& handler = figures.rhythm->latencies.front();
        QCOMPARE(*handler.longest, exact("0.00205"));
        QCOMPARE(handler.workings.back().what, std::string("from deep"));
        QCOMPARE(handler.workings.back().result, std::string("2.05 ms"));
    }

    /// A deadline that waking and another job may pass: 2 ms of waking, 5 ms of the other, 1 ms itself are 8 ms. It is a finding,
    /// and where the job alone is longer an error.
    void deadlinesAreJudged() {
        const std::string stage =
            "wakes_by = [\"any\"]\nstages = [{ say = \"wake\", typ = \"1 ms\", max = \"2 ms\", draws = \"1 mA\" }]\n";
        const auto played = [&](const std::string& within) {
            return figuresOf(
                readBoth(smallPart(stage),
                         smallPlan({}, jobOf("work", "every = '100 ms'; lasts = '1 ms'; done_within = '" + within + "'") +
                                           jobOf("other", "every = '70 ms'; lasts = '5 ms'"))));
        };
        const Figures late = played("7 ms");
        QCOMPARE(*late.rhythm->latencies[0].longest, exact("0.008"));
        QCOMPARE(late.rhythm->latencies[0].why, std::string("done as late as 8 ms, and must be done within 7 ms"));
        QVERIFY2(lines(late.findings).find("warning: job 'work' done as late as 8 ms, and must be done within 7 ms") !=
                     std::string::npos,
                 lines(late.findings).c_str());
        QCOMPARE(played("8 ms").rhythm->latencies[0].state, State::kept);
        QVERIFY(lines(played("0.5 ms").findings).find("error: job 'work' takes 1 ms by itself") != std::string::npos);
    }

    /// 80 % of the speed: 8000 cycles at 8 MHz take 1.25 ms and not 1 ms; a handler, a delay loop and the race likewise.
    void waitsSlowCyclesDown() {
        const std::string waits = "\n[[wait]]\nline = \"core\"\nsteps = [[\"4 MHz\", 0], [\"8 MHz\", 1, \"80 %\"]]\n";
        const Edited edited = readBoth(
            smallPart("wakes_by = [\"any\"]\n", kTimers + waits),
            smallPlan(said("timer1 fires every 1 ms exactly, handled in 400 cycles") + said("pause waits 100 us within 2 %"),
                      jobOf("work", "every = '100 ms'; cycles = 8000")));
        const Figures figures = figuresOf(edited);
        QCOMPARE(figures.rhythm->latencies[1].takes, exact("0.00125"));
        QCOMPARE(figures.rhythm->latencies[0].takes, exact("62.5e-6"));
        // turns of 4 cycles at 6.4 million a second: 160 turns are 100 µs
        QCOMPARE(figures.promises[1].state, State::kept);
        QCOMPARE(figures.promises[1].settings.front().value, Rational(160));
        QCOMPARE(figures.promises[1].got->nominal, exact("100e-6"));
        // at 4 MHz there is no wait: the race knows that the job takes 2 ms there, and 1.25 ms at 8 MHz
        const auto points = raceToSleep(edited.part, edited.plan, figures, "work");
        QVERIFY(!points.empty());
        const RacePoint& last = points.back();
        QCOMPARE(last.hertz, Rational(32000000)); // four times the core where the line has no limit
        QCOMPARE(last.coulomb, exact("8000") / (exact("32000000") * exact("0.8")) * exact("0.005") +
                                   (exact("0.1") - exact("8000") / (exact("32000000") * exact("0.8"))) * exact("2e-6"));
    }
};

QTEST_APPLESS_MAIN(CoreLatency)
#include "core_latency.moc"
