#pragma once

#include <string>

namespace CLI { // NOLINT(readability-identifier-naming): as the library has it
class App;
}

namespace wisetick::cli {

/// A script with which a shell completes the commands and options of a program, made from what the program itself reads: "bash",
/// "zsh" or "fish"; an empty text for any other.
std::string completionFor(const CLI::App& app, const std::string& shell);

} // namespace wisetick::cli
