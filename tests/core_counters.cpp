#include "promise/counter_search.h"
#include "promise/timer.h"
#include "promise/watchdog.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

const TimerKind k16Bit{16, FactorSet::range(1, 65536), FactorSet::range(1, 65536), TimerStyle::reload};
const TimerKind k32Bit{32, FactorSet::range(1, 65536), FactorSet::range(1, std::int64_t{1} << 32), TimerStyle::reload};
const TimerKind kPreload{16, FactorSet::list({1, 2, 4, 8, 16, 32, 64, 128, 256}), FactorSet::range(1, 65536),
                         TimerStyle::preload};
const WatchdogKind kDog{FactorSet::list({4, 8, 16, 32, 64, 128, 256}), FactorSet::range(1, 4096), false};

/// A plan that rests so many s in a mode in which the watchdog counts on, or not.
WatchdogLife restingFor(const Rational& longest, bool isRunning) {
    WatchdogLife life;
    life.mode = "deep";
    life.runs = isRunning;
    if (isRunning) {
        life.rest = WatchdogSpan();
        life.rest->about = Target::mode("deep");
        life.rest->longest = longest;
    }
    return life;
}

std::string settingsText(const std::vector<Setting>& settings) {
    std::string text;
    for (const Setting& setting : settings) {
        text += (text.empty() ? "" : ", ") + setting.name + " " + setting.value.toString();
    }
    return text;
}

FiresAsk every(const std::string& seconds, const std::string& within = "") {
    FiresAsk ask{exact(seconds), {}};
    if (!within.empty()) {
        ask.tolerance.within = exact(within);
    }
    return ask;
}

} // namespace

class CoreCounters : public QObject {
    Q_OBJECT

private slots:
    void timers_data() {
        QTest::addColumn<int>("timer");
        QTest::addColumn<std::string>("hertz");
        QTest::addColumn<std::string>("period");
        QTest::addColumn<std::string>("settings");
        QTest::addColumn<std::string>("error");
        QTest::addColumn<std::string>("why");
        const auto row = [](const char* name, int timer, const char* hertz, const char* period, const char* settings,
                            const char* error, const char* why) {
            QTest::newRow(name) << timer << std::string(hertz) << std::string(period) << std::string(settings)
                                << std::string(error) << std::string(why);
        };
        // 80 000 periods do not fit 16 bits; the least prescaler leaves the most counts
        row("1 ms at 80 MHz", 0, "80000000", "1/1000", "prescaler 2, counts 40000", "0", "");
        row("30 s at 80 MHz in 32 bits", 1, "80000000", "30", "prescaler 1, counts 2400000000", "0", "");
        row("8 ms at 1 MHz by powers of two", 2, "1000000", "1/125", "prescaler 1, counts 8000", "0", "");
        // 1/3 ms of 1 MHz is 333.3 counts
        row("a third of a millisecond", 0, "1000000", "1/3000", "prescaler 1, counts 333", "-1/1000",
            "the nearest is 333 \u00B5s, \u22120.1 %, asked exactly");
        // 65537 is a prime: the neighbours 65536 = 1 × 65536 and 65538 = 2 × 32769 are equally far; more counts
        row("a prime of counts", 0, "1000000", "65537/1000000", "prescaler 1, counts 65536", "-1/65537",
            "the nearest is 65.536 ms, \u2248\u221215.26 ppm, asked exactly");
        row("too long", 0, "80000000", "3600", "prescaler 65536, counts 65536", "-65994901/67108864", "");
        row("too short", 0, "80000000", "1/1000000000", "prescaler 1, counts 1", "23/2", "");
    }
    void timers() {
        QFETCH(int, timer);
        QFETCH(std::string, hertz);
        QFETCH(std::string, period);
        QFETCH(std::string, settings);
        QFETCH(std::string, error);
        QFETCH(std::string, why);
        const TimerKind& kind = timer == 0 ? k16Bit : (timer == 1 ? k32Bit : kPreload);
        const PromiseFigure figure = judgeTimer({}, kind, every(period), clockAt(hertz));
        QCOMPARE(settingsText(figure.settings), settings);
        if (QTest::currentDataTag() == std::string("too long")) {
            // 65536² ÷ 80 MHz = 53.687 s of 3600 s
            QCOMPARE(figure.got->nominal, exact("4294967296/80000000"));
            QVERIFY(figure.why.rfind("beyond this timer's reach; the nearest is 53.6870912 s", 0) == 0);
        } else if (QTest::currentDataTag() == std::string("too short")) {
            QCOMPARE(figure.error->nominal, exact(error));
            QVERIFY(figure.why.rfind("shorter than this timer can count; ", 0) == 0);
        } else {
            QCOMPARE(figure.error->nominal, exact(error));
            QCOMPARE(figure.why, why);
        }
    }

    void aPreloadIsShown() {
        const PromiseFigure figure = judgeTimer({}, kPreload, every("1/125"), clockAt("1000000"));
        const Step& bytes = figure.workings[figure.workings.size() - 2];
        QCOMPARE(bytes.numbers, std::string("0xE0, 0xC0"));
        const Step& preload = figure.workings[figure.workings.size() - 3];
        QCOMPARE(preload.numbers, std::string("65536 \u2212 8000"));
        QCOMPARE(preload.result, std::string("57536"));
    }

    void waysAreRanked() {
        const auto ways = timerWays(k16Bit, every("1/1000"), clockAt("80000000"));
        QCOMPARE(ways.size(), std::size_t{20});
        QCOMPARE(settingsText(ways[0].settings), std::string("prescaler 2, counts 40000"));
        QCOMPARE(settingsText(ways[1].settings), std::string("prescaler 4, counts 20000"));
        QCOMPARE(settingsText(ways[2].settings), std::string("prescaler 5, counts 16000"));
    }

    void aPinIsHeld() {
        const PromiseFigure figure = judgeTimer({}, k16Bit, every("1/1000"), clockAt("80000000"), {{"prescaler", 10}});
        QCOMPARE(settingsText(figure.settings), std::string("prescaler 10, counts 8000"));
        const PromiseFigure none = judgeTimer({}, kPreload, every("1/1000"), clockAt("80000000"), {{"prescaler", 3}});
        QCOMPARE(none.why, std::string("the pinned way is not one that this timer has"));
    }

    /// Against every product of small counters, with lopsided clocks and all kinds of tolerance.
    void noBetterTimerWayExists() {
        Random random;
        for (int i = 0; i < 400; ++i) {
            const FactorSet prescaler =
                random.coin() ? FactorSet::range(random.whole(1, 4), random.whole(4, 20)) : FactorSet::list({1, 4, 6, 16});
            const FactorSet counts =
                random.coin() ? FactorSet::range(random.whole(1, 5), random.whole(5, 40)) : FactorSet::range(2, 40, 2);
            const TimerKind timer{8, prescaler, counts, TimerStyle::reload};
            const Clock clock = clockAt("1000", Rational(-random.whole(0, 300), 1000).toString(),
                                        Rational(random.whole(0, 300), 1000).toString());
            FiresAsk ask{Rational(random.whole(1, 3000), random.whole(1, 4) * 1000), {}};
            if (random.coin()) {
                ask.tolerance.within = Rational(random.whole(1, 500), 1000);
            }
            const PromiseFigure figure = judgeTimer({}, timer, ask, clock);
            const Way best{figure.settings, *figure.got, *figure.error, figure.state, figure.margin};
            for (std::int64_t p = 0; p < prescaler.size().toInt64().value(); ++p) {
                for (std::int64_t c = 0; c < counts.size().toInt64().value(); ++c) {
                    Way way;
                    way.settings = {{"prescaler", prescaler.at(p)}, {"counts", counts.at(c)}};
                    way.got = inverse(clock.hertz, prescaler.at(p) * counts.at(c));
                    way.error = relativeError(way.got, ask.period);
                    way.state = judgeTolerance(way.error, ask.tolerance, true).state;
                    const int order = compareWays(best, way);
                    const std::string against = settingsText(best.settings) + " against " + settingsText(way.settings);
                    QVERIFY2(order <= 0, against.c_str());
                    QVERIFY2(order < 0 || settingOf(best, "counts") >= counts.at(c), against.c_str());
                }
            }
        }
    }

    void searchFindsNeighboursInARange() {
        const CounterReach reach{FactorSet::range(1, 3), FactorSet::range(1, 10)};
        const auto text = [&](int low, int target, int high) {
            const NearestSettings near = nearestSettings(reach, low, target, high);
            const auto one = [](const std::optional<CounterSetting>& setting) {
                return setting ? setting->prescaler.toString() + "x" + setting->counts.toString() : std::string("none");
            };
            return one(near.below) + " " + one(near.above);
        };
        QCOMPARE(text(1, 10, 30), std::string("1x10 1x10"));
        QCOMPARE(text(1, 11, 30), std::string("1x10 2x6"));
        QCOMPARE(text(11, 5, 30), std::string("none 2x6")); // the target is brought to 11, which is no product
        QCOMPARE(text(1, 99, 29), std::string("3x9 none")); // 29 is none
        QCOMPARE(text(31, 40, 50), std::string("none none"));
        QCOMPARE(text(23, 23, 23), std::string("none none"));
    }

    /// t = prescaler × counts ÷ f: ÷ 32 × 2250 at 36 kHz −20/+25 % is 2 s, 1.6 s at the fastest, 2.5 s at the slowest.
    void watchdogs_data() {
        QTest::addColumn<std::string>("ask");
        QTest::addColumn<std::string>("settings");
        QTest::addColumn<std::string>("state");
        QTest::addColumn<std::string>("why");
        const auto row = [](const char* ask, const char* settings, const char* state, const char* why) {
            QTest::newRow(ask) << std::string(ask) << std::string(settings) << std::string(state) << std::string(why);
        };
        row("after 2 s, fed every 1.5 s", "prescaler 32, counts 2250", "kept", "");
        // 1.6 s at the fastest is the edge: it must be later, so one step more
        row("after 2 s, fed every 1.6 s", "prescaler 32, counts 2251", "kept", "");
        // longer than asked, so that even the fastest outlasts 1.8 s: the next above 81 000 that counts reach
        row("after 2 s, fed every 1.8 s", "prescaler 32, counts 2532", "kept", "");
        row("after 2 s, fed every 1.8 s, at latest 2.5 s", "prescaler 32, counts 2250", "strained",
            "bites after 1.6 s at the fastest clock, not later than the 1.8 s between feeds");
        row("after 2 s, at latest 2 s", "prescaler 16, counts 3600", "kept", "");
        row("after 2 s, fed every 60 s", "prescaler 32, counts 2250", "broken",
            "bites after 2 s, not later than the 60 s between feeds");
        row("after 2 s", "prescaler 32, counts 2250", "kept", "");
        row("after 2 s within 10 %", "prescaler 32, counts 2250", "strained",
            "a worst case is 2.5 s, +25 %, asked within \u00b110 %");
        row("after 2 s within 30 %", "prescaler 32, counts 2250", "kept", "");
    }
    void watchdogs() {
        QFETCH(std::string, ask);
        QFETCH(std::string, settings);
        QFETCH(std::string, state);
        QFETCH(std::string, why);
        const PromiseLine line = readPromiseLine("wdog bites " + ask).value();
        const PromiseFigure figure = judgeWatchdog({}, kDog, line.ask.get<BitesAsk>(), clockAt("36000", "-1/5", "1/4"), {});
        if (ask == "after 2 s, at latest 2 s") {
            // the slowest may not pass 2 s: 57 600 periods, ÷ 16 × 3600
            QCOMPARE(figure.got->max, Rational(2));
        }
        if (ask == "after 2 s, fed every 1.8 s") {
            QVERIFY(figure.got->min > exact("9/5"));
            QCOMPARE(settingsText(figure.settings), std::string("prescaler 32, counts 2532"));
        }
        QCOMPARE(settingsText(figure.settings), settings);
        QCOMPARE(stateName(figure.state), state);
        QCOMPARE(figure.why, why);
    }

    void boundsOfTheBite() {
        const PromiseLine line = readPromiseLine("wdog bites after 2 s").value();
        const PromiseFigure figure = judgeWatchdog({}, kDog, line.ask.get<BitesAsk>(), clockAt("36000", "-1/5", "1/4"), {});
        QCOMPARE(figure.got->min, exact("8/5"));
        QCOMPARE(figure.got->nominal, Rational(2));
        QCOMPARE(figure.got->max, exact("5/2"));
    }

    void restsCountWhereItRuns() {
        const BitesAsk ask = readPromiseLine("wdog bites after 2 s, fed every 1 s, at latest 3 s").value().ask.get<BitesAsk>();
        const Clock clock = clockAt("36000", "-1/5", "1/4");
        const PromiseFigure frozen = judgeWatchdog({}, kDog, ask, clock, restingFor(100, false));
        QCOMPARE(frozen.state, State::kept);
        const PromiseFigure running = judgeWatchdog({}, kDog, ask, clock, restingFor(Rational(19, 10), true));
        QCOMPARE(running.state, State::kept); // 1.9 s at the fastest needs 85 501 periods: 2.97 s at the slowest
        const PromiseFigure tooLong = judgeWatchdog({}, kDog, ask, clock, restingFor(4, true));
        QCOMPARE(tooLong.state, State::broken);
        QCOMPARE(tooLong.why, std::string("bites after 2 s, and counts on while the plan rests for 4 s in deep"));
    }

    void windowsAreJudged_data() {
        QTest::addColumn<std::string>("ask");
        QTest::addColumn<std::string>("state");
        QTest::addColumn<std::string>("safe");
        // 40 MHz ± 0: 4096 × 128 ÷ 40 MHz = 13.1 ms and so on
        QTest::newRow("open in time") << std::string("after 100 ms within 1 %, fed every 60 ms, opens after 20 ms")
                                      << std::string("kept");
        QTest::newRow("opens after the feed")
            << std::string("after 100 ms within 1 %, fed every 60 ms, opens after 80 ms") << std::string("broken");
    }
    void windowsAreJudged() {
        QFETCH(std::string, ask);
        QFETCH(std::string, state);
        const WatchdogKind guard{FactorSet::list({4096, 8192, 16384, 32768}), FactorSet::range(1, 128), true};
        const BitesAsk bites = readPromiseLine("guard bites " + ask).value().ask.get<BitesAsk>();
        const PromiseFigure figure = judgeWatchdog({}, guard, bites, clockAt("40000000"), {});
        QCOMPARE(stateName(figure.state), state);
        QVERIFY(figure.workings.back().what == "safe to feed");
        const PromiseFigure without = judgeWatchdog({}, kDog, bites, clockAt("36000"), {});
        QCOMPARE(without.why, std::string("this watchdog has no window"));
    }

    /// Of the settings of the best state none is nearer to what was asked.
    void noBetterWatchdogWayExists() {
        Random random;
        for (int i = 0; i < 300; ++i) {
            const WatchdogKind dog{FactorSet::list({2, 4, 8}), FactorSet::range(1, 40), false};
            const Clock clock =
                clockAt("100", Rational(-random.whole(0, 300), 1000).toString(), Rational(random.whole(0, 300), 1000).toString());
            BitesAsk ask{Rational(random.whole(1, 400), 100), {}, {}, {}, {}};
            if (random.coin()) {
                ask.fedEvery = Rational(random.whole(1, 400), 100);
            }
            if (random.coin()) {
                ask.atLatest = Rational(random.whole(1, 600), 100);
            }
            if (random.coin()) {
                ask.tolerance.within = Rational(random.whole(1, 60), 100);
            }
            const PromiseFigure figure = judgeWatchdog({}, dog, ask, clock, {});
            for (std::int64_t p = 0; p < 3; ++p) {
                for (std::int64_t c = 1; c <= 40; ++c) {
                    const PromiseFigure other =
                        judgeWatchdog({}, dog, ask, clock, {}, {{"prescaler", dog.prescaler.at(p)}, {"counts", c}});
                    const std::string against = settingsText(figure.settings) + " against " + settingsText(other.settings);
                    QVERIFY2(worseState(figure.state, other.state) == other.state, against.c_str());
                    if (figure.state == other.state) {
                        QVERIFY2(abs(figure.error->nominal) <= abs(other.error->nominal), against.c_str());
                    }
                }
            }
        }
    }
};

QTEST_APPLESS_MAIN(CoreCounters)
#include "core_counters.moc"
