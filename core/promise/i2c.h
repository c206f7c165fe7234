#pragma once

#include "part/part.h"
#include "promise/judge.h"
#include "promise/rate_windows.h"

namespace wisetick {

/// How long the lines take to rise, s: as asked, or from 30 % to 70 % of the supply through the pull-up, ln(0.7 ÷ 0.3) × R × C,
/// rounded up to 1 ps; 0 where neither is said.
Rational riseOf(const BusAsk& ask);

/// The least low and high times of the bus clock and the longest rise, s, for the grade that a rate needs (bus
/// specification: standard to 100 kHz, fast to 400 kHz, fast plus to 1 MHz, high-speed to 3.4 MHz with a load of up to 100 pF).
struct I2cGrade {
    std::string name;
    Rational fastest; ///< Hz
    Rational low;
    Rational high;
    Rational longestRise;
    Rational setup; ///< s, least from data to the rising clock
    Rational longestFall;
    Rational mostLoad; ///< F
    Rational sinks;    ///< A, that each pin must pull down at 0.4 V
};

/// The grade of a rate; nothing above 3.4 MHz.
std::optional<I2cGrade> i2cGrade(const Rational& hertz);

/// SCL period = (prescaler × (low + high) + fixed cycles) ÷ f + rise + fall; low and high phases no shorter than the
/// grade's. An edge that is told is the longest that occurs: the rate is judged from none to it. One that is not counts as none
/// for the rate, and as the grade's longest for set-up and hold. Slower than half of what was asked is broken. For every
/// prescaler the fewest counts that reach neither a shorter period nor shorter phases, at the fastest clock and at the nominal
/// one. Best first: state, faster, smaller prescaler.
std::vector<Way> i2cWays(const I2cKind& bus, const BusAsk& ask, const Clock& clock, const std::vector<Setting>& pinned = {});

/// The promise judged by its best way: at most what was asked, within its grade. What the bus specification forbids of edges,
/// pull-ups (at a supply of so many V, where that is told) and load is a fault of the promise.
PromiseFigure judgeI2c(PromiseFigure figure, const I2cKind& bus, const BusAsk& ask, const Clock& clock,
                       const std::vector<Setting>& pinned = {}, Detail detail = Detail::workings,
                       const std::optional<Rational>& supply = {});

/// The clock rates with which the ask can be kept: from where the fewest counts are fast enough up to where the most are just
/// long enough. Not tight.
RateWindows i2cRates(const I2cKind& bus, const BusAsk& ask);

} // namespace wisetick
