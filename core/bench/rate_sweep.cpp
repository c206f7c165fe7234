#include "bench/rate_sweep.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <cmath>

namespace wisetick {

MeasuredFigure rateBySweep(const std::vector<RateTried>& tried, const UartFrame& frame, const Rational& startLate) {
    MeasuredFigure figure;
    std::vector<RateTried> sorted = tried;
    std::sort(sorted.begin(), sorted.end(),
              [](const RateTried& a, const RateTried& b) { return a.bitsPerSecond < b.bitsPerSecond; });
    const auto first = std::find_if(sorted.begin(), sorted.end(), [](const RateTried& each) { return each.isUnderstood; });
    if (first == sorted.end()) {
        figure.why = phrase("it was understood at none of them");
        return figure;
    }
    auto last = first;
    while (last + 1 != sorted.end() && (last + 1)->isUnderstood) {
        ++last;
    }
    if (first == sorted.begin() || last + 1 == sorted.end()) {
        figure.why = first == sorted.begin() ? phrase("it is understood at the lowest rate yet: begin lower")
                                             : phrase("it is understood at the highest rate yet: go higher");
        return figure;
    }
    // the middle of the last bit, the stop bit, as bits from the start bit's edge
    const Rational middle = Rational(1 + frame.dataBits + (frame.parity == 'N' ? 0 : 1) + 1) - Rational(1, 2);
    const Rational half(1, 2);
    // understood while (middle + late) ÷ heard lies before the end of the bit and middle ÷ heard behind its beginning, ÷ sent
    const Rational slowest = middle / (middle + half);               // heard ÷ sent at which the middle is at the bit's end
    const Rational fastest = (middle + startLate) / (middle - half); // where it is at its beginning, the start seen late
    const Rational slowestLate = (middle + startLate) / (middle + half);
    const Rational fastestSoon = middle / (middle - half);
    // what was understood lies inside the widest limits, what was not outside of the narrowest
    const Rational least = std::max((first - 1)->bitsPerSecond / slowestLate, last->bitsPerSecond / fastest);
    const Rational most = std::min(first->bitsPerSecond / slowest, (last + 1)->bitsPerSecond / fastestSoon);
    figure.count = static_cast<std::int64_t>(tried.size());
    if (least > most) {
        figure.why = phrase("what was understood fits no rate: the line is disturbed");
        return figure;
    }
    figure.value = Bounds{least, (least + most) / 2, most};
    const auto said = [](const Rational& rate) { return printQuantity(rate, Unit::bitsPerSecond); };
    figure.workings.push_back({phrase("understood"),
                               phrase("lowest and highest rate"),
                               said(first->bitsPerSecond) + " \u2026 " + said(last->bitsPerSecond),
                               "",
                               {}});
    figure.workings.push_back(
        {phrase("at least"),
         phrase("not understood just below \u00f7 {}, highest \u00f7 {}", printFactor(slowestLate), printFactor(fastest)),
         said((first - 1)->bitsPerSecond) + ", " + said(last->bitsPerSecond),
         said(least),
         {}});
    figure.workings.push_back(
        {phrase("at most"),
         phrase("lowest \u00f7 {}, not understood just above \u00f7 {}", printFactor(slowest), printFactor(fastestSoon)),
         said(first->bitsPerSecond) + ", " + said((last + 1)->bitsPerSecond),
         said(most),
         {}});
    return figure;
}

std::string heardAt(const std::string& text, const UartFrame& frame, const Rational& sent, const Rational& heard) {
    Capture capture;
    constexpr std::int64_t kFine = 1000; ///< ticks of a bit
    capture.tick = 1 / (sent * Rational(kFine));
    Track track{"line", {}};
    track.edges.add(0, LogicLevel::high);
    std::int64_t at = 3 * kFine;
    for (const char each : text) {
        const auto byte = static_cast<unsigned char>(each);
        bool isOdd = false;
        track.edges.add(at, LogicLevel::low);
        for (int i = 0; i < frame.dataBits; ++i) {
            at += kFine;
            const bool isHigh = i < 8 && ((byte >> i) & 1) != 0;
            isOdd = isOdd != isHigh;
            track.edges.add(at, isHigh ? LogicLevel::high : LogicLevel::low);
        }
        if (frame.parity != 'N') {
            at += kFine;
            track.edges.add(at, (frame.parity == 'O') != isOdd ? LogicLevel::high : LogicLevel::low);
        }
        at += kFine;
        track.edges.add(at, LogicLevel::high);
        at += kFine * frame.stopBits;
    }
    capture.end = at + 40 * kFine;
    std::string result;
    for (const UartRead& read : readUart(capture, track, heard, frame)) {
        result += read.isStopSeen && read.isParityRight ? static_cast<char>(read.data) : '\xff';
    }
    return result;
}

} // namespace wisetick
