#include "evaluate/lint_expects.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// An rc of 8 MHz, a multiplier × 4 … 12, a core ÷ 1, 2, 4, a port and two modes.
std::string partWith(const std::string& expect) {
    return R"(format = "wisetick-part/1"
id = "try"
name = "Try"
supply = { min = "1.8 V", max = "3.6 V" }
core = "core"

[[source]]
id = "rc"
kind = "rc"
rate = "8 MHz"
tolerance = "1 %"
draws = "100 uA"

[[source]]
id = "xtm"
kind = "crystal"
range = ["4 MHz", "16 MHz"]
draws = "200 uA"

[[line]]
id = "vco"
from = ["rc", "xtm"]
multiply = { from = 4, to = 12 }
reset = { multiply = 4 }
fields = { from = "CLK.VCO[8]", multiply = "CLK.VCO[5:0]" }
holds = { from = "in order", multiply = "n-1" }

[[line]]
id = "core"
from = ["rc", "vco"]
divide = [1, 2, 4]
fields = { from = "CLK.CORE[4]", divide = "CLK.CORE[1:0]" }
holds = { from = "in order", divide = "in order" }

[[wait]]
line = "core"
steps = [["24 MHz", 0], ["48 MHz", 1], ["96 MHz", 2]]
field = "MEM.WAIT[1:0]"

[[peripheral]]
id = "uart1"
kind = "uart"
clock = "core"
modes = [{ oversample = 16, divisor = { from = 1, to = 4095 } }]
fields = { divisor = "UART.RATE[11:0]" }
holds = { divisor = "n" }

[[mode]]
id = "run"
runs = true
draws = { typ = "1 mA", max = "2 mA", per_mhz = { typ = "100 uA", max = "150 uA" } }

[[mode]]
id = "deep"
draws = { typ = "2 uA", max = "5 uA" }
wakes_on = "rc"
stages = [{ say = "regulator", typ = "10 us", max = "18 us" }]

)" + expect;
}

Diagnostics findingsOf(const std::string& expect) {
    const PartFile file = readPart(partWith(expect), "part");
    if (!file.part) {
        return file.diagnostics;
    }
    return lintExpects(*file.part, file.expects);
}

// 1 mA + 40 MHz × 100 uA/MHz + 200 uA of the crystal = 5.2 mA; 10 MHz × 8 ÷ 2 = 40 MHz; multiplier holds 7; ÷ 2 is the second of
// three; 40 MHz needs one wait; 40 MHz ÷ (16 × 22) = 113.636 kHz
const char* const kExample = R"([[expect]]
say = "40 MHz from 10 MHz"
ref = "3.2"
fitted = { xtm = "10 MHz" }
choices = { vco = { from = "xtm", multiply = 8 }, core = { from = "vco", divide = 2 } }
rates = { vco = "80 MHz", core = "40 MHz" }
fields = { "CLK.VCO[5:0]" = 7, "CLK.CORE[1:0]" = 1, "MEM.WAIT[1:0]" = 1 }
waits = { core = 1 }
draws = { run = { typ = "5.2 mA" } }
wakes = { deep = { typ = "10 us", max = "18 us" } }
promises = [{ say = "uart1 talks 115200 within 2 %", settings = { divisor = 22 }, got = "≈113636 bit/s", error = "≈-1.36 %" }]
)";

} // namespace

/// A part is held against the worked examples of its datasheet.
class CoreExpects : public QObject {
    Q_OBJECT

private slots:
    void examplesComeOut() {
        const Diagnostics findings = findingsOf(kExample);
        QVERIFY2(findings.empty(), lines(findings).c_str());
    }

    void whatDoesNotComeOutIsTold_data() {
        QTest::addColumn<std::string>("what");
        QTest::addColumn<std::string>("by");
        QTest::addColumn<std::string>("told");
        const auto row = [](const char* name, const char* what, const char* by, const char* told) {
            QTest::newRow(name) << std::string(what) << std::string(by) << std::string(told);
        };
        row("rate", "core = \"40 MHz\"", "core = \"41 MHz\"", "core runs at 40 MHz; expected 41 MHz (chapter 3.2)");
        row("rounded rate", "core = \"40 MHz\"", "core = \"≈40.6 MHz\"", "core runs at 40 MHz; expected ≈40.6 MHz");
        row("field", "\"CLK.VCO[5:0]\" = 7", "\"CLK.VCO[5:0]\" = 8", "CLK.VCO[5:0] holds 7; expected 8");
        row("no field", "\"CLK.VCO[5:0]\"", "\"CLK.VCO[7:0]\"", "nothing is written to CLK.VCO[7:0]");
        row("waits", "waits = { core = 1 }", "waits = { core = 2 }", "core waits 1; expected 2");
        row("no waits", "waits = { core = 1 }", "waits = { vco = 1 }", "vco has no wait states");
        row("draws", "5.2 mA", "5.4 mA", "run draws 5.2 mA; expected 5.4 mA");
        row("wakes", "max = \"18 us\"", "max = \"19 us\"", "comes in at most 18 \u00b5s; expected 19 us");
        row("setting", "divisor = 22", "divisor = 21", "has divisor 22; expected 21");
        row("got", "113636", "113640", "expected ≈113640 bit/s");
        row("error", "-1.36", "-1.37", "expected ≈-1.37 %");
        row("choice", "divide = 2 }", "divide = 3 }", "core");
    }
    void whatDoesNotComeOutIsTold() {
        QFETCH(std::string, what);
        QFETCH(std::string, by);
        QFETCH(std::string, told);
        const Diagnostics findings = findingsOf(replaced(kExample, what, by));
        QVERIFY(!findings.empty());
        QVERIFY2(lines(findings).find(told) != std::string::npos, lines(findings).c_str());
        QCOMPARE(findings.front().place.path, std::string("expect.1"));
        QCOMPARE(findings.front().severity, Severity::error);
    }

    void faultsHaveTheirPlace_data() {
        QTest::addColumn<std::string>("text");
        QTest::addColumn<std::string>("told");
        const auto row = [](const char* name, const char* text, const char* told) {
            QTest::newRow(name) << std::string("[[expect]]\nsay = \"x\"\n") + text << std::string(told);
        };
        row("nothing", "", "an example of which nothing follows");
        row("unknown line", "rates = { cor = \"1 MHz\" }\n", "did you mean 'core'?");
        row("bad quantity", "rates = { core = \"1 V\" }\n", "part:61:");
        row("unknown mode", "draws = { dep = \"1 uA\" }\n", "did you mean 'deep'?");
        row("a line fitted", "fitted = { core = \"1 MHz\" }\nrates = { core = \"1 MHz\" }\n", "'core', a line");
        row("a bad promise", "promises = [{ say = \"uart1 sings\" }]\n", "part:61:");
        row("unknown setting", "promises = [{ say = \"uart1 talks 9600\", settings = { divisr = 3 } }]\n",
            "did you mean 'divisor'?");
        row("unknown key", "rates = { core = \"8 MHz\" }\nrate = 3\n", "did you mean 'rates'?");
        row("no field", "fields = { \"CLK\" = 3 }\n", "a field such as");
    }
    void faultsHaveTheirPlace() {
        QFETCH(std::string, text);
        QFETCH(std::string, told);
        const PartFile file = readPart(partWith(text), "part");
        QVERIFY(!file.part.has_value());
        QVERIFY2(lines(file.diagnostics).find(told) != std::string::npos, lines(file.diagnostics).c_str());
    }

    void figuresAreReadAsPrinted() {
        const auto figure = readPrintedFigure("\u2248 3.33 MHz", Unit::hertz).value();
        QCOMPARE(figure.value, Rational(3330000));
        QCOMPARE(figure.leeway, Rational(5000));
        QCOMPARE(readPrintedFigure("\u224864 MHz", Unit::hertz)->leeway, Rational(500000));
        QCOMPARE(readPrintedFigure("64 MHz", Unit::hertz)->leeway, Rational(0));
        QVERIFY(!readPrintedFigure("64 Mz", Unit::hertz));
    }
};

QTEST_APPLESS_MAIN(CoreExpects)
#include "core_expects.moc"
