#include "sleep/current.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <cmath>

namespace wisetick {

namespace {

const Rational kMegahertz = 1000000;
const Rational kCurrentStep = powerOfTen(-12);

void addPoints(std::vector<Rational>& list, const std::optional<TemperatureCurve>& curve) {
    if (curve && curve->points.size() > 1) {
        for (const TemperatureCurve::Point& point : curve->points) {
            list.push_back(point.celsius);
        }
    }
}

void addPoints(std::vector<Rational>& list, const std::optional<Draw>& draw) {
    if (draw) {
        addPoints(list, draw->typ);
        addPoints(list, draw->max);
        for (const Draw& each : draw->inTiers) {
            addPoints(list, each.typ);
            addPoints(list, each.max);
        }
    }
}

std::vector<Rational> breakpoints(const Part& part, const Board& board) {
    std::vector<Rational> list;
    for (const Source& source : part.sources) {
        addPoints(list, source.draws);
        for (const Drive& drive : source.drives) {
            addPoints(list, drive.draws);
        }
    }
    for (const Line& line : part.lines) {
        addPoints(list, line.draws);
    }
    for (const Peripheral& peripheral : part.peripherals) {
        addPoints(list, peripheral.draws);
    }
    for (const Mode& mode : part.modes) {
        addPoints(list, mode.draws);
        for (const WakeStage& stage : mode.stages) {
            addPoints(list, stage.draws);
        }
        for (const ModeOption& option : mode.options) {
            for (const ModeOption::Value& value : option.values) {
                addPoints(list, value.draws);
            }
        }
    }
    if (board.battery) {
        for (const auto& [celsius, share] : board.battery->usable) {
            list.push_back(celsius);
        }
    }
    return list;
}

std::vector<Rational> overGrid(const std::optional<TemperatureCurve>& curve, const std::optional<Rational>& slope,
                               const Rational& hertz, const TemperatureGrid& grid, bool& isExtrapolated) {
    std::vector<Rational> currents;
    if (!curve || !slope) {
        return currents;
    }
    const Rational byRate = (*slope * hertz / kMegahertz / kCurrentStep).rounded() * kCurrentStep;
    for (const Rational& celsius : grid.celsius) {
        currents.push_back(currentAt(*curve, celsius, isExtrapolated) + byRate);
    }
    return currents;
}

void addBySupply(const Draw::BySupply& bySupply, const TemperatureGrid& grid, Contribution& result) {
    if (!grid.supply) {
        result.typ.clear();
        result.max.clear();
        return;
    }
    const auto add = [&](std::vector<Rational>& currents, const Rational& volt) {
        for (Rational& current : currents) {
            const Rational exact = current + bySupply.slope * (volt - bySupply.at);
            current = std::max((exact / kCurrentStep).rounded() * kCurrentStep, Rational(0));
        }
    };
    const bool isMore = bySupply.slope.sign() >= 0;
    add(result.typ, grid.supply->nominal);
    add(result.max, isMore ? grid.supply->max : grid.supply->min);
    const Rational over = grid.supply->nominal - bySupply.at;
    if (!over.isZero()) {
        result.formula += " + " + printQuantity(bySupply.slope, Unit::ampere) + "/V \u00d7 " + printQuantity(over, Unit::volt);
    }
}

/// A slope on another clock, on top of currents that are known; without it they are not.
void addOnTop(std::vector<Rational>& currents, const std::optional<Rational>& slope, const Rational& hertz) {
    if (!slope) {
        currents.clear();
        return;
    }
    const Rational more = (*slope * hertz / kMegahertz / kCurrentStep).rounded() * kCurrentStep;
    for (Rational& current : currents) {
        current += more;
    }
}

void addTo(std::vector<Rational>& sum, const std::vector<Rational>& part) {
    for (std::size_t i = 0; i < part.size(); ++i) {
        sum[i] += part[i];
    }
}

} // namespace

TemperatureGrid temperatureGrid(const Part& part, const Board& board) {
    TemperatureGrid grid;
    grid.isKnown = board.temperature.has_value();
    grid.supply = board.supply;
    const Bounds range = board.temperature.value_or(Bounds::exactly(25));
    grid.celsius = {range.min, range.nominal, range.max};
    for (const Rational& celsius : breakpoints(part, board)) {
        if (celsius > range.min && celsius < range.max) {
            grid.celsius.push_back(celsius);
        }
    }
    std::sort(grid.celsius.begin(), grid.celsius.end());
    grid.celsius.erase(std::unique(grid.celsius.begin(), grid.celsius.end()), grid.celsius.end());
    const auto nominal = std::find(grid.celsius.begin(), grid.celsius.end(), range.nominal);
    grid.nominal = static_cast<std::size_t>(nominal - grid.celsius.begin());
    return grid;
}

Rational currentAt(const TemperatureCurve& curve, const Rational& celsius, bool& isExtrapolated) {
    const auto& points = curve.points;
    if (points.size() == 1) {
        return points.front().ampere;
    }
    if (celsius < points.front().celsius || celsius > points.back().celsius) {
        isExtrapolated = true;
        return celsius < points.front().celsius ? points.front().ampere : points.back().ampere;
    }
    const auto above =
        std::find_if(points.begin() + 1, points.end(), [&](const auto& point) { return point.celsius >= celsius; });
    const auto below = above - 1;
    if (above->celsius == celsius) {
        return above->ampere;
    }
    if (below->celsius == celsius) {
        return below->ampere;
    }
    const Rational share = (celsius - below->celsius) / (above->celsius - below->celsius);
    if (below->ampere.sign() <= 0 || above->ampere.sign() <= 0) { // no logarithm of 0: a straight line
        const Rational exact = below->ampere + share * (above->ampere - below->ampere);
        return (exact / kCurrentStep).rounded() * kCurrentStep;
    }
    const double low = std::log(below->ampere.toDouble());
    const double high = std::log(above->ampere.toDouble());
    return quantised(std::exp(low + share.toDouble() * (high - low)), kCurrentStep);
}

Contribution contributionOf(const Text& name, const Target& target, const Draw* draw, const Bounds& hertz,
                            const TemperatureGrid& grid, const RateOf& rateOf) {
    Contribution result{name, target, {}, {}, false, {}};
    if (draw == nullptr) {
        return result;
    }
    result.typ = overGrid(draw->typ, draw->perMegahertzTyp, hertz.nominal, grid, result.isExtrapolated);
    result.max = overGrid(draw->max, draw->perMegahertzMax, hertz.max, grid, result.isExtrapolated);
    if (draw->typ) {
        bool ignored = false;
        const Rational base = currentAt(*draw->typ, grid.celsius[grid.nominal], ignored);
        result.formula = base.isZero() ? "" : printQuantity(base, Unit::ampere);
    }
    if (draw->bySupply) {
        addBySupply(*draw->bySupply, grid, result);
    }
    const auto addSlope = [&](const std::optional<Rational>& slope, const Rational& rate) {
        if (slope && slope->sign() > 0) {
            result.formula += phrase("{}{}/MHz \u00d7 {}", result.formula.empty() ? "" : " + ",
                                     printQuantity(*slope, Unit::ampere), printQuantity(rate, Unit::hertz));
        }
    };
    addSlope(draw->perMegahertzTyp, hertz.nominal);
    for (const Draw::OnClock& each : draw->onClocks) {
        const Bounds rate = rateOf ? rateOf(each.node) : Bounds::exactly(0);
        addOnTop(result.typ, each.perMegahertzTyp, rate.nominal);
        addOnTop(result.max, each.perMegahertzMax, rate.max);
        addSlope(each.perMegahertzTyp, rate.nominal);
    }
    return result;
}

std::optional<Rational> typicalDraw(const Draw& draw, const Rational& hertz, const TemperatureGrid& grid,
                                    const std::function<Rational(NodeIndex)>& rateOf) {
    if (!draw.typ || !draw.perMegahertzTyp || (draw.bySupply && !grid.supply)) {
        return std::nullopt;
    }
    bool ignored = false;
    const auto rounded = [](const Rational& ampere) { return (ampere / kCurrentStep).rounded() * kCurrentStep; };
    Rational current =
        currentAt(*draw.typ, grid.celsius[grid.nominal], ignored) + rounded(*draw.perMegahertzTyp * hertz / kMegahertz);
    if (draw.bySupply) {
        current = std::max(rounded(current + draw.bySupply->slope * (grid.supply->nominal - draw.bySupply->at)), Rational(0));
    }
    for (const Draw::OnClock& each : draw.onClocks) {
        if (!each.perMegahertzTyp) {
            return std::nullopt;
        }
        current += rounded(*each.perMegahertzTyp * (rateOf ? rateOf(each.node) : Rational(0)) / kMegahertz);
    }
    return current;
}

Contribution constantContribution(const Text& name, const Target& target, const Rational& ampere, const TemperatureGrid& grid) {
    const std::vector<Rational> all(grid.celsius.size(), ampere);
    return {name, target, all, all, false, printQuantity(ampere, Unit::ampere)};
}

CurrentFigure sumOf(std::vector<Contribution> contributions, const TemperatureGrid& grid) {
    CurrentFigure sum;
    sum.typ.assign(grid.celsius.size(), Rational(0));
    sum.max = sum.typ;
    for (const Contribution& each : contributions) {
        addTo(sum.typ, each.typ);
        addTo(sum.max, each.max);
        if (each.typ.empty() || each.max.empty()) {
            sum.unknown += sum.unknown.empty() ? phrase("unknown: ") : ", ";
            sum.unknown += (each.typ.empty() && each.max.empty()
                                ? phrase("draw of ")
                                : (each.typ.empty() ? phrase("typical draw of ") : phrase("largest draw of "))) +
                           each.name;
        }
    }
    for (std::size_t i = 0; i < sum.typ.size(); ++i) {
        sum.max[i] = std::max(sum.max[i], sum.typ[i]); // the known part of the largest is at least the typical
    }
    sum.contributions = std::move(contributions);
    return sum;
}

Bounds CurrentFigure::bounds(const TemperatureGrid& grid) const {
    return {*std::min_element(typ.begin(), typ.end()), typ[grid.nominal], *std::max_element(max.begin(), max.end())};
}

} // namespace wisetick
