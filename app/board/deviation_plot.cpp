#include "board/deviation_plot.h"

#include "paint/text.h"
#include "quantity/quantity_print.h"

#include <QPainterPath>

#include <algorithm>

namespace wisetick::app {

namespace {

QString share(const Rational& value) {
    return QString::fromStdString(printError(value));
}

QString celsius(const Rational& value) {
    return QString::fromStdString(printQuantity(value, Unit::celsius));
}

} // namespace

void drawDeviation(QPainter& painter, const QRectF& area, const std::vector<DeviationPoint>& curve, const Theme& theme) {
    const auto highest =
        std::max_element(curve.begin(), curve.end(), [](const auto& a, const auto& b) { return a.high < b.high; });
    const auto lowest = std::min_element(curve.begin(), curve.end(), [](const auto& a, const auto& b) { return a.low < b.low; });
    const qreal line = lineHeight(Face::small);
    const qreal labels = std::max(textWidth(Face::small, share(highest->high)), textWidth(Face::small, share(lowest->low))) + 8;
    const QRectF plot(area.left() + labels, area.top() + line / 2, std::max(1.0, area.width() - labels),
                      area.height() - 2 * line);
    const double top = std::max(highest->high.toDouble(), 0.0);
    const double bottom = std::min(lowest->low.toDouble(), 0.0);
    const double span = top > bottom ? top - bottom : 1;
    const double from = curve.front().celsius.toDouble();
    const double to = curve.back().celsius.toDouble();
    const auto x = [&](const Rational& at) {
        return to > from ? plot.left() + (at.toDouble() - from) / (to - from) * plot.width() : plot.center().x();
    };
    const auto y = [&](double value) { return plot.top() + (top - value) / span * plot.height(); };
    QPainterPath band;
    band.moveTo(x(curve.front().celsius), y(curve.front().high.toDouble()));
    for (const DeviationPoint& point : curve) {
        band.lineTo(x(point.celsius), y(point.high.toDouble()));
    }
    for (auto point = curve.rbegin(); point != curve.rend(); ++point) {
        band.lineTo(x(point->celsius), y(point->low.toDouble()));
    }
    band.closeSubpath();
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(QPen(theme.railEdge, 1));
    painter.setBrush(theme.rail);
    painter.drawPath(band);
    painter.restore();
    painter.fillRect(QRectF(plot.left(), y(0), plot.width(), 1), theme.thread);
    const auto label = [&](qreal left, qreal middle, qreal width, Qt::Alignment side, const QString& text) {
        drawText(painter, QRectF(left, middle - line / 2, width, line), side, text, Face::small, theme.muted);
    };
    label(area.left(), y(highest->high.toDouble()), labels - 8, Qt::AlignRight, share(highest->high));
    if (y(lowest->low.toDouble()) - y(highest->high.toDouble()) >= line) {
        label(area.left(), y(lowest->low.toDouble()), labels - 8, Qt::AlignRight, share(lowest->low));
    }
    const qreal below = plot.bottom() + line;
    const qreal half = plot.width() / 2;
    label(plot.left(), below, half, Qt::AlignLeft, celsius(curve.front().celsius));
    label(plot.left() + half, below, half, Qt::AlignRight, celsius(curve.back().celsius));
}

} // namespace wisetick::app
