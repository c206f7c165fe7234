#include "cli_support.h"

#include <QDir>
#include <QRegularExpression>

using namespace wisetick::test;

/// Commands about files: parts that are begun and looked at, what is handed over, what a review gets.
class CliFiles : public CliFixture {
    Q_OBJECT

    /// What a unified difference makes of a text; its pieces must stand where their heads say, and be as long.
    static QStringList patched(const QStringList& old, const QString& difference) {
        static const QRegularExpression head("^@@ -(\\d+),(\\d+) \\+(\\d+),(\\d+) @@$");
        QStringList made;
        qsizetype taken = 0;
        qsizetype left = 0;
        qsizetype toMake = 0;
        for (const QString& line : difference.split('\n')) {
            if (const auto match = head.match(line); match.hasMatch()) {
                left = match.captured(2).toInt();
                toMake = match.captured(4).toInt();
                const qsizetype begin = match.captured(1).toInt() - (left > 0 ? 1 : 0);
                while (taken < begin) {
                    made << old.at(taken++);
                }
                if (made.size() != match.captured(3).toInt() - (toMake > 0 ? 1 : 0)) {
                    qFatal("a piece that stands elsewhere: %s", qPrintable(line));
                }
            } else if (left > 0 || toMake > 0) {
                if (line.startsWith('+')) {
                    made << line.mid(1);
                } else {
                    if (old.at(taken) != line.mid(1)) {
                        qFatal("a line that is not there: %s", qPrintable(line));
                    }
                    if (line.startsWith(' ')) {
                        made << line.mid(1);
                    }
                    ++taken;
                }
                left -= line.startsWith('+') ? 0 : 1;
                toMake -= line.startsWith('-') ? 0 : 1;
            }
        }
        while (taken < old.size()) {
            made << old.at(taken++);
        }
        return made;
    }

    QStringList linesOf(const QString& name) const {
        QFile file(folder_.filePath(name));
        return file.open(QIODevice::ReadOnly) ? QString::fromUtf8(file.readAll()).trimmed().split('\n') : QStringList();
    }

private slots:
    /// The difference of a file that is behind in many places, and of one that begins and ends otherwise, makes the one that is
    /// written.
    void differencesCanBeApplied() {
        write(folder_.filePath("marram-20.part.toml"), marramText());
        const QString path = folder_.filePath("differs.plan.toml");
        write(path, orchardText() + "\n[[handover]]\nfile = \"all.csv\"\nas = \"csv\"\n");
        run({"handover", path, "--write"});
        const QStringList whole = linesOf("all.csv");
        QVERIFY(whole.size() > 20);
        QStringList other = whole;
        other.removeAt(15);
        other.insert(8, "one more");
        other[3] = "changed";
        for (const QStringList& found : {other, QStringList{"nothing of it"}, QStringList{"before"} + whole, whole.mid(0, 5)}) {
            write(folder_.filePath("all.csv"), found.join('\n').toStdString() + "\n");
            const QString difference = run({"handover", path, "--check", "--diff"}).out;
            QCOMPARE(patched(found, difference.mid(difference.indexOf("--- "))), whole);
        }
    }

    /// Made for a firmware: written, in step, behind after an edit of the plan, and never over what a person changed.
    void handoverKeepsFilesInStep() {
        const std::string files = "\n[[handover]]\nfile = \"clocks.h\"\nas = \"header\"\ntake = \"B\"\n";
        const QString path = folder_.filePath("handed.plan.toml");
        write(folder_.filePath("marram-20.part.toml"), marramText());
        const std::string plan =
            replaced(orchardText(), "modem: uart1 talks 921600 within 1.5 %", "modem: uart1 talks 9600 within 5 %");
        write(path, plan + files);
        QFile::remove(folder_.filePath("clocks.h"));
        QCOMPARE(run({"handover", path}).exitCode, 0);
        QCOMPARE(run({"handover", path, "--check"}).exitCode, 1);
        run({"handover", path, "--write"});
        const Run in = run({"handover", path, "--json"});
        QCOMPARE(in.json()["files"].toArray()[0].toObject()["how"].toString(), QString("as planned"));
        write(path, replaced(plan, "tick: timer1 fires every 1 ms exactly", "tick: timer1 fires every 2 ms exactly") + files);
        const Run behind = run({"handover", path, "--check", "--diff"});
        QCOMPARE(behind.exitCode, 1);
        QVERIFY2(behind.out.contains("behind the plan") && behind.out.contains("+++ as planned"), qPrintable(behind.out));
        write(folder_.filePath("clocks.h"), "/* mine */\n");
        const Run refused = run({"handover", path, "--write"});
        QCOMPARE(refused.exitCode, 2);
        QVERIFY2(refused.err.contains("clocks.h: a file that was not made here; it is not written over"),
                 qPrintable(refused.err));
        run({"handover", path, "--write", "--over-edited"});
        QVERIFY(run({"handover", path}).out.contains("as planned"));
    }

    /// A board that plays the plan is measured as planned; one whose firmware is late breaks its promise, and is told so.
    void capturesAreLaidOverThePlan() {
        const QString board = QFileInfo(qEnvironmentVariable("WISETICK_CLI")).dir().filePath("wisetick-board");
        const auto play = [&](const QStringList& arguments) {
            QProcess process;
            process.start(board,
                          QStringList{QString::fromStdString(sourceDir()) + "/" + kOrchard, "--for", "100 ms"} + arguments);
            process.waitForFinished(30000);
            return process.exitCode();
        };
        const QString plain = folder_.filePath("plain.vcd");
        const QString late = folder_.filePath("late.csv");
        QCOMPARE(play({"--vcd", plain}), 0);
        QCOMPARE(play({"--late", "tick 400", "--csv", late}), 0);
        QCOMPARE(play({"--late", "tick"}), 2);
        QCOMPARE(play({"--slip", "no such slip"}), 2);
        const Run asPlanned = run({"bench", kOrchard, plain, "--explain"});
        QVERIFY2(asPlanned.out.contains(QString::fromUtf8("\u25CF as planned; xtm")), qPrintable(asPlanned.out));
        const QJsonObject json = run({"bench", kOrchard, late, "--explain", "--json"}).json();
        QVERIFY(json["explanations"].toArray()[0].toObject()["say"].toString().startsWith("tick: the firmware takes"));
        const auto stateOf = [](const QJsonObject& of, const QString& promise) {
            for (const QJsonValue& each : of["measured"].toArray()) {
                if (each.toObject()["promise"].toString() == promise) {
                    return each.toObject()["state"].toString();
                }
            }
            return QString();
        };
        QCOMPARE(stateOf(json, "tick"), QString("broken"));
        QCOMPARE(stateOf(run({"bench", kOrchard, plain, "--json"}).json(), "tick"), QString("kept"));
        QCOMPARE(run({"bench", kOrchard, late}).exitCode, 1);
        const Run gone = run({"bench", kOrchard, folder_.filePath("gone.vcd")});
        QCOMPARE(gone.exitCode, 2);
        QVERIFY2(gone.err.contains("there is no such file"), qPrintable(gone.err));
        write(folder_.filePath("other.csv"), "time,nobody\n0,0\n1,1\n2,0\n");
        const Run other = run({"bench", kOrchard, folder_.filePath("other.csv")});
        QCOMPARE(other.exitCode, 2);
        QVERIFY2(other.err.contains("no track is called like a promise"), qPrintable(other.err));
    }

    /// Delays, dead time, words and bytes of tracks that the plan knows nothing of, by hand.
    void linesAreReadOnRequest() {
        QByteArray table = "time [us],high,low,clock,data\n0,0,0,0,0\n";
        for (int i = 0; i < 8; ++i) { // 0xA5, the highest bit first, at rising edges; 3 us and 4 us between the two others
            const int at = 100 * i + 100;
            const int bit = (0xA5 >> (7 - i)) & 1;
            table += QByteArray::number(at) + ",1,0,0," + QByteArray::number(bit) + "\n";
            table += QByteArray::number(at + 40) + ",0,0,1," + QByteArray::number(bit) + "\n";
            table += QByteArray::number(at + 43) + ",0,1,1," + QByteArray::number(bit) + "\n";
            table += QByteArray::number(at + 96) + ",0,0,0," + QByteArray::number(bit) + "\n";
        }
        const QString path = folder_.filePath("lines.csv");
        write(path, table.toStdString());
        const Run read = run({"bench", kOrchard, path, "--between", "high", "low", "--words", "clock", "data"});
        QVERIFY2(read.out.contains("1 words of 8 bits on data: a5"), qPrintable(read.out + read.err));
        QVERIFY2(read.out.contains("rising to rising    42 \u00b5s to 44 \u00b5s, 8 times"), qPrintable(read.out));
        QVERIFY2(read.out.contains("both low            2 \u00b5s to 5 \u00b5s, 15 times"), qPrintable(read.out));
        const Run odd = run({"bench", kOrchard, path, "--between", "high", "lo"});
        QCOMPARE(odd.exitCode, 2);
        QVERIFY2(odd.err.contains("no track 'lo'"), qPrintable(odd.err));
    }

    /// What the supply draws: a board that rests in another mode than planned is named.
    void currentsAreExplained() {
        const QString board = QFileInfo(qEnvironmentVariable("WISETICK_CLI")).dir().filePath("wisetick-board");
        const QString path = folder_.filePath("rest.vcd");
        QProcess process;
        process.start(board, {QString::fromStdString(sourceDir()) + "/" + kOrchard, "--for", "45 s", "--tick", "1 us", "--rest",
                              "snooze", "--vcd", path});
        QVERIFY(process.waitForFinished(30000) && process.exitCode() == 0);
        const Run read = run({"bench", kOrchard, path, "--explain"});
        QVERIFY2(read.out.contains("rests in snooze instead of deep"), qPrintable(read.out));
        const QJsonObject current = run({"bench", kOrchard, path, "--json"}).json()["current"].toObject();
        QCOMPARE(current["track"].toString(), QString("supply"));
        QVERIFY(current["levels"].toArray().size() >= 3 && current["average"].toDouble() > 0);
        process.start(board, {QString::fromStdString(sourceDir()) + "/" + kOrchard, "--rest", "nowhere"});
        QVERIFY(process.waitForFinished(30000));
        QCOMPARE(process.exitCode(), 2);
    }

    void checksGoIntoReviews() {
        const QJsonObject log = run({"check", kOrchard, "--as", "sarif"}).json();
        QCOMPARE(log["version"].toString(), QString("2.1.0"));
        QCOMPARE(run({"check", kOrchard, "--as", "sarif"}).exitCode, 1);
        const Run junit = run({"check", kOrchard, "--as", "junit"});
        QVERIFY2(junit.out.contains("<testsuite name=\"take A\"") && junit.out.contains("name=\"modem\""), qPrintable(junit.out));
        const Run odd = run({"check", kOrchard, "--as", "sarf"});
        QCOMPARE(odd.exitCode, 2);
        QVERIFY(odd.err.contains("did you mean 'sarif'?"));
    }

    /// Two versions of a plan: what moved.
    void plansAreCompared() {
        const QString path = editedPlan("modem: uart1 talks 921600 within 1.5 %", "modem: uart1 talks 9600 within 5 %");
        const Run moved = run({"compare", kOrchard, path});
        QCOMPARE(moved.exitCode, 0);
        QVERIFY2(moved.out.contains("what moved") && moved.out.contains("modem"), qPrintable(moved.out));
        QVERIFY(run({"compare", kOrchard, QString::fromStdString(sourceDir()) + "/" + kOrchard}).out.contains("nothing moved"));
        QVERIFY(run({"compare", kOrchard, "nowhere"}).err.contains("or another plan's file"));
    }

    /// A watching check says more when the plan is saved, until it is stopped.
    void aWatchingCheckChecksAgain() {
        const QString path = editedPlan("modem: uart1 talks 921600 within 1.5 %", "modem: uart1 talks 9600 within 5 %");
        QProcess process;
        process.start(qEnvironmentVariable("WISETICK_CLI"), {"check", path, "--watch"});
        QString said;
        const auto says = [&](const QString& what) {
            process.waitForReadyRead(100);
            said += QString::fromUtf8(process.readAllStandardOutput());
            return said.contains(what);
        };
        QTRY_VERIFY_WITH_TIMEOUT(says("0 broken"), 20000);
        editedPlan("modem: uart1 talks 921600 within 1.5 %", "modem: uart1 talks 921600 within 1.4 %");
        QTRY_VERIFY_WITH_TIMEOUT(says("1 broken"), 20000);
        process.kill();
        process.waitForFinished();
    }

    /// What a part does not tell comes with what hangs on it, most first; so does what can't be written.
    void lintRanksWhatIsUnknown() {
        const QString path = folder_.filePath("gaps.part.toml");
        write(path, replaced(marramText(), "tolerance = [", "note = ["));
        QCOMPARE(run({"lint", path, "--unknown"}).exitCode, 2); // a note is no list
        const Run whole = run({"lint", "parts/gorse-12.part.toml", "--unknown"});
        QCOMPARE(whole.exitCode, 0);
        QVERIFY2(whole.out.contains("the charge of waking from doze") && whole.out.contains("what can't be written\n"),
                 qPrintable(whole.out));
        const QJsonObject json = run({"lint", "parts/gorse-12.part.toml", "--unknown", "--json"}).json();
        const QJsonObject part = json["parts"].toArray()[0].toObject();
        std::size_t last = 1000000;
        for (const QJsonValue& each : part["unknown"].toArray()) {
            const auto count = static_cast<std::size_t>(each["hangs"].toArray().size());
            QVERIFY(count <= last && each["line"].toInt() > 0);
            last = count;
        }
        QVERIFY(!part["unwritable"].toArray().isEmpty());
    }

    /// Every skeleton, and a part begun from a description of its registers, reads without a fault and says so.
    void newPartsBeginFromMoreThanOne() {
        QVERIFY(
            QFile::copy(QString::fromStdString(sourceDir()) + "/tests/data/thicket-3.svd", folder_.filePath("thicket-3.svd")));
        const QList<QStringList> ways{
            {"--like", "small"}, {"--like", "middle"}, {"--from-svd", folder_.filePath("thicket-3.svd")}};
        for (const QStringList& way : ways) {
            const Run printed = run(QStringList{"new-part", "dune-4"} + way);
            QCOMPARE(printed.exitCode, 0);
            const QString path = folder_.filePath("dune-4.part.toml");
            write(path, printed.out.toStdString());
            const Run lint = run({"lint", path});
            QVERIFY2(lint.exitCode != 2, qPrintable(lint.out));
            QVERIFY2(way.first() == "--from-svd" || lint.exitCode == 0, qPrintable(lint.out));
        }
        const Run unlike = run({"new-part", "dune-4", "--like", "midle"});
        QCOMPARE(unlike.exitCode, 2);
        QVERIFY2(unlike.err.contains("did you mean 'middle'?"), qPrintable(unlike.err));
        QCOMPARE(run({"new-part", "dune-4", "--from-svd", folder_.filePath("gone.svd")}).exitCode, 2);
    }
};

QTEST_GUILESS_MAIN(CliFiles)
#include "cli_files.moc"
