#include "bench/rate_sweep.h"
#include "bench/scpi_board.h"
#include "bench/vcd.h"
#include "support.h"

#include <QTest>

#include <random>

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// A line of 1 kHz that is high for a quarter of each period, one that stands, and a supply of 2 mA.
Capture recorded() {
    Capture capture;
    capture.name = "simulated board, seed 7";
    capture.tick = Rational(1, 1'000'000);
    capture.end = 100'000;
    Track pulse{"pulse", {}};
    Track still{"still", {}};
    pulse.edges.add(0, LogicLevel::low);
    still.edges.add(0, LogicLevel::low);
    for (std::int64_t i = 0; i < 100; ++i) {
        pulse.edges.add(500 + i * 1000, LogicLevel::high);
        pulse.edges.add(750 + i * 1000, LogicLevel::low);
    }
    capture.tracks.push_back(std::move(pulse));
    capture.tracks.push_back(std::move(still));
    capture.values.push_back({"supply", "A", {0}, {2e-3}});
    return capture;
}

double number(const std::string& answer) {
    return QString::fromStdString(answer).toDouble();
}

} // namespace

class CoreScpi : public QObject {
    Q_OBJECT

private slots:
    void headersAreShortOrLong() {
        for (const char* good : {"MEASure:FREQuency?", "MEAS:FREQ?", "meas:frequency?", ":Measure:Freq?"}) {
            QVERIFY2(isHeader(good, "MEASure:FREQuency?"), good);
        }
        for (const char* bad : {"MEASU:FREQ?", "MEAS:FREQ", "MEAS:FRE?", "FREQ?", "MEAS:FREQ:X?"}) {
            QVERIFY2(!isHeader(bad, "MEASure:FREQuency?"), bad);
        }
        QVERIFY(isHeader("syst:err?", "SYSTem:ERRor[:NEXT]?") && isHeader("SYST:ERR:NEXT?", "SYSTem:ERRor[:NEXT]?"));
        QVERIFY(!isHeader("SYST:ERR:LAST?", "SYSTem:ERRor[:NEXT]?"));
    }

    void blocksOfDefiniteLength() {
        QCOMPARE(definiteBlock("abc"), std::string("#13abc"));
        QCOMPARE(definiteBlock(std::string(123, 'x')).substr(0, 5), std::string("#3123"));
        for (std::size_t size : {std::size_t{0}, std::size_t{9}, std::size_t{10}, std::size_t{4321}}) {
            const std::string bytes(size, '\n');
            const std::string block = definiteBlock(bytes);
            QCOMPARE(blockContent(block).value_or("?"), bytes);
            QVERIFY(size == 0 || !blockContent(std::string_view(block).substr(0, block.size() - 1)));
        }
        for (const char* none : {"", "#", "#0", "1.5", "#x12", "#2a1"}) {
            QVERIFY2(!blockContent(none), none);
        }
    }

    /// The common commands as IEEE 488.2 has them, and the queue of errors as SCPI-99.
    void commonCommands() {
        ScpiBoard board(std::make_shared<const Capture>(recorded()));
        QCOMPARE(board.answer("*IDN?"), std::string("Wise Tick,simulated board,7,1"));
        QCOMPARE(board.answer("*ESR?"), std::string("128")); // it was switched on
        QCOMPARE(board.answer("*OPC?"), std::string("1"));
        QCOMPARE(board.answer("*TST?"), std::string("0"));
        QCOMPARE(board.answer("*ESE 32;*ESE?"), std::string("32"));
        QCOMPARE(board.answer("SYST:ERR?"), std::string("0,\"No error\""));
        QCOMPARE(board.answer("BEEP"), std::string());
        QCOMPARE(board.answer("*STB?"), std::string("36")); // an error waits, and its event is enabled
        QVERIFY(board.answer("SYSTem:ERRor:NEXT?").starts_with("-113,\"Undefined header"));
        QCOMPARE(board.answer("*ESR?;*STB?"), std::string("32;0"));
        QVERIFY(board.answer("FETC?;:SYST:ERR?").starts_with("-230"));
        QVERIFY(board.answer("MEAS:FREQ? (@9);SYST:ERR?").starts_with("-224"));
        QVERIFY(board.answer("*ESE 999;SYST:ERR?").starts_with("-222"));
        for (int i = 0; i < 30; ++i) {
            board.answer("NONSENSE");
        }
        int errors = 0;
        std::string last;
        for (std::string each; (each = board.answer("SYST:ERR?")) != "0,\"No error\""; last = each) {
            ++errors;
        }
        QCOMPARE(errors, 20);
        QVERIFY(last.starts_with("-350"));
        board.answer("NONSENSE");
        QCOMPARE(board.answer("*CLS;SYST:ERR?"), std::string("0,\"No error\""));
        QCOMPARE(board.answer("SYST:VERS?"), std::string("1999.0"));
    }

    /// By hand: 1 kHz, 1 ms, 250 µs, 25 per cent, 2 mA.
    void measuresByHand() {
        ScpiBoard board(std::make_shared<const Capture>(recorded()));
        QVERIFY(std::abs(number(board.answer("MEAS:FREQ? (@1)")) - 1000) < 1e-6);
        QVERIFY(std::abs(number(board.answer("MEASure:PERiod? \"pulse\"")) - 1e-3) < 1e-12);
        QVERIFY(std::abs(number(board.answer("MEAS:PWID?")) - 250e-6) < 1e-12);
        QVERIFY(std::abs(number(board.answer("MEAS:PDUT?")) - 25) < 1e-9);
        QVERIFY(std::abs(number(board.answer("MEAS:CURR?")) - 2e-3) < 1e-12);
        QCOMPARE(board.answer("MEAS:FREQ? \"still\""), std::string("9.91E37")); // not a number
        QVERIFY(board.answer("MEAS:CURR? (@1);SYST:ERR?").starts_with("-224")); // a pin is no supply
        QCOMPARE(board.answer("CONF:PER (@1);CONF?"), std::string("\"PERiod (@1)\""));
        QVERIFY(board.answer("FETC?;SYST:ERR?").starts_with("-230")); // nothing was read yet
        QVERIFY(std::abs(number(board.answer("READ?")) - 1e-3) < 1e-12);
        QVERIFY(std::abs(number(board.answer("FETCh?")) - 1e-3) < 1e-12);
        QVERIFY(board.answer("*RST;READ?;SYST:ERR?").starts_with("-221"));
    }

    /// A track comes as a dump in a block, and reads back as what was recorded.
    void tracksComeAsBlocks() {
        ScpiBoard board(std::make_shared<const Capture>(recorded()));
        QCOMPARE(board.answer("TRAC:CAT?"), std::string("\"pulse\",\"still\",\"supply\""));
        const auto text = blockContent(board.answer("TRACe:DATA? \"pulse\""));
        QVERIFY(text);
        VcdReader reader("block");
        reader.feed(*text);
        const Capture read = reader.finish();
        QVERIFY(read.diagnostics.empty() && read.tracks.size() == 1);
        QCOMPARE(read.tracks[0].edges.size(), std::size_t{201});
        QCOMPARE(read.tick * Rational(read.tracks[0].edges.at(2).tick), Rational(750, 1'000'000));
    }

    /// The rate that a sweep tells holds the true one, for forms of all kinds, and is told to half a step or so.
    void sweepsTellTheRate() {
        std::mt19937_64 random(17);
        for (int i = 0; i < 150; ++i) {
            UartFrame frame;
            frame.dataBits = 8;
            frame.parity = "NEO"[random() % 3];
            frame.stopBits = 1 + static_cast<int>(random() % 2);
            const Rational sent = Rational(115'200) * Rational(static_cast<std::int64_t>(9400 + random() % 1200), 10'000);
            const std::string text = "wise tick 0123456789\r\n";
            std::vector<RateTried> tried;
            for (int step = -40; step <= 40; ++step) {
                const Rational rate = Rational(115'200) * Rational(1000 + 4 * step, 1000);
                const std::string heard = heardAt(text, frame, sent, rate);
                tried.push_back({rate, heard == text});
            }
            const MeasuredFigure told = rateBySweep(tried, frame);
            QVERIFY2(told.value, told.why.c_str());
            QVERIFY2(told.value->min <= sent && sent <= told.value->max, qPrintable(QString("%1 … %2, sent %3")
                                                                                        .arg(told.value->min.toDouble())
                                                                                        .arg(told.value->max.toDouble())
                                                                                        .arg(sent.toDouble())));
            QVERIFY((told.value->max / told.value->min).toDouble() < 1.02);
        }
    }

    void sweepsThatTellNothingSaySo() {
        QVERIFY(QString::fromStdString(rateBySweep({{Rational(9600), false}}, {}).why).contains("at none"));
        QVERIFY(QString::fromStdString(rateBySweep({{Rational(9600), true}, {Rational(9700), false}}, {}).why)
                    .contains("begin lower"));
        QVERIFY(
            QString::fromStdString(rateBySweep({{Rational(9500), false}, {Rational(9600), true}}, {}).why).contains("go higher"));
        QCOMPARE(heardAt("AT", {}, 9600, 9600), std::string("AT"));
        QVERIFY(heardAt("wise tick", {}, 9600, 19200) != "wise tick");
    }
};

QTEST_GUILESS_MAIN(CoreScpi)
#include "core_scpi.moc"
