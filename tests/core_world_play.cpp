#include "small_part.h"
#include "world.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

const char* const kDeep = "keeps = { sources = [\"slow\", \"firm\"], peripherals = [\"rtc\", \"wdog\"] }\nwakes_by = [\"rtc\"]\n"
                          "stages = [{ say = \"wake\", typ = \"2 ms\", max = \"6 ms\", draws = \"1 mA\" }]\n";

/// One job of the plan, in ms.
struct WorldJob {
    std::int64_t every = 0;
    std::int64_t phase = 0;
    std::int64_t lasts = 0;
    bool isTimed = false; ///< by the slow timer
};

/// One board: how slow the timer is, and how long it takes to wake.
struct WorldBoard {
    double stretch = 1;
    double wakes = 0.002;
};

/// What came of running it.
struct Ran {
    double average = 0;
    double longestRest = 0;
    double longestFeed = 0; ///< between the beginnings of two runs of the first job
};

/// Runs the jobs one after the other as they come, event by event: at rest while nothing is due, if that is longer than waking
/// takes and pays (the core then waits where the program says that it does).
Ran run(const std::vector<WorldJob>& jobs, const WorldBoard& board, double leastRest, double until) {
    std::vector<double> due;
    std::vector<double> every;
    for (const WorldJob& job : jobs) {
        const double scale = 1e-3 * (job.isTimed ? board.stretch : 1.0);
        due.push_back(static_cast<double>(job.phase) * scale);
        every.push_back(static_cast<double>(job.every) * scale);
    }
    Ran ran;
    double now = 0;
    double charge = 0;
    double lastFeed = -1;
    const double settled = until / 10; // what comes before may show how it began
    double counted = 0;
    const auto spend = [&](double time, double ampere) {
        if (now >= settled) {
            charge += time * ampere;
            counted += time;
        }
        now += time;
    };
    while (now < until) {
        std::size_t next = 0;
        for (std::size_t i = 1; i < due.size(); ++i) {
            next = due[i] < due[next] - 1e-9 ? i : next; // of equals the first in the list
        }
        if (due[next] > now) {
            const double gap = due[next] - now;
            if (gap > leastRest) {
                ran.longestRest = now >= settled ? std::max(ran.longestRest, gap) : ran.longestRest;
                spend(gap, 2e-6);
                spend(board.wakes, 1e-3 + 2e-6);
            } else {
                spend(gap, 5e-3);
            }
        }
        if (next == 0) {
            if (lastFeed >= settled) {
                ran.longestFeed = std::max(ran.longestFeed, now - lastFeed);
            }
            lastFeed = now;
        }
        spend(static_cast<double>(jobs[next].lasts) * 1e-3, 5e-3);
        due[next] += every[next];
    }
    ran.average = charge / counted;
    return ran;
}

} // namespace

/// Plans on boards drawn at random, played event by event.
class CoreWorldPlay : public QObject {
    Q_OBJECT

private slots:
    /// The average lies within its bounds, the rests are no longer than told, and a watchdog that is kept never bites.
    void jobsAndWatchdogs() {
        Random random;
        int kept = 0;
        int strained = 0;
        int bitten = 0;
        for (int i = 0; i < worldCount(420); ++i) {
            std::vector<WorldJob> jobs;
            std::string text;
            const std::vector<std::int64_t> periods{100, 200, 400, 500, 1000};
            for (std::int64_t count = random.whole(1, 3); count > 0; --count) {
                WorldJob job;
                job.every = random.pick(periods);
                job.phase = random.whole(0, job.every - 1);
                job.lasts = random.whole(1, 20);
                job.isTimed = random.coin();
                text += jobOf("job" + std::to_string(jobs.size()), "every = '" + std::to_string(job.every) + " ms'; phase = '" +
                                                                       std::to_string(job.phase) + " ms'; lasts = '" +
                                                                       std::to_string(job.lasts) + " ms'; by = '" +
                                                                       (job.isTimed ? "rtc" : "outside") + "'");
                jobs.push_back(job);
            }
            const bool isOwn = random.coin();
            const std::int64_t bites = random.whole(jobs[0].every, jobs[0].every * 2);
            const std::string dog = "wdog bites after " + std::to_string(bites) + " ms within 0.5 %, fed by job0";
            const Edited edited = readBoth(
                smallPart(kDeep, kSmallTimers),
                smallPlan(said("wake: wakes from deep in at most 10 ms by rtc every 1 s") + said(dog), text,
                          "rests_in = \"deep\"\n[take.choices.wdog]\nfrom = \"" + std::string(isOwn ? "slow" : "firm") + "\"\n"));
            const Figures figures = figuresOf(edited);
            const RhythmFigure& rhythm = *figures.rhythm;
            if (rhythm.load > Rational(9, 10)) {
                continue;
            }
            const PromiseFigure& judged = *figures.findPromise("wdog");
            kept += judged.state == State::kept ? 1 : 0;
            strained += judged.state == State::strained ? 1 : 0;
            bool isBitten = false;
            for (int each = 0; each < 12; ++each) {
                WorldBoard board;
                board.stretch = each == 0   ? 1 / 1.24
                                : each == 1 ? 1 / 0.82
                                : each == 2 ? 1.0
                                            : 1 / (0.82 + 0.42 * static_cast<double>(random.whole(0, 1000)) / 1000);
                board.wakes = each % 2 == 0 ? 0.002 : 0.006;
                const Ran ran = run(jobs, board, leastRestOf(0.002), 200); // whether a rest pays is decided by the typical
                const double bite = static_cast<double>(bites) * 1e-3 * (isOwn ? board.stretch : 1.0);
                isBitten = isBitten || ran.longestFeed >= bite * 1.005 || ran.longestRest >= bite * 1.005;
                if (judged.state == State::kept) {
                    QVERIFY2(ran.longestFeed < bite * 1.005 && ran.longestRest < bite * 1.005,
                             (dog + " is kept, and " + std::to_string(ran.longestFeed) + " s lie between two feeds, at " +
                              std::to_string(board.stretch) + "\n" + text)
                                 .c_str());
                }
                const double longest =
                    rhythm.longestRest->toDouble() + (rhythm.restTiming.stretch.max.toDouble() - 1) * rhythm.restGrows.toDouble();
                QVERIFY2(ran.longestRest <= longest * 1.0001 + 1e-6,
                         (std::to_string(ran.longestRest) + " rests, told " + std::to_string(longest) + "\n" + text).c_str());
                QVERIFY2(
                    ran.average <= rhythm.average->max.toDouble() * 1.02 && ran.average >= rhythm.average->min.toDouble() * 0.98,
                    (std::to_string(ran.average * 1e6) + " uA, told " + std::to_string(rhythm.average->min.toDouble() * 1e6) +
                     " to " + std::to_string(rhythm.average->max.toDouble() * 1e6) + ", stretch " +
                     std::to_string(board.stretch) + "\n" + text)
                        .c_str());
            }
            bitten += isBitten ? 1 : 0;
        }
        QVERIFY2(kept > 10 && strained > 10 && bitten > 10,
                 (std::to_string(kept) + " " + std::to_string(strained) + " " + std::to_string(bitten)).c_str());
    }

    /// Stages one after the other, each as long as chance makes it between typical and longest; then an oscillator starts, and
    /// what hangs on it waits for that.
    void wakeUps() {
        Random random;
        int kept = 0;
        int strained = 0;
        int broken = 0;
        for (int i = 0; i < worldCount(500); ++i) {
            struct Piece {
                std::int64_t typ = 0;
                std::int64_t max = 0;
            };
            std::vector<Piece> pieces;
            std::string stages;
            for (std::int64_t count = random.whole(1, 4); count > 0; --count) {
                const std::int64_t typ = random.whole(1, 400);
                pieces.push_back({typ, typ + random.whole(0, 200)});
                stages += (stages.empty() ? "" : ", ") + ("{ say = \"s" + std::to_string(count)) + "\", typ = \"" +
                          std::to_string(typ) + " us\", max = \"" + std::to_string(pieces.back().max) +
                          " us\", draws = \"1 mA\" }";
            }
            const std::int64_t startTyp = random.whole(1, 300);
            pieces.push_back({startTyp, startTyp + random.whole(0, 300)});
            const std::string start = "startup = { typ = \"" + std::to_string(startTyp) + " us\", max = \"" +
                                      std::to_string(pieces.back().max) + " us\" }\n";
            const std::string more =
                "\n[[source]]\nid = \"other\"\nkind = \"rc\"\nrate = \"4 MHz\"\ntolerance = [{ by = \"1 %\" }]\n" + start +
                "\n[[line]]\nid = \"bus\"\nfrom = \"other\"\n";
            const std::int64_t limit = random.whole(100, 2200);
            const Edited edited =
                readBoth(smallPart("wakes_by = [\"any\"]\nstages = [" + stages + "]\n", more),
                         smallPlan(said("bus runs at 4 MHz within 2 %") +
                                       said("wake: wakes from deep in at most " + std::to_string(limit) + " us"),
                                   {}));
            const Figures figures = figuresOf(edited);
            const PromiseFigure& judged = *figures.findPromise("wake");
            const State state = judged.state;
            kept += state == State::kept ? 1 : 0;
            strained += state == State::strained ? 1 : 0;
            bool isLate = false;
            for (int board = 0; board < 10; ++board) {
                std::int64_t time = 0;
                for (const Piece& piece : pieces) {
                    time += board == 0 ? piece.typ : (board == 1 ? piece.max : random.whole(piece.typ, piece.max));
                }
                isLate = isLate || time > limit;
                QVERIFY2(state != State::kept || time <= limit, (stages + start + std::to_string(limit)).c_str());
                QVERIFY2(state == State::broken || board != 0 || time <= limit, (stages + start + std::to_string(limit)).c_str());
            }
            QVERIFY(state != State::strained || isLate);
            broken += isLate ? 1 : 0;
        }
        QVERIFY2(kept > 60 && strained > 20 && broken > 20, std::to_string(strained).c_str());
    }

    /// A line behind dividers: of the edges of its source so many become one.
    void linesRun() {
        Random random;
        Verdicts verdicts;
        for (int i = 0; i < worldCount(500); ++i) {
            const std::int64_t first = random.whole(1, 16);
            const std::int64_t second = random.whole(1, 8);
            const std::int64_t low = random.whole(0, 4000);
            const std::int64_t high = random.whole(0, 4000);
            const Rational within(random.whole(1, 300), 10000);
            const Rational asked = Rational(4000000, first * second) * Rational(random.whole(980, 1020), 1000);
            const std::string more = "\n[[source]]\nid = \"other\"\nkind = \"rc\"\nrate = \"4 MHz\"\ntolerance = [{ by = [\"-" +
                                     std::to_string(low) + " ppm\", \"" + std::to_string(high) +
                                     " ppm\"] }]\n\n[[line]]\nid = \"one\"\nfrom = \"other\"\ndivide = [" +
                                     std::to_string(first) + "]\nreset = { divide = " + std::to_string(first) +
                                     " }\n\n[[line]]\nid = \"two\"\nfrom = \"one\"\ndivide = [" + std::to_string(second) +
                                     "]\nreset = { divide = " + std::to_string(second) + " }\n";
            Edited edited =
                readBoth(smallPart("wakes_by = [\"any\"]\n", more), smallPlan(said("two runs at 1 MHz within 1 %"), {}));
            auto& ask = edited.plan.promises.front().line.ask.change<RunsAsk>();
            ask.hertz = asked;
            ask.tolerance.within = within;
            const Figures figures = figuresOf(edited);
            const Bounds hertz = *figures.findLine("other")->hertz;
            const std::string wrong = verdicts.look(figures.promises.front(), "runs at " + asked.toString(), hertz, random, 10,
                                                    [&](const Rational& rate) {
                                                        std::int64_t edges = 0; // of a million
                                                        for (std::int64_t edge = 0; edge < first * second * 100; ++edge) {
                                                            edges += edge % (first * second) == 0 ? 1 : 0;
                                                        }
                                                        return abs(rate * edges / (first * second * 100) / asked - 1) <= within;
                                                    });
            QVERIFY2(wrong.empty(), wrong.c_str());
        }
        QVERIFY2(verdicts.kept() > 60 && verdicts.strained() > 10, std::to_string(verdicts.strained()).c_str());
    }

private:
    /// Waking takes 1.002 mA over its time, on top of nothing; waiting 5 mA. A rest must be longer than waking.
    static double leastRestOf(double wakes) {
        const double even = wakes * (1e-3 + 2e-6) / (5e-3 - 2e-6);
        return std::max(even, wakes);
    }
};

QTEST_APPLESS_MAIN(CoreWorldPlay)
#include "core_world_play.moc"
