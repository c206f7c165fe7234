#pragma once

#include "base/diagnostic.h"
#include "base/text.h"
#include "part/part.h"

#include <tl/expected.hpp>

#include <string>
#include <string_view>
#include <variant>
#include <vector>

namespace wisetick {

/// So many of a kind of thing: "2 uart", "can fd", "pins >= 40".
struct CountNeed {
    std::string kind;
    std::int64_t least = 1;
    bool operator==(const CountNeed&) const = default;
};

/// How high a line may run: "core >= 100 MHz"; Hz.
struct RateNeed {
    std::string line;
    Rational least;
    bool operator==(const RateNeed&) const = default;
};

/// What a mode draws, typically at 25 °C: "deep <= 2 uA"; A. "sleep" is the mode that draws least of those that a
/// clock of the part can wake.
struct DrawNeed {
    std::string mode;
    Rational most;
    bool operator==(const DrawNeed&) const = default;
};

/// A supply in V at which it runs: "supply 1.8 V".
struct SupplyNeed {
    Rational volt;
    bool operator==(const SupplyNeed&) const = default;
};

/// A crystal that can be fitted, Hz: "crystal 25 MHz".
struct CrystalNeed {
    Rational hertz;
    bool operator==(const CrystalNeed&) const = default;
};

/// Any word of the part's id, name or note, or the name of something in it.
struct WordNeed {
    std::string word;
    bool operator==(const WordNeed&) const = default;
};

/// One thing that is asked of a part.
struct PartNeed {
    std::string text; ///< as typed
    std::variant<CountNeed, RateNeed, DrawNeed, SupplyNeed, CrystalNeed, WordNeed> ask;
    bool operator==(const PartNeed&) const = default;
};

/// Reads needs between commas: "core >= 100 MHz, 2 uart, can fd, sleep <= 2 uA, 3 pll". `>=` may be ≥ or "at least", `<=`
/// ≤ or "at most". What is no condition is looked for as a word. The error points into the text.
tl::expected<std::vector<PartNeed>, TextError> readNeeds(std::string_view text);

/// In the order in which parts are shown.
enum class Fit { yes, unknown, no };

/// Whether a part has what is needed, and why.
struct NeedFigure {
    std::string need;
    Fit fit = Fit::no;
    Text why; ///< "uart1, uart2, uart3", "core up to 160 MHz in tier fast", "no part of it is called 'moon'"
};

std::vector<NeedFigure> judgeNeeds(const Part& part, const std::vector<PartNeed>& needs);

/// Of all figures: no if one is no, unknown if one is unknown, else yes.
Fit fitOf(const std::vector<NeedFigure>& figures);

} // namespace wisetick
