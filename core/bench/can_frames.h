#pragma once

#include "base/text.h"
#include "bench/capture.h"
#include "bench/measure.h"

#include <cstdint>
#include <string>
#include <vector>

namespace wisetick {

/// A frame of a CAN bus, classical or FD (ISO 11898-1).
struct CanFrame {
    std::uint32_t id = 0;
    bool isLong = false;   ///< an identifier of 29 bits
    bool isRemote = false; ///< it asks for data, and carries none
    bool isFd = false;
    bool isFast = false;             ///< its data phase has its own bit rate
    bool isPassive = false;          ///< FD: the sender is error passive
    std::uint8_t length = 0;         ///< as the frame's length code says it: 0 to 15
    std::vector<std::uint8_t> bytes; ///< at most 8, of FD 64
    bool operator==(const CanFrame&) const = default;
};

/// Bytes of a length code: 9 to 15 are 12, 16, 20, 24, 32, 48 and 64 in FD, 8 in a classical frame.
std::size_t canBytes(std::uint8_t code, bool isFd);
/// The shortest length code that has room for so many bytes.
std::uint8_t canLengthCode(std::size_t bytes);

/// A bit on the bus.
struct CanBusBit {
    bool isRecessive = true;
    bool isFast = false;     ///< of the data phase
    bool endsSwitch = false; ///< the rate changes at its sample point: to fast where it is not fast itself, and back
    bool operator==(const CanBusBit&) const = default;
};

/// The bits of a frame from its start to the end of frame, acknowledged, with stuff bits and checksum.
std::vector<CanBusBit> canBits(const CanFrame& frame);

/// Remainder of bits over a polynomial of so many bits (its highest one not told), beginning with `initial`:
/// 15 with 0x4599, 17 with 0x1685B, 21 with 0x102899 (ISO 11898-1).
std::uint32_t canChecksum(const std::vector<bool>& bits, int width, std::uint32_t polynomial, std::uint32_t initial);

/// The two bit rates of a bus and where its bits are sampled.
struct CanRates {
    Rational bitsPerSecond;
    Rational sample = Rational(4, 5); ///< share of the bit
    Rational dataBitsPerSecond;       ///< 0: a bus without a fast data phase
    Rational dataSample = Rational(4, 5);
};

/// A frame as it was read.
struct CanRead {
    std::int64_t tick = 0; ///< where its start bit begins
    std::int64_t end = 0;
    CanFrame frame;
    Text fault; ///< "stuffing", "checksum", "form"; empty of a good frame
    bool isAcknowledged = false;
    std::int64_t stuffBits = 0;
};

/// Reads the frames of a line; dominant is low. It synchronises at each edge to dominant, as a node does.
std::vector<CanRead> readCan(const Capture& capture, const Track& track, const CanRates& timing);

/// The nominal bit time of a bus, s, from the frames that were read on it: between the edges to dominant of each frame, outside
/// of its fast phase, over all frames.
MeasuredFigure measureCanBit(const Capture& capture, const Track& track, const CanRates& timing);

/// "123 8 bytes 01 02 …", "1abcdef FD fast 64 bytes …".
Text canText(const CanRead& read);

} // namespace wisetick
