#pragma once

#include "base/target.h"
#include "base/text.h"
#include "part/part.h"
#include "plan/plan.h"

#include <functional>
#include <optional>
#include <string>
#include <vector>

namespace wisetick {

/// The temperatures in °C at which currents and lives are worked out: the board's lowest, nominal and highest, and
/// every breakpoint of the part's and battery's tables between them. Between two neighbours a sum of log-linear
/// currents is convex, and a convex current over a linear share of the capacity is quasi-convex, so the worst case
/// of the range is among these temperatures. Index of the nominal one beside them.
struct TemperatureGrid {
    std::vector<Rational> celsius; ///< ascending
    std::size_t nominal = 0;
    bool isKnown = false;              ///< false: the board gives no temperature; 25 °C alone is taken
    std::optional<Bounds> supply = {}; ///< V, of the board
};
TemperatureGrid temperatureGrid(const Part& part, const Board& board);

/// The current of a curve at a temperature, log-linear between points and quantised to 1 pA; held at its end
/// beyond them. `isExtrapolated` is set then.
Rational currentAt(const TemperatureCurve& curve, const Rational& celsius, bool& isExtrapolated);

/// What one thing draws, over the grid of temperatures, in A. typ or max are empty where they are unknown.
struct Contribution {
    Text name;     ///< "base of run", "xtm", "core's rate in run", "outside"
    Target target; ///< where a click on it goes
    std::vector<Rational> typ;
    std::vector<Rational> max;
    bool isExtrapolated = false;
    Text formula; ///< "110 µA/MHz × 160 MHz"
};

/// Gives the rate of a node, Hz; 0 where it stands.
using RateOf = std::function<Bounds(NodeIndex)>;

/// A draw worked out for a clock of `hertz` (typical at its nominal, largest at its max), and where it depends on it for the
/// board's supply likewise: + slope × (supply − the one it was measured at), never below 0; unknown where the board tells none.
/// `draw`: as it is in the take's tier (drawIn); nullptr: unknown. Slopes on other clocks need `rateOf`.
Contribution contributionOf(const Text& name, const Target& target, const Draw* draw, const Bounds& hertz,
                            const TemperatureGrid& grid, const RateOf& rateOf = {});

/// The typical current of a draw at the grid's nominal temperature and supply, in A, as contributionOf gives it; nothing where it
/// is unknown.
std::optional<Rational> typicalDraw(const Draw& draw, const Rational& hertz, const TemperatureGrid& grid,
                                    const std::function<Rational(NodeIndex)>& rateOf = {});

/// A constant current.
Contribution constantContribution(const Text& name, const Target& target, const Rational& ampere, const TemperatureGrid& grid);

/// A sum of contributions over the grid; the known parts where some are unknown.
struct CurrentFigure {
    std::vector<Contribution> contributions;
    std::vector<Rational> typ;
    std::vector<Rational> max;
    Text unknown; ///< "unknown: largest draw of xtm"; empty where all is known

    /// nominal: typical at the nominal temperature; min, max: the least typical and the greatest largest current
    /// over the grid.
    Bounds bounds(const TemperatureGrid& grid) const;
};
CurrentFigure sumOf(std::vector<Contribution> contributions, const TemperatureGrid& grid);

} // namespace wisetick
