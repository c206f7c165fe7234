#pragma once

#include "base/text.h"
#include "plan/plan.h"

namespace wisetick {

/// Edits of a plan's jobs. Each gives an empty text, or why it can't be done; the plan is unchanged then.

/// The first of "job", "job-2", … that no job has.
std::string freeJobName(const Plan& plan);

Text addJob(Plan& plan, Job job);

/// Another job in the place of that one; those that follow it follow it still, whatever it is called now.
Text replaceJob(Plan& plan, const std::string& name, Job job);

/// Not one that another job follows.
Text removeJob(Plan& plan, const std::string& name);

/// To another place; those between move up or down.
Text moveJob(Plan& plan, const std::string& name, std::size_t to);

/// s, from the start of the play; taken modulo the period. Of a periodic job.
Text setJobPhase(Plan& plan, const std::string& name, const Rational& phase);

/// s, of a job that is said by its time.
Text setJobLength(Plan& plan, const std::string& name, const Rational& lasts);

/// s; its jitter gets no longer than that.
Text setJobPeriod(Plan& plan, const std::string& name, const Rational& every);

} // namespace wisetick
