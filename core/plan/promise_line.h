#pragma once

#include "base/diagnostic.h"
#include "base/open_value.h"
#include "part/part.h"
#include "quantity/rational.h"

#include <tl/expected.hpp>

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace wisetick {

struct AskRow;

/// What a promise asks: a RunsAsk, a TalksAsk, …
using Ask = OpenValue<AskRow>;

/// How near is near enough. Neither: the kind's own default (RULES of each kind in docs/promise-lines.md).
struct Tolerance {
    bool exactly = false;
    std::optional<Rational> within; ///< a ratio > 0, to both sides
    bool operator==(const Tolerance&) const = default;
};

/// "core runs at 160 MHz", "bus_b runs at least 60 MHz".
struct RunsAsk {
    static const AskRow& row();

    enum class Bound { at, atLeast, atMost };
    Bound bound = Bound::at;
    Rational hertz;
    Tolerance tolerance;
    bool operator==(const RunsAsk&) const = default;
};

/// Data bits 5–9, parity N, E or O, stop bits 1 or 2.
struct UartFrame {
    int dataBits = 8;
    char parity = 'N';
    int stopBits = 1;
    bool operator==(const UartFrame&) const = default;
};

/// "uart1 talks 921600 within 1.5 %, as 8E1".
struct TalksAsk {
    static const AskRow& row();

    Rational bitsPerSecond;
    UartFrame frame;
    Tolerance tolerance;
    bool isOneWire = false; ///< "on one wire": both directions share a pin
    Rational lasts() const { return Rational(frame.dataBits + 2 + (frame.parity == 'N' ? 0 : 1)) / bitsPerSecond; }
    bool operator==(const TalksAsk&) const = default;
};

/// "can0 talks 500 kbit/s, data 2 Mbit/s, sample at 80 %, over 20 m": the bits of a CAN bus. With `data` it is CAN FD.
struct CanAsk {
    static const AskRow& row();

    Rational bitsPerSecond;
    std::optional<Rational> data = {};       ///< bit/s of the data phase
    std::optional<Rational> sample = {};     ///< sample point as a share of the bit; none: 80 %
    std::optional<Rational> dataSample = {}; ///< none: as `sample`
    std::optional<Rational> cable = {};      ///< m
    std::optional<Rational> nodeDelay = {};  ///< s; none: the part's
    std::optional<Rational> jump = {};       ///< quanta, the synchronisation jump width; none: the widest
    Tolerance tolerance;                     ///< none: what the bus's own conditions on its oscillators allow
    bool operator==(const CanAsk&) const = default;
};

/// "can0 holds 28 filters, 8 long-filters, 32 received, 16 sent, of 64 byte": a plan of its message memory.
struct HoldsAsk {
    static const AskRow& row();

    Rational filters;     ///< on ids of 11 bits
    Rational longFilters; ///< on ids of 29 bits
    Rational received;    ///< messages that wait to be read
    Rational sent;        ///< messages that wait to be sent
    Rational payload = 8; ///< bytes of each
    bool operator==(const HoldsAsk&) const = default;
};

/// "timer2 fires every 1 ms exactly".
struct FiresAsk {
    static const AskRow& row();

    Rational period; ///< s
    Tolerance tolerance;
    bool isRepeated = false;              ///< "repeated": the firmware may count several shorter ones
    bool isChained = false;               ///< "chained": with the timer that the part gives for that
    std::optional<Rational> late = {};    ///< "late 12 cycles": of the core, by which the firmware begins each period late
    std::optional<Rational> handled = {}; ///< "handled in 400 cycles": of the core, by the interrupt
    bool isAlarm = false;                 ///< "by alarm": of the calendar, instead of its wake-up counter
    Rational lasts() const { return period; }
    bool operator==(const FiresAsk&) const = default;
};

/// "timer3.1 drives 20 kHz at 35 % duty, steps under 0.1 %": the subject is a channel.
struct DrivesAsk {
    static const AskRow& row();

    Rational hertz;
    Rational duty;                          ///< from 0 up to 1
    std::optional<Rational> stepUnder = {}; ///< of the duty
    std::optional<Rational> dead = {};      ///< s, both outputs off between the switchings
    bool isInside = false;                  ///< "inside": it reaches no pin
    bool isCentred = false;                 ///< "centred": pulses around the middle of the period, counted up and down
    Tolerance tolerance;
    Rational lasts() const { return 1 / hertz; }
    bool operator==(const DrivesAsk&) const = default;
};

/// "timer5 wraps after at least 1 h, resolves 1 us": a counter that is read as a clock.
struct StampsAsk {
    static const AskRow& row();

    std::optional<Rational> wrapsAfter = {}; ///< s, at least; one of the two is given
    std::optional<Rational> resolves = {};   ///< s, at most
    bool operator==(const StampsAsk&) const = default;
};

/// "wdog bites after 2 s, fed every 1.8 s to 1.9 s, at latest 3 s, opens after 0.5 s"; "fed by blink". Times in s.
struct BitesAsk {
    static const AskRow& row();

    Rational after;
    std::optional<Rational> fedEvery; ///< at most so long between two feeds
    std::optional<Rational> atLatest;
    std::optional<Rational> opensAfter;
    Tolerance tolerance;
    std::optional<Rational> warnsBefore = {}; ///< "warns 1 ms before": its early interrupt, before the bite
    std::optional<Rational> fedLeast = {};    ///< and at least so long; none: always fedEvery
    std::string fedBy = {};                   ///< the job that feeds it, once in each run
    Rational lasts() const { return after; }
    bool operator==(const BitesAsk&) const = default;
};

/// "rtc drifts at most 2 s/day": a calendar.
struct DriftsAsk {
    static const AskRow& row();

    Rational limit; ///< s/s
    Rational lasts() const { return 86400; }
    bool operator==(const DriftsAsk&) const = default;
};

/// "wakes from deep in at most 4 ms by rtc every 10 min".
struct WakesAsk {
    static const AskRow& row();

    std::string mode;
    Rational limit; ///< s
    std::string by;
    std::optional<Rational> every; ///< s
    bool operator==(const WakesAsk&) const = default;
};

/// "average under 1 mA".
struct AverageAsk {
    static const AskRow& row();

    Rational limit; ///< A
    bool operator==(const AverageAsk&) const = default;
};

/// "battery lasts 240 days".
struct LastsAsk {
    static const AskRow& row();

    Rational least; ///< s
    bool operator==(const LastsAsk&) const = default;
};

/// "i2c1 talks 400 kHz with 120 ns rise": the bus clock, at most; rise and fall of its lines in s.
struct BusAsk {
    static const AskRow& row();

    Rational hertz;
    std::optional<Rational> rise;
    std::optional<Rational> fall;
    std::optional<Rational> pull = {}; ///< "pulled by 2.2 kohm into 100 pF": the rise follows from both
    std::optional<Rational> load = {}; ///< F, of the bus
    bool isSmbus = false;              ///< "as smbus": at least 10 kHz too
    bool operator==(const BusAsk&) const = default;
};

/// "adc0 takes 50 k samples/s at 12 bit from 10 kohm over 4 channels": at least so many of each channel. "adc0 takes once in at
/// most 20 us": a single scan that the firmware starts.
struct TakesAsk {
    static const AskRow& row();

    Rational samplesPerSecond;                ///< 0 where a single scan is asked
    std::optional<Rational> onceIn = {};      ///< s, of a single scan
    std::optional<Rational> bits;             ///< none: the most that the converter has
    std::optional<Rational> ohm;              ///< of what drives its input
    std::optional<Rational> channels;         ///< one after the other; none: one
    std::optional<Rational> oversampled = {}; ///< so many conversions are added up for one sample
    std::string trigger = {};                 ///< the timer that starts each scan; empty: it goes on by itself
    bool operator==(const TakesAsk&) const = default;
};

/// "qspi0 clocks at most 100 MHz": as fast as the port can, and no faster than the device at its other end.
struct ClocksAsk {
    static const AskRow& row();

    Rational hertz;
    std::optional<Rational> size = {};    ///< "of 16 MiB": bytes of the memory
    std::optional<Rational> dummy = {};   ///< "after 8 dummies": cycles that the memory wants between address and data
    std::optional<Rational> reading = {}; ///< "reading 256 byte in at most 5 us"
    std::optional<Rational> within = {};  ///< s
    std::optional<Rational> valid = {};   ///< "valid after 6 ns": s, from the clock's edge until the device's data stand
    std::optional<Rational> held = {};    ///< "held 2 ns": s, for which they still stand after the next such edge
    std::optional<Rational> trace = {};   ///< "over 10 cm": m of trace to the device
    std::optional<Rational> lanes = {};   ///< "on 2 lanes"; none: as many as the port has
    bool operator==(const ClocksAsk&) const = default;
};

/// "pause waits 100 us within 2 %", "pause waits at least 100 us".
struct WaitsAsk {
    static const AskRow& row();

    Rational time; ///< s
    bool isAtLeast = false;
    Tolerance tolerance;
    Rational lasts() const { return time; }
    bool operator==(const WaitsAsk&) const = default;
};

/// "sound plays 48 kHz within 50 ppm, at 24 bit": frames a second, of two channels.
struct PlaysAsk {
    static const AskRow& row();

    Rational hertz;
    Tolerance tolerance;
    std::optional<Rational> bits = {}; ///< of each channel
    bool operator==(const PlaysAsk&) const = default;
};

/// One promise as a sentence: optional name, subject (a line, a peripheral, or a channel of one, "timer3.1"; empty for `wakes`
/// and `average`), what is asked, and the sleep modes in which it must hold too.
struct PromiseLine {
    std::string name;
    std::string subject;
    Ask ask;
    std::vector<std::string> alsoIn;
    std::vector<std::string> inTakes = {}; ///< where it is asked; empty: in the active take
    std::string whileJob = {};             ///< it is asked only while this job runs, in its take; empty: always
    bool operator==(const PromiseLine&) const = default;
};

/// The peripheral that a subject names: "timer3" of "timer3.1".
std::string peripheralOf(const std::string& subject);

/// The channel that it names, from 1; 0 where it names none.
std::int64_t channelOf(const std::string& subject);

/// The verb of an ask: "talks", "fires".
std::string verbOf(const Ask& ask);

/// Whether such a promise may ask `also in MODE`: what needs its clock there.
bool mayAskAlsoIn(const Ask& ask);

/// Reads a promise line. With a part, its ids are checked too. The error points at the word that is wrong.
/// The grammar: docs/promise-lines.md.
tl::expected<PromiseLine, TextError> readPromiseLine(std::string_view text, const Part* part = nullptr);

/// What may stand at the cursor of a line that is being typed.
struct Completion {
    std::size_t position = 0;       ///< byte where what was typed of it begins
    std::vector<std::string> texts; ///< whole clauses or words from there on, those that are needed first
    bool operator==(const Completion&) const = default;
};

/// Completes a line, given what stands before the cursor: subjects, then the verbs that fit the subject, then the
/// clauses that may still follow and the names of the part in them. Nothing where what stands before can't be read.
Completion completePromiseLine(std::string_view text, const Part& part);

/// The canonical form; reading it gives the same promise.
std::string printPromiseLine(const PromiseLine& line);

/// "8N1".
std::string printFrame(const UartFrame& frame);

} // namespace wisetick
