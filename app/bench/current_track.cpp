#include "bench/current_track.h"

#include "paint/text.h"
#include "quantity/quantity_print.h"

#include <QPainter>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

constexpr int kCurrentDigits = 3;
constexpr std::size_t kMostLevels = 6;
constexpr std::size_t kMostWakes = 8;
constexpr std::size_t kFewWakes = 3;
constexpr double kUp = 30; ///< times the floor: a wake is under way

QString amount(double value, Unit unit) {
    return measuredAmount(value, unit);
}

double firstWake(const DrawnCurrent& drawn, double above) {
    for (std::size_t i = 1; i < drawn.track->ticks.size(); ++i) {
        if (drawn.track->values[i] * drawn.scale > above && drawn.track->values[i - 1] * drawn.scale <= above) {
            return static_cast<double>(drawn.track->ticks[i]) * drawn.seconds;
        }
    }
    return 0;
}

} // namespace

CurrentTrack::CurrentTrack(const CurrentFigures& figures, const DrawnCurrent* foretold) : figures_(figures) {
    double least = figures.floor > 0 ? figures.floor : figures.average;
    double most = figures.peak;
    if (foretold != nullptr && !foretold->track->values.empty()) {
        const auto [low, high] = std::minmax_element(foretold->track->values.begin(), foretold->track->values.end());
        least = *low > 0 ? std::min(least, *low) : least;
        most = std::max(most, *high);
    }
    low_ = std::pow(10, std::floor(std::log10(std::max(least, 1e-9)) - 0.1));
    high_ = std::max(std::pow(10, std::ceil(std::log10(std::max(most, 1e-9)) + 0.05)), low_ * 10);
}

qreal CurrentTrack::at(double ampere, const QRectF& area) const {
    const double share = std::log(std::max(ampere, low_) / low_) / std::log(high_ / low_);
    return area.bottom() - std::clamp(share, 0.0, 1.0) * area.height();
}

void CurrentTrack::paintScale(QPainter& painter, const QRectF& area, const Theme& theme) const {
    for (double decade = low_; decade < high_ * 1.001; decade *= 10) {
        const qreal y = at(decade, area);
        painter.fillRect(QRectF(area.left(), y - 0.5, area.width(), 1), theme.line);
        drawText(painter, QRectF(area.left() - 70, y - lineHeight(Face::small) / 2, 64, lineHeight(Face::small)), Qt::AlignRight,
                 amount(decade, Unit::ampere), Face::small, theme.muted);
    }
}

void CurrentTrack::paint(QPainter& painter, const QRectF& area, const TimeAxis& axis, const DrawnCurrent& recorded,
                         const DrawnCurrent* foretold, const Theme& theme) const {
    paintScale(painter, area, theme);
    painter.save();
    painter.setClipRect(area.adjusted(-1, -2, 1, 2));
    const auto spanAt = [&](const DrawnCurrent& drawn, qreal x, double shift) {
        const auto tickOf = [&](qreal at) { return static_cast<std::int64_t>((axis.timeAt(at) - shift) / drawn.seconds); };
        const std::int64_t from = std::max<std::int64_t>(tickOf(x), 0);
        ValueSpan span = drawn.blocks->span(from, std::max(tickOf(x + 1), from + 1));
        span.least *= drawn.scale;
        span.most *= drawn.scale;
        return span;
    };
    QColor band = theme.kept;
    band.setAlphaF(0.22F);
    if (foretold != nullptr) {
        const double shift = shiftOf(figures_, recorded, *foretold);
        for (qreal x = area.left(); x < area.right(); ++x) {
            if (axis.timeAt(x) < shift) {
                continue; // before the prediction begins
            }
            const ValueSpan span = spanAt(*foretold, x, shift);
            const qreal top = at(span.most, area) - 3;
            painter.fillRect(QRectF(x, top, 1, at(span.least, area) + 3 - top), band);
        }
    }
    QPolygonF line;
    for (qreal x = area.left(); x < area.right(); ++x) {
        const ValueSpan span = spanAt(recorded, x, 0);
        // the level that it came from first, so that a change is drawn as one
        line << QPointF(x, at(line.isEmpty() || line.back().y() < area.center().y() ? span.most : span.least, area));
        if (span.most != span.least) {
            line << QPointF(x, at(span.least, area)) << QPointF(x, at(span.most, area));
        }
    }
    painter.setPen(QPen(theme.ink, 1.2));
    painter.drawPolyline(line);
    painter.setPen(QPen(theme.thread, 1, Qt::DashLine));
    const qreal average = at(figures_.average, area);
    painter.drawLine(QPointF(area.left(), average), QPointF(area.right(), average));
    painter.restore();
}

double shiftOf(const CurrentFigures& figures, const DrawnCurrent& recorded, const DrawnCurrent& foretold) {
    const double above = figures.floor * kUp;
    return firstWake(recorded, above) - firstWake(foretold, above);
}

QString measuredAmount(double value, Unit unit) {
    if (value == 0) {
        return text(printQuantity(Rational(0), unit));
    }
    // to so many digits, and not told as near: a measured figure is
    const double step = std::pow(10, std::floor(std::log10(std::abs(value))) - kCurrentDigits);
    QString said =
        text(printQuantity(quantised(value, quantised(step, Rational(1, 1'000'000'000'000'000))), unit, kCurrentDigits));
    return said.remove(QChar(0x2248));
}

std::vector<std::pair<QString, QString>> currentLines(const CurrentFigures& figures, bool areAll) {
    std::vector<std::pair<QString, QString>> lines;
    for (const CurrentWake& wake : figures.wakes) {
        if (lines.size() >= (areAll ? kMostWakes : kFewWakes)) {
            break;
        }
        const auto count = static_cast<int>(wake.count);
        const QString what = (count == 1 ? QObject::tr("once %1") : QObject::tr("%n times %1", nullptr, count))
                                 .arg(wake.name.empty() ? QObject::tr("something unplanned") : text(wake.name));
        QString said = QObject::tr("%1 in %2").arg(amount(wake.coulomb, Unit::coulomb), amount(wake.seconds, Unit::second));
        if (wake.predicted > 0) {
            said += QObject::tr(", predicted %1 in %2")
                        .arg(amount(wake.predicted, Unit::coulomb), amount(wake.predictedSeconds, Unit::second));
        }
        lines.emplace_back(what, said);
    }
    std::vector<CurrentLevel> levels = areAll ? figures.levels : std::vector<CurrentLevel>();
    std::sort(levels.begin(), levels.end(), [](const auto& a, const auto& b) { return a.share > b.share; });
    for (std::size_t i = 0; i < std::min(levels.size(), kMostLevels); ++i) {
        const CurrentLevel& level = levels[i];
        QString said =
            QObject::tr("%1 for %2 of the time").arg(amount(level.ampere, Unit::ampere), amount(level.share, Unit::ratio));
        if (!level.name.empty()) {
            said += QObject::tr(", predicted %1").arg(amount(level.predicted, Unit::ampere));
        }
        lines.emplace_back(level.name.empty() ? QObject::tr("a level that is not planned") : text(level.name), said);
    }
    return lines;
}

} // namespace wisetick::app
