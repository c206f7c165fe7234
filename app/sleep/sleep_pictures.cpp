#include "sleep/sleep_pictures.h"

#include "paint/log_axis.h"
#include "paint/text.h"
#include "picture/picture_text.h"
#include "picture/sweep.h"

#include <QObject>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

constexpr qreal kPictureLeft = 8;
constexpr std::size_t kMostSleepBars = 12;

struct Limit {
    QString name;
    Rational limit;
    State state;
};

qreal barHeight() {
    return std::ceil(lineHeight(Face::small) + 6);
}

/// The lengths of rests that are shown: around all at which the choice changes, and those of the jobs.
LogAxis restAxis(const QRectF& area, const std::vector<BestRest>& best, const std::vector<JobRest>& jobs) {
    double low = 1e-3;
    double high = 1;
    for (const BestRest& each : best) {
        if (each.from.sign() > 0) {
            low = std::min(low, each.from.toDouble() / 3);
            high = std::max(high, each.from.toDouble() * 3);
        }
    }
    for (const JobRest& job : jobs) {
        high = std::max(high, job.rest.toDouble() * 2);
    }
    return {low, high, area.left() + kPictureLeft, area.right() - kPictureLeft};
}

} // namespace

QRectF restBandRect(const QRectF& area, const std::vector<BestRest>& best, const std::vector<JobRest>& jobs, std::size_t band) {
    const LogAxis axis = restAxis(area, best, jobs);
    const qreal top = area.top() + lineHeight(Face::small) + 4;
    const qreal from = best[band].from.sign() > 0 ? axis.at(best[band].from.toDouble()) : axis.left();
    const qreal to = band + 1 < best.size() ? axis.at(best[band + 1].from.toDouble()) : axis.right();
    return {from, top, to - from, lineHeight(Face::small) + 10};
}

Picture wakeStrip(const Plan& plan, const Figures& figures, const ModeFigure& mode) {
    std::vector<Limit> limits;
    for (std::size_t i = 0; i < plan.promises.size(); ++i) {
        const auto* wakes = plan.promises[i].line.ask.as<WakesAsk>();
        if (wakes != nullptr && wakes->mode == mode.id) {
            limits.push_back({text(figures.promises[i].name), wakes->limit, figures.promises[i].state});
        }
    }
    const WakeUpFigure wake = *mode.wakeUp;
    Picture picture;
    picture.title = QObject::tr("Waking from %1").arg(text(mode.id));
    picture.hint =
        QObject::tr("first instruction %1, all holds again %2 (at the latest %3)")
            .arg(timeText(wake.firstInstruction.nominal), timeText(wake.restored.nominal), timeText(wake.restored.max));
    const qreal row = barHeight();
    picture.height = row * static_cast<qreal>(wake.pieces.size()) + 2 * lineHeight(Face::small) + 16;
    picture.paint = [wake, limits, row](QPainter& painter, const QRectF& area, const Theme& theme) {
        qreal names = 0;
        for (const WakePiece& piece : wake.pieces) {
            names = std::max(names, textWidth(Face::small, text(piece.say)));
        }
        double longest = wake.restored.max.toDouble();
        double shortest = longest;
        for (const Limit& limit : limits) {
            longest = std::max(longest, limit.limit.toDouble());
        }
        for (const WakePiece& piece : wake.pieces) {
            if (piece.endTyp.sign() > 0) {
                shortest = std::min(shortest, piece.endTyp.toDouble());
            }
        }
        const qreal left = area.left() + kPictureLeft + names + 12;
        const qreal right = area.right() - 70;
        const qreal top = area.top() + lineHeight(Face::small) + 4;
        const qreal bottom = top + row * static_cast<qreal>(wake.pieces.size());
        if (!(longest > 0)) {
            drawText(painter, area, Qt::AlignLeft, QObject::tr("it takes no time"), Face::small, theme.muted);
            return;
        }
        // a log axis, as stages of microseconds and crystals of milliseconds stand side by side
        const LogAxis axis(std::max(shortest / 2, longest * 1e-6), longest, left, right);
        axis.draw(painter, QRectF(left, area.top(), right - left, bottom - area.top()), Unit::second, theme);
        const auto mark = [&](const Rational& at, const QString& said, const QColor& colour, Qt::PenStyle style, qreal y) {
            const qreal x = axis.at(at.toDouble());
            painter.setPen(QPen(colour, 1.5, style));
            painter.drawLine(QPointF(x, top), QPointF(x, bottom + 4));
            const qreal width = textWidth(Face::small, said) + 4;
            drawText(painter,
                     QRectF(std::clamp(x - width / 2, area.left(), area.right() - width), y, width, lineHeight(Face::small)),
                     Qt::AlignHCenter, said, Face::small, colour);
        };
        mark(wake.firstInstruction.nominal, QObject::tr("first instruction"), theme.ink, Qt::DashLine, bottom + 4);
        for (const Limit& limit : limits) {
            mark(limit.limit, limit.name + " " + timeText(limit.limit), theme.of(limit.state), Qt::SolidLine, bottom + 4);
        }
        for (std::size_t i = 0; i < wake.pieces.size(); ++i) {
            const WakePiece& piece = wake.pieces[i];
            const qreal y = top + row * static_cast<qreal>(i);
            drawText(painter, QRectF(area.left() + kPictureLeft, y, names + 4, row), Qt::AlignRight, text(piece.say), Face::small,
                     theme.ink);
            const qreal from = piece.startTyp.sign() > 0 ? axis.at(piece.startTyp.toDouble()) : left;
            const qreal to = axis.at(piece.endTyp.toDouble());
            const qreal late = axis.at(piece.endMax.toDouble());
            painter.setPen(Qt::NoPen);
            painter.setBrush(piece.isStage ? theme.kept : theme.railEdge);
            painter.drawRoundedRect(QRectF(QPointF(from, y + 4), QPointF(std::max(to, from + 3), y + row - 4)), 3, 3);
            painter.setPen(QPen(piece.isStage ? theme.kept : theme.railEdge, 2));
            painter.drawLine(QPointF(to, y + row / 2), QPointF(late, y + row / 2));
            const QString latest = timeText(piece.endMax);
            const QRectF label(late + 5, y + 2, textWidth(Face::small, latest) + 3, row - 4);
            painter.fillRect(label, theme.paper); // a limit may stand behind it
            drawText(painter, label, Qt::AlignLeft, latest, Face::small, theme.muted);
        }
    };
    return picture;
}

Picture currentOverTemperature(const Figures& figures, const ModeFigure& mode) {
    Sweep sweep;
    sweep.title = QObject::tr("What %1 draws over temperature").arg(text(mode.id));
    sweep.hint = QObject::tr("dashed: at most");
    sweep.over = Unit::celsius;
    sweep.gives = Unit::ampere;
    sweep.isLog = false;
    for (std::size_t i = 0; i < figures.grid.celsius.size(); ++i) {
        sweep.points.push_back({figures.grid.celsius[i], mode.current.typ[i], mode.current.max[i]});
    }
    sweep.now = figures.grid.celsius[figures.grid.nominal];
    return sweepPicture(sweep);
}

std::optional<Picture> currentOverSupply(const Plan& plan, const ModeFigure& mode, const std::vector<SweepPoint>& overSupply) {
    Sweep sweep;
    sweep.points = overSupply;
    if (sweep.points.size() < 2 ||
        (sweep.points.front().typ == sweep.points.back().typ && sweep.points.front().worst == sweep.points.back().worst)) {
        return std::nullopt;
    }
    sweep.title = QObject::tr("What %1 draws over the supply").arg(text(mode.id));
    sweep.hint = QObject::tr("dashed: at most");
    sweep.over = Unit::volt;
    sweep.gives = Unit::ampere;
    sweep.isLog = false;
    sweep.now = plan.board.supply->nominal;
    return sweepPicture(sweep);
}

std::vector<Picture> modePictures(const Plan& plan, const Figures& figures, const ModeFigure& mode,
                                  const std::vector<SweepPoint>& overSupply) {
    std::vector<Picture> pictures;
    if (mode.wakeUp) {
        pictures.push_back(wakeStrip(plan, figures, mode));
    }
    if (figures.grid.celsius.size() > 1) {
        pictures.push_back(currentOverTemperature(figures, mode));
    }
    if (auto drawn = currentOverSupply(plan, mode, overSupply)) {
        pictures.push_back(std::move(*drawn));
    }
    return pictures;
}

Picture restLengths(const std::vector<BestRest>& best, const std::vector<JobRest>& jobs, const std::string& meant) {
    Picture picture;
    picture.title = QObject::tr("Worth going deeper?");
    QString said;
    for (std::size_t i = 1; i < best.size(); ++i) {
        said += (said.isEmpty() ? QString() : QString(", ")) +
                QObject::tr("%1 pays beyond %2").arg(text(best[i].mode), timeText(best[i].from));
    }
    picture.hint = said.isEmpty() ? QObject::tr("no mode saves anything") : said;
    const qreal row = lineHeight(Face::small) + 10;
    picture.height = 2 * row + 2 * lineHeight(Face::small) + 16;
    picture.paint = [best, jobs, meant, row](QPainter& painter, const QRectF& area, const Theme& theme) {
        if (best.empty()) {
            return;
        }
        const LogAxis axis = restAxis(area, best, jobs);
        const qreal top = area.top() + lineHeight(Face::small) + 4;
        axis.draw(painter, QRectF(axis.left(), area.top(), axis.right() - axis.left(), top + row - area.top()), Unit::second,
                  theme);
        for (std::size_t i = 0; i < best.size(); ++i) {
            const QRectF band = restBandRect(area, best, jobs, i);
            const qreal from = band.left();
            const qreal to = band.right();
            const bool isMeant = best[i].mode == meant;
            QColor fill = isMeant ? theme.kept : theme.rail;
            painter.setPen(QPen(theme.railEdge, 1));
            painter.setBrush(fill);
            painter.drawRoundedRect(QRectF(QPointF(from + 1, top + 2), QPointF(to - 1, top + row - 2)), 4, 4);
            if (to - from > textWidth(Face::small, text(best[i].mode)) + 8) {
                drawText(painter, QRectF(from, top, to - from, row), Qt::AlignHCenter, text(best[i].mode), Face::small,
                         isMeant ? theme.paper : theme.ink);
            }
        }
        qreal taken = area.left(); // names of jobs do not stand on one another
        qreal second = area.left();
        std::vector<JobRest> sorted = jobs;
        std::sort(sorted.begin(), sorted.end(), [](const JobRest& a, const JobRest& b) { return a.rest < b.rest; });
        for (const JobRest& job : sorted) {
            const qreal x = job.rest.sign() > 0 ? axis.at(job.rest.toDouble()) : axis.left();
            const bool isBest = job.mode == meant;
            painter.setPen(QPen(theme.ink, 1.5));
            painter.drawLine(QPointF(x, top + row), QPointF(x, top + row + 6));
            const QString name = text(job.job) + (isBest ? QString() : QObject::tr(": %1").arg(text(job.mode)));
            const qreal width = textWidth(Face::small, name) + 6;
            const qreal start = std::clamp(x - width / 2, area.left(), area.right() - width);
            const bool isFirst = start >= taken;
            if (!isFirst && start < second) {
                continue;
            }
            (isFirst ? taken : second) = start + width + 4;
            drawText(painter,
                     QRectF(start, top + row + 6 + (isFirst ? 0 : lineHeight(Face::small)), width, lineHeight(Face::small)),
                     Qt::AlignHCenter, name, Face::small, isBest ? theme.muted : theme.ink);
        }
    };
    return picture;
}

std::vector<Contribution> drawOrder(const Figures& figures, const ModeFigure& mode) {
    std::vector<Contribution> list = mode.current.contributions;
    const auto typical = [&](const Contribution& each) {
        return each.typ.empty() ? Rational(0) : each.typ[figures.grid.nominal];
    };
    std::stable_sort(list.begin(), list.end(), [&](const auto& a, const auto& b) { return typical(a) > typical(b); });
    if (list.size() > kMostSleepBars) {
        list.resize(kMostSleepBars);
    }
    return list;
}

QRectF drawBarRect(const QRectF& area, std::size_t bar) {
    return {area.left(), area.top() + barHeight() * static_cast<qreal>(bar), area.width(), barHeight()};
}

Picture drawBars(const Figures& figures, const ModeFigure& mode, const std::vector<std::string>& without) {
    const std::vector<Contribution> list = drawOrder(figures, mode);
    const std::size_t nominal = figures.grid.nominal;
    Rational saved;
    Rational most;
    for (const Contribution& each : list) {
        const bool isOut = std::find(without.begin(), without.end(), each.name) != without.end();
        if (!each.typ.empty()) {
            saved += isOut ? each.typ[nominal] : Rational(0);
            most = std::max(most, each.typ[nominal]);
        }
    }
    const auto ampere = [](const Rational& value) { return text(printQuantity(value, Unit::ampere, 4)); };
    Picture picture;
    picture.title = QObject::tr("What draws in %1").arg(text(mode.id));
    picture.hint =
        without.empty()
            ? QObject::tr("%1 typically, %2 at most").arg(ampere(mode.ampere.nominal), ampere(mode.ampere.max))
            : QObject::tr("without what is struck out %1 less: %2").arg(ampere(saved), ampere(mode.ampere.nominal - saved));
    picture.height = barHeight() * static_cast<qreal>(list.size());
    picture.paint = [list, nominal, most, without, ampere](QPainter& painter, const QRectF& area, const Theme& theme) {
        qreal names = 0;
        for (const Contribution& each : list) {
            names = std::max(names, textWidth(Face::small, text(each.name)));
        }
        names = std::min(names, area.width() / 3);
        for (std::size_t i = 0; i < list.size(); ++i) {
            const Contribution& each = list[i];
            const QRectF row = drawBarRect(area, i);
            const bool isOut = std::find(without.begin(), without.end(), each.name) != without.end();
            const QColor ink = isOut ? theme.muted : theme.ink;
            drawText(painter, QRectF(area.left() + kPictureLeft, row.top(), names, row.height()), Qt::AlignLeft, text(each.name),
                     Face::small, ink);
            const qreal left = area.left() + kPictureLeft + names + 12;
            const qreal room = area.right() - 110 - left;
            const double share = each.typ.empty() || most.sign() <= 0 ? 0 : each.typ[nominal].toDouble() / most.toDouble();
            const QRectF bar(left, row.top() + 4, std::max<qreal>(room * share, 2), row.height() - 8);
            painter.setPen(isOut ? QPen(theme.railEdge, 1) : QPen(Qt::NoPen));
            painter.setBrush(isOut ? QBrush(Qt::NoBrush) : QBrush(theme.railEdge));
            painter.drawRoundedRect(bar, 3, 3);
            const QString figure = each.typ.empty() ? QObject::tr("unknown") : ampere(each.typ[nominal]);
            drawText(painter, QRectF(bar.right() + 8, row.top(), 130, row.height()), Qt::AlignLeft, figure, Face::small,
                     each.typ.empty() ? theme.strained : theme.muted);
            if (isOut) {
                painter.setPen(QPen(theme.muted, 1));
                painter.drawLine(QPointF(area.left() + kPictureLeft, row.center().y()),
                                 QPointF(area.left() + kPictureLeft + std::min(names, textWidth(Face::small, text(each.name))),
                                         row.center().y()));
            }
        }
    };
    return picture;
}

} // namespace wisetick::app
