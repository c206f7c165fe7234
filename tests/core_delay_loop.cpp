#include "promise/delay_loop.h"

#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

const DelayLoopKind kLoop{3, 6, FactorSet::range(1, 65535)};

WaitsAsk askOf(const std::string& line) {
    return readPromiseLine("pause waits " + line)->ask.get<WaitsAsk>();
}

} // namespace

/// Loops of instructions that pass time.
class CoreDelayLoop : public QObject {
    Q_OBJECT

private slots:
    void handCheckedRows_data() {
        QTest::addColumn<std::string>("ask");
        QTest::addColumn<std::string>("state");
        QTest::addColumn<int>("turns");
        QTest::addColumn<std::string>("got");
        QTest::addColumn<std::string>("why");
        const auto row = [](const char* ask, const char* state, int turns, const char* got, const char* why) {
            QTest::newRow(ask) << std::string(ask) << std::string(state) << turns << std::string(got) << std::string(why);
        };
        // at 30 MHz a turn is 0.1 us, a call 0.2 us
        row("100 us exactly", "kept", 998, "100e-6", "");
        row("100 us within 1 %", "kept", 998, "100e-6", "");
        row("100.04 us", "broken", 998, "100e-6", "the nearest is 100 \u00b5s, \u2248\u2212399.8 ppm, asked exactly");
        row("at least 100.04 us", "kept", 999, "100.1e-6", "");
        row("at least 0.1 us", "kept", 1, "0.3e-6", "");
        row("0.1 us within 10 %", "broken", 1, "0.3e-6", "the nearest is 300 ns, +200 %, asked within \u00b110 %");
        row("at least 1 s", "broken", 65535, "6553.7e-6", "the longest is 6.5537 ms, asked at least 1 s");
    }
    void handCheckedRows() {
        QFETCH(std::string, ask);
        QFETCH(std::string, state);
        QFETCH(int, turns);
        QFETCH(std::string, got);
        QFETCH(std::string, why);
        const PromiseFigure figure = judgeDelayLoop({}, kLoop, askOf(ask), clockAt("30000000"));
        QCOMPARE(figure.why, why);
        QCOMPARE(stateName(figure.state), state);
        QCOMPARE(figure.settings[0].value, Rational(turns));
        QCOMPARE(figure.got->nominal, exact(got));
    }

    /// A wait of at least so long is long enough at the fastest clock.
    void cornersCount() {
        const PromiseFigure figure = judgeDelayLoop({}, kLoop, askOf("at least 100 us"), clockAt("30000000", "-1/50", "1/50"));
        QCOMPARE(figure.state, State::kept);
        QCOMPARE(figure.settings[0].value, Rational(1018)); // 3060 cycles of 30.6 MHz
        QCOMPARE(figure.workings.back().result, std::string("204 \u00b5s and 51 \u00b5s"));
    }

    /// No number of turns is better: all tried.
    void noBetterWayExists() {
        Random random;
        for (int i = 0; i < 1000; ++i) {
            const DelayLoopKind loop{random.whole(1, 9), random.whole(0, 20), FactorSet::range(1, random.whole(1, 300))};
            WaitsAsk ask;
            ask.time = Rational(random.whole(1, 3000), 10000000);
            ask.isAtLeast = random.coin();
            if (!ask.isAtLeast && random.coin()) {
                ask.tolerance.within = Rational(random.whole(1, 100), 1000);
            }
            const Clock clock = clockAt(std::to_string(random.whole(1, 20) * 1000000), "-1/50", "1/100");
            std::optional<PromiseFigure> best;
            for (std::int64_t turns = 1; turns <= *loop.turns.size().toInt64(); ++turns) {
                const PromiseFigure each = judgeDelayLoop({}, loop, ask, clock, {{"turns", turns}}, Detail::result);
                const bool isBetter =
                    !best || (each.state != best->state ? worseState(each.state, best->state) == best->state
                                                        : largestMagnitude(*each.error) < largestMagnitude(*best->error));
                best = isBetter ? each : *best;
            }
            const PromiseFigure found = judgeDelayLoop({}, loop, ask, clock);
            QCOMPARE(found.state, best->state);
            QCOMPARE(largestMagnitude(*found.error), largestMagnitude(*best->error));
        }
    }
};

QTEST_APPLESS_MAIN(CoreDelayLoop)
#include "core_delay_loop.moc"
