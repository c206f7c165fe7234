#pragma once

#include "bench/measure.h"
#include "plan/promise_line.h"

#include <string>
#include <vector>

namespace wisetick {

/// One frame as a receiver reads it.
struct UartRead {
    std::int64_t tick = 0; ///< where its start bit begins
    std::uint32_t data = 0;
    bool isParityRight = true;
    bool isStopSeen = true;
};

/// Reads a line at a bit rate, each bit in its middle, from one start bit to the next.
std::vector<UartRead> readUart(const Capture& capture, const Track& track, const Rational& bitsPerSecond, const UartFrame& frame);

/// The bit rate of a line from its edges alone, bit/s: the longest bit of which all stretches between edges inside frames are
/// whole numbers; no stretch inside a frame is longer than its bits. `stray`: s, by which the sender itself may set an edge off
/// its place (a fractional divisor).
MeasuredFigure measureBitRate(const Capture& capture, const Track& track, const UartFrame& frame, const Rational& stray = 0);

/// The bytes that can be seen as text: "AT\\r\\n", others as "\\x1f".
std::string textOf(const std::vector<UartRead>& frames);

} // namespace wisetick
