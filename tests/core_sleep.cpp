#include "derive/derive.h"
#include "evaluate/battery_moves.h"
#include "files/plan_reader.h"
#include "sleep/current.h"
#include "sleep/wake_up.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

const Rational kMicro = exact("1/1000000");

WakeStage stage(const std::string& say, int typ, int max, const std::string& beside = "") {
    return {say, {typ * kMicro, max * kMicro}, std::nullopt, beside, ""};
}

std::string range(const Bounds& bounds) {
    return (bounds.nominal / kMicro).toString() + ".." + (bounds.max / kMicro).toString();
}

Figures orchardFigures(const std::string& what = "", const std::string& by = "") {
    const Edited edited = editedOrchard(what, by);
    return derive(edited.part, edited.plan, "A");
}

} // namespace

class CoreSleep : public QObject {
    Q_OBJECT

private slots:
    /// Stages in series; those beside one another by the longest; then start-ups, in parallel but where one waits.
    void stagesAndStartUps() {
        Mode mode;
        mode.id = "deep";
        mode.stages = {stage("regulator", 10, 14), stage("memory", 6, 20, "regulator"), stage("fetch", 2, 3)};
        const std::vector<StartUp> startUps{{"xtal", {1200 * kMicro, 3000 * kMicro}, std::nullopt},
                                            {"rc", {3 * kMicro, 5 * kMicro}, std::nullopt},
                                            {"pll", {40 * kMicro, 100 * kMicro}, 0}};
        const WakeUpFigure wake = wakeUp(mode, startUps);
        QCOMPARE(range(wake.firstInstruction), std::string("12..23")); // max(10, 6) + 2 … max(14, 20) + 3
        QCOMPARE(range(wake.restored), std::string("1252..3123"));     // 12 + 1200 + 40 … 23 + 3000 + 100
        QCOMPARE((wake.pieces[1].startTyp / kMicro).toString(), std::string("0"));
        QCOMPARE((wake.pieces[2].startMax / kMicro).toString(), std::string("20"));
        QCOMPARE((wake.pieces[5].startTyp / kMicro).toString(), std::string("1212"));
        QCOMPARE(wake.unknown, std::string());
    }

    void unknownTimesAreNamed() {
        Mode mode;
        mode.stages = {stage("regulator", 10, 14), {"memory", {}, std::nullopt, "", ""}};
        const WakeUpFigure wake = wakeUp(mode, {{"pll", {40 * kMicro, std::nullopt}, std::nullopt}});
        QCOMPARE(wake.unknown, std::string("unknown: time of stage 'memory', longest start-up of pll"));
        QCOMPARE(range(wake.restored), std::string("50..54")); // the known part
    }

    void nothingToDoTakesNoTime() { QCOMPARE(range(wakeUp(Mode(), {}).restored), std::string("0..0")); }

    /// 13 µA at 25 °C, 130 µA at 105 °C: 25 °C higher it is 13 × 10^(25/80).
    void currentsAreLogLinear_data() {
        QTest::addColumn<int>("celsius");
        QTest::addColumn<std::string>("pico");
        QTest::addColumn<bool>("isExtrapolated");
        QTest::newRow("at a point") << 25 << std::string("13000000") << false;
        QTest::newRow("at the end") << 105 << std::string("130000000") << false;
        QTest::newRow("between") << 50 << std::string("26695825") << false;  // 13 µA × 10^0.3125
        QTest::newRow("half way") << 65 << std::string("41109610") << false; // 13 µA × √10 = 41.10961 µA
        QTest::newRow("colder than the table") << -10 << std::string("13000000") << true;
        QTest::newRow("hotter than the table") << 125 << std::string("130000000") << true;
    }
    void currentsAreLogLinear() {
        QFETCH(int, celsius);
        QFETCH(std::string, pico);
        QFETCH(bool, isExtrapolated);
        const TemperatureCurve curve{{{25, 13 * kMicro}, {105, 130 * kMicro}}};
        bool extrapolated = false;
        const Rational current = currentAt(curve, celsius, extrapolated);
        QVERIFY(abs(current * powerOfTen(12) - exact(pico)) <= Rational(1)); // the rounding of the tenth digit by hand
        QVERIFY((current * powerOfTen(12)).isWhole());
        QCOMPARE(extrapolated, isExtrapolated);
    }

    void aTableDownToZeroIsStraight() {
        const TemperatureCurve curve{{{0, 0}, {100, 10 * kMicro}}};
        bool extrapolated = false;
        QCOMPARE(currentAt(curve, 50, extrapolated), 5 * kMicro);
    }

    /// 2 mA at 3 V and 100 µA more for each volt: 2.03 mA at 3.3 V, at most 3.04 mA at 3.4 V.
    void currentsFollowTheSupply() {
        Draw draw;
        draw.typ = TemperatureCurve{{{0, exact("2e-3")}}};
        draw.max = TemperatureCurve{{{0, exact("3e-3")}}};
        draw.perMegahertzTyp = 0;
        draw.perMegahertzMax = 0;
        draw.bySupply = Draw::BySupply{exact("1e-4"), 3};
        TemperatureGrid grid{{25}, 0, true, Bounds{exact("3.2"), exact("3.3"), exact("3.4")}};
        const Contribution more = contributionOf("it", {}, &draw, Bounds::exactly(0), grid);
        QCOMPARE(more.typ[0], exact("2.03e-3"));
        QCOMPARE(more.max[0], exact("3.04e-3"));
        QCOMPARE(more.formula, std::string("2 mA + 100 \u00b5A/V \u00d7 300 mV"));
        draw.bySupply->slope = -exact("1e-4"); // less at a higher supply: the largest is at the lowest
        QCOMPARE(contributionOf("it", {}, &draw, Bounds::exactly(0), grid).max[0], exact("2.98e-3"));
        draw.bySupply->slope = -1; // never below nothing
        QCOMPARE(contributionOf("it", {}, &draw, Bounds::exactly(0), grid).typ[0], Rational(0));
        grid.supply.reset();
        QVERIFY(contributionOf("it", {}, &draw, Bounds::exactly(0), grid).typ.empty());
        // the coin cell's part in doze, at 2 V and at 3.2 V
        const LoadedPlan loaded = loadPlan(sourceDir() + "/examples/door-sensor.plan.toml", {sourceDir() + "/parts"});
        QVERIFY2(loaded.plan && loaded.part, lines(loaded.diagnostics).c_str());
        const Figures figures = derive(*loaded.part, *loaded.plan, "A");
        const std::vector<SweepPoint> points = sweepSupply(*loaded.part, *loaded.plan, figures, "doze");
        QCOMPARE(points.size(), std::size_t{9});
        QCOMPARE(points.front().at, Rational(2));
        QCOMPARE(points.back().typ - points.front().typ, exact("140e-9") * exact("1.2"));
        QVERIFY(sweepSupply(*loaded.part, *loaded.plan, figures, "nowhere").empty());
    }

    void theGridHoldsAllBreakpoints() {
        const LoadedPlan loaded = orchard();
        const TemperatureGrid grid = temperatureGrid(*loaded.part, loaded.plan->board);
        const std::vector<Rational> expected{-10, 25, 50};
        QVERIFY(grid.celsius == expected);
        Board board = loaded.plan->board;
        board.temperature = Bounds{-40, 20, 105};
        const TemperatureGrid wide = temperatureGrid(*loaded.part, board);
        const std::vector<Rational> wider{-40, -10, 20, 25, 60, 105};
        QVERIFY(wide.celsius == wider);
        QCOMPARE(wide.nominal, std::size_t{2});
    }

    /// Run of take A, added up by hand: 1100 + 78 × 160 + 450 + 0.42 + 0.6 + 200 + 1.6 × 480 + 3.1 × 40 + 3.4 × 40
    /// + 4.6 × 80 + 6.3 × 80 + 0.3 + 0.55 + 4 = 16135.87 µA; deep: 13 + 0.42 + 0.6 + 0.3 + 0.55 + 4 = 18.87 µA.
    void currentsOfTheExample_data() {
        QTest::addColumn<int>("mode");
        QTest::addColumn<std::string>("micro");
        QTest::newRow("run") << 0 << std::string("1613587/100");
        QTest::newRow("idle") << 1 << std::string("701587/100");  // 21 instead of 78 µA/MHz
        QTest::newRow("snooze") << 2 << std::string("10087/100"); // 95 + 0.42 + 0.6 + 0.3 + 0.55 + 4; rcf is not on in take A
        QTest::newRow("deep") << 3 << std::string("1887/100");
        QTest::newRow("off") << 4 << std::string("567/100"); // 0.7 + 0.42 + 0.55 + 4
    }
    void currentsOfTheExample() {
        QFETCH(int, mode);
        QFETCH(std::string, micro);
        QCOMPARE(orchardFigures().modes[static_cast<std::size_t>(mode)].ampere.nominal, exact(micro) * kMicro);
    }

    void whatLivesInAMode() {
        const Figures figures = orchardFigures();
        const ModeFigure& deep = figures.modes[3];
        const std::vector<std::string> sources{"xtw", "rcs"};
        const std::vector<std::string> peripherals{"wdog", "rtc"};
        const std::vector<std::string> lost{"core", "modem", "log", "tick", "link", "spray"};
        QVERIFY(deep.sources == sources);
        QVERIFY(deep.lines.empty());
        QVERIFY(deep.peripherals == peripherals);
        QVERIFY(deep.withoutClock == lost);
        QVERIFY(deep.wrongUntilRestored == lost); // all of them hang on the crystal
        QVERIFY(figures.modes[0].withoutClock.empty());
    }

    void wakeUpPromises_data() {
        QTest::addColumn<std::string>("what");
        QTest::addColumn<std::string>("by");
        QTest::addColumn<std::string>("state");
        QTest::addColumn<std::string>("why");
        const std::string nap = "nap: wakes from deep in at most 4 ms by rtc every 20 s";
        const auto row = [&](const char* line, const char* state, const char* why) {
            QTest::newRow(line) << nap << std::string(line) << std::string(state) << std::string(why);
        };
        row("nap: wakes from deep in at most 4 ms by rtc every 20 s", "kept", "");
        row("nap: wakes from deep in at most 3 ms", "strained", "3.115 ms in the worst case, asked at most 3 ms");
        row("nap: wakes from deep in at most 1 ms", "broken", "1.2505 ms, asked at most 1 ms");
        row("nap: wakes from deep in at most 4 ms by uart1", "broken",
            "deep is not woken by 'uart1', but by 'rtc' or 'pin edge'");
        row("nap: wakes from snooze in at most 4 ms by uart1", "broken", "uart1 has no clock in snooze, so it can't wake it");
        row("nap: wakes from idle in at most 1 us by uart1", "kept", "");
        row("nap: wakes from deep in at most 4 ms by rtc every 2000000 s", "broken",
            "every 2000000 s is beyond the wake-up counter of rtc: \u224861.035 \u00B5s \u2026 65536 s");
        row("nap: wakes from deep in at most 4 ms every 10 s", "broken", "'every' needs to know by what: add 'by rtc'");
        QTest::newRow("a start-up that is not known")
            << std::string("startup = { typ = \"40 us\", max = \"100 us\" }\n") << std::string() << std::string("strained")
            << std::string("unknown: start-up of vco");
    }
    void wakeUpPromises() {
        QFETCH(std::string, what);
        QFETCH(std::string, by);
        QFETCH(std::string, state);
        QFETCH(std::string, why);
        const Figures figures = orchardFigures(what, by);
        const PromiseFigure* nap = figures.findPromise("nap");
        QCOMPARE(nap->why, why);
        QCOMPARE(stateName(nap->state), state);
    }

    /// 20 s of 32 768 Hz: 655 360 periods, ÷ 16 × 40 960 leaves the most counts.
    void theWakeUpCounterIsSet() {
        const PromiseFigure nap = *orchardFigures().findPromise("nap");
        QCOMPARE(nap.settings[0].value, Rational(16));
        QCOMPARE(nap.settings[1].value, Rational(40960));
        QCOMPARE(fieldText(nap.fields.back().field) + " " + hexText(nap.fields.back()), std::string("RTC.WAKE[15:0] 0x9FFF"));
    }

    void alsoInAskForAClockThere() {
        const Figures figures = orchardFigures("log: uart2 talks 115200", "log: uart2 talks 115200, also in deep");
        QCOMPARE(figures.findPromise("log")->why, std::string("uart2 has no clock in deep"));
        QCOMPARE(figures.findPromise("log")->state, State::broken);
        const Figures idle = orchardFigures("log: uart2 talks 115200", "log: uart2 talks 115200, also in idle");
        QCOMPARE(idle.findPromise("log")->state, State::kept);
    }
};

QTEST_APPLESS_MAIN(CoreSleep)
#include "core_sleep.moc"
