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

/// From the edge that lets the device's data out to the one that samples them, as a share of the port's clock: a half; an odd
/// divider's halves differ by one cycle of its clock, and which of them it is is not told.
struct SpiHalves {
    Rational shorter = Rational(1, 2);
    Rational longer = Rational(1, 2);
};
SpiHalves spiHalves(const Rational& divide);

/// s from the edge until the data stand at the port, with what they must stand before they are sampled: valid + trace there and
/// back (7 ns/m) + the port's set-up, as far as it is told.
Rational spiNeeds(const SpiKind& spi, const ClocksAsk& ask);

/// By which part of a clock the sampling must be late for that, at the fastest clock: the least shift for which the shorter half
/// and the shift are long enough; the most where none is. 0 where no such time is asked.
Rational shiftFor(const SpiKind& spi, const ClocksAsk& ask, const Rational& divide, const Bounds& rate);

/// s that data still stand after they were sampled, less what the port wants of it, at the corner of the rate where that is
/// least: until the next edge that lets data out, then as long as the device holds them and the trace takes.
Rational spiHolds(const SpiKind& spi, const ClocksAsk& ask, const Rational& divide, const Rational& shift, const Bounds& rate);

/// Over how many lanes the data go: as many as are asked, else as the port has.
Rational spiLanes(const SpiKind& spi, const ClocksAsk& ask);

/// Bits of an address: 32 above 16 MiB, else 24.
Rational spiAddress(const ClocksAsk& ask);

/// Clocks of one read: command and address (32 bits above 16 MiB, else 24) bit by bit, then dummy cycles, then the bytes over all
/// lanes.
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
