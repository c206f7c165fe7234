#pragma once

#include <string_view>

namespace wisetick::fuzz {

/// Each makes parts, plans or files that are in order from the choices that the bytes are, does its work with them, and aborts
/// where what comes back breaks its contract or differs from a second, slower way. True where it came to that: an input can also
/// end earlier, with something that is told.

/// Rates against a walk up the tree; limits against the rates.
bool feedDerive(std::string_view choices);
/// Promises as a check judges them: what is kept is within what is asked.
bool feedCheck(std::string_view choices);
/// Against a search that looks at everything, where that is small.
bool feedSeek(std::string_view choices);
/// Jobs: shares add up to the whole, the average lies between rest and peak.
bool feedRhythm(std::string_view choices);
/// From one take to another on registers: the goal's fields stand there afterwards, and the core was never too fast meanwhile.
bool feedWay(std::string_view choices);
/// All forms: names that C knows, brackets that close, JSON that is read, no control characters.
bool feedEmit(std::string_view choices);
/// The way into each mode and back.
bool feedSleep(std::string_view choices);
/// Fields written, dumped as text and read back.
bool feedFound(std::string_view choices);
/// A description of registers with arrays and derived ones, of which is known what it holds.
bool feedSvd(std::string_view choices);
/// A shipped part and its example with some of their figures made anything: figures or diagnostics in plain words.
bool feedFigures(std::string_view choices);

} // namespace wisetick::fuzz
