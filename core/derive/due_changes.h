#pragma once

#include "base/text.h"
#include "derive/controls.h"
#include "derive/demand.h"

#include <functional>
#include <set>
#include <utility>
#include <vector>

namespace wisetick {

/// One control of one node that still stands otherwise than it shall.
struct Change {
    NodeIndex node = 0;
    std::string control; ///< "from", "divide", "multiply" or "rate"
    Text say;
    std::function<void(Choice&)> apply;
};

/// Controls that may hold anything, as what is off was perhaps never written.
using UnknownControls = std::set<std::pair<NodeIndex, std::string>>;

/// The change that puts a line's mux on that input.
Change inputChange(const Part& part, NodeIndex line, NodeIndex input);

/// The controls that differ from the goal or are unknown, of what is on there; parents first, factors before the mux.
std::vector<Change> dueChanges(const Part& part, const Controls& now, const Controls& goal, const Demand& goalDemand,
                               const UnknownControls& unknown);

} // namespace wisetick
