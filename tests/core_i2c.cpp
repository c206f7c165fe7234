#include "promise/i2c.h"

#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

I2cKind port() {
    I2cKind bus;
    bus.prescaler = FactorSet::range(1, 16);
    bus.low = FactorSet::range(1, 256);
    bus.high = FactorSet::range(1, 256);
    bus.fixedLow = 3;
    bus.fixedHigh = 4;
    bus.fastest = Rational(1000000);
    return bus;
}

BusAsk askOf(const std::string& line) {
    return readPromiseLine("i2c1 talks " + line)->ask.get<BusAsk>();
}

std::string settingsText(const PromiseFigure& figure) {
    std::string text;
    for (const Setting& setting : figure.settings) {
        text += (text.empty() ? "" : " ") + setting.value.toString();
    }
    return text;
}

} // namespace

/// The bus with clock and data: phases, edges, grades.
class CoreI2c : public QObject {
    Q_OBJECT

private slots:
    void handCheckedRows_data() {
        QTest::addColumn<std::string>("ask");
        QTest::addColumn<std::string>("clock");
        QTest::addColumn<std::string>("state");
        QTest::addColumn<std::string>("settings"); // prescaler, low, high
        QTest::addColumn<std::string>("got");
        QTest::addColumn<std::string>("why");
        const auto row = [](const char* ask, const char* clock, const char* state, const char* settings, const char* got,
                            const char* why) {
            QTest::addRow("%s of %s", ask, clock) << std::string(ask) << std::string(clock) << std::string(state)
                                                  << std::string(settings) << std::string(got) << std::string(why);
        };
        // 40 MHz: high 0.6 us are 24 cycles, 20 counts; both are 100 cycles, so low is 73 counts
        row("400 kHz", "40000000", "kept", "1 73 20", "400000", "");
        // it may not be too fast without the edges either, which are the longest that occur: 4.8 and 5.6 cycles more than 100
        row("400 kHz with 120 ns rise", "40000000", "kept", "1 73 20", "50000000/131", "");
        row("400 kHz with 120 ns rise with 20 ns fall", "40000000", "kept", "1 73 20", "12500000/33", "");
        row("400 kHz with 900 ns fall", "40000000", "broken", "", "", "a fall of 900 ns is longer than the 300 ns of fast mode");
        row("400 kHz pulled by 2.2 kohm into 2 nF", "40000000", "broken", "", "",
            "a load of 2 nF is more than the 400 pF of fast mode");
        // 9 cycles at the least, of which 5 for the high phase
        row("400 kHz", "1000000", "broken", "1 1 1", "1000000/9", "\u2248111.11 kHz, less than half of the 400 kHz asked");
        // 0.26 us of high are 10.4 cycles, 7 counts; 0.5 us of low are 20; both are 40 cycles
        row("1 MHz", "40000000", "kept", "1 26 7", "1000000", "");
        // 4 us of high are 32 cycles of 8 MHz, 28 counts; both are 80
        row("100 kHz", "8000000", "kept", "1 45 28", "100000", "");
        row("400 kHz with 400 ns rise", "40000000", "broken", "", "",
            "a rise of 400 ns is longer than the 300 ns of fast mode: stronger pull-ups, or a shorter bus");
        row("1.2 MHz", "40000000", "broken", "", "", "this port drives the bus to 1 MHz only");
        // 2.4 us at most behind the largest prescaler and counts: 16 x 512 + 7 cycles of 800 MHz are 10.2 us
        row("50 kHz", "800000000", "broken", "16 256 256", "800000000/8199", "\u224897.573 kHz, asked at most 50 kHz");
    }
    void handCheckedRows() {
        QFETCH(std::string, ask);
        QFETCH(std::string, clock);
        QFETCH(std::string, state);
        QFETCH(std::string, settings);
        QFETCH(std::string, got);
        QFETCH(std::string, why);
        const PromiseFigure figure = judgeI2c({}, port(), askOf(ask), clockAt(clock));
        QCOMPARE(figure.why, why);
        QCOMPARE(stateName(figure.state), state);
        QCOMPARE(settingsText(figure), settings);
        QVERIFY(got.empty() ? !figure.got.has_value() : figure.got->nominal == exact(got));
    }

    /// 3 mA at 0.4 V: (3.3 V − 0.4 V) ÷ 3 mA are 967 Ω at least; fast plus has 20 mA, 145 Ω.
    void aStrongPullUpCanNotBePulledDown() {
        const auto judged = [](const char* ask) {
            return judgeI2c({}, port(), askOf(ask), clockAt("40000000"), {}, Detail::result, exact("3.3"));
        };
        QCOMPARE(
            judged("400 kHz pulled by 100 ohm into 100 pF").why,
            std::string("a pull-up of 100 \u03a9 is less than the \u2248966.67 \u03a9 that fast mode can pull down at 3.3 V"));
        QCOMPARE(stateName(judged("400 kHz pulled by 1 kohm into 100 pF").state), std::string("kept"));
        QCOMPARE(stateName(judged("1 MHz pulled by 150 ohm into 100 pF").state), std::string("kept"));
    }

    void aPortThatIsTooSlowIsSaid() {
        I2cKind slow = port();
        slow.fastest = Rational(400000);
        QCOMPARE(judgeI2c({}, slow, askOf("1 MHz"), clockAt("40000000")).why,
                 std::string("this port drives the bus to 400 kHz only"));
    }

    /// Both phases must be long enough where the clock is fastest.
    void cornersCount() {
        const Clock rc = clockAt("40000000", "-1/100", "1/50");
        const PromiseFigure figure = judgeI2c({}, port(), askOf("400 kHz"), rc);
        QCOMPARE(figure.state, State::kept);
        const Rational prescaler = figure.settings[0].value;
        QVERIFY((prescaler * figure.settings[2].value + 4) / rc.hertz.max >= exact("600e-9"));
        QVERIFY(figure.got->max <= 400000);
        const PromiseFigure pinned = judgeI2c({}, port(), askOf("400 kHz"), rc, {{"prescaler", 1}, {"low", 75}, {"high", 20}});
        QCOMPARE(pinned.state, State::strained); // 24 cycles of 40.8 MHz
        QCOMPARE(pinned.why, std::string("high for \u2248588.24 ns in the worst case, fast mode needs 600 ns"));
    }

    /// No setting is faster and kept: all of a small port tried.
    void noBetterWayExists() {
        Random random;
        int kept = 0;
        for (int i = 0; i < 300; ++i) {
            I2cKind bus = port();
            bus.prescaler = FactorSet::range(1, random.whole(1, 4));
            bus.low = FactorSet::range(1, random.whole(8, 40));
            bus.high = FactorSet::range(1, random.whole(8, 40));
            bus.fixedLow = random.whole(0, 4);
            bus.fixedHigh = random.whole(0, 4);
            BusAsk ask;
            ask.hertz = random.pick(std::vector<Rational>{50000, 100000, 250000, 400000, 800000, 1000000});
            const I2cGrade grade = *i2cGrade(ask.hertz);
            ask.rise = random.coin() ? std::optional(grade.longestRise / random.whole(1, 5)) : std::nullopt;
            const Clock clock = clockAt(std::to_string(random.whole(2, 60) * 1000000), "-1/200", "1/100");
            std::optional<Rational> fastest;
            for (std::int64_t p = 1; p <= *bus.prescaler.size().toInt64(); ++p) {
                for (std::int64_t low = 1; low <= *bus.low.size().toInt64(); ++low) {
                    for (std::int64_t high = 1; high <= *bus.high.size().toInt64(); ++high) {
                        const Rational lowCycles = Rational(p) * low + bus.fixedLow;
                        const Rational highCycles = Rational(p) * high + bus.fixedHigh;
                        const Rational edge = ask.rise.value_or(Rational(0));
                        // as fast as with no edge at all, as slow as with the longest
                        const auto rate = [&](const Rational& hertz, const Rational& rises) {
                            return 1 / ((lowCycles + highCycles) / hertz + rises);
                        };
                        if (lowCycles / clock.hertz.max >= grade.low && highCycles / clock.hertz.max >= grade.high &&
                            rate(clock.hertz.max, 0) <= ask.hertz && rate(clock.hertz.min, edge) >= ask.hertz / 2) {
                            fastest = std::max(fastest.value_or(Rational(0)), rate(clock.hertz.nominal, edge));
                        }
                    }
                }
            }
            const PromiseFigure best = judgeI2c({}, bus, ask, clock);
            QCOMPARE(best.state == State::kept, fastest.has_value());
            if (fastest) {
                QCOMPARE(best.got->nominal, *fastest);
                ++kept;
            }
        }
        QVERIFY(kept > 50);
    }

    /// What is judged without listing all is the first of the list.
    void theBestIsTheFirstOfAll() {
        Random random;
        for (int round = 0; round < 200; ++round) {
            const Clock clock = clockAt(std::to_string(random.whole(1, 100) * 1000000), "-1/50", "1/50");
            BusAsk ask{random.pick(std::vector<std::int64_t>{50000, 100000, 333333, 400000, 1000000}), std::nullopt,
                       std::nullopt};
            if (random.coin()) {
                ask.rise = powerOfTen(-9) * random.whole(1, 120);
            }
            const PromiseFigure figure = judgeI2c({}, port(), ask, clock);
            const auto ways = i2cWays(port(), ask, clock);
            QCOMPARE(stateName(figure.state), stateName(ways.front().state));
            QCOMPARE(figure.got->nominal, ways.front().got.nominal);
            QVERIFY(figure.settings == ways.front().settings);
        }
    }

    /// Fast mode of 40 MHz: data stands 120 + 100 ns before the clock rises, 8.8 cycles, and holds 20 ns over its fall, 0.8.
    void setUpAndHoldAreSet() {
        I2cKind bus = port();
        bus.setup = FactorSet::range(1, 16);
        bus.hold = FactorSet::range(1, 16);
        const PromiseFigure figure = judgeI2c({}, bus, askOf("400 kHz with 120 ns rise with 20 ns fall"), clockAt("40000000"));
        QCOMPARE(stateName(figure.state), std::string("kept"));
        QCOMPARE(settingsText(figure), std::string("1 73 20 9 1"));
        bus.setup = FactorSet::range(1, 4); // too few behind the least prescaler, so a larger one is taken
        const PromiseFigure larger = judgeI2c({}, bus, askOf("400 kHz with 120 ns rise"), clockAt("40000000"));
        QCOMPARE(stateName(larger.state), std::string("kept"));
        QVERIFY(larger.settings[0].value >= 3);
    }
};

QTEST_APPLESS_MAIN(CoreI2c)
#include "core_i2c.moc"
