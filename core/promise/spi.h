#pragma once

#include "part/part.h"
#include "promise/judge.h"
#include "promise/rate_windows.h"

namespace wisetick {

/// What the port itself can: its fastest clock in Hz, where that is told, and by which share a worst case may be over a limit
/// without being a fault (for the device's limit too).
struct SpiReach {
    std::optional<Rational> most = {};
    Rational slack = {};
};

/// By which part of a clock the sampling must be late for data that stand so long after the edge, at the fastest clock: the least
/// shift for which half a clock and the shift are long enough; the most where none is. 0 where no such time is asked.
Rational shiftFor(const SpiKind& spi, const ClocksAsk& ask, const Bounds& rate);

/// Clocks of one read: command and address bit by bit, then dummy cycles, then the bytes over all lanes.
Rational readClocks(const SpiKind& spi, const ClocksAsk& ask);

/// clock = f ÷ divide. Of the dividers that neither the device nor the port is too slow for, the fastest; where even the largest
/// divider is too fast, that one, broken. Best first: state, faster.
std::vector<Way> spiWays(const SpiKind& spi, const ClocksAsk& ask, const Clock& clock, const SpiReach& reach,
                         const std::vector<Setting>& pinned = {}, std::size_t most = 20);

/// The promise judged by its best way: at most what was asked, and at most what the port can.
PromiseFigure judgeSpi(PromiseFigure figure, const SpiKind& spi, const ClocksAsk& ask, const Clock& clock, const SpiReach& reach,
                       const std::vector<Setting>& pinned = {}, Detail detail = Detail::workings);

/// The clock rates with which the ask can be kept: divide × from what reads fast enough to what is not too fast, for the device,
/// the port and its sampling.
RateWindows spiRates(const SpiKind& spi, const ClocksAsk& ask, const SpiReach& reach);

} // namespace wisetick
