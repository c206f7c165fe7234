#include "derive/derive.h"
#include "derive/workings_of.h"

#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// Promises on a part that is as it comes out of reset, but for the timers' clock.
class Bench {
public:
    explicit Bench(const std::vector<std::string>& lines)
        : part_(*readPart(marramText(), "marram").part), plan_(freshPlan(part_)) {
        for (const std::string& line : lines) {
            add(line);
        }
    }

    void add(const std::string& line) {
        const auto read = readPromiseLine(line, &part_);
        if (!read) {
            qFatal("%s: %s", line.c_str(), sayText(read.error()).c_str());
        }
        plan_.promises.push_back({line, *read});
    }

    void pin(const std::string& promise, const std::vector<std::pair<std::string, Rational>>& settings) {
        plan_.takes[0].pinned.push_back({promise, settings});
    }

    PromiseFigure figure(std::size_t index) const { return derive(part_, plan_, plan_.active).promises.at(index); }
    State state(std::size_t index) const { return figure(index).state; }

    Rational setting(std::size_t index, const std::string& name) const {
        const PromiseFigure one = figure(index);
        const Rational* value = pinnedValue(one.settings, name);
        return value == nullptr ? Rational(0) : *value;
    }

    Workings workings(std::size_t index) const {
        return promiseWorkings(part_, plan_, derive(part_, plan_, plan_.active), index);
    }

    const Part& part() const { return part_; }
    Plan& plan() { return plan_; }

private:
    Part part_;
    Plan plan_;
};

} // namespace

/// Promises that share the fields of one peripheral, ways that are pinned, and scans that a timer starts. Timers count 10 MHz
/// here.
class CoreShared : public QObject {
    Q_OBJECT

private slots:
    void channelsOfOneRateAreAllKept() {
        const Bench bench({"timer3.1 drives 20 kHz within 4 % at 35 % duty", "timer3.2 drives 20 kHz within 4 % at 10 % duty",
                           "timer3 fires every 50 us within 4 %"});
        for (std::size_t i = 0; i < 3; ++i) {
            QCOMPARE(stateName(bench.state(i)), std::string("kept"));
            QCOMPARE(bench.setting(i, "prescaler"), bench.setting(0, "prescaler"));
            QCOMPARE(bench.setting(i, "counts"), bench.setting(0, "counts"));
            QVERIFY(bench.figure(i).note.empty());
        }
        const Rational counts = bench.setting(0, "counts");
        QCOMPARE(bench.setting(0, "compare1"), (counts * Rational(35, 100)).rounded());
        QCOMPARE(bench.setting(1, "compare2"), (counts * Rational(1, 10)).rounded());
    }

    /// 20 and 30 kHz can't come of one counter: the first in the plan holds it, and both say so.
    void whatExcludesOneAnotherIsSaidByBoth() {
        const Bench bench(
            {"one: timer3.1 drives 20 kHz exactly at 50 % duty", "two: timer3.2 drives 30 kHz within 1 % at 50 % duty"});
        QCOMPARE(stateName(bench.state(0)), std::string("kept"));
        QCOMPARE(stateName(bench.state(1)), std::string("broken"));
        QVERIFY2(bench.figure(1).why.find("one holds the fields that both need") != std::string::npos,
                 bench.figure(1).why.c_str());
        QCOMPARE(bench.figure(0).note, std::string("its fields are also those of two, which can't be kept beside it"));
    }

    /// Where one of them has room to give, it gives it: 20 kHz exactly is 500 ticks, and 19.9 kHz within 4 % can be that too.
    void aToleranceMakesRoom() {
        const Bench bench({"timer3.1 drives 19.9 kHz within 4 % at 50 % duty", "timer3.2 drives 20 kHz exactly at 50 % duty"});
        QCOMPARE(stateName(bench.state(0)), std::string("kept"));
        QCOMPARE(stateName(bench.state(1)), std::string("kept"));
        QCOMPARE(bench.setting(0, "prescaler") * bench.setting(0, "counts"), Rational(500));
    }

    void aPinnedWayStaysAndSaysWhatWouldBeBetter() {
        Bench bench({"tick: timer2 fires every 1 ms exactly"});
        const Rational best = bench.setting(0, "counts");
        QCOMPARE(best, Rational(10000));
        QVERIFY(!bench.figure(0).isPinned);
        bench.pin("tick", {{"prescaler", 10}, {"counts", 1000}});
        QVERIFY(bench.figure(0).isPinned);
        QCOMPARE(stateName(bench.state(0)), std::string("kept"));
        QCOMPARE(bench.figure(0).note, std::string("pinned; free, it would be prescaler 1, counts 10000")); // no less of an error
        bench.plan().takes[0].pinned.clear();
        bench.pin("tick", {{"prescaler", 10}, {"counts", 1001}});
        QCOMPARE(stateName(bench.state(0)), std::string("broken"));
        QCOMPARE(bench.figure(0).note, std::string("pinned; a better way is free: prescaler 1, counts 10000"));
        bench.plan().takes[0].pinned.clear();
        bench.pin("tick", {{"prescaler", 1}, {"counts", 10000}});
        QVERIFY(bench.figure(0).note.empty()); // the best one, pinned
    }

    /// What is pinned for one sharer holds for all of them.
    void aPinHoldsForAllWhoShare() {
        Bench bench({"timer3.1 drives 20 kHz exactly at 50 % duty", "timer3.2 drives 20 kHz exactly at 25 % duty"});
        bench.pin("timer3.2", {{"prescaler", 5}});
        for (const std::size_t each : {std::size_t{0}, std::size_t{1}}) {
            QCOMPARE(bench.setting(each, "prescaler"), Rational(5));
            QCOMPARE(bench.setting(each, "counts"), Rational(100));
            QCOMPARE(stateName(bench.state(each)), std::string("kept"));
        }
    }

    void aPinThatTheTimerHasNotIsSaid() {
        Bench bench({"tick: timer4 fires every 1 ms within 1 %"});
        bench.pin("tick", {{"prescaler", 3}}); // it has powers of two
        QCOMPARE(bench.figure(0).why, std::string("the pinned way is not one that this timer has"));
    }

    void scansNeedTheirTrigger() {
        Bench bench({"adc0 takes 1 k samples/s, triggered by timer2"});
        QCOMPARE(stateName(bench.state(0)), std::string("broken"));
        QCOMPARE(bench.figure(0).why, std::string("its trigger makes no such rate: promise 'timer2 fires every 1 ms'"));
        bench.add("beat: timer2 fires every 2 ms exactly"); // another rate is no help
        QVERIFY(bench.state(0) == State::broken);
        bench.plan().promises.pop_back();
        bench.add("beat: timer2 fires every 1 ms exactly");
        QCOMPARE(stateName(bench.state(0)), std::string("kept"));
        bench.plan().promises.pop_back();
        bench.add("beat: timer2 fires every 1 ms within 1e-9 %"); // an RC strays farther
        QCOMPARE(stateName(bench.state(0)), std::string("strained"));
        QCOMPARE(bench.figure(0).why, std::string("its trigger beat is strained"));
        bool isScanShown = false;
        for (const Step& step : bench.workings(0)) {
            isScanShown =
                isScanShown || (step.what == "a scan" && step.formula == "must be over before timer2 starts the next one");
        }
        QVERIFY(isScanShown);
    }

    /// A channel takes its own pin, unless it stays inside.
    void channelsTakePins() {
        Bench bench({"timer3.1 drives 1 kHz at 50 % duty"});
        const auto usersOf = [&](const std::string& pin) {
            for (const PinFigure& each : derive(bench.part(), bench.plan(), bench.plan().active).pins) {
                if (each.pin == pin) {
                    return each.users;
                }
            }
            return std::vector<std::string>{"no such pin"};
        };
        QVERIFY(usersOf("W31") == std::vector<std::string>{"timer3.1"});
        QVERIFY(usersOf("W32").empty());
        bench.add("timer3.2 drives 1 kHz at 50 % duty, inside");
        QVERIFY(usersOf("W32").empty());
        bench.plan().board.wiring.emplace_back("lamp", "W31");
        QCOMPARE(usersOf("W31").size(), std::size_t{2});
    }

    /// The peripheral of a channel is let in, counts in the modes, and draws.
    void aChannelSwitchesItsTimerOn() {
        const Bench bench({"timer3.1 drives 1 kHz at 50 % duty, also in idle"});
        QCOMPARE(stateName(bench.state(0)), std::string("kept"));
        const Bench deep({"timer3.1 drives 1 kHz at 50 % duty, also in deep"});
        QVERIFY2(deep.figure(0).why.find("timer3.1 has no clock in deep") != std::string::npos, deep.figure(0).why.c_str());
        const auto fields = bench.figure(0).fields;
        QVERIFY(
            std::any_of(fields.begin(), fields.end(), [](const FieldValue& value) { return value.control == "timer3.gate"; }));
        QCOMPARE(targetText(bench.figure(0).subject), std::string("peripheral/timer3.1"));
    }
};

QTEST_APPLESS_MAIN(CoreShared)
#include "core_shared.moc"
