#include "promise/calendar.h"
#include "promise/delay_loop.h"
#include "promise/pwm.h"
#include "promise/stamps.h"
#include "promise/timer.h"
#include "promise/watchdog.h"
#include "world.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// A prescaler and a counter, one edge of the clock after the other.
class Counter {
public:
    Counter(std::int64_t prescaler, std::int64_t counts) : prescaler_(prescaler), counts_(counts) {}

    /// Whether this edge brings it back to the start.
    bool edge() {
        if (++sub_ < prescaler_) {
            return false;
        }
        sub_ = 0;
        if (++count_ < counts_) {
            return false;
        }
        count_ = 0;
        return true;
    }
    std::int64_t count() const { return count_; }
    void restart(bool withPrescaler) {
        count_ = 0;
        sub_ = withPrescaler ? 0 : sub_;
    }

private:
    std::int64_t prescaler_;
    std::int64_t counts_;
    std::int64_t sub_ = 0;
    std::int64_t count_ = 0;
};

std::int64_t edgesToOverflow(Counter counter) {
    std::int64_t edges = 1;
    while (!counter.edge()) {
        ++edges;
    }
    return edges;
}

bool isNear(const Rational& got, const Rational& asked, const Tolerance& tolerance) {
    return abs(got / asked - 1) <= tolerance.within.value_or(Rational(0));
}

TimerKind drawnTimer(Random& random) {
    TimerKind timer;
    timer.bits = static_cast<int>(random.pick(std::vector<int>{8, 10}));
    timer.prescaler = random.coin() ? FactorSet::list({1, 2, 8, 64}) : FactorSet::range(1, 32);
    timer.counts = FactorSet::range(1, Rational(std::int64_t{1} << timer.bits));
    return timer;
}

Tolerance drawnTolerance(Random& random) {
    Tolerance tolerance;
    tolerance.within = Rational(random.whole(1, 3000), 100000); // to 3 %
    return tolerance;
}

const Rational kRates[] = {32768, 100000, 1000000, Rational(7372800)};

} // namespace

/// Boards drawn at random, counted edge by edge.
class CoreWorldCounters : public QObject {
    Q_OBJECT

private slots:
    void timersFire() {
        Random random;
        Verdicts verdicts;
        for (int i = 0; i < worldCount(500); ++i) {
            const TimerKind timer = drawnTimer(random);
            const Clock clock =
                drawnClock(random, random.pick(std::vector<Rational>(std::begin(kRates), std::end(kRates))), 20000);
            FiresAsk ask;
            ask.period = Rational(random.whole(2, 8000)) / clock.hertz.nominal * Rational(random.whole(90, 110), 100);
            ask.tolerance = drawnTolerance(random);
            const PromiseFigure figure = judgeTimer({}, timer, ask, clock, {}, Detail::result);
            const std::int64_t edges =
                figure.settings.empty() ? 1 : edgesToOverflow(Counter(held(figure, "prescaler"), held(figure, "counts")));
            const std::string wrong =
                verdicts.look(figure, "fires every " + ask.period.toString(), clock.hertz, random, 10,
                              [&](const Rational& hertz) { return isNear(edges / hertz, ask.period, ask.tolerance); });
            QVERIFY2(wrong.empty(), wrong.c_str());
        }
        QVERIFY2(verdicts.kept() > 100 && verdicts.strained() > 20, std::to_string(verdicts.strained()).c_str());
    }

    /// A cascade: the second counts the periods of the first. Where the three factors can make a period exactly, that is found.
    void timersInACascadeFire() {
        Random random;
        Verdicts verdicts;
        int exact = 0;
        for (int i = 0; i < worldCount(200); ++i) {
            TimerKind timer = drawnTimer(random);
            timer.chain = TimerChain{"timer2", 32, FactorSet::range(1, 256)};
            const bool isExactly = random.coin();
            const Clock clock = drawnClock(random, 1000000, isExactly ? 0 : 20000);
            FiresAsk ask;
            ask.isChained = true;
            const std::int64_t wanted = random.whole(1, 200) * random.whole(1, 200) * random.pick(std::vector<int>{1, 2, 8});
            ask.period = Rational(wanted, 1000000);
            ask.tolerance = isExactly ? Tolerance{true, {}} : drawnTolerance(random);
            const PromiseFigure figure = judgeTimer({}, timer, ask, clock, {}, Detail::result);
            Counter first(held(figure, "prescaler"), held(figure, "counts"));
            std::int64_t edges = 0;
            for (std::int64_t periods = 0; periods < held(figure, "chained_counts");) {
                ++edges;
                periods += first.edge() ? 1 : 0;
            }
            exact += isExactly ? 1 : 0;
            QVERIFY2(!isExactly || edges == wanted, (std::to_string(edges) + " for " + std::to_string(wanted)).c_str());
            const std::string wrong =
                verdicts.look(figure, "fires every " + ask.period.toString(), clock.hertz, random, 10,
                              [&](const Rational& hertz) { return isNear(edges / hertz, ask.period, ask.tolerance); });
            QVERIFY2(wrong.empty(), wrong.c_str());
        }
        QVERIFY2(exact > 60 && verdicts.strained() > 5, std::to_string(exact).c_str());
    }

    /// On while the count is below the compare value; both outputs off for the dead counts at each change.
    void channelsDrive() {
        Random random;
        Verdicts verdicts;
        for (int i = 0; i < worldCount(500); ++i) {
            TimerKind timer = drawnTimer(random);
            timer.channels = {"p1"};
            const bool hasDead = random.coin();
            timer.dead = hasDead ? FactorSet::range(0, 63) : FactorSet();
            const Clock clock = drawnClock(random, 1000000, 15000);
            DrivesAsk ask;
            ask.hertz = Rational(1000000, random.whole(20, 2000));
            ask.duty = Rational(random.whole(0, 100), 100);
            ask.tolerance = drawnTolerance(random);
            if (random.coin()) {
                ask.stepUnder = Rational(random.whole(1, 50), 1000);
            }
            if (hasDead && random.coin()) {
                ask.dead = Rational(random.whole(1, 40), 1000000);
            }
            const PromiseFigure figure = judgePwm({}, {timer, 1}, ask, clock, {}, Detail::result);
            if (figure.settings.empty()) {
                continue;
            }
            Counter counter(held(figure, "prescaler"), held(figure, "counts"));
            std::int64_t edges = 0;
            std::int64_t on = 0;
            std::int64_t steps = 0;
            std::int64_t last = -1;
            do {
                on += counter.count() < held(figure, "compare1") ? 1 : 0;
                steps += counter.count() != last ? 1 : 0;
                last = counter.count();
                ++edges;
            } while (!counter.edge());
            const std::int64_t dead = held(figure, "dead");
            const Rational duty(on, edges);
            const bool isDuty = abs(duty - ask.duty) <= ask.stepUnder.value_or(Rational(1, 200)) &&
                                (!ask.stepUnder || Rational(1, steps) < *ask.stepUnder) && (ask.duty.isZero() || on > dead) &&
                                (ask.duty == 1 || edges - on > dead);
            const std::string wrong = verdicts.look(figure, "drives " + ask.hertz.toString() + " at " + ask.duty.toString(),
                                                    clock.hertz, random, 10, [&](const Rational& hertz) {
                                                        return isDuty && isNear(hertz / edges, ask.hertz, ask.tolerance) &&
                                                               (!ask.dead || dead / hertz >= *ask.dead);
                                                    });
            QVERIFY2(wrong.empty(), wrong.c_str());
        }
        QVERIFY2(verdicts.kept() > 60 && verdicts.strained() > 10, std::to_string(verdicts.kept()).c_str());
    }

    /// Fed again and again, with the feeds as far apart as they may be, and as near; then not any more.
    void watchdogsBite() {
        Random random;
        Verdicts verdicts;
        for (int i = 0; i < worldCount(500); ++i) {
            WatchdogKind watchdog;
            watchdog.prescaler = FactorSet::list({1, 4, 16});
            watchdog.counts = FactorSet::range(1, 256);
            watchdog.hasWindow = true;
            watchdog.feedRestartsPrescaler = random.coin();
            watchdog.feedSync = random.whole(0, 2);
            const Clock clock = drawnClock(random, 1000, 200000);
            BitesAsk ask;
            ask.after = Rational(random.whole(100, 3000), 1000);
            WatchdogSpan feed;
            feed.longest = ask.after * Rational(random.whole(60, 100), 100);
            feed.shortest = feed.longest * Rational(random.whole(80, 100), 100);
            ask.fedEvery = feed.longest;
            ask.fedLeast = feed.shortest;
            if (random.coin()) {
                ask.atLatest = ask.after * Rational(random.whole(105, 160), 100);
            }
            if (random.coin()) {
                ask.opensAfter = feed.shortest * Rational(random.whole(30, 95), 100);
            }
            const PromiseFigure figure = judgeWatchdog({}, watchdog, ask, clock, {}, {}, Detail::result);
            if (figure.settings.empty()) {
                continue;
            }
            const auto run = [&](const Rational& hertz) {
                const std::int64_t opensAt = held(figure, "window") * held(figure, "prescaler");
                // the feed may come at any time of the prescaler's count, and takes a few periods to get through
                for (std::int64_t phase = 0; phase < (watchdog.feedRestartsPrescaler ? 1 : held(figure, "prescaler")); ++phase) {
                    Counter counter(held(figure, "prescaler"), held(figure, "counts"));
                    for (std::int64_t edge = 0; edge < phase; ++edge) {
                        counter.edge();
                    }
                    counter.restart(watchdog.feedRestartsPrescaler);
                    const std::int64_t sync = *watchdog.feedSync.toInt64();
                    std::int64_t edges = 1;
                    while (!counter.edge()) {
                        ++edges;
                    }
                    if (Rational(edges) / hertz <= feed.longest + sync / hertz) {
                        return false; // bitten before the next feed was through
                    }
                    if (ask.atLatest && Rational(edges) / hertz > *ask.atLatest) {
                        return false;
                    }
                    if (ask.opensAfter && Rational(opensAt) / hertz > std::min(*ask.opensAfter, feed.shortest)) {
                        return false; // still closed when it should be open, or is fed
                    }
                }
                // open more than a tenth sooner than asked is strained by rule
                return !ask.opensAfter || Rational(opensAt) / hertz >= *ask.opensAfter * Rational(9, 10);
            };
            const std::string wrong =
                verdicts.look(figure, "bites after " + ask.after.toString() + ", fed " + feed.longest.toString(), clock.hertz,
                              random, 10, run, false);
            QVERIFY2(wrong.empty(), wrong.c_str());
        }
        QVERIFY2(verdicts.kept() > 60 && verdicts.strained() > 20, std::to_string(verdicts.kept()).c_str());
    }

    /// A day's seconds, counted by two dividers; a calibration adds or leaves out edges of each second.
    void calendarsDrift() {
        Random random;
        Verdicts verdicts;
        for (int i = 0; i < worldCount(500); ++i) {
            RtcKind rtc;
            rtc.first = FactorSet::range(1, 8);
            rtc.second = FactorSet::range(1, random.whole(16, 512));
            if (random.coin()) {
                rtc.calibration = Calibration{Rational(1, 100000), -500, 500};
            }
            const Rational hertz(random.whole(100, 40000), 10);
            const Clock clock = drawnClock(random, hertz, 3000);
            DriftsAsk ask;
            ask.limit = Rational(random.whole(10, 400), 100000);
            const PromiseFigure figure = judgeCalendar({}, rtc, ask, clock, {}, Detail::result);
            if (figure.settings.empty()) {
                continue;
            }
            const std::int64_t edges = edgesToOverflow(Counter(held(figure, "first"), held(figure, "second")));
            const Rational steps = held(figure, "calibration");
            const std::string wrong = verdicts.look(
                figure, "drifts at most " + ask.limit.toString(), clock.hertz, random, 10, [&](const Rational& rate) {
                    // seconds told in a second, and what the calibration makes of them
                    const Rational told = rate / edges + (rtc.calibration ? steps * rtc.calibration->step : Rational(0));
                    return abs(told - 1) <= ask.limit;
                });
            QVERIFY2(wrong.empty(), wrong.c_str());
            // no other pair of dividers does better at the nominal
            for (std::int64_t first = 1; first <= 8 && !rtc.calibration; ++first) {
                for (std::int64_t second = 1; second <= *rtc.second.most().toInt64(); ++second) {
                    QVERIFY(figure.state != State::broken || abs(hertz / (first * second) - 1) > ask.limit);
                }
            }
        }
        QVERIFY2(verdicts.kept() > 60 && verdicts.strained() > 10, std::to_string(verdicts.strained()).c_str());
    }

    /// An alarm that matches the calendar again and again: as many of its seconds as the period has.
    void alarmsFire() {
        Random random;
        Verdicts verdicts;
        for (int i = 0; i < worldCount(500); ++i) {
            RtcKind rtc;
            rtc.first = FactorSet::range(1, 8);
            rtc.second = FactorSet::range(1, 512);
            rtc.alarm = FactorSet::list({60, 3600});
            const Clock clock = drawnClock(random, Rational(random.whole(200, 2000)), 3000);
            FiresAsk ask;
            ask.isAlarm = true;
            ask.period = random.coin() ? Rational(60) : Rational(3600);
            ask.tolerance.within = Rational(random.whole(10, 600), 100000);
            const PromiseFigure figure = judgeAlarm({}, rtc, ask, clock, {}, Detail::result);
            if (figure.settings.empty()) {
                continue;
            }
            const std::int64_t edges = edgesToOverflow(Counter(held(figure, "first"), held(figure, "second")));
            const std::string wrong = verdicts.look(
                figure, "fires every " + ask.period.toString(), clock.hertz, random, 10,
                [&](const Rational& hertz) { return isNear(ask.period * edges / hertz, ask.period, ask.tolerance); });
            QVERIFY2(wrong.empty(), wrong.c_str());
        }
        QVERIFY2(verdicts.kept() > 60 && verdicts.strained() > 10, std::to_string(verdicts.strained()).c_str());
    }

    /// A counter that is read: how long until the same number stands there again, and how long a number stands.
    void stampsWrap() {
        Random random;
        Verdicts verdicts;
        for (int i = 0; i < worldCount(500); ++i) {
            TimerKind timer = drawnTimer(random);
            timer.style = TimerStyle::freeRunning;
            timer.counts = FactorSet::one(Rational(std::int64_t{1} << timer.bits));
            const Clock clock = drawnClock(random, 1000000, 20000);
            StampsAsk ask;
            ask.wrapsAfter = Rational(random.whole(100, 20000), 1000000);
            if (random.coin()) {
                ask.resolves = Rational(random.whole(1, 60), 1000000);
            }
            const PromiseFigure figure = judgeStamps({}, timer, ask, clock, {}, Detail::result);
            if (figure.settings.empty()) {
                continue;
            }
            const std::int64_t wraps = edgesToOverflow(Counter(held(figure, "prescaler"), held(figure, "counts")));
            const std::int64_t stands = edgesToOverflow(Counter(held(figure, "prescaler"), 1));
            const std::string wrong = verdicts.look(
                figure, "wraps after " + ask.wrapsAfter->toString(), clock.hertz, random, 10, [&](const Rational& hertz) {
                    return wraps / hertz >= *ask.wrapsAfter && (!ask.resolves || stands / hertz <= *ask.resolves);
                });
            QVERIFY2(wrong.empty(), wrong.c_str());
        }
        QVERIFY2(verdicts.kept() > 60, std::to_string(verdicts.kept()).c_str());
    }

    /// A loop of instructions, one turn after the other.
    void loopsWait() {
        Random random;
        Verdicts verdicts;
        for (int i = 0; i < worldCount(500); ++i) {
            DelayLoopKind loop;
            loop.turn = random.whole(3, 7);
            loop.overhead = random.whole(0, 20);
            loop.turns = FactorSet::range(1, 5000);
            Clock clock = drawnClock(random, 8000000, 20000);
            clock.speed = random.coin() ? Rational(1) : Rational(random.whole(50, 99), 100);
            WaitsAsk ask;
            ask.time = Rational(random.whole(5, 2000), 1000000);
            ask.isAtLeast = random.coin();
            ask.tolerance = ask.isAtLeast ? Tolerance() : drawnTolerance(random);
            const PromiseFigure figure = judgeDelayLoop({}, loop, ask, clock, {}, Detail::result);
            if (figure.settings.empty()) {
                continue;
            }
            Rational cycles = loop.overhead;
            for (std::int64_t turn = 0; turn < held(figure, "turns"); ++turn) {
                cycles += loop.turn;
            }
            const std::string wrong =
                verdicts.look(figure, "waits " + ask.time.toString(), clock.hertz, random, 10, [&](const Rational& hertz) {
                    const Rational time = cycles / (hertz * clock.speed);
                    return ask.isAtLeast ? time >= ask.time : isNear(time, ask.time, ask.tolerance);
                });
            QVERIFY2(wrong.empty(), wrong.c_str());
        }
        QVERIFY2(verdicts.kept() > 100 && verdicts.strained() > 10, std::to_string(verdicts.strained()).c_str());
    }
};

QTEST_APPLESS_MAIN(CoreWorldCounters)
#include "core_world_counters.moc"
