#include "cli_support.h"

#include <QDir>

#include <utime.h>

using namespace wisetick::test;

/// A disk that fails at each thing in turn that a command does to a file: dies there, is full, is broken, forbids it, or stalls.
class CliFaults : public CliFixture {
    Q_OBJECT

    struct Faulty {
        Run run;
        bool wasKilled = false;
        int count = 0; ///< of what it did to files
    };

    Faulty runFaulty(const QStringList& arguments, const QString& what, int at) {
        QProcess process;
        process.setWorkingDirectory(place());
        QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
        environment.insert("LD_PRELOAD", qEnvironmentVariable("WISETICK_FAULTY"));
        environment.insert("FAULTY_BELOW", place());
        environment.insert("FAULTY_DO", what);
        environment.insert("FAULTY_AT", QString::number(at));
        environment.insert("FAULTY_COUNT", folder_.filePath("count"));
        process.setProcessEnvironment(environment);
        process.start(qEnvironmentVariable("WISETICK_CLI"), arguments);
        if (!process.waitForFinished(60000)) {
            qFatal("it did not end");
        }
        const int code = process.exitCode();
        Faulty faulty{
            {code, QString::fromUtf8(process.readAllStandardOutput()), QString::fromUtf8(process.readAllStandardError())},
            code == 137 || process.exitStatus() != QProcess::NormalExit,
            0};
        faulty.count = QString::fromStdString(fileText(folder_.filePath("count").toStdString())).toInt();
        return faulty;
    }

    QString place() const { return QDir(folder_.path()).canonicalPath() + "/work"; }

    void layOut() {
        QDir(place()).removeRecursively();
        QDir(folder_.path()).mkpath("work");
        write(place() + "/marram-20.part.toml", marramText());
        write(place() + "/kept.plan.toml",
              orchardText() +
                  "\n[[handover]]\nfile = \"clocks.h\"\nas = \"header\"\n\n[[handover]]\nfile = \"clocks.c\"\nas = \"c\"\n");
    }

    QMap<QString, QByteArray> files() const {
        QMap<QString, QByteArray> all;
        for (const QString& name : QDir(place()).entryList(QDir::Files | QDir::Hidden)) {
            all[name] = QByteArray::fromStdString(fileText((place() + "/" + name).toStdString()));
        }
        return all;
    }

private slots:
    void everythingGoesWrongOnce_data() {
        QTest::addColumn<QStringList>("command");
        QTest::newRow("a take found") << QStringList{"seek", "kept.plan.toml", "core = 80 MHz", "--top",
                                                     "1",    "--write",        "kept.plan.toml"};
        QTest::newRow("files for the firmware") << QStringList{"handover", "kept.plan.toml", "--write"};
    }
    void everythingGoesWrongOnce() {
        if (!qEnvironmentVariableIsSet("WISETICK_FAULTY")) {
            QSKIP("the library that fails is not loaded beside sanitizers");
        }
        QFETCH(QStringList, command);
        layOut();
        const auto before = files();
        const Faulty whole = runFaulty(command, "none", 0);
        QVERIFY2(whole.run.exitCode == 0 || whole.run.exitCode == 1, qPrintable(whole.run.err)); // 1: something is left out
        const auto after = files();
        QVERIFY(after != before);
        QVERIFY(whole.count >= 5); // the plan, the part, a new file, its content, its place
        int told = 0;
        for (const char* what : {"die", "ENOSPC", "EIO", "EACCES"}) {
            for (int at = 1; at <= whole.count; ++at) {
                layOut();
                const Faulty faulty = runFaulty(command, what, at);
                const auto now = files();
                for (const QString& name : now.keys()) {
                    const bool isLeftOver = name.contains(".new-");
                    QVERIFY2(isLeftOver ? faulty.wasKilled : now[name] == before.value(name) || now[name] == after.value(name),
                             qPrintable(QString("%1 at %2: %3").arg(what).arg(at).arg(name)));
                }
                for (const QString& name : before.keys()) {
                    QVERIFY2(now.contains(name), qPrintable(name + " is gone"));
                }
                if (!faulty.wasKilled && now != after) {
                    QVERIFY2(faulty.run.exitCode == 2 && !faulty.run.err.isEmpty(),
                             qPrintable(QString("%1 at %2: %3").arg(what).arg(at).arg(faulty.run.err)));
                    ++told;
                }
                // and afterwards it goes as if nothing had been, a minute later without what was left over
                for (const QString& name : now.keys()) {
                    const utimbuf old{1, 1};
                    utime((place() + "/" + name).toUtf8().constData(), &old);
                }
                const Faulty again = runFaulty(command, "none", 0);
                QVERIFY2(again.run.exitCode == whole.run.exitCode, qPrintable(again.run.err));
                QCOMPARE(files().keys(), after.keys());
            }
        }
        QVERIFY(told > 0);
    }

    /// Each thing takes 20 ms: the same comes of it.
    void aSlowDriveChangesNothing() {
        if (!qEnvironmentVariableIsSet("WISETICK_FAULTY")) {
            QSKIP("the library that fails is not loaded beside sanitizers");
        }
        layOut();
        const QStringList command{"seek", "kept.plan.toml", "core = 80 MHz", "--top", "1", "--write", "kept.plan.toml"};
        const Faulty quick = runFaulty(command, "none", 0);
        QVERIFY2(quick.run.exitCode == 0, qPrintable(quick.run.err));
        const auto after = files();
        layOut();
        const Faulty slow = runFaulty(command, "stall", 0);
        QCOMPARE(slow.run.exitCode, 0);
        QCOMPARE(slow.run.out, quick.run.out);
        QCOMPARE(files(), after);
    }
};

QTEST_APPLESS_MAIN(CliFaults)
#include "cli_faults.moc"
