#pragma once

#include "base/text.h"
#include "base/workings.h"
#include "bench/capture.h"
#include "quantity/bounds.h"

#include <optional>
#include <string>

namespace wisetick {

/// A figure that was measured: min and max hold all that it can be, by what the capture leaves open.
struct MeasuredFigure {
    std::optional<Bounds> value;
    std::int64_t count = 0; ///< intervals that it is made from
    Text why;               ///< why there is none
    Workings workings;
};

/// What of a signal is measured.
struct TrackFigures {
    MeasuredFigure period;          ///< s, over all of its rising edges
    MeasuredFigure rate;            ///< Hz
    MeasuredFigure half;            ///< s, between neighbouring edges of any kind
    MeasuredFigure high;            ///< s, the mean of its high pulses
    MeasuredFigure duty;            ///< share of the period that it is high
    std::optional<Bounds> shortest; ///< s, period: min and max of its spread as they were seen, without the capture's own
    std::optional<Bounds> jitter; ///< s, from the shortest period to the longest: min is what the capture's looks can't have made
    std::int64_t edges = 0;
    bool isWhole = true; ///< false: it is x or z meanwhile; what is measured is the longest stretch without
};

/// Measures a signal between two ticks; `from` 0 and `to` the capture's end for all of it. A period over n intervals of a capture
/// of tick s is (last − first) ÷ n, and s ÷ n to each side at each of both ends.
TrackFigures measureTrack(const Capture& capture, const Track& track, std::int64_t from, std::int64_t to);

/// The delay from each edge of one signal to the next edge of another, s: min and max are the shortest and the longest with a
/// tick to each side, nominal the mean. Where `isRising` they are rising edges, else falling ones.
MeasuredFigure measureDelay(const Capture& capture, const Track& from, const Track& to, bool isRising);

/// How long both of two lines are low between the fall of one and the rise of the other, s, in both directions: min and max are
/// the shortest and the longest with a look to each side, nominal the mean. `why` tells where both are high at once.
MeasuredFigure measureDeadTime(const Capture& capture, const Track& one, const Track& other);

/// A run of edges with a rest before and behind it.
struct Burst {
    std::int64_t from = 0; ///< tick of its first edge
    std::int64_t to = 0;
    std::int64_t edges = 0;
    bool operator==(const Burst&) const = default;
};

/// The edges of a signal in runs, wherever it rests for at least so many ticks.
std::vector<Burst> measureBursts(const Track& track, std::int64_t rest);

} // namespace wisetick
