#pragma once

#include "seek/question.h"

#include <tl/expected.hpp>

#include <string>
#include <string_view>
#include <variant>
#include <vector>

namespace wisetick {

/// "modem": a promise of the plan, by its name.
struct SoughtName {
    std::string promise;
    bool operator==(const SoughtName&) const = default;
};

/// "only pll, usb may change": ids of lines, sources and peripherals.
struct MayChange {
    std::vector<std::string> ids;
    bool operator==(const MayChange&) const = default;
};

/// What one line asks of Seek.
using SeekLine = std::variant<Wish, SoughtName, MayChange, CrystalQuestion>;

/// Reads a line as it is typed in the window and on the command line: a wish, a promise's name, "only pll, usb may change", or
/// "xtm of 8 MHz, 12 MHz". `promises` are the names that the plan has. The error points at the word that is wrong.
tl::expected<SeekLine, TextError> readSeekLine(std::string_view text, const Part& part, const std::vector<std::string>& promises);

/// "pll, usb": what may change; "everything" adds nothing.
tl::expected<MayChange, TextError> readMayChange(std::string_view text, const Part& part);

/// "modem, tick": promises by name.
tl::expected<std::vector<std::string>, TextError> readPromiseNames(std::string_view text,
                                                                   const std::vector<std::string>& promises);

/// "limits of vco", "rule …" or "lock on pll_b.divide", as a conflict names it.
tl::expected<Lifted, TextError> readLifted(std::string_view text, const Part& part, const Take& take);

/// "current, changes": what is preferred, the first most.
tl::expected<std::vector<Preference>, TextError> readPreferences(std::string_view text);

/// "xtm: 8 MHz, 12 MHz", or "xtm" alone for all stock rates.
tl::expected<CrystalQuestion, TextError> readCrystalQuestion(std::string_view text, const Part& part);

} // namespace wisetick
