#include "evaluate/ripple.h"

#include "base/text.h"
#include "derive/said.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <tuple>

namespace wisetick {

namespace {

Text promiseText(const PromiseFigure& promise) {
    const Text result = resultSaid(promise);
    return result.empty() ? stateName(promise.state) : result;
}

int badness(State state) {
    return state == State::broken ? 2 : (state == State::strained ? 1 : 0);
}

/// Where the nominal figure stays the range is told; what moves below the digits that are shown does not count.
void addBounds(std::vector<Moved>& moved, const std::string& name, Unit unit, const std::optional<Bounds>& before,
               const std::optional<Bounds>& after) {
    const auto add = [&](const Text& was, const Text& is) {
        const bool isToldAlready = std::any_of(moved.begin(), moved.end(), [&](const Moved& each) { // by a promise on it
            return each.target.is(Target::Room::promise) && each.was == was && each.is == is;
        });
        if (!isToldAlready) {
            moved.push_back({name, Target::rhythm(name), State::kept, State::kept, was, is});
        }
    };
    const auto nominal = [&](const std::optional<Bounds>& bounds) {
        return bounds ? printQuantity(bounds->nominal, unit) : std::string();
    };
    const auto range = [&](const std::optional<Bounds>& bounds) {
        return bounds ? printRange(bounds->min, bounds->max, unit) : std::string();
    };
    if (nominal(before) != nominal(after)) {
        add(nominal(before), nominal(after));
    } else if (range(before) != range(after)) {
        add(range(before), range(after));
    }
}

} // namespace

std::vector<Moved> ripple(const Figures& before, const Figures& after) {
    std::vector<Moved> moved;
    for (const LineFigure& line : after.lines) {
        const LineFigure* old = before.findLine(line.id);
        const Text was = old == nullptr ? "" : rateSaid(*old);
        const State state = old == nullptr ? State::kept : old->state;
        if (was != rateSaid(line) || state != line.state) {
            moved.push_back({line.id, Target::line(line.id), state, line.state, was, rateSaid(line)});
        }
    }
    for (const PromiseFigure& promise : after.promises) {
        const PromiseFigure* old = before.findPromise(promise.name);
        if (promise.state == State::pending || (old != nullptr && old->state == State::pending)) {
            continue;
        }
        const std::string was = old == nullptr ? "" : promiseText(*old);
        const State state = old == nullptr ? promise.state : old->state;
        if (old == nullptr || was != promiseText(promise) || state != promise.state) {
            moved.push_back({promise.name, Target::promise(promise.name), state, promise.state, was, promiseText(promise)});
        } else if (cornersSaid(*old) != cornersSaid(promise)) { // only its worst cases
            moved.push_back({promise.name, Target::promise(promise.name), state, state, cornersSaid(*old), cornersSaid(promise)});
        }
    }
    for (const PromiseFigure& promise : before.promises) {
        if (after.findPromise(promise.name) == nullptr) {
            moved.push_back({promise.name, Target::promise(promise.name), promise.state, State::kept, promiseText(promise), ""});
        }
    }
    if (before.rhythm && after.rhythm) {
        addBounds(moved, "average", Unit::ampere, before.rhythm->average, after.rhythm->average);
        addBounds(moved, "life", Unit::second, before.rhythm->life, after.rhythm->life);
    }
    // what became worse, what is not well, what became well, what only moved
    const auto rank = [](const Moved& each) {
        const int worse = badness(each.after) - badness(each.before);
        return std::tuple(-std::max(worse, 0), -badness(each.after), std::min(worse, 0));
    };
    std::stable_sort(moved.begin(), moved.end(), [&](const Moved& a, const Moved& b) { return rank(a) < rank(b); });
    return moved;
}

} // namespace wisetick
