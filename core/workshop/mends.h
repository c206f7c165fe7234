#pragma once

#include <string>

namespace wisetick {

/// What a diagnostic's mend says that a word is likely meant to be: of "did you mean 'core'?" it is "core"; empty where it says
/// none.
std::string wordMeant(const std::string& mend);

} // namespace wisetick
