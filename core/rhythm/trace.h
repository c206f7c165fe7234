#pragma once

#include "base/text.h"

#include "base/target.h"
#include "rhythm/timeline.h"

#include <string>

namespace wisetick {

/// What can go on, and what is drawn while it does.
struct TraceState {
    Text name;     ///< "rest in deep", "job report"
    Target target; ///< where a click on it goes
    Doing doing = Doing::resting;
    std::size_t which = 0;
    double ampere = 0; ///< typical, at the nominal temperature
};

/// A stretch of time on a picture: the least, largest and mean current in it, A, and what takes the most of its time.
struct TraceColumn {
    double least = 0;
    double most = 0;
    double mean = 0;
    std::size_t state = 0;
};

/// A play as it can be drawn: what goes on from 0 to its span, and then again and again.
class Trace {
public:
    Trace() = default;
    Trace(std::vector<TraceState> states, const std::vector<Stretch>& stretches, double span);

    double span() const { return span_; }
    const std::vector<TraceState>& states() const { return states_; }
    std::size_t size() const { return ends_.size(); }
    /// Of a stretch < size(): when it ends, s, and the index of its state. The first begins at 0.
    std::pair<double, std::size_t> stretchAt(std::size_t index) const { return {ends_[index], state_[index]}; }
    /// The index into states of what goes on at a time ≥ 0, s.
    std::size_t stateAt(double time) const;
    /// The runs of one job that overlap [from, to), s; at most `most`.
    std::vector<std::pair<double, double>> runsOf(std::size_t job, double from, double to, std::size_t most) const;
    /// [from, to) in so many columns, 0 ≤ from < to. Cost: O(columns × log size).
    std::vector<TraceColumn> columns(double from, double to, std::size_t count) const;

private:
    std::size_t indexAt(double time) const;
    TraceColumn column(double from, double to) const;
    double chargeTo(double time) const;

    std::vector<TraceState> states_;
    std::vector<double> ends_;                                 ///< of the stretches
    std::vector<std::uint16_t> state_;                         ///< of the stretches
    std::vector<double> charge_;                               ///< C, from 0 to the end of each
    std::vector<std::vector<std::pair<float, float>>> levels_; ///< least and most of 2^level neighbours
    double span_ = 0;
};

} // namespace wisetick
