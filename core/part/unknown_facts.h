#pragma once

#include "base/text.h"
#include "part/part.h"

#include <string>
#include <vector>

namespace wisetick {

/// What it is that a part does not tell.
enum class Lack { temperature, supply, tolerance, startup, draws, mostDrawn, transconductance, stageTime, stageDraws, writing };

/// Something that a part does not tell, and what hangs on it.
struct UnknownFact {
    std::string path;               ///< of the table where it would stand: "source.rs"
    Text say;                       ///< "the tolerance of rs"
    Text costs;                     ///< what can't be told without it: "the corners of"
    std::vector<std::string> hangs; ///< ids of the sources, lines, peripherals and modes that it is needed for
    Lack lack = Lack::writing;
    std::string id = {};   ///< of the thing that does not tell it; empty: the part itself
    std::size_t stage = 0; ///< of a mode's stages
};

/// The part with that fact told: as something that is usual, so that what follows from it is certain.
Part withSupposed(Part part, const UnknownFact& fact);

/// What is unknown of a part's rates, times and currents, what most hangs on first; of equals in the part's order.
std::vector<UnknownFact> unknownFacts(const Part& part);

/// The controls that no field is told for, and the modes that no way into is, so that nothing can be written for them: in the
/// part's order, of equal ones together. What has one value only needs no field.
std::vector<UnknownFact> unwritableFacts(const Part& part);

} // namespace wisetick
