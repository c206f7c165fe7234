#include "seek/seek_line.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

/// Lines that are asked of Seek, in the window and on the command line.
class CoreSeekLine : public QObject {
    Q_OBJECT

    Part part_ = readPart(marramText(), "marram").part.value();
    std::vector<std::string> promises_{"modem", "tick"};

private slots:
    void everyKindOfLine() {
        const auto wish = readSeekLine("core = 160 MHz", part_, promises_);
        QVERIFY(wish && std::get<Wish>(*wish).hertz == 160000000);
        const auto name = readSeekLine(" modem ", part_, promises_);
        QVERIFY(name && std::get<SoughtName>(*name).promise == "modem");
        const auto only = readSeekLine("only vco, usb may change", part_, promises_);
        QVERIFY(only);
        QCOMPARE(std::get<MayChange>(*only).ids, (std::vector<std::string>{"vco", "usb"}));
        const auto crystal = readSeekLine("xtm of 8 MHz, 12 MHz", part_, promises_);
        QVERIFY(crystal);
        QCOMPARE(std::get<CrystalQuestion>(*crystal), (CrystalQuestion{"xtm", {8000000, 12000000}}));
        QCOMPARE(*readCrystalQuestion("xtm: 8 MHz, 12 MHz", part_), std::get<CrystalQuestion>(*crystal));
        QVERIFY(readCrystalQuestion("xtm", part_)->rates.size() > 5);
        QVERIFY(readMayChange("everything", part_)->ids.empty());
        QCOMPARE(*readPromiseNames("tick, modem", promises_), (std::vector<std::string>{"tick", "modem"}));
        QCOMPARE(readLifted("limits of vco", part_, Take())->what, std::string("vco"));
    }

    void whatIsWrongIsPointedAt_data() {
        QTest::addColumn<std::string>("line");
        QTest::addColumn<int>("position");
        QTest::addColumn<std::string>("say");
        QTest::newRow("an id") << std::string("only vco, usc may change") << 10
                               << std::string("no source, line or peripheral 'usc'; expected ");
        QTest::newRow("nothing") << std::string("only may change") << 15
                                 << std::string("nothing that may change; expected only pll, usb may change");
        QTest::newRow("an rc") << std::string("rcf of 8 MHz") << 0
                               << std::string("'rcf' is in the part; expected a crystal or a clock input");
        QTest::newRow("a rate") << std::string("xtm of 8 MHz, 12 apples") << 14 << std::string("");
        QTest::newRow("a wish") << std::string("cor = 1 MHz") << 0 << std::string("");
    }
    void whatIsWrongIsPointedAt() {
        QFETCH(std::string, line);
        QFETCH(int, position);
        QFETCH(std::string, say);
        const auto read = readSeekLine(line, part_, promises_);
        QVERIFY(!read);
        QVERIFY2(sayText(read.error()).starts_with(say), sayText(read.error()).c_str());
        QVERIFY2(static_cast<int>(read.error().position) >= position && read.error().position <= line.size(),
                 std::to_string(read.error().position).c_str());
    }
};

QTEST_APPLESS_MAIN(CoreSeekLine)
#include "core_seek_line.moc"
