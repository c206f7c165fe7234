#pragma once

#include "part/part.h"
#include "plan/promise_line.h"

#include <cstdint>
#include <optional>
#include <vector>

namespace wisetick {

/// One bit of a phase: 1 + seg1 + seg2 quanta of prescaler ÷ f.
struct CanBit {
    std::int64_t prescaler = 1;
    std::int64_t seg1 = 1;
    std::int64_t seg2 = 1;
    std::int64_t quanta() const { return 1 + seg1 + seg2; }
    Rational samplePoint() const { return Rational(1 + seg1, quanta()); }
    bool operator==(const CanBit&) const = default;
};

/// The bits of both phases with what follows from them.
struct CanTiming {
    CanBit nominal;
    std::optional<CanBit> data;
    std::int64_t propagation = 1; ///< quanta of seg1 that the cable and the nodes take
    std::int64_t jump = 1;        ///< quanta, of the nominal phase
    std::int64_t dataJump = 1;
};

/// num ÷ den, den > 0, of a condition on the oscillators.
struct CanFraction {
    std::int64_t num = 0;
    std::int64_t den = 1;
    Rational value() const { return Rational(num, den); }
};
/// The conditions of ISO 11898-1 on the oscillators, as canConditions names them.
CanFraction jumpCondition(const CanBit& bit, std::int64_t jump);
CanFraction errorFlagCondition(const CanTiming& timing);
CanFraction arbitrationToDataCondition(const CanTiming& timing);
CanFraction dataToArbitrationCondition(const CanTiming& timing);
std::vector<CanFraction> canFractions(const CanTiming& timing);

/// A signal along a cable.
inline const Rational kCableSecondsPerMetre = Rational(5, 1000000000);

/// Quanta that the way there and back takes: 2 × (node delay + cable × 5 ns/m), rounded up; at least 1.
std::int64_t propagationQuanta(const CanKind& can, const CanAsk& ask, const Rational& hertz, std::int64_t prescaler);

/// From the sending pin through the transceiver and back to the receiving one, s; nothing where it is not known.
std::optional<Rational> canNodeDelay(const CanKind& can, const CanAsk& ask);

/// Whether the port can compensate that way in the data phase: it has the offset for it, and the prescaler is one with which it
/// may.
bool canCompensates(const CanKind& can, const CanBit& data);

/// Whether a transmitter reads its own bits of the data phase right: it compensates, or its sample point comes no earlier than
/// the node delay, at this rate of the clock in Hz.
bool canHearsItself(const CanKind& can, const CanBit& data, const Rational& nodeDelay, const Rational& hertz);

} // namespace wisetick
