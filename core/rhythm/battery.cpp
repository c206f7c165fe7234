#include "rhythm/battery.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

/// A value between points that rise, linear; held at the ends.
Rational between(const std::vector<std::pair<Rational, Rational>>& points, const Rational& at) {
    if (at <= points.front().first) {
        return points.front().second;
    }
    for (std::size_t i = 1; i < points.size(); ++i) {
        if (at <= points[i].first) {
            const Rational share = (at - points[i - 1].first) / (points[i].first - points[i - 1].first);
            return points[i - 1].second + share * (points[i].second - points[i - 1].second);
        }
    }
    return points.back().second;
}

/// Works out one life.
class Life {
public:
    Life(const Board& board, const TemperatureGrid& grid, const Drain& drain, RhythmFigure& figure, Diagnostics& findings)
        : board_(board), battery_(*board.battery), grid_(grid), drain_(drain), figure_(figure), findings_(findings),
          fade_(capacityOf(battery_) * battery_.fades) {}

    void add() {
        checkSag();
        checkSupply();
        if (!batteryCurrent(board_, 0)) {
            addUnknown(phrase("unknown: life, as the regulator needs the voltages of supply and battery"));
            return;
        }
        const auto drains = [&](const Rational& average) { return drawnOf(average).sign() > 0; };
        if (drain_.brings.isZero() && !std::all_of(drain_.typ.begin(), drain_.typ.end(), drains)) {
            addUnknown(phrase("unknown: life, as nothing is known to draw"));
            return;
        }
        const std::size_t nominal = grid_.nominal;
        const Rational middle = lifeAt(nominal, drain_.typ[nominal], drain_.peak.nominal);
        Bounds life = Bounds::exactly(middle);
        std::size_t worst = nominal;
        for (std::size_t i = 0; i < drain_.typ.size(); ++i) {
            const Rational shortest = lifeAt(i, drain_.max[i], drain_.peak.max);
            if (shortest < life.min) {
                life.min = shortest;
                worst = i;
            }
            life.max = std::max(life.max, lifeAt(i, drain_.typ[i], drain_.peak.nominal));
        }
        figure_.life = life;
        if (battery_.usable.size() > 1 &&
            (grid_.celsius.front() < battery_.usable.front().first || grid_.celsius.back() > battery_.usable.back().first)) {
            find(Severity::warning, "board.battery.usable", phrase("the board's temperatures go beyond the battery's table"),
                 phrase("its end value is taken there"));
        }
        addRegulatorStep();
        addEndStep();
        addStep("life", nominal, drain_.typ[nominal], drain_.peak.nominal, middle);
        addStep(phrase("at the worst single temperature"), worst, drain_.max[worst], drain_.peak.max, life.min);
    }

private:
    void addUnknown(const Text& unknown) {
        if (figure_.unknown.find(unknown) == std::string::npos) {
            figure_.unknown += (figure_.unknown.empty() ? "" : "; ") + unknown;
        }
    }

    void find(Severity severity, const std::string& path, const Text& found, const Text& expected) {
        findings_.push_back({severity, {{}, 0, 0, path}, found, expected, {}});
    }

    /// The voltage below which the board does not work.
    std::optional<Rational> endVoltage() const {
        const std::optional<Rational>& needs = drain_.needs.volt;
        if (board_.regulator || !needs) {
            return battery_.endsAt;
        }
        return battery_.endsAt ? std::max(*battery_.endsAt, *needs) : *needs;
    }

    /// Without a regulator the supply is what the battery gives, from full to empty.
    void checkSupply() {
        const auto end = endVoltage();
        if (board_.regulator || battery_.curve.empty() || !board_.supply || !end) {
            return;
        }
        const Rational full = *restVoltage(battery_, 1);
        const Rational empty = std::max(*restVoltage(battery_, 0), *end);
        if (full > board_.supply->max || empty < board_.supply->min) {
            find(Severity::warning, "board.supply",
                 phrase("the battery gives {} until it is empty, the board's supply is {}", printRange(empty, full, Unit::volt),
                        printRange(board_.supply->min, board_.supply->max, Unit::volt)),
                 phrase("a supply that holds what the battery gives, or a regulator"));
        }
    }

    Rational drawnOf(const Rational& average) const { return *batteryCurrent(board_, average) + fade_ - drain_.brings; }

    Rational usable(std::size_t point, const Rational& peak) const {
        const Rational byTemperature = usableAt(battery_, grid_.celsius[point]);
        const auto end = endVoltage();
        const Rational byVoltage = end ? 1 - leftAtEnd(battery_, *end, *batteryCurrent(board_, peak)) : Rational(1);
        return std::max(std::min(byTemperature, byVoltage), Rational(0));
    }

    Rational lifeAt(std::size_t point, const Rational& average, const Rational& peak) const {
        const Rational drawn = drawnOf(average);
        if (drawn.sign() <= 0) {
            return kLongestLife;
        }
        return std::min(capacityOf(battery_) * usable(point, peak) / drawn, kLongestLife);
    }

    /// The voltage under the peak: at the worst with the peak's corner, and fresh without any.
    void checkSag() {
        const auto fresh = restVoltage(battery_, 1);
        const auto resistance = resistanceOf(battery_);
        if (!fresh || !resistance || !batteryCurrent(board_, 0)) {
            return;
        }
        const auto under = [&](const Rational& peak) { return *fresh - *batteryCurrent(board_, peak) * *resistance; };
        figure_.atPeak = Bounds{under(drain_.peak.max), under(drain_.peak.nominal), *fresh};
        const auto end = endVoltage();
        if (end && figure_.atPeak->min < *end) {
            find(figure_.atPeak->nominal < *end ? Severity::error : Severity::warning, "board.battery.resistance",
                 phrase("at the peak of {} the fresh battery falls to {}", printQuantity(drain_.peak.max, Unit::ampere),
                        printQuantity(figure_.atPeak->min, Unit::volt)),
                 phrase("at least {}: a smaller peak, a larger cell or a capacitor beside it", printQuantity(*end, Unit::volt)));
        }
    }

    void addRegulatorStep() {
        if (!board_.regulator) {
            return;
        }
        const Rational& average = drain_.typ[grid_.nominal];
        const auto& efficiency = board_.regulator->efficiency;
        figure_.lifeWorkings.push_back(
            {phrase("from the battery"),
             efficiency ? phrase("average \u00d7 supply \u00f7 (battery \u00d7 efficiency) + the regulator's own")
                        : phrase("average + the regulator's own"),
             efficiency
                 ? printQuantity(average, Unit::ampere) + " \u00d7 " + printQuantity(board_.supply->nominal, Unit::volt) +
                       " \u00f7 (" + printQuantity(*voltageOf(battery_), Unit::volt) + " \u00d7 " +
                       printQuantity(*efficiency, Unit::ratio) + ") + " + printQuantity(board_.regulator->draws, Unit::ampere)
                 : printQuantity(average, Unit::ampere) + " + " + printQuantity(board_.regulator->draws, Unit::ampere),
             printQuantity(*batteryCurrent(board_, average), Unit::ampere),
             {{"average", {}, Target::rhythm("average"), {}}, {"regulator", {}, Target::plan("board.regulator"), {}}}});
    }

    void addEndStep() {
        const auto end = endVoltage();
        if (!end || battery_.curve.empty()) {
            return;
        }
        const bool isOwn = board_.regulator || !drain_.needs.volt || *end != *drain_.needs.volt;
        figure_.lifeWorkings.push_back({phrase("empty at"),
                                        isOwn ? phrase("the battery's own end") : drain_.needs.of,
                                        {},
                                        printQuantity(*end, Unit::volt),
                                        {isOwn ? Origin{phrase("ends at"), {}, Target::plan("board.battery.ends_at"), {}}
                                               : Origin{drain_.needs.of, {}, Target::plan("board"), {}}}});
    }

    void addStep(const Text& what, std::size_t point, const Rational& average, const Rational& peak, const Rational& life) {
        const Rational& celsius = grid_.celsius[point];
        const std::string brought =
            drain_.brings.isZero() ? "" : phrase(" \u2212 {} brought", printQuantity(drain_.brings, Unit::ampere));
        figure_.lifeWorkings.push_back(
            {what,
             phrase("capacity \u00d7 usable \u00f7 (average + fading{}", brought.empty() ? ")" : phrase(" \u2212 brought)")),
             phrase("{} \u00d7 {} \u00f7 ({} + {}{}) at {}", printQuantity(capacityOf(battery_), Unit::coulomb),
                    printQuantity(usable(point, peak), Unit::ratio),
                    printQuantity(*batteryCurrent(board_, average), Unit::ampere), printQuantity(fade_, Unit::ampere), brought,
                    printQuantity(celsius, Unit::celsius)),
             life == kLongestLife ? phrase("more than a thousand years") : printQuantity(life, Unit::second),
             {{"capacity", {}, Target::plan("board.battery.capacity"), {}}, {"average", {}, Target::rhythm("average"), {}}}});
    }

    const Board& board_;
    const Battery& battery_;
    const TemperatureGrid& grid_;
    const Drain& drain_;
    RhythmFigure& figure_;
    Diagnostics& findings_;
    Rational fade_;
};

} // namespace

LeastSupply leastSupply(const Part& part, const Board& board, const std::string& tier) {
    LeastSupply least;
    const auto raise = [&](const std::optional<Rational>& volt, const std::string& of) {
        if (volt && (!least.volt || *volt > *least.volt)) {
            least = {volt, of};
        }
    };
    raise(part.supplyMin, phrase("the part's least supply"));
    if (const auto index = part.findTier(tier)) {
        raise(part.tiers[*index].supplyMin, phrase("tier {}", tier));
    }
    for (const OptionWord& option : part.options) {
        const auto given =
            std::find_if(board.options.begin(), board.options.end(), [&](const auto& each) { return each.first == option.id; });
        const auto chosen = std::find_if(option.values.begin(), option.values.end(), [&](const OptionWord::Value& each) {
            return given != board.options.end() && each.id == given->second;
        });
        const OptionWord::Value& value = chosen == option.values.end() ? option.values[option.fresh] : *chosen;
        raise(value.resetsBelow, option.id + " " + value.id);
    }
    return least;
}

Rational usableAt(const Battery& battery, const Rational& celsius) {
    return battery.usable.empty() ? Rational(1) : between(battery.usable, celsius);
}

Rational capacityOf(const Battery& battery) {
    return battery.capacity * battery.inParallel;
}

std::optional<Rational> voltageOf(const Battery& battery) {
    return battery.voltage ? std::optional(*battery.voltage * battery.inSeries) : std::nullopt;
}

std::optional<Rational> resistanceOf(const Battery& battery) {
    return battery.resistance ? std::optional(*battery.resistance * Rational(battery.inSeries, battery.inParallel))
                              : std::nullopt;
}

std::optional<Rational> restVoltage(const Battery& battery, const Rational& left) {
    return battery.curve.empty() ? voltageOf(battery) : std::optional(between(battery.curve, left) * battery.inSeries);
}

Rational leftAtEnd(const Battery& battery, const Rational& end, const Rational& peak) {
    if (battery.curve.empty()) {
        return 0;
    }
    const Rational wanted = (end + peak * resistanceOf(battery).value_or(Rational(0))) / battery.inSeries; // of a cell at rest
    const auto& points = battery.curve;
    if (wanted <= points.front().second) {
        return 0;
    }
    for (std::size_t i = 1; i < points.size(); ++i) {
        if (wanted <= points[i].second) {
            const Rational share = (wanted - points[i - 1].second) / (points[i].second - points[i - 1].second);
            return points[i - 1].first + share * (points[i].first - points[i - 1].first);
        }
    }
    return 1;
}

std::optional<Rational> batteryCurrent(const Board& board, const Rational& ampere) {
    if (!board.regulator) {
        return ampere;
    }
    if (!board.regulator->efficiency) {
        return ampere + board.regulator->draws;
    }
    const auto voltage = board.battery ? voltageOf(*board.battery) : std::nullopt;
    if (!voltage || !board.supply) {
        return std::nullopt;
    }
    return ampere * board.supply->nominal / (*voltage * *board.regulator->efficiency) + board.regulator->draws;
}

void addLife(const Board& board, const TemperatureGrid& grid, const Drain& drain, RhythmFigure& figure, Diagnostics& findings) {
    Life(board, grid, drain, figure, findings).add();
}

std::optional<Rational> lifeFor(const Rational& average, const Part& part, const Board& board, const Figures& figures) {
    if (!board.battery || !figures.rhythm) {
        return std::nullopt;
    }
    RhythmFigure figure;
    Diagnostics ignored;
    const std::vector<Rational> amperes(figures.grid.celsius.size(), average);
    const RhythmFigure& played = *figures.rhythm;
    addLife(board, figures.grid,
            {amperes, amperes, played.peak.value_or(Bounds::exactly(0)), played.brings.value_or(Rational(0)),
             leastSupply(part, board, figures.tier)},
            figure, ignored);
    return figure.life ? std::optional(figure.life->nominal) : std::nullopt;
}

} // namespace wisetick
