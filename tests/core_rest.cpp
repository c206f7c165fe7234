#include "evaluate/evaluate.h"
#include "evaluate/sleep_order.h"
#include "evaluate/wake_timers.h"
#include "evaluate/ways_out.h"
#include "rhythm/rest_cost.h"
#include "support.h"

#include <algorithm>

using namespace wisetick;
using namespace wisetick::test;

namespace {

RestCost costOf(const std::string& mode, const char* ampere, const char* charge, const char* length) {
    return {mode, exact(ampere), exact(charge), exact(length), {}};
}

std::string stepsText(const std::vector<SleepStep>& steps) {
    std::string text;
    for (const SleepStep& step : steps) {
        text += (step.isTrouble ? "! " : "") + step.say + "\n";
    }
    return text;
}

Figures evaluated(const Edited& edited) {
    return evaluate(edited.part, edited.plan, edited.plan.active);
}

/// The example resting in another mode, with or without its jobs.
Edited restingIn(const std::string& mode) {
    Edited edited = editedOrchard();
    edited.plan.takes[0].restsIn = mode;
    return edited;
}

} // namespace

/// Resting: what it costs, what is best, and what has to be done around it.
class CoreRest : public QObject {
    Q_OBJECT

private slots:
    void breakEvenByHand() {
        const RestCost idle = costOf("idle", "0.001", "1e-9", "1e-6");
        const RestCost deep = costOf("deep", "1e-5", "1e-6", "1e-3");
        // (1 µC - 1 nC) ÷ 0.99 mA
        QCOMPARE(*breakEven(idle, deep), Rational(999, 1000000000) / Rational(99, 100000));
        QVERIFY(!breakEven(deep, idle).has_value());
        QCOMPARE(*breakEven(costOf("a", "2", "5", "0"), costOf("b", "1", "3", "0")), Rational(0));
    }

    /// At many lengths of a rest no other mode takes less, in random sets of modes.
    void noBetterModeExists() {
        Random random;
        for (int round = 0; round < 300; ++round) {
            std::vector<RestCost> costs{costOf("run", "1", "0", "0")};
            for (std::int64_t i = random.whole(0, 6); i > 0; --i) {
                costs.push_back({"m" + std::to_string(i),
                                 Rational(random.whole(1, 1200), 1000),
                                 Rational(random.whole(0, 3000), 1000),
                                 Rational(random.whole(0, 1000), 1000),
                                 {}});
            }
            const std::vector<BestRest> best = bestRests(costs);
            QVERIFY(!best.empty() && best.front().from.isZero());
            for (int i = 0; i < 40; ++i) {
                const Rational rest(random.whole(1, 100000), random.whole(1, 10000));
                std::string mode;
                for (const BestRest& each : best) {
                    mode = each.from <= rest ? each.mode : mode;
                }
                const auto chargeIn = [&](const RestCost& cost) { return cost.charge + cost.ampere * rest; };
                const auto taken =
                    std::find_if(costs.begin(), costs.end(), [&](const RestCost& cost) { return cost.mode == mode; });
                QVERIFY(taken->length <= rest);
                for (const RestCost& other : costs) {
                    QVERIFY2(other.length > rest || chargeIn(*taken) <= chargeIn(other),
                             (mode + " against " + other.mode + " at " + rest.toString()).c_str());
                }
            }
        }
    }

    /// Of the example: the stages of deep draw 1.2 mA for 9 µs, 0.4 mA for 6 µs and 2 mA for 1.5 µs on top of 18.87 µA for 10.5
    /// µs, then start-ups go on for 1.24 ms: 1.1 mA + 78 µA × 10 of the 10 MHz that it wakes on, 450 µA of xtm, 968 of vco,
    /// and 5.87 of what goes on at rest, 3.30387 mA.
    void costsOfTheExample() {
        const Edited edited = editedOrchard();
        const Figures figures = evaluated(edited);
        const std::vector<RestCost> costs = restCosts(edited.part, figures);
        QCOMPARE(costs[0].charge, Rational(0));
        const Rational stages = exact("1.2e-3") * exact("9e-6") + exact("0.4e-3") * exact("6e-6") +
                                exact("2e-3") * exact("1.5e-6") + exact("18.87e-6") * exact("10.5e-6");
        QCOMPARE(costs[3].mode, std::string("deep"));
        QCOMPARE(costs[3].charge, stages + exact("1.24e-3") * exact("3.30387e-3"));
        QCOMPARE(costs[3].length, exact("1.2505e-3"));
        const std::vector<JobRest> jobs = jobRests(edited.part, edited.plan, figures, bestRests(costs));
        QCOMPARE(jobs[0].job, std::string("report"));
        QCOMPARE(jobs[0].rest, exact("595.6"));
        QCOMPARE(jobs[0].mode, std::string("off"));
    }

    void theOrderOfTheExample() {
        const Edited edited = editedOrchard();
        const Figures figures = evaluated(edited);
        const SleepOrder order = sleepOrder(edited.part, edited.plan, figures, "deep");
        QCOMPARE(stepsText(order.before), std::string("finish what uart1 and uart2 transfer\n"
                                                      "hold the tick timer\n"
                                                      "save what is needed of 'back'\n"
                                                      "feed wdog, it goes on: it bites after \u22485.5993 s at the fastest\n"
                                                      "clear the flag of rtc\n"
                                                      "set the wake-up counter of rtc to 20 s and let it interrupt\n"
                                                      "choose deep, then wait for an event\n"));
        const std::string after = stepsText(order.after);
        for (const char* step :
             {"the core comes back on rcf at 10 MHz", "start xtm", "start vco and wait until it is locked", "core from pll_a",
              "let the tick go on", "clear the flag of rtc", "rest again when the handler returns"}) {
            QVERIFY2(after.find(step) != std::string::npos, (std::string(step) + " in\n" + after).c_str());
        }
        QVERIFY(after.find("start xtm") < after.find("core from pll_a"));
        QVERIFY(sleepOrder(edited.part, edited.plan, figures, "run").before.empty());
        QVERIFY_EXCEPTION_THROWN(sleepOrder(edited.part, edited.plan, figures, "nowhere"), std::out_of_range);
    }

    /// In snooze the port wakes it: a bit of 115200 is 8.7 µs, its clock is there only when the crystal and the multiplier are.
    void theFirstByteIsLost() {
        const Edited edited = restingIn("snooze");
        const std::string after = stepsText(sleepOrder(edited.part, edited.plan, evaluated(edited), "snooze").after);
        QVERIFY2(after.find("! the first byte that wakes it over uart1 is lost") != std::string::npos, after.c_str());
        // in idle everything goes on
        const Edited idle = restingIn("idle");
        const std::string there = stepsText(sleepOrder(idle.part, idle.plan, evaluated(idle), "idle").after);
        QVERIFY2(there.find("the first byte that wakes it over uart1 is received") != std::string::npos, there.c_str());
    }

    /// Where all goes on only the core's mux has turned, to what the mode wakes on; it turns back, and nothing is started anew.
    void whatGoesOnIsNotStartedAnew() {
        using Case = std::pair<std::string, std::string>;
        for (const auto& [name, turns] : {Case("orchard-sprayer", "core from pll_a"), Case("spindle-balancer", "sys from p1a"),
                                          Case("field-tractor", "core from pll_a")}) {
            const LoadedPlan loaded = loadPlan(sourceDir() + "/examples/" + name + ".plan.toml", {sourceDir() + "/parts"});
            const Figures figures = evaluate(*loaded.part, *loaded.plan, loaded.plan->active);
            const std::string after = stepsText(sleepOrder(*loaded.part, *loaded.plan, figures, "idle").after);
            QVERIFY2(after.find("brought back") == std::string::npos, (name + "\n" + after).c_str());
            QVERIFY2(after.find(turns) != std::string::npos, (name + "\n" + after).c_str());
            QVERIFY2(after.find("start ") == std::string::npos, (name + "\n" + after).c_str());
            QVERIFY2(after.find("wait for ") == std::string::npos, (name + "\n" + after).c_str());
        }
    }

    /// A frame of CAN is over before its clock runs; the bus with clock and data is held until it does.
    void framesAreLostAndBusesHeld() {
        const std::string text =
            replaced(replaced(marramText(), "id = \"can0\"\n", "id = \"can0\"\nwakes_from = { snooze = \"edge\" }\n"),
                     "id = \"i2c1\"\n", "id = \"i2c1\"\nwakes_from = { snooze = \"address\" }\n");
        const PartFile part = readPart(text, "part");
        QVERIFY2(part.part.has_value(), lines(part.diagnostics).c_str());
        Plan plan = editedOrchard().plan;
        for (const std::string line : {"can0 talks 500 kbit/s", "i2c1 talks 100 kHz"}) {
            plan.promises.push_back({line, readPromiseLine(line, &*part.part).value()});
        }
        const std::string after = stepsText(sleepOrder(*part.part, plan, evaluate(*part.part, plan, "A"), "snooze").after);
        QVERIFY2(after.find("! the first frame that wakes it over can0 is lost") != std::string::npos, after.c_str());
        QVERIFY2(after.find("i2c1 holds the bus until it can answer: no byte is lost") != std::string::npos, after.c_str());
    }

    /// The tick goes on in idle and would wake the core every millisecond, between jobs that are seconds apart.
    void aTickThatWakesIsFound() {
        const Edited idle = restingIn("idle");
        const std::string found = lines(evaluated(idle).findings);
        QVERIFY2(
            found.find("take.A.rests_in: warning: the interrupt of timer1 stays on in idle: it wakes the core every 1 ms, and no "
                       "job says so") != std::string::npos,
            found.c_str());
        QVERIFY(lines(evaluated(editedOrchard()).findings).find("stays on") == std::string::npos);
        Edited played = restingIn("idle");
        played.plan.jobs[2].every = Rational(1, 1000);
        QVERIFY(lines(evaluated(played).findings).find("stays on") == std::string::npos);
        const std::string order = stepsText(sleepOrder(idle.part, idle.plan, evaluated(idle), "idle").before);
        QVERIFY2(order.find("! stop timer1: its interrupt would wake the core after 1 ms at the latest") == 0, order.c_str());
    }

    /// After waking the core hangs on the mode's source, and what must be started again is off.
    void whatIsWokenUp() {
        const Edited edited = editedOrchard();
        const std::size_t deep = *edited.part.findMode("deep");
        const auto woken = wokenTake(edited.part, edited.plan, edited.plan.takes[0], deep);
        QVERIFY(woken.has_value());
        QCOMPARE(*findChoice(*woken, "core")->from, std::string("rcf"));
        QCOMPARE(*findChoice(*woken, "vco")->on, false);
        Plan plan = edited.plan;
        plan.takes.push_back(*woken);
        const Figures figures = derive(edited.part, plan, woken->name);
        QCOMPARE(figures.lines[edited.part.core].hertz->nominal, Rational(10000000));
        Part odd = edited.part;
        odd.modes[deep].wakesOn.reset();
        QVERIFY(!wokenTake(odd, edited.plan, edited.plan.takes[0], deep).has_value());
    }

    /// On the RC that it wakes on, the multiplier needs no crystal: it locks 100 µs after the first instruction at the latest.
    /// That makes other rates, which is said.
    void wakingSooner() {
        const Edited edited = editedOrchard();
        const std::size_t deep = *edited.part.findMode("deep");
        const std::vector<WayOut> ways = waysToWakeSooner(edited.part, edited.plan, "A", deep, 10);
        QVERIFY(!ways.empty());
        const Figures now = derive(edited.part, edited.plan, "A");
        for (const WayOut& way : ways) {
            Plan plan = edited.plan;
            takeWayOut(plan, "A", way);
            const Figures after = derive(edited.part, plan, "A");
            QVERIFY2(after.modes[deep].wakeUp->restored.max < now.modes[deep].wakeUp->restored.max, way.say.c_str());
        }
        const auto byReference =
            std::find_if(ways.begin(), ways.end(), [](const WayOut& way) { return way.say == "ref from rcf"; });
        QVERIFY(byReference != ways.end());
        QCOMPARE(byReference->got, std::string("all holds again after 115 \u00b5s at the latest"));
        QVERIFY(std::find(byReference->breaks.begin(), byReference->breaks.end(), "core") != byReference->breaks.end());
        QVERIFY(waysToWakeSooner(edited.part, edited.plan, "A", edited.part.runMode()).empty());
        Edited locked = editedOrchard();
        for (const Line& line : locked.part.lines) {
            locked.plan.takes[0].locks.push_back(line.id);
        }
        QVERIFY(waysToWakeSooner(locked.part, locked.plan, "A", deep).empty());
    }

    /// Against every prescaler and count of every clock that goes on.
    void noBetterWakeTimerExists() {
        const Edited edited = editedOrchard();
        const Figures figures = evaluated(edited);
        Random random;
        for (int round = 0; round < 20; ++round) {
            const Rational every(random.whole(1, 2000000), random.whole(1, 100));
            const std::vector<WakeTimer> timers = wakeTimers(edited.part, edited.plan, figures, "deep", every);
            QCOMPARE(timers.size(), std::size_t{2}); // the rtc on xtw and on rcs
            for (const WakeTimer& timer : timers) {
                const Rational hertz = figures.findLine(timer.clock)->hertz->nominal;
                QCOMPARE(timer.got.nominal, timer.settings[0].value * timer.settings[1].value / hertz);
                QCOMPARE(timer.why.empty(), every >= 2 / hertz && every <= Rational(32768) * 65536 / hertz);
                for (const std::int64_t prescaler : {2, 4, 8, 16, 32768}) {
                    const Rational counts = std::clamp((every * hertz / prescaler).rounded(), Rational(1), Rational(65536));
                    QVERIFY(abs(timer.error.nominal) <= abs(prescaler * counts / hertz / every - 1));
                }
            }
        }
        QVERIFY_EXCEPTION_THROWN(wakeTimers(edited.part, edited.plan, figures, "nowhere", 1), std::out_of_range);
    }

    /// With the flash off doze of the gauge's part draws 180 nA less, and wakes through one stage more.
    void optionsOfAModeCount() {
        const LoadedPlan loaded = loadPlan(sourceDir() + "/examples/door-sensor.plan.toml", {sourceDir() + "/parts"});
        QVERIFY2(loaded.plan && loaded.part, lines(loaded.diagnostics).c_str());
        Plan plan = *loaded.plan;
        const std::size_t doze = *loaded.part->findMode("doze");
        const Figures off = derive(*loaded.part, plan, "A");
        plan.takes[0].modes.clear();
        const Figures on = derive(*loaded.part, plan, "A");
        QCOMPARE(on.modes[doze].ampere.nominal - off.modes[doze].ampere.nominal, exact("180e-9"));
        QCOMPARE(on.modes[doze].wakeUp->pieces.size() + 1, off.modes[doze].wakeUp->pieces.size());
        QCOMPARE(off.modes[doze].wakeUp->firstInstruction.nominal - on.modes[doze].wakeUp->firstInstruction.nominal,
                 exact("9e-6"));
        QCOMPARE(off.modes[doze].options.front().second, std::string("off"));
        plan.takes[0].modes = {{"deep", "back_memory", "off"}};
        const std::size_t deep = *loaded.part->findMode("deep");
        QVERIFY(derive(*loaded.part, plan, "A").modes[deep].memory.empty());
        // deep loses the debugger, doze does not
        const std::string order = stepsText(sleepOrder(*loaded.part, plan, evaluate(*loaded.part, plan, "A"), "deep").before);
        QVERIFY2(order.find("the debugger loses the part in deep") != std::string::npos, order.c_str());
        QVERIFY(stepsText(sleepOrder(*loaded.part, plan, on, "doze").before).find("debugger") == std::string::npos);
        QCOMPARE(on.modes[deep].memory, std::vector<std::string>{"back"});
        plan.takes[0].modes = {{"deep", "back_memory", "perhaps"}};
        QVERIFY(lines(derive(*loaded.part, plan, "A").findings).find("no value 'perhaps'") != std::string::npos);
    }

    void optionsAreReadAndChecked() {
        const std::string door = fileText(sourceDir() + "/examples/door-sensor.plan.toml");
        const PartFile part = readPart(fileText(sourceDir() + "/parts/samphire-5.part.toml"), "part");
        const auto faults = [&](const std::string& what, const std::string& by) {
            return lines(readPlan(replaced(door, what, by), "f", &*part.part).diagnostics);
        };
        QVERIFY(faults("flash = \"off\"", "flash = \"of\"").find("no value of 'flash' 'of'") != std::string::npos);
        QVERIFY(faults("flash = \"off\"", "flush = \"off\"").find("no option of doze 'flush'") != std::string::npos);
        QVERIFY(faults("[take.modes.doze]", "[take.modes.dose]").find("no mode 'dose'") != std::string::npos);
        QVERIFY(faults("after = \"opened\"", "after = \"confirm\"").find("follow each other in a ring") != std::string::npos);
        QVERIFY(faults("after = \"opened\"", "after = \"nothing\"").find("no job 'nothing'") != std::string::npos);
        QVERIFY(faults("jitter = \"5 min\"", "jitter = \"7 h\"").find("a jitter of more than the period") != std::string::npos);
        QVERIFY(faults("about = \"4 min\"", "about = \"4 min\"\nevery = \"1 s\"").find("more than one of") != std::string::npos);
        QVERIFY(
            faults("curve = [[\"0 %\", \"2 V\"], [\"10 %\", \"2.5 V\"]", "curve = [[\"0 %\", \"2.6 V\"], [\"10 %\", \"2.5 V\"]")
                .find("a curve that does not rise") != std::string::npos);
    }
};

QTEST_APPLESS_MAIN(CoreRest)
#include "core_rest.moc"
