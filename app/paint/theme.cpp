#include "paint/theme.h"

#include <QPainterPath>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

QColor Theme::of(State state) const {
    switch (state) {
    case State::kept: return kept;
    case State::strained: return strained;
    case State::broken: return broken;
    case State::pending:
    case State::elsewhere: return muted;
    }
    return muted;
}

const Theme& lightTheme() {
    static const Theme theme{false,     "#F5F3EC", "#FBFAF6", "#1E2830", "#5A656E", "#D8D3C5", "#DDE7E2", "#9DB8AE",
                             "#0B6E69", "#885700", "#A8274A", "#2C5C9A", "#1E2830", "#FFFFFF", "#B9C4C6", "#EBE7D9"};
    return theme;
}

const Theme& darkTheme() {
    static const Theme theme{true,      "#181D21", "#1F262B", "#E8E6DF", "#98A3AA", "#36403F", "#26383A", "#4B6A66",
                             "#54B8AE", "#E0A63A", "#F27F9B", "#7FA8DC", "#10151A", "#F5F3EC", "#93A1A6", "#2B3136"};
    return theme;
}

const Theme& contrastTheme() {
    static const Theme theme{false,     "#FFFFFF", "#FFFFFF", "#000000", "#333333", "#000000", "#E0E0E0", "#000000",
                             "#00504C", "#6B4500", "#8A0030", "#003A8C", "#000000", "#FFFFFF", "#FFFFFF", "#FFE9A8"};
    return theme;
}

void drawMark(QPainter& painter, const QRectF& square, State state, const Theme& theme) {
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    const QColor colour = theme.of(state);
    const qreal width = std::max(1.4, square.width() / 7);
    const QRectF disc = square.adjusted(width / 2, width / 2, -width / 2, -width / 2);
    QPen pen(colour, width);
    pen.setCapStyle(Qt::FlatCap);
    switch (state) {
    case State::kept:
        painter.setPen(Qt::NoPen);
        painter.setBrush(colour);
        painter.drawEllipse(square);
        break;
    case State::strained:
        painter.setPen(pen);
        painter.setBrush(Qt::NoBrush);
        painter.drawEllipse(disc);
        painter.setPen(Qt::NoPen);
        painter.setBrush(colour);
        painter.drawChord(square, 180 * 16, 180 * 16); // the lower half
        break;
    case State::broken:
        painter.setPen(pen);
        painter.drawArc(disc, 75 * 16, 300 * 16); // open towards the upper right
        painter.drawLine(disc.center(), QPointF(disc.right(), disc.top()));
        break;
    case State::elsewhere: // no more than a stroke
        painter.setPen(pen);
        painter.drawLine(QPointF(disc.left(), disc.center().y()), QPointF(disc.right(), disc.center().y()));
        break;
    case State::pending:
        painter.setPen(Qt::NoPen);
        painter.setBrush(colour);
        for (int i = -1; i <= 1; ++i) {
            painter.drawEllipse(square.center() + QPointF(i * square.width() / 3, 0), width / 1.6, width / 1.6);
        }
        break;
    }
    painter.restore();
}

void drawFocus(QPainter& painter, const QRect& area, const Theme& theme) {
    painter.fillRect(QRect(area.left(), area.top(), area.width(), 2), theme.kept);
}

std::optional<double> gaugeTolerance(const PromiseFigure& promise) {
    if (!promise.margin || !promise.error) {
        return std::nullopt;
    }
    // room = 1 − worst ÷ tolerance, so the tolerance follows from it
    const double room = promise.margin->toDouble();
    const double worst =
        promise.isWorstKnown ? largestMagnitude(*promise.error).toDouble() : std::abs(promise.error->nominal.toDouble());
    return room < 1 && worst > 0 ? std::optional(worst / (1 - room)) : std::nullopt;
}

void drawGauge(QPainter& painter, const QRectF& area, const PromiseFigure& promise, const Theme& theme, const Bounds* measured) {
    if (!promise.error) {
        return;
    }
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    const qreal height = area.height() * 0.5;
    const QRectF band(area.left() + area.width() * 0.15, area.center().y() - height / 2, area.width() * 0.7, height);
    painter.setPen(Qt::NoPen);
    painter.setBrush(theme.rail);
    painter.drawRoundedRect(band, 2, 2);
    const double span = gaugeTolerance(promise).value_or(0.0);
    const auto at = [&](const Rational& error) {
        const double share = span > 0 ? std::clamp(error.toDouble() / span, -1.35, 1.35)
                                      : std::clamp(error.toDouble() * 1e6, -1.0, 1.0) * (error.isZero() ? 0 : 1.35);
        return band.center().x() + share * band.width() / 2;
    };
    painter.fillRect(QRectF(band.center().x() - 0.5, band.top() - 1, 1, band.height() + 2), theme.railEdge);
    const QColor colour = theme.of(promise.state);
    if (promise.isWorstKnown && span > 0) {
        const qreal low = at(promise.error->min);
        const qreal high = at(promise.error->max);
        painter.fillRect(QRectF(low, band.center().y() - 0.75, std::max(1.0, high - low), 1.5), colour);
    }
    painter.fillRect(QRectF(at(promise.error->nominal) - 1.5, area.top() + 1, 3, area.height() - 2), colour);
    if (measured != nullptr) {
        const qreal size = std::min<qreal>(area.height() / 2 - 0.5, 4.5);
        const QPointF centre(at(measured->nominal), area.center().y());
        painter.setPen(QPen(theme.ink, 1.2));
        painter.setBrush(theme.paper);
        painter.drawPolygon(QPolygonF(
            {centre + QPointF(0, -size), centre + QPointF(size, 0), centre + QPointF(0, size), centre + QPointF(-size, 0)}));
    }
    painter.restore();
}

} // namespace wisetick::app
