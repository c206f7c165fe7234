#include "derive/trim_code.h"

#include "base/text.h"
#include "derive/controls.h"

#include <algorithm>

namespace wisetick {

std::optional<TrimFigure> trimFigure(const Source& source, const Board& board, const Rational& rated) {
    const Measured* measured = findMeasured(board, source.id);
    if (!source.trim || measured == nullptr || source.trim->step.isZero()) {
        return std::nullopt;
    }
    const Trim& trim = *source.trim;
    const Rational wished = ((rated / measured->rate - 1) / trim.step).rounded() + trim.reset;
    const Rational code = std::clamp(wished, Rational(trim.from), Rational(trim.to));
    TrimFigure figure;
    figure.source = source.id;
    figure.code = *code.toInt64();
    figure.rated = rated;
    figure.hertz = measured->rate * (1 + (code - trim.reset) * trim.step);
    figure.isInReach = code == wished;
    if (trim.field) {
        figure.field = FieldValue{source.id + ".trim", *trim.field, code.toString(), phrase("holds n"), figure.code};
    }
    return figure;
}

std::vector<TrimFigure> trimFigures(const Part& part, const Plan& plan, const std::string& take) {
    Diagnostics ignored;
    const Controls controls = resolveControls(part, *findTake(plan, take), ignored);
    std::vector<TrimFigure> list;
    for (std::size_t i = 0; i < part.sources.size(); ++i) {
        const Source& source = part.sources[i];
        if (source.rates.empty()) {
            continue;
        }
        if (const auto figure = trimFigure(source, plan.board, source.rates[controls.sourceRates[i]])) {
            list.push_back(*figure);
        }
    }
    return list;
}

} // namespace wisetick
