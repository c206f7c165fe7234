#include "support.h"
#include "text_report.h"
#include "text_table.h"

using namespace wisetick;
using namespace wisetick::cli;
using namespace wisetick::test;

/// How the command line lays out and places what it says.
class CliText : public QObject {
    Q_OBJECT

private slots:
    void columnsAlign() {
        TextTable table({Align::left, Align::right, Align::left});
        table.add({"core", "160 MHz", "\u00b140 ppm"});
        table.add({"xtw", "32.768 kHz", ""});
        table.add({"\u00b5", "1 Hz", "x"});
        QCOMPARE(table.text(0),
                 std::string("  core     160 MHz  \u00b140 ppm\n  xtw   32.768 kHz\n  \u00b5           1 Hz  x\n"));
        QVERIFY(TextTable({Align::left}).empty());
    }

    /// 30 columns: two before, two between, the rest for the cells. The words stay, and a number keeps its unit.
    void wideCellsGoOnBelow() {
        TextTable table({Align::left, Align::left, Align::right});
        table.add({"modem", "uart1 talks 921600 within 1.5 %", "1 Hz"});
        table.add({"a", "\x1b[2mshort and muted is short too\x1b[0m", "20 Hz"});
        const std::string wide = table.text(0);
        QCOMPARE(wide.substr(0, wide.find('\n')), std::string("  modem  uart1 talks 921600 within 1.5 %   1 Hz"));
        const std::string narrow = table.text(30);
        QCOMPARE(narrow, std::string("  modem  uart1 talks      1 Hz\n"
                                     "         921600 within\n"
                                     "         1.5 %\n"
                                     "  a      \x1b[2mshort and\x1b[0m       20 Hz\n"
                                     "         \x1b[2mmuted is short\x1b[0m\n"
                                     "         \x1b[2mtoo\x1b[0m\n"));
        // what can't be broken stays as wide as it is
        TextTable one({Align::left});
        one.add({"AFTERCHARACTERISTICALLY"});
        QCOMPARE(one.text(10), std::string("  AFTERCHARACTERISTICALLY\n"));
    }

    void widthsCountWhatIsSeen() {
        QCOMPARE(displayWidth("abc"), std::size_t{3});
        QCOMPARE(displayWidth("\u2248+8.507 \u00b5s"), std::size_t{10});
        QCOMPARE(displayWidth("\x1b[36m\u25cf kept\x1b[0m"), std::size_t{6});
    }

    void marksTellTheStateWithoutColour() {
        const Style plain{false};
        QCOMPARE(plain.mark(State::kept), std::string("\u25cf kept"));
        QCOMPARE(plain.mark(State::strained), std::string("\u25d0 strained"));
        QCOMPARE(plain.mark(State::broken), std::string("\u25cb broken"));
        QCOMPARE(plain.heading("Lines"), std::string("Lines"));
        const Style coloured{true};
        QCOMPARE(coloured.mark(State::broken), std::string("\x1b[31m\u25cb broken\x1b[0m"));
        QCOMPARE(coloured.muted(""), std::string());
    }

    void findingsAreLocated_data() {
        QTest::addColumn<std::string>("path");
        QTest::addColumn<std::string>("place");
        QTest::newRow("a key") << std::string("take.A.choices.bus_a.divide") << std::string("plan:9:1");
        QTest::newRow("a key that is not in the file") << std::string("take.A.choices.bus_a.from") << std::string("plan:8:1");
        QTest::newRow("a line that the take sets") << std::string("line/bus_a") << std::string("plan:8:1");
        QTest::newRow("a line that it does not set") << std::string("line/bus_b") << std::string("plan:5:1");
        QTest::newRow("the jobs") << std::string("rhythm") << std::string("plan:12:1");
        QTest::newRow("something else") << std::string("report") << std::string("report");
    }
    void findingsAreLocated() {
        QFETCH(std::string, path);
        QFETCH(std::string, place);
        const std::map<std::string, Place> places{{"", {"plan", 1, 1, ""}},
                                                  {"take.A", {"plan", 5, 1, ""}},
                                                  {"take.A.choices.bus_a", {"plan", 8, 1, ""}},
                                                  {"job.1.name", {"plan", 12, 1, ""}},
                                                  {"take.A.choices.bus_a.divide", {"plan", 9, 1, ""}}};
        const Target about = readTarget(path).value_or(Target());
        const Diagnostic finding{Severity::error, {{}, 0, 0, path, about}, "x", {}, {}};
        QCOMPARE(placeText(located(finding, places, "A").place), place);
    }
};

QTEST_APPLESS_MAIN(CliText)
#include "cli_text.moc"
