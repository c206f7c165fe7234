#include "picture/time_axis.h"

#include "paint/text.h"
#include "picture/picture_text.h"

#include <array>
#include <cmath>

namespace wisetick::app {

double TimeAxis::step() const {
    constexpr qreal kTickRoom = 92; // pixels
    const double least = length() * kTickRoom / std::max<qreal>(right - left, 1);
    if (least <= 30) {
        const double power = std::pow(10, std::floor(std::log10(least)));
        for (const double factor : {1.0, 2.0, 5.0, 10.0}) {
            if (factor * power >= least) {
                return factor * power;
            }
        }
    }
    constexpr std::array<double, 14> kSteps{60,    120,   300,   600,    1800,   3600,    7200,
                                            21600, 43200, 86400, 172800, 604800, 2592000, 7776000};
    for (const double each : kSteps) {
        if (each >= least) {
            return each;
        }
    }
    return 31557600;
}

void TimeAxis::draw(QPainter& painter, const QRectF& area, const Theme& theme) const {
    const double every = step();
    const double first = std::ceil(from / every - 1e-9) * every;
    for (double time = first; time <= to + every * 1e-9; time += every) {
        const qreal x = at(time);
        painter.setPen(QPen(theme.line, 1));
        painter.drawLine(QPointF(x, area.top() + lineHeight(Face::small) + 4), QPointF(x, area.bottom()));
        const QString said = time <= 0 ? QStringLiteral("0 s") : timeText(quantised(time, powerOfTen(-6)));
        const qreal width = textWidth(Face::small, said) + 4;
        if (x - width / 2 >= area.left() - 20 && x + width / 2 <= area.right() + 12) {
            drawText(painter, QRectF(x - width / 2, area.top(), width, lineHeight(Face::small)), Qt::AlignHCenter, said,
                     Face::small, theme.muted);
        }
    }
}

} // namespace wisetick::app
