#include "picture/sweep.h"

#include "paint/text.h"
#include "picture/picture_text.h"

#include <QObject>
#include <QPainter>
#include <QPainterPath>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

/// Draws the curve of a sweep with its scales.
class SweepPainter {
public:
    SweepPainter(const Sweep& sweep, QPainter& painter, const QRectF& area, const Theme& theme)
        : sweep_(sweep), painter_(painter), area_(area), theme_(theme),
          plot_(area.left() + 84, area.top() + 4, area.width() - 100, area.height() - lineHeight(Face::small) - 10) {
        left_ = scale(sweep.points.front().at);
        right_ = left_;
        low_ = scale(sweep.points.front().typ);
        high_ = low_;
        for (const SweepPoint& point : sweep.points) {
            left_ = std::min(left_, scale(point.at));
            right_ = std::max(right_, scale(point.at));
            low_ = std::min({low_, scale(point.typ), sweep.hasWorst ? scale(point.worst) : low_});
            high_ = std::max({high_, scale(point.typ), sweep.hasWorst ? scale(point.worst) : high_});
        }
        room_ = std::max((high_ - low_) * 0.08, std::abs(high_) * 1e-6 + 1e-12);
    }

    void paint() {
        painter_.setPen(QPen(theme_.line, 1));
        painter_.drawLine(plot_.bottomLeft(), plot_.bottomRight());
        labelEnds();
        if (sweep_.hasWorst) {
            curve(&SweepPoint::worst, QPen(theme_.muted, 1.2, Qt::DashLine));
        }
        curve(&SweepPoint::typ, QPen(theme_.kept, 1.8));
        markNow();
        if (sweep_.marksLeast) {
            painter_.setPen(Qt::NoPen);
            painter_.setBrush(theme_.kept);
            painter_.drawEllipse(at(least().at, least().typ), 4, 4);
        }
    }

private:
    double scale(const Rational& value) const {
        return sweep_.isLog ? std::log(std::max(value.toDouble(), 1e-15)) : value.toDouble();
    }
    QPointF at(const Rational& x, const Rational& y) const {
        return {plot_.left() + plot_.width() * (scale(x) - left_) / std::max(right_ - left_, 1e-12),
                plot_.bottom() - plot_.height() * (scale(y) - low_ + room_) / (high_ - low_ + 2 * room_)};
    }
    const SweepPoint& least() const {
        return *std::min_element(sweep_.points.begin(), sweep_.points.end(),
                                 [](const SweepPoint& a, const SweepPoint& b) { return a.typ < b.typ; });
    }

    /// The greatest and the least value of each curve.
    void labelEnds() {
        const auto byTyp = [](const SweepPoint& a, const SweepPoint& b) { return a.typ < b.typ; };
        const auto most = std::max_element(sweep_.points.begin(), sweep_.points.end(), byTyp);
        label(*most, most->typ);
        label(least(), least().typ);
        if (sweep_.hasWorst) {
            const auto byWorst = [](const SweepPoint& a, const SweepPoint& b) { return a.worst < b.worst; };
            const auto [lowest, highest] = std::minmax_element(sweep_.points.begin(), sweep_.points.end(), byWorst);
            label(*lowest, lowest->worst);
            label(*highest, highest->worst);
        }
    }

    /// What would stand on another label is left out.
    void label(const SweepPoint& point, const Rational& value) {
        const QPointF place = at(point.at, value);
        const qreal height = lineHeight(Face::small);
        if (std::any_of(labelled_.begin(), labelled_.end(), [&](qreal y) { return std::abs(y - place.y()) < height; })) {
            return;
        }
        labelled_.push_back(place.y());
        painter_.setPen(QPen(theme_.line, 1, Qt::DotLine));
        painter_.drawLine(QPointF(plot_.left(), place.y()), QPointF(place.x(), place.y()));
        drawText(painter_, QRectF(area_.left(), place.y() - height / 2, 78, height), Qt::AlignRight,
                 text(printQuantity(value, sweep_.gives, 3)), Face::small, theme_.muted);
    }

    void curve(Rational SweepPoint::*value, const QPen& pen) {
        QPainterPath path;
        for (std::size_t i = 0; i < sweep_.points.size(); ++i) {
            const QPointF place = at(sweep_.points[i].at, sweep_.points[i].*value);
            i == 0 ? path.moveTo(place) : path.lineTo(place);
        }
        painter_.setBrush(Qt::NoBrush);
        painter_.setPen(pen);
        painter_.drawPath(path);
    }

    void tick(const Rational& x, const QColor& colour, const QString& before) {
        const qreal place = at(x, least().typ).x();
        const QString said = before + text(printQuantity(x, sweep_.over, 3));
        const qreal width = textWidth(Face::small, said) + 4;
        drawText(painter_,
                 QRectF(std::clamp(place - width / 2, area_.left(), area_.right() - width), plot_.bottom() + 3, width,
                        lineHeight(Face::small)),
                 Qt::AlignHCenter, said, Face::small, colour);
    }

    /// Where the swept figure stands now, and the ends of the axis where that leaves room.
    void markNow() {
        const qreal nowX = sweep_.now ? at(*sweep_.now, least().typ).x() : -1000;
        if (sweep_.now && scale(*sweep_.now) >= left_ && scale(*sweep_.now) <= right_) {
            painter_.setPen(QPen(theme_.ink, 1, Qt::DashLine));
            painter_.drawLine(QPointF(nowX, plot_.top()), QPointF(nowX, plot_.bottom()));
            tick(*sweep_.now, theme_.ink, QObject::tr("now "));
        }
        for (const Rational& end : {sweep_.points.front().at, sweep_.points.back().at}) {
            if (std::abs(at(end, least().typ).x() - nowX) > 110) {
                tick(end, theme_.muted, {});
            }
        }
    }

    const Sweep& sweep_;
    QPainter& painter_;
    QRectF area_;
    const Theme& theme_;
    QRectF plot_;
    double left_ = 0;
    double right_ = 0;
    double low_ = 0;
    double high_ = 0;
    double room_ = 0;
    std::vector<qreal> labelled_;
};

} // namespace

Picture sweepPicture(const Sweep& sweep) {
    Picture picture;
    picture.title = sweep.title;
    picture.hint = sweep.hint;
    picture.height = 120 + lineHeight(Face::small);
    picture.paint = [sweep](QPainter& painter, const QRectF& area, const Theme& theme) {
        if (sweep.points.size() >= 2) {
            SweepPainter(sweep, painter, area, theme).paint();
        }
    };
    return picture;
}

} // namespace wisetick::app
