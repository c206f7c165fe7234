#include "promise/judge.h"

#include "promise/limits.h"
#include "promise/line_rate.h"
#include "quantity/quantity_print.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

Bounds spread(const std::string& min, const std::string& nominal, const std::string& max) {
    return {exact(min), exact(nominal), exact(max)};
}

std::string said(const Judgement& judgement) {
    return stateName(judgement.state) + " " + (judgement.margin ? judgement.margin->toString() : "none");
}

} // namespace

/// The answers of the page "How a promise is judged", row by row.
class CoreJudge : public QObject {
    Q_OBJECT

private slots:
    void tolerances_data() {
        QTest::addColumn<std::string>("min");
        QTest::addColumn<std::string>("nominal");
        QTest::addColumn<std::string>("max");
        QTest::addColumn<std::string>("within");
        QTest::addColumn<bool>("isKnown");
        QTest::addColumn<std::string>("said");
        const auto row = [](const char* name, const char* min, const char* nominal, const char* max, const char* within,
                            bool isKnown, const char* said) {
            QTest::newRow(name) << std::string(min) << std::string(nominal) << std::string(max) << std::string(within) << isKnown
                                << std::string(said);
        };
        row("all inside", "-1/100", "0", "1/100", "1/50", true, "kept 1/2");
        row("just inside", "-1/50", "0", "1/50", "1/50", true, "kept 0");
        row("a worst case just outside", "-1/50", "0", "3/100", "1/50", true, "strained -1/2");
        row("the lower worst case outside", "-3/100", "-1/100", "1/100", "1/50", true, "strained -1/2");
        row("the nominal just inside", "1/50", "1/50", "1/50", "1/50", true, "kept 0");
        row("the nominal outside", "1/40", "1/40", "1/40", "1/50", true, "broken -1/4");
        row("the worst not known", "0", "0", "0", "1/50", false, "strained 1");
        row("the worst not known, nominal outside", "1/40", "1/40", "1/40", "1/50", false, "broken -1/4");
        row("a tolerance of 0 admits only 0", "0", "0", "0", "0", true, "kept none");
        row("a tolerance of 0 and a whisker", "-1/1000000", "0", "1/1000000", "0", true, "strained none");
    }
    void tolerances() {
        QFETCH(std::string, min);
        QFETCH(std::string, nominal);
        QFETCH(std::string, max);
        QFETCH(std::string, within);
        QFETCH(bool, isKnown);
        QFETCH(std::string, said);
        QCOMPARE(::said(judgeWithin(spread(min, nominal, max), exact(within), isKnown)), said);
    }

    void exactlyJudgesTheSettingAlone() {
        QCOMPARE(said(judgeExactly(spread("-1/4", "0", "1/4"))),
                 std::string("kept none")); // the source's tolerance is not judged
        QCOMPARE(said(judgeExactly(spread("0", "1/1000000000", "0"))), std::string("broken none"));
        QCOMPARE(said(judgeTolerance(spread("-1/4", "0", "1/4"), {}, true)), std::string("kept none"));
        QCOMPARE(said(judgeTolerance(spread("-1/4", "0", "1/4"), {false, exact("1/10")}, true)), std::string("strained -3/2"));
    }

    void bounds_data() {
        QTest::addColumn<std::string>("min");
        QTest::addColumn<std::string>("nominal");
        QTest::addColumn<std::string>("max");
        QTest::addColumn<bool>("isKnown");
        QTest::addColumn<std::string>("atMost100");
        QTest::addColumn<std::string>("atLeast100");
        const auto row = [](const char* name, const char* min, const char* nominal, const char* max, bool isKnown,
                            const char* atMost, const char* atLeast) {
            QTest::newRow(name) << std::string(min) << std::string(nominal) << std::string(max) << isKnown << std::string(atMost)
                                << std::string(atLeast);
        };
        row("well below", "40", "50", "60", true, "kept 2/5", "broken -3/5");
        row("the worst at the bound", "90", "95", "100", true, "kept 0", "broken -1/10");
        row("the worst over it", "90", "95", "110", true, "strained -1/10", "broken -1/10");
        row("the nominal at it", "90", "100", "110", true, "strained -1/10", "strained -1/10");
        row("the nominal over it", "100", "101", "110", true, "broken -1/10", "kept 0");
        row("well above", "150", "200", "250", true, "broken -3/2", "kept 1/2");
        row("the worst not known", "50", "50", "50", false, "strained 1/2", "broken -1/2");
    }
    void bounds() {
        QFETCH(std::string, min);
        QFETCH(std::string, nominal);
        QFETCH(std::string, max);
        QFETCH(bool, isKnown);
        QFETCH(std::string, atMost100);
        QFETCH(std::string, atLeast100);
        QCOMPARE(said(judgeAtMost(spread(min, nominal, max), 100, isKnown)), atMost100);
        QCOMPARE(said(judgeAtLeast(spread(min, nominal, max), 100, isKnown)), atLeast100);
    }

    void twoConditionsTakeTheWorse() {
        const Judgement kept{State::kept, exact("1/2")};
        const Judgement strained{State::strained, exact("-1/4")};
        const Judgement without{State::kept, std::nullopt};
        QCOMPARE(said(both(kept, strained)), std::string("strained -1/4"));
        QCOMPARE(said(both(strained, kept)), std::string("strained -1/4"));
        QCOMPARE(said(both(kept, without)), std::string("kept 1/2"));
        QCOMPARE(worseState(State::pending, State::kept), State::kept);
        QCOMPARE(worseState(State::broken, State::strained), State::broken);
    }

    /// State first, then worst-case |error|, then nominal |error|.
    void waysAreCompared() {
        const auto way = [](State state, const Bounds& error) {
            Way made;
            made.state = state;
            made.error = error;
            return made;
        };
        const Way keptFar = way(State::kept, spread("-1/10", "0", "1/10"));
        const Way keptNear = way(State::kept, spread("-1/20", "1/40", "1/20"));
        const Way keptNearer = way(State::kept, spread("-1/20", "0", "1/20"));
        const Way strained = way(State::strained, spread("0", "0", "0"));
        QVERIFY(compareWays(keptFar, strained) < 0);
        QVERIFY(compareWays(keptNear, keptFar) < 0);
        QVERIFY(compareWays(keptNearer, keptNear) < 0);
        QCOMPARE(compareWays(keptNear, keptNear), 0);
    }

    void lineRates_data() {
        QTest::addColumn<std::string>("line");
        QTest::addColumn<std::string>("state");
        QTest::addColumn<std::string>("why");
        // 48 MHz, 1000 ppm down to 2000 ppm up
        const auto row = [](const char* line, const char* state, const char* why) {
            QTest::newRow(line) << std::string(line) << std::string(state) << std::string(why);
        };
        row("usb runs at 48 MHz", "kept", "");
        row("usb runs at 48 MHz within 0.25 %", "kept", "");
        row("usb runs at 48 MHz within 0.15 %", "strained", "a worst case is 48.096 MHz, +0.2 %, asked within \u00b10.15 %");
        row("usb runs at 47 MHz", "broken", "the nearest is 48 MHz, \u2248+2.128 %, asked exactly");
        row("usb runs at most 48.1 MHz", "kept", "");
        row("usb runs at most 48 MHz", "strained", "runs at 48.096 MHz in the worst case, asked at most 48 MHz");
        row("usb runs at most 47 MHz", "broken", "runs at 48 MHz, asked at most 47 MHz");
        row("usb runs at least 47.9 MHz", "kept", "");
        row("usb runs at least 48 MHz", "strained", "runs at 47.952 MHz in the worst case, asked at least 48 MHz");
        row("usb runs at least 49 MHz", "broken", "runs at 48 MHz, asked at least 49 MHz");
    }
    void lineRates() {
        QFETCH(std::string, line);
        QFETCH(std::string, state);
        QFETCH(std::string, why);
        const RunsAsk ask = readPromiseLine(line).value().ask.get<RunsAsk>();
        const PromiseFigure figure = judgeLineRate({}, ask, clockAt("48000000", "-1/1000", "2/1000"));
        QCOMPARE(stateName(figure.state), state);
        QCOMPARE(figure.why, why);
        Clock unknown = clockAt("48000000");
        unknown.unknown = "unknown: tolerance of osc";
        const PromiseFigure vague = judgeLineRate({}, ask, unknown);
        const bool isExactly = ask.bound == RunsAsk::Bound::at && !ask.tolerance.within;
        QVERIFY(vague.state != State::kept || isExactly); // what is not known can't be relied on
        QVERIFY(!vague.isWorstKnown);
    }

    void playedFiguresCarryTheUnknown() {
        const AverageAsk ask{exact("1/1000")};
        const PromiseFigure none = judgeAverage({}, ask, {std::nullopt, "unknown: draw of rtc", {}});
        QCOMPARE(none.state, State::broken);
        QCOMPARE(none.why, std::string("unknown: draw of rtc"));
        const PromiseFigure part = judgeAverage({}, ask, {spread("1/5000", "1/4000", "1/3000"), "unknown: draw of rtc", {}});
        QCOMPARE(part.state, State::strained);
        QCOMPARE(part.why, std::string("unknown: draw of rtc"));
        const PromiseFigure life = judgeLife({}, {86400}, {spread("80000", "90000", "95000"), "", {}});
        QCOMPARE(life.state, State::strained);
        QCOMPARE(life.why, std::string("80000 s in the worst case, asked at least 24 h"));
        QCOMPARE(life.error->nominal, exact("1/24"));
    }
};

QTEST_APPLESS_MAIN(CoreJudge)
#include "core_judge.moc"
