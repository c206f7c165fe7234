#pragma once

#include "seek/seek.h"

namespace wisetick {

/// One thing that a take must keep.
struct Demanded {
    enum class Kind { wish, promise, limit, rule, lock };
    Kind kind = Kind::wish;
    std::size_t index = 0; ///< into the question's wishes or promises, the space's nodes or locks, the part's rules
    bool operator==(const Demanded&) const = default;
};

/// A limit, rule or lock as a question lifts it; nothing for a wish or promise, which can be left out of it.
std::optional<Lifted> liftedOf(const Space& space, const Demanded& demanded);

/// What can't be kept together: without any one of them the rest can.
using Conflict = std::vector<Demanded>;

/// The nearest that a wish can be had if all others stay; where these collide themselves, of what can't be kept even alone the
/// nearest that can.
struct Nearest {
    std::size_t wish = 0;          ///< into the question's wishes
    std::optional<Rational> hertz; ///< none: not at all
    std::optional<Rational> error; ///< hertz ÷ what was wished − 1
    bool isAlone = false;          ///< no other wish or promise is kept
};

/// Why there is no take.
struct Refusal {
    std::vector<Conflict> conflicts; ///< one with the fewest wishes and promises, or all
    bool isSmallest = true;          ///< false: there may be one with fewer
    bool areAll = false;             ///< there is no other set of wishes and promises that can't be kept together
    std::vector<Nearest> nearest;    ///< of the hard wishes, in their order
    std::vector<Demanded> lifts;     ///< single limits, rules and locks without which all else can be kept
    bool isCancelled = false;
    bool isCut = false; ///< some of it may be missing
};

/// What of it is wanted.
struct RefusalWanted {
    bool allConflicts = false;
    bool nearest = true;
    bool lifts = true;
};

/// Why no take keeps all hard wishes and promises. Nothing where one does. Promises that are judged on whole takes only, but
/// those on waking, are not looked at. The space must come from spaceOf.
std::optional<Refusal> whyNone(const Space& space, const RefusalWanted& wanted, const SeekControl& control = {});

} // namespace wisetick
