#include "promise/adc.h"
#include "promise/calendar.h"
#include "promise/can.h"
#include "promise/delay_loop.h"
#include "promise/i2c.h"
#include "promise/line_rate.h"
#include "promise/pwm.h"
#include "promise/spi.h"
#include "promise/stamps.h"
#include "promise/timer.h"
#include "promise/uart.h"
#include "promise/watchdog.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// A promise of some kind: its windows, and its judge at a clock without spread.
struct Case {
    std::string name;
    RateWindows windows;
    std::function<State(const Rational&)> judge;
};

Clock plainClock(const Rational& hertz) {
    return {"clock", Bounds::exactly(hertz), {}};
}

FactorSet randomSet(Random& random, std::int64_t most) {
    if (random.coin()) {
        const std::int64_t from = random.whole(1, most);
        const std::int64_t step = random.whole(1, 3);
        return FactorSet::range(from, from + step * random.whole(0, most), step);
    }
    std::vector<Rational> values;
    for (std::int64_t i = random.whole(1, 5); i > 0; --i) {
        values.push_back(random.whole(1, most));
    }
    return FactorSet::list(std::move(values));
}

Tolerance randomTolerance(Random& random) {
    Tolerance tolerance;
    if (random.whole(0, 3) == 0) {
        tolerance.exactly = true;
    } else {
        tolerance.within = Rational(random.whole(1, 300), 1000);
    }
    return tolerance;
}

TimerKind randomTimer(Random& random) {
    TimerKind timer;
    timer.prescaler = randomSet(random, 8);
    timer.counts = randomSet(random, 40);
    timer.isCentred = random.coin();
    timer.channels = {"a1"};
    if (random.coin()) {
        timer.post = randomSet(random, 4);
    }
    return timer;
}

Case timerCase(Random& random) {
    const TimerKind timer = randomTimer(random);
    const Rational period(random.whole(1, 200), 100);
    if (random.coin()) {
        const FiresAsk ask{period, randomTolerance(random), random.whole(0, 4) == 0};
        return {"timer", timerRates(timer, ask),
                [=](const Rational& hertz) { return judgeTimer({}, timer, ask, plainClock(hertz), {}, Detail::result).state; }};
    }
    const bool isAtLeast = random.coin();
    const WaitsAsk ask{period, isAtLeast, isAtLeast ? Tolerance() : randomTolerance(random)};
    return {"wait", timerRates(timer, ask),
            [=](const Rational& hertz) { return judgeTimer({}, timer, ask, plainClock(hertz), {}, Detail::result).state; }};
}

Case pwmCase(Random& random) {
    const TimerKind timer = randomTimer(random);
    DrivesAsk ask;
    ask.hertz = random.whole(1, 50);
    ask.duty = Rational(1, 3);
    ask.tolerance = randomTolerance(random);
    if (random.coin()) {
        ask.stepUnder = Rational(1, random.whole(1, 60));
    }
    return {"pwm", pwmRates(timer, ask), [=](const Rational& hertz) {
                return judgePwm({}, {timer, 1}, ask, plainClock(hertz), {}, Detail::result).state;
            }};
}

Case stampCase(Random& random) {
    const TimerKind timer = randomTimer(random);
    StampsAsk ask;
    if (random.coin()) {
        ask.wrapsAfter = Rational(random.whole(1, 300), 100);
    }
    if (!ask.wrapsAfter || random.coin()) {
        ask.resolves = Rational(random.whole(1, 300), 1000);
    }
    return {"stamps", stampRates(timer, ask),
            [=](const Rational& hertz) { return judgeStamps({}, timer, ask, plainClock(hertz), {}, Detail::result).state; }};
}

Case uartCase(Random& random) {
    UartKind uart;
    uart.modes = {{16, FactorSet::range(Rational(1), Rational(20), Rational(1, 8))}, {8, randomSet(random, 30)}};
    TalksAsk ask;
    ask.bitsPerSecond = random.whole(1, 12);
    ask.tolerance = random.coin() ? Tolerance() : randomTolerance(random);
    return {"uart", uartRates(uart, ask),
            [=](const Rational& hertz) { return judgeUart({}, uart, ask, plainClock(hertz), {}, Detail::result).state; }};
}

Case adcCase(Random& random) {
    AdcKind adc;
    adc.divide = randomSet(random, 6);
    adc.sample = randomSet(random, 20);
    adc.conversion = {{12, 13}, {8, Rational(17, 2)}};
    adc.resistance = Rational(1, 100);
    adc.capacitance = Rational(random.whole(1, 40), 10);
    adc.channels = 4;
    TakesAsk ask;
    if (random.coin()) {
        ask.ohm = Rational(1, random.whole(10, 200));
    }
    ask.channels = random.whole(1, 5);
    if (random.coin()) {
        adc.start = Rational(1, 100);
        ask.onceIn = Rational(random.whole(1, 300), 100);
    } else {
        ask.samplesPerSecond = Rational(random.whole(1, 40), 4);
    }
    AdcClockSpan span;
    if (random.coin()) {
        span.min = random.whole(1, 60);
    }
    if (random.coin()) {
        span.max = random.whole(50, 400);
    }
    return {"adc", adcRates(adc, ask, span),
            [=](const Rational& hertz) { return judgeAdc({}, adc, ask, plainClock(hertz), span, {}, Detail::result).state; }};
}

Case spiCase(Random& random) {
    SpiKind spi;
    spi.divide = randomSet(random, 12);
    ClocksAsk ask;
    ask.hertz = random.whole(10, 200);
    if (random.coin()) {
        ask.reading = random.whole(1, 20);
        ask.within = Rational(random.whole(1, 100), 10);
    }
    if (random.coin()) {
        spi.shift = FactorSet::list({Rational(1, 2), 1});
    }
    if (random.coin()) {
        ask.valid = Rational(1, random.whole(5, 300));
    }
    return {"spi", spiRates(spi, ask, {}), [=](const Rational& hertz) {
                return judgeSpi({}, spi, ask, plainClock(hertz), SpiReach(), {}, Detail::result).state;
            }};
}

Case busCase(Random& random) {
    I2cKind bus;
    bus.prescaler = randomSet(random, 4);
    bus.low = FactorSet::range(1, random.whole(2, 60));
    bus.high = FactorSet::range(1, random.whole(2, 60));
    bus.fixedLow = random.whole(0, 3);
    BusAsk ask;
    ask.hertz = Rational(random.whole(20, 1000) * 1000);
    if (random.coin()) {
        ask.rise = Rational(random.whole(1, 120), 1000000000);
    }
    return {"bus", i2cRates(bus, ask),
            [=](const Rational& hertz) { return judgeI2c({}, bus, ask, plainClock(hertz), {}, Detail::result).state; }};
}

Case canCase(Random& random) {
    CanKind can;
    can.nominal = {randomSet(random, 4), FactorSet::range(2, random.whole(4, 14)), FactorSet::range(1, random.whole(2, 6)),
                   FactorSet::range(1, 4)};
    CanAsk ask;
    ask.bitsPerSecond = random.whole(10, 200);
    ask.tolerance = random.coin() ? Tolerance() : randomTolerance(random);
    return {"can", canRates(can, ask),
            [=](const Rational& hertz) { return judgeCan({}, can, ask, plainClock(hertz), {}, Detail::result).state; }};
}

Case watchdogCase(Random& random) {
    const WatchdogKind watchdog{randomSet(random, 8), randomSet(random, 40), true, {}};
    BitesAsk ask;
    ask.after = Rational(random.whole(10, 200), 100);
    if (random.coin()) {
        ask.fedEvery = ask.after * Rational(random.whole(1, 9), 10);
    }
    if (random.coin()) {
        ask.atLatest = ask.after * Rational(random.whole(10, 20), 10);
    }
    if (random.coin()) {
        ask.tolerance = randomTolerance(random);
    }
    if (random.coin()) {
        ask.opensAfter = ask.after / 4;
    }
    return {"watchdog", watchdogRates(watchdog, ask, {}), [=](const Rational& hertz) {
                return judgeWatchdog({}, watchdog, ask, plainClock(hertz), {}, {}, Detail::result).state;
            }};
}

Case calendarCase(Random& random) {
    RtcKind rtc;
    rtc.first = FactorSet::range(1, 8);
    rtc.second = FactorSet::range(1, random.whole(1, 60));
    rtc.alarm = FactorSet::list({60, 3600});
    if (random.coin()) {
        rtc.calibration = Calibration{Rational(1, 1000), -random.whole(0, 30), random.whole(0, 30)};
    }
    if (random.coin()) {
        const DriftsAsk ask{Rational(random.whole(1, 50), 1000)};
        return {"calendar", calendarRates(rtc, ask),
                [=](const Rational& hertz) { return judgeCalendar({}, rtc, ask, plainClock(hertz), {}, Detail::result).state; }};
    }
    FiresAsk ask{Rational(random.pick(std::vector<int>{60, 61, 3600, 7200})), randomTolerance(random), random.coin()};
    ask.isAlarm = true;
    return {"alarm", alarmRates(rtc, ask),
            [=](const Rational& hertz) { return judgeAlarm({}, rtc, ask, plainClock(hertz), {}, Detail::result).state; }};
}

Case loopCase(Random& random) {
    const DelayLoopKind loop{Rational(random.whole(1, 9), 2), random.whole(0, 9), randomSet(random, 40)};
    const bool isAtLeast = random.coin();
    const WaitsAsk ask{Rational(random.whole(1, 100), 100), isAtLeast, isAtLeast ? Tolerance() : randomTolerance(random)};
    return {"loop", delayLoopRates(loop, ask),
            [=](const Rational& hertz) { return judgeDelayLoop({}, loop, ask, plainClock(hertz), {}, Detail::result).state; }};
}

Case lineCase(Random& random) {
    const auto bound = static_cast<RunsAsk::Bound>(random.whole(0, 2));
    const RunsAsk ask{bound, random.whole(1, 200), bound == RunsAsk::Bound::at ? randomTolerance(random) : Tolerance()};
    return {"line", lineRates(ask),
            [=](const Rational& hertz) { return judgeLineRate({}, ask, plainClock(hertz), Detail::result).state; }};
}

/// Rates that may be right by chance, and those at and next to the ends of the windows.
std::vector<Rational> ratesToTry(Random& random, const RateWindows& windows, const Rational& most) {
    std::vector<Rational> rates;
    for (int i = 0; i < 20; ++i) {
        rates.push_back(most * Rational(random.whole(1, 100000), 100000));
    }
    for (const RateSpan& span : windows.spans(rates.front(), rates.front() * 4, 3)) {
        for (const Rational& end : {span.low, *span.high}) {
            rates.insert(rates.end(), {end, end * Rational(999999, 1000000), end * Rational(1000001, 1000000)});
        }
    }
    return rates;
}

std::string spansText(const std::vector<RateSpan>& spans) {
    std::string text;
    for (const RateSpan& span : spans) {
        text += (text.empty() ? "" : ", ") + span.low.toString() + ".." + span.high.value().toString();
    }
    return text;
}

} // namespace

/// The rates of a clock with which each kind of promise can be kept.
class CoreRateWindows : public QObject {
    Q_OBJECT

private slots:
    /// The spans are those rates that the windows contain, whatever the teeth: ascending, apart, cut to what was asked.
    void spansAreWhatIsContained() {
        Random random;
        const auto comb = [&] {
            RateComb made;
            made.low = Rational(random.whole(0, 9), 2);
            made.high = random.whole(0, 9) == 0 ? std::nullopt : std::optional(made.low + Rational(random.whole(0, 6), 4));
            if (random.whole(0, 1) == 0) {
                const Rational step(random.whole(1, 3), random.whole(1, 2));
                const Rational least = random.whole(1, 5);
                made.teeth = FactorSet::range(least, least + step * 300, step);
            } else {
                std::vector<Rational> teeth;
                for (std::int64_t i = random.whole(1, 6); i > 0; --i) {
                    teeth.push_back(random.whole(1, 30));
                }
                made.teeth = FactorSet::list(teeth);
            }
            return made;
        };
        for (int round = 0; round < 2000; ++round) {
            RateWindows windows;
            for (std::int64_t i = random.whole(0, 3); i > 0; --i) {
                windows.combs.push_back(comb());
            }
            const Rational low(random.whole(0, 40), 2);
            const Rational high = low + Rational(random.whole(0, 120), 2);
            const std::vector<RateSpan> spans = windows.spans(low, high);
            for (std::size_t i = 0; i < spans.size(); ++i) {
                QVERIFY(spans[i].low >= low && spans[i].high && *spans[i].high <= high && spans[i].low <= *spans[i].high);
                QVERIFY(i == 0 || *spans[i - 1].high < spans[i].low);
            }
            const auto isIn = [&](const Rational& rate) {
                return std::any_of(spans.begin(), spans.end(),
                                   [&](const RateSpan& span) { return span.low <= rate && rate <= *span.high; });
            };
            for (Rational rate = low; rate <= high; rate += Rational(1, 8)) {
                QVERIFY2(isIn(rate) == windows.contains(rate), qPrintable(QString("round %1").arg(round)));
            }
            const std::vector<RateSpan> two = windows.spans(low, high, 2);
            QVERIFY(two.size() <= 2 && std::equal(two.begin(), two.end(), spans.begin()));
        }
    }

    void handCheckedRows() {
        // 115200 x 16 x {1, 2, 3} within 1 %
        UartKind uart;
        uart.modes = {{16, FactorSet::range(1, 3)}};
        const auto talks = readPromiseLine("uart1 talks 115200 within 1 %")->ask.get<TalksAsk>();
        const RateWindows rates = uartRates(uart, talks);
        QCOMPARE(spansText(rates.spans(1, 10000000)), std::string("1824768..1861632, 3649536..3723264, 5474304..5584896"));
        QCOMPARE(spansText(rates.spans(1850000, 3700000)), std::string("1850000..1861632, 3649536..3700000"));
        QVERIFY(rates.contains(1824768) && !rates.contains(1824767) && !rates.contains(7372800));
        // 1 ms exactly of one to five counts: 1 kHz to 5 kHz, and nothing between
        TimerKind timer;
        timer.prescaler = FactorSet::one(1);
        timer.counts = FactorSet::range(1, 5);
        const auto fires = readPromiseLine("timer1 fires every 1 ms exactly")->ask.get<FiresAsk>();
        QCOMPARE(spansText(timerRates(timer, fires).spans(1, 9000)),
                 std::string("1000..1000, 2000..2000, 3000..3000, 4000..4000, 5000..5000"));
        QCOMPARE(spansText(timerRates(timer, fires).spans(2000, 3999, 1)), std::string("2000..2000"));
        // within 20 % they touch from 2 kHz on: 3 ÷ 1.2 is 2.5 and 2 ÷ 0.8 is 2.5
        const auto near = readPromiseLine("timer1 fires every 1 ms within 20 %")->ask.get<FiresAsk>();
        QCOMPARE(spansText(timerRates(timer, near).spans(1, 9000)), std::string("2500/3..1250, 5000/3..6250"));
        const auto least = readPromiseLine("core runs at least 60 MHz")->ask.get<RunsAsk>();
        QCOMPARE(spansText(lineRates(least).spans(1, 100000000)), std::string("60000000..100000000"));
        QVERIFY(spansText(RateWindows::none().spans(1, 100)).empty());
        QCOMPARE(spansText(RateWindows::all().spans(1, 100)), std::string("1..100"));
    }

    /// Nothing that can be kept lies outside of the windows, and where they are tight nothing that breaks lies inside.
    void theJudgeAgrees_data() {
        QTest::addColumn<int>("kind");
        const char* names[] = {"timer", "pwm", "stamps",   "uart",     "adc",  "spi",
                               "bus",   "can", "watchdog", "calendar", "loop", "line"};
        for (int kind = 0; kind < 12; ++kind) {
            QTest::newRow(names[kind]) << kind;
        }
    }
    void theJudgeAgrees() {
        QFETCH(int, kind);
        Case (*const makers[])(Random&) = {timerCase, pwmCase, stampCase,    uartCase,     adcCase,  spiCase,
                                           busCase,   canCase, watchdogCase, calendarCase, loopCase, lineCase};
        Random random;
        int inside = 0;
        int outside = 0;
        for (int round = 0; round < 120; ++round) {
            const Case each = makers[kind](random);
            const Rational most = kind == 6 ? Rational(100000000) : Rational(4000);
            for (const Rational& hertz : ratesToTry(random, each.windows, most)) {
                const bool isIn = each.windows.contains(hertz);
                const bool isKept = each.judge(hertz) != State::broken;
                const std::string where = each.name + " at " + hertz.toString() + " Hz in round " + std::to_string(round);
                QVERIFY2(isIn || !isKept, (where + ": kept outside of the windows").c_str());
                QVERIFY2(!isIn || isKept || !each.windows.isTight, (where + ": broken inside of them").c_str());
                (isIn ? inside : outside) += 1;
            }
        }
        QVERIFY2(inside > 50 && outside > 50, (std::to_string(inside) + " and " + std::to_string(outside)).c_str());
    }
};

QTEST_APPLESS_MAIN(CoreRateWindows)
#include "core_rate_windows.moc"
