#include "derive/controls.h"
#include "derive/demand.h"
#include "evaluate/compare.h"
#include "evaluate/evaluate.h"
#include "evaluate/takes_that_count.h"
#include "files/plan_reader.h"
#include "files/plan_writer.h"
#include "handover/figures_json.h"
#include "plan/take_edits.h"
#include "small_part.h"

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

    static Edited threeTakes() {
        return readBoth(smallPart("", "\n[[line]]\nid = \"side\"\nfrom = \"core\"\ndivide = [1, 2]\n"
                                      "\n[[line]]\nid = \"tail\"\nfrom = \"core\"\n\n[[line]]\nid = \"rest\"\nfrom = \"core\"\n"),
                        smallPlan(said("cpu: core runs at 8 MHz") + said("right: side runs at 8 MHz, in take B") +
                                      said("wrong: side runs at 5 MHz within 1 %, in take B") +
                                      said("blip: tail runs at 8 MHz, while blink"),
                                  jobOf("blink", "every = '1 s'; lasts = '1 ms'"),
                                  "rests_in = \"deep\"\n\n[[take]]\nname = \"B\"\n\n[[take]]\nname = \"C\"\n"));
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
        QCOMPARE(vco.values, std::vector<Text>({"\u00d7 120: 480 MHz", "off"}));
        const ComparedRow link = row(ComparedRow::Kind::promise, "link");
        QVERIFY(link.differs && link.states[0] == State::kept && link.states[1] == State::broken);
        QCOMPARE(link.values[1], std::string("vco is switched off in take B")); // why, where nothing is got
        const ComparedRow tick = row(ComparedRow::Kind::promise, "tick");
        QVERIFY(!tick.differs);
        const ComparedRow core = row(ComparedRow::Kind::vital, "core rate");
        QCOMPARE(core.values, std::vector<Text>({"160 MHz", "10 MHz"}));
        // a line that is off in every take is no row
        QVERIFY(std::none_of(rows.begin(), rows.end(), [](const ComparedRow& each) { return each.name == "can_clk"; }));
    }

    /// An average that is asked in another take is that of the take when it runs: as where it is the active one.
    void anAverageIsOfItsOwnTake() {
        const LoadedPlan loaded = orchard();
        Plan plan = *loaded.plan;
        const auto budget = std::find_if(plan.promises.begin(), plan.promises.end(),
                                         [](const Promise& promise) { return promise.line.ask.is<AverageAsk>(); });
        budget->line.inTakes = {"B"};
        const auto index = static_cast<std::size_t>(budget - plan.promises.begin());
        const Figures asked = evaluate(*loaded.part, plan, "B");
        const Figures running = evaluate(*loaded.part, withActive(plan, "B"), "B");
        const Figures usual = evaluate(*loaded.part, *loaded.plan, "A");
        QVERIFY(asked.promises[index].got == running.promises[index].got);
        QVERIFY(asked.promises[index].got->nominal <
                usual.promises[index].got->nominal); // at 10 MHz the modem's report costs less
        QVERIFY(evaluate(*loaded.part, plan, "A").promises[index].state == State::elsewhere);
    }

    /// Three takes on 8 MHz ÷ 1: what each is asked is counted by hand. A is active and keeps "cpu"; B is named by a promise that
    /// is broken there and one that is kept; C is named by nobody.
    void eachTakeHoldsWhatItIsAsked() {
        const Edited edited = threeTakes();
        const std::vector<TakeHolds> list = takesHold(edited.part, edited.plan, figuresOf(edited));
        QCOMPARE(list.size(), std::size_t{3});
        QCOMPARE(holdsSaid(list[0]), std::string("2 kept")); // cpu, and blip while its job runs there
        QCOMPARE(holdsSaid(list[1]), std::string("2: 1 broken"));
        QVERIFY(list[1].state == State::broken && list[1].doesCount);
        QCOMPARE(holdsSaid(list[2]), std::string("nothing asked"));
        QVERIFY(!list[2].doesCount);
        const std::vector<ComparedRow> rows = compareTakes(edited.part, edited.plan, {"A", "B", "C"});
        QCOMPARE(rows.front().name, std::string("must keep"));
        QCOMPARE(rows.front().values,
                 (std::vector<Text>{"2 kept", "4: 1 broken", "2 kept"})); // each as if it ran: cpu, and blink's blip
    }

    /// Of the lines: core is always wanted, side in B by a promise, tail in A only while "blink" runs, rest by nobody.
    void whatATakeAloneWantsIsTold() {
        const Edited edited = threeTakes();
        const auto wanted = [&](const std::string& name) {
            const Take& take = *findTake(edited.plan, name);
            Diagnostics ignored;
            const auto list = ownDemand(edited.part, edited.plan, take, resolveControls(edited.part, take, ignored));
            std::string text;
            for (NodeIndex node = 0; node < list.size(); ++node) {
                text += list[node].empty() ? std::string() : edited.part.nodeId(node) + " " + list[node] + "; ";
            }
            return text;
        };
        QCOMPARE(wanted("A"), std::string("tail while blink; "));
        QCOMPARE(wanted("B"), std::string("side in B; "));
        QCOMPARE(wanted("C"), std::string());
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
        QCOMPARE(json["rows"][0]["kind"].get<std::string>(), std::string("promise"));
        QCOMPARE(json["rows"][0]["differs"].get<bool>(), true);
        QCOMPARE(json["rows"][0]["values"].size(), std::size_t{2});
    }
};

QTEST_APPLESS_MAIN(CoreTakes)
#include "core_takes.moc"
