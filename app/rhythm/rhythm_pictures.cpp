#include "rhythm/rhythm_pictures.h"

#include "paint/text.h"
#include "picture/picture_text.h"
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

/// A job's share has the colour of its lane; what is no job has none of theirs.
QColor shareColour(const RhythmFigure::Share& share, const std::vector<Job>& jobs, const Theme& theme) {
    const auto job =
        std::find_if(jobs.begin(), jobs.end(), [&](const Job& each) { return share.target == Target::job(each.name); });
    return job != jobs.end() ? laneColour(static_cast<std::size_t>(job - jobs.begin()), theme)
                             : (share.isResting ? theme.railEdge : theme.muted);
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

Picture chargePicture(const std::vector<Job>& jobs, const RhythmFigure& rhythm, std::size_t open) {
    Picture picture;
    picture.title = QObject::tr("Where the charge goes");
    picture.hint = rhythm.average
                       ? QObject::tr("%1 on average; Shift and an arrow open a share").arg(ampere(rhythm.average->nominal))
                       : text(rhythm.unknown);
    const std::size_t inside = rhythm.shares.empty() ? 0 : std::min(open, rhythm.shares.size() - 1);
    picture.height = kBar + 2 * lineHeight(Face::small) + 12;
    picture.paint = [jobs, rhythm, inside](QPainter& painter, const QRectF& area, const Theme& theme) {
        for (std::size_t i = 0; i < rhythm.shares.size(); ++i) {
            const RhythmFigure::Share& share = rhythm.shares[i];
            const QRectF piece = shareRect(rhythm, area, i);
            painter.fillRect(piece.adjusted(0.5, 0, -0.5, 0), shareColour(share, jobs, theme));
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

Picture movesPicture(const std::vector<BatteryMove>& moves, bool isWorking) {
    const std::size_t count = std::min(moves.size(), kMostMoves);
    const bool isLife = count > 0 && moves.front().life.has_value();
    Picture picture;
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

Picture takesPicture(const std::vector<TakeBeside>& takes, bool isWorking) {
    Picture picture;
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

Picture chancePicture(const std::optional<ChanceFigure>& chance, double done) {
    Picture picture;
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
