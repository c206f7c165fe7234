#include "seek_fixture.h"

#include "paint/controls.h"
#include "promises/promises_column.h"
#include "seek/found_plot.h"
#include "shell/ripple_panel.h"
#include "workings/workings_panel.h"

#include <QAbstractItemView>
#include <QCompleter>
#include <QLabel>
#include <QScrollBar>
#include <QTimer>
#include <QWindow>

#include <cmath>

using namespace wisetick;
using namespace wisetick::app;
using namespace wisetick::test;

/// What is asked of Seek in the window, and how it runs there.
class AppSeek : public SeekFixture {
    Q_OBJECT

private slots:
    void itOpensOverTheClocks() {
        window_->showView("sleep");
        QTest::keyClick(window_.get(), Qt::Key_K, Qt::ControlModifier);
        QVERIFY(panel().isVisible());
        QVERIFY(window_->find<ClocksView>()->isVisible());
        QVERIFY(panel().asked()->entry()->hasFocus());
        QVERIFY(!window_->ripplePanel()->isVisible());
        QVERIFY(panel().y() >= window_->find<ClocksView>()->viewport()->height() / 2);
        QTest::keyClick(panel().asked()->entry(), Qt::Key_Escape);
        QVERIFY(!panel().isVisible());
        QVERIFY(window_->ripplePanel()->isVisible());
        QVERIFY(window_->find<ClocksView>()->hasFocus());
    }

    void itLeavesWithTheClocks() {
        ask({"usb = 48 MHz"});
        window_->showView("board");
        QVERIFY(!panel().isVisible());
        QVERIFY(!window_->find<ClocksView>()->hasGhost());
    }

    /// A wish typed, taken by Enter, told in the ripple, taken back: all by keys.
    void fromAWishToATakeByKeysAlone() {
        ask({"bus_a = 32 MHz", "core = 160 MHz"});
        QVERIFY(!list().entries().empty());
        const FoundTake best = list().entries().front()->found;
        QTest::keyClick(panel().asked()->entry(), Qt::Key_Down);
        QVERIFY(list().hasFocus());
        QTest::keyClick(&list(), Qt::Key_Return);
        QVERIFY(!panel().isVisible());
        QCOMPARE(document().figures().findLine("bus_a")->hertz->nominal, Rational(32000000));
        QCOMPARE(document().figures().findLine("core")->hertz->nominal, Rational(160000000));
        QVERIFY(document().take() == best.take);
        QCOMPARE(document().lastEdit(), QString("seek: bus_a = 32 MHz, core = 160 MHz"));
        QVERIFY(window_->ripplePanel()->isVisible());
        QVERIFY(!document().moved().empty());
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier); // one edit
        QCOMPARE(document().figures().findLine("bus_a")->hertz->nominal, Rational(40000000));
        QVERIFY(!document().canUndo());
    }

    void whatIsWrongIsSaidUnderTheWord() {
        ask({});
        type(panel().asked()->entry(), "usd = 48 MHz");
        QVERIFY2(panel().asked()->trouble().contains("did you mean 'usb'"), panel().asked()->trouble().toUtf8());
        QCOMPARE(panel().asked()->entry()->text(), QString("usd = 48 MHz")); // it stays to be mended
        QTest::keyClick(panel().asked()->entry(), Qt::Key_Escape);
        QCOMPARE(panel().asked()->trouble(), QString());
        QVERIFY(panel().isVisible());
    }

    void whatMayStandThereIsOffered() {
        ask({});
        QLineEdit* entry = panel().asked()->entry();
        QTest::keyClicks(entry, "us");
        QCOMPARE(panel().asked()->completions(), QStringList{"usb"});
        QTest::keyClick(entry, Qt::Key_Down);
        QVERIFY(entry->completer()->popup()->isVisible());
        QTest::keyClick(entry->completer()->popup(), Qt::Key_Down);
        QTest::keyClick(entry->completer()->popup(), Qt::Key_Return);
        QCOMPARE(entry->text(), QString("usb"));
        QTest::keyClicks(entry, " = 48 MHz");
        QVERIFY(panel().asked()->completions().contains(" within 0.1 %"));
        QTest::keyClick(entry, Qt::Key_Return); // what is typed is meant, not what is offered
        QVERIFY(chip("usb = 48 MHz").has_value());
        QTest::keyClicks(entry, "mode");
        QCOMPARE(panel().asked()->completions(), QStringList{"modem, a promise"});
        QTRY_VERIFY(!panel().isBusy());
    }

    void wrongLines_data() {
        QTest::addColumn<QString>("line");
        QTest::addColumn<QString>("said");
        QTest::newRow("no rate") << "usb = fast"
                                 << "'fast'";
        QTest::newRow("zero") << "usb = 0 Hz"
                              << "above 0";
        QTest::newRow("nothing may change") << "only"
                                            << "nothing that may change";
        QTest::newRow("no such line may change") << "only usd may change"
                                                 << "did you mean 'usb'";
        QTest::newRow("an oscillator of the part") << "rcf of 8 MHz"
                                                   << "is in the part";
        QTest::newRow("no crystal") << "xtm of 8 apples"
                                    << "apples";
    }
    void wrongLines() {
        QFETCH(QString, line);
        QFETCH(QString, said);
        SeekQuestion question;
        const auto error = question.enter(line.toStdString(), document().part());
        QVERIFY(error.has_value());
        QVERIFY2(QString::fromStdString(sayText(*error)).contains(said), sayText(*error).c_str());
        QVERIFY(error->position <= line.toStdString().size());
        QVERIFY(question.isEmpty() && question.mayChange().empty() && !question.crystal());
    }

    void linesOfEveryKindAreTaken() {
        ask({"only bus_a, usb may change", "xtm of 8 MHz, 12 MHz", "bus_a at least 20 MHz, if possible", "modem"});
        const Question question = panel().asked()->question();
        QCOMPARE(question.mayChange, (std::vector<std::string>{"bus_a", "usb"}));
        QCOMPARE(question.crystal->rates, (std::vector<Rational>{8000000, 12000000}));
        QVERIFY(question.wishes.size() == 1 && question.wishes.front().isSoft);
        QCOMPARE(lookOf("bus_a at least 20 MHz"), Chip::Look::soft);
        QCOMPARE(lookOf("modem"), Chip::Look::hard);
        QVERIFY(chip("xtm: any of 2 rates").has_value());
        const auto scope = chip("usb");
        QVERIFY(scope.has_value());
        chips().select(*scope);
        chips().setFocus();
        QTest::keyClick(&chips(), Qt::Key_Delete);
        QCOMPARE(panel().asked()->question().mayChange, std::vector<std::string>{"bus_a"});
    }

    /// Kept promises are hard at first, broken ones if possible.
    void promisesHaveTheirStanding() {
        ask({});
        QCOMPARE(lookOf("link"), Chip::Look::hard);
        QCOMPARE(lookOf("modem"), Chip::Look::soft);
        QCOMPARE(lookOf("budget"), Chip::Look::hard); // an average, which is known once the jobs are played
        click("link");
        QCOMPARE(lookOf("link"), Chip::Look::soft);
        click("link");
        QCOMPARE(lookOf("link"), Chip::Look::aside);
        const auto names = promiseNames(document().plan());
        for (const SoughtPromise& promise : panel().asked()->question().promises) {
            QVERIFY(names[promise.index] != "link");
        }
        click("link");
        QCOMPARE(lookOf("link"), Chip::Look::hard);
        QTRY_VERIFY(!panel().isBusy());
    }

    void chipsByKeys() {
        ask({"usb = 48 MHz", "core = 160 MHz"});
        chips().setFocus();
        QTest::keyClick(&chips(), Qt::Key_Home);
        QTest::keyClick(&chips(), Qt::Key_Space);
        QCOMPARE(lookOf("usb = 48 MHz"), Chip::Look::soft);
        QTest::keyClick(&chips(), Qt::Key_Right);
        QTest::keyClick(&chips(), Qt::Key_Return); // into the entry, to be changed
        QCOMPARE(panel().asked()->entry()->text(), QString("core = 160 MHz"));
        QVERIFY(panel().asked()->entry()->hasFocus());
        panel().asked()->entry()->clear();
        type(panel().asked()->entry(), "core at most 120 MHz");
        QVERIFY(!chip("core = 160 MHz"));
        QVERIFY(chip("core at most 120 MHz").has_value());
        chips().setFocus();
        chips().select(*chip("core at most 120 MHz"));
        QTest::keyClick(&chips(), Qt::Key_Delete);
        QVERIFY(!chip("core at most 120 MHz"));
        QTest::keyClick(&chips(), Qt::Key_Down); // a line further: the promises
        QCOMPARE(chips().selected()->group, std::size_t(1));
        QTRY_VERIFY(!panel().isBusy());
    }

    void preferencesAreDragged() {
        ask({"core at most 160 MHz"});
        const auto& prefers = panel().asked()->asked().prefers();
        QCOMPARE(prefers[0].preference, Preference::changes);
        chips().select(*chip("few changes"));
        const QPoint from = chips().chipRect(*chip("few changes")).center().toPoint();
        const QPoint to = chips().chipRect(*chip("little current")).center().toPoint();
        QTest::mousePress(chips().viewport(), Qt::LeftButton, {}, from);
        QMouseEvent move(QEvent::MouseMove, to, chips().viewport()->mapToGlobal(to), Qt::NoButton, Qt::LeftButton, {});
        QApplication::sendEvent(chips().viewport(), &move);
        QTest::mouseRelease(chips().viewport(), Qt::LeftButton, {}, to);
        QCOMPARE(prefers[0].preference, Preference::current);
        QCOMPARE(prefers[1].preference, Preference::changes);
        QVERIFY(prefers[0].isUsed && prefers[1].isUsed); // a drag is no click
        QTRY_VERIFY(!panel().isBusy());
        const auto& entries = list().entries(); // and the search follows
        const SeekResult result =
            seek(document().part(), document().plan(), document().plan().active, panel().asked()->question());
        QVERIFY(entries.front()->found == result.found.front());
        chips().setFocus();
        chips().select(*chip("little current"));
        QTest::keyClick(&chips(), Qt::Key_Right, Qt::ControlModifier);
        QCOMPARE(prefers[1].preference, Preference::current);
        QTest::keyClick(&chips(), Qt::Key_Space);
        QCOMPARE(panel().asked()->question().prefers, std::vector<Preference>{Preference::changes});
        QTRY_VERIFY(!panel().isBusy());
    }

    void clocksAndPromisesAreDroppedIn() {
        ask({});
        drop(at("line/bus_b"));
        QVERIFY(chip("bus_b = 80 MHz").has_value());
        drop(at("promise/modem"));
        QCOMPARE(lookOf("modem"), Chip::Look::hard);
        QTRY_VERIFY(!panel().isBusy());
        const std::unique_ptr<QMimeData> other(new QMimeData);
        other->setText("usb");
        QDragEnterEvent enter({20, 20}, Qt::CopyAction, other.get(), Qt::LeftButton, {});
        QApplication::sendEvent(chips().viewport(), &enter);
        QVERIFY(!enter.isAccepted());
    }

    /// A row and a card are really dragged over the chips and let go there.
    void rowsAndCardsAreDragged() {
        if (QGuiApplication::platformName() == "offscreen") {
            QSKIP("nothing can be dragged without a display");
        }
        ask({});
        QWindow* window = window_->windowHandle();
        const QPoint over = chips().viewport()->mapTo(window_.get(), QPoint(30, 30));
        const auto drag = [&](QWidget* viewport, const QPoint& from) {
            const QPoint start = viewport->mapTo(window_.get(), from);
            QTimer::singleShot(0, window, [=] { QTest::mouseMove(window, over - QPoint(4, 4)); });
            QTimer::singleShot(60, window, [=] { QTest::mouseMove(window, over); });
            QTimer::singleShot(120, window, [=] { QTest::mouseRelease(window, Qt::LeftButton, {}, over); });
            QTest::mousePress(window, Qt::LeftButton, {}, start);
            QTest::mouseMove(window,
                             start + QPoint(QApplication::startDragDistance() + 4, 0)); // does not come back until it is let go
            QTest::qWait(200);
        };
        ClocksView* clocks = window_->find<ClocksView>();
        const QRectF row = clocks->layoutOfRows().rowRect(*clocks->layoutOfRows().rowOf(*document().part().findNode("pll_a")));
        const int y = static_cast<int>(row.top() + 6) - clocks->verticalScrollBar()->value();
        drag(clocks->viewport(), {60, y});
        QVERIFY(chip("pll_a = 160 MHz").has_value());
        QVERIFY(!document().canUndo()); // the row itself stays
        const auto names = promiseNames(document().plan());
        const auto modem = static_cast<std::size_t>(std::find(names.begin(), names.end(), "modem") - names.begin());
        QCOMPARE(lookOf("modem"), Chip::Look::soft);
        drag(window_->promises()->cards()->viewport(), window_->promises()->cards()->cardRect(modem).center());
        QCOMPARE(lookOf("modem"), Chip::Look::hard);
        QTRY_VERIFY(!panel().isBusy());
    }

    void aClockIsWishedByKey() {
        settle();
        window_->find<ClocksView>()->select("bus_b");
        QTest::keyClick(window_.get(), Qt::Key_K, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(chip("bus_b = 80 MHz").has_value());
        QTRY_VERIFY(!panel().isBusy());
    }

    void locksAreShownAndLifted() {
        ask({"pll_b = 40 MHz", "core = 160 MHz"}); // the divider is locked at 10
        QCOMPARE(lookOf("pll_b.divide"), Chip::Look::locked);
        QVERIFY(list().entries().empty());
        click("link"); // it wants 48 MHz
        click("link");
        QTRY_VERIFY(!panel().isBusy());
        QVERIFY(list().entries().empty());
        click("pll_b.divide");
        QCOMPARE(lookOf("pll_b.divide"), Chip::Look::aside);
        QTRY_VERIFY(!panel().isBusy());
        QVERIFY(!list().entries().empty());
        QVERIFY2(list().changesText(0).contains("pll_b"), list().changesText(0).toUtf8());
        QVERIFY2(list().breaksText(0).contains("link"), list().breaksText(0).toUtf8());
        click("pll_b.divide");
        QCOMPARE(lookOf("pll_b.divide"), Chip::Look::locked);
        QTRY_VERIFY(list().entries().empty() && !panel().isBusy());
    }

    void whichCrystal() {
        ask({"core = 96 MHz", "usb = 48 MHz"});
        for (const char* name : {"core", "log"}) {
            click(name);
            click(name);
        }
        click("xtm: as fitted");
        QTRY_VERIFY(!panel().isBusy());
        QVERIFY(!list().entries().empty());
        QVERIFY(panel().asked()->question().crystal->rates.size() > 10);
        const auto& entries = list().entries();
        const auto other = std::find_if(entries.begin(), entries.end(), [](const auto& each) {
            return each->found.crystal && each->found.crystal->rate != 20000000;
        });
        QVERIFY(other != entries.end());
        const auto index = static_cast<std::size_t>(other - entries.begin());
        QVERIFY(list().changesText(index).startsWith("xtm of "));
        const Rational rate = (*other)->found.crystal->rate;
        list().select(index);
        list().setFocus();
        QTest::keyClick(&list(), Qt::Key_Return);
        QCOMPARE(findFitted(document().plan().board, "xtm")->rate, rate);
    }

    /// A rate that its row can't reach opens Seek with it, and the row keeps the keys.
    void aTypedRateIsSought() {
        settle();
        typeControl("bus_a", "32M"); // this it can
        QVERIFY(window_->find<SeekPanel>() == nullptr);
        document().undo();
        typeControl("bus_a", "48M");
        QVERIFY(window_->find<SeekPanel>() != nullptr && panel().isVisible());
        QVERIFY(chip("bus_a = 48 MHz").has_value());
        QVERIFY(window_->find<ClocksView>()->editor()->hasFocus());
        QVERIFY(window_->find<ClocksView>()->trouble()->isVisible()); // with the nearest that it can
        QApplication::processEvents();
        QVERIFY(window_->find<ClocksView>()->editor()->isVisible());
        const QRectF row = window_->find<ClocksView>()->layoutOfRows().rowRect(
            *window_->find<ClocksView>()->layoutOfRows().rowOf(*document().part().findNode("bus_a")));
        const QRect viewport = window_->find<ClocksView>()->viewport()->rect();
        QVERIFY(viewport.contains(window_->find<ClocksView>()->editor()->geometry()));
        QVERIFY(std::abs(window_->find<ClocksView>()->editor()->y() - row.top() +
                         window_->find<ClocksView>()->verticalScrollBar()->value()) < 4);
        QTRY_VERIFY(!panel().isBusy());
        QTest::keyClick(window_->find<ClocksView>()->editor(), Qt::Key_Return); // again: it is meant
        QVERIFY(!window_->find<ClocksView>()->editor()->isVisible());
        QVERIFY(list().hasFocus() || panel().refusal()->hasFocus());
        QTest::keyClick(QApplication::focusWidget(), Qt::Key_Escape);
        QVERIFY(!panel().isVisible());
    }

    void aBrokenPromiseIsSought() {
        settle();
        window_->promises()->cards()->select("modem");
        QTRY_VERIFY(window_->workings()->toPlainText().contains("seek a take that keeps it"));
        window_->workings()->setFocus();
        for (int tabs = 0; tabs < 40 && window_->workings()->textCursor().selectedText() != "seek a take that keeps it"; ++tabs) {
            QTest::keyClick(window_->workings(), Qt::Key_Tab);
        }
        QTest::keyClick(window_->workings(), Qt::Key_Return);
        QVERIFY(window_->find<SeekPanel>() != nullptr && panel().isVisible());
        QCOMPARE(lookOf("modem"), Chip::Look::hard);
        QTRY_VERIFY(!panel().isBusy());
        QVERIFY(!list().entries().empty());
        QTest::mouseClick(panel().takeButton(), Qt::LeftButton);
        QCOMPARE(stateOf("modem"), State::kept);
        for (const PromiseFigure& promise : document().figures().promises) {
            QVERIFY2(promise.state != State::broken, promise.name.c_str());
        }
        // kept, there is nothing to be sought
        window_->promises()->cards()->select("modem");
        QTest::qWait(200);
        QVERIFY(!window_->workings()->toPlainText().contains("seek a take"));
    }

    void itFollowsThePlan() {
        ask({"bus_a = 32 MHz"});
        const FoundEntries before = list().entries();
        document().edit("core slower", changing([](Plan& plan) { choiceOf(plan, plan.active, "pll_a").divide = Rational(6); }));
        QTRY_VERIFY(!panel().isBusy() && !(list().entries() == before));
        for (const auto& entry : list().entries()) {
            QCOMPARE(entry->figures.figures.findLine("bus_a")->hertz->nominal, Rational(32000000));
        }
        document().edit(
            "usb pinned", changing([](Plan& plan) {
                plan.promises.push_back({"slow: bus_b runs at most 80 MHz", *readPromiseLine("slow: bus_b runs at most 80 MHz")});
            }));
        QVERIFY(chip("slow").has_value());
        document().undo();
        QVERIFY(!chip("slow"));
        QTRY_VERIFY(!panel().isBusy());
    }

    void nothingIsAsked() {
        document().edit("no promises", changing([](Plan& plan) { plan.promises.clear(); }));
        settle();
        QTest::keyClick(window_.get(), Qt::Key_K, Qt::ControlModifier);
        QVERIFY(!panel().isBusy());
        QVERIFY(list().entries().empty());
        QCOMPARE(panel().foot(), QString());
        QVERIFY(!panel().takeButton()->isEnabled());
        QTest::keyClick(panel().asked()->entry(), Qt::Key_Return); // to the answers, of which there are none
        QVERIFY(list().hasFocus());
        QTest::keyClick(&list(), Qt::Key_Return);
        QVERIFY(!document().canRedo());
        QVERIFY(panel().isVisible());
    }

    /// A search that takes seconds: it tells how far it is, the keys go on, and it is cancelled.
    void itRunsBesideTheKeys() {
        openExample("spindle-balancer");
        settle();
        QTest::keyClick(window_.get(), Qt::Key_K, Qt::ControlModifier);
        QTRY_VERIFY(panel().progress().contains("routes done"));
        QVERIFY(panel().isBusy());
        QVERIFY(panel().cancelButton()->isVisible());
        const QString wish = QString::fromStdString(document().part().nodeId(document().part().core)) + " at least 1 MHz";
        QTest::keyClicks(panel().asked()->entry(), wish.left(8));
        QCOMPARE(panel().asked()->entry()->text(), wish.left(8));
        QVERIFY(panel().isBusy());
        QTest::mouseClick(panel().cancelButton(), Qt::LeftButton);
        QVERIFY(!panel().isBusy());
        QVERIFY(!panel().cancelButton()->isVisible());
        QVERIFY(!list().entries().empty() ? panel().foot().startsWith("Cancelled") : true);
        // what is asked next is searched again
        QVERIFY(list().hasFocus()); // the button that had it is gone
        panel().asked()->entry()->setFocus();
        QTest::keyClick(panel().asked()->entry(), Qt::Key_End);
        QTest::keyClicks(panel().asked()->entry(), wish.mid(8));
        QTest::keyClick(panel().asked()->entry(), Qt::Key_Return);
        QCOMPARE(panel().asked()->trouble(), QString());
        QVERIFY(panel().isBusy());
    }

    void theWindowClosesWhileItRuns() {
        openExample("spindle-balancer");
        settle();
        QTest::keyClick(window_.get(), Qt::Key_K, Qt::ControlModifier);
        QTest::qWait(50);
        QVERIFY(panel().isBusy());
        window_->close(); // and is taken down right after this
        QVERIFY(!window_->isVisible());
    }

    void anotherPlanIsOpened() {
        ask({"usb = 48 MHz", "bus_a = 32 MHz"});
        openExample("spindle-balancer");
        settle();
        for (const auto& each : panel().asked()->asked().wishes()) { // of lines that it has
            QVERIFY(document().part().findNode(each.wish.line).has_value());
        }
        QTest::keyClick(&list(), Qt::Key_Escape);
        QVERIFY(!panel().isBusy());
    }

    /// With a font a third larger everything still has its place.
    void nothingIsCut() {
        const QFont before = QApplication::font();
        QFont larger = before;
        larger.setPointSizeF(before.pointSizeF() * 4 / 3);
        QApplication::setFont(larger);
        ask({"usb = 48 MHz", "core at most 160 MHz"});
        QApplication::processEvents();
        for (QWidget* each : {static_cast<QWidget*>(panel().takeButton()), static_cast<QWidget*>(panel().newButton()),
                              static_cast<QWidget*>(panel().closeButton()), static_cast<QWidget*>(panel().asked()->entry())}) {
            QVERIFY(each->width() >= each->sizeHint().width() || each == panel().asked()->entry());
            QVERIFY(panel().rect().contains(QRect(each->mapTo(&panel(), QPoint()), each->size())));
        }
        QVERIFY(list().viewport()->height() > 100);
        QVERIFY(window_->rect().contains(QRect(panel().mapTo(window_.get(), QPoint()), panel().size())));
        for (std::size_t group = 0; group < chips().groups().size(); ++group) {
            for (std::size_t i = 0; i < chips().groups()[group].chips.size(); ++i) {
                const QRectF rect = chips().chipRect({group, i});
                QVERIFY(rect.left() >= 0 && rect.right() <= chips().viewport()->width());
            }
        }
        QApplication::setFont(before);
    }
};

QTEST_MAIN(AppSeek)
#include "app_seek.moc"
