#include "document/document.h"
#include "shell/settings.h"
#include "support.h"

#include <QApplication>
#include <QDir>
#include <QProcess>
#include <QTemporaryDir>

#include <utime.h>

namespace wisetick::test {

namespace {

const char* const kBelow = "WISETICK_BELOW"; // the folder of the plan, told to the program under test

Text note(Plan& plan, const char* text) {
    plan.note = text;
    return {};
}

/// What a user does: opens the plan, edits, is written aside, edits more, saves. In a process of its own, for it may be killed.
int editAndSave(const QString& path) {
    app::Document document({sourceDir() + "/parts"});
    if (!document.open(path).empty() || !document.isOpen()) {
        return 3; // it could not be opened, and nothing was done
    }
    document.edit("note", [](Plan& plan) { return note(plan, "first"); });
    document.autosave();
    document.edit("note", [](Plan& plan) { return note(plan, "second"); });
    const app::Saved saved = document.save(path);
    if (saved.isDone()) {
        return 0;
    }
    return saved.why.isEmpty() ? 5 : 4; // refused, with words or without
}

int changeSettings() {
    app::Settings settings = app::Settings::read();
    settings.digits = 9;
    settings.keys["Ctrl+Return"] = "Ctrl+K";
    settings.write();
    return 0;
}

} // namespace

/// The window's files on a disk that fails at each thing in turn.
class AppFaults : public QObject {
    Q_OBJECT

    QTemporaryDir folder_;

    QString place() const { return QDir(folder_.path()).canonicalPath() + "/work"; }
    QString path() const { return place() + "/kept.plan.toml"; }

    void layOut() const {
        QDir(place()).removeRecursively();
        QDir().mkpath(place());
        QFile::copy(QString::fromStdString(sourceDir()) + "/examples/orchard-sprayer.plan.toml", path());
        QFile(path()).setPermissions(QFile::ReadOwner | QFile::WriteOwner);
    }

    struct Ended {
        int code = 0;
        int count = 0;
    };
    Ended runAs(const QString& what, const QString& fault, int at) const {
        QProcess process;
        QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
        environment.insert("LD_PRELOAD", qEnvironmentVariable("WISETICK_FAULTY"));
        environment.insert("FAULTY_BELOW", place());
        environment.insert("FAULTY_DO", fault);
        environment.insert("FAULTY_AT", QString::number(at));
        environment.insert("FAULTY_COUNT", folder_.filePath("count"));
        environment.insert("XDG_CONFIG_HOME", place());
        environment.insert(kBelow, path());
        process.setProcessEnvironment(environment);
        process.start(QCoreApplication::applicationFilePath(), {"--as", what});
        if (!process.waitForFinished(60000)) {
            qFatal("it did not end");
        }
        Ended ended{process.exitStatus() == QProcess::NormalExit ? process.exitCode() : -1, 0};
        ended.count = QString::fromStdString(fileText(folder_.filePath("count").toStdString())).toInt();
        return ended;
    }

    std::string noteOf(const std::string& text) const {
        const Part part = readPart(marramText(), "part").part.value();
        const PlanFile plan = readPlan(text, "plan", &part);
        return plan.plan ? plan.plan->note : "not a plan";
    }

private slots:
    void nothingIsLostAtAnyMoment_data() {
        QTest::addColumn<QString>("fault");
        for (const char* fault : {"die", "ENOSPC", "EIO", "EACCES"}) {
            QTest::newRow(fault) << fault;
        }
    }
    /// The file is the old or the new one; what was written aside is offered; saving once more leaves the plan and nothing else.
    void nothingIsLostAtAnyMoment() {
        if (!qEnvironmentVariableIsSet("WISETICK_FAULTY")) {
            QSKIP("the library that fails is not loaded beside sanitizers");
        }
        QFETCH(QString, fault);
        layOut();
        const std::string before = fileText(path().toStdString());
        const Ended whole = runAs("edit", "none", 0);
        QCOMPARE(whole.code, 0);
        const std::string after = fileText(path().toStdString());
        QCOMPARE(noteOf(after), std::string("second"));
        QVERIFY(whole.count > 10);
        int refused = 0;
        int offered = 0;
        for (int at = 1; at <= whole.count; ++at) {
            layOut();
            const Ended ended = runAs("edit", fault, at);
            const QByteArray moment = QString("%1 at %2").arg(fault).arg(at).toUtf8();
            const std::string now = fileText(path().toStdString());
            QVERIFY2(now == before || now == after, moment.constData());
            QVERIFY2(ended.code != 5, moment.constData()); // it says why
            QVERIFY2(ended.code != 0 || now == after, moment.constData());
            refused += ended.code == 4 ? 1 : 0;
            // the next window
            app::Document document({sourceDir() + "/parts"});
            QVERIFY2(document.open(path()).empty(), moment.constData());
            for (const app::Recovery::Left& left : document.left()) {
                QVERIFY2(document.recover(left.path).empty(), moment.constData());
                const std::string& recovered = document.plan().note;
                QVERIFY2(recovered == "first" || recovered == "second", moment.constData());
                ++offered;
                break;
            }
            document.edit("note", [](Plan& plan) { return note(plan, "third"); });
            QVERIFY2(document.save(path()).isDone(), moment.constData());
            QCOMPARE(noteOf(fileText(path().toStdString())), std::string("third"));
        }
        if (fault == "die") {
            QVERIFY(offered > 3); // whoever was killed behind the autosave
        } else {
            QVERIFY(refused > 3);
        }
    }

    /// A clock that was set back: all files there are come from tomorrow.
    void theClockWasSetBack() {
        if (!qEnvironmentVariableIsSet("WISETICK_FAULTY")) {
            QSKIP("the library that fails is not loaded beside sanitizers");
        }
        layOut();
        const int whole = runAs("edit", "none", 0).count;
        layOut();
        for (int at = whole; at > 0; --at) { // killed as late as can be with something written aside
            layOut();
            runAs("edit", "die", at);
            if (!app::Document({sourceDir() + "/parts"}).open(path()).empty()) {
                continue;
            }
            app::Document look({sourceDir() + "/parts"});
            look.open(path());
            if (!look.left().empty()) {
                break;
            }
        }
        const auto tomorrow = static_cast<time_t>(QDateTime::currentSecsSinceEpoch() + 86400);
        for (const QString& name : QDir(place()).entryList(QDir::Files | QDir::Hidden)) {
            const utimbuf later{tomorrow, tomorrow};
            utime((place() + "/" + name).toUtf8().constData(), &later);
        }
        app::Document document({sourceDir() + "/parts"});
        QVERIFY(document.open(path()).empty());
        QCOMPARE(document.left().size(), std::size_t{1});
        QVERIFY(document.recover(document.left().front().path).empty());
        document.edit("note", [](Plan& plan) { return note(plan, "third"); });
        document.autosave();
        app::Document other({sourceDir() + "/parts"}); // a window that lives keeps what it wrote
        QVERIFY(other.open(path()).empty());
        QVERIFY(other.left().empty());
        QVERIFY(document.save(path()).isDone());
        QCOMPARE(noteOf(fileText(path().toStdString())), std::string("third"));
    }

    /// Settings are the old or the new ones, and the program goes on.
    void settingsAreOldOrNew() {
        if (!qEnvironmentVariableIsSet("WISETICK_FAULTY")) {
            QSKIP("the library that fails is not loaded beside sanitizers");
        }
        const QString kept = place() + "/Wise Tick/Wise Tick.conf";
        layOut();
        const int count = runAs("settings", "none", 0).count;
        QVERIFY(count >= 3);
        QVERIFY2(QFile::exists(kept), qPrintable(kept));
        const std::string after = fileText(kept.toStdString());
        for (const char* fault : {"die", "ENOSPC", "EIO", "EACCES"}) {
            for (int at = 1; at <= count; ++at) {
                layOut();
                QDir().mkpath(QFileInfo(kept).path());
                const std::string before = "[settings]\ndigits=4\n";
                QFile file(kept);
                QVERIFY(file.open(QFile::WriteOnly));
                file.write(before.c_str());
                file.close();
                const Ended ended = runAs("settings", fault, at);
                const std::string now = fileText(kept.toStdString());
                QVERIFY2(now == before || now.find("digits=9") != std::string::npos,
                         qPrintable(QString("%1 at %2: %3").arg(fault).arg(at).arg(QString::fromStdString(now))));
                QVERIFY2(ended.code == 0 || ended.code == 137, qPrintable(QString("%1 at %2").arg(fault).arg(at)));
            }
        }
        QVERIFY(after.find("digits=9") != std::string::npos);
    }
};

} // namespace wisetick::test

int main(int argc, char** argv) {
    QApplication application(argc, argv);
    QApplication::setApplicationName("Wise Tick");
    QApplication::setOrganizationName("Wise Tick");
    if (argc == 3 && std::string(argv[1]) == "--as") {
        return std::string(argv[2]) == "edit" ? wisetick::test::editAndSave(qEnvironmentVariable(wisetick::test::kBelow))
                                              : wisetick::test::changeSettings();
    }
    wisetick::test::AppFaults test;
    return QTest::qExec(&test, argc, argv);
}
#include "app_faults.moc"
