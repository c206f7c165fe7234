#pragma once

#include "bench/uart_frames.h"

#include <vector>

namespace wisetick {

/// A rate at which a receiver listened, and whether it understood what was sent.
struct RateTried {
    Rational bitsPerSecond;
    bool isUnderstood = false;
};

/// The sender's bit rate from the rates at which it is understood: a receiver looks at the last bit of a frame in its middle, so
/// far from the start bit's edge that its own rate may be off by half a bit in all. With what a receiver may see the start bit
/// late: a share of a bit. Bounds lie between the outermost rates that were understood and the nearest that were not.
MeasuredFigure rateBySweep(const std::vector<RateTried>& tried, const UartFrame& frame,
                           const Rational& startLate = Rational(1, 16));

/// What a receiver of another rate makes of a text.
std::string heardAt(const std::string& text, const UartFrame& frame, const Rational& sent, const Rational& heard);

} // namespace wisetick
