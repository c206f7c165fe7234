#pragma once

#include "base/text.h"
#include "plan/plan.h"

namespace wisetick {

/// Edits of the board and of the plan's head. Each gives an empty text, or why it can't be done; the plan is unchanged then.
/// Where a value is optional, none takes the fact away.

Text renamePlan(Plan& plan, const std::string& name);
/// What is said of the plan, in one line or several.
Text notePlan(Plan& plan, const std::string& note);

enum class SpanEnd { lowest, nominal, highest };

/// One end of a span; the others follow where they would pass it.
Text setSupply(Plan& plan, SpanEnd end, const Rational& volt);
Text setTemperature(Plan& plan, SpanEnd end, const Rational& celsius);

/// The whole span at once, where its ends are in order; of a supply above 0 V.
Text setSupplySpan(Plan& plan, const Bounds& volt);
Text setTemperatureSpan(Plan& plan, const Bounds& celsius);

/// What was taken from the part, "supply" or "temperature", is so on this board. Saying a value does that too.
Text confirm(Plan& plan, const std::string& assumed);

Text setAlwaysDrawn(Plan& plan, const std::optional<Rational>& ampere);

/// In place of what stands there for that source.
Text fit(Plan& plan, Fitted fitted);
Text unfit(Plan& plan, const std::string& source);
/// What stands there, or a fresh one where nothing does.
Fitted fittedOf(const Plan& plan, const std::string& source);

/// In place of what was measured of that source.
Text noteMeasured(Plan& plan, Measured measured);
Text forgetMeasured(Plan& plan, const std::string& source);

Text setBattery(Plan& plan, std::optional<Battery> battery);
Text setRegulator(Plan& plan, std::optional<Regulator> regulator);

/// Of an option word; an empty value leaves it unprogrammed.
Text setOption(Plan& plan, const std::string& option, const std::string& value);

/// Puts a signal that has a choice, "uart1.tx", on a pin; an empty pin leaves it to the first that is free.
Text route(Plan& plan, const std::string& signal, const std::string& pin);

/// Puts several signals at once.
Text routeSignals(Plan& plan, const std::vector<std::pair<std::string, std::string>>& places);

/// What the user wires to a pin, by name; an empty name frees the pin. A name that stands at another pin moves here.
Text wire(Plan& plan, const std::string& pin, const std::string& name);

} // namespace wisetick
