#pragma once

#include "base/text.h"
#include "plan/promise_line.h"
#include "promise/promise_figure.h"

namespace wisetick {

/// State and room of one figure against what was asked.
struct Judgement {
    State state = State::broken;
    std::optional<Rational> margin;
    bool operator==(const Judgement&) const = default;
};

/// Kept if all of the error is within ± tolerance, strained if the nominal is and a worst case is not (or is
/// unknown). A tolerance of 0 or less admits only 0.
Judgement judgeWithin(const Bounds& error, const Rational& tolerance, bool isWorstKnown);

/// Kept if the nominal error is 0: the ratio to the source is exact; its own tolerance is not judged.
Judgement judgeExactly(const Bounds& error);

/// `within` if it is given, else exactly.
Judgement judgeTolerance(const Bounds& error, const Tolerance& tolerance, bool isWorstKnown);

/// Kept if max ≤ limit, strained if nominal ≤ limit < max.
Judgement judgeAtMost(const Bounds& got, const Rational& limit, bool isWorstKnown);

/// The mirror of judgeAtMost.
Judgement judgeAtLeast(const Bounds& got, const Rational& limit, bool isWorstKnown);

/// A way with its error against what was asked; not judged yet.
Way wayThatGives(std::vector<Setting> settings, const Bounds& got, const Rational& asked);

/// The way with its state and room.
Way judgedAs(Way way, const Judgement& judgement);

/// The worse state and the lesser room of two conditions that must both hold.
Judgement both(const Judgement& a, const Judgement& b);

/// Better first: state, then worst-case |error|, then nominal |error|. Negative if `a` is better, positive if
/// `b` is, 0 if the kind's own order decides.
int compareWays(const Way& a, const Way& b);

/// Puts a judged way into the figure: state, got, error, room, settings.
void takeWay(PromiseFigure& figure, const Way& way);

/// "within ±1.5 %" or "exactly".
Text toleranceText(const Tolerance& tolerance);

/// "nearest is 1 Mbit/s, +8.507 %": why a tolerance is broken or strained; empty where it is kept.
Text toleranceWhy(const PromiseFigure& figure, const std::string& tolerance, const Clock& clock);

/// The steps that state the error and its worst cases, for figures with both.
void addErrorSteps(PromiseFigure& figure, const Clock& clock);

/// Where the numbers of a step come from: the clock at one of its rates, what was asked, and what the peripheral offers.
Origin clockOrigin(const Clock& clock, const Rational& hertz);
Origin askedOrigin(const PromiseFigure& figure);
Origin partOrigin(const PromiseFigure& figure);

/// The step that says which clock it is, with a way to go there.
Step clockStep(const Clock& clock, const std::string& subject);

/// The step that repeats what was asked.
Step askedStep(const PromiseFigure& figure);

} // namespace wisetick
