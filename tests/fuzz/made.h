#pragma once

#include <string_view>

namespace wisetick::fuzz {

/// How often a work was done, and how often it came to the comparison: one can also end earlier, with something that is told.
struct Played {
    int plays = 0;
    int came = 0;
};

/// Each makes parts, plans or files that are in order from the choices that the bytes are, does its work with them, and aborts
/// where what comes back breaks its contract or differs from a second, slower way. All plays but the first are of the same part
/// with other settings, board and promises.

/// Rates against a walk up the tree; limits against the rates.
Played feedDerive(std::string_view choices, int plays = 1);
/// Promises as a check judges them: what is kept is within what is asked.
Played feedCheck(std::string_view choices, int plays = 1);
/// Against a search that looks at everything, where that is small.
Played feedSeek(std::string_view choices, int plays = 1);
/// Jobs: shares add up to the whole, the average lies between rest and peak.
Played feedRhythm(std::string_view choices, int plays = 1);
/// From one take to another on registers: the goal's fields stand there afterwards, and the core was never too fast meanwhile.
Played feedWay(std::string_view choices, int plays = 1);
/// All forms: names that C knows, brackets that close, JSON that is read, no control characters.
Played feedEmit(std::string_view choices, int plays = 1);
/// The way into each mode and back.
Played feedSleep(std::string_view choices, int plays = 1);
/// Fields written, dumped as text and read back.
Played feedFound(std::string_view choices, int plays = 1);
/// A description of registers with arrays and derived ones, of which is known what it holds.
Played feedSvd(std::string_view choices, int plays = 1);
/// A shipped part and its example with some of their figures made anything: figures or diagnostics in plain words.
Played feedFigures(std::string_view choices, int plays = 1);

} // namespace wisetick::fuzz
