#pragma once

#include "derive/figures.h"
#include "handover/left_out.h"
#include "plan/plan.h"

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace wisetick {

/// What the fields of a take leave the program as.
enum class EmitForm { header, source, table, json };

/// "header", "c", "csv" or "json"; nothing if it is none of these.
std::optional<EmitForm> readEmitForm(std::string_view text);
const std::vector<std::string>& emitForms();

/// A field of the take with the name that it has in code and what it is for.
struct EmittedField {
    std::string name; ///< "WT_UART1_DIVISOR"
    FieldValue value;
    std::string about; ///< "uart1 talks 921600 within 1.5 %: got 930.2325… kbit/s, +0.93 %"
};

/// What becomes of a promise that is broken: its fields are left out, or written all the same.
enum class Broken { leftOut, written };

/// Every field of the take once: tier, waits, sources and lines that are on, then the promises in the plan's order. A field that
/// two promises share stands with the first.
std::vector<EmittedField> emittedFields(const Part& part, const Plan& plan, const Figures& figures,
                                        Broken broken = Broken::leftOut);

/// All that emitFields leaves out, with its reason.
std::vector<LeftOut> leftOutOf(const Part& part, const Plan& plan, const Figures& figures);

/// header: named constants for value, shift and mask, with the asked and got figure as comment. c: functions that write in
/// bring-up order, clocks first, through the register names; compiled with WISETICK_ON_HOST the registers are plain variables.
/// csv: one line a field. json: an array of fields. What is left out is an #error in C, unless broken promises shall be written;
/// in JSON it is listed.
std::string emitFields(const Part& part, const Plan& plan, const Figures& figures, EmitForm form,
                       Broken broken = Broken::leftOut);

} // namespace wisetick
