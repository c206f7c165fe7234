#include "bench/live_window.h"

#include "files/whole_file.h"
#include "paint/text.h"

#include <QDateTime>
#include <QDir>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <QRegularExpression>
#include <QSettings>
#include <QSpinBox>
#include <QStandardPaths>
#include <QTableWidget>
#include <QTimer>
#include <QVBoxLayout>

namespace wisetick::app {

namespace {

const char* const kCommands = "bench/commands";
const char* const kAddress = "bench/address";
constexpr quint16 kScpiPort = 5025; ///< registered for SCPI over TCP
constexpr int kRepeat = 1000;       ///< ms
constexpr int kMostLogged = 10'000;
constexpr int kListen = 350;    ///< ms, at each rate of a sweep
constexpr int kSweepShare = 12; ///< per cent, to both sides
constexpr int kSweepSteps = 60;

const std::vector<std::pair<QString, QString>> kUsual{{QObject::tr("rate, Hz"), "MEASure:FREQuency?"},
                                                      {QObject::tr("period, s"), "MEASure:PERiod?"},
                                                      {QObject::tr("pulse, s"), "MEASure:PWIDth?"},
                                                      {QObject::tr("high, %"), "MEASure:PDUTycycle?"},
                                                      {QObject::tr("current, A"), "MEASure:CURRent?"}};

QTableWidget* tableOf(const QStringList& titles, const QString& name) {
    auto* table = new QTableWidget(0, static_cast<int>(titles.size()));
    table->setHorizontalHeaderLabels(titles);
    table->setAccessibleName(name);
    table->horizontalHeader()->setStretchLastSection(true);
    table->verticalHeader()->hide();
    table->setShowGrid(false);
    return table;
}

QLabel* heading(const QString& text) {
    auto* label = new QLabel(text);
    label->setFont(faceFont(Face::bold));
    return label;
}

} // namespace

LiveWindow::LiveWindow(Document& document, BenchWork& work, const Theme& theme, QWidget* parent)
    : QDialog(parent), document_(document), work_(work), theme_(theme), again_(new QTimer(this)), address_(new QLineEdit),
      timeout_(new QSpinBox), commands_(tableOf({tr("what"), tr("command")}, tr("Commands"))),
      log_(tableOf({tr("time"), tr("what"), tr("answer")}, tr("Log"))), said_(new QLabel), track_(new QLineEdit),
      port_(new QLineEdit), rate_(new QSpinBox), expected_(new QLineEdit), typed_(new QLineEdit), heard_(new QPlainTextEdit),
      sweep_(new QLabel) {
    setWindowTitle(tr("Bench, live"));
    setAttribute(Qt::WA_WindowPropagation);
    resize(980, 620);
    for (QLabel* label : {said_, sweep_}) {
        label->setTextFormat(Qt::PlainText); // what an instrument says of itself is no markup
    }
    auto* layout = new QHBoxLayout(this);
    layout->setSpacing(24);
    layout->addWidget(makeInstrument(), 3);
    layout->addWidget(makeLine(), 2);
    again_->setInterval(kRepeat);
    connect(again_, &QTimer::timeout, this, &LiveWindow::ask);
    connect(&instrument_, &Instrument::opened, this, [this] { say(tr("connected: %1").arg(instrument_.identity())); });
    connect(&instrument_, &Instrument::closed, this, [this] {
        asksNext_ = false;
        setRepeated(false);
    });
    connect(&instrument_, &Instrument::troubled, this, [this](const QString& why) {
        asksNext_ = false;
        say(why, true);
    });
    connect(&instrument_, &Instrument::answered, this, [this](const QString& command, const QByteArray& answer) {
        note(command, answer);
        if (asksNext_ && instrument_.waiting() == 0) {
            ask();
        }
    });
    connect(&line_, &SerialLine::received, this, [this](const QByteArray& bytes) {
        heard_->moveCursor(QTextCursor::End);
        heard_->insertPlainText(QString::fromLatin1(bytes).remove('\r'));
    });
    connect(&line_, &SerialLine::triedOne, this, [this](int rate, bool isUnderstood) {
        saySweep(isUnderstood ? tr("understood at %1").arg(rate) : tr("not understood at %1").arg(rate));
    });
    connect(&line_, &SerialLine::swept, this, [this] {
        const MeasuredFigure told = line_.told();
        saySweep(told.value ? tr("the board talks %1 to %2 bit/s, by %3 rates")
                                  .arg(QString::number(told.value->min.toDouble(), 'f', 0),
                                       QString::number(told.value->max.toDouble(), 'f', 0))
                                  .arg(told.count)
                            : text(told.why));
    });
    connect(&line_, &SerialLine::troubled, this, &LiveWindow::saySweep);
    loadCommands();
    for (const Promise& promise : document_.isOpen() ? document_.plan().promises : std::vector<Promise>()) {
        if (const auto* talks = promise.line.ask.as<TalksAsk>()) {
            rate_->setValue(static_cast<int>(talks->bitsPerSecond.toDouble()));
            break;
        }
    }
}

PillButton* LiveWindow::button(const QString& text, const std::function<void()>& run) {
    auto* made = new PillButton(text);
    made->setTheme(theme_, false);
    connect(made, &QPushButton::clicked, this, run);
    return made;
}

QWidget* LiveWindow::makeInstrument() {
    auto* side = new QWidget;
    auto* layout = new QVBoxLayout(side);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(heading(tr("Instrument")));
    address_->setText(QSettings().value(kAddress, QString("127.0.0.1:%1").arg(kScpiPort)).toString());
    address_->setAccessibleName(tr("Address and port"));
    timeout_->setRange(50, 60'000);
    timeout_->setValue(2000);
    timeout_->setSuffix(tr(" ms"));
    timeout_->setAccessibleName(tr("How long to wait for an answer"));
    auto* first = new QHBoxLayout;
    first->addWidget(address_, 1);
    first->addWidget(timeout_);
    first->addWidget(button(tr("Connect"), [this] { connectInstrument(); }));
    layout->addLayout(first);
    said_->setWordWrap(true);
    said_->setText(tr("asked in SCPI over TCP; nothing is connected"));
    layout->addWidget(said_);
    layout->addWidget(commands_, 2);
    auto* second = new QHBoxLayout;
    second->addWidget(button(tr("Add"), [this] {
        commands_->insertRow(commands_->rowCount());
        commands_->setCurrentCell(commands_->rowCount() - 1, 0);
        commands_->editItem(commands_->currentItem());
    }));
    second->addWidget(button(tr("Remove"), [this] { commands_->removeRow(commands_->currentRow()); }));
    second->addStretch();
    second->addWidget(button(tr("Ask"), [this] { ask(); }));
    second->addWidget(button(tr("Again and again"), [this] { setRepeated(!again_->isActive()); }));
    layout->addLayout(second);
    log_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    layout->addWidget(log_, 3);
    auto* third = new QHBoxLayout;
    track_->setPlaceholderText(tr("a track, such as tick"));
    track_->setAccessibleName(tr("Track to be recorded"));
    third->addWidget(track_, 1);
    third->addWidget(button(tr("Lay its record on the bench"), [this] { record(track_->text()); }));
    layout->addLayout(third);
    return side;
}

QWidget* LiveWindow::makeLine() {
    auto* side = new QWidget;
    auto* layout = new QVBoxLayout(side);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(heading(tr("Serial line")));
    port_->setPlaceholderText(tr("a terminal, such as /dev/ttyUSB0"));
    port_->setAccessibleName(tr("Terminal"));
    rate_->setRange(50, 20'000'000);
    rate_->setValue(115'200);
    rate_->setSuffix(tr(" bit/s"));
    rate_->setAccessibleName(tr("Bit rate"));
    auto* first = new QHBoxLayout;
    first->addWidget(port_, 1);
    first->addWidget(rate_);
    first->addWidget(button(tr("Open"), [this] { openLine(); }));
    layout->addLayout(first);
    heard_->setReadOnly(true);
    heard_->setFont(faceFont(Face::figure));
    heard_->setMaximumBlockCount(kMostLogged);
    heard_->setAccessibleName(tr("What the board said"));
    layout->addWidget(heard_, 1);
    typed_->setPlaceholderText(tr("a line to be sent, Enter sends it"));
    typed_->setAccessibleName(tr("Line to be sent"));
    connect(typed_, &QLineEdit::returnPressed, this, [this] {
        if (line_.isOpen()) {
            line_.send(typed_->text().toUtf8() + "\r\n");
            typed_->clear();
        } else {
            saySweep(tr("no line is open"));
        }
    });
    layout->addWidget(typed_);
    expected_->setPlaceholderText(tr("what it says when it is understood"));
    expected_->setText("wise tick");
    expected_->setAccessibleName(tr("What is listened for"));
    auto* second = new QHBoxLayout;
    second->addWidget(expected_, 1);
    second->addWidget(button(tr("Sweep over rates"), [this] { sweep(); }));
    layout->addLayout(second);
    sweep_->setWordWrap(true);
    layout->addWidget(sweep_);
    return side;
}

QString LiveWindow::said() const {
    return said_->text();
}

QString LiveWindow::sweepSaid() const {
    return sweep_->text();
}

void LiveWindow::say(const QString& text, bool isTrouble) {
    said_->setText(text);
    QPalette colours = said_->palette();
    colours.setColor(QPalette::WindowText, isTrouble ? theme_.broken : theme_.ink);
    said_->setPalette(colours);
}

void LiveWindow::saySweep(const QString& text) {
    sweep_->setText(text);
}

void LiveWindow::loadCommands() {
    const QStringList kept = QSettings().value(kCommands).toStringList();
    std::vector<std::pair<QString, QString>> rows = kUsual;
    if (!kept.isEmpty()) {
        rows.clear();
        for (qsizetype i = 0; i + 1 < kept.size(); i += 2) {
            rows.emplace_back(kept[i], kept[i + 1]);
        }
    }
    for (const auto& [what, command] : rows) {
        const int row = commands_->rowCount();
        commands_->insertRow(row);
        commands_->setItem(row, 0, new QTableWidgetItem(what));
        commands_->setItem(row, 1, new QTableWidgetItem(command));
    }
    connect(commands_, &QTableWidget::itemChanged, this, &LiveWindow::saveCommands);
}

void LiveWindow::saveCommands() const {
    QStringList kept;
    for (int row = 0; row < commands_->rowCount(); ++row) {
        for (int column = 0; column < 2; ++column) {
            const QTableWidgetItem* item = commands_->item(row, column);
            kept << (item == nullptr ? QString() : item->text());
        }
    }
    QSettings().setValue(kCommands, kept);
}

void LiveWindow::connectInstrument() {
    const QString whole = address_->text().trimmed();
    const QString host = whole.section(':', 0, -2);
    bool isNumber = false;
    const int port = whole.section(':', -1).toInt(&isNumber);
    if (!isNumber || port < 1 || port > 65535 || host.isEmpty()) {
        say(tr("'%1'; expected an address and a port, such as 127.0.0.1:%2").arg(whole).arg(kScpiPort), true);
        return;
    }
    QSettings().setValue(kAddress, whole);
    say(tr("connecting \u2026"));
    instrument_.open(host, static_cast<quint16>(port), timeout_->value());
}

void LiveWindow::ask() {
    if (!instrument_.isOpen()) {
        say(tr("no instrument is connected"), true);
        setRepeated(false);
        return;
    }
    const bool hasToAnswer = instrument_.waiting() > 0;
    asksNext_ = hasToAnswer && !again_->isActive(); // when it has; who asks again and again asks soon anyway
    if (hasToAnswer) {
        return;
    }
    for (int row = 0; row < commands_->rowCount(); ++row) {
        const QTableWidgetItem* command = commands_->item(row, 1);
        if (command != nullptr && !command->text().trimmed().isEmpty()) {
            instrument_.send(command->text());
        }
    }
}

void LiveWindow::setRepeated(bool isRepeated) {
    if (isRepeated) {
        again_->start();
        ask();
    } else {
        again_->stop();
    }
}

void LiveWindow::note(const QString& command, const QByteArray& answer) {
    if (!recording_.isEmpty() && command == recording_) {
        recording_.clear();
        const QString folder = QStandardPaths::writableLocation(QStandardPaths::TempLocation);
        const QString path =
            QDir(folder).filePath("wisetick-record-" + QDateTime::currentDateTime().toString("yyyyMMdd-hhmmss-zzz") + ".vcd");
        const QString why = text(writeWholeFile(path.toStdString(), answer.toStdString()));
        if (why.isEmpty()) {
            work_.readFile(path);
            say(tr("its record lies on the bench"));
        } else {
            say(path + ": " + why, true);
        }
        return;
    }
    if (command == "*IDN?") {
        return;
    }
    QString what = command;
    for (int row = 0; row < commands_->rowCount(); ++row) {
        const QTableWidgetItem* name = commands_->item(row, 0);
        const QTableWidgetItem* asked = commands_->item(row, 1);
        if (name != nullptr && asked != nullptr && asked->text().trimmed() == command) {
            what = name->text();
        }
    }
    if (log_->rowCount() >= kMostLogged) {
        log_->removeRow(0);
    }
    const int row = log_->rowCount();
    log_->insertRow(row);
    const QString shown = answer.startsWith("9.91E37") ? tr("not a number") : QString::fromUtf8(answer);
    log_->setItem(row, 0, new QTableWidgetItem(QDateTime::currentDateTime().toString("hh:mm:ss.zzz")));
    log_->setItem(row, 1, new QTableWidgetItem(what));
    log_->setItem(row, 2, new QTableWidgetItem(shown));
    log_->scrollToBottom();
}

QString LiveWindow::logText() const {
    QString csv = "time,what,answer\n";
    for (int row = 0; row < log_->rowCount(); ++row) {
        QStringList cells;
        for (int column = 0; column < 3; ++column) {
            QString cell = log_->item(row, column)->text();
            if (cell.contains(QRegularExpression("[,\"\n]"))) {
                cell = '"' + cell.replace("\"", "\"\"") + '"';
            }
            cells << cell;
        }
        csv += cells.join(',') + "\n";
    }
    return csv;
}

void LiveWindow::record(const QString& track) {
    recording_ = QString("TRACe:DATA? \"%1\"").arg(track.trimmed());
    instrument_.send(recording_);
}

void LiveWindow::openLine() {
    if (port_->text().trimmed().isEmpty()) {
        saySweep(tr("no terminal is named; expected one such as /dev/ttyUSB0"));
        port_->setFocus();
        return;
    }
    const QString why = line_.open(port_->text().trimmed(), rate_->value(), {});
    saySweep(why.isEmpty() ? tr("%1 is open at %2 bit/s").arg(port_->text().trimmed()).arg(rate_->value()) : why);
}

void LiveWindow::sweep() {
    const int middle = rate_->value();
    const int from = middle - middle * kSweepShare / 100;
    const int to = middle + middle * kSweepShare / 100;
    line_.sweep(from, to, std::max(1, (to - from) / kSweepSteps), expected_->text().toUtf8(), kListen);
}

} // namespace wisetick::app
