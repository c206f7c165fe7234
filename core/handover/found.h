#pragma once

#include "base/text.h"
#include "derive/figures.h"
#include "evaluate/ripple.h"
#include "plan/plan.h"

#include <map>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace wisetick {

/// A register as it was read from a board: the bits of `known` were, the others were not.
struct FoundRegister {
    std::uint64_t value = 0;
    std::uint64_t known = 0;
};

/// What a file tells of a board's registers, by name; faults with their line.
struct FoundRegisters {
    std::map<std::string, FoundRegister> registers;
    std::size_t elsewhere = 0; ///< bytes or words at addresses where the part has no register
    Diagnostics diagnostics;
};

/// Reads what a debugger or a terminal gave, line by line and mixed as they come: `CLK.CORE = 0x3` (also with ':' or a blank),
/// `0x5000_0200 = 0x3` by address, `0x50000200 <…>: 0x3 0x4` (words one after the other), Intel HEX, Motorola SREC; words are
/// little endian. Empty lines and what follows '#' or "//" are skipped. `file` is its name for messages.
FoundRegisters readFound(const Part& part, std::string_view text, const std::string& file);

/// The same of the bytes of a memory that begin at an address.
FoundRegisters readFoundMemory(const Part& part, std::string_view bytes, std::uint64_t address);

/// The number in a field; nothing where a bit of it was not read.
std::optional<std::uint64_t> foundIn(const FoundRegisters& found, const Field& field);

/// The choices that the fields of tiers, sources, lines and muxes hold: the inverse of what is written for a take. What was not
/// read, or holds no code, is left out and named in `unknown`.
struct DecodedTake {
    Take take;
    std::vector<std::string> unknown; ///< "bus_a.divide"
};
DecodedTake decodedTake(const Part& part, const FoundRegisters& found, const std::string& name);

/// Puts the numbers of fields into registers, beside what stands there.
void putFields(const std::vector<FieldValue>& fields, FoundRegisters& found);

/// The value of a setting of a peripheral ("counts") as its fields hold it; nothing where it has none, or they hold none of it.
std::optional<Rational> foundSetting(const Part& part, const FoundRegisters& found, std::size_t peripheral,
                                     const std::string& setting);

/// One field of a take against what was found in it.
struct FoundField {
    FieldValue planned;
    std::optional<std::uint64_t> found; ///< none: it was not read
    Text means;                         ///< the setting that was found: "÷ 4"; empty where that can't be told
    std::vector<Moved> moves;           ///< what it does to lines and promises, of clock fields that differ
    bool isSame() const { return found && *found == static_cast<std::uint64_t>(planned.held); }
};

/// The fields of the take, each against what was found. Throws std::invalid_argument if the plan has no such take.
std::vector<FoundField> foundFields(const Part& part, const Plan& plan, const std::string& take, const FoundRegisters& found);

/// The plan with what was found as a take more, the rest of which is like `like`: promises, pinned ways and mode of rest. An
/// empty text, or why that can't be.
Text addDecodedTake(const Part& part, Plan& plan, const FoundRegisters& found, const std::string& like, const std::string& name);

} // namespace wisetick
