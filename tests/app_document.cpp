#include "board/board_view.h"
#include "desk/desk_view.h"
#include "evaluate/evaluate.h"
#include "files/plan_writer.h"
#include "part_editor/part_editor.h"
#include "plan/board_edits.h"
#include "plan/promise_edits.h"
#include "plan/take_edits.h"
#include "promises/promises_column.h"
#include "rhythm/rhythm_view.h"
#include "shell/notice.h"
#include "window_fixture.h"
#include "workings/workings_panel.h"

#include <QMessageBox>
#include <QProcess>
#include <QPushButton>
#include <QTimer>

#include <csignal>
#include <sys/resource.h>

namespace wisetick::test {

namespace {

/// Answers the next question box that comes up, whenever that is.
void answer(QMessageBox::StandardButton button) {
    QTimer::singleShot(0, qApp, [button] {
        if (auto* box = qobject_cast<QMessageBox*>(QApplication::activeModalWidget())) {
            QTest::mouseClick(box->button(button), Qt::LeftButton);
        } else {
            answer(button);
        }
    });
}

/// A copy of an example: what is edited is written aside beside the file.
QString example(const std::string& name) {
    static QTemporaryDir folder;
    const QString copy = folder.filePath(QString::fromStdString(name) + ".plan.toml");
    if (!QFile::exists(copy)) {
        QFile::copy(QString::fromStdString(sourceDir() + "/examples/" + name + ".plan.toml"), copy);
        QFile(copy).setPermissions(QFile::ReadOwner | QFile::WriteOwner);
    }
    return copy;
}

int threads() {
    return static_cast<int>(QDir("/proc/self/task").entryList(QDir::Dirs | QDir::NoDotAndDotDot).size());
}

/// No file may grow beyond a size while it lives: as on a full disk.
class FullDisk {
public:
    explicit FullDisk(rlim_t room) : handler_(std::signal(SIGXFSZ, SIG_IGN)) {
        getrlimit(RLIMIT_FSIZE, &before_);
        rlimit small = before_;
        small.rlim_cur = room;
        setrlimit(RLIMIT_FSIZE, &small);
    }
    ~FullDisk() {
        setrlimit(RLIMIT_FSIZE, &before_);
        std::signal(SIGXFSZ, handler_);
    }
    FullDisk(const FullDisk&) = delete;
    FullDisk& operator=(const FullDisk&) = delete;

private:
    rlimit before_{};
    void (*handler_)(int);
};

} // namespace

/// The plan that is open: nothing of it is lost, and nothing of another plan is shown with it.
class AppDocument : public WindowFixture {
    Q_OBJECT

    QPushButton* choice(Notice* notice, const QString& name) {
        for (auto* button : notice->findChildren<QPushButton*>()) {
            if (button->text() == name && !button->isHidden()) {
                return button;
            }
        }
        return nullptr;
    }
    void choose(Notice* notice, const QString& name) {
        QPushButton* button = choice(notice, name);
        QVERIFY2(button != nullptr, qPrintable(notice->text()));
        QTest::mouseClick(button, Qt::LeftButton);
    }

    /// A copy of an example that may be written.
    QString copied(const std::string& name) {
        const QString to = folder_->filePath(QString::fromStdString(name) + ".plan.toml");
        QFile::copy(example(name), to);
        QFile(to).setPermissions(QFile::ReadOwner | QFile::WriteOwner);
        return to;
    }

    std::string onDisk() const { return fileText(path().toStdString()); }

private slots:
    /// A way that is pinned goes with its promise; the file keeps its comments and can be opened again.
    void aPinnedPromiseIsDeleted() {
        window_->promises()->cards()->select("tick");
        QTest::keyClick(window_.get(), Qt::Key_3, Qt::AltModifier);
        QTest::keyClick(window_.get(), Qt::Key_P, Qt::ControlModifier);
        QCOMPARE(document().take().pinned.size(), std::size_t{1});
        QTest::keyClick(window_->promises()->cards(), Qt::Key_Delete);
        QCOMPARE(document().plan().promises.size(), std::size_t{9});
        QVERIFY(document().take().pinned.empty());
        QTest::keyClick(window_.get(), Qt::Key_S, Qt::ControlModifier);
        QVERIFY(!document().isModified());
        QVERIFY(onDisk().find("# Broken on purpose") != std::string::npos);
        QVERIFY(window_->openPlan(path()));
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier); // nothing to undo: it was opened anew
        QCOMPARE(document().plan().promises.size(), std::size_t{9});
    }

    /// Undoing and saving gives back the very bytes, comments of what was deleted and saved in between too.
    void undoneIsTheSameFile() {
        const std::string before = onDisk();
        std::vector<std::string> saved{before};
        for (const char* name : {"feed", "modem", "tick", "core"}) {
            window_->promises()->cards()->select(name);
            QTest::keyClick(window_->promises()->cards(), Qt::Key_Delete);
            QTest::keyClick(window_.get(), Qt::Key_S, Qt::ControlModifier);
            saved.push_back(onDisk());
            QVERIFY(saved.back() != saved[saved.size() - 2]);
        }
        for (std::size_t i = saved.size() - 1; i-- > 0;) {
            QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
            QTest::keyClick(window_.get(), Qt::Key_S, Qt::ControlModifier);
            QCOMPARE(onDisk(), saved[i]);
        }
    }

    /// F2 changes the promise that is selected, whatever is changed of it.
    void theSelectedPromiseIsChanged() {
        PromiseCards* cards = window_->promises()->cards();
        QLineEdit* entry = window_->promises()->entry();
        type(entry, "uart3 talks 9600");
        QCOMPARE(document().plan().promises.size(), std::size_t{11});
        cards->select("uart3");
        QTest::keyClick(cards, Qt::Key_F2);
        QCOMPARE(entry->text(), QString("uart3 talks 9600"));
        entry->clear();
        type(entry, "gps: uart3 talks 19200");
        QCOMPARE(document().plan().promises.size(), std::size_t{11});
        QCOMPARE(cards->selected(), QString("gps"));
        QTest::keyClick(cards, Qt::Key_F2);
        QTest::keyClick(entry, Qt::Key_Escape); // left without a change: the next line is a new one
        type(entry, "uart3 talks 4800");
        QCOMPARE(document().plan().promises.size(), std::size_t{12});
        // a name that another one has is refused, and what was typed stays
        cards->select("gps");
        QTest::keyClick(cards, Qt::Key_F2);
        entry->clear();
        type(entry, "tick: uart3 talks 19200");
        QVERIFY(window_->promises()->trouble().contains("there is a promise 'tick' already"));
        QCOMPARE(entry->text(), QString("tick: uart3 talks 19200"));
    }

    /// What is selected after a deletion is what desk and workings show.
    void whatIsSelectedIsShown() {
        PromiseCards* cards = window_->promises()->cards();
        QTest::keyClick(window_.get(), Qt::Key_3, Qt::AltModifier);
        const auto agree = [&](const QString& name) {
            QCOMPARE(cards->selected(), name);
            QCOMPARE(window_->find<DeskView>()->shown(), name);
            QCOMPARE(targetText(window_->workings()->target()), "promise/" + name.toStdString());
        };
        cards->select("tick");
        QTest::keyClick(cards, Qt::Key_Delete);
        agree("link");
        cards->select("life"); // the last one
        QTest::keyClick(cards, Qt::Key_Delete);
        agree("budget");
        cards->select("budget");
        document().edit("the first goes", [](Plan& plan) { return removePromise(plan, 0); });
        agree("budget");
        while (!document().plan().promises.empty()) {
            QTest::keyClick(cards, Qt::Key_Home);
            QTest::keyClick(cards, Qt::Key_Delete);
        }
        QCOMPARE(cards->selected(), QString());
        QCOMPARE(window_->find<DeskView>()->shown(), QString());
    }

    /// Another plan is opened while the last one is played.
    void anotherPlanWhileOneIsPlayed_data() {
        QTest::addColumn<QString>("first");
        QTest::addColumn<QString>("second");
        const QStringList names{"river-gauge", "spindle-balancer", "hive-scale", "field-tractor"};
        for (const QString& first : names) {
            for (const QString& second : names) {
                if (first != second) {
                    QTest::newRow(qPrintable(first + ", " + second)) << first << second;
                }
            }
        }
    }
    void anotherPlanWhileOneIsPlayed() {
        QFETCH(QString, first);
        QFETCH(QString, second);
        window_->showView("rhythm");
        for (const int wait : {0, 45, 60, 90}) {
            QVERIFY(window_->openPlan(example(first.toStdString())));
            QTest::qWait(wait);
            QVERIFY(window_->openPlan(example(second.toStdString())));
            QCOMPARE(document().figures().lines.size(), document().part().nodeCount());
            QCOMPARE(document().figures().promises.size(), document().plan().promises.size());
        }
        QTRY_VERIFY_WITH_TIMEOUT(document().figures().rhythm.has_value(), 20000);
        const Figures alone = evaluate(document().part(), document().plan(), document().plan().active);
        QCOMPARE(document().figures().vitals.average->nominal, alone.vitals.average->nominal);
    }

    /// A new plan and a part that was edited come in by the same door.
    void aNewPlanAndAPartWhileOneIsPlayed() {
        QVERIFY(window_->openPlan(example("river-gauge")));
        QTest::qWait(45);
        QVERIFY(document().begin("marram-20").empty());
        QCOMPARE(document().figures().promises.size(), std::size_t{0});
        QTRY_VERIFY(document().figures().rhythm.has_value());
        QVERIFY(window_->openPlan(path()));
        QTest::qWait(45);
        const int generation = document().generation();
        Part part = document().part();
        part.name = "edited";
        QVERIFY(document().takePart(part).empty());
        QVERIFY(document().generation() > generation);
        QTRY_VERIFY(document().figures().rhythm.has_value());
        QCOMPARE(document().part().name, std::string("edited"));
    }

    /// Edits one upon the other leave no plays behind them, and closing waits for none.
    void playsDoNotPileUp() {
        QVERIFY(window_->openPlan(example("river-gauge")));
        window_->showView("rhythm");
        const int before = threads();
        int most = 0;
        for (int i = 0; i < 50; ++i) {
            document().edit("more or less", [i](Plan& plan) { return setAlwaysDrawn(plan, Rational(i + 1, 1000000)); });
            QTest::qWait(60); // long enough for the play to begin
            most = std::max(most, threads());
        }
        QVERIFY2(most - before < 12, qPrintable(QString("%1 threads, then %2").arg(before).arg(most)));
        QElapsedTimer timer;
        timer.start();
        while (document().canUndo()) {
            document().undo();
        }
        window_.reset();
        QVERIFY2(timer.elapsed() < 5000, qPrintable(QString::number(timer.elapsed())));
    }

    /// An exception beside the interface is told, and everything goes on.
    void aFaultBesideIsTold() {
        Background background;
        QSignalSpy failed(&background, &Background::failed);
        QSignalSpy done(&background, &Background::done);
        background.start([](const std::stop_token&) -> std::function<void()> { throw std::runtime_error("no such number"); });
        QTRY_COMPARE(failed.size(), 1);
        QCOMPARE(failed.front().front().toString(), QString("no such number"));
        QTRY_VERIFY(!background.isBusy());
        bool wasRun = false;
        background.start([&](const std::stop_token&) { return [&] { wasRun = true; }; });
        QTRY_VERIFY(wasRun);
        document().troubleBeside("no such number");
        QVERIFY(window_->notice()->text().contains("no such number"));
        QVERIFY(window_->notice()->text().contains("Ctrl+Z"));
    }

    /// Only the newest work counts; nothing that a stopped one says arrives.
    void whatWasStoppedSaysNothing() {
        Background background;
        QStringList heard;
        std::atomic<int> begun = 0;
        const auto work = [&](const QString& name) {
            return [&, name](const std::stop_token& token) {
                ++begun;
                for (int i = 0; i < 100 && !token.stop_requested(); ++i) {
                    background.tell(token, [&, name] { heard << "tells " + name; });
                    std::this_thread::sleep_for(std::chrono::milliseconds(5));
                }
                return [&, name] { heard << name; };
            };
        };
        background.start(work("first"));
        QTRY_COMPARE(begun.load(), 1);
        background.start(work("second"));
        background.start(work("third"));
        heard.clear();
        QTRY_VERIFY(heard.contains("third"));
        QVERIFY(!heard.contains("first") && !heard.contains("tells first"));
        QCOMPARE(begun.load(), 2); // the second never began
        QVERIFY(!background.isRunning());
    }

    /// Whoever closes without an answer is asked again the next time.
    void whatWasLeftIsKeptUntilAnswered() {
        {
            Document crashed(Shelf{sourceDir() + "/parts"});
            QVERIFY(crashed.open(path()).empty());
            QCOMPARE(crashed.edit("x", [](Plan& plan) { return setDivide(plan, "A", "bus_a", 8); }), QString());
            crashed.autosave();
        } // and is gone
        const QString left = path() + ".autosave";
        QVERIFY(QFile::exists(left));
        const std::string content = fileText(left.toStdString());
        QVERIFY(window_->openPlan(path()));
        QVERIFY(window_->notice()->text().contains("never saved"));
        typeControl("bus_b", "4");
        document().autosave(); // the window's own go to a file of their own
        QCOMPARE(fileText(left.toStdString()), content);
        QVERIFY(document().autosavePath() != left);
        QVERIFY(QFile::exists(document().autosavePath()));
        answer(QMessageBox::Discard);
        window_->close();
        QCOMPARE(fileText(left.toStdString()), content);
        MainWindow next(Shelf{sourceDir() + "/parts"});
        next.show();
        QVERIFY(next.openPlan(path()));
        choose(next.notice(), "Take them");
        QCOMPARE(next.document().figures().findLine("bus_a")->divide, Rational(8));
        QVERIFY(QFile::exists(left)); // still not saved
        QVERIFY(next.document().save(path()).isDone());
        QVERIFY(!QFile::exists(left));
        QVERIFY(onDisk().find("divide = 8") != std::string::npos);
    }

    void whatWasLeftIsForgotten() {
        QFile::copy(path(), path() + ".autosave");
        QVERIFY(window_->openPlan(path()));
        choose(window_->notice(), "Forget them");
        QVERIFY(!QFile::exists(path() + ".autosave"));
        QCOMPARE(window_->notice()->text(), QString());
    }

    /// A plan without a file is written aside too.
    void aPlanThatWasNeverSavedOutlivesACrash() {
        const QString aside = folder_->filePath("recovery");
        {
            Document crashed(Shelf{sourceDir() + "/parts"});
            crashed.setRecoveryFolder(aside);
            QVERIFY(crashed.begin("marram-20").empty());
            crashed.edit("x", [](Plan& plan) { return renamePlan(plan, "Not lost"); });
            crashed.autosave();
            QVERIFY(crashed.autosavePath().startsWith(aside));
        }
        MainWindow next(Shelf{sourceDir() + "/parts"});
        next.show();
        next.setRecoveryFolder(aside);
        QVERIFY(next.notice()->text().contains("was never saved"));
        choose(next.notice(), "Take them");
        QCOMPARE(next.document().plan().name, std::string("Not lost"));
        QVERIFY(next.document().isModified());
        QVERIFY(next.document().save(folder_->filePath("kept.plan.toml")).isDone());
        QVERIFY(QDir(aside).isEmpty());
    }

    /// Beside what nobody may write to, as an installed example, changes go to the program's own folder, and are offered from
    /// there.
    void aPlanThatMayNotBeWrittenBesideIsSafeToo() {
        const QString shut = folder_->filePath("shut");
        QVERIFY(QDir().mkdir(shut) && QFile::copy(path(), shut + "/a.plan.toml"));
        QFile(shut).setPermissions(QFile::ReadOwner | QFile::ExeOwner);
        if (QFileInfo(shut).isWritable()) {
            QSKIP("whoever runs this may write everywhere");
        }
        const QString aside = folder_->filePath("recovery");
        const QString plan = shut + "/a.plan.toml";
        {
            Document crashed(Shelf{sourceDir() + "/parts"});
            crashed.setRecoveryFolder(aside);
            QVERIFY(!hasErrors(crashed.open(plan)));
            crashed.edit("x", [](Plan& changed) { return renamePlan(changed, "Not lost"); });
            crashed.autosave();
            QVERIFY(crashed.autosavePath().startsWith(aside));
        }
        Document next(Shelf{sourceDir() + "/parts"});
        next.setRecoveryFolder(aside);
        QVERIFY(!hasErrors(next.open(plan)));
        QCOMPARE(next.left().size(), std::size_t{1});
        QVERIFY(!hasErrors(next.recover(next.left().front().path)));
        QCOMPARE(next.plan().name, std::string("Not lost"));
        QFile(shut).setPermissions(QFile::ReadOwner | QFile::WriteOwner | QFile::ExeOwner);
    }

    /// What was not saved is aside within seconds, without anybody's doing.
    void editsAreWrittenAsideByThemselves() {
        typeControl("bus_a", "8");
        QTRY_VERIFY_WITH_TIMEOUT(QFile::exists(path() + ".autosave"), 6000);
        QVERIFY(fileText((path() + ".autosave").toStdString()).find("divide = 8") != std::string::npos);
        document().undo();
        QTRY_VERIFY_WITH_TIMEOUT(!QFile::exists(path() + ".autosave"), 6000);
    }

    /// On a full disk the old file stays, the mark in the title stays, and it is said.
    void aFullDiskLosesNothing() {
        const std::string before = onDisk();
        typeControl("bus_a", "8");
        {
            const FullDisk full(100);
            QTest::keyClick(window_.get(), Qt::Key_S, Qt::ControlModifier);
            QVERIFY(window_->notice()->text().contains("can't be written: File too large"));
            QVERIFY(window_->notice()->text().contains("Nothing is lost"));
            QVERIFY(window_->isWindowModified());
            QCOMPARE(onDisk(), before);
            QSignalSpy troubled(&document(), &Document::troubled);
            document().autosave();
            document().autosave(); // said once
            QCOMPARE(troubled.size(), 1);
            QVERIFY(troubled.front().front().toString().contains("written aside"));
            PartEditor editor(folder_->path(), document().plan(), lightTheme());
            QCOMPARE(
                editor.openFile(QString::fromStdString(sourceDir()) + "/parts/marram-20.part.toml", PartEditor::Origin::shipped),
                QString());
            QVERIFY(editor.save().contains("can't be written"));
            QVERIFY(!QFile::exists(folder_->filePath("marram-20.part.toml")));
        }
        QTest::keyClick(window_.get(), Qt::Key_S, Qt::ControlModifier);
        QVERIFY(onDisk().find("divide = 8") != std::string::npos);
        QVERIFY(!window_->isWindowModified());
        QCOMPARE(QDir(folder_->path()).entryList({".*new-*"}, QDir::Files | QDir::Hidden), QStringList());
    }

    /// The same on a file system that is full, where one may be mounted.
    void aFullFileSystemLosesNothing() {
        const QString mount = folder_->filePath("small");
        QDir().mkpath(mount);
        if (QProcess::execute("mount", {"-t", "tmpfs", "-o", "size=16k", "tmpfs", mount}) != 0) {
            QSKIP("no file system may be mounted here");
        }
        const QString plan = mount + "/a.plan.toml";
        QVERIFY(QFile::copy(path(), plan));
        const std::string before = fileText(plan.toStdString());
        {
            Document document(Shelf{sourceDir() + "/parts"});
            QVERIFY(document.open(plan).empty());
            QFile filler(mount + "/filler");
            QVERIFY(filler.open(QIODevice::WriteOnly));
            while (filler.write(QByteArray(1024, 'x')) > 0 && filler.flush()) {
            }
            document.edit("x", [](Plan& edited) { return setDivide(edited, "A", "bus_a", 8); });
            const Saved saved = document.save(plan);
            QVERIFY(!saved.isDone());
            QVERIFY2(saved.why.contains("No space left"), qPrintable(saved.why));
            QVERIFY(document.isModified());
            QCOMPARE(fileText(plan.toStdString()), before);
            filler.close();
            QVERIFY(filler.remove());
            QVERIFY(document.save(plan).isDone());
        }
        QCOMPARE(QProcess::execute("umount", {mount}), 0);
    }

    /// Two windows on one plan: neither removes what the other has not saved, neither saves over the other unasked.
    void twoWindowsOnOnePlan() {
        typeControl("bus_a", "8");
        document().autosave();
        const QString own = document().autosavePath();
        QVERIFY(QFile::exists(own));
        {
            MainWindow other(Shelf{sourceDir() + "/parts"}, path()); // as a start of its own that could not ask this one
            other.show();
            QVERIFY(other.notice()->text().contains("in another window"));
            other.notice()->withdraw("held");
            QCOMPARE(other.notice()->text(), QString()); // what a window that lives has not saved is its own affair
            other.close();
        }
        QVERIFY(QFile::exists(own));
        MainWindow other(Shelf{sourceDir() + "/parts"}, path());
        other.show();
        other.document().edit("x", [](Plan& plan) { return setDivide(plan, "A", "bus_b", 4); });
        QVERIFY(other.document().save(path()).isDone());
        const std::string theirs = onDisk();
        QTest::keyClick(window_.get(), Qt::Key_S, Qt::ControlModifier);
        QCOMPARE(onDisk(), theirs);
        QVERIFY(window_->notice()->text().contains("was changed by another program"));
        QVERIFY(document().isModified());
        choose(window_->notice(), "Save over it");
        QVERIFY(onDisk() != theirs);
        QVERIFY(!document().isModified());
    }

    /// While it is asked whose change shall stand, saving does not answer it.
    void savingDoesNotOverwriteAnothersChange() {
        typeControl("bus_a", "8");
        const std::string theirs = replaced(onDisk(), "Orchard sprayer", "Theirs");
        QFile file(path());
        QVERIFY(file.open(QIODevice::WriteOnly));
        file.write(QByteArray::fromStdString(theirs));
        file.close();
        QTRY_VERIFY(window_->notice()->text().contains("was changed by another program"));
        QTest::keyClick(window_.get(), Qt::Key_S, Qt::ControlModifier);
        QCOMPARE(onDisk(), theirs);
        choose(window_->notice(), "Take that file");
        QCOMPARE(document().plan().name, std::string("Theirs"));
        document().undo();
        QCOMPARE(document().figures().findLine("bus_a")->divide, Rational(8)); // mine is still there
    }

    /// A plan that could not be opened again is not written.
    void whatCanNotBeOpenedIsNotSaved() {
        const std::string before = onDisk();
        Part part = document().part();
        Plan plan = document().plan();
        plan.takes.front().pinned.push_back({"nobody", {}});
        document().show(part, plan);
        const Saved saved = document().save(path(), true);
        QCOMPARE(saved.how, Saved::How::refused);
        QVERIFY2(saved.why.contains("no promise 'nobody'"), qPrintable(saved.why));
        QCOMPARE(onDisk(), before);
        QVERIFY(window_->openPlan(path()));
    }

    /// Nothing that can be typed needs more bits than there are.
    void farNumbersAreRefusedWhereTheyStand_data() {
        QTest::addColumn<QString>("line");
        QTest::addColumn<QString>("marked");
        QTest::newRow("a rate") << "core runs at 1e-68 Hz"
                                << "1e-68 Hz";
        QTest::newRow("a period") << "timer1 fires every 1e70 s"
                                  << "1e70 s";
        QTest::newRow("a life") << "battery lasts 1e70 days"
                                << "1e70 days";
    }
    void farNumbersAreRefusedWhereTheyStand() {
        QFETCH(QString, line);
        QFETCH(QString, marked);
        type(window_->promises()->entry(), line);
        QCOMPARE(window_->promises()->entry()->selectedText(), marked);
        QVERIFY(window_->promises()->trouble().contains("1e30"));
        QCOMPARE(document().plan().promises.size(), std::size_t{10});
    }

    /// Rates at the ends of what can be typed are judged, drawn and printed.
    void numbersAtTheEndsAreShown() {
        for (const char* line : {"core runs at 1e-30 Hz", "usb runs at 1e30 Hz", "timer1 fires every 1e30 s",
                                 "timer1 fires every 1e-30 s", "battery lasts 1e25 s", "uart3 talks 1e-30 bit/s"}) {
            type(window_->promises()->entry(), line);
            QCOMPARE(window_->promises()->trouble(), QString());
            for (const char* view : {"promises", "clocks", "sleep", "rhythm", "board"}) {
                window_->showView(view);
                window_->grab();
            }
            settle();
        }
    }
};

} // namespace wisetick::test

using wisetick::test::AppDocument;
QTEST_MAIN(AppDocument)
#include "app_document.moc"
