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
    bool isVaried = false; ///< the plan is no longer that of its text
};

/// Says the case and what of it is broken, and aborts, where that does not hold.
void require(bool holds, const std::string& what, const Made& made);

/// Text only: no control characters but new lines and tabs.
bool isText(const std::string& text);

/// Text only, and no words of a library's exceptions.
bool isInPlainWords(const std::string& text);

/// A case from the choices.
Made make(test::Random& random);

/// The same part with other takes, another board and other figures in its promises; no jobs.
void vary(test::Random& random, Made& made);

/// Up to four jobs: periodic, by chance, late, one after another.
void addJobs(test::Random& random, Made& made);

/// The rate by walking up the tree; nothing where something on the way has none.
std::optional<Rational> walkedRate(const Made& made, const Controls& controls, NodeIndex node);

Controls controlsOf(const Made& made, const std::string& take);

} // namespace wisetick::fuzz
