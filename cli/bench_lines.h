#pragma once

#include "bench/capture.h"

#include <string>
#include <vector>

namespace wisetick::cli {

/// What is to be read of two or three tracks, whatever the plan says of them.
struct LineWishes {
    std::vector<std::string> between; ///< two tracks: delays and dead time
    std::vector<std::string> words;   ///< clock and data, and a select line where there is one
    std::vector<std::string> twoWire; ///< clock and data
    int wordBits = 8;
    bool fallsClock = false; ///< data is taken at falling edges
};

/// Adds to the text what is wished; what is wrong with a wish: a track that is not there.
std::string linesText(const Capture& capture, const LineWishes& wishes, std::string& text);

} // namespace wisetick::cli
