#include "promise/spi.h"

#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

SpiKind port(const FactorSet& divide) {
    SpiKind spi;
    spi.divide = divide;
    return spi;
}

} // namespace

/// Serial ports with a clock line: the fastest divider that nobody is too slow for.
class CoreSpi : public QObject {
    Q_OBJECT

private slots:
    void handCheckedRows_data() {
        QTest::addColumn<std::string>("clock");
        QTest::addColumn<std::string>("most");
        QTest::addColumn<std::string>("portMost");
        QTest::addColumn<std::string>("state");
        QTest::addColumn<int>("divide");
        QTest::addColumn<std::string>("why");
        const auto row = [](const char* clock, const char* most, const char* portMost, const char* state, int divide,
                            const char* why) {
            QTest::addRow("%s from %s, port %s", most, clock, portMost)
                << std::string(clock) << std::string(most) << std::string(portMost) << std::string(state) << divide
                << std::string(why);
        };
        row("160000000", "100000000", "", "kept", 2, "");
        row("160000000", "80000000", "", "kept", 2, ""); // just at it
        row("160000000", "79999999", "", "kept", 3, "");
        row("160000000", "100000000", "50000000", "kept", 4, "");
        row("10000000", "100000000", "", "kept", 1, "");
        row("160000000", "1000000", "", "broken", 32, "the slowest is 5 MHz, asked at most 1 MHz");
        row("160000000", "100000000", "1000000", "broken", 32, "the slowest is 5 MHz, the port's most is 1 MHz");
    }
    void handCheckedRows() {
        QFETCH(std::string, clock);
        QFETCH(std::string, most);
        QFETCH(std::string, portMost);
        QFETCH(std::string, state);
        QFETCH(int, divide);
        QFETCH(std::string, why);
        const PromiseFigure figure = judgeSpi({}, port(FactorSet::range(1, 32)), {exact(most)}, clockAt(clock),
                                              portMost.empty() ? SpiReach() : SpiReach{exact(portMost)});
        QCOMPARE(figure.why, why);
        QCOMPARE(stateName(figure.state), state);
        QCOMPARE(figure.settings[0].value, Rational(divide));
    }

    void anOddDividerHasNoEvenDuty() {
        const PromiseFigure figure = judgeSpi({}, port(FactorSet::range(1, 32)), {60000000}, clockAt("160000000"), SpiReach());
        const auto duty =
            std::find_if(figure.workings.begin(), figure.workings.end(), [](const Step& step) { return step.what == "duty"; });
        QVERIFY(duty != figure.workings.end());
        QCOMPARE(duty->numbers, std::string("2 \u00f7 3"));
    }

    void thePinnedDividerIsTaken() {
        const auto judged = [](std::int64_t divide) {
            return judgeSpi({}, port(FactorSet::list({2, 4, 8})), {100000000}, clockAt("160000000"), SpiReach(),
                            {{"divide", divide}});
        };
        QCOMPARE(judged(8).got->nominal, Rational(20000000));
        QCOMPARE(judged(3).why, std::string("the pinned way is not one that this port has"));
    }

    /// No divider is faster and kept: all of them tried.
    void noBetterWayExists() {
        Random random;
        for (int i = 0; i < 2000; ++i) {
            const FactorSet divide = random.coin()
                                         ? FactorSet::range(random.whole(1, 4), random.whole(5, 80))
                                         : FactorSet::list({random.whole(1, 9), random.whole(2, 40), random.whole(3, 200)});
            const Clock clock = clockAt(std::to_string(random.whole(1, 400) * 500000), "-1/100", "1/50");
            const Rational most(random.whole(1, 200) * 500000);
            std::optional<Rational> fastest;
            for (std::int64_t d = 0; d < *divide.size().toInt64(); ++d) {
                if (clock.hertz.max / divide.at(d) <= most) {
                    fastest = std::max(fastest.value_or(Rational(0)), clock.hertz.nominal / divide.at(d));
                }
            }
            const PromiseFigure best = judgeSpi({}, port(divide), {most}, clock, SpiReach());
            QCOMPARE(best.state == State::kept, fastest.has_value());
            if (fastest) {
                QCOMPARE(best.got->nominal, *fastest);
            }
        }
    }

    /// 160 MHz ± 40 ppm ÷ 8 is 20 MHz ± 40 ppm: within a slack of a thousandth it is kept, and without any strained.
    void aWorstCaseMayBeOverByTheSlack() {
        const Clock clock = clockAt("160000000", "-40/1000000", "40/1000000");
        const auto judged = [&](const Rational& slack) {
            return judgeSpi({}, port(FactorSet::list({8})), {20000000}, clock, SpiReach{{}, slack});
        };
        QCOMPARE(stateName(judged(Rational(1, 1000)).state), std::string("kept"));
        QCOMPARE(judged(Rational(1, 1000)).got->nominal, Rational(20000000));
        QCOMPARE(stateName(judged(Rational(1, 100000)).state), std::string("strained"));
        QCOMPARE(stateName(judged(0).state), std::string("strained"));
        const SpiReach reach{{}, Rational(1, 1000)};
        QCOMPARE(judgeSpi({}, port(FactorSet::range(1, 32)), {20000000}, clock, reach).got->nominal, Rational(20000000));
    }
};

QTEST_APPLESS_MAIN(CoreSpi)
#include "core_spi.moc"
