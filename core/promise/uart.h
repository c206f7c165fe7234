#pragma once

#include "part/part.h"
#include "promise/judge.h"
#include "promise/rate_windows.h"

namespace wisetick {

/// How far the sender may be off for the receiver to read a whole frame, as sender ÷ receiver − 1; both ends open.
/// The last bit (N counts start, data, parity and first stop bit) is sampled at its middle, the start edge is
/// seen up to one oversample tick late: −(1/2) ÷ (N − 1/2) … (1/2 − 1/oversample) ÷ (N − 1/2 + 1/oversample).
struct FrameWindow {
    Rational low;
    Rational high;
};
FrameWindow frameWindow(const UartFrame& frame, std::int64_t oversample);

/// What a promise without a tolerance asks, with a divisor that makes a bit of whole ticks: both ends share the smaller side w of
/// the frame window, w ÷ (2 + w). Without oversampling that of a sample in the middle of the bit, as the part does not say more.
Rational defaultUartTolerance(const UartFrame& frame, std::int64_t oversample);

/// By how many bits a receiver whose clock a start bit wakes may begin late and still read the frame, off by so much: the last
/// bit is sampled at its middle, so 1/2 − 1/oversample − (N − 1/2) × error; below 0 where it can't.
Rational latestStart(const UartFrame& frame, std::int64_t oversample, const Rational& error);

/// rate = f ÷ (oversample × divisor), over all oversample modes and the divisors on either side of the exact one.
/// Best first: state, worst-case |error|, nominal |error|, higher oversampling, smaller divisor. `pinned` settings
/// restrict the choice.
std::vector<Way> uartWays(const UartKind& uart, const TalksAsk& ask, const Clock& clock, const std::vector<Setting>& pinned = {});

/// The rates that are in common use, bit/s, ascending.
const std::vector<std::int64_t>& commonBitRates();

/// The best way at each common rate, in their order, with the ask's frame and tolerance; none where the port has no mode.
std::vector<Way> uartTable(const UartKind& uart, const TalksAsk& ask, const Clock& clock);

/// The promise judged by its best way, with workings. `figure` brings name, text and subject.
PromiseFigure judgeUart(PromiseFigure figure, const UartKind& uart, const TalksAsk& ask, const Clock& clock,
                        const std::vector<Setting>& pinned = {}, Detail detail = Detail::workings);

/// The clock rates with which the ask can be kept: oversample × divisor × rate, ± the tolerance, in every mode.
RateWindows uartRates(const UartKind& uart, const TalksAsk& ask);

} // namespace wisetick
