#include "promise/judge.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

std::optional<Rational> lesser(const std::optional<Rational>& a, const std::optional<Rational>& b) {
    if (!a || !b) {
        return a ? a : b;
    }
    return std::min(*a, *b);
}

int rankOfState(State state) {
    switch (state) {
    case State::pending:
    case State::elsewhere: return 0;
    case State::kept: return 1;
    case State::strained: return 2;
    case State::broken: return 3;
    }
    return 3;
}

int compare(const Rational& a, const Rational& b) {
    return a < b ? -1 : (b < a ? 1 : 0);
}

} // namespace

Text stateName(State state) {
    switch (state) {
    case State::kept: return phrase("kept");
    case State::strained: return phrase("strained");
    case State::broken: return phrase("broken");
    case State::pending: return phrase("pending");
    case State::elsewhere: return phrase("elsewhere");
    }
    return {};
}

State worseState(State a, State b) {
    return rankOfState(a) < rankOfState(b) ? b : a;
}

const Rational* pinnedValue(const std::vector<Setting>& pinned, const std::string& name) {
    const auto found = std::find_if(pinned.begin(), pinned.end(), [&](const Setting& setting) { return setting.name == name; });
    return found == pinned.end() ? nullptr : &found->value;
}

Rational settingOf(const Way& way, const std::string& name) {
    const auto found =
        std::find_if(way.settings.begin(), way.settings.end(), [&](const Setting& setting) { return setting.name == name; });
    return found == way.settings.end() ? Rational(0) : found->value;
}

Judgement judgeWithin(const Bounds& error, const Rational& tolerance, bool isWorstKnown) {
    Judgement result;
    const Rational worst = isWorstKnown ? largestMagnitude(error) : abs(error.nominal);
    if (tolerance.sign() > 0) {
        result.margin = 1 - worst / tolerance;
    }
    const Rational allowed = tolerance.sign() > 0 ? tolerance : Rational(0);
    if (abs(error.nominal) > allowed) {
        result.state = State::broken;
    } else {
        result.state = worst > allowed || !isWorstKnown ? State::strained : State::kept;
    }
    return result;
}

Judgement judgeExactly(const Bounds& error) {
    return {error.nominal.isZero() ? State::kept : State::broken, std::nullopt};
}

Judgement judgeTolerance(const Bounds& error, const Tolerance& tolerance, bool isWorstKnown) {
    return tolerance.within ? judgeWithin(error, *tolerance.within, isWorstKnown) : judgeExactly(error);
}

Judgement judgeAtMost(const Bounds& got, const Rational& limit, bool isWorstKnown) {
    const Rational& worst = isWorstKnown ? got.max : got.nominal;
    const Rational margin = 1 - worst / limit;
    if (got.nominal > limit) {
        return {State::broken, margin};
    }
    return {got.max > limit || !isWorstKnown ? State::strained : State::kept, margin};
}

Judgement judgeAtLeast(const Bounds& got, const Rational& limit, bool isWorstKnown) {
    const Rational& worst = isWorstKnown ? got.min : got.nominal;
    const Rational margin = worst / limit - 1;
    if (got.nominal < limit) {
        return {State::broken, margin};
    }
    return {got.min < limit || !isWorstKnown ? State::strained : State::kept, margin};
}

Way wayThatGives(std::vector<Setting> settings, const Bounds& got, const Rational& asked) {
    return {std::move(settings), got, relativeError(got, asked), State::broken, std::nullopt};
}

Way judgedAs(Way way, const Judgement& judgement) {
    way.state = judgement.state;
    way.margin = judgement.margin;
    return way;
}

Judgement both(const Judgement& a, const Judgement& b) {
    return {worseState(a.state, b.state), lesser(a.margin, b.margin)};
}

int compareWays(const Way& a, const Way& b) {
    if (a.state != b.state) {
        return rankOfState(a.state) - rankOfState(b.state);
    }
    const int byWorst = compare(largestMagnitude(a.error), largestMagnitude(b.error));
    return byWorst != 0 ? byWorst : compare(abs(a.error.nominal), abs(b.error.nominal));
}

void takeWay(PromiseFigure& figure, const Way& way) {
    figure.state = way.state;
    figure.got = way.got;
    figure.error = way.error;
    figure.margin = way.margin;
    figure.settings = way.settings;
}

Text toleranceText(const Tolerance& tolerance) {
    return tolerance.within ? phrase("within {}", printTolerance(*tolerance.within)) : "exactly";
}

Text toleranceWhy(const PromiseFigure& figure, const std::string& tolerance, const Clock& clock) {
    if (figure.state == State::kept || !figure.got || !figure.error) {
        return {};
    }
    if (figure.state == State::broken) {
        return phrase("the nearest is {}, {}, asked {}", printQuantity(figure.got->nominal, figure.unit),
                      printError(figure.error->nominal), tolerance);
    }
    if (!clock.unknown.empty()) {
        return clock.unknown;
    }
    const bool isLow = abs(figure.error->min) > abs(figure.error->max);
    return phrase("a worst case is {}, {}, asked {}", printQuantity(isLow ? figure.got->min : figure.got->max, figure.unit),
                  printError(isLow ? figure.error->min : figure.error->max), tolerance);
}

Origin clockOrigin(const Clock& clock, const Rational& hertz) {
    return {clock.id, printQuantity(hertz, Unit::hertz), Target::line(clock.id), {}};
}

Origin askedOrigin(const PromiseFigure& figure) {
    return {phrase("asked"), figure.asked ? printQuantity(*figure.asked, figure.unit) : "", Target::promise(figure.name), {}};
}

Origin partOrigin(const PromiseFigure& figure) {
    const std::string id = peripheralOf(figure.subject.name); // of a channel its timer
    return {id, {}, Target::part("peripheral." + id), {}};
}

Step clockStep(const Clock& clock, const std::string& subject) {
    Step step{phrase("clock"), phrase("{} feeds {}", clock.id, subject), {}, {}, {}};
    const Text spread = clock.unknown.empty() ? Text(printRange(clock.hertz.min, clock.hertz.max, Unit::hertz)) : clock.unknown;
    step.result = printQuantity(clock.hertz.nominal, Unit::hertz) + " (" + spread + ")";
    step.origins.push_back(clockOrigin(clock, clock.hertz.nominal));
    return step;
}

Step askedStep(const PromiseFigure& figure) {
    const std::string value = figure.asked ? printQuantity(*figure.asked, figure.unit) : "";
    return {phrase("asked"), figure.text, value, value, {askedOrigin(figure)}};
}

void addErrorSteps(PromiseFigure& figure, const Clock& clock) {
    if (!figure.got || !figure.error || !figure.asked) {
        return;
    }
    const std::string asked = printQuantity(*figure.asked, figure.unit);
    figure.workings.push_back({phrase("error"),
                               phrase("got \u00f7 asked \u2212 1"),
                               printQuantity(figure.got->nominal, figure.unit) + " \u00f7 " + asked + " \u2212 1",
                               printError(figure.error->nominal),
                               {askedOrigin(figure), clockOrigin(clock, clock.hertz.nominal)}});
    Step worst{phrase("worst cases"),
               phrase("with the bounds of {}", clock.id),
               {},
               {},
               {{clock.id, {}, Target::line(clock.id), {}}},
               false};
    if (figure.isWorstKnown) {
        worst.numbers = printRange(figure.got->min, figure.got->max, figure.unit);
        worst.result = printError(figure.error->min) + " \u2026 " + printError(figure.error->max);
    } else {
        worst.result = clock.unknown;
    }
    figure.workings.push_back(std::move(worst));
}

Clock overTime(const Clock& clock, const Rational& seconds) {
    if (!clock.overLong || seconds.sign() <= 0) {
        return clock;
    }
    const Rational share = clock.strayTime / seconds;
    Clock shorter = clock;
    shorter.hertz.min = std::max(clock.hertz.min, clock.overLong->min * (1 - std::min(share, Rational(1))));
    shorter.hertz.max = std::min(clock.hertz.max, clock.overLong->max * (1 + share));
    return shorter;
}

} // namespace wisetick
