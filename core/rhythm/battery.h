#pragma once

#include "base/text.h"
#include "derive/figures.h"
#include "plan/plan.h"

namespace wisetick {

/// A year, s.
inline const Rational kYear = Rational(8766) * 3600;

/// Lives are told up to here: a thousand years, s.
inline const Rational kLongestLife = kYear * 1000;

/// The share of the capacity that can be used at a temperature, linear between the battery's points and held at its
/// ends beyond them.
Rational usableAt(const Battery& battery, const Rational& celsius);

/// The whole battery: capacities of cells beside one another add up, voltages and resistances of those in a row.
Rational capacityOf(const Battery& battery);
std::optional<Rational> voltageOf(const Battery& battery);
std::optional<Rational> resistanceOf(const Battery& battery);

/// V of the whole battery at rest with so much of its charge left, linear between the points of its curve; none where it gives
/// neither curve nor voltage.
std::optional<Rational> restVoltage(const Battery& battery, const Rational& left);

/// The share of the charge that must be left for the battery to stay at `end` V under a peak of so many A; 1 where it never
/// does, 0 where the curve is unknown.
Rational leftAtEnd(const Battery& battery, const Rational& end, const Rational& peak);

/// What the battery gives for a current at the part's supply: with an efficiency I × supply ÷ (battery × efficiency) + its own
/// draw, else I + its own draw. None where a voltage is missing.
std::optional<Rational> batteryCurrent(const Board& board, const Rational& ampere);

/// A voltage below which the part does not work, and what says so.
struct LeastSupply {
    std::optional<Rational> volt;
    Text of; ///< "the part's least supply", "brown-out level bor2", "tier fast"
};

/// The highest of the part's least supply, that of the tier, and the brown-out level that the board has chosen (or an
/// unprogrammed part has).
LeastSupply leastSupply(const Part& part, const Board& board, const std::string& tier);

/// What a life is worked out from, over the grid of temperatures: the average currents at the part's supply.
struct Drain {
    std::vector<Rational> typ;
    std::vector<Rational> max;
    Bounds peak;     ///< A
    Rational brings; ///< A, into the battery
    LeastSupply needs = {};
};

/// The battery is empty at the highest of its own end and what the part needs; behind a regulator, whose drop-out is not told, at
/// its own end alone. life = capacity × min(usable(T), 1 − left at the end) ÷ (battery current + capacity × fade − brought), no
/// longer than a thousand years. The worst is the worst single temperature. Adds life, its workings, the sag and the findings to
/// the figure.
void addLife(const Board& board, const TemperatureGrid& grid, const Drain& drain, RhythmFigure& figure, Diagnostics& findings);

/// The life, s, typical at the nominal temperature, if the average current were another one, A; peak and harvest as they were
/// played. Nothing where there is no battery, or no life can be told.
std::optional<Rational> lifeFor(const Rational& average, const Part& part, const Board& board, const Figures& figures);

} // namespace wisetick
