#include "shell/main_window.h"

#include "board/board_view.h"
#include "clocks/clocks_view.h"
#include "clocks/control_text.h"
#include "promises/promises_column.h"
#include "shell/command_palette.h"
#include "shell/help.h"
#include "shell/notice.h"
#include "shell/ripple_panel.h"
#include "support.h"
#include "takes/takes_window.h"
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
#include <QSettings>
#include <QTemporaryDir>

#include <cmath>

using namespace wisetick;
using namespace wisetick::app;
using namespace wisetick::test;

/// The window by keyboard and mouse, on a copy of the example.
class AppWindow : public QObject {
    Q_OBJECT

    std::unique_ptr<QTemporaryDir> folder_;
    std::unique_ptr<MainWindow> window_;

    QString path() const { return folder_->filePath("orchard.plan.toml"); }
    Document& document() { return window_->document(); }
    State stateOf(const std::string& promise) { return document().figures().findPromise(promise)->state; }

    /// Until the jobs are played.
    void settle() { QTRY_VERIFY(document().figures().rhythm.has_value()); }

    void type(QWidget* widget, const QString& text) {
        widget->setFocus();
        QTest::keyClicks(widget, text);
        QTest::keyClick(widget, Qt::Key_Return);
    }

    /// Types into the selected row's own control.
    void typeControl(const QString& line, const QString& typed) {
        window_->clocks()->select(line);
        window_->clocks()->setFocus();
        QTest::keyClick(window_->clocks(), Qt::Key_Return);
        QVERIFY(window_->clocks()->editor()->isVisible());
        window_->clocks()->editor()->clear();
        type(window_->clocks()->editor(), typed);
    }

private slots:
    void initTestCase() {
        // nothing of the user's own is read or written
        QCoreApplication::setOrganizationName("Wise Tick test");
        QCoreApplication::setApplicationName("Wise Tick test");
        static QTemporaryDir settings;
        QSettings::setPath(QSettings::NativeFormat, QSettings::UserScope, settings.path());
    }

    void init() {
        folder_ = std::make_unique<QTemporaryDir>();
        QVERIFY(QFile::copy(QString::fromStdString(sourceDir()) + "/examples/orchard-sprayer.plan.toml", path()));
        QFile(path()).setPermissions(QFile::ReadOwner | QFile::WriteOwner);
        window_ = std::make_unique<MainWindow>(Shelf{sourceDir() + "/parts"});
        window_->show();
        QVERIFY(QTest::qWaitForWindowExposed(window_.get()));
        QApplication::setActiveWindow(window_.get()); // a bare display has no window manager to do it
        QVERIFY(window_->openPlan(path()));
    }

    void cleanup() {
        document().keep();
        while (document().canUndo()) {
            document().undo(); // nothing is asked at closing
        }
        window_.reset();
    }

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
        QCOMPARE(document().moved().front().target, std::string("line/bus_a"));
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

    /// A way out is tried from the workings, and kept.
    void tryingAWayOut() {
        window_->goTo("promise/modem");
        QTRY_VERIFY(window_->workings()->toPlainText().contains("uart1 from bus_b"));
        emit window_->workings()->anchorClicked(QUrl("try/0"));
        QCOMPARE(stateOf("modem"), State::kept);
        settle();
        QCOMPARE(document().moved().back().name, std::string("modem"));
        QTest::keyClick(window_.get(), Qt::Key_Return, Qt::ControlModifier);
        QVERIFY(document().moved().empty());
        QCOMPARE(stateOf("modem"), State::kept);
    }

    void controlsAreEditedWhereTheyStand_data() {
        QTest::addColumn<QString>("line");
        QTest::addColumn<QString>("typed");
        QTest::addColumn<std::string>("hertz"); // empty: nothing changes
        QTest::newRow("a factor") << "bus_a"
                                  << "8" << std::string("20000000");
        QTest::newRow("with its sign") << "bus_a" << QString::fromUtf8("\u00f7 5") << std::string("32000000");
        QTest::newRow("with a slash") << "bus_a"
                                      << "/5" << std::string("32000000");
        QTest::newRow("a multiplier") << "vco"
                                      << "*100" << std::string("400000000");
        QTest::newRow("a source") << "core"
                                  << "rcf" << std::string("10000000");
        QTest::newRow("a rate") << "bus_a"
                                << "20M" << std::string("20000000");
        QTest::newRow("a rate that it can't reach") << "bus_a"
                                                    << "48M" << std::string();
        QTest::newRow("a factor that it lacks") << "bus_a"
                                                << "9" << std::string();
        QTest::newRow("a source that it lacks") << "core"
                                                << "xtw" << std::string();
        QTest::newRow("nonsense") << "bus_a"
                                  << "quickly" << std::string();
    }
    void controlsAreEditedWhereTheyStand() {
        QFETCH(QString, line);
        QFETCH(QString, typed);
        QFETCH(std::string, hertz);
        const Rational before = document().figures().findLine(line.toStdString())->hertz->nominal;
        typeControl(line, typed);
        QCOMPARE(document().figures().findLine(line.toStdString())->hertz->nominal, hertz.empty() ? before : exact(hertz));
        QCOMPARE(window_->clocks()->editor()->isVisible(), hertz.empty()); // what is wrong stays to be mended
        if (hertz.empty()) {
            QTest::keyClick(window_->clocks()->editor(), Qt::Key_Escape);
            QVERIFY(!window_->clocks()->editor()->isVisible());
            QVERIFY(!document().canUndo());
        }
    }

    void theNearestTwoAreOffered() {
        const ControlEdit edit =
            readControl("48M", document().part(), document().figures(), *document().part().findNode("bus_a"));
        QCOMPARE(edit.why, QString("bus_a can't reach 48 MHz from its source"));
        QCOMPARE(edit.offers,
                 QStringList({QString::fromUtf8("\u00f7 3 = \u224853.333 MHz"), QString::fromUtf8("\u00f7 4 = 40 MHz")}));
    }

    void anOfferIsTakenByKey() {
        typeControl("bus_a", "48M");
        QVERIFY(window_->clocks()->trouble()->isVisible());
        QTest::keyClick(window_->clocks()->editor(), Qt::Key_Down);
        QTest::keyClick(window_->clocks()->editor(), Qt::Key_Down);
        QTest::keyClick(window_->clocks()->editor(), Qt::Key_Up);
        QTest::keyClick(window_->clocks()->editor(), Qt::Key_Return);
        QCOMPARE(document().figures().findLine("bus_a")->divide, Rational(3));
        QVERIFY(!window_->clocks()->editor()->isVisible());
        QVERIFY(!window_->clocks()->trouble()->isVisible());
    }

    void anOfferIsTakenByMouse() {
        typeControl("bus_a", "30M");
        QLabel* trouble = window_->clocks()->trouble();
        QVERIFY(trouble->isVisible() && trouble->text().contains("32 MHz"));
        // the first link stands behind the reason; it is found as the mouse finds it, by its cursor
        bool isTaken = false;
        for (int y = 2; y < trouble->height() && !isTaken; y += 4) {
            for (int x = 2; x < trouble->width() && !isTaken; x += 4) {
                QTest::mouseMove(trouble, QPoint(x, y));
                QTest::mouseClick(trouble, Qt::LeftButton, Qt::NoModifier, QPoint(x, y));
                isTaken = document().canUndo();
            }
        }
        QVERIFY(isTaken);
        QCOMPARE(document().figures().findLine("bus_a")->divide, Rational(5));
    }

    void plusAndMinusStepAlongTheReach() {
        window_->clocks()->select("bus_a");
        QTest::keyClick(window_->clocks(), Qt::Key_Minus);
        QCOMPARE(document().figures().findLine("bus_a")->hertz->nominal, Rational(32000000));
        QTest::keyClick(window_->clocks(), Qt::Key_Plus);
        QTest::keyClick(window_->clocks(), Qt::Key_Plus);
        QCOMPARE(document().figures().findLine("bus_a")->divide, Rational(3));
    }

    /// Needles stand where their rates are: equal distances for equal ratios, parents and children in rows.
    void needlesStandAtTheirRates() {
        const ClocksLayout& layout = window_->clocks()->layoutOfRows();
        const Figures& figures = document().figures();
        const auto x = [&](const char* id) {
            return layout.needle(*layout.rowOf(*document().part().findNode(id)), figures)->x();
        };
        QVERIFY(std::abs((x("core") - x("bus_b")) - (x("bus_b") - x("bus_a"))) < 1e-6); // 160, 80, 40 MHz
        QVERIFY(x("vco") > x("core") && x("core") > x("usb") && x("xtw") < x("ref"));
        QCOMPARE(x("bus_b"), layout.xOf(80e6));
        for (std::size_t row = 0; row < layout.rows().size(); ++row) {
            QCOMPARE(layout.rows()[row].node, static_cast<NodeIndex>(row)); // the part's order
            const auto needle = layout.needle(row, figures);
            QVERIFY(needle->x() >= layout.axisLeft() && needle->x() <= layout.axisRight());
            QVERIFY(layout.rowRect(row).contains(QPointF(10, needle->y())));
        }
    }

    void wheelWithControlZoomsTheAxis() {
        ClocksView* view = window_->clocks();
        const double span = view->layoutOfRows().highDecade() - view->layoutOfRows().lowDecade();
        QWheelEvent zoom(QPointF(400, 200), view->mapToGlobal(QPointF(400, 200)), QPoint(), QPoint(0, 120), Qt::NoButton,
                         Qt::ControlModifier, Qt::NoScrollPhase, false);
        QApplication::sendEvent(view->viewport(), &zoom);
        QVERIFY(view->layoutOfRows().highDecade() - view->layoutOfRows().lowDecade() < span);
    }

    /// Where a needle stands in the viewport.
    QPoint needleAt(const char* line) {
        const ClocksLayout& layout = window_->clocks()->layoutOfRows();
        const std::size_t row = *layout.rowOf(*document().part().findNode(line));
        return layout.needle(row, document().figures())->toPoint() - QPoint(0, window_->clocks()->verticalScrollBar()->value());
    }

    /// A needle snaps to its reach while it is dragged, the ripple follows, and only letting go is an edit.
    void aNeedleIsDragged() {
        settle();
        QWidget* viewport = window_->clocks()->viewport();
        const ClocksLayout& layout = window_->clocks()->layoutOfRows();
        const double low = layout.lowDecade();
        const QPoint start = needleAt("bus_a");
        QTest::mousePress(viewport, Qt::LeftButton, Qt::NoModifier, start);
        for (int x = start.x(); x > start.x() - 40; --x) {
            QTest::mouseMove(viewport, QPoint(x, start.y()));
        }
        const LineFigure* bus = document().figures().findLine("bus_a");
        QVERIFY(bus->divide > Rational(4) && bus->hertz->nominal == Rational(160000000) / bus->divide); // it stands on a tick
        QVERIFY(document().isPreviewing());
        QVERIFY(!document().moved().empty());
        QVERIFY(!document().canUndo()); // nothing is kept yet
        QCOMPARE(findChoice(document().take(), "bus_a")->divide, std::optional<Rational>(4));
        QCOMPARE(layout.lowDecade(), low); // the axis does not move under the hand
        const Rational dragged = bus->divide;
        QTest::mouseRelease(viewport, Qt::LeftButton, Qt::NoModifier, QPoint(start.x() - 39, start.y()));
        QVERIFY(!document().isPreviewing());
        QCOMPARE(findChoice(document().take(), "bus_a")->divide, std::optional<Rational>(dragged));
        document().undo();
        QVERIFY(!document().canUndo()); // it was one edit
    }

    void escapeLetsANeedleGoBack() {
        settle();
        QWidget* viewport = window_->clocks()->viewport();
        const QPoint start = needleAt("bus_a");
        QTest::mousePress(viewport, Qt::LeftButton, Qt::NoModifier, start);
        QTest::mouseMove(viewport, start - QPoint(60, 0));
        QVERIFY(document().isPreviewing());
        QTest::keyClick(window_->clocks(), Qt::Key_Escape);
        QVERIFY(!document().isPreviewing());
        QCOMPARE(document().figures().findLine("bus_a")->divide, Rational(4));
        QTest::mouseRelease(viewport, Qt::LeftButton, Qt::NoModifier, start - QPoint(60, 0));
        QVERIFY(!document().canUndo());
        settle();
        QVERIFY(document().moved().empty());
    }

    /// A locked row is neither dragged nor nudged; typing into it, and freeing it, are the user's own doing.
    void aLockHolds() {
        window_->clocks()->select("bus_a");
        window_->clocks()->setFocus();
        QTest::keyClick(window_->clocks(), Qt::Key_B, Qt::ControlModifier);
        QVERIFY(isLocked(document().take(), "bus_a"));
        QTest::keyClick(window_->clocks(), Qt::Key_Minus);
        QCOMPARE(document().figures().findLine("bus_a")->divide, Rational(4));
        QVERIFY(window_->clocks()->trouble()->text().contains("bus_a is locked"));
        QTest::mousePress(window_->clocks()->viewport(), Qt::LeftButton, Qt::NoModifier, needleAt("bus_a"));
        QTest::mouseMove(window_->clocks()->viewport(), needleAt("bus_a") - QPoint(60, 0));
        QVERIFY(!document().isPreviewing());
        typeControl("bus_a", "8");
        QCOMPARE(document().figures().findLine("bus_a")->divide, Rational(8));
        QTest::keyClick(window_->clocks(), Qt::Key_B, Qt::ControlModifier);
        QVERIFY(!isLocked(document().take(), "bus_a"));
        QTest::keyClick(window_->clocks(), Qt::Key_Right);
        QCOMPARE(document().figures().findLine("bus_a")->divide, Rational(7));
    }

    QStringList shownRows() {
        QStringList ids;
        for (const ClockRow& row : window_->clocks()->layoutOfRows().rows()) {
            ids << QString::fromStdString(document().part().nodeId(row.node));
        }
        return ids;
    }

    void rowsAreFoundHiddenAndFolded() {
        const QStringList all = shownRows();
        QTest::keyClick(window_.get(), Qt::Key_F, Qt::ControlModifier);
        QVERIFY(window_->findField()->hasFocus());
        QTest::keyClicks(window_->findField(), "bus b");
        QCOMPARE(shownRows(), QStringList({"xtm", "ref", "vco", "pll_a", "core", "bus_b"})); // and what feeds it
        window_->findField()->setText("nothing like it");
        QVERIFY(shownRows().isEmpty());
        QVERIFY(window_->clocks()->selected().isEmpty());
        window_->findField()->clear();
        QCOMPARE(shownRows(), all);
        QTest::keyClick(window_.get(), Qt::Key_O, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(!shownRows().contains("can_clk") && !shownRows().contains("rcf") && shownRows().contains("usb"));
        QTest::keyClick(window_.get(), Qt::Key_O, Qt::ControlModifier | Qt::ShiftModifier);
        window_->promises()->cards()->select("link");
        QTest::keyClick(window_.get(), Qt::Key_F, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(shownRows(), QStringList({"xtm", "ref", "vco", "pll_b", "usb"}));
        window_->promises()->cards()->select("feed"); // it follows the promise that is selected
        QCOMPARE(shownRows(), QStringList{"rcs"});
        QTest::keyClick(window_.get(), Qt::Key_F, Qt::ControlModifier | Qt::ShiftModifier);
        window_->clocks()->select("core");
        QTest::keyClick(window_->clocks(), Qt::Key_Space, Qt::ShiftModifier);
        QVERIFY(shownRows().contains("core") && !shownRows().contains("bus_a") && !shownRows().contains("can_clk"));
        QCOMPARE(window_->clocks()->selected(), QString("core"));
        QTest::keyClick(window_.get(), Qt::Key_B, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(shownRows(), all);
    }

    void theOtherTakeIsShownAsGhosts() {
        const QImage plain = window_->clocks()->grab().toImage();
        QTest::keyClick(window_.get(), Qt::Key_G, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(window_->clocks()->ghost(), QString("B"));
        QVERIFY(window_->clocks()->grab().toImage() != plain);
        QTest::keyClick(window_.get(), Qt::Key_G, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(window_->clocks()->ghost().isEmpty());
        QVERIFY(window_->clocks()->grab().toImage() == plain);
    }

    /// The copies hold the whole view, also what is scrolled out of sight.
    void theViewIsCopied() {
        window_->resize(900, 420);
        QApplication::processEvents();
        QVERIFY(window_->clocks()->verticalScrollBar()->maximum() > 0);
        QTest::keyClick(window_.get(), Qt::Key_C, Qt::ControlModifier | Qt::AltModifier);
        const QString svg = QApplication::clipboard()->text();
        QVERIFY(svg.contains("<svg") && svg.contains("main crystal") && svg.contains("can kernel") && svg.contains("160 MHz"));
        QTest::keyClick(window_.get(), Qt::Key_C, Qt::ControlModifier | Qt::ShiftModifier);
        const QImage picture = QApplication::clipboard()->image();
        QVERIFY(picture.height() >= static_cast<int>(window_->clocks()->layoutOfRows().height()));
    }

    void fittingShowsTheWholeAxis() {
        ClocksView* view = window_->clocks();
        const double low = view->layoutOfRows().lowDecade();
        QWheelEvent zoom(QPointF(500, 200), view->mapToGlobal(QPointF(500, 200)), QPoint(), QPoint(0, 360), Qt::NoButton,
                         Qt::ControlModifier, Qt::NoScrollPhase, false);
        QApplication::sendEvent(view->viewport(), &zoom);
        QVERIFY(view->layoutOfRows().lowDecade() > low);
        QTest::keyClick(window_.get(), Qt::Key_0, Qt::ControlModifier);
        QCOMPARE(view->layoutOfRows().lowDecade(), low);
    }

    void peripheralsUnfoldUnderTheirLine() {
        const std::size_t before = window_->clocks()->layoutOfRows().rows().size();
        window_->clocks()->select("bus_a");
        QTest::keyClick(window_->clocks(), Qt::Key_Space);
        QCOMPARE(window_->clocks()->layoutOfRows().rows().size(), before + 5); // uart1, uart2, timer4, guard and i2c1
        QCOMPARE(window_->clocks()->selected(), QString("bus_a"));
        QTest::keyClick(window_->clocks(), Qt::Key_Space);
        QCOMPARE(window_->clocks()->layoutOfRows().rows().size(), before);
    }

    /// A number that comes from another thing leads there; one that comes from a file is named below its step.
    void numbersLeadToWhereTheyComeFrom() {
        window_->goTo("promise/modem");
        emit window_->workings()->anchorClicked(QUrl("at/0/line/bus_a"));
        QCOMPARE(window_->workings()->target(), QString("line/bus_a"));
        QCOMPARE(window_->clocks()->selected(), QString("bus_a"));
        emit window_->workings()->anchorClicked(QUrl("at/0/line/core"));
        QCOMPARE(window_->workings()->target(), QString("line/core"));
        window_->goTo("line/xtm");
        QVERIFY(window_->workings()->toHtml().contains("at/0/plan/board.fitted.xtm.rate"));
        emit window_->workings()->anchorClicked(QUrl("at/0/plan/board.fitted.xtm.rate"));
        QVERIFY(window_->workings()->toPlainText().contains("xtm: the plan file, board.fitted.xtm.rate"));
        window_->goTo("promise/modem");
        QVERIFY(!window_->workings()->toPlainText().contains("the plan file"));
    }

    void fieldsAreCopied() {
        window_->goTo("line/bus_a");
        emit window_->workings()->anchorClicked(QUrl("copy/0"));
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
        QVERIFY(window_->faults()->item(0)->text().contains("broken.plan.toml:93:1: error: unknown key 'rest_in'"));
        QCOMPARE(document().path(), path()); // the plan that was open stays
        typeControl("bus_a", "8");
        QCOMPARE(document().figures().findLine("bus_a")->hertz->nominal, Rational(20000000));
    }

    void savingWhereItCanNotIsSaid() {
        typeControl("bus_a", "8");
        QVERIFY(!document().save("/nowhere/at/all.plan.toml").isEmpty());
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

    void unsavedChangesOutliveACrash() {
        typeControl("bus_a", "8");
        document().autosave();
        QVERIFY(QFile::exists(document().autosavePath()));
        MainWindow after(Shelf{sourceDir() + "/parts"}); // as if the first had never closed
        after.show();
        QVERIFY(after.openPlan(path()));
        QVERIFY(after.notice()->text().contains("never saved"));
        QTest::mouseClick(after.notice()->findChildren<QPushButton*>().front(), Qt::LeftButton);
        QCOMPARE(after.document().figures().findLine("bus_a")->divide, Rational(8));
        QVERIFY(after.document().isModified());
        QVERIFY(after.document().save(path()).isEmpty());
        QVERIFY(!QFile::exists(after.document().autosavePath()));
    }

    void aNewPlanStandsAtReset() {
        QVERIFY(document().begin("marram-20").empty());
        QCOMPARE(document().figures().findLine("core")->hertz->nominal, Rational(10000000)); // from the RC
        QVERIFY(document().plan().promises.empty());
        const QString fresh = folder_->filePath("fresh.plan.toml");
        QVERIFY(document().save(fresh).isEmpty());
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
        window_->clocks()->setFocus();
        QCOMPARE(window_->helpPage(), QString("window.md"));
        window_->workings()->setFocus();
        QCOMPARE(window_->helpPage(), QString("calculations.md"));
        const Help help(QString::fromStdString(sourceDir()) + "/docs", "promise-lines.md", darkTheme(), nullptr);
        QVERIFY(help.shown().contains("How a promise is judged"));
    }

    /// By Tab alone through the window and back to where it began; whatever has the focus looks different for it and
    /// says what it is.
    void tabReachesEveryPartAndTheFocusIsVisible() {
        window_->goTo("promise/modem");
        typeControl("bus_a", "8"); // Keep and Undo can be pressed
        settle();
        window_->clocks()->setFocus();
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
                                 window_->clocks(),
                                 window_->ripplePanel()->keepButton(),
                                 window_->ripplePanel()->undoButton(),
                                 window_->ripplePanel(),
                                 window_->workings()};
        for (QWidget* each : wanted) {
            QVERIFY2(reached.contains(each), each->metaObject()->className());
        }
        QVERIFY(std::any_of(reached.begin(), reached.end(), [](QWidget* each) { return each->accessibleName() == "Vitals"; }));
    }

    /// From a broken promise to a kept one by keys alone: the workings, Tab to "try", Enter, Keep.
    void aWayOutByKeysAlone() {
        QTest::keyClick(window_.get(), Qt::Key_L, Qt::ControlModifier | Qt::ShiftModifier);
        QTest::keyClick(window_->promises()->cards(), Qt::Key_Home);
        QTest::keyClick(window_->promises()->cards(), Qt::Key_Down);
        QTRY_VERIFY(window_->workings()->toPlainText().contains("Ways out"));
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
        emit window_->workings()->anchorClicked(QUrl("try/0"));
        QCOMPARE(document().figures().findLine("bus_a")->state, State::kept);
    }

    void theOrderOfWritingIsShownAndCopied() {
        QTest::keyClick(window_.get(), Qt::Key_R, Qt::ControlModifier | Qt::ShiftModifier);
        const QString shown = window_->workings()->toPlainText();
        QVERIFY(shown.contains("From reset to take A"));
        QVERIFY(shown.indexOf("start vco") < shown.indexOf("core from pll_a"));
        emit window_->workings()->anchorClicked(QUrl("copy/0"));
        QVERIFY(QApplication::clipboard()->text().contains("CLK.CORE[9:8] = 0x2  // core from pll_a"));
        emit window_->workings()->anchorClicked(QUrl("way/take B"));
        QVERIFY(window_->workings()->toPlainText().contains("From take B to take A"));
        window_->goTo("line/core");
        QVERIFY(window_->workings()->toPlainText().contains("The way there"));
        typeControl("bus_a", "2");
        window_->workings()->show("way/reset");
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
            shown << window_->workings()->target();
            QTest::keyClick(head, Qt::Key_Right);
        }
        QCOMPARE(shown, QStringList({"line/core", "promise/modem", "mode/deep", "rhythm/average", "rhythm/life"}));
        QTest::mouseClick(head, Qt::LeftButton, Qt::NoModifier, QPoint(head->width() - 100, head->height() / 2));
        QCOMPARE(window_->workings()->target(), QString("rhythm/life"));
        QVERIFY(head->accessibleDescription().contains("battery") && head->accessibleDescription().contains("675"));
    }

    /// The row of the board of that group and name, selected.
    std::size_t boardRow(const QString& group, const QString& name) {
        const auto& rows = window_->board()->rows();
        const auto found =
            std::find_if(rows.begin(), rows.end(), [&](const BoardRow& row) { return row.group == group && row.name == name; });
        const auto index = static_cast<std::size_t>(found - rows.begin());
        if (found == rows.end()) {
            qWarning("no row %s", qPrintable(name));
            return 0;
        }
        window_->board()->select(index);
        return index;
    }

    void typeBoard(const QString& group, const QString& name, const QString& typed) {
        boardRow(group, name);
        window_->board()->setFocus();
        QTest::keyClick(window_->board(), Qt::Key_Return);
        QVERIFY(window_->board()->editor()->isVisible());
        window_->board()->editor()->clear();
        type(window_->board()->editor(), typed);
    }

    /// Another crystal: its rate is typed on the board, and the clocks follow.
    void theBoardIsEditedWhereItStands() {
        QTest::keyClick(window_.get(), Qt::Key_1, Qt::AltModifier);
        QVERIFY(window_->board() != nullptr && window_->board()->hasFocus());
        typeBoard("main crystal", "rate", "16 MHz");
        QCOMPARE(document().figures().findLine("core")->hertz->nominal, Rational(128000000));
        QVERIFY(!document().moved().empty());
        typeBoard("main crystal", "capacitors", "22 pF");
        typeBoard("main crystal", "stray", "3 pF");
        const std::size_t row = boardRow("main crystal", "capacitors");
        QVERIFY(window_->board()->rows()[row].result.contains("wanted 14 pF, of E12 12 pF or 15 pF"));
        typeBoard("main crystal", "resistance", "600 ohm");
        QCOMPARE(window_->board()->rows()[boardRow("main crystal", "resistance")].state, std::optional(State::strained));
        typeBoard("Supply and temperature", "supply, lowest", "2.5 V");
        QVERIFY(
            window_->board()->rows()[boardRow("Supply and temperature", "supply, lowest")].result.contains("allows tier low"));
        typeBoard("Battery", "capacity", "");
        QVERIFY(!document().plan().board.battery.has_value()); // taken away
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(document().plan().board.battery.has_value());
        QTest::keyClick(window_.get(), Qt::Key_2, Qt::AltModifier);
        QVERIFY(window_->clocks()->hasFocus());
    }

    void whatTheBoardCanNotHaveIsSaid_data() {
        QTest::addColumn<QString>("group");
        QTest::addColumn<QString>("name");
        QTest::addColumn<QString>("typed");
        QTest::addColumn<QString>("why");
        QTest::newRow("another unit") << "main crystal"
                                      << "rate"
                                      << "16 ms"
                                      << "'ms' makes it a time";
        QTest::newRow("a needed one") << "Supply and temperature"
                                      << "supply, nominal"
                                      << ""
                                      << "this is needed; type";
        QTest::newRow("below 0") << "main crystal"
                                 << "resistance"
                                 << "-5 ohm"
                                 << "is below 0";
        QTest::newRow("no such value") << "Option words"
                                       << "brown_out"
                                       << "v9"
                                       << "it is one of v1_7, v2_1, v2_7";
    }
    void whatTheBoardCanNotHaveIsSaid() {
        QFETCH(QString, group);
        QFETCH(QString, name);
        QFETCH(QString, typed);
        QFETCH(QString, why);
        QTest::keyClick(window_.get(), Qt::Key_1, Qt::AltModifier);
        typeBoard(group, name, typed);
        QVERIFY2(window_->board()->trouble().contains(why), qPrintable(window_->board()->trouble()));
        QVERIFY(window_->board()->editor()->isVisible()); // the text stays to be mended
        QTest::keyClick(window_->board()->editor(), Qt::Key_Escape);
        QVERIFY(!document().canUndo());
    }

    void pinsAndOptionsOfTheBoard() {
        QTest::keyClick(window_.get(), Qt::Key_1, Qt::AltModifier);
        typeBoard("Pins", "W5", "lamp");
        const std::size_t row = boardRow("Pins", "W5");
        QCOMPARE(window_->board()->rows()[row].result, QString("uart1 and lamp both need pin W5"));
        QCOMPARE(window_->board()->rows()[row].state, std::optional(State::broken));
        typeBoard("Pins", "W15", "lamp"); // the signal moves
        QCOMPARE(window_->board()->rows()[boardRow("Pins", "W5")].result, QString("uart1"));
        typeBoard("Pins", "W15", "");
        QCOMPARE(window_->board()->rows()[boardRow("Pins", "W15")].result, QString("free"));
        typeBoard("Option words", "debug_lock", "locked");
        QVERIFY(window_->board()->rows()[boardRow("Option words", "debug_lock")].result.contains("safe is open"));
        typeBoard("Option words", "debug_lock", "");
        QVERIFY(window_->board()->rows()[boardRow("Option words", "debug_lock")].result.startsWith("as unprogrammed, open"));
        // by mouse: a click on a value opens it
        const std::size_t pin = boardRow("Pins", "W15");
        QTest::mouseClick(window_->board()->viewport(), Qt::LeftButton, Qt::NoModifier,
                          window_->board()->rowRect(pin).center().toPoint().x() > 220
                              ? QPoint(220, static_cast<int>(window_->board()->rowRect(pin).center().y()))
                              : QPoint(200, static_cast<int>(window_->board()->rowRect(pin).center().y())));
        QVERIFY(window_->board()->editor()->isVisible());
        QTest::keyClick(window_->board()->editor(), Qt::Key_Escape);
    }

    void aFreshBoardCanBeFilledIn() {
        QVERIFY(document().begin("marram-20").empty());
        QTest::keyClick(window_.get(), Qt::Key_1, Qt::AltModifier);
        typeBoard("Supply and temperature", "supply, nominal", "3 V");
        typeBoard("Supply and temperature", "supply, lowest", "2.8 V");
        QCOMPARE(document().plan().board.supply->min, exact("14/5"));
        QCOMPARE(document().plan().board.supply->max, Rational(3));
        typeBoard("main crystal", "rate", "12 MHz");
        typeBoard("main crystal", "tolerance, initial", "20 ppm");
        QCOMPARE(document().figures().findLine("xtm")->hertz->max, Rational(12000240));
        typeBoard("fast internal RC", "measured on this board", "10.1 MHz");
        QCOMPARE(document().figures().findLine("rcf")->hertz->nominal, Rational(10100000));
        typeBoard("Battery", "capacity", "1000 mAh");
        QCOMPARE(document().plan().board.battery->capacity, Rational(3600));
        const QString fresh = folder_->filePath("filled.plan.toml");
        QVERIFY(document().save(fresh).isEmpty());
        QVERIFY(window_->openPlan(fresh));
        QCOMPARE(document().figures().findLine("rcf")->hertz->nominal, Rational(10100000));
    }

    /// The takes by keys: copy, rename, activate, delete, each an edit that can be undone.
    void takesByKeys() {
        settle();
        TakesWindow takes(document(), lightTheme(), window_.get());
        takes.show();
        QVERIFY(QTest::qWaitForWindowExposed(&takes));
        takes.list()->setFocus();
        takes.list()->setCurrentRow(0);
        QTest::keyClick(takes.list(), Qt::Key_C);
        QCOMPARE(document().plan().takes.size(), std::size_t{3});
        QCOMPARE(document().plan().takes[1].name, std::string("C"));
        QCOMPARE(takes.list()->currentRow(), 1); // the copy is selected
        QTest::keyClick(takes.list(), Qt::Key_F2);
        auto* name = takes.findChild<QLineEdit*>();
        QVERIFY(name->isVisible());
        name->setText("B");
        QTest::keyClick(name, Qt::Key_Return);
        QCOMPARE(takes.trouble(), QString("there is a take 'B' already"));
        name->setText("night");
        QTest::keyClick(name, Qt::Key_Return);
        QCOMPARE(document().plan().takes[1].name, std::string("night"));
        QTest::keyClick(takes.list(), Qt::Key_Down, Qt::AltModifier);
        QCOMPARE(document().plan().takes[2].name, std::string("night"));
        QTest::keyClick(takes.list(), Qt::Key_Return);
        QCOMPARE(document().plan().active, std::string("night"));
        QCOMPARE(document().figures().take, std::string("night"));
        QTest::keyClick(takes.list(), Qt::Key_Delete);
        QCOMPARE(document().plan().takes.size(), std::size_t{2});
        QCOMPARE(document().plan().active, std::string("B"));
        takes.list()->setCurrentRow(1);
        QTest::keyClick(takes.list(), Qt::Key_Delete); // a job runs in it
        QVERIFY(takes.trouble().contains("runs in take 'B'"));
        QVERIFY(takes.table()->rows().front().differs);
        while (document().canUndo()) {
            document().undo();
        }
        QCOMPARE(document().plan().active, std::string("A"));
        QCOMPARE(takes.list()->count(), 2);
    }

    void nextTakeGoesRound() {
        QTest::keyClick(window_.get(), Qt::Key_T, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(document().plan().active, std::string("B"));
        QCOMPARE(document().figures().findLine("core")->hertz->nominal, Rational(10000000));
        QTest::keyClick(window_.get(), Qt::Key_T, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(document().plan().active, std::string("A"));
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
        window_->goTo("promise/modem");
        for (const bool isDark : darks) {
            window_->setTheme(isDark ? darkTheme() : lightTheme());
        }
        QApplication::processEvents();
        QWidgetList parts{window_->promises(), window_->promises()->entry(), window_->promises()->cards(),
                          window_->clocks(),   window_->ripplePanel(),       window_->workings()};
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
