#include "window_fixture.h"

#include "desk/desk_view.h"
#include "promises/promises_column.h"
#include "workings/workings_panel.h"

#include <QImage>
#include <QScrollBar>

using namespace wisetick;
using namespace wisetick::app;
using namespace wisetick::test;

namespace {

/// One line of every kind on the example's part, and how many pictures its desk has.
const std::vector<std::pair<std::string, int>>& lines() {
    static const std::vector<std::pair<std::string, int>> all{
        {"bus_b runs at 40 MHz within 1 %", 1},
        {"uart3 talks 31250", 2},
        {"can0 talks 500 kbit/s", 2},
        {"can0 talks 500 kbit/s, data 2 Mbit/s, over 20 m", 3},
        {"can0 holds 28 filters, 8 received", 1},
        {"i2c1 talks 400 kHz, pulled by 2.2 kohm into 100 pF", 1},
        {"timer3.1 drives 20 kHz at 35 % duty, dead 200 ns", 2},
        {"timer5 wraps after at least 10 min, resolves 10 us", 1},
        {"timer4 fires every 10 s, repeated", 3},
        {"timer1 fires every 60 s, chained", 3},
        {"timer5 waits 20 ms within 1 %", 2},
        {"guard bites after 100 ms, fed every 60 ms, opens after 20 ms, warns 1 ms before", 2},
        {"rtc drifts at most 8 s/day", 1},
        {"rtc fires every 10 s", 2},
        {"adc0 takes 5 k samples/s from 10 kohm over 4 channels, oversampled 4 times", 3},
        {"spi1 clocks at most 5 MHz", 1},
        {"pause waits at least 20 us", 1},
        {"wakes from deep in at most 4 ms by rtc every 20 s", 1},
    };
    return all;
}

} // namespace

/// The desk of a promise, by keyboard and mouse.
class AppDesk : public WindowFixture {
    Q_OBJECT

    /// Adds the promise and shows its desk.
    void showDeskOf(const std::string& line) {
        document().edit("a promise", changing([&](Plan& plan) {
                            const auto read = readPromiseLine("probe-desk: " + line, &document().part());
                            QVERIFY2(read.has_value(), line.c_str());
                            std::erase_if(plan.promises,
                                          [](const Promise& promise) { return promise.line.name == "probe-desk"; });
                            plan.promises.push_back({"probe-desk: " + line, *read});
                        }));
        window_->showView("promises");
        window_->goTo(at("promise/probe-desk"));
    }

private slots:
    /// Every kind has its pictures and paints them, light and dark, wide and narrow, and something is really drawn.
    void everyKindHasItsDesk_data() {
        QTest::addColumn<std::string>("line");
        QTest::addColumn<int>("pictures");
        for (const auto& [line, pictures] : lines()) {
            QTest::newRow(line.c_str()) << line << pictures;
        }
    }
    void everyKindHasItsDesk() {
        QFETCH(std::string, line);
        QFETCH(int, pictures);
        settle();
        showDeskOf(line);
        DeskView* desk = window_->find<DeskView>();
        QCOMPARE(desk->shown(), QString("probe-desk"));
        QCOMPARE(static_cast<int>(desk->pictures().size()), pictures);
        for (const Theme& theme : {lightTheme(), darkTheme()}) {
            window_->setTheme(theme);
            for (const QSize& size : {QSize(1280, 800), QSize(900, 600), QSize(2200, 1300)}) {
                window_->resize(size);
                for (const Picture& picture : desk->pictures()) {
                    QVERIFY(!picture.title.isEmpty());
                    QImage image(size.width() / 2, static_cast<int>(picture.height), QImage::Format_RGB32);
                    image.fill(theme.paper);
                    const QImage before = image;
                    QPainter painter(&image);
                    picture.paint(painter, QRectF(QPointF(0, 0), QSizeF(image.size())), theme);
                    painter.end();
                    QVERIFY2(image != before, qPrintable(picture.title));
                    QVERIFY(!desk->grab().isNull());
                }
            }
        }
    }

    /// What comes from the play stands on the desk as soon as that is there: until when handlers and jobs are done, and feeds
    /// over time.
    void whatIsPlayedIsDrawn_data() {
        QTest::addColumn<std::string>("line");
        QTest::addColumn<QString>("title");
        QTest::newRow("latency") << std::string("timer4 fires every 1 ms, handled in 400 cycles") << "Done at the latest";
        QTest::newRow("feeds") << std::string("guard bites after 30 s, fed by moisture") << "Fed by moisture";
    }
    void whatIsPlayedIsDrawn() {
        QFETCH(std::string, line);
        QFETCH(QString, title);
        showDeskOf(line);
        DeskView* desk = window_->find<DeskView>();
        const auto picture = [&]() -> const Picture* {
            for (const Picture& each : desk->pictures()) {
                if (each.title == title) {
                    return &each;
                }
            }
            return nullptr;
        };
        QTRY_VERIFY_WITH_TIMEOUT(picture() != nullptr, kPatience);
        for (const Theme& theme : {lightTheme(), darkTheme()}) {
            QImage image(640, static_cast<int>(picture()->height), QImage::Format_RGB32);
            image.fill(theme.paper);
            const QImage before = image;
            QPainter painter(&image);
            picture()->paint(painter, QRectF(QPointF(0, 0), QSizeF(image.size())), theme);
            painter.end();
            QVERIFY(image != before);
        }
        QVERIFY(!picture()->hint.isEmpty());
    }

    /// A way is pinned and freed by keyboard; the card and the desk say when it is not the best.
    void aWayIsPinnedAndFreed() {
        showDeskOf("timer3.1 drives 20 kHz at 35 % duty");
        DeskView* desk = window_->find<DeskView>();
        QTest::keyClick(window_.get(), Qt::Key_3, Qt::AltModifier);
        QVERIFY(desk->hasFocus());
        QVERIFY(desk->table().rows.size() > 3);
        QVERIFY(desk->table().rows[0].isTaken);
        const QString third = desk->table().rows[2].cells[1];
        QTest::keyClick(desk, Qt::Key_Down);
        QTest::keyClick(desk, Qt::Key_Down);
        QCOMPARE(desk->selectedRow(), std::size_t{2});
        QTest::keyClick(desk, Qt::Key_Return);
        const PromiseFigure* figure = document().figures().findPromise("probe-desk");
        QVERIFY(figure->isPinned);
        QCOMPARE(figure->note.rfind("pinned; ", 0), std::size_t{0});
        QVERIFY(!findTake(document().plan(), document().plan().active)->pinned.empty());
        QCOMPARE(document().lastEdit().left(21), QString("probe-desk pinned to "));
        const auto& rows = desk->table().rows;
        QCOMPARE(rows.size(), std::size_t{1}); // with all held there is one way
        QCOMPARE(rows[0].cells[1], third);
        QTest::keyClick(window_.get(), Qt::Key_P, Qt::ControlModifier);
        QVERIFY(!document().figures().findPromise("probe-desk")->isPinned);
        QVERIFY(desk->table().rows[0].isTaken);
        document().undo();
        QVERIFY(document().figures().findPromise("probe-desk")->isPinned);
    }

    void aWayIsPinnedByMouse() {
        showDeskOf("timer5 fires every 20 ms exactly");
        DeskView* desk = window_->find<DeskView>();
        desk->selectRow(0);
        QTest::mouseClick(desk->viewport(), Qt::LeftButton, {}, desk->rowRect(1).center().toPoint());
        QCOMPARE(desk->selectedRow(), std::size_t{1});
        QTest::mouseClick(desk->viewport(), Qt::LeftButton, {}, desk->pinRect().center().toPoint());
        QVERIFY(document().figures().findPromise("probe-desk")->isPinned);
        QTest::mouseClick(desk->viewport(), Qt::LeftButton, {}, desk->pinRect().center().toPoint());
        QVERIFY(!document().figures().findPromise("probe-desk")->isPinned);
    }

    /// The order of bringing it up stands in the workings, with what is often forgotten.
    void theOrderStandsInTheWorkings() {
        showDeskOf("timer3.1 drives 20 kHz at 35 % duty");
        QTRY_VERIFY(window_->workings()->toPlainText().contains("To bring it up"));
        const QString text = window_->workings()->toPlainText();
        QVERIFY(text.contains("let channel 1 out to its pin often forgotten"));
        QVERIFY(text.indexOf("let its clock in") < text.indexOf("start the counter"));
    }

    /// What a timer can't reach is offered repeated or chained, and one try makes it so.
    void aLongPeriodHasWaysOut() {
        showDeskOf("timer1 fires every 60 s exactly");
        QCOMPARE(stateOf("probe-desk"), State::broken);
        QTRY_VERIFY(window_->workings()->toPlainText().contains("timer1 chained with timer2"));
        QVERIFY(window_->workings()->toPlainText().contains("timer1 several times for one period"));
        QVERIFY(std::any_of(window_->find<DeskView>()->pictures().begin(), window_->find<DeskView>()->pictures().end(),
                            [](const Picture& picture) { return picture.title == "Routes to this period"; }));
    }

    /// What does not fit scrolls, and a larger font makes it longer, not cut.
    void itScrollsAndGrows() {
        showDeskOf("timer5 fires every 20 ms within 1 %");
        DeskView* desk = window_->find<DeskView>();
        window_->resize(1100, 620);
        QVERIFY(desk->table().rows.size() > 10);
        QTRY_VERIFY(desk->verticalScrollBar()->maximum() > 0);
        desk->selectRow(desk->table().rows.size() - 1);
        QVERIFY(desk->rowRect(desk->selectedRow()).bottom() <= desk->viewport()->height() + 1);
        const int before = desk->verticalScrollBar()->maximum();
        const QFont usual = QApplication::font();
        QFont large = usual;
        large.setPointSizeF(usual.pointSizeF() * 4 / 3);
        QApplication::setFont(large);
        QApplication::processEvents();
        desk->pictures();
        QVERIFY(desk->verticalScrollBar()->maximum() > before);
        QApplication::setFont(usual);
        QApplication::processEvents();
    }

    /// Where a value is to stand, those that would be exact are offered first; taking one makes a line that is kept exactly.
    void exactValuesAreOfferedFirst() {
        QLineEdit* entry = window_->promises()->entry();
        entry->setFocus();
        QTest::keyClicks(entry, "probe-desk: timer2 fires every ");
        const QStringList offers = window_->promises()->completions();
        QVERIFY2(!offers.isEmpty() && offers.front().endsWith("exact"), qPrintable(offers.join(" | ")));
        QVERIFY(offers.contains("125 us  exact"));
        QTest::keyClicks(entry, "125 us exactly");
        QTest::keyClick(entry, Qt::Key_Return);
        QCOMPARE(stateOf("probe-desk"), State::kept);
        QVERIFY(document().figures().findPromise("probe-desk")->error->nominal.isZero());
    }

    /// The desk follows the card that is selected, and the trail carries the worst of the promises.
    void theDeskFollowsTheCards() {
        QTest::keyClick(window_.get(), Qt::Key_3, Qt::AltModifier);
        for (const char* name : {"modem", "tick", "feed"}) {
            window_->promises()->cards()->select(name);
            QCOMPARE(window_->find<DeskView>()->shown(), QString(name));
            QVERIFY(!window_->find<DeskView>()->pictures().empty());
            QVERIFY(!window_->find<DeskView>()->table().rows.empty());
        }
        QTest::keyClick(window_.get(), Qt::Key_2, Qt::AltModifier);
        QVERIFY(!window_->find<DeskView>()->isVisible());
        window_->promises()->cards()->select("modem"); // goes on while another view is shown
        QCOMPARE(window_->find<DeskView>()->shown(), QString("modem"));
        window_->find<ClocksView>()->select("bus_b");
        QCOMPARE(window_->workings()->target(), at("line/bus_b"));
        QTest::keyClick(window_.get(), Qt::Key_3, Qt::AltModifier); // desk and workings are of one promise
        QCOMPARE(window_->workings()->target(), at("promise/modem"));
    }

    /// An edit of a clock makes pictures and ways anew.
    void theDeskFollowsTheClocks() {
        showDeskOf("timer2 fires every 1 ms exactly");
        QCOMPARE(window_->find<DeskView>()->table().rows[0].cells[1], QString("40000"));
        document().edit("vco", changing([](Plan& plan) { choiceOf(plan, "A", "vco").multiply = Rational(105); }));
        QVERIFY(window_->find<DeskView>()->table().rows[0].cells[1] != QString("40000"));
    }

    void withoutAPromiseItSaysSo() {
        window_->showView("promises");
        document().edit("none", changing([](Plan& plan) { plan.promises.clear(); }));
        window_->find<DeskView>()->show("nothing");
        QVERIFY(window_->find<DeskView>()->pictures().empty());
        QVERIFY(window_->find<DeskView>()->table().rows.empty());
        window_->find<DeskView>()->pinOrFree(); // nothing happens
        QVERIFY(!window_->find<DeskView>()->grab().isNull());
    }
};

QTEST_MAIN(AppDesk)
#include "app_desk.moc"
