#pragma once

#include "base/diagnostic.h"
#include "part/part.h"
#include "quantity/rational.h"

#include <tl/expected.hpp>

#include <optional>
#include <string>
#include <string_view>
#include <variant>
#include <vector>

namespace wisetick {

/// How near is near enough. Neither: the kind's own default (RULES of each kind in docs/promise-lines.md).
struct Tolerance {
    bool exactly = false;
    std::optional<Rational> within; ///< a ratio > 0, to both sides
    bool operator==(const Tolerance&) const = default;
};

/// "core runs at 160 MHz", "bus_b runs at least 60 MHz".
struct RunsAsk {
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
    Rational bitsPerSecond;
    UartFrame frame;
    Tolerance tolerance;
    bool operator==(const TalksAsk&) const = default;
};

/// "timer2 fires every 1 ms exactly".
struct FiresAsk {
    Rational period; ///< s
    Tolerance tolerance;
    bool operator==(const FiresAsk&) const = default;
};

/// "wdog bites after 2 s, fed every 1.8 s, at latest 3 s, opens after 0.5 s". Times in s.
struct BitesAsk {
    Rational after;
    std::optional<Rational> fedEvery;
    std::optional<Rational> atLatest;
    std::optional<Rational> opensAfter;
    Tolerance tolerance;
    bool operator==(const BitesAsk&) const = default;
};

/// "wakes from deep in at most 4 ms by rtc every 10 min".
struct WakesAsk {
    std::string mode;
    Rational limit; ///< s
    std::string by;
    std::optional<Rational> every; ///< s
    bool operator==(const WakesAsk&) const = default;
};

/// "average under 1 mA".
struct AverageAsk {
    Rational limit; ///< A
    bool operator==(const AverageAsk&) const = default;
};

/// "battery lasts 240 days".
struct LastsAsk {
    Rational least; ///< s
    bool operator==(const LastsAsk&) const = default;
};

/// "i2c1 talks 400 kHz with 120 ns rise": the bus clock, at most; rise and fall of its lines in s.
struct BusAsk {
    Rational hertz;
    std::optional<Rational> rise;
    std::optional<Rational> fall;
    bool operator==(const BusAsk&) const = default;
};

/// "adc0 takes 50 k samples/s at 12 bit from 10 kohm over 4 channels": at least so many of each channel.
struct TakesAsk {
    Rational samplesPerSecond;
    std::optional<Rational> bits;     ///< none: the most that the converter has
    std::optional<Rational> ohm;      ///< of what drives its input
    std::optional<Rational> channels; ///< one after the other; none: one
    bool operator==(const TakesAsk&) const = default;
};

/// "qspi0 clocks at most 100 MHz": as fast as the port can, and no faster than the device at its other end.
struct ClocksAsk {
    Rational hertz;
    bool operator==(const ClocksAsk&) const = default;
};

/// "pause waits 100 us within 2 %", "pause waits at least 100 us".
struct WaitsAsk {
    Rational time; ///< s
    bool isAtLeast = false;
    Tolerance tolerance;
    bool operator==(const WaitsAsk&) const = default;
};

using Ask =
    std::variant<RunsAsk, TalksAsk, FiresAsk, BitesAsk, BusAsk, TakesAsk, ClocksAsk, WaitsAsk, WakesAsk, AverageAsk, LastsAsk>;

/// One promise as a sentence: optional name, subject (empty for `wakes` and `average`), what is asked, and the
/// sleep modes in which it must hold too.
struct PromiseLine {
    std::string name;
    std::string subject;
    Ask ask;
    std::vector<std::string> alsoIn;
    bool operator==(const PromiseLine&) const = default;
};

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
