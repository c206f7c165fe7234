#include "evaluate/compare.h"
#include "files/plan_reader.h"
#include "files/plan_writer.h"
#include "handover/figures_json.h"
#include "plan/take_edits.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

/// Takes as they are edited and compared.
class CoreTakes : public QObject {
    Q_OBJECT

    static std::string names(const Plan& plan) {
        std::string all;
        for (const Take& take : plan.takes) {
            all += take.name + (take.name == plan.active ? "* " : " ");
        }
        return all;
    }

private slots:
    void takesAreAddedCopiedMovedAndDeleted() {
        Plan plan = *orchard().plan;
        QCOMPARE(names(plan), std::string("A* B "));
        QCOMPARE(freeTakeName(plan), std::string("C"));
        QCOMPARE(addTake(plan, "C"), std::string());
        QVERIFY(plan.takes.back().choices.empty());
        QCOMPARE(copyTake(plan, "A", "A2"), std::string());
        QCOMPARE(names(plan), std::string("A* A2 B C "));
        QCOMPARE(plan.takes[1].choices, plan.takes[0].choices);
        moveTake(plan, "A2", 1);
        moveTake(plan, "A", -1); // it is the first already
        QCOMPARE(names(plan), std::string("A* B A2 C "));
        moveTake(plan, "nobody", 1);
        QCOMPARE(deleteTake(plan, "C"), std::string());
        QCOMPARE(names(plan), std::string("A* B A2 "));
        for (int i = 0; i < 30; ++i) {
            QCOMPARE(addTake(plan, freeTakeName(plan)), std::string());
        }
        QCOMPARE(plan.takes.back().name, std::string("take 32"));
    }

    void renamingTakesTheJobsAlong() {
        Plan plan = *orchard().plan;
        QVERIFY(std::any_of(plan.jobs.begin(), plan.jobs.end(), [](const Job& job) { return job.take == "B"; }));
        QCOMPARE(renameTake(plan, "B", "slow"), std::string());
        QCOMPARE(renameTake(plan, "A", "fast"), std::string());
        QCOMPARE(plan.active, std::string("fast"));
        for (const Job& job : plan.jobs) {
            QVERIFY(job.take.empty() || findTake(plan, job.take) != nullptr);
        }
    }

    void whatCanNotBeIsSaid() {
        Plan plan = *orchard().plan;
        const Plan before = plan;
        QCOMPARE(addTake(plan, "A"), std::string("there is a take 'A' already"));
        QCOMPARE(addTake(plan, "  "), std::string("a take needs a name"));
        QCOMPARE(copyTake(plan, "X", "Y"), std::string("there is no take 'X'"));
        QCOMPARE(renameTake(plan, "A", "B"), std::string("there is a take 'B' already"));
        QCOMPARE(renameTake(plan, "A", ""), std::string("a take needs a name"));
        QCOMPARE(renameTake(plan, "A", "A"), std::string());
        QCOMPARE(deleteTake(plan, "X"), std::string("there is no take 'X'"));
        QVERIFY(deleteTake(plan, "B").find("runs in take 'B'; give it another one first") != std::string::npos);
        QVERIFY(plan == before);
        Plan one = plan;
        one.jobs.clear();
        QCOMPARE(deleteTake(one, "A"), std::string()); // the neighbour becomes active
        QCOMPARE(names(one), std::string("B* "));
        QCOMPARE(deleteTake(one, "B"), std::string("'B' is the only take; a plan keeps one"));
    }

    /// Edited takes are saved into the text they came from, and read back the same.
    void editedTakesAreSaved() {
        Plan plan = *orchard().plan;
        QCOMPARE(copyTake(plan, "A", "third"), std::string());
        QCOMPARE(renameTake(plan, "B", "slow one"), std::string());
        moveTake(plan, "third", 1);
        const std::string saved = savePlan(plan, orchardText());
        const Part part = *orchard().part;
        const PlanFile again = readPlan(saved, "again", &part);
        QCOMPARE(lines(again.diagnostics), std::string());
        QVERIFY(*again.plan == plan);
        QVERIFY(saved.find("# Broken on purpose") != std::string::npos);
    }

    void differencesComeFirst() {
        const LoadedPlan loaded = orchard();
        const std::vector<ComparedRow> rows = compareTakes(*loaded.part, *loaded.plan, {"A", "B"});
        const auto firstSame = std::find_if(rows.begin(), rows.end(), [](const ComparedRow& row) { return !row.differs; });
        QVERIFY(firstSame != rows.begin() && firstSame != rows.end());
        QVERIFY(std::none_of(firstSame, rows.end(), [](const ComparedRow& row) { return row.differs; }));
        const auto row = [&](ComparedRow::Kind kind, const std::string& name) {
            return *std::find_if(rows.begin(), rows.end(),
                                 [&](const ComparedRow& each) { return each.kind == kind && each.name == name; });
        };
        const ComparedRow vco = row(ComparedRow::Kind::choice, "vco");
        QCOMPARE(vco.values, std::vector<std::string>({"\u00d7 120: 480 MHz", "off"}));
        const ComparedRow link = row(ComparedRow::Kind::promise, "link");
        QVERIFY(link.differs && link.states[0] == State::kept && link.states[1] == State::broken);
        QCOMPARE(link.values[1], std::string("vco is switched off in take B")); // why, where nothing is got
        const ComparedRow tick = row(ComparedRow::Kind::promise, "tick");
        QVERIFY(!tick.differs);
        const ComparedRow core = row(ComparedRow::Kind::vital, "core rate");
        QCOMPARE(core.values, std::vector<std::string>({"160 MHz", "10 MHz"}));
        // a line that is off in every take is no row
        QVERIFY(std::none_of(rows.begin(), rows.end(), [](const ComparedRow& each) { return each.name == "can_clk"; }));
    }

    void oneTakeDiffersFromNothing() {
        const LoadedPlan loaded = orchard();
        const std::vector<ComparedRow> rows = compareTakes(*loaded.part, *loaded.plan, {"A"});
        QVERIFY(!rows.empty());
        QVERIFY(std::none_of(rows.begin(), rows.end(), [](const ComparedRow& row) { return row.differs; }));
        QVERIFY(compareTakes(*loaded.part, *loaded.plan, {}).empty());
    }

    void theJsonHoldsTheRows() {
        const LoadedPlan loaded = orchard();
        const auto json = comparisonJson({"A", "B"}, compareTakes(*loaded.part, *loaded.plan, {"A", "B"}));
        QCOMPARE(json["takes"].size(), std::size_t{2});
        QCOMPARE(json["rows"][0]["kind"].get<std::string>(), std::string("choice"));
        QCOMPARE(json["rows"][0]["differs"].get<bool>(), true);
        QCOMPARE(json["rows"][0]["values"].size(), std::size_t{2});
    }
};

QTEST_APPLESS_MAIN(CoreTakes)
#include "core_takes.moc"
