#pragma once

#include "bench/can_frames.h"
#include "derive/figures.h"
#include "plan/plan.h"

#include <functional>
#include <optional>
#include <string>
#include <vector>

namespace wisetick {

/// What a pin is predicted to do, for a promise that shows on one.
struct BenchSignal {
    enum class Shape {
        toggles, ///< it changes each time: a handler or a loop turns the pin
        clock,   ///< half of the period high
        pulses,  ///< high for `duty` of the period
        frames,  ///< bytes
        bus      ///< frames of a CAN bus
    };

    std::size_t promise = 0; ///< index in the plan
    std::string name;        ///< of the promise: the track is called so
    std::string subject;     ///< "uart1": or so
    Shape shape = Shape::clock;
    std::optional<std::size_t> peripheral;
    NodeIndex clock = 0;
    NodeIndex source = 0;
    Rational hertz; ///< of its clock
    Bounds cycle;   ///< s: between two changes of one that toggles, a period, or a bit
    Rational duty = Rational(1, 2);
    std::vector<Setting> factors;        ///< the settings that the cycle is a product of
    std::vector<Setting> summed = {};    ///< and of one more than the sum of these, where there are any
    std::optional<Setting> compare = {}; ///< so many of its counts it is high
    bool isByTheCore = false;            ///< the firmware has a part in it each time
    UartFrame frame = {};
    CanRates can = {};

    /// What its factors and sums come to, with the value that each setting is said to have.
    Rational product(const std::function<Rational(const Setting&)>& valueOf) const;
};

/// The signals of the promises that are asked in the figures' take and have a rate. What is broken is predicted too.
std::vector<BenchSignal> benchSignals(const Part& part, const Plan& plan, const Figures& figures);

/// Whether a track belongs to the signal: it is called like the promise or like its subject, with or without scopes before.
bool isTrackOf(const std::string& track, const BenchSignal& signal);

} // namespace wisetick
