#pragma once

#include "../support.h"
#include "derive/controls.h"

#include <optional>
#include <string>
#include <vector>

namespace wisetick::fuzz {

/// A part and a plan that are in order, with a second take "B" in which muxes, dividers and multipliers stand anyhow.
struct Made {
    std::string partText;
    std::string planText;
    std::vector<std::string> wishes;
    Part part;
    Plan plan;
};

/// Says the case and what of it is broken, and aborts, where that does not hold.
void require(bool holds, const std::string& what, const Made& made);

/// A case from the choices.
Made make(test::Random& random);

/// Up to four jobs: periodic, by chance, late, one after another.
void addJobs(test::Random& random, Made& made);

/// The rate by walking up the tree; nothing where something on the way has none.
std::optional<Rational> walkedRate(const Made& made, const Controls& controls, NodeIndex node);

Controls controlsOf(const Made& made, const std::string& take);

} // namespace wisetick::fuzz
