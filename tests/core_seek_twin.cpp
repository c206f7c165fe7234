#include "random_part.h"
#include "seek_twin.h"

using namespace wisetick;
using namespace wisetick::test;

/// The search against one that looks at everything.
class SeekTwinTest : public QObject {
    Q_OBJECT

private slots:
    void findsWhatIsThere() {
        Random random;
        RandomCases cases(random);
        const int wanted = qEnvironmentVariableIsSet("WISETICK_CASES") ? qEnvironmentVariableIntValue("WISETICK_CASES") : 2000;
        constexpr double kMostTakes = 1500; // that the twin looks at
        int compared = 0;
        int infeasible = 0;
        int severalFound = 0;
        while (compared < wanted) {
            const RandomCase made = cases.make();
            const PartFile part = readPart(made.part, "part");
            QVERIFY2(part.part, (lines(part.diagnostics) + made.part).c_str());
            const PlanFile plan = readPlan(made.plan, "plan", &*part.part);
            QVERIFY2(plan.plan, (lines(plan.diagnostics) + made.plan).c_str());
            Question question;
            for (const std::string& text : made.wishes) {
                const auto wish = readWish(text, &*part.part);
                QVERIFY2(wish, text.c_str());
                QCOMPARE(*readWish(printWish(*wish), &*part.part), *wish);
                question.wishes.push_back(*wish);
            }
            for (std::size_t i = 0; i < plan.plan->promises.size(); ++i) {
                if (random.whole(0, 3) != 0) {
                    question.promises.push_back({i, random.whole(0, 3) == 0});
                }
            }
            question.prefers = {Preference::changes, Preference::current, Preference::core, Preference::oscillator,
                                Preference::wakeUp};
            for (std::size_t i = 0; i < question.prefers.size(); ++i) {
                std::swap(question.prefers[i], question.prefers[static_cast<std::size_t>(random.whole(0, 4))]);
            }
            question.prefers.resize(static_cast<std::size_t>(random.whole(0, 5)));
            question.most = static_cast<std::size_t>(random.whole(1, 20));
            Twin twin(*part.part, *plan.plan, question);
            if (twin.size() > kMostTakes) {
                continue;
            }
            const std::string expected = textOf(twin.find());
            const SeekResult result = seek(*part.part, *plan.plan, plan.plan->active, question);
            const std::string got = textOf(*part.part, *plan.plan, result.found);
            if (got != expected) {
                std::string asked;
                for (const std::string& text : made.wishes) {
                    asked += text + "\n";
                }
                for (const SoughtPromise& sought : question.promises) {
                    asked += plan.plan->promises[sought.index].text + (sought.isSoft ? " (soft)\n" : "\n");
                }
                for (const Preference preference : question.prefers) {
                    asked += preferenceName(preference) + " ";
                }
                std::fprintf(stderr, "case %d\n%s\n%s\n%s\nfound:\n%s\nthere is:\n%s\n", compared, made.part.c_str(),
                             made.plan.c_str(), asked.c_str(), got.c_str(), expected.c_str());
            }
            QVERIFY(got == expected);
            QVERIFY(result.isComplete());
            ++compared;
            infeasible += expected.empty() ? 1 : 0;
            severalFound += result.found.size() > 3 ? 1 : 0;
        }
        qInfo("%d without a take, %d with more than three", infeasible, severalFound);
        QVERIFY(infeasible > wanted / 20);
        QVERIFY(severalFound > wanted / 20);
    }
};

QTEST_APPLESS_MAIN(SeekTwinTest)
#include "core_seek_twin.moc"
