#pragma once

#include "files/svd.h"
#include "part/part.h"
#include "plan/plan.h"
#include "workshop/key_help.h"
#include "workshop/text_words.h"

#include <string>
#include <vector>

namespace wisetick {

/// What could stand where somebody types.
struct TextOffer {
    enum class Kind { key, id, value, field, line };

    Kind kind = Kind::value;
    std::string text;   ///< that is put in
    std::string detail; ///< what it is
    int from = 0;       ///< what it replaces in the line, in bytes
    int to = 0;
};

/// All that is known around a text while it is typed; what is not there is nullptr.
struct TextSurroundings {
    const Part* part = nullptr; ///< the last one that could be read
    const Plan* plan = nullptr; ///< of a plan's text: the last one that could be read
    const KeyHelp* help = nullptr;
    const RegisterNames* registers = nullptr;
};

/// What could stand at that byte of a line: keys that the table does not have yet; ids where sources, lines, peripherals, modes,
/// tiers or templates are named; fields; in a promise's line what can follow. Of what begins as what is typed, at most 100.
std::vector<TextOffer> offersAt(std::string_view text, const TextWords& words, int line, int column,
                                const TextSurroundings& around);

} // namespace wisetick
