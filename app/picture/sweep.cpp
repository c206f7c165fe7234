#include "picture/sweep.h"

#include "paint/text.h"
#include "picture/picture_text.h"

#include <QObject>
#include <QPainter>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

Picture sweepPicture(const Sweep& sweep) {
    Picture picture;
    picture.title = sweep.title;
    picture.hint = sweep.hint;
    picture.height = 120 + lineHeight(Face::small);
    picture.paint = [sweep](QPainter& painter, const QRectF& area, const Theme& theme) {
        if (sweep.points.size() < 2) {
            return;
        }
        const auto scale = [&](const Rational& value) {
            return sweep.isLog ? std::log(std::max(value.toDouble(), 1e-15)) : value.toDouble();
        };
        double left = scale(sweep.points.front().at);
        double right = left;
        double low = scale(sweep.points.front().typ);
        double high = low;
        for (const SweepPoint& point : sweep.points) {
            left = std::min(left, scale(point.at));
            right = std::max(right, scale(point.at));
            low = std::min({low, scale(point.typ), sweep.hasWorst ? scale(point.worst) : low});
            high = std::max({high, scale(point.typ), sweep.hasWorst ? scale(point.worst) : high});
        }
        const double room = std::max((high - low) * 0.08, std::abs(high) * 1e-6 + 1e-12);
        const QRectF plot(area.left() + 84, area.top() + 4, area.width() - 100, area.height() - lineHeight(Face::small) - 10);
        const auto at = [&](const Rational& x, const Rational& y) {
            return QPointF(plot.left() + plot.width() * (scale(x) - left) / std::max(right - left, 1e-12),
                           plot.bottom() - plot.height() * (scale(y) - low + room) / (high - low + 2 * room));
        };
        painter.setPen(QPen(theme.line, 1));
        painter.drawLine(plot.bottomLeft(), plot.bottomRight());
        std::vector<qreal> labelled; // what would stand on another label is left out
        const auto label = [&](const SweepPoint& point, const Rational& value) {
            const QPointF place = at(point.at, value);
            for (const qreal y : labelled) {
                if (std::abs(y - place.y()) < lineHeight(Face::small)) {
                    return;
                }
            }
            labelled.push_back(place.y());
            painter.setPen(QPen(theme.line, 1, Qt::DotLine));
            painter.drawLine(QPointF(plot.left(), place.y()), QPointF(place.x(), place.y()));
            drawText(painter, QRectF(area.left(), place.y() - lineHeight(Face::small) / 2, 78, lineHeight(Face::small)),
                     Qt::AlignRight, text(printQuantity(value, sweep.gives, 3)), Face::small, theme.muted);
        };
        const auto byTyp = [](const SweepPoint& a, const SweepPoint& b) { return a.typ < b.typ; };
        const auto byWorst = [](const SweepPoint& a, const SweepPoint& b) { return a.worst < b.worst; };
        const auto least = std::min_element(sweep.points.begin(), sweep.points.end(), byTyp);
        const auto most = std::max_element(sweep.points.begin(), sweep.points.end(), byTyp);
        label(*most, most->typ);
        label(*least, least->typ);
        if (sweep.hasWorst) {
            const auto [lowest, highest] = std::minmax_element(sweep.points.begin(), sweep.points.end(), byWorst);
            label(*lowest, lowest->worst);
            label(*highest, highest->worst);
        }
        for (const bool isWorst : {true, false}) {
            if (isWorst && !sweep.hasWorst) {
                continue;
            }
            QPainterPath path;
            for (std::size_t i = 0; i < sweep.points.size(); ++i) {
                const QPointF place = at(sweep.points[i].at, isWorst ? sweep.points[i].worst : sweep.points[i].typ);
                i == 0 ? path.moveTo(place) : path.lineTo(place);
            }
            painter.setBrush(Qt::NoBrush);
            painter.setPen(isWorst ? QPen(theme.muted, 1.2, Qt::DashLine) : QPen(theme.kept, 1.8));
            painter.drawPath(path);
        }
        const auto tick = [&](const Rational& x, const QColor& colour, const QString& before) {
            const qreal place = at(x, least->typ).x();
            const QString said = before + text(printQuantity(x, sweep.over, 3));
            const qreal width = textWidth(Face::small, said) + 4;
            drawText(painter,
                     QRectF(std::clamp(place - width / 2, area.left(), area.right() - width), plot.bottom() + 3, width,
                            lineHeight(Face::small)),
                     Qt::AlignHCenter, said, Face::small, colour);
        };
        if (sweep.now && scale(*sweep.now) >= left && scale(*sweep.now) <= right) {
            const qreal x = at(*sweep.now, least->typ).x();
            painter.setPen(QPen(theme.ink, 1, Qt::DashLine));
            painter.drawLine(QPointF(x, plot.top()), QPointF(x, plot.bottom()));
            tick(*sweep.now, theme.ink, QObject::tr("now "));
        }
        const qreal nowX = sweep.now ? at(*sweep.now, least->typ).x() : -1000;
        for (const Rational& end : {sweep.points.front().at, sweep.points.back().at}) {
            if (std::abs(at(end, least->typ).x() - nowX) > 110) {
                tick(end, theme.muted, {});
            }
        }
        if (sweep.marksLeast) {
            painter.setPen(Qt::NoPen);
            painter.setBrush(theme.kept);
            painter.drawEllipse(at(least->at, least->typ), 4, 4);
        }
    };
    return picture;
}

} // namespace wisetick::app
