#pragma once

#include "derive/figures.h"
#include "plan/plan.h"

namespace wisetick {

/// Where each signal that has a choice of pins stands, in all takes alike: as the plan chooses, else on the first of its places
/// that nothing needs in any take, in the part's order; where there is none, on the first. One that no take uses stands nowhere.
std::vector<RouteFigure> routeFigures(const Part& part, const Plan& plan);

/// Every pin that the part names or the plan uses, in the part's order. A source's pins are free while it is off. Two
/// users of one pin, or one of a debug pin, collide. The figures must have their routes.
std::vector<PinFigure> pinFigures(const Part& part, const Plan& plan, const Figures& figures,
                                  const std::vector<bool>& peripherals);

/// An assignment of all signals in use to pins, or why there is none.
struct Routing {
    std::vector<std::pair<std::string, std::string>> places; ///< signal → pin; empty where there is none
    /// Signals that can't stand together: without any one of them the others could. Empty where there is an assignment.
    std::vector<std::string> conflict;
    std::vector<std::string> pins; ///< all the pins where those of the conflict could stand
    bool isPossible() const { return conflict.empty(); }
};

/// Finds pins for all signals that any take uses, each its own and none that something fixed needs in any take, with those that
/// can be left where they are; complete (a matching by augmenting paths, at worst signals² × places steps). What is fixed:
/// sources that are on, lines and peripherals with one place, channels, what the user wires, the debugger.
Routing routeAll(const Part& part, const Plan& plan);

} // namespace wisetick
