#pragma once

#include "base/diagnostic.h"
#include "bench/edge_list.h"
#include "quantity/rational.h"

#include <algorithm>
#include <optional>
#include <string>
#include <vector>

namespace wisetick {

/// A digital signal of a capture.
struct Track {
    std::string name; ///< with its scopes: "board.uart1.tx", "bus[3]"
    EdgeList edges;
};

/// A signal of real values, each from its tick on.
struct ValueTrack {
    std::string name;
    std::string unit; ///< "A"; empty where it is not told
    std::vector<std::int64_t> ticks;
    std::vector<double> values;
};

/// What was recorded: signals over a time base. A damaged file gives what is good of it, and says where it broke.
struct Capture {
    std::string name;     ///< of its file
    Rational tick;        ///< s
    std::int64_t end = 0; ///< the last tick that was recorded
    std::vector<Track> tracks;
    std::vector<ValueTrack> values;
    Diagnostics diagnostics;

    Rational sample; ///< s between two looks at the signals, where that is longer than a tick; 0: a tick
    /// s, by which an edge may be earlier than it stands here.
    Rational resolution() const { return std::max(sample, tick); }
    Rational length() const { return tick * Rational(end); }
    /// The track of that name, or whose last part it is ("tx" of "board.uart1.tx") if there is just one; nullptr: none.
    const Track* findTrack(const std::string& name) const;
};

} // namespace wisetick
