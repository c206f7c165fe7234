#include "files/part_reader.h"
#include "support.h"
#include "workshop/part_edits.h"
#include "workshop/row_line.h"

#include <filesystem>

namespace fs = std::filesystem;
using namespace wisetick;

/// A thing of a part as one line that is typed over.
class CoreRowLine : public QObject {
    Q_OBJECT

    static std::string part() {
        return "format = \"wisetick-part/1\"\nid = \"p\"\nname = \"P\"\nsupply = { min = \"1.8 V\", max = \"3.6 V\" }\ncore = "
               "\"core\"\n\n[[source]]\nid = \"rc\" # inside\nkind = \"rc\"\nrate = \"8 MHz\"\n\n[[source]]\nid = \"xt\"\nkind = "
               "\"crystal\"\nrange = [\"4 MHz\", \"32 MHz\"]\ndraws = { typ = \"390 uA\", max = \"720 uA\" }\n\n[[line]]\nid = "
               "\"core\"\nfrom = [\"rc\", \"xt\"]\ndivide = { powers_of = 2, from = 0, to = 6 }\nlimit = { max = \"60 MHz\", ref "
               "= "
               "\"4\" }\n\n[[line]]\neach = [\n  { id = \"bus\", from = \"core\", divide = [1, 2, 4] }, # of the buses\n  { id = "
               "\"fast\", from = \"core\", limit = [{ max = \"10 MHz\" }, { supply_below = \"2 V\", max = \"2 MHz\" }] },\n]\n\n"
               "[[peripheral]]\nid = \"uart1\"\nkind = \"uart\"\nclock = \"bus\"\nmodes = [{ oversample = 16, divisor = { from = "
               "1, "
               "to = 65535 } }]\ndraws = { per_mhz = \"2.1 uA\", of = \"bus\" }\n\n[[mode]]\nid = \"run\"\nruns = true\n";
    }

private slots:
    void saysWhatCanBeSet() {
        QCOMPARE(rowLine(part(), "rc"), std::string("8 MHz"));
        QCOMPARE(rowLine(part(), "xt"), std::string("4 MHz … 32 MHz draws 390 uA at most 720 uA"));
        QCOMPARE(rowLine(part(), "core"), std::string("from rc, xt ÷ 2^0 … 2^6 ≤ 60 MHz"));
        QCOMPARE(rowLine(part(), "bus"), std::string("from core ÷ 1, 2, 4"));
        QCOMPARE(rowLine(part(), "fast"), std::string("from core"));
        QCOMPARE(rowLine(part(), "uart1"), std::string("from bus draws 2.1 uA/MHz"));
        QCOMPARE(rowLine(part(), "nobody"), std::string());
    }

    void takesWhatIsTyped_data() {
        QTest::addColumn<std::string>("id");
        QTest::addColumn<std::string>("line");
        QTest::addColumn<std::string>("there");
        const auto row = [](const char* id, const char* line, const char* there) {
            QTest::newRow(line) << std::string(id) << std::string(line) << std::string(there);
        };
        row("rc", "14 MHz draws 95 uA at most 130 uA", "rate = \"14 MHz\"\ndraws = { typ = \"95 uA\", max = \"130 uA\" }\n");
        row("rc", "1 MHz, 2 MHz", "kind = \"rc\"\nrates = [\"1 MHz\", \"2 MHz\"]\n");
        row("xt", "5 MHz .. 28 MHz", "range = [\"5 MHz\", \"28 MHz\"]\n\n[[line]]");
        row("core", "from rc ÷ 1, 2 >= 1 MHz <= 132 MHz",
            "from = \"rc\"\ndivide = [1, 2]\nlimit = { max = \"132 MHz\", ref = \"4\", min = \"1 MHz\" }\n");
        row("core", "from rc, xt ÷2^0…2^3", "divide = { powers_of = 2, from = 0, to = 3 }\n\n[[line]]");
        row("core", "from rc, xt * 8 ... 256 / 1 .. 8 by 1/2 ≤ 60 MHz",
            "divide = { from = 1, to = 8, step = \"1/2\" }\nlimit = { max = \"60 MHz\", ref = \"4\" }\nmultiply = { from = 8, to "
            "= "
            "256 }\n");
        row("bus", "from core ÷ 1, 2 ≤ 66 MHz",
            "{ id = \"bus\", from = \"core\", divide = [1, 2], limit = { max = \"66 MHz\" } }, # of");
        row("fast", "from core ÷ 3",
            "{ id = \"fast\", from = \"core\", limit = [{ max = \"10 MHz\" }, { supply_below = \"2 V\", "
            "max = \"2 MHz\" }], divide = 3 }");
        row("uart1", "from bus, rc draws 1 uA + 3 uA/MHz",
            "clock = [\"bus\", \"rc\"]\nmodes = [{ oversample = 16, divisor = { from = 1, to = 65535 } }]\ndraws = { base = \"1 "
            "uA\", "
            "per_mhz = \"3 uA\", of = \"bus\" }\n");
        row("uart1", "from bus", "to = 65535 } }]\n\n[[mode]]");
    }
    void takesWhatIsTyped() {
        QFETCH(std::string, id);
        QFETCH(std::string, line);
        QFETCH(std::string, there);
        const auto next = withRowLine(part(), id, line);
        QVERIFY2(next.has_value(), next ? "" : std::string(next.error().found).c_str());
        QVERIFY2(next->find(there) != std::string::npos, next->c_str());
        QVERIFY2(readPart(*next, "part").part.has_value(), next->c_str());
    }

    void saysWhatIsWrong_data() {
        QTest::addColumn<std::string>("id");
        QTest::addColumn<std::string>("line");
        QTest::addColumn<int>("position");
        QTest::newRow("a rate of a line") << std::string("bus") << std::string("8 MHz") << 0;
        QTest::newRow("no factor") << std::string("bus") << std::string("÷ 1, two") << 0;
        QTest::newRow("no rate") << std::string("bus") << std::string("÷ 1 ≤ 66 uA") << 5;
        QTest::newRow("no draw") << std::string("uart1") << std::string("from bus draws much") << 9;
        QTest::newRow("nothing behind it") << std::string("bus") << std::string("from core ÷") << 10;
        QTest::newRow("twice") << std::string("bus") << std::string("÷ 1 ÷ 2") << 5;
        QTest::newRow("no id") << std::string("bus") << std::string("from Core!") << 0;
        QTest::newRow("a limit that says more") << std::string("fast") << std::string("from core ≤ 5 MHz") << 10;
        QTest::newRow("nobody") << std::string("nobody") << std::string("÷ 1") << 0;
    }
    void saysWhatIsWrong() {
        QFETCH(std::string, id);
        QFETCH(std::string, line);
        QFETCH(int, position);
        const auto next = withRowLine(part(), id, line);
        QVERIFY(!next.has_value());
        QCOMPARE(static_cast<int>(next.error().position), position);
        QVERIFY(!next.error().found.empty());
    }

    /// What a line says is what is there: taking it as it is changes no byte of any part.
    void aLineAsItIsChangesNothing() {
        int rows = 0;
        for (const auto& entry : fs::directory_iterator(test::sourceDir() + "/parts")) {
            if (!entry.path().string().ends_with(".part.toml")) {
                continue;
            }
            const std::string text = test::fileText(entry.path().string());
            const auto part = readPart(text, "part", entry.path().parent_path().string()).part;
            QVERIFY(part.has_value());
            std::vector<std::string> ids;
            for (NodeIndex node = 0; node < part->nodeCount(); ++node) {
                ids.push_back(part->nodeId(node));
            }
            for (const Peripheral& peripheral : part->peripherals) {
                ids.push_back(peripheral.id);
            }
            for (const std::string& id : ids) {
                const std::string line = rowLine(text, id);
                const auto next = withRowLine(text, id, line);
                if (propertiesOf(text, id).empty() || id == "none") {
                    continue;
                }
                QVERIFY2(next.has_value(), (id + ": " + line).c_str());
                QVERIFY2(*next == text, (id + ": " + line).c_str());
                rows += line.empty() ? 0 : 1;
            }
        }
        QVERIFY2(rows > 150, std::to_string(rows).c_str());
    }
};

QTEST_APPLESS_MAIN(CoreRowLine)
#include "core_row_line.moc"
