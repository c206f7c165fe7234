#include "window_fixture.h"

#include "board/board_view.h"
#include "board/shelf_view.h"
#include "clocks/control_text.h"
#include "desk/desk_view.h"
#include "files/plan_writer.h"
#include "handover/handover_view.h"
#include "paint/menu_style.h"
#include "promises/promises_column.h"
#include "rhythm/rhythm_view.h"
#include "shell/command_palette.h"
#include "sleep/sleep_view.h"
#include "takes/takes_view.h"

#include <QClipboard>
#include <QContextMenuEvent>
#include <QLineEdit>
#include <QMenu>
#include <QMenuBar>
#include <QRegularExpression>

using namespace wisetick;
using namespace wisetick::app;
using namespace wisetick::test;

/// The menu on the right button: what can be done with what stands there.
class AppMenus : public WindowFixture {
    Q_OBJECT

private:
    /// Where that row stands, in the viewport.
    static QPoint middleOf(PaintedView& view, std::size_t row) { return view.spokenRows().at(row).place.center(); }

    /// Presses the right button there, and lets go of it, as a window system tells it: the menu comes with the press.
    static QMenu* menuAt(PaintedView& view, const QPoint& at) {
        QTest::mousePress(view.viewport(), Qt::RightButton, Qt::NoModifier, at);
        QContextMenuEvent asked(QContextMenuEvent::Mouse, at, view.viewport()->mapToGlobal(at));
        QCoreApplication::sendEvent(view.viewport(), &asked);
        QTest::mouseRelease(view.viewport(), Qt::RightButton, Qt::NoModifier, at);
        return qobject_cast<QMenu*>(QApplication::activePopupWidget());
    }

    /// Asks for the menu of each row that is seen; how many came. Each thing in them has a key.
    static int menusOf(PaintedView& view) {
        int menus = 0;
        for (const SpokenRow& row : view.spokenRows()) {
            const QPoint at = row.place.center();
            QMenu* menu = view.viewport()->rect().contains(at) ? menuAt(view, at) : nullptr;
            if (menu == nullptr) {
                continue;
            }
            for (const QAction* action : menu->actions()) {
                if (action->shortcut().isEmpty()) {
                    qFatal("'%s' has no key", qPrintable(action->text()));
                }
            }
            menu->close();
            ++menus;
        }
        return menus;
    }

    static QStringList namesOf(const QMenu& menu) {
        QStringList names;
        for (const QAction* action : menu.actions()) {
            names << action->text();
        }
        return names;
    }

    static void choose(QMenu& menu, const QString& name) {
        for (QAction* action : menu.actions()) {
            if (action->text() == name) {
                menu.setActiveAction(action);
                QTest::keyClick(&menu, Qt::Key_Return);
                return;
            }
        }
        qFatal("no '%s' in the menu", qPrintable(name));
    }

private slots:
    /// A right press changes no plan, selects the row, and its menu tells a key for each thing.
    void theRightButtonOnlySelects() {
        window_->promises()->cards()->select("modem");
        const std::string before = writePlan(document().plan());
        for (const char* name : {"board", "shelf", "clocks", "promises", "sleep", "rhythm", "takes"}) {
            window_->showView(name);
            settle();
            int menus = 0;
            for (PaintedView* view : window_->findChildren<PaintedView*>()) {
                if (!view->isVisible()) {
                    continue;
                }
                QTRY_VERIFY2(!view->spokenRows().empty(), name);
                menus += view != window_->promises()->cards() ? menusOf(*view) : 0;
                QCOMPARE(writePlan(document().plan()), before);
            }
            QVERIFY2(menus > 0, name);
        }
        QVERIFY(menusOf(*window_->promises()->cards()) > 5);
        QCOMPARE(writePlan(document().plan()), before);
        openExample("lagoon-buoy"); // which writes files
        const std::string ofTheBuoy = writePlan(document().plan());
        window_->showView("handover");
        QTRY_VERIFY(menusOf(*window_->find<HandoverList>()) > 0);
        QCOMPARE(writePlan(document().plan()), ofTheBuoy);
    }

    void aPromiseIsCopiedAndRemoved() {
        PromiseCards& cards = *window_->promises()->cards();
        QMenu* menu = menuAt(cards, middleOf(cards, 5));
        QVERIFY(menu != nullptr);
        QCOMPARE(cards.selected(), QString("spray"));
        QCOMPARE(namesOf(*menu), QStringList({"Change the line", "Copy the line", "Remove the promise"}));
        choose(*menu, "Copy the line");
        QCOMPARE(QApplication::clipboard()->text(), QString("spray: timer5 fires every 30 s exactly"));
        const std::size_t count = document().plan().promises.size();
        choose(*menuAt(cards, middleOf(cards, 5)), "Remove the promise");
        QCOMPARE(document().plan().promises.size(), count - 1);
        QVERIFY(document().figures().findPromise("spray") == nullptr);
    }

    /// The menu key opens it below what is selected; the same key as it tells does the same.
    void theMenuKeyOpensItToo() {
        PromiseCards& cards = *window_->promises()->cards();
        cards.setFocus();
        cards.select("link");
        QContextMenuEvent asked(QContextMenuEvent::Keyboard, QPoint(), QPoint());
        QCoreApplication::sendEvent(&cards, &asked);
        auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
        QVERIFY(menu != nullptr);
        QCOMPARE(menu->pos().y(), cards.viewport()->mapToGlobal(QPoint(0, cards.cardRect(4).bottom())).y());
        QTest::keyClick(menu, Qt::Key_Escape);
        QTest::keyClick(&cards, Qt::Key_C, Qt::ControlModifier);
        QCOMPARE(QApplication::clipboard()->text(), QString("link: usb runs at 48 MHz within 0.25 %"));
    }

    /// Also those of the menu bar, and of a field: all are windows of their own.
    void menusAreOfTheTheme() {
        QApplication::setStyle(new MenuStyle);
        for (const Theme& theme : {darkTheme(), lightTheme()}) {
            window_->setTheme(theme);
            PromiseCards& cards = *window_->promises()->cards();
            QMenu* menu = menuAt(cards, middleOf(cards, 2));
            QVERIFY(menu != nullptr);
            QList<QMenu*> menus{menu};
            for (const QAction* each : window_->menuBar()->actions()) {
                menus << each->menu();
            }
            for (QMenu* each : menus) {
                const QColor ground = each->palette().color(QPalette::Window); // of the column that it stands in
                QVERIFY(ground == theme.paper || ground == theme.panel);
                QCOMPARE(each->palette().color(QPalette::Disabled, QPalette::Light), theme.paper);
                QCOMPARE(each->palette().color(QPalette::ButtonText), theme.ink);
                QCOMPARE(each->palette().color(QPalette::Disabled, QPalette::ButtonText), theme.muted);
                const QImage seen = each->grab().toImage();
                QCOMPARE(seen.pixelColor(seen.width() / 2, 4).lightness() < 128, theme.isDark);
                for (const QPoint at : {QPoint(0, seen.height() / 2), QPoint(seen.width() - 1, seen.height() / 2),
                                        QPoint(seen.width() / 2, 0), QPoint(seen.width() / 2, seen.height() - 1)}) {
                    QCOMPARE(seen.pixelColor(at).name(), theme.railEdge.name()); // an edge, also where all is dark
                }
            }
            menu->close();
        }
    }

    /// What the bar has no room for is behind two arrows, in its ink.
    void aBarWithoutRoomShowsArrows() {
        QApplication::setStyle(new MenuStyle);
        for (const Theme& theme : {darkTheme(), lightTheme()}) {
            window_->setTheme(theme);
            const QIcon arrows = QApplication::style()->standardIcon(QStyle::SP_ToolBarHorizontalExtensionButton);
            const QImage seen = arrows.pixmap(QSize(24, 24)).toImage();
            int inked = 0;
            for (int y = 0; y < seen.height(); ++y) {
                for (int x = 0; x < seen.width(); ++x) {
                    const QColor colour = seen.pixelColor(x, y);
                    inked += colour.alpha() == 255 ? 1 : 0;
                    QVERIFY(colour.alpha() < 255 || colour.name() == theme.ink.name());
                }
            }
            QVERIFY(inked > 10);
        }
    }

    void aClockIsLocked() {
        auto& clocks = *window_->find<ClocksView>();
        clocks.select("bus_b");
        const std::vector<SpokenRow> rows = clocks.spokenRows();
        const auto row = static_cast<std::size_t>(
            std::find_if(rows.begin(), rows.end(), [](const SpokenRow& each) { return each.isSelected; }) - rows.begin());
        clocks.select("core");
        QMenu* menu = menuAt(clocks, middleOf(clocks, row));
        QVERIFY(menu != nullptr);
        QCOMPARE(clocks.selected(), QString("bus_b"));
        choose(*menu, "Lock or free the clock");
        QVERIFY(isLocked(document().take(), "bus_b"));
    }

    void aTakeIsCopied() {
        window_->showView("takes");
        auto& takes = *window_->find<TakesView>();
        const std::size_t count = document().plan().takes.size();
        QTRY_VERIFY(takes.spokenRows().size() > 1);
        QMenu* menu = menuAt(takes, middleOf(takes, 1));
        QVERIFY(menu != nullptr);
        QVERIFY(!namesOf(*menu).contains("Make take A active")); // it is
        choose(*menu, "Copy it");
        QCOMPARE(document().plan().takes.size(), count + 1);
        takes.select("B");
        QContextMenuEvent asked(QContextMenuEvent::Keyboard, QPoint(), QPoint());
        QCoreApplication::sendEvent(&takes, &asked);
        choose(*qobject_cast<QMenu*>(QApplication::activePopupWidget()), "Make take B active");
        QCOMPARE(document().plan().active, std::string("B"));
        document().edit("named", changing([](Plan& plan) { plan.takes.front().name = "A & C"; }));
        takes.select("A & C");
        QCoreApplication::sendEvent(&takes, &asked);
        auto* named = qobject_cast<QMenu*>(QApplication::activePopupWidget());
        QVERIFY(named != nullptr);
        QCOMPARE(namesOf(*named).front(), QString("Make take A && C active")); // the sign, and no letter under a line
        named->close();
    }

    /// A row's name is of no mode: the selected one stays. Where it rests already nothing is offered.
    void aModeIsRestedIn() {
        window_->showView("sleep");
        auto& sleep = *window_->find<SleepView>();
        QTRY_VERIFY(!sleep.spokenRows().empty());
        sleep.select("deep"); // there it rests
        const int row = static_cast<int>(sleep.cellRect(1, 0).center().y());
        QVERIFY(menuAt(sleep, QPoint(12, row)) == nullptr);
        const QPoint idle(static_cast<int>(sleep.cellRect(1, 1).center().x()), row);
        QMenu* menu = menuAt(sleep, idle);
        QVERIFY(menu != nullptr);
        QCOMPARE(namesOf(*menu), QStringList{"Rest in idle"});
        choose(*menu, "Rest in idle");
        QCOMPARE(document().take().restsIn, std::string("idle"));
    }

    void aJobIsRemoved() {
        window_->showView("rhythm");
        settle();
        auto& rhythm = *window_->find<RhythmView>();
        const std::size_t count = document().plan().jobs.size();
        rhythm.selectLane(0);
        QMenu* menu = menuAt(rhythm, middleOf(rhythm, 0));
        QVERIFY(menu != nullptr);
        choose(*menu, "Remove the job");
        QCOMPARE(document().plan().jobs.size(), count - 1);
    }

    /// The window's keys are the window's also while a line has the focus, but for undoing what is typed there.
    void keysInALine() {
        QLineEdit* line = window_->promises()->entry();
        const std::size_t before = document().plan().promises.size();
        type(line, "gps: uart3 talks 9600 within 1 %");
        QCOMPARE(document().plan().promises.size(), before + 1);
        QVERIFY(line->hasFocus());
        QTest::keyClick(line, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(document().plan().promises.size(), before);
        QCOMPARE(line->text(), QString());
        QTest::keyClicks(line, "uart3");
        QTest::keyClick(line, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(line->text(), QString());
        QTest::keyClicks(line, "uart3 talks");
        QTest::keyClick(line, Qt::Key_Home);
        QTest::keyClick(line, Qt::Key_K, Qt::ControlModifier); // a line would delete what is right of the cursor
        QCOMPARE(line->text(), QString("uart3 talks"));
        QVERIFY(!line->hasFocus());
    }

    /// What the desktops of Linux take for themselves never reaches a window: consoles, workspaces, the lock of the screen, a
    /// terminal, the layout of the keyboard, the menu and the size of windows.
    void noKeysAreThoseOfTheDesktop() {
        const QRegularExpression taken("^(Ctrl\\+Alt\\+(F\\d+|[DKLT]|Del|Backspace|Esc|Tab|Left|Right|Up|Down)|"
                                       "Ctrl\\+F\\d+|Ctrl\\+Esc|Alt\\+(F\\d+|Tab|Esc|Space)|Print|.*Meta.*)$");
        QVERIFY(taken.match("Ctrl+Alt+L").hasMatch() && !taken.match("Ctrl+Alt+Shift+K").hasMatch());
        for (const QAction* action : window_->actions()) {
            for (const QKeySequence& keys : action->shortcuts()) {
                QVERIFY2(!taken.match(keys.toString(QKeySequence::PortableText)).hasMatch(), qPrintable(action->text()));
            }
        }
    }

    /// What belongs together is told apart by a line: no group is longer than eight, none is empty.
    void menusAreInGroups() {
        for (const QAction* menu : window_->menuBar()->actions()) {
            int group = 0;
            for (const QAction* action : menu->menu()->actions()) {
                QVERIFY2(!action->isSeparator() || group > 0, qPrintable(menu->text()));
                group = action->isSeparator() ? 0 : group + 1;
                QVERIFY2(group <= 8, qPrintable(menu->text() + ": " + action->text()));
            }
            QVERIFY2(group > 0, qPrintable(menu->text()));
        }
        const auto edit = window_->menuBar()->actions().at(1)->menu()->actions();
        QCOMPARE(edit.back()->shortcut(), QKeySequence("Ctrl+F")); // where one looks for it
    }

    /// A view's commands stand together in the menu, and say whose they are where they stand alone.
    void commandsStandWithTheirView() {
        QMenu* plan = window_->menuBar()->actions().at(3)->menu();
        QVERIFY(plan->actions().size() <= 12);
        QMenu* bench = nullptr;
        for (const QAction* action : plan->actions()) {
            bench = action->menu() != nullptr && action->text() == "Bench" ? action->menu() : bench;
        }
        QVERIFY(bench != nullptr && bench->actions().size() == 8);
        QCOMPARE(bench->actions().at(2)->text(), QString("Open a capture (VCD or CSV)"));
        QCOMPARE(wholeName(*bench->actions().at(2)), QString("Bench: Open a capture (VCD or CSV)"));
        QVERIFY(window_->actions().contains(bench->actions().at(2))); // and its keys go on working
    }
};

QTEST_MAIN(AppMenus)
#include "app_menus.moc"
