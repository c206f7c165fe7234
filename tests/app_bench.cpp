#include "bench/bench_view.h"
#include "bench/vcd.h"
#include "evaluate/evaluate.h"
#include "paint/text.h"
#include "plan/take_edits.h"
#include "promises/promises_column.h"
#include "window_fixture.h"
#include "workings/workings_panel.h"

#include <QApplication>
#include <QClipboard>
#include <QDir>
#include <QFile>
#include <QMenu>
#include <QMimeData>
#include <QTimer>

namespace wisetick::test {

/// Captures over the plan, as the window shows them.
class AppBench : public WindowFixture {
    Q_OBJECT

    BenchView& view() const { return *window_->find<BenchView>(); }
    BenchWork& work() const { return view().work(); }

    /// A dump of a board that plays the open plan, some cycles late each time its timer fires.
    QString recorded(const QString& name, const std::string& lateOf, int cycles) {
        BoardRun run;
        run.lateOf = lateOf;
        run.lateCycles = cycles;
        return dumped(name, playedBoard(run));
    }

    Capture playedBoard(BoardRun run) {
        run.seconds = run.seconds == Rational(2) ? Rational(1, 5) : run.seconds;
        const Part& part = document().part();
        const auto predicted = benchSignals(part, document().plan(), document().figures());
        return playBoard(part, document().plan(), document().figures(), predicted, drawBoard(part, document().figures(), 7), run);
    }

    QString dumped(const QString& name, const Capture& capture) {
        const QString path = folder_->filePath(name);
        QFile file(path);
        if (!file.open(QIODevice::WriteOnly)) {
            qFatal("no file");
        }
        writeVcd(capture, [&](std::string_view piece) { file.write(piece.data(), static_cast<qint64>(piece.size())); });
        return path;
    }

    QString written(const QString& name, const BoardRun& run) { return dumped(name, playedBoard(run)); }

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
        window_->promises()->cards()->setFocus();
        QTest::keyClick(window_.get(), Qt::Key_B, Qt::ControlModifier | Qt::AltModifier);
        QVERIFY(window_->find<BenchView>()
                    ->hasFocus()); // what is played there can be looked at by keys, though the Bench was shown already
        QTRY_VERIFY_WITH_TIMEOUT(!work().isBusy() && work().capture()->name != first, 20000);
        QVERIFY(work().measured().size() >= 3);
    }

    /// A track that is selected shows the arithmetic of what foretells it.
    void aTrackShowsItsArithmetic() {
        show();
        QTest::keyClick(window_.get(), Qt::Key_B, Qt::ControlModifier | Qt::AltModifier);
        QTRY_VERIFY_WITH_TIMEOUT(work().capture() != nullptr && !work().isBusy(), 20000);
        QStringList shown;
        for (std::size_t row = 0; row < work().measured().size(); ++row) {
            view().selectRow(row);
            QCOMPARE(window_->workings()->target(), Target::promise(work().predicted()[work().measured()[row].signal].name));
            shown << QString::fromStdString(window_->workings()->target().name);
        }
        QVERIFY2(shown.contains("tick") && shown.contains("modem"), qPrintable(shown.join(", ")));
        window_->workings()->show(Target::line("core"));
        QTest::keyClick(window_.get(), Qt::Key_2, Qt::AltModifier);
        QTest::keyClick(window_.get(), Qt::Key_6, Qt::AltModifier);
        QCOMPARE(window_->workings()->target(), Target::promise(shown.last().toStdString()));
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

    /// The supply's current lies below the tracks on a scale of decades, with its wakes against the plan's; what explains it is
    /// chosen with the keys and noted as one edit.
    void theCurrentIsLaidOverThePlan() {
        show();
        const Figures other = [&] {
            Plan plan = document().plan();
            restIn(plan, plan.active, "snooze");
            return evaluate(document().part(), plan, plan.active);
        }();
        BoardRun run;
        run.seconds = 45;
        run.tick = Rational(1, 1'000'000);
        run.jobs = &other;
        lay(written("rest.vcd", run));
        QVERIFY(work().current() && work().recorded() != nullptr && work().foretold() != nullptr);
        QVERIFY(!view().currentRect().isEmpty() && view().currentRect().height() > view().trackRect(0).height());
        QVERIFY2(!work().reasons().empty() && work().reasons().front().restsIn == "snooze", work().reasons().front().say.c_str());
        view().setFocus();
        const std::size_t wanted = work().explained().size();
        for (std::size_t i = 0; i < wanted; ++i) {
            QTest::keyClick(&view(), Qt::Key_Down);
        }
        QCOMPARE(view().selected(), wanted);
        const std::size_t takes = document().plan().takes.size();
        QTest::keyClick(&view(), Qt::Key_Return);
        QCOMPARE(document().plan().takes.size(), takes + 1);
        QCOMPARE(document().take().restsIn, std::string("snooze"));
        QTRY_VERIFY(!work().isBusy() && !document().isPlaying());
        QTRY_VERIFY(!work().isBusy() && !work().reasons().empty());
        QVERIFY2(QString::fromStdString(work().reasons().front().say).contains("as planned"),
                 work().reasons().front().say.c_str());
        document().undo();
        QCOMPARE(document().plan().takes.size(), takes);
        QVERIFY(view().grab().width() > 0);
    }

    /// A track that is called like nothing is shown all the same, and belongs to a promise once that is said; how it was measured
    /// stands below it.
    void tracksAreMatchedByHand() {
        show();
        const Capture played = playedBoard({});
        Capture renamed;
        renamed.tick = played.tick;
        renamed.end = played.end;
        renamed.tracks.push_back({"pin 7", {}});
        const Track* tick = played.findTrack("tick");
        QVERIFY(tick != nullptr);
        EdgeList::Walk walk(tick->edges, 0);
        for (Edge edge; walk.next(edge);) {
            renamed.tracks.back().edges.add(edge.tick, edge.level);
        }
        renamed.tracks.back().name = "pin_7";
        lay(dumped("pins.vcd", renamed));
        QVERIFY(work().measured().empty() && work().unmatched().size() == 1);
        QVERIFY(!view().unmatchedRect(0).isEmpty());
        view().selectRow(0);
        QVERIFY(view().matchesOffered().contains("tick"));
        QVERIFY(view().matchRow("tick").isEmpty());
        QTRY_VERIFY(!work().isBusy() && work().measured().size() == 1);
        QCOMPARE(work().measured().front().track, std::string("pin_7"));
        QVERIFY(work().unmatched().empty());
        const qreal before = view().trackRect(0).height();
        view().setFocus();
        QTest::keyClick(&view(), Qt::Key_W);
        QVERIFY(view().trackRect(0).height() > before);
        QVERIFY(!work().measured().front().workings.empty());
        QTest::keyClick(&view(), Qt::Key_W);
        QCOMPARE(view().trackRect(0).height(), before);
        QVERIFY(view().matchRow({}).isEmpty());
        QTRY_VERIFY(!work().isBusy() && work().measured().empty());
    }

    /// A capture is kept with the plan by its path and its sum, with what was said of its tracks; a file that was written anew is
    /// read again, and said to be another one.
    void capturesAreKept() {
        show();
        QVERIFY(document().save(folder_->filePath("kept.plan.toml")).why.isEmpty());
        const QString path = dumped("kept.vcd", playedBoard({}));
        lay(path);
        QVERIFY(work().keep().isEmpty());
        QCOMPARE(document().plan().captures.size(), std::size_t{1});
        const KeptCapture kept = document().plan().captures.front();
        QCOMPARE(kept.path, std::string("kept.vcd"));
        QCOMPARE(kept.sum.size(), std::size_t{8});
        QTRY_VERIFY(!work().isBusy());
        QVERIFY(work().isKept() && !work().laid().front().isChanged);
        BoardRun other;
        other.seconds = Rational(3, 10);
        dumped("kept.vcd", playedBoard(other)); // exported again
        QTRY_VERIFY_WITH_TIMEOUT(work().laid().front().isChanged && !work().isBusy(), 5000);
        QVERIFY(work().capture()->length() > Rational(29, 100));
        QVERIFY(work().keep().isEmpty());
        QVERIFY(document().plan().captures.front().sum != kept.sum);
        QTRY_VERIFY(!work().isBusy());
        QVERIFY(!work().laid().front().isChanged);
        QVERIFY(document().save(document().path()).why.isEmpty());
        QVERIFY(work().keep().isEmpty()); // and no longer
        QVERIFY(document().plan().captures.empty());
    }

    /// The newest capture of a watched folder is read, and each that is written there later; all lie beside one another.
    void foldersAreWatched() {
        show();
        QVERIFY(QDir(folder_->path()).mkdir("exported"));
        dumped("exported/one.vcd", playedBoard({}));
        work().watchFolder(folder_->filePath("exported"));
        QTRY_VERIFY(work().capture() != nullptr && !work().isBusy());
        QTest::qWait(1100); // a file's time has seconds
        BoardRun late;
        late.lateOf = "tick";
        late.lateCycles = 400;
        dumped("exported/two.vcd", playedBoard(late));
        QTRY_VERIFY_WITH_TIMEOUT(work().laid().size() == 2 && !work().isBusy() && work().looked() == 1, 8000);
        QCOMPARE(work().worst(), State::broken);
        QVERIFY(!work().laid()[0].measured.empty()); // the other one's figures stand beside
        QVERIFY(!view().laidRect(0).isEmpty() && view().laidRect(1).left() > view().laidRect(0).right());
        QTest::mouseClick(view().viewport(), Qt::LeftButton, {}, view().laidRect(0).center().toPoint());
        QTRY_VERIFY(!work().isBusy() && work().looked() == 0);
        view().setFocus();
        QTest::keyClick(&view(), Qt::Key_BracketRight);
        QTRY_VERIFY(!work().isBusy() && work().looked() == 1);
        work().watchFolder({});
        QVERIFY(work().folder().isEmpty());
    }

    /// On the promises' cards stands what was measured, and it is spoken; a new plan has none of it.
    void cardsShowWhatWasMeasured() {
        show();
        QVERIFY(document().measured().empty());
        auto* cards = window_->find<PromiseCards>();
        const QImage before = cards->grab().toImage();
        BoardRun late;
        late.lateOf = "tick";
        late.lateCycles = 400;
        lay(dumped("late.vcd", playedBoard(late)));
        QVERIFY(document().measured().contains("tick"));
        QVERIFY(document().measured().at("tick").nominal > Rational(0)); // it comes late
        QVERIFY(cards->grab().toImage() != before);
        bool isSpoken = false;
        for (const SpokenRow& row : cards->spokenRows()) {
            isSpoken = isSpoken || (row.name == "tick" && row.value.contains("measured"));
        }
        QVERIFY(isSpoken);
        QVERIFY(document().begin("marram-20").empty());
        QVERIFY(document().measured().empty());
    }

    /// What is copied is a picture, the same as SVG, and a table.
    void allOfItIsCopied() {
        show();
        lay(dumped("plain.vcd", playedBoard({})));
        view().setFocus();
        QTest::keyClick(&view(), Qt::Key_C, Qt::ControlModifier);
        const QMimeData* copied = QApplication::clipboard()->mimeData();
        QVERIFY(copied->hasImage() && copied->data("image/svg+xml").contains("<svg"));
        const QStringList lines = QString::fromUtf8(copied->data("text/csv")).split('\n', Qt::SkipEmptyParts);
        QCOMPARE(lines.size(), static_cast<qsizetype>(work().measured().size()) + 1);
        QCOMPARE(lines[1].count(','), lines[0].count(','));
        QVERIFY(copied->text().contains("tick,"));
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
        QTRY_VERIFY2(view().trouble().contains("a declaration such as"), qPrintable(view().trouble()));
        QVERIFY(work().capture() != nullptr);
        work().readFile(folder_->filePath("not there.vcd"));
        QTRY_VERIFY2(view().trouble().contains("no such file"), qPrintable(view().trouble()));
        QVERIFY(view().spokenRows().size() >= work().measured().size() + 2);
        QVERIFY(document().begin("marram-20").empty());
        QVERIFY(work().capture() == nullptr);
    }

    /// A port's data line is read at its clock from the list that R offers; what was read stands at its place, and goes again.
    void linesAreReadTogether() {
        openExample("spindle-balancer");
        show();
        BoardRun run;
        run.seconds = Rational(1, 1000);
        run.tick = Rational(1, 1'000'000'000);
        work().layCapture("port", std::make_shared<const Capture>(playedBoard(run)));
        QTRY_VERIFY(!work().isBusy() && work().capture() != nullptr);
        const auto unmatched = work().unmatched();
        const auto data =
            std::find_if(unmatched.begin(), unmatched.end(), [](const Track* each) { return each->name == "bits_data"; });
        QVERIFY(data != unmatched.end());
        const auto place = static_cast<std::size_t>(data - unmatched.begin());
        const std::size_t rowsBefore = view().spokenRows().size() - work().explained().size() - work().reasons().size();
        view().selectRow(rowsBefore - unmatched.size() + place);
        const qreal before = view().unmatchedRect(place).height();
        QTimer::singleShot(300, [] { // the first that is offered
            auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
            QVERIFY(menu != nullptr);
            QCOMPARE(menu->actions().front()->text(), QString("words at the rise of bits, selected by bits_select"));
            QTest::keyClick(menu, Qt::Key_Down);
            QTest::keyClick(menu, Qt::Key_Return);
        });
        QTest::keyClick(view().viewport(), Qt::Key_R);
        QTRY_VERIFY(work().readOf("bits_data") != nullptr);
        QCOMPARE(work().readOf("bits_data")->pieces.front().text, std::string("77")); // w
        QVERIFY(view().unmatchedRect(place).height() > before);
        QVERIFY(view().spokenRows()[rowsBefore - unmatched.size() + place].value.contains("words of 8 bits"));
        const qreal plain = view().unmatchedRect(place).height();
        view().toggleWorkings(); // period, rate and high time of what is shown
        QVERIFY(view().unmatchedRect(place).height() > plain + 20);
        work().forgetReading("bits_data");
        QTRY_VERIFY(work().readOf("bits_data") == nullptr);
    }

    /// A promise goes while its capture lies there: what was measured of it is shown until it is measured anew, and no other's
    /// place is taken for its own.
    void promisesGoWhileTheyAreMeasured() {
        show();
        type(window_->promises()->entry(), "late: timer1 fires every 2 ms");
        lay(written("all.vcd", {}));
        const std::size_t before = work().measured().size();
        document().edit("all gone", changing([](Plan& plan) { plan.promises.resize(2); }));
        view().viewport()->repaint();
        QVERIFY(view().picture().size.height() > 0);
        QTRY_VERIFY(!work().isBusy());
        QVERIFY(work().measured().size() < before);
        for (const auto& [name, error] : document().measured()) {
            QVERIFY2(document().figures().findPromise(name) != nullptr, name.c_str());
        }
        document().undo();
        view().viewport()->repaint();
        QTRY_VERIFY(!work().isBusy());
        QCOMPARE(work().measured().size(), before);
    }
};

} // namespace wisetick::test

using wisetick::test::AppBench;
QTEST_MAIN(AppBench)
#include "app_bench.moc"
