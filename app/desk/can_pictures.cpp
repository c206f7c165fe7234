#include "desk/pictures.h"
#include "paint/text.h"
#include "picture/picture_text.h"
#include "promise/can.h"
#include "promise/message_memory.h"
#include "quantity/quantity_print.h"

#include <QObject>

#include <algorithm>

namespace wisetick::app {

namespace {

/// One segment of a bit.
struct Segment {
    QString name;
    std::int64_t quanta = 0;
    bool isBeforeSample = true;
};

void drawBit(QPainter& painter, const QRectF& area, const std::vector<Segment>& segments, std::int64_t quanta,
             const Theme& theme) {
    const qreal each = area.width() / static_cast<qreal>(quanta);
    qreal x = area.left();
    const qreal height = area.height() - lineHeight(Face::small) - 2;
    for (std::size_t i = 0; i < segments.size(); ++i) {
        const Segment& segment = segments[i];
        const QRectF cell(x, area.top(), each * static_cast<qreal>(segment.quanta), height);
        painter.setPen(QPen(theme.railEdge, 1));
        painter.setBrush(i % 2 == 0 ? theme.rail : theme.panel);
        painter.drawRect(cell);
        if (each >= 5) { // the quanta can be told apart
            painter.setPen(QPen(theme.line, 1));
            for (std::int64_t quantum = 1; quantum < segment.quanta; ++quantum) {
                const qreal at = x + each * static_cast<qreal>(quantum);
                painter.drawLine(QPointF(at, area.top() + height * 0.65), QPointF(at, area.top() + height - 1));
            }
        }
        const QString label = segment.name + " " + QString::number(segment.quanta);
        if (textWidth(Face::small, label) + 4 < cell.width()) {
            drawText(painter, cell.adjusted(0, 0, 0, -height * 0.25), Qt::AlignHCenter, label, Face::small, theme.ink);
        }
        x = cell.right();
        if (segment.isBeforeSample && i + 1 < segments.size() && !segments[i + 1].isBeforeSample) {
            painter.setPen(QPen(theme.thread, 2.4));
            painter.drawLine(QPointF(x, area.top() - 6), QPointF(x, area.top() + height + 3));
            drawText(painter, QRectF(x - 60, area.top() + height + 2, 120, lineHeight(Face::small)), Qt::AlignHCenter,
                     QObject::tr("sampled"), Face::small, theme.thread);
        }
    }
}

Picture bitPicture(const QString& title, const CanBit& bit, std::int64_t propagation, std::int64_t jump, const Rational& hertz) {
    const Rational quantum = Rational(bit.prescaler) / hertz;
    std::vector<Segment> segments{{QObject::tr("sync"), 1, true}};
    if (propagation > 0) {
        segments.push_back({QObject::tr("way"), propagation, true});
        segments.push_back({QObject::tr("phase 1:"), bit.seg1 - propagation, true});
    } else {
        segments.push_back({QObject::tr("before"), bit.seg1, true});
    }
    segments.push_back({propagation > 0 ? QObject::tr("phase 2:") : QObject::tr("after"), bit.seg2, false});
    std::erase_if(segments, [](const Segment& segment) { return segment.quanta <= 0; });
    Picture picture;
    picture.title = title;
    picture.hint = QObject::tr("%1 quanta of %2; sampled at %3, jumps by up to %4")
                       .arg(bit.quanta())
                       .arg(text(printQuantity(quantum, Unit::second, 5)), text(printQuantity(bit.samplePoint(), Unit::ratio, 4)))
                       .arg(jump);
    picture.height = 58 + lineHeight(Face::small);
    picture.paint = [segments, quanta = bit.quanta()](QPainter& painter, const QRectF& area, const Theme& theme) {
        drawBit(painter, area.adjusted(12, 10, -20, -10), segments, quanta, theme);
    };
    return picture;
}

/// Every condition of the bus as a bar, with how far the source is off.
Picture conditionsPicture(std::vector<CanCondition> conditions, const Rational& off, const std::optional<Rational>& cable) {
    const qreal row = lineHeight(Face::small) + 6;
    Picture picture;
    picture.title = QObject::tr("How far each node may be off");
    picture.hint = cable ? QObject::tr("%1 it is; with up to %2 of cable")
                               .arg(text(printTolerance(off)), text(printQuantity(*cable, Unit::metre, 4)))
                         : QObject::tr("%1 it is").arg(text(printTolerance(off)));
    picture.height = row * static_cast<qreal>(conditions.size()) + 8;
    picture.paint = [conditions = std::move(conditions), off, row](QPainter& painter, const QRectF& area, const Theme& theme) {
        double most = off.toDouble();
        qreal names = 0;
        for (const CanCondition& condition : conditions) {
            most = std::max(most, condition.allowed.toDouble());
            names = std::max(names, textWidth(Face::small, text(condition.name)));
        }
        names = std::min(names, area.width() * 0.55);
        const qreal left = area.left() + 12 + names + 12;
        const qreal widest = area.right() - left - 80;
        for (std::size_t i = 0; i < conditions.size(); ++i) {
            const qreal y = area.top() + row * static_cast<qreal>(i);
            const bool isMet = off <= conditions[i].allowed;
            drawText(painter, QRectF(area.left() + 12, y, names, row), Qt::AlignLeft, text(conditions[i].name), Face::small,
                     theme.muted);
            const qreal width = std::max(widest * conditions[i].allowed.toDouble() / most, 0.0);
            painter.setPen(QPen(isMet ? theme.railEdge : theme.broken, 1));
            painter.setBrush(theme.rail);
            painter.drawRoundedRect(QRectF(left, y + 4, width, row - 8), 3, 3);
            drawText(painter, QRectF(left + width + 6, y, 76, row), Qt::AlignLeft,
                     text(printQuantity(conditions[i].allowed, Unit::ratio, 4)), Face::small, isMet ? theme.ink : theme.broken);
        }
        const qreal x = left + widest * off.toDouble() / most;
        painter.setPen(QPen(theme.ink, 1.6));
        painter.drawLine(QPointF(x, area.top()), QPointF(x, area.top() + row * static_cast<qreal>(conditions.size())));
    };
    return picture;
}

} // namespace

std::vector<Picture> canPictures(const DeskScene& scene, const CanKind& can, const CanAsk& ask) {
    const auto way = scene.taken();
    if (!way) {
        return {};
    }
    const Clock& clock = *scene.desk.clock;
    const CanTiming timing = canTimingOf(can, ask, clock, way->settings);
    std::vector<Picture> pictures;
    pictures.push_back(bitPicture(timing.data ? QObject::tr("A bit of the nominal phase") : QObject::tr("A bit in quanta"),
                                  timing.nominal, std::min(timing.propagation, timing.nominal.seg1), timing.jump,
                                  clock.hertz.nominal));
    if (timing.data) {
        pictures.push_back(
            bitPicture(QObject::tr("A bit of the data phase"), *timing.data, 0, timing.dataJump, clock.hertz.nominal));
    }
    pictures.push_back(
        conditionsPicture(canConditions(timing), largestMagnitude(way->error), longestCable(can, ask, clock, timing)));
    return pictures;
}

std::vector<Picture> memoryPictures(const DeskScene& scene, const CanKind& can, const HoldsAsk& ask) {
    const MessageMap map = messageMap(can, ask);
    const Rational memory = can.messageWords;
    const State state = scene.figure.state;
    Picture picture;
    picture.title = QObject::tr("Message memory");
    picture.hint = QObject::tr("%1 of %2 words").arg(text(map.words.toString()), text(memory.toString()));
    picture.height = 74 + lineHeight(Face::small) * static_cast<qreal>(map.parts.size());
    picture.paint = [map, memory, state](QPainter& painter, const QRectF& area, const Theme& theme) {
        const qreal left = area.left() + 12;
        const qreal width = area.width() - 40;
        const double most = std::max(map.words, memory).toDouble();
        const qreal top = area.top() + 8;
        const auto at = [&](const Rational& word) { return left + width * word.toDouble() / most; };
        painter.setPen(QPen(theme.railEdge, 1));
        painter.setBrush(theme.panel);
        painter.drawRect(QRectF(left, top, at(memory) - left, 34));
        for (std::size_t i = 0; i < map.parts.size(); ++i) {
            const MessageMap::Part& part = map.parts[i];
            const QRectF cell(QPointF(at(part.first), top), QPointF(at(part.first + part.words()), top + 34));
            painter.setPen(QPen(theme.railEdge, 1));
            painter.setBrush(i % 2 == 0 ? theme.rail : theme.selected);
            painter.drawRect(cell);
            const QString label = text(part.what);
            if (textWidth(Face::small, label) + 6 < cell.width()) {
                drawText(painter, cell, Qt::AlignHCenter, label, Face::small, theme.ink);
            }
            const QString row = QObject::tr("words %1 to %2: %3 %4, %5 of each")
                                    .arg(text(part.first.toString()), text((part.first + part.words() - 1).toString()),
                                         text(part.count.toString()), text(part.what), text(part.each.toString()));
            drawText(painter,
                     QRectF(left, top + 46 + lineHeight(Face::small) * static_cast<qreal>(i), width, lineHeight(Face::small)),
                     Qt::AlignLeft, row, Face::small, theme.muted);
        }
        painter.setPen(QPen(theme.of(state), 2.4));
        painter.drawLine(QPointF(at(map.words), top - 5), QPointF(at(map.words), top + 39));
    };
    return {picture};
}

} // namespace wisetick::app
