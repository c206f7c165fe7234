#include "derive/line_rates.h"

#include "derive/crystal.h"
#include "derive/field_values.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

bool covers(const ToleranceStep& step, const Rational& from, const Rational& to) {
    return (!step.fromCelsius || *step.fromCelsius <= from) && (!step.toCelsius || *step.toCelsius >= to);
}

std::string signedShare(const Rational& share) {
    return (share.sign() < 0 ? "\u2212" : "+") + printQuantity(abs(share), Unit::ratio);
}

Bounds deviating(const Rational& rate, const Deviation& deviation) {
    return {rate * (1 + deviation.low), rate, rate * (1 + deviation.high)};
}

/// What is known of one source on this board.
class SourceRate {
public:
    SourceRate(const Source& source, std::size_t rate, const Board& board, LineFigure& figure)
        : source_(source), rate_(rate), board_(board), figure_(figure) {}

    void work() {
        if (const Measured* measured = findMeasured(board_, source_.id)) {
            set(measured->rate,
                measured->tolerance ? std::optional(Deviation{-*measured->tolerance, *measured->tolerance}) : std::nullopt,
                "measured on this board", "plan/board.measured." + source_.id);
        } else if (source_.kind == SourceKind::rc) {
            setInternal();
        } else {
            setFitted();
        }
    }

private:
    void setInternal() {
        if (source_.rates.empty()) {
            figure_.why = "the part gives no rate for " + source_.id;
            return;
        }
        const Bounds celsius = board_.temperature.value_or(Bounds::exactly(25));
        const Rational& rate = source_.rates[rate_];
        if (source_.rates.size() > 1) {
            figure_.control = "at " + printQuantity(rate, Unit::hertz);
        }
        set(rate, deviationOver(source_.tolerance, celsius.min, celsius.max),
            source_.rates.size() > 1 ? "one of " + std::to_string(source_.rates.size()) + " that it can be set to" : "internal",
            "part/source." + source_.id);
    }

    void setFitted() {
        const Fitted* fitted = findFitted(board_, source_.id);
        if (fitted == nullptr) {
            figure_.why = "nothing is fitted for " + source_.id + ": the plan has no [board.fitted." + source_.id + "]";
            return;
        }
        const std::string path = "plan/board.fitted." + source_.id;
        std::optional<Deviation> deviation;
        if (fitted->tolerance) {
            const Rational total = fitted->tolerance->total() + abs(loadShift(*fitted).value_or(Rational(0)));
            const Rational bend = parabolaOver(*fitted, board_);
            deviation = Deviation{-total + std::min(bend, Rational(0)), total + std::max(bend, Rational(0))};
        }
        set(fitted->rate, deviation, "fitted", path + ".rate");
        addCrystalSteps(*fitted, path);
        if (fitted->tolerance && fitted->isBudget) {
            const ToleranceBudget& budget = *fitted->tolerance;
            const auto share = [](const Rational& value) { return printQuantity(value, Unit::ratio); };
            figure_.workings.push_back(
                {"tolerance",
                 "initial + temperature + ageing \u00d7 years",
                 share(budget.initial) + " + " + share(budget.temperature) + " + " + share(budget.ageing * budget.age),
                 "\u00b1" + share(budget.total()),
                 {{"tolerance", {}, path + ".tolerance", {}}}});
        }
    }

    /// What the load and the temperature add to the tolerance.
    void addCrystalSteps(const Fitted& fitted, const std::string& path) {
        const auto share = [](const Rational& value) { return printError(value); };
        if (const auto shift = loadShift(fitted); shift && !shift->isZero()) {
            figure_.workings.push_back(
                {"load",
                 "C1 \u00f7 2 \u00d7 (1 \u00f7 (C0 + C) \u2212 1 \u00f7 (C0 + C_L))",
                 printQuantity(*actualLoad(fitted), Unit::farad) + " instead of " + printQuantity(*fitted.load, Unit::farad),
                 share(*shift),
                 {{"load", {}, path + ".capacitors", {}}}});
        }
        if (const Rational bend = parabolaOver(fitted, board_); !bend.isZero()) {
            figure_.workings.push_back(
                {"temperature",
                 "coefficient \u00d7 (T \u2212 turnover)\u00b2, at the farthest temperature",
                 share(fitted.parabola->coefficient) + " from " + printQuantity(fitted.parabola->turnover, Unit::celsius),
                 share(bend),
                 {{"parabola", {}, path + ".parabola", {}}}});
        }
    }

    void set(const Rational& rate, const std::optional<Deviation>& deviation, const std::string& how, const std::string& target) {
        Step step{"rate",
                  how,
                  printQuantity(rate, Unit::hertz),
                  {},
                  {{source_.id, printQuantity(rate, Unit::hertz), target, source_.ref}}};
        if (deviation) {
            figure_.hertz = deviating(rate, *deviation);
            step.result = signedShare(deviation->low) + " \u2026 " + signedShare(deviation->high) + ": " +
                          printRange(figure_.hertz->min, figure_.hertz->max, Unit::hertz);
        } else {
            figure_.hertz = Bounds::exactly(rate);
            figure_.unknown = "unknown: tolerance of " + source_.id;
            step.result = figure_.unknown;
        }
        figure_.workings.insert(figure_.workings.begin(), std::move(step));
    }

    const Source& source_;
    std::size_t rate_; ///< index into its rates
    const Board& board_;
    LineFigure& figure_;
};

/// "from pll ÷ 3": mux only where there is a choice.
std::string controlText(const Part& part, const Line& line, const LineControls& controls, NodeIndex parent) {
    std::string text = line.from.size() > 1 ? "from " + part.nodeId(parent) : "";
    const auto add = [&](const std::string& sign, const Rational& factor) {
        text += (text.empty() ? "" : " ") + sign + " " + printFactor(factor);
    };
    if (!line.multiply.empty()) {
        add("\u00d7", controls.multiply);
    }
    if (!line.divide.empty()) {
        add("\u00f7", controls.divide);
    }
    const Rational rest = controls.factor / (controls.multiply / controls.divide);
    if (rest != 1) {
        add("\u00d7", rest);
    }
    return text.empty() ? "from " + part.nodeId(parent) : text;
}

void workLine(const Part& part, const Line& line, const LineControls& controls, const LineFigure& parent, LineFigure& figure) {
    figure.factor = controls.factor;
    figure.multiply = controls.multiply;
    figure.divide = controls.divide;
    figure.control = controlText(part, line, controls, *figure.parent);
    if (!controls.fault.empty()) {
        figure.why = controls.fault;
        return;
    }
    if (!parent.hertz) {
        figure.why = parent.why;
        return;
    }
    figure.unknown = parent.unknown;
    Bounds steady;
    try {
        steady = *parent.hertz * controls.factor;
        figure.hertz = Bounds{steady.min * (1 - line.ripple), steady.nominal, steady.max * (1 + line.ripple)};
    } catch (const RationalOverflow&) {
        figure.why = "the rate of " + line.id + " needs more than 256 bits";
        return;
    }
    std::string numbers = printQuantity(parent.hertz->nominal, Unit::hertz);
    if (controls.multiply != 1) {
        numbers += " \u00d7 " + printFactor(controls.multiply);
    }
    if (controls.divide != 1) {
        numbers += " \u00f7 " + printFactor(controls.divide);
    }
    const Rational rest = controls.factor / (controls.multiply / controls.divide);
    if (rest != 1) {
        numbers += " \u00d7 " + printFactor(rest);
    }
    Step step{
        "rate", parent.id + " \u00d7 multiply \u00f7 divide", numbers, printQuantity(figure.hertz->nominal, Unit::hertz), {}};
    step.origins = {{parent.id, printQuantity(parent.hertz->nominal, Unit::hertz), "line/" + parent.id, {}},
                    {line.id, figure.control, "line/" + line.id, line.ref}};
    figure.workings.push_back(std::move(step));
    if (figure.unknown.empty()) {
        figure.workings.push_back(
            {"bounds",
             "the source's, in proportion",
             {},
             printRange(steady.min, steady.max, Unit::hertz),
             {{parent.id, printRange(parent.hertz->min, parent.hertz->max, Unit::hertz), "line/" + parent.id, {}}}});
    }
    if (!line.ripple.isZero()) {
        figure.workings.push_back(
            {"ripple",
             "its own, beyond the source's bounds",
             "\u00b1" + printQuantity(line.ripple, Unit::ratio),
             printRange(figure.hertz->min, figure.hertz->max, Unit::hertz),
             {{line.id, printQuantity(line.ripple, Unit::ratio), "part/line." + line.id + ".ripple", line.ref}}});
    }
}

} // namespace

std::optional<Deviation> deviationOver(const std::vector<ToleranceStep>& steps, const Rational& fromCelsius,
                                       const Rational& toCelsius) {
    std::vector<Rational> cuts{fromCelsius, toCelsius};
    for (const ToleranceStep& step : steps) {
        for (const auto& cut : {step.fromCelsius, step.toCelsius}) {
            if (cut && *cut > fromCelsius && *cut < toCelsius) {
                cuts.push_back(*cut);
            }
        }
    }
    std::sort(cuts.begin(), cuts.end());
    std::optional<Deviation> widest;
    for (std::size_t i = 0; i + 1 < cuts.size(); ++i) {
        const ToleranceStep* tightest = nullptr;
        for (const ToleranceStep& step : steps) {
            if (covers(step, cuts[i], cuts[i + 1]) &&
                (tightest == nullptr || step.high - step.low < tightest->high - tightest->low)) {
                tightest = &step;
            }
        }
        if (tightest == nullptr) {
            return std::nullopt;
        }
        widest = widest ? Deviation{std::min(widest->low, tightest->low), std::max(widest->high, tightest->high)}
                        : Deviation{tightest->low, tightest->high};
    }
    return widest;
}

std::vector<LineFigure> lineRates(const Part& part, const Board& board, const Controls& controls) {
    std::vector<LineFigure> figures(part.nodeCount());
    for (std::size_t i = 0; i < part.sources.size(); ++i) {
        LineFigure& figure = figures[i];
        figure.id = part.sources[i].id;
        figure.name = part.sources[i].name;
        figure.isSource = true;
        SourceRate(part.sources[i], controls.sourceRates[i], board, figure).work();
        if (const auto field = rateField(part, controls, i)) {
            figure.fields.push_back(*field);
        }
    }
    for (const std::size_t index : part.order) {
        const Line& line = part.lines[index];
        LineFigure& figure = figures[part.nodeOfLine(index)];
        figure.id = line.id;
        figure.name = line.name;
        figure.parent = parentOf(part, controls, index);
        if (controls.lines[index].fault.empty()) {
            figure.fields = lineFields(part, controls, index);
        }
        workLine(part, line, controls.lines[index], figures[*figure.parent], figure);
    }
    return figures;
}

} // namespace wisetick
