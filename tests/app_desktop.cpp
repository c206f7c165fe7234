#include "board/board_view.h"
#include "desk/desk_view.h"
#include "document/plan_lock.h"
#include "handover/handover_view.h"
#include "paint/tool_links.h"
#include "plan/board_edits.h"
#include "promises/promises_column.h"
#include "shell/command_palette.h"
#include "shell/head.h"
#include "shell/help.h"
#include "shell/notice.h"
#include "shell/ripple_panel.h"
#include "shell/settings_window.h"
#include "shell/toast.h"
#include "shell/tour.h"
#include "shell/trail_button.h"
#include "shell/views.h"
#include "shell/window_server.h"
#include "welcome/welcome_view.h"
#include "window_fixture.h"
#include "workings/workings_panel.h"

#include <QAccessible>
#include <QAction>
#include <QComboBox>
#include <QDialogButtonBox>
#include <QDoubleSpinBox>
#include <QDragEnterEvent>
#include <QDropEvent>
#include <QFileDialog>
#include <QLabel>
#include <QListWidget>
#include <QMenu>
#include <QMenuBar>
#include <QMimeData>
#include <QProcess>
#include <QPushButton>
#include <QSplitter>
#include <QSysInfo>
#include <QTableWidget>

#include <cmath>
#include <thread>

namespace wisetick::test {

/// The window as a desktop expects it: menus, titles, settings, several windows, what is kept between starts, messages, help.
class AppDesktop : public WindowFixture {
    Q_OBJECT

    CommandPalette* palette() const { return window_->findChild<CommandPalette*>(); }

    /// Opens a list over the window by its keys.
    CommandPalette* listBy(int key, Qt::KeyboardModifiers modifiers) {
        QTest::keyClick(window_.get(), static_cast<Qt::Key>(key), modifiers);
        return palette();
    }

    void drop(const QString& path) {
        QMimeData data;
        data.setUrls({QUrl::fromLocalFile(path)});
        QDragEnterEvent entered(QPoint(10, 10), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(window_.get(), &entered);
        QDropEvent event(QPointF(10, 10), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(window_.get(), &event);
    }

    /// What a user types into the dialog that the next saving opens.
    void answerSaving(const QString& typed) {
        QTimer::singleShot(0, this, [this, typed] {
            auto* dialog = qobject_cast<QFileDialog*>(QApplication::activeModalWidget());
            if (dialog == nullptr) {
                answerSaving(typed); // it is not there yet
                return;
            }
            offered_ = QFileInfo(dialog->selectedFiles().value(0)).fileName();
            dialog->findChild<QLineEdit*>("fileNameEdit")->setText(typed);
            dialog->findChild<QDialogButtonBox*>()->button(QDialogButtonBox::Save)->click();
        });
    }
    QString offered_;

private slots:
    void aNewPlanIsNamedAfterItsFile_data() {
        QTest::addColumn<QString>("given");
        QTest::addColumn<QString>("offered");
        QTest::addColumn<QString>("name");
        QTest::newRow("nobody named it") << QString() << QString("new-plan.plan.toml") << QString("Left drive 2");
        QTest::newRow("named") << QString("Both drives") << QString("both-drives.plan.toml") << QString("Both drives");
    }
    /// The ending comes by itself, and a plan that nobody named is called as its file.
    void aNewPlanIsNamedAfterItsFile() {
        QFETCH(QString, given);
        QFETCH(QString, name);
        document().begin("marram-20");
        if (!given.isEmpty()) {
            document().edit("name", [&](Plan& plan) { return renamePlan(plan, given.toStdString()); });
        }
        answerSaving(folder_->filePath("left-drive_2"));
        QTest::keyClick(window_.get(), Qt::Key_S, Qt::ControlModifier);
        QTEST(offered_, "offered");
        const QString file = folder_->filePath("left-drive_2.plan.toml");
        QCOMPARE(document().path(), file);
        const QString saved = QString::fromStdString(fileText(file.toStdString()));
        QVERIFY2(saved.contains(QString("name = \"%1\"").arg(name)), qPrintable(saved));
        QVERIFY(!document().isModified());
    }

    /// Every command is in one menu, with its keys; they run from there.
    void menusHaveAllCommands() {
        QStringList titles;
        QList<QAction*> inMenus;
        for (const QAction* menu : window_->menuBar()->actions()) {
            titles << menu->text();
            for (QAction* each : menu->menu()->actions()) { // or in that of its view, there
                if (each->isSeparator()) {
                    continue;
                }
                inMenus << (each->menu() == nullptr ? QList<QAction*>{each} : each->menu()->actions());
            }
        }
        QCOMPARE(titles, QStringList({"&File", "&Edit", "&View", "&Plan", "&Help"}));
        for (QAction* action : window_->actions()) {
            QCOMPARE(inMenus.count(action), 1);
        }
        QCOMPARE(inMenus.size(), window_->actions().size());
        window_->menuBar()->actions()[2]->menu()->actions().front()->trigger();
        QVERIFY(window_->promises()->cards()->hasFocus());
    }

    /// Hidden, F10 shows the menus until one was left.
    void menusCanBeHidden() {
        QVERIFY(window_->menuBar()->isVisible());
        QTest::keyClick(window_.get(), Qt::Key_M, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(!window_->menuBar()->isVisible());
        QTest::keyClick(window_.get(), Qt::Key_F10);
        QVERIFY(window_->menuBar()->isVisible());
        if (QWidget* open = QApplication::activePopupWidget()) {
            QTest::keyClick(open, Qt::Key_Escape);
        }
        window_->promises()->cards()->setFocus();
        QTRY_VERIFY(!window_->menuBar()->isVisible());
        QApplication::setActiveWindow(window_.get()); // a popup of a bare display gives nothing back
        QTest::keyClick(window_.get(), Qt::Key_M, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(window_->menuBar()->isVisible());
    }

    /// "plan [*] — Wise Tick".
    void theTitleTellsThePlan() {
        QCOMPARE(window_->windowTitle(), QString::fromUtf8("Orchard sprayer[*] \u2014 Wise Tick"));
        QVERIFY(!window_->isWindowModified());
        type(window_->promises()->entry(), "core runs at least 1 MHz");
        QVERIFY(window_->isWindowModified());
    }

    /// The list of commands lies inside of the window, finds by the words of the documents, and says where nothing is found.
    void thePaletteIsAnOverlay() {
        window_->setDocuments(QString::fromStdString(sourceDir()) + "/docs");
        CommandPalette* list = listBy(Qt::Key_P, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(list != nullptr && list->isVisible() && !list->isWindow());
        QVERIFY(window_->rect().contains(list->geometry()));
        QVERIFY(list->search()->hasFocus());
        QTest::keyClicks(list->search(), "settings");
        QCOMPARE(list->list()->currentItem()->text(), QString("Settings"));
        list->search()->setText("xqzzy");
        QCOMPARE(list->list()->item(0)->text(), QString("no command has these letters"));
        list->search()->setText("stuff bits"); // no command; the page on the bench has it
        bool isFound = false;
        for (int row = 0; row < list->list()->count(); ++row) {
            isFound = isFound || list->list()->item(row)->text().contains("Bench");
        }
        QVERIFY(isFound);
        QTest::keyClick(list->search(), Qt::Key_Return); // the first that can be chosen: the page
        QVERIFY(window_->help() != nullptr && window_->help()->isVisible());
        QVERIFY(window_->help()->shown().contains("stuff bits"));
        window_->help()->close();
        list = listBy(Qt::Key_P, Qt::ControlModifier | Qt::ShiftModifier);
        QTest::keyClick(list->search(), Qt::Key_Escape);
        QVERIFY(!list->isVisible());
    }

    /// All that was done is a list; choosing an entry goes there, both ways.
    void theHistoryIsAList() {
        type(window_->promises()->entry(), "core runs at least 1 MHz");
        type(window_->promises()->entry(), "core runs at least 2 MHz");
        const std::size_t now = document().present();
        QCOMPARE(now, std::size_t{2});
        CommandPalette* list = listBy(Qt::Key_Z, Qt::ControlModifier | Qt::AltModifier);
        QCOMPARE(list->list()->count(), 3);
        QCOMPARE(list->list()->currentRow(), 0);
        QCOMPARE(list->list()->item(2)->text(), QString("as it was opened"));
        list->list()->setCurrentRow(2);
        QTest::keyClick(list->search(), Qt::Key_Return);
        QCOMPARE(document().present(), std::size_t{0});
        QVERIFY(!document().canUndo());
        document().goTo(2);
        QCOMPARE(document().present(), now);
        document().goTo(99); // there is none
        QCOMPARE(document().present(), now);
    }

    /// What was done is said over the lower edge, and goes by itself.
    void whatWasDoneIsSaid() {
        type(window_->promises()->entry(), "core runs at least 1 MHz");
        QCOMPARE(window_->toast()->text(), QString());
        QTest::keyClick(window_.get(), Qt::Key_S, Qt::ControlModifier);
        QCOMPARE(window_->toast()->text(), QString("Saved orchard.plan.toml"));
        QVERIFY(window_->rect().contains(window_->toast()->geometry()));
        window_->toast()->setMotion(false);
        QTRY_COMPARE(window_->toast()->text(), QString());
    }

    /// A plan that another window has is not opened twice: that window comes forward. Beside the file a lock says so.
    void onePlanOneWindow() {
        const QString lock = folder_->filePath(".orchard.plan.toml.lock");
        QVERIFY(QFile::exists(lock));
        MainWindow* other = window_->another();
        QVERIFY(QTest::qWaitForWindowExposed(other));
        QVERIFY(other->find<WelcomeView>() != nullptr);
        QVERIFY(!other->openPlan(path()));
        QVERIFY(!other->document().isOpen());
        QCOMPARE(MainWindow::showing(path()), window_.get());
        other->close();
        const QString second = folder_->filePath("second.plan.toml");
        QVERIFY(QFile::copy(path(), second));
        MainWindow* third = window_->another(second);
        QVERIFY(third->document().isOpen());
        QCOMPARE(MainWindow::showing(second), third);
        QVERIFY(QFile::exists(folder_->filePath(".second.plan.toml.lock")));
        third->close();
        QTRY_VERIFY(!QFile::exists(folder_->filePath(".second.plan.toml.lock")));
        QVERIFY(window_->openPlan(path())); // its own, again
    }

    /// A lock whose program is gone is none; one of another machine is told.
    void locksOutliveNoCrash() {
        const QString plan = folder_->filePath("left.plan.toml");
        QVERIFY(QFile::copy(path(), plan));
        const auto leave = [&](qint64 process, const QString& machine) {
            QFile lock(folder_->filePath(".left.plan.toml.lock"));
            QVERIFY(lock.open(QIODevice::WriteOnly));
            lock.write(QString("%1\n%2\n%3\n").arg(process).arg("wisetick", machine).toUtf8());
        };
        QProcess gone;
        gone.start("true", {});
        const qint64 process = gone.processId();
        QVERIFY(gone.waitForFinished());
        leave(process, QSysInfo::machineHostName());
        PlanLock lock;
        QVERIFY(!lock.take(plan).has_value());
        lock.release();
        leave(1, "another-machine");
        const auto holder = lock.take(plan);
        QVERIFY(holder.has_value());
        QCOMPARE(holder->machine, QString("another-machine"));
        QCOMPARE(holder->process, qint64{0});
        QVERIFY(window_->openPlan(plan)); // it may be wrong: the user is told, and goes on
        QVERIFY(window_->notice()->text().contains("on another-machine"));
    }

    /// Another start of the program asks this one for its window.
    void anotherStartRaisesTheWindow() {
        const WindowServer server;
        const qint64 own = QCoreApplication::applicationPid();
        bool isHere = false;
        std::thread asks([&] { isHere = WindowServer::raise(own, path()); });
        QTRY_VERIFY_WITH_TIMEOUT(isHere, 5000);
        asks.join();
        bool isElsewhere = true;
        std::thread again([&] { isElsewhere = WindowServer::raise(own, folder_->filePath("none.plan.toml")); });
        QTest::qWait(500);
        again.join();
        QVERIFY(!isElsewhere);
        QVERIFY(!WindowServer::raise(999999999, path())); // nobody is there
        QVERIFY(!WindowServer::raiseElsewhere(path()));   // this process has it itself
    }

    /// Size, panels, view, colours and what was open come back at the next start.
    void whatWasSetComesBack() {
        QSettings().clear();
        window_->remember();
        window_->resize(1010, 700);
        QTest::keyClick(window_.get(), Qt::Key_D, Qt::ControlModifier | Qt::ShiftModifier);
        window_->ripplePanel()->setMostRows(7);
        window_->showView("sleep");
        QVERIFY(window_->close());
        QCOMPARE(MainWindow::openLast(), QStringList{path()});
        window_ = std::make_unique<MainWindow>(Shelf{sourceDir() + "/parts"}, path());
        window_->remember();
        window_->show();
        QCOMPARE(window_->size(), QSize(1010, 700));
        QVERIFY(window_->settings().look == Settings::Look::dark);
        QCOMPARE(window_->ripplePanel()->mostRows(), 7);
        QCOMPARE(window_->findChild<QLabel*>("viewTitle")->text(), QString("Sleep"));
        QFile::remove(path());
        QVERIFY(MainWindow::openLast().isEmpty()); // what is gone is not opened
        QSettings().clear();
    }

    /// Each setting holds at once; keys that belong to another command are refused, Delete takes changed ones back.
    void settingsHoldAtOnce() {
        SettingsWindow window(window_->settings(), window_->actions(), window_.get());
        connect(&window, &SettingsWindow::changed, window_.get(), &MainWindow::applySettings);
        window.show();
        const qreal before = QFontMetricsF(QApplication::font()).height();
        window.findChild<QDoubleSpinBox*>()->setValue(QApplication::font().pointSizeF() * 2);
        QVERIFY(QFontMetricsF(QApplication::font()).height() > before * 1.7);
        window.findChild<QDoubleSpinBox*>()->setValue(0);
        QCOMPARE(QFontMetricsF(QApplication::font()).height(), before);
        window.findChild<QComboBox*>()->setCurrentIndex(3);
        QVERIFY(window_->settings().look == Settings::Look::contrast);
        QVERIFY(window.setKeys("Ctrl+S", "Ctrl+Z").contains("Undo"));
        QVERIFY(window.setKeys("Ctrl+S", "nonsense keys").contains("no keys"));
        QCOMPARE(window.setKeys("Ctrl+S", "Ctrl+Alt+J"), QString());
        type(window_->promises()->entry(), "core runs at least 1 MHz");
        QTest::keyClick(window_.get(), Qt::Key_J, Qt::ControlModifier | Qt::AltModifier);
        QVERIFY(!document().isModified());
        window.keys()->setFocus();
        for (int row = 0; row < window.keys()->rowCount(); ++row) {
            if (window.keys()->item(row, 0)->text() == "Save") {
                window.keys()->setCurrentCell(row, 1);
            }
        }
        QTest::keyClick(window.keys(), Qt::Key_Delete);
        QVERIFY(window_->settings().keys.isEmpty());
    }

    /// Without a plan: what this is, where to begin, marks that judge nothing; the example is a click away.
    void aWelcomeAtTheFirstStart() {
        window_ = std::make_unique<MainWindow>(Shelf{sourceDir() + "/parts"});
        window_->setExamples(QString::fromStdString(sourceDir()) + "/examples");
        window_->show();
        window_->showView(kWelcome);
        for (const TrailButton* step : window_->findChildren<TrailButton*>()) {
            QCOMPARE(step->accessibleDescription(), QString());
        }
        QVERIFY(!window_->promises()->isVisible() && !window_->ripplePanel()->isVisible());
        auto* welcome = window_->find<WelcomeView>();
        QTest::keyClick(welcome->findChildren<QPushButton*>().front(), Qt::Key_Space);
        QVERIFY(document().isOpen());
        QCOMPARE(QString::fromStdString(document().plan().name), QString("Orchard sprayer"));
        QVERIFY(window_->find<ClocksView>()->isVisible() && window_->promises()->isVisible());
    }

    /// What needs a plan isn't offered while there is none, and every view says what is missing.
    void withoutAPlanNothingIsOfferedThatNeedsOne() {
        window_ = std::make_unique<MainWindow>(Shelf{sourceDir() + "/parts"});
        window_->setExamples(QString::fromStdString(sourceDir()) + "/examples");
        window_->show();
        const auto isOffered = [this](const char* keys) {
            const auto* action = window_->findChild<QAction*>(keys);
            return action != nullptr && action->isEnabled();
        };
        const char* const ofPlan[] = {"Ctrl+Alt+V", "Ctrl+Alt+G", "Ctrl+K",       "Ctrl+J",
                                      "Ctrl+T",     "Ctrl+L",     "Ctrl+Shift+S", "Ctrl+Alt+P"};
        for (const char* keys : ofPlan) {
            QVERIFY2(!isOffered(keys), keys);
        }
        for (const char* keys : {"Ctrl+O", "Ctrl+N", "Ctrl+Shift+N", "F1", "Ctrl+,", "Alt+6"}) {
            QVERIFY2(isOffered(keys), keys);
        }
        for (const char* view : {"bench", "handover", "takes", "clocks"}) {
            window_->showView(view);
            for (const ToolLinks* links : window_->findChildren<ToolLinks*>()) {
                QVERIFY2(!links->isVisible(), view);
            }
        }
        for (const char* view : {"board", "clocks", "promises", "sleep", "rhythm", "bench", "handover", "takes"}) {
            window_->showView(view); // and no key or click does anything there
            QWidget* focus = window_->focusWidget();
            for (const int key : {Qt::Key_Return, Qt::Key_F2, Qt::Key_Insert, Qt::Key_Delete, Qt::Key_Down, Qt::Key_End,
                                  Qt::Key_Up, Qt::Key_Home, Qt::Key_Left, Qt::Key_Right, Qt::Key_Space, Qt::Key_Plus, Qt::Key_N,
                                  Qt::Key_D, Qt::Key_0, Qt::Key_PageDown, Qt::Key_Menu, Qt::Key_Escape}) {
                QTest::keyClick(focus, static_cast<Qt::Key>(key));
            }
            if (auto* area = qobject_cast<QAbstractScrollArea*>(focus)) {
                for (const QPoint& at : {QPoint(40, 40), area->viewport()->rect().center()}) {
                    QTest::mouseClick(area->viewport(), Qt::LeftButton, {}, at);
                    QTest::mouseDClick(area->viewport(), Qt::LeftButton, {}, at);
                }
            }
            QVERIFY2(!document().isOpen() && !document().canUndo(), view);
        }
        QVERIFY(!window_->promises()->entry()->isEnabled());
        auto* files = window_->find<HandoverView>()->list();
        QVERIFY(!window_->find<HandoverView>()->findChild<QLineEdit*>()->isVisible());
        QCOMPARE(QAccessible::queryAccessibleInterface(files)->child(0)->text(QAccessible::Name),
                 QString("Open a plan to see what is made from it"));
        window_->showView("bench");
        QVERIFY(!window_->promises()->isVisible() && !window_->ripplePanel()->isVisible() && !window_->workings()->isVisible());
        QVERIFY(window_->openPlan(path()));
        QVERIFY(window_->promises()->isVisible() && window_->ripplePanel()->isVisible() && window_->workings()->isVisible());
        for (const char* keys : ofPlan) {
            QVERIFY2(isOffered(keys), keys);
        }
        QVERIFY(window_->promises()->entry()->isEnabled());
        QVERIFY(window_->findChild<ToolLinks*>() != nullptr);
        for (const ToolLinks* links : window_->findChildren<ToolLinks*>()) {
            QCOMPARE(links->isVisible(), links->accessibleName() == "What can be done on the bench");
        }
    }

    /// Seven steps that watch: each goes on when what it asks was done, by whatever hand.
    void theTourWatches() {
        QVERIFY(QFile::copy(path(), folder_->filePath("orchard-sprayer.plan.toml")));
        window_->setExamples(folder_->path());
        QTest::keyClick(window_.get(), Qt::Key_F1, Qt::ShiftModifier); // the example is opened
        QCOMPARE(document().path(), folder_->filePath("orchard-sprayer.plan.toml"));
        Tour* tour = window_->tour();
        QVERIFY(tour->isUnderWay());
        QCOMPARE(tour->count(), std::size_t{7});
        QVERIFY(window_->notice()->text().startsWith("Tour, 1 of 7."));
        window_->promises()->cards()->select("feed");
        QTRY_COMPARE(tour->step(), std::size_t{1});
        settle();
        document().edit("as a way out does", changing([](Plan& plan) { choiceOf(plan.takes.front(), "uart1").from = "bus_b"; }));
        QTRY_COMPARE(tour->step(), std::size_t{2});
        document().keep();
        QTRY_COMPARE(tour->step(), std::size_t{3});
        type(window_->promises()->entry(), "uart2 talks 9600 within 2 %");
        QTRY_COMPARE(tour->step(), std::size_t{4});
        QTest::keyClick(window_.get(), Qt::Key_K, Qt::ControlModifier);
        QTRY_COMPARE(tour->step(), std::size_t{5});
        QTest::keyClick(window_.get(), Qt::Key_B, Qt::ControlModifier | Qt::AltModifier);
        QTRY_COMPARE(tour->step(), std::size_t{6});
        document().goTo(0);
        QTRY_VERIFY(!tour->isUnderWay());
        QVERIFY(window_->notice()->text().startsWith("That was the tour"));
        tour->begin();
        tour->skip();
        QCOMPARE(tour->step(), std::size_t{1});
        tour->end();
        QVERIFY(!window_->notice()->text().startsWith("Tour"));
    }

    /// Whatever is deleted, the card that is selected, the desk and the workings are about the same promise, to the last one.
    void deletionsLeaveOneSelection() {
        settle();
        window_->showView("promises");
        auto* cards = window_->promises()->cards();
        cards->select("tick");
        cards->setFocus();
        for (std::size_t left = document().plan().promises.size(); left > 0; --left) {
            const QString selected = cards->selected();
            QVERIFY(window_->workings()->target() == Target::promise(selected.toStdString()));
            QCOMPARE(window_->find<DeskView>()->shown(), selected);
            QTest::keyClick(cards, left % 3 == 0 ? Qt::Key_Home : Qt::Key_Delete);
            if (left % 3 == 0) {
                QTest::keyClick(cards, Qt::Key_Delete);
            }
            QCOMPARE(document().plan().promises.size(), left - 1);
        }
        QCOMPARE(cards->selected(), QString());
        QVERIFY(window_->workings()->target().isNothing());
        document().undo();
        QCOMPARE(document().plan().promises.size(), std::size_t{1});
    }

    /// Plans, parts and captures are taken wherever they are dropped.
    void filesAreDropped() {
        const QString other = folder_->filePath("other.plan.toml");
        QVERIFY(QFile::copy(QString::fromStdString(sourceDir()) + "/examples/river-gauge.plan.toml", other));
        drop(other);
        QCOMPARE(document().path(), other);
        drop(QString::fromStdString(sourceDir()) + "/parts/marram-20.part.toml");
        QVERIFY(window_->partEditor() != nullptr);
        drop(folder_->filePath("none.vcd"));
        QTRY_VERIFY(!window_->isBusy());
        QCOMPARE(window_->findChild<QLabel*>("viewTitle")->text(), QString("Bench"));
    }

    /// One line while nothing moved; it grows with what moved, as far as it was drawn, and shrinks a moment later.
    void theRippleGrowsWithWhatMoved() {
        RipplePanel* ripple = window_->ripplePanel();
        QTRY_VERIFY(ripple->height() < 60);
        const int line = ripple->height();
        typeControl("vco", "× 100");
        QVERIFY(document().moved().size() > 4);
        const int four = ripple->height();
        QVERIFY(four > line + 60);
        ripple->setFocus();
        QTest::keyClick(ripple, Qt::Key_Minus);
        QVERIFY(ripple->height() < four);
        QTest::mousePress(ripple, Qt::LeftButton, Qt::NoModifier, QPoint(100, 2));
        QTest::mouseMove(ripple, QPoint(100, -60));
        QTest::mouseRelease(ripple, Qt::LeftButton, Qt::NoModifier, QPoint(100, -60));
        QVERIFY(ripple->mostRows() >= 4);
        document().keep();
        QTRY_COMPARE(ripple->height(), line);
    }

    /// Ink on paper and marks on what they stand on: 4.5 : 1 or more in all themes (WCAG 2.1, relative luminance).
    void contrastIsEnough() {
        const auto luminance = [](const QColor& colour) {
            const auto part = [](double value) {
                return value <= 0.03928 ? value / 12.92 : std::pow((value + 0.055) / 1.055, 2.4);
            };
            return 0.2126 * part(colour.redF()) + 0.7152 * part(colour.greenF()) + 0.0722 * part(colour.blueF());
        };
        const auto contrast = [&](const QColor& one, const QColor& other) {
            const double high = std::max(luminance(one), luminance(other));
            const double low = std::min(luminance(one), luminance(other));
            return (high + 0.05) / (low + 0.05);
        };
        QVERIFY(std::abs(contrast(Qt::black, Qt::white) - 21) < 1e-6);
        for (const Theme& theme : {lightTheme(), darkTheme(), contrastTheme()}) {
            for (const QColor& ink : {theme.ink, theme.muted, theme.kept, theme.strained, theme.broken, theme.thread}) {
                for (const QColor& ground : {theme.paper, theme.panel, theme.selected, theme.rail}) {
                    QVERIFY2(contrast(ink, ground) >= 4.5, qPrintable(ink.name() + " on " + ground.name()));
                }
            }
            QVERIFY(contrast(theme.headInk, theme.head) >= 4.5 && contrast(theme.headMuted, theme.head) >= 4.5);
        }
    }

    /// A new plan assumes the part's range, asks first what everything hangs on, and is not green before it is told.
    void aNewPlanAsksFirst() {
        auto& fresh = document();
        fresh.begin("marram-20");
        window_->showView("board");
        const auto step = [&] {
            for (const TrailButton* each : window_->findChildren<TrailButton*>()) {
                if (each->text() == "Board") {
                    return each->accessibleDescription();
                }
            }
            return QString();
        };
        QCOMPARE(step(), QString("pending"));
        QCOMPARE(fresh.plan().board.assumed, std::vector<std::string>{"supply"});
        QVERIFY(!fresh.plan().board.temperature); // the part does not tell how cold or hot it may be
        QCOMPARE(fresh.plan().board.supply->min, *fresh.part().supplyMin);
        auto* board = window_->find<BoardView>();
        QVERIFY(board->rows().front().group.startsWith("First"));
        const auto confirm = [&](const QString& name, const QString& typed = {}) {
            for (std::size_t i = 0; i < board->rows().size(); ++i) {
                if (board->rows()[i].group.startsWith("First") && board->rows()[i].name == name) {
                    board->select(i);
                    QTest::keyClick(board, Qt::Key_Return);
                    if (!typed.isEmpty()) {
                        board->editor()->setText(typed);
                    }
                    QTest::keyClick(board->editor(), Qt::Key_Return); // as it stands
                    return;
                }
            }
            QFAIL("no such row");
        };
        confirm("supply");
        QVERIFY(fresh.plan().board.assumed.empty());
        QCOMPARE(step(), QString("pending"));
        confirm("temperature", "-20 C to 60 C");
        QCOMPARE(fresh.plan().board.temperature->max, Rational(60));
        QVERIFY(!board->rows().front().group.startsWith("First"));
        // all is told; what is left is a range of the supply in which nothing resets the part
        QCOMPARE(step(), QString("strained"));
        fresh.edit("a supply", [](Plan& plan) {
            setOption(plan, "brown_out", "v2_7");
            return setSupplySpan(plan, {Rational(14, 5), Rational(3), Rational(33, 10)});
        });
        QCOMPARE(step(), QString("kept"));
        fresh.undo();
        fresh.undo(); // it can be taken back, and is asked again
        QCOMPARE(step(), QString("pending"));
    }
};

} // namespace wisetick::test

using wisetick::test::AppDesktop;
QTEST_MAIN(AppDesktop)
#include "app_desktop.moc"
