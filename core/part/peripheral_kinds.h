#pragma once

#include "part/kind_row.h"

#include <cstdint>
#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace wisetick {

struct UartMode {
    std::int64_t oversample = 16;
    FactorSet divisor;
    std::int64_t times = 1; ///< the rate is so many times the clock ÷ the divisor
};

struct UartKind {
    static const KindRow& row();

    std::vector<UartMode> modes;
    bool hasOneWire = false;  ///< it can send and receive on its first pin
    FactorSet prescaler = {}; ///< before all modes; empty: none
};

/// reload: counts to the top and starts again. preload: counts up from 2^bits − counts to the overflow. freeRunning: always
/// counts all 2^bits.
enum class TimerStyle { reload, preload, freeRunning };

/// A timer that can count what this one overflows: as one counter of more bits, or in a cascade, where each counts a whole period
/// of its own and the periods multiply.
struct TimerChain {
    std::string with;
    int bits = 32;         ///< of the one counter
    FactorSet counts = {}; ///< of a cascade: periods of this one that the other counts; empty: it is none
};

struct TimerKind {
    static const KindRow& row();

    int bits = 16;
    FactorSet prescaler;
    FactorSet counts;
    TimerStyle style = TimerStyle::reload;
    std::vector<std::string> channels = {}; ///< the pin of each; empty text: it reaches none
    bool isCentred = false;                 ///< with channels it counts up and down: a period is 2 × counts
    bool canBeCentred = false;              ///< whether it does is a setting, "centred"
    std::int64_t complements = 0;           ///< how many of its channels have a second, opposite output
    FactorSet dead = {};                    ///< counts of its clock that both outputs of a channel can be off; empty: none
    FactorSet post = {};                    ///< it fires on every so manieth overflow; empty: on each
    std::optional<TimerChain> chain = {};
};

struct WatchdogKind {
    static const KindRow& row();

    FactorSet prescaler;
    FactorSet counts;
    bool hasWindow = false;
    FactorSet early = {};              ///< counts before the bite at which its interrupt can come; empty: it has none
    bool feedRestartsPrescaler = true; ///< else a feed comes up to one count of the prescaler late
    Rational feedSync = {};            ///< periods of its clock until a feed is taken
};

/// Steps by which a calendar can be made faster or slower.
struct Calibration {
    Rational step; ///< a share
    std::int64_t from = 0;
    std::int64_t to = 0;
};

/// The wake-up counter of a real-time clock, and the two dividers of its calendar.
struct RtcKind {
    static const KindRow& row();

    FactorSet prescaler;
    FactorSet counts;
    FactorSet first = {};  ///< empty: it has no calendar
    FactorSet second = {}; ///< behind the first
    std::optional<Calibration> calibration = {};
    FactorSet alarm = {};        ///< s, the periods at which its alarm can match the calendar again and again; empty: it has none
    std::int64_t alarms = 1;     ///< how many of them there are
    FactorSet secondCounts = {}; ///< of its wake-up counter where that counts the calendar's seconds; empty: it can't
};

/// A peripheral of which nothing but its gate, draws, pins and what it wakes from is known: a mover, a checksum, random numbers.
struct OtherKind {
    static const KindRow& row();
};

/// A sound port: its master clock is its clock ÷ divide, a frame `times` of these, and the clock of bits so many of a frame's.
struct SoundKind {
    static const KindRow& row();

    FactorSet divide;
    std::int64_t times = 256; ///< master clocks a frame
    FactorSet frame = {};     ///< bits that a frame can have, both channels together; empty: it is not told
};

/// An analogue-to-digital converter: its clock is divided, then a sample and a conversion take cycles of it.
struct AdcKind {
    static const KindRow& row();

    FactorSet divide;
    std::vector<Limit> limits;                                 ///< of the divided clock
    FactorSet sample;                                          ///< cycles
    std::vector<std::pair<std::int64_t, Rational>> conversion; ///< bits and the cycles that they take, most bits first
    std::optional<Rational> resistance;                        ///< ohm, of its input
    std::optional<Rational> capacitance;                       ///< F, of its sampling capacitor
    std::int64_t channels = 1;
    FactorSet oversample = {};          ///< how many conversions it can add up by itself; empty: one
    std::optional<Rational> start = {}; ///< s, from switched on to ready, at most; none: it is not told
};

/// A serial port with a clock line: one lane, or a port to a memory with several.
struct SpiKind {
    static const KindRow& row();

    FactorSet divide;
    std::vector<Limit> limits;           ///< of the port's clock
    FactorSet lanes = FactorSet::one(1); ///< over how many the data can go; more than one number: a setting
    FactorSet address = {};              ///< bits that an address can have; empty: not told, any
    FactorSet shift;                     ///< by which parts of a clock the sampling can be late; empty: it can't
    FactorSet dummy;                     ///< cycles between address and data
    FactorSet size;                      ///< bytes of the memory that it can map
    std::optional<Rational> setup = {};  ///< s, for which data must stand before the sampling edge; none: not told
    std::optional<Rational> hold = {};   ///< s, and after it
};

/// The bus with clock and data: low and high phase are counted in prescaled cycles, and fixed delays add to them.
struct I2cKind {
    static const KindRow& row();

    FactorSet prescaler;
    FactorSet low;
    FactorSet high;
    Rational fixedLow;               ///< cycles of the port's clock on top of the low phase
    Rational fixedHigh;              ///< and of the high phase
    std::optional<Rational> fastest; ///< Hz, the fastest grade of the bus that it drives
    FactorSet setup = {};            ///< prescaled cycles from data to the rising clock; empty: not to be set
    FactorSet hold = {};             ///< prescaled cycles from the falling clock to data
};

/// The bits of one phase of CAN in quanta: 1 + seg1 + seg2, each of prescaler ÷ clock.
struct CanPhase {
    FactorSet prescaler;
    FactorSet seg1;
    FactorSet seg2;
    FactorSet sjw;
};

struct CanKind {
    static const KindRow& row();

    CanPhase nominal;
    std::optional<CanPhase> data; ///< of CAN FD
    FactorSet delay;              ///< clock periods of the transmitter delay compensation's offset
    /// The data prescalers with which it can compensate (ISO 11898-1: 1 and 2).
    FactorSet delayPrescaler = FactorSet::range(1, 2);
    std::optional<Rational> nodeDelay; ///< s
    std::int64_t messageWords = 0;     ///< of 32 bits, for filters, buffers and queues; 0: unknown
    std::int64_t filterWords = 1;      ///< of a filter on ids of 11 bits
    std::int64_t longFilterWords = 2;  ///< and on ids of 29 bits
    std::int64_t headerWords = 2;      ///< of each message, before its payload
};

/// A loop of instructions that passes time.
struct DelayLoopKind {
    static const KindRow& row();

    Rational turn;     ///< cycles of the core
    Rational overhead; ///< cycles of one call
    FactorSet turns;
};

} // namespace wisetick
