#include "derive/derive.h"
#include "derive/line_rates.h"
#include "derive/lint_reset.h"
#include "derive/workings_of.h"
#include "files/plan_reader.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

Figures figuresOf(const std::string& what, const std::string& by, const std::string& take = "A") {
    const Edited edited = editedOrchard(what, by);
    Figures figures = derive(edited.part, edited.plan, take);
    addWorkings(edited.part, edited.plan, figures);
    return figures;
}

} // namespace

class CoreLines : public QObject {
    Q_OBJECT

private slots:
    /// 20 MHz ÷ 5 × 120 ÷ 3 = 160 MHz, and all that hangs on it.
    void ratesOfTheExample_data() {
        QTest::addColumn<std::string>("line");
        QTest::addColumn<std::string>("hertz");
        QTest::addColumn<std::string>("max"); // 40 ppm above
        QTest::addColumn<bool>("isOn");
        const auto row = [](const char* line, const char* hertz, const char* max, bool isOn) {
            QTest::newRow(line) << std::string(line) << std::string(hertz) << std::string(max) << isOn;
        };
        row("xtm", "20000000", "20000800", true);
        row("ref", "4000000", "4000160", true);
        row("vco", "480000000", "480019200", true);
        row("pll_a", "160000000", "160006400", true);
        row("pll_b", "48000000", "48001920", true);
        row("core", "160000000", "160006400", true);
        row("bus_a", "40000000", "40001600", true);
        row("bus_b", "80000000", "80003200", true);
        row("timers", "80000000", "80003200", true);
        row("usb", "48000000", "48001920", true);
        row("can_clk", "80000000", "80003200", false);
        row("rcf", "10000000", "10200000", false);
        row("rcs", "36000", "45000", true);
    }
    void ratesOfTheExample() {
        QFETCH(std::string, line);
        QFETCH(std::string, hertz);
        QFETCH(std::string, max);
        QFETCH(bool, isOn);
        const Figures example = figuresOf("", "");
        const LineFigure* figure = example.findLine(line);
        QVERIFY(figure != nullptr);
        QCOMPARE(figure->hertz->nominal, exact(hertz));
        QCOMPARE(figure->hertz->max, exact(max));
        QCOMPARE(figure->isOn, isOn);
    }

    /// A source with several rates: the reset's, the take's, one that it lacks.
    void sourcesWithSeveralRates() {
        const std::string several = "rates = [\"5 MHz\", \"10 MHz\", \"20 MHz\"]\nrate_field = \"CLK.RC[1:0]\"\ncodes = [2, 0, "
                                    "3]\nreset = { rate = \"5 MHz\" }";
        const PartFile part = readPart(replaced(marramText(), "rate = \"10 MHz\"", several), "p");
        QCOMPARE(lines(part.diagnostics), std::string());
        const auto derived = [&](const std::string& choice) {
            const PlanFile plan = readPlan(orchardText() + choice, "plan", &*part.part);
            return derive(*part.part, *plan.plan, "B"); // the take that stands last, so the choice is its own
        };
        const Figures reset = derived("");
        QCOMPARE(reset.findLine("rcf")->hertz->nominal, Rational(5000000));
        QCOMPARE(reset.findLine("rcf")->control, std::string("at 5 MHz"));
        QCOMPARE(reset.findLine("rcf")->fields.front().held, std::int64_t{2});
        const Figures chosen = derived("\n[take.choices.rcf]\nrate = \"20 MHz\"\n");
        QCOMPARE(chosen.findLine("rcf")->hertz->nominal, Rational(20000000));
        QCOMPARE(chosen.findLine("rcf")->fields.front().held, std::int64_t{3});
        const Figures missing = derived("\n[take.choices.rcf]\nrate = \"7 MHz\"\n");
        QCOMPARE(missing.findLine("rcf")->hertz->nominal, Rational(5000000));
        QVERIFY(lines(missing.findings).find("'rcf' has no rate of 7 MHz; expected '5 MHz', '10 MHz' or '20 MHz'") !=
                std::string::npos);
        const PlanFile none = readPlan(orchardText() + "\n[take.choices.rcs]\nrate = \"36 kHz\"\n", "plan", &*part.part);
        QVERIFY(lines(none.diagnostics).find("'rate' for 'rcs', which has no choice of rates") != std::string::npos);
    }

    void lintKnowsTheResetState() {
        QCOMPARE(lines(lintReset(*readPart(marramText(), "p").part)), std::string());
        // the RC at 10 MHz goes through the core to every bus
        const PartFile low =
            readPart(replaced(marramText(), "limit = { max = \"80 MHz\", ref = \"3.1\" }", "limit = { max = \"8 MHz\" }"), "p");
        QCOMPARE(lines(lintReset(*low.part)),
                 std::string(
                     "line.can_clk: warning: at reset the line 'can_clk' runs at 10 MHz, over its 8 MHz; expected another reset "
                     "setting, or another limit\n"));
        // what comes from a multiplier stands still at reset
        const PartFile pll =
            readPart(replaced(marramText(), "id = \"pll_b\"", "id = \"pll_b\"\nlimit = { max = \"1 MHz\" }"), "p");
        QCOMPARE(lines(lintReset(*pll.part)), std::string());
    }

    void theExampleHasNoFindings() { QCOMPARE(lines(figuresOf("", "").findings), std::string()); }

    /// One edit, the findings that it brings.
    void findings_data() {
        QTest::addColumn<std::string>("what");
        QTest::addColumn<std::string>("by");
        QTest::addColumn<std::string>("say");
        const auto row = [](const char* name, const char* what, const char* by, const char* say) {
            QTest::newRow(name) << std::string(what) << std::string(by) << std::string(say);
        };
        row("over the limit", "[take.choices.bus_a]\ndivide = 4", "[take.choices.bus_a]\ndivide = 3",
            "line/bus_a: error: bus_a runs at \u224853.333 MHz, over its 50 MHz in tier fast\n");
        row("outside a tolerance, however little", "limit = { max = \"50 MHz\", ref = \"3.1\" }",
            "limit = { at = \"48 MHz\", within = \"30 ppm\" }",
            "line/usb: warning: usb runs at 47.99808 MHz in the worst case, under its 47.99856 MHz\n");
        row("a limit below a supply", "limit = { max = \"50 MHz\", ref = \"3.1\" }",
            "limit = [{ max = \"50 MHz\" }, { max = \"40 MHz\", supply_below = \"3.25 V\" }]",
            "line/usb: error: usb runs at 48 MHz, over its 40 MHz below 3.25 V\n");
        row("a limit below a supply that is high enough", "limit = { max = \"50 MHz\", ref = \"3.1\" }",
            "limit = [{ max = \"50 MHz\" }, { max = \"40 MHz\", supply_below = \"3.2 V\" }]", "");
        row("a limit with another control", "limit = { max = \"50 MHz\", ref = \"3.1\" }",
            "limit = [{ max = \"50 MHz\" }, { max = \"40 MHz\", when = { control = \"bus_a.divide\", is = [4, 8] } }]",
            "line/usb: error: usb runs at 48 MHz, over its 40 MHz with bus_a \u00f7 4\n");
        row("a ratio that is too low", "at_most = { line = \"bus_b\", times = 1 }", "at_least = { line = \"bus_b\", times = 1 }",
            "line/bus_a: error: bus_a at 40 MHz against bus_b at 80 MHz; expected bus A never outruns bus B\n");
        row("a ratio that is not met", "at_most = { line = \"bus_b\", times = 1 }",
            "equals = { line = \"bus_b\", times = \"1/3\" }",
            "line/bus_a: error: bus_a at 40 MHz against bus_b at 80 MHz; expected bus A never outruns bus B\n");
        row("a ratio that is met", "at_most = { line = \"bus_b\", times = 1 }", "equals = { line = \"bus_b\", times = \"1/2\" }",
            "");
        row("under the limit", "divide = 5", "divide = 8", "line/ref: error: ref runs at 2.5 MHz, under its 3 MHz\n");
        row("the core over, usb just at its limit", "multiply = 120", "multiply = 125",
            "line/core: error: core runs at \u2248166.67 MHz, over its 160 MHz in tier fast\n"
            "line/core: error: core at \u2248166.67 MHz is beyond the wait states; expected at most 160 MHz in tier fast\n");
        row("a strained line", "tolerance = { initial = \"10 ppm\"", "tolerance = { initial = \"2000 ppm\"",
            "line/core: warning: core runs at 160.3248 MHz in the worst case, over its 160 MHz in tier fast\n"
            "line/core: warning: core at 160.3248 MHz in the worst case is beyond the wait states; expected at most 160 MHz in "
            "tier "
            "fast\n");
        row("a divisor that the part lacks", "[take.choices.bus_b]\ndivide = 2", "[take.choices.bus_b]\ndivide = 9",
            "take.A.choices.bus_b.divide: error: 'bus_b' can't divide by 9; expected the nearest allowed: 4\nline/bus_b: error: "
            "no rate: 'bus_b' can't divide by 9\n");
        row("an input that the mux lacks", "[take.choices.core]\nfrom = \"pll_a\"", "[take.choices.core]\nfrom = \"pll_b\"",
            "take.A.choices.core.from: error: 'core' can't be fed from 'pll_b'; expected 'rcf', 'xtm' or 'pll_a'\nline/core: "
            "error: no rate: 'core' can't be fed from 'pll_b'\n");
        row("nothing fitted",
            "[board.fitted.xtm]\nrate = \"20 MHz\"\ntolerance = { initial = \"10 ppm\", temperature = \"15 ppm\", ageing = \"3 "
            "ppm/year\", years = 5 }\nload = \"10 pF\"\nesr = \"60 ohm\"\nc0 = \"3 pF\"\n",
            "", "line/xtm: error: no rate: nothing is fitted for xtm: the plan has no [board.fitted.xtm]\n");
        row("a crystal out of range", "rate = \"20 MHz\"", "rate = \"40 MHz\"",
            "line/ref: error: ref runs at 8 MHz, over its 6 MHz\nline/vco: error: vco runs at 960 MHz, over its 500 MHz in tier "
            "fast\nline/core: error: core runs at 320 MHz, over "
            "its 160 MHz in tier fast\nline/bus_a: error: bus_a runs at 80 MHz, over its 50 MHz in tier fast\nline/bus_b: error: "
            "bus_b runs at 160 MHz, over its 100 MHz in tier "
            "fast\nline/timers: error: timers runs at 160 MHz, over its 100 MHz\nline/usb: error: usb runs at 96 MHz, over its "
            "50 MHz\n"
            "board.fitted.xtm.rate: error: 40 MHz fitted for xtm; expected 6 MHz \u2026 30 MHz\nline/core: error: core at 320 "
            "MHz is beyond the wait states; expected at most 160 MHz in tier fast\nboard.fitted.xtm: warning: the start-up "
            "margin of "
            "xtm is 2.73; expected 5 or more: a crystal of less load or less resistance\n");
        row("a tier that the supply does not allow", "min = \"3.2 V\"", "min = \"2.5 V\"",
            "tier/fast: error: tier fast at a supply down to 2.5 V; expected at least 2.7 V\n"
            "board.options.brown_out: error: brown_out: the lowest supply, 2.5 V, is below 2.7 V: the part is held in reset; "
            "expected another value, or another supply or tier\n");
        row("a supply beyond the part", "max = \"3.4 V\"", "max = \"3.8 V\"",
            "board.supply: error: a supply of 3.2 V \u2026 3.8 V; expected 1.8 V \u2026 3.6 V, which the part takes\n");
        row("a rule between lines", "from = \"pll_a\"\n\n[take.choices.bus_a]\ndivide = 4\n\n[take.choices.bus_b]\ndivide = 2",
            "from = \"pll_a\"\ndivide = 2\n\n[take.choices.bus_a]\ndivide = 2\n\n[take.choices.bus_b]\ndivide = 4",
            "line/bus_a: error: bus_a at 40 MHz against bus_b at 20 MHz; expected bus A never outruns bus B\n");
        row("a tolerance that is not known", "tolerance = \"20 ppm\"\n", "",
            "line/xtw: warning: unknown: tolerance of xtw; expected a tolerance in the plan's board or in the part\n");
        row("no temperature", "temperature = { min = \"-10 C\", nominal = \"25 C\", max = \"50 C\" }\n", "",
            "board.temperature: warning: unknown: temperature, 25 \u00B0C alone is taken; expected [board] temperature\n");
        row("colder than the RC's table", "temperature = { min = \"-10 C\"", "temperature = { min = \"-50 C\"",
            "line/rcs: warning: unknown: tolerance of rcs; expected a tolerance in the plan's board or in the part\n"
            "mode/run: warning: the board's temperatures go beyond the table for base of run; expected its end value is taken "
            "there\n"
            "mode/idle: warning: the board's temperatures go beyond the table for base of idle; expected its end value is taken "
            "there\n"
            "mode/snooze: warning: the board's temperatures go beyond the table for base of snooze; expected its end value is "
            "taken there\n"
            "mode/deep: warning: the board's temperatures go beyond the table for base of deep; expected its end value is taken "
            "there\n"
            "mode/off: warning: the board's temperatures go beyond the table for base of off; expected its end value is taken "
            "there\n");
        row("a draw that is not known", "draws = \"300 nA\"\n", "",
            "peripheral/wdog: warning: unknown: draw of wdog; expected 'draws' in the part file\n");
        row("a start-up that is not known", "startup = { typ = \"40 us\", max = \"100 us\" }\n", "",
            "mode/snooze: warning: unknown: start-up of vco; expected a start-up time in the part file\n");
        row("a value that its field can't hold", "fields = { divisor = \"UART1.RATE[11:0]\"",
            "fields = { divisor = \"UART1.RATE[1:0]\"",
            "promise/modem: error: uart1.divisor = 5 does not fit UART1.RATE[1:0]; expected at most 3\n");
    }
    void findings() {
        QFETCH(std::string, what);
        QFETCH(std::string, by);
        QFETCH(std::string, say);
        QCOMPARE(lines(figuresOf(what, by).findings), say);
    }

    /// 128 MHz + 0.15 % are 128.192 MHz, over 128 by more than the slack of 0.1 %: the next step is needed; 0.05 % are within it.
    void waitStatesHoldAtTheFastest() {
        const auto waitsAt = [](const char* ppm) {
            Edited edited =
                editedOrchard("tolerance = { initial = \"10 ppm\", temperature = \"15 ppm\", ageing = \"3 ppm/year\", "
                              "years = 5 }",
                              std::string("tolerance = \"") + ppm + "\"");
            choiceOf(edited.plan, "A", "vco").multiply = Rational(96); // 384 MHz ÷ 3
            return derive(edited.part, edited.plan, "A").waits.at(0).waits;
        };
        QCOMPARE(waitsAt("500 ppm"), std::int64_t{3});
        QCOMPARE(waitsAt("1500 ppm"), std::int64_t{4});
    }

    /// Two RCs of 8 MHz, each ± 2 %: b may be 7.84 MHz where a is 8.16. From one RC they are always equal.
    void rulesHoldAtTheCorners() {
        const auto said = [](const char* from) {
            const std::string text =
                std::string("format = \"wisetick-part/1\"\nid = \"two\"\nname = \"Two\"\nsupply = { min = \"2 V\", "
                            "max = \"3 V\" }\ncore = \"a\"\n") +
                "[[source]]\nid = \"r1\"\nkind = \"rc\"\nrate = \"8 MHz\"\ntolerance = [{ by = \"2 %\" }]\n"
                "[[source]]\nid = \"r2\"\nkind = \"rc\"\nrate = \"8 MHz\"\ntolerance = [{ by = \"2 %\" }]\n"
                "[[line]]\nid = \"a\"\nfrom = \"r1\"\n[[line]]\nid = \"b\"\nfrom = \"" +
                from +
                "\"\n[[rule]]\nsay = \"a never outruns b\"\nleft = \"a\"\nat_most = { line = \"b\" }\n"
                "[[mode]]\nid = \"run\"\nruns = true\n";
            const PartFile part = readPart(text, "part");
            if (!part.part) {
                qFatal("%s", lines(part.diagnostics).c_str());
            }
            Plan plan = freshPlan(*part.part);
            plan.board.supply = Bounds::exactly(Rational(5, 2));
            plan.board.temperature = Bounds::exactly(25);
            plan.promises.push_back({"b runs at 8 MHz", readPromiseLine("b runs at 8 MHz").value()});
            return lines(derive(*part.part, plan, "A").findings);
        };
        QVERIFY2(said("r2").find("line/a: warning: a at 7.84 MHz \u2026 8.16 MHz against b at 7.84 MHz \u2026 8.16 MHz, from two "
                                 "sources; expected a never outruns b") != std::string::npos,
                 said("r2").c_str());
        QVERIFY2(said("r1").find("a never outruns b") == std::string::npos, said("r1").c_str());
    }

    void aReasonIsCarriedOnward() {
        const Figures example = figuresOf("multiply = 120", "multiply = 7");
        const LineFigure* bus = example.findLine("bus_a");
        QVERIFY(!bus->hertz.has_value());
        QCOMPARE(bus->why, std::string("'vco' can't multiply by 7"));
        QCOMPARE(example.findPromise("modem")->why, std::string("no clock: 'vco' can't multiply by 7"));
        QCOMPARE(example.findPromise("modem")->state, State::broken);
    }

    void aFollowerFollows_data() {
        QTest::addColumn<int>("divide");
        QTest::addColumn<std::string>("hertz");
        QTest::newRow("otherwise") << 4 << std::string("80000000");
        QTest::newRow("at 6") << 6 << std::string("40000000");
        QTest::newRow("at 8") << 8 << std::string("40000000");
    }
    void aFollowerFollows() {
        QFETCH(int, divide);
        QFETCH(std::string, hertz);
        const Figures example =
            figuresOf("[take.choices.bus_a]\ndivide = 4", "[take.choices.bus_a]\ndivide = " + std::to_string(divide));
        QCOMPARE(example.findLine("can_clk")->hertz->nominal, exact(hertz));
    }

    /// Inclusive, on nominal.
    void waitStatesFollowTheRate_data() {
        QTest::addColumn<int>("divide"); // of the core, from 160 MHz
        QTest::addColumn<int>("waits");
        QTest::newRow("160 MHz") << 1 << 4;
        QTest::newRow("80 MHz") << 2 << 2;
        QTest::newRow("40 MHz") << 4 << 1;
        QTest::newRow("20 MHz") << 8 << 0;
    }
    void waitStatesFollowTheRate() {
        QFETCH(int, divide);
        QFETCH(int, waits);
        const Figures example = figuresOf("[take.choices.core]\nfrom = \"pll_a\"",
                                          "[take.choices.core]\nfrom = \"pll_a\"\ndivide = " + std::to_string(divide));
        QCOMPARE(example.waits.size(), std::size_t{1});
        QCOMPARE(example.waits[0].waits, static_cast<std::int64_t>(waits));
        QCOMPARE(example.waits[0].field->held, static_cast<std::int64_t>(waits));
    }

    void anotherTierBringsItsOwnLimits() {
        const Figures example =
            figuresOf("tier = \"fast\"\nrests_in = \"deep\"\nlocks", "tier = \"low\"\nrests_in = \"deep\"\nlocks");
        QCOMPARE(*example.findLine("core")->limitMax, Rational(64000000));
        QCOMPARE(example.findLine("core")->state, State::broken);
        QCOMPARE(example.tierField->held, std::int64_t{1});
    }

    void whatIsHeldOffTakesItsPromisesWithIt() {
        const Figures example = figuresOf("", "", "B");
        QVERIFY(!example.findLine("vco")->isOn);
        QVERIFY(!example.findLine("xtm")->isOn);
        QCOMPARE(example.findLine("core")->hertz->nominal, Rational(10000000));
        QCOMPARE(example.findPromise("link")->why, std::string("vco is switched off in take B"));
        QCOMPARE(example.findPromise("tick")->state, State::kept); // 10 MHz counts 1 ms just as well
    }

    void fieldsAreShownAsWritten() {
        const Figures example = figuresOf("", "");
        std::map<std::string, std::string> held;
        for (const LineFigure& line : example.lines) {
            for (const FieldValue& value : line.fields) {
                held[value.control] = fieldText(value.field) + " " + std::to_string(value.held);
            }
        }
        QCOMPARE(held["ref.divide"], std::string("CLK.REF[4:0] 4"));
        QCOMPARE(held["ref.from"], std::string("CLK.REF[8] 1"));
        QCOMPARE(held["vco.multiply"], std::string("CLK.MULT[6:0] 120"));
        QCOMPARE(held["core.from"], std::string("CLK.CORE[9:8] 2"));
        QCOMPARE(held["core.divide"], std::string("CLK.CORE[2:0] 0"));
        QCOMPARE(held["bus_b.divide"], std::string("CLK.BUS[5:4] 1"));
        QCOMPARE(held["rcf.on"], std::string("CLK.START[1] 0"));
    }

    void workingsLeadToWhereNumbersComeFrom() {
        const Figures example = figuresOf("", "");
        const LineFigure* vco = example.findLine("vco");
        QCOMPARE(vco->workings[0].numbers, std::string("4 MHz \u00d7 120"));
        QCOMPARE(vco->workings[0].result, std::string("480 MHz"));
        QCOMPARE(targetText(vco->workings[0].origins[0].target), std::string("line/ref"));
        const Step& limit = example.findLine("core")->workings.back();
        QCOMPARE(limit.what + ", " + limit.formula, std::string("limit, in tier fast"));
        QCOMPARE(limit.result, std::string("least none, most 160 MHz"));
        QCOMPARE(limit.origins[0].ref, std::string("3.1"));
        const LineFigure* crystal = example.findLine("xtm");
        QCOMPARE(targetText(crystal->workings[0].origins[0].target), std::string("plan/board.fitted.xtm.rate"));
        QCOMPARE(crystal->workings[1].numbers, std::string("10 ppm + 15 ppm + 15 ppm"));
        QCOMPARE(crystal->workings[1].result, std::string("\u00b140 ppm"));
    }

    /// Pieces of the board's temperatures take the tightest step that covers them.
    void tolerancesOverTemperature_data() {
        QTest::addColumn<int>("from");
        QTest::addColumn<int>("to");
        QTest::addColumn<std::string>("low");
        QTest::addColumn<std::string>("high");
        QTest::newRow("inside the tight one") << 0 << 50 << std::string("-1/100") << std::string("1/100");
        QTest::newRow("one point") << 25 << 25 << std::string("-1/100") << std::string("1/100");
        QTest::newRow("partly beyond") << -20 << 50 << std::string("-1/40") << std::string("1/50");
        QTest::newRow("two steps together") << 60 << 120 << std::string("-3/100") << std::string("3/100");
        QTest::newRow("nowhere given") << 0 << 200 << std::string() << std::string();
    }
    void tolerancesOverTemperature() {
        QFETCH(int, from);
        QFETCH(int, to);
        QFETCH(std::string, low);
        QFETCH(std::string, high);
        const std::vector<ToleranceStep> steps{{Rational(0), Rational(70), exact("-1/100"), exact("1/100")},
                                               {Rational(-40), Rational(105), exact("-1/40"), exact("1/50")},
                                               {Rational(105), Rational(125), exact("-3/100"), exact("3/100")}};
        const auto deviation = deviationOver(steps, from, to);
        QCOMPARE(deviation.has_value(), !low.empty());
        if (deviation) {
            QCOMPARE(deviation->low, exact(low));
            QCOMPARE(deviation->high, exact(high));
        }
    }

    void aMeasuredRcReplacesThePartsOwn() {
        const Figures example =
            figuresOf("[board.battery]", "[board.measured.rcs]\nrate = \"37.1 kHz\"\ntolerance = \"4 %\"\n\n[board.battery]");
        const LineFigure* rcs = example.findLine("rcs");
        QCOMPARE(rcs->hertz->nominal, Rational(37100));
        QCOMPARE(rcs->hertz->min, Rational(35616));
    }

    void aRateTooLargeIsNamed() {
        std::string text = "format = \"wisetick-part/1\"\nid = \"p\"\ncore = \"l9\"\n[[source]]\nid = \"s\"\nkind = \"rc\"\nrate "
                           "= \"1e30 Hz\"\n[[mode]]\nid = \"run\"\nruns = true\n";
        for (int i = 0; i < 10; ++i) {
            text += "[[line]]\nid = \"l" + std::to_string(i) + "\"\nfrom = \"" +
                    (i == 0 ? std::string("s") : "l" + std::to_string(i - 1)) + "\"\nmultiply = 281474976710656\n";
        }
        const PartFile part = readPart(text, "p");
        QVERIFY2(part.part.has_value(), lines(part.diagnostics).c_str());
        const PlanFile plan = readPlan("format = \"wisetick-plan/1\"\npart = \"p\"\n[[take]]\nname = \"A\"\n", "f", &*part.part);
        const Figures figures = derive(*part.part, *plan.plan, "A");
        QCOMPARE(figures.findLine("l9")->why, std::string("the rate of l3 needs more than 256 bits"));
        QVERIFY_EXCEPTION_THROWN(derive(*part.part, *plan.plan, "B"), std::invalid_argument);
    }

    /// Rates of zero, below it, immense and minute, in the part and on the board: an error at the place, or exact figures.
    void oddRates_data() {
        QTest::addColumn<bool>("isInPart");
        QTest::addColumn<std::string>("rate");
        QTest::addColumn<std::string>("hertz"); // empty: an error
        const auto row = [](bool isInPart, const char* rate, const char* hertz) {
            QTest::addRow("%s in the %s", rate, isInPart ? "part" : "plan")
                << isInPart << std::string(rate) << std::string(hertz);
        };
        for (const bool isInPart : {true, false}) {
            for (const char* rate :
                 {"0 Hz", "0", "-8 MHz", "\u22128 MHz", "1e400 Hz", "NaN", "inf Hz", "8", "", "8 MHz MHz", "0x10"}) {
                if (std::string(rate) != "8") { // a bare number is a rate in Hz
                    row(isInPart, rate, "");
                }
            }
            row(isInPart, "8", "8");
            row(isInPart, "1e30 Hz", "1e30");
            row(isInPart, "1e-30 Hz", "1e-30");
            row(isInPart, "123456789.123456789 MHz", "123456789123456.789");
        }
    }
    void oddRates() {
        QFETCH(bool, isInPart);
        QFETCH(std::string, rate);
        QFETCH(std::string, hertz);
        const std::string said = "rate = \"" + rate + "\"";
        const PartFile part = readPart(isInPart ? replaced(marramText(), "rate = \"10 MHz\"", said) : marramText(), "p");
        const PlanFile plan = readPlan(isInPart ? orchardText() : replaced(orchardText(), "rate = \"20 MHz\"", said), "f",
                                       part.part ? &*part.part : nullptr);
        const Diagnostics& diagnostics = isInPart ? part.diagnostics : plan.diagnostics;
        QCOMPARE(hasErrors(diagnostics), hertz.empty());
        if (hertz.empty()) {
            QCOMPARE(diagnostics.front().place.line, isInPart ? 44 : 13);
            return;
        }
        const Figures figures = derive(*part.part, *plan.plan, "A");
        QCOMPARE(figures.findLine(isInPart ? "rcf" : "xtm")->hertz->nominal, exact(hertz));
    }

    void oddIds_data() {
        QTest::addColumn<QString>("id");
        QTest::addColumn<bool>("isRead");
        for (const char* id :
             {"Bus", "bus a", "b\u00fcs", "9bus", "", "-bus", "bus.a", "bus/a", "\\\"bus", "\\u0000", "b\\nus"}) {
            QTest::addRow("'%s'", id) << QString(id) << false;
        }
        QTest::newRow("one letter") << "b" << true;
        QTest::newRow("all that is allowed") << "b_u-s9" << true;
        QTest::newRow("very long") << QString(300, 'b') << true;
    }
    void oddIds() {
        QFETCH(QString, id);
        QFETCH(bool, isRead);
        const PartFile part = readPart(replaced(marramText(), "id = \"clk_out\"", "id = \"" + id.toStdString() + "\""), "p");
        QCOMPARE(part.part.has_value(), isRead);
        QCOMPARE(hasErrors(part.diagnostics), !isRead);
        if (isRead) {
            const PlanFile plan = readPlan(orchardText(), "f", &*part.part);
            QVERIFY(derive(*part.part, *plan.plan, "A").findLine(id.toStdString()) != nullptr);
        }
    }
};

QTEST_APPLESS_MAIN(CoreLines)
#include "core_lines.moc"
