#include "plan/job_line.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

/// A job as a line.
class CoreJobLine : public QObject {
    Q_OBJECT

private slots:
    void printingAndReadingAreInverse() {
        Random random;
        for (int i = 0; i < 1000; ++i) {
            const auto time = [&] {
                return Rational(random.whole(1, 1000000), random.whole(1, 1000)) *
                       powerOfTen(static_cast<int>(random.whole(-6, 2)));
            };
            Job job;
            job.name = "job " + std::to_string(i);
            const std::int64_t pace = random.whole(0, 2);
            if (pace == 0) {
                job.after = "other";
            } else {
                job.every = time();
                job.isRandom = pace == 2;
            }
            if (pace == 1 && random.coin()) {
                job.jitter = job.every / 3;
            }
            job.phase = random.coin() ? time() : Rational(0);
            if (random.coin()) {
                job.lasts = time();
            } else {
                job.cycles = random.whole(1, 1000000000);
            }
            job.draws = random.coin() ? Rational(random.whole(1, 100000), 1000000) : Rational(0);
            job.brings = random.coin() ? Rational(random.whole(1, 100000), 1000000) : Rational(0);
            job.take = random.coin() ? "A" : "";
            job.mode = random.coin() ? "idle" : "";
            for (std::int64_t uses = random.whole(0, 3); uses > 0; --uses) {
                job.uses.push_back("uart" + std::to_string(uses));
            }
            const std::string text = printJobLine(job);
            const auto read = readJobLine(text);
            QVERIFY2(read.has_value(), text.c_str());
            QVERIFY2(*read == job, (text + " read as " + printJobLine(*read)).c_str());
        }
    }

    /// Who forgets the colon, and jobs, takes and modes whose names are of several words.
    void asPeopleTypeIt() {
        const auto read = [](const char* line) {
            const auto job = readJobLine(line);
            return job ? printJobLine(*job) : "refused: " + std::string(job.error().found);
        };
        QCOMPARE(read("listen every 10 min for 2 s, draws 5 mA"), std::string("listen: every 10 min for 2 s, draws 5 mA"));
        QCOMPARE(read("night watch about 40 s for 20 ms"), std::string("night watch: about 40 s for 20 ms"));
        QCOMPARE(read("send after blink awake for 2 s"), std::string("send: after blink awake for 2 s"));
        const auto after =
            readJobLine("send: after blink  awake for 2 s, in take B of two, in mode light sleep uses uart1 and uart2");
        QVERIFY(after.has_value());
        QCOMPARE(after->after, std::string("blink awake"));
        QCOMPARE(after->take, std::string("B of two"));
        QCOMPARE(after->mode, std::string("light sleep"));
        QCOMPARE(after->uses, (std::vector<std::string>{"uart1", "uart2"}));
        QVERIFY(readJobLine(printJobLine(*after)) == *after);
    }

    void theErrorIsAtTheWord_data() {
        QTest::addColumn<std::string>("line");
        QTest::addColumn<std::string>("word");
        QTest::addColumn<std::string>("found");
        const auto row = [](const char* line, const char* word, const char* found) {
            QTest::newRow(line) << std::string(line) << std::string(word) << std::string(found);
        };
        row("every 10 s for 1 s", "every", "no name");
        row("a: every 10 bananas for 1 s", "10", "'10' has no unit");
        row("a: every for 1 s", "for", "'for'");
        row("a: sometimes for 1 s", "sometimes", "'sometimes'");
        row("a: every 10 s", "", "how long it takes is missing");
        row("a: for 1 s", "", "no 'every', 'about' or 'after'");
        row("a: every 1 s about 2 s for 1 s", "", "more than one of 'every', 'about' and 'after'");
        row("a: every 0 s for 1 s", "", "0");
        row("a: every 10 s for 1 s draws", "", "the end of the line");
        row("a: every 10 s late up to 11 s for 1 s", "", "a job that can't be so late");
        row("a: about 10 s late up to 1 s for 1 s", "", "a job that can't be so late");
    }
    void theErrorIsAtTheWord() {
        QFETCH(std::string, line);
        QFETCH(std::string, word);
        QFETCH(std::string, found);
        const auto read = readJobLine(line);
        QVERIFY(!read.has_value());
        QVERIFY2(read.error().found.find(found) != std::string::npos, read.error().found.c_str());
        QVERIFY(read.error().position <= line.size());
        if (!word.empty()) {
            QCOMPARE(line.substr(read.error().position, word.size()), word);
        }
    }

    void everyPrefixIsReadOrRefused() {
        const std::string line =
            "report: every 10 min for 180000 cycles, from 5 s, late up to 2 s, draws 21 mA, in take A, uses uart1";
        for (std::size_t length = 0; length <= line.size(); ++length) {
            const auto read = readJobLine(line.substr(0, length));
            QVERIFY(read || read.error().position <= length);
        }
        QVERIFY(readJobLine(line).has_value());
    }
};

QTEST_APPLESS_MAIN(CoreJobLine)
#include "core_job_line.moc"
