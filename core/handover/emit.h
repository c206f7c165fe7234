#pragma once

#include "derive/figures.h"
#include "handover/register_program.h"
#include "plan/plan.h"

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace wisetick {

/// What the fields of a take leave the program as.
enum class EmitForm { header, prototypes, source, constants, rust, devicetree, table, json };

/// "header", "prototypes", "c", "cpp", "rust", "dts", "csv" or "json"; nothing if it is none of these.
std::optional<EmitForm> readEmitForm(std::string_view text);
const std::vector<std::string>& emitForms();

/// A field of the take with the name that it has in code and what it is for.
struct EmittedField {
    std::string name; ///< "ORCHARD_SPRAYER_A_UART1_DIVISOR"
    FieldValue value;
    std::string about; ///< "uart1 talks 921600 within 1.5 %: got 930.2325… kbit/s, +0.93 %"
};

/// Every field of the take once: tier, waits, sources and lines that are on, then the promises in the plan's order. A field that
/// two promises share stands with the first.
std::vector<EmittedField> emittedFields(const Part& part, const Plan& plan, const Figures& figures,
                                        Broken broken = Broken::leftOut);

/// All that emitFields leaves out, with its reason: also the broken promises that are written all the same.
std::vector<LeftOut> leftOutOf(const Part& part, const Plan& plan, const Figures& figures,
                               const std::optional<std::string>& from = std::nullopt);

/// How code is written.
struct EmitStyle {
    Broken broken = Broken::leftOut;
    std::optional<std::string> from = {}; ///< the take that the clocks are left in; none: reset
    std::string registers = {}; ///< how a register is named in your own header: "{block}->{register}"; empty: by its address
};

/// header: named constants for value, shift and mask and for the rates, with the asked and got figure as comment. prototypes and
/// c: the functions of the take's register program. cpp: the constants as constexpr; rust: as consts. dts: clocks, the rates and
/// speeds of ports. csv: one line a field. json: an array of fields. All names begin with those of plan and take. What is left
/// out is an #error in C, unless broken promises shall be written; in JSON it is listed. `program`: the take's register program
/// from where `style` says and without what is broken, where it was made already.
std::string emitFields(const Part& part, const Plan& plan, const Figures& figures, EmitForm form,
                       const EmitStyle& style = EmitStyle(), const RegisterProgram* program = nullptr);

} // namespace wisetick
