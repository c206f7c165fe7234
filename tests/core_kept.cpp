#include "promise/pwm.h"
#include "promise/uart.h"
#include "promise/watchdog.h"
#include "rhythm/timeline.h"
#include "small_part.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// Rests at 2 µA, wakes in 5 ms at 1 mA above that.
const char* const kSlowToWake =
    "wakes_by = [\"any\"]\nstages = [{ say = \"wake\", typ = \"5 ms\", max = \"5 ms\", draws = \"1 mA\" }]\n";

Rational averageOf(const std::string& jobs) {
    return figuresOf(readBoth(smallPart(kSlowToWake), smallPlan({}, jobs))).rhythm->average->nominal;
}

} // namespace

/// Nothing is kept that could be broken: figures that are easily too good, each by hand.
class CoreKept : public QObject {
    Q_OBJECT

private slots:
    /// 2 of 10 ms come again after 20: rest 8, wake 5, run 2, wait 3, run 2. The phase moves nothing. 5.5 ms of 10 leave 4.5, in
    /// which nothing can wake: it never rests.
    void rhythmsSettleAtTheirOwnPace() {
        for (const char* phase : {"0 s", "2.5 ms", "6 ms", "9 ms"}) {
            QCOMPARE(averageOf(jobOf("tick", "every = '10 ms'; lasts = '2 ms'; phase = '" + std::string(phase) + "'")),
                     exact("0.0020013"));
        }
        QCOMPARE(averageOf(jobOf("tick", "every = '10 ms'; lasts = '5.5 ms'; phase = '9 ms'")), exact("0.005"));
    }

    /// Of two stages the larger one is the peak, and not their mean: 2 µA + 400 µA beside a job in the resting mode.
    void eachStageIsAPeak() {
        const std::string stages =
            "wakes_by = [\"any\"]\nstages = [{ say = \"one\", typ = \"1 ms\", max = \"1 ms\", draws = \"400 uA\" }, "
            "{ say = \"two\", typ = \"1 ms\", max = \"1 ms\", draws = \"300 uA\" }]\n";
        const Figures figures =
            figuresOf(readBoth(smallPart(stages), smallPlan({}, jobOf("tick", "every = '1 s'; lasts = '1 ms'; mode = 'deep'"))));
        QCOMPARE(figures.rhythm->peak->nominal, exact("402e-6"));
    }

    /// 400 ns from 80 MHz ± 40 ppm are 32 counts: at the fastest 399.984 ns, short by less than the slack of 0.1 %. From ± 1 % it
    /// takes 33, and without any tolerance told it is strained.
    void deadTimesAtTheFastestClock() {
        TimerKind timer;
        timer.bits = 16;
        timer.prescaler = FactorSet::one(1);
        timer.counts = FactorSet::range(1, 65536);
        timer.channels = {"p"};
        timer.dead = FactorSet::range(0, 255);
        const auto judged = [&](Clock clock) {
            const PromiseFigure figure =
                judgePwm({}, {timer, 1, Rational(1, 1000)},
                         asked<DrivesAsk>("t.1 drives 20 kHz at 35 % duty within 2 %, dead 400 ns"), clock);
            return stateName(figure.state) + " " + pinnedValue(figure.settings, "dead")->toString();
        };
        QCOMPARE(judged(clockAt("80000000", "-40e-6", "40e-6")), std::string("kept 32"));
        QCOMPARE(judged(clockAt("80000000", "-1/100", "1/100")), std::string("kept 33"));
        timer.dead = FactorSet::range(0, 32);
        QCOMPARE(judged(clockAt("80000000", "-1/100", "1/100")), std::string("strained 32"));
        timer.dead = FactorSet::range(0, 31);
        QCOMPARE(judged(clockAt("80000000", "-1/100", "1/100")), std::string("broken 31"));
    }

    /// 40 MHz of 80 has two counts: 0, 50 or 100 %. 10 ppm of 4000 counts is no pulse, 1 % of 10 µs is shorter than 2 µs dead.
    void pulsesThatNeverCome() {
        TimerKind timer;
        timer.bits = 16;
        timer.prescaler = FactorSet::one(1);
        timer.counts = FactorSet::range(1, 65536);
        timer.channels = {"p"};
        timer.dead = FactorSet::range(0, 255);
        const auto why = [&](const std::string& line) {
            const PromiseFigure figure = judgePwm({}, {timer, 1}, asked<DrivesAsk>("t.1 drives " + line), clockAt("80000000"));
            return stateName(figure.state) + ": " + figure.why;
        };
        QCOMPARE(why("40 MHz at 35 % duty"), std::string("broken: the duty nearest to 35 % is 50 %, with 2 counts"));
        QVERIFY(why("20 kHz at 0.001 % duty").starts_with("broken: it never switches on"));
        QVERIFY(why("100 kHz at 1 % duty, dead 2 us").starts_with("broken: it never switches on"));
        QVERIFY(why("100 kHz at 99 % duty, dead 2 us").starts_with("broken: it never switches off"));
        QCOMPARE(why("100 kHz at 50 % duty, dead 2 us"), std::string("kept: "));
        QVERIFY(why("20 kHz at 35 % duty, steps under 0.025 %").starts_with("broken: steps of")); // 1 of 4000 is not less
    }

    /// A window that can't open so soon, one that opens much too soon, and one that is a tenth early at the most.
    void windowsOpenInTime() {
        WatchdogKind watchdog;
        watchdog.prescaler = FactorSet::one(32768);
        watchdog.counts = FactorSet::range(1, 65536);
        watchdog.hasWindow = true;
        const auto judged = [&](const std::string& line, const Clock& clock) {
            return judgeWatchdog({}, watchdog, asked<BitesAsk>("w bites " + line), clock, {});
        };
        const Clock plain = clockAt("40000000");
        // 32768 ÷ 40 MHz = 819.2 µs are the least
        QCOMPARE(judged("after 1 s within 1 %, opens after 1 us", plain).state, State::broken);
        QVERIFY(judged("after 1 s within 1 %, opens after 1 us", plain).why.starts_with("the window opens after 819.2 \u00b5s"));
        QCOMPARE(judged("after 1 s within 1 %, opens after 0.5 s", plain).state, State::kept);
        // ± 10 %: no later than 0.5 s at the slowest is 0.409 s at the fastest, more than a tenth sooner
        QCOMPARE(judged("after 1 s within 15 %, opens after 0.5 s", clockAt("40000000", "-1/10", "1/10")).state, State::strained);
    }

    /// What a receiver over one tick a bit stands is not nothing, but not told: unknown, and never kept for that.
    void oneTickABitStandsSomething() {
        const UartFrame frame;
        QVERIFY(defaultUartTolerance(frame, 1).sign() > 0);
        UartKind uart;
        uart.modes = {{1, FactorSet::range(1, 65535)}};
        const PromiseFigure figure =
            judgeUart({}, uart, asked<TalksAsk>("u talks 9600"), clockAt("9600000", "-1/1000", "1/1000"));
        QCOMPARE(figure.state, State::strained);
        QCOMPARE(figure.why, std::string("unknown: how the port samples a bit without oversampling"));
        // 9600 from 32768 Hz: 3.41 ticks a bit, edges off by a tick each
        UartKind slow;
        slow.modes = {{1, FactorSet::range(1, 256, Rational(1, 16))}};
        QVERIFY(judgeUart({}, slow, asked<TalksAsk>("u talks 9600"), clockAt("32768")).state != State::kept);
    }

    /// A play that is cut: what it leaves out widens the average. Periods of 59, 61 and 67 s and more than 100000 runs until they
    /// repeat.
    void aCutPlayHasBounds() {
        std::string jobs;
        for (const char* period : {"0.59", "0.61", "0.67", "0.71", "0.73"}) {
            jobs += jobOf("j" + std::string(period).substr(2), "every = '" + std::string(period) + " s'; lasts = '1 ms'");
        }
        const Figures figures = figuresOf(readBoth(smallPart(kSlowToWake), smallPlan({}, jobs)));
        QVERIFY(!figures.rhythm->isWhole);
        QVERIFY(lines(figures.findings).find("the jobs repeat only after more than 100000 runs") != std::string::npos);
        // each run wakes by itself at the most: 1 ms at 5 mA, 5 ms at 1.002 mA, and waits no longer than a rest must be to pay
        Rational perSecond;
        for (const char* period : {"0.59", "0.61", "0.67", "0.71", "0.73"}) {
            perSecond += 1 / exact(period);
        }
        const Rational jobs5 = perSecond * exact("0.001") * exact("0.005");
        const Rational most =
            jobs5 + perSecond * exact("0.005") * exact("0.001002") + perSecond * exact("0.005") * exact("0.005") + exact("2e-6");
        QVERIFY(figures.rhythm->average->max >= jobs5 + perSecond * exact("0.005") * exact("0.001002"));
        QVERIFY(figures.rhythm->average->max <= most);
        QVERIFY(figures.rhythm->average->nominal < figures.rhythm->average->max);
    }
};

QTEST_APPLESS_MAIN(CoreKept)
#include "core_kept.moc"
