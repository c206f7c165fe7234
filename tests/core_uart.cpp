#include "promise/uart.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

const FactorSet kWhole = FactorSet::range(1, 4095);
const FactorSet kSixteenths = FactorSet::range(1, 4095, Rational(1, 16));

UartKind port(const std::string& name) {
    if (name == "whole in both") {
        return {{{16, kWhole}, {8, kWhole}}};
    }
    if (name == "sixteenths over 16") {
        return {{{16, kSixteenths}}};
    }
    return {{{16, kSixteenths}, {8, kSixteenths}}};
}

std::string settingsText(const Way& way) {
    return "over " + settingOf(way, "oversample").toString() + " by " + settingOf(way, "divisor").toString();
}

} // namespace

class CoreUart : public QObject {
    Q_OBJECT

private slots:
    /// By hand: 40 MHz ÷ (8 × 5) = 1 000 000, and so on. Error as a fraction of the rate asked.
    void bestWays_data() {
        QTest::addColumn<std::string>("port");
        QTest::addColumn<std::string>("hertz");
        QTest::addColumn<std::string>("asked");
        QTest::addColumn<std::string>("best");
        QTest::addColumn<std::string>("error");
        const auto row = [](const char* name, const char* port, const char* hertz, const char* asked, const char* best,
                            const char* error) {
            QTest::newRow(name) << std::string(port) << std::string(hertz) << std::string(asked) << std::string(best)
                                << std::string(error);
        };
        row("whole divisors at 40 MHz: +8.507 %", "whole in both", "40000000", "921600", "over 8 by 5", "49/576");
        row("sixteenths over 16: +0.937 %", "sixteenths over 16", "40000000", "921600", "over 16 by 43/16", "29/3096");
        row("sixteenths in both: -0.223 %", "sixteenths in both", "40000000", "921600", "over 8 by 87/16", "-7/3132");
        row("whole divisors at 80 MHz: -1.357 %", "whole in both", "80000000", "921600", "over 8 by 11", "-43/3168");
        row("exact, the higher oversampling of equals", "whole in both", "16000000", "500000", "over 16 by 2", "0");
        row("115200 from 16 MHz", "whole in both", "16000000", "115200", "over 8 by 17", "13/612");
        row("slower than the largest divisor", "whole in both", "80000000", "100", "over 16 by 4095", "9181/819");
        row("faster than the clock", "whole in both", "1000000", "921600", "over 8 by 1", "-3983/4608");
    }
    void bestWays() {
        QFETCH(std::string, port);
        QFETCH(std::string, hertz);
        QFETCH(std::string, asked);
        QFETCH(std::string, best);
        QFETCH(std::string, error);
        const auto ways = uartWays(::port(port), {exact(asked), {}, {}}, clockAt(hertz));
        QCOMPARE(settingsText(ways.front()), best);
        QCOMPARE(ways.front().error.nominal, exact(error));
    }

    void theNearestOverSixteenIsListedToo() {
        const auto ways = uartWays(port("whole in both"), {921600, {}, {}}, clockAt("40000000"));
        const auto found =
            std::find_if(ways.begin(), ways.end(), [](const Way& way) { return settingsText(way) == "over 16 by 3"; });
        QVERIFY(found != ways.end());
        QCOMPARE(found->error.nominal, exact("-331/3456")); // 833 333.3 ÷ 921 600 − 1 = −9.578 %
    }

    /// −(1/2) ÷ (N − 1/2) … (1/2 − 1/over) ÷ (N − 1/2 + 1/over), N counting up to the first stop bit.
    void frameWindows_data() {
        QTest::addColumn<int>("bits");
        QTest::addColumn<bool>("hasParity");
        QTest::addColumn<int>("oversample");
        QTest::addColumn<std::string>("low");
        QTest::addColumn<std::string>("high");
        QTest::addColumn<std::string>("tolerance");
        QTest::newRow("8N1 over 16") << 8 << false << 16 << std::string("-1/19") << std::string("7/153") << std::string("7/313");
        QTest::newRow("8N1 over 8") << 8 << false << 8 << std::string("-1/19") << std::string("3/77") << std::string("3/157");
        QTest::newRow("8E1 over 16") << 8 << true << 16 << std::string("-1/21") << std::string("7/169") << std::string("7/345");
        QTest::newRow("5N1 over 8") << 5 << false << 8 << std::string("-1/13") << std::string("3/53") << std::string("3/109");
        QTest::newRow("over 2 nothing is left")
            << 8 << false << 2 << std::string("-1/19") << std::string("0") << std::string("0");
    }
    void frameWindows() {
        QFETCH(int, bits);
        QFETCH(bool, hasParity);
        QFETCH(int, oversample);
        QFETCH(std::string, low);
        QFETCH(std::string, high);
        QFETCH(std::string, tolerance);
        const UartFrame frame{bits, hasParity ? 'E' : 'N', 1};
        const FrameWindow window = frameWindow(frame, oversample);
        QCOMPARE(window.low, exact(low));
        QCOMPARE(window.high, exact(high));
        QCOMPARE(defaultUartTolerance(frame, oversample), exact(tolerance));
    }

    void states_data() {
        QTest::addColumn<std::string>("low");
        QTest::addColumn<std::string>("high");
        QTest::addColumn<std::string>("within");
        QTest::addColumn<std::string>("state");
        QTest::addColumn<std::string>("why");
        // 80 MHz, whole: −1.357 % nominal
        QTest::newRow("all inside") << std::string("-1/10000") << std::string("1/10000") << std::string("3/200")
                                    << std::string("kept") << std::string();
        QTest::newRow("a worst case outside")
            << std::string("-1/100") << std::string("1/100") << std::string("3/200") << std::string("strained")
            << std::string("a worst case is 900 kbit/s, \u2248\u22122.344 %, asked within \u00b11.5 %");
        QTest::newRow("the nominal outside")
            << std::string("0") << std::string("0") << std::string("1/100") << std::string("broken")
            << std::string("the nearest is \u2248909.09 kbit/s, \u2248\u22121.357 %, asked within \u00b11 %");
    }
    void states() {
        QFETCH(std::string, low);
        QFETCH(std::string, high);
        QFETCH(std::string, within);
        QFETCH(std::string, state);
        QFETCH(std::string, why);
        const PromiseFigure figure =
            judgeUart({}, port("whole in both"), {921600, {}, {false, exact(within)}}, clockAt("80000000", low, high));
        QCOMPARE(stateName(figure.state), state);
        QCOMPARE(figure.why, why);
    }

    void anUnknownToleranceStrains() {
        Clock clock = clockAt("16000000");
        clock.unknown = "unknown: tolerance of xtm";
        const PromiseFigure figure = judgeUart({}, port("whole in both"), {500000, {}, {}}, clock);
        QCOMPARE(figure.state, State::strained);
        QCOMPARE(figure.why, std::string("unknown: tolerance of xtm"));
        QVERIFY(!figure.isWorstKnown);
    }

    void aPinnedWayStays() {
        const PromiseFigure figure =
            judgeUart({}, port("whole in both"), {115200, {}, {}}, clockAt("16000000"), {{"oversample", 16}, {"divisor", 9}});
        QCOMPARE(figure.settings[1].value, Rational(9));
        QCOMPARE(figure.error->nominal, exact("-23/648")); // 111 111.1 ÷ 115 200 − 1
        const PromiseFigure none =
            judgeUart({}, port("whole in both"), {115200, {}, {}}, clockAt("16000000"), {{"divisor", 5000}});
        QCOMPARE(none.state, State::broken);
        QCOMPARE(none.why, std::string("the pinned way is not one that this port has"));
    }

    /// No divisor of any mode is better than the one taken: against all of them.
    void noBetterWayExists() {
        Random random;
        for (int i = 0; i < 300; ++i) {
            const FactorSet divisors = random.coin() ? FactorSet::range(1, random.whole(2, 60))
                                                     : FactorSet::range(1, random.whole(2, 12), Rational(1, 16));
            const UartKind uart{{{16, divisors}, {8, divisors}}};
            const Clock clock =
                clockAt(std::to_string(random.whole(1, 100) * 100000), Rational(-random.whole(0, 300), 1000).toString(),
                        Rational(random.whole(0, 300), 1000).toString());
            TalksAsk ask{random.whole(1, 1000) * 1000, {}, {}};
            if (random.coin()) {
                ask.tolerance.within = Rational(random.whole(1, 400), 1000);
            } else {
                ask.tolerance.exactly = random.coin();
            }
            const Way best = uartWays(uart, ask, clock).front();
            QVERIFY(judgeUart({}, uart, ask, clock, {}, Detail::result).settings == best.settings); // without listing all
            for (const UartMode& mode : uart.modes) {
                for (std::int64_t n = 0; n < divisors.size().toInt64().value(); ++n) {
                    Way way;
                    way.got = clock.hertz * (1 / (divisors.at(n) * mode.oversample));
                    way.error = relativeError(way.got, ask.bitsPerSecond);
                    // 9.5 bits after the start edge it samples in the middle, a tick of its own late at most; of bits that are
                    // no whole ticks of the clock an edge is off by one more
                    const Rational ticks = divisors.at(n) * mode.oversample;
                    const Rational edge = ticks.isWhole() ? Rational(0) : 1 / ticks;
                    const Rational late(1, mode.oversample);
                    const Rational window =
                        std::min(Rational(1, 2), (Rational(1, 2) - late) * exact("9.5") / (exact("9.5") + late));
                    const Rational stands = std::max((window - edge) / exact("9.5"), Rational(0));
                    const Rational tolerance = ask.tolerance.within.value_or(stands / (2 + stands));
                    way.state =
                        ask.tolerance.exactly ? judgeExactly(way.error).state : judgeWithin(way.error, tolerance, true).state;
                    if (ask.tolerance.within && *ask.tolerance.within > stands) {
                        way.state = worseState(way.state, State::strained);
                    }
                    QVERIFY2(compareWays(best, way) <= 0,
                             (settingsText(best) + " against divisor " + divisors.at(n).toString()).c_str());
                }
            }
        }
    }
};

QTEST_APPLESS_MAIN(CoreUart)
#include "core_uart.moc"
