#pragma once

#include "part/kind_row.h"
#include "plan/ask_row.h"

#include <optional>

namespace wisetick::test {

/// "enc1 follows 50 kHz, rejects 300 ns": a counter of the edges of two signals a quarter period apart, such as an encoder gives.
struct FollowsAsk {
    static const AskRow& row();

    Rational hertz;                  ///< of each signal, at least
    std::optional<Rational> rejects; ///< s, shorter pulses do not count
    bool operator==(const FollowsAsk&) const = default;
};

/// Its filter lets an edge through once the signal has stood for so many periods of its clock.
struct QuadratureKind {
    static const KindRow& row();

    FactorSet filter;
};

} // namespace wisetick::test
