#include "files/plan_reader.h"
#include "files/plan_writer.h"
#include "plan/board_edits.h"
#include "seek/crystals.h"
#include "seek_support.h"
#include "support.h"

#include <QTest>

using namespace wisetick;
using namespace wisetick::test;

namespace {

const Part& marram() {
    static const Part part = *readPart(fileText(sourceDir() + "/parts/marram-20.part.toml"), "marram").part;
    return part;
}

} // namespace

/// A plan that was just begun: what is assumed of its board, and what it lacks before anything can be kept.
class CoreNewPlan : public QObject {
    Q_OBJECT

private slots:
    /// The part's own range, until somebody says how it is; what the part does not tell stays unknown.
    void theRangeIsAssumed() {
        Part part = marram();
        Plan plan = freshPlan(part);
        assumeRange(plan, part);
        QCOMPARE(plan.board.assumed, std::vector<std::string>{"supply"});
        QCOMPARE(plan.board.supply->min, exact("9/5"));
        QCOMPARE(plan.board.supply->nominal, exact("33/10"));
        QCOMPARE(plan.board.supply->max, exact("18/5"));
        QVERIFY(!plan.board.temperature);
        part.coldest = Rational(-40);
        part.hottest = Rational(20);
        part.supplyMax = Rational(3);
        Plan cold = freshPlan(part);
        assumeRange(cold, part);
        QCOMPARE(cold.board.assumed, (std::vector<std::string>{"supply", "temperature"}));
        QCOMPARE(cold.board.supply->nominal, Rational(3)); // what is usual lies outside
        QCOMPARE(cold.board.temperature->nominal, Rational(20));
        Plan told = freshPlan(part);
        told.board.supply = Bounds{2, 2, 2};
        assumeRange(told, part); // what is told stays
        QCOMPARE(told.board.supply->max, Rational(2));
        QCOMPARE(told.board.assumed, std::vector<std::string>{"temperature"});
    }

    /// Saying a value, or that it is so, takes the mark away; in the file too.
    void sayingItConfirms() {
        Plan plan = freshPlan(marram());
        assumeRange(plan, marram());
        plan.board.temperature = Bounds{-40, 25, 85};
        plan.board.assumed.push_back("temperature");
        const std::string text = writePlan(plan);
        const PlanFile read = readPlan(text, "new.plan.toml", &marram());
        QVERIFY2(read.plan, text.c_str());
        QVERIFY(*read.plan == plan);
        Plan confirmed = plan;
        QCOMPARE(confirm(confirmed, "supply"), std::string());
        QCOMPARE(confirmed.board.assumed, std::vector<std::string>{"temperature"});
        QCOMPARE(confirm(confirmed, "supply"), std::string("nothing is assumed of the supply"));
        QCOMPARE(setTemperature(confirmed, SpanEnd::highest, Rational(60)), std::string());
        QVERIFY(confirmed.board.assumed.empty());
        const std::string after = savePlan(confirmed, text);
        QVERIFY(after.find("assumed") == std::string::npos);
        QCOMPARE(setSupplySpan(plan, Bounds{0, 1, 2}), std::string("a supply is above 0 V"));
        QCOMPARE(setSupplySpan(plan, Bounds{3, 3, 2}), std::string("the lower end first"));
        QCOMPARE(setTemperatureSpan(plan, Bounds{3, 3, 2}), std::string("the lower end first"));
        QCOMPARE(setTemperatureSpan(plan, Bounds{-20, 20, 60}), std::string());
        QCOMPARE(plan.board.assumed, std::vector<std::string>{"supply"});
    }

    /// Only what is told can be assumed; another word is a fault at its place.
    void faultsOfWhatIsAssumed() {
        const std::string begin = "format = \"wisetick-plan/1\"\nname = \"x\"\npart = \"marram-20\"\nactive = \"A\"\n\n";
        const auto faultOf = [&](const std::string& board) {
            const PlanFile read = readPlan(begin + board + "\n[[take]]\nname = \"A\"\n", "x.plan.toml", &marram());
            return read.diagnostics.empty() ? std::string() : diagnosticText(read.diagnostics.front());
        };
        QCOMPARE(faultOf("[board]\nsupply = { nominal = \"3 V\" }\nassumed = [\"supply\"]\n"), std::string());
        QVERIFY(faultOf("[board]\nassumed = [\"supply\"]\n").starts_with("x.plan.toml:7:"));
        QVERIFY(faultOf("[board]\nsupply = { nominal = \"3 V\" }\nassumed = \"weather\"\n").find("supply or temperature") !=
                std::string::npos);
    }

    /// With nothing fitted 128 MHz can't be had; each crystal that is offered makes it, looked at by fitting it, and those of the
    /// stock that are not offered do not, where not more are offered than are shown.
    void crystalsThatDoAreNamed() {
        Plan plan = freshPlan(marram());
        plan.board.supply = Bounds{3, 3, 3};
        const Question question = asking(marram(), {"core = 128 MHz within 0.1 %"});
        QVERIFY(seek(marram(), plan, "A", question).found.empty());
        const auto offers = crystalsThatDo(marram(), plan, "A", question);
        QVERIFY(!offers.empty());
        QCOMPARE(marram().sources[offers.front().source].id, std::string("xtm"));
        const auto canBe = [&](const Rational& rate) {
            Plan with = plan;
            Fitted crystal;
            crystal.source = "xtm";
            crystal.rate = rate;
            QTest::qVerify(fit(with, crystal).empty(), "fit", "", __FILE__, __LINE__);
            Question one = question;
            one.most = 1;
            return !seek(marram(), with, "A", one).found.empty();
        };
        for (const Rational& rate : offers.front().hertz) {
            QVERIFY2(canBe(rate), rate.toString().c_str());
        }
        const std::string said = offerSaid(marram(), offers.front());
        QVERIFY2(said.starts_with("xtm at ") && said.find(" MHz") != std::string::npos, said.c_str());
        Plan fitted = plan;
        Fitted crystal;
        crystal.source = "xtm";
        crystal.rate = offers.front().hertz.front();
        QVERIFY(fit(fitted, crystal).empty());
        for (const CrystalOffer& offer : crystalsThatDo(marram(), fitted, "A", asking(marram(), {"core = 131 MHz"}))) {
            QVERIFY(marram().sources[offer.source].id != "xtm"); // there stands one already
        }
    }
};

QTEST_APPLESS_MAIN(CoreNewPlan)
#include "core_new_plan.moc"
