#include "promise/line_rate.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

namespace wisetick {

namespace {

Text boundWhy(const PromiseFigure& figure, const RunsAsk& ask, const Clock& line) {
    if (figure.state == State::kept) {
        return {};
    }
    if (figure.state == State::strained && !line.unknown.empty()) {
        return line.unknown;
    }
    const bool isLeast = ask.bound == RunsAsk::Bound::atLeast;
    const Rational& worst = isLeast ? line.hertz.min : line.hertz.max;
    const bool isBroken = figure.state == State::broken;
    return phrase("runs at {}{}, asked at {}{}", printQuantity(isBroken ? line.hertz.nominal : worst, Unit::hertz),
                  isBroken ? "" : phrase(" in the worst case"), isLeast ? phrase("least ") : phrase("most "),
                  printQuantity(ask.hertz, Unit::hertz));
}

} // namespace

PromiseFigure judgeLineRate(PromiseFigure figure, const RunsAsk& ask, const Clock& line, Detail detail) {
    figure.unit = Unit::hertz;
    figure.asked = ask.hertz;
    figure.got = line.hertz;
    figure.error = relativeError(line.hertz, ask.hertz);
    figure.isWorstKnown = line.unknown.empty();
    Judgement judgement;
    switch (ask.bound) {
    case RunsAsk::Bound::at: judgement = judgeTolerance(*figure.error, ask.tolerance, figure.isWorstKnown); break;
    case RunsAsk::Bound::atLeast: judgement = judgeAtLeast(line.hertz, ask.hertz, figure.isWorstKnown); break;
    case RunsAsk::Bound::atMost: judgement = judgeAtMost(line.hertz, ask.hertz, figure.isWorstKnown); break;
    }
    figure.state = judgement.state;
    figure.margin = judgement.margin;
    figure.why =
        ask.bound == RunsAsk::Bound::at ? toleranceWhy(figure, toleranceText(ask.tolerance), line) : boundWhy(figure, ask, line);
    if (detail == Detail::workings) {
        figure.workings = {clockStep(line, phrase("this promise")), askedStep(figure)};
        addErrorSteps(figure, line);
    }
    return figure;
}

RateWindows lineRates(const RunsAsk& ask) {
    switch (ask.bound) {
    case RunsAsk::Bound::at: return {{combOfRates(FactorSet::one(1), ask.hertz, ask.tolerance)}, true};
    case RunsAsk::Bound::atLeast: return {{{ask.hertz, std::nullopt}}, true};
    case RunsAsk::Bound::atMost: return {{{0, ask.hertz}}, true};
    }
    return RateWindows::all();
}

} // namespace wisetick
