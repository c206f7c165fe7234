#include "desk/pictures.h"
#include "paint/text.h"
#include "picture/picture_text.h"
#include "promise/uart.h"
#include "quantity/quantity_print.h"

#include <QObject>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

/// "9600", "115k", "1.5M".
QString shortRate(const Rational& rate) {
    const double value = rate.toDouble();
    if (value < 10000) {
        return QString::number(value, 'g', 4);
    }
    const double scaled = value < 1e6 ? value / 1e3 : value / 1e6;
    const double step = scaled < 100 ? 10 : 1; // three digits, as the trade cuts them: 921600 is 921k
    return QString::number(std::floor(scaled * step) / step) + (value < 1e6 ? "k" : "M");
}

QString shortError(const Rational& error) {
    const double percent = error.toDouble() * 100;
    if (error.isZero()) {
        return "0";
    }
    if (std::abs(percent) < 0.005) {
        return QString::fromUtf8("\u22480"); // no sign without a figure
    }
    const QString number = QString::number(std::abs(percent), 'f', std::abs(percent) < 10 ? 2 : 0);
    return (percent < 0 ? QString::fromUtf8("\u2212") : "+") + number;
}

struct CommonRate {
    Rational rate;
    Way way;
    bool isAsked = false;
};

/// The error at every common rate as a drop on a stem, with the allowed band behind and the figures below.
Picture ratesPicture(std::vector<CommonRate> all, double allowed) {
    Picture picture;
    picture.title = QObject::tr("Error at the common rates");
    picture.hint = QObject::tr("in %, at this clock; the band is what is allowed");
    picture.height = 128 + 2 * lineHeight(Face::small);
    picture.paint = [all = std::move(all), allowed](QPainter& painter, const QRectF& area, const Theme& theme) {
        const qreal axisWidth = textWidth(Face::small, QString::fromUtf8("\u22120.00")) + 10;
        const double most = std::max(2.5 * allowed, 0.01);
        const qreal top = area.top() + 6;
        const qreal bottom = area.bottom() - 2 * lineHeight(Face::small) - 8;
        const qreal left = area.left() + axisWidth;
        const qreal right = area.right() - 12;
        const auto at = [&](double error) {
            return (top + bottom) / 2 - std::clamp(error / most, -1.0, 1.0) * (bottom - top) / 2;
        };
        std::vector<CommonRate> rates = all;
        const qreal narrowest = std::max(textWidth(Face::small, "38.4k"), textWidth(Face::small, "+0.16")) + 6;
        static const std::vector<std::vector<Rational>> lesser{{1200, 14400, 28800, 76800, 250000, 1500000},
                                                               {2400, 4800, 38400, 57600, 500000, 3000000},
                                                               {19200, 230400, 460800, 2000000}};
        for (const std::vector<Rational>& some : lesser) { // the less common ones make room
            if ((right - left) / static_cast<qreal>(rates.size()) < narrowest) {
                std::erase_if(rates, [&](const CommonRate& rate) {
                    return !rate.isAsked && std::find(some.begin(), some.end(), rate.rate) != some.end();
                });
            }
        }
        const qreal each = (right - left) / static_cast<qreal>(rates.size());
        for (std::size_t i = 0; i < rates.size(); ++i) {
            if (rates[i].isAsked) {
                painter.fillRect(QRectF(left + each * static_cast<qreal>(i), top, each, area.bottom() - top), theme.selected);
            }
        }
        painter.fillRect(QRectF(QPointF(left, at(allowed)), QPointF(right, at(-allowed))), theme.rail);
        for (const double step : {-allowed, 0.0, allowed}) {
            painter.setPen(QPen(step == 0 ? theme.muted : theme.railEdge, 1));
            painter.drawLine(QPointF(left, at(step)), QPointF(right, at(step)));
            const QString label = step == 0 ? QString("0") : shortError(quantised(step, powerOfTen(-6)));
            drawText(painter, QRectF(area.left() - 8, at(step) - 8, axisWidth + 4, 16), Qt::AlignRight, label, Face::small,
                     theme.muted);
        }
        for (std::size_t i = 0; i < rates.size(); ++i) {
            const CommonRate& rate = rates[i];
            const qreal x = left + each * (static_cast<qreal>(i) + 0.5);
            const double error = rate.way.error.nominal.toDouble();
            const bool isOut = std::abs(error) > most;
            const QColor colour = theme.of(rate.way.state);
            painter.setPen(QPen(colour, 1.6));
            painter.drawLine(QPointF(x, at(0)), QPointF(x, at(error)));
            drawMark(painter, QRectF(x - 5, at(error) - 5, 10, 10), rate.way.state, theme);
            if (isOut) { // it goes on beyond the picture
                painter.setPen(QPen(colour, 1.6));
                const qreal tip = error > 0 ? top - 4 : bottom + 4;
                const qreal side = error > 0 ? 4 : -4;
                painter.drawLine(QPointF(x - 4, tip + side), QPointF(x, tip));
                painter.drawLine(QPointF(x + 4, tip + side), QPointF(x, tip));
            }
            const QRectF label(x - each / 2, bottom + 6, each, lineHeight(Face::small));
            drawText(painter, label, Qt::AlignHCenter, shortRate(rate.rate), Face::small, rate.isAsked ? theme.ink : theme.muted);
            drawText(painter, label.translated(0, lineHeight(Face::small)), Qt::AlignHCenter, shortError(rate.way.error.nominal),
                     Face::small, rate.way.state == State::broken ? theme.broken : theme.ink);
        }
    };
    return picture;
}

/// The frame bit by bit as the receiver cuts it, and the last bit large: where it is sampled at both ends of the clock.
Picture lastBitPicture(const Way& way, const UartFrame& frame, std::int64_t oversample) {
    const int bits = 2 + frame.dataBits + (frame.parity == 'N' ? 0 : 1);
    const FrameWindow window = frameWindow(frame, oversample);
    Picture picture;
    picture.title = QObject::tr("The last bit that is sampled");
    picture.hint = QObject::tr("bit %1 of %2; ours may be off from %3 to %4, what is left is the other end's")
                       .arg(bits)
                       .arg(text(printFrame(frame)))
                       .arg(text(printError(window.low)), text(printError(window.high)));
    picture.height = 92 + lineHeight(Face::small);
    picture.paint = [=](QPainter& painter, const QRectF& area, const Theme& theme) {
        const qreal left = area.left() + 12;
        const qreal right = area.right() - 16;
        const qreal bit = (right - left) / (bits + 0.6);
        const qreal top = area.top() + 8;
        const qreal bottom = top + 40;
        painter.setPen(QPen(theme.line, 1));
        QStringList names{QObject::tr("start")};
        for (int i = 0; i < frame.dataBits; ++i) {
            names << QString::number(i);
        }
        if (frame.parity != 'N') {
            names << QObject::tr("parity");
        }
        names << QObject::tr("stop");
        for (int i = 0; i < bits; ++i) {
            const QRectF cell(left + bit * i, top, bit, bottom - top);
            const bool isLast = i == bits - 1;
            painter.setPen(QPen(isLast ? theme.railEdge : theme.line, 1));
            painter.setBrush(isLast ? theme.rail : theme.panel);
            painter.drawRect(cell);
            drawText(painter, QRectF(cell.left(), bottom + 2, bit, lineHeight(Face::small)), Qt::AlignHCenter, names[i],
                     Face::small, isLast ? theme.ink : theme.muted);
            // the middle of each bit, drawn out to both corners of our clock
            const auto sampled = [&](const Rational& error) { return left + bit * (i + 0.5) * (1 + error.toDouble()); };
            const qreal early = sampled(way.error.min);
            const qreal late = sampled(way.error.max);
            QColor band = theme.of(way.state);
            band.setAlphaF(0.3F);
            painter.fillRect(QRectF(early, top + 4, std::max(late - early, 1.5), bottom - top - 8), band);
            painter.setPen(QPen(theme.of(way.state), isLast ? 2.4 : 1.2));
            const qreal at = sampled(way.error.nominal);
            painter.drawLine(QPointF(at, top + 4), QPointF(at, bottom - 4));
        }
        // how much of the window is used
        const qreal y = bottom + lineHeight(Face::small) + 18;
        const qreal middle = (left + right) / 2;
        const double most = std::max(-window.low.toDouble(), window.high.toDouble()) * 1.1;
        const auto at = [&](double error) { return middle + std::clamp(error / most, -1.0, 1.0) * (right - left) / 2; };
        painter.setPen(QPen(theme.railEdge, 1));
        painter.setBrush(theme.rail);
        painter.drawRoundedRect(QRectF(QPointF(at(window.low.toDouble()), y - 5), QPointF(at(window.high.toDouble()), y + 5)), 3,
                                3);
        painter.setPen(QPen(theme.muted, 1));
        painter.drawLine(QPointF(at(0), y - 9), QPointF(at(0), y + 9));
        painter.setPen(QPen(theme.of(way.state), 2.4));
        painter.drawLine(QPointF(at(way.error.min.toDouble()), y), QPointF(at(way.error.max.toDouble()), y));
        painter.drawLine(QPointF(at(way.error.nominal.toDouble()), y - 7), QPointF(at(way.error.nominal.toDouble()), y + 7));
    };
    return picture;
}

} // namespace

std::vector<Picture> uartPictures(const DeskScene& scene, const UartKind& uart, const TalksAsk& ask) {
    const std::vector<Way> table = uartTable(uart, ask, *scene.desk.clock);
    const auto way = scene.taken();
    if (table.empty() || !way) {
        return {};
    }
    const auto oversample = settingOf(*way, "oversample").toInt64().value_or(16);
    const Rational allowed = ask.tolerance.within ? *ask.tolerance.within : defaultUartTolerance(ask.frame, oversample);
    std::vector<CommonRate> rates;
    for (std::size_t i = 0; i < table.size(); ++i) {
        const Rational rate = commonBitRates()[i];
        if (rates.empty() ? ask.bitsPerSecond < rate : rates.back().rate < ask.bitsPerSecond && ask.bitsPerSecond < rate) {
            rates.push_back({ask.bitsPerSecond, *way, true}); // one that is not common has its place too
        }
        rates.push_back({rate, ask.bitsPerSecond == rate ? *way : table[i], ask.bitsPerSecond == rate});
    }
    if (rates.back().rate < ask.bitsPerSecond) {
        rates.push_back({ask.bitsPerSecond, *way, true});
    }
    std::vector<Picture> pictures{ratesPicture(std::move(rates), std::max(allowed.toDouble(), 1e-4)),
                                  lastBitPicture(*way, ask.frame, oversample)};
    if (auto waking = wakingPicture(
            scene, WakingBit{1 / ask.bitsPerSecond,
                             latestStart(ask.frame, oversample, largestMagnitude(way->error)) / ask.bitsPerSecond})) {
        pictures.push_back(std::move(*waking));
    }
    return pictures;
}

} // namespace wisetick::app
