#pragma once

#include <QByteArray>
#include <QObject>
#include <QString>

#include <deque>

class QTcpSocket;
class QTimer;

namespace wisetick::app {

/// An instrument that is asked in SCPI over TCP (IEEE 488.2: a command a line). Nothing is opened before open() is called.
class Instrument : public QObject {
    Q_OBJECT

public:
    explicit Instrument(QObject* parent = nullptr);
    ~Instrument() override;

    /// Connects and asks what it is; `timeout` in ms holds for this and for each answer.
    void open(const QString& host, quint16 port, int timeout);
    void close();
    bool isOpen() const;
    /// What it says it is; empty until it said so.
    const QString& identity() const { return identity_; }
    /// Sends a command; one that ends its header with '?' is answered, in the order of asking.
    void send(const QString& command);
    /// What still waits for an answer.
    std::size_t waiting() const { return asked_.size(); }

signals:
    void opened();
    void closed();
    void answered(const QString& command, const QByteArray& answer);
    void troubled(const QString& why);

private:
    void read();
    /// Takes the first whole answer off what came; false where there is none yet.
    bool takeAnswer(QByteArray& answer);
    void fail(const QString& why);

    QTcpSocket* socket_;
    QTimer* patience_;
    QString identity_;
    QByteArray got_;
    std::deque<QString> asked_;
};

} // namespace wisetick::app
