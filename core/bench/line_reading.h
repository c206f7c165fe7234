#pragma once

#include "base/text.h"
#include "bench/capture.h"

#include <cstdint>
#include <string>
#include <vector>

namespace wisetick {

/// How a track is read together with others of its capture.
struct LineReading {
    enum class As {
        risingWords,  ///< words, a bit at each rise of a clock
        fallingWords, ///< words, a bit at each fall of a clock
        twoWire,      ///< bytes of a two-wire bus (I2C)
        deadTime      ///< how long both are low between the fall of one and the rise of the other
    };
    As as = As::risingWords;
    std::string track;  ///< the data line, or the first of two
    std::string with;   ///< its clock, or the second one
    std::string select; ///< of words: they begin where it becomes low; empty: none
    int bits = 8;       ///< of a word
    bool operator==(const LineReading&) const = default;
};

/// A word or a byte where it stands.
struct LinePiece {
    std::int64_t from = 0; ///< tick
    std::int64_t to = 0;   ///< tick of what follows, or where it ended
    std::string text;      ///< "a5", "50 writes"; "/5": so many bits only, "!": not acknowledged
};

/// What was read.
struct LineRead {
    std::vector<LinePiece> pieces;                          ///< in their order
    std::vector<std::pair<std::string, std::string>> spans; ///< what and how long, of two lines
    std::string said;                                       ///< "160 words of 8 bits", or why nothing was read
};

/// Reads tracks of a capture as told; a track that is not there gives nothing, and `said` tells so.
LineRead readLine(const Capture& capture, const LineReading& reading);

/// "words at the rise of port", for a list to choose from.
Text readingSaid(const LineReading& reading);

/// All that a track may be read as with the other tracks of its capture. Those whose names belong together come first:
/// "port_data" with "port" as its clock and "port_select".
std::vector<LineReading> lineReadings(const Capture& capture, const Track& track);

} // namespace wisetick
