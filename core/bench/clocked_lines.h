#pragma once

#include "bench/capture.h"

#include <cstdint>
#include <vector>

namespace wisetick {

/// How a clocked line is read.
struct ClockedForm {
    bool samplesRising = true;
    int bits = 8; ///< of a word
    bool isLowestFirst = false;
    const Track* select = nullptr; ///< words begin where it becomes low, and nothing is read while it is high
};

/// A word that was read.
struct ClockedWord {
    std::int64_t tick = 0; ///< of its first bit
    std::uint64_t value = 0;
    int bits = 0; ///< fewer than a word's where the select line or the capture cut it off
    bool operator==(const ClockedWord&) const = default;
};

/// Reads a data line at the edges of a clock line.
std::vector<ClockedWord> readClocked(const Capture& capture, const Track& clock, const Track& data, const ClockedForm& form);

/// A byte on a two-wire bus (I2C): both lines are high at rest.
struct TwoWireByte {
    std::int64_t tick = 0;
    std::uint8_t value = 0;
    bool isAcknowledged = false;
    bool begins = false; ///< behind a start: an address and whether it reads
    bool ends = false;   ///< a stop follows
    bool operator==(const TwoWireByte&) const = default;
};

/// Data changes while the clock is low; a fall while it is high is a start, a rise a stop.
std::vector<TwoWireByte> readTwoWire(const Capture& capture, const Track& clock, const Track& data);

} // namespace wisetick
