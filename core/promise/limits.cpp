#include "promise/limits.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

namespace wisetick {

namespace {

enum class Side { most, least };

PromiseFigure judgeLimit(PromiseFigure figure, Unit unit, const Rational& limit, Side side, const PlayedFigure& played) {
    figure.unit = unit;
    figure.asked = limit;
    figure.isWorstKnown = played.unknown.empty();
    if (!played.value) {
        figure.state = State::broken;
        figure.isWorstKnown = false;
        figure.why = played.unknown;
        return figure;
    }
    const Bounds& got = *played.value;
    figure.got = got;
    figure.error = relativeError(got, limit);
    const Judgement judgement =
        side == Side::most ? judgeAtMost(got, limit, figure.isWorstKnown) : judgeAtLeast(got, limit, figure.isWorstKnown);
    figure.state = judgement.state;
    figure.margin = judgement.margin;
    if (figure.state == State::broken) {
        figure.why = phrase("{}, asked at {}{}", printQuantity(got.nominal, unit),
                            side == Side::most ? phrase("most ") : phrase("least "), printQuantity(limit, unit));
    } else if (figure.state == State::strained) {
        figure.why =
            figure.isWorstKnown
                ? phrase("{} in the worst case, asked at {}{}", printQuantity(side == Side::most ? got.max : got.min, unit),
                         side == Side::most ? phrase("most ") : phrase("least "), printQuantity(limit, unit))
                : played.unknown;
    }
    figure.workings = played.workings;
    figure.workings.insert(figure.workings.begin(), askedStep(figure));
    return figure;
}

} // namespace

PromiseFigure judgeWakeUp(PromiseFigure figure, const WakesAsk& ask, const PlayedFigure& wakeUp) {
    return judgeLimit(std::move(figure), Unit::second, ask.limit, Side::most, wakeUp);
}

PromiseFigure judgeAverage(PromiseFigure figure, const AverageAsk& ask, const PlayedFigure& average) {
    return judgeLimit(std::move(figure), Unit::ampere, ask.limit, Side::most, average);
}

PromiseFigure judgeLife(PromiseFigure figure, const LastsAsk& ask, const PlayedFigure& life) {
    return judgeLimit(std::move(figure), Unit::second, ask.least, Side::least, life);
}

} // namespace wisetick
