#include "fuzz/readers.h"
#include "support.h"

#include <filesystem>

namespace fs = std::filesystem;
using wisetick::test::fileText;
using wisetick::test::sourceDir;

/// Feeds the corpus of every fuzz target, whole and cut short, and the shipped files with random damage.
class CoreFuzzReplay : public QObject {
    Q_OBJECT

    using Feed = void (*)(std::string_view);

private slots:
    void corpus_data() {
        QTest::addColumn<quintptr>("feed");
        QTest::newRow("quantity") << reinterpret_cast<quintptr>(&wisetick::fuzz::feedQuantity);
        QTest::newRow("promise_line") << reinterpret_cast<quintptr>(&wisetick::fuzz::feedPromiseLine);
        QTest::newRow("part") << reinterpret_cast<quintptr>(&wisetick::fuzz::feedPart);
        QTest::newRow("plan") << reinterpret_cast<quintptr>(&wisetick::fuzz::feedPlan);
        QTest::newRow("capture") << reinterpret_cast<quintptr>(&wisetick::fuzz::feedCapture);
    }
    void corpus() {
        QFETCH(quintptr, feed);
        const auto give = reinterpret_cast<Feed>(feed);
        int count = 0;
        for (const auto& entry : fs::directory_iterator(fs::path(sourceDir()) / "tests/fuzz/corpus" / QTest::currentDataTag())) {
            const std::string bytes = fileText(entry.path().string());
            give(bytes);
            const std::size_t step = bytes.size() / 100 + 1;
            for (std::size_t length = 0; length < bytes.size(); length += step) {
                give(std::string_view(bytes).substr(0, length));
            }
            ++count;
        }
        QVERIFY(count > 0);
    }

    void damagedFiles() {
        wisetick::test::Random random;
        const std::string signs = "[]{}=.,\"'#\\\n\r\t +-_0:zTuU\xff\xef";
        const std::vector<std::string> letters{"\u00b5", "\u03a9", "\u1681", "\u205f",
                                               "\u2e80", "\u4f60", "\ufe0f", "\U0001F600"};
        const auto oneOf = [&random](const auto& list) {
            return list[static_cast<std::size_t>(random.whole(0, std::ssize(list) - 1))];
        };
        const std::string corpus = sourceDir() + "/tests/fuzz/corpus/capture/";
        const std::vector<std::pair<std::string, Feed>> shipped{{wisetick::test::orchardText(), &wisetick::fuzz::feedPlan},
                                                                {wisetick::test::marramText(), &wisetick::fuzz::feedPart},
                                                                {fileText(corpus + "plain.vcd"), &wisetick::fuzz::feedCapture},
                                                                {fileText(corpus + "table.csv"), &wisetick::fuzz::feedCapture},
                                                                {fileText(corpus + "plain.vcd"), &wisetick::fuzz::feedCapture}};
        for (std::size_t i = 0; i < 1000; ++i) {
            auto [bytes, give] = shipped[i % shipped.size()];
            for (std::int64_t damage = random.whole(1, 3); damage > 0; --damage) {
                const auto at = static_cast<std::size_t>(random.whole(0, static_cast<std::int64_t>(bytes.size()) - 1));
                switch (random.whole(0, 4)) {
                case 0: bytes[at] = static_cast<char>(random.whole(0, 255)); break;
                case 1: bytes.erase(at, static_cast<std::size_t>(random.whole(1, 30))); break;
                case 2: bytes.insert(at, 1, oneOf(signs)); break;
                case 3: bytes.insert(at, oneOf(letters)); break;
                default:
                    bytes.insert(
                        at, bytes.substr(static_cast<std::size_t>(random.whole(0, static_cast<std::int64_t>(bytes.size()) - 1)),
                                         static_cast<std::size_t>(random.whole(1, 60))));
                }
            }
            give(bytes);
        }
    }
};

QTEST_APPLESS_MAIN(CoreFuzzReplay)
#include "core_fuzz_replay.moc"
