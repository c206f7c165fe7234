#include "seek/conflict_words.h"
#include "seek_support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

std::vector<std::string> membersOf(const Space& space, const Conflict& conflict) {
    std::vector<std::string> members;
    for (const Demanded& each : conflict) {
        members.push_back(sayDemanded(space, each));
    }
    return members;
}

/// A part with two muxes on each of so many steps, both fed by both of the step before: 2^steps ways to each.
std::string ladderText(int steps) {
    std::string text =
        "format = \"wisetick-part/1\"\nid = \"ladder\"\nname = \"Ladder\"\nsupply = { min = \"2 V\", max = \"4 V\" }\n"
        "core = \"core\"\n\n[[source]]\nid = \"a\"\nkind = \"rc\"\nrate = \"8 MHz\"\n\n[[source]]\nid = \"b\"\n"
        "kind = \"rc\"\nrate = \"12 MHz\"\n";
    std::string from = "[\"a\", \"b\"]";
    for (int i = 0; i < steps; ++i) {
        const std::string step = std::to_string(i);
        text +=
            "\n[[line]]\nid = \"l" + step + "\"\nfrom = " + from + "\n\n[[line]]\nid = \"r" + step + "\"\nfrom = " + from + "\n";
        from = "[\"l" + step + "\", \"r" + step + "\"]";
    }
    return text + "\n[[line]]\nid = \"core\"\nfrom = " + from + "\n\n[[line]]\nid = \"other\"\nfrom = " + from +
           "\n\n[[mode]]\nid = \"run\"\nruns = true\n";
}

} // namespace

/// Why nothing fits.
class ConflictTest : public QObject {
    Q_OBJECT

private slots:
    /// 48 MHz and both rates of sound need three multipliers, and the core the fourth: there are three.
    void threeMultipliersCantMakeFour() {
        const LoadedPlan loaded = benchPlan("three-pll");
        const Question question =
            asking(*loaded.part, {"core = 400 MHz", "usb = 48 MHz", "k_quad0 = 80 MHz", "sound0 = 24.576 MHz within 5 ppm",
                                  "k_spi0 = 22.5792 MHz within 5 ppm", "k_adc0 as high as possible up to 32 MHz"});
        const SeekResult result = seek(*loaded.part, *loaded.plan, "A", question);
        QVERIFY(result.isComplete());
        QVERIFY(result.found.empty());
        const Space space = spaceOf(*loaded.part, *loaded.plan, "A", question);
        const auto refusal = whyNone(space, {true, true, true});
        QVERIFY(refusal && refusal->areAll);
        QCOMPARE(refusal->conflicts.size(), std::size_t(1));
        QCOMPARE(membersOf(space, refusal->conflicts[0]),
                 (std::vector<std::string>{"core = 400 MHz", "usb = 48 MHz", "sound0 = 24.576 MHz within 5 ppm",
                                           "k_spi0 = 22.5792 MHz within 5 ppm",
                                           "the limits of vco1 (at least 180 MHz, at most 960 MHz)",
                                           "the limits of vco2 (at least 180 MHz, at most 960 MHz)",
                                           "the limits of vco3 (at least 180 MHz, at most 960 MHz)"}));
        const std::string said = explain(space, refusal->conflicts[0]);
        QVERIFY2(said.find(" usb alone can be made by vco1, vco2 or vco3.") != std::string::npos, said.c_str());
        QVERIFY2(said.find(" vco1 can't make both core and usb.") != std::string::npos, said.c_str());
        QVERIFY2(said.find(" Neither vco2 nor vco3 can make both usb and sound0.") != std::string::npos, said.c_str());
        QVERIFY2(said.find(" None of vco1, vco2 and vco3 can make both usb and k_spi0.") != std::string::npos, said.c_str());
        QCOMPARE(refusal->lifts.size(), std::size_t(3));
        // without any one wish of the conflict the rest is found, and kept
        for (const std::size_t without : {0, 1, 3, 4}) {
            Question less = question;
            less.wishes.erase(less.wishes.begin() + static_cast<std::ptrdiff_t>(without));
            less.most = 1;
            const SeekResult some = seek(*loaded.part, *loaded.plan, "A", less);
            QCOMPARE(some.found.size(), std::size_t(1));
        }
    }

    /// What a low supply keeps from running faster is told with the tier that could.
    void aLowSupplyIsTheReason() {
        Edited edited = editedOrchard();
        edited.plan.board.supply = Bounds{Rational(5, 2), 3, Rational(18, 5)};
        const Question question = asking(edited.part, {"core = 160 MHz"});
        const Space space = spaceOf(edited.part, edited.plan, "A", question);
        const auto refusal = whyNone(space, {false, false, false});
        QVERIFY(refusal && !refusal->conflicts.empty());
        QCOMPARE(membersOf(space, refusal->conflicts[0]),
                 (std::vector<std::string>{"core = 160 MHz", "the limits of vco (at least 160 MHz, at most 250 MHz)"}));
        QCOMPARE(std::string(explain(space, refusal->conflicts[0])),
                 std::string("core = 160 MHz can't be kept within these limits. In tier fast vco may run at up to 500 MHz; that "
                             "needs a supply of at least 2.7 V."));
    }

    /// However many demands there are, none is left out of a conflict: here the hundredth collides with the first.
    void demandsWithoutEnd() {
        const LoadedPlan loaded = benchPlan("one-pll");
        Plan plan = *loaded.plan;
        plan.promises.clear();
        Question question = asking(*loaded.part, {"core = 160 MHz"});
        for (int i = 0; i < 99; ++i) {
            const std::string text = i < 98 ? "core runs at least " + std::to_string(i + 1) + " MHz" : "core runs at 100 MHz";
            const auto line = readPromiseLine(text, &*loaded.part);
            QVERIFY(line.has_value());
            plan.promises.push_back({text, *line});
            question.promises.push_back({static_cast<std::size_t>(i), false});
        }
        const Space space = spaceOf(*loaded.part, plan, "A", question);
        const auto refusal = whyNone(space, {false, false, false});
        QVERIFY(refusal.has_value());
        QCOMPARE(refusal->conflicts.size(), std::size_t(1));
        QCOMPARE(refusal->conflicts[0].size(), std::size_t(2));
        QCOMPARE(refusal->conflicts[0][0].kind, Demanded::Kind::wish);
        QCOMPARE(refusal->conflicts[0][1].kind, Demanded::Kind::promise);
        QCOMPARE(refusal->conflicts[0][1].index, std::size_t(98));
    }

    void contradictionsAreTold() {
        const LoadedPlan loaded = benchPlan("one-pll");
        const Question question = asking(*loaded.part, {"core = 160 MHz", "usb = 48 MHz", "core = 80 MHz"});
        QVERIFY(seek(*loaded.part, *loaded.plan, "A", question).found.empty());
        const Space space = spaceOf(*loaded.part, *loaded.plan, "A", question);
        const auto refusal = whyNone(space, {false, false, false});
        QCOMPARE(membersOf(space, refusal->conflicts[0]), (std::vector<std::string>{"core = 160 MHz", "core = 80 MHz"}));
        // one of them soft, the other is kept
        Question soft = question;
        soft.wishes[0].isSoft = true;
        const SeekResult result = seek(*loaded.part, *loaded.plan, "A", soft);
        QCOMPARE(rateOf(result.found.at(0), "core"), Rational(80000000));
        QCOMPARE(result.found[0].score.broken, 1);
    }

    /// Two that can't be kept even alone: the nearest of each with all others is none, so it is told without them.
    void whatIsOutOfReachHasItsNearest() {
        const LoadedPlan loaded = benchPlan("one-pll");
        const Question question = asking(*loaded.part, {"core = 1 GHz", "usb = 48 MHz", "bus_b at least 1 GHz"});
        const auto refusal = whyNone(spaceOf(*loaded.part, *loaded.plan, "A", question), {false, true, false});
        QCOMPARE(refusal->nearest.size(), std::size_t{3});
        QCOMPARE(refusal->nearest[0].hertz, std::optional(Rational(160000000)));
        QCOMPARE(refusal->nearest[0].error, std::optional(Rational(-84, 100)));
        QVERIFY(refusal->nearest[0].isAlone);
        QVERIFY(!refusal->nearest[1].hertz && !refusal->nearest[1].isAlone); // alone it is kept
        const Conflict out{{Demanded::Kind::wish, 0}};
        QCOMPARE(explain(spaceOf(*loaded.part, *loaded.plan, "A", question), out), std::string("core = 1 GHz can't be kept."));
        const Rational most = *refusal->nearest[2].hertz;
        QVERIFY(refusal->nearest[2].isAlone && !refusal->nearest[2].error);
        // the first of them alone: the others stay
        const Question one = asking(*loaded.part, {"core = 1 GHz", "usb = 48 MHz"});
        const auto alone = whyNone(spaceOf(*loaded.part, *loaded.plan, "A", one), {false, true, false});
        QCOMPARE(alone->nearest[0].hertz, std::optional(Rational(160000000)));
        QVERIFY(!alone->nearest[0].isAlone && !alone->nearest[1].hertz);
        // no take makes more of the third
        const auto above = "bus_b at least " + (most + 1).toString() + " Hz";
        QVERIFY(seek(*loaded.part, *loaded.plan, "A", asking(*loaded.part, {above})).found.empty());
        QVERIFY(!seek(*loaded.part, *loaded.plan, "A", asking(*loaded.part, {"bus_b at least " + most.toString() + " Hz"}))
                     .found.empty());
    }

    /// Where very many ways lead to a line, what makes it is looked for within some steps only.
    void manyWaysDoNotHang() {
        const Part part = readPart(ladderText(40), "p").part.value();
        Plan plan = freshPlan(part);
        plan.board.supply = Bounds{3, 3, 3};
        const Question question = asking(part, {"core = 8 MHz", "other = 12 MHz"});
        const Space space = spaceOf(part, plan, plan.active, question);
        const std::string said = explain(space, {{Demanded::Kind::wish, 0}, {Demanded::Kind::wish, 1}});
        QCOMPARE(said, std::string("core = 8 MHz and other = 12 MHz can't be kept together.")); // it was cut, and says less
    }
};

QTEST_APPLESS_MAIN(ConflictTest)
#include "core_conflict.moc"
