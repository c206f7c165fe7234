#include "bench/bench_view.h"
#include "bench/vcd.h"
#include "paint/text.h"
#include "window_fixture.h"

#include <QFile>

namespace wisetick::test {

/// Captures over the plan, as the window shows them.
class AppBench : public WindowFixture {
    Q_OBJECT

    BenchView& view() const { return *window_->find<BenchView>(); }
    BenchWork& work() const { return view().work(); }

    /// A dump of a board that plays the open plan, some cycles late each time its timer fires.
    QString recorded(const QString& name, const std::string& lateOf, int cycles) {
        const Part& part = document().part();
        const Plan& plan = document().plan();
        const auto predicted = benchSignals(part, plan, document().figures());
        BoardRun run;
        run.seconds = Rational(1, 5);
        run.lateOf = lateOf;
        run.lateCycles = cycles;
        const Capture capture =
            playBoard(part, plan, document().figures(), predicted, drawBoard(part, document().figures(), 7), run);
        const QString path = folder_->filePath(name);
        QFile file(path);
        if (!file.open(QIODevice::WriteOnly)) {
            qFatal("no file");
        }
        writeVcd(capture, [&](std::string_view piece) { file.write(piece.data(), static_cast<qint64>(piece.size())); });
        return path;
    }

    void show() {
        settle();
        QTest::keyClick(window_.get(), Qt::Key_6, Qt::AltModifier);
        QVERIFY(view().isVisible());
    }

    void lay(const QString& path) {
        work().readFile(path);
        QTRY_VERIFY(!work().isBusy());
        QVERIFY(work().capture() != nullptr);
    }

private slots:
    /// Nothing lies there at first; a board is played by its keys, another one the next time, and as planned it is.
    void boardsArePlayed() {
        show();
        QVERIFY(work().capture() == nullptr);
        QTest::keyClick(window_.get(), Qt::Key_B, Qt::ControlModifier | Qt::AltModifier);
        QTRY_VERIFY_WITH_TIMEOUT(work().capture() != nullptr && !work().isBusy(), 20000);
        QCOMPARE(work().explained().front().say, std::string("as planned"));
        const std::string first = work().capture()->name;
        QTest::keyClick(window_.get(), Qt::Key_B, Qt::ControlModifier | Qt::AltModifier);
        QTRY_VERIFY_WITH_TIMEOUT(!work().isBusy() && work().capture()->name != first, 20000);
        QVERIFY(work().measured().size() >= 3);
    }

    /// A late firmware is named from a file, noted with Enter as one edit with its ripple, and fits then; undo takes it back.
    void explanationsAreNoted() {
        show();
        lay(recorded("late.vcd", "tick", 400));
        const Explanation& first = work().explained().front();
        QVERIFY2(first.lateOf == "tick" && first.cycles->min <= Rational(400) && Rational(400) <= first.cycles->max,
                 first.say.c_str());
        QCOMPARE(work().worst(), State::broken);
        view().setFocus();
        QTest::keyClick(&view(), Qt::Key_Return);
        const auto isLate = [&] {
            for (const Promise& promise : document().plan().promises) {
                const auto* fires = promise.line.ask.as<FiresAsk>();
                if (promise.line.name == "tick" && fires != nullptr) {
                    return fires->late.has_value();
                }
            }
            return false;
        };
        QVERIFY2(isLate(), qPrintable(view().trouble()));
        QVERIFY(stateOf("tick") == State::broken);
        QVERIFY(!document().moved().empty());
        document().undo();
        QVERIFY(!isLate());
    }

    /// What one sees: a dozen cycles at first, all with Home, half of that with +, moved by keys and mouse, and never beyond its
    /// ends.
    void timeIsShown() {
        show();
        lay(recorded("plain.vcd", "", 0));
        QCOMPARE(view().axis().from, 0.0);
        QVERIFY(std::abs(view().axis().to - 0.012) < 1e-5); // twelve ticks
        QTest::keyClick(&view(), Qt::Key_Home);
        QCOMPARE(view().axis().to, 0.2);
        QTest::keyClick(&view(), Qt::Key_Plus);
        QCOMPARE(view().axis().from, 0.05);
        QCOMPARE(view().axis().to, 0.15);
        QTest::keyClick(&view(), Qt::Key_Left);
        QVERIFY(std::abs(view().axis().from - 0.04) < 1e-12);
        view().showTime(-5, -4.9);
        QCOMPARE(view().axis().from, 0.0);
        QTest::keyClick(&view(), Qt::Key_Home);
        QCOMPARE(view().axis().to, 0.2);
    }

    /// Cursors stand at edges: of the tick every millisecond, five apart by hand.
    void cursorsStandAtEdges() {
        show();
        lay(recorded("plain.vcd", "", 0));
        std::size_t tick = 0;
        while (work().predicted()[work().measured()[tick].signal].name != "tick") {
            ++tick;
        }
        view().showTime(0, 0.01);
        const auto click = [&](double time, Qt::KeyboardModifiers keys) {
            const QPointF at(view().axis().at(time), view().trackRect(tick).center().y());
            QTest::mouseClick(view().viewport(), Qt::LeftButton, keys, at.toPoint());
        };
        click(0.00205, Qt::NoModifier);
        click(0.00695, Qt::ShiftModifier);
        QVERIFY2(std::abs(*view().cursor(0) - 0.002) < 2e-7, qPrintable(QString::number(*view().cursor(0), 'g', 9)));
        QVERIFY2(std::abs(*view().cursor(1) - 0.007) < 6e-7, qPrintable(QString::number(*view().cursor(1), 'g', 9)));
        QVERIFY2(view().cursorsSaid().contains("5 edges"), qPrintable(view().cursorsSaid()));
        QVERIFY(view().grab().width() > 0);
    }

    /// What is no dump is said, and what lies there stays; another plan clears the bench.
    void damageIsSaid() {
        show();
        lay(recorded("plain.vcd", "", 0));
        const QString path = folder_->filePath("odd.vcd");
        QFile file(path);
        QVERIFY(file.open(QIODevice::WriteOnly));
        file.write("no dump at all\n");
        file.close();
        work().readFile(path);
        QVERIFY2(view().trouble().contains("a declaration such as"), qPrintable(view().trouble()));
        QVERIFY(work().capture() != nullptr);
        work().readFile(folder_->filePath("not there.vcd"));
        QVERIFY2(view().trouble().contains("no such file"), qPrintable(view().trouble()));
        QVERIFY(view().spokenRows().size() >= work().measured().size() + 2);
        QVERIFY(document().begin("marram-20").empty());
        QVERIFY(work().capture() == nullptr);
    }
};

} // namespace wisetick::test

using wisetick::test::AppBench;
QTEST_MAIN(AppBench)
#include "app_bench.moc"
