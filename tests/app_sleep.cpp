#include "plan/job_line.h"
#include "promises/promises_column.h"
#include "rhythm/lanes.h"
#include "rhythm/rhythm_view.h"
#include "sleep/sleep_view.h"
#include "window_fixture.h"
#include "workings/workings_panel.h"

#include <QLineEdit>
#include <QScrollBar>

using namespace wisetick;
using namespace wisetick::test;

/// The views Sleep and Rhythm, by keys and by mouse.
class AppSleep : public WindowFixture {
    Q_OBJECT

private:
    SleepView* sleep() {
        window_->showView("sleep");
        return window_->find<SleepView>();
    }
    RhythmView* rhythm() {
        window_->showView("rhythm");
        return window_->find<RhythmView>();
    }
    QString restsIn() { return QString::fromStdString(document().take().restsIn); }
    const Job& job(std::size_t index) { return document().plan().jobs[index]; }

    std::size_t rowOf(const QString& name, const QString& hint = {}) {
        const auto& rows = sleep()->matrix().rows;
        for (std::size_t i = 0; i < rows.size(); ++i) {
            if (rows[i].name == name && (hint.isEmpty() || rows[i].hint == hint)) {
                return i;
            }
        }
        return rows.size();
    }

    static QPoint middle(const QRectF& rect) { return rect.center().toPoint(); }

private slots:
    void theMatrixTellsWhatLives() {
        settle();
        const ModeMatrix& matrix = sleep()->matrix();
        QCOMPARE(matrix.modes, (std::vector<QString>{"run", "idle", "snooze", "deep", "off"}));
        QCOMPARE(matrix.says[3], QString("rests here"));
        const auto kinds = [&](std::size_t row) {
            QString text;
            for (const ModeCell& cell : matrix.rows[row].cells) {
                text += cell.kind == ModeCell::Kind::lives    ? 'x'
                        : cell.kind == ModeCell::Kind::unused ? 'o'
                        : cell.kind == ModeCell::Kind::none   ? '-'
                                                              : 't';
            }
            return text;
        };
        QCOMPARE(kinds(rowOf("xtm")), QString("xx---"));
        QCOMPARE(kinds(rowOf("rcf")), QString("ooo--"));
        QCOMPARE(kinds(rowOf("main")), QString("xxxx-"));
        QCOMPARE(kinds(rowOf("modem")), QString("xx---"));
        QCOMPARE(kinds(rowOf("feed")), QString("xxxx-"));
        QCOMPARE(kinds(rowOf("uart1")), QString("-tt--"));
        QCOMPARE(matrix.rows[rowOf("draws", "typically")].cells[3].text, QString::fromUtf8("\u224818.870 \u00b5A"));
    }

    /// Right, right, Enter: it rests in the mode that is selected, and the ripple says so; Ctrl+Z takes it back.
    void restingByKeys() {
        settle();
        SleepView* view = sleep();
        QCOMPARE(view->selected(), QString("deep"));
        QTest::keyClick(view, Qt::Key_Right);
        QCOMPARE(view->selected(), QString("off"));
        QVERIFY(window_->workings()->toPlainText().contains("Before it rests"));
        QTest::keyClick(view, Qt::Key_Return);
        QCOMPARE(restsIn(), QString("off"));
        settle();
        QVERIFY(!document().moved().empty());
        QTest::keyClick(view, Qt::Key_Left);
        QTest::keyClick(view, Qt::Key_Left);
        QCOMPARE(view->selected(), QString("snooze"));
        document().undo();
        QCOMPARE(restsIn(), QString("deep"));
        QTest::keyClick(view, Qt::Key_Down);
        const std::size_t row = view->selectedRow();
        QTest::keyClick(view, Qt::Key_Up);
        QCOMPARE(view->selectedRow(), row - 1);
        QVERIFY(view->accessibleDescription().startsWith("snooze, xtm"));
    }

    /// The workings of a mode offer what would wake it sooner; trying it is an edit.
    void sooner() {
        settle();
        sleep();
        WorkingsPanel* workings = window_->workings();
        QTRY_VERIFY_WITH_TIMEOUT(workings->toPlainText().contains("Ways to wake sooner"), 5000);
        QVERIFY(workings->toPlainText().contains("all holds again after"));
        const QString html = workings->toHtml();
        QVERIFY(html.contains("try/0"));
        clickLink(workings, "try/0");
        QVERIFY(document().canUndo());
        QVERIFY(document().figures().vitals.worstWakeUp->max < exact("3.115e-3"));
    }

    /// Twelve modes and forty rows: the names and heads stay, the rest scrolls.
    void manyModesScroll() {
        std::string part = marramText();
        const std::size_t first = part.find("[[mode]]\nid = \"snooze\"");
        const std::size_t next = part.find("[[mode]]", first + 8);
        const std::string mode = part.substr(first, next - first);
        for (int i = 0; i < 7; ++i) {
            part.insert(next, replaced(mode, "id = \"snooze\"", "id = \"snooze" + std::to_string(i) + "\""));
        }
        const PartFile read = readPart(part, "part");
        QVERIFY2(read.part.has_value(), lines(read.diagnostics).c_str());
        Plan plan = document().plan();
        for (int i = 0; i < 30; ++i) {
            const std::string line = "p" + std::to_string(i) + ": uart2 talks " + std::to_string(9600 + i);
            plan.promises.push_back({line, readPromiseLine(line, &*read.part).value()});
        }
        document().show(*read.part, plan);
        SleepView* view = sleep();
        window_->resize(1280, 800);
        QApplication::processEvents();
        QCOMPARE(view->matrix().modes.size(), std::size_t{12});
        QVERIFY(view->matrix().rows.size() >= 40);
        QVERIFY(view->horizontalScrollBar()->maximum() > 0);
        for (int i = 0; i < 12; ++i) {
            QTest::keyClick(view, Qt::Key_Right);
        }
        QCOMPARE(view->selected(), QString("off"));
        QVERIFY(view->headRect(11).right() <= view->viewport()->width() + 1);
        QVERIFY(view->headRect(0).right() < 200); // moved out to the left, under the names
        for (int i = 0; i < 50; ++i) {
            QTest::keyClick(view, Qt::Key_Down);
        }
        const QRectF cell = view->cellRect(view->selectedRow(), 11);
        QVERIFY(cell.top() >= view->headRect(0).height() - 1 && cell.bottom() <= view->viewport()->height() + 1);
        view->grab();
        document().keep();
    }

    /// A title between the rows has no cells: what is pressed or clicked there is meant for the row below.
    void titlesHoldNoCells() {
        for (const char* example : {"orchard-sprayer", "spindle-balancer", "river-gauge"}) {
            openExample(example);
            SleepView* view = sleep();
            for (int y = 3; y < view->viewport()->height(); y += 12) {
                for (const int x : {12, view->viewport()->width() / 2}) {
                    QTest::mouseClick(view->viewport(), Qt::LeftButton, {}, {x, y});
                    QTest::keyClick(view, Qt::Key_Left);
                    QTest::keyClick(view, Qt::Key_Right);
                }
            }
            QTest::keyClick(view, Qt::Key_Home);
            QVERIFY(!view->accessibleDescription().isEmpty());
        }
    }

    void restingByMouse() {
        settle();
        SleepView* view = sleep();
        QTest::mouseClick(view->viewport(), Qt::LeftButton, {}, middle(view->headRect(1)));
        QCOMPARE(view->selected(), QString("idle"));
        QTest::mouseDClick(view->viewport(), Qt::LeftButton, {}, middle(view->headRect(1)));
        QCOMPARE(restsIn(), QString("idle"));
        settle();
        // a row of a promise selects it
        const std::size_t modem = rowOf("modem");
        QTest::mouseClick(view->viewport(), Qt::LeftButton, {}, middle(view->cellRect(modem, 2)));
        QCOMPARE(view->selected(), QString("snooze"));
        QCOMPARE(window_->promises()->cards()->selected(), QString("modem"));
        // the band of off below: two clicks rest there
        view->verticalScrollBar()->setValue(view->verticalScrollBar()->maximum());
        const std::size_t picture = view->pictures().size() - 2;
        const QRectF area = view->pictureRect(picture);
        const std::size_t last = view->bands().size() - 1;
        QTest::mouseDClick(view->viewport(), Qt::LeftButton, {}, middle(restBandRect(area, view->bands(), view->jobs(), last)));
        QCOMPARE(restsIn(), QString("off"));
    }

    /// Of a sleep mode four pictures: waking, temperature, rest lengths, draws; of run, which is not woken from, three.
    void picturesOfAMode() {
        settle();
        SleepView* view = sleep();
        QCOMPARE(view->pictures().size(), std::size_t{4});
        QCOMPARE(view->pictures()[0].title, QString("Waking from deep"));
        QCOMPARE(view->pictures()[1].title, QString("What deep draws over temperature"));
        view->select("run");
        QCOMPARE(view->pictures().size(), std::size_t{3});
        view->grab();
        openExample("door-sensor");
        settle();
        view->select("doze");
        QCOMPARE(view->pictures()[2].title, QString("What doze draws over the supply"));
    }

    /// A click on what draws strikes it out, a second one brings it back.
    void whatIsLeftOutSaves() {
        settle();
        SleepView* view = sleep();
        view->verticalScrollBar()->setValue(view->verticalScrollBar()->maximum());
        const auto bar = [&](std::size_t index) {
            return middle(drawBarRect(view->pictureRect(view->pictures().size() - 1), index));
        };
        QTest::mouseClick(view->viewport(), Qt::LeftButton, {}, bar(0));
        QCOMPARE(view->without(), std::vector<std::string>{"base of deep"});
        QVERIFY2(view->pictures().back().hint.contains(QString::fromUtf8("13 \u00b5A less: 5.87 \u00b5A")),
                 qPrintable(view->pictures().back().hint));
        QTest::mouseClick(view->viewport(), Qt::LeftButton, {}, bar(0));
        QVERIFY(view->without().empty());
    }

    void optionsAreChanged() {
        openExample("door-sensor");
        settle();
        SleepView* view = sleep();
        QCOMPARE(view->selected(), QString("doze"));
        const std::size_t flash = rowOf("flash");
        QCOMPARE(view->matrix().rows[flash].cells[2].text, QString("off"));
        view->verticalScrollBar()->setValue(0);
        QTest::mouseClick(view->viewport(), Qt::LeftButton, {}, middle(view->cellRect(flash, 2)));
        QTest::keyClick(view, Qt::Key_Return);
        QVERIFY(document().take().modes.empty()); // at reset
        QCOMPARE(view->matrix().rows[flash].cells[2].text, QString("on"));
        QTest::mouseClick(view->viewport(), Qt::LeftButton, {}, middle(view->cellRect(flash, 2)));
        QCOMPARE(document().take().modes.size(), std::size_t{1});
        QCOMPARE(document().take().modes[0].value, std::string("off"));
    }

    /// The heads stay where the rows are scrolled, and nothing is cut at any width.
    void nothingIsCut() {
        settle();
        SleepView* view = sleep();
        for (const QSize& size : {QSize(900, 560), QSize(1280, 800), QSize(2560, 1440)}) {
            window_->resize(size);
            QApplication::processEvents();
            view->verticalScrollBar()->setValue(view->verticalScrollBar()->maximum());
            QCOMPARE(view->headRect(0).top(), 0.0);
            QVERIFY(view->headRect(4).right() <= view->viewport()->width() + view->horizontalScrollBar()->maximum() + 1);
            const QRectF last = view->pictureRect(view->pictures().size() - 1);
            QVERIFY(last.bottom() <= view->viewport()->height() + 1);
            view->grab();
        }
    }

    void vitalsLeadThere() {
        settle();
        window_->goTo(at("mode/deep"));
        QCOMPARE(window_->find<SleepView>()->selected(), QString("deep"));
        window_->goTo(at("rhythm/life"));
        QVERIFY(window_->find<RhythmView>()->isVisible());
        window_->goTo(at("job/feed"));
        QCOMPARE(window_->find<RhythmView>()->selectedLane(), std::size_t{2});
        QVERIFY(window_->workings()->toPlainText().contains("share of the charge"));
    }

    /// A job is typed as a line; what is wrong is said at the word and nothing is lost.
    void aJobIsTyped() {
        settle();
        RhythmView* view = rhythm();
        QTest::keyClick(view, Qt::Key_Insert);
        QVERIFY(view->line()->isVisible());
        view->line()->setText("blink: every 3 bananas for 2 ms");
        QTest::keyClick(view->line(), Qt::Key_Return);
        QVERIFY(view->line()->isVisible());
        QVERIFY2(view->fault().contains("has no unit"), qPrintable(view->fault()));
        QCOMPARE(view->line()->selectedText(), QString("3"));
        view->line()->setText("blink: every 3 s for 2 ms, in take Z");
        QTest::keyClick(view->line(), Qt::Key_Return);
        QVERIFY2(view->fault().contains("no take 'Z'"), qPrintable(view->fault()));
        view->line()->setText("blink: every 3 s for 2 ms, draws 5 mA");
        QTest::keyClick(view->line(), Qt::Key_Return);
        QVERIFY(!view->line()->isVisible());
        QCOMPARE(document().plan().jobs.size(), std::size_t{4});
        QCOMPARE(job(3).draws, exact("5e-3"));
        QCOMPARE(view->selectedLane(), std::size_t{3});
        settle();
        // Enter edits it, who follows it keeps following
        QTest::keyClick(view, Qt::Key_Return);
        view->line()->setText("flash: every 4 s for 2 ms");
        QTest::keyClick(view->line(), Qt::Key_Return);
        QCOMPARE(job(3).name, std::string("flash"));
        QTest::keyClick(view, Qt::Key_Delete);
        QCOMPARE(document().plan().jobs.size(), std::size_t{3});
        QTest::keyClick(view, Qt::Key_Return);
        QTest::keyClick(view->line(), Qt::Key_Escape);
        QVERIFY(!view->line()->isVisible());
        document().undo();
        document().undo();
        document().undo();
        QCOMPARE(document().plan().jobs.size(), std::size_t{3});
        QVERIFY(!document().canUndo());
    }

    /// What a new job's line begins with is an example: whoever types without looking types over it.
    void typingReplacesTheExample() {
        settle();
        RhythmView* view = rhythm();
        QTest::keyClick(view, Qt::Key_Insert);
        QTest::keyClicks(view->line(), "listen every 10 min for 2 s, draws 5 mA");
        QTest::keyClick(view->line(), Qt::Key_Return);
        QVERIFY2(!view->line()->isVisible(), qPrintable(view->fault()));
        QCOMPARE(printJobLine(document().plan().jobs.back()), std::string("listen: every 10 min for 2 s, draws 5 mA"));
    }

    /// A press elsewhere takes what was typed; where that is wrong it stays, and what was not touched goes.
    void whatIsTypedIsNotLost() {
        settle();
        RhythmView* view = rhythm();
        const auto press = [&] { QTest::mouseClick(view->viewport(), Qt::LeftButton, {}, middle(view->laneRect(0))); };
        QTest::keyClick(view, Qt::Key_Insert);
        press();
        QVERIFY(!view->line()->isVisible());
        QCOMPARE(document().plan().jobs.size(), std::size_t{3});
        QTest::keyClick(view, Qt::Key_Insert);
        QTest::keyClicks(view->line(), "listen: every 10 min for 2 s");
        press();
        QVERIFY(!view->line()->isVisible());
        QCOMPARE(document().plan().jobs.size(), std::size_t{4});
        settle();
        QTest::keyClick(view, Qt::Key_Insert);
        QTest::keyClicks(view->line(), "look: every 10 min for ever");
        press();
        QVERIFY(view->line()->isVisible() && !view->fault().isEmpty());
        QCOMPARE(view->line()->text(), QString("look: every 10 min for ever"));
        QCOMPARE(document().plan().jobs.size(), std::size_t{4});
    }

    /// A job's share of the charge has the colour of its lane.
    void sharesHaveTheColoursOfTheirLanes() {
        document().edit("all draw much", changing([](Plan& plan) {
                            for (Job& job : plan.jobs) {
                                job.draws = job.every / (job.lasts ? *job.lasts : exact("1e-3")) / 100000;
                            }
                        }));
        settle();
        RhythmView* view = rhythm();
        const RhythmFigure& figure = *document().figures().rhythm;
        const QImage image = view->viewport()->grab().toImage();
        const auto& jobs = document().plan().jobs;
        std::size_t compared = 0;
        for (std::size_t i = 0; i < figure.shares.size(); ++i) {
            const QRectF piece = shareRect(figure, view->pictureRect(0), i);
            const auto job = std::find_if(jobs.begin(), jobs.end(),
                                          [&](const Job& each) { return figure.shares[i].target == Target::job(each.name); });
            if (job == jobs.end() || piece.width() < 4) {
                continue;
            }
            const QColor stands = image.pixelColor(QPointF(piece.center().x(), piece.top() + 3).toPoint());
            QCOMPARE(stands.name(), laneColour(static_cast<std::size_t>(job - jobs.begin()), lightTheme()).name());
            ++compared;
        }
        QVERIFY(compared >= 2);
    }

    void aJobThatIsFollowedStays() {
        document().edit("follower", changing([](Plan& plan) {
                            Job after;
                            after.name = "tail";
                            after.after = "report";
                            after.lasts = 1;
                            plan.jobs.push_back(after);
                        }));
        settle();
        RhythmView* view = rhythm();
        view->selectLane(0);
        QTest::keyClick(view, Qt::Key_Delete);
        QCOMPARE(document().plan().jobs.size(), std::size_t{4});
        QVERIFY(view->fault().contains("follows this one; change that one first"));
    }

    /// A run is dragged by its body, by its end, and with Shift; the edit comes when it is let go.
    void lanesAreDragged() {
        settle();
        RhythmView* view = rhythm();
        view->showTime(0, 60);
        QApplication::processEvents();
        const auto at = [&](double time) {
            return QPoint(static_cast<int>(view->axis().at(time)), static_cast<int>(view->laneRect(0).center().y()));
        };
        const auto drag = [&](const QPoint& from, const QPoint& to, Qt::KeyboardModifiers keys = {}) {
            QTest::mousePress(view->viewport(), Qt::LeftButton, keys, from);
            QTest::mouseMove(view->viewport(), (from + to) / 2);
            QTest::mouseMove(view->viewport(), to);
            QTest::mouseRelease(view->viewport(), Qt::LeftButton, keys, to);
        };
        const auto runs = view->shownRuns(0);
        QCOMPARE(runs.size(), std::size_t{1});
        drag(at(runs[0].first + 2), at(runs[0].first + 12));
        QVERIFY2(abs(job(0).phase - 10) < 1, job(0).phase.toString().c_str());
        settle();
        const Run moved = view->shownRuns(0).front();
        drag(at(moved.second), at(moved.second + 5));
        QVERIFY2(abs(*job(0).lasts - exact("9.4")) < 1, job(0).lasts->toString().c_str());
        settle();
        view->showTime(0, 1500);
        const auto many = view->shownRuns(0);
        QVERIFY(many.size() >= 2);
        drag(at(many[1].first + 3), at(many[1].first + 203), Qt::ShiftModifier);
        QVERIFY2(abs(job(0).every - 800) < 20, job(0).every.toString().c_str());
        document().undo();
        document().undo();
        document().undo();
        QCOMPARE(job(0).every, Rational(600));
        QCOMPARE(job(0).phase, Rational(0));
    }

    void timeIsZoomedAndMoved() {
        settle();
        RhythmView* view = rhythm();
        QTest::keyClick(view, Qt::Key_0);
        QCOMPARE(view->axis().length(), 1800.0);
        QTest::keyClick(view, Qt::Key_Plus);
        QCOMPARE(view->axis().length(), 900.0);
        QTest::keyClick(view, Qt::Key_Right);
        const double from = view->axis().from;
        QTest::keyClick(view, Qt::Key_Left);
        QVERIFY(view->axis().from < from);
        for (int i = 0; i < 60; ++i) {
            QTest::keyClick(view, Qt::Key_Minus);
        }
        QCOMPARE(view->axis().length(), kLongestView);
        view->grab(); // a year is drawn at once
        for (int i = 0; i < 80; ++i) {
            QTest::keyClick(view, Qt::Key_Plus);
        }
        QVERIFY(view->axis().length() >= kShortestView);
        view->grab();
    }

    /// Shares are opened by Shift and arrow or by a click; the workings follow.
    void sharesAreOpened() {
        settle();
        RhythmView* view = rhythm();
        view->selectLane(0);
        QCOMPARE(view->openShare(), std::size_t{0});
        QTest::keyClick(view, Qt::Key_Right, Qt::ShiftModifier);
        QCOMPARE(view->openShare(), std::size_t{1});
        QVERIFY(window_->workings()->toPlainText().contains("base of deep"));
        const QRectF first = shareRect(*document().figures().rhythm, view->pictureRect(0), 0);
        QTest::mouseClick(view->viewport(), Qt::LeftButton, {}, middle(first));
        QCOMPARE(view->openShare(), std::size_t{0});
    }

    /// Moves, sweeps and takes come beside the interface; a window that closes meanwhile closes cleanly.
    void theRestIsWorkedOutAside() {
        settle();
        RhythmView* view = rhythm();
        QTRY_VERIFY_WITH_TIMEOUT(!view->moves().empty() && !view->isBusy(), 20000);
        QCOMPARE(view->moves().front().life->nominal, document().figures().rhythm->life->nominal);
        QVERIFY(view->pictures().size() >= 5); // charge, moves, two sweeps, takes
        view->selectLane(1);                   // with cycles: what a megahertz costs
        QTRY_VERIFY_WITH_TIMEOUT(!view->isBusy() && view->pictures().size() >= 6, 20000);
        document().edit("more", changing([](Plan& plan) { plan.jobs[0].draws *= 2; }));
        settle();
        view->grab();
        // and now the fixture closes the window while that is played
    }

    void chanceIsPlayedAside() {
        openExample("door-sensor");
        settle();
        RhythmView* view = rhythm();
        view->grab();
        QVERIFY(view->isBusy());
        QTest::keyClick(view, Qt::Key_Escape); // ended by hand
        QVERIFY(!view->isBusy());
        document().edit("anew", changing([](Plan& plan) { plan.jobs[0].cycles = 901; }));
        settle();
        view->grab();
        QTRY_VERIFY_WITH_TIMEOUT(view->chance().has_value(), 30000);
        QVERIFY(view->chance()->average.low < view->chance()->average.high);
    }

    void withoutAPlanOrJobs() {
        document().edit("no jobs", changing([](Plan& plan) {
                            plan.jobs.clear();
                            std::erase_if(plan.promises, [](const Promise& promise) { return promise.line.name == "feed"; });
                        }));
        settle();
        RhythmView* view = rhythm();
        view->grab();
        QTest::keyClick(view, Qt::Key_Delete);
        QTest::keyClick(view, Qt::Key_Return);
        QVERIFY(!view->line()->isVisible());
        QTest::keyClick(view, Qt::Key_Insert);
        QVERIFY(view->line()->isVisible());
        MainWindow empty{Shelf{sourceDir() + "/parts"}};
        empty.show();
        empty.showView("sleep");
        empty.find<SleepView>()->grab();
        QTest::keyClick(empty.find<SleepView>(), Qt::Key_Return);
        empty.showView("rhythm");
        empty.find<RhythmView>()->grab();
        QTest::keyClick(empty.find<RhythmView>(), Qt::Key_Insert);
        QVERIFY(!empty.find<RhythmView>()->line()->isVisible());
    }
};

QTEST_MAIN(AppSleep)
#include "app_sleep.moc"
