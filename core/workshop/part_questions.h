#pragma once

#include "base/text.h"

#include <tl/expected.hpp>

#include <string>
#include <utility>
#include <vector>

namespace wisetick {

/// What is asked when a part is begun. Everything else is unknown until somebody looks it up.
struct PartAnswers {
    std::string id = "my-part";
    std::string supplyMin = "1.8 V"; ///< as typed
    std::string supplyMax = "3.6 V";
    std::string coldest = "-40 C";
    std::string hottest = "85 C";
    std::vector<std::string> rcs{"8 MHz"}; ///< rates of the oscillators inside, the one that it starts with first
    bool hasCrystal = true;
    std::string crystalMin = "4 MHz";
    std::string crystalMax = "32 MHz";
    bool hasWatchCrystal = false;
    std::vector<std::string> tiers = {}; ///< performance levels of the regulator, the fastest first; none where it has no choice
    int multipliers = 1;                 ///< 0 to 4
    int outputs = 2;                     ///< of each multiplier, 1 to 6
    int buses = 2;                       ///< 0 to 6
    std::vector<std::pair<std::string, int>> peripherals{{"uart", 2}, {"timer", 4}}; ///< kind and how many, up to 32 each
    std::vector<std::string> modes{"idle", "deep"};                                  ///< beside run, the lightest first
    std::string registers = {}; ///< a description beside the part: "my-part.svd"; empty: none
};

/// The kinds of peripherals that can be asked for.
const std::vector<std::string>& askedKinds();

/// The text of a part with all that was said, through templates; what was not said stands as a remark where it belongs. It reads
/// without faults and nothing in it is suspicious. An answer that is none is the error, in words.
tl::expected<std::string, Text> partFromAnswers(const PartAnswers& answers);

} // namespace wisetick
