#include "seek_fixture.h"

#include "plan/board_edits.h"

#include "paint/controls.h"
#include "promises/promises_column.h"
#include "seek/found_plot.h"
#include "shell/ripple_panel.h"
#include "workings/workings_panel.h"

#include <QLabel>
#include <QScrollBar>

#include <cmath>

using namespace wisetick;
using namespace wisetick::app;
using namespace wisetick::test;

/// What Seek finds, as it is shown and taken, and why there is nothing where nothing fits.
class AppSeekFound : public SeekFixture {
    Q_OBJECT

private slots:
    /// What is shown is what the engine finds, in its order.
    void whatIsShownIsWhatIsFound() {
        ask({"core at most 160 MHz", "usb = 48 MHz"});
        const SeekResult result =
            seek(document().part(), document().plan(), document().plan().active, panel().asked()->question());
        QCOMPARE(list().entries().size(), result.found.size());
        QVERIFY(result.found.size() > 5);
        for (std::size_t i = 0; i < result.found.size(); ++i) {
            QVERIFY(list().entries()[i]->found == result.found[i]);
        }
        QVERIFY(panel().foot().startsWith("Complete: all of "));
        QVERIFY(result.isComplete());
    }

    /// A crystal that the part can't have is no setting: what is found with it says so.
    void whatNoTakeMendsIsTold() {
        document().edit("a fast crystal", [](Plan& plan) {
            Fitted fast = fittedOf(plan, "xtm");
            fast.rate = 40000000;
            return fit(plan, fast);
        });
        ask({"core = 96 MHz"});
        QVERIFY(!list().entries().empty());
        QVERIFY2(panel().foot().startsWith("It leaves a fault: 40 MHz fitted for xtm; expected 6 MHz \u2026 30 MHz\nComplete: "),
                 panel().foot().toUtf8());
        document().undo();
        QTRY_VERIFY(!panel().isBusy());
        QTRY_VERIFY2(!panel().foot().contains("fault"), panel().foot().toUtf8());
    }

    void hoverAndSelectionAreShared() {
        ask({"core at most 160 MHz"});
        const auto& entries = list().entries();
        QVERIFY(entries.size() > 3);
        QVERIFY(window_->find<ClocksView>()->hasGhost());  // of the selected one
        QTest::mouseMove(list().viewport(), QPoint(4, 4)); // or it may be there already
        QTest::mouseMove(list().viewport(), list().entryRect(2).center().toPoint());
        QTRY_COMPARE(panel().plot()->hovered(), std::optional<std::size_t>(2));
        // a mark that lies apart from all others
        std::size_t apart = 0;
        qreal most = 0;
        for (std::size_t i = 1; i < entries.size(); ++i) {
            qreal least = 1e9;
            for (std::size_t j = 0; j < entries.size(); ++j) {
                const QPointF by = panel().plot()->markAt(i) - panel().plot()->markAt(j);
                least = i == j ? least : std::min(least, std::hypot(by.x(), by.y()));
            }
            apart = least > most ? i : apart;
            most = std::max(most, least);
        }
        QVERIFY(most > 3);
        QWidget* plot = panel().plot()->childAt(panel().plot()->markAt(apart).toPoint());
        QVERIFY(plot != nullptr);
        const QPoint at = panel().plot()->markAt(apart).toPoint();
        QTest::mouseMove(plot, at);
        QTRY_COMPARE(list().hovered(), std::optional(apart));
        QTest::mouseClick(plot, Qt::LeftButton, {}, at);
        QCOMPARE(list().selected(), apart);
        QTest::mouseDClick(plot, Qt::LeftButton, {}, at);
        QVERIFY(!panel().isVisible());
        QVERIFY(document().canUndo());
    }

    /// Exact stands below all errors, and nothing lies left of and below the front.
    void theFrontIsTheBest() {
        ask({"core at most 160 MHz", "bus_a at least 20 MHz"});
        const auto& entries = list().entries();
        const auto& front = panel().plot()->front();
        QVERIFY(!front.empty());
        for (std::size_t i = 0; i < entries.size(); ++i) {
            const Score& score = entries[i]->found.score;
            for (std::size_t j = 0; j < entries.size(); ++j) {
                if (score.ratios.empty() && !entries[j]->found.score.ratios.empty()) {
                    QVERIFY(panel().plot()->markAt(i).y() > panel().plot()->markAt(j).y());
                }
            }
            const bool isBeaten = std::any_of(front.begin(), front.end(), [&](std::size_t f) {
                const QPointF best = panel().plot()->markAt(f);
                const QPointF mark = panel().plot()->markAt(i);
                return best.x() <= mark.x() && best.y() >= mark.y();
            });
            QVERIFY(isBeaten); // by itself where it is on the front
        }
    }

    void aHoveredTakeIsShownInHollowNeedles() {
        ask({"bus_a = 32 MHz"});
        QVERIFY(window_->find<ClocksView>()->hasGhost());
        const QImage with = window_->find<ClocksView>()->picture().toImage();
        QTest::keyClick(&list(), Qt::Key_Escape);
        QVERIFY(!window_->find<ClocksView>()->hasGhost());
        QTest::keyClick(window_.get(), Qt::Key_K, Qt::ControlModifier); // the same is asked still
        QVERIFY(chip("bus_a = 32 MHz").has_value());
        QTRY_VERIFY(window_->find<ClocksView>()->hasGhost());
        QTRY_VERIFY(!panel().isBusy());
        QCOMPARE(window_->find<ClocksView>()->picture().toImage(), with);
        window_->find<ClocksView>()->showGhost(nullptr);
        QVERIFY(window_->find<ClocksView>()->picture().toImage() != with);
    }

    void anEntryUnfoldsIntoItsEquals() {
        ask({"core = 80 MHz"});
        for (const char* name : {"core", "link"}) {
            click(name);
            click(name);
        }
        QTRY_VERIFY(!panel().isBusy());
        QVERIFY(!list().entries().empty());
        list().setFocus();
        QTest::keyClick(&list(), Qt::Key_Right);
        QVERIFY(list().isUnfolded());
        const SeekResult same = unfold(document().part(), document().plan(), document().plan().active,
                                       panel().asked()->question(), list().entries()[0]->found, kMostEquals);
        QVERIFY(same.found.size() > 1);
        QTRY_COMPARE(list().equals().size() + 1, same.found.size());
        const QImage first = window_->find<ClocksView>()->picture().toImage();
        QTest::keyClick(&list(), Qt::Key_Down);
        QCOMPARE(list().selectedEqual(), std::size_t(1));
        QVERIFY(window_->find<ClocksView>()->picture().toImage() != first); // its needles
        const FoundTake equal = *list().selectedTake();
        QVERIFY(!(equal.take == list().entries()[0]->found.take));
        QCOMPARE(equal.rates, list().entries()[0]->found.rates);
        QTest::keyClick(&list(), Qt::Key_Return);
        QVERIFY(document().take() == equal.take);
        QCOMPARE(document().figures().findLine("core")->hertz->nominal, Rational(80000000));
    }

    void aTakeIsAdded() {
        ask({"bus_a = 32 MHz"});
        const std::size_t before = document().plan().takes.size();
        list().setFocus();
        QTest::keyClick(&list(), Qt::Key_Return, Qt::ShiftModifier);
        QCOMPARE(document().plan().takes.size(), before + 1);
        QCOMPARE(document().plan().active, std::string("A"));
        QVERIFY(panel().isVisible());
        QVERIFY2(panel().foot().startsWith("Take C is added"), panel().foot().toUtf8());
        const Figures figures = document().figuresOfTake("C");
        QCOMPARE(figures.findLine("bus_a")->hertz->nominal, Rational(32000000));
        QTRY_VERIFY(!panel().isBusy());
        QTest::mouseClick(panel().newButton(), Qt::LeftButton);
        QCOMPARE(document().plan().takes.size(), before + 2);
        QTRY_VERIFY(!panel().isBusy());
    }

    /// What collides, with a way to lift it, and the nearest that can be had.
    void whyNothingFits() {
        ask({"usb = 48 MHz", "bus_a = 37 MHz"});
        QVERIFY(list().entries().empty());
        QVERIFY(panel().refusal()->isVisible());
        QVERIFY(!panel().takeButton()->isEnabled());
        const QString said = panel().refusal()->toPlainText();
        QVERIFY2(said.contains("can't be kept together"), said.toUtf8());
        QVERIFY2(said.contains("bus_a = 37 MHz lift"), said.toUtf8());
        QCOMPARE(panel().foot(), QString("Complete: no take keeps all of this."));
        const NodeIndex bus = *document().part().findNode("bus_a");
        QVERIFY(window_->find<ClocksView>()->markedRows().contains(bus));
        const QRectF row =
            window_->find<ClocksView>()->layoutOfRows().rowRect(*window_->find<ClocksView>()->layoutOfRows().rowOf(bus));
        const int scrolled = window_->find<ClocksView>()->verticalScrollBar()->value();
        QVERIFY(row.top() >= scrolled && row.bottom() <= scrolled + window_->find<ClocksView>()->viewport()->height());
        // the nearest, by keys
        followLink("bus_a = 37 MHz:", "wish this");
        QTRY_VERIFY(!panel().isBusy());
        QVERIFY(!list().entries().empty());
        QVERIFY(!chip("bus_a = 37 MHz"));
        QVERIFY(window_->find<ClocksView>()->markedRows().empty());
    }

    /// Two that can't be kept even alone: one after the other is wished as near as it can be had.
    void whatIsOutOfReachIsWishedNearer() {
        ask({"core = 1 GHz", "bus_b = 2 GHz"});
        const QString said = panel().refusal()->toPlainText();
        QVERIFY2(said.contains(QString::fromUtf8("core = 1 GHz: 160 MHz \u221284 % alone wish this")), said.toUtf8());
        QVERIFY2(said.contains("Nothing fits: this can't be kept\nbus_b = 2 GHz lift\nThe nearest"), said.toUtf8());
        followLink("core = 1 GHz:", "wish this");
        QTRY_VERIFY(!panel().isBusy());
        QVERIFY(chip("core = 160 MHz") && !chip("core = 1 GHz"));
        QVERIFY2(!panel().refusal()->toPlainText().contains("alone"), panel().refusal()->toPlainText().toUtf8());
        followLink("bus_b = 2 GHz:", "wish this");
        QTRY_VERIFY(!panel().isBusy());
        QVERIFY(!list().entries().empty());
    }

    void whatCollidesIsLifted() {
        ask({"bus_a = 37 MHz"});
        followLink("bus_a = 37 MHz", "lift");
        QCOMPARE(lookOf("bus_a = 37 MHz"), Chip::Look::aside);
        QTRY_VERIFY(!panel().isBusy());
        QVERIFY(!list().entries().empty());
        click("bus_a = 37 MHz");
        QCOMPARE(lookOf("bus_a = 37 MHz"), Chip::Look::hard);
        QTRY_VERIFY(!panel().isBusy());
        QVERIFY(list().entries().empty());
    }

    void aLimitIsLifted() {
        ask({"bus_a = 80 MHz", "core = 160 MHz"}); // at most 50 MHz
        QVERIFY(list().entries().empty());
        followLink("the limits of bus_a", "lift");
        QVERIFY(chip("the limits of bus_a").has_value());
        QTRY_VERIFY(!panel().isBusy());
        QVERIFY(!list().entries().empty());
        QVERIFY2(list().breaksText(0).contains("the limits of bus_a"), list().breaksText(0).toUtf8());
        click("the limits of bus_a");
        QVERIFY(!chip("the limits of bus_a"));
        QTRY_VERIFY(!panel().isBusy());
        QVERIFY(list().entries().empty());
    }

    /// Where nothing is fitted, what would do is named, and fitted by a click; then there are takes.
    void crystalsThatWouldDoAreOffered() {
        QVERIFY(document().begin("marram-20").empty());
        document().edit("supply", [](Plan& plan) { return setSupplySpan(plan, {3, 3, 3}); });
        ask({"core = 128 MHz within 0.1 %"});
        QVERIFY(panel().refusal()->isVisible());
        QVERIFY2(panel().refusal()->toPlainText().contains("Nothing is fitted for xtm"),
                 qPrintable(panel().refusal()->toPlainText()));
        clickLink(panel().refusal(), "crystal/0/0");
        QCOMPARE(document().plan().board.fitted.size(), std::size_t{1});
        QCOMPARE(document().plan().board.fitted.front().source, std::string("xtm"));
        QTRY_VERIFY_WITH_TIMEOUT(!panel().isBusy() && !list().entries().empty(), 20000);
        document().undo();
        QVERIFY(document().plan().board.fitted.empty());
    }
};

QTEST_MAIN(AppSeekFound)
#include "app_seek_found.moc"
