#pragma once

#include "bench/capture.h"

#include <cstdint>
#include <vector>

namespace wisetick {

/// Least, largest and mean of a stretch of values.
struct ValueSpan {
    double least = 0;
    double most = 0;
    double mean = 0; ///< over time
};

/// The values of a track with the least and the largest of 2, 4, 8, … neighbours, and what they come to over time, so that any
/// stretch costs O(log size). The track must outlive it.
class ValueBlocks {
public:
    explicit ValueBlocks(const ValueTrack& track);

    bool empty() const { return track_.ticks.empty(); }
    /// The value at a tick; that of the first before it.
    double at(std::int64_t tick) const;
    /// Between two ticks, from < to.
    ValueSpan span(std::int64_t from, std::int64_t to) const;
    /// Value × ticks from the first value to a tick.
    double sumTo(std::int64_t tick) const;

private:
    std::size_t placeAt(std::int64_t tick) const;

    const ValueTrack& track_;
    std::vector<double> sums_; ///< value × ticks before each value
    std::vector<std::vector<std::pair<float, float>>> levels_;
};

} // namespace wisetick
