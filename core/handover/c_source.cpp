#include "handover/c_source.h"

#include "handover/c_names.h"
#include "quantity/quantity_print.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <set>

namespace wisetick {

namespace {

using Kind = RegisterAct::Kind;

constexpr std::uint64_t kMostPasses = 0xFFFFFFFFU;

/// Writes a program as functions, and remembers the registers that they touch.
class CSource {
public:
    CSource(const Part& part, const Figures& figures, const RegisterProgram& program, const EmitStyle& style)
        : part_(part), figures_(figures), style_(style), prefix_(codePrefix(figures, Letters::small)), program_(program) {
        for (const RegisterRoutine& routine : program_.routines) {
            functions_.push_back(nameFor(routine.name));
            for (const RegisterAct& act : routine.acts) {
                if (!act.reg.empty()) {
                    int& bits = registers_[act.reg];
                    bits = std::max(bits, widthOf(act));
                }
                hasWaits_ = hasWaits_ || act.kind == Kind::wait;
                hasPolls_ = hasPolls_ || act.kind == Kind::until;
                hasRests_ = hasRests_ || act.kind == Kind::awaitInterrupt;
            }
        }
        all_ = nameFor(style_.from ? "all_from_" + *style_.from : "all");
    }

    std::string source() {
        std::string text = "/* " + codeTitle(part_, figures_) + ": writes its registers in order. */\n#include <stdint.h>\n\n" +
                           registerLines() + hookLines() + leftOutLines(program_.left, style_.broken) + "\n" + prototypeLines();
        for (std::size_t i = 0; i < program_.routines.size(); ++i) {
            text += function(program_.routines[i], functions_[i]);
        }
        text += "\n/* everything that brings the take up, in order */\nint " + all_ + "(void)\n{\n    int failed = 0;\n\n";
        for (std::size_t i = 0; i < program_.routines.size(); ++i) {
            if (program_.routines[i].isStart) {
                text += "    if (failed == 0) {\n        failed = " + functions_[i] + "();\n    }\n";
            }
        }
        return text + "    return failed;\n}\n";
    }

    std::string prototypes() {
        const std::string guard = codePrefix(figures_, Letters::capital) + "H";
        return "/* " + codeTitle(part_, figures_) + ": functions that write its registers. */\n#ifndef " + guard + "\n#define " +
               guard + "\n\n#ifdef __cplusplus\nextern \"C\" {\n#endif\n\n" + prototypeLines() +
               "\n#ifdef __cplusplus\n}\n#endif\n\n#endif\n";
    }

private:
    std::string nameFor(const std::string& name) {
        const std::string wished = prefix_ + codeName(name, Letters::small);
        std::string unique = wished;
        for (int number = 2; !names_.insert(unique).second; ++number) {
            unique = wished + "_" + std::to_string(number);
        }
        return unique;
    }

    int widthOf(const RegisterAct& act) const {
        const Register* known = part_.findRegister(act.reg);
        if (known != nullptr) {
            return known->width;
        }
        return (act.mask >> 32) != 0 ? 64 : 32;
    }

    static std::string typeOf(int bits) { return fmt::format("uint{}_t", bits); }

    /// "CLK_CORE" of "CLK.CORE".
    static std::string plainName(std::string_view reg) {
        std::string name(reg);
        std::replace_if(
            name.begin(), name.end(),
            [](char c) { return !((c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9') || c == '_'); },
            '_');
        return name;
    }

    static std::string macroOf(const std::string& reg) { return "WT_" + plainName(reg); }

    /// The register as the user's own header names it.
    std::string named(const std::string& reg) const {
        const std::size_t dot = reg.find('.');
        const std::string block = dot == std::string::npos ? std::string() : plainName(reg.substr(0, dot));
        const std::string own = plainName(dot == std::string::npos ? reg : reg.substr(dot + 1));
        if (block.empty()) {
            return own;
        }
        if (style_.registers.empty()) {
            return block + "." + own;
        }
        std::string text = style_.registers;
        const std::pair<std::string_view, const std::string*> marks[] = {{"{block}", &block}, {"{register}", &own}};
        for (const auto& [mark, name] : marks) {
            for (std::size_t at = text.find(mark); at != std::string::npos; at = text.find(mark, at + name->size())) {
                text.replace(at, mark.size(), *name);
            }
        }
        return text;
    }

    std::string registerLines() const {
        std::string host;
        std::string target;
        bool isNamed = false;
        for (const auto& [reg, bits] : registers_) {
            const std::string macro = macroOf(reg);
            const std::string variable = "wisetick_host_" + plainName(reg);
            host += "#ifndef " + macro + "\n#define " + macro + " " + variable + "\nstatic volatile " + typeOf(bits) + " " +
                    variable + ";\n#endif\n";
            const auto address = style_.registers.empty() ? part_.addressOf(reg) : std::nullopt;
            isNamed = isNamed || !address;
            target += "#ifndef " + macro + "\n#define " + macro + " ";
            target += address ? fmt::format("(*(volatile {} *)0x{:08X}u)", typeOf(bits), *address) : named(reg);
            target += "\n#endif\n";
        }
        const std::string include =
            isNamed
                ? "#ifndef WISETICK_REGISTERS\n#define WISETICK_REGISTERS \"registers.h\" /* your part's registers */\n#endif\n"
                  "#include WISETICK_REGISTERS\n"
                : std::string();
        return "#ifdef WISETICK_ON_HOST\n" + host + "#else\n" + include + target + "#endif\n\n";
    }

    std::string hookLines() const {
        std::string text = "/* each of these may be defined before, to trace or to run elsewhere */\n"
                           "#ifndef WISETICK_STORE\n#define WISETICK_STORE(reg, value) ((reg) = (value))\n#endif\n";
        if (hasPolls_) {
            text += "#ifndef WISETICK_FAILED\n#define WISETICK_FAILED(step) ((void)(step)) /* waited for in vain */\n#endif\n"
                    "#ifndef WISETICK_UNTIL\n#ifdef WISETICK_ON_HOST\n"
                    "#define WISETICK_UNTIL(is_so, passes, step) (void)(is_so)\n#else\n"
                    "/* a pass takes a cycle of the core at least, so that the time is never too short */\n"
                    "#define WISETICK_UNTIL(is_so, passes, step) \\\n    do { \\\n        uint32_t left = (passes); \\\n"
                    "        while (!(is_so)) { \\\n            if (left == 0u) { \\\n                WISETICK_FAILED(step); \\\n"
                    "                return (step); \\\n            } \\\n            --left; \\\n        } \\\n    } while (0)\n"
                    "#endif\n#endif\n";
        }
        if (hasWaits_) {
            text += "#ifndef WISETICK_WAIT_NS\n#ifdef WISETICK_ON_HOST\n#define WISETICK_WAIT_NS(ns, core_hz) ((void)0)\n#else\n"
                    "#error \"define WISETICK_WAIT_NS(ns, core_hz): waits so long, while the core runs at core_hz\"\n"
                    "#endif\n#endif\n";
        }
        if (hasRests_) {
            text += "#ifndef WISETICK_REST\n#ifdef WISETICK_ON_HOST\n#define WISETICK_REST() ((void)0)\n#else\n"
                    "#error \"define WISETICK_REST(): your core's instruction that waits for an interrupt\"\n"
                    "#endif\n#endif\n";
        }
        return text;
    }

    std::string prototypeLines() const {
        std::string text;
        for (const std::string& name : functions_) {
            text += "int " + name + "(void);\n";
        }
        return text + "int " + all_ + "(void);\n";
    }

    std::string function(const RegisterRoutine& routine, const std::string& name) {
        std::string body;
        int step = 0;
        for (const RegisterAct& act : routine.acts) {
            body += actText(act, ++step);
        }
        return "\n/* " + commentText(routine.about) + " */\nint " + name + "(void)\n{\n" + body + "    return 0;\n}\n";
    }

    std::string actText(const RegisterAct& act, int step) const {
        const std::string say = " /* " + commentText(act.say) + " */\n";
        switch (act.kind) {
        case Kind::modify: {
            const int bits = registers_.at(act.reg);
            const std::uint64_t all = bits == 64 ? ~std::uint64_t{0} : (std::uint64_t{1} << bits) - 1;
            std::string value = fmt::format("({} & {})", macroOf(act.reg), hexLiteral(all & ~act.mask, bits));
            value += act.value == 0 ? std::string() : " | " + hexLiteral(act.value, bits);
            return store(act.reg, bits < 32 ? fmt::format("({})({})", typeOf(bits), value) : value) + say;
        }
        case Kind::store: return store(act.reg, hexLiteral(act.value, registers_.at(act.reg))) + say;
        case Kind::load: return "    (void)" + macroOf(act.reg) + ";" + say;
        case Kind::until: {
            const int bits = registers_.at(act.reg);
            return fmt::format("    WISETICK_UNTIL(({} & {}) == {}, {}u, {});", macroOf(act.reg), hexLiteral(act.mask, bits),
                               hexLiteral(act.value, bits), passesOf(act), step) +
                   " /* " + commentText(act.say + ", " + longestText(act)) + " */\n";
        }
        case Kind::wait: return "    " + waitText(act) + say;
        case Kind::awaitInterrupt: return "    WISETICK_REST();" + say;
        case Kind::note: return "   " + say;
        }
        return {};
    }

    static std::string store(const std::string& reg, const std::string& value) {
        return "    WISETICK_STORE(" + macroOf(reg) + ", " + value + ");";
    }

    /// How often a bit is looked at: as often as the core has cycles in the longest start-up.
    static std::string passesOf(const RegisterAct& act) {
        if (!act.seconds || !act.core) {
            return std::to_string(kMostPasses);
        }
        const Rational passes = (*act.seconds * *act.core).ceil();
        return passes > Rational(static_cast<std::int64_t>(kMostPasses)) ? std::to_string(kMostPasses) : passes.toString();
    }

    static std::string longestText(const RegisterAct& act) {
        return act.seconds ? "at most " + printQuantity(*act.seconds, Unit::second) : "how long it takes at most is unknown";
    }

    static std::string waitText(const RegisterAct& act) {
        const Rational nanoseconds = (*act.seconds * powerOfTen(9)).ceil();
        const Rational core = act.core.value_or(Rational(0)).ceil(); // faster than it is: never too short
        const char* longer = nanoseconds > Rational(static_cast<std::int64_t>(kMostPasses)) ? "ll" : "";
        return fmt::format("WISETICK_WAIT_NS({}u{}, {}u);", nanoseconds.toString(), longer, core.toString());
    }

    const Part& part_;
    const Figures& figures_;
    const EmitStyle& style_;
    std::string prefix_;
    const RegisterProgram& program_;
    std::set<std::string> names_;
    std::vector<std::string> functions_; ///< of the routines
    std::string all_;
    std::map<std::string, int> registers_; ///< to their widths
    bool hasWaits_ = false;
    bool hasPolls_ = false;
    bool hasRests_ = false;
};

} // namespace

std::string hexLiteral(std::uint64_t value, int bits) {
    return fmt::format("0x{:0{}X}u{}", value, (bits + 3) / 4, bits > 32 ? "ll" : "");
}

std::string leftOutLines(const std::vector<LeftOut>& left, Broken broken) {
    std::string text;
    for (const LeftOut& each : left) {
        const std::string said = commentText(leftOutText(each));
        text += broken == Broken::leftOut ? "#error \"" + inQuotes(said) + "\"\n" : "/* " + said + " */\n";
    }
    return text.empty() ? text : "\n" + text;
}

std::string cSource(const Part& part, const Figures& figures, const RegisterProgram& program, const EmitStyle& style) {
    return CSource(part, figures, program, style).source();
}

std::string cPrototypes(const Part& part, const Figures& figures, const RegisterProgram& program, const EmitStyle& style) {
    return CSource(part, figures, program, style).prototypes();
}

} // namespace wisetick
