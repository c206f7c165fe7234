#include "bench/measure.h"
#include "bench/vcd.h"
#include "support.h"

#include <QProcess>
#include <QStandardPaths>
#include <QTemporaryDir>
#include <QTest>

using namespace wisetick;
using namespace wisetick::test;

/// Dumps as another program writes them.
class CoreVcdOutside : public QObject {
    Q_OBJECT

private slots:
    /// A simulator's dump, read whole and in pieces: every edge where the source says it is.
    void aSimulatorsDumpIsReadRight() {
        const QString compiler = QStandardPaths::findExecutable("iverilog");
        const QString runner = QStandardPaths::findExecutable("vvp");
        if (compiler.isEmpty() || runner.isEmpty()) {
            QSKIP("iverilog is not there");
        }
        QTemporaryDir folder;
        const auto run = [&](const QString& program, const QStringList& options) {
            QProcess process;
            process.setWorkingDirectory(folder.path());
            process.start(program, options);
            return process.waitForFinished(60000) && process.exitCode() == 0;
        };
        QVERIFY(run(compiler, {"-o", "bench", QString::fromStdString(sourceDir()) + "/tests/outside/bench.v"}));
        QVERIFY(run(runner, {"bench"}));
        const std::string text = fileText(folder.filePath("bench.vcd").toStdString());
        QVERIFY(text.size() > 1000);
        for (const std::size_t piece : {text.size(), std::size_t{13}}) {
            VcdReader reader("bench.vcd");
            for (std::size_t at = 0; at < text.size(); at += piece) {
                reader.feed(std::string_view(text).substr(at, piece));
            }
            const Capture capture = reader.finish();
            QVERIFY2(capture.diagnostics.empty(),
                     qPrintable(QString::fromStdString(capture.diagnostics.empty() ? "" : capture.diagnostics[0].found)));
            QCOMPARE(capture.tick, Rational(1, 100'000'000'000)); // 10 ps
            QCOMPARE(capture.end, std::int64_t{602'400});         // 6024 ns
            const Track* clock = capture.findTrack("top.clock");
            QVERIFY(clock != nullptr);
            QCOMPARE(clock->edges.size(), std::size_t{1507}); // low at 0, then each 4 ns up to 6024 ns
            for (std::size_t i = 0; i < clock->edges.size(); ++i) {
                const Edge edge = clock->edges.at(i);
                QCOMPARE(edge.tick, static_cast<std::int64_t>(400 * i));
                QVERIFY(edge.level == (i % 2 == 0 ? LogicLevel::low : LogicLevel::high));
            }
            const TrackFigures figures = measureTrack(capture, *clock, 0, capture.end);
            QCOMPARE(figures.period.value->nominal, Rational(8, 1'000'000'000));
            const Track* odd = capture.findTrack("top.odd");
            QVERIFY(odd != nullptr && odd->edges.size() == 4);
            const std::vector<Edge> expected{
                {0, LogicLevel::unknown}, {1000, LogicLevel::floating}, {2000, LogicLevel::high}, {2325, LogicLevel::low}};
            for (std::size_t i = 0; i < expected.size(); ++i) {
                QVERIFY2(odd->edges.at(i) == expected[i], qPrintable(QString::number(i)));
            }
            const Track* lowest = capture.findTrack("top.inner.count[0]");
            QVERIFY(lowest != nullptr);
            for (std::size_t i = 1; i < lowest->edges.size(); ++i) { // it turns at each rising edge of the clock
                QCOMPARE(lowest->edges.at(i).tick, static_cast<std::int64_t>(400 + 800 * (i - 1)));
            }
            QVERIFY(lowest->edges.size() > 700);
            QVERIFY(!capture.values.empty());
            QCOMPARE(capture.values.front().values.back(), 1.25e-3);
            QCOMPARE(capture.values.front().ticks.back(), std::int64_t{2325});
        }
    }
};

QTEST_GUILESS_MAIN(CoreVcdOutside)
#include "core_vcd_outside.moc"
