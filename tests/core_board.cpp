#include "derive/crystal.h"
#include "derive/derive.h"
#include "derive/workings_of.h"
#include "evaluate/ripple.h"
#include "evaluate/what_if.h"
#include "files/plan_reader.h"
#include "files/plan_writer.h"
#include "support.h"

#include <cmath>

using namespace wisetick;
using namespace wisetick::test;

namespace {

Fitted crystal() {
    Fitted fitted;
    fitted.source = "xtm";
    fitted.rate = 20000000;
    fitted.load = exact("10e-12");
    fitted.esr = 60;
    return fitted;
}

Figures figuresOf(const std::string& what, const std::string& by) {
    const Edited edited = editedOrchard(what, by);
    Figures figures = derive(edited.part, edited.plan, "A");
    addWorkings(edited.part, edited.plan, figures);
    return figures;
}

std::string valuesText(const std::vector<Rational>& values) {
    std::string text;
    for (const Rational& value : values) {
        text += (text.empty() ? "" : " ") + (value * powerOfTen(12)).toString();
    }
    return text;
}

} // namespace

/// What stands on the board: crystals, pins, option words, failing sources.
class CoreBoard : public QObject {
    Q_OBJECT

private slots:
    /// C = 2 (C_L − stray).
    void capacitorsOfACrystal() {
        Fitted fitted = crystal();
        QCOMPARE(*wantedCapacitors(fitted), exact("20e-12"));
        fitted.stray = exact("3e-12");
        QCOMPARE(*wantedCapacitors(fitted), exact("14e-12"));
        QVERIFY(!actualLoad(fitted).has_value());
        fitted.capacitors = exact("12e-12");
        QCOMPARE(*actualLoad(fitted), exact("9e-12"));
        fitted.stray = exact("10e-12");
        QVERIFY(!wantedCapacitors(fitted).has_value()); // the stray capacitance is all the load
        fitted.load.reset();
        QVERIFY(!wantedCapacitors(fitted).has_value());
    }

    void valuesOfTheSeries() {
        const auto near = [](const char* picofarad, int steps) {
            return valuesText(nearestOfSeries(exact(picofarad) * powerOfTen(-12), steps));
        };
        QCOMPARE(near("14", 12), std::string("12 15"));
        QCOMPARE(near("14", 24), std::string("13 15"));
        QCOMPARE(near("20", 12), std::string("18 22"));
        QCOMPARE(near("20", 24), std::string("20")); // it is in the series
        QCOMPARE(near("9.5", 24), std::string("91/10 10"));
        QCOMPARE(near("95", 12), std::string("82 100"));
    }

    /// Δf/f = C1/2 × (1/(C0 + C) − 1/(C0 + C_L)): 4 fF × (1/12 − 1/13) per pF.
    void aWrongLoadShiftsTheRate() {
        Fitted fitted = crystal();
        fitted.capacitors = exact("12e-12");
        fitted.stray = exact("3e-12");
        QVERIFY(!loadShift(fitted).has_value()); // C0 and C1 are not given
        fitted.shunt = exact("3e-12");
        fitted.motional = exact("8e-15");
        QCOMPARE(*loadShift(fitted), exact("4/1000") * (exact("1/12") - exact("1/13")));
        fitted.capacitors = exact("14e-12"); // as it was cut
        QVERIFY(loadShift(fitted)->isZero());
        fitted.capacitors = exact("30e-12"); // more load, lower rate
        QVERIFY(loadShift(fitted)->sign() < 0);
    }

    /// The load moves the rate, and the parabola widens its bounds, exactly.
    void theBudgetAddsUp() {
        const Figures load =
            figuresOf("esr = \"60 ohm\"", "esr = \"60 ohm\"\ncapacitors = \"12 pF\"\nstray = \"3 pF\"\nc1 = \"0.008 pF\"");
        const Rational moved = 20000000 * (1 + exact("4/1000") * (exact("1/12") - exact("1/13")));
        QCOMPARE(load.findLine("xtm")->hertz->nominal, moved);
        QCOMPARE(load.findLine("xtm")->hertz->max, moved * (1 + exact("40e-6")));
        QCOMPARE(load.findLine("xtm")->hertz->min, moved * (1 - exact("40e-6")));
        QVERIFY(std::any_of(load.findLine("xtm")->workings.begin(), load.findLine("xtm")->workings.end(),
                            [](const Step& step) { return step.what == "load"; }));
        // −0.034 ppm × (−10 − 25)² = −41.65 ppm at −10 °C, the farthest of −10 … 50
        const Figures fork =
            figuresOf("load = \"7 pF\"", "load = \"7 pF\"\nparabola = { coefficient = \"-0.034 ppm\", turnover = \"25 C\" }");
        QCOMPARE(fork.findLine("xtw")->hertz->min, Rational(32768) * (1 - exact("20e-6") - exact("41.65e-6")));
        QCOMPARE(fork.findLine("xtw")->hertz->max, Rational(32768) * (1 + exact("20e-6")));
    }

    /// gm ÷ (4 ESR (2πf)² (C0 + C)²): 7 mA/V ÷ (4 × 60 Ω × (2π 20 MHz)² × (10 pF)²) is 18.470, of more load less by its square.
    void startUpMargins() {
        Source source;
        source.gm = exact("7e-3");
        Fitted fitted = crystal();
        fitted.shunt.reset();
        QVERIFY(!startMargin(source, fitted).has_value()); // C0 is not 0
        fitted.shunt = exact("3e-12");
        fitted.capacitors = exact("20e-12");
        fitted.stray = exact("2e-12");
        QVERIFY(std::abs(*startMargin(source, fitted) - 18.470 / 2.25) < 0.001); // 3 + 12 pF are there
        fitted.capacitors.reset();
        fitted.stray.reset();
        fitted.shunt = exact("5e-12");
        QVERIFY(std::abs(*startMargin(source, fitted) - 18.470 / 2.25) < 0.001);
        fitted.esr.reset();
        QVERIFY(!startMargin(source, fitted).has_value());
        const Figures weak = figuresOf("esr = \"60 ohm\"", "esr = \"300 ohm\"");
        QVERIFY(lines(weak.findings).find("warning: the start-up margin of xtm is") != std::string::npos);
        const Figures dead = figuresOf("esr = \"60 ohm\"", "esr = \"2 kohm\"");
        QVERIFY(lines(dead.findings).find("error: the start-up margin of xtm is") != std::string::npos);
        QCOMPARE(lines(figuresOf("", "").findings), std::string());
    }

    void pinsCollide_data() {
        QTest::addColumn<std::string>("what");
        QTest::addColumn<std::string>("by");
        QTest::addColumn<std::string>("say");
        QTest::newRow("none") << std::string() << std::string() << std::string();
        QTest::newRow("with a peripheral in use")
            << std::string("\"W12\"") << std::string("\"W5\"") << std::string("uart1 and pump both need pin W5");
        QTest::newRow("with one that is not in use") << std::string("\"W12\"") << std::string("\"W10\"") << std::string();
        QTest::newRow("two signals") << std::string("\"W12\"") << std::string("\"W13\"")
                                     << std::string("pump and moisture_power both need pin W13");
        QTest::newRow("with an oscillator") << std::string("\"W12\"") << std::string("\"W3\"")
                                            << std::string("xtm and pump both need pin W3");
        QTest::newRow("with the debugger") << std::string("\"W12\"") << std::string("\"W20\"")
                                           << std::string("pump takes pin W20 from the debugger");
        QTest::newRow("with a clock output that is off") << std::string("\"W12\"") << std::string("\"W9\"") << std::string();
    }
    void pinsCollide() {
        QFETCH(std::string, what);
        QFETCH(std::string, by);
        QFETCH(std::string, say);
        const Figures figures = figuresOf(what, by);
        std::string found;
        for (const PinFigure& pin : figures.pins) {
            found += pin.why;
        }
        QCOMPARE(found, say);
        QCOMPARE(figures.findings.size(), std::size_t{say.empty() ? 0U : 1U});
    }

    /// In take B the crystal is off, so its pins are free; a clock output takes its pin when it is on.
    void pinsFollowWhatIsOn() {
        Edited edited = editedOrchard("\"W12\"", "\"W3\"");
        const auto whyOf = [&](const std::string& take, const std::string& pin) {
            const Figures figures = derive(edited.part, edited.plan, take);
            return std::find_if(figures.pins.begin(), figures.pins.end(), [&](const PinFigure& each) { return each.pin == pin; })
                ->why;
        };
        QVERIFY(!whyOf("A", "W3").empty());
        QVERIFY(whyOf("B", "W3").empty());
        edited.plan.board.wiring[0].second = "W9";
        QVERIFY(whyOf("A", "W9").empty());
        edited.plan.takes[0].choices.push_back({"clk_out", {}, Rational(8), {}, true});
        QCOMPARE(whyOf("A", "W9"), std::string("clk_out and pump both need pin W9"));
    }

    void optionWords() {
        const Figures figures = figuresOf("", "");
        QCOMPARE(figures.options.size(), std::size_t{3});
        QCOMPARE(figures.options[0].value, std::string("off")); // as an unprogrammed part has it
        QVERIFY(!figures.options[0].isGiven);
        QCOMPARE(figures.options[1].value, std::string("v2_7"));
        QCOMPARE(figures.options[1].field->held, std::int64_t{2});
        QCOMPARE(figures.options[1].safe, std::string("v1_7"));
        QVERIFY(figures.options[1].does.find("below 2.7 V") == 0);
    }

    void wrongWordsOfTheBoard_data() {
        QTest::addColumn<std::string>("what");
        QTest::addColumn<std::string>("by");
        QTest::addColumn<std::string>("say");
        QTest::newRow("an option word") << std::string("brown_out =") << std::string("brown_uot =")
                                        << std::string(
                                               "no option word 'brown_uot'; expected 'guard_start', 'brown_out' or 'debug_lock'; "
                                               "did you mean 'brown_out'?");
        QTest::newRow("its value") << std::string("\"v2_7\"") << std::string("\"v2_8\"")
                                   << std::string("no value of 'brown_out' 'v2_8'; expected 'v1_7', 'v2_1' or 'v2_7'");
        QTest::newRow("a pin") << std::string("pump = \"W12\"") << std::string("pump = \"X12\"") << std::string("no pin 'X12'");
    }
    void wrongWordsOfTheBoard() {
        QFETCH(std::string, what);
        QFETCH(std::string, by);
        QFETCH(std::string, say);
        const Part part = *orchard().part;
        const PlanFile file = readPlan(replaced(orchardText(), what, by), "plan", &part);
        QVERIFY2(lines(file.diagnostics).find(say) != std::string::npos, lines(file.diagnostics).c_str());
    }

    void wrongWordsOfThePart_data() {
        QTest::addColumn<std::string>("what");
        QTest::addColumn<std::string>("by");
        QTest::addColumn<std::string>("say");
        QTest::newRow("a fallback to nowhere") << std::string("fails_to = { line = \"core\", from = \"rcf\" }")
                                               << std::string("fails_to = { line = \"cure\", from = \"rcf\" }")
                                               << std::string("no line 'cure'; expected a line with a mux; did you mean 'core'?");
        QTest::newRow("a fallback that is no input")
            << std::string("fails_to = { line = \"core\", from = \"rcf\" }")
            << std::string("fails_to = { line = \"core\", from = \"rcs\" }")
            << std::string("'core' can't be fed from 'rcs'; expected 'rcf', 'xtm' or 'pll_a'");
        QTest::newRow("a safe value that is none")
            << std::string("safe = \"v1_7\"") << std::string("safe = \"v1_8\"") << std::string("no value 'v1_8'");
        QTest::newRow("a pin that is none") << std::string("pins = [\"W9\"]") << std::string("pins = [\"W99\"]")
                                            << std::string("no pin 'W99'");
        QTest::newRow("a pin twice") << std::string("\"W1\", \"W2\", \"W3\", \"W4\", \"W5\"")
                                     << std::string("\"W1\", \"W2\", \"W3\", \"W4\", \"W4\"")
                                     << std::string("the pin 'W4' again");
    }
    void wrongWordsOfThePart() {
        QFETCH(std::string, what);
        QFETCH(std::string, by);
        QFETCH(std::string, say);
        const PartFile file = readPart(replaced(marramText(), what, by), "part");
        QVERIFY2(lines(file.diagnostics).find(say) != std::string::npos, lines(file.diagnostics).c_str());
    }

    void theBoardIsSavedAndReadBack() {
        Edited edited = editedOrchard();
        edited.plan.board.options.emplace_back("debug_lock", "locked");
        edited.plan.board.wiring[0].second = "W15";
        Fitted& fitted = edited.plan.board.fitted[1];
        fitted.parabola = Parabola{exact("-34e-9"), 25};
        fitted.capacitors = exact("12e-12");
        fitted.motional = exact("3e-15");
        const std::string saved = savePlan(edited.plan, orchardText());
        const PlanFile again = readPlan(saved, "again", &edited.part);
        QCOMPARE(lines(again.diagnostics), std::string());
        QVERIFY(*again.plan == edited.plan);
    }

    /// The crystal fails: the hardware puts the core on the RC; what hangs on the crystal is gone.
    void aSourceFails() {
        const Edited edited = editedOrchard();
        const Plan failed = afterFailure(edited.part, edited.plan, "A", "xtm");
        const Figures before = derive(edited.part, edited.plan, "A");
        const Figures after = derive(edited.part, failed, "A");
        QCOMPARE(after.findLine("core")->hertz->nominal, Rational(10000000));
        QVERIFY(!after.findLine("xtm")->isOn && after.findLine("rcf")->isOn);
        QCOMPARE(after.findPromise("link")->state, State::broken);
        QCOMPARE(after.findPromise("feed")->state, before.findPromise("feed")->state); // it has a source of its own
        QVERIFY(!ripple(before, after).empty());
        QVERIFY(afterFailure(edited.part, edited.plan, "A", "nobody") == edited.plan);
        const Figures rc = derive(edited.part, afterFailure(edited.part, edited.plan, "A", "rcs"), "A");
        QCOMPARE(rc.findPromise("feed")->why, std::string("rcs is switched off in take A"));
        // what wakes hangs on the watch crystal
        const Figures asleep = derive(edited.part, afterFailure(edited.part, edited.plan, "A", "xtw"), "A");
        QCOMPARE(asleep.findPromise("nap")->state, State::broken);
        QCOMPARE(asleep.findPromise("nap")->why, std::string("rtc has no clock, as xtw is off, so it can't wake it"));
        QVERIFY_THROWS_EXCEPTION(std::invalid_argument, afterFailure(edited.part, edited.plan, "Z", "xtm"));
    }

    /// Wait states with the speed that they leave.
    void waitsCostSpeed() {
        const Figures figures = figuresOf("", "");
        QCOMPARE(figures.waits.front().waits, std::int64_t{4});
        QCOMPARE(*figures.waits.front().speed, exact("78/100"));
        QCOMPARE(figures.waits.front().workings.back().result, std::string("as fast as 124.8 MHz without waiting"));
    }
};

QTEST_APPLESS_MAIN(CoreBoard)
#include "core_board.moc"
