#include "derive/demand.h"
#include "derive/derive.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// What is on in take A of the example after an edit, as ids.
struct Switched {
    Edited edited;
    Controls controls;
    Demand demand;

    explicit Switched(const std::string& what = {}, const std::string& by = {}, const std::string& take = "A")
        : edited(editedOrchard(what, by)) {
        Diagnostics findings;
        controls = resolveControls(edited.part, *findTake(edited.plan, take), findings);
        demand = demandOf(edited.part, edited.plan, *findTake(edited.plan, take), controls);
    }

    std::string nodes() const {
        std::string text;
        for (NodeIndex node = 0; node < edited.part.nodeCount(); ++node) {
            text += demand.nodes[node] ? (text.empty() ? "" : " ") + edited.part.nodeId(node) : "";
        }
        return text;
    }

    std::string peripherals() const {
        std::string text;
        for (std::size_t i = 0; i < edited.part.peripherals.size(); ++i) {
            text += demand.peripherals[i] ? (text.empty() ? "" : " ") + edited.part.peripherals[i].id : "";
        }
        return text;
    }
};

const std::string kAllOfA = "xtm xtw rcs ref vco pll_a pll_b core bus_a bus_b timers usb";

} // namespace

/// What a take switches on: through the muxes as chosen, and nothing else.
class CoreDemand : public QObject {
    Q_OBJECT

private slots:
    void whatIsOn_data() {
        QTest::addColumn<std::string>("what");
        QTest::addColumn<std::string>("by");
        QTest::addColumn<std::string>("nodes");
        const auto row = [](const char* name, const std::string& what, const std::string& by, const std::string& nodes) {
            QTest::newRow(name) << what << by << nodes;
        };
        row("the example", "", "", kAllOfA);
        row("the core from the RC, the PLL for usb alone", "[take.choices.core]\nfrom = \"pll_a\"",
            "[take.choices.core]\nfrom = \"rcf\"", "xtm rcf xtw rcs ref vco pll_b core bus_a bus_b timers usb");
        row("without the promise on usb", "[[promise]]\nsay = \"link: usb runs at 48 MHz within 0.25 %\"\n", "",
            "xtm xtw rcs ref vco pll_a core bus_a bus_b timers");
        row("the timers from the RC", "[take.choices.bus_b]\ndivide = 2",
            "[take.choices.bus_b]\ndivide = 2\n[take.choices.timers]\nfrom = \"rcf\"",
            "xtm rcf xtw rcs ref vco pll_a pll_b core bus_a timers usb");
        row("a line by choice", "[take.choices.bus_b]\ndivide = 2",
            "[take.choices.bus_b]\ndivide = 2\n[take.choices.can_clk]\non = true", kAllOfA + " can_clk");
        row("a peripheral by choice", "[take.choices.bus_b]\ndivide = 2",
            "[take.choices.bus_b]\ndivide = 2\n[take.choices.timer6]\non = true", kAllOfA);
        row("held off, and what it feeds with it", "[take.choices.vco]\nmultiply = 120",
            "[take.choices.vco]\nmultiply = 120\non = false", "xtw rcs");
        row("the watchdog switched off", "[take.choices.bus_b]\ndivide = 2",
            "[take.choices.bus_b]\ndivide = 2\n[take.choices.wdog]\non = false",
            "xtm xtw ref vco pll_a pll_b core bus_a bus_b timers usb");
    }
    void whatIsOn() {
        QFETCH(std::string, what);
        QFETCH(std::string, by);
        QFETCH(std::string, nodes);
        QCOMPARE(Switched(what, by).nodes(), nodes);
    }

    void peripheralsOfPromisesAndJobs() {
        QCOMPARE(Switched().peripherals(), std::string("uart1 uart2 timer1 timer5 wdog rtc"));
        // a job's peripherals count in the take that it runs in
        const std::string job = "cycles = 400\ntake = \"B\"";
        QCOMPARE(Switched(job, job + "\nuses = [\"timer3\"]", "A").peripherals(),
                 std::string("uart1 uart2 timer1 timer5 wdog rtc"));
        QCOMPARE(Switched(job, job + "\nuses = [\"timer3\"]", "B").peripherals(),
                 std::string("uart1 uart2 timer1 timer3 timer5 wdog rtc"));
    }

    void chainsLeadToTheSource() {
        const Switched example;
        std::string chain;
        for (const NodeIndex node : chainOf(example.edited.part, example.controls, *example.edited.part.findNode("timers"))) {
            chain += example.edited.part.nodeId(node) + " ";
        }
        QCOMPARE(chain, std::string("timers bus_b core pll_a vco ref xtm "));
    }

    void whatHoldsALineOff() {
        const Switched off("[take.choices.vco]\nmultiply = 120", "[take.choices.vco]\nmultiply = 120\non = false");
        const Part& part = off.edited.part;
        QCOMPARE(part.nodeId(*heldOff(part, off.controls, *part.findNode("usb"))), std::string("vco"));
        QVERIFY(!heldOff(part, off.controls, *part.findNode("ref")).has_value());
    }

    void whatLivesInAMode_data() {
        QTest::addColumn<std::string>("mode");
        QTest::addColumn<std::string>("node");
        QTest::addColumn<bool>("lives");
        QTest::newRow("run keeps all") << std::string("run") << std::string("timers") << true;
        QTest::newRow("idle keeps all lines") << std::string("idle") << std::string("usb") << true;
        QTest::newRow("snooze keeps the RC") << std::string("snooze") << std::string("rcf") << true;
        QTest::newRow("but no line") << std::string("snooze") << std::string("core") << false;
        QTest::newRow("deep keeps the watch crystal") << std::string("deep") << std::string("xtw") << true;
        QTest::newRow("and not the fast RC") << std::string("deep") << std::string("rcf") << false;
    }
    void whatLivesInAMode() {
        QFETCH(std::string, mode);
        QFETCH(std::string, node);
        QFETCH(bool, lives);
        const Switched example;
        const Part& part = example.edited.part;
        QCOMPARE(livesIn(part, example.controls, part.modes[*part.findMode(mode)], *part.findNode(node)), lives);
    }

    void peripheralsLiveWithTheirClock() {
        const Switched example;
        const Part& part = example.edited.part;
        const Mode& snooze = part.modes[*part.findMode("snooze")];
        // snooze keeps uart1, but bus A that feeds it is gone
        QVERIFY(!peripheralLivesIn(part, example.controls, snooze, *part.findPeripheral("uart1")));
        const Switched fromRc("[take.choices.bus_b]\ndivide = 2",
                              "[take.choices.bus_b]\ndivide = 2\n[take.choices.uart1]\nfrom = \"rcf\"");
        QVERIFY(peripheralLivesIn(part, fromRc.controls, snooze, *part.findPeripheral("uart1")));
    }

    /// A choice stands over the reset; what is not chosen stays at it.
    void controlsAreResolved() {
        const Switched example;
        const auto& lines = example.controls.lines;
        QCOMPARE(lines[0].divide, Rational(5));     // ref, chosen
        QCOMPARE(lines[1].multiply, Rational(120)); // vco, chosen
        QCOMPARE(lines[1].factor, Rational(120));
        QCOMPARE(lines[4].divide, Rational(1));  // core: reset
        QCOMPARE(lines[4].from, std::size_t{2}); // pll_a
        QCOMPARE(lines[9].factor, Rational(1));  // can_clk follows bus_a.divide = 4
        QCOMPARE(*example.controls.tier, std::size_t{0});
        const Switched six("[take.choices.bus_a]\ndivide = 4", "[take.choices.bus_a]\ndivide = 6");
        QCOMPARE(six.controls.lines[9].factor, exact("1/2"));
    }
};

QTEST_APPLESS_MAIN(CoreDemand)
#include "core_demand.moc"
