#pragma once

#include "base/text.h"
#include "handover/left_out.h"

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

namespace wisetick {

/// One act of a firmware on its registers.
struct RegisterAct {
    enum class Kind {
        modify,         ///< the bits of `mask` become `value`, the others stay
        store,          ///< the whole register becomes `value`
        load,           ///< it is read, which clears it
        until,          ///< until its bits of `mask` are `value`
        wait,           ///< for `seconds`
        awaitInterrupt, ///< the core stands still until something wakes it
        note            ///< what is to be done by hand
    };

    Kind kind = Kind::note;
    Text say; ///< what it is for
    std::string reg;
    std::uint64_t mask = 0;
    std::uint64_t value = 0;
    std::optional<Rational> seconds;        ///< of a wait, or until when it must be so at the latest; none: unknown
    std::optional<Rational> core;           ///< Hz of the core just then; none: unknown
    std::vector<std::string> controls = {}; ///< what it sets: "bus_a.divide"
    bool operator==(const RegisterAct&) const = default;
};

/// A function of it.
struct RegisterRoutine {
    std::string name; ///< "clocks", "modem", "before_rest"
    Text about;       ///< a line on it
    std::vector<RegisterAct> acts;
    bool isStart = false; ///< it belongs to what brings the take up
};

/// What a firmware writes, reads and waits for so that its registers are as the take wants them.
struct RegisterProgram {
    std::vector<RegisterRoutine> routines; ///< those that bring the take up in the order in which they run
    std::vector<LeftOut> left;             ///< what can't be written, and why
};

/// What becomes of a promise that is broken: its fields are left out, or written all the same.
enum class Broken { leftOut, written };

/// The program of a take, from reset or from the take `from`: clocks in the writing order; what only starts slowly and nobody on
/// the way to the core's rate needs apart, behind the rest; pins and their routes; each promise that is asked there in bring-up
/// order, with interrupts only where it wants one (fires, wakes); the way into the mode of rest and back. Registers are written
/// as their access says (flags that are cleared by a 1 whole, without reading; `set` registers without reading; write-only ones
/// with what was written before), behind the sequence that they need; fields that one step sets in one register, and dividers,
/// factors and settings that follow on each other in one register, are one store. Bits that show that something is ready are
/// waited for with the longest start-up as the time-out; without such a bit the start-up is waited for.
RegisterProgram registerProgram(const Part& part, const Plan& plan, const Figures& figures, Broken broken,
                                const std::optional<std::string>& from = std::nullopt);

} // namespace wisetick
