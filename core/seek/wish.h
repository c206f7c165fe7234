#pragma once

#include "base/diagnostic.h"
#include "base/text.h"
#include "part/part.h"
#include "plan/promise_line.h"
#include "promise/judge.h"

#include <tl/expected.hpp>

#include <optional>
#include <string>
#include <string_view>

namespace wisetick {

/// What a source or line shall run at: "core = 160 MHz", "usb = 48 MHz within 0.25 %", "core at least 100 MHz", "core at most
/// 160 MHz", "core between 100 MHz and 160 MHz", "k_adc0 as high as possible up to 32 MHz", "core as low as possible down to
/// 1 MHz"; with ", if possible" it may be missed.
struct Wish {
    enum class Kind { at, within, highest, lowest };

    std::string line;
    Kind kind = Kind::at;
    Rational hertz;               ///< of `at`
    Tolerance tolerance;          ///< of `at`; not given: exactly
    std::optional<Rational> low;  ///< Hz, at least; of all but `at`
    std::optional<Rational> high; ///< Hz, at most
    bool isSoft = false;          ///< "if possible"

    bool operator==(const Wish&) const = default;
};

/// Reads one wish; `=` may be "runs at", `>=` and `≥` "at least", `<=` and `≤` "at most". With a part its ids are checked too.
/// The error points at the word that is wrong. A rate must be above 0.
tl::expected<Wish, TextError> readWish(std::string_view text, const Part* part = nullptr);

/// Completes a wish, given what stands before the cursor: lines and sources, then what can be wished of one, then what may still
/// follow.
Completion completeWish(std::string_view text, const Part& part);

/// The canonical form; reading it gives the same wish.
std::string printWish(const Wish& wish);

/// How a rate stands to a wish. A tolerance is judged as a promise's is. A least or highest rate is judged as a part's limit is:
/// broken if the nominal oversteps it, strained if a worst case does by more than the part's slack.
struct WishStanding {
    State state = State::broken;
    /// |nominal error| ÷ tolerance; 0 where an exact or one-sided wish is kept. Of a missed exact wish its error in ppm, of a
    /// missed one-sided one its error.
    Rational ratio;
};
WishStanding standingOf(const Wish& wish, const Bounds& hertz, bool isWorstKnown, const Rational& slack);

/// How many times its tolerance a wish's source strays by itself, where that oversteps it whatever the setting: off ÷ tolerance,
/// `off` being the greatest deviation as a share; 10^6 where that is unknown. Nothing where a setting can keep it.
std::optional<Rational> strayOf(const Wish& wish, const Rational& off, bool isSpreadKnown);

/// What the wish is worth where it asks for an extreme, the less the better: −rate or rate; 0 for others.
Rational extremeOf(const Wish& wish, const Rational& hertz);

} // namespace wisetick
