#include "derive/workings_of.h"
#include "evaluate/evaluate.h"
#include "evaluate/ripple.h"
#include "evaluate/ways_out.h"
#include "files/plan_reader.h"
#include "handover/figures_json.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

Figures evaluated(const std::string& what = "", const std::string& by = "") {
    const Edited edited = editedOrchard(what, by);
    return evaluate(edited.part, edited.plan, edited.plan.active);
}

} // namespace

class CoreEvaluate : public QObject {
    Q_OBJECT

private slots:
    /// One broken and one strained on purpose; the rest kept.
    void theExample_data() {
        QTest::addColumn<std::string>("state");
        QTest::addColumn<std::string>("error");
        QTest::addColumn<std::string>("max");
        QTest::addColumn<std::string>("why");
        const auto row = [](const char* name, const char* state, const char* error, const char* max, const char* why) {
            QTest::newRow(name) << std::string(state) << std::string(error) << std::string(max) << std::string(why);
        };
        row("core", "kept", "0", "1/25000", "");
        row("modem", "broken", "49/576", "3256/38375", "the nearest is 1 Mbit/s, \u2248+8.507 %, asked within \u00b11.5 %");
        // 40 MHz ÷ (16 × 21 11/16) ÷ 115 200 − 1
        row("log", "kept", "2/3123", "0", "");
        row("tick", "kept", "0", "1/24999", ""); // a period: 1 ÷ (1 − 40 ppm) − 1
        row("link", "kept", "0", "1/25000", "");
        row("spray", "kept", "0", "1/24999", "");
        // by 64 × 3937 periods of 36 kHz; the report of 4.4 s and what else is due hold a feed up, and
        // may slide by 20 ppm of that: 88 µs above 5.9050 s
        row("feed", "strained", "-1/7875", "787/3150",
            "bites after \u22485.5993 s at the fastest clock, not later than the \u22485.9051 s between feeds");
        row("nap", "kept", "-5499/8000", "-177/800", ""); // 1.2505 … 3.115 ms of 4 ms
    }
    void theExample() {
        QFETCH(std::string, state);
        QFETCH(std::string, error);
        QFETCH(std::string, max);
        QFETCH(std::string, why);
        const Figures figures = evaluated();
        const PromiseFigure* promise = figures.findPromise(QTest::currentDataTag());
        QVERIFY(promise != nullptr);
        QCOMPARE(stateName(promise->state), state);
        QCOMPARE(promise->why, why);
        QCOMPARE(promise->error->nominal, exact(error));
        if (promise->name == "modem") {
            QCOMPARE(promise->error->max, Rational(1000040) / 921600 - 1);
        } else if (promise->name == "log") {
            QCOMPARE(promise->error->max, (1 + exact(error)) * exact("1000040/1000000") - 1);
        } else {
            QCOMPARE(promise->error->max, exact(max));
        }
    }

    void vitals() {
        const Vitals vitals = evaluated().vitals;
        QCOMPARE(*vitals.coreHertz, Rational(160000000));
        QCOMPARE(vitals.worstPromise, std::string("modem"));
        QCOMPARE(vitals.worstWakeUp->max, exact("3115/1000000"));
        QCOMPARE(vitals.worstWakeUpMode, std::string("deep"));
        QVERIFY(vitals.average && vitals.life);
    }

    /// The way out of the broken promise: bus B has a whole divisor near.
    void theModemFromBusB() {
        const Figures figures = evaluated("[take.choices.bus_b]\ndivide = 2",
                                          "[take.choices.bus_b]\ndivide = 2\n\n[take.choices.uart1]\nfrom = \"bus_b\"");
        const PromiseFigure* modem = figures.findPromise("modem");
        QCOMPARE(modem->state, State::kept);
        QCOMPARE(modem->error->nominal, exact("-43/3168")); // −1.357 %
        QCOMPARE(modem->settings[1].value, Rational(11));
        QCOMPARE(figures.vitals.worstPromise, std::string("feed"));
    }

    /// Two rates on one port: the earlier of equals holds the fields, the other says so.
    void promisesShareAPort() {
        const Figures figures =
            evaluated("log: uart2 talks 115200", "log: uart2 talks 115200\"\n\n[[promise]]\nsay = \"fast: uart2 talks 1000000");
        QCOMPARE(figures.findPromise("log")->state, State::kept);
        QCOMPARE(figures.findPromise("fast")->state, State::broken);
        QVERIFY(figures.findPromise("fast")->why.find("log holds the fields that both need") != std::string::npos);
        QVERIFY(figures.findPromise("log")->settings == figures.findPromise("fast")->settings);
        const Figures same =
            evaluated("log: uart2 talks 115200", "log: uart2 talks 115200\"\n\n[[promise]]\nsay = \"again: uart2 talks 115100");
        QCOMPARE(same.findPromise("again")->state, State::kept);
        QCOMPARE(same.findPromise("log")->state, State::kept);
    }

    void aWatchdogMustOutlastTheRests() {
        // without the feeding job the longest rest is that between the measurements
        Edited edited =
            editedOrchard("bites after 7 s, fed by feed, at latest 9 s", "bites after 2 s, fed every 1.8 s, at latest 2.5 s");
        std::erase_if(edited.plan.jobs, [](const Job& job) { return job.name == "feed"; });
        const Figures figures = evaluate(edited.part, edited.plan, edited.plan.active);
        const PromiseFigure* feed = figures.findPromise("feed");
        QCOMPARE(feed->state, State::broken);
        QVERIFY2(feed->why.find("and counts on while the plan rests for") != std::string::npos, feed->why.c_str());
    }

    void pendingUntilPlayed() {
        const LoadedPlan loaded = orchard();
        const Figures figures = derive(*loaded.part, *loaded.plan, "A");
        QCOMPARE(figures.findPromise("budget")->state, State::pending);
        QVERIFY(!figures.rhythm.has_value());
        QCOMPARE(figures.findPromise("modem")->state, State::broken);
    }

    void aPinnedWayIsKept() {
        const Figures figures = evaluated("[[take]]\nname = \"A\"", "[[take]]\nname = \"A\"\npinned.tick.prescaler = 8");
        QCOMPARE(figures.findPromise("tick")->settings[0].value, Rational(8));
        QCOMPARE(figures.findPromise("tick")->settings[1].value, Rational(10000));
    }

    /// Feeding the modem's port from bus B moves the modem and nothing else but what that draws.
    void rippleSaysWhatMoved() {
        const Figures before = evaluated();
        const Figures after = evaluated("[take.choices.bus_b]\ndivide = 2",
                                        "[take.choices.bus_b]\ndivide = 2\n\n[take.choices.uart1]\nfrom = \"bus_b\"");
        QVERIFY(ripple(before, before).empty());
        const std::vector<Moved> moved = ripple(before, after);
        std::string names;
        for (const Moved& each : moved) {
            names += targetText(each.target) + " ";
        }
        // what became well stands before what only moved; average and life are told once, by their promises
        QCOMPARE(names, std::string("promise/modem promise/budget promise/life "));
        QCOMPARE(moved.front().was + " > " + moved.front().is,
                 std::string("1 Mbit/s, \u2248+8.507 % > \u2248909.09 kbit/s, \u2248\u22121.357 %"));
        const std::vector<Moved> back = ripple(after, before);
        QCOMPARE(back[0].name, std::string("modem")); // what became worse comes first
        QCOMPARE(back[0].after, State::broken);
    }

    /// An average that keeps its nominal figure tells its range; below the digits that are shown nothing moves.
    void rippleTellsTheRange() {
        const Figures before = evaluated();
        Figures after = before;
        Bounds& average = *after.rhythm->average;
        average.max = average.max * Rational(100000001, 100000000);
        QVERIFY(ripple(before, after).empty());
        average = {Rational(1, 1000), before.rhythm->average->nominal, Rational(2, 1000)};
        const std::vector<Moved> moved = ripple(before, after);
        QCOMPARE(moved.size(), std::size_t{1});
        QCOMPARE(moved[0].name, std::string("average"));
        QCOMPARE(moved[0].is, std::string("1 mA \u2026 2 mA"));
        QVERIFY(moved[0].was != moved[0].is && moved[0].was.find("\u2026") != std::string::npos);
    }

    /// A worse crystal moves no figure at the nominal rate, but what is promised of it holds by less.
    void rippleTellsTheWorstCase() {
        const Figures before = evaluated();
        const Figures after = evaluated("initial = \"10 ppm\"", "initial = \"20 ppm\"");
        const std::vector<Moved> moved = ripple(before, after);
        const auto link = std::find_if(moved.begin(), moved.end(), [](const Moved& each) { return each.name == "link"; });
        QVERIFY(link != moved.end());
        QCOMPARE(std::string(link->was + " > " + link->is),
                 std::string("\u221240 ppm \u2026 +40 ppm > \u221250 ppm \u2026 +50 ppm"));
        QCOMPARE(link->before, link->after);
    }

    void rippleSeesLimitsAndPromisesComeAndGo() {
        const Figures before = evaluated();
        const Figures over = evaluated("[take.choices.bus_a]\ndivide = 4", "[take.choices.bus_a]\ndivide = 3");
        const std::vector<Moved> moved = ripple(before, over);
        QCOMPARE(targetText(moved[0].target), std::string("line/bus_a"));
        QCOMPARE(moved[0].was + " > " + moved[0].is, std::string("40 MHz > \u224853.333 MHz"));
        const Figures without = evaluated("[[promise]]\nsay = \"log: uart2 talks 115200\"\n", "");
        const std::vector<Moved> gone = ripple(before, without);
        const auto log = std::find_if(gone.begin(), gone.end(), [](const Moved& each) { return each.name == "log"; });
        QVERIFY(log != gone.end() && log->is.empty() && !log->was.empty());
    }

    /// The modem's ways out: bus B as its clock first; nothing that is locked; what it would break is named.
    /// A line over its limit: what mends it, each derived in full.
    void waysOutOfALimit() {
        const Edited edited = editedOrchard("[take.choices.bus_a]\ndivide = 4", "[take.choices.bus_a]\ndivide = 3");
        const NodeIndex bus = *edited.part.findNode("bus_a");
        QCOMPARE(derive(edited.part, edited.plan, "A").lines[bus].state, State::broken);
        const std::vector<WayOut> ways = waysOutOfLimit(edited.part, edited.plan, "A", bus, 50);
        QVERIFY(!ways.empty());
        QCOMPARE(ways.front().say, std::string("bus_a \u00f7 4")); // breaks nothing else, and leaves the rate highest
        QVERIFY(ways.front().breaks.empty());
        for (const WayOut& way : ways) {
            Plan mended = edited.plan;
            takeWayOut(mended, "A", way);
            QCOMPARE(derive(edited.part, mended, "A").lines[bus].state, way.state);
            QVERIFY(way.state != State::broken);
        }
        Plan locked = edited.plan;
        locked.takes[0].locks = {"bus_a", "core", "pll_a", "vco", "ref"};
        QVERIFY(waysOutOfLimit(edited.part, locked, "A", bus, 50).empty()); // what is locked is left alone
    }

    void waysOutOfTheBrokenPromise() {
        const Edited edited = editedOrchard();
        const std::vector<WayOut> ways = waysOut(edited.part, edited.plan, "A", 1, 12);
        QCOMPARE(ways.front().say, std::string("uart1 from bus_b"));
        QCOMPARE(ways.front().state, State::kept);
        QCOMPARE(ways.front().got, std::string("\u2248909.09 kbit/s, \u2248\u22121.357 %"));
        QVERIFY(ways.front().breaks.empty());
        for (const WayOut& way : ways) {
            Plan plan = edited.plan;
            takeWayOut(plan, "A", way);
            const Figures after = evaluate(edited.part, plan, "A");
            QCOMPARE(after.promises[1].state, way.state);
            for (const std::string& name : way.breaks) {
                const bool isBroken = after.findLine(name) != nullptr ? after.findLine(name)->state == State::broken
                                                                      : after.findPromise(name)->state == State::broken;
                QVERIFY2(isBroken || (after.findPromise(name) != nullptr && after.findPromise(name)->state == State::broken),
                         name.c_str());
            }
        }
        Plan locked = edited.plan;
        locked.takes[0].locks = {"uart1"};
        for (const WayOut& way : waysOut(edited.part, locked, "A", 1, 50)) {
            QVERIFY(way.choice.id != "uart1");
        }
    }

    /// Every step that shows a number says where it comes from, and that place is there.
    void everyNumberHasItsOrigin_data() {
        QTest::addColumn<std::string>("what");
        QTest::addColumn<std::string>("by");
        const std::string spray = "spray: timer5 fires every 30 s exactly";
        QTest::newRow("the example") << std::string() << std::string();
        QTest::newRow("a preload timer") << spray << std::string("spray: timer4 fires every 8 ms");
        QTest::newRow("a window") << spray
                                  << std::string(
                                         "spray: guard bites after 100 ms within 1 %, fed every 60 ms, opens after 20 ms");
        QTest::newRow("an rc without tolerance") << std::string("tolerance = \"20 ppm\"\n") << std::string();
        QTest::newRow("a bound") << spray << std::string("spray: bus_b runs at most 90 MHz");
    }
    void everyNumberHasItsOrigin() {
        QFETCH(std::string, what);
        QFETCH(std::string, by);
        const Edited edited = editedOrchard(what, by);
        Figures figures = evaluate(edited.part, edited.plan, "A");
        using Room = Target::Room;
        const auto isThere = [&](const Target& target) {
            const std::string& name = target.name;
            const auto isJob = [&](const Job& job) { return job.name == name; };
            return (target.is(Room::line) && figures.findLine(name) != nullptr) ||
                   (target.is(Room::promise) && figures.findPromise(name) != nullptr) ||
                   (target.is(Room::mode) && edited.part.findMode(name)) ||
                   (target.is(Room::peripheral) && edited.part.findPeripheral(name)) ||
                   (target.is(Room::take) && findTake(edited.plan, name) != nullptr) || target.is(Room::plan) ||
                   target.is(Room::part) || target.is(Room::rhythm) ||
                   (target.is(Room::job) && std::any_of(edited.plan.jobs.begin(), edited.plan.jobs.end(), isJob));
        };
        int count = 0;
        const auto check = [&](const std::string& of, const Workings& workings) {
            for (const Step& step : workings) {
                const std::string shown = step.numbers + step.result;
                const bool hasNumber = std::any_of(shown.begin(), shown.end(), [](char c) { return c >= '0' && c <= '9'; });
                QVERIFY2(!hasNumber || !step.origins.empty(), (of + ": " + step.what + ": " + shown).c_str());
                for (const Origin& origin : step.origins) {
                    QVERIFY2(isThere(origin.target), (of + ": " + step.what + ": " + targetText(origin.target)).c_str());
                    ++count;
                }
            }
        };
        addWorkings(edited.part, edited.plan, figures);
        for (const LineFigure& line : figures.lines) {
            check(line.id, line.workings);
        }
        for (const PromiseFigure& promise : figures.promises) {
            check(promise.name, promise.workings);
        }
        for (const WaitFigure& wait : figures.waits) {
            check("wait", wait.workings);
        }
        check("average", figures.rhythm->averageWorkings);
        check("life", figures.rhythm->lifeWorkings);
        QVERIFY(count > 80);
    }

    void evaluatingIsPure() {
        const LoadedPlan loaded = orchard();
        const Plan before = *loaded.plan;
        const std::string first = figuresJson(evaluate(*loaded.part, *loaded.plan, "A")).dump();
        const std::string second = figuresJson(evaluate(*loaded.part, *loaded.plan, "A")).dump();
        QVERIFY(*loaded.plan == before);
        QCOMPARE(first, second);
    }

    void jsonHoldsExactStrings() {
        const auto json = figuresJson(evaluated());
        QCOMPARE(json["lines"]["core"]["hz"].get<std::string>(), std::string("160000000"));
        QCOMPARE(json["lines"]["core"]["max_hz"].get<std::string>(), std::string("160006400"));
        QCOMPARE(json["lines"]["core"]["limit"]["max_hz"].get<std::string>(), std::string("160000000"));
        QCOMPARE(json["lines"]["rcf"]["on"].get<bool>(), false);
        QCOMPARE(json["promises"]["modem"]["error"].get<std::string>(), std::string("49/576"));
        QCOMPARE(json["promises"]["modem"]["settings"]["divisor"].get<std::string>(), std::string("5"));
        QCOMPARE(json["promises"]["modem"]["fields"][3]["hex"].get<std::string>(), std::string("0x004"));
        QCOMPARE(json["promises"]["feed"]["error_max"].get<std::string>(), std::string("787/3150"));
        QCOMPARE(json["modes"]["deep"]["wake_up"]["restored"]["max"].get<std::string>(), std::string("623/200000"));
        QCOMPARE(json["rhythm"]["average"]["nominal"].get<std::string>(), std::string("2281434947003/7800000000000000"));
        QCOMPARE(json["vitals"]["worst_promise"].get<std::string>(), std::string("modem"));
        for (const char* key : {"part", "plan", "take", "lines", "promises", "modes", "rhythm", "findings", "vitals"}) {
            QVERIFY2(json.contains(key), key);
        }
    }

    /// In JSON what is unknown is null, and says why.
    void jsonNullsTheUnknown() {
        const auto json = figuresJson(evaluated("tolerance = \"20 ppm\"\n", ""));
        QVERIFY(json["lines"]["xtw"]["min_hz"].is_null());
        QCOMPARE(json["lines"]["xtw"]["why"].get<std::string>(), std::string("unknown: tolerance of xtw"));
        const auto off = figuresJson(evaluated("multiply = 120", "multiply = 7"));
        QVERIFY(off["promises"]["modem"]["error"].is_null());
        QCOMPARE(off["promises"]["modem"]["why"].get<std::string>(), std::string("no clock: 'vco' can't multiply by 7"));
    }

    /// min ≤ nominal ≤ max, wherever both are given, for random takes.
    void boundsAreInOrder() {
        const LoadedPlan loaded = orchard();
        Random random;
        for (int i = 0; i < 60; ++i) {
            Plan plan = *loaded.plan;
            Take& take = plan.takes[0];
            for (Choice& choice : take.choices) {
                const Line& line = loaded.part->lineAt(*loaded.part->findNode(choice.id));
                if (!line.divide.empty()) {
                    choice.divide = line.divide.at(random.whole(0, *line.divide.size().toInt64() - 1));
                }
                if (!line.multiply.empty()) {
                    choice.multiply = line.multiply.at(random.whole(0, *line.multiply.size().toInt64() - 1));
                }
            }
            const Figures figures = evaluate(*loaded.part, plan, "A");
            for (const PromiseFigure& promise : figures.promises) {
                if (promise.got) {
                    QVERIFY2(promise.got->min <= promise.got->nominal && promise.got->nominal <= promise.got->max,
                             promise.name.c_str());
                    QVERIFY2(promise.error->min <= promise.error->nominal && promise.error->nominal <= promise.error->max,
                             promise.name.c_str());
                }
                QVERIFY2(promise.state == State::kept || !promise.why.empty(), promise.name.c_str());
            }
        }
    }
};

QTEST_APPLESS_MAIN(CoreEvaluate)
#include "core_evaluate.moc"
