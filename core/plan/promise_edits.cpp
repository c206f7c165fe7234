#include "plan/promise_edits.h"

#include "base/text.h"

#include <algorithm>
#include <map>

namespace wisetick {

namespace {

constexpr std::size_t kGone = static_cast<std::size_t>(-1);

Text nameTaken(const std::string& name) {
    return phrase("there is a promise '{}' already", name);
}

Text noPlace(std::size_t place) {
    return phrase("there is no promise {}", std::to_string(place + 1));
}

/// The place of the promise of that given name, save one; kGone where there is none.
std::size_t placeOf(const Plan& plan, const std::string& name, std::size_t save = kGone) {
    for (std::size_t i = 0; i < plan.promises.size(); ++i) {
        if (i != save && !name.empty() && plan.promises[i].line.name == name) {
            return i;
        }
    }
    return kGone;
}

/// Runs a change of the promises and lets what is pinned follow. `now` tells where each of the old ones stands after it.
template <class Change, class Now>
void changePromises(Plan& plan, Change change, Now now) {
    const std::vector<std::string> before = promiseNames(plan);
    change(plan.promises);
    const std::vector<std::string> after = promiseNames(plan);
    std::map<std::string, std::string> names;
    for (std::size_t i = 0; i < before.size(); ++i) {
        const std::size_t place = now(i);
        names[before[i]] = place == kGone ? std::string() : after[place];
    }
    for (Take& take : plan.takes) {
        const std::vector<PinnedWay> old = take.pinned;
        for (PinnedWay& pinned : take.pinned) {
            pinned.promise = names[pinned.promise];
        }
        std::erase_if(take.pinned, [](const PinnedWay& pinned) { return pinned.promise.empty(); });
        // a name that stood there stands where it stood, as in the file: promises that change names change their places here
        const auto rank = [&](const PinnedWay& pinned) {
            return std::find_if(old.begin(), old.end(), [&](const PinnedWay& each) { return each.promise == pinned.promise; }) -
                   old.begin();
        };
        std::stable_sort(take.pinned.begin(), take.pinned.end(),
                         [&](const PinnedWay& a, const PinnedWay& b) { return rank(a) < rank(b); });
    }
}

/// Why the plan has not what the promise leans on, a job that feeds or while which it is asked, or a take; empty where it has.
Text whyNotThere(const Plan& plan, const Promise& promise) {
    const auto isJob = [&](const std::string& name) {
        return std::any_of(plan.jobs.begin(), plan.jobs.end(), [&](const Job& job) { return job.name == name; });
    };
    const auto* bites = promise.line.ask.as<BitesAsk>();
    if (bites != nullptr && !bites->fedBy.empty() && !isJob(bites->fedBy)) {
        return phrase("there is no job '{}' that could feed it", bites->fedBy);
    }
    if (!promise.line.whileJob.empty() && !isJob(promise.line.whileJob)) {
        return phrase("there is no job '{}' while which it could be asked", promise.line.whileJob);
    }
    for (const std::string& take : promise.line.inTakes) {
        if (findTake(plan, take) == nullptr) {
            return phrase("there is no take '{}' in which it could be asked", take);
        }
    }
    return {};
}

bool asksTheSame(const PromiseLine& a, const PromiseLine& b) {
    return a.subject == b.subject && a.ask.row() == b.ask.row();
}

} // namespace

Text addPromise(Plan& plan, Promise promise) {
    if (placeOf(plan, promise.line.name) != kGone) {
        return nameTaken(promise.line.name);
    }
    if (Text why = whyNotThere(plan, promise); !why.empty()) {
        return why;
    }
    // a given name goes first: another promise may be called otherwise after it
    changePromises(
        plan, [&](std::vector<Promise>& promises) { promises.push_back(std::move(promise)); },
        [](std::size_t old) { return old; });
    return {};
}

Text replacePromise(Plan& plan, std::size_t place, Promise promise) {
    if (place >= plan.promises.size()) {
        return noPlace(place);
    }
    if (placeOf(plan, promise.line.name, place) != kGone) {
        return nameTaken(promise.line.name);
    }
    if (Text why = whyNotThere(plan, promise); !why.empty()) {
        return why;
    }
    const bool keepsPins = asksTheSame(plan.promises[place].line, promise.line);
    changePromises(
        plan, [&](std::vector<Promise>& promises) { promises[place] = std::move(promise); },
        [&](std::size_t old) { return old == place && !keepsPins ? kGone : old; });
    return {};
}

Text putPromise(Plan& plan, Promise promise) {
    const std::size_t place = placeOf(plan, promise.line.name);
    return place == kGone ? addPromise(plan, std::move(promise)) : replacePromise(plan, place, std::move(promise));
}

Text removePromise(Plan& plan, std::size_t place) {
    if (place >= plan.promises.size()) {
        return noPlace(place);
    }
    changePromises(
        plan, [&](std::vector<Promise>& promises) { promises.erase(promises.begin() + static_cast<std::ptrdiff_t>(place)); },
        [&](std::size_t old) { return old == place ? kGone : (old > place ? old - 1 : old); });
    return {};
}

Text movePromise(Plan& plan, std::size_t from, std::size_t to) {
    if (from >= plan.promises.size() || to >= plan.promises.size()) {
        return noPlace(std::max(from, to));
    }
    changePromises(
        plan,
        [&](std::vector<Promise>& promises) {
            const auto first = promises.begin();
            const auto at = [&](std::size_t place) { return first + static_cast<std::ptrdiff_t>(place); };
            if (from < to) {
                std::rotate(at(from), at(from + 1), at(to + 1));
            } else {
                std::rotate(at(to), at(from), at(from + 1));
            }
        },
        [&](std::size_t old) {
            if (old == from) {
                return to;
            }
            if (from < to) {
                return old > from && old <= to ? old - 1 : old;
            }
            return old >= to && old < from ? old + 1 : old;
        });
    return {};
}

} // namespace wisetick
