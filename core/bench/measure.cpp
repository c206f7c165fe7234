#include "bench/measure.h"

#include "quantity/quantity_print.h"

#include <algorithm>
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

MeasuredFigure meanInterval(const Capture& capture, const Ends& ends, const std::string& what) {
    MeasuredFigure figure;
    figure.count = ends.intervals();
    if (figure.count == 0) {
        figure.why = ends.count == 0 ? "it never changes" : "a single edge";
        return figure;
    }
    const Rational count = figure.count;
    const Rational span = capture.tick * Rational(ends.last - ends.first);
    const Rational open = 2 * capture.resolution() / count;
    const Rational nominal = span / count;
    figure.value = Bounds{std::max(Rational(0), nominal - open), nominal, nominal + open};
    figure.workings.push_back({what,
                               "(last − first) ÷ intervals",
                               printQuantity(span, Unit::second) + " ÷ " + count.toString(),
                               printQuantity(nominal, Unit::second),
                               {}});
    figure.workings.push_back({"of the capture",
                               "± a look at each end ÷ intervals",
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
    figures.half = meanInterval(capture, any, "between edges");
    if (figures.period.value && !figures.period.value->min.isZero()) {
        const Bounds& period = *figures.period.value;
        figures.rate.value = Bounds{1 / period.max, 1 / period.nominal, 1 / period.min};
        figures.rate.count = figures.period.count;
        figures.rate.workings = figures.period.workings;
        figures.rate.workings.push_back({"rate",
                                         "1 ÷ period",
                                         "1 ÷ " + printQuantity(period.nominal, Unit::second),
                                         printQuantity(1 / period.nominal, Unit::hertz),
                                         {}});
        figures.shortest =
            Bounds{capture.tick * Rational(rising.shortest), period.nominal, capture.tick * Rational(rising.longest)};
    } else if (figures.period.value) {
        figures.rate.why = "too few ticks for a rate";
    } else {
        figures.rate.why = figures.period.why;
    }
    if (highs > 0) {
        const Rational mean = capture.tick * Rational(highTicks) / Rational(highs);
        figures.high.value = Bounds{std::max(Rational(0), mean - capture.resolution()), mean, mean + capture.resolution()};
        figures.high.count = highs;
    } else {
        figures.high.why = "no whole high pulse";
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
        figure.why = "no edge that another one follows";
        return figure;
    }
    figure.value =
        Bounds{std::max(Rational(0), capture.tick * Rational(shortest) - capture.resolution()),
               capture.tick * Rational(sum) / Rational(figure.count), capture.tick * Rational(longest) + capture.resolution()};
    return figure;
}

} // namespace wisetick
