#include "fuzz/made.h"
#include "support.h"

#include <QElapsedTimer>

#include <filesystem>

namespace fs = std::filesystem;
using namespace wisetick;

/// The structured fuzzers in their short form: what they once found, and choices at random. WISETICK_ROUNDS says how
/// many, or WISETICK_SECONDS how long, for a longer play without a fuzzer.
class CoreFuzzMade : public QObject {
    Q_OBJECT

    using Feed = fuzz::Played (*)(std::string_view, int);

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
                give(test::fileText(entry.path().string()), 1);
            }
        }
        rounds /= test::kIsSanitized ? 10 : 1; // each takes ten times as long there
        const int wanted = qEnvironmentVariableIntValue("WISETICK_ROUNDS");
        const int seconds = qEnvironmentVariableIntValue("WISETICK_SECONDS");
        // of each part: of its jobs, which have the most choices, the first ones take as long as a hundred others
        const int many = QByteArray(QTest::currentDataTag()) == "rhythm" ? 128 : 32;
        const int plays = wanted > 0 || seconds > 0 ? many : 4;
        rounds = wanted > 0 ? wanted : rounds;
        test::Random random;
        std::int64_t played = 0;
        std::int64_t came = 0;
        std::int64_t parts = 0;
        QElapsedTimer clock;
        clock.start();
        while (seconds > 0 ? clock.elapsed() < seconds * 1000LL : played < rounds) {
            std::string choices(static_cast<std::size_t>(random.whole(0, 200)), '\0');
            for (char& choice : choices) {
                choice = static_cast<char>(random.whole(0, 255));
            }
            const fuzz::Played now = give(choices, plays);
            constexpr std::int64_t kTold = 250'000; // so that of a run that is ended early its length is known
            if ((played + now.plays) / kTold != played / kTold) {
                qInfo("%lld played so far", static_cast<long long>(played + now.plays));
            }
            played += now.plays;
            came += now.came;
            ++parts;
        }
        qInfo("%lld played, of %lld parts; %lld came to the comparison", static_cast<long long>(played),
              static_cast<long long>(parts), static_cast<long long>(came));
        QVERIFY(came * 10 > played);
    }
};

QTEST_APPLESS_MAIN(CoreFuzzMade)
#include "core_fuzz_made.moc"
