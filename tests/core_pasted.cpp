#include "support.h"
#include "workshop/part_edits.h"
#include "workshop/pasted_table.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

const char* const kPart = R"(format = "wisetick-part/1"
id = "try"
name = "Try"
core = "core"

[[source]]
id = "rc"
name = "quick RC"
kind = "rc"
rate = "8 MHz" # as trimmed
startup = "2 us"

[[line]]
each = [
  { id = "core", from = "rc" },
  { id = "bus_a", from = "core", divide = [1, 2] }, # the slow one
]

[[peripheral]]
id = "uart1"
name = "UART 1"
kind = "uart"
clock = "bus_a"
modes = [{ oversample = 16, divisor = { from = 1, to = 4095 } }]

[[peripheral]]
id = "timer2"
kind = "timer"
clock = "bus_a"
bits = 16
draws = { base = "10 uA", per_mhz = "4 uA" }

[[mode]]
id = "run"
runs = true
draws = "1 mA"

[[mode]]
id = "deep"
wakes_on = "rc"
)";

Part part(const std::string& text = kPart) {
    const PartFile file = readPart(text, "part");
    if (!file.part) {
        qFatal("%s%s", lines(file.diagnostics).c_str(), text.c_str());
    }
    return *file.part;
}

std::string cellsSaid(const PastedCells& cells) {
    std::string said;
    for (const auto& row : cells.rows) {
        for (const std::string& cell : row) {
            said += cell + "|";
        }
        said += "\n";
    }
    return said;
}

std::string propertySaid(const std::string& text, const std::string& id, const std::string& key) {
    for (const TextProperty& property : propertiesOf(text, id)) {
        if (property.key == key) {
            return property.value.text;
        }
    }
    return {};
}

const char* const kExpected = "Peripheral|typ (uA/MHz)|max (uA/MHz)|\nUART 1|3.1|3.9|\nTimer 2|4.4||\n";

} // namespace

/// Edits of a part's text, and tables that are pasted into it.
class CorePasted : public QObject {
    Q_OBJECT

private slots:
    void propertiesStandWhereTheyStand() {
        const auto keys = [](const std::string& id) {
            std::string said;
            for (const TextProperty& property : propertiesOf(kPart, id)) {
                said += property.key + "=" + property.value.text + ";";
            }
            return said;
        };
        QCOMPARE(keys("rc"), std::string("id=\"rc\";name=\"quick RC\";kind=\"rc\";rate=\"8 MHz\";startup=\"2 us\";"));
        QCOMPARE(keys("bus_a"), std::string("id=\"bus_a\";from=\"core\";divide=[1, 2];"));
        QCOMPARE(keys("none"), std::string());
    }

    void anEditTouchesNothingElse() {
        const std::string other = withProperty(kPart, "rc", "rate", "\"9 MHz\"").value();
        QCOMPARE(other, replaced(kPart, "8 MHz", "9 MHz"));
        QCOMPARE(withProperty(kPart, "bus_a", "divide", "[1, 2, 4]").value(), replaced(kPart, "[1, 2]", "[1, 2, 4]"));
        QCOMPARE(withProperty(kPart, "bus_a", "factor", "\"1/2\"").value(),
                 replaced(kPart, "divide = [1, 2] }", "divide = [1, 2], factor = \"1/2\" }"));
        QCOMPARE(withProperty(kPart, "bus_a", "divide", "").value(), replaced(kPart, ", divide = [1, 2] }", " }"));
        QCOMPARE(withProperty(kPart, "bus_a", "from", "").value(), replaced(kPart, "from = \"core\", divide", "divide"));
        QCOMPARE(withProperty(kPart, "rc", "startup", "").value(), replaced(kPart, "startup = \"2 us\"\n", ""));
        QCOMPARE(withProperty(kPart, "rc", "gm", "\"1 mA/V\"").value(),
                 replaced(kPart, "startup = \"2 us\"\n", "startup = \"2 us\"\ngm = \"1 mA/V\"\n"));
        QCOMPARE(withProperty(kPart, "deep", "draws", "\"2 uA\"").value(), std::string(kPart) + "draws = \"2 uA\"\n");
        QVERIFY(!withProperty(kPart, "none", "rate", "1"));
        QCOMPARE(withKey("{ base = \"1 A\" }", "per_mhz", "\"2 A\""), std::string("{ base = \"1 A\", per_mhz = \"2 A\" }"));
        QCOMPARE(withKey("{ base = [1, { a = 2 }], c = 3 }", "base", "4"), std::string("{ base = 4, c = 3 }"));
        QCOMPARE(withKey("", "typ", "1"), std::string("{ typ = 1 }"));
        QCOMPARE(withKey("{}", "typ", "1"), std::string("{ typ = 1 }"));
    }

    /// Of every property of the shipped parts: set to what it is, nothing changes.
    void shippedPartsStayAsTheyAre() {
        for (const char* name : {"gorse-12", "marram-20", "samphire-5", "sedge-8", "cordgrass-60"}) {
            const std::string text = fileText(sourceDir() + "/parts/" + name + ".part.toml");
            const Part read = readPart(text, "part").part.value();
            int count = 0;
            for (const Line& line : read.lines) {
                for (const TextProperty& property : propertiesOf(text, line.id)) {
                    QCOMPARE(withProperty(text, line.id, property.key, property.value.text).value_or(""), text);
                    ++count;
                }
            }
            QVERIFY2(count > 10, name);
        }
    }

    void thingsAreAddedAndTakenAway() {
        const std::string more = likeAnother(kPart, "uart1", "uart2").value();
        QCOMPARE(part(more).peripherals.size(), std::size_t{3});
        QCOMPARE(part(more).peripherals[1].id, std::string("uart2"));
        QCOMPARE(propertySaid(more, "uart2", "clock"), std::string("\"bus_a\""));
        const std::string row = likeAnother(kPart, "bus_a", "bus_b").value();
        QVERIFY(row.find("  { id = \"bus_a\", from = \"core\", divide = [1, 2] },\n  { id = \"bus_b\", from = \"core\", divide = "
                         "[1, 2] }, # the slow one\n") != std::string::npos);
        QVERIFY(part(row).findNode("bus_b"));
        QVERIFY(!likeAnother(kPart, "uart1", "timer2") && !likeAnother(kPart, "uart1", "B") && !likeAnother(kPart, "none", "x"));
        QCOMPARE(withoutThing(row, "bus_a").value(),
                 replaced(row, "  { id = \"bus_a\", from = \"core\", divide = [1, 2] },\n", ""));
        QCOMPARE(withoutThing(more, "uart2").value(), std::string(kPart));
        QVERIFY(!withoutThing(kPart, "none"));
        const std::string line = withTable(kPart, "bus_a", "[[line]]\nid = \"x\"\nfrom = \"core\"\n");
        QVERIFY(part(line).findNode("x"));
        QVERIFY(line.find("id = \"x\"") < line.find("[[peripheral]]"));
        QVERIFY(part(withTable(kPart, "", "[[source]]\nid = \"y\"\nkind = \"rc\"\nrate = \"1 MHz\"")).findNode("y"));
    }

    void clipboardsAreRead_data() {
        QTest::addColumn<std::string>("text");
        const auto row = [](const char* name, const char* text) { QTest::newRow(name) << std::string(text); };
        row("tabs", "Peripheral\ttyp (uA/MHz)\tmax (uA/MHz)\nUART 1\t3.1\t3.9\nTimer 2\t4.4\t\n");
        row("tabs, CR LF", "Peripheral\ttyp (uA/MHz)\tmax (uA/MHz)\r\nUART 1\t3.1\t3.9\r\nTimer 2\t4.4\t\r\n");
        row("CSV", "Peripheral,typ (uA/MHz),max (uA/MHz)\n\"UART 1\",3.1,3.9\nTimer 2,4.4,\n");
        row("semicolons", "Peripheral;typ (uA/MHz);max (uA/MHz)\nUART 1;3.1;3.9\nTimer 2;4.4;\n");
        row("Markdown",
            "| Peripheral | typ (uA/MHz) | max (uA/MHz) |\n|---|--:|--:|\n| UART 1 | 3.1 | 3.9 |\n| Timer 2 | 4.4 | |\n");
        row("HTML", "<html><body><p>x</p><TABLE><tr><th>Peripheral<th>typ&nbsp;(uA/MHz)</th><th>max (uA/MHz)</th></tr>"
                    "<tr><td><b>UART</b> "
                    "1</td><td>3.1</td><td>3.9</td></tr><tr><td>Timer<br>2</td><td>4.4</td><td></td></tr></"
                    "table><table><tr><td>no</td></tr></table>");
        row("blanks", "Peripheral   typ (uA/MHz)   max (uA/MHz)\nUART 1       3.1            3.9\nTimer 2      4.4\n");
    }
    void clipboardsAreRead() {
        QFETCH(std::string, text);
        QCOMPARE(cellsSaid(readPasted(text)), std::string(kExpected));
        readPasted(text.substr(0, text.size() / 2)); // half of it is no end
    }

    void columnsAreGuessed() {
        const PastedMeaning meaning = guessMeaning(
            readPasted("Peripheral\ttyp (\u00b5A/MHz)\tmax (\u00b5A/MHz)\nUART 1\t3.1\t3.9\nTimer 2\t4.4\t\n"), part());
        QCOMPARE(meaning.headRows, std::size_t{1});
        QCOMPARE(meaning.columns[0].means, PastedColumn::Means::name);
        QCOMPARE(meaning.columns[1].means, PastedColumn::Means::typ);
        QCOMPARE(meaning.columns[1].unit, std::string("uA/MHz"));
        QCOMPARE(meaning.columns[2].means, PastedColumn::Means::max);
        // a unit in a column of its own, and temperatures in the head
        const PastedMeaning modes = guessMeaning(
            readPasted("mode\tUnit\ttyp at 25 \u00b0C\tmax 25 \u00b0C\tmax 85 \u00b0C\ndeep\t\u00b5A\t1.9\t4\t44\n"), part());
        QCOMPARE(modes.columns[1].means, PastedColumn::Means::unit);
        QCOMPARE(modes.columns[2].celsius.at(0), std::string("25 C"));
        QCOMPARE(modes.columns[4].means, PastedColumn::Means::max);
        QCOMPARE(modes.columns[4].celsius.at(0), std::string("85 C"));
        QVERIFY(guessMeaning(readPasted(""), part()).columns.empty());
    }

    void figuresComeIntoThePart() {
        const PastedCells cells =
            readPasted("Peripheral\ttyp (\u00b5A/MHz)\tmax\nUART 1\t3.1\t3.9 \u00b5A/MHz\nTimer 2\t4.4\t-\nUART 7\t1\t2\n");
        const std::vector<PastedRow> rows = pastedRows(cells, guessMeaning(cells, part()), kPart, part(), "8");
        QCOMPARE(rows.size(), std::size_t{3});
        QCOMPARE(rows[0].after, std::string("{ per_mhz = { typ = \"3.1 uA\", max = \"3.9 uA\" }, ref = \"8\" }"));
        QCOMPARE(rows[1].before, std::string("{ base = \"10 uA\", per_mhz = \"4 uA\" }"));
        QCOMPARE(rows[1].after, std::string("{ base = \"10 uA\", per_mhz = \"4.4 uA\", ref = \"8\" }"));
        QCOMPARE(std::string(rows[2].unclear), std::string("nothing is called 'UART 7'"));
        const std::string next = withPasted(kPart, rows);
        const Part read = part(next);
        QCOMPARE(propertySaid(next, "uart1", "draws"), rows[0].after);
        QVERIFY(read.peripherals[0].draws.has_value());
        QVERIFY(next.find("# as trimmed") != std::string::npos && next.find("# the slow one") != std::string::npos);
        for (const PastedRow& row : pastedRows(cells, guessMeaning(cells, part()), next, read, "8")) {
            QVERIFY(!row.unclear.empty()); // a second time nothing is left to be done
        }
    }

    void modesOverTemperatureAndStartUps() {
        const PastedCells cells =
            readPasted("mode\tUnit\ttyp at 25 \u00b0C\tmax 25 \u00b0C\tmax 85 \u00b0C\ndeep\t\u00b5A\t1.9\t4\t44\n");
        const std::vector<PastedRow> rows = pastedRows(cells, guessMeaning(cells, part()), kPart, part(), "");
        QCOMPARE(rows[0].after,
                 std::string("{ typ = [[\"25 C\", \"1.9 uA\"]], max = [[\"25 C\", \"4 uA\"], [\"85 C\", \"44 uA\"]] }"));
        const Part read = part(withPasted(kPart, rows));
        QVERIFY(read.modes[1].draws.has_value());
        const PastedCells times = readPasted("what;typ;max\nquick RC;2.5 \u00b5s;4 \u00b5s\n");
        const auto startups = pastedRows(times, guessMeaning(times, part()), kPart, part(), "");
        QCOMPARE(startups[0].key, std::string("startup"));
        QCOMPARE(startups[0].after, std::string("{ typ = \"2.5 us\", max = \"4 us\" }"));
        QCOMPARE(part(withPasted(kPart, startups)).sources[0].startup.max.value_or(Rational(0)), Rational(4, 1000000));
        const PastedCells limits = readPasted("line  max\nbus a  66 MHz\n");
        const auto most = pastedRows(limits, guessMeaning(limits, part()), kPart, part(), "4");
        QCOMPARE(most[0].after, std::string("{ max = \"66 MHz\", ref = \"4\" }"));
        QCOMPARE(part(withPasted(kPart, most)).lines[1].limits.front().max.value_or(Rational(0)), Rational(66000000));
    }

    /// What each row of a table would change in the part, "id key: after", or why not.
    static std::string changes(const std::string& table, const std::string& text) {
        const PastedCells cells = readPasted(table);
        std::string said;
        for (const PastedRow& row : pastedRows(cells, guessMeaning(cells, part(text)), text, part(text), "")) {
            said += row.unclear.empty() ? row.id + " " + row.key + ": " + row.after + "\n" : std::string(row.unclear) + "\n";
        }
        return said;
    }
    static std::string pasted(const std::string& table, const std::string& text) {
        const PastedCells cells = readPasted(table);
        return withPasted(text, pastedRows(cells, guessMeaning(cells, part(text)), text, part(text), ""));
    }

    void drawsAreToldByTier() {
        const std::string tiers =
            replaced(kPart, "[[source]]", "[[tier]]\neach = [{ id = \"full\" }, { id = \"half\" }]\n\n[[source]]");
        const std::string bare = replaced(tiers, "runs = true\ndraws = \"1 mA\"", "runs = true");
        const char* const list = "[{ tier = \"full\", base = \"1.2 mA\", per_mhz = \"151 uA\" }, { tier = \"half\", base = "
                                 "\"0.68 mA\", per_mhz = \"129 uA\" }]";
        for (const char* table : {"mode;draws\nrun full;1.2 mA + 151 \u00b5A/MHz\nrun half;0.68 mA + 129 \u00b5A/MHz\n",
                                  "mode;grade;typ\nrun;half;0.68 mA + 129 uA/MHz\nrun;full;1.2 mA + 151 uA/MHz\n"}) {
            const std::string next = pasted(table, bare);
            const std::string said = propertySaid(next, "run", "draws");
            QVERIFY2(said == list || elementsOfList(said).at(1) == elementsOfList(list).at(0), said.c_str());
            QCOMPARE(elementsOfList(said).size(), std::size_t{2});
            QVERIFY(part(next).modes[0].draws.has_value());
            QVERIFY(changes(table, next).find("it stands there already") != std::string::npos); // a second time
        }
        // one of them said again
        const std::string again =
            pasted("mode;tier;typ\nrun;half;0.7 mA\n", replaced(tiers, "draws = \"1 mA\"", "draws = " + std::string(list)));
        QCOMPARE(propertySaid(again, "run", "draws"), "[" + elementsOfList(list)[0] + ", { tier = \"half\", typ = \"0.7 mA\" }]");
        QVERIFY(changes("mode;tier;typ\nrun;half;1 mA\nrun;half;2 mA\n", bare).find("several rows") != std::string::npos);
    }

    /// Typical and largest on both sides of a stroke, over several temperatures; one unit for all.
    void bothSidesOfAStroke() {
        QCOMPARE(changes("| mode | draws typ 25 \u00b0C / max 25, 55, 85 \u00b0C | first instruction typ / max |\n|---|---|---|\n"
                         "| deep | 1.9 / 4, 13 \u00b5A, 2.2 mA | 7.9 / 10.2 \u00b5s on rc, or kept |\n",
                         kPart),
                 std::string("deep draws: { typ = [[\"25 C\", \"1.9 uA\"]], max = [[\"25 C\", \"4 uA\"], [\"55 C\", \"13 uA\"], "
                             "[\"85 C\", \"2.2 mA\"]] }\n"
                             "deep stages: [{ say = \"wake-up\", typ = \"7.9 us\", max = \"10.2 us\" }]\n"));
        QCOMPARE(changes("| | rate | start-up typ / max | draws typ / max | on | ready |\n|---|---|---|---|---|---|\n"
                         "| rc | 14 MHz | 2.5 / 4 \u00b5s | 95 / 130 \u00b5A | OSC.QUICK[8] | OSC.QUICK[9] |\n",
                         kPart),
                 std::string("rc field: \"OSC.QUICK[8]\"\nrc ready: \"OSC.QUICK[9]\"\n"
                             "rc draws: { typ = \"95 uA\", max = \"130 uA\" }\nrc startup: { typ = \"2.5 us\", max = \"4 us\" }\n"
                             "rc rate: \"14 MHz\"\n"));
        const Part read = part(pasted("name;rate\nquick RC;14 MHz\n", kPart));
        QCOMPARE(read.sources[0].rates.front(), Rational(14000000));
        const std::string two = pasted("mode;wake typ;wake max\ndeep;5 us;6 us\n", kPart);
        QCOMPARE(part(two).modes[1].stages.size(), std::size_t{1});
        QVERIFY(changes("mode;wake typ\ndeep;7 us\n", replaced(two, "[{ say", "[{ say = \"boot\", typ = \"1 us\" }, { say"))
                    .find("several: which is meant") != std::string::npos);
    }

    void waitStatesBecomeCases() {
        const std::string tiers =
            replaced(kPart, "[[source]]", "[[tier]]\neach = [{ id = \"full\" }, { id = \"half\" }]\n\n[[source]]");
        const char* const table = "wait states;full from 2.7 V, MHz;full below 2.7 V, MHz;half, MHz;speed\n"
                                  "0;27;22;24;100 %\n1;54;44;48;95 %\n2;-;66;-;90 %\n";
        const std::string next = pasted(table, tiers);
        const Part read = part(next);
        QCOMPARE(read.waits.size(), std::size_t{3});
        QVERIFY2(
            next.find(
                "[[wait]]\nline = \"core\"\ncases = [{ tier = \"full\", supply_at_least = \"2.7 V\", steps = [[\"27 MHz\", 0, "
                "\"100 %\"], [\"54 MHz\", 1, \"95 %\"]] }, { tier = \"full\", supply_below = \"2.7 V\", steps = [[\"22 MHz\", "
                "0, \"100 %\"], [\"44 MHz\", 1, \"95 %\"], [\"66 MHz\", 2, \"90 %\"]] }, { tier = \"half\", steps = "
                "[[\"24 MHz\", 0, \"100 %\"], [\"48 MHz\", 1, \"95 %\"]] }]\n") != std::string::npos,
            next.c_str());
        QVERIFY(changes(table, next).find("it stands there already") == 0);
        // those that stand there are said otherwise; their field stays
        const std::string old =
            std::string(kPart) + "\n[[wait]]\nline = \"core\"\nsteps = [[\"8 MHz\", 0]] # up to\nfield = \"MEM.WAIT[3:0]\"\n";
        const std::string other = pasted("waits;max\n0;4 MHz\n1;8 MHz\n", old);
        QVERIFY2(other.ends_with("line = \"core\"\ncases = [{ steps = [[\"4 MHz\", 0], [\"8 MHz\", 1]] }] # up to\nfield = "
                                 "\"MEM.WAIT[3:0]\"\n"),
                 other.c_str());
        QCOMPARE(part(other).waits.size(), std::size_t{1});
    }

    void pinsComeBySignalOrByPin() {
        QCOMPARE(
            changes("signal;pins\nUART1_TX;A9, B6 or C4\nuart1 rx;A10\nuart7 tx;A1\n", kPart),
            std::string(
                "uart1 pins: { tx = [\"A9\", \"B6\", \"C4\"] }\nuart1 pins: { tx = [\"A9\", \"B6\", \"C4\"], rx = [\"A10\"] }\n"
                "'uart7 tx' is no signal of a peripheral\n"));
        const std::string next = pasted("pin\tfunction\nA9\tuart1 tx\nB6\tuart1 tx, timer2 ch1\nB7\tuart1 rx\n", kPart);
        QCOMPARE(propertySaid(next, "uart1", "pins"), std::string("{ tx = [\"A9\", \"B6\"], rx = [\"B7\"] }"));
        QCOMPARE(propertySaid(next, "timer2", "pins"), std::string("{ ch1 = [\"B6\"] }"));
    }

    /// What was left open as a remark, and accepted as unknown, is told where it stands.
    void whatWasLeftOpenIsTold() {
        const std::string open =
            replaced(kPart, "rate = \"8 MHz\" # as trimmed\nstartup = \"2 us\"\n",
                     "rate = \"8 MHz\"\naccept = { \"no draw\" = \"not yet\", \"no start-up\" = \"not yet\", \"no tolerance\" = "
                     "\"not yet\" }\n# startup = \"1 us\" of a sample\n# field = \"OSC.ON[0]\"\n");
        const std::string next = pasted("name;start-up;draws\nrc;2 us;90 uA\n", open);
        QVERIFY2(next.find("accept = { \"no tolerance\" = \"not yet\" }\nstartup = { typ = \"2 us\" }\n# field = "
                           "\"OSC.ON[0]\"\ndraws = { typ = "
                           "\"90 uA\" }\n") != std::string::npos,
                 next.c_str());
        const std::string crystal =
            replaced(kPart, "kind = \"rc\"\nrate = \"8 MHz\" # as trimmed", "kind = \"crystal\"\nrange = [\"1 MHz\", \"2 MHz\"]");
        QCOMPARE(propertySaid(pasted("name;rate\nrc;32.768 kHz\n", crystal), "rc", "range"),
                 std::string("[\"32.768 kHz\", \"32.768 kHz\"]"));
    }

    void whatIsUnclearStaysOut() {
        const auto why = [](const std::string& text) {
            const PastedCells cells = readPasted(text);
            return std::string(pastedRows(cells, guessMeaning(cells, part()), kPart, part(), "").back().unclear);
        };
        QCOMPARE(why("name;typ\nUART 1;3.1\n"), std::string("'3.1' has no unit"));
        QCOMPARE(why("name;typ\nUART 1;-\n"), std::string("no figure stands there"));
        QCOMPARE(why("name;typ\nUART 1;3 us\n"), std::string("a peripheral has no start-up"));
        QCOMPARE(why("name;typ\nUART 1;3 uA\nuart1;4 uA\n"), std::string("several rows say something of uart1"));
        const std::string tiered = replaced(kPart, "draws = { base = \"10 uA\", per_mhz = \"4 uA\" }",
                                            "draws = [{ per_mhz = \"4 uA\", of = \"bus_a\" }]");
        const PastedCells cells = readPasted("name;typ\ntimer2;4 uA\n");
        QCOMPARE(std::string(pastedRows(cells, guessMeaning(cells, part(tiered)), tiered, part(tiered), "")[0].unclear),
                 std::string("its draws are told in a list, by tier or control"));
    }
};

QTEST_APPLESS_MAIN(CorePasted)
#include "core_pasted.moc"
