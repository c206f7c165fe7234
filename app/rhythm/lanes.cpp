#include "rhythm/lanes.h"

#include "paint/text.h"
#include "picture/picture_text.h"

#include <QPainterPath>

#include <algorithm>
#include <array>
#include <cmath>

namespace wisetick::app {

double lengthOf(const Job& job, const Plan& plan, const Part& part, const Figures& figures) {
    if (job.lasts) {
        return job.lasts->toDouble();
    }
    const auto& core = figures.lines[part.core].hertz;
    const bool isOther = !job.take.empty() && job.take != plan.active;
    return core && !isOther ? job.cycles.value_or(Rational(0)).toDouble() / core->nominal.toDouble() : 0;
}

std::vector<Run> runsIn(const Plan& plan, std::size_t index, double length, const Trace* trace, double from, double to,
                        std::size_t most) {
    const Job& job = plan.jobs[index];
    const double every = job.every.toDouble();
    if (every > 0 && (to - from) / every > static_cast<double>(most)) {
        return {};
    }
    if (trace != nullptr && job.brings.isZero()) {
        std::size_t lane = 0; // those that need no core have none in the trace
        for (std::size_t i = 0; i < index; ++i) {
            lane += plan.jobs[i].brings.isZero() ? 1 : 0;
        }
        return trace->runsOf(lane, from, to, most);
    }
    std::vector<Run> runs;
    if (every <= 0) {
        return runs;
    }
    const double phase = std::fmod(job.phase.toDouble(), every);
    for (double start = phase + std::floor((from - phase - length) / every) * every; start < to; start += every) {
        if (start + length > from && start >= -every / 2) {
            runs.emplace_back(start, start + length);
        }
    }
    return runs;
}

QColor laneColour(std::size_t lane, const Theme& theme) {
    // hues between those of the states
    constexpr std::array<int, 6> kHues{212, 276, 188, 248, 300, 228};
    const int hue = kHues[lane % kHues.size()];
    return theme.isDark ? QColor::fromHsl(hue, 90, 160) : QColor::fromHsl(hue, 85, 105);
}

void paintGoesOn(QPainter& painter, const QRectF& area, const TimeAxis& axis, const Trace& trace,
                 const std::vector<std::size_t>& lanes, const Theme& theme) {
    const auto count = static_cast<std::size_t>(std::max<qreal>(1, area.width()));
    const std::vector<TraceColumn> columns = trace.columns(std::max(axis.from, 0.0), axis.to, count);
    painter.setPen(Qt::NoPen);
    for (std::size_t i = 0; i < columns.size();) {
        std::size_t end = i + 1;
        while (end < columns.size() && columns[end].state == columns[i].state) {
            ++end;
        }
        const TraceState& state = trace.states()[columns[i].state];
        QColor colour = theme.railEdge;
        if (state.doing == Doing::resting) {
            colour = theme.rail;
        } else if (state.doing == Doing::job && state.which < lanes.size()) {
            colour = laneColour(lanes[state.which], theme);
        }
        const QRectF piece(area.left() + static_cast<qreal>(i), area.top(), static_cast<qreal>(end - i), area.height());
        painter.fillRect(piece, colour);
        const QString name = text(state.name);
        if (state.doing == Doing::resting && piece.width() > textWidth(Face::small, name) + 12) {
            drawText(painter, piece.adjusted(6, 0, -4, 0), Qt::AlignLeft, name, Face::small, theme.muted);
        }
        i = end;
    }
    painter.setPen(QPen(theme.railEdge, 1));
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(area);
}

void paintDraws(QPainter& painter, const QRectF& area, const TimeAxis& axis, const Trace& trace, const Theme& theme) {
    const auto count = static_cast<std::size_t>(std::max<qreal>(1, area.width()));
    const std::vector<TraceColumn> columns = trace.columns(std::max(axis.from, 0.0), axis.to, count);
    double least = 1;
    double most = 1e-12;
    for (const TraceState& state : trace.states()) {
        if (state.ampere > 0) {
            least = std::min(least, state.ampere);
            most = std::max(most, state.ampere);
        }
    }
    const double low = std::pow(10, std::floor(std::log10(std::min(least, most))));
    const double high = std::pow(10, std::ceil(std::log10(most) + 0.05));
    const auto y = [&](double ampere) {
        const double share = std::log(std::clamp(ampere, low, high) / low) / std::log(high / low);
        return area.bottom() - area.height() * share;
    };
    const int decades = static_cast<int>(std::lround(std::log10(high / low)));
    const int stride = std::max(1, static_cast<int>(std::ceil(decades * (lineHeight(Face::small) + 2) / area.height())));
    for (int decade = 0; decade <= decades; decade += stride) {
        const double ampere = low * std::pow(10, decade);
        painter.setPen(QPen(theme.line, 1, decade == 0 ? Qt::SolidLine : Qt::DotLine));
        painter.drawLine(QPointF(area.left(), y(ampere)), QPointF(area.right(), y(ampere)));
        const QString said = text(printQuantity(quantised(ampere, powerOfTen(-12)), Unit::ampere, 3));
        drawText(painter, QRectF(area.left() - 84, y(ampere) - lineHeight(Face::small) / 2, 78, lineHeight(Face::small)),
                 Qt::AlignRight, said, Face::small, theme.muted);
    }
    if (columns.empty()) {
        return;
    }
    QPainterPath band;
    QPainterPath mean;
    for (std::size_t i = 0; i < columns.size(); ++i) {
        const qreal x = area.left() + static_cast<qreal>(i) + 0.5;
        const QPointF top(x, y(columns[i].most));
        const QPointF middle(x, y(columns[i].mean));
        i == 0 ? band.moveTo(top) : band.lineTo(top);
        i == 0 ? mean.moveTo(middle) : mean.lineTo(middle);
    }
    QPainterPath filled = band;
    for (std::size_t i = columns.size(); i-- > 0;) {
        filled.lineTo(area.left() + static_cast<qreal>(i) + 0.5, y(columns[i].least));
    }
    filled.closeSubpath();
    QPainterPath under = mean;
    under.lineTo(area.right(), area.bottom());
    under.lineTo(area.left(), area.bottom());
    under.closeSubpath();
    QColor shade = theme.kept;
    shade.setAlpha(theme.isDark ? 46 : 30);
    painter.fillPath(under, shade);
    shade.setAlpha(theme.isDark ? 90 : 70);
    painter.fillPath(filled, shade);
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(theme.kept, 1.4));
    painter.drawPath(mean);
}

} // namespace wisetick::app
