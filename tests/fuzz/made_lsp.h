#pragma once

#include <string_view>

namespace wisetick::fuzz {

/// An editor's session on a shipped part and its example from the choices that the bytes are: texts opened, changed at ranges,
/// asked about anywhere, renamed, with wrong messages among them. Aborts where a request has not its one answer, a range lies
/// outside the text, or what is said after the changes is not what a fresh server says of the same text. True where the session
/// got as far as that comparison.
bool feedLsp(std::string_view choices);

} // namespace wisetick::fuzz
