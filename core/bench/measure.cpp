#include "bench/measure.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <array>
#include <limits>

namespace wisetick {

namespace {

/// The longest stretch of edges in which the signal is low or high all the time: first place and the one behind.
std::pair<std::size_t, std::size_t> cleanStretch(const EdgeList& edges, std::size_t from, std::size_t to) {
    std::pair<std::size_t, std::size_t> best{from, from};
    std::size_t begin = from;
    EdgeList::Walk walk(edges, from);
    Edge edge;
    for (std::size_t place = from; place < to && walk.next(edge); ++place) {
        if (edge.level != LogicLevel::low && edge.level != LogicLevel::high) {
            begin = place + 1;
        } else if (place + 1 - begin > best.second - best.first) {
            best = {begin, place + 1};
        }
    }
    return best;
}

/// What is gathered of the edges of one kind.
struct Ends {
    std::int64_t first = 0;
    std::int64_t last = 0;
    std::int64_t count = 0;
    std::int64_t shortest = std::numeric_limits<std::int64_t>::max();
    std::int64_t longest = 0;

    void add(std::int64_t tick) {
        if (count == 0) {
            first = tick;
        } else {
            shortest = std::min(shortest, tick - last);
            longest = std::max(longest, tick - last);
        }
        last = tick;
        ++count;
    }
    std::int64_t intervals() const { return std::max<std::int64_t>(count - 1, 0); }
};

std::string ticksText(const Rational& tick) {
    return printQuantity(tick, Unit::second);
}

MeasuredFigure meanInterval(const Capture& capture, const Ends& ends, const Text& what) {
    MeasuredFigure figure;
    figure.count = ends.intervals();
    if (figure.count == 0) {
        figure.why = ends.count == 0 ? phrase("it never changes") : phrase("a single edge");
        return figure;
    }
    const Rational count = figure.count;
    const Rational span = capture.tick * Rational(ends.last - ends.first);
    const Rational open = 2 * capture.resolution() / count;
    const Rational nominal = span / count;
    figure.value = Bounds{std::max(Rational(0), nominal - open), nominal, nominal + open};
    figure.workings.push_back({what,
                               phrase("(last − first) ÷ intervals"),
                               printQuantity(span, Unit::second) + " ÷ " + count.toString(),
                               printQuantity(nominal, Unit::second),
                               {}});
    figure.workings.push_back({phrase("of the capture"),
                               phrase("± a look at each end ÷ intervals"),
                               "2 × " + ticksText(capture.resolution()) + " ÷ " + count.toString(),
                               "±" + printQuantity(open, Unit::second),
                               {}});
    return figure;
}

} // namespace

TrackFigures measureTrack(const Capture& capture, const Track& track, std::int64_t from, std::int64_t to) {
    TrackFigures figures;
    const std::size_t all = track.edges.countBefore(to + 1);
    const std::size_t begin = std::min(track.edges.countBefore(from), all);
    const auto [first, last] = cleanStretch(track.edges, begin, all);
    figures.isWhole = first == begin && last == all;
    Ends rising;
    Ends any;
    std::int64_t highTicks = 0;
    std::int64_t highs = 0;
    std::int64_t highInPeriods = 0; ///< between the first rising edge and the last
    std::int64_t sinceRising = 0;
    EdgeList::Walk walk(track.edges, first);
    Edge edge;
    // what stands at the very beginning is no change that was seen
    for (std::size_t place = first; place < last && walk.next(edge); ++place) {
        if (place == 0) {
            continue;
        }
        any.add(edge.tick);
        if (edge.level == LogicLevel::high) {
            highInPeriods += sinceRising;
            sinceRising = 0;
            rising.add(edge.tick);
        } else if (rising.count > 0) {
            sinceRising = edge.tick - rising.last;
            highTicks += edge.tick - rising.last;
            ++highs;
        }
    }
    figures.edges = any.count;
    figures.period = meanInterval(capture, rising, "period");
    figures.half = meanInterval(capture, any, phrase("between edges"));
    if (figures.period.value && !figures.period.value->min.isZero()) {
        const Bounds& period = *figures.period.value;
        figures.rate.value = Bounds{1 / period.max, 1 / period.nominal, 1 / period.min};
        figures.rate.count = figures.period.count;
        figures.rate.workings = figures.period.workings;
        figures.rate.workings.push_back({phrase("rate"),
                                         phrase("1 ÷ period"),
                                         "1 ÷ " + printQuantity(period.nominal, Unit::second),
                                         printQuantity(1 / period.nominal, Unit::hertz),
                                         {}});
        figures.shortest =
            Bounds{capture.tick * Rational(rising.shortest), period.nominal, capture.tick * Rational(rising.longest)};
        const Rational spread = capture.tick * Rational(rising.longest - rising.shortest);
        figures.jitter =
            Bounds{std::max(Rational(0), spread - 2 * capture.resolution()), spread, spread + 2 * capture.resolution()};
    } else if (figures.period.value) {
        figures.rate.why = phrase("too few ticks for a rate");
    } else {
        figures.rate.why = figures.period.why;
    }
    if (highs > 0) {
        const Rational mean = capture.tick * Rational(highTicks) / Rational(highs);
        figures.high.value = Bounds{std::max(Rational(0), mean - capture.resolution()), mean, mean + capture.resolution()};
        figures.high.count = highs;
    } else {
        figures.high.why = phrase("no whole high pulse");
    }
    if (rising.intervals() > 0) {
        const Rational span = Rational(rising.last - rising.first);
        const Rational share = Rational(highInPeriods) / span;
        const Rational open =
            Rational(rising.intervals() + 2) / span * (capture.resolution() / capture.tick); // for each pulse, and for the ends
        figures.duty.value = Bounds{std::max(Rational(0), share - open), share, std::min(Rational(1), share + open)};
        figures.duty.count = rising.intervals();
    } else {
        figures.duty.why = figures.period.why;
    }
    return figures;
}

MeasuredFigure measureDelay(const Capture& capture, const Track& from, const Track& to, bool isRising) {
    MeasuredFigure figure;
    const LogicLevel wanted = isRising ? LogicLevel::high : LogicLevel::low;
    EdgeList::Walk walk(from.edges, 1); // the first is what stands at the beginning
    EdgeList::Walk other(to.edges, 1);
    Edge edge;
    Edge answer;
    bool hasAnswer = other.next(answer);
    std::int64_t sum = 0;
    std::int64_t shortest = std::numeric_limits<std::int64_t>::max();
    std::int64_t longest = 0;
    while (walk.next(edge)) {
        if (edge.level != wanted) {
            continue;
        }
        while (hasAnswer && (answer.tick < edge.tick || answer.level != wanted)) {
            hasAnswer = other.next(answer);
        }
        if (!hasAnswer) {
            break;
        }
        const std::int64_t delay = answer.tick - edge.tick;
        sum += delay;
        shortest = std::min(shortest, delay);
        longest = std::max(longest, delay);
        ++figure.count;
    }
    if (figure.count == 0) {
        figure.why = phrase("no edge that another one follows");
        return figure;
    }
    figure.value =
        Bounds{std::max(Rational(0), capture.tick * Rational(shortest) - capture.resolution()),
               capture.tick * Rational(sum) / Rational(figure.count), capture.tick * Rational(longest) + capture.resolution()};
    return figure;
}

MeasuredFigure measureDeadTime(const Capture& capture, const Track& one, const Track& other) {
    MeasuredFigure figure;
    const std::array<const Track*, 2> tracks{&one, &other};
    std::array<EdgeList::Walk, 2> walks{EdgeList::Walk(one.edges, 0), EdgeList::Walk(other.edges, 0)};
    std::array<Edge, 2> edges;
    std::array<bool, 2> has{walks[0].next(edges[0]), walks[1].next(edges[1])};
    std::array<LogicLevel, 2> levels{LogicLevel::unknown, LogicLevel::unknown};
    std::int64_t fell = -1; ///< when the last of both became low
    std::size_t by = 0;     ///< which of them that was
    std::int64_t sum = 0;
    std::int64_t shortest = std::numeric_limits<std::int64_t>::max();
    std::int64_t longest = 0;
    while (has[0] || has[1]) {
        // of two at the same tick the fall comes first: nothing says that they overlap
        const bool isFirst =
            !has[1] ||
            (has[0] && (edges[0].tick < edges[1].tick || (edges[0].tick == edges[1].tick && edges[0].level == LogicLevel::low)));
        const std::size_t now = isFirst ? 0 : 1;
        const std::size_t then = 1 - now;
        const Edge edge = edges[now];
        has[now] = walks[now].next(edges[now]);
        if (edge.level == LogicLevel::high) {
            if (levels[then] == LogicLevel::high && figure.why.empty()) {
                figure.why = phrase("both are high at once, {} since {}", tracks[now]->name,
                                    printQuantity(capture.tick * Rational(edge.tick), Unit::second));
            }
            if (levels[then] == LogicLevel::low && fell >= 0 && by == then) {
                sum += edge.tick - fell;
                shortest = std::min(shortest, edge.tick - fell);
                longest = std::max(longest, edge.tick - fell);
                ++figure.count;
            }
            fell = -1;
        } else if (edge.level == LogicLevel::low && levels[now] == LogicLevel::high) {
            fell = edge.tick;
            by = now;
        }
        levels[now] = edge.level;
    }
    if (figure.count > 0) {
        figure.value = Bounds{std::max(Rational(0), capture.tick * Rational(shortest) - capture.resolution()),
                              capture.tick * Rational(sum) / Rational(figure.count),
                              capture.tick * Rational(longest) + capture.resolution()};
    } else if (figure.why.empty()) {
        figure.why = phrase("none of them follows the other");
    }
    return figure;
}

std::vector<Burst> measureBursts(const Track& track, std::int64_t rest) {
    std::vector<Burst> bursts;
    EdgeList::Walk walk(track.edges, 1); // the first is what stands at the beginning
    Edge edge;
    while (walk.next(edge)) {
        if (bursts.empty() || edge.tick - bursts.back().to >= rest) {
            bursts.push_back({edge.tick, edge.tick, 0});
        }
        bursts.back().to = edge.tick;
        ++bursts.back().edges;
    }
    return bursts;
}

} // namespace wisetick
