#pragma once

#include "seek/space.h"

namespace wisetick {

/// What a node that is on draws in run at that rate, in pA: typical, at the board's nominal temperature and supply. The core's
/// node brings the draw of the run mode itself. What is unknown counts as nothing, slopes on other clocks than its own too.
Rational drawInRun(const Space& space, std::size_t node, const Rational& hertz, std::size_t tier);

/// The time until all promises hold again after waking from the take's resting mode (the slowest of all modes where it rests in
/// none), at the latest, in s; the known part. `parents` and `isOn` by node.
Rational wakeUpOf(const Space& space, const std::vector<std::optional<NodeIndex>>& parents, const std::vector<bool>& isOn);

/// Whether no hard promise on waking that is in force is broken for certain on that route.
bool wakesInTime(const Space& space, const InForce& inForce, const std::vector<std::optional<NodeIndex>>& parents,
                 const std::vector<bool>& isOn);

} // namespace wisetick
