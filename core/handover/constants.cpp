#include "handover/constants.h"

#include "handover/c_names.h"
#include "handover/c_source.h"

#include <fmt/format.h>

#include <functional>

namespace wisetick {

namespace {

std::uint64_t maskOf(const Field& field) {
    return (~std::uint64_t{0} >> (64 - field.ownWidth())) << field.lsb;
}

bool doesFit(const FieldValue& value) {
    return Rational(value.held) <= value.field.most();
}

/// Fields with the comment that several share, and one for those that don't fit.
std::string fieldLines(const std::vector<EmittedField>& fields, const std::function<std::string(const EmittedField&)>& line,
                       const std::function<std::string(const std::string&)>& comment,
                       const std::function<std::string(const std::string&)>& error) {
    std::string text;
    std::string about;
    for (const EmittedField& field : fields) {
        if (field.about != about) {
            about = field.about;
            text += "\n" + comment(about);
        }
        text += doesFit(field.value) ? line(field)
                                     : error(commentText(field.value.control + " does not fit " + fieldText(field.value.field)));
    }
    return text;
}

bool isSmall(const Rational& number) {
    return number <= Rational(0xFFFFFFFFLL);
}

/// "132000000u", or with ull where it takes more than 32 bits.
std::string wholeLiteral(const Rational& number) {
    return number.toString() + (isSmall(number) ? "u" : "ull");
}

/// Numerator and denominator of a rate that is not whole.
std::pair<Rational, Rational> fractionOf(const Rational& rate) {
    return {rate.numerator(), rate.denominator()};
}

std::string rustType(const Rational& number) {
    return isSmall(number) ? "u32" : "u64";
}

std::string bareName(const EmittedField& field, const Figures& figures, Letters letters) {
    const std::string prefix = codePrefix(figures, Letters::capital);
    return codeName(field.name.substr(prefix.size()), letters);
}

} // namespace

std::string cConstants(const Part& part, const Plan& plan, const Figures& figures, const std::vector<EmittedField>& fields,
                       const std::vector<LeftOut>& left, const EmitStyle& style) {
    const std::string prefix = codePrefix(figures, Letters::capital);
    const std::string guard = prefix + "FIELDS_H";
    std::string text = "/* " + codeTitle(part, figures) + ": rates and register fields. */\n#ifndef " + guard + "\n#define " +
                       guard + "\n" + leftOutLines(left, style.broken) + "\n/* rates */\n";
    std::string checks;
    for (const RateConstant& rate : rateConstants(part, plan, figures)) {
        const std::string name = prefix + codeName(rate.name, Letters::capital) + "_HZ";
        const std::string comment = " /* " + commentText(rate.about) + " */\n";
        if (rate.hertz.isWhole()) {
            text += "#define " + name + " " + wholeLiteral(rate.hertz) + comment;
            const std::string expected = prefix + "EXPECTED_" + codeName(rate.name, Letters::capital) + "_HZ";
            checks += "#ifdef " + expected + "\nWISETICK_ASSERT((" + expected + ") == " + name + ", \"" + expected + " is not " +
                      rate.hertz.toString() + "\");\n#endif\n";
        } else {
            const auto [above, below] = fractionOf(rate.hertz);
            text += "#define " + name + "_NUM " + wholeLiteral(above) + comment + "#define " + name + "_DEN " +
                    wholeLiteral(below) + "\n";
        }
    }
    text += fieldLines(
        fields,
        [](const EmittedField& field) {
            const Field& at = field.value.field;
            const int bits = at.msb > 31 ? 64 : 32;
            return fmt::format("#define {0} {1} /* {2}: {3}, {4} */\n#define {0}_SHIFT {5}u\n#define {0}_MASK {6}\n", field.name,
                               hexText(field.value) + (bits == 64 ? "ull" : "u"), fieldText(at), commentText(field.value.setting),
                               field.value.holdsAs, at.lsb, hexLiteral(maskOf(at), bits));
        },
        [](const std::string& about) { return "/* " + commentText(about) + " */\n"; },
        [](const std::string& error) { return "#error \"" + inQuotes(error) + "\"\n"; });
    if (!checks.empty()) {
        text +=
            "\n/* what the firmware believes of its rates: define it before, and a difference does not compile */\n"
            "#ifndef WISETICK_ASSERT\n#if defined(__cplusplus)\n#define WISETICK_ASSERT(is_so, say) static_assert(is_so, say)\n"
            "#elif defined(__STDC_VERSION__) && __STDC_VERSION__ >= 201112L\n"
            "#define WISETICK_ASSERT(is_so, say) _Static_assert(is_so, say)\n#else\n"
            "#define WISETICK_JOINED(a, b) a##b\n#define WISETICK_NAMED(line) WISETICK_JOINED(wisetick_assert_, line)\n"
            "#define WISETICK_ASSERT(is_so, say) extern char WISETICK_NAMED(__LINE__)[(is_so) ? 1 : -1]\n#endif\n#endif\n" +
            checks;
    }
    return text + "\n#endif\n";
}

std::string cppConstants(const Part& part, const Plan& plan, const Figures& figures, const std::vector<EmittedField>& fields,
                         const std::vector<LeftOut>& left, const EmitStyle& style) {
    std::string space = codePrefix(figures, Letters::small);
    space.pop_back();
    std::string text =
        "// " + codeTitle(part, figures) + ": rates and register fields.\n#pragma once\n\n#include <cstdint>\n" +
        leftOutLines(left, style.broken) + "\nnamespace " + space + " {\n\n" +
        "/// A number in its place of a register.\nstruct RegisterField {\n    std::uint64_t value;\n    unsigned shift;\n"
        "    std::uint64_t mask;\n    constexpr std::uint64_t in_place() const { return value << shift; }\n};\n\n"
        "/// A rate that is not whole, Hz.\nstruct ExactRate {\n    std::uint64_t above;\n    std::uint64_t below;\n};\n\n";
    for (const RateConstant& rate : rateConstants(part, plan, figures)) {
        const std::string name = codeName(rate.name, Letters::small) + "_hz";
        const auto [above, below] = fractionOf(rate.hertz);
        text += rate.hertz.isWhole()
                    ? fmt::format("inline constexpr std::uint{}_t {} = {};", isSmall(rate.hertz) ? 32 : 64, name,
                                  wholeLiteral(rate.hertz))
                    : fmt::format("inline constexpr ExactRate {}{{{}, {}}};", name, wholeLiteral(above), wholeLiteral(below));
        text += " // " + commentText(rate.about) + "\n";
    }
    text += fieldLines(
        fields,
        [&](const EmittedField& field) {
            const Field& at = field.value.field;
            return fmt::format("inline constexpr RegisterField {}{{{}u, {}, {}}}; // {}: {}, {}\n",
                               bareName(field, figures, Letters::small), hexText(field.value), at.lsb,
                               hexLiteral(maskOf(at), at.msb > 31 ? 64 : 32), fieldText(at), commentText(field.value.setting),
                               field.value.holdsAs);
        },
        [](const std::string& about) { return "// " + commentText(about) + "\n"; },
        [](const std::string& error) { return "#error \"" + inQuotes(error) + "\"\n"; });
    return text + "\n} // namespace " + space + "\n";
}

std::string rustConstants(const Part& part, const Plan& plan, const Figures& figures, const std::vector<EmittedField>& fields,
                          const std::vector<LeftOut>& left, const EmitStyle& style) {
    std::string text = "//! " + codeTitle(part, figures) + ": rates and register fields.\n#![allow(dead_code)]\n\n";
    for (const LeftOut& each : left) {
        const std::string said = commentText(leftOutText(each));
        text += style.broken == Broken::leftOut ? "compile_error!(\"" + inQuotes(said) + "\");\n" : "// " + said + "\n";
    }
    text += "\n/// A number in its place of a register.\npub struct RegisterField {\n    pub value: u64,\n    pub shift: u32,\n"
            "    pub mask: u64,\n}\n\n";
    for (const RateConstant& rate : rateConstants(part, plan, figures)) {
        const std::string name = codeName(rate.name, Letters::capital) + "_HZ";
        const auto [above, below] = fractionOf(rate.hertz);
        text += "/// " + commentText(rate.about) + "\n";
        text += rate.hertz.isWhole()
                    ? fmt::format("pub const {}: {} = {};\n", name, rustType(rate.hertz), rate.hertz.toString())
                    : fmt::format("pub const {}: (u64, u64) = ({}, {});\n", name, above.toString(), below.toString());
    }
    text += fieldLines(
        fields,
        [&](const EmittedField& field) {
            const Field& at = field.value.field;
            return fmt::format(
                "/// {}: {}, {}\npub const {}: RegisterField = RegisterField {{ value: {}, shift: {}, mask: 0x{:X} }};\n",
                fieldText(at), commentText(field.value.setting), field.value.holdsAs, bareName(field, figures, Letters::capital),
                hexText(field.value), at.lsb, maskOf(at));
        },
        [](const std::string& about) { return "// " + commentText(about) + "\n"; },
        [](const std::string& error) { return "compile_error!(\"" + inQuotes(error) + "\");\n"; });
    return text;
}

} // namespace wisetick
