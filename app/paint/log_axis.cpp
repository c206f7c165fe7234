#include "paint/log_axis.h"

#include "paint/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <cmath>

namespace wisetick::app {

LogAxis::LogAxis(double low, double high, qreal left, qreal right) : left_(left), right_(right) {
    const double least = std::max(low, 1e-15);
    const double most = std::max(high, least * 10);
    const double room = 0.03 * std::log10(most / least);
    low_ = std::log10(least) - room;
    high_ = std::log10(most) + room;
}

qreal LogAxis::at(double value) const {
    const double share = (std::log10(std::max(value, 1e-300)) - low_) / (high_ - low_);
    return left_ + std::clamp(share, 0.0, 1.0) * (right_ - left_);
}

void LogAxis::draw(QPainter& painter, const QRectF& area, Unit unit, const Theme& theme) const {
    const int first = static_cast<int>(std::ceil(low_));
    const int last = static_cast<int>(std::floor(high_));
    const qreal widest = textWidth(Face::small, "100 \u00b5s") + 14;
    const qreal decade = (right_ - left_) / (high_ - low_);
    const int every = std::max(1, static_cast<int>(std::ceil(widest / decade)));
    const qreal label = lineHeight(Face::small);
    for (int exponent = first; exponent <= last; ++exponent) {
        const qreal x = std::round(at(std::pow(10.0, exponent)));
        painter.setPen(QPen(theme.line, 1));
        painter.drawLine(QPointF(x, area.top() + label + 2), QPointF(x, area.bottom()));
        if ((exponent - first) % every == 0) {
            const bool isLong = unit == Unit::second && exponent > 2; // hours and days have no decades
            const QString text = isLong ? QString("1") + QString(exponent, '0') + " s"
                                        : QString::fromStdString(printQuantity(powerOfTen(exponent), unit, 4));
            const qreal half = widest / 2;
            drawText(painter, QRectF(std::clamp(x - half, left_ - half, right_ - half), area.top(), widest, label),
                     Qt::AlignHCenter, text, Face::small, theme.muted);
        }
    }
}

} // namespace wisetick::app
