#pragma once

#include "commands.h"

#include <iosfwd>

namespace wisetick::cli {

/// Speaks the Language Server Protocol with an editor over two streams until it says `exit` or hangs up; the exit code that the
/// protocol asks for, or kBadInput for what is no message of it.
int runLsp(const Console& console, std::istream& in);

} // namespace wisetick::cli
