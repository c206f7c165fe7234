#include "plan/takes.h"

#include <algorithm>

namespace wisetick {

namespace {

std::vector<Take>::iterator takeNamed(Plan& plan, const std::string& name) {
    return std::find_if(plan.takes.begin(), plan.takes.end(), [&](const Take& each) { return each.name == name; });
}

/// Why a take can't be called so.
std::string checkName(const Plan& plan, const std::string& name) {
    if (name.find_first_not_of(" \t") == std::string::npos) {
        return "a take needs a name";
    }
    return findTake(plan, name) == nullptr ? "" : "there is a take '" + name + "' already";
}

std::string noTake(const std::string& name) {
    return "there is no take '" + name + "'";
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

std::string addTake(Plan& plan, const std::string& name) {
    const std::string why = checkName(plan, name);
    if (why.empty()) {
        plan.takes.push_back({name, {}, {}, {}, {}, {}});
    }
    return why;
}

std::string copyTake(Plan& plan, const std::string& name, const std::string& copy) {
    const std::string why = checkName(plan, copy);
    const auto take = takeNamed(plan, name);
    if (!why.empty() || take == plan.takes.end()) {
        return why.empty() ? noTake(name) : why;
    }
    Take copied = *take;
    copied.name = copy;
    plan.takes.insert(take + 1, std::move(copied));
    return {};
}

std::string renameTake(Plan& plan, const std::string& name, const std::string& by) {
    if (name == by) {
        return {};
    }
    const std::string why = checkName(plan, by);
    const auto take = takeNamed(plan, name);
    if (!why.empty() || take == plan.takes.end()) {
        return why.empty() ? noTake(name) : why;
    }
    take->name = by;
    plan.active = plan.active == name ? by : plan.active;
    for (Job& job : plan.jobs) {
        job.take = job.take == name ? by : job.take;
    }
    return {};
}

std::string deleteTake(Plan& plan, const std::string& name) {
    const auto take = takeNamed(plan, name);
    if (take == plan.takes.end()) {
        return noTake(name);
    }
    if (plan.takes.size() == 1) {
        return "'" + name + "' is the only take; a plan keeps one";
    }
    const auto job = std::find_if(plan.jobs.begin(), plan.jobs.end(), [&](const Job& each) { return each.take == name; });
    if (job != plan.jobs.end()) {
        return "the job '" + job->name + "' runs in take '" + name + "'; give it another one first";
    }
    const auto next = plan.takes.erase(take);
    if (plan.active == name) {
        plan.active = next == plan.takes.end() ? plan.takes.back().name : next->name;
    }
    return {};
}

void moveTake(Plan& plan, const std::string& name, int by) {
    const auto take = takeNamed(plan, name);
    if (take == plan.takes.end()) {
        return;
    }
    const auto place = take - plan.takes.begin();
    const auto other = std::clamp<std::ptrdiff_t>(place + by, 0, static_cast<std::ptrdiff_t>(plan.takes.size()) - 1);
    std::iter_swap(take, plan.takes.begin() + other);
}

} // namespace wisetick
