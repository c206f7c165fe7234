#pragma once

#include "commands.h"

namespace wisetick::cli {

struct CheckOptions {
    bool isStrict = false;    ///< what is strained fails too
    bool areAllTakes = false; ///< the takes that nothing names too
    bool isWatching = false;  ///< again whenever a file of the plan changes
    std::string form;         ///< "sarif" or "junit"; empty: text
};

/// kBroken on a broken promise or a limit overstepped; with `isStrict` on a strained one too. kBadInput where there is no such
/// form. Watching ends only from outside.
int runCheck(const Console& console, const PlanOptions& options, const CheckOptions& check);

/// The takes of a plan beside one another, all or those named; or, where the one other word is a plan file, what moved from the
/// first plan to the second.
int runCompare(const Console& console, const PlanOptions& options, const std::vector<std::string>& others);

struct ReportOptions {
    std::string form = "html"; ///< or "markdown"
    std::string since;         ///< a plan's file: what moved since; empty: nothing of that
};

/// The plan from beginning to end, for people. kBadInput where there is no such form or plan.
int runReport(const Console& console, const PlanOptions& options, const ReportOptions& report);

} // namespace wisetick::cli
