#include "picture/latency_picture.h"

#include "paint/text.h"
#include "picture/picture_text.h"
#include "quantity/quantity_print.h"

#include <QObject>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

QString shortTime(const Rational& value) {
    return text(printQuantity(value, Unit::second, 3));
}

/// One row, laid out.
struct LatencyRow {
    QString name;
    QString said;
    double takes = 0; ///< of the track
    double waits = 0; ///< of the track, behind it
    bool isOver = false;
    State state = State::kept;
    bool isSelected = false;
};

LatencyRow rowOf(const LatencyFigure& latency, const Target& selected) {
    LatencyRow row;
    row.name = text(latency.name);
    row.state = latency.state;
    row.isSelected = latency.target == selected;
    const double track = (latency.limit ? *latency.limit : latency.interval).toDouble();
    const double longest = latency.longest ? latency.longest->toDouble() : latency.takes.toDouble();
    if (track > 0) {
        row.takes = std::min(latency.takes.toDouble() / track, 1.0);
        row.waits = std::clamp((longest - latency.takes.toDouble()) / track, 0.0, 1.0 - row.takes);
        row.isOver = longest > track;
    }
    const QString until = latency.limit ? shortTime(*latency.limit) : shortTime(latency.interval);
    row.said = !latency.longest ? QObject::tr("no bound")
               : latency.limit  ? QObject::tr("done after %1 of %2").arg(shortTime(*latency.longest), until)
                                : QObject::tr("done after %1, comes every %2").arg(shortTime(*latency.longest), until);
    return row;
}

} // namespace

Picture latencyPicture(const std::vector<LatencyFigure>& latencies, const Target& selected) {
    std::vector<LatencyRow> rows;
    for (const LatencyFigure& latency : latencies) {
        rows.push_back(rowOf(latency, selected));
    }
    const qreal each = std::ceil(lineHeight(Face::small) + 10);
    Picture picture;
    picture.title = QObject::tr("Done at the latest");
    picture.hint = QObject::tr("full: what it takes; light: what stands before it; the end: when it is due again, or its limit");
    picture.height = each * static_cast<qreal>(std::max<std::size_t>(rows.size(), 1));
    picture.paint = [rows = std::move(rows), each](QPainter& painter, const QRectF& area, const Theme& theme) {
        qreal names = 0;
        qreal words = 0;
        for (const LatencyRow& row : rows) {
            names = std::max(names, textWidth(Face::small, row.name));
            words = std::max(words, textWidth(Face::small, row.said));
        }
        names = std::min(names, area.width() / 4);
        const qreal left = area.left() + 12 + names + 14;
        const qreal width = std::max<qreal>(area.right() - left - words - 24, 40);
        for (std::size_t i = 0; i < rows.size(); ++i) {
            const LatencyRow& row = rows[i];
            const qreal y = area.top() + each * static_cast<qreal>(i);
            const QRectF track(left, y + 6, width, each - 12);
            drawText(painter, QRectF(area.left() + 12, y, names, each), Qt::AlignRight, row.name, Face::small,
                     row.isSelected ? theme.ink : theme.muted);
            painter.setPen(QPen(theme.line, 1));
            painter.drawLine(QPointF(left, track.center().y()), QPointF(left + width, track.center().y()));
            const QRectF takes(left, track.top(), std::max<qreal>(width * row.takes, 2), track.height());
            QColor light = theme.of(row.state);
            light.setAlphaF(0.28F);
            painter.fillRect(QRectF(takes.right(), track.top(), width * row.waits, track.height()), light);
            painter.fillRect(takes, theme.of(row.state));
            painter.setPen(QPen(row.isOver ? theme.of(row.state) : theme.railEdge, 2));
            painter.drawLine(QPointF(left + width, y + 4), QPointF(left + width, y + each - 4));
            drawText(painter, QRectF(left + width + 12, y, words + 4, each), Qt::AlignLeft, row.said, Face::small,
                     row.state == State::kept ? theme.ink : theme.of(row.state));
        }
    };
    return picture;
}

} // namespace wisetick::app
