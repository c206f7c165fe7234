#pragma once

#include "commands.h"

#include <functional>
#include <memory>

namespace CLI { // NOLINT(readability-identifier-naming): as the library has it
class App;
}

namespace wisetick::cli {

/// Runs a command with the options that were read; returns the exit code.
using Run = std::function<int(const Console&)>;

/// One of the program's commands.
struct Command {
    const char* name;
    const char* say;              ///< what it does, for the help
    Run (*addOptions)(CLI::App&); ///< to the command's own part of the command line, which must outlive what is given back
};

/// In the order of the help.
const std::vector<Command>& commands();

} // namespace wisetick::cli
