#include "derive/derive.h"
#include "derive/desk.h"
#include "evaluate/delay_routes.h"
#include "evaluate/exact_values.h"
#include "evaluate/ways_out.h"
#include "promise/calendar.h"
#include "promise/i2c.h"
#include "promise/spi.h"
#include "promise/timer.h"
#include "promise/watchdog.h"

#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

FiresAsk askOf(const std::string& line) {
    return readPromiseLine("timer1 fires every " + line)->ask.get<FiresAsk>();
}

TimerKind timer8() {
    TimerKind timer;
    timer.bits = 8;
    timer.prescaler = FactorSet::list({1, 4, 16, 64, 256});
    timer.counts = FactorSet::range(1, 256);
    return timer;
}

std::string settingsText(const std::vector<Setting>& settings) {
    std::string text;
    for (const Setting& setting : settings) {
        text += (text.empty() ? "" : " ") + setting.value.toString();
    }
    return text;
}

std::string resultOf(const PromiseFigure& figure, const std::string& what) {
    for (const Step& step : figure.workings) {
        if (step.what == what) {
            return step.result;
        }
    }
    return "no such step";
}

} // namespace

/// Periods beyond a counter's reach, and what else timers, calendars, watchdogs and ports can be asked.
class CoreLongDelays : public QObject {
    Q_OBJECT

private slots:
    void repeats_data() {
        QTest::addColumn<std::string>("ask");
        QTest::addColumn<std::string>("clock");
        QTest::addColumn<std::string>("state");
        QTest::addColumn<std::string>("settings"); // prescaler, counts, repeats
        QTest::addColumn<std::string>("error");
        const auto row = [](const char* ask, const char* clock, const char* state, const char* settings, const char* error) {
            QTest::addRow("%s of %s", ask, clock)
                << std::string(ask) << std::string(clock) << std::string(state) << std::string(settings) << std::string(error);
        };
        // 8 MHz: at most 65536 / 8 MHz = 8.192 ms; a second is 8 000 000 = 123 repeats of 65040.65, 125 of 64000
        row("1 s exactly, repeated", "8000000", "kept", "256 250 125", "0");
        // within reach it is done at once
        row("8 ms exactly, repeated", "8000000", "kept", "256 250 1", "0");
        // a prime number of clock periods can't be shared out: 8000009 = 125 x 64000 + 9
        row("8000009 us exactly, repeated", "1000000", "broken", "", "");
        row("8000009 us within 10 ppm, repeated", "1000000", "kept", "", "");
        row("1 s exactly", "8000000", "broken", "256 256", "-0.991808"); // 8.192 ms is as long as it gets
    }
    void repeats() {
        QFETCH(std::string, ask);
        QFETCH(std::string, clock);
        QFETCH(std::string, state);
        QFETCH(std::string, settings);
        const PromiseFigure figure = judgeTimer({}, timer8(), askOf(ask), clockAt(clock));
        QCOMPARE(stateName(figure.state), state);
        QVERIFY2(settings.empty() || settingsText(figure.settings) == settings, settingsText(figure.settings).c_str());
        QFETCH(std::string, error);
        QVERIFY2(error.empty() || figure.error->nominal == exact(error), figure.error->nominal.toString().c_str());
    }

    /// Against every number of repeats that is tried and every setting.
    void noBetterRepeatsExist() {
        Random random;
        for (int round = 0; round < 60; ++round) {
            TimerKind timer;
            timer.bits = 5;
            timer.prescaler = FactorSet::list({1, 4, 8});
            timer.counts = FactorSet::range(2, 32);
            const Clock clock = clockAt("1000", "-1/100", "1/80");
            FiresAsk ask;
            ask.period = Rational(random.whole(300, 9000), random.whole(1, 3) * 1000);
            ask.isRepeated = true;
            if (random.coin()) {
                ask.late = random.whole(1, 6);
            }
            if (random.coin()) {
                ask.tolerance.within = Rational(random.whole(1, 300), 10000);
            }
            const Clock core = clockAt("4000");
            const PromiseFigure figure = judgeTimer({}, timer, ask, clock, {}, Detail::workings, &core);
            const Way best{figure.settings, *figure.got, *figure.error, figure.state, figure.margin};
            const Rational late = ask.late.value_or(Rational(0)) / 4000;
            const std::int64_t fewest = (ask.period / (Rational(256, 1000) + late)).ceil().toInt64().value();
            for (std::int64_t n = std::max<std::int64_t>(fewest, 1); n < fewest + repeatsTried(timer); ++n) {
                for (const std::int64_t p : {1, 4, 8}) {
                    for (std::int64_t c = 2; c <= 32; ++c) {
                        const Bounds one = inverse(clock.hertz, p * c) + Bounds::exactly(late);
                        Way way = wayThatGives({{"prescaler", p}, {"counts", c}, {"repeats", n}}, one * n, ask.period);
                        way.state = judgeTolerance(way.error, ask.tolerance, true).state;
                        QVERIFY2(compareWays(best, way) <= 0,
                                 (settingsText(best.settings) + " against " + settingsText(way.settings)).c_str());
                    }
                }
            }
        }
    }

    /// 8 ms asked with 65.536 us ticks: 122 of them are 7.995392 ms; the sum of 125 is what is late.
    void whatAddsUpIsSaid() {
        TimerKind timer;
        timer.bits = 16;
        timer.prescaler = FactorSet::one(256);
        timer.counts = FactorSet::range(1, 65536);
        const PromiseFigure figure = judgeTimer({}, timer, askOf("8 ms"), clockAt("3906250")); // a tick of 65.536 us
        QCOMPARE(stateName(figure.state), std::string("broken"));
        QCOMPARE(figure.got->nominal, exact("7995392e-9"));
        QCOMPARE(resultOf(figure, "adds up to"), std::string("2.0736 s early an hour"));
    }

    void aLateReloadIsMadeUpFor() {
        TimerKind timer = timer8();
        timer.bits = 16;
        timer.counts = FactorSet::range(1, 65536);
        timer.style = TimerStyle::preload;
        const Clock clock = clockAt("1000000");
        const Clock core = clockAt("1000000");
        const PromiseFigure figure =
            judgeTimer({}, timer, askOf("1 ms exactly, late 12 cycles"), clock, {}, Detail::workings, &core);
        QCOMPARE(stateName(figure.state), std::string("kept"));
        QCOMPARE(settingsText(figure.settings), std::string("1 988"));
        QCOMPARE(resultOf(figure, "preload"), std::string("64548")); // 65536 - 988
        QCOMPARE(resultOf(figure, "its bytes"), std::string("252, 36"));
    }

    void theInterruptsLoadIsSaid() {
        const Clock core = clockAt("8000000");
        const PromiseFigure figure = judgeTimer({}, timer8(), askOf("1 ms exactly, handled in 400 cycles"), clockAt("8000000"),
                                                {}, Detail::workings, &core);
        QCOMPARE(resultOf(figure, "load of the core"), std::string("5 %")); // 400 of 8000
    }

    void postScalersAndFreeRunning() {
        TimerKind timer = timer8();
        timer.post = FactorSet::range(1, 16);
        // 8 MHz: 0.1 s are 800 000 = 256 x 256 x 12.2; 256 x 250 x 12.5; 64 x ... 800000 / 16 = 50000 = 256 x 195.3; / 10 =
        // 80000; / 8 = 100000
        const PromiseFigure figure = judgeTimer({}, timer, askOf("80 ms exactly"), clockAt("8000000"));
        QCOMPARE(stateName(figure.state), std::string("kept"));
        Rational product = 1;
        for (const Setting& setting : figure.settings) {
            product *= setting.value;
        }
        QCOMPARE(product, Rational(640000));
        timer = timer8();
        timer.style = TimerStyle::freeRunning;
        timer.counts = FactorSet::one(256);
        QCOMPARE(judgeTimer({}, timer, askOf("8.192 ms exactly"), clockAt("8000000")).state, State::kept);
        QCOMPARE(judgeTimer({}, timer, askOf("8 ms exactly"), clockAt("8000000")).state, State::broken);
    }

    void oneShotsWaitAtLeast() {
        const auto wait = [](const std::string& line) { return readPromiseLine("timer1 waits " + line)->ask.get<WaitsAsk>(); };
        const Clock clock = clockAt("1000000", "-1/50", "1/50");
        const PromiseFigure least = judgeTimer({}, timer8(), wait("at least 100 us"), clock);
        QCOMPARE(stateName(least.state), std::string("kept"));
        QCOMPARE(settingsText(least.settings), std::string("1 102")); // 102 / 1.02 MHz = 100 us
        QCOMPARE(judgeTimer({}, timer8(), wait("at least 1 s"), clock).state, State::broken);
        QCOMPARE(judgeTimer({}, timer8(), wait("100 us within 3 %"), clock).state, State::kept);
        QCOMPARE(judgeTimer({}, timer8(), wait("100 us within 1 %"), clock).state, State::strained);
    }

    void routesStandBesideOneAnother() {
        LoadedPlan loaded = orchard();
        loaded.plan->promises.push_back({"", readPromiseLine("long: timer1 fires every 60 s exactly", &*loaded.part).value()});
        const std::size_t last = loaded.plan->promises.size() - 1;
        const auto routes = delayRoutes(*loaded.part, *loaded.plan, "A", last);
        QCOMPARE(routes.size(), std::size_t{3});
        QCOMPARE(routes[0].say, std::string("alone"));
        QVERIFY(routes[0].isPresent && routes[0].figure.state == State::broken);
        QCOMPARE(routes[0].hourly, routes[0].figure.error->nominal * 3600);
        // the plan's tick of 1 ms holds the fields of that timer: so many ticks make up a minute
        QCOMPARE(routes[1].say, std::string("repeated 60000 times"));
        QCOMPARE(stateName(routes[1].figure.state), std::string("kept"));
        QCOMPARE(routes[2].say, std::string("chained with timer2"));
        const auto ways = waysOut(*loaded.part, *loaded.plan, "A", last, 40);
        const auto repeated = std::find_if(ways.begin(), ways.end(),
                                           [](const WayOut& way) { return way.say == "timer1 several times for one period"; });
        QVERIFY(repeated != ways.end());
        takeWayOut(*loaded.plan, "A", *repeated);
        QCOMPARE(loaded.plan->promises[last].text, std::string("long: timer1 fires every 60 s exactly, repeated"));
        QVERIFY(delayRoutes(*loaded.part, *loaded.plan, "A", 0).empty()); // not a timer's
    }

    void calendars_data() {
        QTest::addColumn<std::string>("clock");
        QTest::addColumn<std::string>("low");
        QTest::addColumn<std::string>("high");
        QTest::addColumn<std::string>("limit");
        QTest::addColumn<std::string>("state");
        QTest::addColumn<std::string>("settings"); // first, second
        const auto row = [](const char* clock, const char* low, const char* high, const char* limit, const char* state,
                            const char* settings) {
            QTest::addRow("%s of %s", limit, clock) << std::string(clock) << std::string(low) << std::string(high)
                                                    << std::string(limit) << std::string(state) << std::string(settings);
        };
        // 20 ppm are 1.728 s a day
        row("32768", "-20e-6", "20e-6", "2 s/day", "kept", "128 256");
        row("32768", "-20e-6", "20e-6", "1.728 s/day", "kept", "128 256");
        row("32768", "-20e-6", "20e-6", "1.7 s/day", "strained", "128 256");
        row("37000", "-20e-6", "20e-6", "2 s/day", "kept", "125 296"); // another crystal
        // 32771 is prime and too long for one divider: 32772 = 12 x 2731 is the nearest product, 30.5 ppm or 2.6 s a day off
        row("32771", "-1e-6", "1e-6", "1 s/day", "broken", "12 2731");
    }
    void calendars() {
        QFETCH(std::string, clock);
        QFETCH(std::string, low);
        QFETCH(std::string, high);
        QFETCH(std::string, limit);
        QFETCH(std::string, state);
        QFETCH(std::string, settings);
        RtcKind rtc;
        rtc.first = FactorSet::range(1, 128);
        rtc.second = FactorSet::range(1, 32768);
        const auto shift = [](const std::string& text) { return text[0] == '-' ? -exact(text.substr(1)) : exact(text); };
        const DriftsAsk ask{quantity(limit, Unit::drift)};
        const PromiseFigure figure = judgeCalendar({}, rtc, ask, clockAt(clock, shift(low).toString(), shift(high).toString()));
        QCOMPARE(stateName(figure.state), state);
        QCOMPARE(settingsText(figure.settings), settings);
        QVERIFY(figure.state == State::kept || !figure.why.empty());
    }

    /// Against every pair of dividers.
    void noBetterCalendarExists() {
        Random random;
        for (int round = 0; round < 100; ++round) {
            RtcKind rtc;
            rtc.first = FactorSet::range(1, random.whole(4, 40));
            rtc.second = FactorSet::range(random.whole(1, 5), random.whole(20, 300));
            const std::int64_t hertz = random.whole(50, 9000);
            const PromiseFigure figure = judgeCalendar({}, rtc, DriftsAsk{Rational(1, 1000)}, clockAt(std::to_string(hertz)));
            const Way best{figure.settings, *figure.got, *figure.error, figure.state, figure.margin};
            const Rational off = abs(settingOf(best, "first") * settingOf(best, "second") - hertz);
            for (std::int64_t a = 1; a <= rtc.first.most(); ++a) {
                for (Rational b = rtc.second.least(); b <= rtc.second.most(); b += 1) {
                    const Rational other = abs(a * b - hertz);
                    QVERIFY2(off <= other, (settingsText(figure.settings) + " against " + std::to_string(a)).c_str());
                    QVERIFY(off < other || !off.isZero() || settingOf(best, "first") >= a);
                }
            }
        }
    }

    void aCalendarIsCalibrated() {
        RtcKind rtc;
        rtc.first = FactorSet::range(1, 128);
        rtc.second = FactorSet::range(1, 32768);
        rtc.calibration = Calibration{Rational(1, 1000000), -100, 100};
        const DriftsAsk ask{quantity("1 s/day", Unit::drift)};
        // a crystal measured 31.5 ppm fast: -32 steps leave -0.5 ppm (ties to even)
        const Rational fast = 32768 * (1 + Rational(315, 10000000));
        const PromiseFigure figure = judgeCalendar({}, rtc, ask, clockAt(fast.toString()));
        QCOMPARE(stateName(figure.state), std::string("kept"));
        QVERIFY(figure.got->nominal <= Rational(5, 10000000));
        QCOMPARE(judgeCalendar({}, RtcKind(), ask, clockAt("32768")).why, std::string("this rtc has no calendar"));
    }

    void alarmsMatchTheCalendar() {
        RtcKind rtc;
        rtc.first = FactorSet::range(1, 128);
        rtc.second = FactorSet::range(1, 32768);
        rtc.alarm = FactorSet::list({60, 3600, 86400});
        const auto judged = [&](const std::string& line, const Clock& clock) {
            return judgeAlarm({}, rtc, readPromiseLine("rtc fires every " + line)->ask.get<FiresAsk>(), clock);
        };
        const Clock crystal = clockAt("32768", "-1/10000", "1/50000");
        const PromiseFigure day = judged("1 day within 150 ppm, by alarm", crystal);
        QCOMPARE(day.state, State::kept);
        QCOMPARE(settingsText(day.settings), std::string("128 256 86400"));
        QCOMPARE(day.got->nominal, Rational(86400));
        QCOMPARE(day.got->max, 86400 / (1 - Rational(1, 10000)));
        QCOMPARE(judged("1 day within 50 ppm, by alarm", crystal).state, State::strained);
        // a day of a crystal that is 1 % slow is 872.7 s too long
        QCOMPARE(judged("1 day within 150 ppm, by alarm", clockAt("32440")).state, State::kept); // other dividers: 32440 x 1
        const PromiseFigure odd = judged("90 min exactly, by alarm", crystal);
        QCOMPARE(odd.state, State::broken);
        QVERIFY2(odd.why.rfind("the alarm matches every 60 s, 60 min or 24 h; the nearest is 60 min", 0) == 0, odd.why.c_str());
        const PromiseFigure repeated = judged("90 min exactly, by alarm, repeated", crystal);
        QCOMPARE(repeated.state, State::kept);
        QCOMPARE(settingsText(repeated.settings), std::string("128 256 60 90"));
        QCOMPARE(settingsText(judged("2 h exactly, by alarm, repeated", crystal).settings), std::string("128 256 3600 2"));
        rtc.alarm = {};
        QCOMPARE(judged("1 day exactly, by alarm", crystal).why, std::string("this rtc has no alarm"));
    }

    void watchdogsWarn() {
        WatchdogKind watchdog{FactorSet::list({4, 16}), FactorSet::range(1, 4096), false, FactorSet::range(1, 16)};
        const auto ask = [](const std::string& line) { return readPromiseLine("wdog bites " + line)->ask.get<BitesAsk>(); };
        const Clock clock = clockAt("40000", "-1/4", "1/4");
        // 16 / 50 kHz is 0.32 ms a count at the fastest: 4 counts are 1.28 ms
        const PromiseFigure figure =
            judgeWatchdog({}, watchdog, ask("after 1 s, fed every 500 ms, warns 1.2 ms before"), clock, {});
        QCOMPARE(stateName(figure.state), std::string("kept"));
        QCOMPARE(settingsText(figure.settings), std::string("16 2500 4"));
        const PromiseFigure late =
            judgeWatchdog({}, watchdog, ask("after 1 s, fed every 500 ms, warns 100 ms before"), clock, {});
        QCOMPARE(stateName(late.state), std::string("broken"));
        QVERIFY2(late.why.rfind("warns 6.4 ms before the bite, asked 100 ms", 0) == 0, late.why.c_str());
        watchdog.early = {};
        QCOMPARE(judgeWatchdog({}, watchdog, ask("after 1 s, warns 1 ms before"), clock, {}).why,
                 std::string("this watchdog has no early interrupt"));
    }

    void portsReadAndRefuse_data() {
        QTest::addColumn<std::string>("ask");
        QTest::addColumn<std::string>("state");
        QTest::addColumn<std::string>("why");
        const auto row = [](const char* ask, const char* state, const char* why) {
            QTest::newRow(ask) << std::string(ask) << std::string(state) << std::string(why);
        };
        // 32 + 8 + 256 x 8 / 4 = 552 clocks; at 50 MHz 11.04 us
        row("at most 50 MHz, after 8 dummies, reading 256 byte in at most 11.04 us", "kept", "");
        row("at most 50 MHz, after 8 dummies, reading 256 byte in at most 11 us", "broken",
            "reading 256 byte takes 11.04 \u00b5s, asked at most 11 \u00b5s");
        row("at most 50 MHz, of 16 MiB", "kept", "");
        row("at most 50 MHz, of 3 MiB", "broken",
            "a memory of 3 MiB does not go into its size field: next to it go 2 MiB and 4 MiB");
        row("at most 50 MHz, after 40 dummies", "broken", "40 dummy cycles are not among those it has: next are 31");
        row("at most 50 MHz, of 1 MiB, reading 2 MiB in at most 1 s", "broken", "reading 2 MiB of a memory of 1 MiB");
    }
    void portsReadAndRefuse() {
        QFETCH(std::string, ask);
        QFETCH(std::string, state);
        QFETCH(std::string, why);
        SpiKind spi;
        spi.divide = FactorSet::range(1, 64);
        spi.lanes = FactorSet::one(4);
        spi.dummy = FactorSet::range(1, 31);
        std::vector<Rational> sizes;
        for (int power = 1; power < 32; ++power) {
            sizes.emplace_back(std::int64_t{1} << power);
        }
        spi.size = FactorSet::list(sizes);
        const PromiseFigure figure =
            judgeSpi({}, spi, readPromiseLine("qspi0 clocks " + ask)->ask.get<ClocksAsk>(), clockAt("100000000"), SpiReach());
        QCOMPARE(figure.why, why);
        QCOMPARE(stateName(figure.state), state);
    }

    /// Data that stand 6 ns after the edge: at 100 MHz half a clock is 5 ns, so the sampling is half a clock late.
    void samplingIsShifted() {
        SpiKind spi;
        spi.divide = FactorSet::range(1, 64);
        spi.shift = FactorSet::list({Rational(1, 2)});
        const auto judged = [&](const std::string& line) {
            return judgeSpi({}, spi, readPromiseLine("qspi0 clocks " + line)->ask.get<ClocksAsk>(), clockAt("200000000"),
                            SpiReach());
        };
        QCOMPARE(settingsText(judged("at most 100 MHz, valid after 5 ns").settings), std::string("2"));
        QCOMPARE(settingsText(judged("at most 100 MHz, valid after 6 ns").settings), std::string("2 1/2"));
        QCOMPARE(settingsText(judged("at most 100 MHz, valid after 10 ns").settings), std::string("2 1/2"));
        QCOMPARE(settingsText(judged("at most 100 MHz, valid after 11 ns").settings),
                 std::string("4 1/2")); // by 3 the next data come 2.5 ns early
        QCOMPARE(settingsText(judged("at most 100 MHz, valid after 100 ns").settings), std::string("20 1/2"));
        for (const char* line :
             {"at most 100 MHz, valid after 5 ns", "at most 100 MHz, valid after 11 ns", "at most 100 MHz, valid after 100 ns"}) {
            QCOMPARE(stateName(judged(line).state), std::string("kept"));
        }
        const PromiseFigure late = judged("at most 100 MHz, valid after 1 us"); // 64 is the most: 320 ns
        QCOMPARE(stateName(late.state), std::string("broken"));
        QVERIFY2(late.why.find("and the data stand only after 1 \u00b5s") != std::string::npos, late.why.c_str());
        spi.shift = {};
        QCOMPARE(settingsText(judged("at most 100 MHz, valid after 6 ns").settings),
                 std::string("4")); // no shift: slower; by 3 the shorter half is 5 ns
    }

    void aPullUpMakesTheRise() {
        const auto ask = readPromiseLine("i2c1 talks 400 kHz, pulled by 2.2 kohm into 100 pF")->ask.get<BusAsk>();
        // 0.8472979 x 2200 x 100 pF = 186.4055 ns
        QCOMPARE(riseOf(ask), exact("186406e-12"));
        I2cKind bus{FactorSet::range(1, 16), FactorSet::range(1, 256), FactorSet::range(1, 256), 0, 0, Rational(1000000)};
        QCOMPARE(judgeI2c({}, bus, ask, clockAt("40000000")).state, State::kept);
        const auto slow = readPromiseLine("i2c1 talks 400 kHz, pulled by 10 kohm into 100 pF")->ask.get<BusAsk>();
        QVERIFY(judgeI2c({}, bus, slow, clockAt("40000000")).why.rfind("a rise of", 0) == 0);
    }

    /// What is offered at a value is exact, and what is exact is offered.
    void exactValuesAreOffered() {
        const LoadedPlan loaded = orchard(); // timers at 80 MHz, uart1 at 40 MHz
        const auto at = [&](const char* text) { return exactValues(*loaded.part, *loaded.plan, "A", text); };
        const auto has = [](const std::vector<std::string>& list, const char* value) {
            return std::find(list.begin(), list.end(), value) != list.end();
        };
        QVERIFY(has(at("timer2 fires every "), "125 us") && has(at("tick: timer2 fires every "), "1 ms"));
        QVERIFY(has(at("uart1 talks "), "250000") && !has(at("uart1 talks "), "921600"));
        QVERIFY(has(at("can0 talks "), "500 kbit/s") && !has(at("can0 talks "), "500000"));
        QVERIFY(has(at("timer3.1 drives "), "20 kHz at 50 % duty"));
        QVERIFY(at("timer2 fires every").empty() && at("timer2 fires ").empty() && at("wdog bites ").empty() && at("").empty());
        QVERIFY(exactValues(*loaded.part, *loaded.plan, "no take", "uart1 talks ").empty());
    }

    /// On one wire a port takes only its first pin, and a port that can't says so.
    void oneWireFreesAPin() {
        LoadedPlan loaded = orchard();
        const auto usersOf = [&](const std::string& pin) {
            const Figures figures = derive(*loaded.part, *loaded.plan, "A");
            for (const PinFigure& each : figures.pins) {
                if (each.pin == pin) {
                    return each.users.size();
                }
            }
            return std::size_t{99};
        };
        const auto port = loaded.part->findPeripheral("uart3");
        const std::vector<std::string> pins = loaded.part->peripherals[*port].pins;
        loaded.plan->promises.push_back({"", readPromiseLine("uart3 talks 9600", &*loaded.part).value()});
        QCOMPARE(usersOf(pins[1]), std::size_t{1});
        loaded.plan->promises.back() = {"", readPromiseLine("uart3 talks 9600, on one wire", &*loaded.part).value()};
        QCOMPARE(usersOf(pins[0]), std::size_t{1});
        QCOMPARE(usersOf(pins[1]), std::size_t{0});
        const Figures figures = derive(*loaded.part, *loaded.plan, "A");
        const auto& fields = figures.promises.back().fields;
        QVERIFY(
            std::any_of(fields.begin(), fields.end(), [](const FieldValue& value) { return value.control == "uart3.one_wire"; }));
        loaded.part->peripherals[*port].kind.change<UartKind>().hasOneWire = false;
        QCOMPARE(derive(*loaded.part, *loaded.plan, "A").promises.back().why, std::string("this port can't talk on one wire"));
    }

    /// How soon a start bit's clock runs: at once where it goes on, else after the stages and start-ups that feed it.
    void startBitsWakeInTime() {
        const LoadedPlan loaded = orchard();
        const Figures figures = derive(*loaded.part, *loaded.plan, "A");
        for (std::size_t i = 0; i < loaded.part->peripherals.size(); ++i) {
            for (const WakingRate& rate : wakingRates(*loaded.part, *loaded.plan, figures, i)) {
                const auto mode = std::find_if(figures.modes.begin(), figures.modes.end(),
                                               [&](const ModeFigure& each) { return each.id == rate.mode; });
                QVERIFY(mode != figures.modes.end() && mode->wakeUp);
                QVERIFY(!rate.within || *rate.within <= mode->wakeUp->restored.max);
            }
        }
    }
};

QTEST_APPLESS_MAIN(CoreLongDelays)
#include "core_long_delays.moc"
