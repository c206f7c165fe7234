#include "window_fixture.h"

#include "board/board_view.h"
#include "clocks/control_text.h"
#include "promises/promises_column.h"
#include "shell/ripple_panel.h"
#include "takes/takes_view.h"
#include "workings/workings_panel.h"

#include <QClipboard>
#include <QLabel>
#include <QListWidget>
#include <QMimeData>
#include <QScrollBar>

#include <cmath>

using namespace wisetick;
using namespace wisetick::app;
using namespace wisetick::test;

/// The Clocks view by keyboard and mouse.
class AppClocks : public WindowFixture {
    Q_OBJECT

private slots:
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
        QCOMPARE(window_->find<ClocksView>()->editor()->isVisible(), hertz.empty()); // what is wrong stays to be mended
        if (hertz.empty()) {
            QTest::keyClick(window_->find<ClocksView>()->editor(), Qt::Key_Escape);
            QVERIFY(!window_->find<ClocksView>()->editor()->isVisible());
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

    /// What was typed at a clock that a filter hides is meant for no other one, and with none shown nothing is looked for.
    void whatIsEditedMayBeHidden() {
        auto* clocks = window_->find<ClocksView>();
        typeControl("bus_a", "48M");
        QVERIFY(clocks->editor()->isVisible() && clocks->trouble()->isVisible());
        clocks->find("core");
        QVERIFY(!clocks->editor()->isVisible() && !clocks->trouble()->isVisible());
        clocks->find({});
        typeControl("bus_a", "48M");
        clocks->find("no clock is called so");
        QVERIFY(!clocks->editor()->isVisible() && !clocks->trouble()->isVisible());
        window_->resize(window_->width() - 40, window_->height() - 60);
        QTest::keyClick(clocks, Qt::Key_Return);
        QVERIFY(!document().canUndo());
        clocks->find({});
        QVERIFY(!clocks->editor()->isVisible());
    }

    /// Controls and files call a line by its id: it stands by a name that does not say it.
    void rowsSayWhatTheyAreCalled() {
        const std::vector<SpokenRow> rows = window_->find<ClocksView>()->spokenRows();
        const auto said = [&](const QString& name) {
            const auto row = std::find_if(rows.begin(), rows.end(), [&](const SpokenRow& each) { return each.name == name; });
            return row != rows.end() ? row->value : QString();
        };
        QCOMPARE(said("main crystal"), QString::fromUtf8("xtm, \u00b140 ppm, 20 MHz, kept"));
        QCOMPARE(said("pll output a"), QString::fromUtf8("pll_a, \u00f7 3, 160 MHz, kept"));
        QVERIFY(said("bus A").startsWith(QString::fromUtf8("\u00f7 4, "))); // bus_a
    }

    /// What is found is selected, not what only feeds it; a peripheral under its folded line is found too.
    void whatIsFoundIsSelected() {
        window_->showView("clocks");
        auto* clocks = window_->find<ClocksView>();
        const auto selectedRow = [&] {
            const auto rows = clocks->spokenRows();
            const auto row = std::find_if(rows.begin(), rows.end(), [](const SpokenRow& each) { return each.isSelected; });
            return row != rows.end() ? row->name : QString();
        };
        clocks->select("usb");
        QTest::keyClick(window_.get(), Qt::Key_F, Qt::ControlModifier);
        auto* line = window_->findChild<QLineEdit*>("findClock");
        QVERIFY(line->hasFocus());
        QTest::keyClicks(line, "bus_a");
        QCOMPARE(clocks->selected(), QString("bus_a"));
        QVERIFY(line->hasFocus());
        line->clear();
        QTest::keyClicks(line, "uart2");
        QCOMPARE(selectedRow(), QString("uart2"));
        const int found = static_cast<int>(clocks->spokenRows().size());
        line->clear();
        QVERIFY(static_cast<int>(clocks->spokenRows().size()) > found);
        for (const SpokenRow& row : clocks->spokenRows()) {
            QVERIFY(row.name != "uart2"); // folded again
        }
        QTest::keyClicks(line, "usb");
        QTest::keyClick(window_.get(), Qt::Key_O, Qt::ControlModifier | Qt::ShiftModifier);
        window_->goTo(Target::line("can_clk")); // off, and not called so: it is shown all the same
        QCOMPARE(clocks->selected(), QString("can_clk"));
        QVERIFY(line->text().isEmpty() && !clocks->hidesOff());
    }

    void anOfferIsTakenByKey() {
        typeControl("bus_a", "48M");
        QVERIFY(window_->find<ClocksView>()->trouble()->isVisible());
        QTest::keyClick(window_->find<ClocksView>()->editor(), Qt::Key_Down);
        QTest::keyClick(window_->find<ClocksView>()->editor(), Qt::Key_Down);
        QTest::keyClick(window_->find<ClocksView>()->editor(), Qt::Key_Up);
        QTest::keyClick(window_->find<ClocksView>()->editor(), Qt::Key_Return);
        QCOMPARE(document().figures().findLine("bus_a")->divide, Rational(3));
        QVERIFY(!window_->find<ClocksView>()->editor()->isVisible());
        QVERIFY(!window_->find<ClocksView>()->trouble()->isVisible());
    }

    void anOfferIsTakenByMouse() {
        typeControl("bus_a", "30M");
        QLabel* trouble = window_->find<ClocksView>()->trouble();
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
        window_->find<ClocksView>()->select("bus_a");
        QTest::keyClick(window_->find<ClocksView>(), Qt::Key_Minus);
        QCOMPARE(document().figures().findLine("bus_a")->hertz->nominal, Rational(32000000));
        QTest::keyClick(window_->find<ClocksView>(), Qt::Key_Plus);
        QTest::keyClick(window_->find<ClocksView>(), Qt::Key_Plus);
        QCOMPARE(document().figures().findLine("bus_a")->divide, Rational(3));
    }

    /// Needles stand where their rates are: equal distances for equal ratios, parents and children in rows.
    void needlesStandAtTheirRates() {
        const ClocksLayout& layout = window_->find<ClocksView>()->layoutOfRows();
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
        ClocksView* view = window_->find<ClocksView>();
        const double span = view->layoutOfRows().highDecade() - view->layoutOfRows().lowDecade();
        QWheelEvent zoom(QPointF(400, 200), view->mapToGlobal(QPointF(400, 200)), QPoint(), QPoint(0, 120), Qt::NoButton,
                         Qt::ControlModifier, Qt::NoScrollPhase, false);
        QApplication::sendEvent(view->viewport(), &zoom);
        QVERIFY(view->layoutOfRows().highDecade() - view->layoutOfRows().lowDecade() < span);
    }

    /// Where a needle stands in the viewport.
    QPoint needleAt(const char* line) {
        const ClocksLayout& layout = window_->find<ClocksView>()->layoutOfRows();
        const std::size_t row = *layout.rowOf(*document().part().findNode(line));
        return layout.needle(row, document().figures())->toPoint() -
               QPoint(0, window_->find<ClocksView>()->verticalScrollBar()->value());
    }

    /// A needle snaps to its reach while it is dragged, the ripple follows, and only letting go is an edit.
    void aNeedleIsDragged() {
        settle();
        QWidget* viewport = window_->find<ClocksView>()->viewport();
        const ClocksLayout& layout = window_->find<ClocksView>()->layoutOfRows();
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
        QWidget* viewport = window_->find<ClocksView>()->viewport();
        const QPoint start = needleAt("bus_a");
        QTest::mousePress(viewport, Qt::LeftButton, Qt::NoModifier, start);
        QTest::mouseMove(viewport, start - QPoint(60, 0));
        QVERIFY(document().isPreviewing());
        QTest::keyClick(window_->find<ClocksView>(), Qt::Key_Escape);
        QVERIFY(!document().isPreviewing());
        QCOMPARE(document().figures().findLine("bus_a")->divide, Rational(4));
        QTest::mouseRelease(viewport, Qt::LeftButton, Qt::NoModifier, start - QPoint(60, 0));
        QVERIFY(!document().canUndo());
        settle();
        QVERIFY(document().moved().empty());
    }

    /// A locked row is neither dragged nor nudged; typing into it, and freeing it, are the user's own doing.
    void aLockHolds() {
        window_->find<ClocksView>()->select("bus_a");
        window_->find<ClocksView>()->setFocus();
        QTest::keyClick(window_->find<ClocksView>(), Qt::Key_B, Qt::ControlModifier);
        QVERIFY(isLocked(document().take(), "bus_a"));
        QTest::keyClick(window_->find<ClocksView>(), Qt::Key_Minus);
        QCOMPARE(document().figures().findLine("bus_a")->divide, Rational(4));
        QVERIFY(window_->find<ClocksView>()->trouble()->text().contains("bus_a is locked"));
        QTest::mousePress(window_->find<ClocksView>()->viewport(), Qt::LeftButton, Qt::NoModifier, needleAt("bus_a"));
        QTest::mouseMove(window_->find<ClocksView>()->viewport(), needleAt("bus_a") - QPoint(60, 0));
        QVERIFY(!document().isPreviewing());
        typeControl("bus_a", "8");
        QCOMPARE(document().figures().findLine("bus_a")->divide, Rational(8));
        QTest::keyClick(window_->find<ClocksView>(), Qt::Key_B, Qt::ControlModifier);
        QVERIFY(!isLocked(document().take(), "bus_a"));
        QTest::keyClick(window_->find<ClocksView>(), Qt::Key_Right);
        QCOMPARE(document().figures().findLine("bus_a")->divide, Rational(7));
    }

    QStringList shownRows() {
        QStringList ids;
        for (const ClockRow& row : window_->find<ClocksView>()->layoutOfRows().rows()) {
            ids << QString::fromStdString(document().part().nodeId(row.node));
        }
        return ids;
    }

    void rowsAreFoundHiddenAndFolded() {
        const QStringList all = shownRows();
        QTest::keyClick(window_.get(), Qt::Key_F, Qt::ControlModifier);
        QVERIFY(window_->findChild<QLineEdit*>("findClock")->hasFocus());
        QTest::keyClicks(window_->findChild<QLineEdit*>("findClock"), "bus b");
        QCOMPARE(shownRows(), QStringList({"xtm", "ref", "vco", "pll_a", "core", "bus_b"})); // and what feeds it
        window_->findChild<QLineEdit*>("findClock")->setText("nothing like it");
        QVERIFY(shownRows().isEmpty());
        QVERIFY(window_->find<ClocksView>()->selected().isEmpty());
        window_->findChild<QLineEdit*>("findClock")->clear();
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
        window_->find<ClocksView>()->select("core");
        QTest::keyClick(window_->find<ClocksView>(), Qt::Key_Space, Qt::ShiftModifier);
        QVERIFY(shownRows().contains("core") && !shownRows().contains("bus_a") && !shownRows().contains("can_clk"));
        QCOMPARE(window_->find<ClocksView>()->selected(), QString("core"));
        QTest::keyClick(window_.get(), Qt::Key_B, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(shownRows(), all);
    }

    void theOtherTakeIsShownAsGhosts() {
        const QImage plain = window_->find<ClocksView>()->grab().toImage();
        QTest::keyClick(window_.get(), Qt::Key_G, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(window_->find<ClocksView>()->ghost(), QString("B"));
        QVERIFY(window_->find<ClocksView>()->grab().toImage() != plain);
        QTest::keyClick(window_.get(), Qt::Key_G, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(window_->find<ClocksView>()->ghost().isEmpty());
        QVERIFY(window_->find<ClocksView>()->grab().toImage() == plain);
    }

    /// The copies hold the whole view, also what is scrolled out of sight.
    void theViewIsCopied() {
        window_->resize(900, 420);
        QApplication::processEvents();
        QVERIFY(window_->find<ClocksView>()->verticalScrollBar()->maximum() > 0);
        QTest::keyClick(window_.get(), Qt::Key_C, Qt::ControlModifier | Qt::AltModifier);
        const QString svg = QApplication::clipboard()->text();
        QVERIFY(svg.contains("<svg") && svg.contains("main crystal") && svg.contains("can kernel") && svg.contains("160 MHz"));
        QTest::keyClick(window_.get(), Qt::Key_C, Qt::ControlModifier | Qt::ShiftModifier);
        const QImage picture = QApplication::clipboard()->image();
        QVERIFY(picture.height() >= static_cast<int>(window_->find<ClocksView>()->layoutOfRows().height()));
    }

    void fittingShowsTheWholeAxis() {
        ClocksView* view = window_->find<ClocksView>();
        const double low = view->layoutOfRows().lowDecade();
        QWheelEvent zoom(QPointF(500, 200), view->mapToGlobal(QPointF(500, 200)), QPoint(), QPoint(0, 360), Qt::NoButton,
                         Qt::ControlModifier, Qt::NoScrollPhase, false);
        QApplication::sendEvent(view->viewport(), &zoom);
        QVERIFY(view->layoutOfRows().lowDecade() > low);
        QTest::keyClick(window_.get(), Qt::Key_0, Qt::ControlModifier);
        QCOMPARE(view->layoutOfRows().lowDecade(), low);
    }

    void peripheralsUnfoldUnderTheirLine() {
        const std::size_t before = window_->find<ClocksView>()->layoutOfRows().rows().size();
        window_->find<ClocksView>()->select("bus_a");
        QTest::keyClick(window_->find<ClocksView>(), Qt::Key_Space);
        QCOMPARE(window_->find<ClocksView>()->layoutOfRows().rows().size(), before + 5); // uart1, uart2, timer4, guard and i2c1
        QCOMPARE(window_->find<ClocksView>()->selected(), QString("bus_a"));
        QTest::keyClick(window_->find<ClocksView>(), Qt::Key_Space);
        QCOMPARE(window_->find<ClocksView>()->layoutOfRows().rows().size(), before);
    }
};

QTEST_MAIN(AppClocks)
#include "app_clocks.moc"
