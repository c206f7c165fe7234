#include "plan/take_edits.h"

#include "base/text.h"

#include <algorithm>

namespace wisetick {

namespace {

std::vector<Take>::iterator takeNamed(Plan& plan, const std::string& name) {
    return std::find_if(plan.takes.begin(), plan.takes.end(), [&](const Take& each) { return each.name == name; });
}

/// Why a take can't be called so.
Text checkTakeName(const Plan& plan, const std::string& name) {
    if (name.find_first_not_of(" \t") == std::string::npos) {
        return phrase("a take needs a name");
    }
    return findTake(plan, name) == nullptr ? "" : phrase("there is a take '{}' already", name);
}

Text noTake(const std::string& name) {
    return phrase("there is no take '{}'", name);
}

/// Runs a change of the take of that name.
template <class Change>
Text inTake(Plan& plan, const std::string& name, Change change) {
    const auto take = takeNamed(plan, name);
    if (take == plan.takes.end()) {
        return noTake(name);
    }
    change(*take);
    return {};
}

} // namespace

std::string freeTakeName(const Plan& plan) {
    for (int i = 0;; ++i) {
        const std::string name = i < 26 ? std::string(1, static_cast<char>('A' + i)) : "take " + std::to_string(i + 1);
        if (findTake(plan, name) == nullptr) {
            return name;
        }
    }
}

Text addTake(Plan& plan, const std::string& name) {
    const Text why = checkTakeName(plan, name);
    if (why.empty()) {
        plan.takes.push_back({name, {}, {}, {}, {}, {}});
    }
    return why;
}

Text copyTake(Plan& plan, const std::string& name, const std::string& copy) {
    const Text why = checkTakeName(plan, copy);
    const auto take = takeNamed(plan, name);
    if (!why.empty() || take == plan.takes.end()) {
        return why.empty() ? noTake(name) : why;
    }
    Take copied = *take;
    copied.name = copy;
    plan.takes.insert(take + 1, std::move(copied));
    return {};
}

Text renameTake(Plan& plan, const std::string& name, const std::string& by) {
    if (name == by) {
        return {};
    }
    const Text why = checkTakeName(plan, by);
    const auto take = takeNamed(plan, name);
    if (!why.empty() || take == plan.takes.end()) {
        return why.empty() ? noTake(name) : why;
    }
    const bool isReferredTo = std::any_of(plan.promises.begin(), plan.promises.end(), [&](const Promise& promise) {
        const auto& takes = promise.line.inTakes;
        return std::find(takes.begin(), takes.end(), name) != takes.end();
    });
    if (isReferredTo && !isOneWord(by)) {
        return phrase("lines refer to take '{}': it must be called by one word", name);
    }
    take->name = by;
    plan.active = plan.active == name ? by : plan.active;
    for (Job& job : plan.jobs) {
        job.take = job.take == name ? by : job.take;
    }
    for (HandoverFile& file : plan.handover) {
        file.take = file.take == name ? by : file.take;
        file.from = file.from == name ? by : file.from;
    }
    for (Promise& promise : plan.promises) {
        auto& takes = promise.line.inTakes;
        if (std::find(takes.begin(), takes.end(), name) != takes.end()) {
            std::replace(takes.begin(), takes.end(), name, by);
            promise.text = printPromiseLine(promise.line);
        }
    }
    return {};
}

Text deleteTake(Plan& plan, const std::string& name) {
    const auto take = takeNamed(plan, name);
    if (take == plan.takes.end()) {
        return noTake(name);
    }
    if (plan.takes.size() == 1) {
        return phrase("'{}' is the only take; a plan keeps one", name);
    }
    const auto job = std::find_if(plan.jobs.begin(), plan.jobs.end(), [&](const Job& each) { return each.take == name; });
    if (job != plan.jobs.end()) {
        return phrase("the job '{}' runs in take '{}'; give it another one first", job->name, name);
    }
    const auto promise = std::find_if(plan.promises.begin(), plan.promises.end(), [&](const Promise& each) {
        return std::find(each.line.inTakes.begin(), each.line.inTakes.end(), name) != each.line.inTakes.end();
    });
    if (promise != plan.promises.end()) {
        return phrase("'{}' is asked in take '{}'; change that promise first", promise->text, name);
    }
    const auto file = std::find_if(plan.handover.begin(), plan.handover.end(),
                                   [&](const HandoverFile& each) { return each.take == name || each.from == name; });
    if (file != plan.handover.end()) {
        return phrase("the handover file '{}' is made from take '{}'; take it out first", file->path, name);
    }
    const auto next = plan.takes.erase(take);
    if (plan.active == name) {
        plan.active = next == plan.takes.end() ? plan.takes.back().name : next->name;
    }
    return {};
}

Text moveTake(Plan& plan, const std::string& name, int by) {
    const auto take = takeNamed(plan, name);
    if (take == plan.takes.end()) {
        return noTake(name);
    }
    const auto place = take - plan.takes.begin();
    const auto other = std::clamp<std::ptrdiff_t>(place + by, 0, static_cast<std::ptrdiff_t>(plan.takes.size()) - 1);
    std::iter_swap(take, plan.takes.begin() + other);
    return {};
}

Text activateTake(Plan& plan, const std::string& name) {
    return inTake(plan, name, [&](Take&) { plan.active = name; });
}

Text setChoice(Plan& plan, const std::string& take, const Choice& choice) {
    return inTake(plan, take, [&](Take& in) {
        const bool setsNothing = !choice.from && !choice.divide && !choice.multiply && !choice.on && !choice.rate;
        if (setsNothing) {
            std::erase_if(in.choices, [&](const Choice& each) { return each.id == choice.id; });
        } else {
            choiceOf(in, choice.id) = choice;
        }
    });
}

Text setFrom(Plan& plan, const std::string& take, const std::string& id, const std::string& from) {
    return inTake(plan, take, [&](Take& in) { choiceOf(in, id).from = from; });
}

Text setDivide(Plan& plan, const std::string& take, const std::string& id, const Rational& divide) {
    return divide.sign() <= 0 ? phrase("a divisor above 0")
                              : inTake(plan, take, [&](Take& in) { choiceOf(in, id).divide = divide; });
}

Text setMultiply(Plan& plan, const std::string& take, const std::string& id, const Rational& multiply) {
    return multiply.sign() <= 0 ? phrase("a factor above 0")
                                : inTake(plan, take, [&](Take& in) { choiceOf(in, id).multiply = multiply; });
}

Text setRate(Plan& plan, const std::string& take, const std::string& id, const Rational& hertz) {
    return hertz.sign() <= 0 ? phrase("a rate above 0") : inTake(plan, take, [&](Take& in) { choiceOf(in, id).rate = hertz; });
}

Text setTier(Plan& plan, const std::string& take, const std::string& tier) {
    return inTake(plan, take, [&](Take& in) { in.tier = tier; });
}

Text lockControl(Plan& plan, const std::string& take, const std::string& lock) {
    return inTake(plan, take, [&](Take& in) {
        if (std::find(in.locks.begin(), in.locks.end(), lock) == in.locks.end()) {
            in.locks.push_back(lock);
        }
    });
}

Text unlockLine(Plan& plan, const std::string& take, const std::string& id) {
    return inTake(plan, take, [&](Take& in) {
        std::erase_if(in.locks, [&](const std::string& lock) { return lock == id || lock.rfind(id + ".", 0) == 0; });
    });
}

Text restIn(Plan& plan, const std::string& take, const std::string& mode) {
    return inTake(plan, take, [&](Take& in) { in.restsIn = mode; });
}

Text setModeOption(Plan& plan, const std::string& take, const std::string& mode, const std::string& option,
                   const std::string& value) {
    return inTake(plan, take, [&](Take& in) {
        const auto isIt = [&](const ModeChoice& each) { return each.mode == mode && each.option == option; };
        const auto found = std::find_if(in.modes.begin(), in.modes.end(), isIt);
        if (value.empty()) {
            std::erase_if(in.modes, isIt);
        } else if (found != in.modes.end()) {
            found->value = value;
        } else { // a mode's options stand together
            const auto last =
                std::find_if(in.modes.rbegin(), in.modes.rend(), [&](const ModeChoice& each) { return each.mode == mode; });
            in.modes.insert(last == in.modes.rend() ? in.modes.end() : last.base(), {mode, option, value});
        }
    });
}

Text pinWay(Plan& plan, const std::string& take, PinnedWay way) {
    const std::vector<std::string> names = promiseNames(plan);
    if (std::find(names.begin(), names.end(), way.promise) == names.end()) {
        return phrase("there is no promise '{}'", way.promise);
    }
    return inTake(plan, take, [&](Take& in) {
        const auto found =
            std::find_if(in.pinned.begin(), in.pinned.end(), [&](const PinnedWay& each) { return each.promise == way.promise; });
        if (found != in.pinned.end()) {
            *found = std::move(way);
        } else {
            in.pinned.push_back(std::move(way));
        }
    });
}

Text freeWay(Plan& plan, const std::string& take, const std::string& promise) {
    return inTake(plan, take,
                  [&](Take& in) { std::erase_if(in.pinned, [&](const PinnedWay& each) { return each.promise == promise; }); });
}

} // namespace wisetick
