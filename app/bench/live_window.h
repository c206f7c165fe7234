#pragma once

#include "bench/bench_work.h"
#include "bench/instrument.h"
#include "bench/serial_line.h"
#include "paint/controls.h"

#include <QDialog>

class QLabel;
class QLineEdit;
class QPlainTextEdit;
class QSpinBox;
class QTableWidget;
class QTimer;

namespace wisetick::app {

/// Beside the window: an instrument that is asked in SCPI over TCP, with commands that can be changed and a log of what it
/// answered, and a serial line with a sweep that tells the board's rate. Nothing is opened before its button is pressed.
class LiveWindow : public QDialog {
    Q_OBJECT

public:
    LiveWindow(Document& document, BenchWork& work, const Theme& theme, QWidget* parent = nullptr);

    Instrument& instrument() { return instrument_; }
    SerialLine& line() { return line_; }
    QLineEdit* address() const { return address_; }
    QTableWidget* commands() const { return commands_; }
    QTableWidget* log() const { return log_; }
    QLineEdit* portName() const { return port_; }
    QSpinBox* rate() const { return rate_; }
    QLineEdit* expected() const { return expected_; }
    QPlainTextEdit* heard() const { return heard_; }
    QString said() const;
    QString sweepSaid() const;

    void connectInstrument();
    /// Asks all commands of the table once, one after the other; what they answer goes into the log.
    void ask();
    /// Asks them again and again, or no longer.
    void setRepeated(bool isRepeated);
    /// Has the record of the track that the line names as a dump, and lays it on the bench.
    void record(const QString& track);
    void openLine();
    /// Around the rate of the line, 12 per cent to both sides.
    void sweep();
    /// The log as a table.
    QString logText() const;

private:
    QWidget* makeInstrument();
    QWidget* makeLine();
    PillButton* button(const QString& text, const std::function<void()>& run);
    void loadCommands();
    void saveCommands() const;
    void note(const QString& command, const QByteArray& answer);
    void say(const QString& text, bool isTrouble = false);
    void saySweep(const QString& text);

    Document& document_;
    BenchWork& work_;
    Theme theme_;
    Instrument instrument_;
    SerialLine line_;
    QTimer* again_;
    QLineEdit* address_;
    QSpinBox* timeout_;
    QTableWidget* commands_;
    QTableWidget* log_;
    QLabel* said_;
    QLineEdit* track_;
    QLineEdit* port_;
    QSpinBox* rate_;
    QLineEdit* expected_;
    QLineEdit* typed_;
    QPlainTextEdit* heard_;
    QLabel* sweep_;
    QString recording_;     ///< the command whose answer is a dump
    bool asksNext_ = false; ///< it is asked again as soon as it has answered
};

} // namespace wisetick::app
