#include "derive/lint_reset.h"
#include "evaluate/evaluate.h"
#include "part/lint.h"
#include "part/unknown_facts.h"
#include "support.h"
#include "workshop/part_questions.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

PartFile read(const std::string& text) {
    PartFile file = readPart(text, "part");
    if (!file.part) {
        qWarning("%s%s", lines(file.diagnostics).c_str(), text.c_str());
    }
    return file;
}

} // namespace

/// A part that is begun by a few questions.
class CoreQuestions : public QObject {
    Q_OBJECT

private slots:
    void whatWasSaidIsThere() {
        PartAnswers answers;
        answers.id = "heath-9";
        answers.rcs = {"16 MHz", "32 kHz"};
        answers.hasWatchCrystal = true;
        answers.multipliers = 2;
        answers.outputs = 3;
        answers.buses = 2;
        answers.peripherals = {{"uart", 4}, {"timer", 8}, {"spi", 2}, {"i2c", 2}, {"watchdog", 1}, {"rtc", 1}, {"other", 3}};
        answers.modes = {"idle", "doze", "deep"};
        const std::string text = partFromAnswers(answers).value();
        const Part part = read(text).part.value();
        QCOMPARE(part.sources.size(), std::size_t{4});
        QCOMPARE(part.lines.size(), std::size_t{2 * 5 + 1 + 2}); // reference, oscillator and three outputs each, core, buses
        QCOMPARE(part.peripherals.size(), std::size_t{21});
        QCOMPARE(part.modes.size(), std::size_t{4});
        QCOMPARE(*part.supplyMax, Rational(36, 10));
        QVERIFY(part.findPeripheral("uart4") && part.findNode("g_r") && part.findNode("bus_b"));
        const auto count = std::count(text.begin(), text.end(), '\n');
        QVERIFY2(count > 200 && count < 400, qPrintable(QString::number(count)));
        evaluatePromises(part, freshPlan(part), freshPlan(part).active);
    }

    /// Whatever is answered: no faults, nothing suspicious, and what was not said is unknown.
    void allAnswersReadClean() {
        Random random;
        const int cases = test::kIsSanitized ? 40 : 300; // each takes ten times as long there
        for (int i = 0; i < cases; ++i) {
            PartAnswers answers;
            answers.rcs.resize(static_cast<std::size_t>(random.whole(0, 3)), "4 MHz");
            answers.hasCrystal = answers.rcs.empty() || random.coin();
            answers.hasWatchCrystal = random.coin();
            answers.multipliers = static_cast<int>(random.whole(0, 4));
            answers.outputs = static_cast<int>(random.whole(1, 6));
            answers.buses = static_cast<int>(random.whole(0, 6));
            answers.peripherals.clear();
            for (const std::string& kind : askedKinds()) {
                answers.peripherals.emplace_back(kind, static_cast<int>(random.whole(0, 32)));
            }
            answers.tiers.resize(static_cast<std::size_t>(random.whole(0, 3)));
            for (std::size_t tier = 0; tier < answers.tiers.size(); ++tier) {
                answers.tiers[tier] = "t" + std::to_string(tier);
            }
            answers.modes.resize(static_cast<std::size_t>(random.whole(0, 2)));
            for (std::size_t mode = 0; mode < answers.modes.size(); ++mode) {
                answers.modes[mode] = "m" + std::to_string(mode);
            }
            const std::string text = partFromAnswers(answers).value();
            const PartFile file = read(text);
            QVERIFY(file.part.has_value() && file.diagnostics.empty());
            const Diagnostics suspicions = lintPart(*file.part, file.accepted, file.suspicions);
            QVERIFY2(suspicions.empty(), (lines(suspicions) + text).c_str());
            QVERIFY2(lintReset(*file.part).empty(), lines(lintReset(*file.part)).c_str());
            QVERIFY(unknownFacts(*file.part).size() >= file.part->sources.size());
        }
    }

    void whatIsNoAnswerIsTold() {
        const auto why = [](const std::function<void(PartAnswers&)>& change) {
            PartAnswers answers;
            change(answers);
            const auto made = partFromAnswers(answers);
            return made ? std::string() : std::string(made.error());
        };
        QCOMPARE(why([](PartAnswers&) {}), std::string());
        QVERIFY(why([](PartAnswers& each) { each.id = "My Part"; }).find("is no id") != std::string::npos);
        QVERIFY(why([](PartAnswers& each) { each.supplyMin = "3 MHz"; }).find("no voltage") != std::string::npos);
        QVERIFY(why([](PartAnswers& each) { each.supplyMin = "5 V"; }).find("lower end") != std::string::npos);
        QVERIFY(why([](PartAnswers& each) { each.hottest = "hot"; }).find("no temperature") != std::string::npos);
        QVERIFY(why([](PartAnswers& each) { each.rcs = {"fast"}; }).find("no rate") != std::string::npos);
        QVERIFY(why([](PartAnswers& each) {
                    each.rcs.clear();
                    each.hasCrystal = false;
                }).find("needs an oscillator") != std::string::npos);
        QVERIFY(why([](PartAnswers& each) { each.multipliers = 9; }).find("at most 4 multipliers") != std::string::npos);
        QVERIFY(why([](PartAnswers& each) { each.peripherals = {{"radio", 1}}; }).find("'radio'") != std::string::npos);
        QVERIFY(why([](PartAnswers& each) { each.tiers = {"low", "low"}; }).find("performance level") != std::string::npos);
        QVERIFY(why([](PartAnswers& each) { each.modes = {"run"}; }).find("beside run") != std::string::npos);
    }
};

QTEST_APPLESS_MAIN(CoreQuestions)
#include "core_questions.moc"
