#pragma once

#include "base/text.h"
#include "derive/figures.h"
#include "seek/seek.h"

namespace wisetick {

/// What follows from a found take, and what of it is compared.
struct FoundFigures {
    Figures figures;
    std::optional<Rational> ampere; ///< in run, typical; the known part
    std::optional<Rational> wakeUp; ///< s, from the take's resting mode, from any where it has none, at the longest
};

/// Derives a found take; with `isPlayed` its jobs are played too.
FoundFigures figuresOfFound(const Part& part, const Plan& plan, const FoundTake& found, bool isPlayed);

/// How a wish stands there.
WishStanding standingIn(const Part& part, const Figures& figures, const Wish& wish);

/// The greatest share of a tolerance: "exact", "12.5 %".
Text sayWorst(const Score& score);

/// "kept", "1 broken, 2 strained".
Text sayStates(const Score& score);

/// Faults that a found take leaves, mostly of the board itself, as a crystal that the part can't have: no setting mends them.
std::vector<Text> faultsLeft(const Figures& figures);

/// The first of them, and how many there are: "It leaves a fault: 40 MHz fitted for xtm; expected 6 MHz … 30 MHz"; empty where
/// there is none.
Text sayFaultsLeft(const Figures& figures);

/// Whether these are the best of all: "Complete: all of about 3.2·10^41 takes were looked at or excluded by bound; none is
/// better."
Text sayEnd(const SeekResult& result);

} // namespace wisetick
