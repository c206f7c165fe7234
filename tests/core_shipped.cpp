#include "derive/lint_reset.h"
#include "evaluate/evaluate.h"
#include "files/shelf.h"
#include "part/lint.h"
#include "support.h"

#include <set>

using namespace wisetick;
using namespace wisetick::test;

namespace {

const std::vector<ShelvedPart>& parts() {
    static const std::vector<ShelvedPart> all = readShelf({sourceDir() + "/parts"});
    return all;
}

LoadedPlan loaded(const std::string& plan) {
    return loadPlan(sourceDir() + "/examples/" + plan + ".plan.toml", {sourceDir() + "/parts"});
}

/// What the shipped parts make use of, as words.
std::set<std::string> usesOf(const Part& part) {
    std::set<std::string> uses;
    const auto note = [&](bool isUsed, const char* what) {
        if (isUsed) {
            uses.insert(what);
        }
    };
    for (const Source& source : part.sources) {
        note(source.kind == SourceKind::clockIn, "clock input");
        note(source.rates.size() > 1, "several rates");
        note(source.failsTo.has_value(), "fallback source");
    }
    for (const Line& line : part.lines) {
        const FactorSet& divide = line.divide;
        const bool isStepped = !divide.empty() && divide.isRange();
        note(line.from.size() > 1, "mux");
        note(isStepped && divide.step() == 1, "divider of a range");
        note(isStepped && divide.step() == exact("1/2"), "divider of halves");
        note(!divide.empty() && !divide.isRange(), "divider of a list");
        note(!line.multiply.empty() && line.multiply.isRange() && line.multiply.step() == 1, "multiplier");
        note(!line.multiply.empty() && line.multiply.isRange() && line.multiply.step() == exact("1/4096"),
             "fractional multiplier");
        note(!line.multiply.empty() && !line.ripple.isZero(), "frequency-locked multiplier");
        note(line.factor != 1, "fixed factor");
        note(line.follows.has_value(), "factor that follows");
        note(line.fields.contains("on"), "gate");
        note(!line.pins.empty(), "clock output");
        for (const Limit& limit : line.limits) {
            note(limit.tier.has_value(), "limit by tier");
            note(limit.supplyBelow.has_value(), "limit by supply");
            note(limit.when.has_value(), "limit by a control");
            note(limit.isTolerance, "limit within");
        }
    }
    for (const Rule& rule : part.rules) {
        note(rule.relation == Rule::Relation::atMost, "rule at most");
        note(rule.relation == Rule::Relation::atLeast, "rule at least");
        note(rule.relation == Rule::Relation::equals, "rule equals");
        note(rule.times != 1, "rule of a ratio");
    }
    for (const Peripheral& peripheral : part.peripherals) {
        uses.insert(kindName(peripheral.kind));
        const auto* timer = peripheral.kind.as<TimerKind>();
        note(timer != nullptr && timer->style == TimerStyle::preload, "preload timer");
        const auto* watchdog = peripheral.kind.as<WatchdogKind>();
        note(watchdog != nullptr && watchdog->hasWindow, "windowed watchdog");
    }
    note(!part.waits.empty(), "wait states");
    note(!part.options.empty(), "option words");
    return uses;
}

} // namespace

/// The parts and plans that ship with the program.
class CoreShipped : public QObject {
    Q_OBJECT

private slots:
    void partsHaveNoFaultAndNothingSuspicious() {
        QCOMPARE(parts().size(), std::size_t{5});
        for (const ShelvedPart& shelved : parts()) {
            QCOMPARE(lines(shelved.file.diagnostics), std::string());
            QCOMPARE(shelved.file.part->id, shelved.id);
            QCOMPARE(lines(lintPart(*shelved.file.part, shelved.file.accepted)), std::string());
            QCOMPARE(lines(lintReset(*shelved.file.part)), std::string());
            const std::string page = fileText(sourceDir() + "/docs/parts/" + shelved.id + ".md");
            QVERIFY2(page.find(shelved.file.part->name) != std::string::npos, shelved.id.c_str());
        }
    }

    void togetherTheyUseAllThatAPartCanSay() {
        std::set<std::string> uses;
        for (const ShelvedPart& shelved : parts()) {
            uses.merge(usesOf(*shelved.file.part));
        }
        const std::set<std::string> all{"clock input",
                                        "several rates",
                                        "fallback source",
                                        "mux",
                                        "multiplier",
                                        "divider of a range",
                                        "divider of halves",
                                        "divider of a list",
                                        "fixed factor",
                                        "factor that follows",
                                        "fractional multiplier",
                                        "frequency-locked multiplier",
                                        "gate",
                                        "clock output",
                                        "limit by tier",
                                        "limit by supply",
                                        "limit within",
                                        "limit by a control",
                                        "rule at most",
                                        "rule at least",
                                        "rule equals",
                                        "rule of a ratio",
                                        "uart",
                                        "timer",
                                        "watchdog",
                                        "rtc",
                                        "adc",
                                        "spi",
                                        "i2c",
                                        "can",
                                        "delay-loop",
                                        "other",
                                        "sound",
                                        "preload timer",
                                        "option words",
                                        "windowed watchdog",
                                        "wait states"};
        QCOMPARE(uses, all);
    }

    void theLargeOneIsLarge() {
        const auto large =
            std::find_if(parts().begin(), parts().end(), [](const auto& each) { return each.file.part->lines.size() >= 120; });
        QVERIFY(large != parts().end());
        const Part& part = *large->file.part;
        QCOMPARE(part.peripherals.size(), std::size_t{60});
        QCOMPARE(std::count_if(part.lines.begin(), part.lines.end(), [](const Line& line) { return !line.multiply.empty(); }), 3);
    }

    /// Each plan has one promise broken and one strained, on purpose, and nothing else to find.
    void plansFindWhatTheyMean_data() {
        QTest::addColumn<std::string>("plan");
        QTest::addColumn<std::string>("broken");
        QTest::addColumn<std::string>("strained");
        QTest::newRow("orchard") << std::string("orchard-sprayer") << std::string("modem") << std::string("feed");
        QTest::newRow("hive") << std::string("hive-scale") << std::string("radio") << std::string("lift");
        QTest::newRow("door") << std::string("door-sensor") << std::string("radio") << std::string("gap");
        QTest::newRow("tractor") << std::string("field-tractor") << std::string("service") << std::string("parking");
        QTest::newRow("river") << std::string("river-gauge") << std::string("echo") << std::string("sensor");
        QTest::newRow("spindle") << std::string("spindle-balancer") << std::string("laser") << std::string("feed");
    }
    void plansFindWhatTheyMean() {
        QFETCH(std::string, plan);
        QFETCH(std::string, broken);
        QFETCH(std::string, strained);
        const LoadedPlan file = loaded(plan);
        QCOMPARE(lines(file.diagnostics), std::string());
        for (const Take& take : file.plan->takes) {
            const Figures figures = evaluate(*file.part, *file.plan, take.name);
            std::string brokenLines;
            for (const LineFigure& line : figures.lines) {
                brokenLines += line.state == State::kept ? "" : line.id + " ";
            }
            QCOMPARE(brokenLines, std::string());
            if (take.name != file.plan->active) {
                continue; // other takes are for other times: not all promises are meant to hold in them
            }
            for (const PromiseFigure& promise : figures.promises) {
                const State meant =
                    promise.name == broken ? State::broken : (promise.name == strained ? State::strained : State::kept);
                QVERIFY2(promise.state == meant, (promise.name + ": " + promise.why).c_str());
            }
            for (const Diagnostic& finding : figures.findings) {
                const bool isOfAPromise = finding.place.path.rfind("promise", 0) == 0;
                QVERIFY2(isOfAPromise || finding.severity == Severity::note, diagnosticText(finding).c_str());
            }
        }
    }

    /// Worked out by hand from the part's and plan's numbers.
    void figuresWorkedOutByHand_data() {
        QTest::addColumn<std::string>("plan");
        QTest::addColumn<std::string>("promise");
        QTest::addColumn<std::string>("got");
        const auto row = [](const char* plan, const char* promise, const char* got) {
            QTest::addRow("%s %s", plan, promise) << std::string(plan) << std::string(promise) << std::string(got);
        };
        row("hive-scale", "radio", "2000000/17");            // 8 MHz over 4 and 17
        row("hive-scale", "settle", "1/40");                 // 4 × 50000 counts of 8 MHz
        row("hive-scale", "feed", "131072/27500");           // 2^19 ÷ 110 kHz
        row("river-gauge", "core", "7995392");               // 244 × 32768
        row("river-gauge", "sensor", "7995392/69");          // over 16 and 4 5/16
        row("river-gauge", "console", "32768/27");           // 32768 over 16 and 1 11/16
        row("river-gauge", "show", "1024");                  // 32768 ÷ 32
        row("river-gauge", "nap", "303/500000");             // 6 µs of regulator, then 600 µs to mesh
        row("spindle-balancer", "tone", "0");                // worked out below
        row("spindle-balancer", "laser", "1562500");         // 100 MHz over 16 and 4
        row("spindle-balancer", "net", "50000000");          // 25 ÷ 5 × 160 ÷ 16
        row("spindle-balancer", "guard", "624640/62500000"); // 4096 × 244 ÷ 100 MHz
    }
    void figuresWorkedOutByHand() {
        QFETCH(std::string, plan);
        QFETCH(std::string, promise);
        QFETCH(std::string, got);
        const LoadedPlan file = loaded(plan);
        const Figures figures = evaluate(*file.part, *file.plan, file.plan->active);
        const PromiseFigure* figure = figures.findPromise(promise);
        QVERIFY(figure != nullptr && figure->got);
        // 5 MHz × (68 + 3329/4096) ÷ 7 ÷ 4 = 5 MHz × 281857 ÷ 114688
        const Rational expected = promise == "tone" ? Rational(5000000) * 281857 / 114688 : exact(got);
        QCOMPARE(figure->got->nominal, expected);
    }

    /// The plan's part on the shelf, its examples below it.
    void plansAreFoundByTheirPart() {
        const std::vector<ShelvedPlan> plans = plansIn(sourceDir() + "/examples");
        QCOMPARE(plans.size(), std::size_t{7});
        QCOMPARE(plans[2].name, std::string("Hive scale"));
        QCOMPARE(plans[2].part, std::string("sedge-8"));
        QCOMPARE(plans[2].about,
                 std::string("A scale under a beehive: it weighs every quarter of an hour and sends the weight by radio."));
    }
};

QTEST_APPLESS_MAIN(CoreShipped)
#include "core_shipped.moc"
