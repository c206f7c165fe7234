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
                measured->tolerance ? std::optional(Deviation{-*measured->tolerance, *measured->tolerance}) : std::nullopt);
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
        set(rate, deviationOver(source_.tolerance, celsius.min, celsius.max));
    }

    void setFitted() {
        const Fitted* fitted = findFitted(board_, source_.id);
        if (fitted == nullptr) {
            figure_.why = "nothing is fitted for " + source_.id + ": the plan has no [board.fitted." + source_.id + "]";
            return;
        }
        std::optional<Deviation> deviation;
        if (fitted->tolerance) {
            const Rational total = fitted->tolerance->total();
            const Rational bend = parabolaOver(*fitted, board_);
            deviation = Deviation{-total + std::min(bend, Rational(0)), total + std::max(bend, Rational(0))};
        }
        // a load that is known moves the rate itself; only what is unknown of it widens the bounds
        set(fitted->rate * (1 + loadShift(*fitted).value_or(Rational(0))), deviation);
    }

    void set(const Rational& rate, const std::optional<Deviation>& deviation) {
        figure_.hertz = deviation ? deviating(rate, *deviation) : Bounds::exactly(rate);
        figure_.unknown = deviation ? "" : "unknown: tolerance of " + source_.id;
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

/// What is left of the bounds over long times, where ripple is told to come back.
void workLong(const Line& line, const LineControls& controls, const LineFigure& parent, LineFigure& figure) {
    const bool comesBack = !line.ripple.isZero() && line.rippleOver;
    if (!comesBack && !parent.overLong) {
        return;
    }
    Bounds steady = parent.overLong.value_or(*parent.hertz) * controls.factor;
    figure.strayTime = parent.strayTime;
    if (comesBack) {
        figure.strayTime += line.ripple * *line.rippleOver;
    } else {
        steady = {steady.min * (1 - line.ripple), steady.nominal, steady.max * (1 + line.ripple)};
    }
    figure.overLong = steady;
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
    try {
        const Bounds steady = *parent.hertz * controls.factor;
        figure.hertz = Bounds{steady.min * (1 - line.ripple), steady.nominal, steady.max * (1 + line.ripple)};
        workLong(line, controls, parent, figure);
    } catch (const RationalOverflow&) {
        figure.why = "the rate of " + line.id + " needs more than 256 bits";
        return;
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
