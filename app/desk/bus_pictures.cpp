#include "desk/pictures.h"
#include "paint/log_axis.h"
#include "paint/text.h"
#include "picture/picture_text.h"
#include "promise/adc.h"
#include "promise/i2c.h"
#include "promise/spi.h"
#include "quantity/quantity_print.h"

#include <QObject>

#include <algorithm>

namespace wisetick::app {

namespace {

/// One stretch of a strip of time.
struct Stretch {
    QString name;
    Rational lasts;
    bool isStrong = false;
};

/// Stretches one after the other on a common scale, with an end that must not be passed.
Picture stripPicture(const QString& title, const QString& hint, std::vector<Stretch> stretches,
                     const std::optional<Rational>& limit, State state) {
    Picture picture;
    picture.title = title;
    picture.hint = hint;
    picture.height = 52 + lineHeight(Face::small);
    picture.paint = [stretches = std::move(stretches), limit, state](QPainter& painter, const QRectF& area, const Theme& theme) {
        Rational whole;
        for (const Stretch& stretch : stretches) {
            whole += stretch.lasts;
        }
        const double most = std::max(whole, limit.value_or(Rational(0))).toDouble();
        const qreal left = area.left() + 12;
        const qreal width = area.width() - 44;
        const qreal top = area.top() + 8;
        Rational from;
        bool isOdd = false;
        for (const Stretch& stretch : stretches) {
            const QRectF cell(left + width * from.toDouble() / most, top, width * stretch.lasts.toDouble() / most, 30);
            painter.setPen(QPen(theme.railEdge, 1));
            painter.setBrush(stretch.isStrong ? theme.rail : (isOdd ? theme.selected : theme.panel));
            painter.drawRect(cell);
            const QString label = stretch.name + " " + timeText(stretch.lasts);
            const QString shown = textWidth(Face::small, label) + 6 < cell.width()
                                      ? label
                                      : (textWidth(Face::small, stretch.name) + 6 < cell.width() ? stretch.name : QString());
            drawText(painter, cell, Qt::AlignHCenter, shown, Face::small, theme.ink);
            from += stretch.lasts;
            isOdd = !isOdd;
        }
        const qreal end = left + width * whole.toDouble() / most;
        painter.setPen(QPen(theme.of(state), 2.4));
        painter.drawLine(QPointF(end, top - 5), QPointF(end, top + 35));
        const auto below = [&](qreal x, const QString& label, const QColor& colour) {
            const qreal labelWidth = textWidth(Face::small, label) + 4;
            drawText(painter,
                     QRectF(std::clamp(x - labelWidth / 2, left, left + width + 20 - labelWidth), top + 37, labelWidth,
                            lineHeight(Face::small)),
                     Qt::AlignHCenter, label, Face::small, colour);
        };
        if (limit) {
            const qreal x = left + width * limit->toDouble() / most;
            painter.setPen(QPen(theme.ink, 1.4, Qt::DashLine));
            painter.drawLine(QPointF(x, top - 5), QPointF(x, top + 35));
            const bool isApart = std::abs(x - end) > 90;
            if (isApart) {
                below(x, QObject::tr("%1 there are").arg(timeText(*limit)), theme.muted);
            }
        }
        below(end, timeText(whole), theme.ink);
    };
    return picture;
}

} // namespace

std::vector<Picture> adcPictures(const DeskScene& scene, const AdcKind& adc, const TakesAsk& ask) {
    const auto way = scene.taken();
    if (!way) {
        return {};
    }
    const Rational hertz = scene.desk.clock->hertz.nominal / settingOf(*way, "divide");
    const auto bits = settingOf(*way, "bits").toInt64().value_or(0);
    Rational cycles;
    for (const auto& [resolution, count] : adc.conversion) {
        cycles = resolution == bits ? count : cycles;
    }
    const Rational sample = settingOf(*way, "sample") / hertz;
    const Rational conversion = cycles / hertz;
    const Rational least = leastSampleTime(adc, ask, bits);
    std::vector<Picture> pictures;
    pictures.push_back(stripPicture(
        QObject::tr("One conversion"),
        least.sign() > 0 ? QObject::tr("sampling must last %1 with this source").arg(timeText(least))
                         : QObject::tr("%1 bit at %2").arg(bits).arg(text(printQuantity(hertz, Unit::hertz))),
        {{QObject::tr("sampling"), sample, true}, {QObject::tr("conversion"), conversion}}, std::nullopt, way->state));
    if (least.sign() > 0) {
        pictures.push_back(stripPicture(QObject::tr("Charging through the source"), QObject::tr("dashed: the sampling there is"),
                                        {{QObject::tr("charging"), least, true}}, sample, way->state));
    }
    const std::int64_t channels = ask.channels.value_or(Rational(1)).toInt64().value_or(1);
    std::vector<Stretch> scan;
    if (ask.onceIn && adc.start) {
        scan.push_back({QObject::tr("start"), *adc.start, false});
    }
    const std::int64_t shown = std::min<std::int64_t>(channels, 24);
    const Rational each = (sample + conversion) * ask.oversampled.value_or(Rational(1)) * channels / shown;
    for (std::int64_t i = 0; i < shown; ++i) {
        scan.push_back({QString::number(i + 1), each, i % 2 == 0});
    }
    pictures.push_back(stripPicture(QObject::tr("One sample of every channel"),
                                    ask.oversampled ? QObject::tr("%1 conversions each").arg(text(ask.oversampled->toString()))
                                                    : QObject::tr("one after the other"),
                                    std::move(scan), ask.onceIn ? *ask.onceIn : 1 / ask.samplesPerSecond, way->state));
    return pictures;
}

std::vector<Picture> busPictures(const DeskScene& scene, const I2cKind& bus, const BusAsk& ask) {
    const auto way = scene.taken();
    const auto grade = i2cGrade(ask.hertz);
    if (!way || !grade) {
        return {};
    }
    const Rational& hertz = scene.desk.clock->hertz.nominal;
    const Rational prescaler = settingOf(*way, "prescaler");
    const Rational low = (prescaler * settingOf(*way, "low") + bus.fixedLow) / hertz;
    const Rational high = (prescaler * settingOf(*way, "high") + bus.fixedHigh) / hertz;
    const Rational rise = riseOf(ask);
    const Rational fall = ask.fall.value_or(Rational(0));
    const State state = way->state;
    Picture picture;
    picture.title = QObject::tr("A cycle of the clock line");
    picture.hint = QObject::tr("%1 mode: low at least %2, high at least %3, rise at most %4")
                       .arg(text(grade->name), timeText(grade->low), timeText(grade->high), timeText(grade->longestRise));
    picture.height = 96 + lineHeight(Face::small);
    picture.paint = [=](QPainter& painter, const QRectF& area, const Theme& theme) {
        const qreal left = area.left() + 12;
        const Rational whole = low + rise + high + fall;
        const qreal perSecond = (area.width() - 44) / (whole + low).toDouble();
        const qreal top = area.top() + 10;
        const qreal bottom = top + 44;
        QPolygonF shape;
        qreal x = left;
        for (int cycle = 0; cycle < 2; ++cycle) {
            shape << QPointF(x, bottom) << QPointF(x + low.toDouble() * perSecond, bottom);
            x += low.toDouble() * perSecond;
            if (cycle == 1) {
                break;
            }
            x += rise.toDouble() * perSecond;
            shape << QPointF(x, top);
            x += high.toDouble() * perSecond;
            shape << QPointF(x, top);
            x += fall.toDouble() * perSecond;
        }
        painter.setPen(QPen(theme.of(state), 2.2));
        painter.setBrush(Qt::NoBrush);
        painter.drawPolyline(shape);
        const qreal unit = perSecond;
        const auto minimum = [&](qreal from, const Rational& least, qreal y) { // what the bus wants, as a bar beside the phase
            painter.setPen(Qt::NoPen);
            painter.setBrush(theme.rail);
            painter.drawRoundedRect(QRectF(from, y, least.toDouble() * unit, 6), 3, 3);
        };
        const qreal highFrom = left + (low + rise).toDouble() * unit;
        minimum(left, grade->low, bottom + 6);
        minimum(highFrom, grade->high, top - 10);
        const auto label = [&](qreal from, const Rational& lasts, const QString& name, qreal y) {
            drawText(painter, QRectF(from + 4, y, lasts.toDouble() * unit - 8, lineHeight(Face::small)), Qt::AlignHCenter,
                     name + " " + timeText(lasts), Face::small, theme.ink);
        };
        label(left, low, QObject::tr("low"), bottom - lineHeight(Face::small) - 4);
        label(highFrom, high, QObject::tr("high"), top + 6);
        const qreal y = bottom + 20;
        painter.setPen(QPen(theme.muted, 1));
        painter.drawLine(QPointF(left, y), QPointF(left + whole.toDouble() * unit, y));
        drawText(painter, QRectF(left, y + 2, whole.toDouble() * unit, lineHeight(Face::small)), Qt::AlignHCenter,
                 QObject::tr("%1, so %2").arg(timeText(whole), text(printQuantity(1 / whole, Unit::hertz, 5))), Face::small,
                 theme.ink);
    };
    std::vector<Picture> pictures{std::move(picture)};
    if (auto waking = wakingPicture(scene, std::nullopt)) {
        pictures.push_back(std::move(*waking));
    }
    return pictures;
}

std::vector<Picture> portPictures(const DeskScene& scene, const SpiKind& spi, const ClocksAsk& ask) {
    const auto way = scene.taken();
    if (!way) {
        return {};
    }
    const Rational hertz = scene.desk.clock->hertz.nominal;
    std::vector<Way> ways = scene.desk.ways;
    const Rational chosen = settingOf(*way, "divide");
    std::vector<double> rates;
    for (std::int64_t i = 0; i < spi.divide.size().toInt64().value_or(0) && i < 512; ++i) {
        rates.push_back((hertz / spi.divide.at(i)).toDouble());
    }
    const Rational got = way->got.nominal;
    const State state = way->state;
    std::vector<Picture> pictures;
    Picture ladder;
    ladder.title = QObject::tr("The rates that its dividers give");
    ladder.hint =
        QObject::tr("the fastest up to %1 is taken: %2 \u00f7 %3")
            .arg(text(printQuantity(ask.hertz, Unit::hertz)), text(printQuantity(hertz, Unit::hertz)), text(printFactor(chosen)));
    ladder.height = lineHeight(Face::small) * 2 + 46;
    ladder.paint = [=](QPainter& painter, const QRectF& area, const Theme& theme) {
        const double limit = ask.hertz.toDouble();
        const LogAxis axis(std::min(rates.empty() ? limit : rates.back(), limit),
                           std::max(rates.empty() ? limit : rates.front(), limit), area.left() + 16, area.right() - 24);
        axis.draw(painter, QRectF(area.left(), area.top(), area.width(), lineHeight(Face::small) + 34), Unit::hertz, theme);
        const qreal y = area.top() + lineHeight(Face::small) + 20;
        painter.setPen(QPen(theme.railEdge, 1));
        painter.setBrush(theme.rail);
        painter.drawRoundedRect(QRectF(QPointF(axis.left(), y - 5), QPointF(axis.at(limit), y + 5)), 3, 3);
        for (const double rate : rates) {
            painter.setPen(QPen(rate <= limit ? theme.kept : theme.muted, 1));
            painter.drawLine(QPointF(axis.at(rate), y - 4), QPointF(axis.at(rate), y + 4));
        }
        drawMark(painter, QRectF(axis.at(got.toDouble()) - 6, y - 6, 12, 12), state, theme);
        drawText(painter, QRectF(axis.at(got.toDouble()) - 60, y + 8, 120, lineHeight(Face::small)), Qt::AlignHCenter,
                 text(printQuantity(got, Unit::hertz, 5)), Face::small, theme.ink);
    };
    pictures.push_back(std::move(ladder));
    if (ask.reading) {
        std::vector<Stretch> read{{QObject::tr("command"), Rational(8) / got}, {QObject::tr("address"), Rational(24) / got}};
        if (ask.dummy) {
            read.push_back({QObject::tr("dummy"), *ask.dummy / got});
        }
        read.push_back({QObject::tr("data"), (*ask.reading * 8 / spiLanes(spi, ask)).ceil() / got, true});
        pictures.push_back(stripPicture(QObject::tr("Reading %1").arg(text(printQuantity(*ask.reading, Unit::byte))),
                                        QObject::tr("%1 lanes carry the data").arg(text(spiLanes(spi, ask).toString())),
                                        std::move(read), ask.within, state));
    }
    return pictures;
}

} // namespace wisetick::app
