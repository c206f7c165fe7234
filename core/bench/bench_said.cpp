#include "bench/bench_said.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

constexpr int kDigits = 3;
constexpr double kTold = 0.5; ///< wider than that nothing is told of a source

/// Without the sign that it is rounded: the bounds beside it say so.
std::string bare(const std::string& text) {
    constexpr std::string_view sign = "\u2248";
    return text.rfind(sign, 0) == 0 ? text.substr(sign.size()) : text;
}

std::string shareSaid(double share) {
    return bare(printError(quantised(share, Rational(1, 100'000'000))));
}

} // namespace

ShownCycle shownCycle(const BenchSignal& signal, const Bounds& cycle) {
    switch (signal.shape) {
    case BenchSignal::Shape::toggles: return {cycle, Unit::second};
    case BenchSignal::Shape::bus:
    case BenchSignal::Shape::frames: return {inverse(cycle), Unit::bitsPerSecond};
    case BenchSignal::Shape::clock:
    case BenchSignal::Shape::pulses: return {inverse(cycle), Unit::hertz};
    }
    return {cycle, Unit::second};
}

Text measuredSaid(const ShownCycle& shown) {
    const Rational open = std::max(shown.value.max - shown.value.nominal, shown.value.nominal - shown.value.min);
    return bare(printQuantity(shown.value.nominal, shown.unit)) + " \u00b1" + bare(printQuantity(open, shown.unit, kDigits));
}

Text offSaid(const BenchSignal& signal, const MeasuredSignal& measured) {
    const ShownCycle was = shownCycle(signal, signal.cycle);
    const ShownCycle is = shownCycle(signal, measured.cycle);
    return printError(is.value.nominal / was.value.nominal - 1);
}

Text moreSaid(const BenchSignal&, const MeasuredSignal& measured) {
    Text text;
    if (measured.duty) {
        const Rational open = (measured.duty->max - measured.duty->min) / 2;
        text = phrase("high {} \u00b1{}", bare(printQuantity(measured.duty->nominal, Unit::ratio, kDigits + 1)),
                      bare(printQuantity(open, Unit::ratio, kDigits)));
    }
    if (measured.jitter && !measured.jitter->min.isZero()) {
        text += phrase("{}periods spread by {}", text.empty() ? "" : ", ",
                       bare(printQuantity(measured.jitter->nominal, Unit::second, kDigits)));
    }
    return text;
}

Text sourcesSaid(const Part& part, const Explanation& explanation) {
    std::string text;
    for (const SourceReading& reading : explanation.sources) {
        if (reading.least <= reading.most && reading.most - reading.least < kTold) {
            text += (text.empty() ? "" : ", ") + part.nodeId(reading.source) + " " + shareSaid(reading.least) + " \u2026 " +
                    shareSaid(reading.most);
        }
    }
    return text;
}

Text leftSaid(const Explanation& explanation) {
    return explanation.leftOver > 1 ? phrase("far off") : phrase("leaves {}", shareSaid(explanation.leftOver));
}

} // namespace wisetick
