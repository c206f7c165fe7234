#include "derive/promises.h"
#include "desk/pictures.h"
#include "paint/log_axis.h"
#include "paint/text.h"
#include "picture/picture_text.h"
#include "quantity/quantity_print.h"
#include "rhythm/trace.h"

#include <QObject>

#include <algorithm>

namespace wisetick::app {

namespace {

/// When a watchdog opens and bites at one speed of its clock.
struct BiteRow {
    QString name;
    Rational opens; ///< 0: from the start
    Rational bites;
    Rational warns; ///< 0: never
};

/// In which modes the watchdog counts on: there the rest is an interval between feeds.
Picture modesPicture(const DeskScene& scene) {
    struct Row {
        QString name;
        bool counts = false;
    };
    std::vector<Row> rows;
    for (const ModeFigure& mode : scene.figures.modes) {
        const auto& lives = mode.peripherals;
        rows.push_back({text(mode.name), std::find(lives.begin(), lives.end(), scene.desk.peripheral->id) != lives.end()});
    }
    const auto& rhythm = scene.figures.rhythm;
    const qreal row = lineHeight(Face::small) + 4;
    Picture picture;
    picture.title = QObject::tr("In each mode");
    picture.hint = rhythm && rhythm->longestRest
                       ? QObject::tr("the longest rest of the plan is %1").arg(timeText(*rhythm->longestRest))
                       : QObject::tr("where it counts on it must be fed, or outlast the rest");
    picture.height = row * static_cast<qreal>(rows.size());
    picture.paint = [rows = std::move(rows), row](QPainter& painter, const QRectF& area, const Theme& theme) {
        qreal names = 0;
        for (const Row& one : rows) {
            names = std::max(names, textWidth(Face::small, one.name));
        }
        for (std::size_t i = 0; i < rows.size(); ++i) {
            const qreal y = area.top() + row * static_cast<qreal>(i);
            drawText(painter, QRectF(area.left() + 12, y, names, row), Qt::AlignLeft, rows[i].name, Face::small, theme.ink);
            drawText(painter, QRectF(area.left() + 12 + names + 20, y, area.width() - names - 40, row), Qt::AlignLeft,
                     rows[i].counts ? QObject::tr("counts on") : QObject::tr("stands still"), Face::small,
                     rows[i].counts ? theme.ink : theme.muted);
        }
    };
    return picture;
}

/// A stretch of the play around the longest time between two feeds, and when they came in it; s.
struct FedStretch {
    double from = 0;
    double to = 0;
    std::vector<double> feeds;
};

FedStretch longestStretch(const Trace& trace, std::size_t job, double bites) {
    constexpr std::size_t kMostMet = 20000;
    const auto runs = trace.runsOf(job, 0, trace.span() * 2, kMostMet); // the pattern comes again: also across its end
    FedStretch stretch;
    double longest = 0;
    double at = 0;
    for (std::size_t i = 0; i + 1 < runs.size(); ++i) {
        const double gap = runs[i + 1].first - runs[i].first;
        if (gap > longest * (1 + 1e-9)) {
            longest = gap;
            at = runs[i].first;
        }
    }
    const double around = std::max(bites, longest);
    stretch.from = std::max(at - around * 0.8, 0.0);
    stretch.to = stretch.from + around * 3.2;
    for (const auto& [begin, end] : runs) {
        if (begin >= stretch.from && begin <= stretch.to) {
            stretch.feeds.push_back(begin);
        }
    }
    return stretch;
}

/// The time since the last feed as it was played, rising until the next one, with the window of the watchdog: where it is too
/// soon to feed, and when the earliest bite comes.
std::optional<Picture> feedsPicture(const DeskScene& scene, const BitesAsk& ask, const Way& way) {
    const auto& rhythm = scene.figures.rhythm;
    if (ask.fedBy.empty() || !rhythm || rhythm->trace == nullptr) {
        return std::nullopt;
    }
    const auto& states = rhythm->trace->states();
    const auto feeder = std::find_if(states.begin(), states.end(), [&](const TraceState& state) {
        return state.doing == Doing::job && state.target == Target::job(ask.fedBy);
    });
    const auto runs =
        std::find_if(rhythm->runs.begin(), rhythm->runs.end(), [&](const JobRuns& each) { return each.job == ask.fedBy; });
    if (feeder == states.end()) {
        return std::nullopt;
    }
    const double bites = way.got.min.toDouble();
    const double opens = (settingOf(way, "prescaler") * settingOf(way, "window") / scene.desk.clock->hertz.min).toDouble();
    const FedStretch fed = longestStretch(*rhythm->trace, feeder->which, bites);
    Picture picture;
    picture.title = QObject::tr("Fed by %1").arg(text(ask.fedBy));
    picture.hint = runs != rhythm->runs.end() && runs->interval
                       ? QObject::tr("the time since the last feed, around the longest; up to %1 at the corners")
                             .arg(timeText(runs->interval->max))
                       : QObject::tr("how long it is between two feeds has no bound");
    picture.height = 118 + lineHeight(Face::small);
    picture.paint = [=, state = way.state](QPainter& painter, const QRectF& area, const Theme& theme) {
        const QString bite = QObject::tr("bites");
        const qreal left = area.left() + 12 + textWidth(Face::small, bite) + 8;
        const qreal right = area.right() - 12;
        const qreal bottom = area.top() + 112;
        const qreal perSecond = (right - left) / (fed.to - fed.from);
        const qreal perWait = 96 / (bites * 1.15);
        const auto x = [&](double time) { return left + (time - fed.from) * perSecond; };
        const auto y = [&](double since) { return bottom - std::min(since, bites * 1.15) * perWait; };
        QColor band = theme.kept;
        band.setAlphaF(0.12F);
        painter.fillRect(QRectF(QPointF(left, y(bites)), QPointF(right, y(opens))), band);
        painter.setPen(QPen(theme.of(state), 2));
        painter.drawLine(QPointF(left, y(bites)), QPointF(right, y(bites)));
        drawText(
            painter,
            QRectF(area.left() + 12, y(bites) - lineHeight(Face::small) / 2, left - area.left() - 18, lineHeight(Face::small)),
            Qt::AlignRight, bite, Face::small, theme.muted);
        if (opens > 0) {
            painter.setPen(QPen(theme.railEdge, 1, Qt::DashLine));
            painter.drawLine(QPointF(left, y(opens)), QPointF(right, y(opens)));
        }
        painter.setPen(QPen(theme.line, 1));
        painter.drawLine(QPointF(left, bottom), QPointF(right, bottom));
        for (std::size_t i = 0; i < fed.feeds.size(); ++i) {
            const double from = fed.feeds[i];
            const double next = i + 1 < fed.feeds.size() ? fed.feeds[i + 1] : fed.to;
            const double since = next - from;
            painter.setPen(QPen(since >= bites ? theme.of(State::broken) : theme.ink, 1.6));
            painter.drawLine(QPointF(x(from), bottom), QPointF(x(next), y(since)));
            if (i + 1 < fed.feeds.size()) {
                painter.drawLine(QPointF(x(next), y(since)), QPointF(x(next), bottom));
            }
        }
        const QString shown = QObject::tr("%1 of the play").arg(timeText(quantised(fed.to - fed.from, powerOfTen(-3))));
        const qreal width = textWidth(Face::small, shown) + 4;
        drawText(painter, QRectF(right - width, bottom + 2, width, lineHeight(Face::small)), Qt::AlignRight, shown, Face::small,
                 theme.muted);
    };
    return picture;
}

} // namespace

std::vector<Picture> watchdogPictures(const DeskScene& scene, const WatchdogKind&, const BitesAsk& ask) {
    const auto way = scene.taken();
    if (!way) {
        return {};
    }
    const Clock& clock = *scene.desk.clock;
    std::vector<BiteRow> rows;
    const Rational prescaler = settingOf(*way, "prescaler");
    const auto row = [&](const QString& name, const Rational& hertz) {
        const Rational bites = prescaler * settingOf(*way, "counts") / hertz;
        const Rational early = prescaler * settingOf(*way, "early") / hertz;
        rows.push_back(
            {name, prescaler * settingOf(*way, "window") / hertz, bites, early.sign() > 0 ? bites - early : Rational(0)});
    };
    row(QObject::tr("fastest"), clock.hertz.max);
    row(QObject::tr("typical"), clock.hertz.nominal);
    row(QObject::tr("slowest"), clock.hertz.min);
    const State state = way->state;
    const Rational safeFrom = rows.back().opens;
    const Rational safeTo = rows.front().bites;
    Picture picture;
    picture.title = QObject::tr("When it may be fed");
    picture.hint = safeFrom < safeTo
                       ? QObject::tr("whatever the clock does: from %1 to %2").arg(timeText(safeFrom), timeText(safeTo))
                       : QObject::tr("never is it safe at both ends of the clock");
    const qreal each = 30;
    picture.height = each * 3 + 34 + lineHeight(Face::small);
    picture.paint = [=](QPainter& painter, const QRectF& area, const Theme& theme) {
        qreal names = 0;
        for (const BiteRow& one : rows) {
            names = std::max(names, textWidth(Face::small, one.name));
        }
        const qreal left = area.left() + 12 + names + 10;
        const Rational most = std::max(rows.back().bites, ask.atLatest.value_or(Rational(0))) * Rational(11, 10);
        const qreal perSecond = (area.right() - left - 90) / most.toDouble();
        const qreal top = area.top() + 6;
        if (safeFrom < safeTo) {
            QColor band = theme.kept;
            band.setAlphaF(0.16F);
            painter.fillRect(
                QRectF(left + safeFrom.toDouble() * perSecond, top, (safeTo - safeFrom).toDouble() * perSecond, each * 3), band);
        }
        for (std::size_t i = 0; i < rows.size(); ++i) {
            const qreal y = top + each * static_cast<qreal>(i);
            drawText(painter, QRectF(area.left() + 12, y, names, each), Qt::AlignRight, rows[i].name, Face::small, theme.muted);
            const qreal opens = left + rows[i].opens.toDouble() * perSecond;
            const qreal bites = left + rows[i].bites.toDouble() * perSecond;
            painter.setPen(QPen(theme.line, 1));
            painter.drawLine(QPointF(left, y + each / 2), QPointF(bites, y + each / 2));
            painter.setPen(QPen(theme.railEdge, 1));
            painter.setBrush(theme.rail);
            painter.drawRoundedRect(QRectF(opens, y + 9, bites - opens, each - 18), 3, 3);
            if (rows[i].warns.sign() > 0) {
                const qreal x = left + rows[i].warns.toDouble() * perSecond;
                painter.setPen(QPen(theme.strained, 1.6));
                painter.drawLine(QPointF(x, y + 5), QPointF(x, y + each - 5));
            }
            painter.setPen(QPen(theme.of(state), 2.6));
            painter.drawLine(QPointF(bites, y + 4), QPointF(bites, y + each - 4));
            // behind the bite, and behind the line of the latest where that would cross it
            const QString when = timeText(rows[i].bites);
            const qreal latest = ask.atLatest ? left + ask.atLatest->toDouble() * perSecond : 0;
            const bool isCrossed = latest > bites && latest < bites + 10 + textWidth(Face::small, when);
            drawText(painter, QRectF((isCrossed ? latest : bites) + 6, y, 84, each), Qt::AlignLeft, when, Face::small, theme.ink);
        }
        const auto mark = [&](const std::optional<Rational>& when, const QString& label) {
            if (when) {
                const qreal x = left + when->toDouble() * perSecond;
                painter.setPen(QPen(theme.ink, 1.6));
                painter.drawLine(QPointF(x, top), QPointF(x, top + each * 3 + 6));
                const qreal width = textWidth(Face::small, label) + 4;
                drawText(painter, QRectF(x - width / 2, top + each * 3 + 6, width, lineHeight(Face::small)), Qt::AlignHCenter,
                         label, Face::small, theme.ink);
            }
        };
        mark(ask.fedEvery, QObject::tr("fed"));
        mark(ask.atLatest, QObject::tr("at latest"));
    };
    std::vector<Picture> pictures{picture};
    if (auto feeds = feedsPicture(scene, ask, *way)) {
        pictures.push_back(std::move(*feeds));
    }
    pictures.push_back(modesPicture(scene));
    return pictures;
}

namespace {

/// How far a calendar strays, in s/s, against how far it may.
Picture driftPicture(const Bounds& drift, const Rational& limit, State state) {
    Picture picture;
    picture.title = QObject::tr("How far it strays");
    picture.hint = QObject::tr("typically %1 in a month, at worst %2 in a year")
                       .arg(timeText(drift.nominal * 86400 * 30), timeText(drift.max * 86400 * 365));
    picture.height = 58 + lineHeight(Face::small);
    picture.paint = [=](QPainter& painter, const QRectF& area, const Theme& theme) {
        const qreal left = area.left() + 12;
        const qreal width = area.width() - 60;
        const double most = std::max({drift.max, limit, Rational(1, 1000000000)}).toDouble() * 1.1;
        const qreal y = area.top() + 22;
        const auto at = [&](const Rational& value) { return left + width * value.toDouble() / most; };
        painter.setPen(QPen(theme.railEdge, 1));
        painter.setBrush(theme.rail);
        painter.drawRoundedRect(QRectF(QPointF(left, y - 8), QPointF(at(limit), y + 8)), 4, 4);
        painter.setPen(QPen(theme.of(state), 3));
        painter.drawLine(QPointF(at(drift.nominal), y), QPointF(at(drift.max), y));
        painter.drawLine(QPointF(at(drift.nominal), y - 11), QPointF(at(drift.nominal), y + 11));
        const auto label = [&](const Rational& value, qreal dy, const QColor& colour) {
            const QString shown = text(printQuantity(value, Unit::drift, 4));
            const qreal labelWidth = textWidth(Face::small, shown) + 4;
            drawText(painter,
                     QRectF(std::clamp(at(value) - labelWidth / 2, left, left + width + 40 - labelWidth), y + dy, labelWidth,
                            lineHeight(Face::small)),
                     Qt::AlignHCenter, shown, Face::small, colour);
        };
        label(drift.max, 14, theme.of(state));
        label(limit, -10 - lineHeight(Face::small), theme.muted);
    };
    return picture;
}

} // namespace

std::vector<Picture> calendarPictures(const DeskScene& scene, const DriftsAsk& ask) {
    const auto way = scene.taken();
    return way ? std::vector{driftPicture(way->got, ask.limit, way->state)} : std::vector<Picture>();
}

std::vector<Picture> alarmPictures(const DeskScene& scene, const FiresAsk& ask) {
    const auto way = scene.taken();
    if (!way) {
        return {};
    }
    const Rational nominal = abs(way->error.nominal);
    const Bounds drift{nominal, nominal, std::max(nominal, largestMagnitude(way->error))};
    return {driftPicture(drift, ask.tolerance.within.value_or(Rational(0)), way->state)};
}

std::vector<Picture> delayPictures(const DeskScene& scene, const DelayLoopKind& loop, const WaitsAsk& ask) {
    const auto way = scene.taken();
    if (!way) {
        return {};
    }
    const Rational cycles = settingOf(*way, "turns") * loop.turn + loop.overhead;
    const Rational& core = scene.desk.clock->hertz.nominal;
    struct Row {
        QString name;
        Rational time;
    };
    std::vector<Row> rows;
    for (const Rational& times : {Rational(1, 4), Rational(1, 2), Rational(1), Rational(2)}) {
        rows.push_back({text(printQuantity(core * times, Unit::hertz, 5)), cycles / (core * times)});
    }
    Picture picture;
    picture.title = QObject::tr("What it becomes when the core changes");
    picture.hint = QObject::tr("%1 turns, compiled for %2")
                       .arg(text(settingOf(*way, "turns").toString()), text(printQuantity(core, Unit::hertz, 5)));
    picture.height = 30.0 * 4 + 10;
    const State state = way->state;
    picture.paint = [=](QPainter& painter, const QRectF& area, const Theme& theme) {
        qreal names = 0;
        for (const Row& row : rows) {
            names = std::max(names, textWidth(Face::small, row.name));
        }
        const qreal left = area.left() + 12 + names + 10;
        const qreal widest = area.right() - left - 90;
        for (std::size_t i = 0; i < rows.size(); ++i) {
            const qreal y = area.top() + 30 * static_cast<qreal>(i);
            const bool isNow = i == 2;
            drawText(painter, QRectF(area.left() + 12, y, names, 30), Qt::AlignRight, rows[i].name, Face::small,
                     isNow ? theme.ink : theme.muted);
            const qreal width = widest * (rows[i].time / rows.front().time).toDouble();
            painter.setPen(QPen(isNow ? theme.of(state) : theme.railEdge, isNow ? 1.8 : 1));
            painter.setBrush(isNow ? theme.rail : theme.panel);
            painter.drawRoundedRect(QRectF(left, y + 7, width, 16), 3, 3);
            drawText(painter, QRectF(left + width + 6, y, 84, 30), Qt::AlignLeft, timeText(rows[i].time), Face::small, theme.ink);
        }
        const qreal wish = left + widest * (ask.time / rows.front().time).toDouble();
        painter.setPen(QPen(theme.ink, 1.4));
        painter.drawLine(QPointF(wish, area.top() + 2), QPointF(wish, area.top() + 118));
    };
    return {picture};
}

std::vector<Picture> linePictures(const DeskScene& scene, const RunsAsk& ask) {
    if (!scene.figure.got) {
        return {};
    }
    const Bounds got = *scene.figure.got;
    const State state = scene.figure.state;
    const double band = ask.tolerance.within ? ask.tolerance.within->toDouble() : 0;
    const double off = largestMagnitude(relativeError(got, ask.hertz)).toDouble();
    const bool isBound = ask.bound != RunsAsk::Bound::at;
    Picture picture;
    picture.title = QObject::tr("Around the rate that is asked");
    picture.hint = QObject::tr("%1 nominal, %2 to %3 at the corners")
                       .arg(text(printError(got.nominal / ask.hertz - 1)), text(printError(got.min / ask.hertz - 1)),
                            text(printError(got.max / ask.hertz - 1)));
    picture.height = 64 + lineHeight(Face::small);
    picture.paint = [=](QPainter& painter, const QRectF& area, const Theme& theme) {
        const qreal left = area.left() + 16;
        const qreal right = area.right() - 24;
        const double most = std::max({band, off, 1e-6}) * 1.2;
        const auto at = [&](double error) {
            return (left + right) / 2 + std::clamp(error / most, -1.0, 1.0) * (right - left) / 2;
        };
        const qreal y = area.top() + 26;
        const double low = isBound && ask.bound == RunsAsk::Bound::atMost ? -most : (isBound ? 0 : -band);
        const double high = isBound && ask.bound == RunsAsk::Bound::atLeast ? most : (isBound ? 0 : band);
        painter.setPen(QPen(theme.line, 1));
        painter.drawLine(QPointF(left, y), QPointF(right, y));
        painter.setPen(QPen(theme.railEdge, 1));
        painter.setBrush(theme.rail);
        painter.drawRoundedRect(QRectF(QPointF(at(low), y - 9), QPointF(at(high), y + 9)), 4, 4);
        painter.setPen(QPen(theme.ink, 1.4));
        painter.drawLine(QPointF(at(0), y - 14), QPointF(at(0), y + 14));
        painter.setPen(QPen(theme.of(state), 2.6));
        painter.drawLine(QPointF(at((got.min / ask.hertz - 1).toDouble()), y),
                         QPointF(at((got.max / ask.hertz - 1).toDouble()), y));
        const qreal nominal = at((got.nominal / ask.hertz - 1).toDouble());
        painter.drawLine(QPointF(nominal, y - 9), QPointF(nominal, y + 9));
        const auto label = [&](double error, Qt::Alignment side) {
            const Rational value = ask.hertz * (1 + quantised(error, powerOfTen(-12)));
            drawText(painter,
                     QRectF(side & Qt::AlignHCenter ? left : at(error) - (side & Qt::AlignRight ? 150 : 0), y + 18,
                            side & Qt::AlignHCenter ? right - left : 150, lineHeight(Face::small)),
                     side, text(printQuantity(value, Unit::hertz, 7)), Face::small, theme.muted);
        };
        label(0, Qt::AlignHCenter);
        if (band > 0) {
            label(-band, Qt::AlignLeft);
            label(band, Qt::AlignRight);
        }
    };
    return {picture};
}

std::vector<Picture> wakePictures(const DeskScene& scene, const WakesAsk& ask) {
    const auto mode = std::find_if(scene.figures.modes.begin(), scene.figures.modes.end(),
                                   [&](const ModeFigure& each) { return each.id == ask.mode; });
    if (mode == scene.figures.modes.end() || !mode->wakeUp) {
        return {};
    }
    const WakeUpFigure wake = *mode->wakeUp;
    const State state = scene.figure.state;
    const qreal row = lineHeight(Face::small) + 10;
    Picture picture;
    picture.title = QObject::tr("From the event until everything holds again");
    picture.hint = QObject::tr("typical filled, longest outlined; the line is what is asked");
    picture.height = row * static_cast<qreal>(wake.pieces.size()) + 16 + lineHeight(Face::small);
    picture.paint = [=](QPainter& painter, const QRectF& area, const Theme& theme) {
        qreal names = 0;
        Rational most = std::max(ask.limit, wake.restored.max);
        for (const WakePiece& piece : wake.pieces) {
            names = std::max(names, textWidth(Face::small, text(piece.say)));
        }
        names = std::min(names, area.width() * 0.35);
        const qreal left = area.left() + 12 + names + 10;
        const qreal perSecond = (area.right() - left - 24) / most.toDouble();
        const auto at = [&](const Rational& time) { return left + time.toDouble() * perSecond; };
        for (std::size_t i = 0; i < wake.pieces.size(); ++i) {
            const WakePiece& piece = wake.pieces[i];
            const qreal y = area.top() + 4 + row * static_cast<qreal>(i);
            drawText(painter, QRectF(area.left() + 12, y, names, row), Qt::AlignRight, text(piece.say), Face::small, theme.muted);
            painter.setPen(QPen(theme.railEdge, 1));
            painter.setBrush(Qt::NoBrush);
            painter.drawRoundedRect(QRectF(QPointF(at(piece.startMax), y + 4),
                                           QPointF(std::max(at(piece.endMax), at(piece.startMax) + 2), y + row - 4)),
                                    3, 3);
            painter.setBrush(theme.rail);
            painter.drawRoundedRect(QRectF(QPointF(at(piece.startTyp), y + 6),
                                           QPointF(std::max(at(piece.endTyp), at(piece.startTyp) + 2), y + row - 6)),
                                    3, 3);
        }
        const qreal bottom = area.top() + 4 + row * static_cast<qreal>(wake.pieces.size());
        const auto mark = [&](const Rational& time, const QColor& colour, qreal width) {
            painter.setPen(QPen(colour, width));
            painter.drawLine(QPointF(at(time), area.top()), QPointF(at(time), bottom + 4));
        };
        mark(ask.limit, theme.ink, 1.4);
        mark(wake.restored.max, theme.of(state), 2.4);
        drawText(painter, QRectF(left, bottom + 4, area.right() - left - 24, lineHeight(Face::small)), Qt::AlignRight,
                 QObject::tr("%1 typical, %2 at the longest, %3 asked")
                     .arg(timeText(wake.restored.nominal), timeText(wake.restored.max), timeText(ask.limit)),
                 Face::small, theme.ink);
    };
    return {picture};
}

} // namespace wisetick::app
