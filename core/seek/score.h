#pragma once

#include "quantity/rational.h"

#include <compare>
#include <memory_resource>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace wisetick {

/// What decides between takes that keep everything alike, in an order that the user chooses.
enum class Preference {
    changes,    ///< fewest controls that differ from the present take
    current,    ///< least current in run, typical at the board's nominal temperature
    core,       ///< highest rate of the core
    oscillator, ///< lowest oscillators of multipliers: the highest of them first
    wakeUp      ///< soonest after waking from the take's resting mode, at the latest
};

/// "changes", "current", "core", "oscillator", "wake-up".
std::string preferenceName(Preference preference);
std::optional<Preference> readPreference(std::string_view name);
std::vector<std::string> preferenceNames();

/// Amounts of a score; a search keeps very many of them, in memory that is given back in one piece.
using Amounts = std::pmr::vector<Rational>;

/// How good a take, or a piece of one, is; the less the better. Scores of pieces that have nothing in common add up, and adding
/// the same to two scores never changes which is less: so the best of a whole is made of the best of its pieces.
struct Score {
    int broken = 0;   ///< soft wishes and promises that are not kept
    int strained = 0; ///< wishes, promises and lines of which only the nominal holds
    Amounts strays;   ///< of wishes that their source alone oversteps: its stray ÷ tolerance, greatest first
    Amounts extremes; ///< in the order of the wishes that ask for one; empty: all 0
    Amounts ratios;   ///< |error| ÷ tolerance, without zeros, greatest first
    std::int64_t changes = 0;
    Rational picoampere; ///< the known part
    Rational core;       ///< −Hz
    Amounts oscillators; ///< Hz, greatest first
    Rational wakeUp;     ///< s

    Score& operator+=(const Score& other);
    /// Adds a share of a tolerance that is used up, or of one that is overstepped.
    void addRatio(const Rational& ratio) { addTo(ratios, ratio); }
    void addStray(const Rational& stray) { addTo(strays, stray); }
    bool operator==(const Score&) const = default;

private:
    static void addTo(Amounts& list, const Rational& amount);
};

/// Broken, strained, strays, extremes, then the ratios from the greatest on: what must not depend on anyone's taste.
std::strong_ordering compareKeeping(const Score& a, const Score& b);

/// Then the preferences in their order.
std::strong_ordering compareScores(const Score& a, const Score& b, const std::vector<Preference>& prefers);

} // namespace wisetick
