#include "evaluate/evaluate.h"
#include "files/plan_reader.h"
#include "long_lists.h"
#include "part/typical_only.h"
#include "support.h"
#include "workshop/ranked_unknown.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// The watchdog's clock has no tolerance, deep no draw and its wake-up no longest time; the core's RC is told.
const char* const kPart = R"(format = "wisetick-part/1"
id = "try"
name = "Try"
supply = { min = "1.8 V", max = "3.6 V" }
temperature = { min = "-40 C", max = "85 C" }

[[source]]
id = "rc"
kind = "rc"
rate = "8 MHz"
tolerance = "1 %"
startup = { typ = "2 us" }
draws = { typ = "100 uA" }

[[source]]
id = "slow"
kind = "rc"
rate = "32 kHz"
startup = "50 us"
draws = "1 uA"

[[line]]
id = "core"
from = "rc"

[[peripheral]]
id = "uart1"
kind = "uart"
clock = "core"
modes = [{ oversample = 16, divisor = { from = 1, to = 4095 } }]
draws = { per_mhz = { typ = "2 uA" } }

[[peripheral]]
id = "tick"
kind = "timer"
clock = "slow"
bits = 16
prescaler = [1]
draws = "10 nA"

[[peripheral]]
id = "dog"
kind = "watchdog"
clock = "slow"
prescaler = { powers_of = 2, from = 2, to = 8 }
counts = { from = 1, to = 4096 }
draws = "60 nA"

[[mode]]
id = "run"
runs = true
draws = { typ = "1 mA", max = "2 mA" }

[[mode]]
id = "deep"
keeps = { sources = ["slow"], peripherals = ["dog"] }
wakes_on = "rc"
draws = { typ = "2 uA", max = "9 uA" }
stages = [{ say = "regulator", typ = "5 us", draws = "1 uA" }, { say = "flash", typ = "1 us", draws = "1 uA" }]
)";

const char* const kPlan = R"(format = "wisetick-plan/1"
name = "Try"
part = "try"
active = "A"

[board]
supply = { nominal = "3 V" }
temperature = { min = "0 C", nominal = "25 C", max = "60 C" }

[[promise]]
say = "bite: dog bites after 2 s within 40 %"

[[promise]]
say = "beat: tick fires every 1 s within 40 %"

[[promise]]
say = "wake: wakes from deep in at most 20 us"

[[promise]]
say = "log: uart1 talks 9600 within 3 %"

[[take]]
name = "A"
rests_in = "deep"
)";

Part part(const std::string& text = kPart) {
    const PartFile file = readPart(text, "part");
    if (!file.part) {
        qFatal("%s", lines(file.diagnostics).c_str());
    }
    return *file.part;
}

Plan plan(const Part& on) {
    const PlanFile file = readPlan(kPlan, "plan", &on);
    if (!file.plan) {
        qFatal("%s", lines(file.diagnostics).c_str());
    }
    return *file.plan;
}

} // namespace

/// Which figure is to be looked up next, and what is taken from typical figures.
class CoreUnknownRanked : public QObject {
    Q_OBJECT

    static std::string said(const std::vector<RankedUnknown>& ranked) {
        std::string text;
        for (const RankedUnknown& each : ranked) {
            text += std::string(each.fact.say) + ": " + std::to_string(each.certain) + " " + std::to_string(each.needs) + "\n";
        }
        return text;
    }

private slots:
    /// Two verdicts hang on the tolerance alone; the wake-up hangs on two figures, each of which alone leaves it open.
    void whatMakesMostVerdictsCertainComesFirst() {
        const Part on = part();
        const Plan with = plan(on);
        std::vector<RankedUnknown> ranked = rankedUnknown(on, with);
        rankByVerdicts(on, with, ranked);
        QVERIFY2(said(ranked).starts_with("the tolerance of slow: 2 2\n"), said(ranked).c_str());
        for (const char* each : {"the longest time of 'regulator': 0 1\n", "the longest time of 'flash': 0 1\n"}) {
            QVERIFY2(said(ranked).find(each) != std::string::npos, said(ranked).c_str());
        }
        // once one of them is told, the other makes it certain
        const Part told =
            part(replaced(kPart, "say = \"flash\", typ = \"1 us\"", "say = \"flash\", typ = \"1 us\", max = \"2 us\""));
        ranked = rankedUnknown(told, with);
        rankByVerdicts(told, with, ranked);
        QVERIFY2(said(ranked).find("the longest time of 'regulator': 1 1\n") != std::string::npos, said(ranked).c_str());
        int asked = 0;
        QVERIFY_EXCEPTION_THROWN(rankByVerdicts(told, with, ranked, [&] { return ++asked < 3; }), Stopped);
    }

    /// A check that is told to stop ends before the next promise, also where very many share one peripheral.
    void aCheckStopsWhereItStands() {
        const LongList list = manyOnOneTimer(300);
        const Part on = part(list.part);
        const Plan with = *readPlan(list.plan, "plan", &on).plan;
        for (const int after : {0, 1, 150, 1000, 5000}) {
            int asked = 0;
            QVERIFY_EXCEPTION_THROWN(evaluate(on, with, "A", [&] { return ++asked <= after; }), Stopped);
            QCOMPARE(asked, after + 1);
        }
    }

    void whatIsToldTypicallyOnlyIsUnknown() {
        std::string all;
        for (const TypicalOnly& each : toldTypicallyOnly(part())) {
            all += std::string(each.say) + "\n";
        }
        QCOMPARE(all, std::string("the longest start-up of rc\nthe most that rc draws\nthe most that uart1 draws\n"
                                  "the longest time of 'regulator'\nthe longest time of 'flash'\n"));
        const Figures figures = evaluate(part(), plan(part()), "A");
        QCOMPARE(figures.findPromise("wake")->state == State::kept, false);
    }

    /// With a factor of the user's they are bounded, and every check says for which.
    void aFactorBoundsThem() {
        const Part bounded = part(replaced(kPart, "id = \"try\"\n", "id = \"try\"\ntyp_only = 2\n"));
        QCOMPARE(bounded.sources[0].startup.max.value_or(Rational(0)), Rational(4, 1000000)); // 2 × 2 us
        QCOMPARE(bounded.sources[0].draws->max->points[0].ampere, Rational(200, 1000000));
        QCOMPARE(bounded.peripherals[0].draws->perMegahertzMax.value_or(Rational(0)), Rational(4, 1000000));
        QCOMPARE(bounded.modes[1].stages[0].lasts.max.value_or(Rational(0)), Rational(10, 1000000));
        QCOMPARE(bounded.modes[0].draws->max->points[0].ampere, Rational(2, 1000)); // which is told
        QVERIFY(toldTypicallyOnly(bounded).empty());
        const Figures figures = evaluate(bounded, plan(bounded), "A");
        QCOMPARE(figures.findPromise("wake")->state, State::kept); // 10 + 2 us of 20
        std::string notes;
        for (const Diagnostic& finding : figures.findings) {
            notes += finding.place.path == "typ_only" ? std::string(finding.found) : "";
        }
        QVERIFY2(
            notes.starts_with("taken as 2 times the typical figure, as the part does not tell it: the longest start-up of rc"),
            notes.c_str());
        int listed = 0;
        for (const UnknownFact& fact : unknownFacts(bounded)) {
            listed += fact.costs.find("2 times the typical") != std::string::npos ? 1 : 0;
        }
        QCOMPARE(listed, 5); // still to be looked up
        const PartFile wrong = readPart(replaced(kPart, "id = \"try\"\n", "id = \"try\"\ntyp_only = \"1/2\"\n"), "part");
        QVERIFY2(lines(wrong.diagnostics).find("1 or more") != std::string::npos, lines(wrong.diagnostics).c_str());
    }
};

QTEST_APPLESS_MAIN(CoreUnknownRanked)
#include "core_unknown_ranked.moc"
