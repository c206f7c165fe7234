#include "cli_support.h"
#include "long_lists.h"

#include <QDir>
#include <QFileInfo>
#include <QRegularExpression>

#include <sys/stat.h>

using namespace wisetick::test;

/// Files and arguments from strangers, full disks, searches that are cut: what comes of them is told.
class CliStrangers : public CliFixture {
    Q_OBJECT

    QString written(const LongList& list) {
        write(folder_.filePath("long.part.toml"), list.part);
        const QString path = folder_.filePath("long.plan.toml");
        write(path, list.plan);
        return path;
    }

    static Run inShell(const QString& command) {
        QProcess process;
        process.setWorkingDirectory(QString::fromStdString(sourceDir()));
        process.start("sh", {"-c", command});
        process.waitForFinished(30000);
        return {process.exitCode(), QString::fromUtf8(process.readAllStandardOutput()),
                QString::fromUtf8(process.readAllStandardError())};
    }

private slots:
    void aPipeIsNoPlan() {
        const QString pipe = folder_.filePath("pipe.plan.toml");
        QCOMPARE(mkfifo(qPrintable(pipe), 0600), 0);
        for (const char* command : {"check", "lint"}) {
            const Run told = run({command, pipe});
            QCOMPARE(told.exitCode, 2);
            QVERIFY2((told.out + told.err).contains("this can't be read as a file"), qPrintable(told.out + told.err));
        }
    }

    void keysAreNotAnyDepth() {
        const std::string deep = QString("a").append(QString(".a").repeated(150000)).toStdString();
        const QString path = folder_.filePath("deep.plan.toml");
        for (const std::string& text : {deep + " = 1\n", "[" + deep + "]\n", "\n\nx = { " + deep + " = 1 }\n"}) {
            write(path, text);
            const Run told = run({"check", path});
            QCOMPARE(told.exitCode, 2);
            QVERIFY2(told.err.contains("a key of more than 100 parts"), qPrintable(told.err.left(200)));
        }
        // dots in texts, numbers and remarks are none
        write(path, replaced(orchardText(), "[board]", "# " + std::string(300, '.') + "\n[board]"));
        write(folder_.filePath("marram-20.part.toml"), marramText());
        QVERIFY(run({"check", path}).exitCode != 2);
    }

    void ofAMillionFaultsAThousandAreTold() {
        LongList list = emptyList();
        list.plan += "locks = [";
        for (int i = 0; i < 20000; ++i) {
            list.plan += "\"nothing" + std::to_string(i) + "\", ";
        }
        list.plan += "]\n";
        const Run told = run({"check", written(list)});
        QCOMPARE(told.exitCode, 2);
        QCOMPARE(told.err.count("\n"), 1000);
        QVERIFY2(told.err.contains("19001 more faults"), qPrintable(told.err.right(300)));
    }

    void aFullDiskIsTold() {
        const QString program = qEnvironmentVariable("WISETICK_CLI");
        for (const char* command : {"check", "derive", "emit --even-broken --as c"}) {
            const QString words(command);
            const Run told =
                inShell(program + " " + words.section(' ', 0, 0) + " " + kOrchard + " " + words.section(' ', 1) + " > /dev/full");
            QCOMPARE(told.exitCode, 2);
            QVERIFY2(told.err.contains("could not be written"), qPrintable(told.err));
        }
    }

    void aTakeThatWasNotFoundCanNotBeChosen() {
        const QString to = folder_.filePath("chosen.plan.toml");
        const Run told = run({"seek", kOrchard, "usb = 48 MHz", "--choose", "999", "--write", to});
        QCOMPARE(told.exitCode, 2);
        QVERIFY(told.err.contains("--choose 999: there is no such take"));
        QVERIFY(!QFile::exists(to));
    }

    /// A search that was cut tells nothing of what fits.
    void aCutSearchIsUndecided() {
        const QString path = written(inSeries(4500));
        const Run told = run({"seek", path, "l4499 = 4 MHz"});
        QCOMPARE(told.exitCode, 3);
        QVERIFY2(told.out.contains("more than 1000 lines stand in series"), qPrintable(told.out + told.err));
        const Run json = run({"seek", path, "l4499 = 4 MHz", "--json"});
        QCOMPARE(json.exitCode, 3);
        QCOMPARE(json.json()["complete"], false);
        QVERIFY(json.json()["cut"].isString());
        QCOMPARE(run({"seek", written(inSeries(4500, true)), "l4499 = 8 MHz"}).exitCode, 3);
        for (const char* time : {"nan", "0", "1e-9", "-1", "soon"}) {
            QCOMPARE(run({"seek", kOrchard, "usb = 48 MHz", "--within", time}).exitCode, 2);
        }
    }

    void whatTakesTooLongIsLeftOut() {
        const Run told = run({"rhythm", written(jobsOfPrimes(15)), "--within", "0.01"});
        QCOMPARE(told.exitCode, 0);
        QVERIFY2(told.out.contains("What would move the battery most was left out"), qPrintable(told.out));
        QVERIFY(run({"rhythm", folder_.filePath("long.plan.toml"), "--within", "0.01", "--json"}).json()["moves_cut"].toBool());
    }

    /// Bytes that are no text are told in JSON that can be read.
    void jsonCanBeReadWhateverTheArgument() {
        const Run told = inShell(qEnvironmentVariable("WISETICK_CLI") + " check --json \"$(printf '\\377\\033[31m')\"");
        QCOMPARE(told.exitCode, 2);
        QVERIFY2(told.json().contains("findings"), qPrintable(told.out));
    }

    /// A terminal is shown what it is told, and does nothing.
    void terminalsAreNotSteered() {
        const Run told =
            inShell(qEnvironmentVariable("WISETICK_CLI") + " check \"$(printf 'no\\033]0;x\\007such\\342\\200\\256file')\"");
        QCOMPARE(told.exitCode, 2);
        QVERIFY2(told.err.contains("such") && told.err.contains(QChar(0x241B)), qPrintable(told.err));
        for (const char16_t sign : {u'\x1B', u'\a', u'\u202E'}) {
            QVERIFY(!told.err.contains(QChar(sign)));
        }
    }

    /// A plan names no file outside its folder and the shelf, not by a link either.
    void partsStandWhereTheyMay() {
        const QTemporaryDir elsewhere;
        const LongList list = emptyList();
        write(elsewhere.filePath("far.part.toml"), list.part);
        const std::string far = elsewhere.filePath("far.part.toml").toStdString();
        QVERIFY(QFile::link(elsewhere.filePath("far.part.toml"), folder_.filePath("link.part.toml")));
        const QString path = folder_.filePath("long.plan.toml");
        for (const std::string& name : {far, std::string("link.part.toml"),
                                        "../" + QFileInfo(elsewhere.path()).fileName().toStdString() + "/far.part.toml"}) {
            write(path, replaced(list.plan, "long.part.toml", name));
            const Run told = run({"check", path});
            QCOMPARE(told.exitCode, 2);
            QVERIFY2(told.err.contains("or a path below the folder of the plan or of the shelf"), qPrintable(told.err));
            QCOMPARE(run({"--parts", elsewhere.path(), "check", path}).exitCode, 0); // where it is asked for
        }
        QVERIFY(QDir(folder_.path()).mkpath("below"));
        write(folder_.filePath("below/near.part.toml"), list.part);
        write(path, replaced(list.plan, "long.part.toml", "below/near.part.toml"));
        QCOMPARE(run({"check", path}).exitCode, 0);
    }

    void namesAreTextInOneLine() {
        for (const char* name : {"a\\nb", "a\\u001Bb", "a\\u202Eb", "a\\tb", "a\\u0000b"}) {
            const Run told = run({"check", editedPlan("name = \"Orchard sprayer\"", std::string("name = \"") + name + "\"")});
            QCOMPARE(told.exitCode, 2);
            QVERIFY2(told.err.contains("a control character in 'name'"), qPrintable(told.err));
        }
    }

    /// What stands in C is made of names that are names.
    void registersHaveNames() {
        for (const char* name : {"X*/ ; int evil = 1; /*", "A-B", "9A", "", "A B", "A\\nB"}) {
            LongList list = emptyList();
            list.part += "\n[[line]]\nid = \"bus\"\nfrom = \"core\"\ndivide = [1, 2]\nfields = { divide = \"" +
                         std::string(name) + "[1:0]\" }\nholds = { divide = \"n-1\" }\n";
            const Run told = run({"check", written(list)});
            QCOMPARE(told.exitCode, 2);
            QVERIFY2(told.err.contains("expected a field such as"), qPrintable(told.err));
        }
    }

    /// The same files give the same figures whatever the locale, and without a home.
    void localesChangeNothing() {
        const QString program = qEnvironmentVariable("WISETICK_CLI");
        for (const char* command : {"derive", "check", "emit --even-broken --as c", "report --as html"}) {
            const QString words(command);
            const QString line = program + " " + words.section(' ', 0, 0) + " " + kOrchard + " " + words.section(' ', 1);
            const Run plain = inShell("LC_ALL=C " + line);
            QVERIFY(plain.out.size() > 500);
            for (const char* around :
                 {"LC_ALL=de_DE.UTF-8", "LC_ALL=tr_TR.UTF-8", "LC_ALL=fa_IR.UTF-8", "LC_ALL=C.UTF-8 TZ=Asia/Tehran",
                  "env -u HOME -u XDG_CONFIG_HOME -u XDG_DATA_HOME -u LANG", "HOME=/nowhere XDG_DATA_HOME=/nowhere"}) {
                const Run told = inShell(QString(around) + " " + line);
                QCOMPARE(told.exitCode, plain.exitCode);
                QCOMPARE(told.out, plain.out);
            }
        }
    }

    /// Where a file can't be written whole, the old one stands there, and nothing beside it.
    void writesAreWholeOrNotAtAll() {
        QVERIFY(QDir(folder_.path()).mkpath("whole"));
        const QString to = folder_.filePath("whole/kept.plan.toml");
        const std::string old(200, 'x');
        const QString line = qEnvironmentVariable("WISETICK_CLI") + " seek " + kOrchard + " 'core = 80 MHz' --write " + to;
        for (const char* limit : {"ulimit -f 0", "ulimit -f 1", "ulimit -f 2"}) { // in blocks: the plan has more
            write(to, old);
            const Run told = inShell(QString(limit) + "; trap '' XFSZ; " + line);
            QVERIFY2(told.exitCode != 0, qPrintable(told.out));
            QFile file(to);
            QVERIFY(file.open(QFile::ReadOnly));
            QCOMPARE(file.readAll().toStdString(), old);
            QCOMPARE(QDir(folder_.filePath("whole")).entryList(QDir::Files | QDir::Hidden), QStringList{"kept.plan.toml"});
        }
        QCOMPARE(inShell(line).exitCode, 0);
    }

    /// Killed at any moment of writing, WISETICK_KILLS times: the file is the old or the new one.
    void killedAtAnyMoment() {
        const int usual = kIsSanitized ? 10 : 60; // each is slow there
        const int moments = qEnvironmentVariableIsSet("WISETICK_KILLS") ? qEnvironmentVariableIntValue("WISETICK_KILLS") : usual;
        QVERIFY(QDir(folder_.path()).mkpath("killed"));
        const QString to = folder_.filePath("killed/kept.plan.toml");
        write(to, orchardText());
        write(folder_.filePath("killed/marram-20.part.toml"), marramText());
        const QString program = qEnvironmentVariable("WISETICK_CLI");
        QSet<QByteArray> seen;
        for (int i = 0; i < moments; ++i) {
            write(to, orchardText());
            QProcess process;
            process.setWorkingDirectory(QString::fromStdString(sourceDir()));
            process.start(program, {"seek", kOrchard, "core = 80 MHz", "--within", "1", "--top", "1", "--write", to});
            process.waitForStarted();
            process.waitForFinished(10 + 7 * i % 428); // each of these milliseconds in the end
            process.kill();
            process.waitForFinished();
            QFile file(to);
            QVERIFY(file.open(QFile::ReadOnly));
            const QByteArray now = file.readAll();
            seen << now;
            QVERIFY2(run({"check", to}).exitCode != 2, now.left(2000).constData());
        }
        QVERIFY(seen.size() <= 2);
        qInfo("killed %d times; %d texts seen", moments, static_cast<int>(seen.size()));
    }

    void contradictionsAreSuspicious() {
        const auto lintOf = [&](const std::string& rules) {
            LongList list = emptyList();
            list.part += "\n[[line]]\nid = \"bus\"\nfrom = \"core\"\ndivide = [1, 2, 4]\n" + rules;
            written(list);
            return run({"lint", folder_.filePath("long.part.toml")}).out;
        };
        const auto rule = [](const std::string& say, const std::string& left, const std::string& relation,
                             const std::string& right, const std::string& times) {
            return "\n[[rule]]\nsay = \"" + say + "\"\nleft = \"" + left + "\"\n" + relation + " = { line = \"" + right +
                   "\", times = \"" + times + "\" }\n";
        };
        const std::string half = rule("bus at most half", "bus", "at_most", "core", "1/2");
        QVERIFY(!lintOf(half + rule("bus at least a quarter", "bus", "at_least", "core", "1/4")).contains("no setting keeps"));
        QVERIFY(!lintOf(half + rule("core at least twice", "core", "at_least", "bus", "2")).contains("no setting keeps"));
        const QString both = lintOf(half + rule("bus as fast", "bus", "equals", "core", "1"));
        QVERIFY2(both.contains("rules that no setting keeps together: 'bus at most half' and 'bus as fast'"), qPrintable(both));
        QVERIFY(both.contains(QRegularExpression("part.toml:\\d+:\\d+: warning: rules")));
        const QString turned = lintOf(half + rule("core no faster", "core", "at_most", "bus", "1"));
        QVERIFY2(turned.contains("no setting keeps together"), qPrintable(turned));
        QVERIFY(lintOf(rule("half of itself", "core", "equals", "core", "1/2")).contains("a rule that no setting keeps"));
    }

    void aTimerIsNotChainedWithItself() {
        LongList list = emptyList();
        list.part += "\n[[peripheral]]\nid = \"timer1\"\nkind = \"timer\"\nbits = 16\nclock = \"core\"\nprescaler = [1]\n"
                     "chained = { with = \"timer1\", bits = 32 }\n";
        written(list);
        const Run told = run({"lint", folder_.filePath("long.part.toml")});
        QCOMPARE(told.exitCode, 2);
        QVERIFY2((told.out + told.err).contains("'timer1' chained with itself"), qPrintable(told.out + told.err));
    }
};

QTEST_APPLESS_MAIN(CliStrangers)
#include "cli_strangers.moc"
