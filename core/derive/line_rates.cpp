#include "derive/line_rates.h"

#include "base/text.h"
#include "derive/trim_code.h"

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
    SourceRate(const Part& part, const Source& source, std::size_t rate, const Board& board, const Demand* demand,
               LineFigure& figure)
        : part_(part), source_(source), rate_(rate), board_(board), demand_(demand), figure_(figure) {}

    void work() {
        if (const Measured* measured = findMeasured(board_, source_.id)) {
            set(measured->rate,
                measured->tolerance ? std::optional(Deviation{-*measured->tolerance, *measured->tolerance}) : std::nullopt);
        } else if (source_.kind == SourceKind::none) {
            figure_.why = phrase("it is put on no clock");
        } else if (source_.kind == SourceKind::rc) {
            setInternal();
        } else {
            setFitted();
        }
    }

private:
    void setInternal() {
        if (source_.rates.empty()) {
            figure_.why = phrase("the part gives no rate for {}", source_.id);
            return;
        }
        const Bounds celsius = board_.temperature.value_or(Bounds::exactly(25));
        const Rational& rate = source_.rates[rate_];
        if (source_.rates.size() > 1) {
            figure_.control = phrase("at {}", printQuantity(rate, Unit::hertz));
        }
        std::vector<ToleranceStep> steps;
        std::copy_if(source_.tolerance.begin(), source_.tolerance.end(), std::back_inserter(steps),
                     [&](const ToleranceStep& step) { return step.with.empty() || isOn(step.with); });
        set(rate, deviationOver(steps, celsius.min, celsius.max));
    }

    /// Whether what a tolerance leans on is on.
    bool isOn(const std::string& id) const {
        if (demand_ == nullptr) {
            return false;
        }
        const auto peripheral = part_.findPeripheral(id);
        const auto node = part_.findNode(id);
        return peripheral ? demand_->peripherals[*peripheral] : (node && demand_->nodes[*node]);
    }

    void setFitted() {
        const Fitted* fitted = findFitted(board_, source_.id);
        if (fitted == nullptr) {
            figure_.why = phrase("nothing is fitted for {}: the plan has no [board.fitted.{}]", source_.id, source_.id);
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
        figure_.unknown = deviation ? "" : phrase("unknown: tolerance of {}", source_.id);
    }

    const Part& part_;
    const Source& source_;
    std::size_t rate_; ///< index into its rates
    const Board& board_;
    const Demand* demand_;
    LineFigure& figure_;
};

/// "from pll ÷ 3": mux only where there is a choice.
Text controlText(const Part& part, const Line& line, const LineControls& controls, NodeIndex parent) {
    Text text = line.from.size() > 1 ? phrase("from {}", part.nodeId(parent)) : "";
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
    return text.empty() ? phrase("from {}", part.nodeId(parent)) : text;
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
        figure.hertz = line.ripple.isZero()
                           ? steady
                           : Bounds{steady.min * (1 - line.ripple), steady.nominal, steady.max * (1 + line.ripple)};
        workLong(line, controls, parent, figure);
    } catch (const RationalOverflow&) {
        figure.why = phrase("the rate of {} needs more than 256 bits", line.id);
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

namespace {

/// What is left of an RC's deviation where it is trimmed now and then: the rest of a step, how far the better clock is off
/// itself, and how far it moves with the temperature until the next time; where that is not told, all that it can be apart.
void trim(const Part& part, const Board& board, const Controls& controls, std::vector<LineFigure>& figures) {
    for (const Trimmed& trimmed : board.trimmed) {
        const auto node = part.findNode(trimmed.source);
        const auto by = part.findNode(trimmed.by);
        if (!node || !by || !part.isSource(*node) || !part.sources[*node].trim || !figures[*node].hertz || !figures[*by].hertz) {
            continue;
        }
        const Trim& steps = *part.sources[*node].trim;
        LineFigure& figure = figures[*node];
        const Bounds better = *figures[*by].hertz;
        const Source& source = part.sources[*node];
        // one that was measured is brought from there to the rate that it shall have, as near as its codes reach
        const auto own =
            source.rates.empty() ? std::nullopt : trimFigure(source, board, source.rates[controls.sourceRates[*node]]);
        const Rational nominal = own ? (own->isInReach ? own->rated : own->hertz) : figure.hertz->nominal;
        const Rational apart = (figure.hertz->max - figure.hertz->min) / figure.hertz->nominal;
        const Rational moves =
            steps.perCelsius && trimmed.drift ? std::min(*steps.perCelsius * *trimmed.drift * trimmed.every, apart) : apart;
        const Rational off = steps.left + moves;
        figure.hertz = Bounds{nominal * (better.min / better.nominal) * (1 - std::min(off, Rational(1, 2))), nominal,
                              nominal * (better.max / better.nominal) * (1 + off)};
        figure.unknown = !figures[*by].unknown.empty() ? figures[*by].unknown : figure.unknown;
        figure.control += phrase("{}trimmed by {}", figure.control.empty() ? "" : ", ", trimmed.by);
    }
}

/// The fields that a source is set up by, beside the one that starts it.
std::vector<FieldValue> setUpFields(const Part& part, const Board& board, const Controls& controls, std::size_t index,
                                    const Demand* demand) {
    const Source& source = part.sources[index];
    std::vector<FieldValue> fields;
    if (source.driveField && source.drives.size() > 1) {
        const Drive& drive = source.drives[controls.sourceDrives[index]];
        fields.push_back({source.id + ".drive", *source.driveField, drive.id, phrase("holds a code"), drive.code});
    }
    const Fitted* fitted = findFitted(board, source.id);
    if (source.fedIn && source.fedIn->field && fitted != nullptr) {
        fields.push_back({source.id + ".fed_in", *source.fedIn->field, fitted->isFedIn ? phrase("fed in") : "crystal",
                          phrase("holds 1 for fed in"), fitted->isFedIn ? 1 : 0});
    }
    for (const ToleranceStep& step : source.tolerance) {
        const auto peripheral = part.findPeripheral(step.with);
        if (step.field && demand != nullptr && peripheral && demand->nodes[index]) {
            const bool isOn = demand->peripherals[*peripheral];
            fields.push_back(
                {source.id + ".with_" + step.with, *step.field, isOn ? "on" : "off", phrase("holds 1 for on"), isOn ? 1 : 0});
        }
    }
    return fields;
}

} // namespace

std::vector<LineFigure> lineRates(const Part& part, const Board& board, const Controls& controls, const Demand* demand,
                                  Detail detail) {
    std::vector<LineFigure> figures(part.nodeCount());
    const bool hasFields = detail != Detail::verdict;
    for (std::size_t i = 0; i < part.sources.size(); ++i) {
        LineFigure& figure = figures[i];
        figure.id = part.sources[i].id;
        figure.name = part.sources[i].name;
        figure.isSource = true;
        figure.isNone = part.isNone(i);
        SourceRate(part, part.sources[i], controls.sourceRates[i], board, demand, figure).work();
        if (hasFields) {
            figure.fields = setUpFields(part, board, controls, i, demand);
            if (const auto field = rateField(part, controls, i)) {
                figure.fields.push_back(*field);
            }
        }
    }
    trim(part, board, controls, figures);
    for (const std::size_t index : part.order) {
        const Line& line = part.lines[index];
        LineFigure& figure = figures[part.nodeOfLine(index)];
        figure.id = line.id;
        figure.name = line.name;
        figure.parent = parentOf(part, controls, index);
        if (hasFields && controls.lines[index].fault.empty()) {
            figure.fields = lineFields(part, controls, index);
        }
        workLine(part, line, controls.lines[index], figures[*figure.parent], figure);
    }
    return figures;
}

} // namespace wisetick
