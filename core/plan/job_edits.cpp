#include "plan/job_edits.h"

#include "base/text.h"

#include <algorithm>

namespace wisetick {

namespace {

std::vector<Job>::iterator jobNamed(Plan& plan, const std::string& name) {
    return std::find_if(plan.jobs.begin(), plan.jobs.end(), [&](const Job& each) { return each.name == name; });
}

Text noJob(const std::string& name) {
    return phrase("there is no job '{}'", name);
}

/// Why a job can't be called so; `save` is the one that is renamed.
Text checkJobName(Plan& plan, const std::string& name, const std::string& save = {}) {
    if (name.find_first_not_of(" \t") == std::string::npos) {
        return phrase("a job needs a name");
    }
    return name == save || jobNamed(plan, name) == plan.jobs.end() ? "" : phrase("there is a job '{}' already", name);
}

/// What is wrong with the job among the others: whom it follows.
Text checkFollowing(Plan& plan, const Job& job) {
    std::string at = job.after;
    for (std::size_t steps = 0; !at.empty(); ++steps) {
        if (at == job.name || steps > plan.jobs.size()) {
            return phrase("jobs that follow each other in a ring; one comes by itself");
        }
        const auto found = jobNamed(plan, at);
        if (found == plan.jobs.end()) {
            return noJob(at);
        }
        at = found->after;
    }
    return {};
}

bool isFedBy(const Promise& promise, const std::string& job) {
    const auto* bites = promise.line.ask.as<BitesAsk>();
    return bites != nullptr && bites->fedBy == job;
}

Text checkTake(const Plan& plan, const Job& job) {
    return job.take.empty() || findTake(plan, job.take) != nullptr ? "" : phrase("there is no take '{}'", job.take);
}

} // namespace

std::string freeJobName(const Plan& plan) {
    for (int number = 1;; ++number) {
        const std::string name = number == 1 ? "job" : "job-" + std::to_string(number);
        if (std::none_of(plan.jobs.begin(), plan.jobs.end(), [&](const Job& job) { return job.name == name; })) {
            return name;
        }
    }
}

Text addJob(Plan& plan, Job job) {
    for (const Text& why : {checkJobName(plan, job.name), checkFollowing(plan, job), checkTake(plan, job)}) {
        if (!why.empty()) {
            return why;
        }
    }
    plan.jobs.push_back(std::move(job));
    return {};
}

Text replaceJob(Plan& plan, const std::string& name, Job job) {
    if (jobNamed(plan, name) == plan.jobs.end()) {
        return noJob(name);
    }
    Plan changed = plan;
    const std::string renamed = job.name;
    for (const Text& why : {checkJobName(plan, renamed, name), checkTake(plan, job)}) {
        if (!why.empty()) {
            return why;
        }
    }
    const bool isReferredTo =
        std::any_of(plan.jobs.begin(), plan.jobs.end(), [&](const Job& each) { return each.after == name; }) ||
        std::any_of(plan.promises.begin(), plan.promises.end(),
                    [&](const Promise& promise) { return promise.line.whileJob == name || isFedBy(promise, name); });
    if (renamed != name && isReferredTo && !isOneWord(renamed)) {
        return phrase("lines refer to job '{}': it must be called by one word", name);
    }
    if (job.after == name) {
        job.after = renamed; // which is then told as a ring
    }
    *jobNamed(changed, name) = std::move(job);
    for (Job& each : changed.jobs) {
        each.after = each.after == name ? renamed : each.after;
    }
    for (Promise& promise : changed.promises) {
        if (renamed != name && promise.line.whileJob == name) {
            promise.line.whileJob = renamed;
            promise.text = printPromiseLine(promise.line);
        }
        if (renamed != name && isFedBy(promise, name)) {
            promise.line.ask.change<BitesAsk>().fedBy = renamed;
            promise.text = printPromiseLine(promise.line);
        }
    }
    if (const Text why = checkFollowing(changed, *jobNamed(changed, renamed)); !why.empty()) {
        return why;
    }
    plan = std::move(changed);
    return {};
}

Text removeJob(Plan& plan, const std::string& name) {
    const auto job = jobNamed(plan, name);
    if (job == plan.jobs.end()) {
        return noJob(name);
    }
    const auto follower = std::find_if(plan.jobs.begin(), plan.jobs.end(), [&](const Job& each) { return each.after == name; });
    if (follower != plan.jobs.end()) {
        return phrase("the job '{}' follows this one; change that one first", follower->name);
    }
    const auto fed =
        std::find_if(plan.promises.begin(), plan.promises.end(), [&](const Promise& promise) { return isFedBy(promise, name); });
    const auto asked = std::find_if(plan.promises.begin(), plan.promises.end(),
                                    [&](const Promise& promise) { return promise.line.whileJob == name; });
    if (asked != plan.promises.end()) {
        return phrase("'{}' is asked while the job '{}' runs; change that promise first", asked->text, name);
    }
    if (fed != plan.promises.end()) {
        return phrase("the job '{}' feeds {}; change that promise first", name, fed->line.subject);
    }
    plan.jobs.erase(job);
    return {};
}

Text moveJob(Plan& plan, const std::string& name, std::size_t to) {
    const auto job = jobNamed(plan, name);
    if (job == plan.jobs.end()) {
        return noJob(name);
    }
    Job moved = std::move(*job);
    plan.jobs.erase(job);
    plan.jobs.insert(plan.jobs.begin() + static_cast<std::ptrdiff_t>(std::min(to, plan.jobs.size())), std::move(moved));
    return {};
}

Text setJobPhase(Plan& plan, const std::string& name, const Rational& phase) {
    const auto job = jobNamed(plan, name);
    if (job == plan.jobs.end()) {
        return noJob(name);
    }
    if (job->every.sign() <= 0) {
        return phrase("the job '{}' follows another one and has no phase of its own", name);
    }
    job->phase = phase - (phase / job->every).floor() * job->every;
    return {};
}

Text setJobLength(Plan& plan, const std::string& name, const Rational& lasts) {
    const auto job = jobNamed(plan, name);
    if (job == plan.jobs.end()) {
        return noJob(name);
    }
    if (!job->lasts) {
        return phrase("the job '{}' is said in cycles", name);
    }
    if (lasts.sign() <= 0) {
        return phrase("a job takes some time");
    }
    job->lasts = lasts;
    return {};
}

Text setJobPeriod(Plan& plan, const std::string& name, const Rational& every) {
    const auto job = jobNamed(plan, name);
    if (job == plan.jobs.end()) {
        return noJob(name);
    }
    if (!job->after.empty()) {
        return phrase("the job '{}' follows another one and has no period of its own", name);
    }
    if (every.sign() <= 0) {
        return phrase("a period is above 0");
    }
    job->every = every;
    job->jitter = std::min(job->jitter, every);
    return {};
}

} // namespace wisetick
