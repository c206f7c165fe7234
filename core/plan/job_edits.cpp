#include "plan/job_edits.h"

#include <algorithm>

namespace wisetick {

namespace {

std::vector<Job>::iterator jobNamed(Plan& plan, const std::string& name) {
    return std::find_if(plan.jobs.begin(), plan.jobs.end(), [&](const Job& each) { return each.name == name; });
}

std::string noJob(const std::string& name) {
    return "there is no job '" + name + "'";
}

/// Why a job can't be called so; `save` is the one that is renamed.
std::string checkJobName(Plan& plan, const std::string& name, const std::string& save = {}) {
    if (name.find_first_not_of(" \t") == std::string::npos) {
        return "a job needs a name";
    }
    return name == save || jobNamed(plan, name) == plan.jobs.end() ? "" : "there is a job '" + name + "' already";
}

/// What is wrong with the job among the others: whom it follows.
std::string checkFollowing(Plan& plan, const Job& job) {
    std::string at = job.after;
    for (std::size_t steps = 0; !at.empty(); ++steps) {
        if (at == job.name || steps > plan.jobs.size()) {
            return "jobs that follow each other in a ring; one comes by itself";
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

std::string checkTake(const Plan& plan, const Job& job) {
    return job.take.empty() || findTake(plan, job.take) != nullptr ? "" : "there is no take '" + job.take + "'";
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

std::string addJob(Plan& plan, Job job) {
    for (const std::string& why : {checkJobName(plan, job.name), checkFollowing(plan, job), checkTake(plan, job)}) {
        if (!why.empty()) {
            return why;
        }
    }
    plan.jobs.push_back(std::move(job));
    return {};
}

std::string replaceJob(Plan& plan, const std::string& name, Job job) {
    if (jobNamed(plan, name) == plan.jobs.end()) {
        return noJob(name);
    }
    Plan changed = plan;
    const std::string renamed = job.name;
    for (const std::string& why : {checkJobName(plan, renamed, name), checkTake(plan, job)}) {
        if (!why.empty()) {
            return why;
        }
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
    if (const std::string why = checkFollowing(changed, *jobNamed(changed, renamed)); !why.empty()) {
        return why;
    }
    plan = std::move(changed);
    return {};
}

std::string removeJob(Plan& plan, const std::string& name) {
    const auto job = jobNamed(plan, name);
    if (job == plan.jobs.end()) {
        return noJob(name);
    }
    const auto follower = std::find_if(plan.jobs.begin(), plan.jobs.end(), [&](const Job& each) { return each.after == name; });
    if (follower != plan.jobs.end()) {
        return "the job '" + follower->name + "' follows this one; change that one first";
    }
    const auto fed =
        std::find_if(plan.promises.begin(), plan.promises.end(), [&](const Promise& promise) { return isFedBy(promise, name); });
    const auto asked = std::find_if(plan.promises.begin(), plan.promises.end(),
                                    [&](const Promise& promise) { return promise.line.whileJob == name; });
    if (asked != plan.promises.end()) {
        return "'" + asked->text + "' is asked while the job '" + name + "' runs; change that promise first";
    }
    if (fed != plan.promises.end()) {
        return "the job '" + name + "' feeds " + fed->line.subject + "; change that promise first";
    }
    plan.jobs.erase(job);
    return {};
}

std::string moveJob(Plan& plan, const std::string& name, std::size_t to) {
    const auto job = jobNamed(plan, name);
    if (job == plan.jobs.end()) {
        return noJob(name);
    }
    Job moved = std::move(*job);
    plan.jobs.erase(job);
    plan.jobs.insert(plan.jobs.begin() + static_cast<std::ptrdiff_t>(std::min(to, plan.jobs.size())), std::move(moved));
    return {};
}

std::string setJobPhase(Plan& plan, const std::string& name, const Rational& phase) {
    const auto job = jobNamed(plan, name);
    if (job == plan.jobs.end()) {
        return noJob(name);
    }
    if (job->every.sign() <= 0) {
        return "the job '" + name + "' follows another one and has no phase of its own";
    }
    job->phase = phase - (phase / job->every).floor() * job->every;
    return {};
}

std::string setJobLength(Plan& plan, const std::string& name, const Rational& lasts) {
    const auto job = jobNamed(plan, name);
    if (job == plan.jobs.end()) {
        return noJob(name);
    }
    if (!job->lasts) {
        return "the job '" + name + "' is said in cycles";
    }
    if (lasts.sign() <= 0) {
        return "a job takes some time";
    }
    job->lasts = lasts;
    return {};
}

std::string setJobPeriod(Plan& plan, const std::string& name, const Rational& every) {
    const auto job = jobNamed(plan, name);
    if (job == plan.jobs.end()) {
        return noJob(name);
    }
    if (!job->after.empty()) {
        return "the job '" + name + "' follows another one and has no period of its own";
    }
    if (every.sign() <= 0) {
        return "a period is above 0";
    }
    job->every = every;
    job->jitter = std::min(job->jitter, every);
    return {};
}

} // namespace wisetick
