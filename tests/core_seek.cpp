#include "derive/derive.h"
#include "evaluate/evaluate.h"
#include "seek/conflict_words.h"
#include "support.h"

#include <chrono>

using namespace wisetick;
using namespace wisetick::test;

namespace {

LoadedPlan benchPlan(const std::string& name) {
    LoadedPlan loaded = loadPlan(sourceDir() + "/benchmarks/seek/" + name + ".plan.toml", {sourceDir() + "/parts"});
    if (!loaded.plan || !loaded.part) {
        qFatal("%s can't be read", name.c_str());
    }
    return loaded;
}

Question asking(const Part& part, const std::vector<std::string>& wishes) {
    Question question;
    for (const std::string& text : wishes) {
        question.wishes.push_back(readWish(text, &part).value());
    }
    return question;
}

std::string changesOf(const FoundTake& found) {
    std::string text;
    for (const auto& [id, control] : found.changes) {
        text += (text.empty() ? "" : "; ") + id + " " + control;
    }
    return text;
}

Rational rateOf(const FoundTake& found, const std::string& id) {
    for (const auto& [each, hertz] : found.rates) {
        if (each == id) {
            return hertz;
        }
    }
    qFatal("no rate of %s", id.c_str());
}

std::vector<std::string> membersOf(const Space& space, const Conflict& conflict) {
    std::vector<std::string> members;
    for (const Demanded& each : conflict) {
        members.push_back(sayDemanded(space, each));
    }
    return members;
}

/// A part with `count` muxes in series, each between the one before and the second oscillator.
std::string muxesText(int count) {
    std::string text =
        "format = \"wisetick-part/1\"\nid = \"chain\"\nname = \"Chain\"\nsupply = { min = \"2 V\", max = \"4 V\" }\n"
        "core = \"core\"\n\n[[source]]\nid = \"a\"\nkind = \"rc\"\nrate = \"8 MHz\"\n\n[[source]]\nid = \"b\"\nkind "
        "= \"rc\"\nrate = \"12 MHz\"\n";
    std::string above = "a";
    for (int i = 0; i < count; ++i) {
        const std::string id = "m" + std::to_string(i);
        text += "\n[[line]]\nid = \"" + id + "\"\nfrom = [\"" + above + "\", \"b\"]\ndivide = [1, 2]\nreset = { from = \"" +
                above + "\", divide = 1 }\n";
        above = id;
    }
    return text + "\n[[line]]\nid = \"core\"\nfrom = \"" + above + "\"\n\n[[mode]]\nid = \"run\"\nruns = true\n";
}

Plan planOn(const Part& part) {
    Plan plan = freshPlan(part);
    plan.board.supply = Bounds{3, 3, 3};
    return plan;
}

} // namespace

/// What is asked of a search, and what it gives for parts as they ship.
class SeekTest : public QObject {
    Q_OBJECT

private slots:
    void wishesAreRead_data() {
        QTest::addColumn<QString>("text");
        QTest::addColumn<QString>("canonical");
        QTest::newRow("equal") << "core=160MHz"
                               << "core = 160 MHz";
        QTest::newRow("runs at") << " core runs at 160 MHz exactly"
                                 << "core = 160 MHz";
        QTest::newRow("within") << "usb = 48 MHz within 0.25 %"
                                << "usb = 48 MHz within 0.25 %";
        QTest::newRow("plus minus") << "usb = 48 MHz within \u00b12500 ppm"
                                    << "usb = 48 MHz within 0.25 %";
        QTest::newRow("least") << "core >= 100 MHz"
                               << "core at least 100 MHz";
        QTest::newRow("least sign") << "core \u2265 100 MHz"
                                    << "core at least 100 MHz";
        QTest::newRow("most") << "core runs at most 64 MHz"
                              << "core at most 64 MHz";
        QTest::newRow("between") << "core between 60 MHz and 64 MHz"
                                 << "core between 60 MHz and 64 MHz";
        QTest::newRow("highest") << "core as high as possible"
                                 << "core as high as possible";
        QTest::newRow("up to") << "core as  high as possible up to 64 MHz"
                               << "core as high as possible up to 64 MHz";
        QTest::newRow("lowest") << "core as low as possible down to 1 MHz"
                                << "core as low as possible down to 1 MHz";
        QTest::newRow("soft") << "core = 160 MHz, if possible"
                              << "core = 160 MHz, if possible";
    }
    void wishesAreRead() {
        QFETCH(QString, text);
        QFETCH(QString, canonical);
        const LoadedPlan loaded = orchard();
        const Part& part = *loaded.part;
        const auto wish = readWish(text.toStdString(), &part);
        QVERIFY2(wish, wish ? "" : sayText(wish.error()).c_str());
        QCOMPARE(printWish(*wish), canonical.toStdString());
        QCOMPARE(*readWish(printWish(*wish), &part), *wish);
    }

    void badWishesSayWhere_data() {
        QTest::addColumn<QString>("text");
        QTest::addColumn<int>("position");
        QTest::addColumn<QString>("say");
        QTest::newRow("empty")
            << "" << 0
            << "nothing; expected a wish such as 'core = 160 MHz', 'core at least 100 MHz' or 'core as high as "
               "possible'";
        QTest::newRow("no verb")
            << "core" << 4
            << "nothing after 'core'; expected '= RATE', 'within', 'at least', 'at most', 'between', 'as high "
               "as possible' or 'as low as possible'";
        QTest::newRow("zero") << "core = 0 MHz" << 7 << "'0 MHz'; expected a rate above 0";
        QTest::newRow("no rate") << "core = fast" << 7 << "'fast'; expected a rate, as '160 MHz'";
        QTest::newRow("turned") << "core between 64 MHz and 60 MHz" << 0
                                << "64 MHz is above 60 MHz; expected the lower rate first";
        QTest::newRow("no and") << "core between 60 MHz" << 19 << "nothing more; expected 'and' and the higher rate";
        QTest::newRow("more") << "core = 1 MHz please" << 13 << "'please'; expected nothing more, or 'if possible'";
        QTest::newRow("peripheral") << "uart1 = 1 MHz" << 0
                                    << "'uart1' is a peripheral; expected a source or line; state a promise about it";
    }
    void badWishesSayWhere() {
        QFETCH(QString, text);
        QFETCH(int, position);
        QFETCH(QString, say);
        const LoadedPlan loaded = orchard();
        const auto wish = readWish(text.toStdString(), &*loaded.part);
        QVERIFY(!wish);
        QCOMPARE(static_cast<int>(wish.error().position), position);
        QCOMPARE(sayText(wish.error()), say.toStdString());
    }
    void unknownLinesAreMended() {
        const LoadedPlan loaded = orchard();
        const auto wish = readWish("cor = 1 MHz", &*loaded.part);
        QVERIFY(!wish);
        QCOMPARE(wish.error().mend, std::string("did you mean 'core'?"));
    }
    void everyBeginningOfAWishIsAnswered() {
        const std::string text = "core between 60 MHz and 64 MHz, if possible";
        for (std::size_t length = 0; length <= text.size(); ++length) {
            const auto wish = readWish(text.substr(0, length));
            QVERIFY(wish || wish.error().position <= length);
        }
    }

    void crystalsAreRead() {
        const LoadedPlan loaded = orchard();
        const Source& source = loaded.part->sources[0]; // 6 to 30 MHz
        QCOMPARE(readCrystalRates("12 MHz, 8 MHz,12 MHz", source).value(), (std::vector<Rational>{8000000, 12000000}));
        const auto range = readCrystalRates("8 MHz to 10 MHz", source).value();
        QCOMPARE(range.front(), Rational(8000000));
        QCOMPARE(range.back(), Rational(10000000));
        QVERIFY(std::find(range.begin(), range.end(), Rational(9216000)) != range.end());
        const std::vector<Rational> stock = readCrystalRates("stock", source).value();
        QVERIFY(stock.size() > 10);
        for (const Rational& rate : stock) {
            QVERIFY(rate >= 6000000 && rate <= 30000000);
        }
        QCOMPARE(readCrystalRates("8 MHz, 9 bananas", source).error().position, std::size_t(9));
        QVERIFY(!readCrystalRates("0 MHz", source));
    }

    /// 480 MHz ÷ 3 = 160 MHz and ÷ 10 = 48 MHz. The 10 MHz RC ÷ 2 × 96 makes it with two changes less than the 20 MHz crystal ÷ 4
    /// × 96, but there the RC's 1 % strains the modem. uart1: 80 MHz ÷ (8 × 11) = 909.09 kbit/s, −1.357 %, is the best that a bus
    /// of 160 MHz makes.
    void oneMultiplierMakesTwoRates() {
        const LoadedPlan loaded = benchPlan("one-pll");
        Question question = asking(*loaded.part, {"core = 160 MHz", "usb = 48 MHz"});
        question.promises = {{0, false}};
        const SeekResult result = seek(*loaded.part, *loaded.plan, "A", question);
        QVERIFY(result.isComplete());
        QCOMPARE(result.found.size(), std::size_t(1));
        const FoundTake& best = result.found[0];
        QCOMPARE(
            changesOf(best),
            std::string(
                "ref from xtm \u00f7 4; vco \u00d7 96; pll_a \u00f7 3; pll_b \u00f7 10; core from pll_a; bus_b \u00f7 2; uart1 "
                "from bus_b"));
        QCOMPARE(best.score.ratios, (Amounts{(1 - exact("80000000/88") / 921600) / Rational(15, 1000)}));
        const Plan taken = withFound(*loaded.plan, best);
        const Figures figures = derive(*loaded.part, taken, "A");
        QCOMPARE(figures.findLine("core")->hertz->nominal, Rational(160000000));
        QCOMPARE(figures.findLine("usb")->hertz->nominal, Rational(48000000));
        QVERIFY(figures.findPromise("modem")->state == State::kept);
    }

    /// The least error of a free core: 24 or 20 MHz and 10 MHz give 7.3728 MHz × n only nearly; 20 ÷ … is checked by looking at
    /// every setting of the PLL in plain integers.
    void aFreeCoreMakesTheLeastError() {
        const LoadedPlan loaded = benchPlan("one-pll");
        Question question = asking(*loaded.part, {"core at most 160 MHz"});
        question.promises = {{0, false}};
        const SeekResult result = seek(*loaded.part, *loaded.plan, "A", question);
        QVERIFY(result.isComplete());
        QCOMPARE(result.found.size(), std::size_t(20));
        std::optional<Rational> least; // |error|
        const auto look = [&](const Rational& core) {
            if (core > 160000000) {
                return;
            }
            const auto port = [&](const Rational& clock, const Rational& most) {
                if (clock > most) {
                    return;
                }
                for (const int oversample : {8, 16}) {
                    const Rational steps = clock / (Rational(921600) * oversample);
                    for (const Rational& divisor : {steps.floor(), steps.ceil()}) {
                        const Rational error = divisor < 1 ? Rational(1) : abs(steps / divisor - 1);
                        least = least && *least <= error ? least : std::optional(error);
                    }
                }
            };
            for (int divide = 1; divide <= 8; ++divide) {
                port(core / divide, 50000000);
            }
            for (int divide = 1; divide <= 4; ++divide) {
                port(core / divide, 100000000);
            }
        };
        for (const std::int64_t source : {10000000, 20000000}) {
            for (int reference = 1; reference <= 32; ++reference) {
                const Rational ref(source, reference);
                for (int times = 40; times <= 125 && ref >= 3000000 && ref <= 6000000; ++times) {
                    const Rational vco = ref * times;
                    for (int post = 2; post <= 16 && vco >= 160000000 && vco <= 500000000; ++post) {
                        for (int core = 1; core <= 128; core *= 2) {
                            look(vco / post / core);
                        }
                    }
                }
            }
        }
        QCOMPARE(result.found[0].score.ratios.front(), *least / Rational(15, 1000));
        QVERIFY(std::is_sorted(result.found.begin(), result.found.end(), [](const FoundTake& a, const FoundTake& b) {
            return compareKeeping(a.score, b.score) == std::strong_ordering::less;
        }));
    }

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

    void tolerancesLetThreeMakeFour() {
        const LoadedPlan loaded = benchPlan("three-pll");
        const Question question =
            asking(*loaded.part, {"core = 400 MHz", "usb = 48 MHz within 0.25 %", "k_quad0 = 80 MHz within 0.25 %",
                                  "sound0 = 24.576 MHz within 5 ppm", "k_spi0 = 22.5792 MHz within 5 ppm",
                                  "k_adc0 as high as possible up to 32 MHz"});
        const SeekResult result = seek(*loaded.part, *loaded.plan, "A", question);
        QVERIFY(result.isComplete());
        QCOMPARE(result.found.size(), std::size_t(20));
        for (const FoundTake& found : result.found) {
            const Figures figures = derive(*loaded.part, withFound(*loaded.plan, found), "A");
            for (const auto& [id, hertz] : found.rates) {
                QCOMPARE(figures.findLine(id)->hertz->nominal, hertz);
            }
            QCOMPARE(rateOf(found, "core"), Rational(400000000));
            QVERIFY(abs(rateOf(found, "usb") / 48000000 - 1) <= Rational(1, 400));
            QVERIFY(abs(rateOf(found, "k_quad0") / 80000000 - 1) <= Rational(1, 400));
            QVERIFY(abs(rateOf(found, "sound0") / 24576000 - 1) <= Rational(5, 1000000));
            QVERIFY(abs(rateOf(found, "k_spi0") / 22579200 - 1) <= Rational(5, 1000000));
            QVERIFY(rateOf(found, "k_adc0") <= 32000000);
            QVERIFY(rateOf(found, "k_adc0") <= rateOf(result.found[0], "k_adc0"));
            for (const LineFigure& line : figures.lines) {
                QVERIFY2(!line.isOn || line.state != State::broken, line.id.c_str());
            }
        }
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

    void noWishesLeaveTheTakeAlone() {
        const LoadedPlan loaded = benchPlan("one-pll");
        const SeekResult result = seek(*loaded.part, *loaded.plan, "A", Question());
        QVERIFY(result.isComplete());
        QVERIFY(result.found.at(0).changes.empty()); // the others have other rates of the core
        QVERIFY(!result.found.at(1).changes.empty());
    }

    void locksStay() {
        LoadedPlan loaded = benchPlan("one-pll");
        loaded.plan->takes[0].locks = {"vco"}; // × 40
        const Question question = asking(*loaded.part, {"core = 80 MHz"});
        QCOMPARE(seek(*loaded.part, *loaded.plan, "A", question).found.size(), std::size_t(1)); // 20 ÷ 5 × 40 ÷ 2
        const Question other = asking(*loaded.part, {"core = 150 MHz"});
        QVERIFY(seek(*loaded.part, *loaded.plan, "A", other).found.empty());
        const Space space = spaceOf(*loaded.part, *loaded.plan, "A", other);
        const auto refusal = whyNone(space, {false, false, true});
        QCOMPARE(refusal->lifts.size(), std::size_t(1));
        QCOMPARE(sayDemanded(space, refusal->lifts[0]), std::string("the lock on vco"));
    }

    void onlyTheBranchMayChange() {
        const LoadedPlan loaded = benchPlan("one-pll");
        Question question = asking(*loaded.part, {"bus_a = 5 MHz"});
        question.mayChange = {"core"};
        const SeekResult result = seek(*loaded.part, *loaded.plan, "A", question);
        for (const FoundTake& found : result.found) {
            QVERIFY(changesOf(found).find("bus_a") == std::string::npos);
        }
        QCOMPARE(changesOf(result.found.at(0)), std::string("core \u00f7 2"));
    }

    /// 7.3728 MHz × 125 ÷ … makes the modem exact: of the stock crystals those of its family are found first.
    void crystalsAreChosen() {
        const LoadedPlan loaded = benchPlan("one-pll");
        Question question = asking(*loaded.part, {"core at least 100 MHz"});
        question.promises = {{0, false}};
        question.crystal = CrystalQuestion{"xtm", {8000000, 12000000, 14745600, 20000000}};
        const SeekResult result = seek(*loaded.part, *loaded.plan, "A", question);
        const FoundTake& best = result.found.at(0);
        QVERIFY(best.crystal);
        QCOMPARE(best.crystal->rate, Rational(14745600));
        QVERIFY(best.score.ratios.empty());
        const Plan taken = withFound(*loaded.plan, best, "B");
        QCOMPARE(findFitted(taken.board, "xtm")->rate, Rational(14745600));
        QVERIFY(derive(*loaded.part, taken, "B").findPromise("modem")->error->nominal.isZero());
    }

    void aPartWithoutAMultiplierIsAnswered() {
        const PartFile part = readPart(muxesText(0), "part");
        QVERIFY2(part.part, lines(part.diagnostics).c_str());
        const Plan plan = planOn(*part.part);
        QVERIFY(seek(*part.part, plan, plan.active, asking(*part.part, {"core = 8 MHz"})).found.size() == 1);
        QVERIFY(seek(*part.part, plan, plan.active, asking(*part.part, {"core = 9 MHz"})).found.empty());
    }

    /// Two to the fortieth routes: 8 MHz ÷ 2^a or 12 MHz ÷ 2^b.
    void fortyMuxesDoNotHang() {
        const PartFile part = readPart(muxesText(40), "part");
        QVERIFY2(part.part, lines(part.diagnostics).c_str());
        const Plan plan = planOn(*part.part);
        Question question = asking(*part.part, {"core = 3 MHz"}); // from b at the last mux but one, ÷ 2 ÷ 2
        question.most = 1;
        SeekControl control;
        control.mostSteps = 20000;
        const SeekResult result = seek(*part.part, plan, plan.active, question, control);
        QVERIFY(!result.found.empty() || !result.isComplete());
        for (const FoundTake& found : result.found) {
            QCOMPARE(rateOf(found, "core"), Rational(3000000));
        }
        const SeekResult none = seek(*part.part, plan, plan.active, asking(*part.part, {"core = 5 MHz"}), control);
        QVERIFY(none.found.empty());
    }

    void itIsCancelledSoon() {
        const LoadedPlan loaded = benchPlan("three-pll");
        const Question question = asking(*loaded.part, {"k_spi0 at most 50 MHz", "sound0 at most 40 MHz"});
        SeekControl control;
        int asked = 0;
        std::optional<std::chrono::steady_clock::time_point> told;
        control.goOn = [&] {
            const bool goesOn = ++asked < 20;
            if (!goesOn && !told) {
                told = std::chrono::steady_clock::now();
            }
            return goesOn;
        };
        const SeekResult result = seek(*loaded.part, *loaded.plan, "A", question, control);
        QVERIFY(result.isCancelled);
        QVERIFY(!result.isComplete());
        QVERIFY(told && std::chrono::steady_clock::now() - *told < std::chrono::seconds(2)); // not until the end of days
    }

    void firstResultsComeAtOnce() {
        const LoadedPlan loaded = benchPlan("three-pll");
        const Question question = asking(*loaded.part, {"core = 400 MHz", "usb = 48 MHz within 0.25 %"});
        SeekControl control;
        std::vector<std::size_t> counts;
        control.onFound = [&](const std::vector<FoundTake>& found) { counts.push_back(found.size()); };
        const SeekResult result = seek(*loaded.part, *loaded.plan, "A", question, control);
        QVERIFY(!counts.empty());
        QCOMPARE(counts.front(), std::size_t(1));
        QCOMPARE(counts.back(), result.found.size());
    }

    void wishesAreCompleted_data() {
        QTest::addColumn<QString>("typed");
        QTest::addColumn<QStringList>("offered"); // the first of them, as whole lines
        QTest::newRow("a line") << "us" << QStringList{"usb"};
        QTest::newRow("lines") << "bus" << QStringList{"bus_a", "bus_b"};
        QTest::newRow("what of it") << "usb " << QStringList{"usb = ", "usb at least "};
        QTest::newRow("a verb") << "usb as h" << QStringList{"usb as high as possible"};
        QTest::newRow("a rate is typed") << "usb = 4" << QStringList{};
        QTest::newRow("what may follow") << "usb = 48 MHz"
                                         << QStringList{"usb = 48 MHz within 0.1 %", "usb = 48 MHz, if possible"};
        QTest::newRow("after a tolerance") << "usb = 48 MHz within 1 %" << QStringList{"usb = 48 MHz within 1 %, if possible"};
        QTest::newRow("after an extreme") << "usb as high as possible" << QStringList{"usb as high as possible, if possible"};
        QTest::newRow("no such line") << "usd = " << QStringList{};
        QTest::newRow("all is said") << "usb = 48 MHz, if possible" << QStringList{};
    }
    void wishesAreCompleted() {
        QFETCH(QString, typed);
        QFETCH(QStringList, offered);
        const LoadedPlan loaded = orchard();
        const std::string before = typed.toStdString();
        const Completion completion = completeWish(before, *loaded.part);
        QStringList lines;
        for (const std::string& each : completion.texts) {
            lines << QString::fromStdString(before.substr(0, completion.position) + each);
        }
        QCOMPARE(lines.mid(0, offered.size()), offered);
        QVERIFY(!offered.isEmpty() || lines.isEmpty());
    }

    /// With very many routes too what can be kept altogether comes before what misses something.
    void whatMayBeMissedIsKeptWhereItCanBe() {
        const LoadedPlan loaded = loadPlan(sourceDir() + "/examples/spindle-balancer.plan.toml", {sourceDir() + "/parts"});
        const Figures figures = evaluate(*loaded.part, *loaded.plan, loaded.plan->active);
        Question question;
        std::size_t soft = 0;
        for (std::size_t i = 0; i < loaded.plan->promises.size(); ++i) {
            const bool isBroken = figures.promises[i].state == State::broken;
            question.promises.push_back({i, isBroken});
            soft += isBroken ? 1 : 0;
        }
        QVERIFY(soft > 0);
        question.most = 3;
        SeekControl control;
        control.mostSteps = 200000;
        const SeekResult result = seek(*loaded.part, *loaded.plan, loaded.plan->active, question, control);
        QVERIFY(!result.found.empty());
        for (const FoundTake& found : result.found) {
            QCOMPARE(found.score.broken, 0);
            const Figures got = evaluate(*loaded.part, withFound(*loaded.plan, found), found.take.name);
            for (const PromiseFigure& promise : got.promises) {
                QVERIFY2(promise.state != State::broken, promise.name.c_str());
            }
        }
    }

    /// A question that leaves very much open is cut, but not before what leaves the multipliers alone was looked at; what was
    /// found of that is told at once, and stays among the best.
    void whatIsNearIsFoundThoughItIsCut() {
        const LoadedPlan loaded = loadPlan(sourceDir() + "/examples/spindle-balancer.plan.toml", {sourceDir() + "/parts"});
        const auto laser = std::find_if(loaded.plan->promises.begin(), loaded.plan->promises.end(),
                                        [](const Promise& promise) { return promise.line.name == "laser"; });
        Question question;
        question.promises.push_back({static_cast<std::size_t>(laser - loaded.plan->promises.begin()), false});
        question.most = 5;
        SeekControl control;
        control.mostSteps = 100000;
        std::int64_t steps = 0;
        std::optional<std::int64_t> stepsToFirst;
        std::vector<FoundTake> told;
        control.onProgress = [&](const SeekProgress& progress) { steps = std::max(steps, progress.steps); };
        control.onFound = [&](const std::vector<FoundTake>& found) {
            stepsToFirst = stepsToFirst.value_or(steps);
            QVERIFY(told.empty() ||
                    compareScores(found.front().score, told.front().score, question.prefers) != std::strong_ordering::greater);
            told = found;
        };
        const SeekResult result = seek(*loaded.part, *loaded.plan, loaded.plan->active, question, control);
        QVERIFY(!result.isComplete());
        QVERIFY(stepsToFirst && *stepsToFirst < 10000);
        QVERIFY(!result.found.empty());
        QCOMPARE(result.found.front().rates, told.front().rates);
        QCOMPARE(result.found.front().changes, (std::vector<std::pair<std::string, std::string>>{{"serial_root", "from p2b"}}));
        for (std::size_t i = 0; i < result.found.size(); ++i) {
            const FoundTake& found = result.found[i];
            QVERIFY(i == 0 ||
                    compareScores(result.found[i - 1].score, found.score, question.prefers) != std::strong_ordering::greater);
            const Figures got = evaluate(*loaded.part, withFound(*loaded.plan, found), found.take.name);
            QVERIFY(got.promises[question.promises.front().index].state != State::broken);
        }
    }

    /// The core follows the divider of a line of which nothing is asked: that it moves is among the best too, though as many
    /// takes as are wanted, all exact, are found before it does.
    void whatIsFollowedMoves() {
        const PartFile part = readPart(R"(format = "wisetick-part/1"
id = "reed"
core = "core"
supply = { min = "2 V", max = "4 V" }
[[source]]
id = "x"
kind = "rc"
rate = "2 MHz"
[[line]]
id = "mult"
from = "x"
multiply = { from = 2, to = 8 }
[[line]]
id = "side"
from = "x"
divide = [2, 3]
[[line]]
id = "core"
from = "mult"
divide = [2, 3]
follows = { control = "side.divide", when = { 2 = "1/2" }, otherwise = 2 }
[[peripheral]]
id = "beat"
kind = "timer"
clock = "mult"
bits = 8
prescaler = [1, 4]
[[peripheral]]
id = "port"
kind = "uart"
clock = "side"
modes = [{ oversample = 4, divisor = { from = 1, to = 40 } }]
[[mode]]
id = "run"
runs = true
)",
                                       "part");
        QVERIFY(part.part.has_value());
        const PlanFile plan = readPlan("format = \"wisetick-plan/1\"\npart = \"reed\"\nactive = \"A\"\n[board]\nsupply = { min = "
                                       "\"3 V\", nominal = \"3 V\", max = \"3 V\" }\n"
                                       "[[promise]]\nsay = \"port talks 10 kbit/s within 5 %\"\n"
                                       "[[promise]]\nsay = \"beat fires every 12 us\"\n[[take]]\nname = \"A\"\n",
                                       "plan", &*part.part);
        QVERIFY(plan.plan.has_value());
        Question question;
        question.promises.push_back({1, false});
        question.prefers = {Preference::changes, Preference::core};
        question.most = 3;
        const SeekResult result = seek(*part.part, *plan.plan, "A", question);
        QVERIFY(result.isComplete());
        QCOMPARE(result.found.size(), std::size_t(3));
        QCOMPARE(changesOf(result.found[0]), std::string());
        QCOMPARE(changesOf(result.found[1]), std::string("side \u00f7 3"));
        QCOMPARE(rateOf(result.found[1], "core"), 4 * rateOf(result.found[0], "core"));
    }

    /// A limit, a rule or a lock that is lifted lets through what it held.
    void whatIsLiftedDoesNotHold() {
        LoadedPlan loaded = orchard();
        const auto best = [&](const std::vector<std::string>& wishes, const std::vector<Lifted>& lifted) {
            Question question = asking(*loaded.part, wishes);
            question.lifted = lifted;
            return seek(*loaded.part, *loaded.plan, "A", question);
        };
        const std::vector<std::string> wishes{"bus_a = 80 MHz", "core = 160 MHz"};
        QVERIFY(best(wishes, {}).found.empty());
        QVERIFY(best(wishes, {{Lifted::Kind::limit, "core"}}).found.empty()); // not that one
        const SeekResult limit = best(wishes, {{Lifted::Kind::limit, "bus_a"}});
        QVERIFY(!limit.found.empty());
        const Figures figures = derive(*loaded.part, withFound(*loaded.plan, limit.found.front()), "A");
        QCOMPARE(figures.findLine("bus_a")->hertz->nominal, Rational(80000000));
        QCOMPARE(figures.findLine("bus_a")->state, State::broken); // and it is said
        const std::vector<std::string> locked{"pll_b = 40 MHz", "core = 160 MHz"};
        QVERIFY(best(locked, {}).found.empty());
        QVERIFY(!best(locked, {{Lifted::Kind::lock, "pll_b.divide"}}).found.empty());
        // what the conflict names can be lifted by that very name
        const Question question = asking(*loaded.part, locked);
        const Space space = spaceOf(*loaded.part, *loaded.plan, "A", question);
        const auto refusal = whyNone(space, {false, false, true});
        QVERIFY(refusal && !refusal->lifts.empty());
        for (const Demanded& each : refusal->lifts) {
            const auto lifted = liftedOf(space, each);
            QVERIFY(lifted.has_value());
            QVERIFY2(!best(locked, {*lifted}).found.empty(), sayDemanded(space, each).c_str());
        }
        QVERIFY(!liftedOf(space, {Demanded::Kind::wish, 0}).has_value());
    }

    void howFarItIsIsTold() {
        const LoadedPlan loaded = benchPlan("three-pll");
        const Question question = asking(*loaded.part, {"core = 400 MHz", "usb = 48 MHz within 0.25 %"});
        SeekControl control;
        std::vector<SeekProgress> told;
        control.onProgress = [&](const SeekProgress& progress) { told.push_back(progress); };
        const SeekResult result = seek(*loaded.part, *loaded.plan, "A", question, control);
        QVERIFY(told.size() > 1);
        for (std::size_t i = 1; i < told.size(); ++i) {
            QVERIFY(told[i].steps >= told[i - 1].steps);
            QVERIFY(told[i].routesDone >= told[i - 1].routesDone);
        }
        QVERIFY(told.back().routesDone > 0);
        QVERIFY(told.back().steps <= result.steps);
        QVERIFY(std::any_of(told.begin(), told.end(), [](const SeekProgress& each) { return each.routesWaiting > 0; }));
    }

    void itIsCutAndSaysSo() {
        const LoadedPlan loaded = benchPlan("three-pll");
        SeekControl control;
        control.mostSteps = 50;
        const Question question = asking(*loaded.part, {"core = 400 MHz", "usb = 48 MHz within 0.25 %"});
        const SeekResult result = seek(*loaded.part, *loaded.plan, "A", question, control);
        QVERIFY(!result.isComplete());
        QCOMPARE(result.cut, std::string("after 51 steps; let less change, or wish more"));
        SeekControl small;
        small.mostMemory = 20000;
        const SeekResult full = seek(*loaded.part, *loaded.plan, "A", question, small);
        QVERIFY(!full.isComplete());
        QVERIFY2(full.cut.starts_with("for memory after ") && full.cut.ends_with(" steps; let less change, or wish more"),
                 full.cut.c_str());
    }

    /// A promise that is judged on whole takes: from the meshed oscillator waking takes longer than a millisecond, from the RC it
    /// does not.
    void wakeUpsAreJudgedOnTakes() {
        LoadedPlan loaded = loadPlan(sourceDir() + "/examples/river-gauge.plan.toml", {sourceDir() + "/parts"});
        const std::vector<std::string> names = promiseNames(*loaded.plan);
        const auto nap = static_cast<std::size_t>(std::find(names.begin(), names.end(), "nap") - names.begin());
        loaded.plan->promises[nap].line =
            readPromiseLine("nap: wakes from doze in at most 100 us by rtc every 15 min", &*loaded.part).value();
        const std::string& take = loaded.plan->active;
        const auto keepsNap = [&](const FoundTake& found) {
            return derive(*loaded.part, withFound(*loaded.plan, found), take).findPromise("nap")->state != State::broken;
        };
        Question question = asking(*loaded.part, {"core between 7.99 MHz and 8 MHz"});
        question.most = 3;
        const SeekResult free = seek(*loaded.part, *loaded.plan, take, question);
        QVERIFY(!free.found.empty() && !keepsNap(free.found.front())); // the best of all is not among those
        question.promises = {{nap, false}};
        SeekControl control;
        std::vector<std::size_t> told;
        control.onFound = [&](const std::vector<FoundTake>& found) { told.push_back(found.size()); };
        const SeekResult result = seek(*loaded.part, *loaded.plan, take, question, control);
        QVERIFY(!result.found.empty());
        QVERIFY(std::all_of(result.found.begin(), result.found.end(), keepsNap));
        QVERIFY(!told.empty() && std::is_sorted(told.begin(), told.end()));
        QVERIFY(result.isComplete());
    }

    /// A promise on waking that is broken lets the core turn to another source, though nothing else is asked of it.
    void wakeUpsFreeTheCore() {
        LoadedPlan loaded = loadPlan(sourceDir() + "/examples/river-gauge.plan.toml", {sourceDir() + "/parts"});
        const std::vector<std::string> names = promiseNames(*loaded.plan);
        const auto nap = static_cast<std::size_t>(std::find(names.begin(), names.end(), "nap") - names.begin());
        Question question;
        question.promises = {{nap, false}};
        const Space kept = spaceOf(*loaded.part, *loaded.plan, loaded.plan->active, question);
        QVERIFY(!mayChange(kept, allInForce(kept), kept.core, "from")); // it holds as it is
        loaded.plan->promises[nap].line =
            readPromiseLine("nap: wakes from doze in at most 100 us by rtc every 15 min", &*loaded.part).value();
        const Space space = spaceOf(*loaded.part, *loaded.plan, loaded.plan->active, question);
        QVERIFY(mayChange(space, allInForce(space), space.core, "from"));
        // and where it can't be had it is part of the conflict
        loaded.plan->promises[nap].line =
            readPromiseLine("nap: wakes from doze in at most 1 ns by rtc every 15 min", &*loaded.part).value();
        const Space never = spaceOf(*loaded.part, *loaded.plan, loaded.plan->active, question);
        const auto refusal = whyNone(never, {});
        QVERIFY(refusal && refusal->conflicts.size() == 1);
        QVERIFY(refusal->conflicts.front().front() == (Demanded{Demanded::Kind::promise, 0}));
        question.promises.clear();
        question.wishes = asking(*loaded.part, {"drops at least 1 Hz"}).wishes;
        const Space other = spaceOf(*loaded.part, *loaded.plan, loaded.plan->active, question);
        QVERIFY(!mayChange(other, allInForce(other), other.core, "from"));
    }

    void unknownTakesAreRefused() {
        const LoadedPlan loaded = orchard();
        QVERIFY_THROWS_EXCEPTION(std::invalid_argument, seek(*loaded.part, *loaded.plan, "nobody", Question()));
    }
};

QTEST_APPLESS_MAIN(SeekTest)
#include "core_seek.moc"
