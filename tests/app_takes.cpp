#include "takes/takes_view.h"
#include "window_fixture.h"

#include "promises/promises_column.h"
#include "shell/ripple_panel.h"
#include "workings/workings_panel.h"

#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QScrollBar>

using namespace wisetick;
using namespace wisetick::app;
using namespace wisetick::test;

/// The takes by keyboard and mouse.
class AppTakes : public WindowFixture {
    Q_OBJECT

private slots:
    /// The takes by keys: copy, rename, activate, delete, each an edit that can be undone.
    void takesByKeys() {
        settle();
        QTest::keyClick(window_.get(), Qt::Key_T, Qt::ControlModifier);
        TakesView& takes = *window_->find<TakesView>();
        QVERIFY(takes.hasFocus());
        QCOMPARE(takes.selected(), QString("A"));
        QTest::keyClick(&takes, Qt::Key_C);
        QCOMPARE(document().plan().takes.size(), std::size_t{3});
        QCOMPARE(document().plan().takes[1].name, std::string("C"));
        QCOMPARE(takes.selected(), QString("C")); // the copy is selected
        QTest::keyClick(&takes, Qt::Key_F2);
        QLineEdit* name = takes.nameEditor();
        QVERIFY(name->isVisible());
        name->setText("B");
        QTest::keyClick(name, Qt::Key_Return);
        QCOMPARE(takes.trouble(), QString("there is a take 'B' already"));
        name->setText("night");
        QTest::keyClick(name, Qt::Key_Return);
        QCOMPARE(takes.trouble(), QString());
        QCOMPARE(document().plan().takes[1].name, std::string("night"));
        QTest::keyClick(&takes, Qt::Key_Right, Qt::AltModifier);
        QCOMPARE(document().plan().takes[2].name, std::string("night"));
        QTest::keyClick(&takes, Qt::Key_Return);
        QCOMPARE(document().plan().active, std::string("night"));
        QCOMPARE(document().figures().take, std::string("night"));
        QTest::keyClick(&takes, Qt::Key_Delete);
        QCOMPARE(document().plan().takes.size(), std::size_t{2});
        QCOMPARE(document().plan().active, std::string("B"));
        takes.select("B");
        QTest::keyClick(&takes, Qt::Key_Delete); // a job runs in it
        QVERIFY(takes.trouble().contains("runs in take 'B'"));
        QTRY_VERIFY(!takes.isBusy() && !takes.rows().empty());
        QVERIFY(takes.rows().front().differs);
        while (document().canUndo()) {
            document().undo();
        }
        QCOMPARE(document().plan().active, std::string("A"));
        QTRY_COMPARE(takes.takes().size(), std::size_t{2});
    }

    /// By the mouse: the link opens the name, and what is typed goes there.
    void aTakeIsRenamedByItsLink() {
        settle();
        window_->showView("takes");
        TakesView& takes = *window_->find<TakesView>();
        QTRY_VERIFY(!takes.isBusy() && !takes.rows().empty());
        takes.select("B");
        for (QLabel* label : window_->findChildren<QLabel*>()) {
            if (label->accessibleName() == "What can be done with the selected take") {
                emit label->linkActivated("3");
            }
        }
        QVERIFY(takes.nameEditor()->isVisible() && takes.nameEditor()->hasFocus());
        QTest::keyClicks(takes.nameEditor(), "by day");
        QTest::keyClick(takes.nameEditor(), Qt::Key_Return);
        QCOMPARE(document().plan().takes[1].name, std::string("by day"));
    }

    /// A press elsewhere takes the name that was typed, for the take whose name it was; what is wrong with it stays.
    void aNameIsNotLost() {
        settle();
        window_->showView("takes");
        TakesView& takes = *window_->find<TakesView>();
        QTRY_VERIFY(!takes.isBusy() && !takes.rows().empty());
        takes.select("A");
        QTest::keyClick(&takes, Qt::Key_F2);
        const QRect ofA = takes.nameEditor()->geometry();
        takes.select("B");
        QTest::keyClick(&takes, Qt::Key_F2);
        const QPoint onA = ofA.center();
        QVERIFY(takes.nameEditor()->geometry() != ofA);
        QTest::keyClicks(takes.nameEditor(), "A"); // which there is
        QTest::mouseClick(takes.viewport(), Qt::LeftButton, {}, onA);
        QVERIFY(takes.nameEditor()->isVisible() && takes.trouble().contains("already"));
        QCOMPARE(takes.selected(), QString("B"));
        QTest::keyClicks(takes.nameEditor(), " at night");
        QTest::mouseClick(takes.viewport(), Qt::LeftButton, {}, onA);
        QVERIFY(!takes.nameEditor()->isVisible());
        QCOMPARE(document().plan().takes[0].name, std::string("A"));
        QCOMPARE(document().plan().takes[1].name, std::string("A at night"));
        takes.select("A at night");
        QTest::keyClick(&takes, Qt::Key_F2);
        document().undo(); // by the menu, while it is typed
        QTRY_VERIFY(!takes.nameEditor()->isVisible());
    }

    /// Sections one below the other, what differs first in each; D leaves what differs alone; lines by their names.
    void takesStandInSections() {
        settle();
        window_->showView("takes");
        TakesView& takes = *window_->find<TakesView>();
        QTRY_VERIFY(!takes.isBusy() && !takes.rows().empty());
        std::size_t sections = 1;
        for (std::size_t i = 1; i < takes.rows().size(); ++i) {
            const bool isNext = takes.rows()[i].kind != takes.rows()[i - 1].kind;
            sections += isNext ? 1 : 0;
            QVERIFY(isNext || takes.rows()[i - 1].differs || !takes.rows()[i].differs);
        }
        QCOMPARE(sections, std::size_t{3});
        const std::size_t all = takes.rows().size();
        QTest::keyClick(&takes, Qt::Key_D);
        QVERIFY(takes.rows().size() < all && takes.rows().size() > 2);
        for (const ComparedRow& row : takes.rows()) {
            QVERIFY(row.differs);
        }
        QTest::keyClick(&takes, Qt::Key_D);
        QCOMPARE(takes.rows().size(), all);
        QStringList names;
        for (const SpokenRow& row : takes.spokenRows()) {
            names << row.name;
        }
        const Part& part = document().part();
        const QString core = QString::fromStdString(part.lineAt(part.core).name);
        QVERIFY2(names.contains("Clocks, " + core), qPrintable(names.join("; ")));
        QTest::keyClick(&takes, Qt::Key_End);
        QVERIFY(takes.verticalScrollBar()->value() >= 0 && takes.spokenRows().back().isSelected);
    }

    void nextTakeGoesRound() {
        QTest::keyClick(window_.get(), Qt::Key_T, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(document().plan().active, std::string("B"));
        QCOMPARE(document().figures().findLine("core")->hertz->nominal, Rational(10000000));
        QTest::keyClick(window_.get(), Qt::Key_T, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(document().plan().active, std::string("A"));
    }
};

QTEST_MAIN(AppTakes)
#include "app_takes.moc"
