#pragma once

#include "files/svd.h"

#include <string>
#include <string_view>

namespace wisetick {

/// Reads a table of registers: CSV (',', ';' or tabs) whose first row names its columns, of `register` ("OSC.MAIN"), `address`,
/// `field`, `bits` ("7:0" or "3"), `access` (rw, ro, wo), `reset`, `about`. A row without a field is about its register. `file`
/// is its name for messages.
RegisterFile readRegisterTable(std::string_view text, const std::string& file);

/// Reads the #define lines of a C header: NAME_ADDR (also _ADDRESS, _BASE of a block is passed over) with a number makes a
/// register, NAME_FIELD_Pos (also _SHIFT) and NAME_FIELD_Msk (also _MASK; shifted or not) a field of it. The first word of a
/// register's name is its block: UART1_RATE is UART1.RATE. What is no number stays out.
RegisterFile readDefines(std::string_view text, const std::string& file);

/// By the ending of its name: .csv and .tsv are tables, .h is a header, all else CMSIS-SVD.
RegisterFile readRegisterFile(std::string_view text, const std::string& file);

} // namespace wisetick
