#pragma once

#include "base/text.h"
#include "plan/plan.h"

namespace wisetick {

/// Edits of a plan's takes. Each gives an empty text, or why it can't be done; the plan is unchanged then.

/// The first of "A", "B", … "Z", "take 27", … that no take has.
std::string freeTakeName(const Plan& plan);

/// A take that stands at the part's reset, after all others.
Text addTake(Plan& plan, const std::string& name);

/// A copy right after the original.
Text copyTake(Plan& plan, const std::string& name, const std::string& copy);

/// Jobs that run in it, and the active one, follow.
Text renameTake(Plan& plan, const std::string& name, const std::string& by);

/// Not the last one, and none in which a job runs. If it was active, its neighbour becomes so.
Text deleteTake(Plan& plan, const std::string& name);

/// One place up (−1) or down (+1); nothing happens at an end.
Text moveTake(Plan& plan, const std::string& name, int by);

/// The take that the plan stands on.
Text activateTake(Plan& plan, const std::string& name);

/// Edits of what one take sets. Each names the take; of a take that is not there it says so.

/// In place of what the take sets on that line, source or peripheral. A choice that sets nothing takes it away.
Text setChoice(Plan& plan, const std::string& take, const Choice& choice);
Text setFrom(Plan& plan, const std::string& take, const std::string& id, const std::string& from);
Text setDivide(Plan& plan, const std::string& take, const std::string& id, const Rational& divide);
Text setMultiply(Plan& plan, const std::string& take, const std::string& id, const Rational& multiply);
/// Hz, of a source that has several.
Text setRate(Plan& plan, const std::string& take, const std::string& id, const Rational& hertz);
/// An empty one leaves it at the part's reset.
Text setTier(Plan& plan, const std::string& take, const std::string& tier);

/// "ref.divide", or a line with all its controls.
Text lockControl(Plan& plan, const std::string& take, const std::string& lock);
/// Frees a line and all its controls.
Text unlockLine(Plan& plan, const std::string& take, const std::string& id);

/// An empty mode: it does not rest.
Text restIn(Plan& plan, const std::string& take, const std::string& mode);
/// An option of a sleep mode; an empty value leaves it at the part's reset.
Text setModeOption(Plan& plan, const std::string& take, const std::string& mode, const std::string& option,
                   const std::string& value);

/// Insists on a way of a promise, by its name among promiseNames.
Text pinWay(Plan& plan, const std::string& take, PinnedWay way);
Text freeWay(Plan& plan, const std::string& take, const std::string& promise);

} // namespace wisetick
