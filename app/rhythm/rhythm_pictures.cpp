#include "rhythm/rhythm_pictures.h"

#include "desk/picture_text.h"
#include "paint/text.h"
#include "rhythm/lanes.h"

#include <QObject>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

constexpr std::size_t kMostMoves = 8;
constexpr qreal kBar = 30;

QString ampere(const Rational& value) {
    return text(printQuantity(value, Unit::ampere, 4));
}

QString percentText(const Rational& share) {
    return QString::number(share.toDouble() * 100, 'g', 3) + QString::fromUtf8(" %");
}

QColor shareColour(const RhythmFigure::Share& share, std::size_t index, const Theme& theme) {
    return share.isResting ? theme.railEdge : laneColour(index, theme);
}

qreal rowHeight() {
    return std::ceil(lineHeight(Face::small) + 6);
}

} // namespace

QRectF shareRect(const RhythmFigure& rhythm, const QRectF& area, std::size_t share) {
    qreal left = area.left();
    for (std::size_t i = 0; i < rhythm.shares.size(); ++i) {
        const qreal width = area.width() * rhythm.shares[i].chargeShare.toDouble();
        if (i == share) {
            return {left, area.top(), width, kBar};
        }
        left += width;
    }
    return {};
}

DeskPicture chargePicture(const RhythmFigure& rhythm, std::size_t open) {
    DeskPicture picture;
    picture.title = QObject::tr("Where the charge goes");
    picture.hint = rhythm.average
                       ? QObject::tr("%1 on average; Shift and an arrow open a share").arg(ampere(rhythm.average->nominal))
                       : text(rhythm.unknown);
    const std::size_t inside = rhythm.shares.empty() ? 0 : std::min(open, rhythm.shares.size() - 1);
    picture.height = kBar + 2 * lineHeight(Face::small) + 12;
    picture.paint = [rhythm, inside](QPainter& painter, const QRectF& area, const Theme& theme) {
        for (std::size_t i = 0; i < rhythm.shares.size(); ++i) {
            const RhythmFigure::Share& share = rhythm.shares[i];
            const QRectF piece = shareRect(rhythm, area, i);
            painter.fillRect(piece.adjusted(0.5, 0, -0.5, 0), shareColour(share, i, theme));
            const QString name = text(share.name);
            const QString percent = percentText(share.chargeShare);
            const QString whole = name + " " + percent;
            const QString said = textWidth(Face::small, whole) + 12 < piece.width()  ? whole
                                 : textWidth(Face::small, name) + 12 < piece.width() ? name
                                                                                     : QString();
            drawText(painter, piece, Qt::AlignHCenter, said, Face::small, share.isResting ? theme.ink : theme.paper);
            if (i == inside) {
                painter.fillRect(QRectF(piece.left(), piece.bottom() + 2, std::max<qreal>(piece.width(), 2), 3), theme.ink);
            }
        }
        if (rhythm.shares.empty()) {
            return;
        }
        const RhythmFigure::Share& share = rhythm.shares[inside];
        QString pieces;
        const QString start =
            QObject::tr("%1, %2, %3 of the time: ").arg(text(share.name), ampere(share.ampere), percentText(share.timeShare));
        qreal room = 2 * area.width() - textWidth(Face::small, start) - 60;
        for (const auto& piece : share.pieces) {
            const QString said = text(piece.name) + " " + ampere(piece.ampere);
            room -= textWidth(Face::small, said + ", ");
            if (room < 0) {
                pieces += QString::fromUtf8(" \u2026");
                break;
            }
            pieces += (pieces.isEmpty() ? "" : ", ") + said;
        }
        painter.setPen(theme.muted);
        painter.setFont(faceFont(Face::small));
        painter.drawText(QRectF(area.left(), area.top() + kBar + 8, area.width(), 2 * lineHeight(Face::small) + 4),
                         Qt::TextWordWrap, start + pieces);
    };
    return picture;
}

DeskPicture movesPicture(const std::vector<BatteryMove>& moves, bool isWorking) {
    const std::size_t count = std::min(moves.size(), kMostMoves);
    const bool isLife = count > 0 && moves.front().life.has_value();
    DeskPicture picture;
    picture.title =
        isLife || count == 0 ? QObject::tr("What would move the battery most") : QObject::tr("What would move the average most");
    picture.hint = isWorking ? QObject::tr("being played \u2026") : QObject::tr("if one figure were a tenth worse or better");
    picture.height = rowHeight() * static_cast<qreal>(std::max<std::size_t>(count, 1));
    picture.paint = [shown = std::vector<BatteryMove>(moves.begin(), moves.begin() + static_cast<std::ptrdiff_t>(count)),
                     isLife](QPainter& painter, const QRectF& area, const Theme& theme) {
        qreal names = 0;
        double reach = 0;
        const auto ends = [&](const BatteryMove& move) {
            return move.life ? *move.life : Bounds{move.average.max, move.average.nominal, move.average.min};
        };
        for (const BatteryMove& move : shown) {
            names = std::max(names, textWidth(Face::small, text(move.say)));
            const Bounds bounds = ends(move);
            for (const Rational& end : {bounds.min, bounds.max}) {
                reach = std::max(reach, std::abs((end - bounds.nominal).toDouble()));
            }
        }
        const auto print = [&](const Rational& value) { return isLife ? timeText(value) : ampere(value); };
        const qreal figures = 96;
        const qreal left = area.left() + names + 16 + figures;
        const qreal right = area.right() - figures;
        const qreal middle = (left + right) / 2;
        const qreal half = std::max<qreal>((right - left) / 2 - 4, 10);
        for (std::size_t i = 0; i < shown.size(); ++i) {
            const Bounds bounds = ends(shown[i]);
            const qreal y = area.top() + rowHeight() * static_cast<qreal>(i);
            const auto x = [&](const Rational& value) {
                return reach > 0 ? middle + half * (isLife ? 1 : -1) * (value - bounds.nominal).toDouble() / reach : middle;
            };
            drawText(painter, QRectF(area.left(), y, names + 4, rowHeight()), Qt::AlignLeft, text(shown[i].say), Face::small,
                     theme.ink);
            painter.setPen(Qt::NoPen);
            painter.setBrush(theme.railEdge);
            painter.drawRect(QRectF(QPointF(x(bounds.min), y + 4), QPointF(middle, y + rowHeight() - 4)).normalized());
            painter.setBrush(theme.kept);
            painter.drawRect(QRectF(QPointF(middle, y + 4), QPointF(x(bounds.max), y + rowHeight() - 4)).normalized());
            drawText(painter, QRectF(left - figures - 8, y, figures, rowHeight()), Qt::AlignRight, print(bounds.min), Face::small,
                     theme.muted);
            drawText(painter, QRectF(right + 8, y, figures, rowHeight()), Qt::AlignLeft, print(bounds.max), Face::small,
                     theme.muted);
        }
        if (!shown.empty()) {
            painter.setPen(QPen(theme.ink, 1));
            painter.drawLine(QPointF(middle, area.top()),
                             QPointF(middle, area.top() + rowHeight() * static_cast<qreal>(shown.size())));
        }
    };
    return picture;
}

DeskPicture sweepPicture(const Sweep& sweep) {
    DeskPicture picture;
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

DeskPicture takesPicture(const std::vector<TakeBeside>& takes, bool isWorking) {
    DeskPicture picture;
    picture.title = QObject::tr("Takes side by side");
    picture.hint = isWorking ? QObject::tr("being played \u2026") : QObject::tr("the same jobs on each");
    picture.height = (rowHeight() + 4) * static_cast<qreal>(std::max<std::size_t>(takes.size(), 1));
    picture.paint = [takes](QPainter& painter, const QRectF& area, const Theme& theme) {
        double longest = 0;
        qreal names = 0;
        for (const TakeBeside& take : takes) {
            longest = std::max(longest,
                               take.life ? take.life->nominal.toDouble() : (take.average ? take.average->nominal.toDouble() : 0));
            names = std::max(names, textWidth(Face::bold, take.name) + textWidth(Face::small, take.hint) + 8);
        }
        for (std::size_t i = 0; i < takes.size(); ++i) {
            const TakeBeside& take = takes[i];
            const qreal y = area.top() + (rowHeight() + 4) * static_cast<qreal>(i);
            const qreal name = textWidth(Face::bold, take.name);
            drawText(painter, QRectF(area.left(), y, name + 2, rowHeight()), Qt::AlignLeft, take.name, Face::bold,
                     take.isActive ? theme.kept : theme.ink);
            drawText(painter, QRectF(area.left() + name + 8, y, names, rowHeight()), Qt::AlignLeft, take.hint, Face::small,
                     theme.muted);
            const qreal left = area.left() + names + 16;
            const qreal right = area.right() - 200;
            const double value =
                take.life ? take.life->nominal.toDouble() : (take.average ? take.average->nominal.toDouble() : 0);
            painter.setPen(Qt::NoPen);
            painter.setBrush(take.isActive ? theme.kept : theme.railEdge);
            if (longest > 0 && right > left) {
                painter.drawRoundedRect(
                    QRectF(left, y + 5, std::max<qreal>((right - left) * value / longest, 2), rowHeight() - 10), 3, 3);
            }
            const QString said = (take.average ? ampere(take.average->nominal) : QObject::tr("unknown")) +
                                 (take.life ? ", " + timeText(take.life->nominal) : QString());
            drawText(painter, QRectF(right + 8, y, 192, rowHeight()), Qt::AlignLeft, said, Face::small, theme.ink);
        }
    };
    return picture;
}

DeskPicture chancePicture(const std::optional<ChanceFigure>& chance, double done) {
    DeskPicture picture;
    picture.title = QObject::tr("By chance");
    picture.hint = chance ? QObject::tr("%1 plays of %2 runs: nine in ten lie within").arg(chance->seeds).arg(chance->runs)
                          : QObject::tr("%1 % of the plays are done; Esc ends them").arg(static_cast<int>(done * 100));
    picture.height = 2 * rowHeight();
    picture.paint = [chance, done](QPainter& painter, const QRectF& area, const Theme& theme) {
        const qreal left = area.left() + 90;
        const qreal right = area.right() - 16;
        if (!chance) {
            painter.setPen(QPen(theme.railEdge, 1));
            painter.setBrush(theme.rail);
            painter.drawRoundedRect(QRectF(left, area.top() + 6, right - left, 8), 4, 4);
            painter.setPen(Qt::NoPen);
            painter.setBrush(theme.kept);
            painter.drawRoundedRect(QRectF(left, area.top() + 6, (right - left) * std::clamp(done, 0.0, 1.0), 8), 4, 4);
            return;
        }
        const auto band = [&](qreal y, const QString& name, const ChanceBand& values, Unit unit, const Rational& grain) {
            drawText(painter, QRectF(area.left(), y, 84, rowHeight()), Qt::AlignLeft, name, Face::small, theme.ink);
            const auto print = [&](double value) { return text(printQuantity(quantised(value, grain), unit, 4)); };
            const double room = std::max(values.high - values.low, std::abs(values.middle) * 1e-9);
            const auto x = [&](double value) { return left + 110 + (right - left - 220) * (value - values.low) / room; };
            painter.setPen(Qt::NoPen);
            painter.setBrush(theme.railEdge);
            painter.drawRoundedRect(QRectF(x(values.low), y + rowHeight() / 2 - 4, x(values.high) - x(values.low), 8), 4, 4);
            painter.setPen(QPen(theme.kept, 3));
            painter.drawLine(QPointF(x(values.middle), y + 4), QPointF(x(values.middle), y + rowHeight() - 4));
            drawText(painter, QRectF(left, y, 104, rowHeight()), Qt::AlignRight, print(values.low), Face::small, theme.muted);
            drawText(painter, QRectF(right - 104, y, 110, rowHeight()), Qt::AlignLeft, print(values.high), Face::small,
                     theme.muted);
        };
        band(area.top(), QObject::tr("average"), chance->average, Unit::ampere, powerOfTen(-12));
        if (chance->life) {
            band(area.top() + rowHeight(), QObject::tr("life"), *chance->life, Unit::second, powerOfTen(-3));
        }
    };
    return picture;
}

} // namespace wisetick::app
