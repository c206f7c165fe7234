#pragma once

#include "base/text.h"
#include "quantity/rational.h"

#include <functional>
#include <optional>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace wisetick {

/// A bit field of a register: "CLK.REF[4:0]", or "CLK.PLLIN[16]" for one bit. A number that does not stand in one place has its
/// high bits there and the rest in `lower`, the higher first.
struct Field {
    std::string reg;
    int msb = 0;
    int lsb = 0;
    std::vector<Field> lower = {};

    /// Of the place itself, without what is lower.
    int ownWidth() const { return msb - lsb + 1; }
    /// Of the whole number.
    int width() const;
    /// The largest number that it holds.
    Rational most() const { return Rational::wide((Rational::Wide{1} << width()) - 1); }
    /// Its places, the highest first, none of them in pieces.
    std::vector<Field> pieces() const;
    bool operator==(const Field&) const = default;
};

/// "CLK.REF[4:0]"; of one in pieces "T8HIGH[7:0] and T8LOW[7:0]".
std::string fieldText(const Field& field);

/// Reads "CLK.REF[4:0]" or "CLK.PLLIN[16]", bits 63 to 0; nothing if it is neither.
std::optional<Field> readField(std::string_view text);

/// Letters, digits, '_' and the dot behind a block, a letter first: what a name in C can be made of without two becoming one.
bool isRegisterName(std::string_view name);

/// What a field holds for a control set to n: a linear form ("n", "n-1", "16*n-16", "n/2-1", "65536-n"), which may name the ends
/// of what the control can be set to ("n-least") and other controls of the same thing ("counts-n"); a power ("log2 n - 1"); or a
/// table of codes by factor or by source id. `inOrder`: codes 0, 1, 2, … in the order of the settings, until these are known.
struct Holds {
    enum class Form { linear, logarithm, table, inOrder };

    Form form = Form::linear;
    Rational slope = 1;
    Rational offset = 0;
    std::int64_t base = 2; ///< of the power
    std::vector<std::pair<std::string, std::int64_t>> codes;
    std::vector<std::pair<std::string, Rational>> others = {}; ///< "least", "most" or another control, and its factor

    bool operator==(const Holds&) const = default;
};

/// Reads "n", "n-1", "16*n-16", "n/2-1", "65536-n", "n-least", "counts-n", "log2 n", "log4 n - 1" or "in order"; nothing if it
/// is none of these.
std::optional<Holds> readHolds(std::string_view text);

/// "holds n - 1"; for a table "holds a code".
Text holdsText(const Holds& holds);

/// Gives the value of another control by its name.
using OtherControl = std::function<std::optional<Rational>(const std::string&)>;

/// What the field holds for a factor n, or for a table the code of `key`. Nothing if it has none, if it is no whole number ≥ 0,
/// or if it hangs on another control that is not known.
std::optional<std::int64_t> heldFor(const Holds& holds, const Rational& factor, const OtherControl& other = {});
std::optional<std::int64_t> heldFor(const Holds& holds, const std::string& key);

/// The ways in which a value can be laid out over several fields of one control, each with its own `holds`: named
/// "multiply.whole", "multiply.fraction", …
enum class ValuePart { whole, fraction, enable, mantissa, exponent };
inline constexpr ValuePart kValueParts[] = {ValuePart::whole, ValuePart::fraction, ValuePart::enable, ValuePart::mantissa,
                                            ValuePart::exponent};
/// "whole", "fraction", …
std::string valuePartName(ValuePart part);

/// A register field with the number to be written, ready to copy.
struct FieldValue {
    std::string control; ///< "bus_a.divide"
    Field field;
    std::string setting; ///< the control's value as said: "4", "xtm"
    Text holdsAs;        ///< "holds n - 1"
    std::int64_t held = 0;

    bool operator==(const FieldValue&) const = default;
};

/// "0x03", as wide as the field.
std::string hexText(const FieldValue& value);

/// The held number shifted to its bits: "0x00000300" for [15:8]; 64 bits at the most.
std::string inPlaceText(const FieldValue& value);

} // namespace wisetick
