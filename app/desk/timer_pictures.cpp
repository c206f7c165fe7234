#include "desk/pictures.h"
#include "paint/log_axis.h"
#include "paint/text.h"
#include "picture/latency_picture.h"
#include "picture/picture_text.h"
#include "promise/pwm.h"
#include "quantity/quantity_print.h"

#include <QObject>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

/// A bar of the reach chart: what one prescaler can make of one clock.
struct ReachBar {
    QString label;
    double from = 0;
    double to = 0;
    bool isOther = false;        ///< of a clock that is not chosen
    std::optional<Way> way = {}; ///< the best one of this prescaler
};

struct TimerReach {
    std::vector<ReachBar> bars;
    double target = 0; ///< s
    QString targetText;
};

constexpr std::size_t kMostReachBars = 9;

/// The prescalers worth a bar: the first and the last, those of the best ways, and some between.
std::vector<Rational> tellingPrescalers(const FactorSet& set, const std::vector<Way>& ways) {
    std::vector<Rational> list{set.least(), set.most()};
    const auto add = [&](const Rational& value) {
        const bool isLikeAnother = std::any_of(list.begin(), list.end(), [&](const Rational& other) {
            const Rational ratio = value < other ? other / value : value / other;
            return ratio < Rational(11, 10); // its bar would look the same
        });
        if (list.size() < kMostReachBars && !isLikeAnother) {
            list.push_back(value);
        }
    };
    for (const Way& way : ways) {
        if (list.size() < kMostReachBars - 2) {
            add(settingOf(way, "prescaler"));
        }
    }
    const double span = std::log2(set.most().toDouble() / set.least().toDouble());
    for (int i = 1; i < 6; ++i) {
        for (const Rational& near :
             set.nearest(set.least() * Rational(static_cast<std::int64_t>(std::llround(std::exp2(span * i / 6)))))) {
            add(near);
            break;
        }
    }
    std::sort(list.begin(), list.end());
    return list;
}

/// `slopes` is how many times the counts make a period.
TimerReach timerReachOf(const DeskScene& scene, const TimerKind& timer, const Rational& target, const Rational& slopes) {
    TimerReach reach;
    reach.target = target.toDouble();
    reach.targetText = text(printQuantity(target, Unit::second));
    const Rational post = timer.post.empty() ? Rational(1) : timer.post.most();
    const auto bar = [&](const QString& label, const Rational& least, const Rational& most, const Rational& hertz) {
        return ReachBar{label, (least * timer.counts.least() * slopes / hertz).toDouble(),
                        (most * timer.counts.most() * slopes * post / hertz).toDouble()};
    };
    const Rational& hertz = scene.desk.clock->hertz.nominal;
    for (const Rational& prescaler : tellingPrescalers(timer.prescaler, scene.desk.ways)) {
        reach.bars.push_back(bar("\u00f7 " + text(prescaler.toString()), prescaler, prescaler, hertz));
        for (const Way& way : scene.desk.ways) {
            if (settingOf(way, "prescaler") == prescaler && !reach.bars.back().way) {
                reach.bars.back().way = way;
            }
        }
    }
    for (const Clock& other : scene.desk.others) {
        reach.bars.push_back(bar(text(other.id), timer.prescaler.least(), timer.prescaler.most(), other.hertz.nominal));
        reach.bars.back().isOther = true;
    }
    return reach;
}

Picture reachPicture(TimerReach reach) {
    const qreal row = 19;
    const bool hasOthers = !reach.bars.empty() && reach.bars.back().isOther;
    Picture picture;
    picture.title = QObject::tr("Reach");
    picture.hint = hasOthers ? QObject::tr("the periods that each prescaler can make, and below what other clocks could")
                             : QObject::tr("the periods that each prescaler can make; the wish must cut a bar");
    picture.height = lineHeight(Face::small) * 2 + 14 + row * static_cast<qreal>(reach.bars.size());
    picture.paint = [reach = std::move(reach), row](QPainter& painter, const QRectF& area, const Theme& theme) {
        double low = reach.target;
        double high = reach.target;
        qreal labels = 0;
        for (const ReachBar& bar : reach.bars) {
            low = std::min(low, bar.from);
            high = std::max(high, bar.to);
            labels = std::max(labels, textWidth(Face::small, bar.label));
        }
        const LogAxis axis(low, high, area.left() + labels + 16, area.right() - 28);
        const qreal top = area.top() + lineHeight(Face::small) + 6;
        const qreal bottom = top + row * static_cast<qreal>(reach.bars.size());
        axis.draw(painter, QRectF(area.left(), area.top(), area.width(), bottom - area.top()), Unit::second, theme);
        const qreal x = axis.at(reach.target);
        for (std::size_t i = 0; i < reach.bars.size(); ++i) {
            const ReachBar& bar = reach.bars[i];
            const QRectF line(area.left(), top + row * static_cast<qreal>(i), labels, row);
            const bool isCut = bar.from <= reach.target && reach.target <= bar.to;
            drawText(painter, line, Qt::AlignRight, bar.label, Face::small, isCut ? theme.ink : theme.muted);
            const QRectF shape(axis.at(bar.from), line.top() + 5, std::max(axis.at(bar.to) - axis.at(bar.from), 3.0), row - 10);
            painter.setPen(bar.isOther ? QPen(theme.railEdge, 1, Qt::DashLine) : QPen(isCut ? theme.railEdge : theme.line, 1));
            painter.setBrush(bar.isOther ? QBrush(Qt::NoBrush) : QBrush(isCut ? theme.rail : theme.panel));
            painter.drawRoundedRect(shape, 3, 3);
        }
        painter.setPen(QPen(theme.ink, 1.4));
        painter.drawLine(QPointF(x, top - 4), QPointF(x, bottom + 4));
        for (std::size_t i = 0; i < reach.bars.size(); ++i) {
            if (const auto& way = reach.bars[i].way) {
                const bool isRate = way->got.nominal.sign() > 0 && reach.bars[i].way->error.nominal != 0;
                const double at = isRate ? reach.target * (1 + way->error.nominal.toDouble()) : reach.target;
                const qreal y = top + row * (static_cast<qreal>(i) + 0.5);
                drawMark(painter, QRectF(axis.at(at) - 5, y - 5, 10, 10), way->state, theme);
            }
        }
        const qreal width = textWidth(Face::bold, reach.targetText);
        const bool isRight = x + 8 + width > area.right();
        drawText(painter, QRectF(isRight ? x - width - 8 : x + 6, bottom - 2, width + 2, lineHeight(Face::bold)), Qt::AlignLeft,
                 reach.targetText, Face::bold, theme.ink);
    };
    return picture;
}

/// A length between two arrow ends, with its text in the middle.
void drawSpan(QPainter& painter, qreal from, qreal to, qreal y, const QString& label, const Theme& theme) {
    painter.setPen(QPen(theme.muted, 1));
    painter.drawLine(QPointF(from, y), QPointF(to, y));
    for (const auto& [x, side] : {std::pair(from, 1.0), std::pair(to, -1.0)}) {
        painter.drawLine(QPointF(x, y), QPointF(x + 5 * side, y - 3));
        painter.drawLine(QPointF(x, y), QPointF(x + 5 * side, y + 3));
    }
    const qreal width = textWidth(Face::small, label) + 8;
    drawText(painter, QRectF((from + to - width) / 2, y + 2, width, lineHeight(Face::small)), Qt::AlignHCenter, label,
             Face::small, theme.ink);
}

/// The events of a timer along time, with the interval in which each may come.
Picture eventsPicture(const Way& way, const Rational& asked) {
    Picture picture;
    picture.title = QObject::tr("Four periods");
    const Rational off = way.got.nominal - asked;
    picture.hint = off.isZero() ? QObject::tr("each on time; the bands are the clock's own bounds")
                                : QObject::tr("%1 %2 each time, %3 after a thousand")
                                      .arg(text(printQuantity(abs(off), Unit::second, 4)))
                                      .arg(off.sign() > 0 ? QObject::tr("late") : QObject::tr("early"))
                                      .arg(text(printQuantity(abs(off) * 1000, Unit::second, 4)));
    picture.height = 74;
    picture.paint = [way, asked](QPainter& painter, const QRectF& area, const Theme& theme) {
        const qreal left = area.left() + 12;
        const double seconds = 4 * std::max(asked, way.got.max).toDouble() * 1.04;
        const qreal perSecond = (area.width() - 40) / seconds;
        const qreal base = area.top() + 40;
        painter.setPen(QPen(theme.line, 1));
        painter.drawLine(QPointF(left, base), QPointF(area.right() - 16, base));
        for (int i = 0; i <= 4; ++i) {
            const qreal wish = left + asked.toDouble() * i * perSecond;
            painter.setPen(QPen(theme.muted, 1, Qt::DotLine));
            painter.drawLine(QPointF(wish, area.top() + 6), QPointF(wish, base + 6));
            const qreal early = left + way.got.min.toDouble() * i * perSecond;
            const qreal late = left + way.got.max.toDouble() * i * perSecond;
            QColor band = theme.of(way.state);
            band.setAlphaF(0.25F);
            painter.fillRect(QRectF(early, base - 22, std::max(late - early, 0.0), 22), band);
            const qreal at = left + way.got.nominal.toDouble() * i * perSecond;
            painter.setPen(QPen(theme.of(way.state), 2.4));
            painter.drawLine(QPointF(at, base - 22), QPointF(at, base));
        }
        drawSpan(painter, left, left + way.got.nominal.toDouble() * perSecond, base + 8,
                 text(printQuantity(way.got.nominal, Unit::second)), theme);
    };
    return picture;
}

/// Two periods of a channel: on, off, and where both outputs are dead.
Picture dutyPicture(const Way& way, const std::string& compareName, const Rational& clock) {
    const Rational counts = settingOf(way, "counts");
    const Rational compare = settingOf(way, compareName);
    const Rational period = 1 / way.got.nominal;
    const Rational on = period * compare / counts;
    const Rational dead = settingOf(way, "dead") / clock;
    Picture picture;
    picture.title = QObject::tr("Two periods");
    picture.hint = QObject::tr("%1 on, %2 off; it switches on count %3 of %4")
                       .arg(text(printQuantity(on, Unit::second)), text(printQuantity(period - on, Unit::second)))
                       .arg(text(compare.toString()), text(counts.toString()));
    picture.height = 96;
    picture.paint = [=](QPainter& painter, const QRectF& area, const Theme& theme) {
        const qreal left = area.left() + 12;
        const qreal each = (area.width() - 40) / 2;
        const qreal high = area.top() + 12;
        const qreal low = area.top() + 48;
        const qreal share = compare.toDouble() / counts.toDouble();
        painter.setPen(QPen(theme.line, 1));
        painter.drawLine(QPointF(left, low), QPointF(left + 2 * each, low));
        QPolygonF shape;
        for (int i = 0; i < 2; ++i) {
            const qreal start = left + each * i;
            shape << QPointF(start, low) << QPointF(start, high) << QPointF(start + each * share, high)
                  << QPointF(start + each * share, low);
            if (dead.sign() > 0) {
                const qreal width = std::max(each * (dead / period).toDouble(), 2.0);
                QColor band = theme.strained;
                band.setAlphaF(0.35F);
                painter.fillRect(QRectF(start, high, width, low - high), band);
                painter.fillRect(QRectF(start + each * share, high, width, low - high), band);
            }
        }
        shape << QPointF(left + 2 * each, low);
        painter.setPen(QPen(theme.of(way.state), 2.2));
        painter.setBrush(Qt::NoBrush);
        painter.drawPolyline(shape);
        drawSpan(painter, left, left + each, low + 10, text(printQuantity(period, Unit::second)), theme);
        drawText(painter, QRectF(left + 6, high + 4, each * share - 8, lineHeight(Face::small)), Qt::AlignLeft,
                 text(printQuantity(on, Unit::second)), Face::small, theme.ink);
    };
    return picture;
}

} // namespace

std::vector<Picture> timerPictures(const DeskScene& scene, const TimerKind& timer, const Rational& period) {
    const auto way = scene.taken();
    const Rational repeats = way ? std::max(settingOf(*way, "repeats"), Rational(1)) : Rational(1);
    TimerKind counter = timer;
    if (way && timer.chain && settingOf(*way, "chain").sign() > 0) {
        counter.counts =
            timer.chain->counts.empty() ? FactorSet::range(1, Rational(std::int64_t{1} << timer.chain->bits)) : timer.counts;
    }
    std::vector<Picture> pictures{reachPicture(timerReachOf(scene, counter, period / repeats, 1))};
    if (repeats > 1) {
        pictures.front().hint = QObject::tr("of one of the %1 repeats").arg(text(repeats.toString()));
    }
    if (way) {
        pictures.push_back(eventsPicture(*way, period));
    }
    const Target here = Target::promise(scene.figure.name);
    const auto& rhythm = scene.figures.rhythm;
    const auto isHere = [&](const LatencyFigure& latency) { return latency.target == here; };
    if (rhythm && std::any_of(rhythm->latencies.begin(), rhythm->latencies.end(), isHere)) {
        pictures.push_back(latencyPicture(rhythm->latencies, here));
    }
    return pictures;
}

std::vector<Picture> pwmPictures(const DeskScene& scene, const TimerKind& timer, const DrivesAsk& ask) {
    TimerReach reach = timerReachOf(scene, timer, 1 / ask.hertz, timer.isCentred ? 2 : 1);
    for (ReachBar& bar : reach.bars) {
        if (bar.way) { // errors of rates turn round for periods
            bar.way->error.nominal = 1 / (1 + bar.way->error.nominal) - 1;
        }
    }
    std::vector<Picture> pictures;
    const auto way = scene.taken();
    if (way) {
        pictures.push_back(dutyPicture(*way, compareName(scene.desk.channel), scene.desk.clock->hertz.nominal));
    }
    pictures.push_back(reachPicture(std::move(reach)));
    return pictures;
}

std::vector<Picture> stampPictures(const DeskScene& scene, const TimerKind& timer, const StampsAsk& ask) {
    const auto way = scene.taken();
    if (!way) {
        return {};
    }
    const Rational tick = settingOf(*way, "prescaler") / scene.desk.clock->hertz.nominal;
    const Rational wraps = tick * settingOf(*way, "counts");
    const State state = way->state;
    Picture picture;
    picture.title = QObject::tr("From one count to the wrap");
    picture.hint = QObject::tr("%1 bits: what is between both ends can be told apart").arg(timer.bits);
    picture.height = lineHeight(Face::small) * 2 + 64;
    picture.paint = [=](QPainter& painter, const QRectF& area, const Theme& theme) {
        double low = tick.toDouble();
        double high = wraps.toDouble();
        for (const auto& wish : {ask.resolves, ask.wrapsAfter}) {
            low = wish ? std::min(low, wish->toDouble()) : low;
            high = wish ? std::max(high, wish->toDouble()) : high;
        }
        const LogAxis axis(low, high, area.left() + 16, area.right() - 24);
        axis.draw(painter, QRectF(area.left(), area.top(), area.width(), lineHeight(Face::small) + 40), Unit::second, theme);
        const qreal y = area.top() + lineHeight(Face::small) + 24;
        QColor fill = theme.of(state);
        fill.setAlphaF(0.25F);
        painter.setBrush(fill);
        painter.setPen(QPen(theme.of(state), 1.4));
        painter.drawRoundedRect(QRectF(QPointF(axis.at(tick.toDouble()), y - 7), QPointF(axis.at(wraps.toDouble()), y + 7)), 4,
                                4);
        for (const auto& wish : {ask.resolves, ask.wrapsAfter}) {
            if (wish) {
                const qreal x = axis.at(wish->toDouble());
                painter.setPen(QPen(theme.ink, 1.4));
                painter.drawLine(QPointF(x, y - 16), QPointF(x, y + 16));
            }
        }
        const auto label = [&](const Rational& value, Qt::Alignment side) {
            drawText(painter, QRectF(area.left() + 16, y + 18, area.width() - 40, lineHeight(Face::small)), side,
                     text(printQuantity(value, Unit::second, 5)), Face::small, theme.ink);
        };
        label(tick, Qt::AlignLeft);
        label(wraps, Qt::AlignRight);
    };
    return {picture};
}

} // namespace wisetick::app
