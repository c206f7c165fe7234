#include "fuzz/made_lsp.h"
#include "support.h"

#include <QtTest>

#include <filesystem>

using namespace wisetick;

/// Editors that do anything, in the short form of the fuzzer. WISETICK_ROUNDS says how many, WISETICK_SEED=random which.
class CliFuzzLsp : public QObject {
    Q_OBJECT

private slots:
    void sessions() {
        int seen = 0;
        for (const auto& entry : std::filesystem::directory_iterator(test::sourceDir() + "/tests/fuzz/corpus/lsp")) {
            if (!test::kIsSanitized || seen++ % 8 == 0) { // each takes ten times as long there
                QVERIFY(fuzz::feedLsp(test::fileText(entry.path().string())));
            }
        }
        int rounds = 12;
        if (test::kIsSanitized) {
            rounds = 2;
        }
        if (qEnvironmentVariableIsSet("WISETICK_ROUNDS")) {
            rounds = qEnvironmentVariableIntValue("WISETICK_ROUNDS");
        }
        test::Random random;
        for (int round = 0; round < rounds; ++round) {
            std::string choices(static_cast<std::size_t>(random.whole(1, 200)), '\0');
            for (char& choice : choices) {
                choice = static_cast<char>(random.whole(0, 255));
            }
            QVERIFY(fuzz::feedLsp(choices));
        }
    }
};

QTEST_APPLESS_MAIN(CliFuzzLsp)
#include "cli_fuzz_lsp.moc"
