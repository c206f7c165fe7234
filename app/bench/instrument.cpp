#include "bench/instrument.h"

#include "bench/scpi_board.h"

#include <QTcpSocket>
#include <QTimer>

namespace wisetick::app {

namespace {

constexpr qsizetype kMostAnswer = 256 * 1024 * 1024; ///< bytes

bool isQuestion(const QString& command) {
    const QString header = command.trimmed().section(' ', 0, 0);
    return header.endsWith('?');
}

} // namespace

Instrument::Instrument(QObject* parent) : QObject(parent), socket_(new QTcpSocket(this)), patience_(new QTimer(this)) {
    patience_->setSingleShot(true);
    connect(socket_, &QTcpSocket::connected, this, [this] { send("*IDN?"); });
    connect(socket_, &QTcpSocket::readyRead, this, &Instrument::read);
    connect(socket_, &QTcpSocket::errorOccurred, this, [this] { fail(socket_->errorString()); });
    connect(patience_, &QTimer::timeout, this, [this] {
        fail(asked_.empty() ? tr("nobody answers there")
                            : tr("no answer to %1 within %2 ms").arg(asked_.front()).arg(patience_->interval()));
    });
}

Instrument::~Instrument() {
    socket_->disconnect(this);
}

void Instrument::open(const QString& host, quint16 port, int timeout) {
    close();
    identity_.clear();
    got_.clear();
    patience_->setInterval(timeout);
    patience_->start();
    socket_->connectToHost(host, port);
}

void Instrument::close() {
    patience_->stop();
    asked_.clear();
    const bool wasOpen = isOpen();
    socket_->abort();
    if (wasOpen) {
        emit closed();
    }
}

bool Instrument::isOpen() const {
    return socket_->state() == QAbstractSocket::ConnectedState;
}

void Instrument::send(const QString& command) {
    if (!isOpen()) {
        emit troubled(tr("no instrument is connected"));
        return;
    }
    const QString line = command.trimmed();
    if (isQuestion(line)) {
        asked_.push_back(line);
        patience_->start();
    }
    socket_->write(line.toUtf8() + '\n');
}

bool Instrument::takeAnswer(QByteArray& answer) {
    if (got_.startsWith('#')) { // a block may hold line ends
        const auto content = blockContent(std::string_view(got_.constData(), static_cast<std::size_t>(got_.size())));
        if (!content) {
            return false;
        }
        const qsizetype size = 2 + (got_[1] - '0') + static_cast<qsizetype>(content->size());
        if (got_.size() <= size) {
            return false; // the end of the line is still to come
        }
        answer = QByteArray::fromStdString(*content);
        got_.remove(0, got_.indexOf('\n', size) < 0 ? got_.size() : got_.indexOf('\n', size) + 1);
        return true;
    }
    const qsizetype end = got_.indexOf('\n');
    if (end < 0) {
        return false;
    }
    answer = got_.left(end).trimmed();
    got_.remove(0, end + 1);
    return true;
}

void Instrument::read() {
    got_ += socket_->readAll();
    if (got_.size() > kMostAnswer) {
        fail(tr("it says too much"));
        return;
    }
    patience_->start(); // it is still talking
    QByteArray answer;
    while (takeAnswer(answer)) {
        if (asked_.empty()) {
            continue; // nobody asked
        }
        const QString command = asked_.front();
        asked_.pop_front();
        if (identity_.isEmpty() && command == "*IDN?") {
            identity_ = QString::fromUtf8(answer);
            emit opened();
        }
        emit answered(command, answer);
    }
    if (asked_.empty()) {
        patience_->stop();
    }
}

void Instrument::fail(const QString& why) {
    close();
    emit troubled(why);
}

} // namespace wisetick::app
