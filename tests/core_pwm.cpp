#include "promise/pwm.h"
#include "promise/stamps.h"

#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

TimerKind timer16() {
    TimerKind timer;
    timer.bits = 16;
    timer.prescaler = FactorSet::range(1, 65536);
    timer.counts = FactorSet::range(1, 65536);
    timer.channels = {"A1", ""};
    timer.dead = FactorSet::range(1, 255);
    return timer;
}

DrivesAsk askOf(const std::string& line) {
    return readPromiseLine("timer3.1 drives " + line)->ask.get<DrivesAsk>();
}

StampsAsk stampsOf(const std::string& line) {
    return readPromiseLine("timer5 " + line)->ask.get<StampsAsk>();
}

std::string settingsText(const std::vector<Setting>& settings) {
    std::string text;
    for (const Setting& setting : settings) {
        text += (text.empty() ? "" : " ") + setting.value.toString();
    }
    return text;
}

} // namespace

/// Rates with a duty, and counters that are read as clocks.
class CorePwm : public QObject {
    Q_OBJECT

private slots:
    void handCheckedRows_data() {
        QTest::addColumn<std::string>("ask");
        QTest::addColumn<bool>("isCentred");
        QTest::addColumn<std::string>("state");
        QTest::addColumn<std::string>("settings"); // prescaler, counts, compare, dead
        QTest::addColumn<std::string>("error");
        QTest::addColumn<std::string>("why");
        const auto row = [](const char* ask, bool isCentred, const char* state, const char* settings, const char* error,
                            const char* why) {
            QTest::addRow("%s%s", ask, isCentred ? " up and down" : "")
                << std::string(ask) << isCentred << std::string(state) << std::string(settings) << std::string(error)
                << std::string(why);
        };
        // 80 MHz / 20 kHz = 4000 ticks, 35 % of them 1400
        row("20 kHz at 35 % duty", false, "kept", "1 4000 1400", "0", "");
        row("20 kHz at 35 % duty, steps under 0.1 %", false, "kept", "1 4000 1400", "0", "");
        row("20 kHz at 35 % duty", true, "kept", "1 2000 700", "0", ""); // up and down: half the counts
        row("20 kHz at 35 % duty, steps under 0.0251 %", false, "kept", "1 4000 1400", "0", "");
        row("20 kHz at 35 % duty, steps under 0.02 %", false, "broken", "1 4000 1400", "0",
            "steps of 0.025 %, asked under 0.02 %; at this rate the clock has 4000 ticks, and 5001 are needed");
        // 1 Hz: 80 000 000 = 1250 x 64000, the least prescaler whose counts fit 16 bits
        row("1 Hz at 50 % duty", false, "kept", "1250 64000 32000", "0", "");
        // 12345 Hz: 6480.4 ticks; 6480 are the nearest
        row("12345 Hz at 50 % duty", false, "broken", "1 6480 3240", "11/199989", "");
        row("12345 Hz within 0.1 % at 50 % duty", false, "kept", "1 6480 3240", "", "");
        // a third of 4000 is 1333.3
        row("20 kHz at 1/3 % duty", false, "kept", "1 4000 13", "0", "");
        row("20 kHz at 100 % duty", false, "kept", "1 4000 4000", "0", "");
        // 65536 ticks, and the compare field holds no 65536: half the counts can be all on
        row("1220.703125 Hz at 100 % duty", false, "kept", "2 32768 32768", "0", "");
        row("20 kHz at 35 % duty, dead 500 ns", false, "kept", "1 4000 1400 40", "0", "");
        row("20 kHz at 35 % duty, dead 5 us", false, "broken", "1 4000 1400 255", "0",
            "the longest dead time is 3.1875 \u00b5s, asked 5 \u00b5s");
        row("100 MHz at 50 % duty", false, "broken", "1 1 0", "-1/5",
            "faster than this timer's clock allows; the nearest is 80 MHz, \u221220 %, asked exactly");
    }
    void handCheckedRows() {
        QFETCH(std::string, ask);
        QFETCH(bool, isCentred);
        QFETCH(std::string, state);
        QFETCH(std::string, settings);
        QFETCH(std::string, error);
        QFETCH(std::string, why);
        TimerKind timer = timer16();
        timer.isCentred = isCentred;
        const PromiseFigure figure = judgePwm({}, {timer, 1}, askOf(ask), clockAt("80000000"));
        if (!why.empty() || state == "kept") {
            QCOMPARE(figure.why, why);
        }
        QCOMPARE(settingsText(figure.settings), settings);
        QCOMPARE(stateName(figure.state), state);
        QVERIFY(error.empty() || figure.error->nominal == exact(error));
    }

    void compareNeverWraps() {
        const PromiseFigure figure =
            judgePwm({}, {timer16(), 1}, askOf("1220.703125 Hz at 100 % duty"), clockAt("80000000"), {{"prescaler", 1}});
        QCOMPARE(settingsText(figure.settings), std::string("1 65536 65535"));
    }

    void channelsThatAreNotThere() {
        QCOMPARE(judgePwm({}, {timer16(), 3}, askOf("1 kHz at 50 % duty"), clockAt("80000000")).why,
                 std::string("this timer has the channels 1 to 2"));
        TimerKind none = timer16();
        none.channels.clear();
        QCOMPARE(judgePwm({}, {none, 1}, askOf("1 kHz at 50 % duty"), clockAt("80000000")).why,
                 std::string("this timer has no channels"));
        none = timer16();
        none.dead = {};
        QCOMPARE(judgePwm({}, {none, 1}, askOf("1 kHz at 50 % duty, dead 1 us"), clockAt("80000000")).why,
                 std::string("this timer has no dead time"));
    }

    void whatAFasterClockWouldBuy() {
        QCOMPARE(mostCountsAt(timer16(), 20000, 80000000), Rational(4000));
        QCOMPARE(mostCountsAt(timer16(), 1, 80000000), Rational(65536));
        QCOMPARE(mostCountsAt(timer16(), 100000000, 80000000), Rational(0));
        const PromiseFigure figure = judgePwm({}, {timer16(), 1}, askOf("20 kHz at 35 % duty"), clockAt("80000000"));
        const auto step = std::find_if(figure.workings.begin(), figure.workings.end(),
                                       [](const Step& each) { return each.what == "finest at this rate"; });
        QVERIFY(step != figure.workings.end());
        QCOMPARE(step->numbers, std::string("4000 counts, 11.97 bits; twice the clock: 8000, 12.97 bits"));
    }

    /// Against every prescaler and counts of small timers.
    void noBetterPwmExists() {
        Random random;
        for (int round = 0; round < 400; ++round) {
            TimerKind timer;
            timer.bits = 6;
            timer.channels = {""};
            timer.prescaler =
                random.coin() ? FactorSet::range(random.whole(1, 3), random.whole(4, 15)) : FactorSet::list({1, 3, 8, 12});
            timer.counts = random.coin() ? FactorSet::range(random.whole(1, 4), random.whole(5, 63)) : FactorSet::range(2, 60, 2);
            timer.isCentred = random.coin();
            const Clock clock =
                clockAt("1000", Rational(-random.whole(0, 50), 1000).toString(), Rational(random.whole(0, 50), 1000).toString());
            DrivesAsk ask;
            ask.hertz = Rational(random.whole(1, 400), random.whole(1, 4));
            ask.duty = Rational(random.whole(1, 100), 100);
            if (random.coin()) {
                ask.stepUnder = Rational(random.whole(1, 30), 100);
            }
            if (random.coin()) {
                ask.tolerance.within = Rational(random.whole(1, 200), 1000);
            }
            const PromiseFigure figure = judgePwm({}, {timer, 1}, ask, clock);
            const Way best{figure.settings, *figure.got, *figure.error, figure.state, figure.margin};
            const auto dutyError = [&](const Way& way) {
                return abs(settingOf(way, "compare1") / settingOf(way, "counts") - ask.duty);
            };
            for (std::int64_t p = 0; p < timer.prescaler.size().toInt64().value(); ++p) {
                for (std::int64_t c = 0; c < timer.counts.size().toInt64().value(); ++c) {
                    const Rational counts = timer.counts.at(c);
                    const Rational compare = std::min((ask.duty * counts).rounded(), Rational(63));
                    Way way =
                        wayThatGives({{"prescaler", timer.prescaler.at(p)}, {"counts", counts}, {"compare1", compare}},
                                     clock.hertz * (1 / (timer.prescaler.at(p) * counts * (timer.isCentred ? 2 : 1))), ask.hertz);
                    way.state = judgeTolerance(way.error, ask.tolerance, true).state;
                    if (ask.stepUnder && 1 / counts >= *ask.stepUnder) {
                        way.state = State::broken;
                    }
                    // off by a step that is allowed, else by half a per cent; and at least a count on and a count off
                    const bool isNear = dutyError(way) <= ask.stepUnder.value_or(Rational(1, 200));
                    if (!isNear || compare.isZero() || (compare >= counts && ask.duty != 1)) {
                        way.state = State::broken;
                    }
                    const int order = compareWays(best, way);
                    const std::string against = settingsText(best.settings) + " against " + settingsText(way.settings);
                    QVERIFY2(order <= 0, against.c_str());
                    QVERIFY2(order < 0 || dutyError(best) <= dutyError(way), against.c_str());
                    QVERIFY2(order < 0 || dutyError(best) < dutyError(way) || settingOf(best, "counts") >= counts,
                             against.c_str());
                }
            }
            const auto ways = pwmWays({timer, 1}, ask, clock);
            QCOMPARE(settingsText(ways.front().settings), settingsText(figure.settings));
        }
    }

    void stamps_data() {
        QTest::addColumn<std::string>("ask");
        QTest::addColumn<std::string>("clock");
        QTest::addColumn<std::string>("state");
        QTest::addColumn<std::string>("settings");
        QTest::addColumn<std::string>("why");
        const auto row = [](const char* ask, const char* clock, const char* state, const char* settings, const char* why) {
            QTest::addRow("%s of %s", ask, clock)
                << std::string(ask) << std::string(clock) << std::string(state) << std::string(settings) << std::string(why);
        };
        // 65536 counts of 1 us are 65.5 ms; an hour needs 54932 us a count
        row("wraps after at least 60 ms", "1000000", "kept", "1 65536", "");
        row("wraps after at least 1 h", "1000000", "kept", "54932 65536", "");
        row("wraps after at least 60 ms, resolves 1 us", "1000000", "kept", "1 65536", "");
        row("wraps after at least 1 h, resolves 1 us", "1000000", "broken", "1 65536",
            "wraps after 65.536 ms, asked at least 1 h");
        row("resolves 1 us", "1000000", "kept", "1 65536", "");
        row("resolves 10 us", "1000000", "kept", "10 65536", ""); // as coarse as it may be: it wraps latest
        row("resolves 100 ns", "1000000", "broken", "1 65536", "a count lasts 1 \u00b5s, asked at most 100 ns");
        row("wraps after at least 2 h", "1000000", "broken", "65536 65536", "wraps after \u22481.19304 h, asked at least 2 h");
    }
    void stamps() {
        QFETCH(std::string, ask);
        QFETCH(std::string, clock);
        QFETCH(std::string, state);
        QFETCH(std::string, settings);
        QFETCH(std::string, why);
        const PromiseFigure figure = judgeStamps({}, timer16(), stampsOf(ask), clockAt(clock));
        QCOMPARE(stateName(figure.state), state);
        if (ask.find("h, resolves") == std::string::npos && ask.find("2 h") == std::string::npos) {
            QCOMPARE(figure.why, why);
        } else {
            QVERIFY(figure.why.find("asked at") != std::string::npos);
        }
        if (ask.find("h, resolves") == std::string::npos) {
            QCOMPARE(settingsText(figure.settings), settings);
        }
    }

    void stampsAtTheCorners() {
        const Clock clock = clockAt("1000000", "-1/10", "1/10");
        // 65536 counts at the fastest 1.1 MHz are 59.58 ms
        const PromiseFigure figure = judgeStamps({}, timer16(), stampsOf("wraps after at least 60 ms"), clock);
        QCOMPARE(stateName(figure.state), std::string("kept"));
        QCOMPARE(settingsText(figure.settings), std::string("2 65536"));
        const PromiseFigure both = judgeStamps({}, timer16(), stampsOf("wraps after at least 60 ms, resolves 1.2 us"), clock);
        QCOMPARE(stateName(both.state), std::string("strained"));
        QCOMPARE(both.why, std::string("wraps after \u224859.578 ms in the worst case, asked at least 60 ms"));
    }

    /// Against every prescaler.
    void noBetterStampExists() {
        Random random;
        for (int round = 0; round < 300; ++round) {
            TimerKind timer;
            timer.bits = 8;
            timer.prescaler =
                random.coin() ? FactorSet::range(random.whole(1, 4), random.whole(5, 60)) : FactorSet::list({1, 8, 64, 256});
            timer.counts = FactorSet::range(1, 256);
            const Clock clock = clockAt("10000", Rational(-random.whole(0, 100), 1000).toString(),
                                        Rational(random.whole(0, 100), 1000).toString());
            StampsAsk ask;
            if (random.coin()) {
                ask.wrapsAfter = Rational(random.whole(1, 4000), 1000);
            }
            if (random.coin() || !ask.wrapsAfter) {
                ask.resolves = Rational(random.whole(1, 80), 10000);
            }
            const PromiseFigure figure = judgeStamps({}, timer, ask, clock);
            Rational taken;
            for (const Setting& setting : figure.settings) {
                taken = setting.name == "prescaler" ? setting.value : taken;
            }
            for (std::int64_t i = 0; i < timer.prescaler.size().toInt64().value(); ++i) {
                const Rational prescaler = timer.prescaler.at(i);
                const auto stateAt = [&](const Rational& fast, const Rational& slow) {
                    return (!ask.wrapsAfter || prescaler * 256 / fast >= *ask.wrapsAfter) &&
                           (!ask.resolves || prescaler / slow <= *ask.resolves);
                };
                const State state = stateAt(clock.hertz.max, clock.hertz.min)
                                        ? State::kept
                                        : (stateAt(clock.hertz.nominal, clock.hertz.nominal) ? State::strained : State::broken);
                const std::string against = taken.toString() + " against " + prescaler.toString();
                QVERIFY2(worseState(figure.state, state) == state, against.c_str());
                if (state == figure.state && state == State::kept) { // as fine as can be, or as long
                    QVERIFY2(ask.wrapsAfter ? taken <= prescaler : taken >= prescaler, against.c_str());
                }
            }
        }
    }
};

QTEST_APPLESS_MAIN(CorePwm)
#include "core_pwm.moc"
