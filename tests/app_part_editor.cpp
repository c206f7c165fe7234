#include "window_fixture.h"

#include "board/shelf_view.h"
#include "part_editor/part_editor.h"
#include "shell/notice.h"

#include <QListWidget>

using namespace wisetick;
using namespace wisetick::app;
using namespace wisetick::test;

/// Parts of one's own: written in the window, with their faults and their clocks beside them.
class AppPartEditor : public WindowFixture {
    Q_OBJECT

    PartEditor* editor() { return window_->partEditor(); }

    /// Replaces the first place of a text, as one would by typing.
    void replaceInPart(const QString& what, const QString& by) {
        QVERIFY(editor()->text()->findFirst(what, false, true, false, false, true, 0, 0));
        editor()->text()->replace(by);
    }

    QString ownParts() const { return folder_->filePath("parts"); }

    /// The example's plan on a copy of its part that can be written.
    void openOnCopiedPart() {
        QVERIFY(QFile::copy(QString::fromStdString(sourceDir()) + "/parts/marram-20.part.toml",
                            folder_->filePath("marram-20.part.toml")));
        QFile(folder_->filePath("marram-20.part.toml")).setPermissions(QFile::ReadOwner | QFile::WriteOwner);
        QVERIFY(window_->openPlan(path())); // a part beside the plan comes before the shelf
        QCOMPARE(document().partPath(), folder_->filePath("marram-20.part.toml"));
    }

private slots:
    /// A fault is underlined under its word while one types, and listed; the clocks keep the last state without faults.
    void faultsShowUnderTheirPlace() {
        openOnCopiedPart();
        QTest::keyClick(window_.get(), Qt::Key_E, Qt::ControlModifier);
        QVERIFY(editor() != nullptr);
        QTRY_VERIFY(editor()->text()->hasFocus());
        QVERIFY(editor()->status().startsWith("No faults"));
        QVERIFY(!editor()->faults()->isVisibleTo(editor()));
        QCOMPARE(editor()->clocks()->layoutOfRows().rows().size(), document().part().nodeCount());
        replaceInPart("rate = \"10 MHz\"", "rate = \"10 MHx\"");
        QTRY_VERIFY(editor()->faults()->isVisibleTo(editor()));
        const QString said = editor()->faults()->item(0)->text();
        QVERIFY2(said.contains("unknown unit 'MHx'") && said.contains("did you mean 'MHz'?"), qPrintable(said));
        int line = 0;
        int column = 0;
        QVERIFY(editor()->text()->findFirst("MHx", false, true, false, false, true, 0, 0));
        editor()->text()->getCursorPosition(&line, &column);
        QVERIFY(said.startsWith(QString("line %1:").arg(line + 1)));
        QVERIFY(editor()->text()->isMarked(line, column - 1, Severity::error));
        QVERIFY(!editor()->text()->isMarked(line - 1, 3, Severity::error));
        QCOMPARE(editor()->status(), QString("The clocks show the last state without errors."));
        QCOMPARE(editor()->clocks()->layoutOfRows().rows().size(), document().part().nodeCount());
        editor()->text()->setCursorPosition(0, 0);
        editor()->faults()->setCurrentRow(0);
        QTest::keyClick(editor()->faults(), Qt::Key_Return);
        int there = 0;
        editor()->text()->getCursorPosition(&there, &column);
        QCOMPARE(there, line);
        editor()->text()->setModified(false);
    }

    /// Every valid state is followed by the clocks beside it, and a suspicion is marked where its entry stands.
    void theClocksFollowEachValidState() {
        openOnCopiedPart();
        QTest::keyClick(window_.get(), Qt::Key_E, Qt::ControlModifier);
        const std::size_t before = editor()->clocks()->layoutOfRows().rows().size();
        replaceInPart("# ---- between lines", "[[line]]\nid = \"spare\"\nfrom = \"core\"\n\n# ---- between lines");
        QTRY_COMPARE(editor()->clocks()->layoutOfRows().rows().size(), before + 1);
        QVERIFY(editor()->status().startsWith("No errors"));
        QVERIFY(editor()->faults()->item(0)->text().contains("'spare' changes nothing and feeds nothing"));
        int line = 0;
        int column = 0;
        QVERIFY(editor()->text()->findFirst("id = \"spare\"", false, true, false, false, true, 0, 0));
        editor()->text()->getCursorPosition(&line, &column);
        QVERIFY(editor()->text()->isMarked(line, 1, Severity::warning));
        QCOMPARE(document().part().nodeCount(), before); // the plan's own part is as it was
        editor()->text()->setModified(false);
    }

    /// What is saved is taken by the plan that stands on the part; what does not fit it is said, and the plan stays.
    void aSavedPartIsTakenByItsPlan() {
        openOnCopiedPart();
        QTest::keyClick(window_.get(), Qt::Key_E, Qt::ControlModifier);
        replaceInPart("max = \"160 MHz\", ref = \"3.1\" },", "max = \"120 MHz\", ref = \"3.1\" },");
        QTest::keyClick(editor(), Qt::Key_S, Qt::ControlModifier);
        QVERIFY(!editor()->isModified());
        QCOMPARE(document().figures().findLine("core")->state, State::broken); // 160 MHz is too much now
        replaceInPart("id = \"usb\"", "id = \"link\"");
        QCOMPARE(editor()->save(), QString());
        QVERIFY(document().part().findNode("usb").has_value()); // the plan promises something about it
        QVERIFY(window_->faults()->count() > 0);
        QCOMPARE(document().figures().findLine("core")->state, State::broken);
    }

    void aNewPartStandsOnTheShelf() {
        window_->setOwnParts(ownParts());
        QTest::keyClick(window_.get(), Qt::Key_N, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(editor() != nullptr && editor()->isModified());
        QVERIFY(editor()->status().startsWith("No faults"));
        QVERIFY(editor()->clocks()->layoutOfRows().rows().size() >= 5);
        replaceInPart("id = \"my-part\"", "id = \"dune-3\"");
        QCOMPARE(editor()->save(), QString());
        QCOMPARE(editor()->path(), ownParts() + "/dune-3.part.toml");
        const std::vector<ShelvedPart> shelf = readShelf({ownParts().toStdString()});
        QCOMPARE(shelf.size(), std::size_t{1});
        QCOMPARE(shelf[0].id, std::string("dune-3"));
        QVERIFY(shelf[0].file.part.has_value());
        // another new one may not take its place
        QTest::keyClick(window_.get(), Qt::Key_N, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(editor()->path().isEmpty());
        replaceInPart("id = \"my-part\"", "id = \"dune-3\"");
        QVERIFY(editor()->save().contains("There is a part 'dune-3' of your own already"));
        replaceInPart("id = \"dune-3\"", "id = \"Dune\"");
        QVERIFY(editor()->save().contains("needs an id and no errors"));
        editor()->text()->setModified(false);
    }

    /// A part that ships is never written where it stands: it becomes one of the user's own, in the ripple of its plan.
    void aShippedPartBecomesOnesOwn() {
        window_->setOwnParts(ownParts());
        const QString shipped = document().partPath();
        QVERIFY(shipped.startsWith(QString::fromStdString(sourceDir())));
        const std::string before = fileText(shipped.toStdString());
        QTest::keyClick(window_.get(), Qt::Key_E, Qt::ControlModifier);
        replaceInPart("max = \"160 MHz\", ref = \"3.1\" },", "max = \"120 MHz\", ref = \"3.1\" },");
        QCOMPARE(editor()->save(), QString());
        QCOMPARE(editor()->path(), ownParts() + "/marram-20.part.toml");
        QVERIFY(fileText(shipped.toStdString()) == before);
        QCOMPARE(document().figures().findLine("core")->state, State::broken);
        QCOMPARE(editor()->save(), QString()); // again, now to the own one
    }

    void aPartThatIsNoFileIsSaid() {
        window_->editPart(folder_->filePath("nowhere.part.toml"));
        QVERIFY(editor() == nullptr || !editor()->isVisible());
        QVERIFY(window_->notice()->text().contains("there is no such file"));
    }

    void theEditorIsReadableInBothThemes() {
        openOnCopiedPart();
        for (const Theme& theme : {lightTheme(), darkTheme()}) {
            window_->setTheme(theme);
            window_->editPart(document().partPath());
            const QImage shown = editor()->grab().toImage();
            const QColor ground = shown.pixelColor(editor()->text()->mapTo(editor(), QPoint(editor()->text()->width() - 40, 60)));
            QVERIFY(theme.isDark ? ground.lightness() < 60 : ground.lightness() > 200);
            editor()->close();
            QTRY_VERIFY(editor() == nullptr);
        }
    }
};

QTEST_MAIN(AppPartEditor)
#include "app_part_editor.moc"
