#pragma once

#include "bench/rate_sweep.h"

#include <QByteArray>
#include <QObject>
#include <QString>

#include <vector>

class QSerialPort;
class QTimer;

namespace wisetick::app {

/// A serial line that is listened to, and a sweep over rates that tells at which of them the board is understood.
class SerialLine : public QObject {
    Q_OBJECT

public:
    explicit SerialLine(QObject* parent = nullptr);
    ~SerialLine() override;

    /// Why it can't be opened; empty where it is open.
    QString open(const QString& name, int rate, const UartFrame& frame);
    void close();
    bool isOpen() const;
    int rate() const;
    void send(const QByteArray& bytes);

    /// Listens at each rate from `from` to `to`, bit/s, for so many ms; where `expected` comes in, the board is understood.
    /// Silence tells nothing: it listens again, some times.
    void sweep(int from, int to, int step, const QByteArray& expected, int listen);
    bool isSweeping() const { return !rates_.empty(); }
    const std::vector<RateTried>& tried() const { return tried_; }
    /// What the rates that were tried tell.
    MeasuredFigure told() const;

signals:
    void received(const QByteArray& bytes);
    void triedOne(int rate, bool isUnderstood);
    void swept();
    void troubled(const QString& why);

private:
    void tryNext();
    void finishOne();

    QSerialPort* port_;
    QTimer* listening_;
    UartFrame frame_;
    std::vector<int> rates_; ///< still to be tried, the last first
    std::vector<RateTried> tried_;
    QByteArray expected_;
    QByteArray heard_;
    int before_ = 0; ///< the rate that it had before the sweep
    int silent_ = 0; ///< times that nothing at all was heard at a rate
};

} // namespace wisetick::app
