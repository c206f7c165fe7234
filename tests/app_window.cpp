#include "window_fixture.h"

#include "board/board_view.h"
#include "clocks/clocks_view.h"
#include "clocks/control_text.h"
#include "desk/desk_view.h"
#include "handover/handover_view.h"
#include "paint/painted_texts.h"
#include "paint/tool_links.h"
#include "promises/promises_column.h"
#include "shell/command_palette.h"
#include "shell/head.h"
#include "shell/help.h"
#include "shell/notice.h"
#include "shell/ripple_panel.h"
#include "shell/trail_button.h"
#include "takes/takes_view.h"
#include "workings/workings_panel.h"

#include <QAbstractItemView>
#include <QAction>
#include <QApplication>
#include <QClipboard>
#include <QCompleter>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QScrollBar>

#include <cmath>

using namespace wisetick;
using namespace wisetick::app;
using namespace wisetick::test;

/// The window by keyboard and mouse, on a copy of the example.
class AppWindow : public WindowFixture {
    Q_OBJECT

private slots:
    /// Open, type a promise, see it broken, change bus A, see the ripple, undo, save, read back.
    void anEngineersRound() {
        QTest::keyClick(window_.get(), Qt::Key_L, Qt::ControlModifier);
        type(window_->promises()->entry(), "gps: uart3 talks 921600 within 0.1 %");
        QCOMPARE(stateOf("gps"), State::broken);
        QCOMPARE(window_->promises()->cards()->selected(), QString("gps"));
        QVERIFY(window_->workings()->toPlainText().contains("the nearest is"));
        settle();
        document().keep();

        typeControl("bus_a", "3");
        QCOMPARE(document().figures().findLine("bus_a")->state, State::broken);
        QVERIFY(!document().moved().empty());
        QCOMPARE(targetText(document().moved().front().target), std::string("line/bus_a"));
        QVERIFY(window_->ripplePanel()->undoButton()->isEnabled());
        QTest::mouseClick(window_->ripplePanel()->undoButton(), Qt::LeftButton);
        QCOMPARE(document().figures().findLine("bus_a")->hertz->nominal, Rational(40000000));
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(document().figures().findLine("bus_a")->state, State::broken);
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);

        QVERIFY(document().isModified());
        QTest::keyClick(window_.get(), Qt::Key_S, Qt::ControlModifier);
        QVERIFY(!document().isModified());
        const std::string saved = fileText(path().toStdString());
        QVERIFY(saved.find("say = \"gps: uart3 talks 921600 within 0.1 %\"") != std::string::npos);
        QVERIFY(saved.find("# Broken on purpose") != std::string::npos);
        QVERIFY(saved.find("divide = 4") != std::string::npos);
    }

    void aWrongWordIsMarked() {
        type(window_->promises()->entry(), "uart1 talks 9600 witin 3 %");
        QCOMPARE(window_->promises()->entry()->selectedText(), QString("witin"));
        QVERIFY(window_->promises()->trouble().contains("did you mean 'within'?"));
        QCOMPARE(document().plan().promises.size(), std::size_t{10});
        QCOMPARE(window_->promises()->entry()->text(), QString("uart1 talks 9600 witin 3 %")); // nothing is lost
    }

    void theEntryCompletesTheClauseAtTheCursor() {
        QLineEdit* entry = window_->promises()->entry();
        entry->setFocus();
        QTest::keyClicks(entry, "modem2: uart3 t");
        QCOMPARE(window_->promises()->completions(), QStringList{"talks"});
        QVERIFY(entry->completer()->popup()->isVisible());
        QTest::keyClick(entry->completer()->popup(), Qt::Key_Down);
        QTest::keyClick(entry->completer()->popup(), Qt::Key_Return);
        QCOMPARE(entry->text(), QString("modem2: uart3 talks"));
        QCOMPARE(document().plan().promises.size(), std::size_t{10}); // a completion is taken, nothing is entered
        QTest::keyClicks(entry, " 9600 with");
        QCOMPARE(window_->promises()->completions(), QStringList{"within 1.5 %"});
        // in the middle of a line what stands behind stays
        QTest::keyClick(entry->completer()->popup(), Qt::Key_Escape);
        entry->setText("uart3 ta within 2 %");
        entry->setCursorPosition(8);
        QTest::keyClick(entry, Qt::Key_Down);
        QTest::keyClick(entry->completer()->popup(), Qt::Key_Down);
        QTest::keyClick(entry->completer()->popup(), Qt::Key_Return);
        QCOMPARE(entry->text(), QString("uart3 talks within 2 %"));
    }

    /// What is offered does not stand in the way of Enter.
    void enterTakesTheLineWhileCompletionsAreShown() {
        QLineEdit* entry = window_->promises()->entry();
        entry->setFocus();
        QTest::keyClicks(entry, "uart3 talks 115200 ");
        QVERIFY(entry->completer()->popup()->isVisible());
        QTest::keyClick(entry->completer()->popup(), Qt::Key_Return);
        QCOMPARE(document().plan().promises.size(), std::size_t{11});
    }

    /// Who reads the arithmetic already goes on reading there when ways out have been found above it.
    void whatIsReadStaysWhereItIs() {
        window_->goTo(at("promise/modem"));
        WorkingsPanel& workings = *window_->workings();
        QVERIFY(!workings.toPlainText().contains("uart1 from bus_b"));
        const auto placeOf = [&](const QString& words) { return workings.cursorRect(workings.document()->find(words)).top(); };
        workings.verticalScrollBar()->setValue(60);
        QCOMPARE(workings.verticalScrollBar()->value(), 60);
        const int before = placeOf("To bring it up");
        QTRY_VERIFY(workings.toPlainText().contains("uart1 from bus_b"));
        QCOMPARE(placeOf("To bring it up"), before);
        document().edit("a note", changing([](Plan& plan) { plan.note = "other"; }));
        QTRY_VERIFY(!window_->isBusy() && workings.toPlainText().contains("uart1 from bus_b"));
        QCOMPARE(placeOf("To bring it up"), before);
        window_->goTo(at("promise/log")); // something else begins at its beginning
        QCOMPARE(workings.verticalScrollBar()->value(), 0);
    }

    /// A way out is tried from the workings, and kept.
    void tryingAWayOut() {
        window_->goTo(at("promise/modem"));
        QTRY_VERIFY(window_->workings()->toPlainText().contains("uart1 from bus_b"));
        clickLink(window_->workings(), "try/0");
        QCOMPARE(stateOf("modem"), State::kept);
        settle();
        QCOMPARE(document().moved().front().name, std::string("modem"));
        QTest::keyClick(window_.get(), Qt::Key_Return, Qt::ControlModifier);
        QVERIFY(document().moved().empty());
        QCOMPARE(stateOf("modem"), State::kept);
    }

    /// A number that comes from another thing leads there; one that comes from a file is named below its step.
    void numbersLeadToWhereTheyComeFrom() {
        window_->goTo(at("promise/modem"));
        clickLink(window_->workings(), "at/0/line/bus_a");
        QCOMPARE(window_->workings()->target(), at("line/bus_a"));
        QCOMPARE(window_->find<ClocksView>()->selected(), QString("bus_a"));
        clickLink(window_->workings(), "at/0/line/core");
        QCOMPARE(window_->workings()->target(), at("line/core"));
        window_->goTo(at("line/xtm"));
        QVERIFY(window_->workings()->toHtml().contains("at/0/plan/board.fitted.xtm.rate"));
        clickLink(window_->workings(), "at/0/plan/board.fitted.xtm.rate");
        QVERIFY(window_->workings()->toPlainText().contains("xtm: the plan file, board.fitted.xtm.rate"));
        window_->goTo(at("promise/modem"));
        QVERIFY(!window_->workings()->toPlainText().contains("the plan file"));
    }

    void fieldsAreCopied() {
        window_->goTo(at("line/bus_a"));
        clickLink(window_->workings(), "copy/0");
        QCOMPARE(QApplication::clipboard()->text(), QString("0x3"));
    }

    void cardsByKeyboard() {
        PromiseCards* cards = window_->promises()->cards();
        QTest::keyClick(cards, Qt::Key_Home);
        QCOMPARE(cards->selected(), QString("core"));
        QTest::keyClick(cards, Qt::Key_Down);
        QCOMPARE(cards->selected(), QString("modem"));
        QTest::keyClick(cards, Qt::Key_Delete);
        QCOMPARE(document().plan().promises.size(), std::size_t{9});
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(document().plan().promises.size(), std::size_t{10});
        QTest::mouseClick(cards->viewport(), Qt::LeftButton, Qt::NoModifier, cards->cardRect(3).center());
        QCOMPARE(cards->selected(), QString("tick"));
    }

    void faultsOfAFileAreListedAndNothingIsLost() {
        QFile broken(folder_->filePath("broken.plan.toml"));
        QVERIFY(broken.open(QIODevice::WriteOnly));
        broken.write(QByteArray::fromStdString(replaced(orchardText(), "rests_in", "rest_in")));
        broken.close();
        QVERIFY(!window_->openPlan(broken.fileName()));
        QVERIFY(window_->faults()->isVisible());
        QVERIFY(window_->faults()->item(0)->text().contains("broken.plan.toml:94:1: error: unknown key 'rest_in'"));
        QCOMPARE(document().path(), path()); // the plan that was open stays
        typeControl("bus_a", "8");
        QCOMPARE(document().figures().findLine("bus_a")->hertz->nominal, Rational(20000000));
    }

    void savingWhereItCanNotIsSaid() {
        typeControl("bus_a", "8");
        QVERIFY(!document().save("/nowhere/at/all.plan.toml").isDone());
        QVERIFY(document().isModified());
    }

    void aChangeOnDiskIsNoticedAndOffered() {
        QFile file(path());
        QVERIFY(file.open(QIODevice::WriteOnly));
        file.write(QByteArray::fromStdString(replaced(orchardText(), "divide = 4", "divide = 8")));
        file.close();
        QTRY_VERIFY(window_->notice()->text().contains("was changed by another program"));
        QCOMPARE(document().figures().findLine("bus_a")->divide, Rational(4)); // nothing is taken unasked
        QTest::mouseClick(window_->notice()->findChildren<QPushButton*>().front(), Qt::LeftButton);
        QCOMPARE(document().figures().findLine("bus_a")->divide, Rational(8));
        QVERIFY(!document().isModified());
        document().undo();
        QCOMPARE(document().figures().findLine("bus_a")->divide, Rational(4));
        document().redo();
    }

    void aNewPlanStandsAtReset() {
        QVERIFY(document().begin("marram-20").empty());
        QCOMPARE(document().figures().findLine("core")->hertz->nominal, Rational(10000000)); // from the RC
        QVERIFY(document().plan().promises.empty());
        const QString fresh = folder_->filePath("fresh.plan.toml");
        QVERIFY(document().save(fresh).isDone());
        QVERIFY(window_->openPlan(fresh));
        QVERIFY(!document().begin("no-such-part").empty());
    }

    void recentPlansAreRemembered() {
        QTRY_VERIFY(!MainWindow::recentPlans().isEmpty() &&
                    MainWindow::recentPlans().front() == QFileInfo(path()).absoluteFilePath());
    }

    void helpIsAboutWhatHasTheFocus() {
        window_->activateWindow();
        window_->promises()->entry()->setFocus();
        QCOMPARE(window_->helpPage(), QString("promise-lines.md"));
        window_->find<ClocksView>()->setFocus();
        QCOMPARE(window_->helpPage(), QString("window.md"));
        window_->workings()->setFocus();
        QCOMPARE(window_->helpPage(), QString("calculations.md"));
        const Help help(QString::fromStdString(sourceDir()) + "/docs", "promise-lines.md", darkTheme(), nullptr);
        QVERIFY(help.shown().contains("How a promise is judged"));
    }

    /// By Tab alone through the window and back to where it began; whatever has the focus looks different for it and
    /// says what it is.
    void tabReachesEveryPartAndTheFocusIsVisible() {
        window_->goTo(at("promise/modem"));
        typeControl("bus_a", "8"); // Keep and Undo can be pressed
        settle();
        window_->find<ClocksView>()->setFocus();
        QWidgetList reached;
        for (int i = 0; i < 200; ++i) {
            QWidget* focus = window_->focusWidget();
            if (!reached.contains(focus)) {
                reached << focus;
                QVERIFY2(!focus->accessibleName().isEmpty() || !focus->property("text").toString().isEmpty(),
                         focus->metaObject()->className());
                const QImage with = focus->grab().toImage();
                focus->clearFocus();
                QVERIFY2(focus->grab().toImage() != with, focus->metaObject()->className());
                focus->setFocus();
            }
            QTest::keyClick(focus, Qt::Key_Tab);
        }
        const QWidgetList wanted{window_->promises()->entry(),
                                 window_->promises()->cards(),
                                 window_->find<ClocksView>(),
                                 window_->ripplePanel()->keepButton(),
                                 window_->ripplePanel()->undoButton(),
                                 window_->ripplePanel(),
                                 window_->workings()};
        for (QWidget* each : wanted) {
            QVERIFY2(reached.contains(each), each->metaObject()->className());
        }
        QVERIFY(std::any_of(reached.begin(), reached.end(), [](QWidget* each) { return each->accessibleName() == "Vitals"; }));
    }

    /// As one reads, whichever views were made before: promises, the trail as one stop, the view with what belongs to it,
    /// workings, vitals, and round again.
    void tabGoesAsOneReads() {
        for (const char* view : {"handover", "bench", "takes", "sleep", "clocks"}) {
            window_->showView(view);
        }
        const auto walked = [&](QWidget* from, int stops) {
            from->setFocus();
            QStringList names;
            for (int i = 0; i < stops; ++i) {
                const QWidget* focus = window_->focusWidget();
                const auto* step = qobject_cast<const TrailButton*>(focus);
                names << (step != nullptr ? "step " + step->text() : focus->accessibleName());
                QTest::keyClick(window_->focusWidget(), Qt::Key_Tab);
            }
            return names;
        };
        QWidget* first = window_->promises()->entry();
        QStringList names = walked(first, 6);
        QCOMPARE(names.mid(2), QStringList({"step Clocks", "find a clock", window_->find<ClocksView>()->accessibleName(),
                                            window_->ripplePanel()->accessibleName()}));
        names = walked(window_->workings(), 40);
        QVERIFY(names.indexOf("Vitals") > 0);
        QCOMPARE(names.indexOf(first->accessibleName()), names.indexOf("Vitals") + 1);
        window_->showView("handover");
        names = walked(first, 7);
        QCOMPARE(names.mid(2), QStringList({"step Handover", "What can be done with the files", "What can be done with the files",
                                            window_->find<HandoverView>()->list()->accessibleName(), "A file more"}));
    }

    /// Large letters in a narrow window: the head's figures stay whole, their names make room; links go on in another line.
    void theHeadsFiguresAreWhole() {
        const QFont letters = QApplication::font();
        QFont larger = letters;
        larger.setPointSizeF(14);
        QApplication::setFont(larger);
        openExample("hive-scale"); // at 1024 px all of its figures are wider than an equal share
        window_->resize(1024, 768);
        window_->showView("takes");
        settle();
        const QStringList painted = paintedTexts(*window_->findChild<Head*>());
        for (const char* figure : {"8 MHz", "radio", "5.025 ms", "\u22487.8221 \u00b5A", "\u224817.908 years"}) {
            QVERIFY2(painted.contains(figure), qPrintable(QString(figure) + " of " + painted.join(" | ")));
        }
        for (const ToolLinks* links : window_->findChildren<ToolLinks*>()) {
            const bool isWhole = links->isHidden() || (links->width() >= links->minimumSizeHint().width() &&
                                                       links->height() >= links->heightForWidth(links->width()));
            QVERIFY2(isWhole, qPrintable(links->accessibleName()));
        }
        QApplication::setFont(letters);
    }

    /// From the step that is shown ← and → go along the trail, and the focus stays on it.
    void arrowsGoAlongTheTrail() {
        const auto stepOf = [&](const QString& name) {
            const auto steps = window_->findChildren<TrailButton*>();
            return *std::find_if(steps.begin(), steps.end(), [&](const TrailButton* each) { return each->text() == name; });
        };
        stepOf("Clocks")->setFocus(Qt::TabFocusReason);
        QTest::keyClick(stepOf("Clocks"), Qt::Key_Right);
        QVERIFY(stepOf("Promises")->hasFocus() && window_->find<DeskView>()->isVisible());
        QTest::keyClick(stepOf("Promises"), Qt::Key_Left);
        QTest::keyClick(stepOf("Clocks"), Qt::Key_Left);
        QVERIFY(stepOf("Board")->hasFocus());
        QTest::keyClick(stepOf("Board"), Qt::Key_Left); // there is none before it
        QVERIFY(stepOf("Board")->hasFocus());
        window_->showView("welcome"); // no step is shown: the first is the stop
        int stops = 0;
        for (const TrailButton* each : window_->findChildren<TrailButton*>()) {
            stops += (each->focusPolicy() & Qt::TabFocus) != 0 ? 1 : 0;
        }
        QCOMPARE(stops, 1);
        QCOMPARE(stepOf("Board")->focusPolicy(), Qt::TabFocus);
    }

    /// What stands right of a view's title stands there still after the others were seen.
    void theToolStaysWhereItIs() {
        auto* find = window_->findChild<QLineEdit*>("findClock");
        QVERIFY(find->isVisible());
        const QPoint before = find->mapTo(window_.get(), QPoint(find->width(), 0));
        for (const char* view : {"board", "promises", "sleep", "rhythm", "bench", "handover", "takes", "clocks"}) {
            window_->showView(view);
            QTRY_VERIFY(!window_->isBusy());
        }
        QTRY_COMPARE(find->mapTo(window_.get(), QPoint(find->width(), 0)), before);
    }

    /// From a broken promise to a kept one by keys alone: the workings, Tab to "try", Enter, Keep.
    void aWayOutByKeysAlone() {
        QTest::keyClick(window_.get(), Qt::Key_L, Qt::ControlModifier | Qt::ShiftModifier);
        QTest::keyClick(window_->promises()->cards(), Qt::Key_Home);
        QTest::keyClick(window_->promises()->cards(), Qt::Key_Down);
        QVERIFY(window_->workings()->toPlainText().contains("single changes are being looked for"));
        QTRY_VERIFY(window_->workings()->toPlainText().contains("seek a take that keeps it"));
        QTest::keyClick(window_.get(), Qt::Key_W, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(window_->workings()->hasFocus());
        QTest::keyClick(window_->workings(), Qt::Key_Tab);
        QCOMPARE(window_->workings()->textCursor().selectedText(), QString("try"));
        QTest::keyClick(window_->workings(), Qt::Key_Return);
        QCOMPARE(stateOf("modem"), State::kept);
        QTest::keyClick(window_.get(), Qt::Key_Return, Qt::ControlModifier);
        QVERIFY(document().moved().empty());
    }

    /// A limit overstepped offers what would mend it, as a try.
    void aLimitOffersWaysOut() {
        typeControl("bus_a", "3");
        QCOMPARE(document().figures().findLine("bus_a")->state, State::broken);
        QTRY_VERIFY(window_->workings()->toPlainText().contains("Ways out"));
        QVERIFY(window_->workings()->toPlainText().contains(QString::fromUtf8("bus_a \u00f7 4")));
        clickLink(window_->workings(), "try/0");
        QCOMPARE(document().figures().findLine("bus_a")->state, State::kept);
    }

    /// What a source takes with it when it fails, from any clock that hangs on it.
    void aSourceThatFailsIsPlayedThrough() {
        window_->find<ClocksView>()->select("bus_a");
        QTest::keyClick(window_.get(), Qt::Key_X, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(window_->workings()->target(), at("fails/xtm"));
        const QString shown = window_->workings()->toPlainText();
        QVERIFY(shown.contains("If xtm fails"));
        QVERIFY(shown.contains("The hardware puts core on rcf by itself."));
        QVERIFY(shown.contains("link")); // the PLL hangs on the crystal, and USB on the PLL
        QVERIFY(shown.contains("160 MHz"));
        QVERIFY(!document().canUndo()); // nothing was changed
        clickLink(window_->workings(), "line/xtm");
        QVERIFY(window_->workings()->toPlainText().contains("what if it fails"));
        clickLink(window_->workings(), "fails/xtm");
        QCOMPARE(window_->workings()->target(), at("fails/xtm"));
    }

    /// The part file changed under the plan: the plan opens, says what is not allowed any more, and offers the nearest.
    void aChoiceThatThePartLostIsMendedByAClick() {
        const std::string part = replaced(marramText(), "from = \"core\"\ndivide = { from = 1, to = 8 }",
                                          "from = \"core\"\ndivide = { from = 5, to = 12 }");
        QFile partFile(folder_->filePath("changed.part.toml"));
        QVERIFY(partFile.open(QFile::WriteOnly) && partFile.write(part.c_str()) > 0);
        partFile.close();
        QFile plan(path());
        QVERIFY(plan.open(QFile::WriteOnly));
        plan.write(replaced(orchardText(), "part = \"marram-20\"", "part = \"./changed.part.toml\"").c_str());
        plan.close();
        QVERIFY(window_->openPlan(path()));
        QVERIFY(!document().isModified()); // nothing was changed silently
        QCOMPARE(document().figures().findLine("bus_a")->why, std::string("'bus_a' can't divide by 4"));
        QCOMPARE(stateOf("modem"), State::broken);
        window_->find<ClocksView>()->select("bus_a");
        QTRY_VERIFY(window_->workings()->toPlainText().contains(QString::fromUtf8("bus_a \u00f7 5")));
        clickLink(window_->workings(), "try/0");
        QCOMPARE(document().figures().findLine("bus_a")->hertz->nominal, Rational(32000000));
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(!document().isModified());
    }

    void theOrderOfWritingIsShownAndCopied() {
        QTest::keyClick(window_.get(), Qt::Key_R, Qt::ControlModifier | Qt::ShiftModifier);
        const QString shown = window_->workings()->toPlainText();
        QVERIFY(shown.contains("From reset to take A"));
        QVERIFY(shown.indexOf("start vco") < shown.indexOf("core from pll_a"));
        clickLink(window_->workings(), "copy/0");
        QVERIFY(QApplication::clipboard()->text().contains("CLK.CORE[9:8] = 0x2  // core from pll_a"));
        clickLink(window_->workings(), "way/take B");
        QVERIFY(window_->workings()->toPlainText().contains("From take B to take A"));
        window_->goTo(at("line/core"));
        QVERIFY(window_->workings()->toPlainText().contains("The way there"));
        typeControl("bus_a", "2");
        window_->workings()->show(at("way/reset"));
        QVERIFY(window_->workings()->toPlainText().contains("The way ends here: core from pll_a"));
    }

    /// The vitals lead to their causes by keys and by mouse.
    void vitalsLeadToTheirCauses() {
        settle();
        QTest::keyClick(window_.get(), Qt::Key_H, Qt::ControlModifier | Qt::ShiftModifier);
        QWidget* head = window_->focusWidget();
        QCOMPARE(head->accessibleName(), QString("Vitals"));
        QStringList shown;
        for (int i = 0; i < 5; ++i) {
            QTest::keyClick(head, Qt::Key_Return);
            shown << QString::fromStdString(targetText(window_->workings()->target()));
            QTest::keyClick(head, Qt::Key_Right);
        }
        QCOMPARE(shown, QStringList({"line/core", "promise/modem", "mode/deep", "rhythm/average", "rhythm/life"}));
        QTest::mouseClick(head, Qt::LeftButton, Qt::NoModifier, QPoint(head->width() - 100, head->height() / 2));
        QCOMPARE(window_->workings()->target(), at("rhythm/life"));
        QVERIFY(head->accessibleDescription().contains("battery") && head->accessibleDescription().contains("676"));
    }

    void everyCommandIsInThePaletteAndHasAKey() {
        CommandPalette palette(window_->actions(), lightTheme(), window_.get());
        const auto* list = palette.findChild<QListWidget*>();
        QCOMPARE(list->count(), window_->actions().size());
        for (const QAction* action : window_->actions()) {
            QVERIFY2(!action->shortcut().isEmpty(), qPrintable(action->text()));
        }
    }

    /// Whatever the order of themes, every part of the window has its ground and letters that stand out from it.
    void themesReachEveryPart_data() {
        QTest::addColumn<QList<bool>>("darks");
        QTest::newRow("light") << QList<bool>{false};
        QTest::newRow("dark") << QList<bool>{true};
        QTest::newRow("light, then dark") << QList<bool>{false, true};
        QTest::newRow("dark, then light") << QList<bool>{true, false};
    }
    void themesReachEveryPart() {
        QFETCH(QList<bool>, darks);
        window_->goTo(at("promise/modem"));
        for (const bool isDark : darks) {
            window_->setTheme(isDark ? darkTheme() : lightTheme());
        }
        QApplication::processEvents();
        QWidgetList parts{window_->promises(),         window_->promises()->entry(), window_->promises()->cards(),
                          window_->find<ClocksView>(), window_->ripplePanel(),       window_->workings()};
        for (QLabel* label : window_->findChildren<QLabel*>()) {
            if (label->isVisible() && !label->text().isEmpty()) {
                parts << label;
            }
        }
        for (QWidget* part : parts) {
            const QImage image = window_->grab(QRect(part->mapTo(window_.get(), QPoint()), part->size())).toImage();
            std::map<int, int> tones; // lightness in sixteenths → pixels
            for (int y = 0; y < image.height(); ++y) {
                for (int x = 0; x < image.width(); ++x) {
                    ++tones[image.pixelColor(x, y).lightness() / 16];
                }
            }
            const auto ground = std::max_element(tones.begin(), tones.end(), [](const auto& a, const auto& b) {
                                    return a.second < b.second;
                                })->first;
            const std::string name = std::string(part->metaObject()->className()) + " " + part->accessibleName().toStdString();
            QVERIFY2(darks.back() ? ground <= 3 : ground >= 14, (name + " has the wrong ground").c_str());
            const int farthest = darks.back() ? tones.rbegin()->first - ground : ground - tones.begin()->first;
            QVERIFY2(farthest >= 5, (name + " has letters that can't be read").c_str());
        }
    }
};

QTEST_MAIN(AppWindow)
#include "app_window.moc"
