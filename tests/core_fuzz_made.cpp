#include "fuzz/made.h"
#include "support.h"

#include <filesystem>

namespace fs = std::filesystem;
using namespace wisetick;

/// The structured fuzzers in their short form: what they once found, and choices at random. WISETICK_ROUNDS says how many, for a
/// longer play without a fuzzer.
class CoreFuzzMade : public QObject {
    Q_OBJECT

    using Feed = bool (*)(std::string_view);

private slots:
    void made_data() {
        QTest::addColumn<quintptr>("feed");
        QTest::addColumn<int>("rounds");
        const auto row = [](const char* name, Feed feed, int rounds) {
            QTest::newRow(name) << reinterpret_cast<quintptr>(feed) << rounds;
        };
        row("derive", &fuzz::feedDerive, 300);
        row("check", &fuzz::feedCheck, 300);
        row("seek", &fuzz::feedSeek, 200);
        row("rhythm", &fuzz::feedRhythm, 200);
        row("way", &fuzz::feedWay, 300);
        row("emit", &fuzz::feedEmit, 200);
        row("sleep", &fuzz::feedSleep, 200);
        row("found", &fuzz::feedFound, 300);
        row("svd", &fuzz::feedSvd, 500);
        row("figures", &fuzz::feedFigures, 60);
    }
    void made() {
        QFETCH(quintptr, feed);
        QFETCH(int, rounds);
        const auto give = reinterpret_cast<Feed>(feed);
        const fs::path corpus = fs::path(test::sourceDir()) / "tests/fuzz/corpus" / QTest::currentDataTag();
        if (fs::exists(corpus)) {
            for (const auto& entry : fs::directory_iterator(corpus)) {
                give(test::fileText(entry.path().string()));
            }
        }
        rounds /= test::kIsSanitized ? 10 : 1; // each takes ten times as long there
        if (qEnvironmentVariableIsSet("WISETICK_ROUNDS")) {
            rounds = qEnvironmentVariableIntValue("WISETICK_ROUNDS");
        }
        test::Random random;
        int came = 0;
        for (int round = 0; round < rounds; ++round) {
            std::string choices(static_cast<std::size_t>(random.whole(0, 200)), '\0');
            for (char& choice : choices) {
                choice = static_cast<char>(random.whole(0, 255));
            }
            came += give(choices) ? 1 : 0;
        }
        qInfo("%d of %d came to the comparison", came, rounds);
        QVERIFY(came * 10 > rounds);
    }
};

QTEST_APPLESS_MAIN(CoreFuzzMade)
#include "core_fuzz_made.moc"
