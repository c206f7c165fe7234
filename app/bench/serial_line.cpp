#include "bench/serial_line.h"

#include <QSerialPort>
#include <QTimer>

#include <algorithm>

namespace wisetick::app {

namespace {

constexpr int kMostSilent = 6; ///< times that it listens at a rate where nothing comes

} // namespace

SerialLine::SerialLine(QObject* parent) : QObject(parent), port_(new QSerialPort(this)), listening_(new QTimer(this)) {
    listening_->setSingleShot(true);
    connect(listening_, &QTimer::timeout, this, [this] {
        if (heard_.isEmpty() && ++silent_ < kMostSilent) {
            listening_->start();
        } else {
            finishOne();
        }
    });
    connect(port_, &QSerialPort::readyRead, this, [this] {
        const QByteArray bytes = port_->readAll();
        if (!isSweeping()) {
            emit received(bytes);
            return;
        }
        heard_ += bytes;
        if (heard_.contains(expected_)) {
            listening_->stop();
            finishOne();
        }
    });
    connect(port_, &QSerialPort::errorOccurred, this, [this](QSerialPort::SerialPortError error) {
        if (error == QSerialPort::ResourceError) { // it was pulled
            emit troubled(port_->errorString());
            close();
        }
    });
}

SerialLine::~SerialLine() {
    port_->disconnect(this);
}

QString SerialLine::open(const QString& name, int rate, const UartFrame& frame) {
    close();
    frame_ = frame;
    port_->setPortName(name);
    port_->setBaudRate(rate);
    port_->setDataBits(frame.dataBits == 7 ? QSerialPort::Data7 : QSerialPort::Data8);
    port_->setParity(frame.parity == 'E'   ? QSerialPort::EvenParity
                     : frame.parity == 'O' ? QSerialPort::OddParity
                                           : QSerialPort::NoParity);
    port_->setStopBits(frame.stopBits == 2 ? QSerialPort::TwoStop : QSerialPort::OneStop);
    if (!port_->open(QIODevice::ReadWrite)) {
        return tr("%1: %2").arg(name, port_->errorString());
    }
    return {};
}

void SerialLine::close() {
    listening_->stop();
    rates_.clear();
    if (port_->isOpen()) {
        port_->close();
    }
}

bool SerialLine::isOpen() const {
    return port_->isOpen();
}

int SerialLine::rate() const {
    return port_->baudRate();
}

void SerialLine::send(const QByteArray& bytes) {
    port_->write(bytes);
}

void SerialLine::sweep(int from, int to, int step, const QByteArray& expected, int listen) {
    if (!isOpen() || step <= 0 || to < from || expected.isEmpty()) {
        emit troubled(isOpen() ? tr("a sweep needs rates upwards, and a text that is listened for") : tr("no line is open"));
        return;
    }
    before_ = port_->baudRate();
    expected_ = expected;
    tried_.clear();
    rates_.clear();
    for (int rate = to - (to - from) % step; rate >= from; rate -= step) {
        rates_.push_back(rate);
    }
    listening_->setInterval(listen);
    tryNext();
}

void SerialLine::tryNext() {
    port_->setBaudRate(rates_.back());
    port_->clear(); // what came at another rate
    heard_.clear();
    silent_ = 0;
    listening_->start();
}

void SerialLine::finishOne() {
    const int rate = rates_.back();
    const bool isUnderstood = heard_.contains(expected_);
    tried_.push_back({Rational(rate), isUnderstood});
    rates_.pop_back();
    emit triedOne(rate, isUnderstood);
    if (isSweeping()) {
        tryNext();
        return;
    }
    port_->setBaudRate(before_);
    emit swept();
}

MeasuredFigure SerialLine::told() const {
    return rateBySweep(tried_, frame_);
}

} // namespace wisetick::app
