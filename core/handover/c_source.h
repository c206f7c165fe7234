#pragma once

#include "handover/emit.h"

#include <string>

namespace wisetick {

/// The functions of a register program in C, for C99 and later and for C++: each gives 0, or the number of the act that was
/// waited for in vain. Registers stand at their addresses, or are named through `style.registers`; compiled with WISETICK_ON_HOST
/// they are plain variables and everything is ready at once.
std::string cSource(const Part& part, const Figures& figures, const RegisterProgram& program, const EmitStyle& style);

/// The prototypes of these functions.
std::string cPrototypes(const Part& part, const Figures& figures, const RegisterProgram& program, const EmitStyle& style);

/// An #error for each thing that is left out, or, where broken promises are written too, a comment.
std::string leftOutLines(const std::vector<LeftOut>& left, Broken broken);

/// "0x0000FF00u", as wide as the register.
std::string hexLiteral(std::uint64_t value, int bits);

} // namespace wisetick
