#pragma once

#include "promise/promise_figure.h"
#include "support.h"

#include <functional>

// A second judge: boards are drawn inside their tolerances and run tick by tick, written from what a counter, a receiver or a bus
// does, and not from the formulas of the judges. A promise that is called kept must hold on all of them.

namespace wisetick::test {

/// How many boards of each kind are run; WISETICK_WORLDS=10 runs ten times as many.
inline int worldCount(int usual) {
    const int times = qEnvironmentVariableIntValue("WISETICK_WORLDS");
    return usual * std::max(times, 1);
}

/// The rate of one board: a corner, the nominal, or anything between.
inline Rational drawnRate(Random& random, const Bounds& hertz) {
    switch (random.whole(0, 9)) {
    case 0: return hertz.min;
    case 1: return hertz.max;
    case 2: return hertz.nominal;
    default: break;
    }
    return hertz.min + (hertz.max - hertz.min) * Rational(random.whole(0, 100000), 100000);
}

/// A clock with a tolerance of so many millionths to both sides, sometimes more to one than to the other.
inline Clock drawnClock(Random& random, const Rational& hertz, std::int64_t mostMillionths) {
    const Rational low(random.whole(0, mostMillionths), 1000000);
    const Rational high = random.coin() ? low : Rational(random.whole(0, mostMillionths), 1000000);
    return {"clock", {hertz * (1 - low), hertz, hertz * (1 + high)}, {}};
}

/// Counts of boards and verdicts, and what is to be said of them at the end.
class Verdicts {
public:
    /// Runs so many boards of a promise that was judged; `holds` tells whether it holds on a board. A kept one must hold on all,
    /// of a strained one a corner must break it, and the nominal board must not, unless a phase that nobody knows can (then
    /// `holdsNominally` is false). Gives what is wrong, or nothing.
    std::string look(const PromiseFigure& figure, const std::string& asked, const Bounds& hertz, Random& random, int boards,
                     const std::function<bool(const Rational& hertz)>& holds, bool holdsNominally = true) {
        ++seen_[static_cast<int>(figure.state)];
        bool isBroken = false;
        for (int board = 0; board < boards && figure.state != State::broken; ++board) {
            const Rational rate = board == 0 ? hertz.min : (board == 1 ? hertz.max : drawnRate(random, hertz));
            const bool isHeld = holds(rate);
            isBroken = isBroken || !isHeld;
            if (!isHeld && figure.state == State::kept) {
                return asked + " is kept, and a board at " + rate.toString() + " Hz breaks it: " + settingsOf(figure);
            }
            if (!isHeld && holdsNominally && rate == hertz.nominal) {
                return asked + " is strained, and the nominal board breaks it: " + settingsOf(figure);
            }
        }
        if (figure.state == State::strained && !isBroken && figure.why.find("unknown") == std::string::npos) {
            return asked + " is strained (" + figure.why + "), and no board breaks it: " + settingsOf(figure);
        }
        return {};
    }

    int kept() const { return seen_[0]; }
    int strained() const { return seen_[1]; }

private:
    static std::string settingsOf(const PromiseFigure& figure) {
        std::string text;
        for (const Setting& setting : figure.settings) {
            text += setting.name + " " + setting.value.toString() + " ";
        }
        return text;
    }

    int seen_[4] = {0, 0, 0, 0};
};

inline std::int64_t held(const PromiseFigure& figure, const std::string& name) {
    const Rational* value = pinnedValue(figure.settings, name);
    return value == nullptr ? 0 : value->toInt64().value_or(0);
}

} // namespace wisetick::test
