#pragma once

#include "files/toml_reader.h"

namespace wisetick {

/// Puts the things themselves in place of the tables that stand for several (`ids`) or are like a template (`like`), and takes
/// the templates out, so that what reads the part knows of neither. Each node that is made keeps where it comes from (the place
/// in the template, and the line that asks for it). Faults go to the reporter: no such template, a loop of them, a name in braces
/// that nothing stands for, a list that is not as long as there are things. The words: docs/part-files.md.
void expandTemplates(toml::table& root, Reporter& reporter);

} // namespace wisetick
