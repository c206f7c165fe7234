#include "bench/uart_frames.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

namespace wisetick {

namespace {

const Rational kBitDrift(4, 10'000'000); ///< a share

int frameBits(const UartFrame& frame) {
    return 1 + frame.dataBits + (frame.parity == 'N' ? 0 : 1) + frame.stopBits;
}

/// A stretch between neighbouring edges.
struct Stay {
    std::int64_t ticks = 0;
    bool isHigh = false;
};

std::vector<Stay> staysOf(const Track& track) {
    std::vector<Stay> stays;
    EdgeList::Walk walk(track.edges, 1);
    Edge edge;
    std::int64_t before = -1;
    while (walk.next(edge)) {
        if (before >= 0) {
            stays.push_back({edge.tick - before, edge.level != LogicLevel::high});
        }
        before = edge.tick;
    }
    return stays;
}

/// A run of edges that belong to frames which follow at once: how long it is, and how many bits.
struct Run {
    std::int64_t ticks = 0;
    std::int64_t bits = 0;
};

/// Splits the edges into runs by a bit of about so many ticks; nothing where a low stretch is no whole number of them. A high one
/// may be none: the line rests in it.
std::optional<std::vector<Run>> runsBy(const std::vector<Stay>& stays, double bit, double look, const UartFrame& frame) {
    std::vector<Run> runs(1);
    for (const Stay& stay : stays) {
        const double bits = static_cast<double>(stay.ticks) / bit;
        const double whole = std::round(bits);
        // an edge is a tick off at most at each end, and the bit itself is known to a few per cent only
        const bool isWhole =
            whole >= 1 && whole <= frameBits(frame) - frame.stopBits && std::abs(bits - whole) <= 2 * look / bit + 0.02 * whole;
        if (!isWhole && stay.isHigh) {
            runs.emplace_back();
            continue;
        }
        if (!isWhole) {
            return std::nullopt;
        }
        runs.back().ticks += stay.ticks;
        runs.back().bits += static_cast<std::int64_t>(whole);
    }
    return runs;
}

} // namespace

std::vector<UartRead> readUart(const Capture& capture, const Track& track, const Rational& bitsPerSecond,
                               const UartFrame& frame) {
    std::vector<UartRead> frames;
    const double bit = (1 / (bitsPerSecond * capture.tick)).toDouble();
    const int bits = frameBits(frame);
    EdgeList::Walk walk(track.edges, 0);
    Edge edge;
    std::vector<Edge> ahead; ///< the edges of the frame that is being read
    bool hasEdge = walk.next(edge);
    LogicLevel before = LogicLevel::unknown;
    double free = 0; ///< from when on a start bit may begin
    while (hasEdge) {
        const bool isStart =
            edge.level == LogicLevel::low && before == LogicLevel::high && static_cast<double>(edge.tick) >= free;
        before = edge.level;
        if (!isStart) {
            hasEdge = walk.next(edge);
            continue;
        }
        UartRead read;
        read.tick = edge.tick;
        LogicLevel level = LogicLevel::low;
        bool isOdd = false;
        hasEdge = walk.next(edge);
        for (int i = 1; i < bits; ++i) {
            const double middle = static_cast<double>(read.tick) + (i + 0.5) * bit;
            while (hasEdge && static_cast<double>(edge.tick) <= middle) {
                level = edge.level;
                before = level;
                hasEdge = walk.next(edge);
            }
            const bool isHigh = level == LogicLevel::high;
            if (i <= frame.dataBits) {
                read.data |= static_cast<std::uint32_t>(isHigh) << (i - 1);
                isOdd = isOdd != isHigh;
            } else if (frame.parity != 'N' && i == frame.dataBits + 1) {
                read.isParityRight = (isOdd != isHigh) == (frame.parity == 'O');
            } else {
                read.isStopSeen = read.isStopSeen && isHigh;
            }
        }
        const double end = static_cast<double>(read.tick) + (bits - 0.5) * bit;
        if (end > static_cast<double>(capture.end)) {
            break; // it is cut off
        }
        free = end;
        frames.push_back(read);
    }
    return frames;
}

MeasuredFigure measureBitRate(const Capture& capture, const Track& track, const UartFrame& frame, const Rational& stray) {
    MeasuredFigure figure;
    const std::vector<Stay> stays = staysOf(track);
    if (stays.empty()) {
        figure.why = phrase("it never changes");
        return figure;
    }
    const auto shortest =
        std::min_element(stays.begin(), stays.end(), [](const Stay& a, const Stay& b) { return a.ticks < b.ticks; });
    const auto least = static_cast<double>(shortest->ticks);
    const double lookTicks = (capture.resolution() / capture.tick).toDouble();
    // the shortest stretch is one bit or a few; of those that fit the longest bit is the one
    for (int parts = 1; parts <= frameBits(frame); ++parts) {
        double bit = least / parts;
        std::optional<std::vector<Run>> runs;
        for (int pass = 0; pass < 4 && bit >= 1; ++pass) { // with each pass it is known better
            runs = runsBy(stays, bit, lookTicks, frame);
            double ticks = 0;
            double bits = 0;
            for (const Run& run : runs ? *runs : std::vector<Run>()) {
                ticks += static_cast<double>(run.ticks);
                bits += static_cast<double>(run.bits);
            }
            bit = bits > 0 ? ticks / bits : bit;
        }
        if (!runs) {
            continue;
        }
        std::int64_t ticks = 0;
        std::int64_t bits = 0;
        std::int64_t ends = 0;
        std::optional<Bounds> lasts; // a bit, s: it is inside of what each run of frames leaves open
        const Rational open = 2 * (capture.resolution() + stray);
        const Rational meanwhile = Rational(1) + kBitDrift; // a clock moves from one run to the next
        for (const Run& run : *runs) {
            if (run.bits == 0) {
                continue;
            }
            const Rational own = capture.tick * Rational(run.ticks);
            const Rational from = std::max(Rational(0), own - open) / (Rational(run.bits) * meanwhile);
            const Rational to = (own + open) * meanwhile / Rational(run.bits);
            lasts = lasts ? Bounds{std::max(lasts->min, from), from, std::min(lasts->max, to)} : Bounds{from, from, to};
            ticks += run.ticks;
            bits += run.bits;
            ++ends;
        }
        const Rational seconds = capture.tick * Rational(ticks);
        if (bits == 0 || seconds <= open * Rational(ends)) {
            continue;
        }
        if (lasts->min > lasts->max || lasts->min.isZero()) { // it moves by more than that: all of it is left open
            lasts = Bounds{(seconds - open * Rational(ends)) / Rational(bits), Rational(0),
                           (seconds + open * Rational(ends)) / Rational(bits)};
        }
        figure.count = bits;
        figure.value = inverse(Bounds{lasts->min, std::clamp(seconds / Rational(bits), lasts->min, lasts->max), lasts->max});
        figure.workings.push_back({phrase("bit rate"),
                                   phrase("bits inside frames \u00f7 their time"),
                                   std::to_string(bits) + " \u00f7 " + printQuantity(seconds, Unit::second),
                                   printQuantity(figure.value->nominal, Unit::bitsPerSecond),
                                   {}});
        return figure;
    }
    figure.why = phrase("no bit of which all stretches between its edges are whole numbers");
    return figure;
}

std::string textOf(const std::vector<UartRead>& frames) {
    std::string text;
    for (const UartRead& frame : frames) {
        const auto c = static_cast<unsigned char>(frame.data);
        if (frame.data == '\n' || frame.data == '\r') {
            text += frame.data == '\n' ? "\\n" : "\\r";
        } else if (frame.data >= ' ' && frame.data < 0x7F) {
            text += static_cast<char>(c);
        } else {
            text += fmt::format("\\x{:02x}", frame.data);
        }
    }
    return text;
}

} // namespace wisetick
