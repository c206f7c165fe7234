#pragma once

#include "quantity/rational.h"

#include <optional>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace wisetick {

/// A bit field of a register: "CLK.REF[4:0]", or "CLK.PLLIN[16]" for one bit.
struct Field {
    std::string reg;
    int msb = 0;
    int lsb = 0;

    int width() const { return msb - lsb + 1; }
    /// The largest number that it holds.
    Rational most() const { return Rational::wide((Rational::Wide{1} << width()) - 1); }
    bool operator==(const Field&) const = default;
};

/// "CLK.REF[4:0]".
std::string fieldText(const Field& field);

/// Reads "CLK.REF[4:0]" or "CLK.PLLIN[16]", bits 63 to 0; nothing if it is neither.
std::optional<Field> readField(std::string_view text);

/// What a field holds for a control set to n: a linear form ("n", "n-1", "16*n", "n/2-1", "65536-n"), the power of two
/// ("log2 n"), or a table of codes by factor or by source id.
struct Holds {
    enum class Form { linear, logarithm, table };

    Form form = Form::linear;
    Rational slope = 1;
    Rational offset = 0;
    std::vector<std::pair<std::string, std::int64_t>> codes;

    bool operator==(const Holds&) const = default;
};

/// Reads "n", "n-1", "16*n-16", "n/2-1", "65536-n" or "log2 n"; nothing if it is none of these.
std::optional<Holds> readHolds(std::string_view text);

/// "holds n - 1"; for a table "holds a code".
std::string holdsText(const Holds& holds);

/// What the field holds for a factor n, or for a table the code of `key`. Nothing if it has none or if it is no
/// whole number ≥ 0.
std::optional<std::int64_t> heldFor(const Holds& holds, const Rational& factor);
std::optional<std::int64_t> heldFor(const Holds& holds, const std::string& key);

/// A register field with the number to be written, ready to copy.
struct FieldValue {
    std::string control; ///< "bus_a.divide"
    Field field;
    std::string setting; ///< the control's value as said: "4", "xtm"
    std::string holdsAs; ///< "holds n - 1"
    std::int64_t held = 0;

    bool operator==(const FieldValue&) const = default;
};

/// "0x03", as wide as the field.
std::string hexText(const FieldValue& value);

/// The held number shifted to its bits: "0x00000300" for [15:8]; 64 bits at the most.
std::string inPlaceText(const FieldValue& value);

} // namespace wisetick
