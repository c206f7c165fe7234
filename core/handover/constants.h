#pragma once

#include "handover/emit.h"

namespace wisetick {

/// Named constants of a take in C: each field's value, shift and mask, each rate in Hz (a numerator and a denominator where it is
/// not whole), and what the firmware's own numbers are held against: where it defines PREFIX_EXPECTED_CORE_HZ, a difference does
/// not compile.
std::string cConstants(const Part& part, const Plan& plan, const Figures& figures, const std::vector<EmittedField>& fields,
                       const std::vector<LeftOut>& left, const EmitStyle& style);

/// The same for C++17, as constexpr in a namespace of plan and take.
std::string cppConstants(const Part& part, const Plan& plan, const Figures& figures, const std::vector<EmittedField>& fields,
                         const std::vector<LeftOut>& left, const EmitStyle& style);

/// The same as a module of Rust.
std::string rustConstants(const Part& part, const Plan& plan, const Figures& figures, const std::vector<EmittedField>& fields,
                          const std::vector<LeftOut>& left, const EmitStyle& style);

} // namespace wisetick
