#include "bench/bench_view.h"
#include "bench/live_window.h"
#include "window_fixture.h"

#include <QLineEdit>
#include <QPlainTextEdit>
#include <QProcess>
#include <QSettings>
#include <QSpinBox>
#include <QTableWidget>
#include <QTcpServer>
#include <QTcpSocket>

namespace wisetick::test {

/// An instrument and a serial line, played by the simulated board.
class AppLive : public WindowFixture {
    Q_OBJECT

    /// The board's program, running; `said` gets the first line of its output that begins so.
    std::unique_ptr<QProcess> started(const QStringList& options, const QString& begins, QString& said) {
        auto board = std::make_unique<QProcess>();
        const QString program = qEnvironmentVariable("WISETICK_BOARD");
        const QString plan = QString::fromStdString(sourceDir()) + "/examples/orchard-sprayer.plan.toml";
        board->start(program,
                     QStringList{plan, "--for", "500 ms", "--parts", QString::fromStdString(sourceDir()) + "/parts"} + options);
        for (int i = 0; i < 100 && said.isEmpty(); ++i) {
            board->waitForReadyRead(100);
            while (board->canReadLine()) {
                const QString line = QString::fromUtf8(board->readLine()).trimmed();
                said = line.startsWith(begins) ? line.section(' ', 1) : said;
            }
        }
        return board;
    }

    QTemporaryDir settings_;

    LiveWindow& live() {
        settle();
        QTest::keyClick(window_.get(), Qt::Key_I, Qt::ControlModifier | Qt::AltModifier);
        auto* found = window_->find<LiveWindow>();
        if (found == nullptr) {
            qFatal("no live window");
        }
        return *found;
    }

    static void stop(QProcess& board) {
        board.terminate();
        QVERIFY(board.waitForFinished(5000));
        QCOMPARE(board.exitCode(), 0);
    }

private slots:
    void initTestCase() {
        QSettings::setPath(QSettings::NativeFormat, QSettings::UserScope, settings_.path()); // not those of whoever runs this
        if (!QFile::exists(qEnvironmentVariable("WISETICK_BOARD"))) {
            QSKIP("WISETICK_BOARD names no program");
        }
    }

    /// Nothing is opened at first; the board says what it is, each command is answered in order, and a record of it lies on the
    /// bench and is measured there.
    void instrumentsAreAsked() {
        QString address;
        const auto board = started({"--scpi", "0"}, "scpi", address);
        QVERIFY2(address.startsWith("127.0.0.1:"), qPrintable(address));
        LiveWindow& window = live();
        QVERIFY(!window.instrument().isOpen());
        window.ask();
        QVERIFY(window.said().contains("no instrument is connected"));
        window.address()->setText(address);
        window.connectInstrument();
        QTRY_VERIFY2(window.said().contains("Wise Tick,simulated board,1"), qPrintable(window.said()));
        while (window.commands()->rowCount() > 0) {
            window.commands()->removeRow(0);
        }
        for (const auto& [what, command] : std::vector<std::pair<QString, QString>>{
                 {"period", "MEAS:PER? \"tick\""}, {"error", "SYST:ERR?"}, {"odd", "BEEP"}, {"current", "MEAS:CURR?"}}) {
            const int row = window.commands()->rowCount();
            window.commands()->insertRow(row);
            window.commands()->setItem(row, 0, new QTableWidgetItem(what));
            window.commands()->setItem(row, 1, new QTableWidgetItem(command));
        }
        window.ask();
        QTRY_COMPARE(window.log()->rowCount(), 3); // what is no question is not answered
        QCOMPARE(window.log()->item(0, 1)->text(), QString("period"));
        const double period = window.log()->item(0, 2)->text().toDouble();
        QVERIFY2(std::abs(period / 2e-3 - 1) < 1e-4, qPrintable(window.log()->item(0, 2)->text())); // it turns each 1 ms
        QVERIFY(window.log()->item(1, 2)->text().startsWith("0,"));
        QVERIFY(window.log()->item(2, 2)->text().toDouble() > 0);
        window.ask();
        QTRY_COMPARE(window.log()->rowCount(), 6);
        QVERIFY(window.log()->item(4, 2)->text().startsWith("-113")); // of the time before
        QCOMPARE(window.logText().count('\n'), 7);
        window.ask();
        window.ask(); // before it has answered: it is asked when it has
        QTRY_COMPARE(window.log()->rowCount(), 12);
        window.record("tick");
        auto& work = window_->find<BenchView>()->work();
        QTRY_VERIFY_WITH_TIMEOUT(work.capture() != nullptr && !work.isBusy(), 10000);
        QCOMPARE(work.measured().size(), std::size_t{1});
        QCOMPARE(work.measured().front().state, State::kept);
        stop(*board);
        QTRY_VERIFY(!window.instrument().isOpen());
    }

    /// What can't be reached, what does not answer, and what is no address, is said.
    void silenceIsSaid() {
        LiveWindow& window = live();
        window.address()->setText("nowhere");
        window.connectInstrument();
        QVERIFY(window.said().contains("expected an address and a port"));
        QTcpServer mute;
        QVERIFY(mute.listen(QHostAddress::LocalHost));
        window.instrument().open("127.0.0.1", mute.serverPort(), 200);
        QTRY_VERIFY2(window.said().contains("no answer to *IDN?"), qPrintable(window.said()));
        const quint16 free = mute.serverPort();
        mute.close();
        window.instrument().open("127.0.0.1", free, 500);
        QTRY_VERIFY2(window.said().contains("refused"), qPrintable(window.said()));
    }

    /// A terminal talks at the board's own rate: understood at the promise's, garbled far from it, and a sweep tells a rate that
    /// holds the one that the board has in fact.
    void terminalsAreSwept() {
        QString terminal;
        const auto board = started({"--pty", "--port", "log"}, "terminal", terminal);
        QVERIFY2(terminal.startsWith("/dev/"), qPrintable(terminal));
        QTRY_VERIFY(board->bytesAvailable() >= 0);
        const QString told = QString::fromUtf8(board->readAllStandardError());
        LiveWindow& window = live();
        window.portName()->setText(" ");
        window.openLine();
        QVERIFY2(window.sweepSaid().contains("no terminal is named"), qPrintable(window.sweepSaid()));
        window.portName()->setText("/dev/there-is-none");
        window.openLine();
        QVERIFY(window.sweepSaid().contains("there-is-none"));
        window.portName()->setText(terminal);
        window.rate()->setValue(115'200);
        window.openLine();
        QVERIFY2(window.line().isOpen(), qPrintable(window.sweepSaid()));
        QTRY_VERIFY_WITH_TIMEOUT(window.heard()->toPlainText().contains("wise tick"), 5000);
        window.line().send("hello\r\n");
        QTRY_VERIFY_WITH_TIMEOUT(window.heard()->toPlainText().contains("you said hello"), 5000);
        window.line().sweep(104'000, 126'400, 1'600, "wise tick", 350);
        QTRY_VERIFY_WITH_TIMEOUT(!window.line().isSweeping(), 60000);
        const MeasuredFigure rate = window.line().told();
        QVERIFY2(rate.value, rate.why.c_str());
        const auto spoken = QRegularExpression("talks \\S*?([0-9.]+) kbit/s").match(told);
        QVERIFY2(spoken.hasMatch(), qPrintable(told));
        const double truth = spoken.captured(1).toDouble() * 1000;
        QVERIFY2(rate.value->min.toDouble() < truth * 1.0001 && truth < rate.value->max.toDouble() * 1.0001,
                 qPrintable(window.sweepSaid()));
        QVERIFY2(window.sweepSaid().contains("the board talks"), qPrintable(window.sweepSaid()));
        stop(*board);
    }

    void lookedAt() {
        LiveWindow& window = live();
        QVERIFY(window.isVisible() && window.grab().width() > 600);
        if (const QString path = qEnvironmentVariable("WISETICK_LOOK"); !path.isEmpty()) {
            window.grab().save(path);
        }
    }
};

} // namespace wisetick::test

using wisetick::test::AppLive;
QTEST_MAIN(AppLive)
#include "app_live.moc"
